using System.Collections.Immutable;
using Wellsedes.Core.Arranging;
using Wellsedes.Core.Capacity;
using Wellsedes.Core.Findings;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;
using Wellsedes.Core.Walkways;

namespace Wellsedes.Core.Planning;

/// <summary>Everything derived from one scheme of a plan, seen from one level. Tally and findings are of all levels.</summary>
public sealed record PlanState(
    Plan Plan,
    string SchemeId,
    LevelState Level,
    ImmutableArray<LevelState> Levels,
    Tally Tally,
    ImmutableArray<Finding> Findings
)
{
    public string LevelId => Level.Space.LevelId;
    public LevelSpace Space => Level.Space;
    public ImmutableArray<PlacedItem> Items => Level.Items;
    public WalkwayAnalysis Walkways => Level.Walkways;
    public ImmutableArray<Overlap> Overlaps => Level.Overlaps;
}
