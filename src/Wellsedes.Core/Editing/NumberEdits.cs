using System.Collections.Immutable;
using Wellsedes.Core.Arranging;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Editing;

/// <summary>
/// Numbers items of a scheme anew by where they stand: tables, seats, desks, stands. Facing in degrees is where they look to. A block whose rows are numbered by
/// themselves keeps these numbers from then on.
/// </summary>
/// <param name="Zone">With it only those of the items that stand in this zone; null for all.</param>
public sealed record NumberItems(
    ImmutableArray<string> Ids,
    NumberOrder Order = NumberOrder.Rows,
    NumberForm Form = NumberForm.Numbers,
    double Facing = 90,
    int Start = 1,
    int Step = 1,
    string Prefix = "",
    string? Zone = null
) : Edit, IOfSelected;

internal static class NumberEdits
{
    /// <summary>The edits this file answers.</summary>
    public static ImmutableArray<EditKind> Kinds { get; } =
    [EditKind.Of<NumberItems>("number-items", "Number items", "Numbered items", (tools, plan, e) => Number(plan, e))];

    private const int MostNumber = 99_999;

    private static EditAnswer Number(Plan plan, NumberItems edit)
    {
        if (edit.Start is < 0 or > MostNumber)
            return EditAnswer.No("start", $"Numbers begin from 0 to {MostNumber}; {edit.Start} was given.");
        if (edit.Step is < 1 or > 100)
            return EditAnswer.No("step", $"Numbers go on by 1 to 100; {edit.Step} was given.");
        if (Editor.CheckText("prefix", edit.Prefix, 0, 6) is { } problem)
            return EditAnswer.No(problem);
        if (SizeSense.CheckAngle("facing", edit.Facing) is { } wrong)
            return EditAnswer.No(wrong);
        var zone = edit.Zone is { } id ? plan.Find<Thing>(id) : null;
        if (edit.Zone is not null && zone is null)
            return EditAnswer.No("zone", "The zone is no longer there.");
        Item[] items =
        [
            .. edit.Ids.Select(plan.Find<Item>).OfType<Item>().Where(item => zone is null || zone.Marks(item.Placement.Origin)),
        ];
        if (items.Length == 0)
            return EditAnswer.No("ids", "Nothing of what was to be numbered is there.");
        if (items.Select(item => item.SchemeId).Distinct().Count() > 1)
            return EditAnswer.No("ids", "They are of different schemes; number one scheme at a time.");
        var kinds = items.Select(item => plan.CatalogueItem(item.Catalogue)).ToArray();
        var apart = kinds
            .OfType<Catalogue.CatalogueItem>()
            .Select(kind => Math.Min(kind.Size.Width, kind.Size.Depth) / 2)
            .DefaultIfEmpty(250)
            .Min();
        var labels = Numbering.Of(
            [.. items.Select(item => item.Placement.Origin)],
            edit.Facing,
            apart,
            edit.Order,
            edit.Form,
            edit.Start,
            edit.Step,
            edit.Prefix.Trim(),
            [.. items.Select(item => item.Label)]
        );
        var chosen = items.Select(item => item.Id).ToHashSet();
        // A table's number says which table it is; two chairs of two halls may both be A1.
        var others = plan.OfScheme<Item>(items[0].SchemeId)
            .Where(item => !chosen.Contains(item.Id) && ItemEdits.IsTable(plan, item))
            .Select(item => item.Label)
            .ToHashSet();
        for (var i = 0; i < items.Length; i++)
            if (ItemEdits.IsTable(plan, items[i]) && others.Contains(labels[i]))
                return EditAnswer.No(
                    "start",
                    $"There is another table {labels[i]} in this scheme; begin with another number, give a prefix, or number them together."
                );
        List<EntityChange> changes =
        [
            .. items
                .Select((item, i) => new EntityChange(item, item with { Label = labels[i] }))
                .Where(change => !Equals(change.Before, change.After)),
        ];
        // Numbers that somebody chose are not written over by the next fill.
        foreach (var block in items.Select(item => item.Parent).OfType<string>().Distinct().Select(plan.Find<Thing>).OfType<Thing>())
            if (block.Fills() is { } asked && asked.Numbers != RowNumbers.AsTheyAre && SeatingStyles.Of(asked.Style).IsOfChairs)
                changes.Add(new EntityChange(block, block.Filled(asked with { Numbers = RowNumbers.AsTheyAre })));
        return EditAnswer.Done(new Change($"Numbered {items.Length} item{(items.Length == 1 ? "" : "s")}", [.. changes]));
    }
}
