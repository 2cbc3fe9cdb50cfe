using System.Collections.Immutable;
using System.Text.Json;
using System.Text.Json.Serialization;

namespace Wellsedes.Core.Rulebooks;

/// <summary>A rulebook that cannot be read: what is wrong, and where.</summary>
public sealed class RulebookException(string message) : Exception(message);

/// <summary>
/// Rulebooks as JSON, in and out. A file is hostile: few bytes, shallow, so many rules, names and formulas of a length, and each formula is tried before it is taken.
/// </summary>
public static class RulebookText
{
    public const int MostBytes = 4_000_000;
    public const int MostRules = 2_000;
    private const int Deepest = 16;
    private const int MostText = 4_000;
    private const int MostValues = 200;
    private const int MostRows = 500;

    private static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web)
    {
        MaxDepth = Deepest,
        WriteIndented = true,
        UnmappedMemberHandling = JsonUnmappedMemberHandling.Disallow,
        Converters = { new JsonStringEnumConverter(JsonNamingPolicy.CamelCase) },
    };

    private static readonly JsonSerializerOptions Short = new(Options) { WriteIndented = false };

    /// <exception cref="RulebookException">It is no rulebook.</exception>
    public static Rulebook Read(ReadOnlySpan<byte> json)
    {
        if (json.Length > MostBytes)
            throw new RulebookException($"The file has {json.Length / 1000} kB; at most {MostBytes / 1000} are read.");
        Rulebook? book;
        try
        {
            book = JsonSerializer.Deserialize<Rulebook>(json, Options);
        }
        catch (JsonException e)
        {
            throw new RulebookException($"This is no rulebook: line {e.LineNumber + 1}, {e.Path ?? "its begin"}.");
        }
        if (book is null || book.Id is not { Length: > 0 } || book.Name is not { Length: > 0 } || book.Rules.IsDefault)
            throw new RulebookException("A rulebook has an id, a name and rules.");
        if (book.Rules.Length > MostRules)
            throw new RulebookException($"The book has {book.Rules.Length} rules; at most {MostRules} are read.");
        foreach (var rule in book.Rules)
            if (Wrong(rule) is { } wrong)
                throw new RulebookException($"{(rule?.Id is { Length: > 0 and < 100 } id ? id : "A rule without an id")}: {wrong}");
        if (book.Rules.GroupBy(rule => rule.Id).FirstOrDefault(alike => alike.Count() > 1) is { } twice)
            throw new RulebookException($"Two rules are called {twice.Key}.");
        return book;
    }

    /// <param name="laidOut">In lines for reading; else as short as it gets.</param>
    public static byte[] Write(Rulebook book, bool laidOut = true) => JsonSerializer.SerializeToUtf8Bytes(book, laidOut ? Options : Short);

    private static string? Wrong(Rule? rule)
    {
        if (rule is null || !IsName(rule.Id, 100) || rule.Title is not { Length: > 0 and <= MostText } || rule.Source is null)
            return "a rule has an id of at most 100 letters, a title and a source.";
        if (
            new[]
            {
                rule.Source.Title,
                rule.Source.Edition,
                rule.Source.Clause,
                rule.Basis,
                rule.Metric,
                rule.Imperial,
                rule.Stated,
                rule.Notes,
            }.Any(text => text is null || text.Length > MostText)
        )
            return $"its texts are there and have at most {MostText} letters.";
        if (rule.Values is null || rule.Tables is null || rule.Asked.IsDefault || rule.Values.Count > MostValues || rule.Tables.Count > 20)
            return $"it has at most {MostValues} values and 20 tables.";
        if (rule.Values.FirstOrDefault(value => !IsName(value.Key, 60)) is { Key: { } odd })
            return $"its value {odd} is no name.";
        if (rule.Values.FirstOrDefault(value => !double.IsFinite(value.Value) || value.Value < 0) is { Key: { } negative })
            return $"its value {negative} is below 0: widths, areas and people are not.";
        if (
            rule.Tables.Any(table =>
                table.Value.IsDefault || table.Value.Length > MostRows || table.Value.Any(row => row.IsDefault || row.Length > 12)
            )
        )
            return $"its tables have at most {MostRows} rows of 12.";
        if (rule.Asked.Length > 12)
            return "it is asked in at most 12 ways.";
        if (
            rule.Judges.IsDefault
            || rule.Uses.IsDefault
            || rule.People is not ("" or "net" or "gross" or "bench" or "booth")
            || rule.Judges.Length > 12
            || rule.Uses.Length > 60
        )
            return "it counts people by the net or the gross area, or by the length of a bench or booth, and judges at most 12 measures.";
        return rule.Asked.Select(Wrong).Concat(rule.Judges.Select(judge => Wrong(rule, judge))).FirstOrDefault(wrong => wrong is not null);
    }

    private static string? Wrong(RuleAsking? asking)
    {
        if (asking is null || asking.With.IsDefault || asking.Answers is null || asking.With.Length > 30 || asking.Answers.Count > 30)
            return "each way to ask it has at most 30 figures and 30 answers.";
        if (asking.With.Concat(asking.Answers.Keys).FirstOrDefault(name => !IsName(name, 60)) is { } name)
            return $"{name} is no name of a figure.";
        foreach (var (answer, formula) in asking.Answers)
            if (RuleFormula.Wrong(formula) is { } wrong)
                return $"the formula of {answer}: {wrong}";
        return null;
    }

    private static string? Wrong(Rule rule, RuleJudge? judge)
    {
        if (judge?.With is null || judge.Says is not { Length: > 0 and <= 80 } || judge.When is null || judge.With.Count > 30)
            return "each of its judges says what is wrong in at most 80 letters.";
        if (!RuleMeasures.Figures.TryGetValue(judge.Measure ?? "", out var figures))
            return $"there is no measure {judge.Measure}; there are {string.Join(", ", RuleMeasures.Figures.Keys)}.";
        if (judge.Unit is not ("mm" or "m2" or "people" or "ways" or "places" or "rows"))
            return $"its judge of {judge.Measure} is in mm, m2, people, ways, places or rows.";
        string[] formulas =
        [
            .. judge.With.Values,
            judge.Holds,
            judge.Measured,
            judge.Needed,
            .. judge.When.Length > 0 ? [judge.When] : Array.Empty<string>(),
        ];
        if (formulas.Select(RuleFormula.Wrong).FirstOrDefault(wrong => wrong is not null) is { } wrong)
            return $"its judge of {judge.Measure}: {wrong}";
        if (
            judge
                .With.Values.Append(judge.When)
                .Where(formula => formula.Length > 0)
                .SelectMany(formula => RuleFormula.Of(formula).Names())
                .FirstOrDefault(name => name != "it" && !figures.Contains(name) && !rule.Values.ContainsKey(name)) is
            { } unknown
        )
            return $"its judge of {judge.Measure} reads {unknown}; there are {string.Join(", ", figures)}.";
        return null;
    }

    private static bool IsName(string? text, int most) =>
        text is { Length: > 0 } && text.Length <= most && text.All(c => char.IsAsciiLetterOrDigit(c) || c is '_' or '.' or '-');
}
