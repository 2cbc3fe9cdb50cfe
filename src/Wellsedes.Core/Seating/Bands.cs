using System.Runtime.InteropServices;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Seating;

/// <summary>What lies in a band between two heights, as stretches along it. A band of no height is a line.</summary>
internal static class Bands
{
    /// <summary>Few are put in order one by one, which takes least where most are so already.</summary>
    public static void Sort<T>(List<T> all, Comparison<T> order)
    {
        if (all.Count > 32)
        {
            all.Sort(order);
            return;
        }
        var few = CollectionsMarshal.AsSpan(all);
        for (var i = 1; i < few.Length; i++)
        {
            var (one, j) = (few[i], i - 1);
            for (; j >= 0 && order(few[j], one) > 0; j--)
                few[j + 1] = few[j];
            few[j + 1] = one;
        }
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
