using System.Collections.Immutable;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Editing.Groups;

/// <summary>
/// Clusters and repeats that are selected whole are lined up, spaced, set along lines and turned as one: their leading items are, and
/// everything else of them goes along.
/// </summary>
internal static class LinedUpAsOne
{
    /// <summary>Null when the edit is not about these.</summary>
    public static EditAnswer? Answer(Plan plan, Edit edit, LineUpEdits lineUp)
    {
        if (edit is not (LineUp or SpreadItems or SetAlong or SetAlongWall or MatchRotation or FaceItems))
            return lineUp.Answer(plan, edit);
        var ids = ((IOfSelected)edit).Ids;
        var led = Led(plan, ids);
        if (led.Count == 0)
            return lineUp.Answer(plan, edit);
        var follow = led.Values.SelectMany(items => items).Select(item => item.Id).ToHashSet();
        ImmutableArray<string> leaders = [.. ids.Where(id => !follow.Contains(id))];
        Edit asOne = edit switch
        {
            LineUp e => e with { Ids = leaders, StaysId = e.StaysId is { } stays && !follow.Contains(stays) ? stays : null },
            SpreadItems e => e with { Ids = leaders },
            SetAlong e => e with { Ids = leaders },
            SetAlongWall e => e with { Ids = leaders },
            MatchRotation e => e with { Ids = leaders },
            FaceItems e => e with { Ids = leaders },
            _ => edit,
        };
        var answer = lineUp.Answer(plan, asOne);
        if (answer is not { Change: { } change })
            return answer;
        var made = change.Entities.ToDictionary(entity => entity.Id);
        foreach (var (leader, items) in led)
        {
            if (!made.TryGetValue(leader, out var moved) || moved is not { Before: Item start, After: Item end })
                continue;
            foreach (var item in items.Where(item => !made.ContainsKey(item.Id)))
            {
                if (item.Locked)
                    return EditAnswer.No("ids", $"{EntityWords.Called(plan, item)} is locked; unlock it first.");
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
