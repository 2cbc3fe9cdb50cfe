using SkiaSharp;
using Wellsedes.Core.Drawings;

namespace Wellsedes.Formats.Pdf;

/// <summary>Writes a drawing as a one-page vector PDF at true scale: 1 mm of paper is 72/25.4 points.</summary>
public static class PdfWriter
{
    public static byte[] Write(Drawing drawing)
    {
        const double points = 72 / 25.4;
        // The drawing's own date, not the clock: the same drawing gives the same file.
        var date = drawing.Date.ToDateTime(TimeOnly.MinValue, DateTimeKind.Utc);
        var metadata = new SKDocumentPdfMetadata
        {
            Title = drawing.Title,
            Creator = "Wellsedes",
            Producer = "Wellsedes",
            Creation = date,
            Modified = date,
            RasterDpi = 300,
            EncodingQuality = 101,
        };
        using var stream = new MemoryStream();
        using (var document = SKDocument.CreatePdf(stream, metadata))
        {
            var canvas = document.BeginPage((float)(drawing.Width * points), (float)(drawing.Height * points));
            canvas.Scale((float)points);
            CanvasPainter.Paint(canvas, drawing);
            document.EndPage();
            document.Close();
        }
        return stream.ToArray();
    }
}
