using System.Collections.Immutable;
using Wellsedes.Core.Capacity;
using Wellsedes.Core.Findings;
using Wellsedes.Core.Measures;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;

namespace Wellsedes.Core.Planning;

/// <summary>A scheme held against the books of its plan: what each counts, and what does not hold.</summary>
internal static class Proving
{
    public static (ImmutableArray<RoomLoad> Loads, ImmutableArray<Finding> Findings) Of(Plan plan, IReadOnlyCollection<LevelState> levels)
    {
        var books = plan.Books;
        if (books.Shelf.Books.IsEmpty)
            return ([], []);
        ImmutableArray<RoomLoad> loads = [.. levels.SelectMany(level => RoomLoads.Of(books, level.Space, id => SeatsIn(level, id)))];
        var findings = ImmutableArray.CreateBuilder<Finding>();
        findings.AddRange(RuleFinder.Uncounted(loads));
        // The same by whatever book they are judged.
        var rows = new Lazy<Measured[]>(() => [.. levels.SelectMany(level => SeatRows.Measure(level.Space, level.Items))]);
        foreach (var book in books.Shelf.Books)
            findings.AddRange(
                RuleFinder.Of(
                    books,
                    book,
                    [
                        .. levels.SelectMany(level => MeasuredOn(plan, level, book, loads)),
                        .. book.Rules.Any(rule => rule.Judges.Any(judge => judge.Measure == RuleMeasures.SeatRow)) ? rows.Value : [],
                    ],
                    plan.Details.Units
                )
            );
        return (loads, findings.ToImmutable());
    }

    /// <summary>The same findings, those that are accepted with these figures marked so.</summary>
    public static ImmutableArray<Finding> Accepted(Plan plan, string schemeId, ImmutableArray<Finding> findings)
    {
        var accepted = plan.OfScheme<Acceptance>(schemeId)
            .GroupBy(one => one.FindingId)
            .ToDictionary(same => same.Key, same => same.First());
        return accepted.Count == 0
            ? findings
            :
            [
                .. findings.Select(finding =>
                    accepted.TryGetValue(finding.Id, out var one) && one.IsOf(finding.Measured, finding.Needed)
                        ? finding with
                        {
                            Accepted = one,
                        }
                        : finding
                ),
            ];
    }

    private static int SeatsIn(LevelState level, string roomId) =>
        level.Rooms.FirstOrDefault(room => room.RoomId == roomId) is { } room ? room.Seats + room.Workstations : 0;

    private static IEnumerable<Measured> MeasuredOn(Plan plan, LevelState level, Rulebook book, ImmutableArray<RoomLoad> loads)
    {
        CountedRoom[] rooms =
        [
            .. level.Space.Rooms.Select(room =>
            {
                var figures = level.Rooms.FirstOrDefault(one => one.RoomId == room.Room.Id);
                var (seats, desks) = (figures?.Seats ?? 0, figures?.Workstations ?? 0);
                return new CountedRoom(
                    level.Space,
                    room,
                    PeopleIn(room.Room.Id, book, loads),
                    seats + desks,
                    desks,
                    plan.Details.Sprinklered
                );
            }),
        ];
        return [.. rooms.Select(RoomExits.Measure), .. rooms.Select(RoomSizes.Measure), .. Doorways.Measure(rooms)];
    }

    /// <summary>By the book itself; by the strictest of the others where it counts nobody.</summary>
    private static double? PeopleIn(string roomId, Rulebook book, ImmutableArray<RoomLoad> loads)
    {
        RoomLoad[] all = [.. loads.Where(load => load.RoomId == roomId)];
        RoomLoad[] own = [.. all.Where(load => load.BookId == book.Id)];
        return (own.Length > 0 ? own : all).Where(load => load.Unjudged.Length == 0).Select(load => (double?)load.People).Max();
    }
}
