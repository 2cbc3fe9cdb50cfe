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

    /// <summary>The door each face was reached through; -1 where a source lies, or nobody gets.</summary>
    private readonly int[] through;

    /// <summary>The narrowest place passed on the way to each face.</summary>
    private readonly Narrow?[] narrowest;

    /// <summary>The source each face was reached from.</summary>
    private readonly int[] origin;
    private readonly IReadOnlyList<WaySource> sources;

    public WidestWays(GapGraph graph, IReadOnlyList<WaySource> sources)
    {
        (this.graph, this.sources) = (graph, sources);
        width = new double[graph.FaceCount];
        through = new int[graph.FaceCount];
        narrowest = new Narrow?[graph.FaceCount];
        origin = new int[graph.FaceCount];
        Array.Fill(through, -1);
        var done = new bool[graph.FaceCount];
        // A door, or past the last of them a source: that has no narrow place yet.
        var queue = new PriorityQueue<int, double>(graph.FaceCount);
        var doors = graph.DoorCount;
        var begins = new int[sources.Count];
        for (var i = 0; i < sources.Count; i++)
        {
            begins[i] = graph.FaceAt(sources[i].At);
            if (begins[i] >= 0)
                queue.Enqueue(doors + i, -sources[i].Width);
        }
        while (queue.TryDequeue(out var next, out _))
        {
            var face = next >= doors ? begins[next - doors] : graph[next].Other;
            if (done[face])
                continue;
            if (next >= doors)
            {
                width[face] = sources[next - doors].Width;
                origin[face] = next - doors;
            }
            else
            {
                ref readonly var door = ref graph[next];
                width[face] = Math.Min(width[door.Face], door.Narrow.Width);
                through[face] = next;
                origin[face] = origin[door.Face];
                var passed = narrowest[door.Face];
                narrowest[face] = passed is not null && passed.Width <= door.Narrow.Width ? passed : door.Narrow;
            }
            done[face] = true;
            var (first, last) = graph.From(face);
            for (var i = first; i < last; i++)
                if (!done[graph[i].Other])
                    queue.Enqueue(i, -Math.Min(width[face], graph[i].Narrow.Width));
        }
    }

    /// <summary>The narrow places passed from a source to a face, the last one first.</summary>
    internal IEnumerable<GapGraph.Door> Passed(int face)
    {
        while (face >= 0 && through[face] >= 0)
        {
            var door = graph[through[face]];
            yield return door;
            face = door.Face;
        }
    }

    internal bool Reached(int face) => face >= 0 && width[face] > 0;

    internal double WidthTo(int face) => face < 0 ? 0 : width[face];

    /// <summary>The narrowest of the places passed to a face, measured on the true shapes; null beside a source.</summary>
    internal Pinch? PinchTo(int face)
    {
        var least = narrowest[face];
        if (
            width[face] > 0
            && sources.Count > 0
            && sources[origin[face]].Pinch is { } earlier
            && (least is null || earlier.Width <= least.Width)
        )
            return earlier;
        return least?.Pinch;
    }
}
