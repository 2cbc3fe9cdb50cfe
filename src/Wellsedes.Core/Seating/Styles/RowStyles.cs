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
            return Wings(asked, one, area, unit, rows, wanted);
        if (asked.Style == SeatingStyle.Circle && wanted is { } ring && OneRing(one, area, unit, rows, ring) is { Length: > 0 } single)
            return single;
        var isArc = asked.Style is SeatingStyle.CurvedRows or SeatingStyle.Circle;
        var focus = asked.Style == SeatingStyle.Circle ? area.Middle : FocusOf(asked, area);
        RowGround Ground(SeatingArea on) => isArc ? new ArcGround(on, focus, asked.Facing) : new StraightGround(on, asked.Facing);
        var ground = Ground(area);
        double[] lines = ground is StraightGround straight
            ? [.. area.Lines.Select(p => Math.Round(straight.AcrossOf(p) - unit.Before, 2)).Distinct()]
            : [];
        var fullest = RowLaying.Fullest(ground, Ground(area.RoundAbout()), unit, rows, lines);
        var isCircle = asked.Style == SeatingStyle.Circle;
        return FirstRows(
            asked,
            [fullest],
            isCircle ? null : wanted,
            (foremost, places) =>
                Stands(
                    WheelchairPlaces.In(foremost[0], ground, unit, places, asked.Aisle, one),
                    ground,
                    unit,
                    one,
                    leftIsMore: !isArc,
                    isCircle
                )
        );
    }

    /// <summary>As few rows from the front as hold a number: places for wheelchair users are spread over these, and each takes some others'.</summary>
    /// <param name="all">All rows of each wing.</param>
    /// <param name="made">What stands in the foremost rows with so many places for wheelchair users among them.</param>
    private static ImmutableArray<Stand> FirstRows(
        SeatsAsked asked,
        LaidRows[] all,
        int? wanted,
        Func<LaidRows[], int, ImmutableArray<Stand>> made
    )
    {
        if (wanted is not { } enough)
            return made(all, WheelchairPlaces.Wanted(asked, all.Sum(wing => wing.Count)));
        int[][] numbers = [.. all.Select(wing => wing.Runs.Select(run => run.Row.Number).Distinct().Order().ToArray())];
        var most = numbers.Max(ofWing => ofWing.Length);
        ImmutableArray<Stand> best = [];
        for (var (rows, more) = (1, 0); rows <= most && more <= MoreRows; rows++)
        {
            LaidRows[] foremost =
            [
                .. all.Select(
                    (wing, i) =>
                        rows >= numbers[i].Length
                            ? wing
                            : wing with
                            {
                                Runs = [.. wing.Runs.Where(run => run.Row.Number < numbers[i][rows])],
                            }
                ),
            ];
            var count = foremost.Sum(wing => wing.Count);
            if (rows < most && count < enough)
                continue;
            var places = WheelchairPlaces.Wanted(asked, Math.Min(enough, count));
            var stands = made(foremost, places);
            var (seats, given) = Worth(stands);
            if ((seats, given).CompareTo(Worth(best)) > 0)
                best = stands;
            if (seats == enough && given == places)
                break;
            more += seats == enough ? 1 : 0;
        }
        return best;

        (int, int) Worth(ImmutableArray<Stand> stands) =>
            (Math.Min(enough, stands.Length), stands.Count(stand => stand.Catalogue == RowPlace.Key));
    }

    /// <summary>At most so many rows more are made for the sake of places for wheelchair users: in a front row at the wall there is no floor for any.</summary>
    private const int MoreRows = 6;

    /// <summary>The point rows curve about: as far before the foremost point of the area as asked, on the axis.</summary>
    private static Point FocusOf(SeatsAsked asked, SeatingArea area)
    {
        var towards = Point.At(asked.Facing);
        return area.Middle + towards * (SeatingArea.FrontOf(area.Areas, area.Middle, towards) + asked.Focus);
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
    private static ImmutableArray<Stand> Wings(
        SeatsAsked asked,
        PlacedItem one,
        SeatingArea area,
        RowUnit unit,
        RowsAsked rows,
        int? wanted
    )
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
        var made = FirstRows(
            asked,
            [.. wings.Select(wing => wing.Laid)],
            wanted,
            (foremost, places) =>
                [
                    .. foremost.SelectMany(
                        (laid, i) =>
                        {
                            var (ground, share) = (wings[i].Ground, (places + 1 - i) / 2);
                            return Stands(
                                WheelchairPlaces.In(laid, ground, unit, share, asked.Aisle, one),
                                ground,
                                unit,
                                one,
                                leftIsMore: true
                            );
                        }
                    ),
                ]
        );
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
