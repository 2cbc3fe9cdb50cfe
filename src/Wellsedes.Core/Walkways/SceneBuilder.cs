using System.Collections.Immutable;
using System.Runtime.CompilerServices;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Walkways;

/// <summary>Turns a level with its furniture into obstacles, sources and targets, once for each thing that changed.</summary>
public sealed class SceneBuilder
{
    private sealed record ItemScene(Checks Checks, ImmutableArray<Obstacle> Obstacles, ImmutableArray<Target> Targets);

    private readonly ConditionalWeakTable<PlacedItem, ItemScene> items = [];
    private readonly ConditionalWeakTable<LevelSpace, ShellScene> shells = [];

    /// <param name="arrivals">The flights people come onto this level by.</param>
    /// <param name="stepFree">Whether only ways without a step are asked about.</param>
    public WalkwayScene Build(
        LevelSpace space,
        IReadOnlyList<PlacedItem> placed,
        Checks checks,
        ImmutableArray<Arrival> arrivals = default,
        bool stepFree = false
    )
    {
        if (arrivals.IsDefault)
            arrivals = [];
        ShellScene? shell = null;
        if (stepFree)
            shell = ShellScene.Of(space, checks, arrivals, true);
        else if (!shells.TryGetValue(space, out shell) || shell.Checks != checks || !shell.Arrivals.SequenceEqual(arrivals))
            shells.AddOrUpdate(space, shell = ShellScene.Of(space, checks, arrivals, false));
        var obstacles = ImmutableArray.CreateBuilder<Obstacle>();
        var targets = ImmutableArray.CreateBuilder<Target>();
        obstacles.AddRange(shell.Obstacles);
        targets.AddRange(shell.Targets);
        var decks = new SpatialIndex<PlacedItem>([.. placed.Where(item => item.Form.StoodOn && !item.LiesFlat)], deck => deck.Bounds);
        foreach (var item in placed)
        {
            if (!items.TryGetValue(item, out var scene) || scene.Checks != checks)
                items.AddOrUpdate(item, scene = Furniture(item, checks));
            obstacles.AddRange(scene.Obstacles);
            // What stands on a stage is reached over the stage.
            if (scene.Targets.IsEmpty)
                continue;
            var at = Bounds.Around([item.Item.Placement.Origin]);
            if (decks.Count == 0 || !decks.Meeting(at).Exists(deck => deck != item && StandsOn(item, deck)))
                targets.AddRange(scene.Targets);
        }
        return new WalkwayScene(obstacles.ToImmutable(), shell.Sources, targets.ToImmutable());
    }

    private static bool StandsOn(PlacedItem item, PlacedItem deck) =>
        item.Solids.Length > 0
        && deck.Bounds.Holds(item.Item.Placement.Origin)
        && deck.Solids.Any(top => top.Holds(item.Item.Placement.Origin));

    private static ItemScene Furniture(PlacedItem item, Checks checks)
    {
        var name = item.Name;
        List<Obstacle> obstacles = [];
        List<Target> targets = [];
        // What hangs above everybody's head or lies flat on the floor stands in nobody's way.
        if (item.IsOverhead)
            return new ItemScene(checks, [], []);
        if (!item.LiesFlat)
            for (var i = 0; i < item.Solids.Length; i++)
                obstacles.Add(new Obstacle(item.Item.Id, name, $"body{i}", item.Solids[i]));
        var ownSeat = item.IsSeat;
        List<Access> all = [];
        for (var i = 0; i < item.Form.Seats.Length; i++)
        {
            var seat = item.Form.Seats[i];
            Obstacle chair;
            if (ownSeat)
                chair = obstacles[0];
            else
                obstacles.Add(chair = new Obstacle(item.Item.Id, $"Chair at {name}", $"seat{i}", item.Chairs[i]));
            var access =
                ownSeat && item.Kind.Maker == "sofa"
                    ? [new Access(chair, item.Item.Placement.Out(seat.Edge), item.Item.Placement.Turned(seat.Outward * -1))]
                    : Sides(chair, seat, item.Item.Placement, ownSeat);
            all.AddRange(access);
            targets.Add(new Target(item.Item.Id, name, TargetKind.Seat, i, checks.SeatAccess, [.. access]));
        }
        if (item.Kind.Counted == "table" && all.Count > 0)
            targets.Add(new Target(item.Item.Id, name, TargetKind.Table, 0, checks.SeatAccess, [.. all]));
        if (item.Kind.Kind == Catalogue.CatalogueKind.Serving)
            targets.Add(new Target(item.Item.Id, name, TargetKind.Place, 0, checks.MainAisle, [FrontOf(item, obstacles[0])]));
        if (item.Form.WalkedOn)
            targets.Add(
                new Target(
                    item.Item.Id,
                    name,
                    TargetKind.Place,
                    0,
                    checks.MainAisle,
                    [new Access(null, item.Item.Placement.Origin, default)]
                )
            );
        return new ItemScene(checks, [.. obstacles], [.. targets]);
    }

    private static Access FrontOf(PlacedItem item, Obstacle body) =>
        new(body, item.Item.Placement.Out(item.Form.FrontMark), item.Item.Placement.Turned(new Point(0, -1)));

    /// <summary>The middles of a chair's sides, the one at the table left out.</summary>
    private static IEnumerable<Access> Sides(Obstacle chair, Catalogue.SeatPlace seat, Placement placement, bool withFront)
    {
        var corners = chair.Shape.Corners.ToArray();
        if (corners.Length == 1)
            return Enumerable
                .Range(0, 4)
                .Select(i => placement.Turned(Point.At(90 * i)))
                .Select(out_ => new Access(chair, corners[0] + out_ * chair.Shape.Radius, out_))
                .ToArray();
        var front = placement.Turned(seat.Outward * -1);
        return Enumerable
            .Range(0, corners.Length)
            .Select(i => (From: corners[i], To: corners[(i + 1) % corners.Length]))
            .Select(side => new Access(chair, Point.Middle(side.From, side.To), (side.To - side.From).Unit().Left() * -1))
            .Where(access => withFront || access.Outward.Dot(front) < 0.9)
            .ToArray();
    }
}
