using Microsoft.AspNetCore.Http.HttpResults;
using Wellsedes.Formats.Models;
using Wellsedes.Server.Features.Plans;
using Wellsedes.Server.Security;
using Wellsedes.Store;

namespace Wellsedes.Server.Features.Models;

/// <summary>A scheme in space: to be looked at, and as a file in an open format.</summary>
public static class ModelEndpoints
{
    public static void MapModels(this RouteGroupBuilder api)
    {
        api.MapGet("/plans/{planId:guid}/model", ModelAsync).NeedsRole(ProjectRole.Viewer).WithName("model");
        api.MapGet("/plans/{planId:guid}/model.glb", FileAsync).NeedsRole(ProjectRole.Viewer).WithName("modelFile");
    }

    private static async Task<ModelView> ModelAsync(Guid planId, string? schemeId, OpenPlans plans, Desk desk, CancellationToken cancel)
    {
        var now = (await plans.GetAsync(planId))!.Now;
        return await desk.AskAsync(() => ModelView.Of(now.Model(schemeId)), cancel);
    }

    private static async Task<FileContentHttpResult> FileAsync(
        Guid planId,
        string? schemeId,
        OpenPlans plans,
        Desk desk,
        CancellationToken cancel
    )
    {
        var now = (await plans.GetAsync(planId))!.Now;
        var bytes = await desk.AskAsync(() => GlbWriter.Write(now.Model(schemeId), now.Plan.Details.Title), cancel);
        return TypedResults.File(bytes, "model/gltf-binary", FileNames.Of(now.Plan.Details.Title, "glb"));
    }
}
