using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Spaces;

/// <summary>One end of a wall as it is cut by what it meets: its two corners (left and right of the wall's direction) and its tip on the centre line.</summary>
/// <param name="Joined">Whether it meets anything; a free end is cut square.</param>
/// <param name="TeeInto">The wall whose side it runs into; null for corners and free ends.</param>
public readonly record struct WallEnd(Point Left, Point Right, Point Tip, bool Joined, string? TeeInto);

/// <summary>A wall with its ends cut: corners mitred, tees brought to the middle of the wall they meet.</summary>
public sealed class WallBody(Wall wall, WallEnd start, WallEnd end)
{
    private FaceTracer.Shape[]? shapes;

    public Wall Wall => wall;
    public WallEnd Start => start;
    public WallEnd End => end;

    /// <summary>The whole body as the tracer takes it; made once, so that what the tracer keeps with it holds.</summary>
    internal FaceTracer.Shape[] Shapes => shapes ??= [.. Whole().Select(piece => new FaceTracer.Shape(piece))];

    public bool SameAs(WallBody other) => ReferenceEquals(wall, other.Wall) && start == other.Start && end == other.End;

    private double Half => Wall.Thickness / 2;

    /// <summary>The whole body as convex pieces: one for a straight wall.</summary>
    public ImmutableArray<Convex> Whole() => [.. Between(double.NegativeInfinity, double.PositiveInfinity)];

    /// <summary>How far chords may lie off the faces of a curved wall, in mm, where it is drawn and measured.</summary>
    private const double FineSag = 0.2;

    /// <summary>The same where it is asked what stands in the way.</summary>
    private const double CoveringSag = 0.5;

    /// <summary>The body between two distances along; an infinite one takes in that end as it is cut.</summary>
    /// <param name="covering">Whether the pieces cover the whole of a curved wall: then nothing beside it comes out too wide.</param>
    public IEnumerable<Convex> Between(double from, double to, bool covering = false)
    {
        var line = Wall.Line;
        var length = line.Length;
        var steps = line.Steps(Math.Max(0, from), Math.Min(length, to), Half, covering ? CoveringSag : FineSag);
        var bulge = covering && !line.IsStraight ? Math.Sign(line.Bow) : 0;
        for (var i = 0; i + 1 < steps.Length; i++)
        {
            var (first, last) = (i == 0 && from < 0, i + 2 == steps.Length && to > length);
            List<Point> ring =
            [
                first ? Start.Right : line.At(steps[i], -Half),
                last ? End.Right : line.At(steps[i + 1], -Half),
                last ? End.Left : line.At(steps[i + 1], Half),
                first ? Start.Left : line.At(steps[i], Half),
            ];
            if (last && End.Joined)
                ring.Insert(2, End.Tip);
            if (first && Start.Joined)
                ring.Add(Start.Tip);
            if (bulge != 0)
                Cover(ring, steps[i], steps[i + 1], first, last, bulge);
            yield return Convex.HullOf(ring);
        }
    }

    /// <summary>
    /// On the bulging side the tangents of the two ends meet outside the arc; on the hollow side the chord covers it, but for the
    /// end that is cut shorter along its tangent, which then is covered up to where the wall's line ends.
    /// </summary>
    private void Cover(List<Point> ring, double from, double to, bool first, bool last, int bulge)
    {
        var line = Wall.Line;
        var outside = (line.Radius + Half) / Math.Cos((to - from) / line.Radius / 2) - line.Radius;
        ring.Add(line.At((from + to) / 2, bulge * outside));
        if (first && Start.Joined)
            ring.Add(line.At(from, -bulge * Half));
        if (last && End.Joined)
            ring.Add(line.At(to, -bulge * Half));
    }
}

/// <summary>Joins walls: which ends meet, and how each is cut for it.</summary>
public static class WallJoints
{
    /// <summary>A mitre longer than this many half thicknesses is cut square instead.</summary>
    private const double LongestMitre = 6;

    /// <summary>Ends that come nearer than this, in mm, are one corner.</summary>
    private const double SamePlace = 0.1;

    /// <summary>Walls that meet at less than this angle (its sine) do not trim each other.</summary>
    private const double LeastSine = 0.17;

    private sealed record Meeting(Wall Wall, bool AtStart, Point At, Point Into)
    {
        public double Half => Wall.Thickness / 2;
    }

