using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Spaces;

/// <summary>A solid part of a wall between its openings. A window's part is solid too, and a closed door's.</summary>
/// <param name="Opening">The window or door this part stands for; null for plain wall.</param>
public sealed record WallPiece(Wall Wall, Opening? Opening, Convex Body)
{
    /// <summary>Whether nobody gets through it: it is wall, above a sill, or shut.</summary>
    public bool IsInTheWay => Opening is null or { IsDoor: false, Sill: > 0 } or { Shut: true };
}

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
public sealed record LevelSpace(Level Level, LevelWalls Walls, LevelFloor Floor, LevelFixtures Fixtures, PlanRules Rules)
{
    /// <summary>Within this of the plan's zero, in mm, a level lies on the ground: people come onto it over open edges.</summary>
    private const double OnGround = 1000;

    private readonly Lazy<Bounds> bounds = new(() =>
        Walls.Pieces.Select(piece => piece.Body.Bounds).Aggregate(Fixtures.Bounds, (box, bounds) => box.Including(bounds))
    );

    private readonly Lazy<ImmutableArray<(Convex Floor, double Rise)>> decks = new(() =>
        [.. Fixtures.Things.OfType<Platform>().Select(platform => (platform.Floor(), platform.Rise))]
    );

    public string LevelId => Level.Id;

    public bool IsOnGround => IsGround(Level);

    public static bool IsGround(Level level) => Math.Abs(level.Elevation) < OnGround;

    public ImmutableDictionary<string, WallBody> Bodies => Walls.Bodies;

    public ImmutableArray<WallPiece> Pieces => Walls.Pieces;

    public ImmutableArray<OpeningPlace> Openings => Walls.Openings;

    public ImmutableArray<FoundRoom> Rooms => Floor.Rooms;

    public ImmutableArray<Thing> Things => Fixtures.Things;

    public ImmutableArray<Boundary> Boundaries => Fixtures.Boundaries;

    /// <summary>The steps and slopes on this level.</summary>
    public IEnumerable<Flight> Flights => Things.OfType<Flight>();

    public IEnumerable<Platform> Platforms => Things.OfType<Platform>();

    /// <summary>The floors that lie higher or lower than the level, as they are drawn, and by how much in mm.</summary>
    public ImmutableArray<(Convex Floor, double Rise)> Decks => decks.Value;

    /// <summary>How much higher than the level the floor lies at a point, in mm: by the last of the platforms there.</summary>
    public double RiseAt(Point p) => Decks.LastOrDefault(deck => deck.Floor.Holds(p)).Rise;

    /// <summary>What the room at a point is used for; "" where nobody said, or no room is.</summary>
    public string UseAt(Point p) => RoomAt(p)?.Room.Use ?? "";

    /// <summary>The box around everything of the shell, in mm; empty where nothing is.</summary>
    public Bounds Bounds => bounds.Value;

    /// <summary>Everything of the shell that is solid from the floor up, with what it is called.</summary>
    public IEnumerable<(string Id, string Name, Convex Shape)> Solids()
    {
        foreach (var thing in Things.Where(thing => thing.Effect() == ThingEffect.Solid))
            yield return (thing.Id, thing.Called(), thing.Floor());
    }

    public double NetInternal => Rooms.Sum(room => room.NetInternal);

    public FoundRoom? RoomAt(Point p) => Floor.RoomAt(p);
}
