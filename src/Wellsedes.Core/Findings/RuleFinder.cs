using System.Collections.Concurrent;
using System.Collections.Immutable;
using System.Globalization;
using System.Runtime.CompilerServices;
using Wellsedes.Core.Capacity;
using Wellsedes.Core.Measure;
using Wellsedes.Core.Measures;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Core.Walkways;

namespace Wellsedes.Core.Findings;

/// <summary>Holds what measures find against the rules of a plan's books. Verdicts are kept by rule and figures, so that a move asks again only about what it changed.</summary>
public static class RuleFinder
{
    private const int MostKept = 5_000;

    private static readonly ConditionalWeakTable<RuleJudge, ConcurrentDictionary<string, RuleVerdict>> Known = [];

    /// <param name="measured">Of a book, by the measure's key.</param>
    public static IEnumerable<Finding> Of(PlanBooks books, Rulebook book, IReadOnlyCollection<Measured> measured, UnitSystem units)
    {
        foreach (var rule in book.Rules.Where(rule => !books.Off.Contains(rule.Id)))
            for (var i = 0; i < rule.Judges.Length; i++)
                foreach (var thing in measured.Where(thing => thing.Measure == rule.Judges[i].Measure))
                    if (Of(books, rule, i, thing, units) is { } finding)
                        yield return finding;
    }

    private static Finding? Of(PlanBooks books, Rule rule, int judged, Measured thing, UnitSystem units)
    {
        var judge = rule.Judges[judged];
        // What nobody has counted is told once, with the room.
        if (thing.Figures.TryGetValue("people", out var people) && people is null && ReadsPeople(judge))
            return null;
        var kept = Known.GetOrCreateValue(judge);
        var key = $"{string.Join(' ', rule.Values.Values)} {RuleFigures.Told(thing.Figures)}";
        if (!kept.TryGetValue(key, out var verdict))
        {
            if (kept.Count >= MostKept)
                kept.Clear();
            kept[key] = verdict = RuleTrial.Hold(books.Shelf, rule, judge, thing.Figures);
        }
        if (!verdict.IsAbout || (verdict.Holds && verdict.Answer.Problem.Length == 0))
            return null;
        var id = $"{thing.LevelId}/rule/{rule.Id}/{judged.ToString(CultureInfo.InvariantCulture)}/{thing.SubjectId}";
        if (verdict.Answer.Problem.Length > 0)
            return Unjudged(
                id,
                thing.LevelId,
                thing.SubjectId,
                $"{thing.Name} could not be judged",
                verdict.Answer.Problem,
                rule.Source.Told(),
                rule.Id,
                thing.At
            );
        var (has, needs) = Texts(judge.Unit, verdict, units);
        return new Finding(
            id,
            judge.Advises ? FindingWeight.Advise : FindingWeight.Must,
            FindingKind.Rule,
            $"{thing.Name}: {judge.Says}",
            $"{rule.Title}. {string.Join("; ", verdict.Answer.Steps.Select(step => step.Told()))}.",
            verdict.Measured,
            verdict.Needed,
            $"{rule.Source.Told()}. {Rule.FromMemory}",
            [thing.Name],
            [thing.SubjectId],
            thing.At,
            0,
            [],
            thing.LevelId,
            has,
            needs,
            rule.Id
        );
    }

    /// <summary>Rooms that a book counts nobody in, each once a book.</summary>
    public static IEnumerable<Finding> Uncounted(IEnumerable<RoomLoad> loads) =>
        loads
            .Where(load => load.Unjudged.Length > 0)
            .Select(load =>
                Unjudged(
                    $"{load.LevelId}/uncounted/{load.BookId}/{load.RoomId}",
                    load.LevelId,
                    load.RoomId,
                    load.Unjudged,
                    "Say what the room is for, or count it by another use.",
                    load.Source,
                    load.RuleId,
                    []
                )
            );

    private static Finding Unjudged(
        string id,
        string levelId,
        string subjectId,
        string title,
        string why,
        string source,
        string ruleId,
        ImmutableArray<Geometry.Point> at
    ) => new(id, FindingWeight.Unjudged, FindingKind.Rule, title, why, 0, 0, source, [], [subjectId], at, 0, [], levelId, "", "", ruleId);

    private static bool ReadsPeople(RuleJudge judge) =>
        judge.With.Values.Concat([judge.When, judge.Holds]).Any(formula => formula.Contains("people", StringComparison.Ordinal));

    private static (string Has, string Needs) Texts(string unit, RuleVerdict verdict, UnitSystem units)
    {
        static string Whole(double n) => n.ToString("0.##", CultureInfo.InvariantCulture);
        return unit switch
        {
            "mm" => WidthText.Write(verdict.Measured, verdict.Needed, units),
            "m2" => (AreaText.WriteSmall(verdict.Measured, units), AreaText.WriteSmall(verdict.Needed, units)),
            _ => (Whole(verdict.Measured), Whole(verdict.Needed)),
        };
    }
}
