using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Spaces;

/// <summary>Between which corners an opening is measured.</summary>
public static class OpeningCorners
{
    /// <summary>
    /// The two corners along a wall (mm from its start) that a tape would be locked into beside a place on it: the ends
    /// of the room's straight side there, or the face's own ends where no room lies on that side.
    /// </summary>
    public static (double From, double To) Between(LevelSpace space, Wall wall, double along, bool left)
    {
        var line = wall.Line;
        var body = space.Bodies[wall.Id];
        var (from, to) = (0.0, line.Length);
        if (!line.IsStraight)
            return (from, to);
        var direction = line.Direction(0);
        from = (left ? body.Start.Left : body.Start.Right) is var a ? (a - line.Start).Dot(direction) : 0;
        to = (left ? body.End.Left : body.End.Right) is var b ? (b - line.Start).Dot(direction) : line.Length;
        var offset = (left ? 1 : -1) * wall.Thickness / 2;
        var beside = line.At(along, offset + (left ? 1 : -1));
        if (space.RoomAt(beside) is not { } room)
            return (from, to);
        foreach (var ring in room.Outline.Holes.Insert(0, room.Outline.Outline))
            for (var i = 0; i < ring.Length; i++)
            {
                var (p, q) = (ring[i] - line.Start, ring[(i + 1) % ring.Length] - line.Start);
                if (Math.Abs(direction.Cross(p) - offset) > 0.1 || Math.Abs(direction.Cross(q) - offset) > 0.1)
                    continue;
                var (first, last) = (Math.Min(p.Dot(direction), q.Dot(direction)), Math.Max(p.Dot(direction), q.Dot(direction)));
                if (first <= along && along <= last)
                    return (first, last);
            }
        return (from, to);
    }
}
