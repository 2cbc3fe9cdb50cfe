using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.SolidModel;
using Wellsedes.Core.Walkways;

namespace Wellsedes.Core.Planning;

/// <summary>The ways of a scheme that are worth seeing: of each thing its narrowest, those first that hold least.</summary>
internal static class ShownWays
{
    /// <summary>More ways than this on a level are only a tangle.</summary>
    private const int Most = 24;

    public static ImmutableArray<ShownWay> Of(PlanState state) =>
        [
            .. state.Levels.SelectMany(level =>
                WaysIn
                    .ToTell(level)
                    .Where(way => way.Pinch is not null && way.Width > 0)
                    .GroupBy(way => way.Target.OwnerId)
                    .Select(ways => Way.NarrowestOf(ways)!)
                    .OrderBy(way => way.Width / way.Target.Needed)
                    .ThenBy(way => way.Target.OwnerId, StringComparer.Ordinal)
                    .Take(Most)
                    .Select(way => new ShownWay($"Way to {way.Target.Name}", level.Space.LevelId, way.Holds, Route.Of(level.Walkways, way)))
            ),
        ];
}
