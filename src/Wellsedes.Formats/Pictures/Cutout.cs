using System.Collections.Immutable;
using SkiaSharp;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Tracing;

namespace Wellsedes.Formats.Pictures;

/// <summary>A ring drawn round a part of a picture, in shares of its width and height from its top left, to be kept or dropped.</summary>
public sealed record Mending(ImmutableArray<Point> Ring, bool Keep);

/// <summary>A thing cut out of its picture.</summary>
/// <param name="Shape">Its outline and picture, 1000 mm wide; set to size by whoever knows it.</param>
/// <param name="DepthShare">Its depth for a width of 1.</param>
/// <param name="Dropped">What is dropped of the picture that came, as a PNG of its proportions: ink where it is dropped.</param>
/// <param name="Kept">How much of the picture is kept, from 0 to 1.</param>
/// <param name="Note">What should be known of it; "" for nothing.</param>
public sealed record CutoutResult(OwnShape Shape, double DepthShare, byte[] Dropped, double Kept, string Note);

/// <summary>
/// Takes the background away from the picture of a product where it is plain and touches the edge: colours like those of the edge
/// are flooded from the edge inwards. What is wrong with that is mended by drawing round it.
/// </summary>
public static class Cutout
{
    /// <summary>Worked on at no more than this many pixels a side.</summary>
    private const int WorkSide = 768;

    /// <summary>How far a colour may be from the edge's to be background, of 441 between black and white; a house value.</summary>
    public const double UsualTolerance = 42;

    /// <summary>The share of the edge that must be of one colour for it to be a plain background; a house value.</summary>
    private const double PlainShare = 0.7;

    /// <summary>Pieces smaller than this share of what is kept are dust; a house value.</summary>
    private const double Dust = 0.01;

    public const int MostMendings = 60;
    public const int MostPoints = 4000;

    /// <exception cref="PictureException">The file cannot be taken in, a ring is wrong, or nothing is left.</exception>
    /// <param name="clear">Whether a plain background is taken away; else all is kept but what is see-through.</param>
    public static CutoutResult Of(byte[] file, bool clear, double tolerance, ImmutableArray<Mending> mendings)
    {
        if (!(tolerance is >= 1 and <= 400))
            throw new PictureException("How alike the background is must be from 1 to 400.");
        if (
            mendings.Length > MostMendings
            || mendings.Sum(mending => mending.Ring.IsDefault ? MostPoints + 1 : mending.Ring.Length) > MostPoints
        )
            throw new PictureException($"At most {MostMendings} rings of {MostPoints} points together are drawn round a picture.");
        using var bitmap = PictureIntake.Decode(file, WorkSide);
        var mask = new Mask(bitmap.Width, bitmap.Height);
        var pixels = bitmap.Pixels;
        for (var y = 0; y < mask.Rows; y++)
        for (var x = 0; x < mask.Columns; x++)
            mask[x, y] = pixels[y * mask.Columns + x].Alpha > 40;
        var note = clear ? Clear(mask, pixels, tolerance) : "";
        foreach (var mending in mendings)
            if (mending.Ring.Length >= 3)
                mask.Fill([.. mending.Ring.Select(p => new Point(p.X * mask.Columns, p.Y * mask.Rows))], mending.Keep);
        if (mask.Box() is not var (left, top, right, bottom))
            throw new PictureException(
                "Nothing is left of the picture: lessen how alike the background is, or draw round what is to stay."
            );
        for (var i = 0; i < pixels.Length; i++)
            if (!mask[i % mask.Columns, i / mask.Columns])
                pixels[i] = SKColors.Transparent;
        bitmap.Pixels = pixels;
        using var cut = new SKBitmap();
        if (!bitmap.ExtractSubset(cut, new SKRectI(left, top, right, bottom)))
            throw new PictureException("The picture is broken.");
        var scale = 1000.0 / (right - left);
        var middle = new Point((left + right) / 2.0, (top + bottom) / 2.0);
        ImmutableArray<Point> outline = [.. Outline(mask).Select(p => new Point((p.X - middle.X) * scale, (middle.Y - p.Y) * scale))];
        return new CutoutResult(
            new OwnShape(outline, [], Picture: OwnPictures.Of(cut)),
            (double)(bottom - top) / (right - left),
            Shade(mask),
            (double)mask.Count / pixels.Length,
            note
        );
    }

