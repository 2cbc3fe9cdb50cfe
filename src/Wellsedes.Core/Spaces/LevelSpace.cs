using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Spaces;

/// <summary>A solid part of a wall between its openings. A window's part is solid too, and a closed door's.</summary>
/// <param name="Opening">The window or door this part stands for; null for plain wall.</param>
public sealed record WallPiece(Wall Wall, Opening? Opening, Convex Body);

/// <summary>
/// A door leaf in its opening's frame, in mm: hinge at (Hinge, Face), shut along x towards +1 or -1, open along y up or down.
/// </summary>
public readonly record struct DoorLeaf(double Hinge, int Towards, double Length, double Face, int Up)
{
    /// <summary>The leaves of a door in a wall of a thickness; none for windows and gaps.</summary>
    public static ImmutableArray<DoorLeaf> Of(Opening opening, Wall wall)
    {
        if (!opening.IsDoor)
            return [];
        var (half, up) = (opening.Width / 2, opening.SwingsRight ? -1 : 1);
        var face = up * wall.Thickness / 2;
        var atStart = new DoorLeaf(-half, 1, opening.LeafLength, face, up);
        var atEnd = new DoorLeaf(half, -1, opening.LeafLength, face, up);
        return opening.Kind == OpeningKind.DoubleDoor ? [atStart, atEnd] : [opening.HingeAtEnd ? atEnd : atStart];
    }
}

/// <summary>An opening in its wall: frame with x along the wall and y to its left, origin at its middle.</summary>
/// <param name="Swing">The floor each leaf sweeps; empty for windows and gaps.</param>
/// <param name="Doorway">The floor within the thickness of the wall.</param>
public sealed record OpeningPlace(Opening Opening, Wall Wall, Placement Frame, ImmutableArray<Convex> Swing, Convex Doorway);

/// <summary>
/// A room found from the walls around it. Gross internal area is to the inside face of the walls, columns included;
/// net internal area leaves columns out. Both in m². Definitions after RICS Code of Measuring Practice (GIA, NIA),
/// from memory; check against the adopted edition.
/// </summary>
public sealed record FoundRoom(Room Room, Region Outline, double GrossInternal, double NetInternal);

/// <summary>The shell of one level, worked out: walls joined and cut, openings placed, rooms found.</summary>
public sealed record LevelSpace(
    string LevelId,
    ImmutableArray<WallPiece> Pieces,
    ImmutableArray<Region> WallFaces,
    ImmutableArray<OpeningPlace> Openings,
    ImmutableArray<FoundRoom> Rooms,
    ImmutableArray<Column> Columns,
    ImmutableArray<KeepClear> KeepClear
)
{
    /// <summary>The box around everything built, in mm; empty where nothing is.</summary>
    public Bounds Bounds { get; } =
        Pieces
            .Select(piece => piece.Body.Bounds)
            .Concat(Columns.Select(column => SpaceFinder.Solid(column).Bounds))
            .Aggregate(Bounds.Empty, (box, bounds) => box.Including(bounds));

    public double NetInternal => Rooms.Sum(room => room.NetInternal);

    public FoundRoom? RoomAt(Point p) => Rooms.FirstOrDefault(room => room.Outline.Holds(p));
}
