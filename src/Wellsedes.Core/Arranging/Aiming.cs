using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Arranging;

/// <summary>
/// Where a hand points while it draws. From is the last corner drawn, Before the one before that. Catch is how near
/// (mm) something must be to draw the point; 0 for no catching. A typed length or angle (degrees; to the side before,
/// or from east for the first) holds instead of the pointed one.
/// </summary>
public sealed record AimQuestion(
    string LevelId,
    Point At,
    double Catch,
    Point? From = null,
    Point? Before = null,
    Point? Start = null,
    double? Length = null,
    double? Angle = null
);

/// <summary>The place that was meant, what drew it there, and how long the side would be. Angle is between the side before and this one.</summary>
/// <param name="Guides">Lines to show, two points each.</param>
public sealed record Aim(Point At, string Caught, double Length, double? Angle, double Heading, ImmutableArray<Point> Guides);

/// <summary>Draws a pointed place to catches: corner, crossing, halfway, on a wall, square to, in line with, setting-out lines, the grid.</summary>
public static class Aiming
{
    /// <summary>How far off a direction may be, in degrees, to be drawn to it.</summary>
    private const double Turns = 4;

    private readonly record struct CatchLine(Point Through, Point Along, string Name)
    {
        public EndlessLine Line => new(Through, Along);
    }

    public static Aim At(AimQuestion question, LevelSpace space)
    {
        if (question.From is { } from && (question.Length is not null || question.Angle is not null))
            return Typed(question, from, space);
        if (question.Catch <= 0)
            return Answer(question, question.At, "", []);
        if (OnPoint(question, space) is { } point)
            return Answer(question, point.At, point.Name, []);
        var headings = question.From is null ? [] : Headings(question, space);
        var lines = Lines(question, space);
        // Square to something and on a line or in line with a corner: where the two cross.
        foreach (var heading in headings)
        {
            var square = question.From!.Value + heading.Along * (question.At - question.From.Value).Dot(heading.Along);
            if (
                square.DistanceTo(question.At)
                > Math.Max(question.Catch, question.At.DistanceTo(question.From.Value) * Math.Sin(Turns * Math.PI / 180))
            )
                continue;
            foreach (var line in lines)
                if (Cross(heading, line) is { } crossing && crossing.DistanceTo(square) <= question.Catch)
                    return Answer(
                        question,
                        crossing,
                        $"{heading.Name}, {line.Name}",
                        [question.From.Value, crossing, line.Through, crossing]
                    );
            return Answer(question, square, heading.Name, [question.From.Value, square]);
        }
        for (var i = 0; i < lines.Length; i++)
        {
            var on = Foot(lines[i], question.At);
            if (on.DistanceTo(question.At) > question.Catch)
                continue;
            for (var j = i + 1; j < lines.Length; j++)
                if (Cross(lines[i], lines[j]) is { } crossing && crossing.DistanceTo(question.At) <= question.Catch * 1.5)
                    return Answer(
                        question,
                        crossing,
                        lines[i].Name == lines[j].Name ? "crossing" : $"{lines[i].Name}, {lines[j].Name}",
                        [lines[i].Through, crossing, lines[j].Through, crossing]
                    );
            return Answer(question, on, lines[i].Name, [lines[i].Through, on]);
        }
        if (space.Level.Grid > 0)
        {
            var step = space.Level.Grid;
            var grid = new Point(Math.Round(question.At.X / step) * step, Math.Round(question.At.Y / step) * step);
            if (grid.DistanceTo(question.At) <= question.Catch)
                return Answer(question, grid, "grid", []);
        }
        return Answer(question, question.At, "", []);
    }

    private static Aim Typed(AimQuestion question, Point from, LevelSpace space)
    {
        var pointed = question with { Length = null, Angle = null };
        var free = At(pointed, space);
        var direction = (free.At - from).Unit();
        if (question.Angle is { } angle)
        {
            if (question.Before is { } before)
            {
                // The angle between two sides, on the side of the pointer.
                var back = (before - from).Unit();
                var side = back.Cross(question.At - from) >= 0 ? 1 : -1;
                var (sin, cos) = Angles.SinCos(angle * side);
                direction = new Point(back.X * cos - back.Y * sin, back.X * sin + back.Y * cos);
            }
            else
                direction = Point.At(angle);
        }
        if (direction.Length == 0)
            direction = new Point(1, 0);
        var length = question.Length ?? Math.Max(0, (question.At - from).Dot(direction));
        var caught = question.Angle is null && question.Length is not null ? HeadingOnly(free.Caught) : "";
        return Answer(question, from + direction * length, caught, []);
    }

    private static string HeadingOnly(string caught) => caught.StartsWith("square", StringComparison.Ordinal) ? caught.Split(',')[0] : "";

    private static Aim Answer(AimQuestion question, Point at, string caught, ImmutableArray<Point> guides)
    {
        at = new Point(Math.Round(at.X, 6), Math.Round(at.Y, 6));
        if (question.From is not { } from)
            return new Aim(at, caught, 0, null, 0, guides);
        var side = at - from;
        var heading = Units.AngleText.Normal(Angles.Of(side));
        double? angle = null;
        if (question.Before is { } before && side.Length > 0)
        {
            var back = before - from;
            angle = Math.Abs(Math.Atan2(back.Cross(side), back.Dot(side))) * 180 / Math.PI;
        }
        return new Aim(at, caught, side.Length, angle, heading, guides);
    }

