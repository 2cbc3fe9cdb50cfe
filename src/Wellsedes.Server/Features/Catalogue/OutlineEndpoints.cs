using Microsoft.AspNetCore.Http.HttpResults;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Plans;
using Wellsedes.Formats.Models;
using Wellsedes.Formats.Svg;
using Wellsedes.Server.Security;
using Wellsedes.Store;

namespace Wellsedes.Server.Features.Catalogue;

/// <summary>The outline that was read from a picture, at its true size in mm.</summary>
public sealed record OutlineRead(OwnShape Shape, double Width, double Depth, double Height);

/// <summary>A model that was read: its outline from above, its size in mm as the file has it, and all its triangles, to be made fewer where they are too many.</summary>
public sealed record ModelRead(OwnShape Shape, double Width, double Depth, double Height, OwnMesh Mesh, int Triangles, int MostTriangles);

/// <summary>Pictures brought in as outlines of own items: read and told, kept by an ordinary edit (put-own-item).</summary>
public static class OutlineEndpoints
{
    public static void MapOutlines(this RouteGroupBuilder api)
    {
        api.MapPost("/plans/{planId:guid}/models", ReadModelAsync).NeedsRole(ProjectRole.Editor).WithName("readModel");
        api.MapPost("/plans/{planId:guid}/outlines", ReadAsync)
            .NeedsRole(ProjectRole.Editor)
            .Produces<Problem>(422)
            .WithName("readOutline");
    }

    /// <summary>Reads a GLB file; it is kept by an ordinary edit (put-own-item).</summary>
    private static async Task<Results<Ok<ModelRead>, ProblemHttpResult>> ReadModelAsync(
        Guid planId,
        bool? upIsZ,
        HttpRequest request,
        CancellationToken cancel
    )
    {
        var file = await Body.ReadAsync(request, GlbReader.LargestFile, cancel);
        try
        {
            var read = await Task.Run(() => GlbReader.Read(file, upIsZ == true), cancel);
            return TypedResults.Ok(
                new ModelRead(
                    read.Outline,
                    read.Size.Width,
                    read.Size.Depth,
                    read.Size.Height,
                    read.Mesh,
                    read.Triangles,
                    OwnMesh.MostTriangles
                )
            );
        }
        catch (GlbRefusedException e)
        {
            return TypedResults.Problem(e.Message, statusCode: 422);
        }
    }

    private static async Task<Results<Ok<OutlineRead>, JsonHttpResult<Problem>>> ReadAsync(
        Guid planId,
        double? width,
        double? height,
        HttpRequest request,
        CancellationToken cancel
    )
    {
        var file = await Body.ReadAsync(request, SvgOutlines.MostBytes, cancel);
        var (shape, size, problem) = SvgOutlines.Read(file, width ?? 0, height ?? 750);
        return shape is null
            ? TypedResults.Json(problem!, statusCode: 422)
            : TypedResults.Ok(new OutlineRead(shape, size.Width, size.Depth, size.Height));
    }
}
