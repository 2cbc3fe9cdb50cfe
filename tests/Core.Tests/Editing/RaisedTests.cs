using Wellsedes.Core.Arranging;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Editing;
using Wellsedes.Core.KindsOfThing.KeepClears;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Core.Walkways;

namespace Wellsedes.Core.Tests.Editing;

/// <summary>Things have a height they begin at; members follow their recipe; seats keep their ids.</summary>
public sealed class RaisedTests
{
    private const string L = PlanStart.LevelId;
    private const string S = PlanStart.SchemeId;

    private static Sample Hall() => new Sample().Room(8000, 6000).Door();

    [Fact]
    public void Overlaps_compare_heights()
    {
        var sample = Hall().Place("desk", "desk-1600", 4000, 3000).Place("shelf", "shelves-800", 4000, 3000);
        Assert.Contains(sample.State.Overlaps, o => o.Kind == OverlapKind.ThingInThing);
        sample.Do(new RaiseItem("shelf", 1400));
        Assert.Empty(sample.State.Overlaps);
        sample.Do(new RaiseItem("shelf", 700));
        Assert.Contains(sample.State.Overlaps, o => o.Kind == OverlapKind.ThingInThing);
    }

    [Fact]
    public void What_begins_above_headroom_or_lies_flat_blocks_no_way()
    {
        // A screen across the whole room shuts off the table behind it; hung at 2 m or lying 15 mm flat it does not.
        var sample = Hall().Place("t", "round-table-1525", 4000, 4600).Place("bar", "screen-1600", 4000, 2500);
        sample.Do(new ResizeItem("bar", 8000, 100) { Sure = true });
        double Way() => sample.State.Walkways.Ways.First(w => w.Target.Kind == TargetKind.Table).Width;
        Assert.Equal(0, Way());
        sample.Do(new RaiseItem("bar", 1999));
        Assert.Equal(0, Way());
        sample.Do(new RaiseItem("bar", 2000));
        Assert.True(Way() > 600);
        sample.Do(new RaiseItem("bar", 0)).Do(new ResizeItem("bar", 8000, 100, 15) { Sure = true });
        Assert.True(Way() > 600);
    }

    [Fact]
    public void A_thing_overhead_may_hang_over_what_must_stay_clear()
    {
        var sample = Hall()
            .Place("c", "cupboard-800", 2000, 2000)
            .Do(new PutThing(new KeepClear("k", L, 2000, 2000, 0, 2000, 2000, "Hatch")));
        Assert.Contains(sample.State.Overlaps, o => o.Kind == OverlapKind.OverKeepClear);
        sample.Do(new RaiseItem("c", 2000));
        Assert.Empty(sample.State.Overlaps);
    }

    [Fact]
    public void What_stands_on_a_thing_goes_where_it_goes()
    {
        var sample = Hall().Place("t", "long-table-1830", 4000, 3000).Place("o", "ottoman", 4500, 3000).Do(new RaiseItem("o", 0, "t"));
        sample.Do(new MoveItems(["t"], 500, 300));
        Assert.Equal((5000, 3300), (sample.Plan.Find<Item>("o")!.X, sample.Plan.Find<Item>("o")!.Y));
        sample.Do(new RotateItems(["t"], 90));
        var (table, top) = (sample.Plan.Find<Item>("t")!, sample.Plan.Find<Item>("o")!);
        Assert.Equal(90, top.Rotation, 6);
        Assert.Equal(500, table.Placement.Origin.DistanceTo(top.Placement.Origin), 6);
        Assert.Contains("circle", sample.Refused(new RaiseItem("t", 0, "o")).Message);
        sample.Do(new RaiseItem("o", 0));
        sample.Do(new MoveItems(["t"], -500, 0));
        Assert.Equal(top.X, sample.Plan.Find<Item>("o")!.X);
    }

    [Fact]
    public void A_thing_hangs_on_a_wall_at_the_height_it_is_given()
    {
        var sample = Hall().Place("s", "shelves-800", 4000, 5850).Do(new RaiseItem("s", 1500, "room-north"));
        Assert.Equal((1500, "room-north"), (sample.Plan.Find<Item>("s")!.Elevation, sample.Plan.Find<Item>("s")!.StandsOn));
        // Without its wall it comes down.
        sample.Do(new Remove(["room-north"]));
        Assert.Equal((0, null), (sample.Plan.Find<Item>("s")!.Elevation, sample.Plan.Find<Item>("s")!.StandsOn));
    }

