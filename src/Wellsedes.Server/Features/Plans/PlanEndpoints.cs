using System.Collections.Immutable;
using System.Security.Claims;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.SignalR;
using Microsoft.EntityFrameworkCore;
using Wellsedes.Core.Arranging;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Editing.Blocks;
using Wellsedes.Core.Editing.Groups;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Seating;
using Wellsedes.Core.Units;
using Wellsedes.Formats.PlanFile;
using Wellsedes.Formats.Writers;
using Wellsedes.Server.Features.Accounts;
using Wellsedes.Server.Features.Pictures;
using Wellsedes.Server.Features.Work;
using Wellsedes.Server.Security;
using Wellsedes.Store;

namespace Wellsedes.Server.Features.Plans;

/// <summary>A typed figure to be read: as a length in mm or an angle in degrees.</summary>
public sealed record FigureText(string Text, UnitSystem Units, bool Angle = false);

/// <summary>An area to be seated, as the edit that would put in its block.</summary>
/// <param name="Judged">Whether the ways to all seats are judged as well, which takes longer.</param>
/// <param name="LookAt">A point they look to, in place of the direction the edit says.</param>
public sealed record FillsRequest(Edit Edit, bool Judged = false, Point? LookAt = null);

/// <param name="Problem">Why nothing of it can be put in; null where something can.</param>
/// <param name="Sights">What people may look at there.</param>
public sealed record FillsView(ImmutableArray<FillCandidate> Candidates, ImmutableArray<Sight> Sights, Problem? Problem);

public sealed record FigureRead(double? Value, string? Problem, int Position);

public static class PlanEndpoints
{
    public static void MapPlans(this RouteGroupBuilder api)
    {
        api.MapPost("/figures", ReadFigure).WithName("readFigure");
        api.MapGet("/plans/{planId:guid}", OpenAsync).NeedsRole(ProjectRole.Viewer).WithName("openPlan");
        api.MapPost("/plans/{planId:guid}/edits", EditAsync)
            .NeedsRole(ProjectRole.Editor)
            .Produces<Problem>(422)
            .Produces<Problem>(409)
            .WithName("editPlan");
        api.MapPost("/plans/{planId:guid}/probes", ProbeAsync).NeedsRole(ProjectRole.Editor).WithName("probePlan");
        api.MapPost("/plans/{planId:guid}/fills", FillsAsync).NeedsRole(ProjectRole.Editor).WithName("fills");
        api.MapPost("/plans/{planId:guid}/undo", UndoAsync).NeedsRole(ProjectRole.Editor).WithName("undo");
        api.MapPost("/plans/{planId:guid}/redo", RedoAsync).NeedsRole(ProjectRole.Editor).WithName("redo");
        api.MapPost("/plans/{planId:guid}/take-back", TakeBackAsync).NeedsRole(ProjectRole.Editor).WithName("takeBack");
        api.MapGet("/plans/{planId:guid}/changes", ChangesAsync)
            .NeedsRole(ProjectRole.Viewer)
            .Produces<Problem>(410)
            .WithName("changesSince");
        api.MapGet("/plans/{planId:guid}/near", NearAsync).NeedsRole(ProjectRole.Viewer).WithName("near");
        api.MapGet("/plans/{planId:guid}/finishes", FinishesAsync).NeedsRole(ProjectRole.Viewer).WithName("finishes");
        api.MapGet("/plans/{planId:guid}/selection", SelectionAsync).NeedsRole(ProjectRole.Viewer).WithName("selection");
        api.MapGet("/plans/{planId:guid}/compared", ComparedAsync).NeedsRole(ProjectRole.Viewer).WithName("compared");
        api.MapGet("/plans/{planId:guid}/compared.csv", ComparedFileAsync).NeedsRole(ProjectRole.Viewer).WithName("comparedFile");
        api.MapGet("/plans/{planId:guid}/counted", CountedAsync).NeedsRole(ProjectRole.Viewer).WithName("counted");
        api.MapGet("/plans/{planId:guid}/subjects", SubjectsAsync).NeedsRole(ProjectRole.Viewer).WithName("subjects");
        api.MapGet("/plans/{planId:guid}/offers", OffersAsync).NeedsRole(ProjectRole.Viewer).WithName("offers");
        api.MapGet("/plans/{planId:guid}/unseen", UnseenAsync).NeedsRole(ProjectRole.Viewer).WithName("unseen");
        api.MapPost("/plans/{planId:guid}/clip", ClipAsync).NeedsRole(ProjectRole.Editor).WithName("readClip");
        api.MapGet("/plans/{planId:guid}/group", GroupAsync).NeedsRole(ProjectRole.Viewer).WithName("group");
        api.MapGet("/plans/{planId:guid}/route", RouteAsync).NeedsRole(ProjectRole.Viewer).WithName("route");
        api.MapGet("/plans/{planId:guid}/work/{file:guid}", WorkFile).NeedsRole(ProjectRole.Viewer).WithName("workFile");
        api.MapGet("/plans/{planId:guid}/file", FileAsync).NeedsRole(ProjectRole.Viewer).WithName("exportPlan");
    }

