using Wellsedes.Core.Drawings;
using Wellsedes.Core.Plans;
using Wellsedes.Formats.Writers;
using Wellsedes.Server.Features.Plans;

namespace Wellsedes.Server.Features.Work;

/// <summary>All sheets of a scheme as drafts in one PDF, in the order of their numbers.</summary>
public sealed class SheetSet(Writers writers, SheetKinds kinds) : IWorkKind
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
        var camera = plan.Camera(cancel);
        List<Drawing> drawings = [];
        foreach (var sheet in sheets)
        {
            cancel.ThrowIfCancellationRequested();
            drawings.AddRange(Composed("plan", sheet).Pages);
            progress((double)drawings.Count / (2 * sheets.Length));
        }
        // How it was proved stands behind the plans.
        if (plan.Plan.Books.Shelf.Books.Length > 0)
            drawings.AddRange(Composed("report", sheets[0]).Pages);
        var document = new ExportDocument($"{plan.Plan.Details.Title} draft set", plan.Plan) { Pages = [.. drawings] };
        var written = writers.Write(document, "pdf", done => progress(0.5 + done / 2), cancel)!;
        return new WorkFile(written.Content, written.MediaType, FileNames.Of(document.Title, written.Ending));

        ExportDocument Composed(string kind, SheetSettings sheet) =>
            kinds
                .Compose(
                    kind,
                    new SheetRequest(plan.State(scheme, sheet.LevelId), sheet, project, "", "Draft", DateOnly.FromDateTime(DateTime.UtcNow))
                    {
                        Camera = camera,
                    }
                )
                .Document;
    }
}
