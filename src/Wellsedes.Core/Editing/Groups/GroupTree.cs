using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Editing.Groups;

/// <summary>Which members belong to which cluster or repeat in a scheme of a plan, and where each stands as one.</summary>
internal sealed class GroupTree
{
    private static readonly IMember[] None = [];
    private readonly Plan plan;
    private readonly string schemeId;
    private readonly Dictionary<string, IMember[]> members;

    public GroupTree(Plan plan, string schemeId)
    {
        (this.plan, this.schemeId) = (plan, schemeId);
        members = plan.OfScheme<Item>(schemeId)
            .Cast<IMember>()
            .Concat(Groups())
            .Where(member => member.Parent is not null)
            .GroupBy(member => member.Parent!)
            .ToDictionary(group => group.Key, group => group.OrderBy(member => member.Slot).ToArray());
    }

    private IEnumerable<IMember> Groups() => plan.OfScheme<Cluster>(schemeId).Cast<IMember>().Concat(plan.OfScheme<Repeat>(schemeId));

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

    /// <summary>What a member is part of, from the innermost outwards.</summary>
    private IEnumerable<IMember> Above(IMember member)
    {
        var deep = 0;
        for (var at = ParentOf(member); at is not null && deep++ <= Cluster.Deepest; at = ParentOf(at))
            yield return at;
    }

    /// <summary>The outermost cluster or repeat a member is part of; itself where it is part of none.</summary>
    public IMember Outermost(IMember member) => Above(member).LastOrDefault() ?? member;

    /// <summary>How deep below the outermost a member is; 0 for one that belongs to nothing.</summary>
    public int Depth(IMember member) => Above(member).Count();

    /// <summary>The clusters and repeats all of whose items are among some.</summary>
    public IEnumerable<IMember> WholeAmong(IReadOnlyCollection<string> items)
    {
        var chosen = items as IReadOnlySet<string> ?? items.ToHashSet();
        return Groups().Where(group => Members(group.Id).Length > 0 && Items(group).All(item => chosen.Contains(item.Id)));
    }

    /// <summary>Where a member stands: an item by itself, a cluster where its leader does, a repeat by its own frame.</summary>
    public Placement FrameOf(IMember member) =>
        member switch
        {
            Item item => item.Placement,
            Repeat repeat => repeat.Placement,
            _ => Members(member.Id) is [var first, ..] ? FrameOf(first) : default,
        };

    /// <summary>The outermost things that selected items make up, or what is wrong: some of a cluster or repeat is selected and some is not.</summary>
    public (List<IMember> Whole, string? Wrong) Whole(IReadOnlyCollection<string> itemIds)
    {
        var chosen = itemIds.ToHashSet();
        List<IMember> whole = [];
        var known = new HashSet<string>();
        foreach (var id in itemIds)
        {
            if (plan.Find(id) is not IMember member)
                return ([], "Something chosen is no longer there; somebody has removed it.");
            var outer = Outermost(member);
            if (!known.Add(outer.Id))
                continue;
            if (outer != member && !chosen.Contains(outer.Id) && !Items(outer).All(item => chosen.Contains(item.Id)))
                return ([], $"Only a part of {EntityWords.Noun((Entity)outer)} is selected; select all of it, or release it first.");
            whole.Add(outer);
        }
        return (whole, null);
    }
}
