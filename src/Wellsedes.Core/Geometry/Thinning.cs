using System.Collections.Immutable;

namespace Wellsedes.Core.Geometry;

/// <summary>Runs of points with fewer points.</summary>
public static class Thinning
{
    /// <summary>A run without the points that are no further off than a tolerance in mm (Douglas and Peucker, 1973).</summary>
    public static ImmutableArray<Point> Of(ImmutableArray<Point> points, double tolerance)
    {
        if (points.Length < 3)
            return points;
        var kept = new bool[points.Length];
        kept[0] = kept[^1] = true;
        var open = new Stack<(int From, int To)>([(0, points.Length - 1)]);
        while (open.TryPop(out var part))
        {
            var (worst, at) = (tolerance, -1);
            var line = points[part.To] - points[part.From];
            for (var i = part.From + 1; i < part.To; i++)
            {
                var off = points[i] - points[part.From];
                var along = line.Length < 1e-9 ? 0 : Math.Clamp(off.Dot(line) / line.Dot(line), 0, 1);
                if ((off - line * along).Length is var far && far > worst)
                    (worst, at) = (far, i);
            }
            if (at < 0)
                continue;
            kept[at] = true;
            open.Push((part.From, at));
            open.Push((at, part.To));
        }
        return [.. points.Where((_, i) => kept[i])];
    }
}
