using System.Security.Claims;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Wellsedes.Core.Catalogue;
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

public sealed record RegisterEntry(
    string Letter,
    DateTime IssuedAt,
    string IssuedBy,
    string For,
    string Paper,
    string ScaleName,
    long PlanRevision,
    string LevelName
);

/// <summary>Issues the sheet of a level as it is now, for somebody.</summary>
public sealed record IssueRequest(string For, string? LevelId = null);

/// <summary>How the sheet comes out: its scale, whether it fits, and the revision an issue would get.</summary>
public sealed record SheetFacts(double Ratio, string ScaleName, bool Fits, double Width, double Height, string NextLetter);

public static class SheetEndpoints
{
    public static void MapSheets(this RouteGroupBuilder api)
    {
        var sheets = api.MapGroup("/plans/{planId:guid}");
        sheets.MapGet("/sheet", FactsAsync).NeedsRole(ProjectRole.Viewer).WithName("sheetFacts");
        sheets.MapGet("/sheet.{kind:regex(^(pdf|svg|png|csv)$)}", FileAsync).NeedsRole(ProjectRole.Viewer).WithName("sheetFile");
        sheets.MapGet("/register", RegisterAsync).NeedsRole(ProjectRole.Viewer).WithName("register");
        sheets.MapPost("/register", IssueAsync).NeedsRole(ProjectRole.Editor).WithName("issueRevision");
        sheets
            .MapGet("/register/{letter}/sheet.{kind:regex(^(pdf|svg|csv|json)$)}", IssuedAsync)
            .NeedsRole(ProjectRole.Viewer)
            .WithName("issuedFile");
    }

    private sealed record Made(Sheet Sheet, SheetSettings Settings, PlanState State, long Revision);

    private static async Task<SheetFacts> FactsAsync(
        Guid planId,
        string? levelId,
        OpenPlans plans,
        WellsedesContext context,
        CancellationToken cancel
    )
    {
        var letter = await NextLetterAsync(planId, context, cancel);
        var made = await MakeAsync(planId, plans, context, levelId, letter, "Draft", cancel);
        var drawing = made.Sheet.Drawing;
        return new SheetFacts(made.Sheet.Ratio, made.Sheet.ScaleName, made.Sheet.Fits, drawing.Width, drawing.Height, letter);
    }

    private static async Task<FileContentHttpResult> FileAsync(
        Guid planId,
        string kind,
        string? levelId,
        OpenPlans plans,
        WellsedesContext context,
        CancellationToken cancel
    )
    {
        var letter = await NextLetterAsync(planId, context, cancel);
        var made = await MakeAsync(planId, plans, context, levelId, letter, "Draft", cancel);
        var name = FileNames.Of($"{made.Settings.SheetNumber} {made.State.Plan.Details.Title} draft", kind);
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
            .OrderByDescending(issued => issued.Number)
            .Select(i => new RegisterEntry(i.Letter, i.IssuedAt, i.IssuedBy, i.For, i.Paper, i.ScaleName, i.PlanRevision, i.LevelName))
            .ToArrayAsync(cancel);

    private static async Task<Results<Ok<RegisterEntry>, ProblemHttpResult>> IssueAsync(
        Guid planId,
        IssueRequest request,
        ClaimsPrincipal person,
        OpenPlans plans,
        WellsedesContext context,
        CancellationToken cancel
    )
    {
        if (request.For.Length > 80)
            return TypedResults.Problem("\"Issued for\" has more than 80 characters.", statusCode: 422);
        var letter = await NextLetterAsync(planId, context, cancel);
        var made = await MakeAsync(planId, plans, context, request.LevelId, letter, "Issued", cancel);
        if (!made.Sheet.Fits)
            return TypedResults.Problem(
                $"At {made.Sheet.ScaleName} the plan does not fit {made.Settings.Paper}; choose a larger paper or a smaller scale.",
                statusCode: 422
            );
        var issued = new IssuedRevision
        {
            PlanId = planId,
            SchemeId = made.State.SchemeId,
            Letter = letter,
            Number = Letters.Number(letter),
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
                $"Somebody has just issued revision {letter}; look at the register and issue again.",
                statusCode: 409
            );
        }
        return TypedResults.Ok(
            new RegisterEntry(
                letter,
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
        string letter,
        string kind,
        WellsedesContext context,
        CancellationToken cancel
    )
    {
        var issued = await context
            .Issued.AsNoTracking()
            .Where(i => i.PlanId == planId && i.Letter == letter)
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
            : TypedResults.File(issued.Content, type, $"revision-{letter.ToLowerInvariant()}.{kind}");
    }

    private static async Task<string> NextLetterAsync(Guid planId, WellsedesContext context, CancellationToken cancel) =>
        Letters.Of(1 + (await context.Issued.Where(i => i.PlanId == planId).MaxAsync(i => (int?)i.Number, cancel) ?? 0));

    private static byte[] ScheduleOf(Made made) => ScheduleCsv.Write(Schedule.Of(made.State.Items, CatalogueList.Shipped));

    private static async Task<Made> MakeAsync(
        Guid planId,
        OpenPlans plans,
        WellsedesContext context,
        string? levelId,
        string letter,
        string status,
        CancellationToken cancel
    )
    {
        var project = await context.Plans.Where(p => p.Id == planId).Select(p => p.Project!.Name).FirstAsync(cancel);
        var open = (await plans.GetAsync(planId))!;
        var (state, revision) = await open.AskAsync(
            (planner, plan, revision) => (planner.StateOf(plan, plan.All<Scheme>().First().Id, open.LevelOf(levelId)), revision),
            cancel
        );
        // From here on everything is immutable: composing a sheet holds nobody up.
        var settings = state.Plan.OfScheme<SheetSettings>(state.SchemeId).First();
        var input = new SheetInput(
            state.Plan,
            settings,
            state.Space,
            state.Items,
            state.Walkways.Ways,
            state.Tally,
            project,
            letter,
            status,
            DateOnly.FromDateTime(DateTime.UtcNow)
        );
        var sheet = new SheetComposer(Typefaces.Shared).Compose(input);
        return new Made(sheet, settings, state, revision);
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
