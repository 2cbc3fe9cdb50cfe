using CsCheck;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Tests.Geometry;

/// <summary>The index against looking at everything.</summary>
public sealed class SpatialIndexTests
{
    private static readonly Gen<Bounds> Box = Gen.Select(
        Gen.Double[-1e6, 1e6],
        Gen.Double[-1e6, 1e6],
        Gen.Double[0, 1e5],
        Gen.Double[0, 1e5],
        (x, y, w, h) => new Bounds(x, y, x + w, y + h)
    );

    [Fact]
    public void It_finds_what_looking_at_everything_finds_in_the_order_given() =>
        Gen.Select(Box.Array[0, 300], Box)
            .Sample(
                (boxes, asked) =>
                {
                    var index = new SpatialIndex<int>([.. Enumerable.Range(0, boxes.Length)], i => boxes[i]);
                    Assert.Equal(Enumerable.Range(0, boxes.Length).Where(i => boxes[i].Meets(asked)), index.Meeting(asked));
                },
                iter: 300
            );

    [Fact]
    public void Nearest_come_nearest_first_and_none_is_left_out() =>
        Gen.Select(Box.Array[1, 200], Box)
            .Sample(
                (boxes, asked) =>
                {
                    var index = new SpatialIndex<int>([.. Enumerable.Range(0, boxes.Length)], i => boxes[i]);
                    var found = index.Nearest(asked).ToArray();
                    Assert.Equal(boxes.Length, found.Select(f => f.Thing).Distinct().Count());
                    Assert.Equal(boxes.Select(box => box.DistanceTo(asked)).Order(), found.Select(f => f.BoxDistance));
                },
                iter: 200
            );

    [Fact]
    public void The_least_distance_is_that_of_looking_at_everything_no_more_than_the_bound() =>
        Gen.Select(Box.Array[0, 200], Gen.Double[-1e6, 1e6], Gen.Double[-1e6, 1e6], Gen.Double[0, 1e6])
            .Sample(
                (boxes, x, y, bound) =>
                {
                    var index = new SpatialIndex<int>([.. Enumerable.Range(0, boxes.Length)], i => boxes[i]);
                    var least = index.LeastDistance(new Point(x, y), (i, at) => boxes[i].DistanceTo(at), bound);
                    Assert.Equal(boxes.Select(box => box.DistanceTo(Bounds.Around([new Point(x, y)]))).Append(bound).Min(), least);
                },
                iter: 300
            );

    [Fact]
    public void A_visitor_that_has_seen_enough_sees_no_more()
    {
        var index = new SpatialIndex<int>([.. Enumerable.Range(0, 1000)], _ => new Bounds(0, 0, 1, 1));
        var seen = 0;
        index.Meeting(new Bounds(0, 0, 1, 1), _ => ++seen < 5);
        Assert.Equal(5, seen);
    }
}
