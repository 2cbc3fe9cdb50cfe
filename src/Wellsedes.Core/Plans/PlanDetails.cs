using Wellsedes.Core.Measure;

namespace Wellsedes.Core.Plans;

/// <summary>What the whole plan is called, the units it writes in, and where north is (degrees from +y, counter-clockwise).</summary>
/// <param name="Site">Where on earth it is; null where nobody has said.</param>
/// <param name="Sprinklered">Whether it is sprinklered throughout, which rules ask.</param>
public sealed record PlanDetails(string Id, string Title, UnitSystem Units, double North = 0, Site? Site = null, bool Sprinklered = false)
    : Entity(Id)
{
    /// <summary>There is exactly one, under this id.</summary>
    public const string TheId = "plan";
}
