using System.Runtime.CompilerServices;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.SolidModel;

namespace Wellsedes.Core.Rendering;

/// <summary>A picture as pixels: rows from above, red, green, blue and opacity of each.</summary>
public sealed record PicturePixels(int Columns, int Rows, byte[] Pixels);

/// <summary>Reads the small pictures that plans carry.</summary>
public interface IPictureReader
{
    /// <summary>Null for one that cannot be read.</summary>
    PicturePixels? Read(OwnPicture picture);
}

/// <summary>A picture where it lies in space, and the same coarser and coarser, so that what is far off does not flicker.</summary>
internal sealed class SeenPixels
{
    private readonly LaidPicture laid;
    private readonly PicturePixels[] levels;

    /// <summary>How long a pixel of it is, in mm.</summary>
    private readonly double pixel;

    private static readonly ConditionalWeakTable<PicturePixels, PicturePixels[]> Known = [];

    private SeenPixels(LaidPicture laid, PicturePixels pixels)
    {
        this.laid = laid;
        pixel = Math.Max(laid.Place.Across.Length / pixels.Columns, laid.Place.Down.Length / pixels.Rows);
        levels = Known.GetValue(pixels, static one => [.. Coarser(one)]);
    }

    private static IEnumerable<PicturePixels> Coarser(PicturePixels pixels)
    {
        yield return pixels;
        while (pixels is { Columns: > 1 } or { Rows: > 1 })
            yield return pixels = Halved(pixels);
    }

    public static SeenPixels? Of(LaidPicture? laid, IPictureReader? reader) =>
        laid is not null && reader?.Read(laid.Place.Picture) is { } pixels && Math.Abs(laid.Place.Across.Cross(laid.Place.Down)) > 1
            ? new SeenPixels(laid, pixels)
            : null;

    /// <summary>The tone at a point of the floor, seen from above.</summary>
    /// <param name="own">The tone of what it lies on, which shows through it.</param>
    /// <param name="wide">How wide a pixel of the picture that is made is there, in mm.</param>
    public Tone At(Point p, Tone own, double wide)
    {
        var level = levels[(int)Math.Clamp(Math.Log2(Math.Max(1, wide / pixel)), 0, levels.Length - 1)];
        var (across, down) = laid.Of(p);
        var x = (int)Math.Min(level.Columns - 1, (across - Math.Floor(across)) * level.Columns);
        var y = (int)Math.Min(level.Rows - 1, (down - Math.Floor(down)) * level.Rows);
        var at = (y * level.Columns + x) * 4;
        var share = level.Pixels[at + 3] / 255f * (float)laid.Opacity;
        float Part(int i, float of) => of + (level.Pixels[at + i] / 255f - of) * share;
        return new Tone(Part(0, own.Red), Part(1, own.Green), Part(2, own.Blue));
    }

    /// <summary>Each pixel the mean of up to four, see-through ones counting for as much as is seen of them.</summary>
    private static PicturePixels Halved(PicturePixels of)
    {
        var (columns, rows) = ((of.Columns + 1) / 2, (of.Rows + 1) / 2);
        var pixels = new byte[columns * rows * 4];
        for (var y = 0; y < rows; y++)
        for (var x = 0; x < columns; x++)
        {
            var (red, green, blue, seen, count) = (0, 0, 0, 0, 0);
            for (var fy = 2 * y; fy < Math.Min(of.Rows, 2 * y + 2); fy++)
            for (var fx = 2 * x; fx < Math.Min(of.Columns, 2 * x + 2); fx++)
            {
                var from = (fy * of.Columns + fx) * 4;
                var opacity = of.Pixels[from + 3];
                red += of.Pixels[from] * opacity;
                green += of.Pixels[from + 1] * opacity;
                blue += of.Pixels[from + 2] * opacity;
                seen += opacity;
                count++;
            }
            var into = (y * columns + x) * 4;
            byte Mean(int sum) => (byte)(seen == 0 ? 0 : sum / seen);
            (pixels[into], pixels[into + 1], pixels[into + 2], pixels[into + 3]) = (
                Mean(red),
                Mean(green),
                Mean(blue),
                (byte)(seen / count)
            );
        }
        return new PicturePixels(columns, rows, pixels);
    }
}
