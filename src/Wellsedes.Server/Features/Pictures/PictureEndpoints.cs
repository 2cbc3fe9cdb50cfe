using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Http.Metadata;
using Microsoft.EntityFrameworkCore;
using Wellsedes.Formats.Pictures;
using Wellsedes.Formats.PlanFile;
using Wellsedes.Server.Security;
using Wellsedes.Store;

namespace Wellsedes.Server.Features.Pictures;

/// <summary>A picture taken in, ready to be laid beneath a plan. Note tells what the planner should know of the file; "" for nothing.</summary>
public sealed record PictureView(Guid Id, string Name, int Columns, int Rows, int Page, int Pages, double? PaperWidth, string Note);

public static class PictureEndpoints
{
    /// <summary>The most a plan's pictures take together, in bytes.</summary>
    private const long MostForPlan = 400L * 1024 * 1024;

    public static void MapPictures(this RouteGroupBuilder api)
    {
        api.MapPost("/plans/{planId:guid}/pictures", AddAsync).NeedsRole(ProjectRole.Editor).WithName("addPicture");
        api.MapGet("/plans/{planId:guid}/pictures/{pictureId:guid}", ShowAsync).NeedsRole(ProjectRole.Viewer).WithName("picture");
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
        if (title.Length is 0 or > 80 || title.Any(char.IsControl))
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
            var used = await context.Pictures.Where(p => p.PlanId == planId).SumAsync(p => (long)p.File.Length, cancel);
            if (used + file.Length > MostForPlan)
                return TypedResults.Problem(
                    $"The pictures of this plan would take more than {MostForPlan / 1024 / 1024} MB; remove one first.",
                    statusCode: 422
                );
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
    public static async Task<Guid> AddAsync(
        byte[] file,
        Guid projectId,
        PlanStore store,
        WellsedesContext context,
        CancellationToken cancel
    )
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
        var planId = await store.AddAsync(projectId, plan, cancel);
        foreach (var (one, picture) in taken)
        {
            var name = picture.Name.Trim() is { Length: > 0 and <= 80 } given ? given : "Picture";
            context.Add(one.Record(planId, Guid.Parse(picture.Id), name, picture.Page));
        }
        await context.SaveChangesAsync(cancel);
        return planId;
    }
}
