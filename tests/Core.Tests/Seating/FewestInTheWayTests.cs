using Wellsedes.Core.Geometry;
using Wellsedes.Core.Seating;

namespace Wellsedes.Core.Tests.Seating;

/// <summary>Of things in a way the fewest are found, however long the way round the others is.</summary>
public sealed class FewestInTheWayTests
{
    private static readonly Bounds Box = new(0, 0, 20_000, 20_000);

    /// <summary>A belt of things round about the middle, three deep but on one side, where it is as deep as told.</summary>
    private static SpatialIndex<(string Id, Convex Shape)> Belt(int deep)
    {
        List<(string, Convex)> things = [];
        for (var ring = 0; ring < 3; ring++)
        for (var i = 0; i < 30; i++)
            if (ring < deep || i is < 5 or > 10)
                things.Add(($"{ring}-{i}", Convex.Disc(new Point(10_000, 10_000) + Point.At(i * 12) * (5000 + 1100 * ring), 500)));
        return new(things, thing => thing.Item2.Bounds);
    }

    [Theory]
    [InlineData(1, 2)]
    [InlineData(2, 4)]
    public void The_thin_side_of_a_belt_is_crossed(int deep, int most)
    {
        var gone = new FewestInTheWay(Box, (_, bound) => bound, Belt(deep), 600).To(new Point(10_000, 10_000));
        // A way of 600 between discs that all but touch meets one or two of each ring.
        Assert.InRange(gone.Count, deep, most);
        Assert.All(gone, id => Assert.InRange(int.Parse(id.Split('-')[1]), 4, 11));
    }

    [Fact]
    public void What_stays_is_gone_round_and_what_is_shut_off_has_no_way()
    {
        var things = Belt(1);
        // A wall across the thin side: the way leads through it no more.
        var wall = Convex.Capsule(new Point(4000, 16_500), new Point(16_000, 16_500), 100);
        var gone = new FewestInTheWay(Box, (p, bound) => Math.Min(bound, wall.DistanceTo(p)), things, 600).To(new Point(10_000, 10_000));
        Assert.NotEmpty(gone);
        Convex[] ring = [.. Enumerable.Range(0, 36).Select(i => Convex.Capsule(At(i), At(i + 1), 50))];
        var shut = new FewestInTheWay(Box, (p, bound) => Math.Min(bound, ring.Min(side => side.DistanceTo(p))), things, 600);
        Assert.Empty(shut.To(new Point(10_000, 10_000)));

        static Point At(int i) => new Point(10_000, 10_000) + Point.At(i * 10) * 3000;
    }

    [Fact]
    public void Nothing_in_the_way_is_nothing_to_leave_out() =>
        Assert.Empty(new FewestInTheWay(Box, (_, bound) => bound, new([], _ => default), 1200).To(new Point(10_000, 10_000)));
}
