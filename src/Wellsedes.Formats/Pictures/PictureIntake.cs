using SkiaSharp;

namespace Wellsedes.Formats.Pictures;

/// <summary>A picture could not be taken in; the message says what is wrong and what to do.</summary>
public sealed class PictureException(string message) : Exception(message);

/// <summary>A picture that was read to its end. Columns and Rows are as it is shown, after any turn its file asks for.</summary>
public sealed record TakenPicture(string MediaType, int Columns, int Rows);

/// <summary>
/// Takes in PNG, JPEG and WebP pictures. A file is taken as hostile: what it says of itself is held against limits
/// before a pixel is decoded, and it must decode to its end. The bytes are kept as they came.
/// </summary>
public static class PictureIntake
{
    /// <summary>Bytes behind a picture's end that some cameras write and nobody minds.</summary>
    private const int MostBehind = 64 * 1024;

    /// <summary>The largest file taken, in bytes.</summary>
    public const int LargestFile = 40 * 1024 * 1024;

    /// <summary>The longest side taken, in pixels.</summary>
    public const int LongestSide = 16_000;

    /// <summary>The most pixels taken; decoding needs four bytes for each.</summary>
    public const long MostPixels = 64_000_000;

    /// <summary>Only so many decode at once, so that memory stays bounded.</summary>
    private static readonly SemaphoreSlim Decoding = new(1);

    /// <exception cref="PictureException">The file is no picture of these kinds, too large, or broken.</exception>
    public static TakenPicture Read(byte[] file)
    {
        using var turn = Turn();
        using var whole = Whole(file, out var type, out var origin);
        var across = IsAcross(origin);
        return new TakenPicture(type, across ? whole.Height : whole.Width, across ? whole.Width : whole.Height);
    }

    /// <summary>The picture as it is shown, after any turn its file asks for, its longest side no more than a number of pixels.</summary>
    /// <exception cref="PictureException">The file is no picture of these kinds, too large, or broken.</exception>
    internal static SKBitmap Decode(byte[] file, int longestSide)
    {
        using var alone = Turn();
        using var whole = Whole(file, out _, out var origin);
        var (columns, rows) = IsAcross(origin) ? (whole.Height, whole.Width) : (whole.Width, whole.Height);
        var k = Math.Min(1.0, (double)longestSide / Math.Max(columns, rows));
        using var small = whole.Resize(
            new SKImageInfo(Math.Max(1, (int)(whole.Width * k)), Math.Max(1, (int)(whole.Height * k)), whole.ColorType, whole.AlphaType),
            new SKSamplingOptions(SKFilterMode.Linear, SKMipmapMode.Linear)
        );
        var (w, h) = ((float)small.Width, (float)small.Height);
        var turn = origin switch
        {
            SKEncodedOrigin.TopRight => new SKMatrix(-1, 0, w, 0, 1, 0, 0, 0, 1),
            SKEncodedOrigin.BottomRight => new SKMatrix(-1, 0, w, 0, -1, h, 0, 0, 1),
            SKEncodedOrigin.BottomLeft => new SKMatrix(1, 0, 0, 0, -1, h, 0, 0, 1),
            SKEncodedOrigin.LeftTop => new SKMatrix(0, 1, 0, 1, 0, 0, 0, 0, 1),
            SKEncodedOrigin.RightTop => new SKMatrix(0, -1, h, 1, 0, 0, 0, 0, 1),
            SKEncodedOrigin.RightBottom => new SKMatrix(0, -1, h, -1, 0, w, 0, 0, 1),
            SKEncodedOrigin.LeftBottom => new SKMatrix(0, 1, 0, -1, 0, w, 0, 0, 1),
            _ => SKMatrix.Identity,
        };
        var shown = new SKBitmap(
            new SKImageInfo(
                IsAcross(origin) ? small.Height : small.Width,
                IsAcross(origin) ? small.Width : small.Height,
                SKColorType.Rgba8888,
                SKAlphaType.Unpremul
            )
        );
        using var canvas = new SKCanvas(shown);
        canvas.Clear(SKColors.Transparent);
        canvas.SetMatrix(turn);
        using var image = SKImage.FromBitmap(small);
        canvas.DrawImage(image, 0, 0, new SKSamplingOptions(SKFilterMode.Nearest));
        return shown;
    }

