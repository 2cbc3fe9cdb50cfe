using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Walkways;

/// <summary>Where people come onto a level by a flight: at its head when they came up, at its foot when they came down; how wide the way was so far.</summary>
public sealed record Arrival(Flight Flight, bool AtHead, double Width, Pinch? Pinch);

/// <summary>One end of a flight between levels, on the level it opens onto, and the middle of it, where people step on and off.</summary>
public sealed record Landing(Flight Flight, bool AtHead, Access Access);

/// <summary>A level's shell as obstacles, sources and targets. Doors between rooms stand open at their clear width.</summary>
internal sealed record ShellScene(
    Checks Checks,
    ImmutableArray<Obstacle> Obstacles,
    bool IsEntered,
    ImmutableArray<Landing> Landings,
    ImmutableArray<Target> Targets
)
{
    /// <summary>The shell itself, then each thing people must get to by itself.</summary>
    public ImmutableArray<ScenePart> Parts { get; } =
    [new ScenePart(Obstacles, []), .. Targets.Select(target => new ScenePart([], [target], target.Kind == TargetKind.Room))];

    /// <summary>How far beside a boundary it is looked for a room, in mm.</summary>
    private const double Beside = 5;

    public static ShellScene Of(LevelSpace space, Checks checks, bool stepFree)
    {
        var obstacles = ImmutableArray.CreateBuilder<Obstacle>();
        var targets = ImmutableArray.CreateBuilder<Target>();
        var landings = ImmutableArray.CreateBuilder<Landing>();
        var sides = space.Openings.ToDictionary(place => place.Opening.Id, place => SidesOf(space, place));
        var closed = new Dictionary<string, Obstacle>();
        for (var i = 0; i < space.Pieces.Length; i++)
        {
            var piece = space.Pieces[i];
            if (piece.Opening is not { } opening)
                obstacles.Add(new Obstacle(piece.Wall.Id, "Wall", $"{i}", piece.Body));
            else if (!opening.IsDoor || opening.Shut || !(opening.IsEntrance || sides[opening.Id] == Sides.RoomsBoth))
                obstacles.Add(closed[opening.Id] = new Obstacle(opening.Id, NameOf(opening), $"leaf{i}", piece.Body));
        }
        // A gap to the outside that is no entrance is no way round the building either, nor is one that is shut.
        foreach (var place in space.Openings)
            if (
                place.Opening.Kind == OpeningKind.Gap
                && (place.Opening.Shut || (!place.Opening.IsEntrance && sides[place.Opening.Id] is Sides.RoomLeft or Sides.RoomRight))
            )
                obstacles.Add(closed[place.Opening.Id] = new Obstacle(place.Opening.Id, NameOf(place.Opening), "gap", place.Doorway));
        // Steps and decks have rules of their own below.
        foreach (var thing in space.Things.Where(thing => thing is not (Flight or Platform)))
            if (thing.Blocks(space.Rules.Headroom.Value) is { } shape)
                obstacles.Add(new Obstacle(thing.Id, thing.Called(), "", shape));
        var entered = false;
        foreach (var place in space.Openings)
        {
            var side = sides[place.Opening.Id];
            if (place.Opening.IsDoor && !closed.ContainsKey(place.Opening.Id))
                Jambs(place, obstacles);
            // A door between two rooms leads from one to the other, whatever it is marked.
            entered |= place.Opening is { IsEntrance: true, Shut: false } && side != Sides.RoomsBoth;
            if (place.Opening is { IsExit: true, Shut: false } && side is not (Sides.None or Sides.RoomsBoth))
                targets.Add(ExitTarget(place, side == Sides.RoomLeft ? 1 : -1, closed.GetValueOrDefault(place.Opening.Id), checks));
        }
        entered |= OpenEdges(space, obstacles);
        obstacles.AddRange(new PlatformEdges(space, stepFree, space.Flights.Where(flight => IsWalkedOver(flight, space, stepFree))).All());
        foreach (var flight in space.Flights)
            Flights(flight, false, space, checks, stepFree, obstacles, landings, targets);
        foreach (var hole in space.Fixtures.Voids)
            Flights(hole, true, space, checks, stepFree, obstacles, landings, targets);
        targets.AddRange(space.Rooms.Select(room => RoomTarget(room, checks)));
        return new ShellScene(checks, obstacles.ToImmutable(), entered, landings.ToImmutable(), targets.ToImmutable());
    }

    private static Target RoomTarget(FoundRoom room, Checks checks) =>
        new(
            room.Room.Id,
            room.Room.Name,
            TargetKind.Room,
            0,
            checks.MainAisle,
            [.. PlacesIn(room).Select(at => new Access(null, at, default))]
        );

    /// <summary>Some places in a room, so that it counts as reached wherever something happens to stand.</summary>
    private static IEnumerable<Point> PlacesIn(FoundRoom room)
    {
        const int across = 4;
        var box = room.Outline.Bounds;
        var grid =
            from i in Enumerable.Range(0, across)
            from j in Enumerable.Range(0, across)
            select new Point(box.MinX + box.Width * (i + 0.5) / across, box.MinY + box.Height * (j + 0.5) / across);
        return grid.Where(room.Outline.Holds).Prepend(room.Room.Inside);
    }

    private enum Sides
    {
        None,
        RoomLeft,
        RoomRight,
        RoomsBoth,
    }

    private static Sides SidesOf(LevelSpace space, OpeningPlace place)
    {
        var reach = place.Wall.Thickness / 2 + 1;
        var left = space.RoomAt(place.Frame.Out(new Point(0, reach))) is not null;
        var right = space.RoomAt(place.Frame.Out(new Point(0, -reach))) is not null;
        return (left, right) switch
        {
            (true, true) => Sides.RoomsBoth,
            (true, false) => Sides.RoomLeft,
            (false, true) => Sides.RoomRight,
            _ => Sides.None,
        };
    }

    /// <summary>An open door lets through its clear width only; the rest of the cut is frame and leaf.</summary>
    private static void Jambs(OpeningPlace place, ImmutableArray<Obstacle>.Builder obstacles)
    {
        var opening = place.Opening;
        var rest = (opening.Width - opening.ClearWidth) / 2;
        if (rest <= Tolerance.Length)
            return;
        foreach (var side in (ReadOnlySpan<int>)[-1, 1])
        {
            var middle = new Point(side * (opening.Width / 2 - rest / 2), 0);
            var jamb = Convex.Rectangle(middle, rest, place.Wall.Thickness).At(place.Frame);
            obstacles.Add(new Obstacle(opening.Id, NameOf(opening), $"jamb{side}", jamb));
        }
    }

    /// <summary>
    /// A way out is judged by its own clear width, by the way to it and by what stands before it outside: its access points lie
    /// on both faces of the wall, the middle first.
    /// </summary>
    private static Target ExitTarget(OpeningPlace place, int inward, Obstacle? leaf, Checks checks)
    {
        var opening = place.Opening;
        var (clear, deep) = (opening.ClearWidth, place.Wall.Thickness / 2);
        leaf ??= new Obstacle(opening.Id, NameOf(opening), "mouth", Convex.Rectangle(default, clear, 2 * deep).At(place.Frame));
        var mouth = new Mouth(leaf, place.Frame, inward, clear / 2, deep);
        return new Target(opening.Id, NameOf(opening), TargetKind.Exit, 0, checks.MainAisle, mouth.Accesses(), mouth);
    }

    /// <summary>
    /// An edge without a wall, with a room on one side only, is open on the ground: people come over it. Higher up nobody does.
    /// Whether there is one that is come over.
    /// </summary>
    private static bool OpenEdges(LevelSpace space, ImmutableArray<Obstacle>.Builder obstacles)
    {
        var open = false;
        foreach (var boundary in space.Boundaries)
        {
            var line = boundary.Line;
            var (left, right) = (line.At(line.Length / 2, Beside), line.At(line.Length / 2, -Beside));
            if ((space.RoomAt(left) is null) == (space.RoomAt(right) is null))
                continue;
            open |= space.IsOnGround;
            if (space.IsOnGround)
                continue;
            var steps = line.Steps(0, line.Length, 0);
            for (var i = 0; i + 1 < steps.Length; i++)
                obstacles.Add(new Obstacle(boundary.Id, "Edge", $"{i}", Convex.Capsule(line.At(steps[i]), line.At(steps[i + 1]), 0)));
        }
        return open;
    }

    /// <summary>Whether a wheelchair gets up a flight: a ramp no steeper than the rules say (1 : 12 by the house).</summary>
    public static bool IsStepFree(Flight flight, PlanRules rules) =>
        flight.Kind == FlightKind.Ramp && flight.Depth >= flight.Rise * rules.RampRun.Value - Tolerance.Length;

    /// <summary>Whether a flight within the level is a way, asked with or without steps.</summary>
    private static bool IsWalkedOver(Flight flight, LevelSpace space, bool stepFree) =>
        flight.ToLevelId.Length == 0 && (!stepFree || IsStepFree(flight, space.Rules));

    private static void Flights(
        Flight flight,
        bool atHead,
        LevelSpace space,
        Checks checks,
        bool stepFree,
        ImmutableArray<Obstacle>.Builder obstacles,
        ImmutableArray<Landing>.Builder landings,
        ImmutableArray<Target>.Builder targets
    )
    {
        var name = flight.Called();
        if (flight.ToLevelId.Length == 0 && IsWalkedOver(flight, space, stepFree))
        {
            // Walked over from end to end; nobody steps over its sides.
            var (x, y) = (flight.Width / 2, flight.Depth / 2);
            foreach (var side in (ReadOnlySpan<int>)[-1, 1])
            {
                var line = Convex.Capsule(flight.Placement.Out(new(side * x, -y)), flight.Placement.Out(new(side * x, y)), 0);
                obstacles.Add(new Obstacle(flight.Id, name, $"side{side}", line));
            }
            return;
        }
        var body = new Obstacle(flight.Id, name, "", flight.Floor());
        obstacles.Add(body);
        if (flight.ToLevelId.Length == 0)
            return;
        var (at, outward) = flight.LandingAt(atHead);
        var access = new Access(body, at, outward);
        landings.Add(new Landing(flight, atHead, access));
        targets.Add(new Target(flight.Id, name, TargetKind.Flight, 0, checks.MainAisle, [access]));
    }

    public static string NameOf(Opening opening) =>
        opening.Name.Length > 0 ? opening.Name
        : opening.IsExit ? "Exit"
        : opening.Kind switch
        {
            OpeningKind.Window => "Window",
            OpeningKind.Gap => "Opening",
            _ => "Door",
        };
}
