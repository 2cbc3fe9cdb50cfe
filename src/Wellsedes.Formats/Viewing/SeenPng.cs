using System.Runtime.InteropServices;
using SkiaSharp;
using Wellsedes.Core.Rendering;
using Wellsedes.Formats.Lettering;

namespace Wellsedes.Formats.Viewing;

/// <summary>A picture in space as a PNG (W3C PNG), with a title below it when one is given.</summary>
public static class SeenPng
{
    /// <param name="title">What stands at the left of the strip; "" for no strip.</param>
    /// <param name="note">What stands at its right.</param>
    public static byte[] Write(SeenPicture picture, string title = "", string note = "")
    {
        var pinned = GCHandle.Alloc(picture.Pixels, GCHandleType.Pinned);
        try
        {
            var info = new SKImageInfo(picture.Width, picture.Height, SKColorType.Rgba8888, SKAlphaType.Opaque);
            using var whole = SKSurface.Create(info, pinned.AddrOfPinnedObject(), info.RowBytes);
            if (title.Length > 0)
                Strip(whole.Canvas, picture.Width, picture.Height, title, note);
            using var pixels = whole.PeekPixels();
            // Well packed, in a time that grows no worse with large pictures.
            using var data =
                pixels.Encode(new SKPngEncoderOptions(SKPngEncoderFilterFlags.Sub, 4))
                ?? throw new InvalidOperationException("The picture could not be written.");
            return data.ToArray();
        }
        finally
        {
            pinned.Free();
        }
    }

    private static void Strip(SKCanvas canvas, int width, int height, string title, string note)
    {
        var high = Math.Max(14, Math.Min(height / 18f, width / 24f));
        using var paint = new SKPaint { IsAntialias = true, Color = SKColors.White };
        canvas.DrawRect(0, height - high, width, high, paint);
        paint.Color = SKColor.Parse("#21302D");
        canvas.DrawRect(0, height - high, width, Math.Max(1, high / 30), paint);
        var size = high * 0.46f;
        var (y, edge) = (height - high * 0.34f, high * 0.5f);
        using var small = new SKFont(Typefaces.Shared.Of(false), size * 0.8f);
        var noteWide = (float)Typefaces.Shared.Width(note, size * 0.8f, false);
        canvas.DrawText(note, width - edge - noteWide, y, SKTextAlign.Left, small, paint);
        // A title that is too long is cut short, not laid over the note.
        var free = width - 2 * edge - noteWide - edge;
        var told = title;
        while (told.Length > 1 && Typefaces.Shared.Width(told, size, true) > free)
            told = told[..^2] + "…";
        using var bold = new SKFont(Typefaces.Shared.Of(true), size);
        canvas.DrawText(told, edge, y, SKTextAlign.Left, bold, paint);
    }
}
