using System.Collections.Immutable;
using Microsoft.AspNetCore.Http.HttpResults;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rendering;
using Wellsedes.Core.SolidModel;
using Wellsedes.Formats.Writers;
using Wellsedes.Server.Features.Plans;
using Wellsedes.Server.Security;
using Wellsedes.Store;

namespace Wellsedes.Server.Features.Models;

/// <summary>Asks what is seen from a viewpoint.</summary>
/// <param name="Of">The thing of which it is asked how much is seen; null for none.</param>
public sealed record SeenRequest(Viewpoint From, string? Of = null);

/// <param name="Share">How much of the thing that was asked for is seen, from 0 to 1; null where none of it lies that way.</param>
public sealed record SeenView(ImmutableArray<SeenThing> Things, double? Share);

/// <summary>A scheme in space: to be looked at, and as a file in an open format.</summary>
public static class ModelEndpoints
{
    public static void MapModels(this RouteGroupBuilder api)
    {
        api.MapGet("/plans/{planId:guid}/model", ModelAsync).NeedsRole(ProjectRole.Viewer).WithName("model");
        api.MapPost("/plans/{planId:guid}/seen", SeenAsync).NeedsRole(ProjectRole.Viewer).WithName("seen");
        api.MapGet("/plans/{planId:guid}/model.glb", FileAsync).NeedsRole(ProjectRole.Viewer).WithName("modelFile");
    }

    /// <param name="cut">The height in mm at which near walls are cut; as usual where it is not said.</param>
    private static async Task<Results<Ok<ModelView>, ProblemHttpResult>> ModelAsync(
        Guid planId,
        string? schemeId,
        double? cut,
        bool? people,
        bool? findings,
        OpenPlans plans,
        WorkLimit limit,
        CancellationToken cancel
    )
    {
        var height = cut ?? ViewpointShows.UsualCut;
        if (height is not (>= 0 and <= 30_000))
            return TypedResults.Problem("Walls are cut at 0 to 30 000 mm.", statusCode: 422);
        var now = (await plans.OpenAsync(planId)).Now;
        var shows = new ViewpointShows(People: people == true, Findings: findings == true, CutHeight: height);
        return TypedResults.Ok(await limit.AskAsync(() => ModelView.Of(now.Model(schemeId, shows)), cancel));
    }

    /// <summary>What is seen from a viewpoint, in words: the largest first; and how much of one thing, where that is asked.</summary>
    private static async Task<Results<Ok<SeenView>, ProblemHttpResult>> SeenAsync(
        Guid planId,
        SeenRequest request,
        OpenPlans plans,
        WorkLimit limit,
        CancellationToken cancel
    )
    {
        var from = request.From;
        var now = (await plans.OpenAsync(planId)).Now;
        if (now.WrongLook(from) is { } wrong)
            return TypedResults.Problem(wrong, statusCode: 422);
        return TypedResults.Ok(
            await limit.AskAsync(
                () =>
                {
                    var sight = new Sight(now.Model(from.SchemeId, from.Shows), from);
                    return new SeenView(sight.Things(), request.Of is { } of ? sight.ShareOf(of) : null);
                },
                cancel
            )
        );
    }

    private static async Task<FileContentHttpResult> FileAsync(
        Guid planId,
        string? schemeId,
        OpenPlans plans,
        WorkLimit limit,
        Writers writers,
        CancellationToken cancel
    )
    {
        var now = (await plans.OpenAsync(planId)).Now;
        var document = new ExportDocument(now.Plan.Details.Title, now.Plan)
        {
            Model = new Lazy<PlanModel>(() => now.Model(schemeId, new ViewpointShows())),
        };
        var file = await limit.AskAsync(() => writers.Write(document, "glb", null, cancel)!, cancel);
        return TypedResults.File(file.Content, file.MediaType, FileNames.Of(document.Title, file.Ending));
    }
}
