using System.Collections.Immutable;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Seating;

/// <summary>
/// Where the middles of things may be: within an outline, at least a distance off its sides, and outside of shapes that are grown as far as
/// they are to be kept from. A line across it is cut into exact intervals. Millimetres.
/// </summary>
public sealed class CentreRegion
{
    /// <summary>Cuts are made this much shorter, in mm: a line that lies on an extreme lies in neither shape.</summary>
    private const double Hair = 1e-6;

    private readonly ImmutableArray<Region> areas;
    private readonly Convex[] kept;

    /// <summary>What stands, without the sides of the floor.</summary>
    private readonly Convex[] obstacles;
    private readonly double off;

    /// <summary>The sides of each area, outline and holes.</summary>
    private readonly (Point A, Point B)[][] flat;
    private readonly Lazy<SpatialIndex<Side>> sides;

    private sealed record Side(Point From, Point To);

    /// <param name="areas">The floor, in one piece or several.</param>
    /// <param name="off">How far off the sides of the floor a middle is at least.</param>
    /// <param name="kept">What a middle must not be in, already grown.</param>
    public CentreRegion(ImmutableArray<Region> areas, double off, IEnumerable<Convex> kept)
    {
        obstacles = [.. kept];
        (this.areas, this.off) = (areas, Math.Max(0, off));
        sides = new(SidesIndexed);
        flat = [.. areas.Select(area => area.Holes.Prepend(area.Outline).SelectMany(Pairs).ToArray())];
        this.kept = [.. areas.SelectMany(area => area.Holes.Prepend(area.Outline)).SelectMany(ring => Sides(ring, off)), .. obstacles];
    }

    private CentreRegion(ImmutableArray<Region> areas, Convex[] kept, Convex[] obstacles, double off)
    {
        (this.areas, this.kept, this.obstacles, this.off) = (areas, kept, obstacles, off);
        sides = new(SidesIndexed);
        flat = [.. areas.Select(area => area.Holes.Prepend(area.Outline).SelectMany(Pairs).ToArray())];
    }

    private static IEnumerable<(Point, Point)> Pairs(ImmutableArray<Point> ring) =>
        Enumerable.Range(0, ring.Length).Select(i => (ring[i], ring[(i + 1) % ring.Length]));

    private SpatialIndex<Side> SidesIndexed() =>
        new(
            [
                .. areas
                    .SelectMany(area => area.Holes.Prepend(area.Outline))
                    .SelectMany(ring => Enumerable.Range(0, ring.Length).Select(i => new Side(ring[i], ring[(i + 1) % ring.Length]))),
            ],
            side => Bounds.At(side.From).Including(side.To)
        );

    private static IEnumerable<Convex> Sides(ImmutableArray<Point> ring, double off) =>
        off <= 0 ? [] : Enumerable.Range(0, ring.Length).Select(i => Convex.Capsule(ring[i], ring[(i + 1) % ring.Length], off));

    /// <summary>The same seen in another frame.</summary>
    public CentreRegion In(Placement frame)
    {
        Convex Turned(Convex shape) =>
            shape.Corners.Length switch
            {
                1 => Convex.Disc(frame.In(shape.Corners[0]), shape.Radius),
                2 => Convex.Capsule(frame.In(shape.Corners[0]), frame.In(shape.Corners[1]), shape.Radius),
                _ => Convex.Polygon([.. shape.Corners.ToArray().Select(frame.In)], shape.Radius),
            };
        ImmutableArray<Point> Ring(ImmutableArray<Point> ring) => [.. ring.Select(frame.In)];
        return new CentreRegion(
            [.. areas.Select(area => new Region(Ring(area.Outline), [.. area.Holes.Select(Ring)]))],
            [.. kept.Select(Turned)],
            [.. obstacles.Select(Turned)],
            off
        );
    }

    /// <summary>Whether something of it lies neither along nor square to the lines across it, or is round.</summary>
    public bool IsSlanted =>
        areas.SelectMany(area => area.Holes.Prepend(area.Outline)).Any(IsSlantedRing) || kept.Any(shape => shape.Corners.Length == 1);

    private static bool IsSlantedRing(ImmutableArray<Point> ring) =>
        Enumerable
            .Range(0, ring.Length)
            .Select(i => ring[(i + 1) % ring.Length] - ring[i])
            .Any(side => Math.Min(Math.Abs(side.X), Math.Abs(side.Y)) > 1e-3 * side.Length);

    /// <summary>
    /// How far a middle is in what it must not be in, each squared and halved, all together; and the push out of it, as long as the depth.
    /// </summary>
    public double Depth(Point p, out Point push)
    {
        var energy = 0.0;
        push = default;
        var isIn = false;
        foreach (var area in areas)
            isIn |= area.Holds(p);
        if (isIn)
            foreach (var side in off > 0 ? sides.Value.Meeting(Bounds.At(p).Grown(off)) : [])
            {
                var nearest = NearestOn(side, p);
                Take(off - p.DistanceTo(nearest), (p - nearest).Unit(), ref energy, ref push);
            }
        else if (sides.Value.Nearest(Bounds.At(p)).Select(found => NearestOn(found.Thing, p)).Take(8).MinBy(p.DistanceTo) is var back)
            Take(off + p.DistanceTo(back), (back - p).Unit(), ref energy, ref push);
        foreach (var shape in obstacles)
            if (shape.Bounds.Holds(p) && shape.DistanceTo(p, out var nearest) is < 0 and var into)
                Take(-into, (nearest - p).Unit(), ref energy, ref push);
        return energy;

        static void Take(double depth, Point outward, ref double energy, ref Point push)
        {
            if (depth <= 0)
                return;
            energy += depth * depth / 2;
            push += outward * depth;
        }
    }

