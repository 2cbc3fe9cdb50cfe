namespace Wellsedes.Core.Geometry;

/// <summary>Things by square metre of floor, to find those whose boxes meet a place. Not for use by two threads at once.</summary>
public sealed class BoxGrid<T>
{
    private const double Step = 1000;
    private readonly Dictionary<(int, int), List<int>> squares = [];
    private readonly List<(T Thing, Bounds Box)> things = [];
    private int[] seen = new int[64];
    private int round;

    public void Add(T thing, Bounds box)
    {
        var index = things.Count;
        things.Add((thing, box));
        if (index >= seen.Length)
            Array.Resize(ref seen, seen.Length * 2);
        var (fromX, toX, fromY, toY) = Range(box);
        for (var x = fromX; x <= toX; x++)
        for (var y = fromY; y <= toY; y++)
        {
            if (!squares.TryGetValue((x, y), out var list))
                squares[(x, y)] = list = [];
            list.Add(index);
        }
    }

    /// <summary>Each thing whose box meets a box, once, in the order they were added to each square.</summary>
    public List<T> Meeting(Bounds box)
    {
        round++;
        List<T> found = [];
        var (fromX, toX, fromY, toY) = Range(box);
        for (var x = fromX; x <= toX; x++)
        for (var y = fromY; y <= toY; y++)
        {
            if (!squares.TryGetValue((x, y), out var list))
                continue;
            foreach (var i in list)
                if (seen[i] != round)
                {
                    seen[i] = round;
                    if (things[i].Box.Meets(box))
                        found.Add(things[i].Thing);
                }
        }
        return found;
    }

    private static (int, int, int, int) Range(Bounds box) =>
        (
            (int)Math.Floor(box.MinX / Step),
            (int)Math.Floor(box.MaxX / Step),
            (int)Math.Floor(box.MinY / Step),
            (int)Math.Floor(box.MaxY / Step)
        );
}
