using Wellsedes.Core.Plans;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Editing.Groups;

/// <summary>
/// What clusters and repeats become after their members were changed one by one: a repeat whose members all moved alike moves with
/// them, one whose members moved apart remembers which, and what has lost its members goes.
/// </summary>
internal static class GroupFollow
{
    public static Change After(Plan plan, Change change)
    {
        var parents = change
            .Entities.SelectMany(entity => new[] { (entity.Before as IMember)?.Parent, (entity.After as IMember)?.Parent })
            .OfType<string>()
            .ToHashSet();
        // What a block holds belongs to no group.
        if (!parents.Any(id => plan.Find(id) is IMember) || !plan.TryApply(change, out var after, out _))
            return change;
        var made = change.Entities.ToDictionary(entity => entity.Id);
        var scheme = change
            .Entities.Select(entity => entity.After as IMember ?? entity.Before as IMember)
            .First(member => member is not null)!
            .SchemeId;
        var before = new GroupTree(plan, scheme);
        // From the innermost outwards: what a cluster has become decides what its repeat becomes.
        var waiting = new PriorityQueue<string, int>();
        foreach (var id in parents)
            Ask(id);
        var seen = new HashSet<string>();
        GroupTree? tree = null;
        while (waiting.TryDequeue(out var id, out _))
        {
            if (!seen.Add(id) || after.Find(id) is not IMember group || (made.TryGetValue(id, out var own) && own.After is not null))
                continue;
            // Made anew only after something was changed: most clusters that moved have nothing to follow.
            var now = tree ??= new GroupTree(after, scheme);
            var members = now.Members(id);
            if (members.Length == 0)
                Put(group, null);
            else if (group is Cluster && members.Length == 1 && before.Members(id).Length > 1)
            {
                Put(group, null);
                Put(members[0], MemberMoves.Belonging(members[0], group.Parent, group.Slot));
            }
            else if (group is Repeat repeat && Followed(repeat, before, now) is { } followed && followed != repeat)
                Put(group, followed);
            if (group.Parent is { } parent)
                Ask(parent);
        }
        return change with { Entities = [.. made.Values.Where(entity => !Equals(entity.Before, entity.After))] };

        void Ask(string id)
        {
            if (plan.Find(id) is IMember group)
                waiting.Enqueue(id, -before.Depth(group));
        }

        void Put(IMember group, Entity? become)
        {
            var id = group.Id;
            made[id] = made.TryGetValue(id, out var known) ? known with { After = become } : new EntityChange(plan.Find(id), become);
            tree = null;
            after.TryApply(new Change("", [new EntityChange(after.Find(id), become)]), out after, out _);
        }
    }

    private static Repeat Followed(Repeat repeat, GroupTree before, GroupTree now)
    {
        var was = before.Members(repeat.Id).ToDictionary(member => member.Slot!.Value);
        var members = now.Members(repeat.Id);
        var pairs = members
            .Where(member => was.ContainsKey(member.Slot!.Value))
            .Select(member => (Slot: member.Slot!.Value, From: before.FrameOf(was[member.Slot!.Value]), To: now.FrameOf(member)))
            .ToArray();
        if (pairs.Length > 0)
        {
            var (_, start, end) = pairs[0];
            if (
                pairs.Length == was.Count
                && !MemberMoves.IsSame(start, end)
                && pairs.All(pair => MemberMoves.IsSame(MemberMoves.Moved(pair.From, start, end), pair.To))
                && (pairs.Length > 1 || repeat.Count == 1)
            )
                return (Repeat)MemberMoves.Carried(repeat, start, end);
        }
        var singles = repeat.Singles.ToDictionary(single => single.Slot);
        foreach (var (slot, from, to) in pairs)
            if (!MemberMoves.IsSame(from, to))
                Single(slot, to);
        foreach (var slot in was.Keys.Except(members.Select(member => member.Slot!.Value)))
            singles[slot] = new SingledOut(slot, true);
        return repeat with { Singles = [.. singles.Values.OrderBy(single => single.Slot)] };

        void Single(int slot, Geometry.Placement to)
        {
            var regular = repeat.Regular(slot);
            if (MemberMoves.IsSame(regular, to))
            {
                singles.Remove(slot);
                return;
            }
            var apart = regular.Seen(to);
            singles[slot] = new SingledOut(slot, false, apart.X, apart.Y, AngleText.Normal(apart.Rotation));
        }
    }
}
