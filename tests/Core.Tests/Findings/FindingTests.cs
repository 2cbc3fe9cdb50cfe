using Wellsedes.Core.Arranging;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Findings;
using Wellsedes.Core.KindsOfThing.Columns;
using Wellsedes.Core.KindsOfThing.KeepClears;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Tests.Findings;

public sealed class FindingTests
{
    [Fact]
    public void Things_that_touch_do_not_overlap_and_things_that_run_in_do()
    {
        var sample = new Sample().Room().Place("a", "cupboard-1000", 2000, 3000).Place("b", "cupboard-1000", 3000, 3000);
        Assert.Empty(sample.State.Overlaps);
        sample.Do(new MoveItems(["b"], -1, 0));
        var overlap = Assert.Single(sample.State.Overlaps);
        Assert.Equal((OverlapKind.ThingInThing, 1.0), (overlap.Kind, Math.Round(overlap.Depth, 6)));
    }

    [Theory]
    [InlineData(100, 3000, OverlapKind.ThroughShell)]
    [InlineData(-3000, 3000, OverlapKind.OutsideRooms)]
    [InlineData(4000, 400, OverlapKind.OverKeepClear)]
    public void Through_a_wall_outside_every_room_and_in_the_swing_of_a_door(double x, double y, OverlapKind kind)
    {
        var sample = new Sample().Room().Door(outward: false).Place("a", "ottoman", x, y);
        Assert.Contains(sample.State.Overlaps, overlap => overlap.Kind == kind);
        Assert.Contains(sample.State.Findings, finding => finding.Kind == FindingKind.Overlap && finding.Weight == FindingWeight.Must);
    }

    [Fact]
    public void A_lectern_may_stand_on_a_stage_and_a_table_on_a_dance_floor_but_not_in_a_cupboard()
    {
        var sample = new Sample().Room().Place("deck", "stage-deck-2x1", 2000, 4000).Place("lectern", "lectern", 2000, 4000);
        sample.Place("panel", "dance-panel-1000", 5000, 3000).Place("table", "round-table-1220", 5200, 3000);
        Assert.Empty(sample.State.Overlaps);
        sample.Place("cupboard", "cupboard-800", 5200, 3000);
        Assert.NotEmpty(sample.State.Overlaps);
    }

    [Fact]
    public void A_keep_clear_area_and_a_column_are_not_stood_on()
    {
        var sample = new Sample().Room();
        sample.Do(new PutThing(new KeepClear("k", PlanStart.LevelId, 2000, 2000, 0, 1000, 1000, "Fire point")));
        sample.Do(new PutThing(new Column("c", PlanStart.LevelId, 6000, 2000, 0, 400, 400, false)));
        sample.Place("a", "ottoman", 2000, 2600).Place("b", "ottoman", 6000, 2300);
        Assert.Equal(["Fire point", "a column"], sample.State.Overlaps.Select(o => o.OtherName).Order());
    }

    [Fact]
    public void A_narrow_way_is_found_with_the_two_things_that_form_it_and_cleared_by_moving()
    {
        // A bar across the room leaves 800 beside a cupboard; the buffet beyond needs 900.
        var sample = new Sample().Room(4000, 6000).Door(2100, 1200);
        sample.Place("shelf", "cupboard-1000", 500, 3000).Place("screen", "screen-1600", 1000 + 850 + 800, 3000);
        sample.Place("shelf-2", "cupboard-1000", 4000 - 250, 3000).Do(new ResizeItem("shelf-2", 500, 450));
        sample.Place("buffet", "buffet-1830", 2000, 5500);
        var finding = Assert.Single(sample.State.Findings, f => f.Kind == FindingKind.Walkway);
        Assert.Equal(850, finding.Measured, 3);
        Assert.Equal(900, finding.Needed);
        Assert.Equal(["Cupboard 1000", "Screen 1600"], finding.Between.Order());
        sample.Do(new MoveItems(["screen"], 50, 0));
        Assert.Empty(sample.State.Findings);
    }

