using System.Buffers.Binary;
using SkiaSharp;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Tracing;
using Wellsedes.Formats.Pictures;

namespace Wellsedes.Formats.Tests;

/// <summary>Pictures taken in: what is accepted, what is refused and how it is said, and the scale found from one.</summary>
public sealed class PictureTests
{
    public static byte[] Picture(SKEncodedImageFormat format, int columns = 60, int rows = 40, Action<SKCanvas>? draw = null)
    {
        using var surface = SKSurface.Create(new SKImageInfo(columns, rows, SKColorType.Rgba8888, SKAlphaType.Opaque));
        surface.Canvas.Clear(SKColors.White);
        draw?.Invoke(surface.Canvas);
        using var image = surface.Snapshot();
        using var data = image.Encode(format, 95);
        return data.ToArray();
    }

    [Theory]
    [InlineData(SKEncodedImageFormat.Png, "image/png")]
    [InlineData(SKEncodedImageFormat.Jpeg, "image/jpeg")]
    [InlineData(SKEncodedImageFormat.Webp, "image/webp")]
    public void Png_jpeg_and_webp_are_taken(SKEncodedImageFormat format, string type) =>
        Assert.Equal(new TakenPicture(type, 60, 40), PictureIntake.Read(Picture(format)));

    [Fact]
    public void A_header_of_a_billion_pixels_is_refused_before_anything_is_decoded()
    {
        var png = Picture(SKEncodedImageFormat.Png);
        BinaryPrimitives.WriteUInt32BigEndian(png.AsSpan(16), 40_000);
        BinaryPrimitives.WriteUInt32BigEndian(png.AsSpan(20), 25_000);
        var before = GC.GetTotalAllocatedBytes();
        Assert.Contains("40000 by 25000 pixels", Assert.Throws<PictureException>(() => PictureIntake.Read(png)).Message);
        Assert.True(GC.GetTotalAllocatedBytes() - before < 1_000_000);
    }

    [Theory]
    [InlineData(SKEncodedImageFormat.Png)]
    [InlineData(SKEncodedImageFormat.Jpeg)]
    [InlineData(SKEncodedImageFormat.Webp)]
    public void One_that_is_cut_short_is_refused(SKEncodedImageFormat format)
    {
        var file = Picture(format, draw: canvas => canvas.DrawCircle(20, 20, 15, new SKPaint { Color = SKColors.DarkGreen }));
        Assert.Contains("broken", Assert.Throws<PictureException>(() => PictureIntake.Read(file[..(file.Length * 2 / 3)])).Message);
    }

    [Fact]
    public void A_header_that_lies_about_its_size_is_refused()
    {
        var png = Picture(SKEncodedImageFormat.Png, 60, 40);
        BinaryPrimitives.WriteUInt32BigEndian(png.AsSpan(20), 400);
        // The chunk's own check sum no longer fits; with it mended the pixels do not reach.
        Assert.Throws<PictureException>(() => PictureIntake.Read(png));
        BinaryPrimitives.WriteUInt32BigEndian(png.AsSpan(29), Crc(png.AsSpan(12, 17)));
        Assert.Contains("cut short", Assert.Throws<PictureException>(() => PictureIntake.Read(png)).Message);
    }

    [Theory]
    [InlineData("")]
    [InlineData("<svg xmlns='http://www.w3.org/2000/svg'><script>alert(1)</script></svg>")]
    [InlineData("GIF89a......................")]
    [InlineData("<!doctype html><script>alert(1)</script>")]
    public void What_is_no_picture_is_named_as_such(string content) =>
        Assert.Matches(
            "empty|no PNG, JPEG, WebP or PDF",
            Assert.Throws<PictureException>(() => PictureIntake.Read(System.Text.Encoding.ASCII.GetBytes(content))).Message
        );

    private static uint Crc(ReadOnlySpan<byte> bytes)
    {
        var crc = 0xFFFFFFFFu;
        foreach (var b in bytes)
        {
            crc ^= b;
            for (var k = 0; k < 8; k++)
                crc = (crc & 1) != 0 ? 0xEDB88320u ^ (crc >> 1) : crc >> 1;
        }
        return ~crc;
    }

    /// <summary>Three pages of 420 x 297 mm (A3), each with one line; the second is turned, the third holds nothing.</summary>
    private static byte[] Pdf()
    {
        using var stream = new MemoryStream();
        using (var document = SKDocument.CreatePdf(stream))
        {
            for (var page = 0; page < 3; page++)
            {
                using var canvas = document.BeginPage(1190.55f, 841.89f);
                if (page == 0)
                    canvas.DrawRect(100, 100, 720, 360, new SKPaint { Style = SKPaintStyle.Stroke, StrokeWidth = 2 });
                document.EndPage();
            }
            document.Close();
        }
        return stream.ToArray();
    }

    [Fact]
    public async Task A_page_of_a_pdf_becomes_a_picture_with_its_paper()
    {
        var page = await PdfPages.RenderAsync(Pdf(), 1, CancellationToken.None);
        Assert.Equal(3, page.Pages);
        // The writer rounds its paper to whole points.
        Assert.Equal(420, page.PaperWidth, 0.36);
        Assert.Equal(297, page.PaperHeight, 0.36);
        Assert.InRange(page.Columns, 4900, 6000);
        // At the stated scale of 1:50, 720 points are 720 / 72 x 25.4 x 50 = 12 700 mm.
        var scale = PictureScale.FromPaper(page.Columns, page.PaperWidth, 50).Scale;
        Assert.Equal(12_700, 720 * page.Columns / 1191.0 * scale, 1.0);
        Assert.False(page.Scripts);
    }

