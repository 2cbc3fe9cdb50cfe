using System.Buffers.Binary;
using System.Collections.Immutable;
using System.Text;
using SkiaSharp;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Drawings;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Formats.Pdf;
using Wellsedes.Formats.Pictures;
using Wellsedes.Formats.PlanFile;
using Wellsedes.Formats.Png;
using Wellsedes.Formats.Svg;

namespace Wellsedes.Formats.Tests;

/// <summary>Things cut out of their pictures: the background goes, the outline is true, and what is drawn holds the picture.</summary>
public sealed class CutoutTests
{
    private static readonly SKColor Wool = new(0xB5, 0x47, 0x5A);

    /// <summary>An L of wool on paper of a colour: 300 x 200 pixels, 60 off the edges, a corner of 150 x 100 left free.</summary>
    private static byte[] Angle(SKColor paper, SKEncodedImageFormat format = SKEncodedImageFormat.Png, Action<SKCanvas>? more = null) =>
        PictureTests.Picture(
            format,
            420,
            320,
            canvas =>
            {
                canvas.Clear(paper);
                more?.Invoke(canvas);
                using var paint = new SKPaint { Color = Wool };
                canvas.DrawRect(60, 60, 150, 200, paint);
                canvas.DrawRect(60, 160, 300, 100, paint);
            }
        );

    private static CutoutResult Cut(byte[] file, params ReadOnlySpan<Mending> mendings) =>
        Cutout.Of(file, true, Cutout.UsualTolerance, [.. mendings]);

    private static Mending Round(double minX, double minY, double maxX, double maxY, bool keep) =>
        new([new(minX, minY), new(maxX, minY), new(maxX, maxY), new(minX, maxY)], keep);

    [Theory]
    [InlineData(SKEncodedImageFormat.Png, 255, 255, 255)]
    [InlineData(SKEncodedImageFormat.Jpeg, 255, 255, 255)]
    [InlineData(SKEncodedImageFormat.Webp, 225, 228, 230)]
    [InlineData(SKEncodedImageFormat.Png, 20, 60, 90)]
    public void A_plain_background_is_taken_away_and_the_outline_is_true(SKEncodedImageFormat format, byte r, byte g, byte b)
    {
        var cut = Cut(Angle(new SKColor(r, g, b), format));
        Assert.Equal("", cut.Note);
        Assert.InRange(cut.DepthShare, 0.66, 0.675);
        // 45,000 pixels of 300 x 200, at 1000 mm for 300 pixels.
        var truth = 45_000 * Math.Pow(1000 / 300.0, 2);
        Assert.InRange(Math.Abs(Region.SignedArea(cut.Shape.Outline)) / truth, 0.98, 1.02);
        Assert.InRange(cut.Shape.Outline.Length, 6, 12);
        var region = new Region(cut.Shape.Outline, []);
        Assert.True(region.Holds(new Point(-400, 200)) && region.Holds(new Point(400, -200)));
        // What was free stays free.
        Assert.False(region.Holds(new Point(400, 200)));
        Assert.Null(cut.Shape.Wrong());
        Assert.Null(OwnPictures.Wrong(cut.Shape.Picture));
        Assert.InRange(cut.Kept, 45_000 / 134_400.0 - 0.01, 45_000 / 134_400.0 + 0.01);
        using var shown = SKBitmap.Decode(Convert.FromBase64String(cut.Shape.Picture!.Data));
        Assert.InRange(shown.Width, 298, 302);
        Assert.Equal(0, shown.GetPixel(shown.Width - 20, 20).Alpha);
        Assert.Equal(255, shown.GetPixel(20, 20).Alpha);
        using var dropped = SKBitmap.Decode(cut.Dropped);
        Assert.Equal((420, 320), (dropped.Width, dropped.Height));
        Assert.Equal(0, dropped.GetPixel(100, 100).Alpha);
        Assert.True(dropped.GetPixel(10, 10).Alpha > 100);
    }

    [Fact]
    public void What_is_enclosed_stays_and_dust_goes()
    {
        var cut = Cut(
            PictureTests.Picture(
                SKEncodedImageFormat.Png,
                300,
                300,
                canvas =>
                {
                    using var paint = new SKPaint { Color = Wool };
                    canvas.DrawRect(100, 100, 100, 100, paint);
                    using var white = new SKPaint { Color = SKColors.White };
                    canvas.DrawRect(130, 130, 40, 40, white);
                    canvas.DrawRect(20, 20, 3, 3, paint);
                }
            )
        );
        // White within the wool does not touch the edge of the picture: it is part of the thing; a speck is not.
        Assert.Equal(10_000 / 90_000.0, cut.Kept, 3);
        Assert.Equal(1, cut.DepthShare, 3);
    }

