using Wellsedes.Core.Editing;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Tests.Editing;

/// <summary>Rooms keep their names when walls move, also past the point at which a name stands.</summary>
public sealed class RoomNameTests
{
    private const string L = PlanStart.LevelId;

    private static string[] FromTheWest(Sample sample) =>
        [.. sample.State.Space.Rooms.OrderBy(room => room.Outline.Bounds.MinX).Select(room => room.Named ? room.Room.Name : "–")];

    private static Sample InARow(double[] partitions, string[] names)
    {
        var sample = new Sample().Room(12_000, 5000);
        for (var i = 0; i < partitions.Length; i++)
            sample.Do(new DrawWalls($"p{i}", L, new(partitions[i], 0), [new(new(partitions[i], 5000))], false, "Stud 100"));
        double[] ends = [0, .. partitions, 12_000];
        // The whole room's own name stands in one of them already.
        for (var i = 0; i < names.Length; i++)
        {
            var at = (ends[i] + ends[i + 1]) / 2;
            var id = sample.State.Space.RoomAt(new(at, 2500)) is { Named: true } found ? found.Room.Id : $"n{i}";
            sample.Do(new NameRoom(id, names[i], "", "", null, L, at, 2500));
        }
        return sample;
    }

    [Theory]
    [InlineData(6000, 1500)]
    [InlineData(6000, 10_500)]
    [InlineData(1600, 10_400)]
    [InlineData(3000, 2930)]
    public void A_partition_moved_past_a_name_leaves_each_room_its_own(double from, double to)
    {
        var sample = InARow([from], ["Store", "Small"]);
        Assert.Equal(["Store", "Small"], FromTheWest(sample));
        sample.Do(new MoveWall("p0-1", to - from, 0));
        Assert.Equal(["Store", "Small"], FromTheWest(sample));
        Assert.Empty(sample.State.Space.Floor.Unenclosed);
    }

    [Fact]
    public void However_partitions_move_names_stay_in_their_order_and_none_is_lost()
    {
        var random = new Random(11);
        string[] names = ["A", "B", "C", "D"];
        var sample = InARow([3000, 6000, 9000], names);
        double[] at = [3000, 6000, 9000];
        for (var step = 0; step < 60; step++)
        {
            var i = random.Next(3);
            var (low, high) = ((i == 0 ? 0 : at[i - 1]) + 700, (i == 2 ? 12_000 : at[i + 1]) - 700);
            var to = Math.Round(low + random.NextDouble() * (high - low));
            if (Math.Abs(to - at[i]) < 1)
                continue;
            sample.Do(new MoveWall($"p{i}-1", to - at[i], 0));
            at[i] = to;
            Assert.Equal(names, FromTheWest(sample));
            Assert.Empty(sample.State.Space.Floor.Unenclosed);
        }
    }

    [Fact]
    public void The_greatest_total_is_given_and_not_the_greatest_first()
    {
        Assert.Equal(
            [1, 0],
            Assignment.Greatest(
                new double[,]
                {
                    { 10, 9 },
                    { 8, 1 },
                }
            )
        );
        Assert.Equal(
            [0, -1],
            Assignment.Greatest(
                new double[,]
                {
                    { 5 },
                    { 4 },
                }
            )
        );
        Assert.Equal(
            [-1],
            Assignment.Greatest(
                new double[,]
                {
                    { 0, 0 },
                }
            )
        );
        var random = new Random(4);
        for (var round = 0; round < 200; round++)
        {
            var weights = new double[4, 5];
            for (var i = 0; i < 4; i++)
            for (var j = 0; j < 5; j++)
                weights[i, j] = random.Next(3) == 0 ? 0 : random.Next(1, 50);
            var given = Assignment.Greatest(weights);
            Assert.Equal(given.Where(j => j >= 0).Distinct().Count(), given.Count(j => j >= 0));
            Assert.Equal(Tried(weights, 0, 0), given.Select((j, i) => j < 0 ? 0 : weights[i, j]).Sum(), 9);
        }
    }

    /// <summary>Every way of giving, tried.</summary>
    private static double Tried(double[,] weights, int row, int taken)
    {
        if (row == weights.GetLength(0))
            return 0;
        var best = Tried(weights, row + 1, taken);
        for (var j = 0; j < weights.GetLength(1); j++)
            if ((taken & (1 << j)) == 0)
                best = Math.Max(best, weights[row, j] + Tried(weights, row + 1, taken | (1 << j)));
        return best;
    }
}
