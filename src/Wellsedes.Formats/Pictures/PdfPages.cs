using System.Diagnostics;
using System.Globalization;
using System.Text.RegularExpressions;

namespace Wellsedes.Formats.Pictures;

/// <summary>One page of a PDF as a picture. The paper is in mm; Scripts tells that the file holds some, which are never run.</summary>
public sealed record PdfPage(byte[] Png, int Columns, int Rows, double PaperWidth, double PaperHeight, int Pages, bool Scripts);

/// <summary>
/// Renders a page of a PDF with Debian's poppler tools, each run as a program of its own with its memory, time and
/// output limited, so that a hostile file can harm nothing but its own run. Poppler's renderer runs no scripts and
/// follows no links.
/// </summary>
public static partial class PdfPages
{
    public const int LargestFile = PictureIntake.LargestFile;
    private const int MostPages = 2000;

    /// <summary>Pixels a page's longer side is rendered at, at most, and for an inch at most.</summary>
    private const double LongestSide = 6000;
    private const double FinestDpi = 300;

    private const long Memory = 1_500_000_000;
    private static readonly TimeSpan LongestRun = TimeSpan.FromSeconds(30);

    /// <exception cref="PictureException">The file is no PDF that can be read, or the page is not in it.</exception>
    public static async Task<PdfPage> RenderAsync(byte[] file, int page, CancellationToken cancel)
    {
        if (file.Length > LargestFile)
            throw new PictureException($"The PDF is larger than {LargestFile / 1024 / 1024} MB, the most that is taken.");
        if (!PictureIntake.IsPdf(file))
            throw new PictureException("This is no PDF file.");
        if (page is < 1 or > MostPages)
            throw new PictureException($"Choose a page from 1 to {MostPages}; {page} was asked.");
        // Poppler reads a seekable file; it is gone when the run ends.
        var path = Path.Combine(Path.GetTempPath(), $"wellsedes-{Guid.NewGuid():N}.pdf");
        try
        {
            await File.WriteAllBytesAsync(path, file, cancel);
            var pages = Told.Pages(await RunAsync("pdfinfo", [path], 1_000_000, cancel), page);
            var told = Told.Of(await RunAsync("pdfinfo", ["-f", $"{page}", "-l", $"{page}", path], 1_000_000, cancel));
            var longer = Math.Max(told.Width, told.Height) / 72;
            var dpi = Math.Min(FinestDpi, LongestSide / longer);
            var text = dpi.ToString("0.###", CultureInfo.InvariantCulture);
            var png = await RunAsync(
                "pdftocairo",
                ["-png", "-singlefile", "-r", text, "-f", $"{page}", "-l", $"{page}", path, "-"],
                PictureIntake.LargestFile,
                cancel
            );
            var picture = PictureIntake.Read(png);
            var (width, height) =
                told.Width >= told.Height == picture.Columns >= picture.Rows ? (told.Width, told.Height) : (told.Height, told.Width);
            return new PdfPage(
                png,
                picture.Columns,
                picture.Rows,
                width / 72 * 25.4,
                height / 72 * 25.4,
                pages,
                told.Scripts || file.AsSpan().IndexOf("/JavaScript"u8) >= 0
            );
        }
        finally
        {
            File.Delete(path);
        }
    }

    /// <summary>What pdfinfo tells: whether there are scripts, and the asked page's size in points.</summary>
    private readonly partial record struct Told(bool Scripts, double Width, double Height)
    {
        public static int Pages(byte[] output, int page)
        {
            var text = System.Text.Encoding.UTF8.GetString(output);
            var pages = int.TryParse(Field(text, "Pages"), NumberStyles.None, CultureInfo.InvariantCulture, out var count) ? count : 0;
            if (pages < 1)
                throw new PictureException("The PDF has no pages, or is broken.");
            if (page > pages)
                throw new PictureException($"The PDF has {pages} page{(pages == 1 ? "" : "s")}; page {page} was asked.");
            return pages;
        }

        public static Told Of(byte[] output)
        {
            var text = System.Text.Encoding.UTF8.GetString(output);
            var size = Size().Match(text);
            if (
                !size.Success
                || !double.TryParse(size.Groups[1].ValueSpan, CultureInfo.InvariantCulture, out var width)
                || !double.TryParse(size.Groups[2].ValueSpan, CultureInfo.InvariantCulture, out var height)
                || !(width is >= 10 and <= 20_000)
                || !(height is >= 10 and <= 20_000)
            )
                throw new PictureException("The PDF's page says no size, or one nobody prints; save it again at a real paper size.");
            return new Told(Field(text, "JavaScript") == "yes", width, height);
        }

        private static string Field(string text, string name) =>
            text.Split('\n').FirstOrDefault(line => line.StartsWith(name + ":", StringComparison.Ordinal))?[(name.Length + 1)..].Trim()
            ?? "";

        [GeneratedRegex(
            @"^Page(?:\s+\d+)? size:\s+([0-9.]+) x ([0-9.]+) pts",
            RegexOptions.Multiline | RegexOptions.CultureInvariant,
            1000
        )]
        private static partial Regex Size();
    }

    /// <summary>Runs a poppler tool with its limits; its output, or a message when it failed or went past them.</summary>
    private static async Task<byte[]> RunAsync(string tool, string[] arguments, int mostOutput, CancellationToken cancel)
    {
        var start = new ProcessStartInfo("prlimit")
        {
            RedirectStandardOutput = true,
            RedirectStandardError = true,
            UseShellExecute = false,
        };
        foreach (var argument in (string[])[$"--as={Memory}", "--cpu=25", "--nofile=64", "--core=0", "--", tool, .. arguments])
            start.ArgumentList.Add(argument);
        using var process =
            Process.Start(start) ?? throw new PictureException("The PDF tools could not be started; install Debian's poppler-utils.");
        using var limit = CancellationTokenSource.CreateLinkedTokenSource(cancel);
        limit.CancelAfter(LongestRun);
        try
        {
            var complaints = Drain(process.StandardError.BaseStream, limit.Token);
            using var output = new MemoryStream();
            var buffer = new byte[65536];
            for (int read; (read = await process.StandardOutput.BaseStream.ReadAsync(buffer, limit.Token)) > 0; )
            {
                output.Write(buffer, 0, read);
                if (output.Length > mostOutput)
                    throw new PictureException("The page becomes too large a picture; print it to a smaller paper first.");
            }
            await process.WaitForExitAsync(limit.Token);
            await complaints;
            if (process.ExitCode == 127)
                throw new PictureException("The PDF tools are missing on the server; install Debian's poppler-utils.");
            if (process.ExitCode != 0 || output.Length == 0)
                throw new PictureException(
                    "The PDF is broken or locked: it could not be read to its end. Save it again, without a password."
                );
            return output.ToArray();
        }
        catch (OperationCanceledException) when (!cancel.IsCancellationRequested)
        {
            throw new PictureException(
                $"The PDF page took longer than {LongestRun.TotalSeconds:0} s to draw; save it as a picture instead."
            );
        }
        finally
        {
            if (!process.HasExited)
                process.Kill(true);
        }
    }

    private static async Task Drain(Stream stream, CancellationToken cancel)
    {
        var buffer = new byte[4096];
        while (await stream.ReadAsync(buffer, cancel) > 0) { }
    }
}
