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

    private sealed record ShellScene(
        Checks Checks,
        ImmutableArray<Obstacle> Obstacles,
        ImmutableArray<Point> Sources,
        ImmutableArray<Target> Targets
    );

    /// <summary>How far outside an entrance people come from, in mm beyond the wall's face.</summary>
    private const double Outside = 5;

    private readonly ConditionalWeakTable<PlacedItem, ItemScene> items = [];
    private readonly ConditionalWeakTable<LevelSpace, ShellScene> shells = [];

    public WalkwayScene Build(LevelSpace space, IReadOnlyList<PlacedItem> placed, Checks checks)
    {
        if (!shells.TryGetValue(space, out var shell) || shell.Checks != checks)
            shells.AddOrUpdate(space, shell = Shell(space, checks));
        var obstacles = ImmutableArray.CreateBuilder<Obstacle>();
        var targets = ImmutableArray.CreateBuilder<Target>();
        obstacles.AddRange(shell.Obstacles);
        targets.AddRange(shell.Targets);
        var raised = placed.Where(item => item.Form is { StoodOn: true, WalkedOn: false }).ToArray();
        foreach (var item in placed)
        {
            if (!items.TryGetValue(item, out var scene) || scene.Checks != checks)
                items.AddOrUpdate(item, scene = Furniture(item, checks));
            obstacles.AddRange(scene.Obstacles);
            // What stands on a stage is reached over the stage.
            if (!raised.Any(deck => deck != item && StandsOn(item, deck)))
                targets.AddRange(scene.Targets);
        }
        return new WalkwayScene(obstacles.ToImmutable(), shell.Sources, targets.ToImmutable());
    }

    private static bool StandsOn(PlacedItem item, PlacedItem deck) =>
        item.Solids.Length > 0
        && deck.Bounds.Holds(item.Item.Placement.Origin)
        && deck.Solids.Any(top => top.Holds(item.Item.Placement.Origin));

    private static ShellScene Shell(LevelSpace space, Checks checks)
    {
        var obstacles = ImmutableArray.CreateBuilder<Obstacle>();
        var targets = ImmutableArray.CreateBuilder<Target>();
        var closed = new Dictionary<string, Obstacle>();
        for (var i = 0; i < space.Pieces.Length; i++)
        {
            var piece = space.Pieces[i];
            if (piece.Opening is { } opening)
            {
                if (opening.IsEntrance)
                    continue;
                closed[opening.Id] = new Obstacle(opening.Id, NameOf(opening), "leaf", piece.Body);
                obstacles.Add(closed[opening.Id]);
            }
            else
                obstacles.Add(new Obstacle(piece.Wall.Id, "Wall", $"{i}", piece.Body));
        }
        foreach (var column in space.Columns)
            obstacles.Add(new Obstacle(column.Id, "Column", "", SpaceFinder.Solid(column)));
        var sources = ImmutableArray.CreateBuilder<Point>();
        foreach (var place in space.Openings)
        {
            var inward = Inward(space, place);
            if (inward == 0)
                continue;
            var half = place.Wall.Thickness / 2;
            if (place.Opening.IsEntrance)
            {
                sources.Add(place.Frame.Out(new Point(0, -inward * (half + Outside))));
                Jambs(place, obstacles);
            }
            if (place.Opening.IsExit)
                targets.Add(ExitTarget(place, inward, closed.GetValueOrDefault(place.Opening.Id), checks));
        }
        return new ShellScene(checks, obstacles.ToImmutable(), sources.ToImmutable(), targets.ToImmutable());
    }

    /// <summary>An entrance lets through its clear width only; the rest of the cut is frame and leaf.</summary>
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
        return new Target(place.Opening.Id, NameOf(place.Opening), TargetKind.Exit, 0, checks.MainWidth, [access]);
    }

    /// <summary>1 when the room lies to the left of the wall, -1 to the right, 0 when there is none on just one side.</summary>
    private static int Inward(LevelSpace space, OpeningPlace place)
    {
        var reach = place.Wall.Thickness / 2 + 1;
        var left = space.RoomAt(place.Frame.Out(new Point(0, reach))) is not null;
        var right = space.RoomAt(place.Frame.Out(new Point(0, -reach))) is not null;
        return left == right ? 0
            : left ? 1
            : -1;
    }

    private static string NameOf(Opening opening) =>
        opening.Name.Length > 0 ? opening.Name
        : opening.IsExit ? "Exit"
        : opening.Kind.ToString();

    private static ItemScene Furniture(PlacedItem item, Checks checks)
    {
        var name = item.Name;
        List<Obstacle> obstacles = [];
        List<Target> targets = [];
        if (!item.Form.WalkedOn)
            for (var i = 0; i < item.Solids.Length; i++)
                obstacles.Add(new Obstacle(item.Item.Id, name, $"body{i}", item.Solids[i]));
        var ownSeat = item.Form.Seats.Length > 0 && !item.Form.Seats[0].AtTable;
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
            targets.Add(new Target(item.Item.Id, name, TargetKind.Seat, i, checks.SeatWidth, [.. access]));
        }
        if (item.Kind.Counted == "table" && all.Count > 0)
            targets.Add(new Target(item.Item.Id, name, TargetKind.Table, 0, checks.SeatWidth, [.. all]));
        if (item.Kind.Kind == Catalogue.CatalogueKind.Serving)
            targets.Add(new Target(item.Item.Id, name, TargetKind.Place, 0, checks.MainWidth, [FrontOf(item, obstacles[0])]));
        if (item.Form.WalkedOn)
            targets.Add(
                new Target(
                    item.Item.Id,
                    name,
                    TargetKind.Place,
                    0,
                    checks.MainWidth,
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
