using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.KindsOfThing.Zones;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Tests.Editing;

/// <summary>The one guard: what an attack once stored is refused, and says why. Nothing is changed by a refusal.</summary>
public sealed class GuardTests
{
    private const string L = PlanStart.LevelId;
    private const string S = PlanStart.SchemeId;

    private static Sample Furnished() => new Sample().Room().Door().Place("a", "round-table-1525", 2000, 3000);

    public static TheoryData<string, Edit> Attacks
    {
        get
        {
            var checks = new Checks("checks-a", "nowhere", 900, 600, ChairState.Occupied, 480, 760);
            return new TheoryData<string, Edit>
            {
                { "dx", new DuplicateItems(["a"], ["b"], 1e300, 0) },
                { "newIds", new DuplicateItems(["a"], [null!], 100, 0) },
                { "brief", new SetBrief(new Brief("brief-a", "nowhere", 8)) },
                { "checks", new SetChecks(checks) },
                { "levelId", new KeepMeasure("m", S, "cellar", new(0, 0), new(1, 1)) },
                { "schemeId", new KeepMeasure("m", "nowhere", L, new(0, 0), new(1, 1)) },
                { "dx", new MoveWall("room-north", 1e15, -1e15) },
                { "ids", new MoveItems([null!], 10, 10) },
                { "ids", new Remove([null!]) },
                { "ids", new Remove([]) },
                { "ids", new MoveItems(["a", "a"], 10, 10) },
                { "ids", new DuplicateItems(["a", "a"], ["b", "c"], 3000, 0) },
                { "ids", new Remove(["room-north", "room-north"]) },
                { "ids", new LockThings(default, true) },
                { "mirror", new CopyRoom("room", "copy", (Mirror)99, 0, 0, 0) },
                { "chairs", new SetChecks(checks with { SchemeId = S, Chairs = (ChairState)99 }) },
                { "seats", new SetBrief(new Brief("brief-a", S, -7)) },
                { "label", new LabelItem("a", "x\u0001") },
                { "label", new LabelItem("a", "x\uFFFE") },
                { "label", new LabelItem("a", "x\0") },
                { "label", new LabelItem("a", "\uD800") },
                { "label", new LabelItem("a", new string('x', 20_000)) },
                { "thing", new PutThing(new PlanDetails("plan", "x", Core.Units.UnitSystem.Metric)) },
                { "id", new PutThing(new Zone("a", S, L, 0, 0, 0, 1000, 1000, "")) },
                { "id", new PutThing(new Zone("no id!", S, L, 0, 0, 0, 1000, 1000, "")) },
                { "seats", new SetSeats("a", new SeatsBySide(Around: int.MaxValue, Front: 1)) },
                { "seats", new SetSeats("a", new SeatsBySide(Around: int.MaxValue, Front: int.MaxValue, Back: 2)) },
                { "seats", OwnItem("lectern", null, new SeatsBySide(Front: int.MaxValue)) },
                { "seats", OwnItem("long-table-1830", "banquet-chair", new SeatsBySide(Front: int.MaxValue, Left: 9)) },
                { "elevation", new RaiseItem("a", -5) },
                { "elevation", new RaiseItem("a", 40_000) },
                { "standsOn", new RaiseItem("a", 0, "a") },
                { "radius", new SetParameters("a", ItemParameters.None.With("radius", 100)) },
                { "columns", new PutRepeat(new Repeat("r", S, L, 0, 0, 0, 100_000, 100_000, 1, 1), "banquet-chair") },
                { "catalogue", new PutRepeat(new Repeat("r", S, L, 0, 0, 0, 2, 2, 600, 900), "no-such") },
            };
        }
    }

    private static PutOwnItem OwnItem(string like, string? chair, SeatsBySide seats) =>
        new(new OwnItem("own", CatalogueList.Shipped.Find(like)! with { Key = "own", Chair = chair, Seats = seats }));

    [Theory]
    [MemberData(nameof(Attacks))]
    public void An_attack_is_refused_by_the_field_it_is_in(string field, Edit edit)
    {
        var sample = Furnished();
        var before = sample.Plan;
        var problem = sample.Refused(edit);
        Assert.EndsWith(field, problem.Field);
        Assert.NotEmpty(problem.Message);
        Assert.Same(before, sample.Plan);
    }

