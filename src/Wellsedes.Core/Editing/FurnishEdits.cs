using System.Collections.Immutable;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Editing;

/// <summary>Edits of what things are: their kind, own items made from them, the house's stock.</summary>
internal static class FurnishEdits
{
    /// <summary>The edits this file answers.</summary>
    public static ImmutableArray<EditKind> Kinds { get; } =
    [
        EditKind.Of<SetStock>("set-stock", "Set how many the house has", "Set how many the house has", (tools, plan, e) => Stock(plan, e)),
        EditKind.Of<ChangeKind>(
            "change-kind",
            "Change items for another kind",
            "Changed items for another kind",
            (tools, plan, e) => Change(plan, e)
        ),
        EditKind.Of<SeatDiners>(
            "seat-diners",
            "Set a table for a number of diners",
            "Set a table for a number of diners",
            (tools, plan, e) => Diners(plan, e)
        ),
    ];

    private static EditAnswer Stock(Plan plan, SetStock edit)
    {
        if (plan.CatalogueItem(edit.Catalogue) is not { } kind)
            return EditAnswer.No("catalogue", $"The catalogue has no item \"{edit.Catalogue}\".");
        var before = plan.Find<HouseStock>(HouseStock.IdOf(edit.Catalogue));
        if (edit.Count is not { } count)
            return before is null
                ? EditAnswer.No("catalogue", $"“{kind.Name}” is not counted.")
                : EditAnswer.Done(new Change($"Stopped counting {kind.Name}", [new EntityChange(before, null)]));
        return Editor.Swap(
            $"Set the stock: {count} {kind.Name}",
            before,
            new HouseStock(HouseStock.IdOf(edit.Catalogue), edit.Catalogue, count)
        );
    }

    private static EditAnswer Change(Plan plan, ChangeKind edit)
    {
        if (plan.CatalogueItem(edit.From) is not { } from || plan.CatalogueItem(edit.To) is not { } to)
            return EditAnswer.No("to", $"The catalogue has no item \"{(plan.CatalogueItem(edit.From) is null ? edit.From : edit.To)}\".");
        if (from.Key == to.Key)
            return EditAnswer.No("to", $"They are “{to.Name}” already; choose another.");
        var chosen = edit.Ids.ToHashSet();
        var items = plan.OfScheme<Item>(edit.SchemeId)
            .Where(item => item.Catalogue == from.Key && (chosen.Count == 0 || chosen.Contains(item.Id)))
            .ToArray();
        if (items.Length == 0)
            return EditAnswer.No("from", $"No “{from.Name}” is placed in this scheme.");
        var taken = ItemEdits.Labels(plan, edit.SchemeId);
        List<EntityChange> changes = [];
        foreach (var item in items)
        {
            var changed = item with
            {
                Catalogue = to.Key,
                Width = null,
                Depth = null,
                Height = null,
                Parameters = null,
                Seats = SeatsFor(item.Seats ?? from.Seats, to),
                Label = item.Label.Length == 0 && to.Counted == "table" ? ItemEdits.NextNumber(taken) : item.Label,
                // What hangs does not stand, and the other way round.
                Elevation =
                    item.StandsOn is not null || to.UsualPlace == from.UsualPlace ? item.Elevation
                    : to.UsualPlace == UsualPlace.OnWall ? to.Elevation
                    : 0,
            };
            changes.Add(new EntityChange(item, changed));
            var by = to.Size.Height - ItemForms.SizeOf(item, from).Height;
            foreach (
                var carried in plan.OfScheme<Item>(edit.SchemeId).Where(other => other.StandsOn == item.Id && !chosen.Contains(other.Id))
            )
                changes.Add(new EntityChange(carried, carried with { Elevation = Math.Max(0, carried.Elevation + by) }));
        }
        return EditAnswer.Done(
            new Change($"Changed {items.Length} {from.Name} to {to.Name}", [.. changes.DistinctBy(change => change.Id)])
        );
    }

    /// <summary>The seats of a table on another: as they are where it takes them so, else as many as it takes its own way; null for its usual ones.</summary>
    private static SeatsBySide? SeatsFor(SeatsBySide seats, CatalogueItem to)
    {
        if (to.Chair is null || seats.Total == 0 || seats == to.Seats)
            return null;
        if (ItemEdits.CheckSeats(to, to.Size, seats) is null)
            return seats;
        var count = (int)Math.Min(seats.Total, to.MostSeats);
        if (to.Seats.Around > 0)
            return new SeatsBySide(Around: count);
        if (count >= to.Seats.Total)
            return null;
        return to.Seats.Only(count);
    }

    private static EditAnswer Diners(Plan plan, SeatDiners edit)
    {
        if (plan.Find<Item>(edit.Id) is not { } item || plan.CatalogueItem(item.Catalogue) is not { } kind)
            return EditAnswer.No("id", "The item is no longer there.");
        if (edit.Diners is < 1 or > TableSizes.MostDiners)
            return EditAnswer.No("diners", $"A table is for 1 to {TableSizes.MostDiners} diners; {edit.Diners} were given.");
        if (kind.Chair is null || TableSizes.For(kind.Maker, edit.Diners) is not var (width, depth, seats))
            return EditAnswer.No("id", $"Nobody dines at “{kind.Name}”.");
        return Editor.Swap(
            $"Set {PlacedItem.NameOf(item, kind)} for {edit.Diners}",
            item,
            item with
            {
                Width = width,
                Depth = depth,
                Seats = seats,
            }
        );
    }
}
