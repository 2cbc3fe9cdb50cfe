using System.Collections.Immutable;
using System.Globalization;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Measure;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Drawings;

/// <summary>One row of the furniture schedule. Sizes in mm.</summary>
public sealed record ScheduleRow(string Tag, string Name, ItemSize Size, bool Round, int Count, ImmutableArray<string> Labels)
{
    public string WriteSize(UnitSystem units) =>
        Round
            ? $"Ø {LengthText.Write(Math.Round(Size.Width, 1), units)}"
            : $"{LengthText.Write(Math.Round(Size.Width, 1), units)} × {LengthText.Write(Math.Round(Size.Depth, 1), units)}";
}

/// <summary>The furniture schedule: what is placed, by kind and size, with the chairs at the tables counted too.</summary>
public static class Schedule
{
    public static ImmutableArray<ScheduleRow> Of(IEnumerable<PlacedItem> items, Plan plan)
    {
        var placed = items.ToArray();
        var things = placed
            .GroupBy(item => (item.Kind, Size: ItemForms.SizeOf(item.Item, item.Kind)))
            .Select(group => Row(group.Key.Kind, group.Key.Size, group.Count(), group.Select(item => item.Item.Label)));
        var chairs = placed
            .Where(item => item.Kind.Chair is not null && item.Form.Seats.Length > 0)
            .GroupBy(item => item.Kind.Chair!)
            .Select(group => (Kind: plan.CatalogueItem(group.Key)!, Count: group.Sum(item => item.Form.Seats.Length)))
            .Select(chair => Row(chair.Kind, chair.Kind.Size, chair.Count, []));
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
    }

    private static ScheduleRow Row(CatalogueItem kind, ItemSize size, int count, IEnumerable<string> labels) =>
        new(
            kind.Tag,
            kind.Name,
            size,
            kind.IsRound,
            count,
            [.. labels.Where(label => label.Length > 0).OrderBy(Number).ThenBy(label => label, StringComparer.Ordinal)]
        );

    private static int Number(string label) =>
        int.TryParse(label, NumberStyles.None, CultureInfo.InvariantCulture, out var number) ? number : int.MaxValue;

    /// <summary>Labels written short: 1–7, 9, Top.</summary>
    public static string WriteLabels(ImmutableArray<string> labels)
    {
        List<string> parts = [];
        for (var i = 0; i < labels.Length; i++)
        {
            var start = i;
            while (i + 1 < labels.Length && Number(labels[i]) is var n and < int.MaxValue && Number(labels[i + 1]) == n + 1)
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