    [Fact]
    public void A_boundary_drawn_over_an_item_does_not_take_its_place()
    {
        var sample = Furnished();
        // The sides get ids of their own; one that is an item's is not taken from it.
        sample.Place("b-1", "ottoman", 4000, 3000);
        Assert.Equal("id", sample.Refused(new DrawBoundary("b", L, new(0, 0), [new ChainSide(new(1000, 0))], false)).Field);
        Assert.IsType<Item>(sample.Plan.Find("b-1"));
    }

    [Fact]
    public void A_wall_a_kilometre_thick_and_one_bowed_a_hundred_metres_are_refused()
    {
        var sample = Furnished();
        Assert.Equal("thickness", sample.Refused(new ChangeWalls(["room-north"], Thickness: 1_000_000) { Sure = true }).Field);
        Assert.Equal("bow", sample.Refused(new BowWall("room-north", new(4000, 100_000))).Field);
    }

    [Fact]
    public void What_stands_on_a_thing_comes_down_when_that_goes()
    {
        var sample = Furnished().Place("lamp", "ottoman", 2000, 3000);
        sample.Do(new RaiseItem("lamp", 0, "a"));
        Assert.Equal(762, sample.Plan.Find<Item>("lamp")!.Elevation);
        var answer = sample.Planner.Answer(sample.Plan, new Remove(["a"]));
        Assert.Contains("1 on it put on the floor", answer.Change!.Label);
        sample.Do(new Remove(["a"]));
        Assert.Equal((0, null), (sample.Plan.Find<Item>("lamp")!.Elevation, sample.Plan.Find<Item>("lamp")!.StandsOn));
    }

    [Fact]
    public void Far_from_everything_is_asked_about_and_done_when_it_is_meant()
    {
        var sample = Furnished();
        var problem = sample.Refused(new MoveItems(["a"], 300_000, 0));
        Assert.True(problem.CanBeSure);
        Assert.Contains("meant?", problem.Message);
        sample.Do(new MoveItems(["a"], 300_000, 0) { Sure = true });
        Assert.Equal(302_000, sample.Plan.Find<Item>("a")!.X);
    }

    [Fact]
    public void Two_sets_of_checks_for_one_scheme_are_no_plan()
    {
        var plan = Furnished().Plan;
        var twice = Plan.Of(plan.Entities.Values.Append(plan.OfScheme<Checks>(S).First() with { Id = "more" }), plan.Library);
        Assert.Contains("exactly one set of checks", PlanChecks.OfWhole(twice)!.Value.Problem.Message);
        var none = Plan.Of(plan.Entities.Values.Where(e => e is not SheetSettings), plan.Library);
        Assert.Contains("at least one sheet", PlanChecks.OfWhole(none)!.Value.Problem.Message);
        Assert.Null(PlanChecks.OfWhole(plan));
    }

    [Fact]
    public void Two_members_in_one_slot_are_no_plan()
    {
        var plan = Furnished().Do(new PutRepeat(new Repeat("r", S, L, 1000, 1000, 0, 2, 1, 600, 900), "banquet-chair")).Plan;
        Assert.Null(PlanChecks.OfWhole(plan));
        var member = plan.All<Item>().First(item => item.Slot == 0);
        var twice = Plan.Of(plan.Entities.Values.Append(member with { Id = "second" }), plan.Library);
        Assert.Equal("slot", PlanChecks.OfWhole(twice)!.Value.Problem.Field);
    }

    [Fact]
    public void A_fault_is_told_by_the_entity_it_is_in()
    {
        var plan = Furnished().Plan;
        var item = plan.Find<Item>("a")!;
        var broken = Plan.Of(plan.Entities.Values.Where(e => e.Id != "a").Append(item with { X = 1e300 }), plan.Library);
        Assert.Equal("a", PlanChecks.OfWhole(broken)!.Value.Id);
    }

    [Fact]
    public void Every_edit_is_held_against_the_form_of_its_values()
    {
        // A text, a figure and a list in each edit that has one, made unusable: no edit takes it.
        foreach (var type in typeof(Edit).Assembly.GetTypes().Where(t => t.IsSubclassOf(typeof(Edit))))
        {
            var values = type.GetConstructors()[0]
                .GetParameters()
                .Select(p =>
                    p.ParameterType == typeof(double) ? double.NaN
                    : p.ParameterType == typeof(string) ? "\uFFFF"
                    : Empty(p.ParameterType)
                )
                .ToArray();
            var problem = new Sample().Refused((Edit)type.GetConstructors()[0].Invoke(values));
            Assert.NotEmpty(problem.Message);
        }

        static object? Empty(Type type) => type.IsValueType ? Activator.CreateInstance(type) : null;
    }
}
