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
                .Where(words => words.Length > 0)
        );

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
        var named =
            count > 0 || labels.Length == 0 ? ""
            : labels.Length <= MostNamed ? $": {string.Join(", ", labels)}"
            : $": {string.Join(", ", labels[..MostNamed])} and {labels.Length - MostNamed} more";
        return $"{words} {(count < 0 ? "fewer" : "more")}{named}";

        long SeatsOf(Item[] items) => items.Sum(item => (item.Seats ?? plan.CatalogueItem(item.Catalogue)?.Seats ?? default).Total);
    }

    private static string Counted(int count, string what) =>
        string.Create(CultureInfo.InvariantCulture, $"{count} {what}{(count == 1 ? "" : "s")}");
}
