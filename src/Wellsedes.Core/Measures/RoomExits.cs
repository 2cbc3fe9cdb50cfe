using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Measures;

/// <summary>
/// The ways out of a room together: how many, how wide, how far apart. The diagonal is the longest straight line between two of its corners, which may run outside (International Building Code
/// 2021, 1007.1.1, from memory); apart are the two doorways farthest from each other, from middle to middle.
/// </summary>
public static class RoomExits
{
    public static Measured Measure(CountedRoom counted)
    {
        var room = counted.Room;
        OpeningPlace[] ways = [.. counted.WaysOut()];
        var (a, b) = Farthest([.. ways.Select(way => way.Frame.Origin)]);
        var (from, to) = Farthest(room.Outline.Outline);
        return Measured.Of(
            RuleMeasures.RoomExits,
            room.Room.Id,
            room.Room.Name,
            counted.Space.LevelId,
            ways.Length > 1 ? [a, b] : [room.Room.Inside],
            ("use", room.Room.Use),
            ("people", counted.People),
            ("seats", (double)counted.Seats),
            ("net_m2", room.NetInternal),
            ("ways_out", (double)ways.Length),
            ("clear_mm", ways.Select(way => (object?)way.Opening.ClearWidth).ToArray()),
            ("apart_mm", a.DistanceTo(b)),
            ("diagonal_mm", from.DistanceTo(to)),
            ("sprinklered", counted.Sprinklered)
        );
    }

    private static (Point A, Point B) Farthest(ImmutableArray<Point> points)
    {
        var best = (A: default(Point), B: default(Point));
        foreach (var a in points)
        foreach (var b in points)
            if (a.DistanceTo(b) > best.A.DistanceTo(best.B))
                best = (a, b);
        return best;
    }
}
