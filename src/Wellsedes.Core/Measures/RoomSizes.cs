using Wellsedes.Core.Rulebooks;

namespace Wellsedes.Core.Measures;

/// <summary>A room by its size: its least width is that of the narrowest strip it fits into, as a rectangle's shorter side is.</summary>
public static class RoomSizes
{
    public static Measured Measure(CountedRoom counted)
    {
        var room = counted.Room;
        var shape = counted.Shape;
        return Measured.Of(
            RuleMeasures.RoomSize,
            room.Room.Id,
            room.Room.Name,
            counted.Space.LevelId,
            [room.Room.Inside],
            ("use", room.Room.Use),
            ("net_m2", room.NetInternal),
            ("least_width_mm", shape.Width),
            ("length_mm", shape.Length),
            ("height_m", room.Room.Height / 1000),
            ("clear_height_mm", room.Room.Height),
            ("seats", (double)counted.Seats),
            ("workstations", (double)counted.Workstations)
        );
    }
}
