using System.Collections.Immutable;
using Wellsedes.Core.Arranging;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Tests.Editing;

/// <summary>Distances typed against what is pointed at, and things set on lines by where they were taken hold of: to 0.001 mm.</summary>
public sealed class OffsetTests
{
    private const string L = PlanStart.LevelId;
    private const string S = PlanStart.SchemeId;

    private static PlacedItem Placed(Sample sample, string id) => sample.State.Items.Single(item => item.Item.Id == id);

    private static Bounds Box(IEnumerable<Convex> shapes) => shapes.Aggregate(Bounds.Empty, (box, shape) => box.Including(shape.Bounds));

    [Fact]
    public void So_far_from_this_wall_then_so_far_along_it()
    {
        var sample = new Sample().Room(10_000, 8000).Place("desk", "desk-1400", 6000, 4000, 90);
        // Pressed on the west wall near its south end: 1500 from it, 600 along it from that corner.
        sample.DoAndUndo(new SetOff(["desk"], new Point(-20, 500), 1500));
        sample.DoAndUndo(new SetOff(["desk"], new Point(-20, 500), Along: 600));
        var box = Box(Placed(sample, "desk").Standing);
        Assert.Equal((1500, 600), (Math.Round(box.MinX, 6), Math.Round(box.MinY, 6)));
        // From its other end, to the desk's own edge.
        sample.DoAndUndo(new SetOff(["desk"], new Point(-20, 500), 200, 300, FarEnd: true, From: OffsetFrom.Body));
        box = Box(Placed(sample, "desk").Solids);
        Assert.Equal((200, 7700), (Math.Round(box.MinX, 6), Math.Round(box.MaxY, 6)));
        sample.Do(new SetOff(["desk"], new Point(10_050, 7000), 2000, 1000, From: OffsetFrom.Middle));
        box = Box(Placed(sample, "desk").Solids);
        Assert.Equal((8000, 7000), (Math.Round(box.Centre.X, 6), Math.Round(box.Centre.Y, 6)));
    }

    /// <summary>Every 5 degrees: from the side of a turned desk, measured by the gap between the two.</summary>
    [Fact]
    public void From_the_side_of_a_thing_however_it_is_turned()
    {
        for (var turn = 0; turn < 360; turn += 5)
        {
            var sample = new Sample().Room(20_000, 20_000).Place("other", "cupboard-1000", 10_000, 10_000, turn);
            var side = sample.Plan.Find<Item>("other")!.Placement;
            var corner = side.Out(new Point(-500, -200));
            var front = side.Turned(new Point(0, -1));
            var start = side.Origin + front * 3000;
            sample.Place("desk", "desk-1400", start.X, start.Y, turn);
            sample.Do(new SetOff(["desk"], corner, 750, 100, From: OffsetFrom.Body));
            var solids = Placed(sample, "desk").Solids;
            var gap = Placed(sample, "other").Solids.SelectMany(a => solids.Select(b => Gap.Between(a, b).Width)).Min();
            Assert.Equal(750, gap, 3);
            var along = side.Turned(new Point(1, 0));
            Assert.Equal(Convex.Reach(Placed(sample, "other").Solids, along).From + 100, Convex.Reach(solids, along).From, 3);
        }
    }

    [Fact]
    public void Several_are_set_off_as_they_stand_and_what_cannot_be_is_said()
    {
        var sample = new Sample().Room(10_000, 8000).Place("a", "armchair", 3000, 3000).Place("b", "armchair", 5000, 4000);
        var before = sample.Plan.Find<Item>("b")!.Placement.Origin - sample.Plan.Find<Item>("a")!.Placement.Origin;
        sample.DoAndUndo(new SetOff(["a", "b"], new Point(5000, 8050), 250));
        var after = sample.Plan.Find<Item>("b")!.Placement.Origin - sample.Plan.Find<Item>("a")!.Placement.Origin;
        Assert.Equal(0, before.DistanceTo(after), 6);
        Assert.Equal(7750, Box(sample.State.Items.SelectMany(item => item.Standing)).MaxY, 6);
        Assert.Equal("at", sample.Refused(new SetOff(["a"], new Point(5000, 5500), 100)).Field);
        Assert.Equal("away", sample.Refused(new SetOff(["a"], new Point(5000, 8050))).Field);
        Assert.Equal("away", sample.Refused(new SetOff(["a"], new Point(5000, 8050), -1)).Field);
        Assert.Equal("along", sample.Refused(new SetOff(["a"], new Point(5000, 8050), 1, 2e6)).Field);
        Assert.Equal("ids", sample.Refused(new SetOff([], new Point(5000, 8050), 100)).Field);
        sample.Do(new LockThings(["a"], true));
        Assert.Contains("locked", sample.Refused(new SetOff(["a"], new Point(5000, 8050), 100)).Message);
    }

