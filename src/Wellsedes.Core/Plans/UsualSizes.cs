using System.Collections.Immutable;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Plans;

/// <summary>What a room and a storey measure until somebody types another figure, in mm; house values, common practice.</summary>
/// <param name="Ceiling">Clear height of a storey.</param>
/// <param name="Floor">Between one storey's ceiling and the next one's floor.</param>
public sealed record UsualSizes(UnitSystem Units, double RoomWidth, double RoomDepth, double Ceiling, double Floor)
{
    /// <summary>In feet: 20 by 13 ft, a ceiling of 8 ft, a storey of 9 ft.</summary>
    public static ImmutableArray<UsualSizes> All { get; } =
    [new(UnitSystem.Metric, 6000, 4000, 2700, 300), new(UnitSystem.FeetInches, 20 * 304.8, 13 * 304.8, 8 * 304.8, 304.8)];

    public static UsualSizes Of(UnitSystem units) => All.First(sizes => sizes.Units == units);
}
