using System.Collections.Immutable;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Seating;

/// <summary>
/// Rows of places at equal distances: along each row the pitch from middle to middle, from row to row the row distance; staggered, every other row is
/// shifted by half a pitch. Turn in degrees: the direction of the rows.
/// </summary>
public sealed record Lattice(double Turn, double Pitch, double RowDistance, bool Staggered);

/// <summary>A lattice laid into a region: where its places are, row by row.</summary>
public sealed record LatticeFill(Lattice Lattice, ImmutableArray<ImmutableArray<Point>> Rows)
{
    public int Count { get; } = Rows.Sum(row => row.Length);

    public IEnumerable<Point> Places => Rows.SelectMany(row => row);
}

/// <summary>
/// Lays lattices into a region by scan lines: each line of a lattice is cut into exact intervals, and of all phases along the line the best is found exactly, as
/// the place where most of the intervals, taken by their ends within one pitch, hold one place more. Intervals of neighbouring rows that overlap belong together and
/// share their phase; what an aisle parts has its own.
/// </summary>
public static class LatticeLaying
{
    /// <summary>Within the stretch of best phases, in mm off its ends.</summary>
    private const double OffEnd = 1e-4;

    private const int MostRows = 2000;

    /// <summary>Lists that are used again: a search lays thousands of lattices.</summary>
    private sealed class Desk
    {
        public readonly List<(double From, double To)> Free = [];
        public readonly List<Stretch> All = [];
        public readonly List<Stretch> Block = [];
        public readonly List<(double At, int By)> Events = [];
        public readonly List<(double From, double To)> Best = [];
        public int[] Roots = [];
    }

    [ThreadStatic]
    private static Desk? desk;

    /// <param name="region">Seen in the frame of the lattice: rows run along x.</param>
    /// <param name="first">The height of a row; the others follow up and down.</param>
    /// <param name="axis">Where rows are set about when that costs no place, in the frame of the lattice; null for none.</param>
    public static (int Count, ImmutableArray<ImmutableArray<Point>> Rows) Lay(
        CentreRegion region,
        Bounds box,
        Lattice lattice,
        double first,
        double? axis = null
    )
    {
        var at = desk ??= new();
        var (rows, _) = Stretches(at, region, box, lattice, first);
        var (pitch, count) = (lattice.Pitch, 0);
        var places = Enumerable.Range(0, rows).Select(_ => ImmutableArray.CreateBuilder<Point>()).ToArray();
        Join(at, lattice);
        while (NextBlock(at))
        {
            MostPlaces(at, pitch);
            var phase = BestPhase(at, pitch, axis);
            foreach (var stretch in at.Block)
            {
                var begin = stretch.From + Mod(phase + stretch.Shift - stretch.From, pitch);
                for (var x = begin; x <= stretch.To + OffEnd / 10; x += pitch)
                {
                    places[stretch.Row].Add(new Point(x, stretch.Y));
                    count++;
                }
            }
        }
        return (count, [.. places.Where(row => row.Count > 0).Select(row => row.OrderBy(p => p.X).ToImmutableArray())]);
    }

    /// <summary>How many it holds, or a little more where a best phase is but a point; no places are made.</summary>
    /// <param name="atLeast">What cannot hold as many is not looked at any further: 0.</param>
    internal static int MostOf(CentreRegion region, Bounds box, Lattice lattice, double first, int atLeast)
    {
        var at = desk ??= new();
        if (Stretches(at, region, box, lattice, first).Most < atLeast)
            return 0;
        Join(at, lattice);
        var count = 0;
        while (NextBlock(at))
        {
            count += MostPlaces(at, lattice.Pitch);
            foreach (var stretch in at.Block)
                count += (int)((stretch.To - stretch.From) / lattice.Pitch);
        }
        return count;
    }

    /// <summary>The parts of all rows; how many rows there are, and how many places at most.</summary>
    private static (int Rows, int Most) Stretches(Desk at, CentreRegion region, Bounds box, Lattice lattice, double first)
    {
        var (pitch, apart) = (lattice.Pitch, lattice.RowDistance);
        var lowest = first - Math.Floor((first - box.MinY) / apart + 1e-6) * apart;
        at.All.Clear();
        var (rows, most) = (0, 0);
        for (var y = lowest; y <= box.MaxY + 1e-3 && rows < MostRows; y += apart, rows++)
        {
            // Rows keep their number, counted from the one that was given: which are shifted must not depend on where the region begins.
            var number = (long)Math.Round((y - first) / apart);
            region.Along(y, at.Free);
            foreach (var (from, to) in at.Free)
            {
                at.All.Add(new Stretch(rows, y, from, to, lattice.Staggered && number % 2 != 0 ? pitch / 2 : 0));
                most += (int)((to - from) / pitch + 1e-6) + 1;
            }
        }
        return (rows, most);
    }

