using System.Collections.Concurrent;
using System.Collections.Frozen;
using System.Collections.Immutable;
using System.Globalization;
using System.Runtime.CompilerServices;
using Wellsedes.Core.Capacity;
using Wellsedes.Core.Compliance;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Core.Units;
using Wellsedes.Core.Walkways;

namespace Wellsedes.Core.Findings;

/// <summary>Holds what measures find against the rules of a plan's books. What is found of a thing is kept as long as it is the same, so that a move asks again only about what it changed.</summary>
public static class RuleFinder
{
    /// <param name="measured">Of a book, by the measure's key.</param>
    public static IEnumerable<Finding> Of(PlanBooks books, Rulebook book, IReadOnlyCollection<Measured> measured, UnitSystem units)
    {
        var (found, judging) = (Found.GetOrCreateValue(books), Judging.GetValue(books, _ => new(Judges)).Value[book.Id]);
        List<(int Rule, Finding Finding)> all = [];
        foreach (var thing in measured)
        {
            if (!judging.TryGetValue(thing.Measure, out var judges))
                continue;
            // As long as a thing is as it was, so is what is found of it by all rules.
            var key = (book.Id, units, thing.Measure, thing.LevelId, thing.SubjectId, thing.Part);
            if (!found.TryGetValue(key, out var known) || !known.Thing.IsAlike(thing))
            {
                if (found.Count >= MostFound)
                    found.Clear();
                var now = judges
                    .Select(one => (one.Order, Finding: Of(books, one.Rule, one.Judge, thing, units)))
                    .Where(one => one.Finding is not null)
                    .Select(one => (one.Order, one.Finding!));
                found[key] = known = (thing, [.. now]);
            }
            all.AddRange(known.Findings);
        }
        return all.OrderBy(one => one.Rule).Select(one => one.Finding);

        FrozenDictionary<string, FrozenDictionary<string, JudgedBy[]>> Judges() =>
            books.Shelf.Books.ToFrozenDictionary(
                one => one.Id,
                one =>
                    one.Rules.Where(rule => !books.Off.Contains(rule.Id))
                        .SelectMany(rule => rule.Judges.Select((judge, i) => (rule, judge, i)))
                        .Select((of, order) => (of.judge.Measure, By: new JudgedBy(order, of.rule, of.i)))
                        .GroupBy(of => of.Measure)
                        .ToFrozenDictionary(same => same.Key, same => same.Select(of => of.By).ToArray())
            );
    }

    /// <param name="Judge">Which of the rule's judges.</param>
    private sealed record JudgedBy(int Order, Rule Rule, int Judge);

    private sealed class Kept
        : ConcurrentDictionary<
            (string Book, UnitSystem Units, string Measure, string Level, string Subject, string Part),
            (Measured Thing, ImmutableArray<(int, Finding)> Findings)
        >;

    private const int MostFound = 50_000;

    private static readonly ConditionalWeakTable<PlanBooks, Kept> Found = [];

    private static readonly ConditionalWeakTable<PlanBooks, Lazy<FrozenDictionary<string, FrozenDictionary<string, JudgedBy[]>>>> Judging =
    [];

    private static Finding? Of(PlanBooks books, Rule rule, int judged, Measured thing, UnitSystem units)
    {
        var judge = rule.Judges[judged];
        // What nobody has counted is told once, with the room.
        if (thing.Figures.TryGetValue("people", out var people) && people is null && judge.Reads("people"))
            return null;
        var verdict = Verdicts.Of(books, rule, judge, thing);
        if (!verdict.IsAbout || (verdict.Holds && verdict.Answer.Problem.Length == 0))
            return null;
        var id = $"{thing.LevelId}/rule/{rule.Id}/{judged.ToString(CultureInfo.InvariantCulture)}/{Joined(thing.SubjectId, thing.Part)}";
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
        var along = thing.Lines.Keys.FirstOrDefault(figure => judge.Measured.Contains(figure, StringComparison.Ordinal));
        var against = thing.Lines.Keys.FirstOrDefault(figure => figure != along && judge.Reads(figure));
        return new Finding(
            id,
            judge.Advises ? FindingWeight.Advise : FindingWeight.Must,
            FindingKind.Rule,
            $"{thing.Name}: {judge.Says}",
            $"{rule.Title}. {string.Join("; ", RuleWorking.InFigures(rule, verdict.Answer))}.",
            verdict.Measured,
            verdict.Needed,
            $"{rule.Source.Told()}. {Rule.FromMemory}",
            [thing.Name],
            [thing.SubjectId],
            along is null ? thing.At : thing.Lines[along],
            0,
            [],
            thing.LevelId,
            has,
            needs,
            rule.Id
        )
        {
            Against = against is null ? [] : thing.Lines[against],
        };
    }

    private static string Joined(string subject, string part) => part.Length == 0 ? subject : $"{subject}/{part}";

    /// <summary>Rooms, and zones of them, that a book counts nobody in, each once a book.</summary>
    public static IEnumerable<Finding> Uncounted(IEnumerable<RoomLoad> loads) =>
        loads
            .Where(load => load.Unjudged.Length > 0)
            .Select(load =>
                Unjudged(
                    $"{load.LevelId}/uncounted/{load.BookId}/{Joined(load.RoomId, load.ZoneId)}",
                    load.LevelId,
                    load.RoomId,
                    load.Unjudged,
                    "Say what the room is for, or count it by another use.",
                    load.Source,
                    load.RuleId,
                    []
                )
            );

    /// <summary>A room with people in it that no way leads out of.</summary>
    public static Finding ShutIn(Spaces.LevelSpace space, Spaces.FoundRoom room) =>
        new(
            $"{space.LevelId}/shut-in/{room.Room.Id}",
            FindingWeight.Must,
            FindingKind.Rule,
            $"{room.Room.Name}: nobody gets out",
            "No door, gap or stair that is not shut leads from it to the outside.",
            0,
            1,
            "Common practice",
            [room.Room.Name],
            [room.Room.Id],
            [room.Room.Inside],
            0,
            [],
            space.LevelId,
            "0 ways out",
            "1"
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
