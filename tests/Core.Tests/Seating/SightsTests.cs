using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.KindsOfThing.SeatingBlocks;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Seating;

namespace Wellsedes.Core.Tests.Seating;

/// <summary>What may be looked at from a room, and in which direction: rows stay along the walls where it lies nearly before one.</summary>
public sealed class SightsTests
{
    private const string L = PlanStart.LevelId;
    private const string S = PlanStart.SchemeId;

    private static Sight[] Of(Sample sample, string room = "room") =>
        [
            .. sample.Planner.SightsOf(
                sample.Plan,
                new PutOverRooms(((SeatingBlock)SeatingBlock.Kind.Make("block", L, S, default)).As(SeatingStyle.Rows), [room])
            ),
        ];

    [Fact]
    public void From_an_empty_hall_there_is_nothing_but_its_walls() => Assert.Empty(Of(new Sample().Room(20_000, 12_000).Door()));

    /// <summary>A stage nearly 30° off the axis is looked at square to its wall; at 45° in a corner people look straight there.</summary>
    [Theory]
    [InlineData(13_000, 11_300, 90)]
    [InlineData(7000, 700, 270)]
    [InlineData(19_300, 6000, 0)]
    [InlineData(700, 4000, 180)]
    [InlineData(15_000, 11_000, 45)]
    public void A_stage_is_looked_at_square_to_its_wall(double x, double y, double facing)
    {
        var sample = new Sample().Room(20_000, 12_000).Door();
        sample.Place("deck", "stage-deck-2x1", x, y);
        var stage = Assert.Single(Of(sample));
        Assert.Equal(("the stage", facing), (stage.Name, stage.Facing));
    }

    [Fact]
    public void Decks_beside_each_other_are_one_stage()
    {
        var sample = new Sample().Room(20_000, 12_000).Door();
        for (var i = 0; i < 4; i++)
            sample.Place($"deck-{i}", "stage-deck-2x1", 6000 + 2000 * i, 11_400);
        Assert.Equal(new Sight("the stage", 90), Assert.Single(Of(sample)));
    }

    [Fact]
    public void Lecterns_and_screens_of_the_room_are_told_by_their_names_and_those_beside_it_are_not()
    {
        var sample = new Sample().Room(20_000, 12_000).Door().Place("l", "lectern", 10_000, 11_000).Place("far", "lectern", 30_000, 6000);
        sample.Place("s", "projection-screen-3", 1000, 6000).Place("desk", "desk-screen-1600", 10_000, 1000);
        sample.Do(new LabelItem("l", "7"));
        Assert.Equal([("Lectern 7", 90.0), ("Projection screen 3 m", 180.0)], Of(sample).Select(one => (one.Name, one.Facing)).Order());
    }

    /// <summary>A side that falls by 30° to the left is looked at square to it: at 120°.</summary>
    [Fact]
    public void A_wall_askew_is_looked_at_square_to_it()
    {
        var sample = new Sample().Room(20_000, 14_000).Door();
        var fall = 6000 * Math.Tan(Math.PI / 6);
        Point[] ring = [new(1000, 1000), new(13_000, 1000), new(13_000, 12_000), new(7000, 12_000), new(1000, 12_000 - fall)];
        var block = ((SeatingBlock)SeatingBlock.Kind.Make("block", L, S, default)).As(SeatingStyle.Rows) with
        {
            Shape = new ZoneShape(
                [
                    [.. ring],
                ],
                []
            ),
        };
        var wall = Assert.Single(sample.Planner.SightsOf(sample.Plan, new PutThing(block)));
        Assert.Equal(("the wall of 6\u00a0928 mm", 120.0), (wall.Name, wall.Facing));
    }

    private static SeatingBlock BlockOf(Sample sample) => sample.Plan.Find<SeatingBlock>("block")!;

    private static Sample Hall(SeatingStyle style)
    {
        var sample = new Sample().Room(20_000, 12_000).Door();
        return sample.Do(new PutOverRooms(((SeatingBlock)SeatingBlock.Kind.Make("block", L, S, default)).As(style), ["room"]));
    }

