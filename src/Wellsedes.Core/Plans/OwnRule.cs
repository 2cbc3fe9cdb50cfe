using Wellsedes.Core.Rulebooks;

namespace Wellsedes.Core.Plans;

/// <summary>
/// A rule as this plan is held against it, in place of the house rule of the same key: a copy of what the project's library
/// said at LibraryRevision (0 when it was never there). Value in mm, but for a ramp's run, which is a ratio.
/// </summary>
public sealed record OwnRule(string Id, SourcedValue Rule, long LibraryRevision = 0) : Entity(Id);

/// <summary>The rules that hold for a plan: its own where it carries them, else those of the house.</summary>
public sealed record PlanRules(
    SourcedValue MainAisle,
    SourcedValue SeatAccess,
    SourcedValue Headroom,
    SourcedValue LiesFlat,
    SourcedValue HighestStep,
    SourcedValue LevelChange,
    SourcedValue RampRun,
    SourcedValue PowerReach
)
{
    public static PlanRules Of(Plan plan)
    {
        var own = plan.All<OwnRule>().ToDictionary(rule => rule.Rule.Key, rule => rule.Rule);
        SourcedValue Held(SourcedValue house) => own.GetValueOrDefault(house.Key, house);
        return new PlanRules(
            Held(HouseRules.MainAisle),
            Held(HouseRules.SeatAccess),
            Held(HouseRules.Headroom),
            Held(HouseRules.LiesFlat),
            Held(HouseRules.HighestStep),
            Held(HouseRules.LevelChange),
            Held(HouseRules.RampRun),
            Held(HouseRules.PowerReach)
        );
    }
}
