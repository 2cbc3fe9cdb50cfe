using Wellsedes.Core.Rulebooks;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Plans;

/// <summary>What a new plan holds before anybody has done anything: one level, one scheme, the house rules.</summary>
public static class PlanStart
{
    public const string LevelId = "level-0";
    public const string SchemeId = "scheme-a";

    public static IEnumerable<Entity> Entities(string title, UnitSystem units) =>
        [
            new PlanDetails(PlanDetails.TheId, title, units),
            new Level(LevelId, "Ground floor", 0, units == UnitSystem.Metric ? 4200 : UsualSizes.Of(units).Ceiling),
            .. Scheme(new Scheme(SchemeId, "Scheme A"), "a"),
            Sheet("sheet-a", SchemeId, LevelId, "101", title, units),
        ];

    /// <summary>A scheme with what every scheme has, but for its sheets.</summary>
    /// <param name="suffix">Ends the ids of what comes with it.</param>
    public static IEnumerable<Entity> Scheme(Scheme scheme, string suffix) =>
        [
            scheme,
            new Brief($"brief-{suffix}", scheme.Id),
            new Checks(
                $"checks-{suffix}",
                scheme.Id,
                HouseRules.MainAisle.Value,
                HouseRules.SeatAccess.Value,
                ChairState.Occupied,
                HouseRules.OccupiedChair.Value,
                HouseRules.PulledOutChair.Value
            ),
        ];

    public static SheetSettings Sheet(string id, string schemeId, string levelId, string number, string title, UnitSystem units) =>
        new(
            id,
            schemeId,
            levelId,
            units == UnitSystem.Metric ? "A3" : "ANSI B",
            true,
            new TitleBlockFields(
                SheetNumber: number,
                Title: title.Length <= WellFormed.LongestLine ? title : title[..WellFormed.LongestLine],
                SupplementaryTitle: "Furniture layout",
                DocumentType: "Furniture layout plan"
            ),
            new SheetShows(),
            "Keep doors and escape routes clear."
        );
}
