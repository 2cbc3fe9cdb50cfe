using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Seating.Dense;

/// <summary>
/// Soft discs in a region: how far each reaches into another or out of the region, squared and halved, is brought down by a limited-memory quasi-Newton
/// method (L-BFGS; Nocedal and Wright, Numerical Optimization, chapter 7; from memory). Distances in mm.
/// </summary>
/// <param name="mirror">With an axis every disc has an image: it keeps from that and the image keeps to the region; null for none.</param>
internal sealed class Squeeze(CentreRegion region, double apart, MirrorAxis? mirror = null)
{
    private const int Memory = 8;

    /// <summary>Steps of one minimisation.</summary>
    private const int MostSteps = 160;

    /// <summary>Energy and gradient looked at: what a search may spend is counted in these.</summary>
    public long Looks { get; private set; }

    /// <summary>So many of the discs, the first, lie on the axis and are their own images.</summary>
    public int OnAxis { get; set; }

    private int[] heads = [];
    private int[] nexts = [];

    /// <summary>Energy of all, and what pulls at each. Energy of each is put into <paramref name="each"/> where it is asked.</summary>
    public double Energy(ReadOnlySpan<Point> discs, Span<Point> pull, Span<double> each = default)
    {
        Looks++;
        var energy = 0.0;
        pull.Clear();
        each.Clear();
        var box = Bounds.Around(discs.ToArray());
        var (columns, rows) = ((int)(box.Width / apart) + 3, (int)(box.Height / apart) + 3);
        if (heads.Length < columns * rows)
            heads = new int[columns * rows];
        if (nexts.Length < discs.Length)
            nexts = new int[discs.Length];
        Array.Fill(heads, -1, 0, columns * rows);
        int Cell(Point p) => ((int)((p.Y - box.MinY) / apart) + 1) * columns + (int)((p.X - box.MinX) / apart) + 1;
        for (var i = 0; i < discs.Length; i++)
        {
            var p = discs[i];
            var at = Cell(p);
            // Those that came before are in the cells already: each pair is met once.
            for (var y = -columns; y <= columns; y += columns)
            for (var x = -1; x <= 1; x++)
            for (var j = heads[at + y + x]; j >= 0; j = nexts[j])
                energy += Pair(p, discs[j], i, j, pull, each);
            (nexts[i], heads[at]) = (heads[at], i);
            Own(p, i, ref energy, pull, each);
            if (mirror is not { } axis)
                continue;
            if (i < OnAxis)
                continue;
            var image = axis.Across(p);
            var depth = region.Depth(image, out var push);
            energy += depth;
            pull[i] -= axis.Turned(push);
            var off = p.DistanceTo(image);
            if (off < apart)
            {
                // Both ends move when this one does.
                var over = apart - off;
                energy += over * over / 2;
                pull[i] -= (off > 1e-9 ? (p - image) * (1 / off) : axis.Along.Left()) * (2 * over);
                depth += over * over;
            }
            if (!each.IsEmpty)
                each[i] += 2 * depth;
        }
        for (var i = 0; mirror is { } line && i < OnAxis; i++)
            pull[i] = line.Along * pull[i].Dot(line.Along);
        return energy;
    }

    private void Own(Point p, int i, ref double energy, Span<Point> pull, Span<double> each)
    {
        if (IsClear(p))
            return;
        var depth = region.Depth(p, out var push);
        if (depth <= 0)
            return;
        energy += depth;
        pull[i] -= push;
        if (!each.IsEmpty)
            each[i] += 2 * depth;
    }

    private readonly Dictionary<(int, int), bool> clear = [];

    /// <summary>Whether nothing of the region's bounds is near: found once for each cell of the floor.</summary>
    private bool IsClear(Point p)
    {
        var cell = apart / 4;
        var key = ((int)Math.Floor(p.X / cell), (int)Math.Floor(p.Y / cell));
        if (!clear.TryGetValue(key, out var known))
            clear[key] = known = region.IsClear(new Point((key.Item1 + 0.5) * cell, (key.Item2 + 0.5) * cell), cell * 0.7072);
        return known;
    }

