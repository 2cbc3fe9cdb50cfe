using System.Collections.Immutable;
using Wellsedes.Core.Arranging;
using Wellsedes.Core.Capacity;
using Wellsedes.Core.Findings;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;
using Wellsedes.Core.Walkways;

namespace Wellsedes.Core.Planning;

/// <summary>Everything derived from one scheme of a plan on one level.</summary>
public sealed record PlanState(
    Plan Plan,
    string SchemeId,
    string LevelId,
    LevelSpace Space,
    ImmutableArray<PlacedItem> Items,
    WalkwayAnalysis Walkways,
    ImmutableArray<Overlap> Overlaps,
    Tally Tally,
    ImmutableArray<Finding> Findings
);