    private static bool IsAcross(SKEncodedOrigin origin) =>
        origin is SKEncodedOrigin.LeftTop or SKEncodedOrigin.RightTop or SKEncodedOrigin.RightBottom or SKEncodedOrigin.LeftBottom;

    /// <summary>Every pixel of a file that is held against the limits first.</summary>
    private static SKBitmap Whole(byte[] file, out string type, out SKEncodedOrigin origin)
    {
        if (file.Length == 0)
            throw new PictureException("The file is empty.");
        if (file.Length > LargestFile)
            throw new PictureException($"The picture file is larger than {LargestFile / 1024 / 1024} MB, the most that is taken.");
        type = TypeOf(file) ?? throw new PictureException("This is no PNG, JPEG, WebP or PDF file. Save the drawing as one of these.");
        var behind = file.Length - PictureEnd.Of(file, type);
        if (behind > MostBehind)
            throw new PictureException(
                $"{behind / 1024} kB stand behind the picture's end; at most {MostBehind / 1024} kB are taken. Save the picture again from the program it came from."
            );
        var (columns, rows) = SizeSaid(file, type);
        if (columns > 0 && rows > 0)
            CheckSize(columns, rows);
        using var data = SKData.CreateCopy(file);
        using var codec = SKCodec.Create(data) ?? throw Broken("its header cannot be read");
        var info = codec.Info;
        CheckSize(info.Width, info.Height);
        origin = codec.EncodedOrigin;
        var bitmap = new SKBitmap();
        try
        {
            if (!bitmap.TryAllocPixels(new SKImageInfo(info.Width, info.Height, SKColorType.Rgba8888, SKAlphaType.Premul)))
                throw new PictureException("There is not enough memory to read this picture now; try again, or use a smaller one.");
            var result = codec.GetPixels(bitmap.Info, bitmap.GetPixels());
            if (result != SKCodecResult.Success)
                throw Broken(result is SKCodecResult.IncompleteInput ? "it is cut short" : "its pixels cannot be read");
            return bitmap;
        }
        catch (PictureException)
        {
            bitmap.Dispose();
            throw;
        }
    }

    /// <summary>Waits for one's turn to decode; over when it is disposed.</summary>
    private static Waiting Turn()
    {
        Decoding.Wait();
        return new Waiting();
    }

    private sealed class Waiting : IDisposable
    {
        public void Dispose() => Decoding.Release();
    }

    public static bool IsPdf(ReadOnlySpan<byte> file) => file.StartsWith("%PDF-"u8);

    private static PictureException Broken(string why) =>
        new($"The picture is broken: {why}. Save it again from the program it came from.");

    private static void CheckSize(long columns, long rows)
    {
        if (columns < 2 || rows < 2)
            throw new PictureException($"The picture says it is {columns} by {rows} pixels; there is nothing to trace on it.");
        if (columns > LongestSide || rows > LongestSide || columns * rows > MostPixels)
            throw new PictureException(
                $"The picture says it is {columns} by {rows} pixels; at most {MostPixels / 1_000_000} million pixels and {LongestSide} a side are taken. Scale it down or cut it into parts."
            );
    }

    private static string? TypeOf(ReadOnlySpan<byte> file) =>
        file.StartsWith((ReadOnlySpan<byte>)[0x89, 0x50, 0x4E, 0x47, 0x0D, 0x0A, 0x1A, 0x0A]) ? "image/png"
        : file.StartsWith((ReadOnlySpan<byte>)[0xFF, 0xD8, 0xFF]) ? "image/jpeg"
        : file.Length > 12 && file.StartsWith("RIFF"u8) && file[8..12].SequenceEqual("WEBP"u8) ? "image/webp"
        : null;

    /// <summary>The size a PNG's first chunk says, read by ourselves before any decoder sees the file; 0 for other kinds.</summary>
    private static (long, long) SizeSaid(ReadOnlySpan<byte> file, string type)
    {
        if (type != "image/png")
            return (0, 0);
        if (file.Length < 33 || !file[12..16].SequenceEqual("IHDR"u8))
            throw Broken("its header cannot be read");
        return (
            System.Buffers.Binary.BinaryPrimitives.ReadUInt32BigEndian(file[16..]),
            System.Buffers.Binary.BinaryPrimitives.ReadUInt32BigEndian(file[20..])
        );
    }
}
