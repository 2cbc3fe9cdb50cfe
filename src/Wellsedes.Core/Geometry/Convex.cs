namespace Wellsedes.Core.Geometry;

/// <summary>
/// A convex core grown by a radius: the one solid shape of the program. One corner and a radius is a disc, two a
/// capsule, more a polygon (with rounded corners when the radius is not zero). Millimetres.
/// </summary>
public sealed class Convex
{
    private readonly Point[] corners;

    /// <summary>The core's corners, counter-clockwise.</summary>
    public ReadOnlySpan<Point> Corners => corners;

    public double Radius { get; }
    public Bounds Bounds { get; }

    private Convex(Point[] corners, double radius)
    {
        this.corners = corners;
        Radius = radius;
        var bounds = Bounds.Empty;
        foreach (var corner in corners)
            bounds = bounds.Including(corner);
        Bounds = bounds.Grown(radius);
    }

    public static Convex Disc(Point centre, double radius) => new([centre], radius);

    public static Convex Capsule(Point a, Point b, double radius) => new([a, b], radius);

    /// <summary>A rectangle about its centre, optionally with rounded corners that stay inside its sides.</summary>
    public static Convex Rectangle(Point centre, double width, double depth, double corner = 0)
    {
        var (x, y) = (width / 2 - corner, depth / 2 - corner);
        return new Convex(
            [centre + new Point(-x, -y), centre + new Point(x, -y), centre + new Point(x, y), centre + new Point(-x, y)],
            corner
        );
    }

    /// <summary>A convex polygon; corners in either direction, at least three.</summary>
    public static Convex Polygon(IReadOnlyList<Point> points, double radius = 0)
    {
        double area = 0;
        for (var i = 0; i < points.Count; i++)
            area += points[i].Cross(points[(i + 1) % points.Count]);
        return new Convex(area < 0 ? [.. points.Reverse()] : [.. points], radius);
    }

    /// <summary>The convex hull of points (Andrew's monotone chain); at least three not in line.</summary>
    public static Convex HullOf(IReadOnlyList<Point> points)
    {
        Point[] sorted = [.. points.OrderBy(p => p.X).ThenBy(p => p.Y)];
        List<Point> hull = [];
        for (var round = 0; round < 2; round++)
        {
            var start = hull.Count;
            foreach (var p in sorted)
            {
                while (hull.Count >= start + 2 && (hull[^1] - hull[^2]).Cross(p - hull[^2]) <= 1e-6)
                    hull.RemoveAt(hull.Count - 1);
                hull.Add(p);
            }
            hull.RemoveAt(hull.Count - 1);
            Array.Reverse(sorted);
        }
        return new Convex([.. hull], 0);
    }

    /// <summary>The same seen in a mirror along the y axis.</summary>
    public Convex Mirrored() => new([.. corners.Reverse().Select(p => new Point(-p.X, p.Y))], Radius);

    public Convex At(Placement placement) => new([.. corners.Select(placement.Out)], Radius);

    /// <summary>The same shape with its boundary pushed out by a distance in mm.</summary>
    public Convex Grown(double by) => new(corners, Radius + by);

    /// <summary>Distance from the core to a point, negative inside it; the radius is not taken off.</summary>
    private double CoreDistance(Point p, out Point nearest)
    {
        if (corners.Length == 1)
        {
            nearest = corners[0];
            return p.DistanceTo(nearest);
        }
        var best = double.PositiveInfinity;
        nearest = corners[0];
        var inside = corners.Length > 2;
        var edges = corners.Length == 2 ? 1 : corners.Length;
        for (var i = 0; i < edges; i++)
        {
            var a = corners[i];
            var b = corners[i + 1 == corners.Length ? 0 : i + 1];
            var (ex, ey) = (b.X - a.X, b.Y - a.Y);
            var (px, py) = (p.X - a.X, p.Y - a.Y);
            if (ex * py - ey * px < 0)
                inside = false;
            var along = Math.Clamp((px * ex + py * ey) / (ex * ex + ey * ey), 0, 1);
            var (dx, dy) = (px - along * ex, py - along * ey);
            var squared = dx * dx + dy * dy;
            if (squared < best)
            {
                best = squared;
                nearest = new Point(a.X + along * ex, a.Y + along * ey);
            }
        }
        var distance = Math.Sqrt(best);
        return inside ? -distance : distance;
    }

    /// <summary>Signed distance in mm from the boundary to a point; negative inside.</summary>
    public double DistanceTo(Point p) => CoreDistance(p, out _) - Radius;

    /// <summary>The point of the boundary nearest to a point, and the signed distance to it.</summary>
    public double DistanceTo(Point p, out Point nearest)
    {
        var core = CoreDistance(p, out var onCore);
        if (core > 0)
        {
            nearest = onCore + (p - onCore) * (Radius / core);
        }
        else
        {
            var outward = core < 0 ? (onCore - p).Unit() : new Point(1, 0);
            nearest = onCore + outward * Radius;
        }
        return core - Radius;
    }

    public bool Holds(Point p) => DistanceTo(p) <= 0;

    /// <summary>Whether another shape lies wholly inside this one (boundaries may touch).</summary>
    public bool Covers(Convex other)
    {
        foreach (var corner in other.corners)
            if (DistanceTo(corner) + other.Radius > 0)
                return false;
        return true;
    }

    /// <summary>The furthest point of the shape along a direction.</summary>
    public Point Support(Point direction)
    {
        var best = corners[0];
        foreach (var corner in corners)
            if (corner.Dot(direction) > best.Dot(direction))
                best = corner;
        return best + direction.Unit() * Radius;
    }

    /// <summary>How far shapes reach along a direction of length 1, from the least to the most, in mm.</summary>
    public static (double From, double To) Reach(IEnumerable<Convex> shapes, Point axis)
    {
        var (from, to) = (double.PositiveInfinity, double.NegativeInfinity);
        foreach (var shape in shapes)
            (from, to) = (Math.Min(from, shape.Support(axis * -1).Dot(axis)), Math.Max(to, shape.Support(axis).Dot(axis)));
        return (from, to);
    }

    /// <summary>The boundary as a closed polygon, arcs as chords no further off than <paramref name="sag"/> mm.</summary>
    public Point[] Outline(double sag = 0.5)
    {
        if (Radius <= 0)
            return [.. corners];
        var step = 2 * Math.Acos(Math.Max(0.5, 1 - sag / Radius));
        var points = new List<Point>();
        foreach (var (centre, from, sweep) in Arcs())
        {
            var parts = Math.Max(1, (int)Math.Ceiling(sweep / step));
            for (var i = corners.Length == 1 ? 1 : 0; i <= parts; i++)
            {
                var angle = from + sweep * i / parts;
                points.Add(centre + new Point(Math.Cos(angle), Math.Sin(angle)) * Radius);
            }
        }
        return [.. points];
    }

    /// <summary>The arcs of the boundary, counter-clockwise: centre, first angle and sweep in radians.</summary>
    internal IEnumerable<(Point Centre, double From, double Sweep)> Arcs()
    {
        if (corners.Length == 1)
        {
            yield return (corners[0], 0, 2 * Math.PI);
            yield break;
        }
        for (var i = 0; i < corners.Length; i++)
        {
            var into = corners[i] - corners[(i + corners.Length - 1) % corners.Length];
            var away = corners[(i + 1) % corners.Length] - corners[i];
            var from = Math.Atan2(-into.X, into.Y);
            var sweep = Math.Atan2(into.Cross(away), into.Dot(away));
            yield return (corners[i], from, corners.Length == 2 ? Math.PI : Math.Max(0, sweep));
        }
    }
}
