using System.Collections.Immutable;
using System.Globalization;
using Wellsedes.Core.Capacity;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Drawings;

/// <summary>One row of the furniture schedule. Sizes in mm.</summary>
/// <param name="Code">What its supplier calls it; "" where nobody does.</param>
/// <param name="Stock">What the house has of it and what the whole scheme uses; null where that is not counted.</param>
public sealed record ScheduleRow(
    string Tag,
    string Name,
    ItemSize Size,
    bool Round,
    int Count,
    ImmutableArray<string> Labels,
    string Code = "",
    double? Price = null,
    StockUse? Stock = null
)
{
    /// <summary>How many: of how many the house has, and how many are short, where it counts them.</summary>
    public string WriteCount()
    {
        var count = Count.ToString(CultureInfo.InvariantCulture);
        return Stock is not { } stock ? count
            : stock.Short > 0 ? $"{count} of {stock.Has}, {stock.Short} short"
            : $"{count} of {stock.Has}";
    }

    public string WriteSize(UnitSystem units) =>
        Round
            ? $"Ø {LengthText.Write(Math.Round(Size.Width, 1), units)}"
            : $"{LengthText.Write(Math.Round(Size.Width, 1), units)} × {LengthText.Write(Math.Round(Size.Depth, 1), units)}";
}

/// <summary>The furniture schedule: what is placed, by kind and size, with the chairs at the tables counted too.</summary>
public static class Schedule
{
    /// <param name="stock">What the scheme uses of what the house has.</param>
    public static ImmutableArray<ScheduleRow> Of(IEnumerable<PlacedItem> items, Plan plan, IReadOnlyList<StockUse>? stock = null)
    {
        PlacedItem[] placed = [.. items.Where(item => !item.Form.ForScale)];
        var used = (stock ?? []).ToDictionary(use => use.Catalogue);
        var things = placed
            .GroupBy(item => (item.Kind, Size: ItemForms.SizeOf(item.Item, item.Kind), MadeOf: MadeOf(item)))
            .Select(group => Row(group.Key.Kind, group.Key.Size, group.Count(), group.Select(item => item.Item.Label), group.Key.MadeOf));
        var chairs = placed
            .Where(item => item.Kind.Chair is not null && item.Form.Seats.Length > 0)
            .GroupBy(item => item.Kind.Chair!)
            .Select(group => (Kind: plan.CatalogueItem(group.Key)!, Count: group.Sum(item => item.Form.Seats.Length)))
            .Select(chair => Row(chair.Kind, chair.Kind.Size, chair.Count, [], ""));
        return
        [
            .. things
                .Concat(chairs)
                .GroupBy(row => (row.Tag, row.Name, row.Size))
                .Select(group => group.First() with { Count = group.Sum(row => row.Count) })
                .OrderBy(row => row.Labels.IsEmpty ? 1 : 0)
                .ThenBy(row => row.Tag, StringComparer.Ordinal)
                .ThenBy(row => row.Name, StringComparer.Ordinal),
        ];

        ScheduleRow Row(CatalogueItem kind, ItemSize size, int count, IEnumerable<string> labels, string madeOf) =>
            new(
                kind.Tag,
                madeOf.Length > 0 ? $"{PlacedItem.NameOf(kind, size)}, {madeOf}" : PlacedItem.NameOf(kind, size),
                size,
                kind.IsRound,
                count,
                [.. LabelText.InOrder(labels.Where(label => label.Length > 0))],
                kind.SupplierCode,
                kind.Price,
                used.GetValueOrDefault(kind.Key)
            );
    }

    /// <summary>What a thing is made of: "20 panels"; "" for single things.</summary>
    private static string MadeOf(PlacedItem item) =>
        FormMaker.Find(item.Kind.Maker).MadeOf?.Invoke(item.Size, MakerParameters.Of(item.Kind, item.Item.Parameters)) ?? "";

    /// <summary>More rows of seats than this are written from the first to the last.</summary>
    private const int MostRows = 2;

    /// <summary>Labels written short: 1–7, 9, Top; rows of seats from the first to the last: A1–D7.</summary>
    public static string WriteLabels(ImmutableArray<string> labels)
    {
        if (
            labels
                .Select(LabelText.Split)
                .Where(label => label.Before.Length > 0 && label.Number < int.MaxValue)
                .DistinctBy(label => label.Before)
                .Count() > MostRows
        )
            return $"{labels[0]}–{labels[^1]}";
        List<string> parts = [];
        for (var i = 0; i < labels.Length; i++)
        {
            var start = i;
            while (
                i + 1 < labels.Length
                && LabelText.Split(labels[i]) is var (before, n)
                && n < int.MaxValue
                && LabelText.Split(labels[i + 1]) == (before, n + 1)
            )
                i++;
            parts.Add(
                i == start ? labels[i]
                : i == start + 1 ? $"{labels[start]}, {labels[i]}"
                : $"{labels[start]}–{labels[i]}"
            );
        }
        return string.Join(", ", parts);
    }
}
