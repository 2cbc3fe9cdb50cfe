using System.Collections.Immutable;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Spaces;

/// <summary>What walls and boundaries leave free: closed faces, and the outer outlines of what is built.</summary>
/// <param name="free">Every closed piece of floor, with the islands in it as holes.</param>
/// <param name="unite">Makes the united bodies, with the faces inside them as holes, when they are first asked for.</param>
public sealed class TracedFaces(ImmutableArray<Region> free, Func<ImmutableArray<Region>> unite)
{
    private readonly Lazy<ImmutableArray<Region>> solid = new(unite);

    public ImmutableArray<Region> Free => free;
    public ImmutableArray<Region> Solid => solid.Value;
}

/// <summary>
/// Traces the faces of an arrangement of convex bodies and lines. All corners are put on a grid of a thousandth of a
/// millimetre, sides are cut where they cross or touch, parts inside another body are dropped, and what is left is
/// walked round. Checked against NetTopologySuite's union.
/// </summary>
public static class FaceTracer
{
    private const double Grid = 1000;

    /// <summary>
    /// Nearer than this, in grid steps, a corner lies on a side. Where sides run together so closely that one figure
    /// leaves a face that does not close, the next is tried.
    /// </summary>
    private static readonly double[] Nearnesses = [5, 1, 25, 100, 0.4];

    private readonly record struct Node(long X, long Y)
    {
        public static Node Of(Point p) => new((long)Math.Round(p.X * Grid), (long)Math.Round(p.Y * Grid));

        public Point Place => new(X / Grid, Y / Grid);
    }

    /// <summary>A convex body to be traced, with what the tracer worked out of it beside its neighbours.</summary>
    internal sealed class Shape(Convex body)
    {
        public Convex Convex => body;
        internal object? Traced;
    }

    private sealed class Body(Node[] corners, bool line)
    {
        public CutSides? Kept;

        private const double Margin = 100;

        public readonly Node[] Corners = corners;

        /// <summary>A line without thickness: free on both sides.</summary>
        public readonly bool IsLine = line;
        public readonly Bounds Bounds = Bounds.Around(corners.Select(c => new Point(c.X, c.Y))).Grown(Margin);

        public int Sides => IsLine ? 1 : Corners.Length;

        /// <summary>How far inside the body a point is, in grid steps; negative outside.</summary>
        public double Inside(double x, double y)
        {
            if (IsLine)
                return double.NegativeInfinity;
            var least = double.PositiveInfinity;
            for (var i = 0; i < Corners.Length; i++)
            {
                var (a, b) = (Corners[i], Corners[i + 1 == Corners.Length ? 0 : i + 1]);
                double ex = b.X - a.X,
                    ey = b.Y - a.Y;
                var off = (ex * (y - a.Y) - ey * (x - a.X)) / Math.Sqrt(ex * ex + ey * ey);
                if (off < least)
                    least = off;
            }
            return least;
        }
    }

    public static TracedFaces Trace(IEnumerable<Convex> bodies, IEnumerable<(Point From, Point To)> lines, Work? work = null) =>
        Trace(bodies.Select(body => new Shape(body)), lines, work);

    internal static TracedFaces Trace(IEnumerable<Shape> bodies, IEnumerable<(Point From, Point To)> lines, Work? work = null)
    {
        var all = bodies.Select(Solid).OfType<Body>().ToList();
        foreach (var (from, to) in lines)
            if (Node.Of(from) != Node.Of(to))
                all.Add(new Body([Node.Of(from), Node.Of(to)], true));
        TracedFaces? best = null;
        var leastBroken = int.MaxValue;
        foreach (var nearness in Nearnesses)
        {
            var faces = Trace(all, nearness, work, out var broken);
            if (broken == 0)
                return faces;
            if (broken < leastBroken)
                (best, leastBroken) = (faces, broken);
        }
        return best!;
    }

    private static TracedFaces Trace(List<Body> bodies, double nearness, Work? work, out int broken)
    {
        var sides = Sides(bodies, nearness, work);
        List<(Node From, Node To)> free = [];
        List<(Node From, Node To)> solid = [];
        foreach (var side in sides.Walls)
        {
            if (sides.Walls.Contains((side.To, side.From)))
                continue;
            solid.Add(side);
            free.Add((side.To, side.From));
        }
        var walls = free.Count;
        foreach (var side in Pruned(sides.Lines, free))
        {
            free.Add(side);
            free.Add((side.To, side.From));
        }
        return new TracedFaces(Regions(Rings(free, walls, out broken)), () => Regions(Rings(solid, solid.Count, out _)));
    }