    [Fact]
    public void Members_follow_their_recipe_in_one_change_and_a_locked_one_keeps_its_place()
    {
        var recipe = new Repeat("r", S, L, 1000, 2000, 0, 4, 2, 600, 900);
        var sample = Hall().Do(new PutRepeat(recipe, "banquet-chair"));
        Item At(int slot) => sample.Plan.OfScheme<Item>(S).Single(item => item.Parent == "r" && item.Slot == slot);
        Assert.Equal(8, sample.State.Tally.Seats);
        Assert.Equal((2800, 2900), (At(7).X, At(7).Y));
        sample.Do(new LockThings([At(5).Id], true));
        sample.Do(new PutRepeat(recipe with { X = 1500, ColumnSpacing = 700 }));
        Assert.Equal(1600, At(5).X);
        Assert.Equal(1500 + 3 * 700, At(3).X);
        Assert.Contains("locked", sample.Refused(new PutRepeat(recipe with { Columns = 1, Rows = 2 })).Message);
        sample.Do(new LockThings([At(5).Id], false));
        var kept = At(1).Id;
        sample.Do(new PutRepeat(recipe with { Columns = 2 }));
        Assert.Equal(4, sample.State.Tally.Seats);
        Assert.Equal(kept, At(1).Id);
        sample.Do(new Release(["r"]));
        Assert.Null(sample.Plan.Find("r"));
        Assert.Equal(4, sample.State.Tally.Seats);
        Assert.All(sample.Plan.OfScheme<Item>(S), item => Assert.Null(item.Parent));
    }

    [Fact]
    public void Removing_a_repeat_takes_its_members_and_a_member_without_parent_is_no_plan()
    {
        var sample = Hall().Do(new PutRepeat(new Repeat("r", S, L, 1000, 2000, 30, 4, 2, 600, 900), "banquet-chair"));
        var member = sample.Plan.OfScheme<Item>(S).First();
        var orphan = Plan.Of(sample.Plan.Entities.Values.Where(e => e is not Repeat), sample.Plan.Library);
        Assert.Contains("member", PlanChecks.OfWhole(orphan)!.Value.Problem.Message);
        sample.Do(new Remove(["r"]));
        Assert.Null(sample.Plan.Find(member.Id));
    }

    [Fact]
    public void From_ten_seats_to_eight_the_highest_go_and_it_is_said()
    {
        var sample = Hall().Place("t", "round-table-1525", 4000, 3000, 0, new SeatsBySide(Around: 10));
        var answer = sample.Planner.Answer(sample.Plan, new SetSeats("t", new SeatsBySide(Around: 8)));
        Assert.Equal("Set seats at item 1: 8, seats 9 and 10 gone", answer.Change!.Label);
        sample.Place("l", "long-table-1830", 4000, 1500);
        Assert.Equal(
            ["F1", "F2", "F3", "B1", "B2", "B3"],
            sample.State.Items.Single(i => i.Item.Id == "l").Form.Seats.Select(seat => seat.Id)
        );
        var one = sample.Planner.Answer(sample.Plan, new SetSeats("l", new SeatsBySide(Front: 2, Back: 3)));
        Assert.EndsWith("5, seat F3 gone", one.Change!.Label);
    }

    [Fact]
    public void A_makers_parameters_are_checked_and_shape_the_form()
    {
        var sample = Hall().Place("d", "corner-desk-1600", 4000, 3000).Place("b", "shelves-900", 6000, 3000);
        var plain = sample.State.Items.Single(i => i.Item.Id == "d").Solids.Length;
        sample.Do(new SetParameters("d", ItemParameters.None.With("radius", 400)));
        Assert.True(sample.State.Items.Single(i => i.Item.Id == "d").Solids.Length > plain);
        Assert.Contains("from 0 to 1500", sample.Refused(new SetParameters("d", ItemParameters.None.With("radius", 4000))).Message);
        sample.Do(new SetParameters("b", ItemParameters.None.With("bays", 400, 500)));
        Assert.Contains("add up", sample.Refused(new SetParameters("b", ItemParameters.None.With("bays", 400, 400))).Message);
        // Resized, its bays keep their shares: 4 to 5.
        sample.Do(new ResizeItem("b", 1200));
        Assert.Equal(ItemParameters.None.With("bays", 533.3, 666.7), sample.Plan.Find<Item>("b")!.Parameters);
        Assert.Equal(2, sample.State.Items.Single(i => i.Item.Id == "b").Form.Symbol.Count(part => part.Role == SymbolRole.Solid));
    }

