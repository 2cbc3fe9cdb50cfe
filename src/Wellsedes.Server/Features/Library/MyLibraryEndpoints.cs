using System.Security.Claims;
using System.Text.Json;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Plans;
using Wellsedes.Formats.PlanFile;
using Wellsedes.Server.Security;
using Wellsedes.Store;

namespace Wellsedes.Server.Features.Library;

/// <summary>
/// The own items somebody keeps for all of their projects. Nobody else sees them; a plan that uses one carries its own copy, so that
/// others see what stands there.
/// </summary>
public static class MyLibraryEndpoints
{
    public static void MapMyLibrary(this RouteGroupBuilder api)
    {
        api.MapGet("/my-library", ListAsync).WithName("listMyLibrary");
        api.MapPut("/my-library/{key}", PutAsync).WithName("putMyLibraryItem");
        api.MapDelete("/my-library/{key}", RemoveAsync).WithName("removeMyLibraryItem");
        api.MapGet("/my-library-file", FileAsync).WithName("exportMyLibrary");
        api.MapPost("/my-library-file", TakeInAsync).WithName("importMyLibrary");
    }

    private static Task<CatalogueItem[]> ListAsync(ClaimsPrincipal person, WellsedesContext context, CancellationToken cancel) =>
        ItemsAsync(person.Id(), context, cancel);

    /// <summary>What somebody keeps, by name.</summary>
    internal static async Task<CatalogueItem[]> ItemsAsync(Guid personId, WellsedesContext context, CancellationToken cancel)
    {
        var kept = await context.OwnedItems.AsNoTracking().Where(item => item.PersonId == personId).ToListAsync(cancel);
        return
        [
            .. kept.Select(item => JsonSerializer.Deserialize<CatalogueItem>(item.Content, PlanJson.Options)!)
                .OrderBy(item => item.Name, StringComparer.OrdinalIgnoreCase),
        ];
    }

    private static async Task<Results<Ok<CatalogueItem>, ProblemHttpResult>> PutAsync(
        string key,
        CatalogueItem item,
        ClaimsPrincipal person,
        WellsedesContext context,
        CancellationToken cancel
    )
    {
        if (LibraryEndpoints.Refused(new OwnItem(key, item)) is { } refused)
            return refused;
        if (await KeepAsync(person.Id(), [item], context, cancel) is { } full)
            return full;
        return TypedResults.Ok(item);
    }

    private static async Task<NoContent> RemoveAsync(string key, ClaimsPrincipal person, WellsedesContext context, CancellationToken cancel)
    {
        var id = person.Id();
        await context.OwnedItems.Where(item => item.PersonId == id && item.Key == key).ExecuteDeleteAsync(cancel);
        return TypedResults.NoContent();
    }

    private static async Task<FileContentHttpResult> FileAsync(
        ClaimsPrincipal person,
        WellsedesContext context,
        CancellationToken cancel
    ) =>
        TypedResults.File(
            OwnItemFile.Write(await ItemsAsync(person.Id(), context, cancel)),
            "application/json",
            "my-own-items.wellsedes.json"
        );

    /// <summary>Keeps the items of a file: all of them, or none.</summary>
    private static async Task<Results<Ok<CatalogueItem[]>, ProblemHttpResult>> TakeInAsync(
        HttpRequest request,
        ClaimsPrincipal person,
        WellsedesContext context,
        CancellationToken cancel
    )
    {
        try
        {
            var items = OwnItemFile.Read(await Body.ReadAsync(request, OwnItemFile.LargestFile, cancel));
            if (await KeepAsync(person.Id(), items, context, cancel) is { } full)
                return full;
            return TypedResults.Ok(await ItemsAsync(person.Id(), context, cancel));
        }
        catch (PlanFileException e)
        {
            return TypedResults.Problem(e.Message, statusCode: 422);
        }
    }

    /// <summary>Keeps items, each under its key; what is wrong where they are too many.</summary>
    private static async Task<ProblemHttpResult?> KeepAsync(
        Guid personId,
        IReadOnlyCollection<CatalogueItem> items,
        WellsedesContext context,
        CancellationToken cancel
    )
    {
        var kept = await context.OwnedItems.Where(item => item.PersonId == personId).ToDictionaryAsync(item => item.Key, cancel);
        if (kept.Keys.Union(items.Select(item => item.Key)).Count() > OwnItemFile.MostItems)
            return TypedResults.Problem(
                $"Somebody keeps at most {OwnItemFile.MostItems} own items; remove some first, or keep them with a project.",
                statusCode: 422
            );
        foreach (var item in items)
        {
            if (!kept.TryGetValue(item.Key, out var record))
                context.Add(
                    record = new OwnedItem
                    {
                        PersonId = personId,
                        Key = item.Key,
                        Content = "",
                    }
                );
            record.Content = JsonSerializer.Serialize(item, PlanJson.Options);
            record.KeptAt = DateTime.UtcNow;
        }
        await context.SaveChangesAsync(cancel);
        return null;
    }
}
