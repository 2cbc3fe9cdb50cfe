using SkiaSharp;
using Wellsedes.Core.Drawings;

namespace Wellsedes.Formats.Pdf;

/// <summary>Writes a drawing as a one-page vector PDF at true scale: 1 mm of paper is 72/25.4 points.</summary>
public static class PdfWriter
{
    public static byte[] Write(Drawing drawing) => Write([drawing]);

    /// <summary>Several drawings, a page each at its own size; titled and dated by the first.</summary>
    /// <param name="written">Told the number of each page when it is written.</param>
    public static byte[] Write(IReadOnlyList<Drawing> drawings, Action<int>? written = null)
    {
        const double points = 72 / 25.4;
        var drawing = drawings[0];
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
            for (var page = 0; page < drawings.Count; page++)
            {
                var canvas = document.BeginPage((float)(drawings[page].Width * points), (float)(drawings[page].Height * points));
                canvas.Scale((float)points);
                CanvasPainter.Paint(canvas, drawings[page]);
                document.EndPage();
                written?.Invoke(page + 1);
            }
            document.Close();
        }
        return stream.ToArray();
    }
}
