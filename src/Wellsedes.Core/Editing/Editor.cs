using Wellsedes.Core.Editing.Blocks;
using Wellsedes.Core.Editing.Groups;
using Wellsedes.Core.Measure;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Editing;

/// <summary>Turns what somebody wants into a change of the plan, or says why not. Nothing is half done.</summary>
public sealed class Editor(ItemForms forms, Func<Plan, string, LevelSpace> spaces)
{
    private readonly ItemEdits items = new(forms, spaces);
    private readonly KitchenEdits kitchens = new(spaces);
    private readonly OwnItemEdits own = new(forms);
    private readonly LineUpEdits lineUp = new(forms);
    private readonly OffsetEdits offsets = new(forms, spaces);
    private readonly BlockFill blocks = new(forms, spaces);
    private readonly RepeatEdits repeats = new(forms, spaces);
    private readonly GroupEdits groups = new(forms);

    internal Arranging.Settled Settled(Plan plan, Item item, double catchDistance, Geometry.Point? hold) =>
        items.Settled(plan, item, catchDistance, hold);

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
    internal FillWays? WaysOf(Thing block) => blocks.WaysOf(block);

    /// <param name="atOnce">Whether the ways of blocks that keep them are not judged: while a hand moves.</param>
    public EditAnswer Answer(Plan plan, Edit edit, bool atOnce = false)
    {
        if (WellFormed.Check(edit) is { } malformed)
            return EditAnswer.No(malformed);
        if (edit is IOfSelected { Ids: var ids } && ids.ToHashSet().Count != ids.Length)
            return EditAnswer.No("ids", "One thing is named twice; name each once.");
        var answer = edit switch
        {
            SetDetails e => Details(plan, e),
            Remove e => Removing.Of(plan, e),
            LockThings e => ThingEdits.Lock(plan, e),
            LookAt e => BlockEdits.LookAt(plan, e, spaces),
            ReleaseBlock e => Release(plan, e),
            NumberItems e => NumberEdits.Number(plan, e),
            KeepMeasure e => Measure(plan, e),
            SetBrief e => Replace(plan, e.Brief, "Set the brief"),
            SetChecks e => CheckChecks(e.Checks, plan.Details.Units) is { } problem
                ? EditAnswer.No(problem)
                : Replace(plan, e.Checks, "Set the checks"),
            _ => SchemeEdits.Answer(plan, edit)
                ?? BookEdits.Answer(plan, edit)
                ?? ViewEdits.Answer(plan, edit)
                ?? ShellEdits.Answer(plan, edit, spaces, forms)
                ?? repeats.Answer(plan, edit)
                ?? groups.Answer(plan, edit)
                ?? ReadyEdits.Answer(plan, edit)
                ?? Pasting.Answer(plan, edit)
                ?? FurnishEdits.Answer(plan, edit)
                ?? own.Answer(plan, edit)
                ?? LinedUpAsOne.Answer(plan, edit, lineUp)
                ?? offsets.Answer(plan, edit)
                ?? kitchens.Answer(plan, edit)
                ?? FinishEdits.Answer(plan, edit)
                ?? items.Answer(plan, edit),
        };
        return answer.Change is { } change ? Guard(plan, Followed(plan, change, !atOnce), edit) : answer;
    }

    /// <summary>With what other things become by it.</summary>
    private Change Followed(Plan plan, Change change, bool judged)
    {
        var named = RoomEdits.KeepNames(plan, change, spaces);
        return ViewEdits.Without(
            plan,
            FinishEdits.Without(plan, GroupFollow.After(plan, blocks.After(plan, ZoneEdits.After(plan, named, spaces), judged)))
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

    private static EditAnswer Release(Plan plan, ReleaseBlock edit)
    {
        if (plan.Find(edit.Id) is not Thing block || block.Fills() is null)
            return EditAnswer.No("id", "The block is no longer there.");
        if (block.Locked)
            return EditAnswer.No("id", $"{block.Called()} is locked; unlock it first.");
        var members = plan.OfScheme<Item>(((IOfScheme)block).SchemeId).Where(item => item.Parent == block.Id);
        return EditAnswer.Done(
            new Change(
                $"Released {block.OneOfIts()}",
                [new EntityChange(block, null), .. members.Select(item => new EntityChange(item, item with { Parent = null, Slot = null }))]
            )
        );
    }

    /// <summary>As much of a name as the name of a change holds.</summary>
    internal static string Short(string name) => name.Length <= 80 ? name : name[..80];

    private static EditAnswer Details(Plan plan, SetDetails edit)
    {
        if (CheckText("title", edit.Title, 1, 80) is { } problem)
            return EditAnswer.No(problem);
        if (edit.Site?.Wrong() is { } nowhere)
            return EditAnswer.No(nowhere);
        var before = plan.Details;
        var after = before with
        {
            Title = edit.Title.Trim(),
            Units = edit.Units,
            North = AngleText.Normal(edit.North),
            Site = edit.Site ?? before.Site,
            Sprinklered = edit.Sprinklered ?? before.Sprinklered,
            LoadRounding = edit.LoadRounding ?? before.LoadRounding,
        };
        return Swap("Changed the plan's details", before, after);
    }

    private static EditAnswer Measure(Plan plan, KeepMeasure edit) =>
        plan.Find(edit.Id) is not null
            ? EditAnswer.Taken("id", edit.Id)
            : Swap("Kept a measure", null, new Dimension(edit.Id, edit.SchemeId, edit.LevelId, edit.From, edit.To));

    private static Problem? CheckChecks(Checks checks, UnitSystem units) =>
        SizeSense.Check(units, "main aisle width", "this scheme", checks.MainAisle, 300, 6000, false)
        ?? SizeSense.Check(units, "seat access width", "this scheme", checks.SeatAccess, 200, 3000, false)
        ?? SizeSense.Check(units, "occupied chair depth", "this scheme", checks.OccupiedDepth, 300, 900, false)
        ?? SizeSense.Check(units, "pulled-out chair depth", "this scheme", checks.PulledOutDepth, 400, 1500, false);

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
