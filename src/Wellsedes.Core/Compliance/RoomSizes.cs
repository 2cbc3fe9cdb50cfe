using Wellsedes.Core.Rulebooks;

namespace Wellsedes.Core.Compliance;

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
            ("from_2134_m2", shape.From.From2134),
            ("from_2300_m2", shape.From.From2300),
            ("seats", (double)counted.Seats),
            ("workstations", (double)counted.Workstations),
            ("m2_per_seat", Each(room.NetInternal, counted.Seats)),
            ("m2_per_workstation", Each(room.NetInternal, counted.Workstations))
        );
    }

    /// <summary>Null where there is nothing to share it.</summary>
    private static object? Each(double area, int count) => count > 0 ? area / count : null;
}
