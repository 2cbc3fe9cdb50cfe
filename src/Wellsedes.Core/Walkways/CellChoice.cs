using System.Buffers;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Walkways;

/// <summary>What a cell stands for: none where nothing narrow can be.</summary>
internal readonly record struct Kept(Obstacle[] Obstacles, int Count, Obstacle Nearest, double Least);

/// <summary>Chooses the obstacles a cell stands for, from some that are given or from all that are there.</summary>
internal static class CellChoice
{
    /// <summary>What is handed down reaches so much farther than what is kept, in mm, that no rounding decides.</summary>
    public const double Slack = 0.01;

    /// <summary>All that can be in reach of a cell, in their order.</summary>
    public static Obstacle[] Near(Bounds cell, Outermost now)
    {
        var middle = cell.Centre;
        var reach = LeastIn(now, middle);
        if (double.IsPositiveInfinity(reach))
            return [];
        reach = Math.Max(0, reach + 2 * cell.Width * Math.Sqrt(0.5)) + Slack;
        var near = now.Index.Meeting(Bounds.At(middle).Grown(reach));
        near.RemoveAll(one => !now.Holds(one));
        near.Sort(Obstacle.InOrder);
        return [.. near];
    }

    /// <param name="handed">What the cells below choose from: a hair more than is kept.</param>
    public static Kept? Keep(Obstacle[] from, Bounds cell, out Obstacle[] handed)
    {
        handed = [];
        var middle = cell.Centre;
        var half = cell.Width * Math.Sqrt(0.5);
        var (least, nearest) = (double.PositiveInfinity, -1);
        for (var i = 0; i < from.Length; i++)
        {
            var shape = from[i].Grown;
            if (shape.Bounds.DistanceTo(middle) > Math.Max(0, least))
                continue;
            var distance = shape.DistanceTo(middle);
            if (distance < least)
                (least, nearest) = (distance, i);
        }
        if (nearest < 0)
            return null;
        // The whole cell lies inside one obstacle: there is no free floor in it.
        if (least <= -half)
            return new Kept([], 0, from[nearest], least);
        var limit = least + 2 * half;
        var (count, all) = (0, 0);
        var below = ArrayPool<Obstacle>.Shared.Rent(from.Length);
        foreach (var one in from)
            if (IsWithin(one, middle, limit))
            {
                below[all++] = one;
                count++;
            }
            else if (IsWithin(one, middle, limit + Slack))
                below[all++] = one;
        handed = below[..all];
        ArrayPool<Obstacle>.Shared.Return(below);
        var kept = count == all ? handed : Array.FindAll(handed, one => IsWithin(one, middle, limit));
        return Seen(kept, from[nearest], least, middle, half);
    }

    /// <summary>Away from everything: without the obstacles that the nearest hides all over the cell, and none at all where nothing narrow can be.</summary>
    /// <remarks>
    /// Far from everything many obstacles are nearly as near as the nearest, however small the cell. Of two seen in nearly the
    /// same direction the farther one is farther all over the cell: the distance to a convex shape grows at least as its slope g at
    /// the middle m says, d(p) >= d(m) + g (p - m); that to the nearest one's foot is at most e(m) + h (p - m) + |p - m|² / (2 e(m)).
    /// Where the difference stays above 0 for every p, the farther is left out.
    /// </remarks>
    private static Kept Seen(Obstacle[] kept, Obstacle nearest, double least, Point middle, double half)
    {
        if (kept.Length < 2)
            return new Kept([], 0, nearest, least);
        if (least <= half)
            return new Kept(kept, kept.Length, nearest, least);
        var towards = new (Point Direction, double Distance)[kept.Length];
        var slope = default(Point);
        for (var i = 0; i < kept.Length; i++)
        {
            kept[i].Grown.DistanceTo(middle, out var foot);
            towards[i] = ((foot - middle).Unit(), foot.DistanceTo(middle));
            if (kept[i] == nearest)
                slope = towards[i].Direction;
        }
        var bend = half * half / (2 * least);
        var (count, sum) = (0, default(Point));
        var seen = new Obstacle[kept.Length];
        for (var i = 0; i < kept.Length; i++)
        {
            var (direction, distance) = towards[i];
            if (kept[i] != nearest && distance - least > (direction - slope).Length * half + bend)
                continue;
            (seen[count], towards[count]) = (kept[i], towards[i]);
            sum += direction;
            count++;
        }
        if (count < 2 || AllOneWay(towards.AsSpan(0, count), sum, half))
            count = 0;
        return new Kept(seen[..count], count, nearest, least);
    }

    /// <summary>
    /// Whether all obstacles are seen to one side from everywhere in a cell. Then no narrow place has its middle there: its
    /// ends are seen in opposite directions. The way from a point to the nearest of a convex shape changes by no more than the
    /// point does, so it is enough that at the middle it reaches more than half the cell's diagonal to that side.
    /// </summary>
    private static bool AllOneWay(ReadOnlySpan<(Point Direction, double Distance)> towards, Point sum, double half)
    {
        if (sum.Length < 1e-6)
            return false;
        var side = sum.Unit();
        foreach (var (direction, distance) in towards)
            if (direction.Dot(side) * distance <= half)
                return false;
        return true;
    }

    public static (Obstacle Nearest, double Least)? NearestIn(Outermost now, Point middle)
    {
        Obstacle? nearest = null;
        var least = LeastIn(now, middle);
        now.Index.Meeting(
            Bounds.At(middle).Grown(Math.Max(0, least) + Slack),
            one =>
            {
                if (now.Holds(one) && one.Grown.DistanceTo(middle) == least && (nearest is null || Obstacle.InOrder(one, nearest) < 0))
                    nearest = one;
                return true;
            }
        );
        return nearest is null ? null : (nearest, least);
    }

    private static double LeastIn(Outermost now, Point middle) =>
        now.Index.LeastDistance(middle, (one, at) => now.Holds(one) ? one.Grown.DistanceTo(at) : double.PositiveInfinity);

    public static int CountIn(Outermost now, Point middle, double limit)
    {
        var count = 0;
        now.Index.Meeting(
            Bounds.At(middle).Grown(Math.Max(0, limit)),
            one =>
            {
                if (now.Holds(one) && IsWithin(one, middle, limit))
                    count++;
                return true;
            }
        );
        return count;
    }

    /// <summary>Whether an obstacle comes within a distance of a point; asked of its box where that decides.</summary>
    public static bool IsWithin(Obstacle one, Point middle, double limit)
    {
        var box = one.Grown.Bounds;
        if (limit < 0)
            return box.DistanceTo(middle) <= 0 && one.Grown.DistanceTo(middle) <= limit;
        var square = limit * limit;
        return box.SquareFromFarthest(middle) <= square
            || (box.SquareFromNearest(middle) <= square && one.Grown.DistanceTo(middle) <= limit);
    }
}
