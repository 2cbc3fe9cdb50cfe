using Wellsedes.Core.Arranging;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Findings;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.KindsOfThing;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;
using Wellsedes.Core.Units;
using Wellsedes.Core.Walkways;

namespace Wellsedes.Core.Tests.Planning;

/// <summary>Work is bounded by what is there, not by where it lies; it is counted, never timed.</summary>
public sealed class BoundedWorkTests
{
    private const string L = PlanStart.LevelId;
    private const string S = PlanStart.SchemeId;

    private static Plan With(IEnumerable<Entity> more, bool room = true)
    {
        var sample = new Sample();
        if (room)
            sample.Room(18_000, 13_000).Door();
        return Plan.Of(sample.Plan.Entities.Values.Concat(more), Shipped.Library);
    }

    /// <summary>The steps that the walkways of a plan take.</summary>
    private static long StepsOf(Plan plan)
    {
        var space = SpaceFinder.Find(plan, L);
        var checks = plan.OfScheme<Checks>(S).Single();
        var items = new ItemForms().PlaceAll(plan, S, L);
        var work = new Work("the walkways", long.MaxValue);
        _ = new WalkwayAnalysis(new SceneBuilder().Build(space, items, checks), null, work);
        Overlaps.Find(space, items, work);
        return work.Done;
    }

    private static Item Table(int i, double x, double y) => new($"t{i}", S, L, "round-table-1525", x, y, 0, Label: $"{i}");

    private static IEnumerable<Item> Hall() => Enumerable.Range(0, 30).Select(i => Table(i, 2000 + i % 6 * 2800, 1800 + i / 6 * 2400));

    [Fact]
    public void A_thing_far_away_costs_little_more_than_one_near_by()
    {
        var near = StepsOf(With(Hall().Append(Table(99, 30_000, 5000))));
        foreach (var far in (double[])[300_000, 900_000])
            Assert.InRange(StepsOf(With(Hall().Append(Table(99, far, 0.4 * far)))), 0, 4 * near);
    }

    [Fact]
    public void A_wall_of_two_kilometres_costs_what_a_wall_costs()
    {
        Wall Long(double length) => new("long", L, new(-length / 2, -6000), new(length / 2, -6000 + length / 9), 200, 2700, "");
        Assert.InRange(StepsOf(With(Hall().Append<Entity>(Long(1_900_000)))), 0, 6 * StepsOf(With(Hall().Append<Entity>(Long(20_000)))));
    }

    [Fact]
    public void Decks_laid_over_each_other_cost_nearly_what_there_is_of_them()
    {
        long Row(int count) =>
            StepsOf(With(Enumerable.Range(0, count).Select(i => new Platform($"d{i}", L, 3000 + 900 * i, 5000, 0, 2400, 1600, 300))));
        Assert.InRange(Row(100), 1, 5 * Row(25));
    }

    [Fact]
    public void A_heap_grows_nearly_as_the_things_in_it()
    {
        long Heap(int count) => StepsOf(With(Enumerable.Range(0, count).Select(i => Table(i, 9000, 6000))));
        var (some, many) = (Heap(250), Heap(1000));
        Assert.InRange(many, some, 5 * some);
    }

    [Fact]
    public void A_heap_is_told_without_every_pair_of_it()
    {
        var plan = With(Enumerable.Range(0, 60).Select(i => Table(i, 9000, 6000)));
        var state = new Planner().StateOf(plan, S, L);
        Assert.InRange(state.Overlaps.Length, 60, 60 * (Overlaps.MostPartners + 2));
        Assert.Contains(state.Findings, f => f.Kind == FindingKind.Overlap && f.Title.Contains("more than 12 things"));
    }

    [Fact]
    public void What_would_take_too_many_steps_is_refused_and_says_what()
    {
        // A thousand walls that all cross each other: half a million crossings.
        var plan = With(
            Enumerable
                .Range(0, 1000)
                .Select(i => Point.At(i * 0.17) * 9000)
                .Select((end, i) => new Wall($"w{i}", L, end * -1, end + new Point(i * 7 % 90, 0), 100, 2700, "")),
            room: false
        );
        var refused = Assert.Throws<TooMuchWorkException>(() => new Planner().StateOf(plan, S, L));
        Assert.Contains("Ground floor", refused.Message);
    }

