using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Seating.Rows;

/// <summary>
/// The floor as rows see it. Across is measured backwards from the front: the front edge of a row has the least. Along is what a row
/// runs in: mm for straight rows, radians for those about a point.
/// </summary>
internal abstract class RowGround
{
    /// <summary>Bands are looked at this much narrower on either side, in mm: what they only touch is not in them.</summary>
    protected const double Hair = 1e-4;

    /// <summary>Bounds across, of the floor.</summary>
    public abstract (double Least, double Most) Across { get; }

    /// <summary>Where something begins or ends, across, things grown by a gap.</summary>
    public abstract IEnumerable<double> Events(double gap);

    /// <summary>Whether something lies neither along nor square to the rows.</summary>
    public abstract bool IsSlanted { get; }

    /// <summary>The parts of a band across that are free all through, in order, with a gap to what stands.</summary>
    public abstract List<(double From, double To)> Free(double near, double far, double gap);

    /// <summary>A length in mm along the front of a row, as the row counts.</summary>
    public abstract double Length(double mm, double across);

    /// <summary>The next row's front edge behind a row of a depth, things of a width, and a passage between, all in mm.</summary>
    public abstract double Behind(double across, double depth, double width, double passage);

    /// <summary>Where a thing is, its front looking where those who sit look.</summary>
    public abstract Placement At(double along, double across);

    /// <summary>The axis rows lie about.</summary>
    public abstract double Axis { get; }

    /// <summary>What is left of free parts where others are free as well.</summary>
    public static List<(double From, double To)> Both(List<(double From, double To)> one, List<(double From, double To)> other)
    {
        List<(double, double)> both = [];
        foreach (var (from, to) in one)
        foreach (var (start, end) in other)
            if (Math.Min(to, end) > Math.Max(from, start))
                both.Add((Math.Max(from, start), Math.Min(to, end)));
        return both;
    }

    /// <summary>Free parts less what is taken.</summary>
    protected static List<(double From, double To)> Less(List<(double From, double To)> free, List<(double From, double To)> taken)
    {
        taken.Sort();
        List<(double From, double To)> left = [];
        foreach (var (from, to) in free)
        {
            var at = from;
            foreach (var cut in taken)
            {
                if (cut.To <= at)
                    continue;
                if (cut.From >= to)
                    break;
                if (cut.From > at)
                    left.Add((at, cut.From));
                at = Math.Max(at, cut.To);
            }
            if (at < to)
                left.Add((at, to));
        }
        return left;
    }
}

/// <summary>Straight rows: bands are cut exactly, sides by their ends within them, rounded shapes by their outermost points.</summary>
internal sealed class StraightGround : RowGround
{
    private readonly ImmutableArray<Region> areas;
    private readonly Convex[] standing;
    private readonly Convex[] ways;
    private readonly Placement frame;
    private readonly Bounds box;

    public override double Axis { get; }

    /// <param name="area">The floor.</param>
    /// <param name="facing">Where those in the rows look, in degrees.</param>
    /// <param name="also">Further floor that stays free.</param>
    public StraightGround(SeatingArea area, double facing, IEnumerable<Convex>? also = null)
    {
        frame = new Placement(area.Middle.X, area.Middle.Y, facing + 90);
        areas =
        [
            .. area.Areas.Select(one => new Region(
                [.. one.Outline.Select(frame.In)],
                [.. one.Holes.Select(hole => hole.Select(frame.In).ToImmutableArray())]
            )),
        ];
        var into = Into(frame);
        standing = [.. area.Standing.Select(shape => shape.At(into))];
        ways = [.. area.Ways.Concat(also ?? []).Select(shape => shape.At(into))];
        box = areas.Aggregate(Bounds.Empty, (all, one) => all.Including(one.Bounds));
        Axis = 0;
    }

    /// <summary>The placement that takes points of the level into a frame.</summary>
    internal static Placement Into(Placement frame)
    {
        var origin = frame.In(default);
        return new Placement(origin.X, origin.Y, -frame.Rotation);
    }

    public override (double Least, double Most) Across => (box.MinY, box.MaxY);

    public override bool IsSlanted =>
        areas
            .SelectMany(area => area.Holes.Prepend(area.Outline))
            .Any(ring =>
                Enumerable
                    .Range(0, ring.Length)
                    .Select(i => ring[(i + 1) % ring.Length] - ring[i])
                    .Any(side => Math.Min(Math.Abs(side.X), Math.Abs(side.Y)) > 1e-3 * side.Length)
            );

