using System.Collections.Immutable;

namespace Wellsedes.Core.Geometry;

/// <summary>An area with an outline and holes, in mm; outline counter-clockwise, holes clockwise.</summary>
public sealed record Region(ImmutableArray<Point> Outline, ImmutableArray<ImmutableArray<Point>> Holes)
{
    /// <summary>Area in mm².</summary>
    public double Area { get; } = Math.Abs(SignedArea(Outline)) - Holes.Sum(hole => Math.Abs(SignedArea(hole)));

    public Bounds Bounds { get; } = Bounds.Around(Outline);

    /// <summary>The middle of the outline's area; it may lie outside a bent region, or in a hole.</summary>
    public Point Centroid
    {
        get
        {
            var (sum, twice) = (new Point(0, 0), 0.0);
            for (var i = 0; i < Outline.Length; i++)
            {
                // About the first corner, so that far places lose no figures.
                var (a, b) = (Outline[i] - Outline[0], Outline[(i + 1) % Outline.Length] - Outline[0]);
                sum += (a + b) * a.Cross(b);
                twice += a.Cross(b);
            }
            return Outline[0] + sum * (1 / (3 * twice));
        }
    }

    /// <summary>Its outline, then its holes.</summary>
    public IEnumerable<ImmutableArray<Point>> Rings() => Holes.Prepend(Outline);

    /// <summary>The sides of all its rings.</summary>
    public IEnumerable<(Point From, Point To)> Sides() => Rings().SelectMany(ring => SidesOf(ring));

    /// <summary>The sides of a ring, the last back to its first corner.</summary>
    public static IEnumerable<(Point From, Point To)> SidesOf(IReadOnlyList<Point> ring) =>
        Enumerable.Range(0, ring.Count).Select(i => (ring[i], ring[(i + 1) % ring.Count]));

    /// <summary>Whether a side lies neither along x nor along y.</summary>
    public bool IsSlanted =>
        Sides().Select(side => side.To - side.From).Any(side => Math.Min(Math.Abs(side.X), Math.Abs(side.Y)) > 1e-3 * side.Length);

    /// <summary>The same seen from a frame.</summary>
    public Region In(Placement frame) =>
        new([.. Outline.Select(frame.In)], [.. Holes.Select(hole => hole.Select(frame.In).ToImmutableArray())]);

    /// <summary>Rings that do not cross each other as regions: what lies in one of them is its hole, what lies in that is a region again. Slivers are left out.</summary>
    public static ImmutableArray<Region> FromRings(IEnumerable<IEnumerable<Point>> rings)
    {
        ImmutableArray<Point>[] all = [.. rings.Select(ring => Closed(ring)).Where(ring => Math.Abs(SignedArea(ring)) > 1e-6)];
        int[] depth = [.. all.Select(ring => all.Count(other => other != ring && Inside(other, ring[0])))];
        return
        [
            .. Enumerable
                .Range(0, all.Length)
                .Where(i => depth[i] % 2 == 0)
                .Select(i => new Region(
                    Turned(all[i], true),
                    [
                        .. Enumerable
                            .Range(0, all.Length)
                            .Where(j => depth[j] == depth[i] + 1 && Inside(all[i], all[j][0]))
                            .Select(j => Turned(all[j], false)),
                    ]
                )),
        ];

        static ImmutableArray<Point> Closed(IEnumerable<Point> ring)
        {
            Point[] points = [.. ring];
            return points.Length > 1 && points[0].DistanceTo(points[^1]) < 1e-6 ? [.. points[..^1]] : [.. points];
        }
        static ImmutableArray<Point> Turned(ImmutableArray<Point> ring, bool counterClockwise) =>
            SignedArea(ring) > 0 == counterClockwise ? ring : [.. ring.Reverse()];
    }

    /// <summary>The box around several.</summary>
    public static Bounds BoxOf(IEnumerable<Region> regions) =>
        regions.Aggregate(Bounds.Empty, (all, region) => all.Including(region.Bounds));

    public bool Holds(Point p) => Bounds.Holds(p) && Inside(Outline, p) && !Holes.Any(hole => Inside(hole, p));

    /// <summary>The parts of a stretch that lie within it.</summary>
    public IEnumerable<(Point From, Point To)> Within(Point a, Point b)
    {
        List<double> cuts = [0, 1];
        foreach (var ring in Rings())
            for (var i = 0; i < ring.Length; i++)
            {
                var (p, q) = (ring[i], ring[(i + 1) % ring.Length]);
                var (d, e) = (b - a, q - p);
                var cross = d.Cross(e);
                if (Math.Abs(cross) < 1e-9)
                    continue;
                var (t, u) = ((p - a).Cross(e) / cross, (p - a).Cross(d) / cross);
                if (t > 0 && t < 1 && u >= 0 && u <= 1)
                    cuts.Add(t);
            }
        cuts.Sort();
        for (var i = 0; i + 1 < cuts.Count; i++)
            if (cuts[i + 1] - cuts[i] > 1e-9 && Holds(a + (b - a) * ((cuts[i] + cuts[i + 1]) / 2)))
                yield return (a + (b - a) * cuts[i], a + (b - a) * cuts[i + 1]);
    }

    public static double SignedArea(ImmutableArray<Point> ring)
    {
        double twice = 0;
        for (var i = 0; i < ring.Length; i++)
            twice += ring[i].Cross(ring[(i + 1) % ring.Length]);
        return twice / 2;
    }

    private static bool Inside(ImmutableArray<Point> ring, Point p)
    {
        var inside = false;
        for (int i = 0, j = ring.Length - 1; i < ring.Length; j = i++)
            if (
                ring[i].Y > p.Y != ring[j].Y > p.Y
                && p.X < (ring[j].X - ring[i].X) * (p.Y - ring[i].Y) / (ring[j].Y - ring[i].Y) + ring[i].X
            )
                inside = !inside;
        return inside;
    }
}
