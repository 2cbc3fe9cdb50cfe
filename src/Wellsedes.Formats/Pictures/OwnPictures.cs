using SkiaSharp;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Plans;

namespace Wellsedes.Formats.Pictures;

/// <summary>The small pictures that plans carry themselves: made, held against their limits, and decoded for drawing.</summary>
public static class OwnPictures
{
    /// <summary>Makes a small picture, as good as its limits allow.</summary>
    /// <exception cref="PictureException">Even at its worst it does not fit.</exception>
    internal static OwnPicture Of(SKBitmap bitmap)
    {
        var k = Math.Min(1.0, (double)OwnPicture.LongestSide / Math.Max(bitmap.Width, bitmap.Height));
        var info = new SKImageInfo(
            Math.Max(1, (int)Math.Round(bitmap.Width * k)),
            Math.Max(1, (int)Math.Round(bitmap.Height * k)),
            SKColorType.Rgba8888,
            SKAlphaType.Premul
        );
        using var small = bitmap.Resize(info, new SKSamplingOptions(SKFilterMode.Linear, SKMipmapMode.Linear));
        using var image = SKImage.FromBitmap(small);
        for (var quality = 85; quality >= 25; quality -= 20)
        {
            using var data = image.Encode(SKEncodedImageFormat.Webp, quality);
            var text = Convert.ToBase64String(data.AsSpan());
            if (text.Length <= OwnPicture.LongestData)
                return new OwnPicture(text);
        }
        throw new PictureException("The picture is too rich in detail to be kept small; take a plainer one.");
    }

    /// <summary>A picture laid on a floor, or kept as it is, from a file.</summary>
    /// <exception cref="PictureException">The file cannot be taken in.</exception>
    public static (OwnPicture Picture, int Columns, int Rows) FromFile(byte[] file)
    {
        using var bitmap = PictureIntake.Decode(file, OwnPicture.LongestSide);
        return (Of(bitmap), bitmap.Width, bitmap.Height);
    }

    /// <summary>What is wrong with the picture that an entity carries; null when nothing is, or it carries none.</summary>
    public static Problem? Wrong(Entity entity) =>
        entity switch
        {
            OwnItem own => Wrong(own.Item.Shape?.Picture),
            Finish finish => Wrong(finish.Picture),
            _ => null,
        };

    /// <summary>What is wrong with a picture that is said to be one; null when it decodes to its end within its limits.</summary>
    public static Problem? Wrong(OwnPicture? picture)
    {
        if (picture is null)
            return null;
        if (picture.Wrong() is { } wrong)
            return new Problem(wrong.Field, wrong.Message);
        try
        {
            var file = Convert.FromBase64String(picture.Data);
            var read = PictureIntake.Read(file);
            return Math.Max(read.Columns, read.Rows) > OwnPicture.LongestSide
                ? new Problem(
                    "picture",
                    $"The picture is {read.Columns} by {read.Rows} pixels; at most {OwnPicture.LongestSide} a side are kept with a plan."
                )
                : null;
        }
        catch (FormatException)
        {
            return new Problem("picture", "The picture is no base 64.");
        }
        catch (PictureException e)
        {
            return new Problem("picture", e.Message);
        }
    }

    /// <summary>The picture as it is drawn; null for one that cannot be, in whose place nothing is drawn.</summary>
    internal static SKImage? Decode(OwnPicture picture)
    {
        try
        {
            return picture.Wrong() is null ? SKImage.FromEncodedData(Convert.FromBase64String(picture.Data)) : null;
        }
        catch (FormatException)
        {
            return null;
        }
    }
}
