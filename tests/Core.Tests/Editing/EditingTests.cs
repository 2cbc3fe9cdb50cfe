using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Tests.Editing;

public sealed class EditingTests
{
    [Theory]
    [InlineData(0)]
    [InlineData(-5)]
    [InlineData(double.NaN)]
    [InlineData(double.PositiveInfinity)]
    [InlineData(10_000_000)]
    public void Impossible_room_sizes_are_refused_by_name(double width)
    {
        var problem = new Sample().Refused(new MakeRoom("room", PlanStart.LevelId, "Room", width, 5000, 200, 3000) { Sure = true });
        Assert.Equal("width", problem.Field);
        Assert.False(problem.CanBeSure);
    }

    [Theory]
    [InlineData(40, 40_000, "m")]
    [InlineData(600, 6000, "cm")]
    public void A_size_that_makes_no_sense_is_asked_about_with_the_likely_meaning(double width, double likely, string unit)
    {
        var problem = new Sample().Refused(new MakeRoom("room", PlanStart.LevelId, "Room", width, 5000, 200, 3000));
        Assert.True(problem.CanBeSure);
        Assert.Equal(likely, problem.Likely!.Value, 6);
        Assert.False(string.IsNullOrEmpty(unit));
    }

    [Fact]
    public void A_forty_inch_hall_on_a_feet_and_inches_plan_was_likely_forty_feet()
    {
        var sample = new Sample().Do(new SetDetails("Sample", Wellsedes.Core.Units.UnitSystem.FeetInches, 0));
        var problem = sample.Refused(new MakeRoom("room", PlanStart.LevelId, "Hall", 1016, 5000, 200, 3000));
        Assert.Equal(40 * 304.8, problem.Likely!.Value, 6);
    }

    [Fact]
    public void A_forty_inch_hall_is_done_when_it_is_meant() =>
        new Sample().Do(new MakeRoom("room", PlanStart.LevelId, "Cupboard", 600, 600, 100, 2400) { Sure = true });

    [Fact]
    public void A_five_metre_chair_is_asked_about()
    {
        var sample = new Sample().Room().Place("chair", "banquet-chair", 2000, 2000);
        var problem = sample.Refused(new ResizeItem("chair", 5000));
        Assert.Equal("width", problem.Field);
        Assert.Equal(500, problem.Likely!.Value, 6);
        sample.Do(new ResizeItem("chair", 5000) { Sure = true });
    }

    [Fact]
    public void An_opening_wider_than_its_wall_or_over_another_is_refused_with_the_place()
    {
        var sample = new Sample().Room().Door();
        Opening Window(double along, double width) =>
            new("w", "room-south", OpeningKind.Window, along, width, 0, 1400, 900, OpeningMark.None, false, false, "");
        Assert.Contains("only 8\u00a0200 mm long", sample.Refused(new PutOpening(Window(4000, 9000))).Message);
        Assert.Contains("already there, from 3\u00a0600 mm to 4\u00a0600", sample.Refused(new PutOpening(Window(4000, 1400))).Message);
        Assert.Contains("past the end", sample.Refused(new PutOpening(Window(100, 1400))).Message);
    }

    [Fact]
    public void Tables_are_numbered_by_the_lowest_free_number()
    {
        var sample = new Sample().Room().Place("a", "round-table-1525", 2000, 2000).Place("b", "round-table-1525", 5000, 2000);
        sample.Do(new Remove(["a"])).Place("c", "trestle-table-1830", 5000, 4500);
        Assert.Equal(["2", "1"], new[] { "b", "c" }.Select(id => sample.Plan.Find<Item>(id)!.Label));
        Assert.Contains("already", sample.Refused(new LabelItem("c", "2")).Message);
    }

    [Fact]
    public void Moving_never_resizes_and_what_is_locked_stays()
    {
        var sample = new Sample().Room().Place("a", "sofa-two", 2000, 2000).Do(new ResizeItem("a", 1700, 900));
        var before = sample.Plan.Find<Item>("a")!;
        sample.Do(new MoveItems(["a"], 500, -20));
        Assert.Equal(before with { X = 2500, Y = 1980 }, sample.Plan.Find<Item>("a"));
        sample.Do(new LockThings(["a"], true));
        Assert.Contains("is locked", sample.Refused(new MoveItems(["a"], 1, 1)).Message);
        Assert.Contains("is locked", sample.Refused(new Remove(["a"])).Message);
    }

    [Fact]
    public void Several_turn_about_their_common_middle()
    {
        var sample = new Sample().Room().Place("a", "ottoman", 2000, 3000).Place("b", "ottoman", 4000, 3000);
        sample.Do(new RotateItems(["a", "b"], 90));
        Assert.Equal(new Placement(3000, 2000, 90), sample.Plan.Find<Item>("a")!.Placement);
        Assert.Equal(new Placement(3000, 4000, 90), sample.Plan.Find<Item>("b")!.Placement);
    }

