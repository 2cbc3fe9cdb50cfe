using SkiaSharp;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Drawings;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Formats.Lettering;
using Wellsedes.Formats.Pictures;

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
        Dictionary<OwnPicture, SKImage?> pictures = [];
        foreach (var mark in drawing.Marks)
            switch (mark)
            {
                case PictureMark picture:
                    if (!pictures.TryGetValue(picture.Picture, out var laid))
                        pictures[picture.Picture] = laid = OwnPictures.Decode(picture.Picture);
                    if (laid is not null)
                        Picture(canvas, picture, laid);
                    break;
                case SeenMark seen:
                    using (var image = SKImage.FromEncodedData(seen.Png.AsSpan()))
                        canvas.DrawImage(
                            image,
                            new SKRect((float)seen.Box.MinX, (float)seen.Box.MinY, (float)seen.Box.MaxX, (float)seen.Box.MaxY),
                            new SKSamplingOptions(SKFilterMode.Linear, SKMipmapMode.Linear),
                            paint
                        );
                    break;
                case PathMark path:
                    Path(canvas, paint, path);
                    break;
                case TextMark text:
                    Text(canvas, paint, text);
                    break;
            }
        foreach (var image in pictures.Values)
            image?.Dispose();
    }

    private static void Picture(SKCanvas canvas, PictureMark mark, SKImage image)
    {
        using var paint = new SKPaint { IsAntialias = true, Color = SKColors.Black.WithAlpha((byte)Math.Round(mark.Opacity * 255)) };
        var sampling = new SKSamplingOptions(SKFilterMode.Linear, SKMipmapMode.Linear);
        var (across, down) = (mark.Across * (1.0 / image.Width), mark.Down * (1.0 / image.Height));
        var matrix = new SKMatrix(
            (float)across.X,
            (float)down.X,
            (float)mark.Corner.X,
            (float)across.Y,
            (float)down.Y,
            (float)mark.Corner.Y,
            0,
            0,
            1
        );
        if (mark.Within is { } within)
        {
            using var shader = image.ToShader(SKShaderTileMode.Repeat, SKShaderTileMode.Repeat, sampling, matrix);
            using var path = ToPath(within);
            paint.Shader = shader;
            canvas.DrawPath(path, paint);
            return;
        }
        canvas.Save();
        canvas.Concat(matrix);
        canvas.DrawImage(image, 0, 0, sampling, paint);
        canvas.Restore();
    }

    private static void Path(SKCanvas canvas, SKPaint paint, PathMark mark)
    {
        using var path = ToPath(mark.Path);
        if (mark.Fill is { } fill)
        {
            paint.Style = SKPaintStyle.Fill;
            var (colour, opacity) = Tints.Told(fill);
            paint.Color = SKColor.Parse(colour).WithAlpha((byte)Math.Round(opacity * 255));
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