    /// <summary>The sides a body came to have beside its neighbours, kept while the neighbours are the same objects.</summary>
    private sealed record CutSides(double Nearness, Body[] Near, (Node From, Node To)[] Sides, long Steps);

    private static Body? Solid(Shape traced)
    {
        if (traced.Traced is Body known)
            return known;
        var shape = traced.Convex;
        List<Node> corners = [];
        foreach (var corner in shape.Radius > 0 ? shape.Outline(0.2) : shape.Corners)
        {
            var node = Node.Of(corner);
            if (corners.Count == 0 || (corners[^1] != node && corners[0] != node))
                corners.Add(node);
        }
        if (corners.Count < 3)
            return null;
        var body = new Body([.. corners], false);
        traced.Traced = body;
        return body;
    }

    /// <summary>Every part of every side that bounds something: cut at crossings and touches, parts inside a body dropped.</summary>
    private static (HashSet<(Node From, Node To)> Walls, HashSet<(Node From, Node To)> Lines) Sides(
        List<Body> bodies,
        double nearness,
        Work? work
    )
    {
        var index = new SpatialIndex<Body>(bodies, body => Millimetres(body.Bounds));
        HashSet<(Node, Node)> walls = [];
        HashSet<(Node, Node)> lines = [];
        List<(double At, Node Node)> stops = [];
        foreach (var body in bodies)
        {
            var near = index.Meeting(Millimetres(body.Bounds));
            near.Remove(body);
            if (body.IsLine)
            {
                foreach (var side in Cut(body, near, nearness, stops, work, out _))
                    if (!lines.Contains((side.To, side.From)))
                        lines.Add(side);
                continue;
            }
            // Lines take nothing away from a body, they only cut its sides; with any near it is cut anew.
            if (body.Kept is not { } kept || kept.Nearness != nearness || !Same(kept.Near, near))
            {
                var cut = Cut(body, near, nearness, stops, work, out var steps);
                body.Kept = kept = new CutSides(nearness, [.. near], [.. cut], steps);
            }
            else
                work?.Count(kept.Steps);
            foreach (var side in kept.Sides)
                walls.Add(side);
        }
        return (walls, lines);
    }

    private static bool Same(Body[] kept, List<Body> near)
    {
        if (kept.Length != near.Count)
            return false;
        for (var i = 0; i < kept.Length; i++)
            if (!ReferenceEquals(kept[i], near[i]))
                return false;
        return true;
    }

    /// <summary>The parts of a body's sides that bound something.</summary>
    private static List<(Node From, Node To)> Cut(
        Body body,
        List<Body> near,
        double nearness,
        List<(double At, Node Node)> stops,
        Work? work,
        out long steps
    )
    {
        steps = (long)body.Sides * near.Count * 4;
        work?.Count(steps);
        List<(Node, Node)> parts = [];
        for (var i = 0; i < body.Sides; i++)
        {
            var (a, b) = (body.Corners[i], body.Corners[i + 1 == body.Corners.Length ? 0 : i + 1]);
            stops.Clear();
            stops.Add((0, a));
            stops.Add((1, b));
            foreach (var other in near)
                Cut(a, b, other, nearness, stops);
            stops.Sort(static (p, q) => p.At.CompareTo(q.At));
            var asked = (long)stops.Count * near.Count;
            steps += asked;
            work?.Count(asked);
            for (var k = 0; k + 1 < stops.Count; k++)
            {
                var (from, to) = (stops[k].Node, stops[k + 1].Node);
                if (from != to && !Covered(from, to, near, body.IsLine ? -nearness : nearness))
                    parts.Add((from, to));
            }
        }
        return parts;
    }

    private static Bounds Millimetres(Bounds b) => new(b.MinX / Grid, b.MinY / Grid, b.MaxX / Grid, b.MaxY / Grid);

