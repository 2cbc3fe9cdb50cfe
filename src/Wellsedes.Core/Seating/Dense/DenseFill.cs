using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Seating.Dense;

/// <summary>
/// More places than lattices hold: from a filled region one disc more at a time is squeezed in. Where it does not fit the most squeezed one is put to the emptiest place, or
/// a neighbourhood is shaken, and it is tried again, worse by a little being taken at first (threshold accepting). The same seed gives the same places.
/// </summary>
public static class DenseFill
{
    /// <summary>Places that are looked at for the emptiest.</summary>
    private const int Looked = 120;

    /// <summary>Aimed at beyond the distance asked, in mm: low energy alone is no proof.</summary>
    private const double Beyond = 0.004;

    /// <summary>Distances hold within this, in mm.</summary>
    private const double Within = 0.01;

    /// <param name="starts">Places that hold, the fullest first; such as are too near each other among them.</param>
    /// <param name="looks">What it may spend: how often all discs are looked at.</param>
    public static Point[] More(CentreRegion region, double apart, IReadOnlyList<Point[]> starts, long looks, int seed = 1)
    {
        Point[] best = [.. starts.Where(start => Holds(region, apart, start)).MaxBy(start => start.Length) ?? []];
        starts = [.. starts, Rings(region, apart)];
        var random = new Scatter(seed);
        var squeeze = new Squeeze(region, apart + Beyond);
        while (squeeze.Looks < looks && OneMore(region, apart, squeeze, [best, .. starts], best.Length + 1, looks, random) is { } more)
            best = more;
        return best;
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

    /// <summary>Six, twelve, eighteen … about the middle: what round regions are fullest with, or nearly.</summary>
    private static Point[] Rings(CentreRegion region, double apart)
    {
        var (middle, most) = (region.Bounds.Centre, (int)(Math.Max(region.Bounds.Width, region.Bounds.Height) / 2 / apart) + 1);
        return
        [
            .. Enumerable
                .Range(0, most + 1)
                .SelectMany(ring => Enumerable.Range(0, Math.Max(1, 6 * ring)).Select(i => (ring, i)))
                .Select(at => middle + Point.At(360.0 * at.i / Math.Max(1, 6 * at.ring)) * (at.ring * apart))
                .Where(region.Holds),
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
        Point[] best = [];
        // Some discs slide along the axis: of every number it is tried, few of them first.
        var most = (int)(Along(region, axis) / apart) + 1;
        for (var sliding = 0; sliding <= most; sliding++)
        {
            var random = new Scatter(seed + sliding);
            var squeeze = new Squeeze(region, apart + Beyond, axis) { OnAxis = sliding };
            Point[]? half = [.. Slid(region, axis, sliding, apart)];
            if (half.Length < sliding)
                break;
            var begun = starts
                .Where(start => Holds(region, apart, start))
                .Select(start => half.Concat(start.Where(p => (p - axis.At).Cross(axis.Along) >= apart / 2 - 1)).ToArray())
                .OrderByDescending(start => start.Length)
                .ToArray();
            // What does not go together with those on the axis is taken out again.
            var now = begun.Select(start => Loosened(region, apart, squeeze, start, sliding)).MaxBy(start => start.Length) ?? half;
            var until = squeeze.Looks + looks / (most + 1);
            while (squeeze.Looks < until && OneMore(region, apart, squeeze, [now], now.Length + 1, until, random, axis) is { } more)
                now = more;
            Point[] whole = [.. now, .. now[sliding..].Select(axis.Across)];
            if (whole.Length > best.Length && Holds(region, apart, whole))
                best = whole;
        }
        return best;
    }

    private static double Along(CentreRegion region, MirrorAxis axis)
    {
        var box = region.Bounds;
        return Math.Abs(axis.Along.X) * box.Width + Math.Abs(axis.Along.Y) * box.Height;
    }

    private static IEnumerable<Point> Slid(CentreRegion region, MirrorAxis axis, int count, double apart)
    {
        var length = Along(region, axis);
        var middle = axis.Onto(region.Bounds.Centre);
        for (var i = 0; i < count; i++)
            yield return middle + axis.Along * (length * ((i + 0.5) / Math.Max(1, count) - 0.5) * 0.95);
    }

    /// <summary>Without the most squeezed ones, until the rest holds.</summary>
    private static Point[] Loosened(CentreRegion region, double apart, Squeeze squeeze, Point[] discs, int fixedOnes)
    {
        while (discs.Length > fixedOnes)
        {
            var energy = squeeze.Minimise(discs, Enough);
            if (energy <= Enough)
                return discs;
            var each = new double[discs.Length];
            squeeze.Energy(discs, new Point[discs.Length], each);
            var worst = fixedOnes;
            for (var i = fixedOnes; i < discs.Length; i++)
                if (each[i] > each[worst])
                    worst = i;
            discs = [.. discs[..worst], .. discs[(worst + 1)..]];
        }
        return discs;
    }

    /// <summary>Less than this, in mm², is no overlap that could be measured.</summary>
    private const double Enough = Beyond * Beyond / 4;

    /// <summary>The least squeezed so far that are gone on from.</summary>
    private const int Kept = 5;
    private const int Tries = 40;

    private static Point[]? OneMore(
        CentreRegion region,
        double apart,
        Squeeze squeeze,
        IReadOnlyList<Point[]> starts,
        int wanted,
        long looks,
        Scatter random,
        MirrorAxis? axis = null
    )
    {
        List<(Point[] Discs, double Energy)> pool = [];
        for (var round = 0; squeeze.Looks < looks; round++)
        {
            Point[] discs;
            double energy;
            if (round < starts.Count || pool.Count == 0 || round % 6 == 5)
            {
                discs = [.. starts[round % starts.Count].Take(wanted)];
                while (discs.Length < wanted)
                    discs = [.. discs, Emptiest(region, discs, random, axis)];
                energy = squeeze.Minimise(discs, Enough);
            }
            else
                (discs, energy) = pool[random.Next(0, pool.Count)];
            var each = new double[wanted];
            for (var tries = 0; tries < Tries && squeeze.Looks < looks; tries++)
            {
                if (energy <= Enough * wanted && Holds(region, apart, discs, axis, squeeze.OnAxis))
                    return discs;
                squeeze.Energy(discs, new Point[wanted], each);
                var next = (Point[])discs.Clone();
                var worst = Worst(each, squeeze.OnAxis, tries % 3 == 2 ? random : null);
                if (worst < 0)
                    break;
                if (tries % 2 == 0)
                    next[worst] = Emptiest(region, [.. discs[..worst], .. discs[(worst + 1)..]], random, axis);
                else
                    for (var i = squeeze.OnAxis; i < wanted; i++)
                        if (next[i].DistanceTo(discs[worst]) < 2 * apart)
                            next[i] += Point.At(360 * random.Next()) * (apart * 0.35 * random.Next());
                var then = squeeze.Minimise(next, Enough);
                // Worse by a little is taken at first, later nothing that is worse.
                if (then < energy * (1 + 0.25 * (1 - tries / (double)Tries)))
                    (discs, energy) = (next, then);
            }
            if (pool.TrueForAll(one => Math.Abs(one.Energy - energy) > 1e-6 * energy))
                pool.Add((discs, energy));
            pool.Sort((a, b) => a.Energy.CompareTo(b.Energy));
            if (pool.Count > Kept)
                pool.RemoveAt(Kept);
        }
        return null;
    }

    private static int Worst(double[] each, int from, Scatter? random)
    {
        if (from >= each.Length)
            return -1;
        if (random is not null)
            return random.Next(from, each.Length);
        var worst = from;
        for (var i = from; i < each.Length; i++)
            if (each[i] > each[worst])
                worst = i;
        return worst;
    }

    /// <summary>Of random places in the region the one farthest from every disc.</summary>
    private static Point Emptiest(CentreRegion region, Point[] discs, Scatter random, MirrorAxis? axis)
    {
        var box = region.Bounds;
        var (best, far) = (box.Centre, double.NegativeInfinity);
        for (var (i, tries) = (0, 0); i < Looked && tries < 20 * Looked; tries++)
        {
            var p = new Point(box.MinX + box.Width * random.Next(), box.MinY + box.Height * random.Next());
            if (axis is { } line && (p - line.At).Cross(line.Along) < 0)
                p = line.Across(p);
            if (!region.Holds(p))
                continue;
            i++;
            var off = double.PositiveInfinity;
            foreach (var disc in discs)
                off = Math.Min(off, disc.DistanceTo(p));
            if (off > far)
                (best, far) = (p, off);
        }
        return best;
    }

    private static bool Holds(CentreRegion region, double apart, Point[] discs, MirrorAxis? axis = null, int onAxis = 0)
    {
        if (axis is { } line)
            discs = [.. discs, .. discs[onAxis..].Select(line.Across)];
        for (var i = 0; i < discs.Length; i++)
        {
            if (!region.Holds(discs[i]))
                return false;
            for (var j = 0; j < i; j++)
                if (discs[i].DistanceTo(discs[j]) < apart - Within)
                    return false;
        }
        return true;
    }
}
