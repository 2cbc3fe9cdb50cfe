namespace Wellsedes.Core.Geometry;

/// <summary>
/// Things by their boxes, to find those that meet a place: a packed tree of boxes (sort-tile-recursive, Leutenegger and
/// others 1997), built once and read by any thread. Its cost is that of the things, not of the floor they lie on.
/// </summary>
public sealed class SpatialIndex<T>
{
    private const int PerNode = 8;

    private readonly T[] things;
    private readonly Bounds[] boxes;

    /// <summary>Order of the things in the lowest row of the tree.</summary>
    private readonly int[] order;

    /// <summary>Rows of boxes from the lowest up; entry i of a row covers entries 8 i to 8 i + 7 of the row below.</summary>
    private readonly Bounds[][] rows;

    public SpatialIndex(IReadOnlyList<T> things, Func<T, Bounds> boxOf)
    {
        var count = things.Count;
        this.things = new T[count];
        boxes = new Bounds[count];
        order = new int[count];
        var keys = new double[count];
        for (var i = 0; i < count; i++)
        {
            this.things[i] = things[i];
            boxes[i] = boxOf(things[i]);
            order[i] = i;
            keys[i] = boxes[i].MinX + boxes[i].MaxX;
        }
        Array.Sort(keys, order);
        var slices = (int)Math.Ceiling(Math.Sqrt((double)count / PerNode));
        var perSlice = slices == 0 ? 0 : (count + slices * PerNode - 1) / (slices * PerNode) * PerNode;
        for (var from = 0; from < count; from += perSlice)
        {
            var length = Math.Min(perSlice, count - from);
            for (var i = from; i < from + length; i++)
                keys[i] = boxes[order[i]].MinY + boxes[order[i]].MaxY;
            Array.Sort(keys, order, from, length);
        }
        List<Bounds[]> built = [];
        var below = new Bounds[count];
        for (var i = 0; i < count; i++)
            below[i] = boxes[order[i]];
        while (true)
        {
            built.Add(below);
            if (below.Length <= 1)
                break;
            var row = new Bounds[(below.Length + PerNode - 1) / PerNode];
            for (var i = 0; i < row.Length; i++)
            {
                var box = Bounds.Empty;
                for (var k = i * PerNode; k < Math.Min(below.Length, (i + 1) * PerNode); k++)
                    box = box.Including(below[k]);
                row[i] = box;
            }
            below = row;
        }
        rows = [.. built];
    }

    public int Count => things.Length;

    public IReadOnlyList<T> All => things;

    /// <summary>Each thing whose box meets a box, in the order they were given.</summary>
    public List<T> Meeting(Bounds box)
    {
        List<int> found = [];
        Visit(
            box,
            i =>
            {
                found.Add(i);
                return true;
            }
        );
        found.Sort();
        var result = new List<T>(found.Count);
        foreach (var i in found)
            result.Add(things[i]);
        return result;
    }

    /// <summary>Adds each thing whose box meets a box to a list, in no order that means anything.</summary>
    public void Collect(Bounds box, List<T> into)
    {
        if (things.Length > 0 && rows[^1][0].Meets(box))
            Collect(rows.Length - 1, 0, box, into);
    }

    private void Collect(int row, int node, Bounds box, List<T> into)
    {
        if (row == 0)
        {
            into.Add(things[order[node]]);
            return;
        }
        var below = rows[row - 1];
        var end = Math.Min(below.Length, (node + 1) * PerNode);
        for (var k = node * PerNode; k < end; k++)
            if (below[k].Meets(box))
                Collect(row - 1, k, box, into);
    }

    /// <summary>Shows the things whose box meets a box one after another, in no order, until the visitor has seen enough.</summary>
    public void Meeting(Bounds box, Func<T, bool> goOn) => Visit(box, i => goOn(things[i]));

    /// <summary>Whether the box of any thing meets a box.</summary>
    public bool AnyMeeting(Bounds box) => things.Length > 0 && AnyMeeting(rows.Length - 1, 0, box);

    private bool AnyMeeting(int row, int node, Bounds box)
    {
        if (!rows[row][node].Meets(box))
            return false;
        if (row == 0)
            return true;
        var end = Math.Min(rows[row - 1].Length, (node + 1) * PerNode);
        for (var k = node * PerNode; k < end; k++)
            if (AnyMeeting(row - 1, k, box))
                return true;
        return false;
    }

    private bool Visit(Bounds box, Func<int, bool> goOn) => things.Length == 0 || Visit(rows.Length - 1, 0, box, goOn);

    private bool Visit(int row, int node, Bounds box, Func<int, bool> goOn)
    {
        if (!rows[row][node].Meets(box))
            return true;
        if (row == 0)
            return goOn(order[node]);
        var end = Math.Min(rows[row - 1].Length, (node + 1) * PerNode);
        for (var k = node * PerNode; k < end; k++)
            if (!Visit(row - 1, k, box, goOn))
                return false;
        return true;
    }

    /// <summary>
    /// The least distance of any thing to a place, in mm, where there is one below a bound; else the bound. Below 0 it is how far a
    /// place lies inside the thing that it lies farthest in.
    /// </summary>
    public double LeastDistance(Point place, Func<T, Point, double> distanceTo, double bound = double.PositiveInfinity) =>
        things.Length == 0 ? bound : LeastDistance(rows.Length - 1, 0, place, distanceTo, bound);

    private double LeastDistance(int row, int node, Point place, Func<T, Point, double> distanceTo, double least)
    {
        if (row == 0)
            return Math.Min(least, distanceTo(things[order[node]], place));
        var from = node * PerNode;
        var count = Math.Min(rows[row - 1].Length - from, PerNode);
        // The nearest boxes first: what they hold rules the others out.
        Span<double> distances = stackalloc double[PerNode];
        Span<int> nodes = stackalloc int[PerNode];
        for (var k = 0; k < count; k++)
        {
            var distance = rows[row - 1][from + k].DistanceTo(place);
            var at = k;
            for (; at > 0 && distances[at - 1] > distance; at--)
                (distances[at], nodes[at]) = (distances[at - 1], nodes[at - 1]);
            (distances[at], nodes[at]) = (distance, from + k);
        }
        // Within a box a thing may be farther inside than any other.
        for (var k = 0; k < count && (distances[k] < least || distances[k] <= 0); k++)
            least = LeastDistance(row - 1, nodes[k], place, distanceTo, least);
        return least;
    }

    /// <summary>The things nearest to a place by their boxes, nearest first: the box distance in mm grows from one to the next.</summary>
    public IEnumerable<(T Thing, double BoxDistance)> Nearest(Bounds place)
    {
        if (things.Length == 0)
            yield break;
        var queue = new PriorityQueue<(int Row, int Node), double>();
        queue.Enqueue((rows.Length - 1, 0), rows[^1][0].DistanceTo(place));
        while (queue.TryDequeue(out var next, out var distance))
        {
            if (next.Row == 0)
            {
                yield return (things[order[next.Node]], distance);
                continue;
            }
            var end = Math.Min(rows[next.Row - 1].Length, (next.Node + 1) * PerNode);
            for (var k = next.Node * PerNode; k < end; k++)
                queue.Enqueue((next.Row - 1, k), rows[next.Row - 1][k].DistanceTo(place));
        }
    }
}
