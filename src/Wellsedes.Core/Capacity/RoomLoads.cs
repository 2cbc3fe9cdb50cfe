using System.Collections.Immutable;
using System.Globalization;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Capacity;

/// <summary>The occupant load: for how many people a room, or a zone of it with a use of its own, is counted by one book, and how that came about.</summary>
/// <param name="RuleId">The rule of its use; "" where none is found.</param>
/// <param name="Area">What is counted, in m².</param>
/// <param name="ByArea">People by its area; null where nothing counts them by it.</param>
/// <param name="Seats">Seats and workstations that stand in it, those of benches and booths by their length where the book says so.</param>
/// <param name="People">Whichever governs: the larger of both.</param>
/// <param name="Working">"48.6 m² net / 1.4 = 34.7, so 35".</param>
/// <param name="Unjudged">Why nothing counts them: no use given, or none that the book knows; "" where something does.</param>
/// <param name="ZoneId">The zone; "" for the room without its zones.</param>
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
    string Unjudged = "",
    string ZoneId = ""
);

/// <summary>Occupant load by area and by what is set, each room and each zone with a use by itself; uses of one room are added up.</summary>
public static class RoomLoads
{
    /// <summary>In m², exactly.</summary>
    private const double SquareFoot = 0.09290304;

    /// <summary>Figures that a rule which counts people is asked with, beside what the area is called.</summary>
    private const string Basis = "basis";

    /// <summary>Books that count people by the use of a room.</summary>
    public static IEnumerable<Rulebook> Counting(PlanBooks books) =>
        books.Shelf.Books.Where(book => book.Rules.Any(rule => rule.People is "net" or "gross"));

    /// <param name="contents">What people sit on in a room, by its id; without its zones.</param>
    /// <param name="zones">The zones of the level that have a use of their own.</param>
    public static IEnumerable<RoomLoad> Of(
        PlanBooks books,
        LevelSpace space,
        Func<string, RoomContents> contents,
        IReadOnlyCollection<UsedZone> zones,
        LoadRounding rounding
    ) =>
        from book in Counting(books)
        from room in space.Rooms
        from load in OfRoom(new Count(books, book, space, rounding), room, contents(room.Room.Id), zones)
        select load;

    private sealed record Count(PlanBooks Books, Rulebook Book, LevelSpace Space, LoadRounding Rounding);

    private static IEnumerable<RoomLoad> OfRoom(Count count, FoundRoom room, RoomContents contents, IEnumerable<UsedZone> zones)
    {
        UsedZone[] its = [.. zones.Where(zone => zone.RoomId == room.Room.Id)];
        var taken = its.Sum(zone => zone.Area);
        var of = room.Room;
        yield return Of(
            count,
            new Counted(
                of.Id,
                "",
                of.Name,
                of.Use.Trim(),
                Math.Max(0, room.NetInternal - taken),
                Math.Max(0, room.GrossInternal - taken),
                contents,
                of.AreaPerPerson
            )
        );
        foreach (var zone in its)
            yield return Of(
                count,
                new Counted(of.Id, zone.Id, $"{of.Name}, {zone.Name}", zone.Use.Trim(), zone.Area, zone.Area, zone.Contents, null)
            );
    }

    private sealed record Counted(
        string RoomId,
        string ZoneId,
        string Name,
        string Use,
        double Net,
        double Gross,
        RoomContents Contents,
        double? AreaPerPerson
    );

    private static RoomLoad Of(Count count, Counted room)
    {
        var (use, name) = (room.Use, room.Name);
        var (seats, bySeats) = SeatsBy(count, room.Contents);
        RoomLoad Load(string ruleId, double area, double? byArea, string working, string source, string unjudged) =>
            new(
                count.Book.Id,
                count.Space.LevelId,
                room.RoomId,
                name,
                use,
                ruleId,
                area,
                byArea,
                seats,
                Math.Max(byArea ?? 0, seats),
                string.Join("; ", new[] { working, bySeats }.Where(part => part.Length > 0)),
                source,
                unjudged,
                room.ZoneId
            );
        if (room.AreaPerPerson is { } each)
            return Load(
                "",
                room.Net,
                Rounded(room.Net / each, count.Rounding),
                Working(room.Net, "m²", "net", each, count.Rounding) + ", by hand",
                "Chosen by hand for this room",
                ""
            );
        // What is no usable area is counted with what it serves.
        if (!RoomUses.IsUsable(use))
            return Load("", room.Net, 0, "counted with the rooms it serves", "Common practice", "");
        if (use.Length == 0)
            return Load("", room.Net, null, "", "", $"No use given for {name}");
        if (
            count.Book.Rules.FirstOrDefault(rule =>
                rule.People is "net" or "gross"
                && !count.Books.Off.Contains(rule.Id)
                && rule.Uses.Any(known => known.Equals(use, StringComparison.OrdinalIgnoreCase))
            )
            is not { } of
        )
            return Load("", room.Net, null, "", "", $"{count.Book.Name} counts nobody for {use} ({name})");
        // Where seats are fixed they are counted, not the floor they stand on.
        if (room.Contents.Fixed > 0 && 2 * room.Contents.Fixed >= room.Contents.Seats)
            return Load(
                of.Id,
                room.Net,
                null,
                $"{room.Contents.Fixed} fixed seats of {room.Contents.Seats}, counted instead of the area",
                of.Source.Told(),
                ""
            );
        var area = of.People == "gross" ? room.Gross : room.Net;
        if (AreaIn(of) is not var (asked, inFeet))
            return Load(of.Id, area, null, "", of.Source.Told(), $"{of.Id} does not count {name}: it is not asked with an area");
        var amount = inFeet ? area / SquareFoot : area;
        var figures = ImmutableSortedDictionary<string, object?>.Empty.Add(asked, amount);
        if (of.Asked.Any(way => way.With.Contains(Basis)))
            figures = figures.Add(Basis, of.People);
        var answer = RuleTrial.Ask(count.Books.Shelf, of, figures);
        if (answer.Problem.Length > 0 || answer.Answers.Values.OfType<double>().Cast<double?>().FirstOrDefault() is not { } people)
            return Load(of.Id, area, null, "", of.Source.Told(), $"{of.Id} does not count {name}: {answer.Problem}");
        var factor = of.Values.GetValueOrDefault(inFeet ? "ft2_per_person" : "m2_per_person");
        if (factor <= 0)
            return Load(
                of.Id,
                area,
                people,
                FormattableString.Invariant($"{amount:0.#} {(inFeet ? "ft²" : "m²")} {of.People}, so {people:0}"),
                of.Source.Told(),
                ""
            );
        // The text of a rule leaves open how a part of a person counts: the plan says it.
        people = count.Rounding == LoadRounding.Up ? people : Rounded(amount / factor, count.Rounding);
        return Load(of.Id, area, people, Working(amount, inFeet ? "ft²" : "m²", of.People, factor, count.Rounding), of.Source.Told(), "");
    }

