using Wellsedes.Core.Arranging;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Drawings;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Tests.Editing;

public sealed class KitchenTests
{
    private static PutKitchen At(double x, double y, KitchenShape shape, double length) =>
        new("k", PlanStart.SchemeId, PlanStart.LevelId, x, y, shape, length);

    private static Item Line(Sample sample, string id = "k") => sample.Plan.Find<Item>(id)!;

    private static double[] Units(Sample sample, string id = "k") => [.. Line(sample, id).Parameters!.List("units")];

    /// <summary>The clear floor before the front of a line, in mm, up to what is next.</summary>
    private static void FrontsLookIntoTheRoom(Sample sample)
    {
        foreach (var item in sample.State.Items)
        {
            var ahead = item.Item.Placement.Out(new Point(0, item.Form.Body.MinY - 500));
            Assert.NotNull(sample.State.Space.RoomAt(ahead));
        }
    }

    [Fact]
    public void A_straight_line_stands_with_its_back_to_the_nearest_wall()
    {
        var sample = new Sample().Room(6000, 4000).Do(At(2000, 3500, KitchenShape.Straight, 3250));
        var line = sample.State.Items.Single();
        var box = line.Bounds;
        Assert.Equal(3250, box.Width, 3);
        Assert.Equal(620, box.Height, 3);
        // The room is 6000 by 4000 clear: its north face.
        Assert.Equal(sample.State.Space.Rooms[0].Outline.Bounds.MaxY, box.MaxY, 3);
        Assert.Equal(3250, Units(sample).Sum(), 6);
        Assert.Contains("filler", Answered(sample, At(2000, 500, KitchenShape.Straight, 3050) with { Id = "m" }).Label);
        Assert.Empty(sample.State.Overlaps);
        FrontsLookIntoTheRoom(sample);
        // With its back on the wall it is told how far it is from the walls either side, and that it touches.
        var around = Core.Planning.Planner.WallsAroundOf(sample.State, "k").ToDictionary(ahead => ahead.Side, ahead => ahead.Distance);
        Assert.Equal(0, around[PlanSide.North], 3);
        Assert.Equal(6000, 3250 + around[PlanSide.West] + around[PlanSide.East], 3);
        Assert.Equal("Kitchen line, 6 units", Schedule.Of(sample.State.Items, sample.Plan).Single().Name);
    }

    private static Change Answered(Sample sample, Edit edit) => sample.Planner.Answer(sample.Plan, edit).Change!;

    /// <summary>The corner unit lies in the corner, whichever end of the wall that is at.</summary>
    [Theory]
    [InlineData(900, true)]
    [InlineData(5000, false)]
    public void Two_lines_meet_in_the_nearest_corner(double x, bool west)
    {
        var sample = new Sample().Room(6000, 5000).Do(At(x, 4800, KitchenShape.Corner, 3000) with { SecondLength = 2400 });
        Assert.Empty(sample.State.Overlaps);
        FrontsLookIntoTheRoom(sample);
        Assert.Equal(3000, Units(sample).Sum(), 6);
        Assert.Equal(2400, Units(sample, "k-2").Sum(), 6);
        var kinds = Line(sample).Parameters!.List("kinds");
        // Looking at the north wall from the room, its west end is to the left.
        Assert.Equal((double)KitchenUnit.Corner, west ? kinds[0] : kinds[^1]);
        var room = sample.State.Space.Rooms[0].Outline.Bounds;
        var (first, second) = (
            sample.State.Items.Single(i => i.Item.Id == "k").Bounds,
            sample.State.Items.Single(i => i.Item.Id == "k-2").Bounds
        );
        Assert.Equal(west ? room.MinX : room.MaxX, west ? first.MinX : first.MaxX, 3);
        Assert.Equal(room.MaxY - 620, second.MaxY, 3);
    }

    [Fact]
    public void Three_lines_fill_a_wall_and_both_beside_it()
    {
        var sample = new Sample()
            .Room(4000, 5000)
            .Do(At(2000, 4900, KitchenShape.ThreeSided, 0) with { SecondLength = 1800, ThirdLength = 2100 });
        Assert.Empty(sample.State.Overlaps);
        FrontsLookIntoTheRoom(sample);
        Assert.Equal(4000, Units(sample).Sum(), 6);
        Assert.Equal(
            ((double)KitchenUnit.Corner, (double)KitchenUnit.Corner),
            (Line(sample).Parameters!.List("kinds")[0], Line(sample).Parameters!.List("kinds")[^1])
        );
        Assert.Equal(3, sample.State.Items.Length);
    }

