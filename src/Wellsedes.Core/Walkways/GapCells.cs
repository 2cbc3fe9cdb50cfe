using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Walkways;

/// <summary>A narrowest place between two obstacles: nothing else stands in the disc on it. Grown shapes, mm.</summary>
internal sealed record Narrow(Obstacle A, Obstacle B, Point OnA, Point OnB, double Width)
{
    /// <summary>Where on each rim it is attached; worked out once, since cells are kept from one graph to the next.</summary>
    public double PositionA { get; } = A.Rim.Position(OnA);
    public double PositionB { get; } = B.Rim.Position(OnB);
}

/// <summary>A place where the boundaries of two overlapping obstacles cross in the open.</summary>
internal sealed record Crossing(Obstacle A, Obstacle B, Point At)
{
    public double PositionA { get; } = A.Rim.Position(At);
    public double PositionB { get; } = B.Rim.Position(At);

    /// <summary>Whether walking counter-clockwise round A one enters B here.</summary>
    public bool Enters { get; } = Outward(A.Grown, At).Left().Dot(Outward(B.Grown, At)) < 0;

    private static Point Outward(Convex shape, Point p)
    {
        // From the ungrown core, so that the direction is right even where the growth is tiny.
        shape.Grown(-shape.Radius).DistanceTo(p, out var core);
        return (p - core).Unit();
    }
}

/// <summary>
/// A quadtree over the floor. Every cell keeps the obstacles that can be nearest, or tie for nearest, anywhere in
/// it: those with distance from its middle at most the least such distance plus its diagonal. That set holds both
/// ends of every narrow place whose middle lies in the cell, and whatever would block it, so a leaf decides alone.
/// </summary>
/// <remarks>A cell whose obstacles are the same objects as before is kept with all that was found in it.</remarks>
internal sealed class GapCells
{
    private const int LeafObstacles = 7;
    private const double LeastCell = 64;

    private readonly Obstacle[] obstacles;
    private readonly GapCells?[]? children;
    public readonly List<Narrow> Narrows = [];
    public readonly List<Crossing> Crossings = [];

    /// <summary>The steps it took: one for each obstacle looked at, in this cell and in those below it.</summary>
    private readonly long steps;

    private GapCells(Obstacle[] obstacles, Bounds cell, GapCells? before, Work? work)
    {
        this.obstacles = obstacles;
        var size = cell.Width;
        if (obstacles.Length <= LeafObstacles || size <= LeastCell)
        {
            // Each pair is held against every other obstacle of the leaf.
            steps = (long)obstacles.Length * obstacles.Length * obstacles.Length / 8 + obstacles.Length;
            work?.Count(steps);
            new LeafSearch(obstacles, cell, Narrows, Crossings).Run();
            return;
        }
        steps = obstacles.Length * 4;
        work?.Count(steps);
        children = new GapCells?[4];
        var half = size / 2;
        for (var i = 0; i < 4; i++)
        {
            var minX = cell.MinX + (i & 1) * half;
            var minY = cell.MinY + (i >> 1) * half;
            var child = Build(obstacles, new Bounds(minX, minY, minX + half, minY + half), before?.children?[i], work);
            children[i] = child;
            steps += child?.steps ?? 0;
        }
    }

    /// <summary>The cells over a set of obstacles; <paramref name="before"/> is an earlier tree over the same square.</summary>
    public static GapCells? Build(Obstacle[] from, Bounds cell, GapCells? before, Work? work)
    {
        var kept = Keep(from, cell);
        if (kept.Length < 2)
            return null;
        if (before is not null && before.obstacles.AsSpan().SequenceEqual(kept))
        {
            work?.Count(before.steps);
            return before;
        }
        return new GapCells(kept, cell, before, work);
    }

    private static Obstacle[] Keep(Obstacle[] from, Bounds cell)
    {
        var middle = cell.Centre;
        var half = cell.Width * Math.Sqrt(0.5);
        var distances = new double[from.Length];
        var least = double.PositiveInfinity;
        for (var i = 0; i < from.Length; i++)
        {
            var shape = from[i].Grown;
            // A box further off than the best so far plus the reach cannot be kept: its own distance is at least that.
            var box = shape.Bounds;
            var dx = Math.Max(Math.Max(box.MinX - middle.X, middle.X - box.MaxX), 0);
            var dy = Math.Max(Math.Max(box.MinY - middle.Y, middle.Y - box.MaxY), 0);
            var reach = least + 2 * half;
            distances[i] = reach > 0 && dx * dx + dy * dy > reach * reach ? double.PositiveInfinity : shape.DistanceTo(middle);
            least = Math.Min(least, distances[i]);
        }
        // The whole cell lies inside one obstacle: there is no free floor in it.
        if (least <= -half)
            return [];
        var limit = least + 2 * half;
        var count = 0;
        foreach (var distance in distances)
            if (distance <= limit)
                count++;
        if (count > LeafObstacles && least > half)
            count = LeaveOutFarther(from, distances, middle, half, least);
        var kept = new Obstacle[count];
        count = 0;
        for (var i = 0; i < from.Length; i++)
            if (distances[i] <= limit)
                kept[count++] = from[i];
        return kept;
    }

    /// <summary>
    /// Far from everything many obstacles are nearly as near as the nearest, however small the cell. Of two seen in nearly
    /// the same direction the farther one is farther all over the cell: the distance to a convex shape grows at least as its
    /// slope g at the middle m says, d(p) >= d(m) + g (p - m); that to the nearest one's foot is at most
    /// e(m) + h (p - m) + |p - m|² / (2 e(m)). Where the difference stays above 0 for every p, the farther is left out.
    /// </summary>
    private static int LeaveOutFarther(Obstacle[] from, double[] distances, Point middle, double half, double least)
    {
        var nearest = Array.FindIndex(distances, distance => distance == least);
        var slope = Slope(from[nearest]);
        var bend = half * half / (2 * least);
        var count = 0;
        for (var i = 0; i < from.Length; i++)
        {
            if (distances[i] > least + 2 * half)
                continue;
            if (i != nearest && distances[i] - least > (Slope(from[i]) - slope).Length * half + bend)
                distances[i] = double.PositiveInfinity;
            else
                count++;
        }
        return count;

        Point Slope(Obstacle obstacle)
        {
            obstacle.Grown.DistanceTo(middle, out var foot);
            return (middle - foot).Unit();
        }
    }

    public void Collect(List<Narrow> narrows, List<Crossing> crossings)
    {
        if (children is null)
        {
            narrows.AddRange(Narrows);
            crossings.AddRange(Crossings);
            return;
        }
        foreach (var child in children)
            child?.Collect(narrows, crossings);
    }
}
