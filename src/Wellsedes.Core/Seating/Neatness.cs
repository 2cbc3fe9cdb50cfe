using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Seating;

/// <summary>
/// How neat places look, from 0 to 100: 40 for those in rows of three or more at the common distance, 25 for those in columns of three or more, 20 for those with a
/// mirror image about the axis, of which half where a half turn has one, 15 for few lines, less 50 for those in no line at all.
/// </summary>
public static class Neatness
{
    /// <summary>On a line within this, in mm.</summary>
    private const double OnLine = 5;

    /// <param name="axis">A point of the axis people look along.</param>
    /// <param name="facing">Its direction, in degrees.</param>
    public static int Of(IReadOnlyCollection<Point> places, Point axis, double facing)
    {
        if (places.Count == 0)
            return 0;
        var frame = new Placement(axis.X, axis.Y, facing - 90);
        Point[] all = [.. places.Select(frame.In)];
        var n = (double)all.Length;
        var rows = Lines(all, p => p.Y, p => p.X);
        var columns = Lines(all, p => p.X, p => p.Y);
        var common =
            rows.SelectMany(row => Distances(row)).GroupBy(d => Math.Round(d / OnLine)).MaxBy(group => group.Count())?.Key * OnLine ?? 0;
        var inRows = rows.Sum(row => InRuns(row, common));
        var inColumns = columns.Where(column => column.Length >= 3).Sum(column => column.Length);
        HashSet<(long, long)> known = [.. all.Select(Key)];
        bool IsTaken(Point p) => Near(p).Any(known.Contains);
        var mirrored = all.Count(p => IsTaken(new Point(-p.X, p.Y)));
        var middle = new Point(0, all.Average(p => p.Y));
        var turned = mirrored == all.Length ? 0 : all.Count(p => IsTaken(new Point(-p.X, 2 * middle.Y - p.Y)));
        var lines = rows.Count + columns.Count;
        var strays =
            all.Length
            - rows.Where(row => row.Length > 1)
                .SelectMany(row => row)
                .Concat(columns.Where(column => column.Length > 1).SelectMany(column => column))
                .Distinct()
                .Count();
        var score =
            40 * inRows / n
            + 25 * inColumns / n
            + 20 * Math.Max(mirrored, turned / 2.0) / n
            + 15 * Math.Clamp(1 - (lines - 3 * Math.Sqrt(n)) / n, 0, 1)
            - 50 * strays / n;
        return (int)Math.Round(Math.Clamp(score, 0, 100));
    }

    /// <summary>Places on common lines, each in order along it.</summary>
    private static List<Point[]> Lines(Point[] all, Func<Point, double> across, Func<Point, double> along)
    {
        List<Point[]> lines = [];
        List<Point> line = [];
        foreach (var p in all.OrderBy(across))
        {
            if (line.Count > 0 && across(p) - across(line[^1]) > OnLine)
            {
                lines.Add([.. line.OrderBy(along)]);
                line.Clear();
            }
            line.Add(p);
        }
        lines.Add([.. line.OrderBy(along)]);
        return lines;
    }

    private static IEnumerable<double> Distances(Point[] line) => line.Skip(1).Zip(line, (b, a) => b.DistanceTo(a));

    /// <summary>How many of a row stand in runs of three or more at the common distance.</summary>
    private static int InRuns(Point[] row, double common)
    {
        var (count, run) = (0, 1);
        for (var i = 1; i <= row.Length; i++)
        {
            if (i < row.Length && Math.Abs(row[i].DistanceTo(row[i - 1]) - common) <= 2 * OnLine)
            {
                run++;
                continue;
            }
            count += run >= 3 ? run : 0;
            run = 1;
        }
        return count;
    }

    private static (long, long) Key(Point p) => ((long)Math.Round(p.X / OnLine), (long)Math.Round(p.Y / OnLine));

    private static readonly int[] LikeliestFirst = [0, -1, 1];

    private static IEnumerable<(long, long)> Near(Point p)
    {
        var (x, y) = Key(p);
        foreach (var dx in LikeliestFirst)
        foreach (var dy in LikeliestFirst)
            yield return (x + dx, y + dy);
    }
}
