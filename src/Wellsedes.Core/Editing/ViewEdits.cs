using System.Collections.Immutable;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Editing;

/// <summary>What is seen, printed and locked.</summary>
internal static class ViewEdits
{
    /// <summary>The edits this file answers.</summary>
    public static ImmutableArray<EditKind> Kinds { get; } =
    [
        EditKind.Of<PutView>("put-view", "Make or change a view", "Made or changed a view", (tools, plan, e) => Put(plan, e.View)),
        EditKind.Of<PutViewpoint>(
            "put-viewpoint",
            "Keep or change a viewpoint",
            "Kept or changed a viewpoint",
            (tools, plan, e) => Put(plan, e.Viewpoint)
        ),
        EditKind.Of<SetLocks>(
            "set-locks",
            "Lock or unlock by view",
            "Locked or unlocked by view",
            (tools, plan, e) => Lock(plan, e),
            LockRule.Passes
        ),
        EditKind.Of<PutGroup>(
            "put-group",
            "Keep or change an own group",
            "Kept or changed an own group",
            (tools, plan, e) => Group(plan, e.Group)
        ),
    ];

    private static EditAnswer Put(Plan plan, View view)
    {
        if (plan.Find<Scheme>(view.SchemeId) is null)
            return EditAnswer.No("schemeId", "The scheme is no longer there.");
        var before = plan.Find(view.Id);
        if (before is not (null or View))
            return EditAnswer.Taken("id", view.Id);
        if (before is null && plan.OfScheme<View>(view.SchemeId).Count() >= View.Most)
            return EditAnswer.No("view", $"A scheme has at most {View.Most} views; remove one first.");
        view = view with { Name = view.Name.Trim() };
        if (
            plan.OfScheme<View>(view.SchemeId)
                .Any(other => other.Id != view.Id && other.Name.Equals(view.Name, StringComparison.OrdinalIgnoreCase))
        )
            return EditAnswer.No("name", $"There is already a view called {view.Name}; give this one another name.");
        if (
            (Unknown(plan, view.SchemeId, "hidden", view.Hidden) ?? Unknown(plan, view.SchemeId, "notPrinted", view.NotPrinted)) is { } none
        )
            return EditAnswer.No(none);
        var subjects = new Subjects(plan, view.SchemeId);
        return !subjects.LeavesAny(view.Hidden)
                ? EditAnswer.No("hidden", "This view would hide everything of the scheme; leave one subject seen.")
            : !subjects.LeavesAny(view.NotPrinted)
                ? EditAnswer.No("notPrinted", "Sheets by this view would be empty; leave one subject to be printed.")
            : Editor.Swap(before is null ? $"Made the view {view.Name}" : $"Changed the view {view.Name}", before, view);
    }

    private static EditAnswer Put(Plan plan, Viewpoint viewpoint)
    {
        if (plan.Find<Scheme>(viewpoint.SchemeId) is null)
            return EditAnswer.No("schemeId", "The scheme is no longer there.");
        if (plan.Find<Level>(viewpoint.LevelId) is null)
            return EditAnswer.No("levelId", "The level is no longer there.");
        var before = plan.Find(viewpoint.Id);
        if (before is not (null or Viewpoint))
            return EditAnswer.Taken("id", viewpoint.Id);
        var others = plan.OfScheme<Viewpoint>(viewpoint.SchemeId).Where(other => other.Id != viewpoint.Id).ToArray();
        if (others.Length >= Viewpoint.Most)
            return EditAnswer.No("viewpoint", $"A scheme has at most {Viewpoint.Most} viewpoints; remove one first.");
        viewpoint = viewpoint with { Name = viewpoint.Name.Trim() };
        if (Array.Exists(others, other => other.Name.Equals(viewpoint.Name, StringComparison.OrdinalIgnoreCase)))
            return EditAnswer.No("name", $"There is already a viewpoint called {viewpoint.Name}; give this one another name.");
        return Editor.Swap(
            before is null ? $"Kept the viewpoint {viewpoint.Name}" : $"Changed the viewpoint {viewpoint.Name}",
            before,
            viewpoint
        );
    }

