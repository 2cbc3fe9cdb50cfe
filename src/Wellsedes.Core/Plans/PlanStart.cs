using Wellsedes.Core.Measure;
using Wellsedes.Core.Rulebooks;

namespace Wellsedes.Core.Plans;

/// <summary>What a new plan holds before anybody has done anything: one level, one scheme, the house rules.</summary>
public static class PlanStart
{
    public const string LevelId = "level-0";
    public const string SchemeId = "scheme-a";

    public static IEnumerable<Entity> Entities(string title, UnitSystem units) =>
        [
            new PlanDetails(PlanDetails.TheId, title, units),
            new Level(LevelId, "Ground floor", 0, 4200),
            new Scheme(SchemeId, "Scheme A"),
            new Brief("brief-a", SchemeId),
            new Checks(
                "checks-a",
                SchemeId,
                HouseRules.MainWalkway.Value,
                HouseRules.SeatWalkway.Value,
                ChairState.Occupied,
                HouseRules.OccupiedChair.Value,
                HouseRules.PulledOutChair.Value
            ),
            new SheetSettings(
                "sheet-a",
                SchemeId,
                units == UnitSystem.Metric ? "A3" : "ANSI B",
                true,
                "",
                "101",
                title,
                "Furniture layout",
                "",
                "",
                "Furniture layout plan",
                "Figures in millimetres; do not scale.\nKeep doors and ways out clear.",
                true,
                true,
                true,
                true,
                true,
                true,
                true
            ),
        ];
}
