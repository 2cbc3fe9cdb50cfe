using System.Collections.Immutable;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Plans;

/// <summary>An item with its form worked out on the level: true solids, chair floors and use spaces in mm.</summary>
/// <param name="Chairs">The floor of each seat's chair at the depth it was made for, in the order of the form's seats.</param>
/// <param name="Seated">The floor of the chairs at its seats while people sit: what really stands there.</param>
/// <param name="Size">The size that holds for it.</param>
public sealed record PlacedItem(
    Item Item,
    CatalogueItem Kind,
    ItemSize Size,
    Form Form,
    Checks Checks,
    PlanRules Rules,
    ImmutableArray<Convex> Solids,
    ImmutableArray<Convex> Chairs,
    ImmutableArray<Convex> Seated,
    ImmutableArray<ActivitySpace> Activity,
    Bounds Bounds,
    string Name
)
{
    /// <summary>Its underside above the floor, in mm.</summary>
    public double Bottom => Item.Elevation;

    /// <summary>Its top above the floor, in mm.</summary>
    public double Top => Item.Elevation + Size.Height;

    /// <summary>
    /// Whether it lies flat on the floor: people walk over it and things stand on it. What somebody sits on, or stands at to
    /// be served, is in the way however low it is.
    /// </summary>
    public bool LiesFlat =>
        Form.WalkedOn
        || Form.ForScale
        || (Bottom <= Tolerance.Length && Top <= Rules.LiesFlat.Value + Tolerance.Length && !IsSeat && Kind.Kind != CatalogueKind.Serving);

    /// <summary>Whether one sits on the thing itself, not on a chair at it.</summary>
    public bool IsSeat => Form.Seats is [{ AtTable: false }, ..];

    /// <summary>Whether people walk beneath it.</summary>
    public bool IsOverhead => Bottom >= Rules.Headroom.Value - Tolerance.Length;

    /// <summary>Everything that stands on the floor: solids and occupied chairs.</summary>
    public IEnumerable<Convex> Standing => Solids.Concat(Seated);

    /// <summary>What people call it: its kind and its label.</summary>
    public static string NameOf(Item item, CatalogueItem kind) =>
        item.Label.Length == 0 ? NameOf(kind, ItemForms.SizeOf(item, kind))
        : kind.Counted == "table" ? $"Table {item.Label}"
        : $"{NameOf(kind, ItemForms.SizeOf(item, kind))} {item.Label}";

    /// <summary>The name of a kind at a size: what it says of its usual size is left out where it has another.</summary>
    public static string NameOf(CatalogueItem kind, ItemSize size)
    {
        if ((size.Width, size.Depth) == (kind.Size.Width, kind.Size.Depth))
            return kind.Name;
        var figure = kind.Name.AsSpan().IndexOfAnyInRange('0', '9');
        var plain = figure > 1 ? kind.Name[..figure].TrimEnd(' ', ',') : "";
        return plain.Length > 2 ? plain : kind.Name;
    }
}
