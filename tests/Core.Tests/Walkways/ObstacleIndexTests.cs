using Wellsedes.Core.Geometry;
using Wellsedes.Core.Walkways;

namespace Wellsedes.Core.Tests.Walkways;

/// <summary>The index of obstacles and their numbers, held against plain lists while things come, go and come back.</summary>
public sealed class ObstacleIndexTests
{
    private static Obstacle Made(Random random, int number) =>
        new(
            $"thing-{number}",
            "Thing",
            "body",
            Convex.Rectangle(new(random.Next(20_000), random.Next(15_000)), 100 + random.Next(900), 100 + random.Next(900))
        );

    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    public void After_changes_it_answers_as_a_list_does(int seed)
    {
        var random = new Random(seed);
        List<Obstacle> here = [.. Enumerable.Range(0, 400).Select(i => Made(random, i))];
        List<Obstacle> away = [];
        var index = new ObstacleIndex(here);
        var numbers = ObstacleNumbers.None.With([], here.Select((one, i) => (one, i)).ToDictionary(x => x.one, x => x.i));
        var given = here.Select((one, i) => (one, i)).ToDictionary(x => x.one, x => x.i);
        for (var step = 0; step < 60; step++)
        {
            Obstacle[] gone = [.. here.OrderBy(_ => random.Next()).Take(random.Next(step % 10 == 0 ? 120 : 8))];
            List<Obstacle> come = [.. Enumerable.Range(0, random.Next(6)).Select(i => Made(random, 1000 * (step + 1) + i))];
            come.AddRange(away.OrderBy(_ => random.Next()).Take(random.Next(4)));
            here = [.. here.Except(gone), .. come];
            away = [.. away.Except(come), .. gone];
            index = index.With(gone, come);
            var fresh = come.Select((one, i) => (one, i)).ToDictionary(x => x.one, x => 10_000 + 100 * step + x.i);
            numbers = numbers.With(gone, fresh);
            foreach (var (one, number) in fresh)
                given[one] = number;

            Assert.Equal(here.Count, index.Count);
            Assert.Equal(here.ToHashSet(), index.All.ToHashSet());
            Assert.All(here, one => Assert.Equal(given[one], numbers.Of(one)));
            Assert.All(away, one => Assert.Null(numbers.Of(one)));
            for (var i = 0; i < 10; i++)
            {
                var at = new Point(random.Next(-2000, 22_000), random.Next(-2000, 17_000));
                var box = Bounds.At(at).Grown(random.Next(4000));
                Assert.Equal(here.Where(one => one.Grown.Bounds.Meets(box)).ToHashSet(), index.Meeting(box).ToHashSet());
                Assert.Equal(here.Min(one => one.Grown.DistanceTo(at)), index.LeastDistance(at, (one, p) => one.Grown.DistanceTo(p)), 9);
                var distances = index.Nearest(Bounds.At(at)).Select(near => near.BoxDistance).ToArray();
                Assert.Equal(here.Count, distances.Length);
                Assert.Equal(distances.Order(), distances);
            }
        }
    }
}
