using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Http.Metadata;
using Microsoft.EntityFrameworkCore;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Formats.Pictures;
using Wellsedes.Formats.PlanFile;
using Wellsedes.Server.Features.Plans;
using Wellsedes.Server.Security;
using Wellsedes.Store;

namespace Wellsedes.Server.Features.Pictures;

/// <summary>A picture taken in, ready to be laid beneath a plan. Note tells what the planner should know of the file; "" for nothing.</summary>
public sealed record PictureView(Guid Id, string Name, int Columns, int Rows, int Page, int Pages, double? PaperWidth, string Note);

/// <summary>A picture kept with a plan: what it takes in bytes, and when it was deleted (it can be brought back for 30 days).</summary>
public sealed record KeptPicture(Guid Id, string Name, int Size, DateTime? DeletedAt);

public static class PictureEndpoints
{
    public static void MapPictures(this RouteGroupBuilder api)
    {
        api.MapPost("/plans/{planId:guid}/pictures", AddAsync).NeedsRole(ProjectRole.Editor).WithName("addPicture");
        api.MapGet("/plans/{planId:guid}/pictures", ListAsync).NeedsRole(ProjectRole.Viewer).WithName("listPictures");
        api.MapGet("/plans/{planId:guid}/pictures/{pictureId:guid}", ShowAsync).NeedsRole(ProjectRole.Viewer).WithName("picture");
        api.MapDelete("/plans/{planId:guid}/pictures/{pictureId:guid}", DeleteAsync)
            .NeedsRole(ProjectRole.Editor)
            .WithName("deletePicture");
        api.MapPost("/plans/{planId:guid}/pictures/{pictureId:guid}/restore", RestoreAsync)
            .NeedsRole(ProjectRole.Editor)
            .WithName("restorePicture");
    }

    private static async Task<Results<Ok<PictureView>, ProblemHttpResult>> AddAsync(
        Guid planId,
        string? name,
        int? page,
        HttpRequest request,
        WellsedesContext context,
        CancellationToken cancel
    )
    {
        var title = name?.Trim() ?? "";
        if (title.Length == 0 || WellFormed.Text("name", title) is not null)
            return TypedResults.Problem("The picture's name must have 1 to 80 characters.", statusCode: 422);
        if (request.ContentLength > PictureIntake.LargestFile)
            return TypedResults.Problem(
                $"The file is larger than {PictureIntake.LargestFile / 1024 / 1024} MB, the most that is taken.",
                statusCode: 413
            );
        using var file = new MemoryStream();
        await request.Body.CopyToAsync(file, cancel);
        try
        {
            var taken = await TakenFile.FromAsync(file.ToArray(), page ?? 1, cancel);
            if (await TooFullAsync(planId, file.Length, context, cancel) is { } full)
                return TypedResults.Problem(full, statusCode: 422);
            var record = taken.Record(planId, Guid.CreateVersion7(), title, page ?? 1);
            context.Add(record);
            await context.SaveChangesAsync(cancel);
            return TypedResults.Ok(
                new PictureView(record.Id, title, record.Columns, record.Rows, record.Page, taken.Pages, record.PaperWidth, taken.Note)
            );
        }
        catch (PictureException e)
        {
            return TypedResults.Problem($"{title}: {e.Message}", statusCode: 422);
        }
    }

    /// <summary>What fills a plan when one more picture does not fit; null when it does. What fits can be exported and imported again.</summary>
    private static async Task<string?> TooFullAsync(Guid planId, long more, WellsedesContext context, CancellationToken cancel)
    {
        var kept = await context
            .Pictures.Where(p => p.PlanId == planId && p.DeletedAt == null)
            .Select(p => new { p.Name, Size = (long)p.File.Length })
            .ToArrayAsync(cancel);
        if (kept.Length < PlanFiles.MostPictures && kept.Sum(p => p.Size) + more <= PlanFiles.MostPictureBytes)
            return null;
        var largest = kept.OrderByDescending(p => p.Size).Take(3).Select(p => $"{p.Name} ({p.Size / 1048576.0:0.0} MB)");
        return $"A plan keeps at most {PlanFiles.MostPictures} pictures and {PlanFiles.MostPictureBytes / 1024 / 1024} MB of them; this one has {kept.Length} with {kept.Sum(p => p.Size) / 1048576.0:0.0} MB: {string.Join(", ", largest)}{(kept.Length > 3 ? " and others" : "")}. Delete one that is no longer used first.";
    }

    private static async Task<KeptPicture[]> ListAsync(Guid planId, WellsedesContext context, CancellationToken cancel) =>
        await context
            .Pictures.Where(p => p.PlanId == planId)
            .OrderBy(p => p.AddedAt)
            .Select(p => new KeptPicture(p.Id, p.Name, p.File.Length, p.DeletedAt))
            .ToArrayAsync(cancel);

