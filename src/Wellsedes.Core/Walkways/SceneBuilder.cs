using System.Collections.Immutable;
using System.Runtime.CompilerServices;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Walkways;

/// <summary>Turns a level with its furniture into obstacles, sources and targets, once for each thing that changed.</summary>
public sealed class SceneBuilder
{
    /// <summary>A thing as it is on the floor, and as it is where it is reached over a stage.</summary>
    private sealed record ItemScene(Checks Checks, WidthAsked? Asked, ScenePart Part, ScenePart OnDeck);

    private readonly ConditionalWeakTable<PlacedItem, ItemScene> items = [];
    private readonly ConditionalWeakTable<LevelSpace, ShellScene> shells = [];
    private readonly ConditionalWeakTable<LevelSpace, ShellScene> stepFreeShells = [];

    /// <summary>A level as it stands in a scheme.</summary>
    public WalkwayScene Build(Plan plan, string schemeId, LevelSpace space, ItemForms forms) =>
        Build(
            space,
            forms.PlaceAll(plan, schemeId, space.LevelId),
            plan.OfScheme<Checks>(schemeId).First(),
            new WidthsAsked(space, plan.ThingsOn(schemeId, space.LevelId))
        );

    /// <param name="widths">What zones and rooms ask of the ways to what stands in them; null where they ask nothing.</param>
    /// <param name="stepFree">Whether only ways without a step are asked about.</param>
    public WalkwayScene Build(
        LevelSpace space,
        IReadOnlyList<PlacedItem> placed,
        Checks checks,
        WidthsAsked? widths = null,
        bool stepFree = false
    )
    {
        var known = stepFree ? stepFreeShells : shells;
        if (!known.TryGetValue(space, out var shell) || shell.Checks != checks)
            known.AddOrUpdate(space, shell = ShellScene.Of(space, checks, stepFree));
        var parts = ImmutableArray.CreateBuilder<ScenePart>(shell.Parts.Length + placed.Count);
        parts.AddRange(shell.Parts);
        var box = shell.Parts[0].Box;
        var decks = new SpatialIndex<PlacedItem>([.. placed.Where(item => item.Form.StoodOn && !item.LiesFlat)], deck => deck.Bounds);
        foreach (var item in placed)
        {
            var asked = widths?.For(item);
            if (!items.TryGetValue(item, out var scene) || scene.Checks != checks || scene.Asked != asked)
                items.AddOrUpdate(item, scene = Furniture(item, checks, asked));
            var part = scene.Part;
            // What stands on a stage is reached over the stage.
            if (decks.Count > 0 && !part.Targets.IsEmpty)
            {
                var at = Bounds.At(item.Item.Placement.Origin);
                if (decks.Meeting(at).Exists(deck => deck != item && StandsOn(item, deck)))
                    part = scene.OnDeck;
            }
            parts.Add(part);
            box = box.Including(part.Box);
        }
        return new WalkwayScene(parts.ToImmutable(), shell.IsEntered ? [new WaySource(FarOutside(box))] : [], shell.Landings);
    }

    /// <summary>A place beyond everything: people come from there through the true mouth of an entrance, past what stands before it.</summary>
    internal static Point FarOutside(Bounds box) => box.IsEmpty ? default : new Point(box.MinX - Far, (box.MinY + box.MaxY) / 2);

    private const double Far = 10_000;

    private static bool StandsOn(PlacedItem item, PlacedItem deck) =>
        item.Solids.Length > 0
        && deck.Bounds.Holds(item.Item.Placement.Origin)
        && deck.Solids.Any(top => top.Holds(item.Item.Placement.Origin));

    private static ItemScene Furniture(PlacedItem item, Checks checks, WidthAsked? asked)
    {
        var (seatAccess, mainAisle) = (asked?.Width ?? checks.SeatAccess, asked?.Width ?? checks.MainAisle);
        var by = asked?.By ?? "";
        var name = item.Name;
        List<Obstacle> obstacles = [];
        List<Target> targets = [];
        // What hangs above everybody's head, lies flat on the floor or is there for scale stands in nobody's way.
        if (item.IsOverhead || item.Form.ForScale)
            return SceneOf(checks, asked, [], []);
        if (!item.LiesFlat)
            for (var i = 0; i < item.Solids.Length; i++)
                obstacles.Add(new Obstacle(item.Item.Id, name, $"body{i}", item.Solids[i]));
        var ownSeat = item.IsSeat;
        var fromFront = Catalogue.FormMaker.Find(item.Kind.Maker).IsSatFromFront;
        List<Access> all = [];
        for (var i = 0; i < item.Form.Seats.Length; i++)
        {
            var seat = item.Form.Seats[i];
            Obstacle chair;
            if (ownSeat)
                chair = obstacles[0];
            else
                obstacles.Add(chair = new Obstacle(item.Item.Id, $"Chair at {name}", $"seat{i}", item.Chairs[i]));
            var access = ownSeat && fromFront ? [FrontOf(item, obstacles, seat)] : Sides(chair, seat, item.Item.Placement, ownSeat);
            all.AddRange(access);
            targets.Add(new Target(item.Item.Id, name, TargetKind.Seat, i, seatAccess, [.. access], AskedBy: by));
        }
        if (item.Kind.Counted == "table" && all.Count > 0)
            targets.Add(new Target(item.Item.Id, name, TargetKind.Table, 0, seatAccess, [.. all], AskedBy: by));
        if (item.Kind.Kind == Catalogue.CatalogueKind.Serving)
            targets.Add(new Target(item.Item.Id, name, TargetKind.Place, 0, mainAisle, [FrontOf(item, obstacles[0])], AskedBy: by));
        var at = item.Item.Placement.Origin;
        if (item.Form.WalkedOn)
            targets.Add(
                new Target(
                    item.Item.Id,
                    name,
                    TargetKind.Place,
                    0,
                    mainAisle,
                    [new Access(new Obstacle(item.Item.Id, name, "middle", Convex.Disc(at, 0)), at, default)],
                    AskedBy: by
                )
            );
        return SceneOf(checks, asked, [.. obstacles], [.. targets]);
    }

    private static ItemScene SceneOf(
        Checks checks,
        WidthAsked? asked,
        ImmutableArray<Obstacle> obstacles,
        ImmutableArray<Target> targets
    ) => new(checks, asked, new ScenePart(obstacles, targets), new ScenePart(obstacles, []));

    private static Access FrontOf(PlacedItem item, Obstacle body) =>
        new(body, item.Item.Placement.Out(item.Form.FrontMark), item.Item.Placement.Turned(new Point(0, -1)));

    /// <summary>Where one steps up to a seat of the thing itself: its front edge, on the part of the body it lies on.</summary>
    private static Access FrontOf(PlacedItem item, List<Obstacle> bodies, Catalogue.SeatPlace seat)
    {
        var at = item.Item.Placement.Out(seat.Edge);
        var body = bodies.Count == 1 ? bodies[0] : bodies.MinBy(one => Math.Abs(one.Shape.DistanceTo(at)))!;
        return new Access(body, at, item.Item.Placement.Turned(seat.Outward * -1));
    }

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
