namespace Wellsedes.Core.Catalogue;

/// <summary>What a unit of a kitchen line holds, by the figure its maker is told.</summary>
public enum KitchenUnit
{
    Doors = 1,
    Drawers = 2,
    Sink = 3,

    /// <summary>A hob with its oven beneath.</summary>
    Hob = 4,
    Dishwasher = 5,
    Washer = 6,

    /// <summary>A tall unit with ovens one above the other.</summary>
    OvenStack = 7,
    Fridge = 8,

    /// <summary>A tall cupboard.</summary>
    Tall = 9,

    /// <summary>A unit in the corner: the line round it meets this one.</summary>
    Corner = 10,

    /// <summary>A strip that fills what the units leave.</summary>
    Filler = 11,
}
