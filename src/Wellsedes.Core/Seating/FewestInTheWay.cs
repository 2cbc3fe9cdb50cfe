using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Seating;

/// <summary>
/// Of the things of a fill the fewest that stand in a way: over a grid each thing that is entered costs more than any detour, so the cheapest way
/// (Dijkstra) crosses the fewest of them, and of such ways it is the shortest.
/// </summary>
/// <param name="box">The floor and some ground round about it, in mm.</param>
/// <param name="clearance">How far a point is from what stays, in mm, no more than the bound it is given.</param>
/// <param name="things">What may be left out.</param>
/// <param name="width">The clear width of the way, in mm.</param>
/// <param name="arrivals">Where people come onto the floor besides from the rim of the box: off stairs.</param>
internal sealed class FewestInTheWay(
    Bounds box,
    Func<Point, double, double> clearance,
    SpatialIndex<(string Id, Convex Shape)> things,
    double width,
    IReadOnlyCollection<Point>? arrivals = null
)
{
    /// <summary>From one point that is looked at to the next, in mm.</summary>
    private const double Cell = 250;

    /// <summary>What one thing costs, as a length in mm.</summary>
    private const double Each = 1e6;

    /// <summary>No more points are looked at: a site beyond that has its things found at the pinches.</summary>
    private const int MostPoints = 250_000;

    private readonly int across = (int)(box.Width / Cell) + 1;
    private readonly int deep = (int)(box.Height / Cell) + 1;
    private readonly Dictionary<int, string[]?> known = [];

    /// <summary>The ids of those that stand in the way from the rim of the box, or from where people arrive, to a point; empty where there is no way at all, or none stands in it.</summary>
    public IReadOnlyCollection<string> To(Point goal)
    {
        if ((long)across * deep > MostPoints)
            return [];
        var cost = new Dictionary<int, double>();
        var from = new Dictionary<int, int>();
        var queue = new PriorityQueue<int, double>();
        foreach (var start in Rim().Concat((arrivals ?? []).Where(box.Holds).Select(CellAt)))
            if (At(start) is { } stands)
                Reach(start, -1, stands.Length * Each);
        while (queue.TryDequeue(out var cell, out var sofar))
        {
            if (sofar > cost[cell])
                continue;
            if (PointOf(cell).DistanceTo(goal) <= Cell)
                return Along(cell, from);
            var here = At(cell)!;
            foreach (var next in Beside(cell))
                if (At(next) is { } there)
                    Reach(next, cell, sofar + Cell + Each * there.Count(id => !here.Contains(id)));
        }
        return [];

        void Reach(int cell, int by, double costs)
        {
            if (cost.TryGetValue(cell, out var before) && before <= costs)
                return;
            (cost[cell], from[cell]) = (costs, by);
            queue.Enqueue(cell, costs);
        }
    }

    private HashSet<string> Along(int cell, Dictionary<int, int> from)
    {
        HashSet<string> crossed = [];
        for (var at = cell; at >= 0; at = from[at])
            crossed.UnionWith(At(at)!);
        return crossed;
    }

    private int CellAt(Point p) => (int)((p.Y - box.MinY) / Cell) * across + (int)((p.X - box.MinX) / Cell);

    private Point PointOf(int cell) => new(box.MinX + cell % across * Cell, box.MinY + cell / across * Cell);

    private IEnumerable<int> Rim() =>
        Enumerable
            .Range(0, across)
            .SelectMany(x => (int[])[x, (deep - 1) * across + x])
            .Concat(Enumerable.Range(0, deep).SelectMany(y => (int[])[y * across, y * across + across - 1]));

    private IEnumerable<int> Beside(int cell)
    {
        var (x, y) = (cell % across, cell / across);
        if (x > 0)
            yield return cell - 1;
        if (x < across - 1)
            yield return cell + 1;
        if (y > 0)
            yield return cell - across;
        if (y < deep - 1)
            yield return cell + across;
    }

    /// <summary>The things that the way would meet at a point; null where it meets what stays.</summary>
    private string[]? At(int cell)
    {
        if (known.TryGetValue(cell, out var met))
            return met;
        var (at, half) = (PointOf(cell), width / 2);
        // What is passed a little nearer than asked is a matter of the grid; the walkway analysis judges.
        var slack = Math.Min(Cell / 2, half / 2);
        met =
            clearance(at, half) < half - slack
                ? null
                :
                [
                    .. things
                        .Meeting(Bounds.At(at).Grown(half))
                        .Where(thing => thing.Shape.DistanceTo(at) < half)
                        .Select(thing => thing.Id)
                        .Distinct(),
                ];
        return known[cell] = met;
    }
}
