using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;
using Wellsedes.Core.Walkways;

namespace Wellsedes.Core.Arranging;

/// <summary>A straight move that takes a thing out of everything it stands in, in mm on the level.</summary>
public readonly record struct Clearing(Point By)
{
    /// <summary>A short move is looked for first, in mm. Farther than the last, a move is no mending but another layout.</summary>
    private static readonly double[] Reaches = [250, Farthest];

    /// <summary>How far it is moved at most, in mm.</summary>
    internal const double Farthest = 2000;

    /// <summary>
    /// The shortest move, in whole mm and square to the plan, to the thing or to what it stands in, after which it overlaps
    /// nothing and is in a room; null when no such move is short. What it says has been tried.
    /// </summary>
    public static Clearing? Of(LevelSpace space, IReadOnlyList<PlacedItem> items, Overlap overlap)
    {
        if (items.FirstOrDefault(one => one.Item.Id == overlap.ItemId) is not { } item)
            return null;
        Convex[] own = [.. item.Standing];
        foreach (var reach in Reaches)
        {
            var box = item.Bounds.Grown(reach + 1);
            PlacedItem[] near = [item, .. items.Where(other => other != item && box.Meets(other.Bounds))];
            Convex[] others = [.. Overlaps.InTheWay(space, near, 0, box)];
            MeetingMoves[] differences =
            [
                .. from shape in own
                from other in others
                where shape.Bounds.Grown(reach + 1).Meets(other.Bounds)
                select new MeetingMoves(shape, other),
            ];
            var moves =
                from direction in Directions(item, others)
                let far = Free(differences, direction, reach)
                where far is not null
                orderby Math.Round(far.Value, 3), direction.Y, direction.X
                select direction * far.Value;
            foreach (var by in moves.Take(Tried))
            {
                var move = new Placement(by.X, by.Y, 0);
                var isInside = space.Rooms.Length == 0 || space.RoomAt(item.Item.Placement.Origin + by) is not null;
                if (isInside && own.Select(shape => shape.At(move)).All(shape => others.All(other => Clears(shape, other))))
                    return new Clearing(by);
            }
        }
        return null;
    }

    internal static bool Clears(Convex a, Convex b) => !a.Bounds.Meets(b.Bounds) || Gap.Between(a, b).Width >= -Tolerance.Length;

    /// <summary>So many of the shortest moves are tried.</summary>
    private const int Tried = 4;

    private static List<Point> Directions(PlacedItem item, IReadOnlyList<Convex> others)
    {
        List<Point> found = [];
        foreach (var turn in (double[])[0, item.Item.Rotation])
            for (var i = 0; i < 4; i++)
                Add(Point.At(turn + 90 * i));
        foreach (var other in others.Where(other => item.Standing.Any(shape => !Clears(shape, other))).Take(2))
            for (var i = 0; i < other.Corners.Length && other.Corners.Length > 1 && other.Corners.Length <= 6; i++)
            {
                var edge = other.Corners[i + 1 == other.Corners.Length ? 0 : i + 1] - other.Corners[i];
                Add(edge.Unit().Left());
                Add(edge.Unit().Left() * -1);
            }
        return found;

        void Add(Point direction)
        {
            if (!found.Exists(known => (known - direction).Length < 1e-6))
                found.Add(direction);
        }
    }

    /// <summary>How far along a direction nothing is met any more, in whole mm; null when that is farther than is looked.</summary>
    private static double? Free(IReadOnlyList<MeetingMoves> differences, Point direction, double reach) =>
        AllFree(differences, direction, reach).Select(far => (double?)far).FirstOrDefault();

    /// <summary>Where along a direction stretches begin in which nothing is met, in whole mm up to a reach, nearest first.</summary>
    internal static IEnumerable<double> AllFree(IReadOnlyList<MeetingMoves> differences, Point direction, double reach)
    {
        List<(double From, double To)> met = [];
        foreach (var difference in differences)
            if (difference.On(direction) is { } stretch && stretch.To > 0)
                met.Add(stretch);
        met.Sort();
        double far = 0;
        foreach (var (from, to) in met)
        {
            if (from >= far + 1 - Tolerance.Length && far > 0 && far <= reach)
                yield return far;
            if (to > far + Tolerance.Length)
                far = Math.Ceiling(to - Tolerance.Length);
        }
        if (far > 0 && far <= reach)
            yield return far;
    }
}
