using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Compliance;

/// <summary>
/// The egress of a room, its means of escape: the ways out together: how many, how wide, how far apart; doors to rooms within it, and what leads only back, are none. The diagonal is the longest straight line between two of its corners, which may run outside (International Building Code
/// 2021, 1007.1.1, from memory); apart are the two doorways farthest from each other, from middle to middle.
/// </summary>
public static class RoomExits
{
    public static Measured Measure(CountedRoom counted)
    {
        var room = counted.Room;
        var shape = counted.Shape;
        var ways = counted.Ways;
        var ((a, b), (from, to)) = (RoomShape.Farthest([.. ways.Select(way => way.Middle)]), shape.Diagonal);
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
            ("clear_mm", ways.Select(way => (object?)way.Clear).ToArray()),
            ("apart_mm", a.DistanceTo(b)),
            ("diagonal_mm", from.DistanceTo(to)),
            ("sprinklered", counted.Sprinklered)
        ) with
        {
            Lines = ImmutableDictionary<string, ImmutableArray<Point>>.Empty.Add("apart_mm", [a, b]).Add("diagonal_mm", [from, to]),
        };
    }
}