    public override IEnumerable<double> Events(double gap)
    {
        foreach (var corner in areas.SelectMany(area => area.Holes.Prepend(area.Outline)).SelectMany(ring => ring))
            yield return corner.Y;
        foreach (var shape in standing.Where(shape => shape.Bounds.Meets(box)))
        {
            yield return shape.Bounds.MinY - gap;
            yield return shape.Bounds.MaxY + gap;
        }
        foreach (var shape in ways.Where(shape => shape.Bounds.Meets(box)))
        {
            yield return shape.Bounds.MinY;
            yield return shape.Bounds.MaxY;
        }
    }

    public override List<(double From, double To)> Free(double near, double far, double gap)
    {
        var (low, high) = (near + Hair, far - Hair);
        var middle = (near + far) / 2;
        List<(double From, double To)> free = [];
        List<(double From, double To)> taken = [];
        foreach (var area in areas)
        {
            List<double> crossings = [];
            foreach (var ring in area.Holes.Prepend(area.Outline))
                for (var i = 0; i < ring.Length; i++)
                {
                    var (a, b) = (ring[i], ring[(i + 1) % ring.Length]);
                    if (a.Y > middle != b.Y > middle)
                        crossings.Add(a.X + (b.X - a.X) * (middle - a.Y) / (b.Y - a.Y));
                    if (Clipped(a, b, low, high) is var (from, to))
                        taken.Add((Math.Min(from, to), Math.Max(from, to)));
                }
            crossings.Sort();
            for (var i = 0; i + 1 < crossings.Count; i += 2)
                free.Add((crossings[i], crossings[i + 1]));
        }
        // Where two floors meet in one line there is no wall between them.
        foreach (var shape in standing)
            if (Taken(shape, gap, low, high) is var (from, to))
                taken.Add((from, to));
        foreach (var shape in ways)
            if (Taken(shape, 0, low, high) is var (from, to))
                taken.Add((from, to));
        return Less(free, taken);
    }

    /// <summary>Where a side lies within a band; its ends along.</summary>
    private static (double From, double To)? Clipped(Point a, Point b, double low, double high)
    {
        if (Math.Max(a.Y, b.Y) < low || Math.Min(a.Y, b.Y) > high)
            return null;
        if (a.Y == b.Y)
            return (a.X, b.X);
        double X(double y) => a.X + (b.X - a.X) * (Math.Clamp(y, Math.Min(a.Y, b.Y), Math.Max(a.Y, b.Y)) - a.Y) / (b.Y - a.Y);
        return (X(low), X(high));
    }

    /// <summary>How far a rounded shape reaches along within a band: at its rims, and where its outermost points lie in it.</summary>
    private static (double From, double To)? Taken(Convex shape, double gap, double low, double high)
    {
        var radius = shape.Radius + gap;
        if (shape.Bounds.MinY - gap >= high || shape.Bounds.MaxY + gap <= low)
            return null;
        var (from, to) = (double.PositiveInfinity, double.NegativeInfinity);
        void Take(double x) => (from, to) = (Math.Min(from, x), Math.Max(to, x));
        var corners = shape.Corners;
        for (var i = 0; i < corners.Length; i++)
        {
            var p = corners[i];
            // The disc about a corner: at the height within the band that is nearest to its middle it is widest.
            var off = Math.Clamp(p.Y, low, high) - p.Y;
            if (Math.Abs(off) <= radius)
            {
                var half = Math.Sqrt(radius * radius - off * off);
                Take(p.X - half);
                Take(p.X + half);
            }
            if (corners.Length == 1)
                break;
            var q = corners[(i + 1) % corners.Length];
            var outward = (q - p).Unit().Left() * -radius;
            if (Clipped(p + outward, q + outward, low, high) is var (x1, x2))
            {
                Take(x1);
                Take(x2);
            }
        }
        return from < to ? (from + Hair, to - Hair) : null;
    }

    public override double Length(double mm, double across) => mm;

    public override double Behind(double across, double depth, double width, double passage) => across + depth + passage;

    public override Placement At(double along, double across)
    {
        var at = frame.Out(new Point(along, across));
        return new Placement(at.X, at.Y, frame.Rotation);
    }
}
