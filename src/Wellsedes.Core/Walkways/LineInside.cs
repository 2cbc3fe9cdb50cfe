using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Walkways;

/// <summary>The stretch of a line that is nearer to a convex shape than a distance. It is one stretch, the distance being convex.</summary>
internal static class LineInside
{
    /// <summary>From and to along the line in mm, or null when the line keeps off.</summary>
    /// <param name="distance">More than 0 for a shape with sharp corners: only what is near its sides is looked at.</param>
    public static (double From, double To)? Of(Convex shape, double distance, Point start, Point along)
    {
        var radius = shape.Radius + distance;
        var corners = shape.Corners;
        var (from, to) = (double.PositiveInfinity, double.NegativeInfinity);
        foreach (var corner in corners)
        {
            var to_ = corner - start;
            var off = to_.Cross(along);
            var square = radius * radius - off * off;
            if (square <= 0)
                continue;
            var (foot, half) = (to_.Dot(along), Math.Sqrt(square));
            from = Math.Min(from, foot - half);
            to = Math.Max(to, foot + half);
        }
        for (var i = 0; i < corners.Length && corners.Length > 1; i++)
        {
            var a = corners[i];
            var edge = corners[i + 1 == corners.Length ? 0 : i + 1] - a;
            var length = edge.Length;
            var direction = edge * (1 / length);
            // The box of the edge widened by the radius on both sides, in its own frame.
            var origin = start - a;
            var (min, max) = (double.NegativeInfinity, double.PositiveInfinity);
            if (
                Slab(origin.Dot(direction), along.Dot(direction), 0, length, ref min, ref max)
                && Slab(direction.Cross(origin), direction.Cross(along), -radius, radius, ref min, ref max)
                && max > min
            )
            {
                from = Math.Min(from, min);
                to = Math.Max(to, max);
            }
        }
        return to > from ? (from, to) : null;
    }

    private static bool Slab(double at, double step, double low, double high, ref double min, ref double max)
    {
        if (Math.Abs(step) < 1e-15)
            return at > low && at < high;
        var (near, far) = ((low - at) / step, (high - at) / step);
        if (near > far)
            (near, far) = (far, near);
        min = Math.Max(min, near);
        max = Math.Min(max, far);
        return true;
    }
}
