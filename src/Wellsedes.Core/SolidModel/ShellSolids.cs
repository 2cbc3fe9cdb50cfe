using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.SolidModel;

/// <summary>A part of the shell that stands by itself: a wall, a door leaf, a floor, a column.</summary>
/// <param name="Id">Of the entity it is; "" for none.</param>
/// <param name="Surface">What most of it is.</param>
public sealed record ShellPart(string Id, string Name, Surface Surface, ImmutableArray<ModelFace> Faces)
{
    /// <summary>What a floor is laid with; null for none.</summary>
    public LaidPicture? Laid { get; init; }

    /// <summary>Of a wall what is left of it when it is cut low so that one looks over it; empty for all else.</summary>
    public ImmutableArray<ModelFace> Low { get; init; } = [];

    /// <summary>Of a wall its middle line, from end to end.</summary>
    public (Point From, Point To)? Line { get; init; }

    /// <summary>Of a wall which side of its line is outside: 1 its left, -1 its right, 0 neither or both.</summary>
    public int Outside { get; init; }

    /// <summary>Of a wall the edges of what is taken off where it is cut low.</summary>
    public ImmutableArray<(Point3 From, Point3 To)> Outline { get; init; } = [];

    /// <summary>Of a finish, as #RRGGBB; null for none.</summary>
    public string? Tint { get; init; }

    /// <summary>Whether a wall stands between an eye and the rooms: an outer one when its outside looks at the eye, another when it parts the eye from the middle.</summary>
    public bool StandsBefore(Point3 eye, Point middle)
    {
        if (Line is not var (from, to))
            return false;
        double SideOf(double x, double y) => (to.X - from.X) * (y - from.Y) - (to.Y - from.Y) * (x - from.X);
        var side = SideOf(eye.X, eye.Y);
        return Outside != 0 ? side * Outside > 0 : side * SideOf(middle.X, middle.Y) < 0;
    }
}

/// <summary>Walls, openings, floors, columns, platforms and flights of a level, from its floor up.</summary>
internal static class ShellSolids
{
    /// <summary>How thick a ceiling is drawn, in mm: what is above it is the next level's.</summary>
    private const double Thin = 10;
    private const double Leaf = 40;
    private const double Pane = 24;

    /// <param name="above">Flights that arrive on this level from the one below: over them its floor is open.</param>
    /// <param name="lowCut">Walls between the viewer and the room are cut at this height, in mm.</param>
    public static IEnumerable<ShellPart> Of(LevelSpace space, IEnumerable<Flight> above, double lowCut)
    {
        var cut = space.Openings.ToLookup(place => place.Wall.Id, place => place.Opening);
        foreach (var body in space.Bodies.Values.OrderBy(body => body.Wall.Id, StringComparer.Ordinal))
            yield return new ShellPart(body.Wall.Id, "Wall", Surface.Wall, WallSolids.Of(body, cut[body.Wall.Id]))
            {
                Low = WallSolids.Of(body, cut[body.Wall.Id], lowCut),
                Line = (body.Wall.Start, body.Wall.End),
                Outside = OutsideOf(space, body.Wall),
                Outline = WallSolids.TakenOff(body, lowCut),
            };
        foreach (var place in space.Openings)
            if (OpeningParts(place) is { IsEmpty: false } faces)
                yield return new ShellPart(
                    place.Opening.Id,
                    place.Opening.Name.Length > 0 ? place.Opening.Name
                        : place.Opening.IsDoor ? "Door"
                        : "Window",
                    faces[0].Surface,
                    faces
                );
        // Over stairs ceilings are open.
        Convex[] up = [.. space.Flights.Where(flight => flight.ToLevelId.Length > 0).Select(flight => flight.Floor())];
        foreach (var room in space.Rooms.Where(room => room.Walled))
            yield return new ShellPart(
                room.Room.Id,
                $"Ceiling of {room.Room.Name}",
                Surface.Ceiling,
                [
                    .. Without(room.Outline, up)
                        .SelectMany(region => Solids.Slab(region, room.Room.Height, room.Room.Height + Thin, Surface.Ceiling)),
                ]
            );
        Convex[] voids = [.. above.Select(flight => flight.Floor())];
        foreach (var room in space.Rooms)
            yield return new ShellPart(
                room.Room.Id,
                room.Room.Name,
                Surface.Floor,
                [.. Without(room.Outline, voids).SelectMany(region => Solids.Slab(region, -space.Level.FloorThickness, 0, Surface.Floor))]
            );
        foreach (var place in space.Openings.Where(place => place.Opening.Sill <= Tolerance.Length))
            yield return new ShellPart(
                "",
                "Doorway",
                Surface.Floor,
                Solids.Upright(place.Doorway, -space.Level.FloorThickness, 0, Surface.Floor)
            );
        foreach (var thing in space.Things)
            if (Of(thing, space.Level) is { IsEmpty: false } faces)
                yield return new ShellPart(thing.Id, thing.Called(), faces[0].Surface, faces);
    }

