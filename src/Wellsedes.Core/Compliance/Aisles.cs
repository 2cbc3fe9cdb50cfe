using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Compliance;

/// <summary>
/// Aisles beside rows of chairs, and rows one behind the other between cross aisles. An aisle runs past the free ends of rows that follow each other; it is as wide as the least floor beside one
/// of them, and serves the seats of each row, those of a row between two aisles half each (common practice).
/// </summary>
public static class Aisles
{
    /// <summary>Floor before a row that is at least so wide, in mm, is a cross aisle; a house value.</summary>
    private const double Cross = 900;

    public static IEnumerable<Measured> Measure(LevelSpace space, IReadOnlyList<SeatRow> rows) =>
        Beside(space, rows).Concat(Blocks(space, rows));

    private static IEnumerable<Measured> Beside(LevelSpace space, IReadOnlyList<SeatRow> rows)
    {
        RowEnd[] ends = [.. rows.SelectMany(row => row.Ends).Where(end => end.IsFree && double.IsFinite(end.Clear))];
        var rowOf = rows.Count > 0 ? rows[0].RowOf : new Dictionary<RowChair, int>();
        var numbers = ends.Select((end, i) => (end, i)).ToDictionary(one => (one.end.Chair, one.end.Side), one => one.i);
        var sets = new JoinedSets(ends.Length);
        for (var i = 0; i < ends.Length; i++)
        {
            var (end, row) = (ends[i], rows[rowOf[ends[i].Chair]]);
            // Along the aisle to the row ahead, and across it to the row that ends on its other side.
            if (row.Ahead >= 0)
                foreach (var other in rows[row.Ahead].Ends)
                    if (numbers.TryGetValue((other.Chair, other.Side), out var next) && other.Side == end.Side && IsOn(end, other))
                        sets.Join(i, next);
            if (end.Beyond is { } beyond && numbers.TryGetValue((beyond, -end.Side), out var across))
                sets.Join(i, across);
        }
        foreach (var aisle in ends.Select((end, i) => (end, i)).GroupBy(one => sets.Of(one.i), one => one.end))
        {
            var narrowest = aisle.MinBy(end => (end.Clear, end.Chair.Item.Item.Id))!;
            var served = aisle.Sum(end =>
                (double)rows[rowOf[end.Chair]].Chairs.Length / rows[rowOf[end.Chair]].Ends.Count(other => other.IsFree)
            );
            var riser = RiserOf(space, aisle, rows, rowOf);
            var count = aisle.Select(end => rowOf[end.Chair]).Distinct().Count();
            var name = rows[rowOf[narrowest.Chair]].Name;
            yield return Measured.Of(
                RuleMeasures.Aisle,
                aisle.Select(end => end.Chair.Item.Item.Id).Min(StringComparer.Ordinal)!,
                $"Aisle beside {char.ToLowerInvariant(name[0])}{name[1..]}{(count > 1 ? $" and {count - 1} more" : "")}",
                space.LevelId,
                [narrowest.From, narrowest.To],
                ("clear_mm", narrowest.Clear),
                ("seats", Math.Ceiling(served - 1e-9)),
                ("sides", aisle.Any(end => end.Beyond is { } beyond && rowOf.ContainsKey(beyond)) ? 2.0 : 1.0),
                ("rows", (double)count),
                ("stepped", riser > Tolerance.Length),
                ("riser_mm", riser)
            );
        }
    }

    /// <summary>The highest step along an aisle, in mm: between the floor beside one row and that beside the row ahead, by the platforms these lie on. 0 where it is level.</summary>
    private static double RiserOf(
        LevelSpace space,
        IEnumerable<RowEnd> aisle,
        IReadOnlyList<SeatRow> rows,
        IReadOnlyDictionary<RowChair, int> rowOf
    )
    {
        if (space.Decks.IsEmpty)
            return 0;
        var heights = aisle
            .GroupBy(end => rowOf[end.Chair])
            .ToDictionary(row => row.Key, row => space.RiseAt(Point.Middle(row.First().From, row.First().To)));
        return heights
            .Where(row => rows[row.Key].Ahead >= 0 && heights.ContainsKey(rows[row.Key].Ahead))
            .Select(row => Math.Abs(row.Value - heights[rows[row.Key].Ahead]))
            .DefaultIfEmpty(0)
            .Max();
    }

    /// <summary>Whether the end of the row ahead is on the same aisle: no farther off sideways than an aisle is wide.</summary>
    private static bool IsOn(RowEnd end, RowEnd ahead)
    {
        var at = end.Chair.In(ahead.Chair.At.Origin);
        return Math.Abs(at.X) < end.Chair.Width / 2 + Math.Max(end.Clear, ahead.Clear);
    }

    private static IEnumerable<Measured> Blocks(LevelSpace space, IReadOnlyList<SeatRow> rows)
    {
        var sets = new JoinedSets(rows.Count);
        foreach (var row in rows)
            if (row is { Ahead: >= 0, Clear: < Cross - Tolerance.Length })
                sets.Join(row.Number, row.Ahead);
        foreach (var block in rows.GroupBy(row => sets.Of(row.Number)))
        {
            var inside = block.Select(row => row.Number).ToHashSet();
            var depth = block.Max(row => DepthOf(row));
            if (depth < 2)
                continue;
            var seats = block.Sum(row => row.Chairs.Length);
            yield return Measured.Of(
                RuleMeasures.RowBlock,
                block.Select(row => row.Id).Min(StringComparer.Ordinal)!,
                $"{depth} rows of {seats} chairs",
                space.LevelId,
                [block.First().Chairs[0].At.Origin, block.Last().Chairs[^1].At.Origin],
                ("rows_deep", (double)depth),
                ("seats", (double)seats)
            );

            int DepthOf(SeatRow row)
            {
                var deep = 1;
                for (
                    var at = row;
                    at is { Ahead: >= 0, Clear: < Cross - Tolerance.Length } && inside.Contains(at.Ahead) && deep <= inside.Count;
                    deep++
                )
                    at = rows[at.Ahead];
                return deep;
            }
        }
    }
}
