using System.Collections.Immutable;
using System.Runtime.CompilerServices;
using Wellsedes.Core.Capacity;
using Wellsedes.Core.Compliance;
using Wellsedes.Core.Findings;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Planning;

/// <summary>A scheme held against the books of its plan.</summary>
/// <param name="Loads">For how many people each room is counted by each book that counts any.</param>
/// <param name="Exits">Who leaves by what, by each of these books; by the seats where there is none.</param>
/// <param name="Holds">What each room may hold.</param>
/// <param name="Findings">What does not hold, or could not be judged.</param>
public sealed record Proof(
    ImmutableArray<RoomLoad> Loads,
    ImmutableArray<ExitLoad> Exits,
    ImmutableArray<RoomHold> Holds,
    ImmutableArray<Finding> Findings
);

internal static class Proving
{
    /// <param name="stock">What is used of what the house has.</param>
    public static Proof Of(Plan plan, IReadOnlyList<LevelState> levels, ImmutableArray<StockUse> stock)
    {
        var books = plan.Books;
        var zones = levels.ToDictionary(level => level.Space.LevelId, UsedZones);
        var figures = levels.SelectMany(level => level.Rooms).DistinctBy(room => room.RoomId).ToDictionary(room => room.RoomId);
        int SeatsIn(string room) => figures.TryGetValue(room, out var of) ? of.Seats + of.Workstations : 0;
        ImmutableArray<RoomLoad> loads =
        [
            .. levels.SelectMany(level =>
                RoomLoads.Of(
                    books,
                    level.Space,
                    room => ContentsOf(level, room, zones[level.Space.LevelId]),
                    zones[level.Space.LevelId],
                    plan.Details.LoadRounding
                )
            ),
        ];
        var leave = Leaving.From([.. levels.Select(level => (level.Space, level.Items))]);
        if (books.Shelf.Books.IsEmpty)
            return new Proof([], [.. ExitsBy(books, null, levels, ExitsOf(plan, levels, leave(room => SeatsIn(room))))], [], []);
        var ways = Leaving.WaysOut([.. levels.Select(level => level.Space)]);
        Measured[] dwellings =
        [
            .. Dwellings.Measure(
                levels.SelectMany(level =>
                    level.Things.Where(thing => thing.IsDwelling()).Select(zone => new DwellingPart(level.Space, zone, level.Items))
                )
            ),
        ];
        var byRoom = loads.ToLookup(load => load.RoomId);
        var findings = ImmutableArray.CreateBuilder<Finding>();
        findings.AddRange(RuleFinder.Uncounted(loads));
        List<ExitLoad> exits = [];
        List<Measured> rooms = [];
        var shutIn = new HashSet<string>();
        Rulebook[] counting = [.. RoomLoads.Counting(books)];
        foreach (var book in books.Shelf.Books)
        {
            CountedRoom[] counted =
            [
                .. levels.SelectMany(level =>
                    level.Space.Rooms.Select(room =>
                    {
                        var of = figures.GetValueOrDefault(room.Room.Id);
                        var (seats, desks) = (of?.Seats ?? 0, of?.Workstations ?? 0);
                        return new CountedRoom(
                            level.Space,
                            room,
                            ways(room),
                            PeopleIn(book, byRoom[room.Room.Id]),
                            seats + desks,
                            desks,
                            plan.Details.Sprinklered
                        );
                    })
                ),
            ];
            var people = counted.ToDictionary(room => room.Room.Room.Id, room => room.People);
            var leaving = leave(room => people.GetValueOrDefault(room));
            var leavingBy = ExitsOf(plan, levels, leaving);
            Measured[] measured =
            [
                .. counted.Where(room => room.Room.Walled || !room.Space.IsOnGround).Select(RoomExits.Measure),
                .. counted.Select(RoomSizes.Measure),
                .. Doorways.Measure(counted),
                .. dwellings,
                .. leavingBy,
                .. levels.SelectMany(level =>
                    level.Space.Rooms.Select(room => Corridors.Measure(level.Space, room, leaving.Through[room.Room.Id])).OfType<Measured>()
                ),
                .. levels.SelectMany(level => Furnished(level, counted)),
            ];
            rooms.AddRange(
                measured.Where(thing => thing.Measure is RuleMeasures.RoomExits or RuleMeasures.Doorway or RuleMeasures.SeatRow)
            );
            findings.AddRange(RuleFinder.Of(books, book, measured, plan.Details.Units));
            foreach (var (space, room) in leaving.ShutIn)
                if (shutIn.Add(room.Room.Id))
                    findings.Add(RuleFinder.ShutIn(space, room));
            if (counting.Length == 0 ? exits.Count == 0 : counting.Contains(book))
                exits.AddRange(ExitsBy(books, book, levels, leavingBy));
        }
        return new Proof(loads, [.. exits], [.. HoldsOf(books, levels, rooms, byRoom, SeatsIn, stock)], findings.ToImmutable());
    }

