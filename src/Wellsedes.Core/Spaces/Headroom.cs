using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Spaces;

/// <summary>How high a room is where its ceiling slopes or is low.</summary>
public static class Headroom
{
    /// <summary>The floor of a room with at least a clear height in mm over it, in m²; columns, stairs and voids are left in it.</summary>
    public static double AreaFrom(LevelSpace space, FoundRoom room, double height)
    {
        if (room.Room.Height < height - Tolerance.Length)
            return 0;
        Convex[] low =
        [
            .. space
                .Things.Where(thing => thing.ClearUnder() is not null)
                .Select(thing => thing.Lost(height))
                .OfType<Convex>()
                .Where(shape => shape.Bounds.Meets(room.Outline.Bounds)),
        ];
        return low.Length == 0 ? room.GrossInternal : Polygons.Difference(room.Outline, low).Sum(region => region.Area) / 1e6;
    }
}