    public static ImmutableDictionary<string, WallBody> Of(ImmutableArray<Wall> walls, ImmutableDictionary<string, WallBody>? before = null)
    {
        before ??= ImmutableDictionary<string, WallBody>.Empty;
        var ends = new Dictionary<(string, bool), WallEnd>();
        List<Meeting> all = [];
        foreach (var wall in walls)
        {
            var line = wall.Line;
            foreach (var atStart in (ReadOnlySpan<bool>)[true, false])
            {
                var at = atStart ? wall.Start : wall.End;
                var into = atStart ? line.Direction(0) : line.Direction(line.Length) * -1;
                all.Add(new Meeting(wall, atStart, at, into));
            }
        }
        var corners = new SpatialIndex<Meeting>(all, meeting => Around(meeting.At, 0));
        var bodies = new SpatialIndex<Wall>(walls, BoundsOf);
        foreach (var end in all)
        {
            if (ends.ContainsKey((end.Wall.Id, end.AtStart)))
                continue;
            var here = corners.Meeting(Around(end.At, SamePlace)).Where(m => m.At.DistanceTo(end.At) <= SamePlace).ToArray();
            if (here.Length > 1)
                Corner(here, ends);
            else
                ends[(end.Wall.Id, end.AtStart)] = Tee(end, bodies) ?? Square(end, false);
        }
        return walls.ToImmutableDictionary(
            wall => wall.Id,
            wall =>
            {
                // One that came out the same again is the same object, so what was made from it holds.
                var body = new WallBody(wall, ends[(wall.Id, true)], ends[(wall.Id, false)]);
                return before.TryGetValue(wall.Id, out var last) && last.SameAs(body) ? last : body;
            }
        );
    }

    internal static Bounds BoundsOf(Wall wall)
    {
        var line = wall.Line;
        return Bounds.Around(line.Steps(0, line.Length, 0, 10).Select(s => line.At(s))).Grown(wall.Thickness / 2 + 10);
    }

    private static Bounds Around(Point p, double by) => new(p.X - by, p.Y - by, p.X + by, p.Y + by);

    /// <summary>Left and right of an end looking into its wall, turned to left and right of the wall's own direction.</summary>
    private static WallEnd Ended(Meeting end, Point left, Point right, Point tip, bool joined, string? into = null) =>
        end.AtStart ? new WallEnd(left, right, tip, joined, into) : new WallEnd(right, left, tip, joined, into);

    private static WallEnd Square(Meeting end, bool joined)
    {
        var side = end.Into.Left() * end.Half;
        return Ended(end, end.At + side, end.At - side, end.At, joined);
    }

    /// <summary>Ends that share a place: each gap between neighbours, counter-clockwise, is mitred.</summary>
    private static void Corner(Meeting[] here, Dictionary<(string, bool), WallEnd> ends)
    {
        var sorted = here.OrderBy(m => Math.Atan2(m.Into.Y, m.Into.X)).ThenBy(m => m.Wall.Id, StringComparer.Ordinal).ToArray();
        var left = new Point[sorted.Length];
        var right = new Point[sorted.Length];
        for (var i = 0; i < sorted.Length; i++)
        {
            var j = (i + 1) % sorted.Length;
            (left[i], right[j]) = Mitre(sorted[i], sorted[j]);
        }
        for (var i = 0; i < sorted.Length; i++)
            ends[(sorted[i].Wall.Id, sorted[i].AtStart)] = Ended(sorted[i], left[i], right[i], sorted[i].At, true);
    }

    /// <summary>Where the left side of one end and the right side of the next, counter-clockwise, meet.</summary>
    private static (Point OfFirst, Point OfNext) Mitre(Meeting first, Meeting next)
    {
        var a = first.At + first.Into.Left() * first.Half;
        var b = next.At - next.Into.Left() * next.Half;
        var cross = first.Into.Cross(next.Into);
        if (Math.Abs(cross) < 1e-3)
            return (a, b);
        var run = (b - a).Cross(next.Into) / cross;
        var meet = a + first.Into * run;
        var reach = meet.DistanceTo(first.At);
        if (
            reach > LongestMitre * Math.Max(first.Half, next.Half)
            || run > first.Wall.Length
            || (meet - b).Dot(next.Into) > next.Wall.Length
        )
            return (a, b);
        return (meet, meet);
    }

    /// <summary>An end inside another wall's thickness is brought to the middle of that wall.</summary>
    private static WallEnd? Tee(Meeting end, SpatialIndex<Wall> bodies)
    {
        foreach (var through in bodies.Meeting(Around(end.At, 1)))
        {
            if (through.Id == end.Wall.Id)
                continue;
            var line = through.Line;
            var (along, across) = line.Nearest(end.At);
            if (Math.Abs(across) > through.Thickness / 2 + Tolerance.Length || line.At(along, across).DistanceTo(end.At) > SamePlace)
                continue;
            var direction = line.Direction(along);
            var on = line.At(along);
            if (Math.Abs(direction.Cross(end.Into)) < LeastSine)
                continue;
            Point Cut(Point from) => new EndlessLine(from, end.Into).Crossing(new EndlessLine(on, direction), 0)!.Value;
            var side = end.Into.Left() * end.Half;
            return Ended(end, Cut(end.At + side), Cut(end.At - side), Cut(end.At), true, through.Id);
        }
        return null;
    }
}