    /// <summary>What a text from the clipboard holds: read here, pasted by an edit.</summary>
    private static async Task<Results<Ok<ClipRead>, ProblemHttpResult>> ClipAsync(
        Guid planId,
        HttpRequest request,
        CancellationToken cancel
    )
    {
        try
        {
            return TypedResults.Ok(new ClipRead(ClipText.Read(await Body.ReadAsync(request, ClipText.Longest, cancel))));
        }
        catch (PlanFileException e)
        {
            return TypedResults.Problem(e.Message, statusCode: 422);
        }
    }

    /// <summary>What changes between two schemes.</summary>
    private static async Task<SchemesCompared> ComparedAsync(
        Guid planId,
        string? from,
        string? to,
        OpenPlans plans,
        WorkLimit limit,
        CancellationToken cancel
    )
    {
        var now = (await plans.OpenAsync(planId)).Now;
        return await limit.AskAsync(() => now.Compared(from, to), cancel);
    }

    private static async Task<FileContentHttpResult> ComparedFileAsync(
        Guid planId,
        string? from,
        string? to,
        OpenPlans plans,
        WorkLimit limit,
        Writers writers,
        CancellationToken cancel
    )
    {
        var now = (await plans.OpenAsync(planId)).Now;
        var document = new ExportDocument("what changes", now.Plan);
        var file = await limit.AskAsync(
            () => writers.Write(document with { Compared = now.Compared(from, to) }, "csv", null, cancel)!,
            cancel
        );
        return TypedResults.File(file.Content, file.MediaType, FileNames.Of(document.Title, file.Ending));
    }

    /// <summary>The ids of what a line of the tally counts.</summary>
    private static async Task<IEnumerable<string>> CountedAsync(
        Guid planId,
        string? what,
        string? schemeId,
        OpenPlans plans,
        WorkLimit limit,
        CancellationToken cancel
    )
    {
        var now = (await plans.OpenAsync(planId)).Now;
        return await limit.AskAsync(() => now.Counted(what ?? "", schemeId), cancel);
    }

    private static async Task<SubjectsView> SubjectsAsync(
        Guid planId,
        string? schemeId,
        OpenPlans plans,
        WorkLimit limit,
        CancellationToken cancel
    )
    {
        var now = (await plans.OpenAsync(planId)).Now;
        return await limit.AskAsync(() => now.Subjects(schemeId), cancel);
    }

    /// <summary>How a block would hold more.</summary>
    private static async Task<IEnumerable<BlockOffer>> OffersAsync(
        Guid planId,
        string? blockId,
        OpenPlans plans,
        WorkLimit limit,
        CancellationToken cancel
    )
    {
        var now = (await plans.OpenAsync(planId)).Now;
        return await limit.AskAsync(() => now.Offers(blockId ?? ""), cancel);
    }

    /// <summary>How an area may be seated; nothing is applied.</summary>
    private static async Task<FillsView> FillsAsync(
        Guid planId,
        FillsRequest request,
        OpenPlans plans,
        WorkLimit limit,
        CancellationToken cancel
    )
    {
        var now = (await plans.OpenAsync(planId)).Now;
        return await limit.AskAsync(() => now.Fills(request, cancel), cancel);
    }

