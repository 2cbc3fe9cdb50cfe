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
    private readonly int[] faces;
    private readonly List<Door>?[] doors;
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
        (starts, attachments, firstSlot, faces, doors) = Trace(links, narrows, crossings);
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

    private (int[], Attachment[], int[], int[], List<Door>?[]) Trace(Links links, List<Narrow> narrows, List<Crossing> crossings)
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
        var slotAt = new (int After, int Before)[2 * total];
        var first = new int[obstacles.Length + 1];
        for (var i = 0; i < obstacles.Length; i++)
        {
            var rim = ends.AsSpan(start[i]..start[i + 1]);
            if (rim.Length > 1)
                rim.Sort(static (x, y) => x.Position != y.Position ? x.Position.CompareTo(y.Position) : x.Link.CompareTo(y.Link));
            first[i + 1] = first[i] + Math.Max(1, rim.Length);
            for (var k = 0; k < rim.Length; k++)
                slotAt[rim[k].Link * 2 + (rim[k].IsA ? 0 : 1)] = (first[i] + k, first[i] + (k + rim.Length - 1) % rim.Length);
        }
        var union = new UnionFind(first[^1]);
        for (var link = 0; link < total; link++)
        {
            var (a, b) = (slotAt[link * 2], slotAt[link * 2 + 1]);
            if (link < narrows.Count)
            {
                union.Join(a.After, b.Before);
                union.Join(a.Before, b.After);
            }
            else if (crossings[link - narrows.Count].Enters)
                union.Join(a.Before, b.After);
            else
                union.Join(a.After, b.Before);
        }
        var face = new int[first[^1]];
        for (var slot = 0; slot < face.Length; slot++)
            face[slot] = union.Find(slot);
        var ways = new List<Door>?[face.Length];
        for (var link = 0; link < narrows.Count; link++)
        {
            var (left, right) = (face[slotAt[link * 2].After], face[slotAt[link * 2].Before]);
            if (left == right)
                continue;
            (ways[left] ??= []).Add(new Door(right, narrows[link], false));
            (ways[right] ??= []).Add(new Door(left, narrows[link], true));
        }
        return (start, ends, first, face, ways);
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

    internal int SlotCount => faces.Length;

    /// <summary>Through a narrow place into another face; ToLeft when that lies on the left of the line from A to B.</summary>
    internal readonly record struct Door(int Other, Narrow Narrow, bool ToLeft);

    internal IReadOnlyList<Door> From(int face) => doors[face] ?? [];
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
