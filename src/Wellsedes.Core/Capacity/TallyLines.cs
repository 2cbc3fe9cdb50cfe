using System.Globalization;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Units;
using Wellsedes.Core.Walkways;

namespace Wellsedes.Core.Capacity;

/// <summary>One line of a tally in words, said alike on the screen, on sheets and in files.</summary>
/// <param name="Rest">What it is held against: "of 96"; "" where nothing is asked.</param>
/// <param name="Over">How many more than asked: "4 over"; "" for none.</param>
/// <param name="Share">How much of what is asked there is, from 0 to 1; null where nothing is asked.</param>
/// <param name="Short">Whether it misses what is asked.</param>
/// <param name="What">What it counts, by which that can be asked for and selected; "" for what is no number of things.</param>
public sealed record TallyLine(
    string Name,
    string Value,
    string Rest = "",
    string Over = "",
    double? Share = null,
    bool Short = false,
    string What = ""
);

public static class TallyLines
{
    /// <summary>The lines of a tally, in the units of the plan, in the order they are told.</summary>
    public static IEnumerable<TallyLine> Of(Tally tally, UnitSystem units)
    {
        yield return Counted("seats", "Seats", tally.Seats, tally.SeatsAsked);
        yield return Counted("tables", "Tables", tally.Tables, tally.TablesAsked);
        if (tally.Workstations > 0 || tally.WorkstationsAsked is not null)
            yield return Counted("workstations", "Workstations", tally.Workstations, tally.WorkstationsAsked);
        foreach (var line in tally.Further)
            yield return line.IsLength ? Long(line, units) : Counted(line.Key, line.Name, (int)line.Has, (int)line.Wanted);
        if (tally.NetArea is { } net)
            yield return new TallyLine("Net internal area", AreaText.Write(net, units));
        if (tally.GrossArea is { } gross)
            yield return new TallyLine("Gross internal area", AreaText.Write(gross, units));
        if (tally.OpenArea is { } open)
            yield return new TallyLine("Area without walls", AreaText.Write(open, units));
        if (tally.AreaPerSeat is { } each)
            yield return tally.AreaPerSeatAsked is { } asked
                ? new TallyLine(
                    "Area per seat",
                    AreaText.WriteSmall(each, units),
                    $"of {AreaText.WriteSmall(asked, units)}",
                    Short: each < asked - 1e-9
                )
                : new TallyLine("Area per seat", AreaText.WriteSmall(each, units));
        var isShort = tally.Stock.Where(use => use.Short > 0).ToArray();
        foreach (var use in isShort.Take(MostShort))
            yield return new TallyLine(
                $"{use.Name}, in stock",
                use.Has.ToString(CultureInfo.InvariantCulture),
                $"of {use.Used}",
                $"{use.Short} short",
                (double)use.Has / use.Used,
                true,
                $"stock/{use.Catalogue}"
            );
        if (isShort.Length > MostShort)
            yield return new TallyLine("Short in stock", $"{isShort.Length - MostShort} more", Short: true);
        var holds = tally.Holds.Where(hold => hold.Seats > 0 && hold.Lowest is not null).OrderByDescending(hold => hold.Seats);
        foreach (var hold in holds.Where((hold, i) => i == 0 || hold.Seats > hold.Lowest!.People).Take(MostHeld))
            yield return new TallyLine(
                $"{hold.Name} may hold",
                hold.Seats.ToString(CultureInfo.InvariantCulture),
                $"of {hold.Lowest!.People:0}",
                hold.Seats > hold.Lowest.People ? $"{hold.Seats - hold.Lowest.People:0} over" : "",
                hold.Lowest.People <= 0 ? 1 : Math.Min(1, hold.Seats / hold.Lowest.People),
                hold.Seats > hold.Lowest.People
            );
        if (tally.Narrowest is { } narrowest)
        {
            var (width, needed) = WidthText.Write(narrowest.Width, narrowest.Needed, units);
            yield return new TallyLine(
                "Narrowest walkway",
                width,
                $"of {needed}{(units == UnitSystem.Metric ? "\u00a0mm" : "")}",
                Share: Math.Clamp(narrowest.Width / narrowest.Needed, 0, 1),
                Short: !Tolerance.Meets(narrowest.Width, narrowest.Needed),
                What: "narrowest"
            );
        }
    }

    /// <summary>So many rooms are told: that with most seats, and others that hold more than they may.</summary>
    private const int MostHeld = 3;

    /// <summary>So many things that are short are told one by one.</summary>
    private const int MostShort = 4;

    private static TallyLine Long(AskedLine line, UnitSystem units) =>
        new(
            line.Name,
            LengthText.WriteRound(line.Has, units),
            $"of {LengthText.Tell(line.Wanted, units)}",
            Share: line.Wanted == 0 ? 1 : Math.Min(1, line.Has / line.Wanted),
            Short: line.IsShort,
            What: line.Key
        );

    private static TallyLine Counted(string what, string name, int has, int? asked) =>
        asked is not { } wanted
            ? new TallyLine(name, has.ToString(CultureInfo.InvariantCulture), What: what)
            : new TallyLine(
                name,
                has.ToString(CultureInfo.InvariantCulture),
                $"of {wanted}",
                has > wanted ? $"{has - wanted} over" : "",
                wanted == 0 ? 1 : Math.Min(1, (double)has / wanted),
                has < wanted,
                what
            );
}
