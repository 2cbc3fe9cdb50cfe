using System.Collections.Immutable;
using SkiaSharp;
using Wellsedes.Core.Drawings;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Formats.Lettering;

/// <summary>The sheet's lettering, Barlow Semi Condensed, from the font files shipped inside the program.</summary>
public sealed class Typefaces : ILettering
{
    private readonly SKTypeface regular = Load("BarlowSemiCondensed_400Regular.ttf");
    private readonly SKTypeface bold = Load("BarlowSemiCondensed_600SemiBold.ttf");

    public static Typefaces Shared { get; } = new();

    internal SKTypeface Of(bool isBold) => isBold ? bold : regular;

    public double Width(string text, double size, bool bold)
    {
        // Measured large and scaled down: small sizes would be rounded to whole hinted units.
        using var font = new SKFont(Of(bold), 100)
        {
            Subpixel = true,
            LinearMetrics = true,
            Hinting = SKFontHinting.None,
        };
        return font.MeasureText(text) * size / 100;
    }

    /// <summary>Each curve of a letter is drawn in so many chords.</summary>
    private const int Chords = 4;

    public ImmutableArray<Region> Letters(string text, double size)
    {
        // Large and scaled down, as above.
        using var font = new SKFont(bold, 100) { LinearMetrics = true, Hinting = SKFontHinting.None };
        using var path = font.GetTextPath(text, new SKPoint(0, 0));
        var (scale, left, down) = (size / 100, -font.MeasureText(text) / 2, 0.35 * size);
        List<List<Point>> rings = [];
        using var steps = path.CreateRawIterator();
        var at = new SKPoint[4];
        for (var verb = steps.Next(at); verb != SKPathVerb.Done; verb = steps.Next(at))
            switch (verb)
            {
                case SKPathVerb.Move:
                    rings.Add([]);
                    Add(at[0]);
                    break;
                case SKPathVerb.Line:
                    Add(at[1]);
                    break;
                case SKPathVerb.Quad:
                case SKPathVerb.Conic:
                    for (var i = 1; i <= Chords; i++)
                        Add(On(at[0], at[1], at[2], i / (float)Chords));
                    break;
                case SKPathVerb.Cubic:
                    for (var i = 1; i <= Chords; i++)
                    {
                        var t = i / (float)Chords;
                        Add(Between(On(at[0], at[1], at[2], t), On(at[1], at[2], at[3], t), t));
                    }
                    break;
            }
        return Region.FromRings(rings);

        void Add(SKPoint p)
        {
            var point = new Point((p.X + left) * scale, -p.Y * scale - down);
            if (rings[^1].Count == 0 || rings[^1][^1].DistanceTo(point) > 1e-6)
                rings[^1].Add(point);
        }
    }

    private static SKPoint Between(SKPoint a, SKPoint b, float t) => new(a.X + (b.X - a.X) * t, a.Y + (b.Y - a.Y) * t);

    private static SKPoint On(SKPoint a, SKPoint b, SKPoint c, float t) => Between(Between(a, b, t), Between(b, c, t), t);

    private static SKTypeface Load(string name)
    {
        using var stream =
            typeof(Typefaces).Assembly.GetManifestResourceStream($"fonts/{name}")
            ?? throw new InvalidOperationException($"The font {name} is not in the program.");
        return SKTypeface.FromStream(stream);
    }
}