    private static string Working(double amount, string unit, string basis, double factor, LoadRounding rounding) =>
        string.Create(
            CultureInfo.InvariantCulture,
            $"{amount:0.#} {unit} {basis} / {factor:0.###} = {amount / factor:0.0}, so {Rounded(amount / factor, rounding):0}"
        );

    private static double Rounded(double people, LoadRounding rounding) =>
        rounding switch
        {
            LoadRounding.Nearest => Math.Floor(people + 0.5 + 1e-9),
            LoadRounding.Down => Math.Floor(people + 1e-9),
            _ => Math.Ceiling(people - 1e-9),
        };

    /// <summary>The name of the area that a rule is asked with by itself, and whether it is in ft².</summary>
    private static (string Name, bool InFeet)? AreaIn(Rule rule)
    {
        foreach (var way in rule.Asked)
        {
            string[] names = [.. way.With.Where(name => name != Basis)];
            if (names is [var only] && (only.EndsWith("_ft2", StringComparison.Ordinal) || only.EndsWith("_m2", StringComparison.Ordinal)))
                return (only, only.EndsWith("_ft2", StringComparison.Ordinal));
        }
        return null;
    }

    /// <summary>Seats with those of benches and booths by their length, where a book has a rule for them.</summary>
    private static (int Seats, string Working) SeatsBy(Count count, RoomContents contents)
    {
        var (benches, ofBenches) = ByLength(count, "bench", contents.Benches);
        var (booths, ofBooths) = ByLength(count, "booth", contents.Booths);
        // Where a book has no rule for them they are as they are drawn.
        var seats =
            contents.Seats + (benches is { } on ? on - contents.OnBenches : 0) + (booths is { } within ? within - contents.InBooths : 0);
        return (seats, string.Join("; ", new[] { ofBenches, ofBooths }.Where(part => part.Length > 0)));
    }

    private static (int? People, string Working) ByLength(Count count, string what, ImmutableArray<double> lengths)
    {
        if (
            lengths.IsEmpty
            || count.Book.Rules.FirstOrDefault(rule => rule.People == what && !count.Books.Off.Contains(rule.Id)) is not { } rule
        )
            return (null, "");
        var total = 0.0;
        foreach (var length in lengths)
        {
            if (LengthIn(rule, length) is not { } figures)
                return (null, "");
            var answer = RuleTrial.Ask(count.Books.Shelf, rule, figures);
            if (!answer.Answers.TryGetValue("persons", out var found) || found is not double persons)
                return (null, "");
            total += persons;
        }
        return (
            (int)total,
            string.Create(CultureInfo.InvariantCulture, $"{lengths.Sum() / 1000:0.##} m of {what} for {total:0} ({rule.Source.Told()})")
        );
    }

    /// <summary>A length in the unit that a rule is asked with, a list of it where it takes a list.</summary>
    private static ImmutableSortedDictionary<string, object?>? LengthIn(Rule rule, double mm)
    {
        foreach (var way in rule.Asked)
            if (way.With is [var name])
                return ImmutableSortedDictionary<string, object?>.Empty.Add(
                    name,
                    name switch
                    {
                        _ when name.EndsWith("sides_in", StringComparison.Ordinal) => new object?[] { Math.Round(mm / 25.4, 6) },
                        _ when name.EndsWith("_ft", StringComparison.Ordinal) => Math.Round(mm / 304.8, 6),
                        _ when name.EndsWith("_in", StringComparison.Ordinal) => Math.Round(mm / 25.4, 6),
                        _ => mm,
                    }
                );
        return null;
    }
}
