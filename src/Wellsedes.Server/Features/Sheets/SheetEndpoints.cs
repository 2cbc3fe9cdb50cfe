using System.Security.Claims;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Wellsedes.Core.Drawings;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Formats.Writers;
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
        api.MapGet("/plans/{planId:guid}/changes.{ending}", ChangesAsync).NeedsRole(ProjectRole.Viewer).WithName("changesSheet");
        api.MapGet("/plans/{planId:guid}/report.{ending}", ReportAsync).NeedsRole(ProjectRole.Viewer).WithName("provingReport");
        var sheet = api.MapGroup("/plans/{planId:guid}/sheets/{sheetId}");
        sheet.MapGet("/facts", FactsAsync).NeedsRole(ProjectRole.Viewer).WithName("sheetFacts");
        sheet.MapGet("/draft.{ending}", FileAsync).NeedsRole(ProjectRole.Viewer).WithName("sheetFile");
        sheet.MapPost("/revisions", IssueAsync).NeedsRole(ProjectRole.Editor).WithName("issueRevision");
        sheet.MapGet("/revisions/{letter}.{ending}", IssuedAsync).NeedsRole(ProjectRole.Viewer).WithName("issuedFile");
    }

    /// <summary>What a crew changes from one scheme to another on a level, drawn as the sheet of the second.</summary>
    private static async Task<Results<FileContentHttpResult, NotFound, ProblemHttpResult>> ChangesAsync(
        Guid planId,
        string ending,
        string? from,
        string? to,
        string? levelId,
        OpenPlans plans,
        WorkLimit limit,
        PlanStore store,
        Writers writers,
        SheetKinds kinds,
        CancellationToken cancel
    )
    {
        var project = await store.ProjectNameAsync(planId, cancel);
        var now = (await plans.OpenAsync(planId)).Now;
        if (now.Plan.Find<Scheme>(from ?? "") is null || now.Plan.Find<Scheme>(to ?? "") is null)
            return TypedResults.NotFound();
        return await WrittenAsync(
            limit,
            writers,
            () =>
            {
                var state = now.State(to, levelId);
                var compared = now.Compared(from, to);
                var shown = compared.Shown(now.Plan, state.LevelId, now.State(from, levelId).Items);
                return kinds
                    .Compose(
                        "changes",
                        Draft(state, state.Sheet(), project) with
                        {
                            Camera = now.Camera(cancel),
                            Changes = (compared, shown),
                        }
                    )
                    .Document;
            },
            ending,
            "",
            cancel
        );
    }

    /// <summary>How a scheme is proved: rooms, people, ways out, limits, findings and workings.</summary>
    private static async Task<Results<FileContentHttpResult, NotFound, ProblemHttpResult>> ReportAsync(
        Guid planId,
        string ending,
        string? schemeId,
        OpenPlans plans,
        WorkLimit limit,
        PlanStore store,
        Writers writers,
        SheetKinds kinds,
        CancellationToken cancel
    )
    {
        var project = await store.ProjectNameAsync(planId, cancel);
        var now = (await plans.OpenAsync(planId)).Now;
        if (now.Plan.Find<Scheme>(schemeId ?? "") is null)
            return TypedResults.NotFound();
        return await WrittenAsync(
            limit,
            writers,
            () =>
            {
                var state = now.State(schemeId, null);
                return kinds.Compose("report", Draft(state, state.Sheet(), project)).Document;
            },
            ending,
            "",
            cancel
        );
    }

    private static SheetRequest Draft(PlanState state, SheetSettings settings, string project) =>
        new(state, settings, project, "", "Draft", DateOnly.FromDateTime(DateTime.UtcNow));

    /// <summary>Composes and writes under the one limit on work at once; says which endings there are where one is asked for that there is not.</summary>
    private static async Task<Results<FileContentHttpResult, NotFound, ProblemHttpResult>> WrittenAsync(
        WorkLimit limit,
        Writers writers,
        Func<ExportDocument> compose,
        string ending,
        string status,
        CancellationToken cancel
    )
    {
        var (document, file) = await limit.AskAsync(
            () =>
            {
                var made = compose();
                return (made, writers.Write(made, ending, null, cancel));
            },
            cancel
        );
        return file is null
            ? TypedResults.Problem(
                $"\"{Short(ending)}\" is not written of this; there are {string.Join(", ", writers.EndingsOf(document))}.",
                statusCode: 404
            )
            : TypedResults.File(file.Content, file.MediaType, FileNames.Of($"{document.Title}{status}", file.Ending));
    }

    private static string Short(string ending) => ending.Length <= 20 ? ending : ending[..20] + "…";

    private sealed record Made(ExportDocument Document, Sheet Sheet, SheetSettings Settings, PlanState State, long Revision, string Letter);

    private static async Task<Results<Ok<SheetFacts>, NotFound>> FactsAsync(
        Guid planId,
        string sheetId,
        OpenPlans plans,
        WorkLimit limit,
        PlanStore store,
        SheetKinds kinds,
        WellsedesContext context,
        CancellationToken cancel
    )
    {
        if (await MakeAsync(planId, sheetId, plans, limit, store, kinds, context, "Draft", cancel) is not { } made)
            return TypedResults.NotFound();
        var drawing = made.Sheet.Drawing;
        return TypedResults.Ok(
            new SheetFacts(made.Sheet.Ratio, made.Sheet.ScaleName, made.Sheet.Fits, drawing.Width, drawing.Height, made.Letter)
        );
    }

    private static async Task<Results<FileContentHttpResult, NotFound, ProblemHttpResult>> FileAsync(
        Guid planId,
        string sheetId,
        string ending,
        OpenPlans plans,
        WorkLimit limit,
        PlanStore store,
        Writers writers,
        SheetKinds kinds,
        WellsedesContext context,
        CancellationToken cancel
    )
    {
        if (await MakeAsync(planId, sheetId, plans, limit, store, kinds, context, "Draft", cancel) is not { } made)
            return TypedResults.NotFound();
        return await WrittenAsync(limit, writers, () => made.Document, ending, " draft", cancel);
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
        Writers writers,
        SheetKinds kinds,
        WellsedesContext context,
        CancellationToken cancel
    )
    {
        if (WellFormed.Text("issued for", request.For) is { } problem)
            return TypedResults.Problem(problem.Message, statusCode: 422);
        if (await MakeAsync(planId, sheetId, plans, limit, store, kinds, context, "Issued", cancel) is not { } made)
            return TypedResults.NotFound();
        if (!made.Sheet.Fits)
            return TypedResults.Problem(
                $"At {made.Sheet.ScaleName} the plan does not fit {made.Settings.Paper}; choose a larger paper or a smaller scale.",
                statusCode: 422
            );
        var pictures = await PictureEndpoints.OfPlanAsync(context, planId, cancel);
        var files = await limit.AskAsync(() => writers.Kept(made.Document with { Pictures = [.. pictures] }, cancel), cancel);
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
            Files =
            [
                .. files.Select(file => new IssuedFile
                {
                    Ending = file.Ending,
                    MediaType = file.MediaType,
                    Content = file.Content,
                }),
            ],
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
        string ending,
        WellsedesContext context,
        CancellationToken cancel
    ) =>
        await context
            .IssuedFiles.AsNoTracking()
            .FirstOrDefaultAsync(
                file => file.PlanId == planId && file.SheetId == sheetId && file.Letter == letter && file.Ending == ending,
                cancel
            )
            is { } file
            ? TypedResults.File(file.Content, file.MediaType, FileNames.Of($"{sheetId} revision {letter}", file.Ending))
            : TypedResults.NotFound();

    /// <summary>The sheet as it is now; null when the plan has no such sheet.</summary>
    private static async Task<Made?> MakeAsync(
        Guid planId,
        string sheetId,
        OpenPlans plans,
        WorkLimit limit,
        PlanStore store,
        SheetKinds kinds,
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
                var composed = kinds.Compose(
                    "plan",
                    Draft(state, settings, project) with
                    {
                        Letter = status == "Issued" ? letter : "",
                        Status = status,
                        Camera = now.Camera(cancel),
                    }
                );
                return new Made(composed.Document, composed.Sheet!, settings, state, now.Revision, letter);
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