    [Fact]
    public void The_count_is_the_same_whether_worked_out_anew_or_from_before()
    {
        var plan = With(Hall());
        var space = SpaceFinder.Find(plan, L);
        var checks = plan.OfScheme<Checks>(S).Single();
        var (forms, scenes) = (new ItemForms(), new SceneBuilder());
        WalkwayAnalysis? last = null;
        for (var step = 0; step < 6; step++)
        {
            var item = plan.Find<Item>("t7")!;
            plan.TryApply(new Change("", [new EntityChange(item, item with { X = item.X + 130, Y = item.Y - 70 })]), out plan, out _);
            var scene = scenes.Build(space, forms.PlaceAll(plan, S, L), checks);
            var (kept, anew) = (new Work("kept", long.MaxValue), new Work("anew", long.MaxValue));
            last = new WalkwayAnalysis(scene, last, kept);
            // A fresh analysis may choose another square; over the same one the count is the same.
            _ = new WalkwayAnalysis(scene, step == 0 ? null : new WalkwayAnalysis(scene, last), anew);
            Assert.Equal(anew.Done, kept.Done);
        }
    }

    [Fact]
    public void Far_obstacles_left_out_change_no_width()
    {
        // The pruning of far cells against the plain rule: widths by the reference of offset and union.
        var plan = With([.. Hall(), Table(98, 60_000, 40_000), Table(99, -50_000, 9000)]);
        var state = new Planner().StateOf(plan, S, L);
        var alone = new Planner().StateOf(With(Hall()), S, L);
        var ways = alone.Walkways.Ways.ToDictionary(w => (w.Target.OwnerId, w.Target.Kind, w.Target.Index), w => w.Width);
        foreach (var way in state.Walkways.Ways.Where(w => w.Target.OwnerId is not ("t98" or "t99")))
            Assert.Equal(ways[(way.Target.OwnerId, way.Target.Kind, way.Target.Index)], way.Width, 6);
    }

    /// <summary>A level that stays as it is costs nothing more, however often another is asked about: its steps would run out.</summary>
    [Fact]
    public void A_level_that_nothing_changes_on_is_counted_once()
    {
        var sample = new Sample()
            .Room(18_000, 13_000)
            .Door()
            .Do(new PutLevel(new Level("up", "First floor", 3400, 2700)))
            .Do(new CopyShell(L, "up", "shell"))
            .Do(new PutThing(new Flight("stair", L, FlightKind.Stair, 16_000, 3000, 0, 1100, 4000, 1, 19, "up")) { Sure = true })
            .Do(new PlaceItem("below", S, L, "round-table-1525", 5000, 5000))
            .Do(new PlaceItem("above", S, "up", "round-table-1525", 5000, 5000));
        var wall = sample.Plan.OnLevel<Wall>("up").First();
        sample.Do(new PutOpening(new Opening("out", wall.Id, OpeningKind.Gap, 9000, 1000, 0, 2100, 0, OpeningMark.Exit, false, false, "")));
        var above = sample.State.Levels.Single(level => level.Space.LevelId == "up");
        Assert.Contains(above.Walkways.Ways, way => way.Target.Kind == TargetKind.Exit);
        var work = above.Ground.Work!;
        var counted = work.Done;
        Assert.InRange(counted, 1, long.MaxValue);
        for (var i = 0; i < 20; i++)
        {
            sample.Planner.Probe(sample.Plan, new MoveItems(["below"], 20 * i, 0), S, L);
            sample.Do(new MoveItems(["below"], 10, 5));
        }
        Assert.Same(above.Ground, sample.State.Levels.Single(level => level.Space.LevelId == "up").Ground);
        Assert.Equal(counted, work.Done);
    }
}
