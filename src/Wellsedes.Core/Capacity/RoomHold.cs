using System.Collections.Immutable;
using Wellsedes.Core.Compliance;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;

namespace Wellsedes.Core.Capacity;

/// <summary>The most people that one rule, or what stands in a room, lets into it.</summary>
/// <param name="Says">What stops more: "ways out hold too few people".</param>
/// <param name="RuleId">"" for what no rule says.</param>
public sealed record HoldLimit(double People, string Says, string BookId, string RuleId, string Source);

/// <summary>What a room may hold, as a stair of limits from the lowest up.</summary>
/// <param name="Seats">Seats and workstations that stand in it.</param>
public sealed record RoomHold(string LevelId, string RoomId, string Name, int Seats, ImmutableArray<HoldLimit> Limits)
{
    public HoldLimit? Lowest => Limits.FirstOrDefault();
}

/// <summary>What lets no more into a room: rules, by the number of people from which on they no longer hold, and what stands there.</summary>
public static class RoomHolds
{
    /// <summary>A rule that so many keep sets no limit.</summary>
    private const int Most = 10_000;

    /// <summary>Where people gather, the area of a room is a limit; elsewhere it is only what it is counted for (common practice).</summary>
    private static readonly string[] Gathering =
    [
        "Assembly",
        "Assembly in rows",
        "Bar",
        "Classroom",
        "Dance floor",
        "Dining",
        "Exhibition",
        "Meeting",
        "Standing",
        "Waiting",
    ];

    /// <param name="things">The room's ways out, its doorways and the rows in it, as measured.</param>
    /// <param name="loads">For how many it is counted, by each book.</param>
    /// <param name="stock">How many more seats of the kinds that stand in it the house has; null where it counts none of them.</param>
    public static RoomHold Of(
        PlanBooks books,
        string levelId,
        Room room,
        int seats,
        IReadOnlyCollection<Measured> things,
        IReadOnlyCollection<RoomLoad> loads,
        int? stock
    )
    {
        List<HoldLimit> limits = [];
        foreach (var book in books.Shelf.Books)
        {
            var byArea = false;
            foreach (var rule in book.Rules.Where(rule => !rule.Judges.IsEmpty && !books.Off.Contains(rule.Id)))
            foreach (var judge in rule.Judges.Where(judge => !judge.Advises))
            foreach (var thing in things.Where(thing => thing.Measure == judge.Measure))
                if (LimitOf(books, rule, judge, thing) is { } most)
                {
                    limits.Add(
                        new HoldLimit(
                            most,
                            thing.SubjectId == room.Id ? judge.Says : $"{thing.Name}: {judge.Says}",
                            book.Id,
                            rule.Id,
                            rule.Source.Told()
                        )
                    );
                    byArea |= judge.Measure == RuleMeasures.RoomExits && !judge.Reads("people");
                }
            if (
                !byArea
                && Gathering.Contains(room.Use, StringComparer.OrdinalIgnoreCase)
                && loads.FirstOrDefault(load => load.BookId == book.Id) is { ByArea: { } area, Unjudged: "" } load
            )
                limits.Add(new HoldLimit(area, "the area of its use", book.Id, load.RuleId, load.Source));
            if (RowsLose(books, book, things) is ({ } by, > 0 and var lost))
                limits.Add(new HoldLimit(seats - lost, "rows with too many seats for their passage", book.Id, by.Id, by.Source.Told()));
        }
        if (stock is { } more)
            limits.Add(new HoldLimit(seats + more, "the seats that the house has", "", "", "House stock"));
        return new RoomHold(
            levelId,
            room.Id,
            room.Name,
            seats,
            [
                .. limits
                    .OrderBy(limit => limit.People)
                    .ThenBy(limit => limit.BookId, StringComparer.Ordinal)
                    .ThenBy(limit => limit.RuleId, StringComparer.Ordinal),
            ]
        );
    }

    /// <summary>Null where the rule sets no limit: it reads nobody, so many keep it, or nobody does, which is wrong for another reason that its finding tells.</summary>
    private static int? LimitOf(PlanBooks books, Rule rule, RuleJudge judge, Measured thing) =>
        thing.Measure is RuleMeasures.RoomExits or RuleMeasures.Doorway
        && (judge.Reads("people") || judge.Reads("seats"))
        && Verdicts.Greatest(books, rule, judge, Most, people => With(thing, people)) is > 0 and < Most and var most
            ? most
            : null;

    private static ImmutableSortedDictionary<string, object?> With(Measured thing, int people)
    {
        var figures = thing.Figures.SetItem("people", (double)people);
        return figures.ContainsKey("seats") ? figures.SetItem("seats", (double)people) : figures;
    }

    /// <summary>Seats that rows have beyond what a book allows, by the rule that takes most.</summary>
    private static (Rule?, int) RowsLose(PlanBooks books, Rulebook book, IReadOnlyCollection<Measured> things)
    {
        Measured[] rows = [.. things.Where(thing => thing.Measure == RuleMeasures.SeatRow)];
        (Rule? Rule, int Lost) worst = (null, 0);
        foreach (var rule in book.Rules.Where(rule => !books.Off.Contains(rule.Id)))
        {
            var lost = rows.Sum(row =>
                rule.Judges.Where(judge => judge.Measure == RuleMeasures.SeatRow)
                    .Select(judge => Lost(books, rule, judge, row))
                    .DefaultIfEmpty(0)
                    .Max()
            );
            if (lost > worst.Lost)
                worst = (rule, lost);
        }
        return worst;
    }

    private static int Lost(PlanBooks books, Rule rule, RuleJudge judge, Measured row)
    {
        var seats = (int)(double)row.Figures["seats"]!;
        return seats - Verdicts.Greatest(books, rule, judge, seats, some => row.Figures.SetItem("seats", (double)some));
    }
}
