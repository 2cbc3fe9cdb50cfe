using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Spaces;

/// <summary>How long a wall's faces are: between the faces of the walls they meet.</summary>
public static class WallFaces
{
    /// <summary>Length in mm of the face on the left or right of a wall's direction.</summary>
    public static double Length(LevelWalls walls, WallBody body, bool left)
    {
        var (wall, line) = (body.Wall, body.Wall.Line);
        if (!line.IsStraight)
            return line.Offset((left ? 1 : -1) * wall.Thickness / 2).Length;
        var (start, end) = Of(walls, body, left);
        return start.DistanceTo(end);
    }

    /// <summary>The two ends of a straight wall's face on the left or right of its direction.</summary>
    public static (Point Start, Point End) Of(LevelWalls walls, WallBody body, bool left)
    {
        var line = body.Wall.Line;
        return (
            Corner(walls, body, body.Start, left, line.Direction(0)),
            Corner(walls, body, body.End, left, line.Direction(line.Length) * -1)
        );
    }

    /// <summary>Where a face ends. A wall that runs into the side of another is drawn to its middle, but its face ends at that side.</summary>
    private static Point Corner(LevelWalls walls, WallBody body, WallEnd end, bool left, Point into)
    {
        var corner = left ? end.Left : end.Right;
        if (end.TeeInto is null || !walls.Bodies.TryGetValue(end.TeeInto, out var through))
            return corner;
        var along = through.Wall.Line.Nearest(corner).Along;
        var sine = Math.Abs(through.Wall.Line.Direction(along).Cross(into));
        return corner + into * (through.Wall.Thickness / 2 / sine);
    }
}
