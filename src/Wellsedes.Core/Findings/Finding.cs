using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Findings;

public enum FindingWeight
{
    Must,
    Advise,

    /// <summary>Something is missing without which it cannot be told.</summary>
    Unjudged,
}

public enum FindingKind
{
    Walkway,
    Overlap,
    Brief,

    /// <summary>Reached on foot but not without a step.</summary>
    Access,

    /// <summary>A rule of a chosen book.</summary>
    Rule,
}

/// <summary>One result that needs attention.</summary>
/// <param name="Id">The same for the same cause, so that a list can keep its place while somebody drags.</param>
/// <param name="Measured">In mm for walkways and overlaps, a count for the brief.</param>
/// <param name="Between">The two things that form a pinch or an overlap, as they are called.</param>
/// <param name="At">The two ends of what was measured, in mm on the level; empty for the brief.</param>
/// <param name="LevelId">The level it is on; "" for the brief.</param>
/// <param name="MeasuredText">Measured in words and the plan's units, as it is said everywhere; "" where nothing is measured.</param>
/// <param name="Accepted">That somebody has accepted it as it is; null where nobody has.</param>
/// <param name="RuleId">The rule of a book it comes from; "" for all else.</param>
/// <param name="Against">The ends of the line that the measured one is held against, as the diagonal of a room; empty for most.</param>
/// <param name="Serves">How many seats the way leads to; 0 where that does not apply.</param>
public sealed record Finding(
    string Id,
    FindingWeight Weight,
    FindingKind Kind,
    string Title,
    string Why,
    double Measured,
    double Needed,
    string Source,
    ImmutableArray<string> Between,
    ImmutableArray<string> EntityIds,
    ImmutableArray<Point> At,
    int Serves,
    ImmutableArray<string> TargetIds,
    string LevelId = "",
    string MeasuredText = "",
    string NeededText = "",
    string RuleId = "",
    Acceptance? Accepted = null
)
{
    public ImmutableArray<Point> Against { get; init; } = [];

    /// <summary>The name of the room it is in; "" for what is in none, or of the whole.</summary>
    public string Room { get; init; } = "";

    /// <summary>Whether something is to be mended.</summary>
    public bool IsOpen => Weight == FindingWeight.Must && Accepted is null;
}
