using Wellsedes.Core.Capacity;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Tests.Capacity;

/// <summary>A tally in words: the same on the screen and on the sheet, in the units of the plan.</summary>
public sealed class TallyLineTests
{
    private static readonly Tally Full = new(
        100,
        96,
        12,
        null,
        0,
        4,
        233.46,
        234,
        null,
        2.3346,
        2.5,
        new NarrowestWalkway(899.96, 900, "Table 4", "Table 4 and Table 6")
    );

    private static string[] Of(Tally tally, UnitSystem units) =>
        [.. TallyLines.Of(tally, units).Select(line => $"{line.Name}: {line.Value} {line.Rest} {line.Over}".Replace('\u00a0', ' ').Trim())];

    [Fact]
    public void What_is_asked_stands_beside_what_there_is_and_what_misses_it_is_short()
    {
        Assert.Equal(
            [
                "Seats: 100 of 96 4 over",
                "Tables: 12",
                "Workstations: 0 of 4",
                "Net internal area: 233.5 m²",
                "Gross internal area: 234.0 m²",
                "Area per seat: 2.33 m² of 2.50 m²",
                "Narrowest walkway: 899 of 900 mm",
            ],
            Of(Full, UnitSystem.Metric)
        );
        var lines = TallyLines.Of(Full, UnitSystem.Metric).ToDictionary(line => line.Name);
        Assert.Equal(["Area per seat", "Narrowest walkway", "Workstations"], lines.Values.Where(l => l.Short).Select(l => l.Name).Order());
        Assert.Equal((1, 0, null), (lines["Seats"].Share, lines["Workstations"].Share, lines["Tables"].Share));
        Assert.InRange(lines["Narrowest walkway"].Share!.Value, 0.999, 1);
    }

    [Fact]
    public void A_plan_in_feet_is_told_in_feet()
    {
        var lines = Of(Full with { Narrowest = new NarrowestWalkway(914.4, 914.4, "", "") }, UnitSystem.FeetInches);
        Assert.Contains("Net internal area: 2513 ft²", lines);
        Assert.Contains("Narrowest walkway: 3' of 3'", lines);
        Assert.Contains("Area per seat: 25.13 ft² of 26.91 ft²", lines);
    }

    [Fact]
    public void Where_nothing_can_be_counted_only_the_counts_are_told() =>
        Assert.Equal(["Seats: 0", "Tables: 0"], Of(Tally.None, UnitSystem.Metric));
}
