using Wellsedes.Core.Arranging;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Tests.Arranging;

/// <summary>Clear distances to the walls either side: told, typed, and told again.</summary>
public sealed class WallsAroundTests
{
    private const string L = PlanStart.LevelId;

    /// <summary>A room of 6 000 x 4 000 with a cupboard of 1 400 x 800, its middle at (2 000, 1 000).</summary>
    private static Sample WithCupboard() =>
        new Sample()
            .Room(6000, 4000)
            .Place("cupboard", "cupboard-1000", 2000, 1000)
            .Do(new ResizeItem("cupboard", 1400, 800, 900) { Sure = true });

    private static Dictionary<PlanSide, double> Told(Sample sample, string id) =>
        Planner.WallsAroundOf(sample.State, id).ToDictionary(ahead => ahead.Side, ahead => Math.Round(ahead.Distance, 6));

    [Fact]
    public void All_four_sides_are_told()
    {
        var told = Told(WithCupboard(), "cupboard");
        Assert.Equal(1300, told[PlanSide.West]);
        Assert.Equal(6000 - 2700, told[PlanSide.East]);
        Assert.Equal(600, told[PlanSide.South]);
        Assert.Equal(4000 - 1400, told[PlanSide.North]);
    }

    [Theory]
    [InlineData(PlanSide.West, 450)]
    [InlineData(PlanSide.East, 0)]
    [InlineData(PlanSide.South, 1234.5)]
    [InlineData(PlanSide.North, 900)]
    public void What_is_typed_is_told_and_moves_it_no_other_way(PlanSide side, double distance)
    {
        var sample = WithCupboard();
        var before = Told(sample, "cupboard");
        sample.Do(new PutFromWall("cupboard", side, distance));
        var told = Told(sample, "cupboard");
        Assert.Equal(distance, told[side], 6);
        var across = side is PlanSide.West or PlanSide.East ? PlanSide.South : PlanSide.West;
        Assert.Equal(before[across], told[across]);
    }

    [Fact]
    public void In_a_room_that_stands_askew_they_are_square_to_its_walls()
    {
        for (var turn = 5; turn < 90; turn += 5)
        {
            var sample = new Sample();
            var (along, left) = (Point.At(turn), Point.At(turn).Left());
            Point At(double x, double y) => along * x + left * y;
            sample.Do(
                new DrawWalls(
                    "hall",
                    L,
                    At(0, 0),
                    [new ChainSide(At(6000, 0)), new ChainSide(At(6000, 4000)), new ChainSide(At(0, 4000))],
                    true,
                    "Stud 100",
                    WallLine.InsideFace
                )
            );
            var at = At(2000, 1000);
            sample.Place("cupboard", "cupboard-1000", at.X, at.Y, turn);
            sample.Do(new ResizeItem("cupboard", 1400, 800, 900) { Sure = true });
            double[] expected = [600, 1300, 2600, 3300];
            var told = Told(sample, "cupboard");
            Assert.Equal(expected, told.Values.Order().Select(d => Math.Round(d, 3)));
            foreach (var side in Enum.GetValues<PlanSide>())
            {
                sample.Do(new PutFromWall("cupboard", side, 777));
                Assert.Equal(777, Told(sample, "cupboard")[side], 3);
            }
        }
    }

    [Fact]
    public void A_plant_goes_along_with_the_cupboard_it_stands_on()
    {
        var sample = WithCupboard();
        sample.Place("plant", "plant-600", 2300, 1000).Do(new RaiseItem("plant", 0, "cupboard"));
        sample.Do(new PutFromWall("cupboard", PlanSide.West, 300));
        Assert.Equal(1300, sample.Plan.Find<Item>("plant")!.X, 6);
        sample.Do(new PutItemAt("cupboard", 1000, 2000, 90));
        var plant = sample.Plan.Find<Item>("plant")!;
        Assert.Equal((1000, 2300, 90), (Math.Round(plant.X, 6), Math.Round(plant.Y, 6), plant.Rotation));
    }

    [Fact]
    public void What_stands_in_a_wall_is_told_how_deep_and_can_be_put_right()
    {
        var sample = WithCupboard().Do(new PutItemAt("cupboard", 680, 1000, 0));
        Assert.Equal(-20, Told(sample, "cupboard")[PlanSide.West]);
        sample.Do(new PutFromWall("cupboard", PlanSide.West, 50));
        Assert.Equal(50, Told(sample, "cupboard")[PlanSide.West]);
    }

    [Fact]
    public void Where_no_wall_is_there_is_no_distance()
    {
        var sample = new Sample().Do(new DrawWalls("w", L, new Point(0, 0), [new ChainSide(new Point(5000, 0))], false, "Stud 100"));
        sample.Place("cupboard", "cupboard-1000", 2500, 2000, 0);
        Assert.Equal([PlanSide.South], Told(sample, "cupboard").Keys);
        Assert.Contains("no wall to the north", sample.Refused(new PutFromWall("cupboard", PlanSide.North, 900)).Message);
        Assert.Contains("0 or more", sample.Refused(new PutFromWall("cupboard", PlanSide.South, -1)).Message);
        Assert.Contains(
            "locked",
            sample.Do(new LockThings(["cupboard"], true)).Refused(new PutFromWall("cupboard", PlanSide.South, 5)).Message
        );
    }

    [Fact]
    public void In_feet_a_typed_distance_stays_what_was_typed()
    {
        var sample = WithCupboard().Do(new SetDetails("Feet", UnitSystem.FeetInches, 0));
        sample.Do(new PutFromWall("cupboard", PlanSide.West, 2.5 * 304.8));
        Assert.Equal("2' 6\"", LengthText.Write(Told(sample, "cupboard")[PlanSide.West], UnitSystem.FeetInches));
    }
}
