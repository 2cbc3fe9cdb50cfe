using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Walkways;

/// <summary>A narrowest place between two obstacles: nothing else stands in the disc on it. Grown shapes, mm.</summary>
internal sealed record Narrow(Obstacle A, Obstacle B, Point OnA, Point OnB, double Width)
{
    /// <summary>Where on each rim it is attached; worked out once, since cells are kept from one graph to the next.</summary>
    public double PositionA { get; } = A.Rim.Position(OnA);
    public double PositionB { get; } = B.Rim.Position(OnB);

    private Pinch? pinch;

    /// <summary>Measured on the true shapes when it is first asked for.</summary>
    public Pinch Pinch => pinch ??= Pinch.Of(this);
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

/// <summary>What changed of the obstacles that cells are chosen from, and where each stands in the scene's order.</summary>
internal sealed record CellChanges(SceneDifference Difference, IReadOnlyDictionary<Obstacle, int> Order)
{
    /// <summary>Those that a cell had, and those that it now has.</summary>
    public CellChanges Within(Obstacle[] before, Obstacle[] now) =>
        this with
        {
            Difference = new(
                [.. Among(before, Difference.Gone, Difference.Gone)],
                [
                    .. Among(
                        now,
                        Difference.Come,
                        Difference.Come.Count > FewAsked ? new(Difference.Come, ReferenceEqualityComparer.Instance) : null
                    ),
                ]
            ),
        };

    /// <summary>So many are looked up in a cell one by one; of more, each of the cell's is looked up among them.</summary>
    private const int FewAsked = 16;

    private static IEnumerable<Obstacle> Among(Obstacle[] cell, IReadOnlyCollection<Obstacle> some, HashSet<Obstacle>? set) =>
        some.Count <= FewAsked || set is null ? some.Where(one => Array.IndexOf(cell, one) >= 0) : cell.Where(set.Contains);

    public CellChanges? Between(Obstacle[] before, Obstacle[] now) =>
        SceneDifference.Between(before, now) is { } difference ? this with { Difference = difference } : null;
}

/// <summary>
/// A quadtree over the floor. Every cell keeps the obstacles that can be nearest, or tie for nearest, anywhere in
/// it: those with distance from its middle at most the least such distance plus its diagonal. That set holds both
/// ends of every narrow place whose middle lies in the cell, and whatever would block it, so a leaf decides alone.
/// </summary>
/// <remarks>
/// A cell whose obstacles are the same objects as before is kept with all that was found in it. Far from everything many
/// obstacles are nearly as near as the nearest, however small the cell. Of two seen in nearly the same direction the farther
/// one is farther all over the cell: the distance to a convex shape grows at least as its slope g at the middle m says,
/// d(p) >= d(m) + g (p - m); that to the nearest one's foot is at most e(m) + h (p - m) + |p - m|² / (2 e(m)). Where the
/// difference stays above 0 for every p, the farther is left out.
/// </remarks>
internal sealed class GapCells
{
    private const int LeafObstacles = 7;
    private const double LeastCell = 64;

    private readonly Obstacle[] obstacles;

    /// <summary>The nearest to the cell's middle, and how far it is.</summary>
    private readonly Obstacle nearest;
    private readonly double least;
    private readonly GapCells?[]? children;
    public readonly List<Narrow> Narrows = [];
    public readonly List<Crossing> Crossings = [];

    /// <summary>The steps it took: one for each obstacle looked at, in this cell and in those below it.</summary>
    private readonly long steps;

    /// <summary>What a cell keeps of the obstacles it is chosen from: none where nothing narrow can be.</summary>
    private readonly record struct Kept(Obstacle[] Obstacles, Obstacle Nearest, double Least);

    private GapCells(Kept kept, Bounds cell, GapCells? before, CellChanges? changes, Work? work)
    {
        (obstacles, nearest, least) = kept;
        if (obstacles.Length < 2)
            return;
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
        if (obstacles.Length > Shared && (changes is null || changes.Difference.Count > FewChanges))
            Together.All(() => Child(0), () => Child(1), () => Child(2), () => Child(3));
        else
            for (var i = 0; i < 4; i++)
                Child(i);
        foreach (var child in children)
            steps += child?.steps ?? 0;

        void Child(int i)
        {
            var minX = cell.MinX + (i & 1) * half;
            var minY = cell.MinY + (i >> 1) * half;
            children[i] = Build(obstacles, new Bounds(minX, minY, minX + half, minY + half), before?.children?[i], changes, work);
        }
    }

    /// <summary>A cell with more obstacles, and more changes, than this is shared out among the processors.</summary>
    private const int Shared = 300;
    private const int FewChanges = 60;

