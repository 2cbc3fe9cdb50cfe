using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Walkways;

/// <summary>
/// The narrow places of a floor and the open faces between them. Going from one face to the next means passing one
/// narrow place, so the widest way anywhere is a path of a maximum spanning tree over the faces.
/// </summary>
/// <remarks>
/// Why this is exact: the clearance of a floor has its saddles where two obstacles are nearest each other with an
/// empty disc between, and its maxima inside the faces; segments of empty discs do not cross, so sorting their ends
/// round each obstacle gives the faces without any triangulation.
/// </remarks>
public sealed class GapGraph
{
    /// <summary>One end of a narrow place or crossing on the rim of an obstacle.</summary>
    private readonly record struct Attachment(double Position, int Link, bool IsA);

    private readonly Dictionary<Obstacle, int> indexes;
    private readonly Obstacle[] obstacles;

    /// <summary>The attachments of every rim, one rim after another in the order they are walked; where each rim's begin.</summary>
    private readonly Attachment[] attachments;
    private readonly int[] starts;
    private readonly int[] firstSlot;

    /// <summary>The face of every slot, numbered from 0.</summary>
    private readonly int[] faces;

    /// <summary>Two doors for each narrow place, those out of a face one after another; where each face's begin.</summary>
    private readonly Door[] doors;
    private readonly int[] firstDoor;
    private readonly GapCells? cells;
    private readonly Bounds square;

    private readonly Outermost outermost;

    /// <summary>Builds the graph; an earlier graph over nearly the same obstacles lends what has not changed.</summary>
    public static GapGraph Build(SpatialIndex<Obstacle> all, GapGraph? before = null, Work? work = null) =>
        new(Outermost.Of(all, before?.outermost, work), before, work);

    private GapGraph(Outermost outermost, GapGraph? before, Work? work)
    {
        this.outermost = outermost;
        obstacles = outermost.Obstacles;
        indexes = Outermost.OrderOf(obstacles);
        square = SquareAround(obstacles, before?.square);
        var earlier = before?.square == square ? before : null;
        var difference = earlier is null ? null : SceneDifference.Between(earlier.obstacles, obstacles);
        cells = GapCells.Build(obstacles, square, earlier?.cells, difference is null ? null : new(difference, indexes), work);
        List<Narrow> narrows = new(earlier?.NarrowCount ?? 0);
        List<Crossing> crossings = [];
        cells?.Collect(narrows, crossings);
        var links = new Links(indexes, narrows, crossings);
        (starts, attachments) = Rims(links, narrows, crossings);
        (firstSlot, var slots) = Slots(starts, attachments);
        (faces, FaceCount) = Faces(slots, firstSlot[^1], narrows.Count, crossings);
        (firstDoor, doors) = Doors(slots, faces, FaceCount, narrows);
        NarrowCount = narrows.Count;
    }

    public int NarrowCount { get; }

    /// <summary>Whether an obstacle lies wholly inside no other one.</summary>
    internal bool Holds(Obstacle obstacle) => indexes.ContainsKey(obstacle);

    /// <summary>The obstacles that lie wholly inside no other one.</summary>
    internal IReadOnlyList<Obstacle> Outer => obstacles;

    /// <summary>A square that holds everything; its size steps in powers of two so that small moves keep it.</summary>
    private static Bounds SquareAround(Obstacle[] obstacles, Bounds? before)
    {
        var box = obstacles.Aggregate(Bounds.Empty, (sum, o) => sum.Including(o.Grown.Bounds));
        if (box.IsEmpty)
            return new Bounds(0, 0, 1, 1);
        if (before is { } old && old.Including(box) == old && old.Width < 8 * Math.Max(box.Width, box.Height))
            return old;
        double size = 1024;
        while (size < Math.Max(box.Width, box.Height) + 2000)
            size *= 2;
        var (x, y) = (Math.Floor((box.MinX - 1000) / 512) * 512, Math.Floor((box.MinY - 1000) / 512) * 512);
        if (x + size < box.MaxX + 1 || y + size < box.MaxY + 1)
            size *= 2;
        return new Bounds(x, y, x + size, y + size);
    }

