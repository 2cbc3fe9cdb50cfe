using System.Collections.Immutable;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Arranging;

/// <summary>Things that stand together as the shape of one own item.</summary>
/// <param name="At">Where that item stands so that it lies over them.</param>
/// <param name="Bottom">Its underside above the floor, in mm.</param>
/// <param name="Uses">The floor they need in use beyond its box; null for none.</param>
public sealed record TakenTogether(OwnShape Shape, ItemSize Size, Placement At, double Bottom, UseSpaces? Uses)
{
    /// <summary>The height in mm of what goes up to the ceiling or has none, as an own item; a house value.</summary>
    private const double HeightOfEndless = 750;

    /// <summary>Turned with the first of the items, so that what stands square to it lies square in the box.</summary>
    public static TakenTogether Of(IReadOnlyList<PlacedItem> items, IReadOnlyList<Thing> things, UnitSystem units)
    {
        var frame = items.Count > 0 ? items[0].Item.Placement : things[0].Placement;
        Convex[] floors = [.. items.SelectMany(item => item.Solids), .. things.Select(thing => thing.Floor())];
        var isMarked = items.Count == 0 && things.All(thing => thing.IsMarked());
        var outline = isMarked ? Around(floors, frame) : Outline(floors.Select(floor => Own(floor, frame)).ToArray());
        var box = Bounds.Around(outline);
        Point Here(Point level) => frame.In(level) - box.Centre;
        var bottom = items.Count > 0 ? items.Min(item => item.Bottom) : 0;
        if (things.Count > 0)
            bottom = 0;
        var parts = Parts(items, things, bottom, Here);
        var height = parts.Length > 0 ? parts.Max(part => part.To) : 1;
        var middle = frame.Out(box.Centre);
        var seats = items
            .SelectMany(item =>
                item.Form.Seats.Select(seat =>
                    seat with
                    {
                        Edge = Here(item.Item.Placement.Out(seat.Edge)),
                        Outward = new Placement(0, 0, item.Item.Rotation - frame.Rotation).Turned(seat.Outward),
                    }
                )
            )
            .Select((seat, i) => seat with { Id = (i + 1).ToString(System.Globalization.CultureInfo.InvariantCulture) });
        return new TakenTogether(
            new OwnShape([.. outline.Select(p => p - box.Centre)], Lines(items, things, Here))
            {
                Parts = parts,
                Seats = [.. seats],
                Texts = [.. Texts(things, units, Here, frame.Rotation)],
                IsMarked = isMarked,
            },
            new ItemSize(Round(box.Width), Round(box.Height), Round(height)),
            new Placement(middle.X, middle.Y, frame.Rotation),
            bottom,
            UsesOf(items, frame, box)
        );
    }

    private static double Round(double length) => Math.Max(1, Math.Round(length, 2));

    private static Convex Own(Convex floor, Placement frame) => Convex.Polygon([.. floor.Outline(2).Select(frame.In)]);

    /// <summary>The box round what is only marked.</summary>
    private static ImmutableArray<Point> Around(Convex[] floors, Placement frame)
    {
        var box = floors.Aggregate(
            Bounds.Empty,
            (all, floor) => all.Including(Bounds.Around(floor.Corners.ToArray().Select(frame.In)).Grown(floor.Radius))
        );
        return [new(box.MinX, box.MinY), new(box.MaxX, box.MinY), new(box.MaxX, box.MaxY), new(box.MinX, box.MaxY)];
    }

    /// <summary>Round all of them where they touch, else their hull; as many corners as an outline may have.</summary>
    private static ImmutableArray<Point> Outline(Convex[] floors)
    {
        if (Polygons.Union(floors) is [{ Holes.IsEmpty: true } one])
            for (double off = 0.5; off <= 8; off *= 2)
            {
                var thin = Thinning.Of(one.Outline, off);
                if (OwnShape.WrongOutline(thin) is null)
                    return thin;
            }
        return OwnShape.HullOf([.. floors.SelectMany(floor => floor.Outline(2))]);
    }

