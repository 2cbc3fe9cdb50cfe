using SkiaSharp;
using UglyToad.PdfPig;
using Wellsedes.Core.Drawings;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rendering;
using Wellsedes.Formats.Lettering;
using Wellsedes.Formats.Pdf;
using Wellsedes.Formats.PlanFile;
using Wellsedes.Formats.Svg;
using Wellsedes.Formats.Viewing;

namespace Wellsedes.Formats.Tests.Viewing;

/// <summary>Pictures in space as files, and as they stand on a sheet, read back by readers that are not ours.</summary>
public sealed class SeenPngTests
{
    private static readonly Plan Plan = PlanFiles.Read(File.ReadAllBytes(Demo.PlanPath));
    private static readonly Planner Planner = new();

    private static SeenPicture Taken(string id, int width, int height)
    {
        var view = Plan.Find<Viewpoint>(id)!;
        return SeenPicture.Of(Planner.ModelOf(Plan, view.SchemeId, view.Shows), Plan, view, width, height);
    }

    [Fact]
    public void The_file_holds_the_picture_pixel_for_pixel()
    {
        var picture = Taken("look-above", 201, 97);
        var before = picture.Pixels.ToArray();
        using var read = SKBitmap.Decode(SeenPng.Write(picture));
        Assert.Equal((201, 97), (read.Width, read.Height));
        for (var y = 0; y < 97; y += 4)
        for (var x = 0; x < 201; x += 3)
        {
            var (at, pixel) = ((y * 201 + x) * 4, read.GetPixel(x, y));
            Assert.Equal((before[at], before[at + 1], before[at + 2], (byte)255), (pixel.Red, pixel.Green, pixel.Blue, pixel.Alpha));
        }
        // By libpng's own checker too.
        var file = Demo.Write(SeenPng.Write(picture), "seen.png");
        Assert.Contains("PNG image data, 201 x 97", Demo.Run("file", file), StringComparison.Ordinal);
    }

    [Fact]
    public void A_title_takes_a_strip_at_the_foot_and_leaves_the_rest()
    {
        using var plain = SKBitmap.Decode(SeenPng.Write(Taken("look-above", 640, 400)));
        using var titled = SKBitmap.Decode(
            SeenPng.Write(Taken("look-above", 640, 400), new string('W', 200) + " a title longer than the picture", "Revision 12")
        );
        var first = Enumerable.Range(0, 400).First(y => Enumerable.Range(0, 640).Any(x => plain.GetPixel(x, y) != titled.GetPixel(x, y)));
        Assert.InRange(first, 370, 385);
        // The note is there in full: something dark near its right end, and white between it and the title that was cut.
        Assert.Contains(Enumerable.Range(560, 70), x => titled.GetPixel(x, 390).Red < 90);
        Assert.Equal(SKColors.White, titled.GetPixel(635, 390));
    }

    [Fact]
    public void The_demo_has_a_sheet_of_four_pictures_that_says_it_is_not_to_scale()
    {
        var settings = Plan.Find<SheetSettings>("sheet-pictures")!;
        var state = Planner.StateOf(Plan, settings.SchemeId, settings.LevelId);
        var input = state.SheetInput(settings, "Tidemill House", "A", "Issued", new DateOnly(2026, 11, 27));
        var drawing = new SheetComposer(Typefaces.Shared, new SheetCamera(Planner, Plan)).Compose(input).Drawing;
        using var document = PdfDocument.Open(PdfWriter.Write(drawing));
        var page = document.GetPage(1);
        Assert.Equal(4, page.GetImages().Count());
        // Each is as wide for its height as it was taken, and has 200 pixels to an inch.
        foreach (var image in page.GetImages())
        {
            var box = image.BoundingBox;
            Assert.Equal(1.6, box.Width / box.Height, 0.01);
            Assert.Equal(200, image.WidthInSamples / (box.Width / 72), 1.0);
        }
        var words = string.Join(' ', page.GetWords().Select(word => word.Text));
        foreach (var text in (string[])["From above", "An evening in June", "From the entrance", "From table 9", "Not to scale"])
            Assert.Contains(text, words, StringComparison.Ordinal);
        var svg = System.Text.Encoding.UTF8.GetString(SvgWriter.Write(drawing));
        Assert.Equal(4, svg.Split("<image").Length - 1);
        // Asked again for the same plan they are not taken again: the same bytes, at once.
        var again = new SheetComposer(Typefaces.Shared, new SheetCamera(new Planner(), Plan)).Compose(input).Drawing;
        Assert.Equal(drawing.Marks.OfType<SeenMark>().Select(mark => mark.Png), again.Marks.OfType<SeenMark>().Select(mark => mark.Png));
    }

    [Fact]
    public void All_plans_of_the_demo_keep_looks_that_show_something()
    {
        foreach (var file in (string[])["orchard-supper", "tidemill-house", "reed-workshop"])
        {
            var plan = PlanFiles.Read(File.ReadAllBytes(Path.Combine(Demo.Root, "demo", $"{file}.wellsedes.json")));
            var planner = new Planner();
            var views = plan.All<Viewpoint>().ToArray();
            Assert.True(views.Length >= 4, file);
            foreach (var view in views)
            {
                var seen = new Sight(planner.ModelOf(plan, view.SchemeId, view.Shows), view).Things();
                Assert.True(seen.Length >= 3, $"{file}, {view.Name}: {seen.Length}");
            }
        }
    }
}