    /// <summary>Straight to where somebody presses; within 2° square to a wall is meant. From the middle of the hall, 10 000 and 6 000.</summary>
    [Theory]
    [InlineData(16_000, 12_000, 45)]
    [InlineData(10_200, 11_900, 90)]
    [InlineData(10_250, 12_000, 87.6)]
    [InlineData(1000, 6000, 180)]
    [InlineData(10_000, -90_000, 270)]
    public void A_block_looks_to_a_point_that_is_pressed(double x, double y, double facing)
    {
        var sample = Hall(SeatingStyle.Rows);
        sample.Do(new LookAt("block", x, y));
        Assert.Equal(facing, BlockOf(sample).Facing);
        // Every chair looks the same way; their fronts are their own -y.
        var chairs = sample.Plan.OfScheme<Item>(S).Where(item => item.Parent == "block" && item.Catalogue.Contains("chair")).ToList();
        Assert.NotEmpty(chairs);
        Assert.All(chairs, chair => Assert.True(Angles.Apart(chair.Rotation, Angles.Looking(Point.At(facing))) < 1e-6));
    }

    /// <summary>The hall's front is 6 000 before its middle: a point 9 500 before it is 3 500 before the front, and each chair looks to it.</summary>
    [Fact]
    public void Curved_rows_curve_about_the_point()
    {
        var sample = Hall(SeatingStyle.CurvedRows);
        sample.Do(new LookAt("block", 10_000, 15_500));
        Assert.Equal((90.0, 3500.0), (BlockOf(sample).Facing, BlockOf(sample).Focus));
        var at = new Point(10_000, 15_500);
        var chairs = sample.Plan.OfScheme<Item>(S).Where(item => item.Parent == "block" && item.Catalogue.Contains("chair")).ToList();
        Assert.True(chairs.Count > 100);
        Assert.All(
            chairs,
            chair => Assert.True(Angles.Apart(chair.Rotation, Angles.Looking(at - chair.Placement.Origin)) < 0.01, $"{chair.Label}")
        );
        // One before the back of the floor: they cannot curve about it, and curve as tightly as they may.
        sample.Do(new LookAt("block", 10_000, 8000));
        Assert.Equal((90.0, 0.0), (BlockOf(sample).Facing, BlockOf(sample).Focus));
        // Nor about one that is farther than rows are curved for.
        sample.Do(new LookAt("block", 10_000, 90_000));
        Assert.Equal(SeatsAsked.MostGap, BlockOf(sample).Focus);
    }

    [Fact]
    public void What_cannot_be_looked_at_is_told()
    {
        var sample = Hall(SeatingStyle.Rows);
        Assert.Contains("the middle of the area", sample.Planner.Answer(sample.Plan, new LookAt("block", 10_100, 6000)).Problem!.Message);
        Assert.Contains("no longer there", sample.Planner.Answer(sample.Plan, new LookAt("none", 0, 0)).Problem!.Message);
        Assert.NotNull(sample.Planner.Answer(sample.Plan, new LookAt("block", double.NaN, 0)).Problem);
    }

    /// <summary>Before a block is there its candidates look where it would; what is free of a room has a middle of its own.</summary>
    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public void Candidates_look_where_the_block_then_does(bool onlyFree)
    {
        var sample = new Sample().Room(20_000, 12_000).Door();
        sample.Place("buffet", "buffet-1830", 18_500, 6000);
        var block = ((SeatingBlock)SeatingBlock.Kind.Make("block", L, S, default)).As(SeatingStyle.CurvedRows);
        var at = new Point(15_000, 13_000);
        var edit = sample.Planner.LookingTo(sample.Plan, new PutOverRooms(block, ["room"], onlyFree), at, out var problem);
        Assert.Null(problem);
        var candidate = sample.Planner.Candidates(sample.Plan, edit, judged: false, out _).First();
        sample.Do(candidate.Edit);
        var (facing, focus) = (BlockOf(sample).Facing, BlockOf(sample).Focus);
        Assert.NotEqual(90, facing);
        sample.Do(new LookAt("block", at.X, at.Y));
        Assert.Equal((facing, focus), (BlockOf(sample).Facing, BlockOf(sample).Focus));
        sample.Planner.LookingTo(sample.Plan, new PutThing(BlockOf(sample)), BlockOf(sample).Areas().Single().Centroid, out problem);
        Assert.Equal(Sights.TooNear, problem);
    }
}
