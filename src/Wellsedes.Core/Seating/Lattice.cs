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

    /// <param name="region">Seen in the frame of the lattice: rows run along x.</param>
    /// <param name="first">The height of a row; the others follow up and down.</param>
    /// <param name="atLeast">What cannot hold as many is not looked at any further.</param>
    /// <param name="axis">Where rows are set about when that costs no place, in the frame of the lattice; null for none.</param>
    public static (int Count, ImmutableArray<ImmutableArray<Point>> Rows) Lay(
        CentreRegion region,
        Bounds box,
        Lattice lattice,
        double first,
        double? axis = null,
        int atLeast = 0
    )
    {
        var (pitch, apart) = (lattice.Pitch, lattice.RowDistance);
        var lowest = first - Math.Floor((first - box.MinY) / apart + 1e-6) * apart;
        List<Stretch> all = [];
        var free = new List<(double From, double To)>();
        var (rows, most) = (0, 0);
        for (var y = lowest; y <= box.MaxY + 1e-3 && rows < MostRows; y += apart, rows++)
        {
            // Rows keep their number, counted from the one that was given: which are shifted must not depend on where the region begins.
            var number = (long)Math.Round((y - first) / apart);
            region.Along(y, free);
            foreach (var (from, to) in free)
            {
                all.Add(new Stretch(rows, y, from, to, lattice.Staggered && number % 2 != 0 ? pitch / 2 : 0));
                most += (int)((to - from) / pitch + 1e-6) + 1;
            }
        }
        if (most < atLeast)
            return (0, []);
        var count = 0;
        var places = Enumerable.Range(0, rows).Select(_ => ImmutableArray.CreateBuilder<Point>()).ToArray();
        foreach (var block in Together(all, pitch, lattice.Staggered ? pitch / 2 : 0))
        {
            var phase = BestPhase(block, pitch, axis);
            foreach (var stretch in block)
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

    private const int MostRows = 2000;

    /// <summary>A part of a row.</summary>
    private sealed record Stretch(int Row, double Y, double From, double To, double Shift);

    /// <summary>
    /// Stretches of neighbouring rows that overlap, or come so near that two places in them would be too near, as one; so those of one row with less than a
    /// pitch between them.
    /// </summary>
    private static IEnumerable<List<Stretch>> Together(List<Stretch> all, double pitch, double near)
    {
        var sets = new JoinedSets(all.Count);
        var begin = 0;
        for (var i = 0; i < all.Count; i++)
        {
            while (all[begin].Row < all[i].Row - 1)
                begin++;
            for (var j = begin; j < i && all[j].Row < all[i].Row; j++)
                if (all[j].Row == all[i].Row - 1 && all[j].From - near <= all[i].To && all[i].From - near <= all[j].To)
                    sets.Join(j, i);
            if (i > 0 && all[i - 1].Row == all[i].Row && all[i].From - all[i - 1].To < pitch)
                sets.Join(i - 1, i);
        }
        return all.Select((stretch, i) => (stretch, Root: sets.Of(i)))
            .GroupBy(one => one.Root)
            .Select(group => group.Select(one => one.stretch).ToList());
    }

    /// <summary>
    /// The phase at which most places stand; of as good ones that on the axis, half a pitch off it, or in the middle of the widest best stretch.
    /// </summary>
    private static double BestPhase(List<Stretch> block, double pitch, double? axis)
    {
        // Each stretch holds one place more while the phase lies between its ends, both taken within one pitch.
        List<(double At, int By)> events = [];
        var now = 0;
        foreach (var stretch in block)
        {
            var extra = (stretch.To - stretch.From) % pitch;
            var from = Mod(stretch.From - stretch.Shift, pitch);
            var to = from + extra;
            events.Add((from, 1));
            if (to >= pitch)
            {
                now++;
                events.Add((to - pitch, -1));
            }
            else
                events.Add((to, -1));
        }
        events.Sort((a, b) => a.At != b.At ? a.At.CompareTo(b.At) : b.By.CompareTo(a.By));
        var best = int.MinValue;
        List<(double From, double To)> stretches = [];
        var at = 0.0;
        foreach (var (next, by) in events.Append((pitch, 0)))
        {
            if (now > best)
            {
                best = now;
                stretches.Clear();
            }
            if (now == best && next >= at)
                stretches.Add((at, next));
            now += by;
            at = next;
        }
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
