using System.Globalization;
using System.Text.RegularExpressions;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Formats.Svg;

/// <summary>A transform as SVG 1.1 writes it: six figures, x' = a x + c y + e, y' = b x + d y + f.</summary>
internal readonly partial record struct SvgTransform(double A, double B, double C, double D, double E, double F)
{
    public static readonly SvgTransform None = new(1, 0, 0, 1, 0, 0);

    [GeneratedRegex(@"(matrix|translate|scale|rotate|skewX|skewY)\s*\(([^)]*)\)", RegexOptions.NonBacktracking)]
    private static partial Regex Call();

    public Point Of(Point p) => new(A * p.X + C * p.Y + E, B * p.X + D * p.Y + F);

    /// <summary>The inner one first.</summary>
    public SvgTransform Then(SvgTransform inner) =>
        new(
            A * inner.A + C * inner.B,
            B * inner.A + D * inner.B,
            A * inner.C + C * inner.D,
            B * inner.C + D * inner.D,
            A * inner.E + C * inner.F + E,
            B * inner.E + D * inner.F + F
        );

    /// <exception cref="SvgRefusedException">It cannot be read.</exception>
    public static SvgTransform Read(string? text)
    {
        var all = None;
        if (string.IsNullOrWhiteSpace(text))
            return all;
        if (text.Length > 2000)
            throw new SvgRefusedException("One of its transforms is longer than 2000 characters.");
        foreach (Match call in Call().Matches(text))
        {
            var n = SvgRuns.Numbers(call.Groups[2].Value, 6).ToArray();
            double At(int i, double other = 0) => i < n.Length ? n[i] : other;
            var next = call.Groups[1].Value switch
            {
                "matrix" when n.Length == 6 => new SvgTransform(n[0], n[1], n[2], n[3], n[4], n[5]),
                "translate" => new SvgTransform(1, 0, 0, 1, At(0), At(1)),
                "scale" => new SvgTransform(At(0, 1), 0, 0, At(1, At(0, 1)), 0, 0),
                "rotate" => Turned(At(0), At(1), At(2)),
                "skewX" => new SvgTransform(1, 0, Math.Tan(At(0) * Math.PI / 180), 1, 0, 0),
                "skewY" => new SvgTransform(1, Math.Tan(At(0) * Math.PI / 180), 0, 1, 0, 0),
                _ => throw new SvgRefusedException($"A transform cannot be read: {call.Value[..Math.Min(40, call.Value.Length)]}"),
            };
            all = all.Then(next);
        }
        return all;
    }

    private static SvgTransform Turned(double degrees, double x, double y)
    {
        var (sin, cos) = Math.SinCos(degrees * Math.PI / 180);
        return new SvgTransform(1, 0, 0, 1, x, y)
            .Then(new SvgTransform(cos, sin, -sin, cos, 0, 0))
            .Then(new SvgTransform(1, 0, 0, 1, -x, -y));
    }
}
