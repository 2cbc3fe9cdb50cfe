using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Walkways;

/// <summary>The largest empty disc that touches a side of a thing at one point: how much room there is to stand there.</summary>
internal static class TangentDisc
{
    /// <summary>
    /// The radius in mm at which a disc that touches at <paramref name="at"/> on its inner side first meets a shape:
    /// the root of |at + t·outward - shape| = t, in closed form for each corner and side.
    /// </summary>
    public static double Radius(Point at, Point outward, Convex shape)
    {
        var corners = shape.Corners;
        var rho = shape.Radius;
        if (shape.DistanceTo(at) < -Tolerance.Length)
            return 0;
        var least = double.PositiveInfinity;
        foreach (var corner in corners)
        {
            var q = at - corner;
            var under = 2 * (rho - q.Dot(outward));
            var over = q.Dot(q) - rho * rho;
            if (under > 1e-12)
                least = Math.Min(least, Math.Max(0, over / under));
        }
        for (var i = 0; i < corners.Length && corners.Length > 1; i++)
        {
            var from = corners[i];
            var edge = corners[i + 1 == corners.Length ? 0 : i + 1] - from;
            var length = edge.Length;
            var direction = edge * (1 / length);
            var normal = new Point(direction.Y, -direction.X);
            var off = (at - from).Dot(normal) - rho;
            var closing = 1 - outward.Dot(normal);
            if (off < -Tolerance.Length || closing < 1e-12)
                continue;
            var t = Math.Max(0, off) / closing;
            var foot = (at + outward * t - from).Dot(direction);
            if (foot > 0 && foot < length)
                least = Math.Min(least, t);
        }
        return least;
    }
}
