using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Walkways;

/// <summary>Where people come onto a level by a flight: at its head when they came up, at its foot when they came down; how wide the way was so far.</summary>
public sealed record Arrival(Flight Flight, bool AtHead, double Width, Pinch? Pinch);

/// <summary>A level's shell as obstacles, sources and targets. Doors between rooms stand open at their clear width.</summary>
internal sealed record ShellScene(
    Checks Checks,
    ImmutableArray<Arrival> Arrivals,
    ImmutableArray<Obstacle> Obstacles,
    ImmutableArray<WaySource> Sources,
    ImmutableArray<Target> Targets
)
{
    /// <summary>How far outside an entrance people come from, in mm beyond the wall's face.</summary>
    private const double Outside = 5;

    public static ShellScene Of(LevelSpace space, Checks checks, ImmutableArray<Arrival> arrivals, bool stepFree)
    {
        var obstacles = ImmutableArray.CreateBuilder<Obstacle>();
        var targets = ImmutableArray.CreateBuilder<Target>();
        var sources = ImmutableArray.CreateBuilder<WaySource>();
        var sides = space.Openings.ToDictionary(place => place.Opening.Id, place => SidesOf(space, place));
        var closed = new Dictionary<string, Obstacle>();
        for (var i = 0; i < space.Pieces.Length; i++)
        {
            var piece = space.Pieces[i];
            if (piece.Opening is not { } opening)
                obstacles.Add(new Obstacle(piece.Wall.Id, "Wall", $"{i}", piece.Body));
            else if (!opening.IsDoor || !(opening.IsEntrance || sides[opening.Id] == Sides.RoomsBoth))
                obstacles.Add(closed[opening.Id] = new Obstacle(opening.Id, NameOf(opening), $"leaf{i}", piece.Body));
        }
        // A gap to the outside that is no entrance is no way round the building either.
        foreach (var place in space.Openings)
            if (
                place.Opening is { Kind: OpeningKind.Gap, IsEntrance: false }
                && sides[place.Opening.Id] is (Sides.RoomLeft or Sides.RoomRight)
            )
                obstacles.Add(closed[place.Opening.Id] = new Obstacle(place.Opening.Id, NameOf(place.Opening), "gap", place.Doorway));
        // Steps and decks have rules of their own below.
        foreach (var thing in space.Things.Where(thing => thing is not (Flight or Platform)))
            if (thing.Blocks(space.Rules.Headroom.Value) is { } shape)
                obstacles.Add(new Obstacle(thing.Id, thing.Called(), "", shape));
        foreach (var place in space.Openings)
        {
            var side = sides[place.Opening.Id];
            if (place.Opening.IsDoor && !closed.ContainsKey(place.Opening.Id))
                Jambs(place, obstacles);
            if (side is Sides.None or Sides.RoomsBoth)
                continue;
            var inward = side == Sides.RoomLeft ? 1 : -1;
            if (place.Opening.IsEntrance)
                sources.Add(new WaySource(place.Frame.Out(new Point(0, -inward * (place.Wall.Thickness / 2 + Outside)))));
            if (place.Opening.IsExit)
                targets.Add(ExitTarget(place, inward, closed.GetValueOrDefault(place.Opening.Id), checks));
        }
        OpenEdges(space, sources);
        obstacles.AddRange(new PlatformEdges(space, stepFree, space.Flights.Where(flight => IsWalkedOver(flight, space, stepFree))).All());
        foreach (var flight in space.Flights)
            Flights(flight, true, space, checks, arrivals, stepFree, obstacles, sources, targets);
        foreach (var hole in space.Fixtures.Voids)
            Flights(hole, false, space, checks, arrivals, stepFree, obstacles, sources, targets);
        return new ShellScene(checks, arrivals, obstacles.ToImmutable(), sources.ToImmutable(), targets.ToImmutable());
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

    private static Target ExitTarget(OpeningPlace place, int inward, Obstacle? leaf, Checks checks)
    {
        var at = place.Frame.Out(new Point(0, inward * place.Wall.Thickness / 2));
        var outward = place.Frame.Turned(new Point(0, inward));
        // A way out that is also the way in is open: it is reached by standing in it.
        var access = leaf is null ? new Access(null, place.Frame.Origin, outward) : new Access(leaf, at, outward);
        return new Target(place.Opening.Id, NameOf(place.Opening), TargetKind.Exit, 0, checks.MainAisle, [access]);
    }

    /// <summary>An edge without a wall, with a room on one side only, is open: people come over it.</summary>
    private static void OpenEdges(LevelSpace space, ImmutableArray<WaySource>.Builder sources)
    {
        if (!space.IsOnGround)
            return;
        foreach (var boundary in space.Boundaries)
        {
            var line = boundary.Line;
            var (left, right) = (line.At(line.Length / 2, Outside), line.At(line.Length / 2, -Outside));
            var (roomLeft, roomRight) = (space.RoomAt(left), space.RoomAt(right));
            if ((roomLeft is null) != (roomRight is null))
                sources.Add(new WaySource(roomLeft is null ? left : right));
        }
    }

    /// <summary>Whether a wheelchair gets up a flight: a ramp no steeper than the rules say (1 : 12 by the house).</summary>
    public static bool IsStepFree(Flight flight, PlanRules rules) =>
        flight.Kind == FlightKind.Ramp && flight.Depth >= flight.Rise * rules.RampRun.Value - Tolerance.Length;

    /// <summary>Whether a flight within the level is a way, asked with or without steps.</summary>
    private static bool IsWalkedOver(Flight flight, LevelSpace space, bool stepFree) =>
        flight.ToLevelId.Length == 0 && (!stepFree || IsStepFree(flight, space.Rules));

    private static void Flights(
        Flight flight,
        bool atFoot,
        LevelSpace space,
        Checks checks,
        ImmutableArray<Arrival> arrivals,
        bool stepFree,
        ImmutableArray<Obstacle>.Builder obstacles,
        ImmutableArray<WaySource>.Builder sources,
        ImmutableArray<Target>.Builder targets
    )
    {
        var name = flight.Called();
        if (IsWalkedOver(flight, space, stepFree))
        {
            // Walked over from end to end; nobody steps over its sides.
            foreach (var side in (ReadOnlySpan<int>)[-1, 1])
            {
                var strip = Convex.Rectangle(
                    new Point(side * (flight.Width + PlatformEdges.Thickness) / 2, 0),
                    PlatformEdges.Thickness,
                    flight.Depth
                );
                obstacles.Add(new Obstacle(flight.Id, name, $"side{side}", strip.At(flight.Placement)));
            }
            return;
        }
        var body = new Obstacle(flight.Id, name, "", flight.Floor());
        obstacles.Add(body);
        if (flight.ToLevelId.Length == 0)
            return;
        var end = new Point(0, (atFoot ? -1 : 1) * flight.Depth / 2);
        var at = flight.Placement.Out(end);
        var outward = flight.Placement.Turned(end.Unit());
        if (arrivals.FirstOrDefault(a => a.Flight.Id == flight.Id) is { } arrival)
        {
            if (stepFree && !IsStepFree(flight, space.Rules))
                return;
            sources.Add(new WaySource(at + outward * Outside, arrival.Width, arrival.Pinch));
        }
        else
            targets.Add(new Target(flight.Id, name, TargetKind.Flight, 0, checks.MainAisle, [new Access(body, at, outward)]));
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