    /// <summary>Which two obstacles each link joins, narrow places first, then crossings.</summary>
    private readonly struct Links
    {
        public readonly int[] OfA;
        public readonly int[] OfB;

        public Links(Dictionary<Obstacle, int> indexes, List<Narrow> narrows, List<Crossing> crossings)
        {
            var count = narrows.Count + crossings.Count;
            (OfA, OfB) = (new int[count], new int[count]);
            for (var link = 0; link < narrows.Count; link++)
                (OfA[link], OfB[link]) = (indexes[narrows[link].A], indexes[narrows[link].B]);
            for (var link = 0; link < crossings.Count; link++)
                (OfA[narrows.Count + link], OfB[narrows.Count + link]) = (indexes[crossings[link].A], indexes[crossings[link].B]);
        }
    }

    /// <summary>The attachments of every rim in the order they are walked, and where each rim's begin.</summary>
    private (int[], Attachment[]) Rims(Links links, List<Narrow> narrows, List<Crossing> crossings)
    {
        var total = links.OfA.Length;
        var start = new int[obstacles.Length + 1];
        for (var link = 0; link < total; link++)
        {
            start[links.OfA[link] + 1]++;
            start[links.OfB[link] + 1]++;
        }
        for (var i = 0; i < obstacles.Length; i++)
            start[i + 1] += start[i];
        var fill = start[..obstacles.Length];
        var ends = new Attachment[2 * total];
        for (var link = 0; link < total; link++)
        {
            var (a, b) =
                link < narrows.Count
                    ? (narrows[link].PositionA, narrows[link].PositionB)
                    : (crossings[link - narrows.Count].PositionA, crossings[link - narrows.Count].PositionB);
            ends[fill[links.OfA[link]]++] = new Attachment(a, link, true);
            ends[fill[links.OfB[link]]++] = new Attachment(b, link, false);
        }
        for (var i = 0; i < obstacles.Length; i++)
            if (start[i + 1] - start[i] > 1)
                ends.AsSpan(start[i]..start[i + 1])
                    .Sort(static (x, y) => x.Position != y.Position ? x.Position.CompareTo(y.Position) : x.Link.CompareTo(y.Link));
        return (start, ends);
    }

    /// <summary>A stretch of rim between two attachments is a slot. The first of each rim, and those after and before each end of a link.</summary>
    private static (int[], (int After, int Before)[]) Slots(int[] start, Attachment[] ends)
    {
        var first = new int[start.Length];
        var slotAt = new (int After, int Before)[ends.Length];
        for (var i = 0; i + 1 < start.Length; i++)
        {
            var length = start[i + 1] - start[i];
            first[i + 1] = first[i] + Math.Max(1, length);
            for (var k = 0; k < length; k++)
            {
                var end = ends[start[i] + k];
                slotAt[end.Link * 2 + (end.IsA ? 0 : 1)] = (first[i] + k, first[i] + (k == 0 ? length : k) - 1);
            }
        }
        return (first, slotAt);
    }

    /// <summary>Slots on the two sides of a narrow place belong to one face each, and so do those that meet where rims cross.</summary>
    private static (int[], int) Faces((int After, int Before)[] slotAt, int slots, int narrows, List<Crossing> crossings)
    {
        var union = new UnionFind(slots);
        for (var link = 0; link < slotAt.Length / 2; link++)
        {
            var (a, b) = (slotAt[link * 2], slotAt[link * 2 + 1]);
            if (link < narrows)
            {
                union.Join(a.After, b.Before);
                union.Join(a.Before, b.After);
            }
            else if (crossings[link - narrows].Enters)
                union.Join(a.Before, b.After);
            else
                union.Join(a.After, b.Before);
        }
        // The least slot of a face stands for it, so it comes first and gives the number.
        var face = new int[slots];
        var count = 0;
        for (var slot = 0; slot < slots; slot++)
        {
            var least = union.Find(slot);
            face[slot] = least == slot ? count++ : face[least];
        }
        return (face, count);
    }