    /// <summary>
    /// The cells over a set of obstacles; <paramref name="before"/> is an earlier tree over the same square and
    /// <paramref name="changes"/> what has changed since; with both, a cell that nothing touches is not looked at.
    /// </summary>
    public static GapCells? Build(Obstacle[] from, Bounds cell, GapCells? before, CellChanges? changes, Work? work)
    {
        Kept? kept = null;
        if (before is not null && changes is not null && !changes.Difference.Gone.Contains(before.nearest))
        {
            kept = Renewed(cell, before, changes, out var same);
            if (same)
            {
                work?.Count(before.steps);
                return before;
            }
        }
        var renewed = kept is not null;
        kept ??= Keep(from, cell);
        if (kept is not { } found)
            return null;
        if (before is not null && before.obstacles.AsSpan().SequenceEqual(found.Obstacles) && before.nearest == found.Nearest)
        {
            work?.Count(before.steps);
            return before;
        }
        // The cells below choose from what this one keeps: what changed of that is what changed for them.
        var below =
            before is null || changes is null ? null
            : renewed ? changes.Within(before.obstacles, found.Obstacles)
            : changes.Between(before.obstacles, found.Obstacles);
        return new GapCells(found, cell, before, below, work);
    }

    /// <summary>The cell's obstacles from those it had, while the nearest still is; null to look anew.</summary>
    private static Kept? Renewed(Bounds cell, GapCells before, CellChanges changes, out bool same)
    {
        same = false;
        var middle = cell.Centre;
        var half = cell.Width * Math.Sqrt(0.5);
        var limit = before.least + 2 * half;
        List<Obstacle>? come = null;
        foreach (var one in changes.Difference.Come)
        {
            if (!InReach(one))
                continue;
            var distance = one.Grown.DistanceTo(middle);
            if (distance <= before.least)
                return null;
            if (distance <= limit)
                (come ??= []).Add(one);
        }
        // Of an empty cell it is only known how far its obstacles were.
        var empty = before.obstacles.Length < 2;
        var gone = changes.Difference.Gone.Any(one => InReach(one) && (empty || Array.IndexOf(before.obstacles, one) >= 0));
        if (empty && (come is not null || gone))
            return null;
        if (come is null && !gone)
        {
            same = true;
            return null;
        }
        var kept = new List<Obstacle>(before.obstacles.Length + (come?.Count ?? 0));
        foreach (var one in before.obstacles)
            if (!gone || !changes.Difference.Gone.Contains(one))
                kept.Add(one);
        // In the order of the scene, so that what is found does not depend on what was there before.
        foreach (var one in come ?? [])
        {
            var (low, high, place) = (0, kept.Count, changes.Order[one]);
            while (low < high)
            {
                var between = (low + high) / 2;
                if (changes.Order[kept[between]] < place)
                    low = between + 1;
                else
                    high = between;
            }
            kept.Insert(low, one);
        }
        return Seen([.. kept], before.nearest, before.least, middle, half);

        // By its box: a cell inside an obstacle has a limit below 0.
        bool InReach(Obstacle one) => one.Grown.Bounds.DistanceTo(middle) <= Math.Max(limit, 0);
    }

    private static Kept? Keep(Obstacle[] from, Bounds cell)
    {
        var middle = cell.Centre;
        var half = cell.Width * Math.Sqrt(0.5);
        var distances = new double[from.Length];
        var (least, nearest) = (double.PositiveInfinity, -1);
        for (var i = 0; i < from.Length; i++)
        {
            var shape = from[i].Grown;
            // A box further off than the best so far plus the reach cannot be kept: its own distance is at least that.
            var reach = least + 2 * half;
            distances[i] = reach > 0 && shape.Bounds.DistanceTo(middle) > reach ? double.PositiveInfinity : shape.DistanceTo(middle);
            if (distances[i] < least)
                (least, nearest) = (distances[i], i);
        }
        if (nearest < 0)
            return null;
        // The whole cell lies inside one obstacle: there is no free floor in it.
        if (least <= -half)
            return new Kept([], from[nearest], least);
        var limit = least + 2 * half;
        var count = 0;
        foreach (var distance in distances)
            if (distance <= limit)
                count++;
        var kept = new Obstacle[count];
        count = 0;
        for (var i = 0; i < from.Length; i++)
            if (distances[i] <= limit)
                kept[count++] = from[i];
        return Seen(kept, from[nearest], least, middle, half);
    }

    /// <summary>Away from everything: without the obstacles that the nearest hides all over the cell, and none at all where nothing narrow can be.</summary>
    private static Kept Seen(Obstacle[] kept, Obstacle nearest, double least, Point middle, double half)
    {
        if (kept.Length < 2)
            return new Kept([], nearest, least);
        if (least <= half)
            return new Kept(kept, nearest, least);
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
        for (var i = 0; i < kept.Length; i++)
        {
            var (direction, distance) = towards[i];
            if (kept[i] != nearest && distance - least > (direction - slope).Length * half + bend)
                continue;
            (kept[count], towards[count]) = (kept[i], towards[i]);
            sum += direction;
            count++;
        }
        if (count < 2 || AllOneWay(towards.AsSpan(0, count), sum, half))
            count = 0;
        return new Kept(count == kept.Length ? kept : kept[..count], nearest, least);
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
