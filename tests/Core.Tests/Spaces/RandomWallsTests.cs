using NetTopologySuite.Geometries;
using NetTopologySuite.Operation.Union;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Tests.Spaces;

/// <summary>Rooms found on 500 seeded random wall sets, against NetTopologySuite's union of the same wall bodies.</summary>
public sealed class RandomWallsTests
{
    private static readonly GeometryFactory Factory = new();

    [Theory]
    [InlineData(0)]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    [InlineData(4)]
    public void Found_faces_are_what_the_reference_leaves_free(int hundred)
    {
        for (var seed = hundred * 100; seed < hundred * 100 + 100; seed++)
        {
            var walls = Walls(new Random(seed));
            var bodies = WallJoints.Of([.. walls]).Values.SelectMany(body => body.Whole()).ToArray();
            var found = FaceTracer.Trace(bodies, []);
            var union = CascadedPolygonUnion.Union([.. bodies.Select(Polygon)]);
            var box = union.EnvelopeInternal;
            box.ExpandBy(5000);
            var free = Factory.ToGeometry(box).Difference(union);
            var expected = Enumerable
                .Range(0, free.NumGeometries)
                .Select(free.GetGeometryN)
                .Where(g => g.Area > 1000 && !g.EnvelopeInternal.Equals(box))
                .Select(g => g.Area)
                .Order()
                .ToArray();
            var areas = found.Free.Select(region => region.Area).Where(area => area > 1000).Order().ToArray();
            Assert.True(
                expected.Length == areas.Length,
                $"seed {seed}: {areas.Length} faces, reference {expected.Length}: only one has {string.Join(", ", expected.Select(v => Math.Round(v)).Except(areas.Select(v => Math.Round(v))))} / {string.Join(", ", areas.Select(v => Math.Round(v)).Except(expected.Select(v => Math.Round(v))))}"
            );
            for (var i = 0; i < areas.Length; i++)
                Assert.True(Math.Abs(areas[i] - expected[i]) < 60 + 1e-7 * expected[i], $"seed {seed}: {areas[i]} against {expected[i]}");
            Assert.Equal(union.Area, found.Solid.Sum(region => region.Area), 400.0);
        }
    }

    /// <summary>A building cut up by partitions, some skew, some crossing, some ending in the open, of differing thickness.</summary>
    private static List<Wall> Walls(Random random)
    {
        double[] thicknesses = [70, 100, 150, 200, 300];
        List<Wall> walls = [];
        void Add(double x1, double y1, double x2, double y2, double bow = 0) =>
            walls.Add(
                new Wall(
                    $"w{walls.Count}",
                    "level-0",
                    new(x1, y1),
                    new(x2, y2),
                    thicknesses[random.Next(thicknesses.Length)],
                    2700,
                    "",
                    bow
                )
            );
        var (width, depth) = (random.Next(60, 240) * 100.0, random.Next(50, 160) * 100.0);
        var turn = random.Next(3) == 0 ? random.NextDouble() * 90 : 0;
        Add(0, 0, width, 0);
        Add(width, 0, width, depth, random.Next(4) == 0 ? random.Next(-900, 900) : 0);
        Add(width, depth, 0, depth);
        Add(0, depth, 0, 0);
        for (var i = random.Next(2, 9); i > 0; i--)
            switch (random.Next(5))
            {
                case 0:
                    var x = random.Next(10, (int)(width / 100) - 10) * 100.0;
                    Add(x, 0, x, depth);
                    break;
                case 1:
                    var y = random.Next(10, (int)(depth / 100) - 10) * 100.0;
                    Add(0, y, width, y);
                    break;
                case 2:
                    Add(random.NextDouble() * width, 0, random.NextDouble() * width, depth);
                    break;
                case 3:
                    Add(random.NextDouble() * width, random.NextDouble() * depth, random.NextDouble() * width, random.NextDouble() * depth);
                    break;
                default:
                    var (a, b) = (random.NextDouble() * width * 0.7, random.NextDouble() * depth * 0.7);
                    Add(a, b, a + 1800, b);
                    Add(a + 1800, b, a + 1800, b + 1200);
                    Add(a + 1800, b + 1200, a, b + 1200);
                    Add(a, b + 1200, a, b);
                    break;
            }
        var placement = new Placement(0, 0, turn);
        return [.. walls.Select(wall => wall with { Start = placement.Out(wall.Start), End = placement.Out(wall.End) })];
    }

    private static Polygon Polygon(Convex shape)
    {
        var ring = shape.Corners.ToArray().Select(p => new Coordinate(p.X, p.Y)).ToList();
        ring.Add(ring[0].Copy());
        return Factory.CreatePolygon([.. ring]);
    }
}
