using System.Collections.Immutable;
using System.Globalization;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Editing.Blocks;

/// <summary>What a change takes from blocks or brings to them, in words: "2 tables, 16 seats fewer: 4, 9".</summary>
public static class BlockDifference
{
    /// <summary>More than so many are not named.</summary>
    private const int MostNamed = 8;

    /// <returns>"" where blocks hold as many as before, or where one is put in or taken out.</returns>
    public static string Told(Plan plan, Change change) =>
        string.Join(
            "; ",
            change
                .Entities.GroupBy(entity => (entity.Before as Item)?.Parent ?? (entity.After as Item)?.Parent)
                .Where(group => group.Key is { } id && plan.Find(id) is Thing block && block.Fills() is not null)
                .Where(group => !change.Entities.Any(entity => entity.Id == group.Key && entity.After is null))
                .Select(group => Told(plan, [.. group]))
                .Append(Waiting(plan, change))
                .Where(words => words.Length > 0)
        );

    /// <summary>What stood on tables that go and waits now to be placed: "set aside: Table lamp 3, Table lamp 4, Vase (2)".</summary>
    private static string Waiting(Plan plan, Change change)
    {
        ImmutableArray<string> gone =
        [
            .. change.Entities.Where(one => one is { Before: Item { Parent: not null }, After: null }).Select(one => one.Id),
        ];
        if (gone.IsEmpty)
            return "";
        var aside = change
            .Entities.Where(one => one is { Before: Item { SetAside: false }, After: Item { SetAside: true } })
            .Select(one => one.Id)
            .ToHashSet();
        var names = ItemEdits
            .AllOn(ItemEdits.Raised(plan.All<Item>()), gone)
            .Where(item => aside.Contains(item.Id))
            .CountBy(item => plan.CatalogueItem(item.Catalogue) is { } kind ? PlacedItem.NameOf(item, kind) : item.Label)
            .Select(name => name.Value == 1 ? name.Key : string.Create(CultureInfo.InvariantCulture, $"{name.Key} ({name.Value})"));
        return Named([.. LabelText.InOrder(names)]) is { Length: > 0 } named ? $"taken off the plan{named}" : "";
    }

    private static string Told(Plan plan, EntityChange[] changes)
    {
        Item[] gone = [.. changes.Where(one => one.After is null).Select(one => (Item)one.Before!)];
        Item[] come = [.. changes.Where(one => one.Before is null).Select(one => (Item)one.After!)];
        var (count, seats) = (come.Length - gone.Length, SeatsOf(come) - SeatsOf(gone));
        if (count == 0)
            return "";
        var what = plan.CatalogueItem((count < 0 ? gone : come)[0].Catalogue)?.Counted switch
        {
            "seat" => "seat",
            "desk" => "desk",
            // High tables are tables too, though nobody sits there.
            _ => "table",
        };
        var words = Counted(Math.Abs(count), what);
        if (what == "table" && seats != 0)
            words += $", {Counted((int)Math.Abs(seats), "seat")}";
        string[] labels = [.. LabelText.InOrder(gone.Select(item => item.Label).Where(label => label.Length > 0))];
        var named = count > 0 ? "" : Named(labels);
        return $"{words} {(count < 0 ? "fewer" : "more")}{named}";

        long SeatsOf(Item[] items) => items.Sum(item => (item.Seats ?? plan.CatalogueItem(item.Catalogue)?.Seats ?? default).Total);
    }

    /// <returns>": 4, 9"; "" for none.</returns>
    private static string Named(string[] all) =>
        all.Length == 0 ? ""
        : all.Length <= MostNamed ? $": {string.Join(", ", all)}"
        : $": {string.Join(", ", all[..MostNamed])} and {all.Length - MostNamed} more";

    private static string Counted(int count, string what) =>
        string.Create(CultureInfo.InvariantCulture, $"{count} {what}{(count == 1 ? "" : "s")}");
}