    private static (int[], Door[]) Doors((int After, int Before)[] slotAt, int[] face, int faces, List<Narrow> narrows)
    {
        var first = new int[faces + 1];
        for (var link = 0; link < narrows.Count; link++)
        {
            var (left, right) = (face[slotAt[link * 2].After], face[slotAt[link * 2].Before]);
            if (left == right)
                continue;
            first[left + 1]++;
            first[right + 1]++;
        }
        for (var i = 0; i < faces; i++)
            first[i + 1] += first[i];
        var fill = first[..faces];
        var doors = new Door[first[faces]];
        for (var link = 0; link < narrows.Count; link++)
        {
            var (left, right) = (face[slotAt[link * 2].After], face[slotAt[link * 2].Before]);
            if (left == right)
                continue;
            doors[fill[left]++] = new Door(left, right, narrows[link], false);
            doors[fill[right]++] = new Door(right, left, narrows[link], true);
        }
        return (first, doors);
    }

    /// <summary>The face that touches an obstacle's rim at a position of it; -1 when the obstacle lies inside another.</summary>
    internal int FaceAtRim(Obstacle obstacle, double position)
    {
        if (!indexes.TryGetValue(obstacle, out var index))
            return -1;
        var rim = attachments.AsSpan(starts[index]..starts[index + 1]);
        var slot = rim.Length == 0 ? 0 : rim.Length - 1;
        for (var k = 0; k < rim.Length && rim[k].Position <= position; k++)
            slot = k;
        return faces[firstSlot[index] + slot];
    }

    /// <summary>The face an open point lies in: that of its nearest obstacle. -1 inside an obstacle or with none.</summary>
    internal int FaceAt(Point p) => NearestRim(p, obstacles) is ({ } nearest, var position) ? FaceAtRim(nearest, position) : -1;

    /// <summary>The nearest of some obstacles to a point and where on its rim; none when the point lies inside one.</summary>
    internal (Obstacle? Nearest, double Position) NearestRim(Point p, IReadOnlyList<Obstacle> near)
    {
        Obstacle? nearest = null;
        var least = double.PositiveInfinity;
        var foot = p;
        foreach (var obstacle in near)
        {
            var distance = obstacle.Grown.DistanceTo(p, out var on);
            if (distance >= least || !indexes.ContainsKey(obstacle))
                continue;
            (nearest, least, foot) = (obstacle, distance, on);
        }
        return nearest is null || least <= 0 ? (null, 0) : (nearest, nearest.Rim.Position(foot));
    }

    internal int FaceCount { get; }

    /// <summary>Through a narrow place out of one face into another; ToLeft when that lies on the left of the line from A to B.</summary>
    internal readonly record struct Door(int Face, int Other, Narrow Narrow, bool ToLeft);

    internal int DoorCount => doors.Length;

    internal ref readonly Door this[int door] => ref doors[door];

    /// <summary>The doors out of a face: from the first up to, but not with, the last.</summary>
    internal (int First, int Last) From(int face) => (firstDoor[face], firstDoor[face + 1]);
}

/// <summary>Disjoint sets with path halving.</summary>
internal sealed class UnionFind(int count)
{
    private readonly int[] parent = [.. Enumerable.Range(0, count)];

    public int Find(int i)
    {
        while (parent[i] != i)
            i = parent[i] = parent[parent[i]];
        return i;
    }

    public void Join(int a, int b)
    {
        (a, b) = (Find(a), Find(b));
        if (a != b)
            parent[Math.Max(a, b)] = Math.Min(a, b);
    }
}
