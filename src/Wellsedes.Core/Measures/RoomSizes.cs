using Wellsedes.Core.Geometry;
using Wellsedes.Core.Rulebooks;

namespace Wellsedes.Core.Measures;

/// <summary>A room by its size: its least width is that of the narrowest strip it fits into, as a rectangle's shorter side is.</summary>
public static class RoomSizes
{
    public static Measured Measure(CountedRoom counted)
    {
        var room = counted.Room;
        var (width, length) = StripOf(room.Outline);
        return Measured.Of(
            RuleMeasures.RoomSize,
            room.Room.Id,
            room.Room.Name,
            counted.Space.LevelId,
            [room.Room.Inside],
            ("use", room.Room.Use),
            ("net_m2", room.NetInternal),
            ("least_width_mm", width),
            ("length_mm", length),
            ("height_m", room.Room.Height / 1000),
            ("seats", (double)counted.Seats),
            ("workstations", (double)counted.Workstations)
        );
    }

    /// <summary>Across and along the narrowest strip: it lies along a side of the hull.</summary>
    private static (double Width, double Length) StripOf(Region room)
    {
        var hull = Convex.HullOf(room.Outline);
        var corners = hull.Corners;
        var best = (Width: double.PositiveInfinity, Length: 0.0);
        for (var i = 0; i < corners.Length; i++)
        {
            var along = (corners[(i + 1) % corners.Length] - corners[i]).Unit();
            var (across, length) = (Reach(hull, along.Left()), Reach(hull, along));
            if (across < best.Width - Tolerance.Length)
                best = (across, length);
        }
        return best;
    }

    private static double Reach(Convex hull, Point way)
    {
        var (from, to) = Convex.Reach([hull], way);
        return to - from;
    }
}
