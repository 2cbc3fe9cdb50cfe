using System.Collections.Frozen;
using System.Collections.Immutable;

namespace Wellsedes.Core.Rulebooks;

/// <summary>Rulebooks at hand; a rule is found by its id in any of them.</summary>
public sealed class RulebookShelf
{
    private readonly FrozenDictionary<string, Rule> byId;

    public ImmutableArray<Rulebook> Books { get; }

    /// <exception cref="ArgumentException">Two rules share an id.</exception>
    public RulebookShelf(IEnumerable<Rulebook> books)
    {
        Books = [.. books];
        Rule[] rules = [.. Books.SelectMany(book => book.Rules)];
        if (rules.GroupBy(rule => rule.Id).FirstOrDefault(alike => alike.Count() > 1) is { } twice)
            throw new ArgumentException($"Two rules are called {twice.Key}.", nameof(books));
        byId = rules.ToFrozenDictionary(rule => rule.Id, StringComparer.Ordinal);
    }

    public Rule? Find(string id) => byId.GetValueOrDefault(id);

    /// <summary>The rules that a rule asks itself.</summary>
    public IEnumerable<Rule> AskedBy(Rule rule) =>
        byId.Values.Where(other =>
            other != rule
            && rule.Asked.Any(way => way.Answers.Values.Any(formula => formula.Contains($"ask('{other.Id}'", StringComparison.Ordinal)))
        );

    /// <summary>Ids most like one that is not there, the likest first.</summary>
    public ImmutableArray<string> Like(string id) =>
        [.. byId.Keys.OrderBy(one => Apart(one, id)).ThenBy(one => one, StringComparer.Ordinal).Take(3)];

    /// <summary>The books that ship with the application.</summary>
    public static RulebookShelf Shipped { get; } = Load();

    private static RulebookShelf Load()
    {
        var assembly = typeof(RulebookShelf).Assembly;
        return new RulebookShelf(
            assembly
                .GetManifestResourceNames()
                .Where(name => name.Contains(".Rulebooks.Data.", StringComparison.Ordinal))
                .Order(StringComparer.Ordinal)
                .Select(name =>
                {
                    using var stream = assembly.GetManifestResourceStream(name)!;
                    using var all = new MemoryStream();
                    stream.CopyTo(all);
                    return RulebookText.Read(all.ToArray());
                })
        );
    }

    /// <summary>Letters to put in, take out or change (Levenshtein 1965).</summary>
    private static int Apart(string a, string b)
    {
        var row = Enumerable.Range(0, b.Length + 1).ToArray();
        for (var i = 1; i <= a.Length; i++)
        {
            var (before, left) = (row[0], row[0] = i);
            for (var j = 1; j <= b.Length; j++)
            {
                var here = Math.Min(Math.Min(row[j] + 1, left + 1), before + (a[i - 1] == b[j - 1] ? 0 : 1));
                (before, row[j], left) = (row[j], here, here);
            }
        }
        return row[^1];
    }
}
