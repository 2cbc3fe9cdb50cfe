using Wellsedes.Core.Geometry;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Drawings;

/// <summary>What stands beside a plan on its sheet: scale bar and north.</summary>
internal static class SheetMarks
{
    private static readonly double[] MetricSteps = [100, 200, 500, 1000, 2000, 5000, 10_000, 20_000, 50_000, 100_000];
    private static readonly double[] FootSteps = [.. new double[] { 1, 2, 5, 10, 20, 50, 100, 200 }.Select(f => f * 304.8)];

    /// <summary>A bar of four equal parts, the part a round figure that is at most 15 mm of paper.</summary>
    public static IEnumerable<Mark> ScaleBar(Point at, double ratio, UnitSystem units)
    {
        var steps = units == UnitSystem.Metric ? MetricSteps : FootSteps;
        var step = steps.LastOrDefault(s => s / ratio <= 15, steps[0]);
        var part = step / ratio;
        for (var i = 0; i < 4; i++)
            yield return new PathMark(
                PathShape.Box(at.X + part * i, at.Y, at.X + part * (i + 1), at.Y + 1.4),
                Ink.Full,
                Ink.Thin,
                i % 2 == 0 ? Ink.Full : Ink.Paper
            );
        foreach (var i in (int[])[0, 2, 4])
        {
            var figure =
                units == UnitSystem.Metric
                    ? (step * i / 1000).ToString("0.##", System.Globalization.CultureInfo.InvariantCulture) + (i == 4 ? " m" : "")
                    : (step * i / 304.8).ToString("0", System.Globalization.CultureInfo.InvariantCulture) + (i == 4 ? " ft" : "");
            yield return new TextMark(figure, new Point(at.X + part * i, at.Y - 1), 2.5, TextAnchor.Middle);
        }
    }

    /// <summary>An arrow in a ring; north is degrees counter-clockwise from straight up.</summary>
    public static IEnumerable<Mark> North(Point at, double north)
    {
        var up = new Point(-Math.Sin(north * Math.PI / 180), -Math.Cos(north * Math.PI / 180));
        var side = up.Left() * 2.2;
        yield return new PathMark(PathShape.Circle(at, 5.5), Ink.Full, Ink.Thin);
        yield return new PathMark(PathShape.Closed(at + up * 5, at - up * 3.6 + side, at - up * 2.2), Ink.Full, Ink.Thin, Ink.Full);
        yield return new PathMark(PathShape.Closed(at + up * 5, at - up * 3.6 - side, at - up * 2.2), Ink.Full, Ink.Thin, Ink.Paper);
        yield return new TextMark("N", at + up * 7.6 + new Point(0, 1), 3, TextAnchor.Middle, true);
    }
}