    /// <summary>The ids of what a view leaves unseen.</summary>
    private static async Task<IEnumerable<string>> UnseenAsync(
        Guid planId,
        string? viewId,
        OpenPlans plans,
        WorkLimit limit,
        CancellationToken cancel
    )
    {
        var now = (await plans.OpenAsync(planId)).Now;
        return await limit.AskAsync(() => now.Unseen(viewId ?? ""), cancel);
    }

    private static async Task<GroupFigures> GroupAsync(Guid planId, string? id, OpenPlans plans) =>
        (await plans.OpenAsync(planId)).Now.Group(id ?? "");

    private static FigureRead ReadFigure(FigureText figure)
    {
        var read = figure.Angle ? AngleText.Read(figure.Text) : LengthText.Read(figure.Text, figure.Units);
        return new FigureRead(read.Value, read.Problem, read.Position);
    }

    private static async Task<Results<Ok<PlanView>, NotFound>> OpenAsync(
        Guid planId,
        ClaimsPrincipal person,
        string? schemeId,
        OpenPlans plans,
        WorkLimit limit,
        Roles roles,
        WellsedesContext context,
        CancellationToken cancel
    )
    {
        var record = await context.Plans.AsNoTracking().Include(plan => plan.Project).FirstAsync(plan => plan.Id == planId, cancel);
        var role = await roles.ForPlanAsync(planId, person.Id(), cancel);
        return await plans.GetAsync(planId) is { } plan
            ? TypedResults.Ok(await limit.AskAsync(() => plan.Now.View(record, role!.Value, person.Id(), schemeId), cancel))
            : TypedResults.NotFound();
    }

    private static async Task<Results<EditAnswered, JsonHttpResult<Problem>>> EditAsync(
        Guid planId,
        EditRequest request,
        ClaimsPrincipal person,
        OpenPlans plans,
        EditKinds kinds,
        Roles roles,
        CancellationToken cancel
    )
    {
        var kind = kinds.Of(request.Edit);
        if (kind.Right == EditRight.Owners && await roles.ForPlanAsync(planId, person.Id(), cancel) != ProjectRole.Owner)
            return TypedResults.Json(
                new Problem("do", $"Only owners of the project may do this: {kind.Does.ToLowerInvariant()}."),
                statusCode: 403
            );
        return await DoAsync(planId, plans, plan => plan.EditAsync(person.Id(), Name(person), request, cancel));
    }

    /// <summary>The same question as the live link's, for programs without one.</summary>
    private static async Task<ProbeView> ProbeAsync(
        Guid planId,
        EditRequest request,
        OpenPlans plans,
        WorkLimit limit,
        CancellationToken cancel
    )
    {
        var now = (await plans.OpenAsync(planId)).Now;
        return await limit.AskAsync(() => now.Probe(request.Edit, request.SchemeId, request.LevelId, atOnce: false, cancel), cancel);
    }

    /// <summary>What changed after a revision, for somebody who has missed it.</summary>
    private static async Task<Results<Ok<ChangedView>, JsonHttpResult<Problem>>> ChangesAsync(
        Guid planId,
        long? since,
        string? schemeId,
        OpenPlans plans,
        WorkLimit limit,
        CancellationToken cancel
    )
    {
        var now = (await plans.OpenAsync(planId)).Now;
        return await limit.AskAsync(() => now.ChangedSince(since ?? 0, [schemeId]), cancel) is { } changed
            ? TypedResults.Ok(changed)
            : TypedResults.Json(
                new Problem("since", $"What came after revision {since ?? 0} is not told one by one any more; open the plan."),
                statusCode: 410
            );
    }

    private static Task<Results<EditAnswered, JsonHttpResult<Problem>>> UndoAsync(
        Guid planId,
        string? schemeId,
        Guid? request,
        ClaimsPrincipal person,
        OpenPlans plans,
        CancellationToken cancel
    ) => DoAsync(planId, plans, plan => plan.UndoAsync(person.Id(), Name(person), schemeId, request, cancel));

