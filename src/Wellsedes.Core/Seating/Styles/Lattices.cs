using System.Collections.Immutable;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Seating.Dense;

namespace Wellsedes.Core.Seating.Styles;

/// <summary>Tables in lattices: rounds, half rounds, high tables, café tables.</summary>
public static class Lattices
{
    /// <summary>Who sits at a café table of two.</summary>
    private static readonly SeatsBySide Two = new(Front: 1, Back: 1);

    internal static ImmutableArray<Stand> Of(SeatsAsked asked, PlacedItem one, SeatingArea area, IReadOnlyList<Stand>? carry = null)
    {
        var radius = RingOf(one);
        var region = area.Middles(radius, asked.GapToWalls);
        var inRow = asked.IsDense ? Math.Max(asked.GapInRow, asked.GapBetweenRows) : asked.GapInRow;
        var fill = new FillAsked(
            2 * radius + inRow,
            2 * radius + (asked.IsDense ? inRow : asked.GapBetweenRows),
            area.Turns(),
            (area.Middle, asked.Facing),
            Quick: true
        );
        var (item, towards) = (one.Item, Point.At(asked.Facing));
        // Fours and twos in turn, both ways.
        SeatsBySide? SeatsOf(int row, int place) => asked.Style == SeatingStyle.Cafe && (row + place) % 2 == 1 ? Two : item.Seats;
        if (asked.IsDense)
            return
            [
                .. Denser(asked, area, region, fill, carry)
                    .OrderByDescending(p => Math.Round(p.Dot(towards)))
                    .ThenBy(p => Math.Round(p.Cross(towards)))
                    .Select((p, i) => new Stand(p, item.Rotation, item.Catalogue, SeatsOf(0, i), 0, i, item.Parameters)),
            ];
        var lines = asked.Layout is BlockLayout.Staggered ? null : Filling.Fullest(region, fill, LatticeKind.Square);
        var staggered = asked.Layout is BlockLayout.Lines ? null : Filling.Fullest(region, fill, LatticeKind.Staggered);
        var best = staggered is not null && staggered.Count > (lines?.Count ?? 0) ? staggered : lines;
        var rows = best?.Rows ?? [];
        if (
            carry is not null
            && CarriedOn.From([.. carry.Select(stand => stand.At)], region, fill.InRow, fill.BetweenRows) is { IsEmpty: false } carried
        )
        {
            var stays = carried.Sum(row => row.Length);
            if (best is null || best.Count <= stays * (1 + CarriedOn.ClearlyMore))
                rows = carried;
        }
        return
        [
            .. rows.SelectMany((row, r) => row.Select((p, i) => (p, r, i)))
                .Where(place => region.Holds(place.p))
                .OrderByDescending(place => Math.Round(place.p.Dot(towards)))
                .ThenBy(place => Math.Round(place.p.Cross(towards)))
                .Select(place => new Stand(
                    place.p,
                    item.Rotation,
                    item.Catalogue,
                    SeatsOf(place.r, place.i),
                    place.r,
                    place.i,
                    item.Parameters
                )),
        ];
    }

    /// <summary>What a dense search may spend: how often all places are looked at.</summary>
    private const long DenseLooks = 12_000;

    private static Point[] Denser(SeatsAsked asked, SeatingArea area, CentreRegion region, FillAsked fill, IReadOnlyList<Stand>? carry)
    {
        // In no lines there is no row: the wider gap holds all round.
        var apart = Math.Max(fill.InRow, fill.BetweenRows);
        var axis = new MirrorAxis(area.Middle, Point.At(asked.Facing));
        var isMirrored = asked.Layout == BlockLayout.MirroredDense;
        if (carry is { Count: > 0 })
            return DenseFill.CarriedOn(region, apart, [.. carry.Select(stand => stand.At)], isMirrored ? axis : null);
        var starts = DenseFill.Starts(region, fill with { InRow = apart, BetweenRows = apart });
        // Of many tables each look takes longer.
        var share = Math.Min(1, UsualTables / starts.Select(start => (double)start.Length).Append(1).Max());
        return isMirrored
            ? DenseFill.Mirrored(region, apart, axis, starts, (long)(MirroredLooks * share))
            : DenseFill.More(region, apart, starts, (long)(DenseLooks * share));
    }

    /// <summary>So many tables may be looked at as often as that; more of them in their share.</summary>
    private const double UsualTables = 100;

    /// <summary>What the searches of a mirrored one may spend together: theirs are of half the places.</summary>
    private const long MirroredLooks = 30_000;

    /// <summary>The radius of the least circle about a table's middle that holds it and its chairs to their corners.</summary>
    public static double RingOf(PlacedItem table)
    {
        var middle = table.Item.Placement.Origin;
        return table.Standing.Max(shape =>
            shape.Corners.Length == 1
                ? shape.Corners[0].DistanceTo(middle) + shape.Radius
                : shape.Outline(0.5).Max(p => p.DistanceTo(middle))
        );
    }
}