    /// <summary>A part of a row.</summary>
    private readonly record struct Stretch(int Row, double Y, double From, double To, double Shift);

    /// <summary>
    /// Stretches of neighbouring rows that overlap, or come so near that two places in them would be too near, as one; so those of one row with less than a
    /// pitch between them.
    /// </summary>
    private static void Join(Desk at, Lattice lattice)
    {
        var (all, pitch, near) = (at.All, lattice.Pitch, lattice.Staggered ? lattice.Pitch / 2 : 0);
        if (at.Roots.Length < all.Count)
            at.Roots = new int[Math.Max(64, 2 * all.Count)];
        var sets = new JoinedSets(all.Count);
        var begin = 0;
        for (var i = 0; i < all.Count; i++)
        {
            var one = all[i];
            while (all[begin].Row < one.Row - 1)
                begin++;
            for (var j = begin; j < i && all[j].Row < one.Row; j++)
                if (all[j].From - near <= one.To && one.From - near <= all[j].To)
                    sets.Join(i, j);
            if (i > 0 && all[i - 1].Row == one.Row && one.From - all[i - 1].To < pitch)
                sets.Join(i, i - 1);
        }
        for (var i = 0; i < all.Count; i++)
            at.Roots[i] = sets.Of(i);
    }

    /// <summary>Puts the next set of stretches that belong together on the desk; false where none is left.</summary>
    private static bool NextBlock(Desk at)
    {
        at.Block.Clear();
        var root = -1;
        for (var i = 0; i < at.All.Count; i++)
        {
            if (at.Roots[i] < 0 || (root >= 0 && at.Roots[i] != root))
                continue;
            root = at.Roots[i];
            at.Roots[i] = -1;
            at.Block.Add(at.All[i]);
        }
        return root >= 0;
    }

    /// <summary>
    /// How many of a block's stretches hold one place more at the best phase, and the phases at which they do: each does while the phase lies between its ends, both taken within
    /// one pitch.
    /// </summary>
    private static int MostPlaces(Desk at, double pitch)
    {
        at.Events.Clear();
        at.Best.Clear();
        var now = 0;
        foreach (var stretch in at.Block)
        {
            var extra = (stretch.To - stretch.From) % pitch;
            var from = Mod(stretch.From - stretch.Shift, pitch);
            var to = from + extra;
            at.Events.Add((from, 1));
            if (to >= pitch)
            {
                now++;
                at.Events.Add((to - pitch, -1));
            }
            else
                at.Events.Add((to, -1));
        }
        at.Events.Add((pitch, 0));
        // Those that begin before those that end.
        Bands.Sort(at.Events, static (a, b) => a.At != b.At ? a.At.CompareTo(b.At) : b.By.CompareTo(a.By));
        var best = int.MinValue;
        var last = 0.0;
        foreach (var (next, by) in at.Events)
        {
            if (now > best)
            {
                best = now;
                at.Best.Clear();
            }
            if (now == best && next >= last)
                at.Best.Add((last, next));
            now += by;
            last = next;
        }
        return best;
    }

    /// <summary>Of the phases at which most places stand that on the axis, half a pitch off it, or in the middle of the widest stretch.</summary>
    private static double BestPhase(Desk at, double pitch, double? axis)
    {
        var stretches = at.Best;
        // Where best stretches end at one pitch and begin at nothing they are one.
        if (stretches.Count > 1 && stretches[0].From <= 1e-9 && stretches[^1].To >= pitch - 1e-9)
        {
            stretches[0] = (stretches[^1].From - pitch, stretches[0].To);
            stretches.RemoveAt(stretches.Count - 1);
        }
        if (axis is { } middle)
            foreach (var wished in (double[])[Mod(middle, pitch), Mod(middle + pitch / 2, pitch)])
                if (
                    stretches.Exists(s =>
                        (wished >= s.From - 1e-9 && wished <= s.To + 1e-9)
                        || (wished - pitch >= s.From - 1e-9 && wished - pitch <= s.To + 1e-9)
                    )
                )
                    return wished;
        var (low, high) = stretches.MaxBy(s => s.To - s.From);
        return high - low > 2 * OffEnd ? (low + high) / 2 : low;
    }

    private static double Mod(double value, double by)
    {
        var rest = value % by;
        return rest < 0 ? rest + by : rest;
    }
}
