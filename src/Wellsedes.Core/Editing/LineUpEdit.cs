using System.Collections.Immutable;
using Wellsedes.Core.Arranging;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Editing;

/// <summary>
/// Brings edges or middles of items into one line with those of one that stays: the one that is named, else the first that is locked,
/// else the first. By their bodies, or with the chairs at them while people sit.
/// </summary>
public sealed record LineUp(ImmutableArray<string> Ids, LineUpBy By, string? StaysId = null, bool WithSeats = false) : Edit, IOfSelected;

/// <summary>
/// Spaces items along the plan's axes as they lie at the first: with a clear gap or a pitch from middle to middle in mm, else evenly between the two at the ends,
/// which stay. The one nearest the west or south end stays.
/// </summary>
public sealed record SpreadItems(
    ImmutableArray<string> Ids,
    SpreadAlong Along,
    double? Gap = null,
    double? Pitch = null,
    bool WithSeats = false
) : Edit, IOfSelected;

/// <summary>Sets items evenly along a line (two points) or an arc (three), in mm on the level; turned with it where asked.</summary>
public sealed record SetAlong(ImmutableArray<string> Ids, ImmutableArray<Point> Path, bool Turned = false) : Edit, IOfSelected;

/// <summary>
/// Sets items with their backs to a wall, the one that is named or the nearest to a place in mm on the level: where they are along it, or one after
/// another with a clear gap in mm.
/// </summary>
public sealed record SetAlongWall(ImmutableArray<string> Ids, string WallId, double? Gap = null, Point? At = null) : Edit, IOfSelected;

/// <summary>Two items change places; each is turned as the other was.</summary>
public sealed record SwapItems(string Id, string OtherId) : Edit;

/// <summary>Turns items as another is turned, each about its middle.</summary>
public sealed record MatchRotation(ImmutableArray<string> Ids, string ToId) : Edit, IOfSelected;

/// <summary>Draws items before or behind all others that stand as high.</summary>
public sealed record OrderItems(ImmutableArray<string> Ids, bool ToFront) : Edit, IOfSelected;

/// <summary>
/// Turns items, each about its middle, so that their fronts look to a place in mm on the level; where something is named, to the middle of an
/// item or thing, or straight to a wall.
/// </summary>
public sealed record FaceItems(ImmutableArray<string> Ids, Point At, string? TargetId = null) : Edit, IOfSelected;

/// <summary>What of the selected a distance is counted from.</summary>
public enum OffsetFrom
{
    /// <summary>What reaches farthest: with the chairs at it while people sit.</summary>
    Outermost,

    /// <summary>The edge of the things themselves: of the table, not of its chairs.</summary>
    Body,

    /// <summary>The middle.</summary>
    Middle,
}

/// <summary>
/// Sets items off from the face of a wall or the side of a thing that is pointed at, a place in mm on the level: so far away from it, and so far along it
/// from its end that is nearest to that place, or from its other one. What is null stays as it is.
/// </summary>
public sealed record SetOff(
    ImmutableArray<string> Ids,
    Point At,
    double? Away = null,
    double? Along = null,
    bool FarEnd = false,
    OffsetFrom From = OffsetFrom.Outermost
) : Edit, IOfSelected;
