using System.Security.Claims;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.SignalR;
using Microsoft.EntityFrameworkCore;
using Wellsedes.Core.Arranging;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Measure;
using Wellsedes.Core.Plans;
using Wellsedes.Formats.PlanFile;
using Wellsedes.Server.Features.Pictures;
using Wellsedes.Server.Security;
using Wellsedes.Store;

namespace Wellsedes.Server.Features.Plans;

/// <summary>A typed figure to be read: as a length in mm or an angle in degrees.</summary>
public sealed record FigureText(string Text, UnitSystem Units, bool Angle = false);

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
        api.MapPost("/plans/{planId:guid}/undo", UndoAsync).NeedsRole(ProjectRole.Editor).WithName("undo");
        api.MapPost("/plans/{planId:guid}/redo", RedoAsync).NeedsRole(ProjectRole.Editor).WithName("redo");
        api.MapPost("/plans/{planId:guid}/take-back", TakeBackAsync).NeedsRole(ProjectRole.Editor).WithName("takeBack");
        api.MapGet("/plans/{planId:guid}/near", NearAsync).NeedsRole(ProjectRole.Viewer).WithName("near");
        api.MapGet("/plans/{planId:guid}/route", RouteAsync).NeedsRole(ProjectRole.Viewer).WithName("route");
        api.MapGet("/plans/{planId:guid}/file", FileAsync).NeedsRole(ProjectRole.Viewer).WithName("exportPlan");
    }

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
        Roles roles,
        WellsedesContext context,
        CancellationToken cancel
    )
    {
        var record = await context.Plans.AsNoTracking().Include(plan => plan.Project).FirstAsync(plan => plan.Id == planId, cancel);
        var role = await roles.ForPlanAsync(planId, person.Id(), cancel);
        return await plans.GetAsync(planId) is { } plan
            ? TypedResults.Ok(await plan.ViewAsync(record, role!.Value, person.Id(), schemeId, cancel))
            : TypedResults.NotFound();
    }

    private static Task<Results<Ok<EditDone>, JsonHttpResult<Problem>>> EditAsync(
        Guid planId,
        EditRequest request,
        ClaimsPrincipal person,
        OpenPlans plans,
        IHubContext<PlanHub> hub,
        CancellationToken cancel
    ) => DoAsync(planId, plans, hub, plan => plan.EditAsync(person.Id(), Name(person), request, cancel));

    /// <summary>The same question as the live link's, for programs without one.</summary>
    private static async Task<ProbeView> ProbeAsync(Guid planId, EditRequest request, OpenPlans plans, CancellationToken cancel) =>
        await (await plans.GetAsync(planId))!.ProbeAsync(request.Edit, request.SchemeId, request.LevelId, cancel);

    private static Task<Results<Ok<EditDone>, JsonHttpResult<Problem>>> UndoAsync(
        Guid planId,
        string? schemeId,
        ClaimsPrincipal person,
        OpenPlans plans,
        IHubContext<PlanHub> hub,
        CancellationToken cancel
    ) => DoAsync(planId, plans, hub, plan => plan.UndoAsync(person.Id(), Name(person), schemeId, cancel));

    private static Task<Results<Ok<EditDone>, JsonHttpResult<Problem>>> RedoAsync(
        Guid planId,
        string? schemeId,
        ClaimsPrincipal person,
        OpenPlans plans,
        IHubContext<PlanHub> hub,
        CancellationToken cancel
    ) => DoAsync(planId, plans, hub, plan => plan.RedoAsync(person.Id(), Name(person), schemeId, cancel));

    private static Task<Results<Ok<EditDone>, JsonHttpResult<Problem>>> TakeBackAsync(
        Guid planId,
        ClaimsPrincipal person,
        OpenPlans plans,
        IHubContext<PlanHub> hub,
        CancellationToken cancel
    ) => DoAsync(planId, plans, hub, plan => plan.TakeBackAsync(person.Id(), Name(person), cancel));

    private static async Task<Results<Ok<EditDone>, JsonHttpResult<Problem>>> DoAsync(
        Guid planId,
        OpenPlans plans,
        IHubContext<PlanHub> hub,
        Func<OpenPlan, Task<EditOutcome>> act
    )
    {
        try
        {
            var outcome = await act((await plans.GetAsync(planId))!);
            if (outcome.Done is not { } done)
                return TypedResults.Json(outcome.Problem!, statusCode: outcome.Status);
            await hub.Clients.Group(PlanHub.GroupOf(planId)).SendAsync("changed", done.Changed);
            return TypedResults.Ok(done);
        }
        catch (PlanRevisionClashException e)
        {
            plans.Forget(planId);
            return TypedResults.Json(new Problem("edit", e.Message), statusCode: 409);
        }
    }

    private static async Task<IReadOnlyList<NearDistance>> NearAsync(
        Guid planId,
        string[] id,
        string? schemeId,
        string? levelId,
        OpenPlans plans,
        CancellationToken cancel
    ) => await (await plans.GetAsync(planId))!.NearAsync(id.ToHashSet(), schemeId, levelId, cancel);

    private static async Task<IReadOnlyList<Point>> RouteAsync(
        Guid planId,
        string finding,
        string? schemeId,
        OpenPlans plans,
        CancellationToken cancel
    ) => await (await plans.GetAsync(planId))!.RouteAsync(finding, schemeId, cancel);

    private static async Task<FileContentHttpResult> FileAsync(
        Guid planId,
        OpenPlans plans,
        WellsedesContext context,
        CancellationToken cancel
    )
    {
        var pictures = await PictureEndpoints.OfPlanAsync(context, planId, cancel);
        var open = (await plans.GetAsync(planId))!;
        var (file, title) = await open.AskAsync((_, plan, _) => (PlanFiles.Write(plan, pictures), plan.Details.Title), cancel);
        return TypedResults.File(file, "application/json", FileNames.Of(title, "wellsedes.json"));
    }

    internal static string Name(ClaimsPrincipal person) => person.FindFirstValue("name") ?? "Somebody";
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
