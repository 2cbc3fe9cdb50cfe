using Wellsedes.Core.Units;

namespace Wellsedes.Core.Rulebooks;

/// <summary>A value with its unit, where it comes from and how sure that is.</summary>
/// <param name="Value">In mm.</param>
/// <param name="Note">What the user is shown: every value is from memory, to be checked against the adopted edition.</param>
public sealed record SourcedValue(
    string Key,
    string Name,
    double Value,
    [property: LongText(300)] string Source,
    string Confidence,
    [property: LongText(300)] string Note
);

/// <summary>Default gaps, aisles and clearances. The values a new plan is held against until the planner sets others.</summary>
public static class HouseRules
{
    private const string FromMemory = "From memory; check against the adopted edition.";

    public static readonly SourcedValue MainAisle = new(
        "main-aisles",
        "Main aisles, clear width",
        900,
        "House rule",
        "high",
        "Set by the house, to be changed by the planner."
    );

    public static readonly SourcedValue SeatAccess = new(
        "seat-access",
        "Seat access, between chair backs",
        600,
        "House rule",
        "high",
        "Set by the house, to be changed by the planner."
    );

    /// <summary>19 in from the table edge to the back of an occupied chair.</summary>
    public static readonly SourcedValue OccupiedChair = new(
        "occupied-chair",
        "Occupied chair, from the table edge",
        482.6,
        "International Building Code 2021, 1030.13.1 (19 in); common practice 18 to 20 in",
        "medium",
        FromMemory
    );

    /// <summary>30 in from the table edge to the back of a chair pulled out to sit or rise.</summary>
    public static readonly SourcedValue PulledOutChair = new(
        "pulled-out-chair",
        "Chair pulled out, from the table edge",
        762,
        "Common practice (event and banquet planning), 30 to 36 in",
        "medium",
        FromMemory
    );

    /// <summary>Under less clear height nobody is expected to walk.</summary>
    public static readonly SourcedValue Headroom = new(
        "headroom",
        "Clear height over a walkway",
        2000,
        "Approved Document K (England) 2013, 1.11: headroom of at least 2 m on the access between levels; used here for every walkway",
        "medium",
        FromMemory
    );

    /// <summary>What is no higher than this lies flat: it is walked over and stood on, like a rug or a mat.</summary>
    public static readonly SourcedValue LiesFlat = new(
        "lies-flat",
        "Height of what lies flat on the floor, at most",
        15,
        "Common practice (rugs and mats; a bevelled edge of 1/2 in is no step by the 2010 ADA Standards, 303.3)",
        "medium",
        FromMemory
    );

    /// <summary>The highest step that is taken without a stair.</summary>
    public static readonly SourcedValue HighestStep = new(
        "highest-step",
        "Highest single step",
        220,
        "Approved Document K (England) 2013, table 1.1: rise of a private stair 150 to 220 mm",
        "medium",
        FromMemory
    );

    /// <summary>A change of level up to here is no step for a wheelchair: 1/2 in.</summary>
    public static readonly SourcedValue LevelChange = new(
        "level-change",
        "Change of level on a step-free way",
        12.7,
        "2010 ADA Standards for Accessible Design, 303.3 (1/2 in, bevelled above 1/4 in)",
        "high",
        FromMemory
    );

    /// <summary>Run for each unit of rise of a ramp: 1 : 12.</summary>
    public static readonly SourcedValue RampRun = new(
        "ramp-run",
        "Run of a ramp for its rise, at least",
        12,
        "2010 ADA Standards for Accessible Design, 405.2 (1:12)",
        "high",
        FromMemory
    );

    /// <summary>As far as the lead of a lamp or a laptop reaches.</summary>
    public static readonly SourcedValue PowerReach = new(
        "power-reach",
        "Reach of a lead from a socket",
        1500,
        "Common practice (leads of lamps and laptops are about 1.5 to 2 m long)",
        "medium",
        FromMemory
    );

    public static IReadOnlyList<SourcedValue> All =>
        [MainAisle, SeatAccess, OccupiedChair, PulledOutChair, Headroom, LiesFlat, HighestStep, LevelChange, RampRun, PowerReach];
}