    /// <summary>What stands up of them; where that is too much, each thing in one piece.</summary>
    private static ImmutableArray<OwnPart> Parts(
        IReadOnlyList<PlacedItem> items,
        IReadOnlyList<Thing> things,
        double bottom,
        Func<Point, Point> here
    )
    {
        OwnPart Part(PrismRole role, Convex outline, double from, double to) =>
            new(role, [.. Thinning.Of([.. outline.Outline(5).Select(here)], 0.1).Take(OwnPart.MostCorners)], from - bottom, to - bottom);
        ImmutableArray<OwnPart> solids =
        [
            .. things
                .Where(thing => !thing.IsMarked())
                .Select(thing =>
                    Part(PrismRole.Body, thing.Floor(), 0, double.IsFinite(thing.Top()) && thing.Top() > 1 ? thing.Top() : HeightOfEndless)
                ),
        ];
        ImmutableArray<OwnPart> all =
        [
            .. items.SelectMany(item =>
                item.Form.Prisms.Select(prism =>
                    Part(prism.Role, prism.Outline.At(item.Item.Placement), item.Bottom + prism.From, item.Bottom + prism.To)
                )
            ),
            .. solids,
        ];
        return all.Length <= OwnShape.MostParts
            ? all
            :
            [
                .. items
                    .SelectMany(item => item.Solids.Select(solid => Part(PrismRole.Body, solid, item.Bottom, item.Top)))
                    .Concat(solids)
                    .Take(OwnShape.MostParts),
            ];
    }

    /// <summary>Their symbols as lines and what is marked, the longest where there are too many.</summary>
    private static ImmutableArray<OwnLine> Lines(IReadOnlyList<PlacedItem> items, IReadOnlyList<Thing> things, Func<Point, Point> here) =>
        OwnShape.Longest(
            items
                .SelectMany(item =>
                    item.Form.Symbol.Where(part => !part.Fine && part.Role is not (SymbolRole.Use or SymbolRole.Front or SymbolRole.Text))
                        .SelectMany(part => part.Path.At(item.Item.Placement).Runs(4))
                )
                .Select(run => new OwnLine([.. run.Points.Select(here)], run.Closed))
                .Concat(
                    things
                        .Where(thing => thing.IsMarked())
                        .SelectMany(thing => thing.Parts())
                        .SelectMany(part =>
                            part.Path.Runs(16)
                                .Select(run => new OwnLine([.. run.Points.Select(here)], run.Closed, part.Role == ThingRole.Dashed))
                        )
                )
        );

    /// <summary>What is written on what is marked; the usual small lettering of drawings as high as it reads at 1:50.</summary>
    private static IEnumerable<SymbolText> Texts(IReadOnlyList<Thing> things, UnitSystem units, Func<Point, Point> here, double rotation) =>
        things
            .Where(thing => thing.IsMarked())
            .SelectMany(thing => thing.Texts(units))
            .Take(OwnShape.MostTexts)
            .Select(text => new SymbolText(text.Text, here(text.At), text.Size > 0 ? text.Size : SmallLetters, text.Rotation - rotation));

    /// <summary>2 mm on paper at 1:50.</summary>
    private const double SmallLetters = 100;

    /// <summary>How far the floor they need in use goes beyond their box, at each side.</summary>
    private static UseSpaces? UsesOf(IReadOnlyList<PlacedItem> items, Placement frame, Bounds box)
    {
        var reach = items
            .SelectMany(item => item.Activity)
            .SelectMany(space => space.Floor.Outline(5))
            .Select(frame.In)
            .Aggregate(box, (all, p) => all.Including(p));
        double Beyond(double by) => Math.Clamp(Math.Round(by, 1), 0, UseSpaces.Deepest);
        var uses = new UseSpaces(
            Beyond(box.MinY - reach.MinY),
            Beyond(reach.MaxY - box.MaxY),
            Beyond(box.MinX - reach.MinX),
            Beyond(reach.MaxX - box.MaxX)
        );
        return uses == default ? null : uses;
    }
}