    [Fact]
    public void Pulled_out_chairs_take_more_floor_than_occupied_ones()
    {
        var sample = new Sample().Room().Door().Place("a", "round-table-1525", 3000, 3000).Place("b", "round-table-1525", 6100, 3000);
        Assert.Empty(sample.State.Findings);
        var checks = sample.Plan.All<Checks>().Single();
        sample.Do(new SetChecks(checks with { Chairs = ChairState.PulledOut }));
        // 3100 between middles, less two radii of 762 and two depths of 762, leaves 52: nobody passes there any more.
        Assert.NotEmpty(sample.State.Findings);
        Assert.All(sample.State.Findings, finding => Assert.True(finding.Measured < 600));
        var near = sample
            .State.Items[0]
            .Chairs.Min(a => sample.State.Items[1].Chairs.Min(b => Wellsedes.Core.Geometry.Gap.Between(a, b).Width));
        Assert.Equal(3100 - 4 * 762, near, 6);
    }

    [Fact]
    public void Narrower_than_the_brief_and_fewer_than_the_brief_are_said()
    {
        var sample = new Sample().Room().Door().Place("a", "round-table-1525", 3000, 3000);
        sample.Do(new SetBrief(sample.Plan.All<Brief>().Single() with { Seats = 10, AreaPerSeat = 7 }));
        Assert.Equal(["6.00 m² a seat, 7.00 m² asked", "Seats: 8 set, 10 asked"], sample.State.Findings.Select(f => f.Title).Order());
    }

    [Fact]
    public void A_probe_answers_as_if_and_applies_nothing()
    {
        var sample = new Sample().Room().Door().Place("a", "ottoman", 3000, 3000).Place("b", "ottoman", 5000, 3000);
        var before = sample.Plan;
        var probe = sample.Planner.Probe(before, new MoveItems(["a"], 1500, 0), PlanStart.SchemeId, PlanStart.LevelId);
        Assert.Contains(probe.State.Findings, finding => finding.Kind == FindingKind.Overlap);
        Assert.Empty(sample.Planner.StateOf(before, PlanStart.SchemeId, PlanStart.LevelId).Findings);
        Assert.NotEmpty(probe.Near);
    }

    [Fact]
    public void The_tally_counts_seats_tables_workstations_and_area()
    {
        var sample = new Sample().Room().Door().Place("a", "round-table-1525", 2000, 3000).Place("d", "bench-desk-1600", 5500, 3000);
        sample.Place("s", "sofa-two", 2000, 5300);
        var tally = sample.State.Tally;
        Assert.Equal((10, 1, 2), (tally.Seats, tally.Tables, tally.Workstations));
        Assert.Equal(48.0 / 12, tally.AreaPerSeat!.Value, 6);
    }

    [Fact]
    public void Ids_stay_the_same_while_the_figures_change_and_are_told_apart_by_level()
    {
        var sample = new Sample()
            .Room()
            .Door()
            .Place("a", "cupboard-1000", 3500, 3000)
            .Place("b", "cupboard-1000", 3500, 4300)
            .Place("bar", "bar-1800", 2000, 5200);
        sample.Do(new ResizeItem("a", 3400) { Sure = true }).Do(new PutItemAt("a", 1900, 3000, 0));
        sample.Do(new ResizeItem("b", 4300) { Sure = true }).Do(new PutItemAt("b", 5700, 3000, 0));
        var before = sample.State.Findings.Where(f => f.Kind == FindingKind.Walkway).ToArray();
        sample.Do(new MoveItems(["a"], 20, 0));
        var after = sample.State.Findings.Where(f => f.Kind == FindingKind.Walkway).ToArray();
        Assert.NotEmpty(before);
        Assert.Equal(before.Select(f => f.Id), after.Select(f => f.Id));
        Assert.NotEqual(before[0].Measured, after[0].Measured);
        Assert.All(before, f => Assert.StartsWith(PlanStart.LevelId + "/", f.Id));
        Assert.Equal(before.Length, before.DistinctBy(f => f.Id).Count());
    }
}
