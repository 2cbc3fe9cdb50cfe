namespace Wellsedes.Core.Catalogue;

/// <summary>What an item is for; the order in which the catalogue shows them.</summary>
public enum CatalogueKind
{
    Tables,
    Seats,
    Desks,
    Lounge,
    Storage,
    Staging,
    Serving,
    Screens,
    Panels,
    Beds,
    Kitchen,
    Bathroom,
    Appliances,
    Equipment,
    OnTables,
    OnWalls,
    Outdoors,
    Care,
    Floors,
    Figures,
}

/// <summary>Where an item of a kind usually is.</summary>
public enum UsualPlace
{
    Floor,

    /// <summary>On a table, a desk or a worktop, at the height of its top.</summary>
    OnTop,

    /// <summary>On a wall, its underside at the kind's elevation.</summary>
    OnWall,
}