    [Fact]
    public void A_plan_carries_its_own_items_and_asks_them_before_the_catalogue()
    {
        var own = CatalogueOf("round-table-1525") with { Key = "mill-table", Name = "Mill table", MostSeats = 6, Seats = new(Around: 6) };
        var sample = Hall().Do(new PutOwnItem(new OwnItem("mill-table", own)));
        sample.Place("m", "mill-table", 4000, 3000);
        Assert.Equal(6, sample.State.Tally.Seats);
        sample.Do(new PutOwnItem(new OwnItem("mill-table", own with { Seats = new(Around: 4) }, 2)));
        Assert.Equal(4, sample.State.Tally.Seats);
        Assert.Contains("hangs on this", sample.Refused(new Remove(["mill-table"])).Message);
        Assert.Equal("maker", sample.Refused(new PutOwnItem(new OwnItem("x", own with { Key = "x", Maker = "nobody" }))).Field);
        sample.Do(new SetSeats("m", new SeatsBySide(Around: 5)));
        Assert.Contains(
            "at most 4",
            sample.Refused(new PutOwnItem(new OwnItem("mill-table", own with { MostSeats = 4, Seats = new(Around: 4) }))).Message
        );
    }

    [Fact]
    public void A_plan_carries_its_own_rules_and_is_held_against_them()
    {
        var sample = Hall().Place("t", "round-table-1525", 4000, 4600).Place("bar", "screen-1600", 4000, 2500);
        sample.Do(new ResizeItem("bar", 8000, 100) { Sure = true }).Do(new RaiseItem("bar", 2050));
        double Way() => sample.State.Walkways.Ways.First(w => w.Target.Kind == TargetKind.Table).Width;
        Assert.True(Way() > 600);
        var tall = HouseRules.Headroom with { Value = 2100, Source = "Mill house rule" };
        sample.Do(new PutOwnRule(new OwnRule("tall", tall)));
        Assert.Equal(0, Way());
        Assert.Equal("key", sample.Refused(new PutOwnRule(new OwnRule("again", tall))).Field);
        Assert.Equal("key", sample.Refused(new PutOwnRule(new OwnRule("x", tall with { Key = "no-such" }))).Field);
        Assert.Equal("value", sample.Refused(new PutOwnRule(new OwnRule("tall", tall with { Value = -1 }))).Field);
        sample.Do(new PutOwnRule(new OwnRule("tall", tall with { Value = 2040 }, 2)));
        Assert.True(Way() > 600);
        // A low ceiling is held against the same headroom.
        sample.Do(new PutThing(new Core.KindsOfThing.LowCeilings.LowCeiling("low", L, 4000, 2400, 0, 8000, 500, 2030, 2030)));
        Assert.Equal(0, Way());
        sample.Do(new Remove(["tall"]));
        Assert.True(Way() > 600);
    }

    [Fact]
    public void A_finding_names_the_source_of_the_plans_own_rule()
    {
        var sample = Hall().Place("a", "cupboard-1000", 3500, 3000).Place("b", "buffet-1830", 4000, 5400);
        sample.Do(new ResizeItem("a", 6500) { Sure = true }).Do(new PutItemAt("a", 4000, 3000, 0));
        Assert.Contains(sample.State.Findings, f => f.Source.StartsWith("House rule", StringComparison.Ordinal));
        sample.Do(new PutOwnRule(new OwnRule("aisles", HouseRules.MainAisle with { Source = "Fire plan of the mill" })));
        Assert.Contains(sample.State.Findings, f => f.Source.StartsWith("Fire plan of the mill", StringComparison.Ordinal));
    }

    private static CatalogueItem CatalogueOf(string key) => CatalogueList.Shipped.Find(key)!;

    [Fact]
    public void What_one_sits_on_or_is_served_at_is_in_the_way_however_low()
    {
        var sample = Hall().Place("seat", "ottoman", 2000, 3000).Place("bar", "bar-1800", 6000, 3000);
        sample.Do(new ResizeItem("seat", Height: 5) { Sure = true }).Do(new ResizeItem("bar", Height: 5) { Sure = true });
        var items = sample.State.Items.Where(item => item.Top < 10).ToArray();
        Assert.Equal(2, items.Length);
        Assert.All(items, item => Assert.False(item.LiesFlat));
    }
}
