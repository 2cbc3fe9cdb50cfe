using Wellsedes.Core.Arranging;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Editing.Groups;

/// <summary>How much floor a member takes, what it is made of standing where it stands.</summary>
internal static class MemberMeasure
{
    public static RepeatMeasure Of(Plan plan, ItemForms forms, GroupTree tree, IMember member)
    {
        var checks = plan.OfScheme<Checks>(member.SchemeId).First();
        var placed = tree.Items(member).Select(item => forms.Place(plan, item, checks)).OfType<PlacedItem>().ToArray();
        // What lies flat or hangs overhead is nothing to keep clear of, unless there is nothing else.
        var standing = placed.Where(item => !item.LiesFlat && !item.IsOverhead).ToArray();
        return new RepeatMeasure((standing.Length > 0 ? standing : placed).SelectMany(item => item.Standing), tree.FrameOf(member));
    }
}
