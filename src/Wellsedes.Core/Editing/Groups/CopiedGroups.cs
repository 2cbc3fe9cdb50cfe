using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Editing.Groups;

/// <summary>The clusters and repeats that are copied along with their items: those all of whose items are.</summary>
internal static class CopiedGroups
{
    /// <summary>The copies by the ids of their originals; moved as the items are, from a placement to another.</summary>
    /// <param name="items">The ids of copied items and of their copies.</param>
    public static Dictionary<string, Entity> Of(Plan plan, IReadOnlyDictionary<string, string> items, Placement start, Placement end)
    {
        Dictionary<string, Entity> copies = [];
        if (items.Keys.Select(plan.Find<Item>).FirstOrDefault(item => item?.Parent is not null) is not { } member)
            return copies;
        var tree = new GroupTree(plan, member.SchemeId);
        Dictionary<string, string> ids = [];
        foreach (var group in Groups(plan, member.SchemeId))
            if (tree.Items(group).ToArray() is { Length: > 0 } all && Array.TrueForAll(all, item => items.ContainsKey(item.Id)))
                ids[group.Id] = FreeId.Of(
                    $"{items[all[0].Id]}-{(group is Repeat ? "repeat" : "cluster")}",
                    id => plan.Find(id) is not null || ids.ContainsValue(id)
                );
        foreach (var (id, own) in ids)
        {
            var group = (IMember)plan.Find(id)!;
            var parent = group.Parent is { } outer && ids.TryGetValue(outer, out var copied) ? copied : null;
            copies[id] = MemberMoves.Belonging(
                (IMember)MemberMoves.Carried(group, start, end),
                parent,
                parent is null ? null : group.Slot
            ) switch
            {
                Cluster cluster => cluster with { Id = own },
                Repeat repeat => repeat with { Id = own },
                var other => other,
            };
        }
        return copies;
    }

    private static IEnumerable<IMember> Groups(Plan plan, string schemeId) =>
        plan.OfScheme<Cluster>(schemeId).Cast<IMember>().Concat(plan.OfScheme<Repeat>(schemeId));
}
