using SkiaSharp;
using Wellsedes.Core.Drawings;
using Wellsedes.Formats.Pdf;

namespace Wellsedes.Formats.Png;

/// <summary>Writes a drawing as a picture, for looking at on a screen.</summary>
public static class PngWriter
{
    /// <summary>The longest side a picture may have, in pixels.</summary>
    public const int LongestSide = 8000;

    /// <summary>A PNG at a number of pixels per mm of paper; lowered where it would pass the longest side.</summary>
    public static byte[] Write(Drawing drawing, double pixelsPerMillimetre)
    {
        var scale = Math.Min(pixelsPerMillimetre, LongestSide / Math.Max(drawing.Width, drawing.Height));
        var (width, height) = ((int)Math.Round(drawing.Width * scale), (int)Math.Round(drawing.Height * scale));
        using var surface = SKSurface.Create(new SKImageInfo(width, height));
        surface.Canvas.Clear(SKColors.White);
        surface.Canvas.Scale((float)scale);
        CanvasPainter.Paint(surface.Canvas, drawing);
        using var image = surface.Snapshot();
        using var data = image.Encode(SKEncodedImageFormat.Png, 100);
        return data.ToArray();
    }
}
