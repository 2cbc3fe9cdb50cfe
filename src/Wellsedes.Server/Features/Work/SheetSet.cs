using Wellsedes.Core.Drawings;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Formats.Lettering;
using Wellsedes.Formats.Pdf;
using Wellsedes.Formats.Sheets;
using Wellsedes.Server.Features.Plans;

namespace Wellsedes.Server.Features.Work;

/// <summary>All sheets of a scheme as drafts in one PDF, in the order of their numbers.</summary>
public sealed class SheetSet : IWorkKind
{
    public string Name => "sheet-set";

    public WorkFile Run(PublishedPlan plan, WorkOrder order, string project, Action<double> progress, CancellationToken cancel)
    {
        var scheme = plan.SchemeOf(order.SchemeId);
        SheetSettings[] sheets =
        [
            .. plan
                .Plan.All<SheetSettings>()
                .Where(sheet => sheet.SchemeId == scheme)
                .OrderBy(sheet => sheet.TitleBlock.SheetNumber, StringComparer.Ordinal)
                .ThenBy(sheet => sheet.Id, StringComparer.Ordinal),
        ];
        if (sheets.Length == 0)
            throw new WorkRefusedException("This scheme has no sheets yet.");
        var composer = new SheetComposer(Typefaces.Shared, plan.Camera(cancel));
        List<Drawing> drawings = [];
        foreach (var sheet in sheets)
        {
            cancel.ThrowIfCancellationRequested();
            var input = plan.State(scheme, sheet.LevelId).SheetInput(sheet, project, "", "Draft", DateOnly.FromDateTime(DateTime.UtcNow));
            drawings.Add(composer.Compose(input).Drawing);
            progress((double)drawings.Count / (2 * sheets.Length));
        }
        // How it was proved stands behind the plans.
        if (plan.Plan.Books.Shelf.Books.Length > 0)
        {
            var state = plan.State(scheme, sheets[0].LevelId);
            drawings.AddRange(
                new ReportPages(Typefaces.Shared).Compose(
                    ProvingReport.Of(state),
                    state.SheetInput(sheets[0], project, "", "Draft", DateOnly.FromDateTime(DateTime.UtcNow))
                )
            );
        }
        var written = PdfWriter.Write(
            drawings,
            page =>
            {
                cancel.ThrowIfCancellationRequested();
                progress(0.5 + (double)page / (2 * drawings.Count));
            }
        );
        return new WorkFile(written, "application/pdf", FileNames.Of($"{plan.Plan.Details.Title} draft set", "pdf"));
    }
}
