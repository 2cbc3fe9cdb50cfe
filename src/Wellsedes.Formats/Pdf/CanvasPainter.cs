using SkiaSharp;
using Wellsedes.Core.Drawings;
using Wellsedes.Core.Geometry;
using Wellsedes.Formats.Lettering;

namespace Wellsedes.Formats.Pdf;

/// <summary>Paints a drawing on a canvas whose unit is one mm of paper. PDF and PNG share it, so they cannot disagree.</summary>
internal static class CanvasPainter
{
    public static void Paint(SKCanvas canvas, Drawing drawing)
    {
        using var paint = new SKPaint
        {
            IsAntialias = true,
            StrokeCap = SKStrokeCap.Butt,
            StrokeJoin = SKStrokeJoin.Miter,
        };
        foreach (var mark in drawing.Marks)
            switch (mark)
            {
                case PathMark path:
                    Path(canvas, paint, path);
                    break;
                case TextMark text:
                    Text(canvas, paint, text);
                    break;
            }
    }

    private static void Path(SKCanvas canvas, SKPaint paint, PathMark mark)
    {
        using var path = ToPath(mark.Path);
        if (mark.Fill is { } fill)
        {
            paint.Style = SKPaintStyle.Fill;
            paint.Color = SKColor.Parse(fill);
            canvas.DrawPath(path, paint);
        }
        if (mark.Line is { } line)
        {
            paint.Style = SKPaintStyle.Stroke;
            paint.Color = SKColor.Parse(line);
            paint.StrokeWidth = (float)mark.LineWidth;
            canvas.DrawPath(path, paint);
        }
    }

    private static void Text(SKCanvas canvas, SKPaint paint, TextMark mark)
    {
        using var font = new SKFont(Typefaces.Shared.Of(mark.Bold), (float)mark.Size)
        {
            Subpixel = true,
            LinearMetrics = true,
            Hinting = SKFontHinting.None,
        };
        paint.Style = SKPaintStyle.Fill;
        paint.Color = SKColor.Parse(mark.Colour);
        var shift = mark.Anchor switch
        {
            TextAnchor.Middle => -Typefaces.Shared.Width(mark.Text, mark.Size, mark.Bold) / 2,
            TextAnchor.End => -Typefaces.Shared.Width(mark.Text, mark.Size, mark.Bold),
            _ => 0,
        };
        canvas.Save();
        canvas.Translate((float)mark.At.X, (float)mark.At.Y);
        canvas.RotateDegrees((float)-mark.Rotation);
        canvas.DrawText(mark.Text, (float)shift, 0, SKTextAlign.Left, font, paint);
        canvas.Restore();
    }

    private static SKPath ToPath(PathShape shape)
    {
        using var path = new SKPathBuilder { FillType = SKPathFillType.EvenOdd };
        foreach (var step in shape.Steps)
            switch (step.Kind)
            {
                case PathStepKind.Move:
                    path.MoveTo(At(step.End));
                    break;
                case PathStepKind.Line:
                    path.LineTo(At(step.End));
                    break;
                case PathStepKind.Cubic:
                    path.CubicTo(At(step.Control1), At(step.Control2), At(step.End));
                    break;
                default:
                    path.Close();
                    break;
            }
        return path.Detach();
    }

    private static SKPoint At(Point p) => new((float)p.X, (float)p.Y);
}
