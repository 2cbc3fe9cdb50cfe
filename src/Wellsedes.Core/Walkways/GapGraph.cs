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
    private readonly Attachment[][] rims;
    private readonly int[] firstSlot;
    private readonly int[] faces;
    private readonly List<(int Face, int Other, Narrow Narrow)>?[] doors;
    private readonly GapCells? cells;
    private readonly Bounds square;

    /// <summary>Builds the graph; an earlier graph over nearly the same obstacles lends what has not changed.</summary>
    public static GapGraph Build(SpatialIndex<Obstacle> all, GapGraph? before = null, Work? work = null) =>
        new(Outermost(all, work), before, work);

    private GapGraph(Obstacle[] obstacles, GapGraph? before, Work? work)
    {
        this.obstacles = obstacles;
        indexes = new Dictionary<Obstacle, int>(obstacles.Length);
        for (var i = 0; i < obstacles.Length; i++)
            indexes[obstacles[i]] = i;
        square = SquareAround(obstacles, before?.square);
        cells = GapCells.Build(obstacles, square, before?.square == square ? before.cells : null, work);
        List<Narrow> narrows = [];
        List<Crossing> crossings = [];
        cells?.Collect(narrows, crossings);
        (rims, firstSlot, faces, doors) = Trace(narrows, crossings);
        NarrowCount = narrows.Count;
    }

    public int NarrowCount { get; }

    /// <summary>The obstacles that lie wholly inside no other one.</summary>
    internal IReadOnlyList<Obstacle> Outer => obstacles;

    /// <summary>Leaves out obstacles that lie wholly inside another one.</summary>
    private static Obstacle[] Outermost(SpatialIndex<Obstacle> all, Work? work)
    {
        // Of those in the very same place one is enough to look among.
        var apart = LargestOfTheSame(all.All);
        var index = apart.Count == all.Count ? all : new SpatialIndex<Obstacle>(apart, obstacle => obstacle.Grown.Bounds);
        var order = new Dictionary<Obstacle, int>(index.Count, ReferenceEqualityComparer.Instance);
        for (var i = 0; i < index.Count; i++)
            order[index.All[i]] = i;
        List<Obstacle> outer = new(index.Count);
        foreach (var one in index.All)
        {
            var box = one.Grown.Bounds;
            var (seen, covered) = (0L, false);
            // What covers it holds the middle of its box, so only that is looked at.
            index.Meeting(
                Bounds.Around([box.Centre]),
                two =>
                {
                    seen++;
                    if (two == one || !two.Grown.Bounds.Holds(box) || !two.Grown.Covers(one.Grown))
                        return true;
                    // Of two that cover each other the later stays: one of them must.
                    if (order[two] < order[one] && one.Grown.Covers(two.Grown))
                        return true;
                    covered = true;
                    return false;
                }
            );
            work?.Count(seen);
            if (!covered)
                outer.Add(one);
        }
        return [.. outer];
    }

    /// <summary>Of obstacles whose boxes are the same to a tenth of a millimetre, those that no other one of them covers; in order.</summary>
    private static List<Obstacle> LargestOfTheSame(IReadOnlyList<Obstacle> all)
    {
        var largest = new Dictionary<(long, long, long, long), Obstacle>(all.Count);
        HashSet<Obstacle>? gone = null;
        foreach (var one in all)
        {
            var box = one.Grown.Bounds;
            var place = (Tenth(box.Centre.X), Tenth(box.Centre.Y), Tenth(box.Width), Tenth(box.Height));
            if (!largest.TryAdd(place, one) && largest[place] is var other)
            {
                if (other.Grown.Covers(one.Grown))
                    (gone ??= new(ReferenceEqualityComparer.Instance)).Add(one);
                else if (one.Grown.Covers(other.Grown))
                {
                    (gone ??= new(ReferenceEqualityComparer.Instance)).Add(other);
                    largest[place] = one;
                }
            }
        }
        return gone is null ? [.. all] : [.. all.Where(obstacle => !gone.Contains(obstacle))];

        static long Tenth(double value) => (long)Math.Round(value * 10);
    }

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

    private (Attachment[][], int[], int[], List<(int, int, Narrow)>?[]) Trace(List<Narrow> narrows, List<Crossing> crossings)
    {
        var ends = new List<Attachment>[obstacles.Length];
        for (var i = 0; i < ends.Length; i++)
            ends[i] = [];
        for (var link = 0; link < narrows.Count; link++)
        {
            var narrow = narrows[link];
            ends[indexes[narrow.A]].Add(new Attachment(narrow.PositionA, link, true));
            ends[indexes[narrow.B]].Add(new Attachment(narrow.PositionB, link, false));
        }
        for (var link = 0; link < crossings.Count; link++)
        {
            var crossing = crossings[link];
            ends[indexes[crossing.A]].Add(new Attachment(crossing.PositionA, narrows.Count + link, true));
            ends[indexes[crossing.B]].Add(new Attachment(crossing.PositionB, narrows.Count + link, false));
        }
        var slotAt = new (int After, int Before)[(narrows.Count + crossings.Count) * 2];
        var first = new int[obstacles.Length + 1];
        var sorted = new Attachment[obstacles.Length][];
        for (var i = 0; i < obstacles.Length; i++)
        {
            ends[i].Sort((x, y) => x.Position != y.Position ? x.Position.CompareTo(y.Position) : x.Link.CompareTo(y.Link));
            sorted[i] = [.. ends[i]];
            var count = sorted[i].Length;
            first[i + 1] = first[i] + Math.Max(1, count);
            for (var k = 0; k < count; k++)
                slotAt[sorted[i][k].Link * 2 + (sorted[i][k].IsA ? 0 : 1)] = (first[i] + k, first[i] + (k + count - 1) % count);
        }
        var union = new UnionFind(first[^1]);
        for (var link = 0; link < narrows.Count; link++)
        {
            var (a, b) = (slotAt[link * 2], slotAt[link * 2 + 1]);
            union.Join(a.After, b.Before);
            union.Join(a.Before, b.After);
        }
        for (var i = 0; i < crossings.Count; i++)
        {
            var link = narrows.Count + i;
            var (a, b) = (slotAt[link * 2], slotAt[link * 2 + 1]);
            if (crossings[i].Enters)
                union.Join(a.Before, b.After);
            else
                union.Join(a.After, b.Before);
        }
        var face = new int[first[^1]];
        for (var slot = 0; slot < face.Length; slot++)
            face[slot] = union.Find(slot);
        var ways = new List<(int, int, Narrow)>?[face.Length];
        for (var link = 0; link < narrows.Count; link++)
        {
            var (left, right) = (face[slotAt[link * 2].After], face[slotAt[link * 2].Before]);
            if (left == right)
                continue;
            (ways[left] ??= []).Add((left, right, narrows[link]));
            (ways[right] ??= []).Add((right, left, narrows[link]));
        }
        return (sorted, first, face, ways);
    }

    /// <summary>The face that touches an obstacle's rim at a position of it; -1 when the obstacle lies inside another.</summary>
    internal int FaceAtRim(Obstacle obstacle, double position)
    {
        if (!indexes.TryGetValue(obstacle, out var index))
            return -1;
        var rim = rims[index];
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

    internal IReadOnlyList<(int Face, int Other, Narrow Narrow)> From(int face) => doors[face] ?? [];
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
