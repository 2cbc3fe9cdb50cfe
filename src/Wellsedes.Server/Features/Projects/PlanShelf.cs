using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Wellsedes.Server.Demo;
using Wellsedes.Server.Features.Plans;
using Wellsedes.Server.Security;
using Wellsedes.Store;

namespace Wellsedes.Server.Features.Projects;

/// <summary>Plans as they lie in their project: their pictures, put away and brought back, a demo put back as it was.</summary>
public static class PlanShelf
{
    public static void MapPlanShelf(this RouteGroupBuilder api)
    {
        var plan = api.MapGroup("/plans/{planId:guid}");
        plan.MapGet("/picture", PictureAsync).NeedsRole(ProjectRole.Viewer).WithName("planPicture");
        plan.MapPost("/archive", ArchiveAsync).NeedsRole(ProjectRole.Editor).WithName("archivePlan");
        plan.MapPost("/unarchive", UnarchiveAsync).NeedsRole(ProjectRole.Editor).WithName("unarchivePlan");
        plan.MapPost("/put-back", PutBackAsync).NeedsRole(ProjectRole.Editor).WithName("putDemoBack");
    }

    private static async Task<Results<FileContentHttpResult, NotFound>> PictureAsync(
        Guid planId,
        WellsedesContext context,
        PlanPictures pictures,
        HttpResponse response,
        CancellationToken cancel
    )
    {
        var revision = await context.Plans.Where(p => p.Id == planId).Select(p => p.Revision).FirstAsync(cancel);
        var png = await pictures.OfAsync(planId, revision, cancel);
        if (png is null)
            return TypedResults.NotFound();
        // Asked for with its revision: that one never changes.
        response.Headers.CacheControl = "private, max-age=86400";
        return TypedResults.File(png, "image/png");
    }

    private static Task<NoContent> ArchiveAsync(Guid planId, WellsedesContext context, CancellationToken cancel) =>
        SetAsync(planId, DateTime.UtcNow, context, cancel);

    private static Task<NoContent> UnarchiveAsync(Guid planId, WellsedesContext context, CancellationToken cancel) =>
        SetAsync(planId, null, context, cancel);

    private static async Task<NoContent> SetAsync(Guid planId, DateTime? archived, WellsedesContext context, CancellationToken cancel)
    {
        await context.Plans.Where(p => p.Id == planId).ExecuteUpdateAsync(p => p.SetProperty(x => x.ArchivedAt, archived), cancel);
        return TypedResults.NoContent();
    }

    /// <summary>Puts a plan of the demo back as it was shipped; what was made of it goes to the deleted ones.</summary>
    private static async Task<Results<Ok<PlanMade>, ProblemHttpResult>> PutBackAsync(
        Guid planId,
        IConfiguration configuration,
        OpenPlans plans,
        PlanStore store,
        WellsedesContext context,
        CancellationToken cancel
    )
    {
        var was = await context.Plans.AsNoTracking().FirstAsync(p => p.Id == planId, cancel);
        if (was.DemoFile is not { } file)
            return TypedResults.Problem("Only a plan that came with the demo can be put back.", statusCode: 422);
        if (
            configuration["WELLSEDES_DEMO"] is not { } folder
            || await DemoSeed.AddPlanAsync(folder, file, was.ProjectId, store, cancel) is not { } made
        )
            return TypedResults.Problem($"The demo's file {file} is not here any more; nothing was changed.", statusCode: 422);
        await context.Plans.Where(p => p.Id == planId).ExecuteUpdateAsync(p => p.SetProperty(x => x.DeletedAt, DateTime.UtcNow), cancel);
        plans.Forget(planId);
        return TypedResults.Ok(new PlanMade(made));
    }
}
