using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Walkways;

/// <summary>
/// How people come onto every level: from outside where it has an entrance, and by every flight that makes their way wider
/// than it is without. Levels are joined as places on one level are: the widest flight first (Prim's tree).
/// </summary>
internal static class BetweenLevels
{
    /// <param name="grounds">Every level's floor by its id.</param>
    /// <param name="flights">Those that may be gone by, from one level to another.</param>
    /// <param name="before">The ways on a level as they were, which lend what has not changed; null where there are none.</param>
    /// <returns>The same floors with their ways.</returns>
    public static Dictionary<string, WalkwayAnalysis> Joined(
        IReadOnlyDictionary<string, WalkwayGround> grounds,
        Func<string, WalkwayAnalysis?> before,
        IReadOnlyList<Flight> flights,
        Func<string, string> levelName
    )
    {
        var arrivals = grounds.Keys.ToDictionary(id => id, _ => new List<Arrival>());
        var widest = grounds.ToDictionary(one => one.Key, one => one.Value.Widest);
        while (Next() is var (to, arrival))
        {
            arrivals[to].Add(arrival);
            widest[to] = grounds[to].WidestWith(arrivals[to]);
        }
        return grounds.ToDictionary(
            one => one.Key,
            one => new WalkwayAnalysis(one.Value, [.. arrivals[one.Key]], widest[one.Key], before(one.Key))
        );

        (string, Arrival)? Next()
        {
            (string To, Arrival Arrival)? best = null;
            foreach (var flight in flights)
            foreach (var (from, to) in ((string, string)[])[(flight.LevelId, flight.ToLevelId), (flight.ToLevelId, flight.LevelId)])
            {
                if (LandingOn(from, flight) is not { } leaves || LandingOn(to, flight) is not { } comes)
                    continue;
                // Once come by, a flight brings no more; one with no room at its end brings nobody.
                if (arrivals[to].Exists(arrival => arrival.Flight == flight))
                    continue;
                var way = grounds[from].WayTo(leaves, widest[from]);
                var width = Math.Min(way.Width, flight.Width);
                // As wide as without it is no reason to go by it.
                if (width <= grounds[to].WayTo(comes, widest[to]).Width + Tolerance.Length || width <= best?.Arrival.Width)
                    continue;
                best = (to, new Arrival(flight, comes.AtHead, width, PinchOf(flight, from, way)));
            }
            return best;
        }

        Pinch? PinchOf(Flight flight, string from, Way way)
        {
            if (flight.Width < way.Width)
            {
                var body = new Obstacle(flight.Id, flight.Called(), "", flight.Floor());
                var (a, b) = (flight.Placement.Out(new(-flight.Width / 2, 0)), flight.Placement.Out(new(flight.Width / 2, 0)));
                return new Pinch(body, body, a, b, flight.Width);
            }
            return way.Pinch is { Level: "" } pinch ? pinch with { Level = levelName(from) } : way.Pinch;
        }

        Landing? LandingOn(string level, Flight flight) =>
            grounds.TryGetValue(level, out var ground)
                ? ground.Scene.Landings.FirstOrDefault(landing => landing.Flight.Id == flight.Id)
                : null;
    }
}
