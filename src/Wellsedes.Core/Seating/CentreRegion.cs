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
    private readonly Lazy<CrossedSides[]> crossedSides;
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
        crossedSides = new(() => [.. flat.Select(ofArea => new CrossedSides(ofArea))]);
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

    /// <summary>How far off the sides of the floor a middle is at least, in mm.</summary>
    public double Off => off;

    /// <summary>Whether a place is on the floor, however near its sides.</summary>
    public bool IsFloor(Point p) => Array.Exists(crossedSides.Value, sides => sides.Enclose(p));

    /// <summary>The sides of the floor within a distance of a place.</summary>
    public (Point From, Point To)[] SidesWithin(Point p, double distance) =>
        [.. sides.Value.Meeting(Bounds.At(p).Grown(distance)).Where(side => p.NearestOn(side.From, side.To).DistanceTo(p) < distance)];

    /// <summary>How far the nearest side of the floor is from a place.</summary>
    public double ToSides(Point p)
    {
        var least = double.PositiveInfinity;
        foreach (var (side, boxes) in sides.Value.Nearest(Bounds.At(p)))
        {
            if (boxes >= least)
                break;
            least = Math.Min(least, p.NearestOn(side.From, side.To).DistanceTo(p));
        }
        return least;
    }

    /// <summary>What a middle must not be in, but for the sides of the floor, within a distance of a place.</summary>
    public Convex[] ObstaclesWithin(Point p, double distance) => Array.FindAll(obstacles, shape => shape.DistanceTo(p) < distance);

    /// <summary>
    /// How far a middle is in what it must not be in, each squared and halved, all together; and the push out of it, as long as the depth.
    /// </summary>
    public double Depth(Point p, out Point push)
    {
        var isIn = IsFloor(p);
        var near = SidesWithin(p, isIn ? off : ToSides(p) + Tolerance.Length);
        return Depth(p, isIn, near, obstacles, out push);
    }

    /// <summary>The same where it is known whether it is on the floor and what is near.</summary>
    internal double Depth(Point p, bool isIn, (Point From, Point To)[] near, Convex[] obstacles, out Point push)
    {
        var energy = 0.0;
        push = default;
        if (isIn && off > 0)
            foreach (var (from, to) in near)
            {
                var nearest = p.NearestOn(from, to);
                Take(off - p.DistanceTo(nearest), p - nearest, ref energy, ref push);
            }
        else if (!isIn)
        {
            var (back, least) = (p, double.PositiveInfinity);
            foreach (var (from, to) in near)
                if (p.NearestOn(from, to) is var nearest && (nearest - p).Dot(nearest - p) is var squared && squared < least)
                    (back, least) = (nearest, squared);
            Take(off + Math.Sqrt(least), back - p, ref energy, ref push);
        }
        foreach (var shape in obstacles)
            if (shape.Bounds.Holds(p) && shape.DistanceTo(p, out var nearest) is < 0 and var into)
                Take(-into, nearest - p, ref energy, ref push);
        return energy;

        static void Take(double depth, Point outward, ref double energy, ref Point push)
        {
            if (depth <= 0)
                return;
            energy += depth * depth / 2;
            push += outward.Unit() * depth;
        }
    }

    /// <summary>Whether a place on the floor is far enough off sides that are near and out of obstacles.</summary>
    internal bool Keeps(Point p, (Point From, Point To)[] near, Convex[] obstacles)
    {
        if (off > 0)
            foreach (var (from, to) in near)
                if (p.NearestOn(from, to).DistanceTo(p) < off - Tolerance.Length)
                    return false;
        return !Array.Exists(obstacles, shape => shape.DistanceTo(p) < -Tolerance.Length);
    }

    /// <summary>Whether a middle may be at a point.</summary>
    public bool Holds(Point p) => IsFloor(p) && !Array.Exists(kept, shape => shape.DistanceTo(p) < -Tolerance.Length);

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
        Bands.Sort(cut, static (a, b) => a.From.CompareTo(b.From));
        foreach (var area in crossedSides.Value)
        {
            area.At(y, crossed);
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
