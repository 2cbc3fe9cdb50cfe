using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Arranging;

/// <summary>The floor of rooms on which nothing stands yet, in pieces that one can seat people on.</summary>
public static class FreeFloor
{
    /// <summary>What is narrower holds no table with somebody at it, in mm.</summary>
    private const double Narrow = 1200;

    /// <summary>Smaller pieces are left out, in mm².</summary>
    private const double Least = 4e6;

    /// <summary>Round things are taken for polygons that are off by no more, in mm.</summary>
    private const double Coarse = 20;

    /// <param name="rooms">The floor of the rooms.</param>
    /// <param name="items">What stands there: it is left out with its chairs and the floor it needs in use.</param>
    /// <param name="taken">Areas that are somebody's already.</param>
    /// <returns>The largest first, of no more outlines and holes than an area may have.</returns>
    public static ImmutableArray<Region> Of(IEnumerable<Region> rooms, IEnumerable<PlacedItem> items, IEnumerable<Region> taken)
    {
        Region[] gone =
        [
            .. items
                .Where(item => !item.LiesFlat && !item.IsOverhead && !item.Item.SetAside)
                .SelectMany(item => item.Standing.Concat(item.Activity.Select(use => use.Floor)))
                .Select(shape => new Region([.. shape.Outline(Coarse)], [])),
            .. taken,
        ];
        var pieces = rooms
            .SelectMany(room => Polygons.Wide(room, gone, Narrow))
            .Where(piece => piece.Area >= Least)
            .OrderByDescending(piece => piece.Area);
        var all = ImmutableArray.CreateBuilder<Region>();
        var rings = 0;
        foreach (var piece in pieces)
        {
            // Small holes go first: what stands in them is kept clear of anyway.
            var most = ZoneShape.MostRings - rings - 1;
            if (most < 0 || piece.Outline.Length > ZoneShape.MostCorners)
                continue;
            var holes = piece
                .Holes.Where(hole => hole.Length <= ZoneShape.MostCorners)
                .OrderByDescending(hole => Math.Abs(Region.SignedArea(hole)))
                .Take(most);
            all.Add(new Region(piece.Outline, [.. holes]));
            rings += 1 + all[^1].Holes.Length;
        }
        return all.ToImmutable();
    }
}
