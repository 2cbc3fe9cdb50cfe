using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Measures;

/// <summary>
/// Free floor before kitchen units, sanitary ware, storage and desks (where one sits at it), and beside and at the foot of beds: straight out from the whole edge to the nearest thing that stands
/// there. Chairs are left aside: they are moved.
/// </summary>
public static class FreeFronts
{
    /// <summary>What is farther off, in mm, is open floor.</summary>
    private const double Farthest = 3000;

    /// <summary>Beside a bed so much of its side counts from the foot up, in mm: 48 in (2010 ADA Standards, 806.2.3, from memory). Nearer to the head a bedside table stands in nobody's way.</summary>
    private const double BesideBed = 1220;

    private static readonly Dictionary<string, string> Kinds = new()
    {
        ["wc"] = "wc",
        ["bidet"] = "wc",
        ["basin"] = "basin",
        ["vanity"] = "basin",
        ["bath"] = "bath",
        ["shower"] = "shower",
        ["kitchen-unit"] = "kitchen",
        ["kitchen-line"] = "kitchen",
        ["kitchen-island"] = "kitchen",
        ["peninsula"] = "kitchen",
        ["range"] = "kitchen",
        ["oven"] = "kitchen",
        ["hob"] = "kitchen",
        ["fridge"] = "kitchen",
        ["dishwasher"] = "kitchen",
        ["wardrobe"] = "storage",
        ["drawers"] = "storage",
        ["desk"] = "desk",
        ["bench-desk"] = "desk",
        ["corner-desk"] = "desk",
        ["bed"] = "bed",
        ["care-bed"] = "bed",
    };

    public static IEnumerable<Measured> Measure(LevelSpace space, IReadOnlyCollection<PlacedItem> items)
    {
        PlacedItem[] some = [.. items.Where(item => Kinds.ContainsKey(item.Kind.Maker) && item.Bottom <= Tolerance.Length)];
        if (some.Length == 0)
            yield break;
        var standing = Standing.On(space, [.. items.Where(item => !item.IsSeat)]);
        foreach (var item in some)
        {
            var kind = Kinds[item.Kind.Maker];
            if (kind == "bed")
                yield return Bed(space, item, standing);
            if (kind is "wc" or "basin")
                yield return CentreLine(space, item, kind, standing);
            if (kind != "bed" && Out(item, OutOf(item), standing) is var (clear, from, to))
                yield return Measured.Of(
                    RuleMeasures.FreeFront,
                    item.Item.Id,
                    $"Before {item.Name}",
                    space.LevelId,
                    [from, to],
                    ("kind", kind),
                    ("use", space.RoomAt(item.Item.Placement.Origin)?.Room.Use ?? ""),
                    ("clear_mm", clear),
                    ("width_mm", item.Size.Width)
                );
        }
    }

    /// <summary>Its front looks towards -y of its own; of a desk that side counts where one sits.</summary>
    private static Point OutOf(PlacedItem item) =>
        item.Form.Seats is [{ AtTable: true } seat, ..] ? new Point(0, seat.Outward.Y > 0.5 ? 1 : -1) : new Point(0, -1);

    private static Measured Bed(LevelSpace space, PlacedItem bed, SpatialIndex<Standing> standing)
    {
        var sides = new[] { new Point(-1, 0), new Point(1, 0) }.Select(way => Out(bed, way, standing)).ToArray();
        var foot = Out(bed, new Point(0, -1), standing);
        var least = sides.MinBy(side => side.Clear);
        return Measured.Of(
            RuleMeasures.BedSide,
            bed.Item.Id,
            $"Beside {bed.Name}",
            space.LevelId,
            [least.From, least.To],
            ("width_mm", bed.Size.Width),
            ("sides_mm", sides.Select(side => (object?)side.Clear).ToArray()),
            ("foot_mm", foot.Clear)
        );
    }

    /// <summary>From the middle of it sideways to what stands or ends nearest.</summary>
    private static Measured CentreLine(LevelSpace space, PlacedItem item, string kind, SpatialIndex<Standing> standing)
    {
        var sides = new[] { new Point(-1, 0), new Point(1, 0) }.Select(way => Out(item, way, standing)).ToArray();
        var least = sides.MinBy(side => side.Clear);
        return Measured.Of(
            RuleMeasures.CentreLine,
            item.Item.Id,
            $"Beside {item.Name}",
            space.LevelId,
            [item.Item.Placement.Origin, least.To],
            ("kind", kind),
            ("use", space.RoomAt(item.Item.Placement.Origin)?.Room.Use ?? ""),
            ("centre_mm", item.Size.Width / 2 + least.Clear),
            ("between_mm", item.Size.Width + sides.Sum(side => side.Clear))
        );
    }

    /// <param name="way">A unit vector along x or y of its own.</param>
    private static (double Clear, Point From, Point To) Out(PlacedItem item, Point way, SpatialIndex<Standing> standing)
    {
        var (half, wide) = way.X == 0 ? (item.Size.Depth / 2, item.Size.Width) : (item.Size.Width / 2, item.Size.Depth);
        var shift = 0.0;
        if (way.X != 0 && wide > BesideBed)
            (shift, wide) = ((BesideBed - wide) / 2, BesideBed);
        Convex Before(double from, double to)
        {
            var middle = way * (half + (from + to) / 2) + new Point(0, shift);
            var (deep, across) = (to - from, wide - 4 * Tolerance.Length);
            return (way.X == 0 ? Convex.Rectangle(middle, across, deep) : Convex.Rectangle(middle, deep, across)).At(item.Item.Placement);
        }
        var (at, off) = (item.Item.Placement, new Point(0, shift));
        var clear = Farthest;
        foreach (var other in standing.Meeting(Before(0, Farthest).Bounds))
            if (
                other.Item != item
                && !other.IsChair
                && other.Item is not { Bottom: > 0 }
                && StraightOut.To(other.Shape, Before, Farthest) is { } away
                && away < clear
            )
                clear = away;
        return (clear, at.Out(way * half + off), at.Out(way * (half + clear) + off));
    }
}
