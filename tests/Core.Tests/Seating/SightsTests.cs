using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Seating;
using Wellsedes.Core.Things.SeatingBlocks;

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
}
