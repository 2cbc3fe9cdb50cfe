using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Walkways;

namespace Wellsedes.Core.Tests.Walkways;

/// <summary>A walled room with one door and a seeded mix of turned, flush, touching and overlapping things.</summary>
internal static class RandomRoom
{
    public static WalkwayScene Make(int seed)
    {
        var random = new Random(seed);
        double w = random.Next(4000, 9000),
            d = random.Next(4000, 8000);
        const double t = 200;
        var door = random.Next(700, 1800);
        List<Obstacle> obstacles =
        [
            Wall("south-1", -t, -t, w / 2 - door / 2.0, 0),
            Wall("south-2", w / 2 + door / 2.0, -t, w + t, 0),
            Wall("north", -t, d, w + t, d + t),
            Wall("west", -t, -t, 0, d + t),
            Wall("east", w, -t, w + t, d + t),
        ];
        var grid = seed % 3 == 0;
        var count = random.Next(8, 22);
        List<Target> targets = [];
        for (var i = 0; i < count; i++)
        {
            double x = random.NextDouble() * w,
                y = random.NextDouble() * d;
            var turn = (seed % 4) switch
            {
                0 => 0,
                1 => 45 * random.Next(8),
                _ => random.NextDouble() * 360,
            };
            if (grid)
                (x, y) = (Math.Round(x / 250) * 250, Math.Round(y / 250) * 250);
            var place = new Placement(x, y, turn);
            var shape = random.Next(5) switch
            {
                0 => Convex.Disc(default, random.Next(200, 900)),
                1 => Convex.Capsule(new Point(-400, 0), new Point(400, 0), random.Next(50, 300)),
                2 => Convex.Polygon([new(-300, -300), new(random.Next(200, 700), -300), new(0, random.Next(200, 700))]),
                _ => Convex.Rectangle(default, random.Next(1, 8) * 250, random.Next(1, 5) * 250),
            };
            var thing = new Obstacle($"thing-{i}", $"Thing {i}", "body", shape.At(place));
            obstacles.Add(thing);
            targets.Add(new Target(thing.OwnerId, thing.Name, TargetKind.Seat, 0, 600, AccessOf(thing)));
        }
        return new WalkwayScene([.. obstacles], [new WaySource(new Point(w / 2, -4000))], [.. targets]);
    }

    private static Obstacle Wall(string name, double minX, double minY, double maxX, double maxY) =>
        new(name, "Wall", "", Convex.Polygon([new(minX, minY), new(maxX, minY), new(maxX, maxY), new(minX, maxY)]));

    public static ImmutableArray<Access> AccessOf(Obstacle thing)
    {
        var corners = thing.Shape.Corners.ToArray();
        if (corners.Length == 1)
            return
            [
                .. Enumerable
                    .Range(0, 4)
                    .Select(i => Point.At(90 * i))
                    .Select(o => new Access(thing, corners[0] + o * thing.Shape.Radius, o)),
            ];
        return
        [
            .. Enumerable
                .Range(0, corners.Length)
                .Select(i =>
                {
                    var (a, b) = (corners[i], corners[(i + 1) % corners.Length]);
                    var outward = (b - a).Unit().Left() * -1;
                    return new Access(thing, Point.Middle(a, b) + outward * thing.Shape.Radius, outward);
                }),
        ];
    }
}
