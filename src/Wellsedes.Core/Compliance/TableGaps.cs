using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Compliance;

/// <summary>
/// From the edge of each table to the nearest table with somebody sitting between them, and to the nearest wall behind its chairs. People sit between where a chair's floor is on the line that is
/// measured; how long the passage is, is told by how far both tables lie side by side.
/// </summary>
public static class TableGaps
{
    /// <summary>What is farther off, in mm, is open floor.</summary>
    private const double Farthest = 2500;

    /// <summary>A chair this near to the line, in mm, is on it: a house value, half a chair.</summary>
    private const double Beside = 250;

    /// <summary>Tables that are nearer than this, in mm, are put together.</summary>
    private const double Together = 50;

    /// <summary>The cosine between where a seat's back is and the line, at the most that it counts as on it: at a straight table, and at a round one.</summary>
    private const double Square = 0.9;
    private const double Facing = 0.5;

    private const string Round = "round-table";

    private sealed record Line(PlacedItem Table, PlacedItem? Other, Gap Gap, int Sides);

    public static IEnumerable<Measured> Measure(LevelSpace space, IReadOnlyCollection<PlacedItem> items)
    {
        PlacedItem[] tables =
        [
            .. items.Where(item => item is { Kind.Counted: "table", Solids.IsEmpty: false } && item.Form.Seats.Any(seat => seat.AtTable)),
        ];
        if (tables.Length == 0)
            yield break;
        var index = new SpatialIndex<PlacedItem>(tables, table => table.Bounds);
        var standing = Standing.On(space, []);
        var told = new HashSet<(string, string)>();
        foreach (var table in tables)
        {
            // Only of the nearest is it looked who sits between.
            var nearest = index
                .Meeting(table.Bounds.Grown(Farthest))
                .Where(other => other != table)
                .Select(other => (other, gap: Between(table, other)))
                .Where(one => one.gap.Width > Together && one.gap.Width <= Farthest)
                .OrderBy(one => one.gap.Width)
                .ThenBy(one => one.other.Item.Id, StringComparer.Ordinal)
                .Select(one => new Line(table, one.other, one.gap, Sits(table, one.gap) + Sits(one.other, one.gap)))
                .FirstOrDefault(line => line.Sides > 0);
            if (nearest is { Other: { } beside } && told.Add(Pair(table, beside)))
                yield return Of(space, nearest);
            var wall = standing
                .Meeting(table.Bounds.Grown(Farthest))
                .Select(one => ToWall(table, one.Shape))
                .Where(gap => gap.Width > 0 && gap.Width <= Farthest)
                .OrderBy(gap => gap.Width)
                .Select(gap => new Line(table, null, gap, Sits(table, gap)))
                .FirstOrDefault(line => line.Sides > 0);
            if (wall is not null)
                yield return Of(space, wall);
        }
    }

    private static (string, string) Pair(PlacedItem a, PlacedItem b) =>
        string.CompareOrdinal(a.Item.Id, b.Item.Id) < 0 ? (a.Item.Id, b.Item.Id) : (b.Item.Id, a.Item.Id);

    private static Gap Between(PlacedItem a, PlacedItem b) =>
        a.Solids.SelectMany(one => b.Solids.Select(other => Gap.Between(one, other))).MinBy(gap => gap.Width);

    private static Gap ToWall(PlacedItem table, Convex wall) => table.Solids.Select(one => Gap.Between(one, wall)).MinBy(gap => gap.Width);

    /// <summary>1 where one of its seats is on the line, else 0: at a straight table any at the side that the line leaves, at a round one a chair that it meets.</summary>
    private static int Sits(PlacedItem table, Gap gap)
    {
        if (gap.Width <= 0)
            return 0;
        var along = (gap.B - gap.A).Unit();
        // Of the other table the line comes from the far end.
        var (from, way) = table.Solids.Any(solid => solid.DistanceTo(gap.A) <= 1) ? (gap.A, along) : (gap.B, along * -1);
        var straight = table.Solids[0].Corners.Length == 4;
        for (var i = 0; i < table.Chairs.Length; i++)
        {
            var outward = table.Item.Placement.Turned(table.Form.Seats[i].Outward);
            var off = table.Chairs[i].Corners.ToArray().Select(corner => (corner - from).Cross(way)).ToArray();
            if (straight ? outward.Dot(way) > Square : outward.Dot(way) > Facing && off.Min() < Beside && off.Max() > -Beside)
                return 1;
        }
        return 0;
    }

    private static Measured Of(LevelSpace space, Line line)
    {
        var across = (line.Gap.B - line.Gap.A).Unit().Left();
        return Measured.Of(
            RuleMeasures.TableGap,
            line.Table.Item.Id,
            line.Other is null ? $"{line.Table.Name} to the wall" : $"{line.Table.Name} to {line.Other.Name}",
            space.LevelId,
            [line.Gap.A, line.Gap.B],
            ("edge_mm", line.Gap.Width),
            ("sides", (double)line.Sides),
            ("to_wall", line.Other is null),
            ("length_mm", LengthOf(line, across)),
            ("rounds", line.Table.Kind.Maker == Round && line.Other?.Kind.Maker == Round),
            ("width_mm", line.Table.Size.Width)
        ) with
        {
            // A table is measured to another and to the wall.
            Part = line.Other is null ? "wall" : "",
        };
    }

    private static double LengthOf(Line line, Point across)
    {
        var (from, to) = Reach(line.Table);
        if (line.Other is null)
            return to - from;
        var (begins, ends) = Reach(line.Other);
        return Math.Max(0, Math.Min(to, ends) - Math.Max(from, begins));

        (double, double) Reach(PlacedItem table) => Convex.Reach(table.Solids, across);
    }
}
