using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Walkways;

/// <summary>Finds the narrow places and crossings whose middle lies in one small cell, from that cell's obstacles alone.</summary>
internal sealed class LeafSearch(Obstacle[] obstacles, Bounds cell)
{
    private const double Parallel = 1e-9;

    public List<Narrow> Narrows { get; } = [];
    public List<Crossing> Crossings { get; } = [];

    public void Run()
    {
        // At the middle of a narrow place the ways to its two ends are opposite and alike: their sum is nothing. Where two rims
        // cross, both are no way off. The way to a convex shape changes by no more than the point does, so where the sum at the
        // cell's middle is longer than its diagonal, or a rim farther off than half of it, there is none here.
        var middle = cell.Centre;
        var diagonal = cell.Width * Math.Sqrt(2) + 0.01;
        Span<Seen> seen = obstacles.Length <= MostOnStack ? stackalloc Seen[obstacles.Length] : new Seen[obstacles.Length];
        for (var i = 0; i < obstacles.Length; i++)
        {
            var distance = obstacles[i].Grown.DistanceTo(middle, out var foot);
            seen[i] = new Seen(distance <= 0 ? default : foot - middle, Math.Abs(distance) <= diagonal / 2);
        }
        for (var i = 0; i < obstacles.Length; i++)
        for (var j = i + 1; j < obstacles.Length; j++)
        {
            var sum = seen[i].Way + seen[j].Way;
            if (sum.Dot(sum) > diagonal * diagonal)
                continue;
            var (a, b) = (obstacles[i], obstacles[j]);
            var gap = Gap.Between(a.Grown, b.Grown);
            if (gap.Width <= 0)
            {
                if (seen[i].IsRimNear && seen[j].IsRimNear)
                    Cross(a, b);
            }
            else if (FacingRun(a.Grown, b.Grown, gap) is { } run)
                AlongRun(a, b, gap, run);
            else if (InCell(gap.Middle) && IsFree(gap.Middle, gap.Width / 2, a, b))
                Narrows.Add(new Narrow(a, b, gap.A, gap.B, gap.Width));
        }
    }

    private const int MostOnStack = 64;

    /// <summary>An obstacle seen from the cell's middle: the way to it, nothing from within; and whether its rim may pass through the cell.</summary>
    private readonly record struct Seen(Point Way, bool IsRimNear);

    /// <summary>Cells own their lower and left edges, so that a middle on a border is found once.</summary>
    private bool InCell(Point p) => p.X >= cell.MinX && p.X < cell.MaxX && p.Y >= cell.MinY && p.Y < cell.MaxY;

    private bool IsFree(Point centre, double radius, Obstacle a, Obstacle b)
    {
        foreach (var other in obstacles)
            if (other != a && other != b && other.Grown.DistanceTo(centre) < radius)
                return false;
        return true;
    }

    private void Cross(Obstacle a, Obstacle b)
    {
        foreach (var p in Rim.Crossings(a.Rim, b.Rim, cell.Grown(1)))
            if (InCell(p) && IsFree(p, 0, a, b))
                Crossings.Add(new Crossing(a, b, p));
    }

    /// <summary>The stretch along which two parallel sides face each other at the same distance, if there is one.</summary>
    private static (Point From, Point Along, double Length)? FacingRun(Convex a, Convex b, Gap gap)
    {
        if (a.Corners.Length < 2 || b.Corners.Length < 2)
            return null;
        var towards = (gap.B - gap.A).Unit();
        if (Side(a, towards) is not { } sideA || Side(b, towards * -1) is not { } sideB)
            return null;
        var along = towards.Left();
        var (fromA, toA) = Ordered(sideA.From.Dot(along), sideA.To.Dot(along));
        var (fromB, toB) = Ordered(sideB.From.Dot(along), sideB.To.Dot(along));
        var (from, to) = (Math.Max(fromA, fromB), Math.Min(toA, toB));
        if (to - from < 1e-6)
            return null;
        var middle = gap.Middle;
        return (middle + along * (from - middle.Dot(along)), along, to - from);
    }

    private static (double, double) Ordered(double a, double b) => a < b ? (a, b) : (b, a);

    private static (Point From, Point To)? Side(Convex shape, Point outward)
    {
        var corners = shape.Corners;
        for (var i = 0; i < corners.Length; i++)
        {
            var (from, to) = (corners[i], corners[i + 1 == corners.Length ? 0 : i + 1]);
            var edge = to - from;
            var length = edge.Length;
            if (Math.Abs(edge.Dot(outward)) <= Parallel * length && edge.Cross(outward) < 0)
                return (from, to);
        }
        return null;
    }

    /// <summary>One narrow place in each free stretch of the middle line between two parallel sides.</summary>
    private void AlongRun(Obstacle a, Obstacle b, Gap gap, (Point From, Point Along, double Length) run)
    {
        var radius = gap.Width / 2;
        var (start, end) = ClipToCell(run.From, run.Along, run.Length);
        if (end - start < 1e-9)
            return;
        List<(double From, double To)> blocked = [];
        foreach (var other in obstacles)
            if (other != a && other != b && LineInside.Of(other.Grown, radius, run.From, run.Along) is { } stretch)
                blocked.Add(stretch);
        blocked.Sort();
        var at = start;
        foreach (var (from, to) in blocked)
        {
            Emit(at, Math.Min(from, end));
            at = Math.Max(at, to);
        }
        Emit(at, end);

        void Emit(double from, double to)
        {
            if (to - from < 1e-9)
                return;
            var middle = run.From + run.Along * ((from + to) / 2);
            var across = new Point(run.Along.Y, -run.Along.X) * radius;
            Narrows.Add(new Narrow(a, b, middle - across, middle + across, gap.Width));
        }
    }

    private (double, double) ClipToCell(Point from, Point along, double length)
    {
        double start = 0,
            end = length;
        Clip(from.X, along.X, cell.MinX, cell.MaxX);
        Clip(from.Y, along.Y, cell.MinY, cell.MaxY);
        return (start, end);

        void Clip(double at, double step, double min, double max)
        {
            if (Math.Abs(step) < 1e-15)
            {
                if (at < min || at >= max)
                    end = start - 1;
                return;
            }
            var (near, far) = Ordered((min - at) / step, (max - at) / step);
            start = Math.Max(start, near);
            end = Math.Min(end, far);
        }
    }
}
