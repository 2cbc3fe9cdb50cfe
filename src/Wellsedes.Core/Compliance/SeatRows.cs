using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Compliance;

/// <summary>
/// Rows of loose chairs as they stand, whoever put them there: chairs side by side that look the same way, places for wheelchair users among them. Clear is the least distance between them and the chairs ahead (International
/// Building Code 2021, 1030.13.2, from memory: from the back of the row ahead to the nearest projection of the row behind); an end is at an aisle where the floor beside it is free.
/// </summary>
public static class SeatRows
{
    /// <summary>Fewer chairs beside each other are no row; a house value.</summary>
    private const int Least = 3;

    /// <summary>Chairs of a row are turned by no more than this from one to the next, in degrees; a house value.</summary>
    private const double Bent = 15;

    /// <summary>
    /// An end is at an aisle where so much floor beside it is free, in mm; chairs that are nearer to each other than that are of one row. A house value, under the narrowest aisle of a published
    /// rule (23 in).
    /// </summary>
    internal const double Aisle = 550;

    /// <summary>The rows of a level, those with a row ahead measured; empty where there are too few chairs for two.</summary>
    public static ImmutableArray<SeatRow> Find(LevelSpace space, IReadOnlyCollection<PlacedItem> items)
    {
        RowChair[] chairs = [.. items.Where(IsOfRow).Select(item => new RowChair(item))];
        if (chairs.Length < 2 * Least)
            return [];
        var index = new SpatialIndex<RowChair>(chairs, chair => chair.Floor.Bounds);
        var rows = RowsOf(chairs, index);
        var rowOf = rows.SelectMany((row, i) => row.Select(chair => (chair, i))).ToDictionary(one => one.chair, one => one.i);
        Lazy<SpatialIndex<Standing>> standing = new(() => Standing.On(space, [.. items.Where(item => !IsOfRow(item))]));
        return
        [
            .. rows.Select(
                (row, number) =>
                {
                    var (clear, ahead) = (double.PositiveInfinity, -1);
                    foreach (var chair in row.Where(chair => !chair.IsPlace))
                    foreach (var other in index.Meeting(chair.AheadBox()))
                        if (
                            !other.IsPlace
                            && rowOf.GetValueOrDefault(other, -1) is var its
                            && its != number
                            && IsAhead(chair, other)
                            && Gap.Between(chair.Floor, other.Floor).Width is var gap
                            && gap < clear
                        )
                            (clear, ahead) = (gap, its);
                    // The first row has the stage before it, not a row.
                    var follows = double.IsFinite(clear) && clear <= RowChair.Ahead;
                    return new SeatRow(
                        number,
                        [.. row],
                        follows ? Math.Max(0, clear) : null,
                        follows ? ahead : -1,
                        SideOf(row[0], -1, index, standing),
                        SideOf(row[^1], 1, index, standing),
                        rowOf
                    );
                }
            ),
        ];
    }

    public static IEnumerable<Measured> Measure(LevelSpace space, IReadOnlyList<SeatRow> rows)
    {
        foreach (var row in rows)
            if (row.Clear is { } clear)
                yield return Measured.Of(
                    RuleMeasures.SeatRow,
                    row.Id,
                    row.Name,
                    space.LevelId,
                    [row.Chairs[0].At.Origin, row.Chairs[^1].At.Origin],
                    ("seats", (double)row.Chairs.Length),
                    ("clear_mm", clear),
                    ("aisles", (double)row.Ends.Count(end => end.IsFree))
                );
    }

    internal static bool IsOfRow(PlacedItem item) =>
        item.Bottom <= Tolerance.Length
        && (item.Kind.IsWheelchairSpace || (item.IsSeat && item.Form.Seats.Length == 1 && item.Kind.Counted == "seat"));

    /// <summary>Each from its left to its right end, seen by those who sit.</summary>
    private static List<List<RowChair>> RowsOf(RowChair[] chairs, SpatialIndex<RowChair> index)
    {
        var right = new Dictionary<RowChair, RowChair>();
        foreach (var chair in chairs)
            if (
                index
                    .Meeting(chair.Floor.Bounds.Grown(Aisle))
                    .Where(other => other != chair && IsRightOf(chair, other))
                    .MinBy(other => chair.In(other.At.Origin).X) is
                { } next
            )
                right[chair] = next;
        // Where two stand beside one, the nearer is its neighbour.
        foreach (var left in right.GroupBy(pair => pair.Value, pair => pair.Key).ToArray())
        foreach (var farther in left.OrderBy(chair => chair.At.Origin.DistanceTo(left.Key.At.Origin)).Skip(1))
            right.Remove(farther);
        var taken = right.Values.ToHashSet();
        List<List<RowChair>> rows = [];
        foreach (var begin in chairs.Where(chair => !taken.Contains(chair)))
        {
            List<RowChair> row = [begin];
            while (row.Count <= chairs.Length && right.TryGetValue(row[^1], out var next))
                row.Add(next);
            if (row.Count >= Least)
                rows.Add(row);
        }
        return rows;
    }

    private static bool IsRightOf(RowChair chair, RowChair other)
    {
        var at = chair.In(other.At.Origin);
        var side = (chair.Width + other.Width) / 2;
        return at.X > side / 2
            && at.X <= side + Aisle - Tolerance.Length
            && Math.Abs(chair.In(other.Back).Y - chair.Depth / 2) < Math.Min(chair.Depth, other.Depth) / 2
            && Angles.Apart(other.At.Rotation, chair.At.Rotation) <= Bent;
    }

    /// <summary>A chair's front is towards -y of its own.</summary>
    private static bool IsAhead(RowChair chair, RowChair other)
    {
        var at = chair.In(other.At.Origin);
        return at.Y < -(chair.Depth + other.Depth) / 4 && Math.Abs(at.X) < (chair.Width + other.Width) / 2;
    }

    /// <summary>What is beside an end of a row: whether people pass there, and what comes next on the other side of the aisle.</summary>
    private static RowEnd SideOf(RowChair end, int side, SpatialIndex<RowChair> chairs, Lazy<SpatialIndex<Standing>> others)
    {
        var edge = side * end.Width / 2;
        Convex Beside(double from, double to) =>
            Convex.Rectangle(new Point(edge + side * (from + to) / 2, 0), to - from, end.Depth / 2).At(end.At);
        var box = Beside(0, RowEnd.Widest).Bounds;
        var (clear, beyond) = (double.PositiveInfinity, (RowChair?)null);
        foreach (var chair in chairs.Meeting(box))
            if (chair != end)
                Meet(chair.Floor, chair);
        foreach (var shape in others.Value.Meeting(box))
            Meet(shape.Shape, null);
        var far = double.IsFinite(clear) ? clear : 0;
        return new RowEnd(end, side, clear, beyond, end.At.Out(new Point(edge, 0)), end.At.Out(new Point(edge + side * far, 0)));

        void Meet(Convex shape, RowChair? chair)
        {
            if (StraightOut.To(shape, Beside, RowEnd.Widest) is { } away && away < clear)
                (clear, beyond) = (away, chair);
        }
    }
}
