using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Catalogue;

/// <summary>What a solid part of an item is: it decides how elevations and the model show it.</summary>
public enum PrismRole
{
    Body,
    Top,
    Leg,
    Seat,
    Back,
    Cushion,

    /// <summary>Doors and drawer fronts.</summary>
    Front,
    Glass,
    Metal,
    Display,
    Bedding,
    Ceramic,
    Leaf,
    Person,
}

/// <summary>
/// One solid part of an item: its outline seen from above, in the item's own coordinates, from one height to another above the
/// item's underside, in mm. Made by the maker that draws the symbol, so that plan, elevation and model never disagree.
/// </summary>
/// <param name="Taper">The size of its top to that of its foot, about the middle of its outline: 1 is straight.</param>
public sealed record Prism(PrismRole Role, Convex Outline, double From, double To, double Taper = 1)
{
    /// <summary>Whether its sides are round and shown without edges.</summary>
    public bool IsSmooth => Outline.Radius > 0;
}
