using SkiaSharp;
using Wellsedes.Core.Drawings;

namespace Wellsedes.Formats.Lettering;

/// <summary>The sheet's lettering, Barlow Semi Condensed, from the font files shipped inside the program.</summary>
public sealed class Typefaces : ITextMeasure
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

    private static SKTypeface Load(string name)
    {
        using var stream =
            typeof(Typefaces).Assembly.GetManifestResourceStream($"fonts/{name}")
            ?? throw new InvalidOperationException($"The font {name} is not in the program.");
        return SKTypeface.FromStream(stream);
    }
}
