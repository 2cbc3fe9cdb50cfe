using System.Collections.Immutable;
using Wellsedes.Formats.Models;
using Wellsedes.Formats.Pdf;
using Wellsedes.Formats.PlanFile;
using Wellsedes.Formats.Png;
using Wellsedes.Formats.Sheets;
using Wellsedes.Formats.Svg;

namespace Wellsedes.Formats.Writers;

/// <summary>The table of formats: a new one is a row here, and is then written by the server, the command line and kept when a sheet is issued.</summary>
public sealed class Writers(ImmutableArray<Writer> all)
{
    /// <summary>Pixels of a PNG to a millimetre of paper.</summary>
    private const double Fineness = 5;

    public static Writers Shipped { get; } =
        new([
            new(
                "pages",
                "pdf",
                "application/pdf",
                "all pages at true scale, texts as texts",
                "",
                IsKept: true,
                document => !document.Pages.IsEmpty,
                (document, told) => PdfWriter.Write(document.Pages, page => told.Tell((double)page / document.Pages.Length))
            ),
            new(
                "drawing",
                "svg",
                "image/svg+xml",
                "one page at true scale, texts as texts",
                "further pages",
                IsKept: true,
                document => document is { Pages.Length: 1, Report: null },
                (document, _) => SvgWriter.Write(document.Pages[0])
            ),
            new(
                "picture of a page",
                "png",
                "image/png",
                "one page in pixels, five to a millimetre",
                "texts, lines and further pages as such",
                IsKept: false,
                document => document is { Pages.Length: 1, Report: null },
                (document, _) => PngWriter.Write(document.Pages[0], Fineness)
            ),
            new(
                "schedule",
                "csv",
                "text/csv",
                "what is placed, counted by kind",
                "where it stands",
                IsKept: true,
                document => document.Schedule is not null,
                (document, _) => ScheduleCsv.Write(document.Schedule!.Value, document.Plan.Details.Units)
            ),
            new(
                "report table",
                "csv",
                "text/csv",
                "rooms, people, ways out, limits and findings",
                "workings",
                IsKept: false,
                document => document.Report is not null,
                (document, _) => ReportFiles.Csv(document.Report!)
            ),
            new(
                "report",
                "json",
                "application/json",
                "rooms, people, ways out, limits, findings and workings",
                "",
                IsKept: false,
                document => document.Report is not null,
                (document, _) => ReportFiles.Json(document.Report!)
            ),
            new(
                "changes",
                "csv",
                "text/csv",
                "how many of each kind stay, move, come and go",
                "where they stand",
                IsKept: false,
                document => document.Compared is not null,
                (document, _) => ChangesCsv.Write(document.Compared!)
            ),
            new(
                "plan file",
                "json",
                "application/json",
                "the whole plan with its pictures, to be opened again",
                "history, and revisions that were issued",
                IsKept: true,
                document => document.Pictures is not null,
                (document, _) => PlanFiles.Write(document.Plan, document.Pictures!.Value)
            ),
            new(
                "model",
                "glb",
                "model/gltf-binary",
                "a scheme in three dimensions (glTF 2.0)",
                "dimensions, findings and texts",
                IsKept: false,
                document => document.Model is not null,
                (document, _) => GlbWriter.Write(document.Model!.Value, document.Title)
            ),
        ]);

    public ImmutableArray<Writer> All { get; } = all;

    /// <summary>The same with others beside them.</summary>
    public Writers With(params ReadOnlySpan<Writer> more) => new([.. All, .. more]);

    /// <summary>Who writes a document under an ending; null where nobody does.</summary>
    public Writer? For(ExportDocument document, string ending) =>
        All.FirstOrDefault(writer => writer.Ending == ending && writer.CanWrite(document));

    /// <summary>The endings that a document is written under.</summary>
    public ImmutableArray<string> EndingsOf(ExportDocument document) =>
        [.. All.Where(writer => writer.CanWrite(document)).Select(writer => writer.Ending).Distinct()];

    /// <summary>A document under an ending; null where nobody writes that.</summary>
    /// <exception cref="OperationCanceledException">Nobody wants the file any more.</exception>
    public WrittenFile? Write(
        ExportDocument document,
        string ending,
        Action<double>? progress = null,
        CancellationToken cancel = default
    ) => For(document, ending) is { } writer ? Written(writer, document, new WriteProgress(progress, cancel)) : null;

    /// <summary>What is kept of a document when it is issued.</summary>
    public ImmutableArray<WrittenFile> Kept(ExportDocument document, CancellationToken cancel = default) =>
        [
            .. All.Where(writer => writer.IsKept && writer.CanWrite(document))
                .Select(writer => Written(writer, document, new WriteProgress(null, cancel))),
        ];

    private static WrittenFile Written(Writer writer, ExportDocument document, WriteProgress told)
    {
        told.Tell(0);
        var content = writer.Bytes(document, told);
        told.Tell(1);
        return new WrittenFile(writer.Ending, writer.MediaType, content);
    }
}
