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

    /// <param name="areas">The floor, in one piece or several.</param>
    /// <param name="off">How far off the sides of the floor a middle is at least.</param>
    /// <param name="kept">What a middle must not be in, already grown.</param>
    public CentreRegion(ImmutableArray<Region> areas, double off, IEnumerable<Convex> kept)
    {
        this.areas = areas;
        this.kept = [.. areas.SelectMany(area => area.Holes.Prepend(area.Outline)).SelectMany(ring => Sides(ring, off)), .. kept];
    }

    private CentreRegion(ImmutableArray<Region> areas, Convex[] kept) => (this.areas, this.kept) = (areas, kept);

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
            [.. kept.Select(Turned)]
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

    /// <summary>Whether a middle may be at a point.</summary>
    public bool Holds(Point p) => areas.Any(area => area.Holds(p)) && !Array.Exists(kept, shape => shape.DistanceTo(p) < -Tolerance.Length);

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
        List<(double From, double To)> free = [];
        foreach (var area in areas)
        {
            List<double> crossings = [];
            foreach (var ring in area.Holes.Prepend(area.Outline))
                for (var i = 0; i < ring.Length; i++)
                {
                    var (a, b) = (ring[i], ring[(i + 1) % ring.Length]);
                    if (a.Y > y != b.Y > y)
                        crossings.Add(a.X + (b.X - a.X) * (y - a.Y) / (b.Y - a.Y));
                }
            crossings.Sort();
            for (var i = 0; i + 1 < crossings.Count; i += 2)
                free.Add((crossings[i], crossings[i + 1]));
        }
        List<(double From, double To)> cuts = [];
        foreach (var shape in kept)
            if (Cut(shape, y) is var (from, to))
                cuts.Add((from, to));
        cuts.Sort();
        List<(double From, double To)> left = [];
        foreach (var (from, to) in free)
        {
            var at = from;
            foreach (var cut in cuts)
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

    /// <summary>
    /// Where a line at a height lies within a rounded convex shape: its ends are where it crosses the circles about the corners or the sides
    /// pushed out.
    /// </summary>
    private static (double From, double To)? Cut(Convex shape, double y)
    {
        var radius = shape.Radius - Hair;
        if (y <= shape.Bounds.MinY + Hair || y >= shape.Bounds.MaxY - Hair)
            return null;
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
