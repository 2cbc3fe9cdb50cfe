using Wellsedes.Core.Geometry;
using static Wellsedes.Core.Walkways.CellChoice;

namespace Wellsedes.Core.Walkways;

/// <summary>
/// A quadtree over the floor. Every cell stands for the obstacles that can be nearest, or tie for nearest, anywhere in
/// it: those with distance from its middle at most the least such distance plus its diagonal. That set holds both
/// ends of every narrow place whose middle lies in the cell, and whatever would block it, so a leaf decides alone.
/// </summary>
/// <remarks>
/// What a cell stands for follows from all obstacles and the cell alone. So after a change a cell that nothing which went or
/// came is in reach of is kept with all below it, and one that something is in reach of is worked out from what is near it.
/// </remarks>
internal sealed class GapCells
{
    private const int LeafObstacles = 10;
    private const double LeastCell = 64;

    /// <summary>The nearest to the cell's middle, and how far it is.</summary>
    private readonly Obstacle nearest;
    private readonly double least;

    /// <summary>How many the cell stands for.</summary>
    private readonly int count;

    /// <summary>Those of a leaf in their order; of a cell with cells below it none.</summary>
    private readonly Obstacle[] obstacles;
    private readonly GapCells?[]? children;
    private readonly Narrow[] narrows = [];
    private readonly Crossing[] crossings = [];

    /// <summary>The steps it took: one for each obstacle looked at, in this cell and in those below it.</summary>
    private readonly long steps;

    private bool IsLeaf => children is null;

    private static bool IsSmall(int count, Bounds cell) => count <= LeafObstacles || cell.Width <= LeastCell;

    /// <summary>A cell with nothing narrow in it, or a leaf.</summary>
    /// <param name="before">The leaf of before: places that are still the same stay the same objects.</param>
    private GapCells(Kept kept, Bounds cell, GapCells? before, Work? work)
    {
        (obstacles, count, nearest, least) = kept;
        if (count < 2)
            return;
        // Each pair is held against every other obstacle of the leaf.
        steps = (long)count * count * count / 8 + count;
        work?.Count(steps);
        var search = new LeafSearch(obstacles, cell);
        search.Run();
        narrows = [.. search.Narrows];
        crossings = [.. search.Crossings];
        if (before is null)
            return;
        for (var i = 0; i < narrows.Length; i++)
            if (Array.Find(before.narrows, narrows[i].IsSame) is { } same)
                narrows[i] = same;
        for (var i = 0; i < crossings.Length; i++)
            if (Array.Find(before.crossings, crossings[i].IsSame) is { } same)
                crossings[i] = same;
    }

    private GapCells(int count, Obstacle nearest, double least, GapCells?[] children)
    {
        (this.count, this.nearest, this.least, this.children) = (count, nearest, least, children);
        obstacles = [];
        steps = 4L * count;
        foreach (var child in children)
            steps += child?.steps ?? 0;
    }

    /// <summary>A cell with more obstacles, and more changes, than this is shared out among the processors.</summary>
    private const int Shared = 300;
    private const int FewChanges = 60;

    /// <summary>The cells over some obstacles, worked out from nothing.</summary>
    /// <param name="from">All that can be in reach of the cell, in their order.</param>
    public static GapCells? Build(Obstacle[] from, Bounds cell, Outermost now, Work? work)
    {
        if (IsBeside(cell, now.Box) || Keep(from, cell, out var handed) is not { } kept)
            return null;
        if (kept.Count < 2 || IsSmall(kept.Count, cell))
            return new GapCells(kept, cell, null, work);
        work?.Count(4L * kept.Count);
        var below = new GapCells?[4];
        if (kept.Count > Shared)
            Together.All(() => Child(0), () => Child(1), () => Child(2), () => Child(3));
        else
            for (var i = 0; i < 4; i++)
                Child(i);
        return new GapCells(kept.Count, kept.Nearest, kept.Least, below);

        void Child(int i) => below[i] = Build(handed, Quarter(cell, i), now, work);
    }

    /// <summary>
    /// Whether everything lies to one side of a cell, seen from anywhere in it: then nothing narrow has its middle there, whose ends
    /// are seen in opposite directions.
    /// </summary>
    private static bool IsBeside(Bounds cell, Bounds box) =>
        cell.MaxX < box.MinX || cell.MinX > box.MaxX || cell.MaxY < box.MinY || cell.MinY > box.MaxY;

    private static Bounds Quarter(Bounds cell, int i)
    {
        var half = cell.Width / 2;
        var (x, y) = (cell.MinX + (i & 1) * half, cell.MinY + (i >> 1) * half);
        return new Bounds(x, y, x + half, y + half);
    }

