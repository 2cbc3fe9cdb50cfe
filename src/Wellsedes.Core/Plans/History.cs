using System.Collections.Immutable;

namespace Wellsedes.Core.Plans;

/// <summary>One acknowledged change in the log of a plan.</summary>
/// <param name="Revision">1, 2, 3, … without a gap.</param>
/// <param name="Undoes">The revision this change takes back, when it is an undo.</param>
/// <param name="Redoes">The revision this change brings back, when it is a redo.</param>
public sealed record LoggedChange(long Revision, string Author, Change Change, long? Undoes = null, long? Redoes = null);

/// <summary>What a person can undo and redo, worked out from the log.</summary>
public sealed record History(ImmutableArray<LoggedChange> Log)
{
    public static readonly History Empty = new(ImmutableArray<LoggedChange>.Empty);

    public History With(LoggedChange change) => new(Log.Add(change));

    /// <summary>The author's last change that still stands.</summary>
    public LoggedChange? NextUndo(string author) => Stacks(author).Undo.LastOrDefault();

    /// <summary>The author's last undone change, while nothing of theirs came after it.</summary>
    public LoggedChange? NextRedo(string author) => Stacks(author).Redo.LastOrDefault();

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
            if (change.Undoes is not null && undo.Count > 0)
            {
                redo.Add(undo[^1]);
                undo.RemoveAt(undo.Count - 1);
            }
            else if (change.Redoes is not null && redo.Count > 0)
            {
                undo.Add(redo[^1]);
                redo.RemoveAt(redo.Count - 1);
            }
            else
            {
                undo.Add(change);
                redo.Clear();
            }
        return (undo, redo);
    }
}