    private static EditAnswer Lock(Plan plan, SetLocks edit)
    {
        if (plan.Find<Scheme>(edit.SchemeId) is null)
            return EditAnswer.No("schemeId", "The scheme is no longer there.");
        if (Unknown(plan, edit.SchemeId, "locked", edit.Locked) is { } none)
            return EditAnswer.No(none);
        var before = plan.Find<Locks>(Locks.IdOf(edit.SchemeId));
        var had = before?.Locked ?? [];
        if (had.ToHashSet().SetEquals(edit.Locked))
            return EditAnswer.No("locked", "They are locked so already.");
        var subjects = new Subjects(plan, edit.SchemeId);
        string[] turned = [.. edit.Locked.Except(had).Concat(had.Except(edit.Locked)).Select(key => subjects.WordsOf(key) ?? key)];
        var verb = edit.Locked.Except(had).Any() ? "Locked" : "Unlocked";
        var label = turned.Length == 1 ? $"{verb} {turned[0]}" : $"{verb} {turned.Length} subjects";
        return edit.Locked.IsEmpty
            ? EditAnswer.Done(new Change(label, [new EntityChange(before, null)]))
            : Editor.Swap(label, before, new Locks(Locks.IdOf(edit.SchemeId), edit.SchemeId, edit.Locked));
    }

    private static EditAnswer Group(Plan plan, OwnGroup group)
    {
        if (plan.Find<Scheme>(group.SchemeId) is null)
            return EditAnswer.No("schemeId", "The scheme is no longer there.");
        var before = plan.Find(group.Id);
        if (before is not (null or OwnGroup))
            return EditAnswer.Taken("id", group.Id);
        if (before is null && plan.OfScheme<OwnGroup>(group.SchemeId).Count() >= OwnGroup.Most)
            return EditAnswer.No("group", $"A scheme has at most {OwnGroup.Most} own groups; remove one first.");
        group = group with { Name = group.Name.Trim() };
        if (
            group.Members.Any(id =>
                plan.Find(id) is not (Item or Thing or Dimension) || (plan.Find(id) as IOfScheme)?.SchemeId != group.SchemeId
            )
        )
            return EditAnswer.No("members", "One of its members is no longer there, or of another scheme.");
        return Editor.Swap(before is null ? $"Made the group {group.Name}" : $"Changed the group {group.Name}", before, group);
    }

    /// <summary>
    /// What is wrong with a view, locks or a group; null when nothing is. A subject or member that is gone is nothing wrong: what is left
    /// of them holds.
    /// </summary>
    public static Problem? Check(Plan plan, Entity entity) =>
        entity switch
        {
            View view => Editor.CheckText("name", view.Name, 1, 40) ?? Once("hidden", view.Hidden) ?? Once("notPrinted", view.NotPrinted),
            Viewpoint viewpoint => Editor.CheckText("name", viewpoint.Name, 1, 40) ?? viewpoint.Wrong(),
            Locks locks => locks.Id != Locks.IdOf(locks.SchemeId)
                ? new Problem("id", "The locks of a scheme are kept under its own id.")
                : Once("locked", locks.Locked),
            OwnGroup group => Editor.CheckText("name", group.Name, 1, 40)
                ?? (group.Members.IsEmpty ? new Problem("members", "A group has at least one member.") : Once("members", group.Members)),
            _ => null,
        };

    private static Problem? Once(string field, ImmutableArray<string> keys) =>
        keys.ToHashSet().Count != keys.Length ? new Problem(field, "One of them is named twice; name each once.")
        : keys.Any(key => key.Length is 0 or > 80) ? new Problem(field, "One of them has no proper name.")
        : null;