    /// <summary>An island stands 1550 mm before the line, worked at from there; common practice is 1000 to 1550.</summary>
    [Fact]
    public void An_island_stands_before_the_line_with_the_typed_gap_between()
    {
        var sample = new Sample()
            .Room(6000, 6000)
            .Do(At(3000, 5800, KitchenShape.Straight, 3600) with { IslandGap = 1550, WallUnits = true });
        var (line, island) = (sample.State.Items.Single(i => i.Item.Id == "k"), sample.State.Items.Single(i => i.Item.Id == "k-island"));
        Assert.Equal(1550, Gap.Between(line.Solids[0], island.Solids[0]).Width, 3);
        Assert.Equal(180, Math.Abs(line.Item.Rotation - island.Item.Rotation), 6);
        Assert.Equal(2120, line.Size.Height);
        Assert.Equal(3, island.Form.Seats.Length);
        Assert.Empty(sample.State.Overlaps);
    }

    [Fact]
    public void Two_lines_face_each_other()
    {
        var sample = new Sample().Room(5000, 2600).Do(At(2500, 2500, KitchenShape.Facing, 3000));
        Assert.Empty(sample.State.Overlaps);
        FrontsLookIntoTheRoom(sample);
        var (a, b) = (sample.State.Items[0], sample.State.Items[1]);
        Assert.Equal(2600 - 2 * 620, Gap.Between(a.Solids[0], b.Solids[0]).Width, 3);
    }

    /// <summary>Along a wall at any angle, to its typed length and not a hundredth more.</summary>
    [Fact]
    public void A_line_follows_its_wall_at_every_five_degrees()
    {
        for (var turn = 5; turn < 90; turn += 5)
        {
            var sample = new Sample();
            Point At_(double x, double y) => new Placement(20_000, 20_000, turn).Out(new Point(x, y));
            Point[] corners = [At_(0, 0), At_(6000, 0), At_(6000, 4000), At_(0, 4000)];
            sample.Do(
                new DrawBoundary("b", PlanStart.LevelId, corners[0], [.. corners[1..].Select(corner => new ChainSide(corner))], true)
            );
            var press = At_(2000, 300);
            sample.Do(At(press.X, press.Y, KitchenShape.Corner, 2800) with { SecondLength = 2000 });
            Assert.Empty(sample.State.Overlaps);
            FrontsLookIntoTheRoom(sample);
            Assert.Equal(2800, Units(sample).Sum(), 0.01);
        }
    }

    [Fact]
    public void What_does_not_go_in_is_told_by_how_much_does()
    {
        var sample = new Sample().Room(3000, 4000);
        var refused = sample.Refused(At(1500, 3900, KitchenShape.Straight, 3400));
        Assert.Equal(("length", 3000.0), (refused.Field, refused.Likely));
        Assert.Equal("secondLength", sample.Refused(At(300, 3900, KitchenShape.Corner, 2400) with { SecondLength = 3600 }).Field);
        Assert.Equal("x", sample.Refused(At(30_000, 0, KitchenShape.Straight, 2400)).Field);
        Assert.Equal("length", sample.Refused(At(1500, 3900, KitchenShape.Straight, double.NaN)).Field);
        Assert.Equal("islandGap", sample.Refused(At(1500, 3900, KitchenShape.Straight, 2400) with { IslandGap = 50 }).Field);
    }

    [Fact]
    public void A_unit_is_swapped_and_widened_and_the_line_keeps_its_length()
    {
        var sample = new Sample().Room(6000, 4000).Do(At(2000, 3500, KitchenShape.Straight, 3700));
        Assert.Equal([600, 600, 600, 600, 600, 600, 100], Units(sample));
        sample.Do(new SetKitchenUnit("k", 2, Width: 1000));
        Assert.Equal([600, 1000, 600, 600, 600, 300], Units(sample));
        Assert.Equal(3700, Units(sample).Sum(), 6);
        sample.Do(new SetKitchenUnit("k", 4, KitchenUnit.Washer));
        Assert.Equal((double)KitchenUnit.Washer, Line(sample).Parameters!.List("kinds")[3]);
        Assert.Contains("does not go in", sample.Refused(new SetKitchenUnit("k", 1, Width: 2000)).Message);
        Assert.Equal("unit", sample.Refused(new SetKitchenUnit("k", 12, KitchenUnit.Sink)).Field);
        Assert.Equal("width", sample.Refused(new SetKitchenUnit("k", 1, Width: 5)).Field);
        // The whole line made longer keeps what its units hold.
        sample.Do(new ResizeItem("k", 4300, 620, 2120));
        Assert.Equal(4300, Units(sample).Sum(), 6);
        Assert.Contains((double)KitchenUnit.Washer, Line(sample).Parameters!.List("kinds"));
    }
}