    [Fact]
    public void A_soft_shadow_goes_with_the_background()
    {
        var cut = Cut(
            Angle(
                SKColors.White,
                more: canvas =>
                {
                    using var shade = new SKPaint();
                    for (var i = 0; i < 40; i++)
                    {
                        shade.Color = new SKColor((byte)(255 - i), (byte)(255 - i), (byte)(255 - i));
                        canvas.DrawRect(60 + i / 2f, 260, 300 - i, 40 - i, shade);
                    }
                }
            )
        );
        Assert.InRange(cut.DepthShare, 0.66, 0.68);
    }

    [Fact]
    public void A_background_that_is_not_plain_stays_and_is_dropped_by_drawing_round_it()
    {
        var random = new Random(3);
        var busy = Angle(
            SKColors.White,
            more: canvas =>
            {
                using var paint = new SKPaint();
                for (var i = 0; i < 3000; i++)
                {
                    paint.Color = new SKColor((byte)random.Next(256), (byte)random.Next(256), (byte)random.Next(256));
                    canvas.DrawRect(random.Next(420), random.Next(320), 14, 14, paint);
                }
            }
        );
        var whole = Cut(busy);
        Assert.Contains("not of one colour", whole.Note);
        Assert.Equal(1, whole.Kept);
        var mended = Cut(busy, Round(0, 0, 1, 1, false), Round(60 / 420.0, 60 / 320.0, 360 / 420.0, 260 / 320.0, true));
        Assert.Equal(60_000 / 134_400.0, mended.Kept, 3);
        Assert.Equal(4, mended.Shape.Outline.Length);
        // The other way round nothing is left.
        var nothing = Assert.Throws<PictureException>(() => Cut(busy, Round(-1, -1, 2, 2, false)));
        Assert.Contains("Nothing is left", nothing.Message);
    }

    [Fact]
    public void A_picture_that_is_see_through_already_is_kept_as_it_is()
    {
        using var surface = SKSurface.Create(new SKImageInfo(200, 100, SKColorType.Rgba8888, SKAlphaType.Premul));
        surface.Canvas.Clear(SKColors.Transparent);
        using var paint = new SKPaint { Color = Wool };
        surface.Canvas.DrawRect(50, 25, 100, 50, paint);
        using var data = surface.Snapshot().Encode(SKEncodedImageFormat.Png, 100);
        var cut = Cut(data.ToArray());
        Assert.Contains("see-through already", cut.Note);
        Assert.Equal((0.5, 0.25), (cut.DepthShare, cut.Kept));
    }

    [Fact]
    public void Two_parts_that_lie_apart_have_one_outline_round_both()
    {
        var cut = Cut(
            PictureTests.Picture(
                SKEncodedImageFormat.Png,
                300,
                100,
                canvas =>
                {
                    using var paint = new SKPaint { Color = Wool };
                    canvas.DrawRect(20, 20, 60, 60, paint);
                    canvas.DrawRect(220, 20, 60, 60, paint);
                }
            )
        );
        Assert.Equal(4, cut.Shape.Outline.Length);
        Assert.Equal(60 / 260.0, cut.DepthShare, 3);
    }

    [Fact]
    public void Bad_input_is_refused_in_words()
    {
        var file = Angle(SKColors.White);
        Assert.Contains("from 1 to 400", Assert.Throws<PictureException>(() => Cutout.Of(file, true, 0, [])).Message);
        Assert.Contains("from 1 to 400", Assert.Throws<PictureException>(() => Cutout.Of(file, true, double.NaN, [])).Message);
        var many = Enumerable.Repeat(Round(0, 0, 1, 1, true), Cutout.MostMendings + 1).ToImmutableArray();
        Assert.Contains("60 rings", Assert.Throws<PictureException>(() => Cutout.Of(file, true, 40, many)).Message);
        Assert.Contains("60 rings", Assert.Throws<PictureException>(() => Cut(file, new Mending(default, true))).Message);
        // A header that lies: refused before a pixel is decoded.
        BinaryPrimitives.WriteUInt32BigEndian(file.AsSpan(16), 50_000);
        Assert.Contains("50000 by", Assert.Throws<PictureException>(() => Cut(file)).Message);
        Assert.Contains("no PNG", Assert.Throws<PictureException>(() => Cut("GIF89a..."u8.ToArray())).Message);
    }

