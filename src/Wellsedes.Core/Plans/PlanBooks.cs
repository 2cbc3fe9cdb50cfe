using System.Collections.Immutable;
using System.Runtime.CompilerServices;
using Wellsedes.Core.Rulebooks;

namespace Wellsedes.Core.Plans;

/// <summary>The rules that a plan is held against: those of its books, with what it takes otherwise. A book that cannot be read has none; its own check says so.</summary>
public sealed record PlanBooks(RulebookShelf Shelf, ImmutableHashSet<string> Off)
{
    /// <summary>Rules that judge plans, with the book each is of.</summary>
    public IEnumerable<(Rulebook Book, Rule Rule)> Judging() =>
        Shelf.Books.SelectMany(book =>
            book.Rules.Where(rule => !rule.Judges.IsEmpty && !Off.Contains(rule.Id)).Select(rule => (book, rule))
        );

    private sealed record Kept(PlanBook[] Books, RuleChange[] Changes, PlanBooks Of);

    private static readonly ConditionalWeakTable<PlanBook, Kept> Known = [];

    /// <summary>The same for as long as neither books nor changes are others.</summary>
    public static PlanBooks Of(Plan plan)
    {
        PlanBook[] books = [.. plan.All<PlanBook>()];
        RuleChange[] changed = [.. plan.All<RuleChange>()];
        if (books.Length == 0)
            return Read(plan);
        if (
            Known.TryGetValue(books[0], out var known)
            && known.Books.SequenceEqual(books, ReferenceEqualityComparer.Instance)
            && known.Changes.SequenceEqual(changed)
        )
            return known.Of;
        var read = Read(plan);
        Known.AddOrUpdate(books[0], new Kept(books, changed, read));
        return read;
    }

    private static PlanBooks Read(Plan plan)
    {
        var changes = plan.All<RuleChange>().ToLookup(change => change.RuleId);
        var taken = new HashSet<string>();
        return new PlanBooks(
            new RulebookShelf(
                plan.All<PlanBook>()
                    .OrderBy(book => book.Id, StringComparer.Ordinal)
                    .Where(book => book.Wrong() is null)
                    .Select(book => book.Book())
                    .DistinctBy(book => book.Id)
                    .Select(book => book with { Rules = [.. book.Rules.Where(rule => taken.Add(rule.Id)).Select(Changed)] })
            ),
            [.. plan.All<RuleChange>().Where(change => change.Figure is null).Select(change => change.RuleId)]
        );

        Rule Changed(Rule rule) =>
            changes[rule.Id].Where(change => change.Figure is not null).ToArray() is { Length: > 0 } figures
                ? rule with
                {
                    Values = rule.Values.SetItems(figures.Select(change => KeyValuePair.Create(change.Value, change.Figure!.Value))),
                }
                : rule;
    }
}
