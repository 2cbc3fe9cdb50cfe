namespace Wellsedes.Core.Geometry;

/// <summary>
/// The shortest way between two shapes: its width in mm and its two ends. A negative width is how far one would
/// have to be pushed to clear the other.
/// </summary>
public readonly record struct Gap(double Width, Point A, Point B)
{
    public Point Middle => Point.Middle(A, B);

    /// <summary>The gap between two convex shapes, from their true outlines.</summary>
    public static Gap Between(Convex a, Convex b)
    {
        var (onA, onB) = Cores(a.Corners, b.Corners, a.Bounds.Meets(b.Bounds), out var overlap);
        if (overlap is { } push)
            return new Gap(-push - a.Radius - b.Radius, onA, onB);
        var apart = onB - onA;
        var distance = apart.Length;
        if (distance == 0)
            return new Gap(-a.Radius - b.Radius, onA, onB);
        var direction = apart * (1 / distance);
        return new Gap(distance - a.Radius - b.Radius, onA + direction * a.Radius, onB - direction * b.Radius);
    }

    /// <summary>
    /// The closest points of two cores. For crossing cores the push that separates them, by the separating axis
    /// theorem over both shapes' edge normals.
    /// </summary>
    private static (Point, Point) Cores(ReadOnlySpan<Point> a, ReadOnlySpan<Point> b, bool mayCross, out double? overlap)
    {
        overlap = null;
        if (mayCross && (a.Length > 2 || b.Length > 2 || (a.Length == 2 && b.Length == 2)))
        {
            overlap = Crossing(a, b);
            if (overlap is not null)
            {
                var middle = Centre(a);
                return (middle, middle);
            }
        }
        var best = double.PositiveInfinity;
        Point onA = a[0],
            onB = b[0];
        foreach (var corner in a)
            Nearest(corner, b, ref best, ref onA, ref onB, false);
        foreach (var corner in b)
            Nearest(corner, a, ref best, ref onA, ref onB, true);
        return (onA, onB);
    }

    private static void Nearest(Point p, ReadOnlySpan<Point> edges, ref double best, ref Point onA, ref Point onB, bool swap)
    {
        var count = edges.Length == 2 ? 1 : edges.Length;
        for (var i = 0; i < count; i++)
        {
            var from = edges[i];
            var to = edges[i + 1 >= edges.Length ? 0 : i + 1];
            var (ex, ey) = (to.X - from.X, to.Y - from.Y);
            var square = ex * ex + ey * ey;
            var along = square == 0 ? 0 : Math.Clamp(((p.X - from.X) * ex + (p.Y - from.Y) * ey) / square, 0, 1);
            var q = new Point(from.X + along * ex, from.Y + along * ey);
            var (dx, dy) = (p.X - q.X, p.Y - q.Y);
            var squared = dx * dx + dy * dy;
            if (squared >= best)
                continue;
            best = squared;
            (onA, onB) = swap ? (q, p) : (p, q);
        }
    }

    /// <summary>How deep two cores run into each other, or null when an axis separates them.</summary>
    private static double? Crossing(ReadOnlySpan<Point> a, ReadOnlySpan<Point> b)
    {
        var least = double.PositiveInfinity;
        return Separates(a, a, b, ref least) || Separates(b, a, b, ref least) ? null : least;
    }

    private static bool Separates(ReadOnlySpan<Point> axes, ReadOnlySpan<Point> a, ReadOnlySpan<Point> b, ref double least)
    {
        for (var i = 0; i < axes.Length && axes.Length > 1; i++)
        {
            var edge = axes[i + 1 == axes.Length ? 0 : i + 1] - axes[i];
            var length = edge.Length;
            if (length == 0)
                continue;
            var normal = new Point(edge.Y / length, -edge.X / length);
            var (minA, maxA) = Spread(a, normal);
            var (minB, maxB) = Spread(b, normal);
            var depth = Math.Min(maxA - minB, maxB - minA);
            if (depth <= 0)
                return true;
            least = Math.Min(least, depth);
        }
        return false;
    }

    private static (double Min, double Max) Spread(ReadOnlySpan<Point> points, Point axis)
    {
        var (min, max) = (double.PositiveInfinity, double.NegativeInfinity);
        foreach (var point in points)
        {
            var at = point.Dot(axis);
            min = Math.Min(min, at);
            max = Math.Max(max, at);
        }
        return (min, max);
    }

    private static Point Centre(ReadOnlySpan<Point> points)
    {
        var sum = default(Point);
        foreach (var point in points)
            sum += point;
        return sum * (1.0 / points.Length);
    }
}
