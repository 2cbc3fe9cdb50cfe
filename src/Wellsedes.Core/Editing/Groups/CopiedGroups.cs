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
        foreach (var group in tree.WholeAmong([.. items.Keys]))
            ids[group.Id] = FreeId.Of(
                $"{items[tree.Items(group).First().Id]}-{(group is Repeat ? "repeat" : "cluster")}",
                id => plan.Find(id) is not null || ids.ContainsValue(id)
            );
        foreach (var (id, own) in ids)
        {
            var group = (IMember)plan.Find(id)!;
            var parent = group.Parent is { } outer ? ids.GetValueOrDefault(outer) : null;
            var moved = MemberMoves.Belonging((IMember)MemberMoves.Carried(group, start, end), parent, parent is null ? null : group.Slot);
            copies[id] = MemberMoves.Under((IMember)moved, own);
        }
        return copies;
    }
}
