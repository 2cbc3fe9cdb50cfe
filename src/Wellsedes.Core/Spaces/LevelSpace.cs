using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Spaces;

/// <summary>A solid part of a wall between its openings. A window's part is solid too, and a closed door's.</summary>
/// <param name="Opening">The window or door this part stands for; null for plain wall.</param>
public sealed record WallPiece(Wall Wall, Opening? Opening, Convex Body);

/// <summary>An opening in its wall: frame with x along the wall and y to its left, origin at its middle.</summary>
/// <param name="Swing">The floor each leaf sweeps or slides over; empty for windows, gaps and pocket doors.</param>
/// <param name="Doorway">The floor within the thickness of the wall.</param>
public sealed record OpeningPlace(Opening Opening, Wall Wall, Placement Frame, ImmutableArray<Convex> Swing, Convex Doorway);

/// <summary>A room found from what bounds it; areas in m².</summary>
/// <param name="Named">Whether somebody has named it; else its name, and its id, are made from its place.</param>
/// <param name="Walled">Whether it lies within walls; a terrace or marquee by its outline alone does not.</param>
/// <param name="GrossInternal">To the inside faces of the walls around it, columns and fixed things included.</param>
/// <param name="NetInternal">Without columns, shafts, stairs and what lies under less than 1.5 m of clear height.</param>
public sealed record FoundRoom(Room Room, Region Outline, double GrossInternal, double NetInternal, bool Named, bool Walled);

/// <summary>A wall end that meets nothing but comes near something it could meet.</summary>
/// <param name="Gap">How far off that is, in mm.</param>
public sealed record UnjoinedEnd(string WallId, bool AtStart, Point At, Point Meets, double Gap);

/// <summary>The shell of one level, worked out: walls joined and cut, openings placed, rooms found.</summary>
/// <param name="Voids">Flights that arrive on this level from below: their heads are ways in, the rest is a hole in the floor.</param>
/// <param name="Things">Everything fixed that is no wall, opening or room, of whatever kind, in the order of ids.</param>
/// <param name="Light">Ids of walls that are drawn without hatching: glass, movable and half-height ones.</param>
public sealed record LevelSpace(
    Level Level,
    ImmutableDictionary<string, WallBody> Bodies,
    ImmutableArray<WallPiece> Pieces,
    ImmutableArray<OpeningPlace> Openings,
    ImmutableArray<FoundRoom> Rooms,
    ImmutableArray<Room> Unenclosed,
    Lazy<LevelAreas> AreasFound,
    ImmutableArray<Thing> Things,
    ImmutableArray<Boundary> Boundaries,
    ImmutableArray<SettingOutLine> SettingOutLines,
    ImmutableArray<Flight> Voids,
    ImmutableHashSet<string> Light,
    PlanRules Rules
)
{
    private readonly Lazy<ImmutableArray<Region>> faces = new(() =>
        FaceTracer.Trace(Fine(Bodies, Openings).Where(piece => piece.Opening is null).Select(piece => piece.Body), []).Solid
    );
    private readonly Lazy<ImmutableArray<Region>> heavy = new(() =>
        FaceTracer
            .Trace(
                Fine(Bodies, Openings).Where(piece => piece.Opening is null && !Light.Contains(piece.Wall.Id)).Select(piece => piece.Body),
                []
            )
            .Solid
    );
    private readonly Lazy<ImmutableArray<UnjoinedEnd>> loose = new(() => Spaces.UnjoinedEnds.Of(Bodies));

    private static IEnumerable<WallPiece> Fine(ImmutableDictionary<string, WallBody> bodies, ImmutableArray<OpeningPlace> openings)
    {
        var cut = openings.ToLookup(place => place.Wall.Id, place => place.Opening);
        return bodies.Values.SelectMany(body => SpaceFinder.Pieces(body, cut[body.Wall.Id], 0.2));
    }

    /// <summary>Within this of the plan's zero, in mm, a level lies on the ground: people come onto it over open edges.</summary>
    private const double OnGround = 1000;

    public LevelAreas Areas => AreasFound.Value;

    public string LevelId => Level.Id;

    public bool IsOnGround => IsGround(Level);

    public static bool IsGround(Level level) => Math.Abs(level.Elevation) < OnGround;

    /// <summary>Cut faces of the walls, united.</summary>
    public ImmutableArray<Region> WallFaces => faces.Value;

    /// <summary>The faces of those walls that are hatched.</summary>
    public ImmutableArray<Region> HatchedFaces => Light.IsEmpty ? WallFaces : heavy.Value;

    public ImmutableArray<UnjoinedEnd> UnjoinedEnds => loose.Value;

    private readonly Lazy<Bounds> bounds = new(() =>
        Pieces
            .Select(piece => piece.Body.Bounds)
            .Concat(Things.Select(thing => thing.Floor().Bounds))
            .Concat(Boundaries.Select(b => Geometry.Bounds.Around([b.Start, b.End, b.Line.At(b.Line.Length / 2)])))
            .Concat(Voids.Select(v => v.Floor().Bounds))
            .Aggregate(Geometry.Bounds.Empty, (box, bounds) => box.Including(bounds))
    );

    /// <summary>The box around everything of the shell, in mm; empty where nothing is.</summary>
    public Bounds Bounds => bounds.Value;

    /// <summary>Everything of the shell that is solid from the floor up, with what it is called.</summary>
    public IEnumerable<(string Id, string Name, Convex Shape)> Solids()
    {
        foreach (var thing in Things.Where(thing => thing.Effect() == ThingEffect.Solid))
            yield return (thing.Id, thing.Called(), thing.Floor());
    }

    public double NetInternal => Rooms.Sum(room => room.NetInternal);

    private readonly Lazy<SpatialIndex<FoundRoom>> roomIndex = new(() => new SpatialIndex<FoundRoom>(Rooms, room => room.Outline.Bounds));

    public FoundRoom? RoomAt(Point p) => roomIndex.Value.Meeting(Geometry.Bounds.Around([p])).Find(room => room.Outline.Holds(p));

    /// <summary>The steps and slopes on this level, and the decks they lead to.</summary>
    public IEnumerable<Flight> Flights => Things.OfType<Flight>();

    public IEnumerable<Platform> Platforms => Things.OfType<Platform>();
}