    private static Task<Results<EditAnswered, JsonHttpResult<Problem>>> RedoAsync(
        Guid planId,
        string? schemeId,
        Guid? request,
        ClaimsPrincipal person,
        OpenPlans plans,
        CancellationToken cancel
    ) => DoAsync(planId, plans, plan => plan.RedoAsync(person.Id(), Name(person), schemeId, request, cancel));

    private static Task<Results<EditAnswered, JsonHttpResult<Problem>>> TakeBackAsync(
        Guid planId,
        ClaimsPrincipal person,
        OpenPlans plans,
        CancellationToken cancel
    ) => DoAsync(planId, plans, plan => plan.TakeBackAsync(person.Id(), Name(person), cancel));

    private static async Task<Results<EditAnswered, JsonHttpResult<Problem>>> DoAsync(
        Guid planId,
        OpenPlans plans,
        Func<OpenPlan, Task<EditOutcome>> act
    )
    {
        var outcome = await act(await plans.OpenAsync(planId));
        return outcome.Done is { } done ? new EditAnswered(done) : TypedResults.Json(outcome.Problem!, statusCode: outcome.Status);
    }

    private static async Task<NearView> NearAsync(Guid planId, string[] id, string? schemeId, string? levelId, OpenPlans plans) =>
        (await plans.OpenAsync(planId)).Now.Near(id.ToHashSet(), schemeId, levelId);

    /// <summary>The ids of what else is to be selected with an item.</summary>
    private static async Task<IEnumerable<string>> SelectionAsync(
        Guid planId,
        string? id,
        SelectAll? which,
        string? schemeId,
        OpenPlans plans,
        WorkLimit limit,
        CancellationToken cancel
    )
    {
        var now = (await plans.OpenAsync(planId)).Now;
        return await limit.AskAsync(() => now.Selection(id ?? "", which ?? SelectAll.OfKind, schemeId), cancel);
    }

    private static async Task<FinishesView> FinishesAsync(
        Guid planId,
        string? schemeId,
        OpenPlans plans,
        WorkLimit limit,
        CancellationToken cancel
    )
    {
        var now = (await plans.OpenAsync(planId)).Now;
        return await limit.AskAsync(() => now.Finishes(schemeId), cancel);
    }

    private static async Task<IReadOnlyList<Point>> RouteAsync(
        Guid planId,
        string finding,
        string? schemeId,
        OpenPlans plans,
        WorkLimit limit,
        CancellationToken cancel
    )
    {
        var now = (await plans.OpenAsync(planId)).Now;
        return await limit.AskAsync(() => now.Route(finding, schemeId, cancel), cancel);
    }

    private static async Task<FileContentHttpResult> FileAsync(
        Guid planId,
        OpenPlans plans,
        WorkLimit limit,
        Writers writers,
        WellsedesContext context,
        CancellationToken cancel
    )
    {
        var pictures = await PictureEndpoints.OfPlanAsync(context, planId, cancel);
        var plan = (await plans.OpenAsync(planId)).Now.Plan;
        var document = new ExportDocument(plan.Details.Title, plan) { Pictures = [.. pictures] };
        var file = await limit.AskAsync(() => writers.Write(document, "json", null, cancel)!, cancel);
        return TypedResults.File(file.Content, file.MediaType, FileNames.Of(document.Title, $"wellsedes.{file.Ending}"));
    }

    /// <summary>A file made in the background.</summary>
    private static Results<FileContentHttpResult, NotFound> WorkFile(Guid planId, Guid file, BackgroundWork work) =>
        work.FileOf(planId, file) is { } made ? TypedResults.File(made.Content, made.ContentType, made.Name) : TypedResults.NotFound();

    internal static string Name(ClaimsPrincipal person) => person.FindFirstValue(PersonClaims.Name)!;
}

internal static class FileNames
{
    /// <summary>A title made safe for a file name.</summary>
    public static string Of(string title, string extension)
    {
        var safe = string.Concat(title.ToLowerInvariant().Select(c => char.IsAsciiLetterOrDigit(c) ? c : '-'));
        while (safe.Contains("--", StringComparison.Ordinal))
            safe = safe.Replace("--", "-");
        return $"{safe.Trim('-')}.{extension}";
    }
}
