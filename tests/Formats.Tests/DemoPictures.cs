using SkiaSharp;

namespace Wellsedes.Formats.Tests;

/// <summary>Invented pictures that the demo ships: a rug seen from above on a plain ground, and a floor of chips.</summary>
internal static class DemoPictures
{
    private static readonly SKColor Heather = new(0x7A, 0x53, 0x78);
    private static readonly SKColor Straw = new(0xE7, 0xCF, 0x84);
    private static readonly SKColor Rosehip = new(0xB5, 0x47, 0x5A);
    private static readonly SKColor Ink = new(0x2B, 0x36, 0x34);

    /// <summary>A rug of 540 x 360 pixels, 9 to 6, with a band, lozenges and a soft shadow.</summary>
    public static byte[] Rug()
    {
        using var surface = SKSurface.Create(new SKImageInfo(680, 480, SKColorType.Rgba8888, SKAlphaType.Opaque));
        var canvas = surface.Canvas;
        canvas.Clear(new SKColor(0xF2, 0xF1, 0xEE));
        using var paint = new SKPaint { IsAntialias = true };
        for (var i = 12; i > 0; i--)
        {
            paint.Color = new SKColor((byte)(0xF2 - i / 2), (byte)(0xF1 - i / 2), (byte)(0xEE - i / 2));
            canvas.DrawRect(70 - i + 4, 60 - i + 6, 540 + 2 * i - 8, 360 + 2 * i - 8, paint);
        }
        void Box(float inset, SKColor colour)
        {
            paint.Color = colour;
            canvas.DrawRect(70 + inset, 60 + inset, 540 - 2 * inset, 360 - 2 * inset, paint);
        }
        Box(0, Heather);
        Box(22, Straw);
        Box(30, Rosehip);
        Box(62, Heather);
        for (var x = 0; x < 6; x++)
        for (var y = 0; y < 3; y++)
        {
            var (cx, cy) = (70 + 62 + 416 * (x + 0.5f) / 6, 60 + 62 + 236 * (y + 0.5f) / 3);
            foreach (var (size, colour) in ((float, SKColor)[])[(32, Straw), (22, Rosehip), (10, Ink)])
            {
                using var path = new SKPathBuilder();
                path.MoveTo(cx - size, cy);
                path.LineTo(cx, cy - size);
                path.LineTo(cx + size, cy);
                path.LineTo(cx, cy + size);
                path.Close();
                paint.Color = colour;
                using var lozenge = path.Detach();
                canvas.DrawPath(lozenge, paint);
            }
        }
        using var data = surface.Snapshot().Encode(SKEncodedImageFormat.Png, 100);
        return data.ToArray();
    }

    /// <summary>Chips of stone, each drawn again beyond the edges so that the picture joins itself.</summary>
    public static byte[] Terrazzo()
    {
        const int side = 320;
        var random = new Random(20261126);
        using var surface = SKSurface.Create(new SKImageInfo(side, side, SKColorType.Rgba8888, SKAlphaType.Opaque));
        surface.Canvas.Clear(new SKColor(0xEF, 0xEA, 0xDF));
        SKColor[] colours =
        [
            new(0xB7, 0xBA, 0xB2),
            new(0xC4, 0x7A, 0x5A),
            new(0x8F, 0xA3, 0x83),
            new(0x5B, 0x6C, 0x93),
            new(0x8A, 0x5A, 0x3C),
        ];
        using var paint = new SKPaint { IsAntialias = true };
        for (var i = 0; i < 90; i++)
        {
            var (x, y, size, turn) = (random.Next(side), random.Next(side), 4 + random.Next(11), random.Next(360));
            paint.Color = colours[random.Next(colours.Length)];
            using var path = new SKPathBuilder();
            var corners = 4 + random.Next(3);
            for (var k = 0; k < corners; k++)
            {
                var angle = (turn + 360.0 * k / corners + random.Next(30)) * Math.PI / 180;
                var reach = size * (0.6 + random.NextDouble() * 0.5);
                var at = new SKPoint((float)(reach * Math.Cos(angle)), (float)(reach * Math.Sin(angle)));
                if (k == 0)
                    path.MoveTo(at);
                else
                    path.LineTo(at);
            }
            path.Close();
            using var chip = path.Detach();
            foreach (var dx in (int[])[-side, 0, side])
            foreach (var dy in (int[])[-side, 0, side])
            {
                surface.Canvas.Save();
                surface.Canvas.Translate(x + dx, y + dy);
                surface.Canvas.DrawPath(chip, paint);
                surface.Canvas.Restore();
            }
        }
        using var data = surface.Snapshot().Encode(SKEncodedImageFormat.Webp, 88);
        return data.ToArray();
    }
}
