using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Editing.Groups;

/// <summary>Copies of members under ids and numbers of their own.</summary>
/// <param name="taken">Labels that somebody has; those given are added.</param>
internal sealed class MemberCopies(Plan plan, GroupTree tree, Func<string, bool> isTaken, HashSet<string> taken)
{
    private readonly HashSet<string> given = [];

    /// <summary>A copy of a member with all below it, moved as one; the first is the copy of the member itself.</summary>
    /// <param name="id">Of the copy; those below it have ids that begin with it.</param>
    public List<Entity> Of(IMember model, string id, string? parent, int? slot, Placement from, Placement to)
    {
        var all = tree.Below(model).ToArray();
        var ids = new Dictionary<string, string> { [model.Id] = Free(id) };
        for (var i = 1; i < all.Length; i++)
            ids[all[i].Id] = Free($"{id}-{i}");
        List<Entity> copies = [];
        foreach (var one in all)
        {
            var (above, at) = one == model ? (parent, slot) : (ids[one.Parent!], one.Slot);
            var moved = MemberMoves.Belonging((IMember)MemberMoves.Carried(one, from, to), above, at);
            var copy = MemberMoves.Under((IMember)moved, ids[one.Id]);
            if (copy is Item item)
                copy = item with
                {
                    Locked = false,
                    StandsOn = item.StandsOn is { } on && ids.TryGetValue(on, out var copied) ? copied : null,
                    Label = ItemEdits.IsTable(plan, item) ? ItemEdits.NextNumber(taken) : "",
                };
            copies.Add(copy);
        }
        return copies;
    }

    private string Free(string id) => FreeId.Of(id, one => isTaken(one) || !given.Add(one));
}
