using System.Collections.Immutable;
using Wellsedes.Core.Arranging;
using Wellsedes.Core.Capacity;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;
using Wellsedes.Core.Walkways;

namespace Wellsedes.Core.Planning;

/// <summary>What a room holds and how it is reached. Widths in mm, areas in m²; null where there is nothing to measure.</summary>
/// <param name="WayIn">The widest way from an entrance to the room; 0 when it is shut in.</param>
/// <param name="StepFree">Whether a way without a step leads there.</param>
/// <param name="Narrowest">The narrowest of the widest ways to the seats, tables and places in it.</param>
public sealed record RoomFigures(
    string RoomId,
    int Seats,
    int Workstations,
    double? AreaPerSeat,
    double WayIn,
    bool StepFree,
    double? Narrowest
);

/// <summary>Everything derived from one scheme on one level.</summary>
/// <param name="Ground">The floor with what stands on it, before it is known by which flights people come onto it.</param>
/// <param name="StepFreeGround">The same for ways without a step; null where the level has none.</param>
/// <param name="Drawn">The ways that somebody drew, as wide as they are free.</param>
/// <param name="StepFree">The ways without a step, Walkways itself where the plan has no step at all.</param>
public sealed record LevelState(
    LevelSpace Space,
    Checks Checks,
    ImmutableArray<PlacedItem> Items,
    ImmutableArray<Thing> Things,
    WalkwayGround Ground,
    WalkwayGround? StepFreeGround,
    WalkwayAnalysis Walkways,
    WalkwayAnalysis StepFree,
    KeptOverlaps Kept,
    ImmutableArray<RoomFigures> Rooms,
    ImmutableArray<AreaFigures> Areas,
    ImmutableArray<Way> Drawn,
    LevelFindings Findings
)
{
    public ImmutableArray<Overlap> Overlaps => Kept.All;

    /// <summary>The ways that are to stay free.</summary>
    public IEnumerable<KeptWay> KeptWays => KeptWay.Of(Things);
}
