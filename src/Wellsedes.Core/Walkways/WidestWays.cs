using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Walkways;

/// <summary>Two things and how near they come: the place that decides how wide a way is. Width in mm from true shapes.</summary>
/// <param name="Level">The name of the level it is on when that is another than the one asked about; "" else.</param>
public sealed record Pinch(Obstacle A, Obstacle B, Point OnA, Point OnB, double Width, string Level = "")
{
    internal static Pinch Of(Narrow narrow)
    {
        // Which of the two comes first must not follow from the order they were looked at.
        var (one, other) = (narrow.A, narrow.B);
        var (onOne, onOther) = (narrow.OnA, narrow.OnB);
        if (string.CompareOrdinal(one.OwnerId, other.OwnerId) > 0)
            (one, other, onOne, onOther) = (other, one, onOther, onOne);
        var gap = Gap.Between(one.Shape, other.Shape);
        // Parallel sides are nearest all along; the place found is kept and moved onto the true sides.
        one.Shape.DistanceTo(onOne, out var onA);
        other.Shape.DistanceTo(onOther, out var onB);
        return Math.Abs(onA.DistanceTo(onB) - gap.Width) < Tolerance.Length
            ? new Pinch(one, other, onA, onB, gap.Width)
            : new Pinch(one, other, gap.A, gap.B, gap.Width);
    }
}

/// <summary>
/// The widest way from the sources to every face. Narrow places are taken the widest first, each joining what lies on its two
/// sides (Kruskal's maximum spanning tree); the one that joins a face to the sources is the narrowest on the widest way there.
/// </summary>
public sealed class WidestWays
{
    /// <summary>What joined a face: nothing yet.</summary>
    private const int Nothing = int.MinValue;

    private readonly GapGraph graph;
    private readonly IReadOnlyList<WaySource> sources;
    private readonly int[] begins;
    private readonly double[] width;

    /// <summary>The narrow place that joined each face to the sources; the complement of a source's number where that did.</summary>
    private readonly int[] joined;

    /// <summary>Through which door each face is reached; found when a route is first asked for.</summary>
    private readonly Lazy<Door?[]> through;

    /// <summary>Through a narrow place out of one face into another; ToLeft when that lies on the left of the line from A to B.</summary>
    internal sealed record Door(int Face, int Other, Narrow Narrow, bool ToLeft);

    public WidestWays(GapGraph graph, IReadOnlyList<WaySource> sources)
    {
        (this.graph, this.sources) = (graph, sources);
        begins = [.. sources.Select(source => graph.FaceAt(source.At))];
        width = new double[graph.FaceCount];
        joined = new int[graph.FaceCount];
        Array.Fill(joined, Nothing);
        var sets = new FaceSets(graph.FaceCount);
        // The sources by the width of the way up to them, between the narrow places.
        var order = Enumerable.Range(0, sources.Count).Where(i => begins[i] >= 0).OrderByDescending(i => sources[i].Width).ToArray();
        var next = 0;
        foreach (var number in graph.ByWidth)
        {
            while (next < order.Length && sources[order[next]].Width >= graph.Link(number).Narrow!.Width)
                Enter(order[next++]);
            var (left, right) = graph.SidesOf(number);
            var (a, b) = (sets.Find(left), sets.Find(right));
            if (a == b)
                continue;
            if (a == sets.Outside)
                Reach(b, graph.Link(number).Narrow!.Width, number);
            else if (b == sets.Outside)
                Reach(a, graph.Link(number).Narrow!.Width, number);
            sets.Join(a, b);
        }
        while (next < order.Length)
            Enter(order[next++]);
        through = new(Doors);

        void Enter(int source)
        {
            var root = sets.Find(begins[source]);
            if (root == sets.Outside)
                return;
            Reach(root, sources[source].Width, ~source);
            if (sets.Outside >= 0)
                sets.Join(root, sets.Outside);
            else
                sets.Outside = root;
        }

        void Reach(int root, double wide, int by)
        {
            for (var face = root; face >= 0; face = sets.After(face))
                (width[face], joined[face]) = (wide, by);
        }
    }

