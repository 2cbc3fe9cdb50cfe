using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Seating;

/// <summary>What lies in a band between two heights, as stretches along it. A band of no height is a line.</summary>
internal static class Bands
{
    /// <summary>Where the sides of an area cross a line, in order, put into a list that is emptied before.</summary>
    public static void Crossings((Point From, Point To)[] sides, double y, List<double> crossings)
    {
        crossings.Clear();
        foreach (ref readonly var side in sides.AsSpan())
            if (side.From.Y > y != side.To.Y > y)
                crossings.Add(side.From.X + (side.To.X - side.From.X) * (y - side.From.Y) / (side.To.Y - side.From.Y));
        crossings.Sort();
    }

    /// <summary>Where a side lies within a band; its ends along.</summary>
    public static (double From, double To)? Clipped(Point a, Point b, double low, double high)
    {
        if (Math.Max(a.Y, b.Y) < low || Math.Min(a.Y, b.Y) > high)
            return null;
        if (a.Y == b.Y)
            return (a.X, b.X);
        double X(double y) => a.X + (b.X - a.X) * (Math.Clamp(y, Math.Min(a.Y, b.Y), Math.Max(a.Y, b.Y)) - a.Y) / (b.Y - a.Y);
        return (X(low), X(high));
    }

    /// <summary>
    /// How far corners rounded by a radius reach along within a band: on the circle about each corner at the height in the band that is nearest to its middle, and
    /// on the sides pushed out. From is greater than To where nothing of it lies there.
    /// </summary>
    public static (double From, double To) Reach(ReadOnlySpan<Point> corners, double radius, double low, double high)
    {
        var (from, to) = (double.PositiveInfinity, double.NegativeInfinity);
        for (var i = 0; i < corners.Length; i++)
        {
            var p = corners[i];
            var off = Math.Clamp(p.Y, low, high) - p.Y;
            if (radius >= Math.Abs(off))
            {
                var half = Math.Sqrt(radius * radius - off * off);
                (from, to) = (Math.Min(from, p.X - half), Math.Max(to, p.X + half));
            }
            if (corners.Length == 1)
                break;
            var q = corners[(i + 1) % corners.Length];
            var outward = (q - p).Unit().Left() * -Math.Max(radius, 0);
            if (Clipped(p + outward, q + outward, low, high) is var (x1, x2))
                (from, to) = (Math.Min(from, Math.Min(x1, x2)), Math.Max(to, Math.Max(x1, x2)));
        }
        return (from, to);
    }

    /// <summary>How far a shape with a gap round about reaches along within a band; null where it does not.</summary>
    public static (double From, double To)? Taken(Convex shape, double gap, double low, double high)
    {
        if (shape.Bounds.MinY - gap >= high || shape.Bounds.MaxY + gap <= low)
            return null;
        var (from, to) = Reach(shape.Corners, shape.Radius + gap, low, high);
        return from < to ? (from, to) : null;
    }

    /// <summary>What is left of a free stretch less what is taken, in order; added to a list.</summary>
    /// <param name="taken">In order.</param>
    public static void Less(double from, double to, List<(double From, double To)> taken, List<(double From, double To)> left)
    {
        var at = from;
        foreach (var cut in taken)
        {
            if (cut.To <= at)
                continue;
            if (cut.From >= to)
                break;
            if (cut.From > at)
                left.Add((at, cut.From));
            at = Math.Max(at, cut.To);
        }
        if (at < to)
            left.Add((at, to));
    }
}
