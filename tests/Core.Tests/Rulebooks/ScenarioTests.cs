using System.Collections.Immutable;
using System.Text.Json;
using Wellsedes.Core.Rulebooks;

namespace Wellsedes.Core.Tests.Rulebooks;

/// <summary>
/// Rooms in which several rules meet, worked out rule by rule. The expected figures follow from International Building Code 2021, the 2010 ADA Standards, Approved Document B volume 2 and
/// the Approved Code of Practice L24, all from memory, and from common practice for tables.
/// </summary>
public sealed class ScenarioTests
{
    private static ImmutableSortedDictionary<string, object?> Ask(string rule, string json)
    {
        var answer = RuleTrial.Ask(RulebookShelf.Shipped, rule, RuleFigures.Read(JsonDocument.Parse(json).RootElement));
        Assert.Equal("", answer.Problem);
        return answer.Answers;
    }

    private static double Number(string rule, string answer, string json) => (double)Ask(rule, json)[answer]!;

    private static bool Holds(string rule, string answer, string json) => (bool)Ask(rule, json)[answer]!;

    [Fact]
    public void A_ballroom_of_60_by_40_ft_with_round_tables()
    {
        var load = Number("ibc2021-olf-assembly-unconcentrated", "occupants", """{"area_ft2": 2400, "basis": "net"}""");
        Assert.Equal(160, load);
        Assert.Equal(
            2,
            Number(
                "ibc-1006.2.1-A-E-M",
                "exits_required",
                """{"group": "A-E-M", "occupants": 160, "sprinklered": false, "common_path_ft": 20}"""
            )
        );
        var separation = Ask("ibc-1007.1.1-separation", """{"room_ft": [60, 40], "sprinklered": false}""");
        Assert.Equal(72.111, (double)separation["diagonal_ft"]!, 3);
        Assert.Equal(36.056, (double)separation["min_separation_ft"]!, 3);
        Assert.True(Holds("ibc-1005.5-distribution", "pass", """{"occupants": 160, "factor_in": 0.2, "exit_clear_widths_in": [32, 32]}"""));
        Assert.Equal(
            32,
            Number("ibc-1005.5-distribution", "required_in", """{"occupants": 160, "factor_in": 0.2, "exit_clear_widths_in": [32, 32]}""")
        );
        Assert.True(Holds("ibc-1010.1.2.1-swing", "outward_required", """{"occupants": 160}"""));
        Assert.True(Holds("ibc-1010.2.9-panic", "panic_hardware", """{"group": "A", "occupants": 160, "latched": true}"""));
        var tables = Ask("round-grid-room", """{"room_ft": [60, 40], "diameter_in": 60, "pitch_ft": 10, "wall_gap_in": 48}""");
        Assert.Equal((15.0, 120.0), ((double)tables["tables"]!, (double)tables["seats_8"]!));
        Assert.Equal(22, Number("ibc-1030.13.1-table-measure", "clear_in", """{"table_edge_to_edge_in": 60, "seats_both_sides": true}"""));
        Assert.Equal(6, Number("ada-226.1-dining-5pct", "required", """{"seats": 120}"""));
    }

    [Fact]
    public void A_hall_of_50_by_40_ft_with_loose_chairs_in_rows()
    {
        Assert.Equal(286, Number("ibc2021-olf-assembly-concentrated", "occupants", """{"area_ft2": 2000, "basis": "net"}"""));
        Assert.Equal(
            10,
            Number("theatre-rows", "rows", """{"room_depth_ft": 40, "first_row_ft": 6, "pitch_in": 36, "rear_aisle_ft": 4}""")
        );
        Assert.Equal(14, Number("ibc-1030.13.2-row-min", "clear_in", """{"row_pitch_back_to_back_in": 36, "chair_depth_in": 22}"""));
        Assert.Equal(12, Number("ibc-1030.13.2.1-dual", "clear_in", """{"seats": 10}"""));
        Assert.Equal(42, Number("ibc-1030.9.1-level-both", "required_in", """{"seats_served": 100, "factor": 0.2}"""));
        Assert.Equal(36, Number("ibc-1030.9.1-level-one", "min_in", """{"seats_served": 50}"""));
        Assert.False(Holds("ibc-1030.15-fastening", "ganging_required", """{"loose_seats": 200, "flat_floor": true}"""));
        Assert.Equal(
            57.2,
            Number("ibc-1005.5-distribution", "required_in", """{"occupants": 286, "factor_in": 0.2, "exit_clear_widths_in": [36, 36]}"""),
            9
        );
        Assert.Equal(5, Number("ada-221.2.1.1-wheelchair-spaces", "spaces", """{"seats": 200}"""));
    }

    [Fact]
    public void A_banquet_at_two_long_tables_end_to_end()
    {
        Assert.Equal(13.5, Number("ibc-1030.13.1.1-table-accessway", "width_in", """{"length_ft": 15}"""));
        Assert.Equal(
            51.5,
            Number("ibc-1030.13.1-table-measure", "min_edge_to_edge_in", """{"accessway_in": 13.5, "seats_both_sides": true}""")
        );
        Assert.True(Holds("ibc-1030.13.1.2-table-length", "pass", """{"length_ft": 15}"""));
    }

    [Fact]
    public void An_open_plan_office_storey_of_600_m2()
    {
        Assert.Equal(100, Number("adb-d1-office", "occupants", """{"area_m2": 600}"""));
        Assert.Equal(2, Number("adb-2.2-number-exits", "exits", """{"persons": 100}"""));
        Assert.Equal(220, Number("adb-discount", "capacity_after_discount", """{"exits_mm": [850, 850, 850]}"""));
        Assert.True(
            Holds(
                "adb-2.1-travel-office",
                "pass",
                """{"use": "office", "to_nearest_exit_m": 43, "first_part_one_direction_m": 17, "alternatives": true}"""
            )
        );
        Assert.Equal(147, Number("uk-l24-11m3", "max_persons", """{"room_m": [30, 20], "height_m": 2.7}"""));
    }
}
