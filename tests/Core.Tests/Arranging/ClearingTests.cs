using Wellsedes.Core.Arranging;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Findings;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Tests.Arranging;

/// <summary>A move that is said to clear an overlap does, whatever overlaps and however it is turned.</summary>
public sealed class ClearingTests
{
    private static readonly string[] Kinds =
    [
        "round-table-1525",
        "desk-1400",
        "corner-desk-1600",
        "banquet-chair",
        "plant-600",
        "bar-1800",
    ];

    [Fact]
    public void What_is_said_to_clear_does_and_nearly_all_of_it_can_be_said()
    {
        var random = new Random(5);
        var (told, pairs) = (0, 0);
        for (var round = 0; round < 250; round++)
        {
            var sample = new Sample().Room(9000, 8000).Door();
            sample.Place("a", Kinds[random.Next(Kinds.Length)], 4500, 4000, 5 * random.Next(72));
            sample.Place(
                "b",
                Kinds[random.Next(Kinds.Length)],
                4500 + 1400 * (random.NextDouble() - 0.5),
                4000 + 1400 * (random.NextDouble() - 0.5),
                5 * random.Next(72)
            );
            foreach (var overlap in sample.State.Overlaps)
            {
                pairs++;
                if (Clearing.Of(sample.State.Space, sample.State.Items, overlap) is not { } move)
                    continue;
                told++;
                Assert.Equal(Math.Round(move.By.Length), move.By.Length, 6);
                sample.Do(new MoveItems([overlap.ItemId], move.By.X, move.By.Y));
                Assert.DoesNotContain(sample.State.Overlaps, one => one.ItemId == overlap.ItemId || one.OtherId == overlap.ItemId);
                break;
            }
        }
        Assert.True(pairs > 150, $"{pairs}");
        Assert.True(told > 0.95 * pairs, $"{told} of {pairs}");
    }

    [Fact]
    public void What_stands_in_a_wall_is_moved_off_it_square_and_by_what_it_takes()
    {
        // 600 across, its middle 200 from the wall's inner face: 100 stand in it.
        var sample = new Sample().Room(6000, 5000).Door().Place("d", "plant-600", 3000, 200);
        var finding = Assert.Single(sample.State.Findings, f => f.Kind == FindingKind.Overlap);
        Assert.Equal("Move Plant in a pot 100 up on the plan to clear.", finding.Why);
    }

    [Fact]
    public void Where_no_short_move_clears_none_is_said()
    {
        // A room in which the desk finds no place at all, turned as it is.
        var sample = new Sample().Room(1300, 1300).Place("d", "desk-1400", 650, 650, 5);
        Assert.All(
            sample.State.Findings.Where(f => f.Kind == FindingKind.Overlap),
            finding => Assert.Contains("No short move clears it", finding.Why)
        );
        Assert.NotEmpty(sample.State.Overlaps);
    }
}
