using System.Collections.Concurrent;
using System.Collections.Immutable;
using System.Runtime.CompilerServices;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Plans;

/// <summary>Works out placed items, once for each item record and chair depth. The catalogue is asked through the plan.</summary>
public sealed class ItemForms
{
    private readonly ConcurrentDictionary<(CatalogueItem, MakerInput), Form> forms = new();
    private readonly ConditionalWeakTable<Form, Form> mirrored = [];
    private readonly ConditionalWeakTable<Item, PlacedItem> placed = [];

    /// <summary>The size that holds for an item: its own where given, else the catalogue's.</summary>
    public static ItemSize SizeOf(Item item, CatalogueItem kind) =>
        new(item.Width ?? kind.Size.Width, item.Depth ?? kind.Size.Depth, item.Height ?? kind.Size.Height);

    public Form FormOf(Plan plan, Item item, CatalogueItem kind, double occupiedDepth)
    {
        var form = FormOf(kind, SizeOf(item, kind), item.Seats ?? kind.Seats, ChairOf(plan, kind), occupiedDepth, item.Parameters);
        return item.Mirrored ? mirrored.GetValue(form, one => one.Mirrored()) : form;
    }

    /// <param name="chair">The size of the chair at each seat.</param>
    public Form FormOf(
        CatalogueItem kind,
        ItemSize size,
        SeatsBySide seats,
        ItemSize chair,
        double occupiedDepth,
        ItemParameters? parameters = null
    )
    {
        var input = MakerInput.Of(kind, chair, occupiedDepth, size, seats, parameters);
        return forms.GetOrAdd((kind, input), key => FormMaker.Make(key.Item1.Maker, key.Item2));
    }

    public static ItemSize ChairOf(Plan plan, CatalogueItem kind) =>
        kind.Chair is { } chair && plan.CatalogueItem(chair) is { } found ? found.Size : default;

    /// <summary>The item on its level, or null when the catalogue does not know it.</summary>
    public PlacedItem? Place(Plan plan, Item item, Checks checks)
    {
        if (plan.CatalogueItem(item.Catalogue) is not { } kind)
            return null;
        if (
            placed.TryGetValue(item, out var known)
            && known.Checks == checks
            && ReferenceEquals(known.Kind, kind)
            && known.Rules == plan.Rules
        )
            return known;
        var form = FormOf(plan, item, kind, checks.OccupiedDepth);
        var placement = item.Placement;
        ImmutableArray<Convex> solids = [.. form.Solids.Select(solid => solid.At(placement))];
        ImmutableArray<Convex> chairs = [.. form.Seats.Select(seat => seat.Zone(checks.ChairDepth).At(placement))];
        var result = new PlacedItem(
            item,
            kind,
            SizeOf(item, kind),
            form,
            checks,
            plan.Rules,
            solids,
            chairs,
            [.. form.Seats.Where(seat => seat.AtTable).Select(seat => seat.Zone(checks.OccupiedDepth).At(placement))],
            [.. form.Activity.Select(space => space with { Floor = space.Floor.At(placement) })],
            solids.Concat(chairs).Aggregate(Bounds.Empty, (box, shape) => box.Including(shape.Bounds)),
            PlacedItem.NameOf(item, kind)
        );
        placed.AddOrUpdate(item, result);
        return result;
    }

    /// <summary>All items of a scheme on a level that are not set aside, in the order of their ids.</summary>
    public ImmutableArray<PlacedItem> PlaceAll(Plan plan, string schemeId, string levelId)
    {
        var checks = plan.OfScheme<Checks>(schemeId).First();
        return
        [
            .. plan.OnLevel<Item>(schemeId, levelId)
                .Where(item => !item.SetAside)
                .Select(item => Place(plan, item, checks))
                .OfType<PlacedItem>(),
        ];
    }
}
