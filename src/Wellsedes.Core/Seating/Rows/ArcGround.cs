using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Seating.Rows;

/// <summary>
/// Rows about a point: across is the distance from it, along the angle, counter-clockwise from straight behind. A side is cut where it crosses the two circles of a
/// band; of what stands the outline is taken in chords.
/// </summary>
internal sealed class ArcGround : RowGround
{
    /// <summary>How far the chords of a round outline are off it, in mm.</summary>
    private const double Sag = 1;

    private readonly Point focus;
    private readonly double back;
    private readonly Ring[] outlines;
    private readonly ImmutableArray<Region> areas;
    private readonly SeatingArea area;
    private readonly Dictionary<double, Ring[]> grown = [];

    /// <summary>Sides, and between which distances from the focus they all lie.</summary>
    private sealed record Ring((Point From, Point To)[] Sides, double Least, double Most);

    public override (double Least, double Most) Across { get; }

    public override double Axis => 0;

    public override bool IsSlanted => true;

    /// <param name="focus">The point rows curve about, on the level.</param>
    /// <param name="facing">The direction from the middle of the rows to it, in degrees.</param>
    public ArcGround(SeatingArea area, Point focus, double facing)
    {
        (this.area, this.focus, back) = (area, focus, facing + 180);
        areas = area.Areas;
        outlines = [.. areas.SelectMany(one => one.Sides()).Select(side => RingOf([side]))];
        Across = (areas.Any(one => one.Holds(focus)) ? 0 : outlines.Min(one => one.Least), outlines.Max(one => one.Most));
    }

    private Ring RingOf((Point From, Point To)[] sides) =>
        new(
            sides,
            sides.Min(side => Nearest(side.From, side.To)),
            sides.Max(side => Math.Max(side.From.DistanceTo(focus), side.To.DistanceTo(focus)))
        );

    private double Nearest(Point a, Point b) => focus.DistanceTo(focus.NearestOn(a, b));

    public override IEnumerable<double> Events(double gap)
    {
        foreach (var one in outlines)
        {
            yield return one.Least;
            yield return one.Sides[0].From.DistanceTo(focus);
        }
        foreach (var ring in Grown(gap))
        {
            yield return ring.Least;
            yield return ring.Most;
        }
    }

    /// <summary>The outlines of what stands, a gap round about, and of ways.</summary>
    private Ring[] Grown(double gap)
    {
        if (!grown.TryGetValue(gap, out var rings))
            grown[gap] = rings = [
                // The chords are pushed out as far as they are off the arc.
                .. area.Standing.Select(shape => Outline(shape, gap)),
                .. area.Ways.Select(shape => Outline(shape, 0)),
            ];
        return rings;
    }

    private Ring Outline(Convex shape, double gap) =>
        RingOf([.. Region.SidesOf(shape.Radius + gap > 0 ? shape.Grown(gap + Sag).Outline(Sag) : shape.Grown(gap).Outline(Sag))]);

    private double AngleOf(Point p)
    {
        var angle = Math.Atan2(p.Y - focus.Y, p.X - focus.X) - back * Math.PI / 180;
        return Math.IEEERemainder(angle, 2 * Math.PI);
    }

    public override List<(double From, double To)> Free(double near, double far, double gap)
    {
        var (low, high) = (Math.Max(0, near + Hair), far - Hair);
        List<double> ends = [-Math.PI, Math.PI];
        List<(double From, double To)> taken = [];
        foreach (var ring in outlines.Concat(Grown(gap)))
            if (ring.Least <= high && ring.Most >= low)
                foreach (var (a, b) in ring.Sides)
                    Cut(a, b, low, high, taken);
        foreach (var (from, to) in taken)
        {
            ends.Add(from);
            ends.Add(to);
        }
        ends.Sort();
        // Between two ends the band is free all through or nowhere: its middle says which.
        var middle = (low + high) / 2;
        List<(double From, double To)> free = [];
        for (var i = 0; i + 1 < ends.Count; i++)
        {
            if (ends[i + 1] - ends[i] < 1e-9)
                continue;
            var at = Point.At(back + (ends[i] + ends[i + 1]) / 2 * 180 / Math.PI) * middle + focus;
            if (!areas.Any(one => one.Holds(at)) || Stands(at, gap))
                continue;
            if (free.Count > 0 && ends[i] - free[^1].To < 1e-9)
                free[^1] = (free[^1].From, ends[i + 1]);
            else
                free.Add((ends[i], ends[i + 1]));
        }
        return Less(free, taken);
    }

    private bool Stands(Point p, double gap) =>
        area.Standing.Any(shape => shape.DistanceTo(p) < gap) || area.Ways.Any(shape => shape.DistanceTo(p) < 0);

    /// <summary>The angles a side takes within a band: it is cut by two circles into at most two parts, along each of which the angle runs one way.</summary>
    private void Cut(Point a, Point b, double low, double high, List<(double From, double To)> taken)
    {
        var (d, m) = (b - a, a - focus);
        var dd = d.Dot(d);
        if (dd < 1e-12)
            return;
        Span<double> cuts = [0, 1, 0, 0, 0, 0];
        var count = 2;
        foreach (var radius in (ReadOnlySpan<double>)[low, high])
        {
            var (half, c) = (m.Dot(d), m.Dot(m) - radius * radius);
            var root = half * half - dd * c;
            if (root <= 0)
                continue;
            foreach (var t in (ReadOnlySpan<double>)[(-half - Math.Sqrt(root)) / dd, (-half + Math.Sqrt(root)) / dd])
                if (t is > 0 and < 1)
                    cuts[count++] = t;
        }
        cuts[..count].Sort();
        for (var i = 0; i + 1 < count; i++)
        {
            var (from, to) = (a + d * cuts[i], a + d * cuts[i + 1]);
            var at = Point.Middle(from, to).DistanceTo(focus);
            if (at < low || at > high || cuts[i + 1] - cuts[i] < 1e-12)
                continue;
            var start = AngleOf(from);
            var turn = Math.IEEERemainder(AngleOf(to) - start, 2 * Math.PI);
            var (least, most) = turn < 0 ? (start + turn, start) : (start, start + turn);
            taken.Add((Math.Max(least, -Math.PI), Math.Min(most, Math.PI)));
            // What crosses straight in front lies at both ends of the circle.
            if (least < -Math.PI)
                taken.Add((least + 2 * Math.PI, Math.PI));
            if (most > Math.PI)
                taken.Add((-Math.PI, most - 2 * Math.PI));
        }
    }

    /// <summary>The angle between two things side by side whose front edges, as wide as the length, just meet at their corners.</summary>
    public override double Length(double mm, double across) => across <= 0 ? double.PositiveInfinity : 2 * Math.Atan(mm / 2 / across);

    /// <summary>Their nearest corners are those of their fronts; what lies between is a chord of the circle these are on.</summary>
    public override double Between(double mm, double across, double width) =>
        Math.Sqrt(Math.Max(0, across) * across + width * width / 4) is var radius && mm < 2 * radius
            ? 2 * Math.Asin(mm / 2 / radius)
            : double.PositiveInfinity;

    /// <summary>The back corners of a thing reach farther out than its back's middle.</summary>
    public override double Behind(double across, double depth, double width, double passage) =>
        Math.Sqrt((across + depth) * (across + depth) + width * width / 4) + passage;

    public override Placement At(double along, double across)
    {
        var degrees = back + along * 180 / Math.PI;
        var at = focus + Point.At(degrees) * across;
        return new Placement(at.X, at.Y, degrees - 90);
    }
}