    private double Pair(Point p, Point q, int i, int j, Span<Point> pull, Span<double> each)
    {
        var (dx, dy) = (p.X - q.X, p.Y - q.Y);
        var squared = dx * dx + dy * dy;
        if (squared >= apart * apart)
            return 0;
        var off = Math.Sqrt(squared);
        var over = apart - off;
        var along = off > 1e-9 ? new Point(dx / off, dy / off) : new Point(1, 0);
        pull[i] -= along * over;
        pull[j] += along * over;
        if (!each.IsEmpty)
        {
            each[i] += over * over;
            each[j] += over * over;
        }
        return over * over / 2;
    }

    /// <summary>Moves discs until nothing is won any more; the energy then.</summary>
    /// <param name="enough">Less energy than this is as good as none.</param>
    public double Minimise(Point[] discs, double enough)
    {
        var n = discs.Length;
        var (pull, before, was) = (new Point[n], new Point[n], new Point[n]);
        List<(Point[] S, Point[] Y, double Rho)> memory = [];
        var energy = Energy(discs, pull);
        var way = new Point[n];
        for (var step = 0; step < MostSteps && energy > enough; step++)
        {
            Direction(pull, memory, way);
            var slope = Dot(pull, way);
            if (slope >= 0)
            {
                memory.Clear();
                for (var i = 0; i < n; i++)
                    way[i] = pull[i] * -1;
                slope = Dot(pull, way);
                if (slope > -1e-12)
                    break;
            }
            Array.Copy(discs, was, n);
            Array.Copy(pull, before, n);
            var (length, found) = (1.0, false);
            var longest = 0.0;
            foreach (var one in way)
                longest = Math.Max(longest, one.Length);
            if (longest > apart / 2)
                length = apart / 2 / longest;
            for (var tries = 0; tries < 12; tries++)
            {
                for (var i = 0; i < n; i++)
                    discs[i] = was[i] + way[i] * length;
                var now = Energy(discs, pull);
                if (now <= energy + 1e-4 * length * slope)
                {
                    found = energy - now > 1e-12 * energy;
                    energy = now;
                    break;
                }
                length /= 2;
            }
            if (!found)
            {
                if (memory.Count == 0)
                    break;
                memory.Clear();
                continue;
            }
            var (s, y) = (new Point[n], new Point[n]);
            for (var i = 0; i < n; i++)
                (s[i], y[i]) = (discs[i] - was[i], pull[i] - before[i]);
            var sy = Dot(s, y);
            if (sy > 1e-10)
            {
                memory.Add((s, y, 1 / sy));
                if (memory.Count > Memory)
                    memory.RemoveAt(0);
            }
        }
        return energy;
    }

    /// <summary>Two loops over what was learnt.</summary>
    private static void Direction(Point[] pull, List<(Point[] S, Point[] Y, double Rho)> memory, Point[] way)
    {
        for (var i = 0; i < way.Length; i++)
            way[i] = pull[i] * -1;
        var alphas = new double[memory.Count];
        for (var k = memory.Count - 1; k >= 0; k--)
        {
            var (s, y, rho) = memory[k];
            alphas[k] = rho * Dot(s, way);
            for (var i = 0; i < way.Length; i++)
                way[i] -= y[i] * alphas[k];
        }
        if (memory.Count > 0)
        {
            var (s, y, _) = memory[^1];
            var scale = Dot(s, y) / Dot(y, y);
            for (var i = 0; i < way.Length; i++)
                way[i] *= scale;
        }
        for (var k = 0; k < memory.Count; k++)
        {
            var (s, y, rho) = memory[k];
            var beta = rho * Dot(y, way);
            for (var i = 0; i < way.Length; i++)
                way[i] += s[i] * (alphas[k] - beta);
        }
    }

    private static double Dot(Point[] a, Point[] b)
    {
        var sum = 0.0;
        for (var i = 0; i < a.Length; i++)
            sum += a[i].X * b[i].X + a[i].Y * b[i].Y;
        return sum;
    }
}
