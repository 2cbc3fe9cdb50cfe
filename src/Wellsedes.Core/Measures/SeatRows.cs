using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Measures;

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

    /// <summary>Chairs farther ahead than this, in mm, are no row ahead.</summary>
    private const double Ahead = 2500;

    /// <summary>
    /// An end is at an aisle where so much floor beside it is free, in mm; chairs that are nearer to each other than that are of one row. A house value, under the narrowest aisle of a published
    /// rule (23 in).
    /// </summary>
    private const double Aisle = 550;

    private sealed class Chair(PlacedItem item)
    {
        public PlacedItem Item => item;
        public Convex Floor { get; } = Convex.Rectangle(default, item.Size.Width, item.Size.Depth).At(item.Item.Placement);
        public Placement At => Item.Item.Placement;
        public double Width => Item.Size.Width;
        public double Depth => Item.Size.Depth;

        /// <summary>Whether it is a place for a wheelchair user among them: of the row, but no chair that the passage is measured to.</summary>
        public bool IsPlace => Item.Kind.Maker == "wheelchair-space";
        public Point Back { get; } = item.Item.Placement.Out(new Point(0, item.Size.Depth / 2));

        /// <summary>The box around the floor before it on which the row ahead may stand.</summary>
        public Bounds AheadBox() => Bounds.Around([At.Origin, At.Out(new Point(0, -(Depth + Ahead)))]).Grown(Width / 2);

        private readonly (double Sin, double Cos) turn = Math.SinCos(item.Item.Placement.Rotation * Math.PI / 180);

        /// <summary>A point of the level in its own frame; asked of each neighbour, so its turn is worked out once.</summary>
        public Point In(Point p)
        {
            var (x, y) = (p.X - At.X, p.Y - At.Y);
            return new Point(x * turn.Cos + y * turn.Sin, y * turn.Cos - x * turn.Sin);
        }
    }

    public static IEnumerable<Measured> Measure(LevelSpace space, IEnumerable<PlacedItem> items)
    {
        PlacedItem[] all = [.. items];
        Chair[] chairs = [.. all.Where(IsOfRow).Select(item => new Chair(item))];
        if (chairs.Length < 2 * Least)
            yield break;
        var index = new SpatialIndex<Chair>(chairs, chair => chair.Floor.Bounds);
        var rows = RowsOf(chairs, index);
        var rowOf = rows.SelectMany((row, i) => row.Select(chair => (chair, i))).ToDictionary(one => one.chair, one => one.i);
        Lazy<SpatialIndex<Convex>> standing = new(() =>
            new SpatialIndex<Convex>(
                [
                    .. space.Pieces.Where(piece => piece.Opening is null or { IsDoor: false, Sill: > 0 }).Select(piece => piece.Body),
                    .. space.Solids().Select(solid => solid.Shape),
                    .. all.Where(item => !item.LiesFlat && !item.IsOverhead && !IsOfRow(item)).SelectMany(item => item.Standing),
                ],
                shape => shape.Bounds
            )
        );
        foreach (var row in rows)
        {
            var clear = double.PositiveInfinity;
            foreach (var chair in row.Where(chair => !chair.IsPlace))
            foreach (var other in index.Meeting(chair.AheadBox()))
                if (!other.IsPlace && rowOf.GetValueOrDefault(other, -1) != rowOf[chair] && IsAhead(chair, other))
                    clear = Math.Min(clear, Gap.Between(chair.Floor, other.Floor).Width);
            // The first row has the stage before it, not a row.
            if (!double.IsFinite(clear) || clear > Ahead)
                continue;
            var aisles = (IsFree(row[0], -1, index, standing.Value) ? 1 : 0) + (IsFree(row[^1], 1, index, standing.Value) ? 1 : 0);
            var (first, last) = (row[0].Item.Item, row[^1].Item.Item);
            yield return Measured.Of(
                RuleMeasures.SeatRow,
                row.Select(chair => chair.Item.Item.Id).Min(StringComparer.Ordinal)!,
                first.Label.Length > 0 && last.Label.Length > 0 ? $"Row from {first.Label} to {last.Label}" : $"Row of {row.Count} chairs",
                space.LevelId,
                [row[0].At.Origin, row[^1].At.Origin],
                ("seats", (double)row.Count),
                ("clear_mm", Math.Max(0, clear)),
                ("aisles", (double)aisles)
            );
        }
    }

    private static bool IsOfRow(PlacedItem item) =>
        item.Bottom <= Tolerance.Length
        && (item.Kind.Maker == "wheelchair-space" || (item.IsSeat && item.Form.Seats.Length == 1 && item.Kind.Counted == "seat"));

    /// <summary>Each from its left to its right end, seen by those who sit.</summary>
    private static List<List<Chair>> RowsOf(Chair[] chairs, SpatialIndex<Chair> index)
    {
        var right = new Dictionary<Chair, Chair>();
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
        List<List<Chair>> rows = [];
        foreach (var begin in chairs.Where(chair => !taken.Contains(chair)))
        {
            List<Chair> row = [begin];
            while (row.Count <= chairs.Length && right.TryGetValue(row[^1], out var next))
                row.Add(next);
            if (row.Count >= Least)
                rows.Add(row);
        }
        return rows;
    }

    private static bool IsRightOf(Chair chair, Chair other)
    {
        var at = chair.In(other.At.Origin);
        var side = (chair.Width + other.Width) / 2;
        return at.X > side / 2
            && at.X <= side + Aisle - Tolerance.Length
            && Math.Abs(chair.In(other.Back).Y - chair.Depth / 2) < Math.Min(chair.Depth, other.Depth) / 2
            && Math.Abs(Math.IEEERemainder(other.At.Rotation - chair.At.Rotation, 360)) <= Bent;
    }

    /// <summary>A chair's front is towards -y of its own.</summary>
    private static bool IsAhead(Chair chair, Chair other)
    {
        var at = chair.In(other.At.Origin);
        return at.Y < -(chair.Depth + other.Depth) / 4 && Math.Abs(at.X) < (chair.Width + other.Width) / 2;
    }

    private static bool IsFree(Chair end, int side, SpatialIndex<Chair> chairs, SpatialIndex<Convex> others)
    {
        var beside = Convex
            .Rectangle(new Point(side * (end.Width / 2 + Aisle / 2 + Tolerance.Length), 0), Aisle - 4 * Tolerance.Length, end.Depth / 2)
            .At(end.At);
        return chairs
            .Meeting(beside.Bounds)
            .Select(chair => chair.Floor)
            .Concat(others.Meeting(beside.Bounds))
            .All(shape => Gap.Between(shape, beside).Width > -Tolerance.Length);
    }
}