    private static async Task<Results<NoContent, NotFound, ProblemHttpResult>> DeleteAsync(
        Guid planId,
        Guid pictureId,
        OpenPlans plans,
        WellsedesContext context,
        CancellationToken cancel
    )
    {
        var plan = (await plans.OpenAsync(planId)).Now.Plan;
        var used = plan.All<Backing>().FirstOrDefault(backing => backing.PictureId == pictureId.ToString());
        if (used is not null)
            return TypedResults.Problem($"“{used.Name}” lies beneath the plan; remove that backing first.", statusCode: 422);
        var gone = await context
            .Pictures.Where(p => p.PlanId == planId && p.Id == pictureId && p.DeletedAt == null)
            .ExecuteUpdateAsync(p => p.SetProperty(x => x.DeletedAt, DateTime.UtcNow), cancel);
        return gone == 0 ? TypedResults.NotFound() : TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, NotFound>> RestoreAsync(
        Guid planId,
        Guid pictureId,
        WellsedesContext context,
        CancellationToken cancel
    )
    {
        var back = await context
            .Pictures.Where(p => p.PlanId == planId && p.Id == pictureId && p.DeletedAt != null)
            .ExecuteUpdateAsync(p => p.SetProperty(x => x.DeletedAt, (DateTime?)null), cancel);
        return back == 0 ? TypedResults.NotFound() : TypedResults.NoContent();
    }

    /// <summary>The picture as it came; of a PDF its page. It never changes, so it may be kept.</summary>
    private static async Task<Results<FileContentHttpResult, NotFound>> ShowAsync(
        Guid planId,
        Guid pictureId,
        WellsedesContext context,
        HttpResponse response,
        CancellationToken cancel
    )
    {
        var picture = await context
            .Pictures.AsNoTracking()
            .Where(p => p.PlanId == planId && p.Id == pictureId)
            .Select(p => new { Shown = p.PagePng ?? p.File, p.MediaType })
            .FirstOrDefaultAsync(cancel);
        if (picture is null)
            return TypedResults.NotFound();
        response.Headers.CacheControl = "private, max-age=86400, immutable";
        return TypedResults.File(picture.Shown, picture.MediaType);
    }

    /// <summary>The pictures of a plan as a plan file carries them.</summary>
    public static async Task<FilePicture[]> OfPlanAsync(WellsedesContext context, Guid planId, CancellationToken cancel) =>
        await context
            .Pictures.AsNoTracking()
            .Where(p => p.PlanId == planId)
            .Select(p => new FilePicture(p.Id.ToString(), p.Name, p.Page, p.File))
            .ToArrayAsync(cancel);
}

/// <summary>A file that went through the intake.</summary>
public sealed record TakenFile(
    byte[] File,
    byte[]? PagePng,
    string MediaType,
    int Columns,
    int Rows,
    int Pages,
    double? PaperWidth,
    string Note
)
{
    /// <exception cref="PictureException">The file cannot be taken in.</exception>
    public static async Task<TakenFile> FromAsync(byte[] file, int page, CancellationToken cancel)
    {
        if (PictureIntake.IsPdf(file))
        {
            var pdf = await PdfPages.RenderAsync(file, page, cancel);
            var note = pdf.Scripts ? "The PDF holds scripts; they were not run." : "";
            return new TakenFile(file, pdf.Png, "image/png", pdf.Columns, pdf.Rows, pdf.Pages, pdf.PaperWidth, note);
        }
        var picture = await Task.Run(() => PictureIntake.Read(file), cancel);
        return new TakenFile(file, null, picture.MediaType, picture.Columns, picture.Rows, 1, null, "");
    }

    public PlanPicture Record(Guid planId, Guid id, string name, int page) =>
        new()
        {
            PlanId = planId,
            Id = id,
            Name = name,
            Page = page,
            File = File,
            PagePng = PagePng,
            MediaType = MediaType,
            Columns = Columns,
            Rows = Rows,
            PaperWidth = PaperWidth,
            AddedAt = DateTime.UtcNow,
        };
}

/// <summary>Brings a plan file into a project: the plan, and each of its pictures through the intake.</summary>
public static class PlanFileImport
{
    /// <exception cref="PlanFileException">The file or one of its pictures cannot be read; nothing was stored.</exception>
    /// <param name="demoFile">The name of the demo's file that it is, so that it can be put back; null for any other.</param>
    public static async Task<Guid> AddAsync(byte[] file, Guid projectId, PlanStore store, string? demoFile, CancellationToken cancel)
    {
        var (plan, pictures) = PlanFiles.ReadWhole(file);
        List<(TakenFile Taken, FilePicture Picture)> taken = [];
        foreach (var picture in pictures)
            try
            {
                taken.Add((await TakenFile.FromAsync(picture.File, picture.Page, cancel), picture));
            }
            catch (PictureException e)
            {
                throw new PlanFileException($"The picture \"{picture.Name}\" in the plan file: {e.Message}");
            }
        CheckWork(plan);
        return await store.AddAsync(
            projectId,
            plan,
            taken.Select(t =>
                (Func<Guid, PlanPicture>)(planId => t.Taken.Record(planId, Guid.Parse(t.Picture.Id), NameOf(t.Picture), t.Picture.Page))
            ),
            demoFile,
            cancel
        );
    }

    private static string NameOf(FilePicture picture) => picture.Name.Trim() is { Length: > 0 } given ? given : "Picture";

    /// <summary>A plan that cannot be worked out is not taken in.</summary>
    /// <exception cref="PlanFileException">It would take too many steps.</exception>
    private static void CheckWork(Plan plan)
    {
        try
        {
            var planner = new Planner();
            foreach (var scheme in plan.Schemes)
                planner.StateOf(plan, scheme.Id, plan.FirstLevel.Id);
        }
        catch (TooMuchWorkException e)
        {
            throw new PlanFileException(e.Message);
        }
    }
}
