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
    private readonly (Point From, Point To)[][] flat;
    private readonly Lazy<SpatialIndex<(Point From, Point To)>> sides;

    /// <param name="areas">The floor, in one piece or several.</param>
    /// <param name="off">How far off the sides of the floor a middle is at least.</param>
    /// <param name="kept">What a middle must not be in, already grown.</param>
    public CentreRegion(ImmutableArray<Region> areas, double off, IEnumerable<Convex> kept)
        : this(areas, [], [.. kept], Math.Max(0, off))
    {
        this.kept =
        [
            .. off <= 0 ? [] : flat.SelectMany(ofArea => ofArea).Select(side => Convex.Capsule(side.From, side.To, off)),
            .. obstacles,
        ];
    }

    private CentreRegion(ImmutableArray<Region> areas, Convex[] kept, Convex[] obstacles, double off)
    {
        (this.areas, this.kept, this.obstacles, this.off) = (areas, kept, obstacles, off);
        flat = [.. areas.Select(area => area.Sides().ToArray())];
        sides = new(() => new([.. flat.SelectMany(ofArea => ofArea)], side => Bounds.At(side.From).Including(side.To)));
    }

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
        return new CentreRegion([.. areas.Select(area => area.In(frame))], [.. kept.Select(Turned)], [.. obstacles.Select(Turned)], off);
    }

    public bool IsFloorSlanted => areas.Any(area => area.IsSlanted);

    /// <summary>Whether something of it lies neither along nor square to the lines across it, or is round.</summary>
    public bool IsSlanted => IsFloorSlanted || kept.Any(shape => shape.Corners.Length == 1);

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
                var nearest = p.NearestOn(side.From, side.To);
                Take(off - p.DistanceTo(nearest), (p - nearest).Unit(), ref energy, ref push);
            }
        else if (NearestSide(p) is var back)
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

    /// <summary>The nearest point of the sides of the floor.</summary>
    private Point NearestSide(Point p) =>
        sides.Value.Nearest(Bounds.At(p)).Take(8).Select(found => p.NearestOn(found.Thing.From, found.Thing.To)).MinBy(p.DistanceTo);

    /// <summary>Whether a middle may be anywhere within a distance of a point.</summary>
    public bool IsClear(Point p, double within) =>
        areas.Any(area => area.Holds(p))
        && !sides
            .Value.Meeting(Bounds.At(p).Grown(off + within))
            .Exists(side => p.NearestOn(side.From, side.To).DistanceTo(p) < off + within)
        && !Array.Exists(obstacles, shape => shape.DistanceTo(p) < within);

    /// <summary>Whether a middle may be at a point.</summary>
    public bool Holds(Point p) => areas.Any(area => area.Holds(p)) && !Array.Exists(kept, shape => shape.DistanceTo(p) < -Tolerance.Length);

    /// <summary>The box middles can be in: the floor's, less what they keep off its sides.</summary>
    public Bounds Inner => Bounds.Grown(-off);

    public Bounds Bounds => Region.BoxOf(areas);

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

    [ThreadStatic]
    private static List<double>? crossings;

    [ThreadStatic]
    private static List<(double From, double To)>? cuts;

    /// <summary>The parts of the line at a height in which a middle may be, from left to right, put into a list that is emptied before.</summary>
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
            Bands.Crossings(area, y, crossed);
            for (var i = 0; i + 1 < crossed.Count; i += 2)
                Bands.Less(crossed[i], crossed[i + 1], cut, left);
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
        var (from, to) = Bands.Reach(shape.Corners, shape.Radius - Hair, y, y);
        return from < to - 2 * Hair ? (from + Hair, to - Hair) : null;
    }
}
