using Wellsedes.Core.Measure;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Editing;

/// <summary>Repeats: the parent holds the recipe, the members are items that follow it.</summary>
internal static class RepeatEdits
{
    /// <summary>Null when the edit is not about repeats.</summary>
    public static EditAnswer? Answer(Plan plan, Edit edit) =>
        edit switch
        {
            PutRepeat e => Put(plan, e.Repeat),
            Release e => Release(plan, e),
            _ => null,
        };

    private static EditAnswer Put(Plan plan, Repeat asked)
    {
        if (PlanChecks.OfEntity(plan, asked) is { } problem)
            return EditAnswer.No(problem);
        var repeat = asked with { Rotation = AngleText.Normal(asked.Rotation) };
        var before = plan.Find(repeat.Id);
        if (before is Repeat was && (was.SchemeId != repeat.SchemeId || was.LevelId != repeat.LevelId))
            return EditAnswer.No("id", "A repeat stays in its scheme and on its level.");
        var change = new ShellChange(plan);
        change.Put(repeat);
        var members = plan.OfScheme<Item>(repeat.SchemeId).Where(item => item.Parent == repeat.Id).ToDictionary(item => item.Slot!.Value);
        var count = repeat.Columns * repeat.Rows;
        for (var slot = 0; slot < count; slot++)
        {
            var place = repeat.Slot(slot);
            if (!members.TryGetValue(slot, out var member))
                member = new Item(
                    Free(plan, $"{repeat.Id}-{slot + 1}"),
                    repeat.SchemeId,
                    repeat.LevelId,
                    repeat.Catalogue,
                    place.X,
                    place.Y,
                    AngleText.Normal(place.Rotation),
                    Parent: repeat.Id,
                    Slot: slot
                );
            else if (!member.Locked)
                member = member with
                {
                    Catalogue = repeat.Catalogue,
                    X = place.X,
                    Y = place.Y,
                    Rotation = AngleText.Normal(place.Rotation),
                };
            change.Put(member);
        }
        foreach (var (slot, member) in members.Where(pair => pair.Key >= count))
        {
            if (member.Locked)
                return EditAnswer.No("columns", $"{EntityWords.Called(plan, member)} in slot {slot + 1} is locked; unlock it first.");
            change.Remove(member.Id);
        }
        return change.Done(before is null ? $"Repeated {repeat.Columns} by {repeat.Rows}" : "Changed a repeat");
    }

    private static string Free(Plan plan, string id)
    {
        var free = id;
        for (var i = 2; plan.Find(free) is not null; i++)
            free = $"{id}-{i}";
        return free;
    }

    private static EditAnswer Release(Plan plan, Release edit)
    {
        var change = new ShellChange(plan);
        foreach (var id in edit.Ids)
        {
            if (plan.Find<Repeat>(id) is not { } repeat)
                return EditAnswer.No("ids", "Something to release is no longer there.");
            change.Remove(id);
            foreach (var member in plan.OfScheme<Item>(repeat.SchemeId).Where(item => item.Parent == id))
                change.Put(member with { Parent = null, Slot = null });
        }
        return change.Done("Released a repeat");
    }
}