    /// <summary>Each of the nine points of a thing comes onto a crossing of lines when the thing is taken hold of there.</summary>
    [Fact]
    public void It_is_set_on_a_crossing_by_where_it_was_taken_hold_of()
    {
        foreach (var turn in (double[])[0, 35, 90, 215])
        foreach (var (x, y) in from x in (double[])[-700, 0, 700] from y in (double[])[-400, 0, 400] select (x, y))
        {
            var sample = new Sample().Room(12_000, 10_000).Place("desk", "desk-1400", 5000, 5000, turn);
            sample.Do(new SetOut(new SettingOutLine("one", L, 6000, 0, 90))).Do(new SetOut(new SettingOutLine("two", L, 0, 6000, 0)));
            var body = Placed(sample, "desk").Form.Body;
            var hold = new Point(x * body.Width / 1400, body.Centre.Y + y * body.Height / 800);
            var at = sample.Plan.Find<Item>("desk")!.Placement;
            var by = new Point(6040, 5975) - at.Out(hold);
            sample.Do(new MoveItems(["desk"], by.X, by.Y, 100, hold));
            var end = sample.Plan.Find<Item>("desk")!.Placement;
            Assert.Equal(0, end.Out(hold).DistanceTo(new Point(6000, 6000)), 3);
            Assert.Equal(turn, end.Rotation);
        }
    }

    [Fact]
    public void What_draws_it_is_told()
    {
        var sample = new Sample().Room(12_000, 10_000).Place("desk", "desk-1400", 5000, 5000);
        sample.Do(new SetOut(new SettingOutLine("one", L, 6000, 0, 90)));
        var body = Placed(sample, "desk").Form.Body;
        var probe = sample.Planner.Probe(
            sample.Plan,
            new MoveItems(["desk"], 320, 0, 100, new Point(body.MaxX - 20, body.MinY + 10)),
            S,
            L
        );
        Assert.Equal("on a setting-out line, by its corner", probe.Caught);
        Assert.Equal(Grip.Middle, Grip.Nearest(body, body.Centre));
    }

    /// <summary>Members of a repeat that swap change slots: nothing is singled out, and a new pitch keeps them swapped.</summary>
    [Fact]
    public void Two_members_of_a_repeat_swap_their_slots()
    {
        var sample = new Sample().Room(20_000, 8000).Place("first", "desk-1400", 2000, 4000);
        sample.Do(new RepeatItems("r", ["first"], new RepeatFigures(Columns: 4, ColumnPitch: 2500)));
        Item Slot(int slot) => sample.Plan.OfScheme<Item>(S).Single(item => item.Parent == "r" && item.Slot == slot);
        var (a, b) = (Slot(0).Id, Slot(2).Id);
        sample.DoAndUndo(new SwapItems(a, b));
        Assert.Equal((b, a), (Slot(0).Id, Slot(2).Id));
        Assert.Empty(sample.Plan.Find<Repeat>("r")!.Singles);
        sample.Do(new SetRepeat("r", new RepeatFigures(ColumnPitch: 2700)));
        Assert.Equal((b, a), (Slot(0).Id, Slot(2).Id));
        Assert.Equal([2000.0, 4700, 7400, 10_100], Enumerable.Range(0, 4).Select(slot => Math.Round(Slot(slot).X, 6)));
    }
}