    private static void Cut(Node a, Node b, Body other, double nearness, List<(double, Node)> stops)
    {
        double ex = b.X - a.X,
            ey = b.Y - a.Y;
        var squared = ex * ex + ey * ey;
        var length = Math.Sqrt(squared);
        if (
            Math.Max(a.X, b.X) < other.Bounds.MinX
            || Math.Min(a.X, b.X) > other.Bounds.MaxX
            || Math.Max(a.Y, b.Y) < other.Bounds.MinY
            || Math.Min(a.Y, b.Y) > other.Bounds.MaxY
        )
            return;
        for (var i = 0; i < other.Corners.Length; i++)
        {
            var c = other.Corners[i];
            double cx = c.X - a.X,
                cy = c.Y - a.Y;
            var off = (ex * cy - ey * cx) / length;
            var at = (ex * cx + ey * cy) / squared;
            // A corner on the side cuts it there, so that sides that run together share their ends.
            if (Math.Abs(off) <= nearness && at * length > -nearness && (at - 1) * length < nearness)
            {
                if (at > 0 && at < 1)
                    stops.Add((at, c));
            }
            if (i >= other.Sides)
                continue;
            var d = other.Corners[i + 1 == other.Corners.Length ? 0 : i + 1];
            double dx = d.X - a.X,
                dy = d.Y - a.Y;
            var offD = (ex * dy - ey * dx) / length;
            if (off > nearness == offD > nearness && off < -nearness == offD < -nearness)
                continue;
            if (Math.Abs(off) <= nearness || Math.Abs(offD) <= nearness)
                continue;
            var node = Crossing(a, b, c, d);
            var crossing = (ex * (node.X - a.X) + ey * (node.Y - a.Y)) / squared;
            if (crossing <= 0 || crossing >= 1)
                continue;
            // Near an end of either side it is that end.
            node =
                Near(node, a, nearness) ? a
                : Near(node, b, nearness) ? b
                : Near(node, c, nearness) ? c
                : Near(node, d, nearness) ? d
                : node;
            stops.Add((crossing, node));
        }
    }

    /// <summary>Where two sides cross, the same to the last step whichever of them asks and whichever way it runs.</summary>
    private static Node Crossing(Node a, Node b, Node c, Node d)
    {
        if (Before(b, a))
            (a, b) = (b, a);
        if (Before(d, c))
            (c, d) = (d, c);
        if (Before(c, a) || (c == a && Before(d, b)))
            (a, b, c, d) = (c, d, a, b);
        double ex = b.X - a.X,
            ey = b.Y - a.Y;
        var (offC, offD) = (ex * (c.Y - a.Y) - ey * (c.X - a.X), ex * (d.Y - a.Y) - ey * (d.X - a.X));
        var t = offC / (offC - offD);
        return new Node(c.X + (long)Math.Round((d.X - c.X) * t), c.Y + (long)Math.Round((d.Y - c.Y) * t));
    }

    private static bool Before(Node p, Node q) => p.X < q.X || (p.X == q.X && p.Y < q.Y);

    private static bool Near(Node p, Node q, double nearness) => Math.Abs(p.X - q.X) <= nearness && Math.Abs(p.Y - q.Y) <= nearness;

    private static bool Covered(Node from, Node to, List<Body> near, double depth)
    {
        double x = (from.X + to.X) / 2.0,
            y = (from.Y + to.Y) / 2.0;
        foreach (var other in near)
        {
            if (other.IsLine || x < other.Bounds.MinX || x > other.Bounds.MaxX || y < other.Bounds.MinY || y > other.Bounds.MaxY)
                continue;
            if (other.Inside(x, y) > depth)
                return true;
        }
        return false;
    }

    /// <summary>Lines without those that end in the open: they bound nothing.</summary>
    private static List<(Node From, Node To)> Pruned(HashSet<(Node From, Node To)> lines, List<(Node From, Node To)> walls)
    {
        var degree = new Dictionary<Node, int>();
        foreach (var (from, _) in walls)
            degree[from] = 1000;
        foreach (var (from, to) in lines)
        {
            degree[from] = degree.GetValueOrDefault(from) + 1;
            degree[to] = degree.GetValueOrDefault(to) + 1;
        }
        var left = lines.ToList();
        while (true)
        {
            var loose = left.FindIndex(line => degree[line.From] == 1 || degree[line.To] == 1);
            if (loose < 0)
                return left;
            degree[left[loose].From]--;
            degree[left[loose].To]--;
            left.RemoveAt(loose);
        }
    }

    /// <summary>
    /// Walks round every face that has its floor on the left of its sides. Lines follow the walls, each both ways; one with
    /// the same face on both sides bounds nothing (it leads from a wall to an island) and is left out.
    /// </summary>
    private static List<ImmutableArray<Point>> Rings(List<(Node From, Node To)> sides, int walls, out int broken)
    {
        var loops = Loops(sides, out broken);
        if (sides.Count > walls)
        {
            int[] loopOf = [.. Enumerable.Range(1, sides.Count).Select(i => -i)];
            for (var i = 0; i < loops.Count; i++)
                foreach (var side in loops[i])
                    loopOf[side] = i;
            List<(Node From, Node To)> bounding = [.. sides.Take(walls)];
            for (var i = walls; i < sides.Count; i += 2)
                if (loopOf[i] != loopOf[i + 1])
                    bounding.AddRange([sides[i], sides[i + 1]]);
            if (bounding.Count < sides.Count)
                loops = Loops(sides = bounding, out broken);
        }
        return [.. loops.Where(loop => loop.Count > 2).Select(loop => Straightened([.. loop.Select(side => sides[side].From)]))];
    }

