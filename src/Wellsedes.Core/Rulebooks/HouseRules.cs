namespace Wellsedes.Core.Rulebooks;

/// <summary>A value with its unit, where it comes from and how sure that is.</summary>
/// <param name="Value">In mm.</param>
/// <param name="Note">What the user is shown: every value is from memory, to be checked against the adopted edition.</param>
public sealed record SourcedValue(string Key, string Name, double Value, string Source, string Confidence, string Note);

/// <summary>The values a new plan is held against until the planner sets others.</summary>
public static class HouseRules
{
    private const string FromMemory = "From memory; check against the adopted edition.";

    public static readonly SourcedValue MainWalkway = new(
        "main-walkway",
        "Main walkway, clear width",
        900,
        "House rule",
        "high",
        "Set by the house, to be changed by the planner."
    );

    public static readonly SourcedValue SeatWalkway = new(
        "seat-walkway",
        "Way to a seat, between chair backs",
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

    public static IReadOnlyList<SourcedValue> All => [MainWalkway, SeatWalkway, OccupiedChair, PulledOutChair];
}
