using Wellsedes.Core.Catalogue;

namespace Wellsedes.Core.Plans;

/// <summary>What a finish is of.</summary>
public enum FinishOf
{
    /// <summary>The floor of a named room.</summary>
    Room,

    /// <summary>The floor of a zone.</summary>
    Zone,

    /// <summary>All items whose middle is in a zone.</summary>
    ItemsInZone,

    /// <summary>All items of a kind, by its key in the catalogue.</summary>
    Kind,

    /// <summary>One item.</summary>
    Item,

    /// <summary>The walls around a named room, on its side.</summary>
    RoomWalls,

    /// <summary>One wall, on both sides.</summary>
    Wall,
}

public enum FinishPattern
{
    Plain,
    Boards,
    Herringbone,
    Tiles,
    Carpet,

    /// <summary>A picture of somebody's own, laid again and again at its true size.</summary>
    Picture,
}

/// <summary>
/// The finish of a floor or wall, or the tint of items, in a scheme. Width and length are of a board, tile or picture in mm, rotation of the
/// pattern in degrees counter-clockwise; opacity from 0.05 to 1 lets what lies beneath show through.
/// </summary>
/// <param name="TargetId">The room, zone, wall or item, or the key of a kind.</param>
/// <param name="Tint">As #RRGGBB.</param>
public sealed record Finish(
    string Id,
    string SchemeId,
    FinishOf Of,
    string TargetId,
    FinishPattern Pattern,
    string Tint,
    double Width = 0,
    double Length = 0,
    double Rotation = 0,
    double Opacity = 1,
    OwnPicture? Picture = null
) : Entity(Id), IOfScheme
{
    public bool IsOfFloor => Of is FinishOf.Room or FinishOf.Zone;

    public bool IsOfWalls => Of is FinishOf.RoomWalls or FinishOf.Wall;
}