    /// <summary>
    /// The cells after a change. <paramref name="before"/> stood over the same square; <paramref name="now"/> holds what is there
    /// now; what went and came may be left out where it is not in reach of the cell.
    /// </summary>
    /// <param name="from">All that can be in reach of the cell, in their order, where that is known already.</param>
    public static GapCells? Renew(
        Bounds cell,
        GapCells? before,
        Obstacle[] gone,
        Obstacle[] come,
        Obstacle[]? from,
        Outermost now,
        Work? work
    )
    {
        if (IsBeside(cell, now.Box))
            return null;
        if (before is null)
            return Build(from ?? Near(cell, now), cell, now, work);
        var middle = cell.Centre;
        var half = cell.Width * Math.Sqrt(0.5);
        var limit = before.least + 2 * half;
        var goneHere = InReach(ref gone, middle, limit);
        var comeHere = InReach(ref come, middle, limit);
        var changes = goneHere.Length + comeHere.Length;
        if (changes == 0)
        {
            work?.Count(before.steps);
            return before;
        }
        var stays = Array.IndexOf(goneHere, before.nearest) < 0 && !Array.Exists(comeHere, one => IsNearer(one, middle, before));
        if (before.IsLeaf)
        {
            if (
                stays
                && before.count >= 2
                && before.least <= half
                && Changed(before, goneHere, comeHere) is var changed
                && IsSmall(changed.Length, cell)
            )
                return new GapCells(new Kept(changed, changed.Length, before.nearest, before.least), cell, before, work);
            if (Keep(from ?? Near(cell, now), cell, out var all) is not { } leaf)
                return null;
            return leaf.Count < 2 || IsSmall(leaf.Count, cell) ? new GapCells(leaf, cell, before, work) : Build(all, cell, now, work);
        }
        // Where much has changed it is quicker to choose from what a cell hands down than to look for it again and again.
        if (from is null && before.count <= Handed && changes > before.count / 4)
            from = Near(cell, now);
        // Where most has changed it is not asked of each cell below what of it stays.
        if (from is not null && changes > before.count)
            return Build(from, cell, now, work);
        Obstacle[]? handed = null;
        if ((from is null ? Counted() : null) is not { } kept)
        {
            if (Keep(from ?? Near(cell, now), cell, out handed) is not { } chosen)
                return null;
            if (chosen.Count < 2 || IsSmall(chosen.Count, cell))
                return new GapCells(chosen, cell, null, work);
            kept = chosen;
        }
        work?.Count(4L * kept.Count);
        var below = new GapCells?[4];
        if (kept.Count > Shared && changes > FewChanges)
            Together.All(() => Child(0), () => Child(1), () => Child(2), () => Child(3));
        else
            for (var i = 0; i < 4; i++)
                Child(i);
        return new GapCells(kept.Count, kept.Nearest, kept.Least, below);

        void Child(int i) => below[i] = Renew(Quarter(cell, i), before.children![i], gone, come, handed, now, work);

        // How many the cell stands for, without asking which; null where that must be known.
        Kept? Counted()
        {
            var (nearest, least) = (before.nearest, before.least);
            if (!stays)
            {
                if (NearestIn(now, middle) is not { } found)
                    return null;
                (nearest, least) = found;
            }
            // Away from everything some that are in reach are not kept; inside something there is nothing to keep.
            if (least > half || least <= -half)
                return null;
            var count = stays ? before.count - goneHere.Length + comeHere.Length : CountIn(now, middle, least + 2 * half);
            return IsSmall(count, cell) ? null : new Kept([], count, nearest, least);
        }
    }

    /// <summary>A cell with no more than this looks for all that is in reach of it at once where much has changed.</summary>
    private const int Handed = 400;

    /// <summary>Those within a limit of a cell's middle; of the others those are dropped that are in reach of no cell below it.</summary>
    private static Obstacle[] InReach(ref Obstacle[] some, Point middle, double limit)
    {
        List<Obstacle>? found = null;
        var far = 0;
        List<Obstacle>? below = null;
        for (var i = 0; i < some.Length; i++)
        {
            var one = some[i];
            if (IsWithin(one, middle, limit))
                (found ??= []).Add(one);
            else if (!IsWithin(one, middle, limit + Slack))
            {
                far++;
                continue;
            }
            (below ??= []).Add(one);
        }
        if (far > 0)
            some = below is null ? [] : [.. below];
        return found is null ? []
            : found.Count == some.Length ? some
            : [.. found];
    }

    private static bool IsNearer(Obstacle one, Point middle, GapCells before)
    {
        var distance = one.Grown.DistanceTo(middle);
        return distance < before.least || (distance == before.least && Obstacle.InOrder(one, before.nearest) < 0);
    }

    /// <summary>A leaf's obstacles, less those that went and with those that came, in their order.</summary>
    private static Obstacle[] Changed(GapCells before, Obstacle[] gone, Obstacle[] come)
    {
        var kept = new List<Obstacle>(before.obstacles.Length + come.Length);
        foreach (var one in before.obstacles)
            if (Array.IndexOf(gone, one) < 0)
                kept.Add(one);
        if (come.Length > 0)
        {
            kept.AddRange(come);
            kept.Sort(Obstacle.InOrder);
        }
        return [.. kept];
    }

    /// <summary>Adds what is narrow or crosses in the cells of before and no more, and what in those of now and not yet then.</summary>
    public static void Compare(GapCells? before, GapCells? now, LinkChanges changes)
    {
        if (before == now)
            return;
        if (before is { IsLeaf: false } && now is { IsLeaf: false })
        {
            for (var i = 0; i < 4; i++)
                Compare(before.children![i], now.children![i], changes);
            return;
        }
        if (before is { IsLeaf: false } || now is { IsLeaf: false })
        {
            before?.Collect(changes.NarrowsGone, changes.CrossingsGone);
            now?.Collect(changes.NarrowsCome, changes.CrossingsCome);
            return;
        }
        Without(before?.narrows, now?.narrows, changes.NarrowsGone);
        Without(now?.narrows, before?.narrows, changes.NarrowsCome);
        Without(before?.crossings, now?.crossings, changes.CrossingsGone);
        Without(now?.crossings, before?.crossings, changes.CrossingsCome);

        static void Without<T>(T[]? some, T[]? others, List<T> rest)
            where T : class
        {
            foreach (var one in some ?? [])
                if (others is null || !Array.Exists(others, other => ReferenceEquals(other, one)))
                    rest.Add(one);
        }
    }

    private void Collect(List<Narrow> into, List<Crossing> crossingsInto)
    {
        if (children is null)
        {
            into.AddRange(narrows);
            crossingsInto.AddRange(crossings);
            return;
        }
        foreach (var child in children)
            child?.Collect(into, crossingsInto);
    }
}
