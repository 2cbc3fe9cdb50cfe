using System.Collections.Immutable;

namespace Wellsedes.Core.Editing;

/// <summary>
/// The table of edits. A gap in it (an edit without a row, one with two, a name used twice, words that are missing) keeps the program
/// from starting.
/// </summary>
public sealed class EditKinds
{
    private readonly Dictionary<Type, EditKind> byType;

    /// <exception cref="InvalidOperationException">The table has a gap, which is named.</exception>
    public EditKinds(ImmutableArray<EditKind> all)
    {
        var gaps = Gaps(all).ToArray();
        if (gaps.Length > 0)
            throw new InvalidOperationException($"The table of edits has gaps: {string.Join("; ", gaps)}.");
        (All, byType) = (all, all.ToDictionary(kind => kind.Type));
    }

    /// <summary>Those that come with the application: a new file of edits is added here and nowhere else.</summary>
    public static EditKinds Shipped { get; } =
        new([
            .. DetailEdits.Kinds,
            .. ShellEdits.Kinds,
            .. ItemEdits.Kinds,
            .. FromWall.Kinds,
            .. Removing.Kinds,
            .. Pasting.Kinds,
            .. FurnishEdits.Kinds,
            .. KitchenEdits.Kinds,
            .. OwnItemEdits.Kinds,
            .. LineUpEdits.Kinds,
            .. OffsetEdits.Kinds,
            .. NumberEdits.Kinds,
            .. FinishEdits.Kinds,
            .. Groups.RepeatEdits.Kinds,
            .. Groups.GroupEdits.Kinds,
            .. Groups.ReadyEdits.Kinds,
            .. Blocks.BlockEdits.Kinds,
            .. SchemeEdits.Kinds,
            .. ViewEdits.Kinds,
            .. BookEdits.Kinds,
        ]);

    public ImmutableArray<EditKind> All { get; }

    /// <summary>The same with others beside them.</summary>
    public EditKinds With(params ReadOnlySpan<EditKind> more) => new([.. All, .. more]);

    /// <summary>What is said of an edit's kind.</summary>
    /// <exception cref="ArgumentException">The edit is of a kind that this table does not have.</exception>
    public EditKind Of(Edit edit) =>
        byType.TryGetValue(edit.GetType(), out var kind)
            ? kind
            : throw new ArgumentException($"The edit {edit.GetType().Name} is not in this table.", nameof(edit));

    /// <summary>What keeps rows from being a whole table, in words; nothing of one that is whole.</summary>
    public static IEnumerable<string> Gaps(ImmutableArray<EditKind> rows)
    {
        foreach (var many in rows.GroupBy(row => row.Type).Where(group => group.Skip(1).Any()))
            yield return $"{many.Key.Name} has {many.Count()} rows";
        foreach (var many in rows.GroupBy(row => row.Name).Where(group => group.Skip(1).Any()))
            yield return $"\"{many.Key}\" is the name of {many.Count()} edits";
        foreach (var row in rows)
        {
            if (row.Name.Length == 0 || row.Name.Any(c => c != '-' && !char.IsAsciiLetterLower(c)))
                yield return $"{row.Type.Name} has no proper name (\"{row.Name}\")";
            if (row.Does.Length == 0 || row.Did.Length == 0)
                yield return $"{row.Type.Name} has no words";
        }
        var known = rows.Select(row => row.Type).ToHashSet();
        foreach (var type in typeof(Edit).Assembly.GetTypes().Where(type => type.IsSubclassOf(typeof(Edit)) && !type.IsAbstract))
            if (!known.Contains(type))
                yield return $"{type.Name} has no row";
    }
}
