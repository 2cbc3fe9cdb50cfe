using System.Diagnostics;
using System.Globalization;
using System.Text.RegularExpressions;
using UglyToad.PdfPig;
using Wellsedes.Formats.Pdf;
using Wellsedes.Formats.Png;
using Wellsedes.Formats.Svg;

namespace Wellsedes.Formats.Tests;

/// <summary>The issued PDF read back with three readers that are not ours: PdfPig, poppler and mupdf.</summary>
public sealed partial class PdfTests
{
    private const double PointsPerMillimetre = 72 / 25.4;

    [Fact]
    public void An_18_000_wall_at_1_to_75_measures_240_mm_by_mupdf()
    {
        var pdf = Demo.Write(PdfWriter.Write(Demo.Sheet(75).Drawing), "wall.pdf");
        var trace = Demo.Run("mutool", "trace", pdf);
        // The dimension figure 18 000 stands over the wall; its extension feet mark the inside faces.
        var lines = Segment()
            .Matches(trace)
            .Select(m => m.Groups.Values.Skip(1).Select(g => double.Parse(g.Value, CultureInfo.InvariantCulture)).ToArray());
        var scale = Transform().Match(trace);
        var factor = double.Parse(scale.Groups[1].Value, CultureInfo.InvariantCulture);
        Assert.True(factor > 0);
        var lengths = lines
            .Where(l => Math.Abs(l[1] - l[3]) < 1e-6)
            .Select(l => Math.Abs(l[2] - l[0]) * factor / PointsPerMillimetre)
            .ToArray();
        // The line runs on by 1.2 mm past both ticks, so the dimension of 240.00 is drawn 242.40 long.
        Assert.Contains(lengths, length => Math.Abs(length - 242.40) < 0.005);
    }

    [Fact]
    public void The_west_wall_is_13_600_over_75_on_paper_by_pdfpig()
    {
        using var document = PdfDocument.Open(PdfWriter.Write(Demo.Sheet(75).Drawing));
        var heights = document
            .GetPage(1)
            .Paths.SelectMany(path => path)
            .Select(part => part.GetBoundingRectangle())
            .OfType<UglyToad.PdfPig.Core.PdfRectangle>()
            .Select(box => box.Height / PointsPerMillimetre);
        // 13 000 inside and a wall of 300 at both ends.
        Assert.Contains(heights, height => Math.Abs(height - 13_600 / 75.0) < 0.01);
    }

    /// <summary>ISO 216: A3 is 297 x 420 mm; from memory. A PDF point is 1/72 in.</summary>
    [Theory]
    [InlineData("A3", 420, 297)]
    [InlineData("A1", 841, 594)]
    [InlineData("ANSI B", 431.8, 279.4)]
    public void The_page_is_the_paper_by_poppler(string paper, double width, double height)
    {
        var pdf = Demo.Write(PdfWriter.Write(Demo.Sheet(null, paper).Drawing), $"{paper}.pdf");
        var size = PageSize().Match(Demo.Run("pdfinfo", pdf));
        Assert.Equal(width, double.Parse(size.Groups[1].Value, CultureInfo.InvariantCulture) / PointsPerMillimetre, 0.2);
        Assert.Equal(height, double.Parse(size.Groups[2].Value, CultureInfo.InvariantCulture) / PointsPerMillimetre, 0.2);
    }

    [Fact]
    public void Text_is_text_fonts_are_embedded_and_the_file_is_sound()
    {
        var bytes = PdfWriter.Write(Demo.Sheet(75).Drawing);
        var pdf = Demo.Write(bytes, "text.pdf");
        var text = Demo.Run("pdftotext", "-layout", pdf, "-");
        Assert.Contains("Schedule of furniture", text);
        Assert.Contains("Millrace Hall", text);
        var fonts = Demo.Run("pdffonts", pdf)
            .Split('\n')
            .Skip(2)
            .Where(line => line.Contains("Barlow", StringComparison.Ordinal))
            .ToArray();
        Assert.Equal(2, fonts.Length);
        Assert.All(fonts, line => Assert.Matches(@"yes yes yes", line));
        Assert.Contains("No syntax or stream encoding errors", Demo.Run("qpdf", "--check", pdf));
        var info = Demo.Run("pdfinfo", "-isodates", pdf);
        Assert.Contains("Tidemill House · Millrace Hall · Orchard supper", info);
        Assert.Contains("2026-11-23", info);
        Assert.True(bytes.Length < 300_000, $"{bytes.Length} bytes");
    }

    [Fact]
    public void The_same_drawing_gives_the_same_bytes() =>
        Assert.Equal(PdfWriter.Write(Demo.Sheet(75).Drawing), PdfWriter.Write(Demo.Sheet(75).Drawing));

    [Fact]
    public void Svg_says_its_size_in_mm_and_keeps_text_as_text()
    {
        var svg = System.Xml.Linq.XDocument.Parse(System.Text.Encoding.UTF8.GetString(SvgWriter.Write(Demo.Sheet(75).Drawing)));
        Assert.Equal(("420mm", "297mm"), ((string)svg.Root!.Attribute("width")!, (string)svg.Root.Attribute("height")!));
        Assert.Contains(svg.Descendants(), e => e.Name.LocalName == "text" && e.Value == "18\u00a0000");
    }

    [Fact]
    public void Png_is_as_large_as_asked_and_never_larger_than_the_limit()
    {
        var drawing = Demo.Sheet(75).Drawing;
        Assert.Equal((1680, 1188), Size(PngWriter.Write(drawing, 4)));
        Assert.Equal(PngWriter.LongestSide, Size(PngWriter.Write(drawing, 1000)).Item1);

        static (int, int) Size(byte[] png) =>
            (
                System.Buffers.Binary.BinaryPrimitives.ReadInt32BigEndian(png.AsSpan(16)),
                System.Buffers.Binary.BinaryPrimitives.ReadInt32BigEndian(png.AsSpan(20))
            );
    }

    [GeneratedRegex("""<moveto x="([-\d.]+)" y="([-\d.]+)"/>\s*<lineto x="([-\d.]+)" y="([-\d.]+)"/>\s*</""")]
    private static partial Regex Segment();

    [GeneratedRegex("""<stroke_path[^>]*transform="([\d.]+) """)]
    private static partial Regex Transform();

    [GeneratedRegex(@"Page size:\s+([\d.]+) x ([\d.]+) pts")]
    private static partial Regex PageSize();
}
