using System.Collections.Immutable;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Capacity;

/// <summary>For how many people a room is counted by one book, and how that came about.</summary>
/// <param name="RuleId">The rule of its use; "" where none is found.</param>
/// <param name="ByArea">People by its area; null where nothing counts them.</param>
/// <param name="Seats">Seats and workstations that stand in it.</param>
/// <param name="People">Whichever governs: the larger of both.</param>
/// <param name="Working">"48.6 m² net / 1.4 = 34.7, so 35".</param>
/// <param name="Unjudged">Why nothing counts them: no use given, or none that the book knows; "" where something does.</param>
public sealed record RoomLoad(
    string BookId,
    string LevelId,
    string RoomId,
    string Name,
    string Use,
    string RuleId,
    double Area,
    double? ByArea,
    int Seats,
    double People,
    string Working,
    string Source,
    string Unjudged = ""
);

/// <summary>Occupant load by area and by what is set, each room by itself, rounded as its rule does.</summary>
public static class RoomLoads
{
    /// <summary>In m², exactly.</summary>
    private const double SquareFoot = 0.09290304;

    /// <summary>Books that count people at all.</summary>
    public static IEnumerable<Rulebook> Counting(PlanBooks books) =>
        books.Shelf.Books.Where(book => book.Rules.Any(rule => rule.People.Length > 0));

    /// <param name="seats">Seats and workstations in a room, by its id.</param>
    public static IEnumerable<RoomLoad> Of(PlanBooks books, LevelSpace space, Func<string, int> seats) =>
        Counting(books).SelectMany(book => space.Rooms.Select(room => Of(books, book, space, room, seats(room.Room.Id))));

    private static RoomLoad Of(PlanBooks books, Rulebook book, LevelSpace space, FoundRoom room, int seats)
    {
        var (use, name) = (room.Room.Use.Trim(), room.Room.Name);
        RoomLoad Load(string ruleId, double area, double? byArea, string working, string source, string unjudged) =>
            new(
                book.Id,
                space.LevelId,
                room.Room.Id,
                name,
                use,
                ruleId,
                area,
                byArea,
                seats,
                Math.Max(byArea ?? 0, seats),
                working,
                source,
                unjudged
            );
        // What is no usable area is counted with what it serves.
        if (!RoomUses.IsUsable(use))
            return Load("", room.NetInternal, 0, "counted with the rooms it serves", "Common practice", "");
        if (use.Length == 0)
            return Load("", room.NetInternal, null, "", "", $"No use given for {name}");
        if (
            book.Rules.FirstOrDefault(rule =>
                rule.People.Length > 0
                && !books.Off.Contains(rule.Id)
                && rule.Uses.Any(known => known.Equals(use, StringComparison.OrdinalIgnoreCase))
            )
            is not { } of
        )
            return Load("", room.NetInternal, null, "", "", $"{book.Name} counts nobody for {use} ({name})");
        var area = of.People == "gross" ? room.GrossInternal : room.NetInternal;
        var inFeet = of.Asked.Any(way => way.With.Contains("area_ft2"));
        var amount = inFeet ? area / SquareFoot : area;
        var figures = ImmutableSortedDictionary<string, object?>.Empty;
        figures = inFeet ? figures.Add("area_ft2", amount).Add("basis", of.People) : figures.Add("area_m2", amount);
        var answer = RuleTrial.Ask(books.Shelf, of, figures);
        if (answer.Problem.Length > 0 || !answer.Answers.TryGetValue("occupants", out var found) || found is not double people)
            return Load(of.Id, area, null, "", of.Source.Told(), $"{of.Id} does not count {name}: {answer.Problem}");
        var factor = of.Values.GetValueOrDefault(inFeet ? "ft2_per_person" : "m2_per_person");
        var working = FormattableString.Invariant(
            $"{amount:0.#} {(inFeet ? "ft²" : "m²")} {of.People} / {factor:0.###} = {amount / factor:0.0}, so {people:0}"
        );
        return Load(of.Id, area, people, working, of.Source.Told(), "");
    }
}
