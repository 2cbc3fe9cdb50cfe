using Wellsedes.Core.Arranging;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.KindsOfThing.Columns;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Tests.Arranging;

/// <summary>Clear distances of one thing and of many, held against measuring every pair.</summary>
public sealed class NearestTests
{
    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    public void Distances_of_a_group_are_those_of_every_pair_measured(int seed)
    {
        var random = new Random(seed);
        var sample = new Sample().Room(30_000, 20_000);
        for (var i = 0; i < 60; i++)
            sample.Place($"stool-{i}", "ottoman", 1000 + random.Next(28_000), 1000 + random.Next(18_000), random.Next(360));
        foreach (var count in (int[])[1, 5, 25])
        {
            var ids = Enumerable.Range(0, count).Select(i => $"stool-{i}").ToHashSet();
            var told = sample.Planner.NearTo(sample.State, ids);
            var moving = sample.State.Items.Where(item => ids.Contains(item.Item.Id)).SelectMany(item => item.Standing).ToArray();
            var every = sample
                .State.Items.Where(item => !ids.Contains(item.Item.Id))
                .Select(item => item.Standing.Min(theirs => moving.Min(mine => Gap.Between(mine, theirs).Width)))
                .Where(width => width > Tolerance.Length && width < Nearest.Reach)
                .Order()
                .Take(3)
                .ToArray();
            var others = told.Where(near => near.OtherId.StartsWith("stool", StringComparison.Ordinal)).Select(near => near.Width).Order();
            Assert.Equal(every, others, (a, b) => Math.Abs(a - b) < 1e-9);
            Assert.All(told, near => Assert.Equal(near.Width, near.From.DistanceTo(near.To), 1e-6));
        }
    }

    [Fact]
    public void Of_a_fixed_thing_the_nearest_walls_are_told_and_no_items()
    {
        var sample = new Sample().Room(8000, 6000).Place("stool", "ottoman", 2500, 2000);
        sample.Do(new PutThing(new Column("c", PlanStart.LevelId, 1500, 2000, 0, 400, 400, false)));
        var told = sample.Planner.NearTo(sample.State, new HashSet<string> { "c" });
        Assert.Equal([1300, 1800], told.Select(near => Math.Round(near.Width)));
        Assert.Equal(["room-west", "room-south"], told.Select(near => near.OtherId));
    }
}
