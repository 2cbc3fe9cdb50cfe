using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Seating.Dense;

/// <summary>
/// More places than lattices hold: from a filled region one disc more at a time is squeezed in (<see cref="DenseSearch"/>). Parts of the region that are far from one another
/// are filled each for itself. The same seed gives the same places.
/// </summary>
public static class DenseFill
{
    /// <summary>Distances hold within this, in mm.</summary>
    private const double Within = 0.01;

    /// <summary>Of those tried the one by which nine halls with a known truth are filled fullest soonest; others lack a table here and there.</summary>
    private const int FullestSeed = 4;

    /// <summary>Each part is searched so often at once, the best being taken.</summary>
    private const int Seeds = 2;

    /// <param name="starts">Places that hold, the fullest first; such as are too near each other among them.</param>
    /// <param name="looks">What it may spend: how often all discs are looked at, in each search.</param>
    public static Point[] More(CentreRegion region, double apart, IReadOnlyList<Point[]> starts, long looks, int seed = FullestSeed)
    {
        var ground = Ground(region, apart);
        var islands = new Islands(region, apart);
        Point[][] holding = [.. starts.Where(start => Holds(ground, apart, start))];
        var found = new Point[islands.Sizes.Count * Seeds][];
        Together.For(
            found.Length,
            i =>
            {
                var part = i / Seeds;
                Point[] Own(Point[] places) => [.. places.Where(p => islands.Of(p) == part)];
                var search = new DenseSearch(
                    ground,
                    apart,
                    islands.Sizes.Count < 2 ? null : p => islands.Of(p) == part,
                    seed * Seeds + i % Seeds
                );
                var share = looks * islands.Sizes[part] / islands.Sizes.Sum();
                found[i] = search.Fill([.. holding.Select(Own)], [.. starts.Select(Own)], share);
            },
            few: 2
        );
        Point[] all = [.. found.Chunk(Seeds).SelectMany(ofPart => ofPart.MaxBy(one => one.Length)!)];
        // Should two parts have been taken for far that are not: the fullest of what is known.
        return Holds(ground, apart, all) ? all : holding.MaxBy(start => start.Length) ?? [];
    }

    /// <summary>How much nearer than asked places of further starts stand: squeezed apart some of these hold more than any lattice.</summary>
    private static readonly double[] TooNear = [0.99, 0.98, 0.965];

    /// <summary>Lattices to begin with: those that hold, the fullest first, then some that are a little too full.</summary>
    public static Point[][] Starts(CentreRegion region, FillAsked asked)
    {
        LatticeFill? Nearer(double share) =>
            Filling.Fullest(
                region,
                asked with
                {
                    InRow = asked.InRow * share,
                    BetweenRows = asked.BetweenRows * share,
                    Quick = true,
                },
                LatticeKind.Staggered
            );
        return
        [
            .. new[] { LatticeKind.Square, LatticeKind.Staggered }
                .Select(kind => Filling.Fullest(region, asked, kind))
                .OfType<LatticeFill>()
                .OrderByDescending(fill => fill.Count)
                .Select(fill => fill.Places.Where(region.Holds).ToArray()),
            .. TooNear.Select(Nearer).OfType<LatticeFill>().Select(fill => fill.Places.ToArray()),
        ];
    }

    /// <summary>As many as fit the same to the left as to the right of an axis; the first places of the answer lie on it.</summary>
    public static Point[] Mirrored(
        CentreRegion region,
        double apart,
        MirrorAxis axis,
        IReadOnlyList<Point[]> starts,
        long looks,
        int seed = 1
    )
    {
        var ground = Ground(region, apart);
        // Some discs slide along the axis: every number of them is tried.
        var most = (int)(Along(region, axis) / apart) + 1;
        Point[][] holding = [.. starts.Where(start => Holds(ground, apart, start))];
        var found = new Point[most + 1][];
        Together.For(
            found.Length,
            sliding =>
            {
                Point[] half = [.. Slid(region, axis, sliding)];
                Point[][] begun =
                [
                    half,
                    .. holding.Select(start => half.Concat(start.Where(p => (p - axis.At).Cross(axis.Along) >= apart / 2 - 1)).ToArray()),
                ];
                var search = new DenseSearch(ground, apart, null, seed + sliding, axis, sliding);
                found[sliding] = search.Fill(begun, [], looks / found.Length);
            },
            few: 2
        );
        return found.Where(whole => Holds(ground, apart, whole)).MaxBy(whole => whole.Length) ?? [];
    }

    /// <summary>
    /// While a hand drags: places go on from where they stand, the most squeezed ones being taken out where there is no room for all, one more put in where there is. With an axis the
    /// same on both sides of it.
    /// </summary>
    public static Point[] CarriedOn(CentreRegion region, double apart, IReadOnlyList<Point> places, MirrorAxis? axis)
    {
        if (axis is not { } line)
            return new DenseSearch(Ground(region, apart), apart, null, 1).Fill(
                [
                    [.. places],
                ],
                [],
                CarryLooks
            );
        Point[] on = [.. places.Where(p => p.DistanceTo(line.Onto(p)) < 1).Select(line.Onto)];
        var search = new DenseSearch(Ground(region, apart), apart, null, 1, line, on.Length);
        return search.Fill(
            [
                [.. on, .. places.Where(p => (p - line.At).Cross(line.Along) >= 1)],
            ],
            [],
            CarryLooks
        );
    }

    private static NearGround Ground(CentreRegion region, double apart) => new(region, apart / CellsApart);

    /// <summary>So many cells of the floor to a distance.</summary>
    private const double CellsApart = 10;

    /// <summary>What going on may spend.</summary>
    private const long CarryLooks = 1000;

    private static double Along(CentreRegion region, MirrorAxis axis)
    {
        var box = region.Bounds;
        return Math.Abs(axis.Along.X) * box.Width + Math.Abs(axis.Along.Y) * box.Height;
    }

    /// <summary>So many places along an axis are looked at for where discs may slide.</summary>
    private const int AlongLooked = 200;

    /// <summary>Discs to slide along an axis, evenly over what of it is free: none finds its way out of a stage across it.</summary>
    private static IEnumerable<Point> Slid(CentreRegion region, MirrorAxis axis, int count)
    {
        var length = Along(region, axis);
        var middle = axis.Onto(region.Bounds.Centre);
        Point[] all = [.. Enumerable.Range(0, AlongLooked).Select(i => middle + axis.Along * (length * ((i + 0.5) / AlongLooked - 0.5)))];
        var free = Array.FindAll(all, region.Holds);
        if (free.Length == 0)
            free = all;
        for (var i = 0; i < count; i++)
            yield return free[(int)((i + 0.5) / count * free.Length)];
    }

    internal static bool Holds(NearGround ground, double apart, Point[] discs)
    {
        for (var i = 0; i < discs.Length; i++)
        {
            if (!ground.Holds(discs[i]))
                return false;
            for (var j = 0; j < i; j++)
                if (discs[i].DistanceTo(discs[j]) < apart - Within)
                    return false;
        }
        return true;
    }
}
