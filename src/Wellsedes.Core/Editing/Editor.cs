using Wellsedes.Core.Editing.Blocks;
using Wellsedes.Core.Editing.Groups;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Editing;

/// <summary>Turns what somebody wants into a change of the plan, or says why not. Nothing is half done.</summary>
public sealed class Editor(EditKinds kinds, ItemForms forms, Func<Plan, string, LevelSpace> spaces)
{
    private readonly EditTools tools = new(forms, spaces);

    internal Arranging.Settled Settled(Plan plan, Item item, double catchDistance, Geometry.Point? hold) =>
        tools.Items.Settled(plan, item, catchDistance, hold);

    /// <summary>How a block would hold more.</summary>
    public System.Collections.Immutable.ImmutableArray<BlockOffer> Offers(Plan plan, string blockId) =>
        BlockOffers.Of(plan, blockId, forms, spaces);

    /// <summary>The block that an edit would put in, with the outline it would have; null of other edits, and where it can have none.</summary>
    internal Thing? Outlined(Plan plan, Edit edit) =>
        edit switch
        {
            PutThing { Thing: Thing thing } when plan.Find<Level>(thing.LevelId) is not null => thing,
            PutOverRooms over => ZoneEdits.Over(plan, over, spaces, forms).Item1,
            _ => null,
        };

    /// <summary>The ways to what a block holds, as they were judged when it was filled so; null where they were not.</summary>
    internal FillWays? WaysOf(Thing block) => tools.Blocks.WaysOf(block);

    /// <param name="atOnce">Whether the ways of blocks that keep them are not judged: while a hand moves.</param>
    public EditAnswer Answer(Plan plan, Edit edit, bool atOnce = false)
    {
        if (WellFormed.Check(edit) is { } malformed)
            return EditAnswer.No(malformed);
        if (edit is IOfSelected { Ids: var ids } && ids.ToHashSet().Count != ids.Length)
            return EditAnswer.No("ids", "One thing is named twice; name each once.");
        var kind = kinds.Of(edit);
        var answer = kind.Answer(tools, plan, edit);
        if (answer.Change is not { } change)
            return answer;
        if (kind.Locks == LockRule.Holds && Locking.Broken(plan, change, kind) is { } locked)
            return EditAnswer.No(locked);
        return Guard(plan, Followed(plan, change, !atOnce), edit);
    }

    /// <summary>With what other things become by it.</summary>
    private Change Followed(Plan plan, Change change, bool judged)
    {
        var named = RoomEdits.KeepNames(plan, change, spaces);
        return ViewEdits.Without(
            plan,
            FinishEdits.Without(plan, GroupFollow.After(plan, tools.Blocks.After(plan, ZoneEdits.After(plan, named, spaces), judged)))
        );
    }

    /// <summary>What holds for every change, before it is anything more than a wish.</summary>
    private static EditAnswer Guard(Plan plan, Change change, Edit edit)
    {
        if (!plan.TryApply(change, out var after, out _))
            return EditAnswer.No("edit", "The plan changed under this edit; do it again.");
        if (ViewEdits.Locked(plan, change) is { } locked)
            return EditAnswer.No(locked);
        if ((PlanChecks.OfChange(plan, change, after) ?? OpeningEdits.Blocked(plan, change, after)) is { } problem)
            return EditAnswer.No(problem);
        return !edit.Sure && FarAway.Of(plan, change, after) is { } far ? EditAnswer.No(far) : EditAnswer.Done(change);
    }

    /// <summary>As much of a name as the name of a change holds.</summary>
    internal static string Short(string name) => name.Length <= 80 ? name : name[..80];

    internal static Problem? CheckText(string field, string text, int least, int most)
    {
        var length = text.Trim().Length;
        return length < least ? new Problem(field, $"The {field} is missing.")
            : length > most ? new Problem(field, $"The {field} has {length} characters; at most {most} fit.")
            : null;
    }

    internal static EditAnswer Replace(Plan plan, Entity after, string label)
    {
        var before = plan.Find(after.Id);
        return before is null || before.GetType() != after.GetType()
            ? EditAnswer.No("id", "What should be changed is not there.")
            : Swap(label, before, after);
    }

    internal static EditAnswer Swap(string label, Entity? before, Entity after) =>
        EditAnswer.Done(new Change(label, [new EntityChange(before, after)]));
}
