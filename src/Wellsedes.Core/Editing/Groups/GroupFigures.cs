using Wellsedes.Core.Arranging;
using Wellsedes.Core.Capacity;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Editing.Groups;

/// <summary>What a cluster or repeat holds and, of a repeat, the figures it can be changed by; lengths in mm, null where they mean nothing.</summary>
/// <param name="Members">Direct members that stand.</param>
/// <param name="LeftOut">Slots of a repeat without a member.</param>
/// <param name="Apart">Members of a repeat that stand apart from their slots.</param>
/// <param name="Length">From end to end of a row.</param>
public sealed record GroupFigures(
    string Id,
    int Members,
    int Items,
    int Seats,
    int Workstations,
    int LeftOut = 0,
    int Apart = 0,
    double? ColumnPitch = null,
    double? ColumnGap = null,
    double? RowPitch = null,
    double? RowGap = null,
    double? BackGap = null,
    double? Radius = null,
    double? Gap = null,
    double? Length = null
)
{
    /// <summary>Null where no such cluster or repeat is there.</summary>
    public static GroupFigures? Of(Plan plan, ItemForms forms, string id)
    {
        if (plan.Find(id) is not (IMember group and (Cluster or Repeat)))
            return null;
        var tree = new GroupTree(plan, group.SchemeId);
        var checks = plan.OfScheme<Checks>(group.SchemeId).First();
        var placed = tree.Items(group).Select(item => forms.Place(plan, item, checks)).OfType<PlacedItem>().ToArray();
        var (seats, desks) = Tallying.Seats(placed);
        var members = tree.Members(id);
        var figures = new GroupFigures(id, members.Length, placed.Length, seats, desks);
        return group is Repeat repeat && members.Length > 0 ? figures.Of(repeat, MemberMeasure.Of(plan, forms, tree, members[0])) : figures;
    }

    private GroupFigures Of(Repeat repeat, RepeatMeasure member)
    {
        var figures = this with
        {
            LeftOut = repeat.Singles.Count(single => single.LeftOut),
            Apart = repeat.Singles.Count(single => !single.LeftOut),
        };
        if (repeat.Form == RepeatForm.Ring)
        {
            figures = figures with { Radius = repeat.Radius, Gap = member.RingGap(repeat) };
            return repeat.Rows > 1 ? figures with { RowPitch = repeat.RowSpacing, RowGap = repeat.RowSpacing - member.Across } : figures;
        }
        figures = figures with
        {
            ColumnPitch = Math.Abs(repeat.ColumnSpacing),
            ColumnGap = Math.Abs(repeat.ColumnSpacing) - member.Along,
            Length = Math.Abs(repeat.ColumnSpacing) * (repeat.Columns - 1) + member.Along,
        };
        if (repeat.Form == RepeatForm.Path)
            return figures;
        var deep = repeat.BackToBack is { } back ? member.PairDepth(back) : member.Across;
        return figures with
        {
            RowPitch = Math.Abs(repeat.RowSpacing),
            RowGap = Math.Abs(repeat.RowSpacing) - deep,
            BackGap = repeat.BackToBack is { } pair ? member.BackGap(pair) : null,
        };
    }
}