    /// <summary>Asked at three places along: a wall may have a room on a part of its side alone.</summary>
    private static int OutsideOf(LevelSpace space, Wall wall)
    {
        RoomsBeside[] beside = [.. (new[] { 0.25, 0.5, 0.75 }).Select(share => RoomsBeside.Of(space, wall, share * wall.Length))];
        return (Array.Exists(beside, at => at.IsInside(true)), Array.Exists(beside, at => at.IsInside(false))) switch
        {
            (true, false) => -1,
            (false, true) => 1,
            _ => 0,
        };
    }

    private static ImmutableArray<Region> Without(Region room, Convex[] voids) =>
        Array.Exists(voids, hole => hole.Bounds.Meets(room.Bounds)) ? Polygons.Difference(room, voids) : [room];

    private static ImmutableArray<ModelFace> Of(Thing thing, Level level) =>
        thing switch
        {
            _ when thing.ClearUnder() is var (front, back) => Slope(thing, front, back, level.Height),
            Flight flight => FlightSolids.Of(flight).At(flight.Placement, 0),
            Platform { Rise: > 0 } platform => Solids.Upright(platform.Floor(), 0, platform.Rise, Surface.Step),
            _ when thing.Effect() != ThingEffect.Solid => [],
            _ => Solids.Upright(
                thing.Floor(),
                0,
                double.IsFinite(thing.Top()) ? Math.Min(thing.Top(), level.Height) : level.Height,
                Surface.Column
            ),
        };

    /// <summary>What hangs over a rectangle, down to a clear height at its front and one at its back.</summary>
    private static ImmutableArray<ModelFace> Slope(Thing thing, double front, double back, double top)
    {
        var (x, y) = (thing.Width / 2, thing.Depth / 2);
        var above = Math.Max(top, Math.Max(front, back)) + Thin;
        Point3[] Plane(double low, double high) => [new(-x, -y, low), new(x, -y, low), new(x, y, high), new(-x, y, high)];
        return Solids.Hexahedron(Plane(front, back), Plane(above, above), Surface.Ceiling).At(thing.Placement, 0);
    }

    /// <summary>The panes of a window in its wall; the leaves of a door as the plan shows them, open.</summary>
    private static ImmutableArray<ModelFace> OpeningParts(OpeningPlace place)
    {
        var (opening, half) = (place.Opening, place.Opening.Width / 2);
        Convex Box(double x, double y, double width, double depth) => Convex.Rectangle(new Point(x, y), width, depth);
        var side = opening.SwingsRight ? -1 : 1;
        var (length, face) = (opening.LeafLength, side * place.Wall.Thickness / 2);
        // Square to the wall, at the hinge.
        Convex Open(int end, double leaf) => Box(end * (half - Leaf / 2), face + side * leaf / 2, Leaf, leaf);
        var hinge = opening.HingeAtEnd ? 1 : -1;
        (Convex Shape, Surface Surface)[] parts = opening.Kind switch
        {
            OpeningKind.Window => [(Box(0, 0, opening.Width, Pane), Surface.Glass)],
            OpeningKind.SingleDoor => [(Open(hinge, length), Surface.Door)],
            OpeningKind.DoubleDoor => [(Open(hinge, length), Surface.Door), (Open(-hinge, opening.Width - length), Surface.Door)],
            OpeningKind.FoldingDoor => [(Open(hinge, length), Surface.Door)],
            // Before the wall, drawn back from the opening.
            OpeningKind.SlidingDoor => [(Box(hinge * (half + opening.Width / 2), face + side * Leaf, opening.Width, Leaf), Surface.Door)],
            _ => [],
        };
        return
        [
            .. parts.SelectMany(part =>
                Solids.Upright(part.Shape, opening.Sill, opening.Sill + opening.Height, part.Surface).At(place.Frame, 0)
            ),
        ];
    }
}
