using NetTopologySuite.Geometries;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Walkways;
using Point = Wellsedes.Core.Geometry.Point;

namespace Wellsedes.Core.Tests.Walkways;

/// <summary>The closed forms of walkways held against searching, and against NetTopologySuite's boundaries.</summary>
public sealed class WalkwayGeometryTests
{
    public static TheoryData<int> Seeds() => [.. Enumerable.Range(0, 20)];

    private static Convex Shape(Random random, double reach) =>
        (
            random.Next(4) switch
            {
                0 => Convex.Disc(default, random.Next(50, 800)),
                1 => Convex.Capsule(new(-random.Next(100, 900), 0), new(random.Next(100, 900), 0), random.Next(20, 300)),
                2 => Convex.Polygon([new(-400, -300), new(random.Next(100, 700), -300), new(0, random.Next(100, 900))]),
                _ => Convex.Rectangle(default, random.Next(100, 2000), random.Next(100, 900)),
            }
        ).At(new Placement(Spread(random, reach), Spread(random, reach), random.NextDouble() * 360));

    private static double Spread(Random random, double reach) => (random.NextDouble() - 0.5) * 2 * reach;

    [Theory]
    [MemberData(nameof(Seeds))]
    public void The_largest_disc_at_a_point_is_the_one_found_by_halving(int seed)
    {
        var random = new Random(seed);
        for (var i = 0; i < 100; i++)
        {
            var shape = Shape(random, 2500);
            var outward = Point.At(random.NextDouble() * 360);
            var at = new Point(Spread(random, 500), Spread(random, 500));
            if (shape.DistanceTo(at) < 1)
                continue;
            var (low, high) = (0.0, 5000.0);
            for (var step = 0; step < 60; step++)
            {
                var radius = (low + high) / 2;
                if (shape.DistanceTo(at + outward * radius) >= radius)
                    low = radius;
                else
                    high = radius;
            }
            var found = TangentDisc.Radius(at, outward, shape);
            Assert.True(
                low > 4999 ? found > 4990 : Math.Abs(found - low) < 1e-3 * (1 + low / 100),
                $"{seed}/{i}: {found} found, {low} by halving"
            );
        }
    }

    [Theory]
    [MemberData(nameof(Seeds))]
    public void The_stretch_of_a_line_near_a_shape_is_the_one_found_step_by_step(int seed)
    {
        var random = new Random(1000 + seed);
        for (var i = 0; i < 50; i++)
        {
            var shape = Shape(random, 1500);
            var distance = random.Next(1, 600);
            var (start, along) = (new Point(Spread(random, 1500), Spread(random, 1500)), Point.At(random.NextDouble() * 360));
            var stretch = LineInside.Of(shape, distance, start, along);
            for (var t = -6000.0; t <= 6000; t += 7)
            {
                var off = shape.DistanceTo(start + along * t) - distance;
                if (Math.Abs(off) < 1e-3)
                    continue;
                var inside = stretch is { } s && t > s.From && t < s.To;
                Assert.True(inside == off < 0, $"{seed}/{i}: at {t} the shape is {off} off, and the stretch is {stretch}");
            }
        }
    }

    [Theory]
    [MemberData(nameof(Seeds))]
    public void Rims_cross_where_the_references_boundaries_do(int seed)
    {
        var random = new Random(2000 + seed);
        var factory = new GeometryFactory();
        Polygon Drawn(Convex shape)
        {
            var points = shape.Outline(1e-4).Select(p => new Coordinate(p.X, p.Y)).ToList();
            return factory.CreatePolygon([.. points, points[0]]);
        }
        var crossed = 0;
        for (var i = 0; i < 40; i++)
        {
            var (a, b) = (Shape(random, 500).Grown(0.5), Shape(random, 500).Grown(0.5));
            var found = Rim.Crossings(new Rim(a), new Rim(b), Bounds.Everything);
            var reference = Drawn(a).Boundary.Intersection(Drawn(b).Boundary).Coordinates;
            Assert.All(found, p => Assert.InRange(Math.Max(Math.Abs(a.DistanceTo(p)), Math.Abs(b.DistanceTo(p))), 0, 1e-6));
            Assert.True(found.Count == reference.Length, $"{seed}/{i}: {found.Count} found, {reference.Length} in the reference");
            // Where they run nearly along each other a chord shifts the crossing a little.
            Assert.All(reference, c => Assert.Contains(found, p => p.DistanceTo(new Point(c.X, c.Y)) < 2));
            crossed += found.Count;
        }
        Assert.True(crossed > 10);
    }

    [Theory]
    [MemberData(nameof(Seeds))]
    public void Positions_on_a_rim_grow_the_way_it_is_walked(int seed)
    {
        var random = new Random(3000 + seed);
        var shape = Shape(random, 500).Grown(30);
        var rim = new Rim(shape);
        var positions = shape.Outline(1).Select(rim.Position).ToArray();
        // Counter-clockwise, with one place where it begins again.
        var drops = positions.Where((position, i) => position > positions[(i + 1) % positions.Length]).Count();
        Assert.Equal(1, drops);
    }

    [Theory]
    [MemberData(nameof(Seeds))]
    public void A_route_keeps_the_clearance_that_its_way_is_said_to_have(int seed)
    {
        var room = RandomRoom.Make(seed);
        var analysis = new WalkwayAnalysis(room);
        var drawn = 0;
        foreach (var way in analysis.Ways.Where(way => way.Width > 300))
        {
            var route = Route.Of(analysis, way);
            Assert.NotEmpty(route);
            drawn++;
            Assert.True(route[0].DistanceTo(way.Access.At) < way.Width / 2 + 1, "it begins where the way ends");
            var needed = 0.85 * Math.Min(way.Width / 2, 400);
            for (var i = 0; i + 1 < route.Length; i++)
            {
                var (from, to) = (route[i], route[i + 1]);
                var steps = 1 + (int)(from.DistanceTo(to) / 25);
                for (var k = 0; k <= steps; k++)
                {
                    var p = from + (to - from) * ((double)k / steps);
                    var clear = room.Obstacles.Min(obstacle => obstacle.Shape.DistanceTo(p));
                    Assert.True(clear >= needed, $"{way.Target.Name}, {way.Width:0} wide: {clear:0.0} clear at {p}");
                }
            }
        }
        Assert.True(drawn > 0 || analysis.Ways.All(way => way.Width <= 300));
    }
}
