using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Capacity;

/// <summary>Where there is power: within the reach of a lead from a socket.</summary>
public static class Power
{
    /// <summary>Whether an item stands within the reach of a socket of a level.</summary>
    public static Func<PlacedItem, bool> Reach(params LevelSpace[] levels)
    {
        var sockets = levels
            .SelectMany(space =>
                space
                    .Things.Where(thing => thing.GivesPower())
                    .Select(thing => (space.LevelId, At: thing.Placement.Origin, Far: space.Rules.PowerReach.Value))
            )
            .ToLookup(socket => socket.LevelId);
        return item =>
            sockets[item.Item.LevelId]
                .Any(socket =>
                    item.Bounds.DistanceTo(socket.At) <= socket.Far + Tolerance.Length
                    && item.Solids.Any(solid => solid.DistanceTo(socket.At) <= socket.Far + Tolerance.Length)
                );
    }
}
