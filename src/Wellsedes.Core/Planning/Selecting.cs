using System.Collections.Immutable;
using Wellsedes.Core.Arranging;
using Wellsedes.Core.Capacity;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Planning;

/// <summary>What else is to be selected with one item.</summary>
public enum SelectAll
{
    /// <summary>All of its kind on its level.</summary>
    OfKind,

    /// <summary>All whose middle is in the room it is in.</summary>
    OfRoom,

    /// <summary>All whose middle is in a zone it is in.</summary>
    OfZone,

    /// <summary>What lies beneath it.</summary>
    Beneath,
}

public static class Selecting
{
    /// <summary>The ids of what a line of the tally counts, of all levels, in their order: "seats", "screens/zone-1", "stock/ottoman", "narrowest".</summary>
    public static ImmutableArray<string> Counted(PlanState state, string what)
    {
        var (kind, of) = what.Split('/', 2) is [var first, var second] ? (first, second) : (what, "");
        var items = state.Levels.SelectMany(level => level.Items);
        if (kind == "stock")
            return Ids(items.Where(item => item.Kind.Key == of || item.Kind.Chair == of));
        if (kind == "narrowest")
        {
            var worst = WaysIn.Narrowest(state.Levels);
            var ids = new[] { worst?.Target.OwnerId, worst?.Pinch?.A.OwnerId, worst?.Pinch?.B.OwnerId }.OfType<string>().ToHashSet();
            return Ids(items.Where(item => ids.Contains(item.Item.Id)));
        }
        var hasPower = Power.Reach([.. state.Levels.Select(level => level.Space)]);
        if (of.Length == 0)
            return Ids(items.Where(item => Holding.Counts(item, kind, hasPower)));
        return state.Plan.Find(of) is Thing zone && state.Levels.FirstOrDefault(level => level.Space.LevelId == zone.LevelId) is { } on
            ? Ids(on.Items.Where(item => Holding.Counts(item, kind, hasPower) && zone.Marks(item.Item.Placement.Origin)))
            : [];

        static ImmutableArray<string> Ids(IEnumerable<PlacedItem> found) =>
            [.. found.Select(item => item.Item.Id).Order(StringComparer.Ordinal)];
    }

    /// <summary>The ids of what is asked for, in their order; with the item itself, but for what lies beneath it.</summary>
    public static ImmutableArray<string> Of(PlanState state, string id, SelectAll which)
    {
        if (state.Items.FirstOrDefault(placed => placed.Item.Id == id) is not { } thing)
            return [];
        var found = which switch
        {
            SelectAll.OfKind => state.Items.Where(other => other.Kind.Key == thing.Kind.Key),
            SelectAll.OfRoom => state.Space.RoomAt(thing.Item.Placement.Origin) is { } room
                ? state.Items.Where(other => state.Space.RoomAt(other.Item.Placement.Origin) == room)
                : [],
            SelectAll.OfZone => state
                .Level.Things.Where(zone => zone.Counts() && zone.Marks(thing.Item.Placement.Origin))
                .SelectMany(zone => state.Items.Where(other => zone.Marks(other.Item.Placement.Origin)))
                .Distinct(),
            _ => LiningUp.Beneath(thing, state.Items),
        };
        return [.. found.Select(other => other.Item.Id).Order(StringComparer.Ordinal)];
    }
}
