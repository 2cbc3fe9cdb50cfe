using System.Security.Claims;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Wellsedes.Core.Drawings;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Formats.Lettering;
using Wellsedes.Formats.Pdf;
using Wellsedes.Formats.PlanFile;
using Wellsedes.Formats.Png;
using Wellsedes.Formats.Sheets;
using Wellsedes.Formats.Svg;
using Wellsedes.Server.Features.Pictures;
using Wellsedes.Server.Features.Plans;
using Wellsedes.Server.Security;
using Wellsedes.Store;

namespace Wellsedes.Server.Features.Sheets;

/// <summary>A line of the register, which stands for a transmittal: which revision of which sheet was issued, when, by whom and for whom.</summary>
public sealed record RegisterEntry(
    string SheetId,
    string Letter,
    DateTime IssuedAt,
    string IssuedBy,
    string For,
    string Paper,
    string ScaleName,
    long PlanRevision,
    string LevelName
);

/// <summary>Issues a sheet as it is now, for somebody.</summary>
public sealed record IssueRequest(string For);

/// <summary>How the sheet comes out: its scale, whether it fits, and the revision an issue would get.</summary>
public sealed record SheetFacts(double Ratio, string ScaleName, bool Fits, double Width, double Height, string NextLetter);

public static class SheetEndpoints
{
    public static void MapSheets(this RouteGroupBuilder api)
    {
        api.MapGet("/plans/{planId:guid}/register", RegisterAsync).NeedsRole(ProjectRole.Viewer).WithName("register");
        api.MapGet("/plans/{planId:guid}/changes.{kind:regex(^(pdf|svg)$)}", ChangesAsync)
            .NeedsRole(ProjectRole.Viewer)
            .WithName("changesSheet");
        api.MapGet("/plans/{planId:guid}/report.{kind:regex(^(pdf|csv|json)$)}", ReportAsync)
            .NeedsRole(ProjectRole.Viewer)
            .WithName("provingReport");
        var sheet = api.MapGroup("/plans/{planId:guid}/sheets/{sheetId}");
        sheet.MapGet("/facts", FactsAsync).NeedsRole(ProjectRole.Viewer).WithName("sheetFacts");
        sheet.MapGet("/draft.{kind:regex(^(pdf|svg|png|csv)$)}", FileAsync).NeedsRole(ProjectRole.Viewer).WithName("sheetFile");
        sheet.MapPost("/revisions", IssueAsync).NeedsRole(ProjectRole.Editor).WithName("issueRevision");
        sheet
            .MapGet("/revisions/{letter}.{kind:regex(^(pdf|svg|csv|json)$)}", IssuedAsync)
            .NeedsRole(ProjectRole.Viewer)
            .WithName("issuedFile");
    }

    /// <summary>What a crew changes from one scheme to another on a level, drawn as the sheet of the second.</summary>
    private static async Task<Results<FileContentHttpResult, NotFound>> ChangesAsync(
        Guid planId,
        string kind,
        string? from,
        string? to,
        string? levelId,
        OpenPlans plans,
        WorkLimit limit,
        PlanStore store,
        CancellationToken cancel
    )
    {
        var project = await store.ProjectNameAsync(planId, cancel);
        var now = (await plans.OpenAsync(planId)).Now;
        if (now.Plan.Find<Scheme>(from ?? "") is null || now.Plan.Find<Scheme>(to ?? "") is null)
            return TypedResults.NotFound();
        var drawing = await limit.AskAsync(
            () =>
            {
                var state = now.State(to, levelId);
                var compared = now.Compared(from, to);
                var settings = state.Sheet();
                var shown = compared.Shown(now.Plan, state.LevelId, now.State(from, levelId).Items);
                var block = settings.TitleBlock with { Title = "What changes", SupplementaryTitle = $"From {shown.From} to {shown.To}" };
                var input = state.SheetInput(
                    settings with
                    {
                        LevelId = state.LevelId,
                        TitleBlock = block,
                    },
                    project,
                    "",
                    "Draft",
                    DateOnly.FromDateTime(DateTime.UtcNow)
                );
                return new SheetComposer(Typefaces.Shared, now.Camera(cancel)).Compose(input with { Changes = shown }).Drawing;
            },
            cancel
        );
        var name = FileNames.Of($"what changes {now.Plan.Details.Title}", kind);
        return kind == "pdf"
            ? TypedResults.File(PdfWriter.Write(drawing), "application/pdf", name)
            : TypedResults.File(SvgWriter.Write(drawing), "image/svg+xml", name);
    }

