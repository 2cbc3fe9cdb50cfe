using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Arranging;

/// <summary>The overlaps of a level, item by item, so that after a move only those it touches are looked for again.</summary>
public sealed class KeptOverlaps
{
    /// <summary>Of one item with the shell and with later ones, and the steps it took to find them.</summary>
    internal readonly record struct OfItem(ImmutableArray<Overlap> Found, long Steps);

    private readonly LevelSpace space;
    private readonly Dictionary<PlacedItem, OfItem> byItem;

    internal KeptOverlaps(LevelSpace space, IReadOnlyList<PlacedItem> items, OfItem[] found)
    {
        this.space = space;
        byItem = new(items.Count, ReferenceEqualityComparer.Instance);
        for (var i = 0; i < items.Count; i++)
            byItem[items[i]] = found[i];
        All = [.. found.SelectMany(one => one.Found)];
    }

    /// <summary>In the order of the items.</summary>
    public ImmutableArray<Overlap> All { get; }

    internal OfItem Of(PlacedItem item) => byItem[item];

    /// <summary>Which items are new, or stand where something went or came; null when it is as well to look at all.</summary>
    internal bool[]? Touched(LevelSpace now, IReadOnlyList<PlacedItem> items)
    {
        if (!ReferenceEquals(space, now))
            return null;
        var changed = ChangedBetween(byItem.Keys, items);
        return changed.Count > items.Count / 2 ? null : Meeting(items, changed);
    }

    /// <summary>Where things went or came.</summary>
    internal static List<Bounds> ChangedBetween(IEnumerable<PlacedItem> before, IEnumerable<PlacedItem> now)
    {
        var (come, gone) = Difference(before, now);
        return [.. come.Concat(gone).Select(item => item.Bounds)];
    }

    /// <summary>What is there now and was not before, and what was and is not.</summary>
    internal static (List<PlacedItem> Come, HashSet<PlacedItem> Gone) Difference(
        IEnumerable<PlacedItem> before,
        IEnumerable<PlacedItem> now
    )
    {
        var gone = new HashSet<PlacedItem>(before, ReferenceEqualityComparer.Instance);
        List<PlacedItem> come = [.. now.Where(item => !gone.Remove(item))];
        return (come, gone);
    }

    /// <summary>Which items meet one of some boxes.</summary>
    internal static bool[] Meeting(IReadOnlyList<PlacedItem> items, IReadOnlyList<Bounds> boxes)
    {
        var index = new SpatialIndex<Bounds>(boxes, box => box);
        return [.. items.Select(item => index.AnyMeeting(item.Bounds))];
    }
}
