using Wellsedes.Core.Compliance;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;

namespace Wellsedes.Core.Capacity;

/// <summary>Who leaves by a way out of the building, or by a stair or ramp between levels, when each goes the nearest way.</summary>
/// <param name="BookId">The book that counts them; "" where none does and those are meant that have a seat.</param>
/// <param name="SubjectId">The doorway, stair or ramp.</param>
/// <param name="ClearWidth">In mm.</param>
/// <param name="Shut">Whether nobody gets through for now.</param>
/// <param name="Holds">How many it is wide enough for; null where the book does not say.</param>
public sealed record ExitLoad(
    string BookId,
    string LevelId,
    string SubjectId,
    string Name,
    double ClearWidth,
    bool Shut,
    double People,
    double? Holds,
    string RuleId,
    string Source
)
{
    /// <summary>How many more it is wide enough for; less than 0 where it is too narrow.</summary>
    public double? Spare => Holds - People;
}

public static class ExitLoads
{
    /// <summary>Held against the rules of a book that say how many an exit is wide enough for, the least of them.</summary>
    /// <param name="exit">As <see cref="Exits.Measure"/> tells it.</param>
    public static ExitLoad Of(PlanBooks books, Rulebook? book, Measured exit)
    {
        var held = (book?.Rules ?? [])
            .Where(rule => !books.Off.Contains(rule.Id))
            .SelectMany(rule =>
                rule.Judges.Where(judge => judge.Measure == exit.Measure && judge.Unit == "people").Select(judge => (rule, judge))
            )
            .Select(one => (one.rule, verdict: Verdicts.Of(books, one.rule, one.judge, exit)))
            .Where(one => one.verdict.IsAbout && one.verdict.Answer.Problem.Length == 0)
            .OrderBy(one => one.verdict.Measured)
            .FirstOrDefault();
        return new ExitLoad(
            book?.Id ?? "",
            exit.LevelId,
            exit.SubjectId,
            exit.Name,
            (double)exit.Figures["clear_mm"]!,
            false,
            (double)exit.Figures["people"]!,
            held.rule is null ? null : held.verdict.Measured,
            held.rule?.Id ?? "",
            held.rule?.Source.Told() ?? ""
        );
    }
}
