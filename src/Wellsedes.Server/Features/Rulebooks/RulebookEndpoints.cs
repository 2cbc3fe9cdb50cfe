using System.Collections.Immutable;
using System.Text.Json;
using Microsoft.AspNetCore.Http.HttpResults;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;

namespace Wellsedes.Server.Features.Rulebooks;

/// <param name="Judges">How many of its rules a plan can be held against.</param>
/// <param name="Counts">Whether it tells for how many people rooms are counted.</param>
/// <param name="Edition">That most of its rules are from: "2021"; "" where they have none.</param>
public sealed record BookView(string Id, string Name, int Rules, int Judges, bool Counts, string[] Sources, string Edition);

/// <summary>One way to ask a rule: what it is given, and the formulas of its answers.</summary>
public sealed record AskingView(ImmutableArray<string> With, RuleValueView[] Answers);

/// <summary>A measure that a rule of the house's own may read.</summary>
/// <param name="ByKind">What its things are told apart by: use, kind, or "" for nothing.</param>
public sealed record MeasureView(string Key, string Name, RuleValueView[] Figures, string ByKind);

/// <summary>Something under a name, as it is told.</summary>
public sealed record RuleValueView(string Name, string Told);

public sealed record RuleView(
    string Id,
    string Title,
    string Source,
    string Basis,
    RuleConfidence Confidence,
    string Metric,
    string Imperial,
    string Notes,
    RuleValueView[] Values,
    AskingView[] Asked,
    bool Judges
)
{
    public static RuleView Of(Rule rule) =>
        new(
            rule.Id,
            rule.Title,
            rule.Source.Told(),
            rule.Basis,
            rule.Confidence,
            rule.Metric,
            rule.Imperial,
            rule.Notes,
            [.. rule.Values.Select(value => new RuleValueView(value.Key, RuleFigures.Told(value.Value)))],
            [.. rule.Asked.Select(way => new AskingView(way.With, [.. way.Answers.Select(one => new RuleValueView(one.Key, one.Value))]))],
            !rule.Judges.IsEmpty
        );
}

/// <param name="Figures">Figures of one's own under the names the rule is asked with.</param>
public sealed record AskRequest(JsonElement Figures);

public sealed record AskView(RuleValueView[] Answers, string[] Working, string Source, string Note);

/// <summary>The books that ship, and rules asked with figures of one's own; the same for everybody who is signed in.</summary>
public static class RulebookEndpoints
{
    public static void MapRulebooks(this RouteGroupBuilder api)
    {
        api.MapGet("/rulebooks", () => Books).WithName("getRulebooks");
        api.MapGet("/measures", () => Measures).WithName("getMeasures");
        api.MapGet("/rulebooks/{bookId}", OfBook).WithName("getRulebook");
        api.MapPost("/rules/{ruleId}/ask", Ask).Produces<Problem>(422).WithName("askRule");
    }

    private static readonly BookView[] Books =
    [
        .. RulebookShelf
            .Shipped.Books.OrderBy(book => book.Name, StringComparer.Ordinal)
            .Select(book => new BookView(
                book.Id,
                book.Name,
                book.Rules.Length,
                book.Rules.Count(rule => !rule.Judges.IsEmpty && rule.Confidence != RuleConfidence.Low),
                book.Rules.Any(rule => !rule.Uses.IsEmpty),
                [
                    .. book
                        .Rules.Select(rule => $"{rule.Source.Title}, {rule.Source.Edition}")
                        .Distinct()
                        .Order(StringComparer.Ordinal)
                        .Take(12),
                ],
                EditionOf(book)
            )),
    ];

    /// <summary>The edition that most of its rules are from, without what is said of it in brackets.</summary>
    private static string EditionOf(Rulebook book) =>
        book
            .Rules.Select(rule => rule.Source.Edition)
            .GroupBy(edition => edition)
            .Where(same => same.Key.Length > 1 && 2 * same.Count() > book.Rules.Length)
            .Select(same => same.Key.Split(" (")[0])
            .FirstOrDefault("");

    private static readonly MeasureView[] Measures =
    [
        .. RuleMeasures.Figures.Select(measure => new MeasureView(
            measure.Key,
            RuleMeasures.NameOf(measure.Key),
            [.. RuleMeasures.NumbersOf(measure.Key).Select(figure => new RuleValueView(figure, RuleMeasures.NameOfFigure(figure)))],
            measure.Value.FirstOrDefault(figure => figure is "kind" or "use") ?? ""
        )),
    ];

    private static Results<Ok<RuleView[]>, NotFound> OfBook(string bookId) =>
        RulebookShelf.Shipped.Books.FirstOrDefault(book => book.Id == bookId) is { } book
            ? TypedResults.Ok(book.Rules.Select(RuleView.Of).ToArray())
            : TypedResults.NotFound();

    private static Results<Ok<AskView>, NotFound, JsonHttpResult<Problem>> Ask(string ruleId, AskRequest asked)
    {
        if (RulebookShelf.Shipped.Find(ruleId) is not { } rule)
            return TypedResults.NotFound();
        RuleAnswer answer;
        try
        {
            answer = RuleTrial.Ask(RulebookShelf.Shipped, rule, RuleFigures.Read(asked.Figures));
        }
        catch (RulebookException e)
        {
            return Refused(e.Message);
        }
        return answer.Problem.Length > 0
            ? Refused(answer.Problem)
            : TypedResults.Ok(
                new AskView(
                    [.. answer.Answers.Select(one => new RuleValueView(one.Key, RuleFigures.Told(one.Value)))],
                    [.. answer.Working],
                    rule.Source.Told(),
                    Rule.FromMemory
                )
            );

        static JsonHttpResult<Problem> Refused(string why) => TypedResults.Json(new Problem("figures", why), statusCode: 422);
    }
}