    /// <summary>The sides of every closed loop, in order.</summary>
    private static List<List<int>> Loops(List<(Node From, Node To)> sides, out int broken)
    {
        var leaving = new Dictionary<Node, List<int>>(sides.Count);
        for (var i = 0; i < sides.Count; i++)
        {
            if (!leaving.TryGetValue(sides[i].From, out var list))
                leaving[sides[i].From] = list = new List<int>(2);
            list.Add(i);
        }
        broken = 0;
        var used = new bool[sides.Count];
        List<List<int>> loops = [];
        for (var i = 0; i < sides.Count; i++)
        {
            if (used[i])
                continue;
            List<int> loop = [];
            var side = i;
            while (side >= 0 && !used[side])
            {
                used[side] = true;
                loop.Add(side);
                side = Next(sides, leaving, side);
            }
            if (side != i)
                broken++;
            else
                loops.Add(loop);
        }
        return loops;
    }

    /// <summary>The side that turns furthest left where one ends: the first clockwise from the way back.</summary>
    private static int Next(List<(Node From, Node To)> sides, Dictionary<Node, List<int>> leaving, int side)
    {
        var (from, to) = sides[side];
        if (!leaving.TryGetValue(to, out var choices))
            return -1;
        if (choices.Count == 1)
            return choices[0];
        var back = Math.Atan2(from.Y - to.Y, from.X - to.X);
        var (best, least) = (-1, double.PositiveInfinity);
        foreach (var choice in choices)
        {
            var end = sides[choice].To;
            var turn = back - Math.Atan2(end.Y - to.Y, end.X - to.X);
            while (turn <= 1e-12)
                turn += 2 * Math.PI;
            if (turn < least)
                (best, least) = (choice, turn);
        }
        return best;
    }

    /// <summary>A ring without corners that lie on the straight line between their neighbours; where it touches itself it keeps them.</summary>
    private static ImmutableArray<Point> Straightened(Node[] ring)
    {
        HashSet<Node> passed = new(ring.Length);
        var touching = ring.Where(node => !passed.Add(node)).ToHashSet();
        var kept = ImmutableArray.CreateBuilder<Point>(ring.Length);
        for (var i = 0; i < ring.Length; i++)
        {
            var before = kept.Count > 0 ? kept[^1] : ring[^1].Place;
            var (here, after) = (ring[i].Place, ring[(i + 1) % ring.Length].Place);
            var way = after - before;
            if (
                way.Length == 0
                || Math.Abs(way.Cross(here - before)) / way.Length > 0.006
                || (here - before).Dot(after - here) < 0
                || touching.Contains(ring[i])
            )
                kept.Add(here);
        }
        return kept.Count > 2 ? kept.ToImmutable() : [.. ring.Select(node => node.Place)];
    }

    /// <summary>Counter-clockwise loops are outlines; each clockwise one is a hole in the smallest outline around it.</summary>
    private static ImmutableArray<Region> Regions(List<ImmutableArray<Point>> loops)
    {
        var outlines = loops
            .Select(ring => (Ring: ring, Area: Region.SignedArea(ring)))
            .Where(loop => loop.Area > 1)
            .OrderBy(loop => loop.Area)
            .Select(loop => (Region: new Region(loop.Ring, []), Holes: new List<ImmutableArray<Point>>()))
            .ToArray();
        var index = new SpatialIndex<int>([.. Enumerable.Range(0, outlines.Length)], i => outlines[i].Region.Bounds);
        foreach (var hole in loops.Where(ring => Region.SignedArea(ring) < -1))
        {
            // A point just beside the hole's first side, on the floor's side.
            var inward = (hole[1] - hole[0]).Unit().Left();
            var beside = Point.Middle(hole[0], hole[1]) + inward * 0.02;
            var around = index.Meeting(new Bounds(beside.X, beside.Y, beside.X, beside.Y));
            foreach (var i in around)
                if (outlines[i].Region.Holds(beside))
                {
                    outlines[i].Holes.Add(hole);
                    break;
                }
        }
        return [.. outlines.Select(o => o.Holes.Count == 0 ? o.Region : new Region(o.Region.Outline, [.. o.Holes]))];
    }
}
