using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Seating.Dense;

/// <summary>
/// One disc more at a time. Where it does not fit the most squeezed one is put to the emptiest place, or a neighbourhood is shaken, and it is tried again, worse by a
/// little being taken at first (threshold accepting); the least squeezed so far are gone on from.
/// </summary>
/// <param name="isOwn">Whether a place belongs to what is filled; null for the whole ground.</param>
/// <param name="axis">What the discs are the same on both sides of, <paramref name="onAxis"/> of them lying on it; null for none.</param>
internal sealed class DenseSearch(
    NearGround ground,
    double apart,
    Predicate<Point>? isOwn,
    int seed,
    MirrorAxis? axis = null,
    int onAxis = 0
)
{
    /// <summary>Places that are looked at for the emptiest.</summary>
    private const int Looked = 120;

    /// <summary>Fewer, where starts are to differ more from one another.</summary>
    private const int FewLooked = 30;

    /// <summary>Aimed at beyond the distance asked, in mm: low energy alone is no proof.</summary>
    private const double Beyond = 0.004;

    /// <summary>Less than this, in mm², is no overlap that could be measured.</summary>
    private const double Enough = Beyond * Beyond / 4;

    /// <summary>The least squeezed so far that are gone on from.</summary>
    private const int Kept = 5;
    private const int Tries = 40;

    /// <summary>So many places too many may be taken out of a start again; of fuller ones too little is left.</summary>
    private const int TooFull = 5;

    private readonly Scatter random = new(seed);
    private readonly Squeeze squeeze = new(ground, apart + Beyond, axis) { OnAxis = onAxis };

    /// <summary>As many as are found; with an axis the images too, the first of the answer lying on it.</summary>
    /// <param name="begun">The first is begun with, what of it does not go together being taken out.</param>
    /// <param name="starts">Others, that may be too full.</param>
    public Point[] Fill(IReadOnlyList<Point[]> begun, IReadOnlyList<Point[]> starts, long looks)
    {
        starts = [.. starts, Rings()];
        var best = begun.Select(Loosened).MaxBy(one => one.Length) ?? [];
        var lattice = best;
        foreach (var start in axis is null ? starts : [])
            if (
                start.Length > best.Length
                && start.Length <= best.Length + TooFull
                && squeeze.Looks < looks
                && Loosened(start) is var loosened
                && loosened.Length > best.Length
            )
                best = loosened;
        // A lattice is better to go on from than what was squeezed into as many.
        starts = [lattice, .. starts];
        while (
            squeeze.Looks < looks
            && OneMore(best == lattice ? starts : [.. starts.Take(1), best, .. starts.Skip(1)], best.Length + 1, looks) is { } more
        )
        {
            best = more;
            starts = [more, .. starts.Skip(1)];
        }
        return Whole(best);
    }

    private Point[] Whole(Point[] discs) => axis is { } line ? [.. discs, .. discs[onAxis..].Select(line.Across)] : discs;

    /// <summary>Without the most squeezed ones, until the rest holds.</summary>
    private Point[] Loosened(Point[] discs)
    {
        discs = [.. discs];
        while (discs.Length > onAxis && !(squeeze.Minimise(discs, Enough) <= Enough * discs.Length && IsFound(discs)))
        {
            var each = new double[discs.Length];
            squeeze.Energy(discs, new Point[discs.Length], each);
            var worst = Worst(each);
            discs = [.. discs[..worst], .. discs[(worst + 1)..]];
        }
        return discs;
    }

    private bool IsFound(Point[] discs) =>
        (isOwn is null || Array.TrueForAll(discs, isOwn)) && DenseFill.Holds(ground, apart, Whole(discs));

    private Point[]? OneMore(IReadOnlyList<Point[]> starts, int wanted, long looks)
    {
        List<(Point[] Discs, double Energy)> pool = [];
        var (pull, each) = (new Point[wanted], new double[wanted]);
        for (var round = 0; squeeze.Looks < looks; round++)
        {
            var isNew = round < starts.Count || pool.Count == 0 || round % 3 == 2;
            var (discs, energy) = isNew ? Begun(starts, round, wanted, looks) : pool[random.Next(0, pool.Count)];
            for (var tries = 0; tries < Tries && squeeze.Looks < looks; tries++)
            {
                if (energy <= Enough * wanted && IsFound(discs))
                    return discs;
                squeeze.Energy(discs, pull, each);
                var next = (Point[])discs.Clone();
                var moved = tries % 3 == 2 ? random.Next(onAxis, wanted) : Worst(each);
                if (moved >= wanted)
                    break;
                if (tries % 2 == 0)
                    next[moved] = Emptiest(next, moved);
                else
                    for (var i = onAxis; i < wanted; i++)
                        if (next[i].DistanceTo(discs[moved]) < 2 * apart)
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

    /// <summary>The most squeezed one.</summary>
    private int Worst(double[] each)
    {
        var worst = onAxis;
        for (var i = onAxis; i < each.Length; i++)
            if (each[i] > each[worst])
                worst = i;
        return worst;
    }

    /// <summary>One of the starts with discs added at the emptiest places; later on, where the region is the same when it is turned, discs that are so too, and in round ones those that begin at the rim.</summary>
    private (Point[] Discs, double Energy) Begun(IReadOnlyList<Point[]> starts, int round, int wanted, long looks)
    {
        int[] folds =
            axis is null && round > 0 && (ground.Turning.IsRound ? round % 2 == 1 : round >= starts.Count)
                ? ground.Turning.FoldsOf(wanted)
                : [];
        if (folds.Length > 0)
            return LeastOf(() => Turned(folds[random.Next(0, folds.Length)], wanted), wanted, looks);
        if (axis is null && round % 2 == 0 && ground.Turning.IsRound)
            return LeastOf(() => Rim(wanted), wanted, looks);
        Point[] discs = [.. starts[round % starts.Count].Take(wanted)];
        while (discs.Length < wanted)
            discs = [.. discs, Emptiest(discs)];
        return (discs, squeeze.Minimise(discs, Enough));
    }

    /// <summary>A fill turned round about the middle comes of a few discs, one begun at the rim is soon squeezed: many are tried.</summary>
    private const int ManyTries = 8;

    /// <summary>The least squeezed of several that are made and squeezed.</summary>
    private (Point[] Discs, double Energy) LeastOf(Func<Point[]> made, int wanted, long looks)
    {
        var (discs, least) = (Array.Empty<Point>(), double.PositiveInfinity);
        for (var i = 0; i < ManyTries && least > Enough * wanted && (i == 0 || squeeze.Looks < looks); i++)
            if (made() is var one && squeeze.Minimise(one, Enough) is var then && then < least)
                (discs, least) = (one, then);
        return (discs, least);
    }

    /// <summary>As many as go round beside the edge of a round region, the rest within.</summary>
    private Point[] Rim(int wanted)
    {
        var (middle, begin) = (ground.Turning.Middle, 360 * random.Next());
        var radius = Math.Min(ground.Bounds.Width, ground.Bounds.Height) / 2;
        var count = Math.Min(wanted, (int)(Math.PI / Math.Asin(Math.Min(1, apart / 2 / radius))));
        List<Point> discs = [.. Enumerable.Range(0, count).Select(i => middle + Point.At(begin + 360.0 * i / count) * radius)];
        while (discs.Count < wanted)
            discs.Add(Emptiest([.. discs], looked: FewLooked));
        return [.. discs];
    }

    private Point[] Turned(int fold, int wanted)
    {
        List<Point> discs = wanted % fold == 1 ? [ground.Turning.Middle] : [];
        while (discs.Count < wanted)
        {
            var p = Emptiest([.. discs], looked: FewLooked);
            for (var i = 0; i < fold; i++)
                discs.Add(ground.Turning.About(p, 360.0 * i / fold));
        }
        return [.. discs];
    }

    /// <summary>Six, twelve, eighteen … about the middle: what round regions are fullest with, or nearly.</summary>
    private Point[] Rings()
    {
        var (middle, most) = (ground.Bounds.Centre, (int)(Math.Max(ground.Bounds.Width, ground.Bounds.Height) / 2 / apart) + 1);
        return
        [
            .. Enumerable
                .Range(0, most + 1)
                .SelectMany(ring => Enumerable.Range(0, Math.Max(1, 6 * ring)).Select(i => (ring, i)))
                .Select(at => middle + Point.At(360.0 * at.i / Math.Max(1, 6 * at.ring)) * (at.ring * apart))
                .Where(p => ground.Holds(p) && isOwn?.Invoke(p) != false),
        ];
    }

    /// <summary>Of random places in the region the one farthest from every disc.</summary>
    /// <param name="without">A disc that is left aside.</param>
    private Point Emptiest(ReadOnlySpan<Point> discs, int without = -1, int looked = Looked)
    {
        var box = ground.Bounds;
        var (best, far) = (box.Centre, double.NegativeInfinity);
        for (var (i, tries) = (0, 0); i < looked && tries < 20 * looked; tries++)
        {
            var p = new Point(box.MinX + box.Width * random.Next(), box.MinY + box.Height * random.Next());
            if (axis is { } line && (p - line.At).Cross(line.Along) < 0)
                p = line.Across(p);
            if (!ground.Holds(p) || isOwn?.Invoke(p) == false)
                continue;
            i++;
            var off = double.PositiveInfinity;
            for (var j = 0; j < discs.Length && off > far; j++)
                if (j != without)
                {
                    var (dx, dy) = (discs[j].X - p.X, discs[j].Y - p.Y);
                    off = Math.Min(off, dx * dx + dy * dy);
                }
            if (off > far)
                (best, far) = (p, off);
        }
        return best;
    }
}
