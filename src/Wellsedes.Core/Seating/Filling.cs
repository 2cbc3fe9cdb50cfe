using System.Collections.Immutable;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Seating;

/// <summary>How rows are laid.</summary>
public enum LatticeKind
{
    /// <summary>In lines both ways.</summary>
    Square,

    /// <summary>Every other row between two of the one before.</summary>
    Staggered,
}

/// <summary>What a fill by lattices is asked: the least distances from middle to middle in a row and between rows, in mm.</summary>
/// <param name="Turns">Directions of the rows that are tried, in degrees.</param>
/// <param name="Quick">Whether only the outermost heights are tried: while a hand drags.</param>
/// <param name="Axis">A point of the axis the places are looked at from, and its direction; rows lie square to it and are set about it where that costs nothing. Null for none.</param>
public sealed record FillAsked(
    double InRow,
    double BetweenRows,
    ImmutableArray<double> Turns,
    (Point At, double Degrees)? Axis = null,
    bool Quick = false
);

/// <summary>
/// As many places as fit by lattices: the heights of rows are tried where something begins or ends (events) and not at samples, row distances at the least and
/// at those by which a whole number of rows fills between two such heights; then the lattice is eased as far as the count holds.
/// </summary>
public static class Filling
{
    /// <summary>More heights than this are thinned out: the outermost stay.</summary>
    private const int MostHeights = 24;
    private const int FewHeights = 8;

    /// <summary>Heights of a first row that are tried beside the events.</summary>
    private const int Samples = 12;
    private const int FewSamples = 4;

    /// <summary>What is whole within rounding is whole.</summary>
    private const double Tiny = 1e-6;

    /// <summary>Steps of easing.</summary>
    private const int EaseSteps = 16;

    public static LatticeFill? Fullest(CentreRegion region, FillAsked asked, LatticeKind kind)
    {
        double[] turns = [.. asked.Turns.Select(turn => ((turn % 180) + 180) % 180).Distinct()];
        var fills = new Tried[turns.Length];
        Together.For(turns.Length, i => fills[i] = Fullest(region, asked, kind, turns[i]), 2);
        // Of as many the first turn's.
        return fills.MaxBy(fill => fill.Count) is { Count: > 0 } best ? Eased(best) : null;
    }

    /// <summary>The fullest lattice of a turn.</summary>
    /// <param name="Region">As it is seen in the frame of the rows.</param>
    /// <param name="First">The height of a row.</param>
    private sealed record Tried(int Count, Lattice Lattice, double First, CentreRegion Region, Bounds Box, double? Axis, Placement Frame);

    private static Tried Fullest(CentreRegion region, FillAsked asked, LatticeKind kind, double turn)
    {
        var frame = new Placement(0, 0, turn);
        var seen = region.In(frame);
        var box = seen.Inner;
        var axis = asked.Axis is { } given && IsSquare(given.Degrees, turn) ? frame.In(given.At).X : (double?)null;
        double[] heights = Heights(seen, box, asked.Quick ? FewHeights : MostHeights);
        (int Count, Lattice Lattice, double First) best = (0, null!, 0);
        foreach (var lattice in Lattices(asked, kind, turn, heights, box))
        {
            // Rows as long as the whole region, each by itself, are the most there can be.
            if (((int)(box.Height / lattice.RowDistance + Tiny) + 1) * ((int)(box.Width / lattice.Pitch + Tiny) + 1) <= best.Count)
                continue;
            foreach (var first in Firsts(heights, lattice.RowDistance, Sampled(seen, asked.Quick)))
            {
                if (
                    LatticeLaying.MostOf(seen, box, lattice, first, best.Count + 1) > best.Count
                    && LatticeLaying.Lay(seen, box, lattice, first, axis).Count is var count
                    && count > best.Count
                )
                    best = (count, lattice, first);
            }
        }
        return new Tried(best.Count, best.Lattice, best.First, seen, box, axis, frame);
    }

    /// <summary>Quickly samples are only taken where the floor itself has no events to go by, as a round one.</summary>
    private static int Sampled(CentreRegion region, bool quick) =>
        quick ? (region.IsFloorSlanted ? FewSamples : 0)
        : region.IsSlanted ? Samples
        : 0;

    private static bool IsSquare(double axis, double turn) => Math.Abs(Math.IEEERemainder(axis - turn - 90, 180)) < 0.01;

