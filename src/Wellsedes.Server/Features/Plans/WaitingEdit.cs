using Wellsedes.Core.Editing;
using Wellsedes.Core.Editing.Blocks;
using Wellsedes.Core.Plans;

namespace Wellsedes.Server.Features.Plans;

/// <summary>What came of an edit: done, or refused with a problem and a status code.</summary>
public readonly record struct EditOutcome(EditDone? Done, Problem? Problem, int Status)
{
    public static EditOutcome Refused(Problem problem, int status = 422) => new(null, problem, status);

    public static EditOutcome Refused(string field, string message, int status = 422) => Refused(new Problem(field, message), status);
}

/// <summary>What somebody wants a plan to become, decided on the plan as it is when their turn comes: a change, or why not.</summary>
/// <param name="Note">What else there is to say of it; "" for nothing.</param>
internal sealed record WantedChange(
    Change? Change,
    EditOutcome Refused = default,
    long? Undoes = null,
    long? Redoes = null,
    string Note = ""
)
{
    public static WantedChange Not(EditOutcome refused) => new(null, refused);
}

/// <summary>An edit that waits at a plan's gate.</summary>
internal sealed record WaitingEdit(
    Guid Person,
    string Name,
    string? SchemeId,
    Guid? Request,
    Func<PublishedPlan, WantedChange> Decide,
    CancellationToken Cancel
)
{
    /// <summary>The revision it was made on, where that is known.</summary>
    public long Base { get; init; } = long.MaxValue;

    public TaskCompletionSource<EditOutcome> Answer { get; } = new(TaskCreationOptions.RunContinuationsAsynchronously);
}

/// <summary>Decides what edits, undo and redo come to on a plan as it is.</summary>
internal static class WantedEdits
{
    public static WantedChange Of(PublishedPlan now, Guid person, EditRequest request)
    {
        var answer = now.Planner.Answer(now.Plan, request.Edit);
        if (answer.Change is not { } change)
            return WantedChange.Not(EditOutcome.Refused(answer.Problem!));
        var ids = change.Entities.Where(entity => entity.Before is not null).Select(entity => entity.Id).ToHashSet();
        var other = now.History.Log.LastOrDefault(later =>
            later.Revision > request.BaseRevision
            && later.Author != person.ToString()
            && later.Change.Entities.Any(entity => ids.Contains(entity.Id))
        );
        if (other is not null)
            return Refused(
                $"{now.NameOf(other.Author)} has just changed this ({Lower(other.Change.Label)}). Nothing of yours was applied; look at it as it is now and do it again."
            );
        // Made longer ago than the log is kept: the things themselves say when they last changed.
        if (now.History.Log is [var oldest, ..] && request.BaseRevision < oldest.Revision - 1)
            if (ids.Any(id => now.Plan.VersionOf(id) > request.BaseRevision))
                return Refused(
                    "This has changed since you made it. Nothing of yours was applied; look at it as it is now and do it again."
                );
        return new WantedChange(change, Note: BlockDifference.Told(now.Plan, change));

        static WantedChange Refused(string message) => WantedChange.Not(EditOutcome.Refused("edit", message, 409));
    }

    public static WantedChange Undo(PublishedPlan now, Guid person)
    {
        var (next, passed) = now.History.NextUndo(person.ToString(), now.CanUndo);
        return next is null
            ? Nothing(now, person, passed, "There is nothing of yours left to undo.", "undone")
            : new WantedChange(
                next.Change.Reversed($"Undid: {Lower(next.Change.Label)}"),
                Undoes: next.Revision,
                Note: PassedOver(now, person, passed)
            );
    }

    public static WantedChange Redo(PublishedPlan now, Guid person)
    {
        var (next, passed) = now.History.NextRedo(person.ToString(), now.CanRedo);
        return next is null
            ? Nothing(now, person, passed, "There is nothing to redo.", "redone")
            : new WantedChange(
                next.Change with
                {
                    Label = $"Redid: {Lower(next.Change.Label)}",
                },
                Redoes: next.Revision,
                Note: PassedOver(now, person, passed)
            );
    }

    /// <summary>The last change of a plan with a fault, whoever made it.</summary>
    public static WantedChange TakeBack(PublishedPlan now)
    {
        if (now.Fault is null)
            return WantedChange.Not(EditOutcome.Refused("plan", "The plan is whole; there is nothing to mend."));
        var log = now.History.Log;
        var taken = log.Select(logged => logged.Undoes).OfType<long>().ToHashSet();
        return log.LastOrDefault(logged => logged.Undoes is null && !taken.Contains(logged.Revision)) is { } last
            ? new WantedChange(last.Change.Reversed($"Took back: {Lower(last.Change.Label)}"), Undoes: last.Revision)
            : WantedChange.Not(EditOutcome.Refused("plan", "There is no change left to take back."));
    }

    private static WantedChange Nothing(PublishedPlan now, Guid person, IReadOnlyList<LoggedChange> passed, string none, string done) =>
        WantedChange.Not(
            passed.Count == 0
                ? EditOutcome.Refused("undo", none)
                : EditOutcome.Refused("undo", $"{Builders(now, person, passed[0])} since changed the same things; nothing was {done}.", 409)
        );

    private static string PassedOver(PublishedPlan now, Guid person, IReadOnlyList<LoggedChange> passed) =>
        string.Join(
            " ",
            passed.Take(2).Select(one => $"“{one.Change.Label}” stays: {Builders(now, person, one)} since changed the same things.")
        ) + (passed.Count > 2 ? $" So do {passed.Count - 2} more." : "");

    private static string Builders(PublishedPlan now, Guid person, LoggedChange change) =>
        now.History.BuiltOnBy(change, person.ToString()).Select(now.NameOf).ToArray() switch
        {
            [] => "you have",
            [var one] => $"{one} has",
            var all => $"{string.Join(" and ", all)} have",
        };

    private static string Lower(string label) => label.Length == 0 ? label : char.ToLowerInvariant(label[0]) + label[1..];
}
