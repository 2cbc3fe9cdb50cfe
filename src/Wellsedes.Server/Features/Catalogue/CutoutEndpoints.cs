using System.Collections.Immutable;
using Microsoft.AspNetCore.Http.HttpResults;
using Wellsedes.Core.Catalogue;
using Wellsedes.Formats.Pictures;
using Wellsedes.Server.Security;
using Wellsedes.Store;

namespace Wellsedes.Server.Features.Catalogue;

/// <summary>The picture of a product, and what is to be cut out of it.</summary>
/// <param name="File">A PNG, JPEG or WebP file.</param>
/// <param name="Clear">Whether a plain background is taken away.</param>
/// <param name="Tolerance">How far a colour may be from the edge's to be background, 1 to 400; null for the usual.</param>
/// <param name="Mendings">Rings drawn round what is to be kept or dropped, one after another.</param>
public sealed record CutoutQuestion(byte[] File, bool Clear, ImmutableArray<Mending> Mendings, double? Tolerance = null);

/// <summary>The thing cut out: its shape 1000 mm wide, its depth for a width of 1, and what is dropped, as a PNG to lie over the picture.</summary>
public sealed record CutoutRead(OwnShape Shape, double DepthShare, byte[] Dropped, double Kept, string Note);

/// <summary>A picture kept small, for a floor: width and height in pixels.</summary>
public sealed record SmallPicture(OwnPicture Picture, int Columns, int Rows);

/// <summary>Pictures of things and of floors, made small and cut out; kept by ordinary edits (put-own-item, put-finish).</summary>
public static class CutoutEndpoints
{
    /// <summary>The largest picture of a product, in bytes.</summary>
    private const int LargestFile = 20 * 1024 * 1024;

    public static void MapCutouts(this RouteGroupBuilder api)
    {
        api.MapPost("/plans/{planId:guid}/cutouts", CutAsync).NeedsRole(ProjectRole.Editor).WithName("cutOut");
        api.MapPost("/plans/{planId:guid}/small-pictures", SmallAsync).NeedsRole(ProjectRole.Editor).WithName("smallPicture");
    }

    private static async Task<Results<Ok<CutoutRead>, ProblemHttpResult>> CutAsync(
        Guid planId,
        CutoutQuestion question,
        CancellationToken cancel
    )
    {
        if (question.File is null || question.Mendings.IsDefault)
            return TypedResults.Problem("The file and the list of mendings are missing.", statusCode: 422);
        if (question.File.Length > LargestFile)
            return TypedResults.Problem(TooLarge, statusCode: 422);
        try
        {
            var cut = await Task.Run(
                () => Cutout.Of(question.File, question.Clear, question.Tolerance ?? Cutout.UsualTolerance, question.Mendings),
                cancel
            );
            return TypedResults.Ok(new CutoutRead(cut.Shape, cut.DepthShare, cut.Dropped, cut.Kept, cut.Note));
        }
        catch (PictureException e)
        {
            return TypedResults.Problem(e.Message, statusCode: 422);
        }
    }

    private static async Task<Results<Ok<SmallPicture>, ProblemHttpResult>> SmallAsync(
        Guid planId,
        HttpRequest request,
        CancellationToken cancel
    )
    {
        var file = await Body.ReadAsync(request, LargestFile, cancel);
        if (file.Length > LargestFile)
            return TypedResults.Problem(TooLarge, statusCode: 422);
        try
        {
            var (picture, columns, rows) = await Task.Run(() => OwnPictures.FromFile(file), cancel);
            return TypedResults.Ok(new SmallPicture(picture, columns, rows));
        }
        catch (PictureException e)
        {
            return TypedResults.Problem(e.Message, statusCode: 422);
        }
    }

    private static string TooLarge => $"The picture is larger than {LargestFile / 1024 / 1024} MB, the most that is taken for this.";
}