    /// <summary>The same findings, each with the room it is in: that it is about, else that of the place it was measured at.</summary>
    public static ImmutableArray<Finding> InRooms(ImmutableArray<Finding> findings, IEnumerable<LevelState> levels)
    {
        var spaces = levels.ToDictionary(level => level.Space.LevelId, level => level.Space);
        return
        [
            .. findings.Select(finding =>
                spaces.TryGetValue(finding.LevelId, out var space) && RoomOf(space, finding) is { } room
                    ? finding with
                    {
                        Room = room.Room.Name,
                    }
                    : finding
            ),
        ];
    }

    private static FoundRoom? RoomOf(LevelSpace space, Finding finding) =>
        space.Rooms.FirstOrDefault(room => finding.EntityIds.Contains(room.Room.Id))
        ?? (
            finding.At.IsDefaultOrEmpty
                ? null
                : finding
                    .At.Append(Point.Middle(finding.At[0], finding.At[^1]))
                    .Select(space.RoomAt)
                    .FirstOrDefault(room => room is not null)
        );

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

    private static readonly ConditionalWeakTable<LevelState, Measured[]> Known = [];

    /// <summary>What is measured of the furniture of a level, the same by whatever book it is judged.</summary>
    private static Measured[] Furnished(LevelState level, IReadOnlyCollection<CountedRoom> counted) =>
        Known.GetValue(
            level,
            level =>
            {
                var rows = SeatRows.Find(level.Space, level.Items);
                var joins = level.Things.Where(thing => thing.JoinsChairs()).Select(thing => thing.Id).ToHashSet();
                var joined = rows.SelectMany(row => row.Chairs)
                    .Select(chair => chair.Item)
                    .Where(chair => chair.Item.Parent is { } block && joins.Contains(block))
                    .ToHashSet();
                return
                [
                    .. SeatRows.Measure(level.Space, rows),
                    .. Aisles.Measure(level.Space, rows),
                    .. TableGaps.Measure(level.Space, level.Items),
                    .. FreeFronts.Measure(level.Space, level.Items),
                    .. counted
                        .Where(room => ReferenceEquals(room.Space, level.Space))
                        .Select(room => RoomSeating.Measure(room, [.. Seated(level)[room.Room.Room.Id]], joined)),
                    .. ThingSizes.Measure(level.Space, level.Items),
                ];
            }
        );

    /// <summary>Zones with a use of their own, each with what of its floor is in no other of them within it.</summary>
    private static UsedZone[] UsedZones(LevelState level)
    {
        var uses = level.Things.Where(thing => thing.OwnUse().Length > 0).ToDictionary(zone => zone.Id);
        return
        [
            .. level
                .Areas.Where(area => uses.ContainsKey(area.ThingId))
                .Select(area =>
                {
                    var zone = uses[area.ThingId];
                    var within = level.Areas.Where(other => other.Within == area.ThingId && uses.ContainsKey(other.ThingId)).ToArray();
                    return new UsedZone(
                        area.ThingId,
                        area.Name,
                        zone.OwnUse(),
                        level.Space.RoomAt(Polygons.InsidePoint(zone.Areas()[0]))?.Room.Id ?? "",
                        Math.Max(0, area.Area - within.Sum(other => other.Area)),
                        RoomContents.Of([
                            .. level.Items.Where(item => IsIn(zone, item) && !within.Any(other => IsIn(uses[other.ThingId], item))),
                        ])
                    );
                }),
        ];
    }

    private static bool IsIn(Thing zone, PlacedItem item) => zone.Areas().Any(area => area.Holds(item.Item.Placement.Origin));

    private static RoomContents ContentsOf(LevelState level, string roomId, UsedZone[] zones)
    {
        Thing[] its = [.. level.Things.Where(thing => zones.Any(zone => zone.Id == thing.Id && zone.RoomId == roomId))];
        return RoomContents.Of([.. Seated(level)[roomId].Where(item => !its.Any(zone => IsIn(zone, item)))]);
    }

