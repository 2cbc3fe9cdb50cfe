using System.Collections.Immutable;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Editing;

/// <summary>The house's own rulebook of a plan, written rule by rule.</summary>
internal static class HouseBookEdits
{
    public const string BookId = "house";
    private const int MostRules = 100;
    private const string Limit = "limit";

    private static PlanBook? OfHouse(Plan plan) =>
        plan.All<PlanBook>().FirstOrDefault(book => book.Wrong() is null && book.Book().Id == BookId);

    public static EditAnswer Write(Plan plan, WriteHouseRule edit)
    {
        if (Editor.CheckText("title", edit.Title, 1, 60) is { } untitled)
            return EditAnswer.No(untitled);
        if (!RuleMeasures.Figures.TryGetValue(edit.Measure, out var figures))
            return EditAnswer.No(
                "measure",
                $"There is no measure \"{Editor.Short(edit.Measure)}\"; there are {string.Join(", ", RuleMeasures.Figures.Keys)}."
            );
        string[] numbers = [.. RuleMeasures.NumbersOf(edit.Measure)];
        if (!numbers.Contains(edit.Figure))
            return EditAnswer.No(
                "figure",
                $"{edit.Measure} has no figure \"{Editor.Short(edit.Figure)}\"; there are {string.Join(", ", numbers)}."
            );
        if (edit.Limit is not (>= 0 and <= 1_000_000))
            return EditAnswer.No("limit", $"The limit is from 0 to 1 000 000; {edit.Limit:0.##} was given.");
        if (edit.Of.Length > 40 || edit.Of.Any(letter => letter is '\'' or '\\'))
            return EditAnswer.No("of", "What it is for has at most 40 letters, and no quotation marks.");
        var by = figures.FirstOrDefault(figure => figure is "kind" or "use");
        if (edit.Of.Length > 0 && by is null)
            return EditAnswer.No("of", $"{edit.Measure} is not told apart by use or kind.");
        var (unit, shown) = UnitOf(plan.Details.Units, edit);
        var rules = OfHouse(plan)?.Book().Rules ?? [];
        if (rules.FirstOrDefault(rule => Contradicts(rule, edit, by)) is { } other)
            return EditAnswer.No(
                "limit",
                $"{other.Title} says {other.Metric}: nothing keeps both. Take that rule out first, or choose a limit that leaves room."
            );
        return Put(
            plan,
            edit.Id,
            rules.Add(
                new Rule(
                    Free(plan),
                    edit.Title.Trim(),
                    new RuleSource("House rule"),
                    "house",
                    RuleConfidence.High,
                    $"{(edit.AtLeast ? "at least" : "at most")} {shown}"
                )
                {
                    Values = ImmutableSortedDictionary<string, double>.Empty.Add(Limit, edit.Limit),
                    Asked =
                    [
                        new RuleAsking(
                            [edit.Figure],
                            ImmutableSortedDictionary<string, string>.Empty.Add(
                                "pass",
                                edit.AtLeast ? $"reaches({edit.Figure}, {Limit})" : $"reaches({Limit}, {edit.Figure})"
                            )
                        ),
                    ],
                    Judges =
                    [
                        new RuleJudge(
                            edit.Measure,
                            ImmutableSortedDictionary<string, string>.Empty.Add(edit.Figure, edit.Figure),
                            "pass",
                            edit.Figure,
                            Limit,
                            unit,
                            $"{edit.Title.Trim()[..1].ToLowerInvariant()}{edit.Title.Trim()[1..]} is not kept",
                            edit.Of.Length > 0 ? $"{by} == '{edit.Of}'" : "",
                            edit.Advises
                        ),
                    ],
                }
            )
        );
    }

    /// <summary>Whether a rule that was written bounds the same figure from the other side, and beyond the limit.</summary>
    private static bool Contradicts(Rule rule, WriteHouseRule edit, string? by) =>
        rule.Judges is [var judge]
        && judge.Measure == edit.Measure
        && judge.Measured == edit.Figure
        && (judge.When.Length == 0 || edit.Of.Length == 0 || judge.When == $"{by} == '{edit.Of}'")
        && rule.Values.TryGetValue(Limit, out var limit)
        && rule.Asked[0].Answers.TryGetValue("pass", out var pass)
        && pass.StartsWith($"reaches({Limit},", StringComparison.Ordinal) == edit.AtLeast
        && (edit.AtLeast ? edit.Limit > limit : edit.Limit < limit);

    private static (string Unit, string Shown) UnitOf(UnitSystem units, WriteHouseRule edit) =>
        edit.Figure.EndsWith("_mm", StringComparison.Ordinal) ? ("mm", LengthText.Tell(edit.Limit, units))
        : edit.Figure.EndsWith("_m2", StringComparison.Ordinal) ? ("m2", AreaText.WriteSmall(edit.Limit, units))
        : ("places", FormattableString.Invariant($"{edit.Limit:0.##}"));

    public static EditAnswer Take(Plan plan, TakeHouseRule edit)
    {
        if (RulebookShelf.Shipped.Find(edit.RuleId) is not { } rule)
            return EditAnswer.No("ruleId", $"There is no rule \"{Editor.Short(edit.RuleId)}\".");
        if (rule.Judges.IsEmpty)
            return EditAnswer.No("ruleId", $"{rule.Title} reads nothing of a plan: it is asked by hand.");
        if (plan.Books.Shelf.Find(rule.Id) is not null)
            return EditAnswer.No("ruleId", $"The plan is held against {rule.Title} already.");
        return Put(plan, edit.Id, (OfHouse(plan)?.Book().Rules ?? []).Add(rule));
    }

    public static EditAnswer Drop(Plan plan, DropHouseRule edit)
    {
        if (OfHouse(plan) is not { } book || book.Book().Rules.All(rule => rule.Id != edit.RuleId))
            return EditAnswer.No("ruleId", $"The house's own book has no rule \"{Editor.Short(edit.RuleId)}\".");
        var rules = book.Book().Rules.RemoveAll(rule => rule.Id == edit.RuleId);
        return rules.IsEmpty ? BookEdits.Leave(plan, new LeaveBook(book.Id)) : Put(plan, book.Id, rules);
    }

    private static EditAnswer Put(Plan plan, string id, ImmutableArray<Rule> rules) =>
        rules.Length > MostRules
            ? EditAnswer.No("title", $"A house has at most {MostRules} rules of its own.")
            : BookEdits.Put(plan, OfHouse(plan)?.Id ?? id, new Rulebook(BookId, OfHouse(plan)?.Book().Name ?? "House rules", rules));

    /// <summary>An id that no rule of the plan has.</summary>
    private static string Free(Plan plan)
    {
        var number = 1;
        while (plan.Books.Shelf.Find($"house-{number}") is not null)
            number++;
        return $"house-{number}";
    }
}
