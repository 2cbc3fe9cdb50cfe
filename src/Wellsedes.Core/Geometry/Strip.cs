using System.Collections.Immutable;

namespace Wellsedes.Core.Geometry;

/// <summary>A strip of one width along a line with corners, its sides parallel to the line and mitred at the corners. Millimetres.</summary>
public sealed class Strip
{
    /// <summary>The most corners of a line.</summary>
    public const int MostCorners = 60;

    /// <summary>Sharper than this, in degrees off straight on, the line turns back on itself.</summary>
    private const double SharpestTurn = 150;

    public ImmutableArray<Point> Line { get; }
    public double Width { get; }

    /// <summary>The corners of the left side, as seen along the line, one for each point of it; those of the right side.</summary>
    public ImmutableArray<Point> Left { get; }
    public ImmutableArray<Point> Right { get; }

    /// <summary>Its floor between each two points of the line.</summary>
    public ImmutableArray<Convex> Legs { get; }

    public Bounds Bounds { get; }

    /// <param name="line">Of which <see cref="Wrong"/> says nothing.</param>
    public Strip(ImmutableArray<Point> line, double width)
    {
        (Line, Width) = (line, width);
        (Left, Right) = (Side(line, width / 2), Side(line, -width / 2));
        Legs = [.. Enumerable.Range(0, line.Length - 1).Select(i => Convex.Polygon([Right[i], Right[i + 1], Left[i + 1], Left[i]]))];
        Bounds = Bounds.Around(Left.Concat(Right));
    }

    /// <summary>Round the whole of it, counter-clockwise.</summary>
    public ImmutableArray<Point> Outline => [.. Right, .. Left.Reverse()];

    /// <summary>The middle of its line.</summary>
    public Placement Middle
    {
        get
        {
            var half = Enumerable.Range(1, Line.Length - 1).Sum(i => Line[i].DistanceTo(Line[i - 1])) / 2;
            for (var i = 1; ; i++)
            {
                var (from, to) = (Line[i - 1], Line[i]);
                var length = from.DistanceTo(to);
                if (half > length && i < Line.Length - 1)
                {
                    half -= length;
                    continue;
                }
                var at = from + (to - from) * (half / length);
                return new Placement(at.X, at.Y, Angles.Of(to - from));
            }
        }
    }

    private static ImmutableArray<Point> Side(ImmutableArray<Point> line, double off)
    {
        Point Along(int i) => (line[i + 1] - line[i]).Unit();
        return
        [
            .. line.Select(
                (p, i) =>
                {
                    if (i == 0 || i == line.Length - 1)
                        return p + Along(Math.Min(i, line.Length - 2)).Left() * off;
                    var (into, away) = (Along(i - 1), Along(i));
                    var across = into.Left() + away.Left();
                    // As long as it takes to be off by the same on both legs.
                    return p + across * (off / (1 + into.Dot(away)));
                }
            ),
        ];
    }

    /// <summary>Why there is no strip of a width in mm along a line; null when there is.</summary>
    public static string? Wrong(ImmutableArray<Point> line, double width)
    {
        if (line.IsDefault || line.Length is < 2 or > MostCorners)
            return $"A way has from 2 to {MostCorners} points; {(line.IsDefault ? 0 : line.Length)} were given.";
        for (var i = 1; i < line.Length; i++)
            if (line[i].DistanceTo(line[i - 1]) < 1)
                return $"Points {i} and {i + 1} of the way are one; leave one of them out.";
        for (var i = 1; i < line.Length - 1; i++)
            if ((line[i] - line[i - 1]).Unit().Dot((line[i + 1] - line[i]).Unit()) < Point.At(SharpestTurn).X)
                return $"The way turns back on itself at point {i + 1}; draw it as two.";
        var strip = new Strip(line, width);
        for (var i = 1; i < line.Length; i++)
        {
            var along = line[i] - line[i - 1];
            if ((strip.Left[i] - strip.Left[i - 1]).Dot(along) <= 0 || (strip.Right[i] - strip.Right[i - 1]).Dot(along) <= 0)
                return $"Points {i} and {i + 1} lie too near each other for a way this wide to turn there; move them apart or make it narrower.";
        }
        for (var i = 0; i < strip.Legs.Length; i++)
        for (var j = i + 2; j < strip.Legs.Length; j++)
            if (Gap.Between(strip.Legs[i], strip.Legs[j]).Width < -Tolerance.Length)
                return $"The way crosses itself: leg {i + 1} and leg {j + 1}. Draw it as two.";
        return null;
    }
}