    /// <summary>Whether a middle may be anywhere within a distance of a point.</summary>
    public bool IsClear(Point p, double within) =>
        areas.Any(area => area.Holds(p))
        && !sides.Value.Meeting(Bounds.At(p).Grown(off + within)).Exists(side => NearestOn(side, p).DistanceTo(p) < off + within)
        && !Array.Exists(obstacles, shape => shape.DistanceTo(p) < within);

    private static Point NearestOn(Side side, Point p)
    {
        var along = side.To - side.From;
        var t = Math.Clamp((p - side.From).Dot(along) / Math.Max(1e-9, along.Dot(along)), 0, 1);
        return side.From + along * t;
    }

    /// <summary>Whether a middle may be at a point.</summary>
    public bool Holds(Point p) => areas.Any(area => area.Holds(p)) && !Array.Exists(kept, shape => shape.DistanceTo(p) < -Tolerance.Length);

    /// <summary>The box middles can be in: the floor's, less what they keep off its sides.</summary>
    public Bounds Inner => Bounds.Grown(-off);

    public Bounds Bounds => areas.Aggregate(Bounds.Empty, (box, area) => box.Including(area.Bounds));

    /// <summary>
    /// The heights at which something begins or ends: where the outermost lines and those between may lie on. Of sides that are kept off,
    /// the ends of their discs and the lines beside them.
    /// </summary>
    public IEnumerable<double> Extremes()
    {
        foreach (var shape in kept)
        {
            yield return shape.Bounds.MinY;
            yield return shape.Bounds.MaxY;
        }
        foreach (var corner in areas.SelectMany(area => area.Outline))
            yield return corner.Y;
    }

    /// <summary>The parts of the line at a height in which a middle may be, from left to right.</summary>
    public List<(double From, double To)> Along(double y)
    {
        List<(double From, double To)> left = [];
        Along(y, left);
        return left;
    }

    [ThreadStatic]
    private static List<double>? crossings;

    [ThreadStatic]
    private static List<(double From, double To)>? cuts;

    /// <summary>The same, put into a list that is emptied before.</summary>
    public void Along(double y, List<(double From, double To)> left)
    {
        left.Clear();
        var crossed = crossings ??= [];
        var cut = cuts ??= [];
        cut.Clear();
        foreach (var shape in kept)
            if (Cut(shape, y) is var (from, to))
                cut.Add((from, to));
        cut.Sort();
        foreach (var area in flat)
        {
            crossed.Clear();
            foreach (ref readonly var side in area.AsSpan())
                if (side.A.Y > y != side.B.Y > y)
                    crossed.Add(side.A.X + (side.B.X - side.A.X) * (y - side.A.Y) / (side.B.Y - side.A.Y));
            crossed.Sort();
            for (var i = 0; i + 1 < crossed.Count; i += 2)
            {
                var (at, to) = (crossed[i], crossed[i + 1]);
                foreach (var one in cut)
                {
                    if (one.To <= at)
                        continue;
                    if (one.From >= to)
                        break;
                    if (one.From > at)
                        left.Add((at, one.From));
                    at = Math.Max(at, one.To);
                }
                if (at < to)
                    left.Add((at, to));
            }
        }
    }

    /// <summary>
    /// Where a line at a height lies within a rounded convex shape: its ends are where it crosses the circles about the corners or the sides
    /// pushed out.
    /// </summary>
    private static (double From, double To)? Cut(Convex shape, double y)
    {
        if (y <= shape.Bounds.MinY + Hair || y >= shape.Bounds.MaxY - Hair)
            return null;
        var radius = shape.Radius - Hair;
        var (from, to) = (double.PositiveInfinity, double.NegativeInfinity);
        void Take(double x) => (from, to) = (Math.Min(from, x), Math.Max(to, x));
        var corners = shape.Corners;
        for (var i = 0; i < corners.Length; i++)
        {
            var p = corners[i];
            var off = y - p.Y;
            if (radius >= Math.Abs(off))
            {
                var half = Math.Sqrt(radius * radius - off * off);
                Take(p.X - half);
                Take(p.X + half);
            }
            if (corners.Length == 1)
                break;
            var q = corners[(i + 1) % corners.Length];
            var out_ = (q - p).Unit().Left() * -Math.Max(radius, 0);
            var (a, b) = (p + out_, q + out_);
            if (a.Y <= y != b.Y <= y)
                Take(a.X + (b.X - a.X) * (y - a.Y) / (b.Y - a.Y));
        }
        return from < to - 2 * Hair ? (from + Hair, to - Hair) : null;
    }
}