    /// <summary>How a scheme is proved: rooms, people, ways out, limits, findings and workings.</summary>
    private static async Task<Results<FileContentHttpResult, NotFound>> ReportAsync(
        Guid planId,
        string kind,
        string? schemeId,
        OpenPlans plans,
        WorkLimit limit,
        PlanStore store,
        CancellationToken cancel
    )
    {
        var project = await store.ProjectNameAsync(planId, cancel);
        var now = (await plans.OpenAsync(planId)).Now;
        if (now.Plan.Find<Scheme>(schemeId ?? "") is null)
            return TypedResults.NotFound();
        var (content, type) = await limit.AskAsync(
            () =>
            {
                var state = now.State(schemeId, null);
                var report = ProvingReport.Of(state);
                if (kind == "csv")
                    return (ReportFiles.Csv(report), "text/csv");
                if (kind == "json")
                    return (ReportFiles.Json(report), "application/json");
                var input = state.SheetInput(state.Sheet(), project, "", "Draft", DateOnly.FromDateTime(DateTime.UtcNow));
                return (PdfWriter.Write(new ReportPages(Typefaces.Shared).Compose(report, input)), "application/pdf");
            },
            cancel
        );
        return TypedResults.File(content, type, FileNames.Of($"{now.Plan.Details.Title} proving report", kind));
    }

    private sealed record Made(Sheet Sheet, SheetSettings Settings, PlanState State, long Revision, string Letter);

    private static async Task<Results<Ok<SheetFacts>, NotFound>> FactsAsync(
        Guid planId,
        string sheetId,
        OpenPlans plans,
        WorkLimit limit,
        PlanStore store,
        WellsedesContext context,
        CancellationToken cancel
    )
    {
        if (await MakeAsync(planId, sheetId, plans, limit, store, context, "Draft", cancel) is not { } made)
            return TypedResults.NotFound();
        var drawing = made.Sheet.Drawing;
        return TypedResults.Ok(
            new SheetFacts(made.Sheet.Ratio, made.Sheet.ScaleName, made.Sheet.Fits, drawing.Width, drawing.Height, made.Letter)
        );
    }

    private static async Task<Results<FileContentHttpResult, NotFound>> FileAsync(
        Guid planId,
        string sheetId,
        string kind,
        OpenPlans plans,
        WorkLimit limit,
        PlanStore store,
        WellsedesContext context,
        CancellationToken cancel
    )
    {
        if (await MakeAsync(planId, sheetId, plans, limit, store, context, "Draft", cancel) is not { } made)
            return TypedResults.NotFound();
        var name = FileNames.Of($"{made.Settings.TitleBlock.SheetNumber} {made.State.Plan.Details.Title} draft", kind);
        return kind switch
        {
            "pdf" => TypedResults.File(PdfWriter.Write(made.Sheet.Drawing), "application/pdf", name),
            "svg" => TypedResults.File(SvgWriter.Write(made.Sheet.Drawing), "image/svg+xml", name),
            "png" => TypedResults.File(PngWriter.Write(made.Sheet.Drawing, 5), "image/png"),
            _ => TypedResults.File(ScheduleOf(made), "text/csv", name),
        };
    }

    private static async Task<RegisterEntry[]> RegisterAsync(Guid planId, WellsedesContext context, CancellationToken cancel) =>
        await context
            .Issued.Where(issued => issued.PlanId == planId)
            .OrderByDescending(issued => issued.IssuedAt)
            .Select(i => new RegisterEntry(
                i.SheetId,
                i.Letter,
                i.IssuedAt,
                i.IssuedBy,
                i.For,
                i.Paper,
                i.ScaleName,
                i.PlanRevision,
                i.LevelName
            ))
            .ToArrayAsync(cancel);

