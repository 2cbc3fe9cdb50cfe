using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Compliance;

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

    /// <summary>Something that free floor is asked before, of the furniture or of the shell.</summary>
    /// <param name="Front">Where its front looks to, in its own frame.</param>
    private sealed record Fronted(string Id, string Name, string Kind, Placement At, double Width, double Depth, Point Front);

    public static IEnumerable<Measured> Measure(LevelSpace space, IReadOnlyCollection<PlacedItem> items)
    {
        Fronted[] some =
        [
            .. items.Where(item => Kinds.ContainsKey(item.Kind.Maker) && item.Bottom <= Tolerance.Length).Select(Of),
            .. space
                .Things.Where(thing => thing.Ware().Length > 0)
                .Select(thing => new Fronted(
                    thing.Id,
                    thing.Called(),
                    thing.Ware(),
                    thing.Placement,
                    thing.Width,
                    thing.Depth,
                    new Point(0, -1)
                )),
        ];
        if (some.Length == 0)
            yield break;
        var standing = Standing.On(space, [.. items.Where(item => !item.IsSeat)]);
        foreach (var thing in some)
        {
            if (thing.Kind == "bed")
            {
                yield return Bed(space, thing, standing);
                continue;
            }
            if (thing.Kind is "wc" or "basin")
                yield return CentreLine(space, thing, standing);
            var (clear, from, to) = Out(thing, thing.Front, standing);
            yield return Measured.Of(
                RuleMeasures.FreeFront,
                thing.Id,
                $"Before {thing.Name}",
                space.LevelId,
                [from, to],
                ("kind", thing.Kind),
                ("use", space.UseAt(thing.At.Origin)),
                ("clear_mm", clear),
                ("width_mm", thing.Width)
            );
        }
    }

    /// <summary>Its front looks towards -y of its own; of a desk that side counts where one sits.</summary>
    private static Fronted Of(PlacedItem item) =>
        new(
            item.Item.Id,
            item.Name,
            Kinds[item.Kind.Maker],
            item.Item.Placement,
            item.Size.Width,
            item.Size.Depth,
            new Point(0, item.Form.Seats is [{ AtTable: true, Outward.Y: > 0.5 }, ..] ? 1 : -1)
        );

    private static (double Clear, Point From, Point To)[] Sides(Fronted thing, SpatialIndex<Standing> standing) =>
        [.. new[] { new Point(-1, 0), new Point(1, 0) }.Select(way => Out(thing, way, standing))];

    private static Measured Bed(LevelSpace space, Fronted bed, SpatialIndex<Standing> standing)
    {
        var sides = Sides(bed, standing);
        var foot = Out(bed, new Point(0, -1), standing);
        var least = sides.MinBy(side => side.Clear);
        return Measured.Of(
            RuleMeasures.BedSide,
            bed.Id,
            $"Beside {bed.Name}",
            space.LevelId,
            [least.From, least.To],
            ("width_mm", bed.Width),
            ("sides_mm", sides.Select(side => (object?)side.Clear).ToArray()),
            ("foot_mm", foot.Clear)
        );
    }

    /// <summary>From the middle of it sideways to what stands or ends nearest.</summary>
    private static Measured CentreLine(LevelSpace space, Fronted thing, SpatialIndex<Standing> standing)
    {
        var sides = Sides(thing, standing);
        var least = sides.MinBy(side => side.Clear);
        return Measured.Of(
            RuleMeasures.CentreLine,
            thing.Id,
            $"Beside {thing.Name}",
            space.LevelId,
            [thing.At.Origin, least.To],
            ("kind", thing.Kind),
            ("use", space.UseAt(thing.At.Origin)),
            ("centre_mm", thing.Width / 2 + least.Clear),
            ("between_mm", thing.Width + sides.Sum(side => side.Clear))
        );
    }

    /// <param name="way">A unit vector along x or y of its own.</param>
    private static (double Clear, Point From, Point To) Out(Fronted thing, Point way, SpatialIndex<Standing> standing)
    {
        var (half, wide) = way.X == 0 ? (thing.Depth / 2, thing.Width) : (thing.Width / 2, thing.Depth);
        var shift = 0.0;
        if (way.X != 0 && wide > BesideBed)
            (shift, wide) = ((BesideBed - wide) / 2, BesideBed);
        Convex Before(double from, double to)
        {
            var middle = way * (half + (from + to) / 2) + new Point(0, shift);
            var (deep, across) = (to - from, wide - 4 * Tolerance.Length);
            return (way.X == 0 ? Convex.Rectangle(middle, across, deep) : Convex.Rectangle(middle, deep, across)).At(thing.At);
        }
        var off = new Point(0, shift);
        var clear = Farthest;
        foreach (var other in standing.Meeting(Before(0, Farthest).Bounds))
            if (
                other.Id != thing.Id
                && !other.IsChair
                && other.Item is not { Bottom: > 0 }
                && StraightOut.To(other.Shape, Before, Farthest) is { } away
                && away < clear
            )
                clear = away;
        return (clear, thing.At.Out(way * half + off), thing.At.Out(way * (half + clear) + off));
    }
}
