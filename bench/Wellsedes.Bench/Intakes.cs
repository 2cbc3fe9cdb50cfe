using System.Diagnostics;
using SkiaSharp;
using Wellsedes.Formats.Pictures;
using Wellsedes.Formats.PlanFile;
using Wellsedes.Formats.Svg;
using Wellsedes.Formats.Tests.Hostile;

namespace Wellsedes.Bench;

/// <summary>Spoilt files thrown at what takes in own items: SVG outlines, files of own items, pictures of products.</summary>
internal static class Intakes
{
    public static void Run(int count)
    {
        var svg =
            "<svg xmlns=\"http://www.w3.org/2000/svg\"><g transform=\"rotate(30 5 5)\"><path d=\"M0 0h100v40c1 2 3 4 -60 9a5 5 0 01 9 9v60H0z\"/><rect width=\"30\" height=\"40\"/></g></svg>"u8.ToArray();
        Spoil("SVG pictures", count, [svg], TakesSvg);
        Spoil("files of own items", count, [File.ReadAllBytes("demo/own-items/heath-rug.json")], TakesItems);
        Spoil(
            "pictures of products",
            count,
            [Picture(SKEncodedImageFormat.Png), Picture(SKEncodedImageFormat.Jpeg), Picture(SKEncodedImageFormat.Webp)],
            TakesPicture
        );
    }

    /// <summary>Models: what they say of themselves is changed, and their lengths put right again.</summary>
    public static void Models(int count)
    {
        var random = new Random(100);
        byte[][] whole = [HostileModels.Of("sofa-three"), HostileModels.Of("round-table-1525"), HostileModels.Of("stacking-chair")];
        var (read, longest, watch) = (0, 0.0, Stopwatch.StartNew());
        for (var i = 0; i < count; i++)
        {
            var start = watch.Elapsed.TotalMilliseconds;
            if (HostileModels.Takes(HostileModels.Spoilt(whole[i % 3], random)))
                read++;
            longest = Math.Max(longest, watch.Elapsed.TotalMilliseconds - start);
        }
        Console.WriteLine(
            $"spoilt GLB models | {count} | read {read}, refused {count - read} | {watch.Elapsed.TotalSeconds:0} s, the longest {longest:0} ms"
        );
    }

    private static void Spoil(string name, int count, byte[][] whole, Func<byte[], bool> takes)
    {
        var random = new Random(100);
        var (read, watch) = (0, Stopwatch.StartNew());
        for (var i = 0; i < count; i++)
        {
            var bytes = whole[i % whole.Length].ToArray();
            for (var spoil = random.Next(6); spoil >= 0 && bytes.Length > 0; spoil--)
                if (random.Next(3) == 0)
                    bytes = [.. bytes[..random.Next(bytes.Length)], .. bytes[random.Next(bytes.Length)..]];
                else
                    bytes[random.Next(bytes.Length)] = (byte)random.Next(256);
            if (takes(bytes))
                read++;
        }
        Console.WriteLine($"spoilt {name} | {count} | read {read}, refused {count - read} | {watch.Elapsed.TotalSeconds:0} s");
    }

    private static bool TakesSvg(byte[] file)
    {
        var (shape, _, problem) = SvgOutlines.Read(file, 1000, 700);
        return shape is null == problem is null
            ? throw new InvalidOperationException("a file was neither read nor refused")
            : shape is not null;
    }

    private static bool TakesItems(byte[] file)
    {
        try
        {
            return OwnItemFile.Read(file).Length >= 0;
        }
        catch (PlanFileException e) when (e.Message.Length > 0)
        {
            return false;
        }
    }

    private static bool TakesPicture(byte[] file)
    {
        try
        {
            var shape = Cutout.Of(file, true, Cutout.UsualTolerance, []).Shape;
            return shape.Wrong() is null ? true : throw new InvalidOperationException("a cut-out is wrong");
        }
        catch (PictureException e) when (e.Message.Length > 0)
        {
            return false;
        }
    }

    private static byte[] Picture(SKEncodedImageFormat format)
    {
        using var surface = SKSurface.Create(new SKImageInfo(40, 30));
        surface.Canvas.Clear(SKColors.White);
        using var paint = new SKPaint { Color = SKColors.DarkRed };
        surface.Canvas.DrawCircle(20, 15, 9, paint);
        using var data = surface.Snapshot().Encode(format, 90);
        return data.ToArray();
    }
}
