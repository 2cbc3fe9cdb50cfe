using System.Collections.Immutable;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Walkways;

/// <summary>
/// A line to draw for a way: through the narrow places it passes, climbing in between to where most room is, then
/// shortened where it keeps its clearance. It is for the eye; the width comes from the gap graph.
/// </summary>
public static class Route
{
    private const double Step = 60;

    public static ImmutableArray<Point> Of(WalkwayAnalysis analysis, Way way)
    {
        var target = way.Access.At;
        var room = way.Access.On is null ? 0 : Math.Min(way.Width / 2, 400);
        var end = target + way.Access.Outward * room;
        var face = analysis.FaceOf(end);
        if (face < 0 || !analysis.Widest.Reached(face))
            return [];
        var obstacles = analysis.Scene.Obstacles;
        List<Point> points = [end];
        foreach (var narrow in analysis.Widest.Passed(face))
        {
            var gate = Point.Middle(narrow.OnA, narrow.OnB);
            var across = (narrow.OnB - narrow.OnA).Unit().Left();
            // The side of the gate that faces where we come from.
            var back = (points[^1] - gate).Dot(across) >= 0 ? across : across * -1;
            var here = Climb(points[^1], (gate - points[^1]).Unit(), obstacles);
            var there = Climb(gate, back, obstacles);
            points.AddRange(here.Skip(1));
            points.AddRange(there.Reverse());
        }
        return [.. Shorten(points, obstacles, way.Width / 2 * 0.98)];
    }

    /// <summary>Up the clearance from a point, in small steps, until it grows no more.</summary>
    private static Point[] Climb(Point from, Point direction, ImmutableArray<Obstacle> obstacles)
    {
        List<Point> path = [from];
        var clearance = Clearance(from, obstacles);
        for (var i = 0; i < 400; i++)
        {
            Point? best = null;
            var most = clearance + 1e-6;
            for (var turn = -75; turn <= 75; turn += 15)
            {
                var (sin, cos) = Angles.SinCos(turn);
                var heading = new Point(direction.X * cos - direction.Y * sin, direction.X * sin + direction.Y * cos);
                var next = path[^1] + heading * Step;
                var room = Clearance(next, obstacles);
                if (room > most)
                    (best, most) = (next, room);
            }
            if (best is not { } taken || most > 3000)
                break;
            direction = (taken - path[^1]).Unit();
            path.Add(taken);
            clearance = most;
        }
        return [.. path];
    }

    private static double Clearance(Point p, ImmutableArray<Obstacle> obstacles)
    {
        var least = double.PositiveInfinity;
        foreach (var obstacle in obstacles)
            least = Math.Min(least, obstacle.Shape.DistanceTo(p));
        return least;
    }

    private static List<Point> Shorten(List<Point> points, ImmutableArray<Obstacle> obstacles, double radius)
    {
        List<Point> kept = [points[0]];
        var at = 0;
        while (at < points.Count - 1)
        {
            var next = at + 1;
            for (var far = points.Count - 1; far > at + 1; far--)
                if (Clear(points[at], points[far], obstacles, radius))
                {
                    next = far;
                    break;
                }
            kept.Add(points[next]);
            at = next;
        }
        return kept;
    }

    private static bool Clear(Point a, Point b, ImmutableArray<Obstacle> obstacles, double radius)
    {
        var line = Convex.Capsule(a, b, 0);
        var box = line.Bounds.Grown(radius);
        foreach (var obstacle in obstacles)
            if (obstacle.Shape.Bounds.Meets(box) && Gap.Between(line, obstacle.Shape).Width < radius)
                return false;
        return true;
    }
}