    /// <summary>Faces that are joined, with those of each set in a chain; one set may be outside.</summary>
    private sealed class FaceSets
    {
        private readonly int[] parent;
        private readonly int[] after;
        private readonly int[] last;

        public FaceSets(int count)
        {
            (parent, after, last) = (new int[count], new int[count], new int[count]);
            for (var i = 0; i < count; i++)
                (parent[i], after[i], last[i]) = (i, -1, i);
        }

        /// <summary>The root of the set that people come from; -1 as long as there is none.</summary>
        public int Outside { get; set; } = -1;

        public int After(int face) => after[face];

        public int Find(int i)
        {
            while (parent[i] != i)
                i = parent[i] = parent[parent[i]];
            return i;
        }

        /// <summary>The root that is outside stays a root.</summary>
        public void Join(int a, int b)
        {
            var (root, other) = b == Outside || (a != Outside && b < a) ? (b, a) : (a, b);
            parent[other] = root;
            after[last[root]] = other;
            last[root] = last[other];
        }
    }

    /// <summary>The tree of the widest ways from the sources on, face by face.</summary>
    private Door?[] Doors()
    {
        var doors = new Door?[graph.FaceCount];
        var sets = new FaceSets(graph.FaceCount);
        var beside = new List<(int Other, int Link, bool ToLeft)>?[graph.FaceCount];
        foreach (var number in graph.ByWidth)
        {
            var (left, right) = graph.SidesOf(number);
            var (a, b) = (sets.Find(left), sets.Find(right));
            if (a == b)
                continue;
            sets.Join(a, b);
            (beside[left] ??= []).Add((right, number, false));
            (beside[right] ??= []).Add((left, number, true));
        }
        // From the widest source first, over what was not joined to a wider one.
        var seen = new bool[graph.FaceCount];
        var queue = new PriorityQueue<(int Face, Door? By), double>();
        for (var i = 0; i < begins.Length; i++)
            if (begins[i] >= 0)
                queue.Enqueue((begins[i], null), -sources[i].Width);
        while (queue.TryDequeue(out var next, out var wide))
        {
            if (seen[next.Face])
                continue;
            (seen[next.Face], doors[next.Face]) = (true, next.By);
            foreach (var (other, link, toLeft) in beside[next.Face] ?? [])
                if (!seen[other] && graph.Link(link).Narrow is { } narrow)
                    queue.Enqueue((other, new Door(next.Face, other, narrow, toLeft)), Math.Max(wide, -narrow.Width));
        }
        return doors;
    }

    /// <summary>The narrow places passed from a source to a face, the last one first.</summary>
    internal IEnumerable<Door> Passed(int face)
    {
        while (face >= 0 && through.Value[face] is { } door)
        {
            yield return door;
            face = door.Face;
        }
    }

    internal bool Reached(int face) => face >= 0 && width[face] > 0;

    internal double WidthTo(int face) => face < 0 ? 0 : width[face];

    /// <summary>The narrowest of the places passed to a face, measured on the true shapes; null beside a source.</summary>
    internal Pinch? PinchTo(int face) =>
        joined[face] switch
        {
            Nothing => null,
            < 0 and var source => sources[~source].Pinch,
            var link => graph.Link(link).Narrow!.Pinch,
        };

    /// <summary>Whether a face that is in both graphs is reached as widely as in another, and through the same narrowest place.</summary>
    internal bool IsReachedAlike(int face, WidestWays other)
    {
        if (face < 0)
            return true;
        if (width[face] != other.width[face] || joined[face] != other.joined[face])
            return false;
        return joined[face] is >= 0 or Nothing || sources[~joined[face]].Pinch == other.sources[~joined[face]].Pinch;
    }
}
