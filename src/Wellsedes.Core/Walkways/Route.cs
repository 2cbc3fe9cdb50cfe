using System.Collections.Immutable;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Walkways;

/// <summary>
/// A line to draw for a way: through the narrow places it passes, climbing from each to where most room is (between two
/// narrow places there is one such place), then shortened where it keeps its clearance. It is for the eye; the width
/// comes from the gap graph.
/// </summary>
public static class Route
{
    /// <summary>Nobody is led farther from everything than this, in mm, outside the building.</summary>
    private const double FarEnough = 3000;

    private const double ShortestStep = 4;

    /// <summary>Headings that are tried, in degrees from the last one, the straightest first.</summary>
    private static readonly double[] Turns = [0, 25, -25, 50, -50, 75, -75];

    /// <summary>Where none of these leads up, as beside a thing that one stands against.</summary>
    private static readonly double[] BackTurns = [90, -90, 105, -105, 130, -130, 155, -155, 180];

    /// <exception cref="OperationCanceledException">Nobody waits for it any more.</exception>
    public static ImmutableArray<Point> Of(WalkwayAnalysis analysis, Way way, CancellationToken cancel = default)
    {
        var room = way.Access.On is null ? 0 : Math.Min(way.Width / 2, 400);
        var end = way.Access.At + way.Access.Outward * room;
        var face = analysis.Graph.FaceAt(end);
        if (!analysis.Widest.Reached(face))
            return [];
        List<Point> points = [end];
        var radius = way.Width / 2 * 0.98;
        var heading = way.Access.On is null ? new Point(1, 0) : way.Access.Outward;
        foreach (var (_, _, narrow, toLeft) in analysis.Widest.Passed(face))
        {
            cancel.ThrowIfCancellationRequested();
            var gate = Point.Middle(narrow.OnA, narrow.OnB);
            var left = (narrow.OnB - narrow.OnA).Unit().Left();
            var last = heading;
            var towards = toLeft ? left : left * -1;
            heading = towards * -1;
            if (analysis.IsClear(points[^1], gate, radius))
            {
                points.Add(gate);
                continue;
            }
            points.AddRange(Climb(analysis, points[^1], last, double.PositiveInfinity).Skip(1));
            points.AddRange(Enumerable.Reverse(Climb(analysis, gate, towards, double.PositiveInfinity)));
        }
        points.AddRange(Climb(analysis, points[^1], heading, FarEnough).Skip(1));
        return [.. Shorten(analysis, points, radius)];
    }

    /// <summary>Up the clearance from a point, until it grows no more or is enough.</summary>
    private static List<Point> Climb(WalkwayAnalysis analysis, Point from, Point heading, double enough)
    {
        List<Point> path = [from];
        var clearance = analysis.ClearanceAt(from);
        var step = Math.Max(20, clearance / 4);
        for (var i = 0; i < 600 && clearance < enough; i++)
        {
            if ((Best(Turns) ?? (path.Count == 1 && step <= ShortestStep ? Best(BackTurns) : null)) is { } best)
            {
                path.Add(best.At);
                (heading, clearance) = (best.Heading, best.Clearance);
                step = Math.Clamp(step * 1.5, ShortestStep, Math.Max(20, clearance / 3));
            }
            else if (step > ShortestStep)
                step /= 2;
            else
                break;
        }
        return path;

        (Point At, Point Heading, double Clearance)? Best(double[] turns)
        {
            (Point, Point, double)? best = null;
            // Between parallel sides it neither grows nor falls: straight on is as good.
            var most = clearance - 2e-4;
            foreach (var turn in turns)
            {
                var (sin, cos) = Angles.SinCos(turn);
                var way = new Point(heading.X * cos - heading.Y * sin, heading.X * sin + heading.Y * cos);
                var room = analysis.ClearanceAt(path[^1] + way * step, clearance + step + 1);
                if (room > most + 1e-4)
                    (best, most) = ((path[^1] + way * step, way, room), room);
            }
            return best;
        }
    }

    /// <summary>Pulled straight: from each point to the farthest one that it sees with room enough, found by doubling.</summary>
    private static List<Point> Shorten(WalkwayAnalysis analysis, List<Point> points, double radius)
    {
        List<Point> kept = [points[0]];
        var at = 0;
        while (at < points.Count - 1)
        {
            var (sees, reach) = (at + 1, 2);
            while (at + reach < points.Count && analysis.IsClear(points[at], points[at + reach], radius))
                (sees, reach) = (at + reach, reach * 2);
            for (var less = reach / 2; less > 0; less /= 2)
                if (sees + less < points.Count && analysis.IsClear(points[at], points[sees + less], radius))
                    sees += less;
            kept.Add(points[sees]);
            at = sees;
        }
        return kept;
    }
}
