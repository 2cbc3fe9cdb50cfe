using System.Linq.Expressions;
using System.Security.Claims;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Wellsedes.Server.Features.Accounts;
using Wellsedes.Server.Features.Plans;
using Wellsedes.Server.Features.Work;
using Wellsedes.Server.Security;
using Wellsedes.Store;

namespace Wellsedes.Server.Features.Models;

/// <summary>A picture in space that the register keeps: what it shows, of which revision of the plan, in pixels and bytes.</summary>
public sealed record TakenEntry(
    Guid Id,
    string SchemeId,
    string Name,
    long PlanRevision,
    DateTime TakenAt,
    string TakenBy,
    int Width,
    int Height,
    int Size
);

/// <summary>Keeps a picture that was worked out: by the file that the work told of.</summary>
public sealed record KeepRequest(Guid File);

/// <summary>The pictures of the register.</summary>
public static class TakenEndpoints
{
    /// <summary>The most pictures of a plan, and the most bytes of all of them.</summary>
    private const int Most = 300;
    private const long MostBytes = 600L * 1024 * 1024;

    public static void MapTaken(this RouteGroupBuilder api)
    {
        var taken = api.MapGroup("/plans/{planId:guid}/taken");
        taken.MapGet("", ListAsync).NeedsRole(ProjectRole.Viewer).WithName("takenPictures");
        taken.MapPost("", KeepAsync).NeedsRole(ProjectRole.Editor).WithName("keepPicture");
        taken.MapGet("/{pictureId:guid}.png", FileAsync).NeedsRole(ProjectRole.Viewer).WithName("takenPicture");
        taken.MapDelete("/{pictureId:guid}", RemoveAsync).NeedsRole(ProjectRole.Editor).WithName("removeTakenPicture");
    }

    private static readonly Expression<Func<TakenView, TakenEntry>> Entry = t =>
        new(t.Id, t.SchemeId, t.Name, t.PlanRevision, t.TakenAt, t.TakenBy, t.Width, t.Height, t.Size);

    private static readonly Func<TakenView, TakenEntry> EntryOf = Entry.Compile();

    private static async Task<TakenEntry[]> ListAsync(Guid planId, WellsedesContext context, CancellationToken cancel) =>
        await context
            .Taken.Where(taken => taken.PlanId == planId)
            .OrderByDescending(taken => taken.TakenAt)
            .Select(Entry)
            .ToArrayAsync(cancel);

    private static async Task<Results<Ok<TakenEntry>, NotFound<string>, ProblemHttpResult>> KeepAsync(
        Guid planId,
        KeepRequest request,
        ClaimsPrincipal person,
        BackgroundWork work,
        WellsedesContext context,
        CancellationToken cancel
    )
    {
        if (work.FileOf(planId, request.File) is not { Taken: { } what } file)
            return TypedResults.NotFound("The picture is no longer there; take it again.");
        var all = context.Taken.Where(taken => taken.PlanId == planId);
        if (await all.CountAsync(cancel) >= Most || await all.SumAsync(taken => (long)taken.Size, cancel) + file.Content.Length > MostBytes)
            return TypedResults.Problem(
                $"The register keeps at most {Most} pictures and {MostBytes / 1024 / 1024} MB of them for a plan; remove some first.",
                statusCode: 422
            );
        var kept = new TakenView
        {
            PlanId = planId,
            // The same file is kept once, however often it is asked.
            Id = request.File,
            SchemeId = what.SchemeId,
            Name = what.Name,
            PlanRevision = what.Revision,
            TakenAt = DateTime.UtcNow,
            TakenById = person.Id(),
            TakenBy = PlanEndpoints.Name(person),
            Width = what.Width,
            Height = what.Height,
            Size = file.Content.Length,
            Png = file.Content,
        };
        if (!await all.AnyAsync(taken => taken.Id == kept.Id, cancel))
        {
            context.Add(kept);
            await context.SaveChangesAsync(cancel);
        }
        return TypedResults.Ok(EntryOf(kept));
    }

    private static async Task<Results<FileContentHttpResult, NotFound>> FileAsync(
        Guid planId,
        Guid pictureId,
        WellsedesContext context,
        CancellationToken cancel
    )
    {
        var kept = await context
            .Taken.Where(taken => taken.PlanId == planId && taken.Id == pictureId)
            .Select(taken => new { taken.Png, taken.Name })
            .FirstOrDefaultAsync(cancel);
        return kept is null ? TypedResults.NotFound() : TypedResults.File(kept.Png, "image/png", FileNames.Of(kept.Name, "png"));
    }

    private static async Task<Results<NoContent, NotFound>> RemoveAsync(
        Guid planId,
        Guid pictureId,
        WellsedesContext context,
        CancellationToken cancel
    ) =>
        await context.Taken.Where(taken => taken.PlanId == planId && taken.Id == pictureId).ExecuteDeleteAsync(cancel) > 0
            ? TypedResults.NoContent()
            : TypedResults.NotFound();
}
