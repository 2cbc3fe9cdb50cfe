using System.Collections.Immutable;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Seating.Rows;

namespace Wellsedes.Core.Seating.Styles;

/// <summary>
/// One arrangement of tables: a boardroom of two lines put together, a hollow square, a U open to the front. The largest that has room, or the smallest that
/// seats those who come; of as many seats the one nearest to a square.
/// </summary>
internal static class Arrangements
{
    private const int MostAlong = 30;

    /// <param name="Wide">Its size with chairs, in mm.</param>
    private sealed record Plan(double Wide, double Deep, ImmutableArray<(Placement At, SeatsBySide Seats)> Tables)
    {
        public int Seats => (int)Tables.Sum(table => table.Seats.Total);
    }

    public static ImmutableArray<Stand> Of(SeatsAsked asked, PlacedItem one, SeatingArea area)
    {
        var unit = RowUnit.Of(one, 0);
        var (length, depth) = (one.Size.Width, one.Size.Depth);
        var chair = Math.Max(unit.Before, unit.Behind) - depth / 2;
        var side = one.Form.Seats.Count(seat => seat.Outward.Y < -0.5);
        if (side == 0)
            side = one.Form.Seats.Count(seat => seat.Outward.Y > 0.5);
        var ground = new StraightGround(area, asked.Facing);
        (Plan Plan, double Along, double Across)? best = null;
        for (var across = 1; across <= MostAlong; across++)
        for (var along = 1; along <= (asked.Style == SeatingStyle.Boardroom ? 1 : MostAlong); along++)
        {
            var plan = asked.Style switch
            {
                SeatingStyle.Boardroom => Boardroom(across, length, depth, chair, side),
                SeatingStyle.HollowSquare => Square(across, along, length, depth, chair, side),
                _ => Horseshoe(across, along, length, depth, chair, side),
            };
            if (Place(ground, plan, asked.GapToWalls) is not var (x, y))
                break;
            if (IsBetter(plan, best?.Plan, asked.Guests))
                best = (plan, x, y);
        }
        if (best is not var (chosen, atX, atY))
            return [];
        return
        [
            .. chosen.Tables.Select(
                (table, i) =>
                {
                    // Their own frame looks as the rows do: x along, y behind.
                    var at = ground.At(atX + table.At.X, atY + chosen.Deep / 2 + table.At.Y);
                    return new Stand(at.Origin, at.Rotation + table.At.Rotation, one.Item.Catalogue, table.Seats, 0, i);
                }
            ),
        ];
    }

    private static bool IsBetter(Plan plan, Plan? best, int? guests)
    {
        if (best is null)
            return true;
        var (now, was) = (plan.Seats, best.Seats);
        if (guests is { } people && (now >= people || was >= people))
            // The fewest seats that are enough; too few are worse than any that are.
            return now >= people && (was < people || now < was || (now == was && Off(plan) < Off(best)));
        return now > was || (now == was && Off(plan) < Off(best));

        static double Off(Plan one) => Math.Abs(one.Wide - one.Deep);
    }

    /// <summary>Two lines of tables put together, people outside and at both ends.</summary>
    private static Plan Boardroom(int count, double length, double depth, double chair, int side)
    {
        var tables = ImmutableArray.CreateBuilder<(Placement, SeatsBySide)>();
        for (var i = 0; i < count; i++)
        {
            var x = (i - (count - 1) / 2.0) * length;
            // The first stands at the end of lesser x, which is the table's own left.
            var (first, last) = (i == 0 ? 1 : 0, i == count - 1 ? 1 : 0);
            tables.Add((new Placement(x, -depth / 2, 0), new SeatsBySide(Front: side, Left: first, Right: last)));
            tables.Add((new Placement(x, depth / 2, 0), new SeatsBySide(Back: side, Left: first, Right: last)));
        }
        return new Plan(count * length + 2 * chair, 2 * depth + 2 * chair, tables.ToImmutable());
    }

    private static Plan Square(int across, int along, double length, double depth, double chair, int side)
    {
        var (a, b) = (across * length, along * length + 2 * depth);
        var tables = ImmutableArray.CreateBuilder<(Placement, SeatsBySide)>();
        for (var i = 0; i < across; i++)
        {
            var x = (i - (across - 1) / 2.0) * length;
            tables.Add((new Placement(x, (depth - b) / 2, 0), new SeatsBySide(Front: side)));
            tables.Add((new Placement(x, (b - depth) / 2, 0), new SeatsBySide(Back: side)));
        }
        Sides(tables, along, a, 0, length, depth, side);
        // Narrower than its two sides are deep it has no free middle.
        return new Plan(
            Math.Max(a, 2 * depth + length / 2) + 2 * chair,
            b + 2 * chair,
            across == 1 && a < 3 * depth ? [] : tables.ToImmutable()
        );
    }

    private static Plan Horseshoe(int across, int along, double length, double depth, double chair, int side)
    {
        var (a, b) = (across * length, along * length + depth);
        var tables = ImmutableArray.CreateBuilder<(Placement, SeatsBySide)>();
        var shift = -chair / 2;
        for (var i = 0; i < across; i++)
            tables.Add((new Placement((i - (across - 1) / 2.0) * length, (b - depth) / 2 + shift, 0), new SeatsBySide(Back: side)));
        Sides(tables, along, a, -depth / 2 + shift, length, depth, side);
        return new Plan(a + 2 * chair, b + chair, across == 1 && a < 3 * depth ? [] : tables.ToImmutable());
    }

    /// <summary>The tables of both sides, people outside.</summary>
    private static void Sides(
        ImmutableArray<(Placement, SeatsBySide)>.Builder tables,
        int along,
        double a,
        double middle,
        double length,
        double depth,
        int side
    )
    {
        for (var i = 0; i < along; i++)
        {
            var y = middle + (i - (along - 1) / 2.0) * length;
            tables.Add((new Placement((depth - a) / 2, y, 90), new SeatsBySide(Back: side)));
            tables.Add((new Placement((a - depth) / 2, y, -90), new SeatsBySide(Back: side)));
        }
    }

    /// <summary>Where a rectangle has room, nearest to the middle of the floor; null for nowhere.</summary>
    private static (double Along, double Across)? Place(RowGround ground, Plan plan, double gap)
    {
        var (least, most) = ground.Across;
        var middle = (least + most - plan.Deep) / 2;
        (double Along, double Across)? best = null;
        var nearest = double.PositiveInfinity;
        if (plan.Tables.IsEmpty)
            // Too narrow by itself; a wider one may still be made.
            return (0, least);
        foreach (var across in ground.Events(gap).SelectMany(at => (double[])[at, at - plan.Deep]).Append(middle))
        {
            if (across < least - 1e-6 || across + plan.Deep > most + 1e-6)
                continue;
            foreach (var (from, to) in ground.Free(across, across + plan.Deep, gap))
            {
                if (to - from < plan.Wide - 1e-6)
                    continue;
                var along = Math.Clamp(ground.Axis, from + plan.Wide / 2, Math.Max(from + plan.Wide / 2, to - plan.Wide / 2));
                var off = Math.Abs(along - ground.Axis) + Math.Abs(across - middle);
                if (off < nearest - 1e-6)
                    (nearest, best) = (off, (along, across));
            }
        }
        return best;
    }
}
