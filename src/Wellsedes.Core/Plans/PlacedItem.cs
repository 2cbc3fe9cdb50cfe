using System.Collections.Concurrent;
using System.Collections.Immutable;
using System.Runtime.CompilerServices;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Plans;

/// <summary>An item with its form worked out on the level: true solids, chair floors and use spaces in mm.</summary>
/// <param name="Chairs">The floor of each seat's chair at the depth it was made for, in the order of the form's seats.</param>
/// <param name="Seated">The floor of the chairs at its places while people sit: what really stands there.</param>
public sealed record PlacedItem(
    Item Item,
    CatalogueItem Kind,
    Form Form,
    Checks Checks,
    ImmutableArray<Convex> Solids,
    ImmutableArray<Convex> Chairs,
    ImmutableArray<Convex> Seated,
    ImmutableArray<ActivitySpace> Activity
)
{
    /// <summary>The box around solids and chairs.</summary>
    public Bounds Bounds { get; } = Solids.Concat(Chairs).Aggregate(Bounds.Empty, (box, shape) => box.Including(shape.Bounds));

    /// <summary>What people call it: its kind and its label.</summary>
    public string Name { get; } = NameOf(Item, Kind);

    /// <summary>Everything that stands on the floor: solids and occupied chairs.</summary>
    public IEnumerable<Convex> Standing => Solids.Concat(Seated);

    public static string NameOf(Item item, CatalogueItem kind) =>
        item.Label.Length == 0 ? kind.Name
        : kind.Counted == "table" ? $"Table {item.Label}"
        : $"{kind.Name} {item.Label}";
}

/// <summary>Works out placed items, once for each item record and chair depth.</summary>
public sealed class ItemForms(CatalogueList catalogue)
{
    private readonly ConcurrentDictionary<(string, ItemSize, Places, double), Form> forms = new();
    private readonly ConditionalWeakTable<Item, PlacedItem> placed = [];

    public CatalogueList Catalogue { get; } = catalogue;

    /// <summary>The size that holds for an item: its own where given, else the catalogue's.</summary>
    public static ItemSize SizeOf(Item item, CatalogueItem kind) =>
        new(item.Width ?? kind.Size.Width, item.Depth ?? kind.Size.Depth, item.Height ?? kind.Size.Height);

    public Form FormOf(CatalogueItem kind, ItemSize size, Places places, double occupiedDepth) =>
        forms.GetOrAdd(
            (kind.Key, size, places, occupiedDepth),
            _ =>
            {
                var chair = kind.Chair is null ? default : Catalogue.Find(kind.Chair)!.Size;
                return FormMaker.Make(kind.Maker, new MakerInput(size, places, chair, occupiedDepth, kind.Parts));
            }
        );

    /// <summary>The item on its level, or null when the catalogue does not know it.</summary>
    public PlacedItem? Place(Item item, Checks checks)
    {
        if (placed.TryGetValue(item, out var known) && known.Checks == checks)
            return known;
        var kind = Catalogue.Find(item.Catalogue);
        if (kind is null)
            return null;
        var form = FormOf(kind, SizeOf(item, kind), item.Places ?? kind.Places, checks.OccupiedDepth);
        var placement = item.Placement;
        var result = new PlacedItem(
            item,
            kind,
            form,
            checks,
            [.. form.Solids.Select(solid => solid.At(placement))],
            [.. form.Seats.Select(seat => seat.Zone(checks.ChairDepth).At(placement))],
            [.. form.Seats.Where(seat => seat.AtTable).Select(seat => seat.Zone(checks.OccupiedDepth).At(placement))],
            [.. form.Activity.Select(space => space with { Floor = space.Floor.At(placement) })]
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
            .. plan.OfScheme<Item>(schemeId)
                .Where(item => item.LevelId == levelId && !item.SetAside)
                .Select(item => Place(item, checks))
                .OfType<PlacedItem>(),
        ];
    }
}