    /// <summary>Corners before crossings before halfways; the nearest of the first kind that is near enough.</summary>
    private static (Point At, string Name)? OnPoint(AimQuestion question, LevelSpace space)
    {
        (Point At, string Name)? Nearest(IEnumerable<Point> points, string name)
        {
            (Point At, string Name)? best = null;
            var least = question.Catch;
            foreach (var p in points)
                if (p.DistanceTo(question.At) is var d && d <= least && (question.From is not { } from || p.DistanceTo(from) > 1))
                    (best, least) = ((p, name), d);
            return best;
        }
        if (question.Start is { } start && Nearest([start], "start of the chain") is { } closing)
            return closing;
        return Nearest(Corners(space), "corner") ?? Nearest(Crossings(question, space), "crossing") ?? Nearest(Halfway(space), "halfway");
    }

    private static IEnumerable<Point> Corners(LevelSpace space)
    {
        foreach (var body in space.Bodies.Values)
        {
            foreach (var end in new[] { body.Start, body.End })
            {
                yield return end.Left;
                yield return end.Right;
            }
            yield return body.Wall.Start;
            yield return body.Wall.End;
        }
        foreach (var boundary in space.Boundaries)
        {
            yield return boundary.Start;
            yield return boundary.End;
        }
        foreach (var room in space.Rooms)
        foreach (var corner in room.Outline.Outline)
            yield return corner;
    }

    private static IEnumerable<Point> Halfway(LevelSpace space)
    {
        foreach (var body in space.Bodies.Values.Where(body => body.Wall.Line.IsStraight))
        {
            yield return Point.Middle(body.Start.Left, body.End.Left);
            yield return Point.Middle(body.Start.Right, body.End.Right);
            yield return Point.Middle(body.Wall.Start, body.Wall.End);
        }
    }

    private static IEnumerable<Point> Crossings(AimQuestion question, LevelSpace space)
    {
        var lines = space.Fixtures.SettingOutLines.Select(line => new CatchLine(line.Through, line.Along, "")).ToArray();
        for (var i = 0; i < lines.Length; i++)
        {
            for (var j = i + 1; j < lines.Length; j++)
                if (Cross(lines[i], lines[j]) is { } p)
                    yield return p;
            foreach (var (from, to) in Faces(space))
                if (
                    Cross(lines[i], new CatchLine(from, (to - from).Unit(), "")) is { } p
                    && (p - from).Dot(to - from) is var t
                    && t >= 0
                    && t <= (to - from).Dot(to - from)
                )
                    yield return p;
        }
    }

    private static IEnumerable<(Point From, Point To)> Faces(LevelSpace space)
    {
        foreach (var body in space.Bodies.Values.Where(body => body.Wall.Line.IsStraight))
        {
            yield return (body.Start.Left, body.End.Left);
            yield return (body.Start.Right, body.End.Right);
            yield return (body.Wall.Start, body.Wall.End);
        }
    }

    /// <summary>Square to the side before, and to walls there are.</summary>
    private static CatchLine[] Headings(AimQuestion question, LevelSpace space)
    {
        var from = question.From!.Value;
        List<CatchLine> found = [];
        var pointed = (question.At - from).Unit();
        void See(Point along, string name)
        {
            foreach (var way in (ReadOnlySpan<Point>)[along, along.Left(), along * -1, along.Left() * -1])
                if (pointed.Dot(way) > Math.Cos(Turns * Math.PI / 180) && !found.Any(line => line.Along.Dot(way) > 0.999999))
                    found.Add(new CatchLine(from, way, name));
        }
        if (question.Before is { } before)
            See((from - before).Unit(), "square to the side before");
        See(new Point(1, 0), "square to the plan");
        foreach (
            var body in space.Bodies.Values.Where(body => body.Wall.Line.IsStraight).OrderBy(body => body.Wall.Id, StringComparer.Ordinal)
        )
            See(body.Wall.Line.Direction(0), "square to a wall");
        return [.. found];
    }

    /// <summary>Setting-out lines, wall faces, and lines through corners along the plan's own directions, nearest first.</summary>
    private static CatchLine[] Lines(AimQuestion question, LevelSpace space)
    {
        List<CatchLine> lines =
        [
            .. space.Fixtures.SettingOutLines.Select(line => new CatchLine(line.Through, line.Along, "on a setting-out line")),
        ];
        foreach (var (from, to) in Faces(space))
        {
            var along = (to - from).Unit();
            var run = (question.At - from).Dot(along);
            if (run >= 0 && run <= from.DistanceTo(to))
                lines.Add(new CatchLine(from, along, "on a wall"));
        }
        // The first corners and the start of the chain give lines to be in line with.
        var corners = space.Bodies.Values.SelectMany(body => new[] { body.Start.Left, body.Start.Right, body.End.Left, body.End.Right });
        foreach (var corner in question.Start is { } start ? corners.Append(start) : corners)
        {
            if (Math.Abs(corner.X - question.At.X) <= question.Catch)
                lines.Add(new CatchLine(corner, new Point(0, 1), "in line with a corner"));
            if (Math.Abs(corner.Y - question.At.Y) <= question.Catch)
                lines.Add(new CatchLine(corner, new Point(1, 0), "in line with a corner"));
        }
        return
        [
            .. lines
                .Where(line => Foot(line, question.At).DistanceTo(question.At) <= Math.Max(question.Catch, 2000))
                .OrderBy(line => line.Name == "in line with a corner" ? 1 : 0)
                .ThenBy(line => Foot(line, question.At).DistanceTo(question.At))
                .Take(24),
        ];
    }

    private static Point Foot(CatchLine line, Point p) => line.Through + line.Along * (p - line.Through).Dot(line.Along);

    private static Point? Cross(CatchLine a, CatchLine b) => a.Line.Crossing(b.Line, 0.05);
}
