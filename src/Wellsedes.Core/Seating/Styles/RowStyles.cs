using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Seating.Rows;

namespace Wellsedes.Core.Seating.Styles;

/// <summary>What is laid in rows: chairs straight, curved, in wings and circles, long tables, training tables, exam desks.</summary>
internal static class RowStyles
{
    /// <param name="carry">Where they stand while a hand drags; null to lay them anew.</param>
    public static ImmutableArray<Stand> Of(
        SeatsAsked asked,
        PlacedItem one,
        SeatingArea area,
        int? wanted,
        IReadOnlyList<Stand>? carry = null
    )
    {
        var laid = Laid(asked, one, area, wanted);
        if (carry is null)
            return laid;
        var kept = new RowsKept(area, UnitOf(asked, one), RowsOf(asked)).Of(carry, one.Item.Catalogue);
        return kept.Length > 0 && laid.Length <= kept.Length * (1 + CarriedOn.ClearlyMore) ? kept : laid;
    }

    private static RowUnit UnitOf(SeatsAsked asked, PlacedItem one) => RowUnit.Of(one, one.Item.Rotation - (asked.Facing + 90));

    private static RowsAsked RowsOf(SeatsAsked asked) =>
        new(
            asked.GapInRow,
            asked.GapBetweenRows,
            asked.GapToWalls,
            asked.Aisle,
            asked.FromAisle,
            asked.Aisles,
            asked.CrossEvery,
            asked.Ends
        );

    private static ImmutableArray<Stand> Laid(SeatsAsked asked, PlacedItem one, SeatingArea area, int? wanted)
    {
        var (unit, rows) = (UnitOf(asked, one), RowsOf(asked));
        if (asked.Style == SeatingStyle.Herringbone)
            return Wings(asked, one, area, unit, rows);
        if (asked.Style == SeatingStyle.Circle && wanted is { } ring && OneRing(one, area, unit, rows, ring) is { Length: > 0 } single)
            return single;
        var isArc = asked.Style is SeatingStyle.CurvedRows or SeatingStyle.Circle;
        var focus = asked.Style == SeatingStyle.Circle ? area.Middle : FocusOf(asked, area);
        RowGround Ground(SeatingArea on) => isArc ? new ArcGround(on, focus, asked.Facing) : new StraightGround(on, asked.Facing);
        var ground = Ground(area);
        double[] lines = ground is StraightGround straight
            ? [.. area.Lines.Select(p => Math.Round(straight.AcrossOf(p) - unit.Before, 2)).Distinct()]
            : [];
        var laid = Foremost(RowLaying.Fullest(ground, Ground(area.RoundAbout()), unit, rows, lines), wanted, asked);
        var places = WheelchairPlaces.In(laid, ground, unit, WheelchairPlaces.Wanted(asked, laid.Count), one);
        return Stands(places, ground, unit, one, leftIsMore: !isArc, isFromBehind: asked.Style == SeatingStyle.Circle);
    }

    /// <summary>The rows from the front that hold a number: places for wheelchair users are spread over these, and each may take four others.</summary>
    private static LaidRows Foremost(LaidRows laid, int? wanted, SeatsAsked asked)
    {
        if (wanted is not { } enough || asked.Style == SeatingStyle.Circle)
            return laid;
        var needed = enough + 4 * WheelchairPlaces.Wanted(asked, enough);
        var rows = new HashSet<RowLine>();
        var count = 0;
        foreach (var row in laid.Runs.GroupBy(run => run.Row).OrderBy(row => row.Key.Number))
        {
            if (count >= needed)
                break;
            rows.Add(row.Key);
            count += row.Sum(run => run.Count);
        }
        return laid with { Runs = [.. laid.Runs.Where(run => rows.Contains(run.Row))] };
    }

    /// <summary>The point rows curve about: as far before the foremost point of the area as asked, on the axis.</summary>
    private static Point FocusOf(SeatsAsked asked, SeatingArea area)
    {
        var towards = Point.At(asked.Facing);
        var front = area.Areas.SelectMany(one => one.Outline).Max(p => (p - area.Middle).Dot(towards));
        return area.Middle + towards * (front + asked.Focus);
    }