    private static Problem? Unknown(Plan plan, string schemeId, string field, IEnumerable<string> keys)
    {
        var subjects = new Subjects(plan, schemeId);
        return keys.FirstOrDefault(key => subjects.WordsOf(key) is null) is { } unknown
            ? new Problem(
                field,
                $"There is nothing called \"{(unknown.Length <= 60 ? unknown : unknown[..60] + "…")}\" to be seen or locked in this scheme."
            )
            : null;
    }

    /// <summary>Views, locks and groups forget what a change takes out.</summary>
    public static Change Without(Plan plan, Change change)
    {
        var gone = change.Entities.Where(entity => entity.After is null).Select(entity => entity.Id).ToHashSet();
        if (gone.Count == 0)
            return change;
        var made = change.Entities.Select(entity => entity.Id).ToHashSet();
        // A group that loses all its members goes too, and is forgotten in its turn.
        List<EntityChange> more = [];
        foreach (var group in plan.All<OwnGroup>().Where(group => !made.Contains(group.Id) && group.Members.Any(gone.Contains)))
        {
            ImmutableArray<string> left = [.. group.Members.Where(id => !gone.Contains(id))];
            if (left.IsEmpty)
                gone.Add(group.Id);
            more.Add(new EntityChange(group, left.IsEmpty ? null : group with { Members = left }));
        }
        bool Stays(string key) => key.Split('/', 2) is not [_, var id] || !gone.Contains(id);
        foreach (var view in plan.All<View>().Where(view => !made.Contains(view.Id)))
            if (!view.Hidden.All(Stays) || !view.NotPrinted.All(Stays))
                more.Add(
                    new EntityChange(
                        view,
                        view with
                        {
                            Hidden = [.. view.Hidden.Where(Stays)],
                            NotPrinted = [.. view.NotPrinted.Where(Stays)],
                        }
                    )
                );
        foreach (var locks in plan.All<Locks>().Where(locks => !made.Contains(locks.Id) && !locks.Locked.All(Stays)))
        {
            ImmutableArray<string> left = [.. locks.Locked.Where(Stays)];
            more.Add(new EntityChange(locks, left.IsEmpty ? null : locks with { Locked = left }));
        }
        foreach (var sheet in plan.All<SheetSettings>().Where(sheet => !made.Contains(sheet.Id)))
        {
            var left = sheet with
            {
                ViewId = gone.Contains(sheet.ViewId) ? "" : sheet.ViewId,
                Pictures = sheet.Pictures?.Without(gone.Contains),
            };
            if (left != sheet)
                more.Add(new EntityChange(sheet, left));
        }
        return more.Count == 0 ? change : change with { Entities = [.. change.Entities, .. more] };
    }

    /// <summary>Why a change touches what is locked; null where it does not. What is new may come among what is locked.</summary>
    public static Problem? Locked(Plan plan, Change change)
    {
        // With a scheme go its locks.
        var gone = change.Entities.Where(entity => entity.After is null).Select(entity => entity.Id).ToHashSet();
        var byScheme = plan.All<Locks>().Where(locks => !gone.Contains(locks.SchemeId)).ToDictionary(locks => locks.SchemeId);
        if (byScheme.Count == 0)
            return null;
        foreach (
            var (before, after) in change
                .Entities.Where(entity => entity.Before is not null)
                .Select(entity => (entity.Before!, entity.After))
        )
        {
            if (!Locking.Moves(before, after))
                continue;
            // The shell is locked by what any scheme says of its levels and fixed things.
            IEnumerable<Locks> holding = before is IOfScheme of
                ? byScheme.TryGetValue(of.SchemeId, out var own)
                    ? [own]
                    : []
                : byScheme.Values;
            foreach (var locks in holding)
            {
                var subjects = new Subjects(plan, locks.SchemeId);
                if (subjects.Of(before).FirstOrDefault(locks.Locked.Contains) is { } key)
                    return new Problem(
                        "ids",
                        $"{EntityWords.Called(plan, before)} is locked with “{subjects.WordsOf(key)}”; unlock that under Views first."
                    );
            }
        }
        return null;
    }
}