    [Fact]
    public void A_typed_distance_moves_it_until_the_clear_distance_is_that()
    {
        var sample = new Sample().Room().Place("a", "round-table-1525", 2000, 3000).Place("b", "round-table-1525", 6000, 3100);
        sample.Do(new SpaceFrom(["b"], "a", 900));
        var near = sample.Planner.NearTo(sample.State, new HashSet<string> { "b" });
        Assert.Equal(900, near.Single(n => n.OtherId == "a").Width, 6);
        sample.Do(new SpaceFrom(["b"], "room-east", 750));
        near = sample.Planner.NearTo(sample.State, new HashSet<string> { "b" });
        Assert.Equal(750, near.Single(n => n.OtherId == "room-east").Width, 6);
    }

    [Fact]
    public void A_wardrobe_near_a_wall_puts_its_back_on_it_and_turns()
    {
        var sample = new Sample().Room();
        sample.Do(new PlaceItem("k", PlanStart.SchemeId, PlanStart.LevelId, "cupboard-1000", 7700, 3000, 0, Catch: 200));
        var item = sample.Plan.Find<Item>("k")!;
        Assert.Equal(270, item.Rotation, 6);
        Assert.Equal(8000 - 225, item.X, 6);
        Assert.Empty(sample.State.Overlaps);
    }

    [Fact]
    public void Places_keep_to_what_the_table_takes()
    {
        var sample = new Sample().Room().Place("a", "round-table-1525", 3000, 3000);
        sample.Do(new SetSeats("a", new SeatsBySide(Around: 10)));
        Assert.Equal(10, sample.State.Tally.Seats);
        var problem = sample.Refused(new SetSeats("a", new SeatsBySide(Around: 11)));
        Assert.Contains("at most 10", problem.Message);
        Assert.Contains("from memory", problem.Message);
    }

    [Fact]
    public void What_is_set_aside_is_not_counted()
    {
        var sample = new Sample().Room().Place("a", "round-table-1525", 3000, 3000);
        sample.Do(new SetItemsAside(["a"], true));
        Assert.Equal((0, 0), (sample.State.Tally.Seats, sample.State.Tally.Tables));
        Assert.Empty(sample.State.Items);
        var waiting = sample.Plan.Find<Item>("a")!;
        Assert.True(waiting.X < -200, "it waits beside the plan");
        sample.Do(new MoveItems(["a"], 3000 - waiting.X, 3000 - waiting.Y));
        Assert.False(sample.Plan.Find<Item>("a")!.SetAside);
        sample.Do(new SetItemsAside(["a"], true)).Do(new SetItemsAside(["a"], false));
        Assert.Equal(8, sample.State.Tally.Seats);
    }

    [Fact]
    public void Many_set_aside_wait_in_columns_no_longer_than_the_building_is_deep()
    {
        var sample = new Sample().Room(30_000, 20_000);
        string[] ids = [.. Enumerable.Range(0, 500).Select(i => $"stool-{i:000}")];
        for (var i = 0; i < ids.Length; i++)
            sample.Place(ids[i], "ottoman", 1000 + i % 25 * 1000, 1000 + i / 25 * 900);
        sample.Do(new SetItemsAside([.. ids], true));
        var waiting = ids.Select(id => sample.Plan.Find<Item>(id)!).ToArray();
        Assert.All(waiting, item => Assert.True(item.SetAside));
        Assert.Equal(500, waiting.Select(item => (item.X, item.Y)).Distinct().Count());
        Assert.InRange(waiting.Min(item => item.Y), 0, 20_000);
        Assert.True(waiting.Max(item => item.X) < 0);
    }

    [Fact]
    public void Duplicates_get_numbers_of_their_own()
    {
        var sample = new Sample().Room().Place("a", "round-table-1525", 2000, 3000);
        sample.Do(new DuplicateItems(["a"], ["b"], 3000, 0));
        Assert.Equal(("2", 5000.0), (sample.Plan.Find<Item>("b")!.Label, sample.Plan.Find<Item>("b")!.X));
    }

    [Fact]
    public void Removing_a_wall_takes_its_doors_along_and_undo_brings_all_back()
    {
        var sample = new Sample().Room().Door();
        var before = sample.Plan;
        var change = sample.Planner.Answer(before, new Remove(["room-south"])).Change!;
        Assert.True(before.TryApply(change, out var after, out _));
        Assert.Empty(after.All<Opening>());
        Assert.True(after.TryApply(change.Reversed("Undid"), out var back, out _));
        Assert.Equal(before.Entities.OrderBy(e => e.Key), back.Entities.OrderBy(e => e.Key));
    }

    [Fact]
    public void Ids_that_are_no_ids_are_refused() =>
        Assert.Equal(
            "id",
            new Sample().Room().Refused(new PlaceItem("a b;c", PlanStart.SchemeId, PlanStart.LevelId, "ottoman", 1, 1)).Field
        );
}
