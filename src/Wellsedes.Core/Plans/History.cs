using System.Collections.Immutable;

namespace Wellsedes.Core.Plans;

/// <summary>One acknowledged change in the log of a plan.</summary>
/// <param name="Revision">1, 2, 3, … without a gap.</param>
/// <param name="Undoes">The revision this change takes back, when it is an undo.</param>
/// <param name="Redoes">The revision this change brings back, when it is a redo.</param>
/// <param name="Request">What its author's program calls the request it came by: one that comes twice is done once.</param>
public sealed record LoggedChange(
    long Revision,
    string Author,
    Change Change,
    long? Undoes = null,
    long? Redoes = null,
    Guid? Request = null
);

/// <summary>
/// What a person can undo and redo, worked out from the log's newest changes. A change that others have built on is passed
/// over: it stays, and the older ones are reached.
/// </summary>
public sealed record History(ImmutableArray<LoggedChange> Log)
{
    public static readonly History Empty = new(ImmutableArray<LoggedChange>.Empty);

    /// <summary>So many of the newest changes are kept: as far back as one can undo.</summary>
    public const int Kept = 1000;

    public History With(LoggedChange change) => new((Log.Length >= 2 * Kept ? Log.RemoveRange(0, Kept) : Log).Add(change));

    /// <summary>The change of a request that is already in the log; null when it is not.</summary>
    public LoggedChange? Of(Guid? request) => request is null ? null : Log.LastOrDefault(logged => logged.Request == request);

    /// <summary>The author's last change that still stands and of which it can be said that it fits; and those passed over on the way.</summary>
    public (LoggedChange? Next, ImmutableArray<LoggedChange> Passed) NextUndo(string author, Func<LoggedChange, bool>? fits = null) =>
        Last(Stacks(author).Undo, fits);

    /// <summary>The author's last undone change that fits, while nothing of theirs came after it; and those passed over on the way.</summary>
    public (LoggedChange? Next, ImmutableArray<LoggedChange> Passed) NextRedo(string author, Func<LoggedChange, bool>? fits = null) =>
        Last(Stacks(author).Redo, fits);

    private static (LoggedChange?, ImmutableArray<LoggedChange>) Last(List<LoggedChange> stack, Func<LoggedChange, bool>? fits)
    {
        var at = fits is null ? stack.Count - 1 : stack.FindLastIndex(logged => fits(logged));
        return (at < 0 ? null : stack[at], [.. stack.Skip(at + 1).Reverse()]);
    }

    /// <summary>Who else has changed the entities of a change since it was made.</summary>
    public ImmutableArray<string> BuiltOnBy(LoggedChange change, string author)
    {
        var ids = change.Change.Entities.Select(entity => entity.Id).ToHashSet();
        return
        [
            .. Log.Where(later =>
                    later.Revision > change.Revision
                    && later.Author != author
                    && later.Change.Entities.Any(entity => ids.Contains(entity.Id))
                )
                .Select(later => later.Author)
                .Distinct(),
        ];
    }

    /// <summary>Undo and redo stacks hold the changes as they were first made: a redo brings back the same content, and its versions.</summary>
    private (List<LoggedChange> Undo, List<LoggedChange> Redo) Stacks(string author)
    {
        List<LoggedChange> undo = [],
            redo = [];
        foreach (var change in Log.Where(change => change.Author == author))
            if (change.Undoes is { } undone)
                Move(undone, undo, redo);
            else if (change.Redoes is { } redone)
                Move(redone, redo, undo);
            else
            {
                undo.Add(change);
                redo.Clear();
            }
        return (undo, redo);

        // Not always the last: those that others built on were passed over. One older than the log is kept is in neither.
        static void Move(long revision, List<LoggedChange> from, List<LoggedChange> to)
        {
            var at = from.FindLastIndex(logged => logged.Revision == revision);
            if (at < 0)
                return;
            to.Add(from[at]);
            from.RemoveAt(at);
        }
    }
}