    private static async Task<Results<Ok<RegisterEntry>, NotFound, ProblemHttpResult>> IssueAsync(
        Guid planId,
        string sheetId,
        IssueRequest request,
        ClaimsPrincipal person,
        OpenPlans plans,
        WorkLimit limit,
        PlanStore store,
        WellsedesContext context,
        CancellationToken cancel
    )
    {
        if (WellFormed.Text("issued for", request.For) is { } problem)
            return TypedResults.Problem(problem.Message, statusCode: 422);
        if (await MakeAsync(planId, sheetId, plans, limit, store, context, "Issued", cancel) is not { } made)
            return TypedResults.NotFound();
        if (!made.Sheet.Fits)
            return TypedResults.Problem(
                $"At {made.Sheet.ScaleName} the plan does not fit {made.Settings.Paper}; choose a larger paper or a smaller scale.",
                statusCode: 422
            );
        var issued = new IssuedRevision
        {
            PlanId = planId,
            SchemeId = made.State.SchemeId,
            SheetId = made.Settings.Id,
            Letter = made.Letter,
            Number = Letters.Number(made.Letter),
            PlanRevision = made.Revision,
            IssuedAt = DateTime.UtcNow,
            IssuedById = person.Id(),
            IssuedBy = PlanEndpoints.Name(person),
            For = request.For.Trim(),
            Paper = made.Settings.Paper,
            ScaleName = made.Sheet.ScaleName,
            LevelName = made.State.Space.Level.Name,
            Pdf = PdfWriter.Write(made.Sheet.Drawing),
            Svg = SvgWriter.Write(made.Sheet.Drawing),
            Csv = ScheduleOf(made),
            PlanFile = PlanFiles.Write(made.State.Plan, await PictureEndpoints.OfPlanAsync(context, planId, cancel)),
        };
        context.Add(issued);
        try
        {
            await context.SaveChangesAsync(cancel);
        }
        catch (DbUpdateException e) when (e.InnerException is Npgsql.PostgresException { SqlState: "23505" })
        {
            return TypedResults.Problem(
                $"Somebody has just issued revision {made.Letter}; look at the register and issue again.",
                statusCode: 409
            );
        }
        return TypedResults.Ok(
            new RegisterEntry(
                issued.SheetId,
                issued.Letter,
                issued.IssuedAt,
                issued.IssuedBy,
                issued.For,
                issued.Paper,
                issued.ScaleName,
                issued.PlanRevision,
                issued.LevelName
            )
        );
    }

    private static async Task<Results<FileContentHttpResult, NotFound>> IssuedAsync(
        Guid planId,
        string sheetId,
        string letter,
        string kind,
        WellsedesContext context,
        CancellationToken cancel
    )
    {
        var issued = await context
            .Issued.AsNoTracking()
            .Where(i => i.PlanId == planId && i.SheetId == sheetId && i.Letter == letter)
            .Select(i => new
            {
                Content = kind == "pdf" ? i.Pdf
                : kind == "svg" ? i.Svg
                : kind == "csv" ? i.Csv
                : i.PlanFile,
            })
            .FirstOrDefaultAsync(cancel);
        var type = kind switch
        {
            "pdf" => "application/pdf",
            "svg" => "image/svg+xml",
            "csv" => "text/csv",
            _ => "application/json",
        };
        return issued is null
            ? TypedResults.NotFound()
            : TypedResults.File(issued.Content, type, $"{FileNames.Of($"{sheetId} revision {letter}", kind)}");
    }

    private static byte[] ScheduleOf(Made made) =>
        ScheduleCsv.Write(Schedule.Of(made.State.Items, made.State.Plan, made.State.Tally.Stock), made.State.Plan.Details.Units);

    /// <summary>The sheet as it is now; null when the plan has no such sheet.</summary>
    private static async Task<Made?> MakeAsync(
        Guid planId,
        string sheetId,
        OpenPlans plans,
        WorkLimit limit,
        PlanStore store,
        WellsedesContext context,
        string status,
        CancellationToken cancel
    )
    {
        var project = await store.ProjectNameAsync(planId, cancel);
        var last = await context.Issued.Where(i => i.PlanId == planId && i.SheetId == sheetId).MaxAsync(i => (int?)i.Number, cancel) ?? 0;
        var now = (await plans.OpenAsync(planId)).Now;
        if (now.Plan.Find<SheetSettings>(sheetId) is not { } settings)
            return null;
        var letter = Letters.Of(last + 1);
        return await limit.AskAsync(
            () =>
            {
                var state = now.State(settings.SchemeId, settings.LevelId);
                // A letter is given when a sheet is issued, not before.
                var input = state.SheetInput(
                    settings,
                    project,
                    status == "Issued" ? letter : "",
                    status,
                    DateOnly.FromDateTime(DateTime.UtcNow)
                );
                return new Made(
                    new SheetComposer(Typefaces.Shared, now.Camera(cancel)).Compose(input),
                    settings,
                    state,
                    now.Revision,
                    letter
                );
            },
            cancel
        );
    }
}

/// <summary>Revision letters: A to Z, then AA, AB, …</summary>
public static class Letters
{
    public static string Of(int number)
    {
        var letters = "";
        for (; number > 0; number = (number - 1) / 26)
            letters = (char)('A' + (number - 1) % 26) + letters;
        return letters;
    }

    public static int Number(string letters) => letters.Aggregate(0, (number, letter) => number * 26 + letter - 'A' + 1);
}
