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

/// <summary>The widest way from the sources to every face, by growing one maximum spanning tree (Prim).</summary>
public sealed class WidestWays
{
    private readonly GapGraph graph;
    private readonly double[] width;
    private readonly (int Face, GapGraph.Door? Door)[] cameFrom;

    /// <summary>The narrowest place passed on the way to each face.</summary>
    private readonly Narrow?[] narrowest;

    /// <summary>What narrowed the way before it came to the source a face was reached from.</summary>
    private readonly Pinch?[] before;

    public WidestWays(GapGraph graph, IReadOnlyList<WaySource> sources)
    {
        this.graph = graph;
        width = new double[graph.SlotCount];
        cameFrom = new (int, GapGraph.Door?)[graph.SlotCount];
        narrowest = new Narrow?[graph.SlotCount];
        before = new Pinch?[graph.SlotCount];
        Array.Fill(cameFrom, (-1, null));
        var done = new bool[graph.SlotCount];
        // What comes from a source has no narrow place yet, and the source's index for the face it comes from.
        var queue = new PriorityQueue<(int Face, int From, GapGraph.Door? Door), double>();
        for (var i = 0; i < sources.Count; i++)
            if (graph.FaceAt(sources[i].At) is >= 0 and var face)
                queue.Enqueue((face, i, null), -sources[i].Width);
        while (queue.TryDequeue(out var next, out _))
        {
            if (done[next.Face])
                continue;
            if (next.Door is not { Narrow: var narrow } door)
            {
                width[next.Face] = sources[next.From].Width;
                before[next.Face] = sources[next.From].Pinch;
            }
            else
            {
                width[next.Face] = Math.Min(width[next.From], narrow.Width);
                cameFrom[next.Face] = (next.From, door);
                before[next.Face] = before[next.From];
                var passed = narrowest[next.From];
                narrowest[next.Face] = passed is not null && passed.Width <= narrow.Width ? passed : narrow;
            }
            done[next.Face] = true;
            foreach (var onward in graph.From(next.Face))
                if (!done[onward.Other])
                    queue.Enqueue((onward.Other, next.Face, onward), -Math.Min(width[next.Face], onward.Narrow.Width));
        }
    }

    /// <summary>The narrow places passed from a source to a face, the last one first.</summary>
    internal IEnumerable<GapGraph.Door> Passed(int face)
    {
        while (face >= 0 && cameFrom[face] is { Door: { } door, Face: var from })
        {
            yield return door;
            face = from;
        }
    }

    internal bool Reached(int face) => face >= 0 && width[face] > 0;

    internal double WidthTo(int face) => face < 0 ? 0 : width[face];

    /// <summary>The narrowest of the places passed to a face, measured on the true shapes; null beside a source.</summary>
    internal Pinch? PinchTo(int face)
    {
        var least = narrowest[face];
        if (before[face] is { } earlier && (least is null || earlier.Width <= least.Width))
            return earlier;
        return least?.Pinch;
    }
}