    /// <summary>Two thousand spoilt pictures: each is cut out or refused with a message.</summary>
    [Fact]
    public void Two_thousand_spoilt_pictures_are_cut_out_or_refused()
    {
        var random = new Random(11);
        byte[][] whole =
        [
            .. new[] { SKEncodedImageFormat.Png, SKEncodedImageFormat.Jpeg, SKEncodedImageFormat.Webp }.Select(format =>
                PictureTests.Picture(format, 40, 30, canvas => canvas.DrawCircle(20, 15, 9, new SKPaint { Color = Wool }))
            ),
        ];
        for (var i = 0; i < 2000; i++)
        {
            var file = whole[i % 3].ToArray();
            for (var spoil = random.Next(6); spoil > 0; spoil--)
                file[random.Next(file.Length)] = (byte)random.Next(256);
            if (random.Next(3) == 0)
                file = file[..random.Next(file.Length)];
            try
            {
                Assert.Null(Cut(file).Shape.Wrong());
            }
            catch (PictureException e)
            {
                Assert.NotEmpty(e.Message);
            }
        }
    }

    /// <summary>A phone's picture says how it is to be turned: it is cut out as it is shown.</summary>
    [Fact]
    public void A_picture_is_turned_as_its_file_asks()
    {
        var upright = Cut(Angle(SKColors.White, SKEncodedImageFormat.Jpeg));
        var turned = Cut(Turned(Angle(SKColors.White, SKEncodedImageFormat.Jpeg), 6));
        Assert.Equal(1 / upright.DepthShare, turned.DepthShare, 1);
        // The free corner, at the upper right, is at the lower right when turned a quarter clockwise.
        Assert.False(new Region(turned.Shape.Outline, []).Holds(new Point(400, -600)));
        Assert.True(new Region(turned.Shape.Outline, []).Holds(new Point(400, 600)));
    }

    /// <summary>A JPEG with a mark of its turn (Exif 2.3, tag 0x0112) put behind its beginning.</summary>
    private static byte[] Turned(byte[] jpeg, byte turn)
    {
        byte[] tiff = [.. "MM\0*"u8, 0, 0, 0, 8, 0, 1, 0x01, 0x12, 0, 3, 0, 0, 0, 1, 0, turn, 0, 0, 0, 0, 0, 0];
        byte[] body = [.. "Exif\0\0"u8, .. tiff];
        return [.. jpeg[..2], 0xFF, 0xE1, (byte)((body.Length + 2) >> 8), (byte)(body.Length + 2), .. body, .. jpeg[2..]];
    }

    private static Drawing Paper(params ReadOnlySpan<Mark> marks) => new(100, 80, "Paper", new DateOnly(2026, 11, 26), [.. marks]);

    /// <summary>The picture lies on paper where it is said to, turned, in PNG, SVG and PDF alike; repeated it fills its path only.</summary>
    [Fact]
    public void A_picture_is_drawn_in_its_place_by_every_writer()
    {
        var picture = Cut(Angle(SKColors.White)).Shape.Picture!;
        // Turned a quarter clockwise: 40 mm down the paper, 30 to the left.
        var once = Paper(new PictureMark(picture, new Point(80, 10), new Point(0, 40), new Point(-30, 0)));
        var laid = Paper(
            new PictureMark(picture, new Point(0, 0), new Point(10, 0), new Point(0, 5), PathShape.Box(20, 20, 60, 60), 0.5),
            new PathMark(PathShape.Box(70, 10, 90, 30), null, 0, "#35524A80")
        );
        using (var png = Shown(PngWriter.Write(once, 10)))
        {
            Assert.True(IsWool(png, 75, 14) && IsWool(png, 55, 45), "it lies where it is said to");
            Assert.False(IsWool(png, 75, 45), "the free corner is free");
            Assert.False(IsWool(png, 85, 20) || IsWool(png, 75, 55));
        }
        using (var png = Shown(PngWriter.Write(laid, 10)))
        {
            // Tile by tile, the left half of each is full; half strong; beyond the path there is nothing.
            Assert.Equal(Half(Wool), Rough(png.GetPixel(222, 222)));
            Assert.Equal(Half(Wool), Rough(png.GetPixel(522, 472)));
            Assert.Equal(SKColors.White, png.GetPixel(288, 215));
            Assert.Equal(SKColors.White, png.GetPixel(122, 222));
            Assert.Equal(Half(new SKColor(0x35, 0x52, 0x4A)), Rough(png.GetPixel(800, 200)));
        }
        var svg = Encoding.UTF8.GetString(SvgWriter.Write(laid));
        Assert.Contains("patternTransform=\"matrix(10 0 0 5 0 0)\"", svg);
        Assert.Contains("fill=\"url(#laid-0)\"", svg);
        Assert.Contains("xlink:href=\"data:image/png;base64,", svg);
        Assert.Contains("fill=\"#35524A\" fill-rule=\"evenodd\" fill-opacity=\"0.502\"", svg);
        Assert.Contains("transform=\"matrix(0 40 -30 0 80 10)\"", Encoding.UTF8.GetString(SvgWriter.Write(once)));
        var pdf = PdfWriter.Write(once);
        using var document = UglyToad.PdfPig.PdfDocument.Open(pdf);
        var image = document.GetPage(1).GetImages().Single();
        const double point = 72 / 25.4;
        // Its own width and height, however it is turned, and its middle.
        Assert.Equal(40 * point, image.BoundingBox.Width, 1);
        Assert.Equal(30 * point, image.BoundingBox.Height, 1);
        Assert.Equal((65 * point, (80 - 30) * point), (image.BoundingBox.Centroid.X, image.BoundingBox.Centroid.Y), Near);
        // One that does not decode leaves its place empty and breaks nothing.
        var broken = new PictureMark(new OwnPicture(picture.Data[..400] + "===="), default, new Point(10, 0), new Point(0, 10));
        Assert.NotEmpty(PdfWriter.Write(Paper(broken)));
        Assert.NotEmpty(SvgWriter.Write(Paper(broken)));
    }

