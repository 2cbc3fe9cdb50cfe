using System.Collections.Immutable;
using System.Text.Json.Serialization;

namespace Wellsedes.Core.Rulebooks;

/// <summary>Where a rule is printed.</summary>
public sealed record RuleSource(string Title, string Edition = "", string Clause = "")
{
    /// <summary>"Title, edition, clause"; what is not known is left out.</summary>
    public string Told() => string.Join(", ", new[] { Title, Edition, Clause }.Where(part => part.Length > 0 && part != "-"));
}

/// <summary>How sure a value and its place are, as it was recalled.</summary>
public enum RuleConfidence
{
    High,
    Medium,

    /// <summary>Offered as a house rule only.</summary>
    Low,
}

/// <summary>One way to ask a rule: the figures it is given, and the formula of each answer.</summary>
/// <param name="With">Names of figures; their units end them: area_ft2, clear_mm.</param>
/// <param name="Answers">In the order they are told; a formula may read figures, values of its rule and other answers.</param>
public sealed record RuleAsking(ImmutableArray<string> With, ImmutableSortedDictionary<string, string> Answers);

/// <summary>
/// How a plan is held against a rule: each thing that a measure finds is asked about. All parts are formulas over the figures of the measure; Measured, Needed and Holds also over the rule's
/// answers and values.
/// </summary>
/// <param name="Measure">The measure's key.</param>
/// <param name="When">Whether the rule is about the thing; "" for always.</param>
/// <param name="With">What the rule is asked with.</param>
/// <param name="Holds">Whether it is met.</param>
/// <param name="Unit">What Measured and Needed are in: mm, m2, people, ways, places, rows.</param>
/// <param name="Says">What is wrong where it is not met: "too few ways out".</param>
/// <param name="Advises">Whether it only advises.</param>
public sealed record RuleJudge(
    string Measure,
    ImmutableSortedDictionary<string, string> With,
    string Holds,
    string Measured,
    string Needed,
    string Unit,
    string Says,
    string When = "",
    bool Advises = false
)
{
    /// <summary>Whether it asks with a figure of its measure, or holds against it.</summary>
    public bool Reads(string figure) =>
        With.Values.Concat([When, Holds]).Any(formula => formula.Contains(figure, StringComparison.Ordinal));
}

/// <summary>
/// A rule as data. Its values are numbers under names, its tables rows of numbers (nothing stands for no bound); formulas read both.
/// </summary>
/// <param name="Basis">"standard" or "common practice".</param>
/// <param name="Metric">Its value in words, metric; "-" where the source gives none.</param>
/// <param name="Stated">Which of the two systems the source prints.</param>
public sealed record Rule(
    string Id,
    string Title,
    RuleSource Source,
    string Basis,
    RuleConfidence Confidence,
    string Metric = "-",
    string Imperial = "-",
    string Stated = "",
    string Notes = ""
)
{
    /// <summary>Every value that ships is recalled from memory.</summary>
    public const string FromMemory = "From memory; check against the adopted edition.";

    public ImmutableSortedDictionary<string, double> Values { get; init; } = ImmutableSortedDictionary<string, double>.Empty;

    public ImmutableSortedDictionary<string, ImmutableArray<ImmutableArray<double?>>> Tables { get; init; } =
        ImmutableSortedDictionary<string, ImmutableArray<ImmutableArray<double?>>>.Empty;

    public ImmutableArray<RuleAsking> Asked { get; init; } = [];

    public ImmutableArray<RuleJudge> Judges { get; init; } = [];

    /// <summary>Of a rule that tells how many people an area is counted for, the area it counts: "net" or "gross"; "bench" or "booth" where it counts the length of seats; "" for all others.</summary>
    public string People { get; init; } = "";

    /// <summary>The uses of rooms that it counts people for, by their names.</summary>
    public ImmutableArray<string> Uses { get; init; } = [];

    /// <summary>Whether all of some words are in its id, title, source, values in words or notes.</summary>
    public bool IsAbout(string words) =>
        words
            .Split(' ', StringSplitOptions.RemoveEmptyEntries)
            .All(word =>
                new[] { Id, Title, Source.Title, Source.Clause, Metric, Imperial, Notes }.Any(text =>
                    text.Contains(word, StringComparison.OrdinalIgnoreCase)
                )
            );

    /// <summary>Whether there is anything to work out: some entries are words alone.</summary>
    [JsonIgnore]
    public bool Computes => Asked.Any(asking => !asking.Answers.IsEmpty);
}

/// <summary>Rules that belong together: a code, a guidance, the house's own.</summary>
public sealed record Rulebook(string Id, string Name, ImmutableArray<Rule> Rules);