    private static readonly ConditionalWeakTable<LevelState, ILookup<string, PlacedItem>> KnownSeated = [];

    /// <summary>What people sit on, by the room it stands in.</summary>
    private static ILookup<string, PlacedItem> Seated(LevelState level) =>
        KnownSeated.GetValue(
            level,
            level =>
                level
                    .Items.Where(item => item.Form.Seats.Length > 0)
                    .ToLookup(item => level.Space.RoomAt(item.Item.Placement.Origin)?.Room.Id ?? "")
        );

    private static Measured[] ExitsOf(Plan plan, IEnumerable<LevelState> levels, Leaving leaving) =>
        [.. levels.SelectMany(level => Exits.Measure(level.Space, leaving, plan.Details.Sprinklered))];

    private static IEnumerable<ExitLoad> ExitsBy(
        PlanBooks books,
        Rulebook? book,
        IEnumerable<LevelState> levels,
        IReadOnlyCollection<Measured> exits
    )
    {
        foreach (var level in levels)
        {
            foreach (var exit in exits.Where(exit => exit.LevelId == level.Space.LevelId))
                yield return ExitLoads.Of(books, book, exit);
            foreach (var place in Exits.Of(level.Space).Where(place => place.Opening.Shut))
                yield return new ExitLoad(
                    book?.Id ?? "",
                    level.Space.LevelId,
                    place.Opening.Id,
                    Exits.NameOf(level.Space, place),
                    place.Opening.ClearWidth,
                    true,
                    0,
                    0,
                    "",
                    ""
                );
        }
    }

    private static IEnumerable<RoomHold> HoldsOf(
        PlanBooks books,
        IEnumerable<LevelState> levels,
        IReadOnlyCollection<Measured> measured,
        ILookup<string, RoomLoad> loads,
        Func<string, int> seats,
        ImmutableArray<StockUse> stock
    )
    {
        var more = stock.ToDictionary(use => use.Catalogue, use => use.Has - use.Used);
        var bySubject = measured.Where(thing => thing.Measure == RuleMeasures.RoomExits).ToLookup(thing => thing.SubjectId);
        var doorways = measured.Where(thing => thing.Measure == RuleMeasures.Doorway).ToLookup(thing => thing.SubjectId);
        var rows = measured.Where(thing => thing.Measure == RuleMeasures.SeatRow).DistinctBy(row => (row.LevelId, row.SubjectId)).ToArray();
        foreach (var level in levels)
        foreach (var room in level.Space.Rooms)
        {
            RoomLoad[] of = [.. loads[room.Room.Id]];
            if (!RoomUses.IsUsable(room.Room.Use) || !of.Any(load => load.Unjudged.Length == 0))
                continue;
            Measured[] things =
            [
                .. bySubject[room.Room.Id].Take(1),
                .. RoomShape.Of(level.Space, room).Doorways.SelectMany(way => doorways[way.Opening.Id].Take(1)),
                .. rows.Where(row => row.LevelId == level.Space.LevelId && room.Outline.Holds(row.At[0])),
            ];
            yield return RoomHolds.Of(
                books,
                level.Space.LevelId,
                room.Room,
                seats(room.Room.Id),
                things,
                of,
                MoreInStock(Seated(level)[room.Room.Id], more)
            );
        }
    }

    /// <summary>How many more of the seats of a room the house has; null where it counts none of them.</summary>
    private static int? MoreInStock(IEnumerable<PlacedItem> seated, Dictionary<string, int> more)
    {
        string[] counted =
        [
            .. seated.Select(item => item.IsSeat ? item.Kind.Key : item.Kind.Chair).OfType<string>().Where(more.ContainsKey).Distinct(),
        ];
        return counted.Length == 0 ? null : counted.Sum(chair => more[chair]);
    }

    /// <summary>By the book itself; by the strictest of the others where it counts nobody.</summary>
    private static double? PeopleIn(Rulebook book, IEnumerable<RoomLoad> loads)
    {
        RoomLoad[] all = [.. loads];
        RoomLoad[] own = [.. all.Where(load => load.BookId == book.Id)];
        // Uses of one room are added up; what one part is not counted for is asked about by itself.
        return (own.Length > 0 ? own : all)
            .Where(load => load.Unjudged.Length == 0)
            .GroupBy(load => load.BookId)
            .Select(book => (double?)book.Sum(load => load.People))
            .Max();
    }
}
