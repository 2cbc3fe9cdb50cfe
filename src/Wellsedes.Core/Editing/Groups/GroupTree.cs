using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Editing.Groups;

/// <summary>Which members belong to which cluster or repeat in a scheme of a plan, and where each stands as one.</summary>
internal sealed class GroupTree
{
    private static readonly IMember[] None = [];
    private readonly Plan plan;
    private readonly Dictionary<string, IMember[]> members;

    public GroupTree(Plan plan, string schemeId)
    {
        this.plan = plan;
        members = AllOf(plan, schemeId)
            .Where(member => member.Parent is not null)
            .GroupBy(member => member.Parent!)
            .ToDictionary(group => group.Key, group => group.OrderBy(member => member.Slot).ToArray());
    }

    private static IEnumerable<IMember> AllOf(Plan plan, string schemeId) =>
        plan.OfScheme<Item>(schemeId).Cast<IMember>().Concat(plan.OfScheme<Cluster>(schemeId)).Concat(plan.OfScheme<Repeat>(schemeId));

    /// <summary>The direct members of a cluster or repeat in the order of their slots.</summary>
    public IMember[] Members(string id) => members.GetValueOrDefault(id, None);

    public IMember? Member(string id, int slot) => Array.Find(Members(id), member => member.Slot == slot);

    /// <summary>A member and everything below it, parents before their members.</summary>
    public IEnumerable<IMember> Below(IMember member)
    {
        yield return member;
        foreach (var below in Members(member.Id).SelectMany(Below))
            yield return below;
    }

    public IEnumerable<Item> Items(IMember member) => Below(member).OfType<Item>();

    /// <summary>The cluster or repeat a member belongs to; null for none.</summary>
    public IMember? ParentOf(IMember member) => member.Parent is { } id ? plan.Find(id) as IMember : null;

    /// <summary>The outermost cluster or repeat a member is part of; itself where it is part of none.</summary>
    public IMember Outermost(IMember member)
    {
        var at = member;
        for (var deep = 0; deep <= Cluster.Deepest && ParentOf(at) is { } parent; deep++)
            at = parent;
        return at;
    }

    /// <summary>How deep below the outermost a member is; 0 for one that belongs to nothing.</summary>
    public int Depth(IMember member)
    {
        var depth = 0;
        for (var at = member; depth <= Cluster.Deepest + 1 && ParentOf(at) is { } parent; at = parent)
            depth++;
        return depth;
    }

    /// <summary>Where a member stands: an item by itself, a cluster where its leader does, a repeat by its own frame.</summary>
    public Placement FrameOf(IMember member) =>
        member switch
        {
            Item item => item.Placement,
            Repeat repeat => repeat.Placement,
            _ => Members(member.Id) is [var first, ..] ? FrameOf(first) : default,
        };

    /// <summary>The outermost things that selected items make up.</summary>
    /// <exception cref="ArgumentException">Some of a cluster or repeat is selected and some is not; the message says so.</exception>
    public List<IMember> Whole(IReadOnlyCollection<string> itemIds)
    {
        var chosen = itemIds.ToHashSet();
        List<IMember> whole = [];
        foreach (var id in itemIds)
        {
            if (plan.Find(id) is not IMember member)
                throw new ArgumentException("Something chosen is no longer there; somebody has removed it.");
            var outer = Outermost(member);
            if (whole.Contains(outer))
                continue;
            if (outer != member && !Items(outer).All(item => chosen.Contains(item.Id)) && !chosen.Contains(outer.Id))
                throw new ArgumentException(
                    $"Only a part of {EntityWords.Noun((Entity)outer)} is selected; select all of it, or release it first."
                );
            whole.Add(outer);
        }
        return whole;
    }
}
