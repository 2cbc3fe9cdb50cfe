using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Walkways;

/// <summary>Two things and how near they come: the place that decides how wide a way is. Width in mm from true shapes.</summary>
public sealed record Pinch(Obstacle A, Obstacle B, Point OnA, Point OnB, double Width)
{
    internal static Pinch Of(Narrow narrow)
    {
        var gap = Gap.Between(narrow.A.Shape, narrow.B.Shape);
        // Parallel sides are nearest all along; the place found is kept and moved onto the true sides.
        narrow.A.Shape.DistanceTo(narrow.OnA, out var onA);
        narrow.B.Shape.DistanceTo(narrow.OnB, out var onB);
        return Math.Abs(onA.DistanceTo(onB) - gap.Width) < Tolerance.Length
            ? new Pinch(narrow.A, narrow.B, onA, onB, gap.Width)
            : new Pinch(narrow.A, narrow.B, gap.A, gap.B, gap.Width);
    }
}

/// <summary>The widest way from the sources to every face, by growing one maximum spanning tree (Prim).</summary>
public sealed class WidestWays
{
    private readonly GapGraph graph;
    private readonly double[] width;
    private readonly (int Face, Narrow Narrow)[] cameFrom;

    /// <summary>The narrowest place passed on the way to each face.</summary>
    private readonly Narrow?[] narrowest;
    private readonly Dictionary<Narrow, Pinch> pinches = new(ReferenceEqualityComparer.Instance);

    public WidestWays(GapGraph graph, IEnumerable<Point> sources)
    {
        this.graph = graph;
        width = new double[graph.SlotCount];
        cameFrom = new (int, Narrow)[graph.SlotCount];
        narrowest = new Narrow?[graph.SlotCount];
        Array.Fill(cameFrom, (-1, null!));
        var done = new bool[graph.SlotCount];
        var queue = new PriorityQueue<(int Face, int From, Narrow Narrow), double>();
        foreach (var source in sources)
        {
            var face = graph.FaceAt(source);
            if (face < 0 || done[face])
                continue;
            width[face] = double.PositiveInfinity;
            Open(face);
        }
        while (queue.TryDequeue(out var next, out _))
        {
            if (done[next.Face])
                continue;
            width[next.Face] = Math.Min(width[next.From], next.Narrow.Width);
            cameFrom[next.Face] = (next.From, next.Narrow);
            var before = narrowest[next.From];
            narrowest[next.Face] = before is not null && before.Width <= next.Narrow.Width ? before : next.Narrow;
            Open(next.Face);
        }

        void Open(int face)
        {
            done[face] = true;
            foreach (var (_, other, narrow) in graph.From(face))
                if (!done[other])
                    queue.Enqueue((other, face, narrow), -narrow.Width);
        }
    }

    /// <summary>The narrow places passed from a source to a face, the last one first.</summary>
    internal IEnumerable<Narrow> Passed(int face)
    {
        while (face >= 0 && cameFrom[face].Narrow is { } narrow)
        {
            yield return narrow;
            face = cameFrom[face].Face;
        }
    }

    internal bool Reached(int face) => face >= 0 && width[face] > 0;

    internal double WidthTo(int face) => face < 0 ? 0 : width[face];

    /// <summary>The narrowest of the places passed to a face, measured on the true shapes; null beside a source.</summary>
    internal Pinch? PinchTo(int face)
    {
        var least = narrowest[face];
        if (least is null)
            return null;
        if (!pinches.TryGetValue(least, out var pinch))
            pinches[least] = pinch = Pinch.Of(least);
        return pinch;
    }
}