    [Theory]
    [InlineData(4, "has 3 pages; page 4")]
    [InlineData(0, "Choose a page")]
    public async Task A_page_that_is_not_there_is_named(int page, string said) =>
        Assert.Contains(
            said,
            (await Assert.ThrowsAsync<PictureException>(() => PdfPages.RenderAsync(Pdf(), page, CancellationToken.None))).Message
        );

    [Fact]
    public async Task A_pdf_cut_short_or_of_nothing_is_refused()
    {
        var pdf = Pdf();
        foreach (
            var broken in (byte[][])
                [
                    pdf[..40],
                    [.. "%PDF-1.7\n"u8, .. new byte[500]],
                    [
                        .. "%PDF-1.4\n1 0 obj<</Type/Catalog/Pages 2 0 R>>endobj 2 0 obj<</Type/Pages/Count 1/Kids[2 0 R]>>endobj trailer<</Root 1 0 R>>"u8,
                    ],
                ]
        )
            await Assert.ThrowsAsync<PictureException>(() => PdfPages.RenderAsync(broken, 1, CancellationToken.None));
    }

    [Fact]
    public async Task Scripts_in_a_pdf_are_told_and_never_run()
    {
        var pdf =
            "%PDF-1.4\n1 0 obj<</Type/Catalog/Pages 2 0 R/OpenAction<</S/JavaScript/JS(app.alert\\(1\\);)>>>>endobj\n"
            + "2 0 obj<</Type/Pages/Count 1/Kids[3 0 R]>>endobj\n3 0 obj<</Type/Page/Parent 2 0 R/MediaBox[0 0 300 200]>>endobj\n"
            + "trailer<</Root 1 0 R/Size 4>>\n%%EOF";
        var page = await PdfPages.RenderAsync(System.Text.Encoding.ASCII.GetBytes(pdf), 1, CancellationToken.None);
        Assert.True(page.Scripts);
    }

    [Theory]
    [InlineData(0)]
    [InlineData(7.3)]
    [InlineData(-31)]
    [InlineData(90)]
    public void The_scale_of_a_synthetic_picture_is_found_to_within_a_pixel(double turn)
    {
        // Marks at known places of a level, drawn at 4.2 mm a pixel, turned, with specks of noise; read back by their dark centres.
        const double true_scale = 4.2;
        Point[] places = [new(0, 0), new(3150, 0), new(3150, 2520), new(0, 2520), new(1575, 1260), new(2940, 1890)];
        var random = new Random(17);
        var centre = new Point(700, 600);
        Point OnPicture(Point place)
        {
            var own = new Placement(0, 0, turn).Out(new Point((place.X - 1575) / true_scale, (place.Y - 1260) / true_scale));
            return new Point(centre.X + own.X, centre.Y - own.Y);
        }
        var file = Picture(
            SKEncodedImageFormat.Jpeg,
            1400,
            1200,
            canvas =>
            {
                using var dark = new SKPaint { Color = SKColors.Black, IsAntialias = true };
                using var speck = new SKPaint { Color = new SKColor(170, 170, 170) };
                for (var i = 0; i < 4000; i++)
                    canvas.DrawRect(random.Next(1400), random.Next(1200), 1, 1, speck);
                foreach (var place in places)
                    canvas.DrawCircle((float)OnPicture(place).X, (float)OnPicture(place).Y, 6, dark);
            }
        );
        Assert.Equal(1400, PictureIntake.Read(file).Columns);
        using var bitmap = SKBitmap.Decode(file);
        var marks = places.Select(place => DarkCentre(bitmap, OnPicture(place))).ToArray();
        var scale = PictureScale.FromLengths([new(marks[0].DistanceTo(marks[1]), 3150)]).Scale;
        var backing = new Backing("b", "l", Guid.NewGuid().ToString(), "b", 1400, 1200, 0, 0, 0, scale);
        // Every other distance comes out right to within one pixel's worth.
        for (var i = 0; i < places.Length; i++)
        for (var j = 0; j < i; j++)
            Assert.Equal(places[i].DistanceTo(places[j]), backing.ToLevel(marks[i]).DistanceTo(backing.ToLevel(marks[j])), true_scale);
        Assert.Equal(true_scale, scale, true_scale / 750);
    }

    /// <summary>The centre of darkness near a place, as an eye finds the middle of a mark.</summary>
    private static Point DarkCentre(SKBitmap bitmap, Point near)
    {
        double sum = 0,
            x = 0,
            y = 0;
        for (var dx = -12; dx <= 12; dx++)
        for (var dy = -12; dy <= 12; dy++)
        {
            var (px, py) = ((int)Math.Round(near.X) + dx, (int)Math.Round(near.Y) + dy);
            var dark = Math.Max(0, 110 - bitmap.GetPixel(px, py).Red);
            sum += dark;
            x += dark * (px + 0.5);
            y += dark * (py + 0.5);
        }
        return new Point(x / sum, y / sum);
    }
}