    private static bool Near((double, double) a, (double, double) b) =>
        Math.Abs(a.Item1 - b.Item1) < 0.5 && Math.Abs(a.Item2 - b.Item2) < 0.5;

    private static SKBitmap Shown(byte[] png) => SKBitmap.Decode(png);

    private static bool IsWool(SKBitmap bitmap, double x, double y)
    {
        var pixel = bitmap.GetPixel((int)(x * 10), (int)(y * 10));
        return Math.Abs(pixel.Red - Wool.Red) < 20 && Math.Abs(pixel.Green - Wool.Green) < 20;
    }

    private static (int, int, int) Rough(SKColor c) => ((c.Red + 4) / 8, (c.Green + 4) / 8, (c.Blue + 4) / 8);

    private static (int, int, int) Half(SKColor c) =>
        Rough(new SKColor((byte)((c.Red + 255) / 2), (byte)((c.Green + 255) / 2), (byte)((c.Blue + 255) / 2)));

    /// <summary>A plan with a cut-out rug goes out as a file and comes in again the same; a spoilt picture is refused by the item's id.</summary>
    [Fact]
    public void A_plan_carries_its_pictures_and_a_spoilt_one_is_refused()
    {
        var cut = Cut(Angle(SKColors.White));
        var rug = new CatalogueItem(
            "rug-own",
            "Heath rug",
            CatalogueKind.Floors,
            FormMaker.Outline,
            new ItemSize(1829, 1219, 12),
            new ValueSource("Own item", "high"),
            default,
            Shape: cut.Shape
        );
        var plan = Plan.Of(
            [.. PlanStart.Entities("P", Core.Units.UnitSystem.Metric), new OwnItem(rug.Key, rug)],
            Core.KindsOfThing.Shipped.Library
        );
        var file = PlanFiles.Write(plan, []);
        Assert.Equal(cut.Shape.Picture, PlanFiles.Read(file).Find<OwnItem>("rug-own")!.Item.Shape!.Picture);
        var items = OwnItemFile.Write([rug]);
        Assert.Equal(cut.Shape.Picture, OwnItemFile.Read(items)[0].Shape!.Picture);
        var data = cut.Shape.Picture!.Data;
        var spoilt = data[..80] + new string('A', 40) + data[120..(data.Length / 2 / 4 * 4)];
        var text = Encoding.UTF8.GetString(items).Replace(data, spoilt);
        Assert.Contains("\"rug-own\"", Assert.Throws<PlanFileException>(() => OwnItemFile.Read(Encoding.UTF8.GetBytes(text))).Message);
        text = Encoding.UTF8.GetString(file).Replace(data, spoilt);
        Assert.Contains("\"rug-own\"", Assert.Throws<PlanFileException>(() => PlanFiles.Read(Encoding.UTF8.GetBytes(text))).Message);
        // Lying on the floor it is walked over; nothing that stands on it overlaps.
        Assert.Equal(PlanStart.SchemeId, plan.Schemes.First().Id);
        Assert.Null(PlanChecks.OfWhole(plan));
    }
}