    /// <summary>Floods the background from the edge; what is said of it.</summary>
    private static string Clear(Mask mask, SKColor[] pixels, double tolerance)
    {
        var (columns, rows) = (mask.Columns, mask.Rows);
        int[] edge =
        [
            .. Enumerable
                .Range(0, pixels.Length)
                .Where(i => i % columns == 0 || i % columns == columns - 1 || i < columns || i >= pixels.Length - columns),
        ];
        if (edge.Count(i => pixels[i].Alpha <= 40) > PlainShare * edge.Length)
            return "The background was see-through already.";
        var background = new SKColor(Median(i => pixels[i].Red), Median(i => pixels[i].Green), Median(i => pixels[i].Blue));
        if (edge.Count(i => Apart(pixels[i], background) <= tolerance) < PlainShare * edge.Length)
            return "The edge of the picture is not of one colour: nothing was taken away. Draw round what is to go.";
        var gone = new bool[pixels.Length];
        var open = new Queue<int>();
        foreach (var i in edge)
            if (!gone[i] && Apart(pixels[i], background) <= tolerance)
            {
                gone[i] = true;
                open.Enqueue(i);
            }
        while (open.TryDequeue(out var at))
        {
            var (x, y) = (at % columns, at / columns);
            mask[x, y] = false;
            Look(at - 1, x > 0);
            Look(at + 1, x < columns - 1);
            Look(at - columns, y > 0);
            Look(at + columns, y < rows - 1);

            // A soft shadow goes on from pixel to pixel a little further than the colour itself.
            void Look(int next, bool isThere)
            {
                if (!isThere || gone[next])
                    return;
                var off = Apart(pixels[next], background);
                if (off > tolerance && !(off <= 2 * tolerance && Apart(pixels[next], pixels[at]) <= tolerance / 8))
                    return;
                gone[next] = true;
                open.Enqueue(next);
            }
        }
        var pieces = mask.Pieces();
        if (pieces.IsEmpty)
            return "";
        var all = mask.Count;
        var kept = pieces.Where(piece => piece.Count >= Dust * all).ToArray();
        for (var y = 0; y < rows; y++)
        for (var x = 0; x < columns; x++)
            mask[x, y] = kept.Any(piece => piece[x, y]);
        return "";

        byte Median(Func<int, byte> of) => edge.Select(of).Order().ElementAt(edge.Length / 2);
    }

    private static double Apart(SKColor a, SKColor b)
    {
        var (r, g, l) = (a.Red - b.Red, a.Green - b.Green, a.Blue - b.Blue);
        return Math.Sqrt(r * r + g * g + l * l);
    }

    /// <summary>Round what is kept where it hangs together and is simple enough, else its hull; in pixels.</summary>
    internal static ImmutableArray<Point> Outline(Mask mask)
    {
        var all = mask.Count;
        var pieces = mask.Pieces().Where(piece => piece.Count >= Dust * all).ToArray();
        if (pieces.Length == 1)
        {
            var edge = pieces[0].Edge();
            // The run is split where it is farthest from its beginning, so that neither half begins and ends at one place.
            var far = Enumerable.Range(0, edge.Length).MaxBy(i => edge[i].DistanceTo(edge[0]));
            for (var off = 1.2; off <= 20; off *= 1.5)
            {
                ImmutableArray<Point> ring =
                [
                    .. Thinning.Of(edge[..(far + 1)], off).SkipLast(1),
                    .. Thinning.Of([.. edge[far..], edge[0]], off).SkipLast(1),
                ];
                if (OwnShape.WrongOutline(ring) is null)
                    return InBox(ring, mask);
            }
        }
        return InBox(OwnShape.HullOf([.. pieces.SelectMany(piece => piece.Edge())]), mask);
    }

    /// <summary>The ring stretched to the box of what is kept, so that the picture fills the box of its outline.</summary>
    private static ImmutableArray<Point> InBox(ImmutableArray<Point> ring, Mask mask)
    {
        var (left, top, right, bottom) = mask.Box()!.Value;
        var box = Bounds.Around(ring);
        return
        [
            .. ring.Select(p => new Point(
                left + (p.X - box.MinX) * (right - left) / box.Width,
                top + (p.Y - box.MinY) * (bottom - top) / box.Height
            )),
        ];
    }

    /// <summary>Plum ink, see-through, over what is dropped.</summary>
    private static byte[] Shade(Mask mask)
    {
        using var shade = new SKBitmap(new SKImageInfo(mask.Columns, mask.Rows, SKColorType.Rgba8888, SKAlphaType.Unpremul));
        var colours = new SKColor[mask.Columns * mask.Rows];
        for (var i = 0; i < colours.Length; i++)
        {
            var (x, y) = (i % mask.Columns, i / mask.Columns);
            colours[i] =
                mask[x, y] ? SKColors.Transparent
                : (x + y) % 8 < 3 ? new SKColor(0x6B, 0x3F, 0x87, 0xC0)
                : new SKColor(0xF6, 0xF1, 0xF9, 0xC0);
        }
        shade.Pixels = colours;
        using var image = SKImage.FromBitmap(shade);
        using var data = image.Encode(SKEncodedImageFormat.Png, 100);
        return data.ToArray();
    }
}
