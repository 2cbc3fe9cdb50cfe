using System.Runtime.InteropServices;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Seating.Dense;

/// <summary>
/// Soft discs in a region: how far each reaches into another or out of the region, squared and halved, is brought down. Distances in mm.
/// </summary>
/// <param name="mirror">With an axis every disc has an image: it keeps from that and the image keeps to the region; null for none.</param>
internal sealed class Squeeze(NearGround ground, double apart, MirrorAxis? mirror = null)
{
    /// <summary>Steps of one minimisation.</summary>
    private const int MostSteps = 300;

    /// <summary>Who is within this share of the distance beyond it may come to touch before neighbours are looked for anew.</summary>
    private const double Skin = 0.3;

    /// <summary>After so many steps it is looked at whether going on is worth it.</summary>
    private const int Watched = 8;

    /// <summary>What as many steps must at least bring the energy down to, as a share: less, and it will not come to nothing.</summary>
    private const double Worth = 0.99;

    private readonly QuasiNewton learnt = new();

    /// <summary>Energy and gradient looked at: what a search may spend is counted in these.</summary>
    public long Looks { get; private set; }

    /// <summary>So many of the discs, the first, lie on the axis and are their own images.</summary>
    public int OnAxis { get; set; }

    /// <summary>Pairs that may touch, and where all were when they were looked for.</summary>
    private readonly List<(int I, int J)> pairs = [];
    private Point[] seen = [];

    /// <summary>Energy of all, and what pulls at each. Energy of each is put into <paramref name="each"/> where it is asked.</summary>
    public double Energy(ReadOnlySpan<Point> discs, Span<Point> pull, Span<double> each = default)
    {
        Looks++;
        Neighbours(discs);
        pull.Clear();
        each.Clear();
        var energy = 0.0;
        var least = apart * apart;
        foreach (var (i, j) in CollectionsMarshal.AsSpan(pairs))
        {
            var (dx, dy) = (discs[i].X - discs[j].X, discs[i].Y - discs[j].Y);
            var squared = dx * dx + dy * dy;
            if (squared >= least)
                continue;
            var off = Math.Sqrt(squared);
            var over = apart - off;
            var along = off > 1e-9 ? new Point(dx * over / off, dy * over / off) : new Point(over, 0);
            pull[i] -= along;
            pull[j] += along;
            energy += over * over / 2;
            if (each.IsEmpty)
                continue;
            each[i] += over * over;
            each[j] += over * over;
        }
        for (var i = 0; i < discs.Length; i++)
        {
            var depth = ground.Depth(discs[i], out var push);
            if (depth > 0)
                pull[i] -= push;
            if (mirror is { } axis && i >= OnAxis)
                depth += Image(discs[i], axis, ref pull[i]);
            energy += depth;
            if (!each.IsEmpty)
                each[i] += 2 * depth;
        }
        for (var i = 0; mirror is { } line && i < OnAxis; i++)
            pull[i] = line.Along * pull[i].Dot(line.Along);
        return energy;
    }

    /// <summary>What a disc's image is in, and it in the disc.</summary>
    private double Image(Point p, MirrorAxis axis, ref Point pull)
    {
        var image = axis.Across(p);
        var depth = ground.Depth(image, out var push);
        pull -= axis.Turned(push);
        var off = p.DistanceTo(image);
        if (off >= apart)
            return depth;
        // Both ends move when this one does.
        var over = apart - off;
        pull -= (off > 1e-9 ? (p - image) * (1 / off) : axis.Along.Left()) * (2 * over);
        return depth + over * over / 2;
    }

    /// <summary>Looks for the pairs anew where one has moved by half the skin since.</summary>
    private void Neighbours(ReadOnlySpan<Point> discs)
    {
        var free = Skin * apart / 2;
        if (seen.Length == discs.Length)
        {
            var moved = false;
            for (var i = 0; i < discs.Length && !moved; i++)
            {
                var (dx, dy) = (discs[i].X - seen[i].X, discs[i].Y - seen[i].Y);
                moved = !(dx * dx + dy * dy < free * free);
            }
            if (!moved)
                return;
        }
        else
            seen = new Point[discs.Length];
        discs.CopyTo(seen);
        pairs.Clear();
        // From left to right: those that are near come within a short stretch of the order.
        var within = apart * (1 + Skin);
        var order = new int[discs.Length];
        var across = new double[discs.Length];
        for (var i = 0; i < discs.Length; i++)
            (order[i], across[i]) = (i, discs[i].X);
        Array.Sort(across, order);
        for (var i = 1; i < order.Length; i++)
        {
            var p = discs[order[i]];
            for (var j = i - 1; j >= 0 && p.X - across[j] < within; j--)
            {
                var (dx, dy) = (p.X - across[j], p.Y - discs[order[j]].Y);
                if (dx * dx + dy * dy < within * within)
                    pairs.Add((order[i], order[j]));
            }
        }
    }

    private Point[] pulls = [];
    private Point[] before = [];
    private Point[] was = [];
    private Point[] ways = [];

    /// <summary>Moves discs until nothing is won any more; the energy then.</summary>
    /// <param name="enough">Less energy than this is as good as none.</param>
    public double Minimise(Point[] discs, double enough)
    {
        var n = discs.Length;
        if (pulls.Length != n)
            (pulls, before, was, ways) = (new Point[n], new Point[n], new Point[n], new Point[n]);
        learnt.Begin(2 * n);
        var energy = Energy(discs, pulls);
        var watched = energy;
        for (var step = 1; step <= MostSteps && energy > enough; step++)
        {
            if (step % Watched == 0)
            {
                if (energy > Worth * watched)
                    break;
                watched = energy;
            }
            var slope = learnt.Direction(Flat(pulls), Flat(ways));
            if (slope > -1e-12)
                break;
            discs.CopyTo(was, 0);
            pulls.CopyTo(before, 0);
            var longest = 0.0;
            foreach (var way in ways)
                longest = Math.Max(longest, way.Dot(way));
            longest = Math.Sqrt(longest);
            var length = longest > apart / 2 ? apart / 2 / longest : 1;
            var found = false;
            for (var tries = 0; tries < 12 && !found; tries++, length /= 2)
            {
                for (var i = 0; i < n; i++)
                    discs[i] = was[i] + ways[i] * length;
                var now = Energy(discs, pulls);
                if (now > energy + 1e-4 * length * slope)
                    continue;
                found = true;
                if (energy - now <= 1e-12 * energy)
                    return now;
                energy = now;
            }
            if (found)
                learnt.Take(Flat(discs), Flat(was), Flat(pulls), Flat(before));
            else if (!learnt.Forget())
                break;
            else
            {
                was.CopyTo(discs, 0);
                before.CopyTo(pulls, 0);
            }
        }
        return energy;
    }

    private static Span<double> Flat(Point[] points) => MemoryMarshal.Cast<Point, double>(points.AsSpan());
}