    /// <summary>The heights at which something begins or ends, within the region.</summary>
    private static double[] Heights(CentreRegion region, Bounds box, int most)
    {
        double[] all =
        [
            .. region.Extremes().Where(y => y > box.MinY - 1e-6 && y < box.MaxY + 1e-6).Select(y => Math.Round(y, 6)).Distinct().Order(),
        ];
        if (all.Length <= most)
            return all;
        var half = most / 2;
        return [.. all[..half], .. all[^half..]];
    }

    private static IEnumerable<Lattice> Lattices(FillAsked asked, LatticeKind kind, double turn, double[] heights, Bounds box)
    {
        var (d, rows) = (asked.InRow, asked.BetweenRows);
        var least = kind == LatticeKind.Square ? rows : Math.Max(rows / 2, Math.Sqrt(Math.Max(0, rows * rows - d * d / 4)));
        if (kind == LatticeKind.Staggered && d / 2 >= rows)
            least = rows / 2;
        yield return new Lattice(turn, d, least, kind == LatticeKind.Staggered);
        // A whole number of rows between two heights.
        var seen = new HashSet<long>();
        for (var i = 0; i < heights.Length; i++)
        for (var j = i + 1; j < heights.Length; j++)
        {
            var span = heights[j] - heights[i];
            var most = (int)Math.Floor(span / least + 1e-9);
            // Fewer rows than fit lose more than they win.
            for (var n = most; n >= Math.Max(1, most - 1); n--)
            {
                var apart = span / n;
                if (apart < least - 1e-9 || apart > 1.25 * least || !seen.Add((long)Math.Round(apart * 100)))
                    continue;
                yield return new Lattice(turn, d, apart, kind == LatticeKind.Staggered);
            }
        }
        if (kind == LatticeKind.Square)
            yield break;
        // Wider in the row, nearer from row to row: as many as fill the widest row in whole or half pitches.
        // A hair less, so that the last place lies within its stretch and not on the end of it.
        var wide = box.Width - 1e-3;
        for (var n = (int)Math.Floor(2 * wide / d); n >= Math.Max(2, (int)Math.Floor(2 * wide / (1.2 * d))); n--)
        {
            var pitch = 2 * wide / n;
            if (pitch < d)
                continue;
            var apart = Math.Max(rows / 2, Math.Sqrt(Math.Max(0, rows * rows - pitch * pitch / 4)));
            yield return new Lattice(turn, pitch, apart, true);
        }
    }

    /// <summary>Where a row may lie: on each height, with the same margin above and below, and at samples where something is slanted or round.</summary>
    private static IEnumerable<double> Firsts(double[] heights, double apart, int samples)
    {
        var seen = new HashSet<long>();
        foreach (var height in heights)
            if (seen.Add((long)Math.Round(Mod(height, apart) * 1000)))
                yield return height;
        if (heights.Length > 1)
        {
            var (low, high) = (heights[0], heights[^1]);
            yield return low + Mod(high - low, apart) / 2;
            for (var i = 0; i < samples; i++)
                yield return low + apart * i / samples;
        }
    }

    /// <summary>The rows, then the places in them, as far apart as the count holds.</summary>
    private static LatticeFill Eased(Tried tried)
    {
        var (count, lattice, first, region, box, axis, frame) = tried;
        lattice = lattice with
        {
            RowDistance = Widest(lattice.RowDistance, 1.3 * lattice.RowDistance, apart => Holds(lattice with { RowDistance = apart })),
        };
        lattice = lattice with { Pitch = Widest(lattice.Pitch, 1.3 * lattice.Pitch, pitch => Holds(lattice with { Pitch = pitch })) };
        var (_, rows) = LatticeLaying.Lay(region, box, lattice, first, axis);
        return new LatticeFill(lattice, [.. rows.Select(row => row.Select(frame.Out).ToImmutableArray())]);

        bool Holds(Lattice wider) =>
            LatticeLaying.MostOf(region, box, wider, first, count) >= count
            && LatticeLaying.Lay(region, box, wider, first, axis).Count >= count;
    }

    private static double Widest(double holds, double most, Func<double, bool> test)
    {
        var (low, high) = (holds, most);
        for (var i = 0; i < EaseSteps; i++)
        {
            var between = (low + high) / 2;
            if (test(between))
                low = between;
            else
                high = between;
        }
        return low;
    }

    private static double Mod(double value, double by)
    {
        var rest = value % by;
        return rest < 0 ? rest + by : rest;
    }
}
