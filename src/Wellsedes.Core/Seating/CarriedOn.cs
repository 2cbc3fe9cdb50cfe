using System.Collections.Immutable;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Seating;

/// <summary>
/// While a hand drags, places stay as they stand: what no longer fits goes, and from those that stay the lattice is carried on over what has become free. So nothing
/// jumps, and a better fill is taken only where it holds clearly more.
/// </summary>
internal static class CarriedOn
{
    /// <summary>By this share more a better fill holds clearly more.</summary>
    public const double ClearlyMore = 0.04;

    /// <summary>In one row within this, in mm.</summary>
    private const double OnRow = 2;

    /// <param name="standing">Places as they are.</param>
    /// <param name="inRow">The least distance in a row, in mm.</param>
    /// <param name="betweenRows">The least distance from a row to another, in mm.</param>
    /// <returns>Places row by row; empty where the standing ones form no lattice.</returns>
    public static ImmutableArray<ImmutableArray<Point>> From(
        IReadOnlyList<Point> standing,
        CentreRegion region,
        double inRow,
        double betweenRows
    )
    {
        if (standing.Count < 3)
            return [];
        var (turn, pitch) = Along(standing);
        var frame = new Placement(standing[0].X, standing[0].Y, turn);
        Point[] seen = [.. standing.Select(frame.In)];
        double[] rows = [.. seen.Select(p => p.Y).Order()];
        double[] apart = [.. rows.Skip(1).Zip(rows, (b, a) => b - a).Where(gap => gap > OnRow)];
        var rowDistance = apart.Length == 0 ? betweenRows : apart.Min();
        var shift = IsStaggered(seen, pitch, rowDistance) ? pitch / 2 : 0;
        List<Point> kept = [.. seen.Where(p => region.Holds(frame.Out(p)))];
        for (var i = 0; i < kept.Count; i++)
        {
            var p = kept[i];
            foreach (
                var next in (Point[])
                    [
                        p + new Point(pitch, 0),
                        p - new Point(pitch, 0),
                        p + new Point(shift, rowDistance),
                        p - new Point(shift, rowDistance),
                        p + new Point(-shift, rowDistance),
                        p - new Point(-shift, rowDistance),
                    ]
            )
                if (region.Holds(frame.Out(next)) && kept.TrueForAll(other => IsApart(next, other, inRow, betweenRows)))
                    kept.Add(next);
        }
        return
        [
            .. kept.GroupBy(p => Math.Round(p.Y / OnRow / 2))
                .OrderBy(row => row.Key)
                .Select(row => row.OrderBy(p => p.X).Select(frame.Out).ToImmutableArray()),
        ];
    }

    private static bool IsApart(Point p, Point q, double inRow, double betweenRows) =>
        p.DistanceTo(q) >= (Math.Abs(p.Y - q.Y) <= OnRow ? inRow : betweenRows) - Tolerance.Length;

    /// <summary>The direction in degrees and the distance in mm of the row that most stand in: each with its nearest.</summary>
    private static (double Turn, double Pitch) Along(IReadOnlyList<Point> standing)
    {
        var ways = new List<Point>();
        foreach (var p in standing)
        {
            Point? nearest = null;
            foreach (var q in standing)
                if (q != p && (nearest is not { } known || p.DistanceTo(q) < p.DistanceTo(known) - OnRow))
                    nearest = q;
            if (nearest is { } found)
                ways.Add((found - p).X < 0 || ((found - p).X == 0 && (found - p).Y < 0) ? p - found : found - p);
        }
        var common = ways.GroupBy(way => (Math.Round(way.X / 10), Math.Round(way.Y / 10))).MaxBy(group => group.Count())!.First();
        return (Angles.Of(common), common.Length);
    }

    private static bool IsStaggered(Point[] seen, double pitch, double rowDistance)
    {
        var (straight, shifted) = (0, 0);
        foreach (var p in seen)
        foreach (var q in seen)
            if (Math.Abs(q.Y - p.Y - rowDistance) <= OnRow)
            {
                var off = Math.Abs(Math.IEEERemainder(q.X - p.X, pitch));
                if (off < OnRow)
                    straight++;
                else if (off > pitch / 2 - OnRow)
                    shifted++;
            }
        return shifted > straight;
    }
}
