using Wellsedes.Core.Units;

namespace Wellsedes.Core.Plans;

/// <summary>How a part of a person counts where an area is counted for people and the rule leaves it open.</summary>
public enum LoadRounding
{
    Up,
    Nearest,
    Down,
}

/// <summary>What the whole plan is called, the units it writes in, and where north is (degrees from +y, counter-clockwise).</summary>
/// <param name="Site">Where on earth it is; null where nobody has said.</param>
/// <param name="Sprinklered">Whether it is sprinklered throughout, which rules ask.</param>
public sealed record PlanDetails(
    string Id,
    string Title,
    UnitSystem Units,
    double North = 0,
    Site? Site = null,
    bool Sprinklered = false,
    LoadRounding LoadRounding = LoadRounding.Up
) : Entity(Id)
{
    /// <summary>There is exactly one, under this id.</summary>
    public const string TheId = "plan";
}
