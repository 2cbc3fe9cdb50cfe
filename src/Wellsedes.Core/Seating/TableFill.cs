using System.Collections.Immutable;
using Wellsedes.Core.Arranging;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Seating;

/// <summary>Where the tables of an area go.</summary>
public static class TableFill
{
    /// <summary>Beyond this from the area, in mm, nothing bears on it.</summary>
    private const double Reach = 5000;

    /// <param name="table">One of the tables, with its chairs as people sit; where it stands does not matter.</param>
    /// <param name="standing">What stands there and is none of the block's own, but those of it that were set by hand.</param>
    /// <param name="ways">Drawn ways, into which no chair comes.</param>
    /// <returns>The middles of the tables, those nearest to where people look first.</returns>
    public static ImmutableArray<Point> Places(
        Thing block,
        SeatsAsked asked,
        PlacedItem table,
        LevelSpace space,
        IReadOnlyList<PlacedItem> standing,
        IEnumerable<KeptWay> ways
    )
    {
        var radius = RingOf(table);
        var areas = block.Areas();
        var box = areas.Aggregate(Bounds.Empty, (all, area) => all.Including(area.Bounds)).Grown(Reach);
        PlacedItem[] near = [table, .. standing.Where(item => box.Meets(item.Bounds))];
        var region = new CentreRegion(
            areas,
            radius,
            [
                .. Overlaps.InTheWay(space, near, 0, box).Select(shape => shape.Grown(radius + asked.GapToWalls)),
                .. ways.SelectMany(way => way.Strip.Legs).Where(leg => box.Meets(leg.Bounds)).Select(leg => leg.Grown(radius)),
            ]
        );
        var turns = Turns(areas, asked.Facing);
        var fill = new FillAsked(
            2 * radius + asked.GapInRow,
            2 * radius + asked.GapBetweenRows,
            turns,
            (areas.MaxBy(area => area.Area)!.Centroid, asked.Facing),
            Quick: true
        );
        var lines = asked.Layout is BlockLayout.Staggered ? null : Filling.Fullest(region, fill, LatticeKind.Square);
        var staggered = asked.Layout is BlockLayout.Lines ? null : Filling.Fullest(region, fill, LatticeKind.Staggered);
        var best = staggered is not null && staggered.Count > (lines?.Count ?? 0) ? staggered : lines;
        if (best is null)
            return [];
        var towards = Point.At(asked.Facing);
        Point[] leftOut = [.. asked.LeftOut.Select(block.Placement.Out)];
        return
        [
            .. best
                .Places.Where(p => region.Holds(p) && !Array.Exists(leftOut, place => place.DistanceTo(p) < radius))
                .OrderByDescending(p => Math.Round(p.Dot(towards)))
                .ThenBy(p => Math.Round(p.Cross(towards)))
                .Select(p => new Point(Math.Round(p.X, 3), Math.Round(p.Y, 3))),
        ];
    }

    /// <summary>The radius of the least circle about a table's middle that holds it and its chairs to their corners.</summary>
    public static double RingOf(PlacedItem table)
    {
        var middle = table.Item.Placement.Origin;
        return table.Standing.Max(shape => shape.Outline(0.5).Max(p => p.DistanceTo(middle)));
    }

    /// <summary>Rows lie square to where people look; where that is along no side, along the sides too.</summary>
    private static ImmutableArray<double> Turns(ImmutableArray<Region> areas, double facing) =>
        [
            facing - 90,
            .. areas
                .SelectMany(area =>
                    Enumerable.Range(0, area.Outline.Length).Select(i => (area.Outline[i], area.Outline[(i + 1) % area.Outline.Length]))
                )
                .OrderByDescending(side => side.Item1.DistanceTo(side.Item2))
                .Take(3)
                .Select(side => Angles.Of(side.Item2 - side.Item1)),
        ];
}
