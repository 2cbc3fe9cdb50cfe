using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Drawings;

/// <summary>Draws flights, platforms, fittings and low ceilings, each in its own frame with its back at +y.</summary>
internal static class FixturePainter
{
    /// <summary>Heights in mm at which a sloping ceiling gets a contour.</summary>
    public static readonly double[] Contours = [1000, 1500, 2000, 2300];

    private static PathShape Whole(Fixture f) => PathShape.Box(-f.Width / 2, -f.Depth / 2, f.Width / 2, f.Depth / 2);

    public static PathShape Flight(Flight flight)
    {
        var (x, y) = (flight.Width / 2, flight.Depth / 2);
        var path = Whole(flight);
        var treads = flight.Kind == FlightKind.Stair ? flight.Risers - 1 : 0;
        for (var i = 1; i < treads; i++)
        {
            var at = -y + flight.Depth * i / treads;
            path = path.Then(PathShape.Line(new Point(-x, at), new Point(x, at)));
        }
        // The arrow points up.
        return path.Then(DoorPainter.Arrow(new Point(0, -y + flight.Depth * 0.06), new Point(0, y - flight.Depth * 0.06)))
            .At(flight.Placement);
    }

    /// <summary>Where a flight from below comes through the floor: its outline and one diagonal.</summary>
    public static PathShape Void(Flight flight) =>
        Whole(flight)
            .Then(PathShape.Line(new Point(-flight.Width / 2, -flight.Depth / 2), new Point(flight.Width / 2, flight.Depth / 2)))
            .At(flight.Placement);

    public static PathShape Platform(Platform platform)
    {
        var inset = Math.Min(60, Math.Min(platform.Width, platform.Depth) / 10);
        var (x, y) = (platform.Width / 2 - inset, platform.Depth / 2 - inset);
        return Whole(platform).Then(PathShape.Box(-x, -y, x, y)).At(platform.Placement);
    }

    public static PathShape Fitting(Fitting fitting)
    {
        var (w, d) = (fitting.Width, fitting.Depth);
        var (x, y) = (w / 2, d / 2);
        var path = fitting.Kind switch
        {
            FittingKind.Toilet => PathShape.Box(-x, y - d * 0.25, x, y).Then(Oval(0, -d * 0.12, x * 0.85, d * 0.37)),
            FittingKind.Basin => PathShape.Rounded(-x, -y, x, y, Math.Min(x, y) * 0.3).Then(Oval(0, -d * 0.05, x * 0.7, y * 0.65)),
            FittingKind.Sink => Whole(fitting).Then(PathShape.Rounded(-x * 0.85, -y * 0.75, x * 0.1, y * 0.7, Math.Min(x, y) * 0.2)),
            FittingKind.Bath => Whole(fitting).Then(PathShape.Rounded(-x + 60, -y + 60, x - 60, y - 60, Math.Max(1, Math.Min(x, y) - 120))),
            FittingKind.Shower => Whole(fitting)
                .Then(PathShape.Line(new Point(-x, -y), new Point(x, y)))
                .Then(PathShape.Line(new Point(-x, y), new Point(x, -y)))
                .Then(PathShape.Circle(default, Math.Min(x, y) * 0.15)),
            FittingKind.Shaft => Whole(fitting).Then(PathShape.Line(new Point(-x, -y), new Point(x * 0.2, y * 0.2), new Point(x, y))),
            FittingKind.Radiator => Ribs(fitting),
            FittingKind.Socket => PathShape.Circle(default, x).Then(PathShape.Line(new Point(0, x), new Point(0, -x))),
            FittingKind.DataPoint => PathShape.Closed(new(-x, -x), new(x, -x), new(0, x)),
            FittingKind.WaterPoint => PathShape.Circle(default, x).Then(PathShape.Circle(default, x * 0.35)),
            _ => Whole(fitting).Then(PathShape.Box(-x + Math.Min(30, x / 4), -y + Math.Min(30, y / 4), x - Math.Min(30, x / 4), y)),
        };
        return path.At(fitting.Placement);
    }

    private static PathShape Ribs(Fitting radiator)
    {
        var path = Whole(radiator);
        var count = (int)Math.Clamp(radiator.Width / 120, 2, 60);
        for (var i = 1; i < count; i++)
        {
            var x = -radiator.Width / 2 + radiator.Width * i / count;
            path = path.Then(PathShape.Line(new Point(x, -radiator.Depth / 2), new Point(x, radiator.Depth / 2)));
        }
        return path;
    }

    private static PathShape Oval(double x, double y, double rx, double ry) =>
        PathShape.Circle(default, 1).Map(p => new Point(x + p.X * rx, y + p.Y * ry));

    public static PathShape LowCeiling(LowCeiling ceiling)
    {
        var path = Whole(ceiling);
        var (low, high) = (Math.Min(ceiling.LowHeight, ceiling.HighHeight), Math.Max(ceiling.LowHeight, ceiling.HighHeight));
        foreach (var height in Contours.Where(height => height > low && height < high))
        {
            var part = (height - ceiling.LowHeight) / (ceiling.HighHeight - ceiling.LowHeight);
            var y = -ceiling.Depth / 2 + ceiling.Depth * part;
            path = path.Then(PathShape.Line(new Point(-ceiling.Width / 2, y), new Point(ceiling.Width / 2, y)));
        }
        return path.At(ceiling.Placement);
    }
}
