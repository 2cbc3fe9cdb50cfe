using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Capacity;

/// <summary>Which zone lies in which.</summary>
public static class Nesting
{
    /// <summary>The smallest other zone that a zone lies in with all its corners; null for none. Of two alike that of the lesser id holds the other.</summary>
    public static Thing? Of(Thing zone, IEnumerable<Thing> zones)
    {
        var size = Size(zone);
        return zones
            .Where(other => other.Id != zone.Id && other.LevelId == zone.LevelId)
            .Select(other => (Zone: other, Size: Size(other)))
            .Where(other =>
                other.Size > size + 1 || (Math.Abs(other.Size - size) <= 1 && string.CompareOrdinal(other.Zone.Id, zone.Id) < 0)
            )
            .Where(other => zone.Areas().All(area => area.Outline.All(corner => Holds(other.Zone, corner))))
            .OrderBy(other => other.Size)
            .ThenBy(other => other.Zone.Id, StringComparer.Ordinal)
            .Select(other => other.Zone)
            .FirstOrDefault();
    }

    private static double Size(Thing zone) => zone.Areas().Sum(area => area.Area);

    /// <summary>Corners that lie on the outline of the other, or a hair off it, are in it.</summary>
    private static bool Holds(Thing zone, Geometry.Point corner) =>
        zone.Marks(corner) || zone.Areas().Any(area => Geometry.Polygons.DistanceToRing(area.Outline, corner) <= 1);
}
