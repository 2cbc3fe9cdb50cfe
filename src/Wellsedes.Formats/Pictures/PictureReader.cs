using System.Runtime.CompilerServices;
using SkiaSharp;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Rendering;
using Wellsedes.Core.SolidModel;

namespace Wellsedes.Formats.Pictures;

/// <summary>The small pictures that plans carry as pixels, each read once.</summary>
public sealed class PictureReader : IPictureReader
{
    public static PictureReader Shared { get; } = new();

    private readonly ConditionalWeakTable<OwnPicture, Reading> known = [];

    private sealed record Reading(PicturePixels? Pixels);

    public PicturePixels? Read(OwnPicture picture) => known.GetValue(picture, static one => new Reading(Decoded(one))).Pixels;

    private static PicturePixels? Decoded(OwnPicture picture)
    {
        using var image = OwnPictures.Decode(picture);
        if (image is null)
            return null;
        var info = new SKImageInfo(image.Width, image.Height, SKColorType.Rgba8888, SKAlphaType.Unpremul);
        using var bitmap = new SKBitmap(info);
        return image.ReadPixels(info, bitmap.GetPixels(), info.RowBytes, 0, 0)
            ? new PicturePixels(image.Width, image.Height, bitmap.Bytes)
            : null;
    }

    /// <summary>A picture as PNG over the tone of what it lies on, for files that know no own pictures; null for one that cannot be read.</summary>
    internal static byte[]? Png(LaidPicture laid, string tone)
    {
        using var image = OwnPictures.Decode(laid.Place.Picture);
        if (image is null)
            return null;
        using var surface = SKSurface.Create(new SKImageInfo(image.Width, image.Height, SKColorType.Rgba8888, SKAlphaType.Premul));
        surface.Canvas.Clear(SKColor.Parse(tone[..7]));
        using var paint = new SKPaint { Color = SKColors.White.WithAlpha((byte)Math.Round(255 * laid.Opacity)) };
        surface.Canvas.DrawImage(image, 0, 0, new SKSamplingOptions(SKFilterMode.Nearest), paint);
        using var whole = surface.Snapshot();
        using var data = whole.Encode(SKEncodedImageFormat.Png, 100);
        return data.ToArray();
    }
}