    private static ImmutableArray<Stand> Stands(
        IEnumerable<RowPlace> places,
        RowGround ground,
        RowUnit unit,
        PlacedItem one,
        bool leftIsMore,
        bool isFromBehind = false
    )
    {
        var rows = places.GroupBy(place => place.Row).OrderBy(row => isFromBehind ? -row.Key : row.Key);
        var made = ImmutableArray.CreateBuilder<Stand>();
        var number = 0;
        foreach (var row in rows)
        {
            var order = leftIsMore ? row.OrderByDescending(place => place.Along) : row.OrderBy(place => place.Along);
            foreach (var (place, i) in order.Select((place, i) => (place, i)))
                made.Add(place.Stand(ground, unit, one) with { Row = number, Place = i });
            number++;
        }
        return made.ToImmutable();
    }

    /// <summary>A single circle of exactly a number, where one of its size has room; empty where none has.</summary>
    private static ImmutableArray<Stand> OneRing(PlacedItem one, SeatingArea area, RowUnit unit, RowsAsked rows, int count)
    {
        if (count < 3)
            return [];
        var ground = new ArcGround(area, area.Middle, area.Facing);
        var radius = (unit.Width + rows.Gap) / 2 / Math.Tan(Math.PI / count);
        var back = ground.Behind(radius, unit.Depth, unit.Width, 0);
        var free = ground.Free(radius, back, rows.ToWalls);
        if (free is not [var (from, to)] || to - from < 2 * Math.PI - 1e-9)
            return [];
        return
        [
            .. Enumerable
                .Range(0, count)
                .Select(i => RowLaying.Middle(ground, unit, -Math.PI + 2 * Math.PI * (i + 0.5) / count, radius))
                .Select((at, i) => new Stand(at.Origin, at.Rotation, one.Item.Catalogue, one.Item.Seats, 0, i, one.Item.Parameters)),
        ];
    }

    /// <summary>Straight rows left and right of a middle aisle, each wing turned to look at its front.</summary>
    private static ImmutableArray<Stand> Wings(SeatsAsked asked, PlacedItem one, SeatingArea area, RowUnit unit, RowsAsked rows)
    {
        var towards = Point.At(asked.Facing);
        var left = towards.Left();
        const double far = 1e6;
        (StraightGround Ground, LaidRows Laid)[] wings =
        [
            .. new[] { 1, -1 }.Select(side =>
            {
                // The other half of the floor and the aisle are none of this wing's.
                var edge = area.Middle + left * (side * asked.Aisle / 2);
                var other = edge - left * (side * far);
                var taken = Convex.Polygon([edge - towards * far, other - towards * far, other + towards * far, edge + towards * far]);
                var facing = asked.Facing - side * asked.Fan;
                var ground = new StraightGround(area, facing, [taken]);
                var about = new StraightGround(area.RoundAbout(), facing);
                return (ground, RowLaying.Fullest(ground, about, unit, rows with { Aisles = AislesAt.Fullest }));
            }),
        ];
        var wanted = WheelchairPlaces.Wanted(asked, wings.Sum(wing => wing.Laid.Count));
        int[] shares = [(wanted + 1) / 2, wanted / 2];
        Stand[] made =
        [
            .. wings.SelectMany(
                (wing, i) =>
                    Stands(WheelchairPlaces.In(wing.Laid, wing.Ground, unit, shares[i], one), wing.Ground, unit, one, leftIsMore: true)
            ),
        ];
        // One row goes on from the left wing to the right one.
        return
        [
            .. made.GroupBy(stand => stand.Row)
                .OrderBy(row => row.Key)
                .SelectMany(row =>
                    row.OrderByDescending(stand => (stand.At - area.Middle).Dot(left)).Select((stand, i) => stand with { Place = i })
                ),
        ];
    }
}
