using Wellsedes.Core.Arranging;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Tests.Arranging;

public sealed class FittingTests
{
    /// <summary>A room of 1800 clear between its long walls.</summary>
    private static Sample Niche() => new Sample().Room(1800, 6000);

    [Fact]
    public void What_fits_says_nothing()
    {
        var sample = new Sample().Room().Place("s", "sofa-two", 4000, 3000);
        Assert.Equal(("", null), Planner.FitOf(sample.State, "s"));
        Assert.Equal(("", null), Planner.FitOf(sample.State, "gone"));
    }

    [Fact]
    public void A_sofa_in_a_narrow_room_is_told_by_how_much_it_is_too_wide()
    {
        var sample = Niche().Place("s", "sofa-three", 900, 3000);
        var (unfit, move) = Planner.FitOf(sample.State, "s");
        Assert.StartsWith("Does not fit: 300 mm too wide (free: 1\u00a0800 mm).", unfit, StringComparison.Ordinal);
        Assert.Contains("No place was found", unfit);
        Assert.Null(move);
        // Turned, it does.
        sample.Do(new RotateItems(["s"], 90));
        Assert.Equal("", Planner.FitOf(sample.State, "s").Unfit);
    }

    [Fact]
    public void The_nearest_place_is_one_where_it_fits()
    {
        var sample = new Sample().Room(9000, 6000).Place("c", "cupboard-1000", 4000, 3000).Place("s", "sofa-three", 4300, 3200);
        var (unfit, move) = Planner.FitOf(sample.State, "s");
        Assert.Contains("Cupboard 1000", unfit);
        Assert.Contains("The nearest place is", unfit);
        var item = sample.Plan.Find<Item>("s")!;
        sample.Do(new MoveItems(["s"], move!.Value.X, move.Value.Y));
        Assert.Empty(sample.State.Overlaps);
        // No nearer place along the sides of either: half of it would still stand in the other.
        Assert.True(move.Value.Length <= 475, $"{move.Value.Length} from {item.X}");
    }

    /// <summary>Fifty seeded muddles at odd turns: wherever a place is told, the thing fits there.</summary>
    [Fact]
    public void Every_place_that_is_told_has_been_tried()
    {
        var random = new Random(11);
        var told = 0;
        for (var round = 0; round < 50; round++)
        {
            var sample = new Sample().Room(10_000, 8000);
            for (var i = 0; i < 12; i++)
                sample.Place(
                    $"i{i}",
                    i % 2 == 0 ? "round-table-1525" : "cupboard-1000",
                    1000 + random.NextDouble() * 8000,
                    1000 + random.NextDouble() * 6000,
                    random.Next(72) * 5
                );
            sample.Place("s", "sofa-corner", 2000 + random.NextDouble() * 6000, 2000 + random.NextDouble() * 4000, random.Next(72) * 5);
            if (Planner.FitOf(sample.State, "s").Move is not { } move)
                continue;
            told++;
            sample.Do(new MoveItems(["s"], move.X, move.Y));
            Assert.DoesNotContain(sample.State.Overlaps, overlap => overlap.ItemId == "s" || overlap.OtherId == "s");
        }
        Assert.True(told >= 25, $"{told} of 50 found a place");
    }

    [Fact]
    public void In_feet_it_is_said_in_feet()
    {
        var sample = Niche();
        sample.Do(new SetDetails("Feet", Core.Units.UnitSystem.FeetInches, 0));
        sample.Place("s", "sofa-84", 900, 3000);
        Assert.StartsWith(
            "Does not fit: 1' 1 1/8\" too wide (free: 5' 10 7/8\").",
            Planner.FitOf(sample.State, "s").Unfit,
            StringComparison.Ordinal
        );
    }
}
