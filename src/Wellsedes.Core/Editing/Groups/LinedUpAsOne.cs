using System.Collections.Immutable;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Editing.Groups;

/// <summary>
/// Clusters and repeats that are selected whole are lined up, spaced, set along lines and turned as one: their leading items are, and
/// everything else of them goes along.
/// </summary>
internal static class LinedUpAsOne
{
    /// <summary>Does to the leading items what was asked of all, and takes the others of their clusters and repeats along.</summary>
    /// <param name="ask">What becomes of the items that lead, and of those that stand alone; told which follow.</param>
    public static EditAnswer Do(Plan plan, ImmutableArray<string> ids, Func<ImmutableArray<string>, HashSet<string>, EditAnswer> ask)
    {
        var led = Led(plan, ids);
        var follow = led.Values.SelectMany(items => items).Select(item => item.Id).ToHashSet();
        var answer = ask(follow.Count == 0 ? ids : [.. ids.Where(id => !follow.Contains(id))], follow);
        if (answer is not { Change: { } change })
            return answer;
        var made = change.Entities.ToDictionary(entity => entity.Id);
        foreach (var (leader, items) in led)
        {
            if (!made.TryGetValue(leader, out var moved) || moved is not { Before: Item start, After: Item end })
                continue;
            foreach (var item in items.Where(item => !made.ContainsKey(item.Id)))
            {
                made[item.Id] = new EntityChange(item, ItemEdits.Carried(item, start.Placement, end.Placement));
            }
        }
        return EditAnswer.Done(change with { Entities = [.. made.Values] });
    }

    /// <summary>The other items of each cluster or repeat that is selected whole, by the id of the one that leads it.</summary>
    private static Dictionary<string, Item[]> Led(Plan plan, ImmutableArray<string> ids)
    {
        if (ids.Select(plan.Find<Item>).FirstOrDefault(item => item?.Parent is not null) is not { } member)
            return [];
        var tree = new GroupTree(plan, member.SchemeId);
        var whole = tree.WholeAmong(ids).ToDictionary(group => group.Id);
        return whole
            .Values.Where(group => group.Parent is null || !whole.ContainsKey(group.Parent))
            .Select(group => tree.Items(group).ToArray())
            .ToDictionary(items => items[0].Id, items => items[1..]);
    }
}
