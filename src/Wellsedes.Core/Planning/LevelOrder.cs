using System.Collections.Immutable;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Planning;

/// <summary>Which levels people reach first: those with an entrance, then whatever flights lead to from there.</summary>
internal static class LevelOrder
{
    /// <summary>Levels with the flights they are entered by, nearest to an entrance first.</summary>
    public static ImmutableArray<(Level Level, ImmutableArray<Flight> EnteredBy)> Of(Plan plan)
    {
        var levels = plan.Levels.ToArray();
        var flights = plan.All<Flight>().Where(flight => flight.ToLevelId.Length > 0).ToArray();
        var walls = plan.All<Wall>().ToDictionary(wall => wall.Id, wall => wall.LevelId);
        var entered = plan.All<Opening>().Where(o => o.IsEntrance && walls.ContainsKey(o.WallId)).Select(o => walls[o.WallId]).ToHashSet();
        // A terrace or marquee on the ground is entered over its open edges.
        var outlined = plan.All<Boundary>().Select(boundary => boundary.LevelId).ToHashSet();
        entered.UnionWith(levels.Where(level => outlined.Contains(level.Id) && LevelSpace.IsGround(level)).Select(level => level.Id));
        var distance = levels.Where(level => entered.Contains(level.Id)).ToDictionary(level => level.Id, _ => 0);
        for (var round = 1; round <= levels.Length; round++)
            foreach (var flight in flights)
            foreach (var (from, to) in ((string, string)[])[(flight.LevelId, flight.ToLevelId), (flight.ToLevelId, flight.LevelId)])
                if (distance.TryGetValue(from, out var d) && d == round - 1)
                    distance.TryAdd(to, round);
        int Far(string levelId) => distance.GetValueOrDefault(levelId, int.MaxValue);
        return
        [
            .. levels
                .OrderBy(level => Far(level.Id))
                .Select(level =>
                    (
                        level,
                        flights
                            .Where(f =>
                                (f.LevelId == level.Id && Far(f.ToLevelId) < Far(level.Id))
                                || (f.ToLevelId == level.Id && Far(f.LevelId) < Far(level.Id))
                            )
                            .ToImmutableArray()
                    )
                ),
        ];
    }
}
