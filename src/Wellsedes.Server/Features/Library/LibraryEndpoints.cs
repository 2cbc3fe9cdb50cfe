using System.Security.Claims;
using System.Text.Json;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Editing;
using Wellsedes.Core.KindsOfThing;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Core.Units;
using Wellsedes.Formats.Pictures;
using Wellsedes.Formats.PlanFile;
using Wellsedes.Server.Security;
using Wellsedes.Store;

namespace Wellsedes.Server.Features.Library;

/// <summary>A rule as the project's library has it now.</summary>
public sealed record LibraryRule(SourcedValue Rule, long Revision);

/// <summary>An own item as the project's library has it now.</summary>
public sealed record LibraryItem(CatalogueItem Item, long Revision);

/// <summary>
/// The own items and rules of a project, with a log of their own. A plan carries copies of those it uses; taking the library's newest
/// into a plan is an ordinary edit (put-own-item, put-own-rule).
/// </summary>
public static class LibraryEndpoints
{
    public static void MapLibrary(this RouteGroupBuilder api)
    {
        api.MapGet("/projects/{projectId:guid}/library", ListAsync).NeedsRole(ProjectRole.Viewer).WithName("listLibrary");
        api.MapPut("/projects/{projectId:guid}/library/{key}", PutAsync).NeedsRole(ProjectRole.Editor).WithName("putLibraryItem");
        api.MapDelete("/projects/{projectId:guid}/library/{key}", RemoveAsync).NeedsRole(ProjectRole.Editor).WithName("removeLibraryItem");
        api.MapGet("/projects/{projectId:guid}/library-file", FileAsync).NeedsRole(ProjectRole.Viewer).WithName("exportLibrary");
        api.MapPost("/projects/{projectId:guid}/library-file", TakeInAsync).NeedsRole(ProjectRole.Editor).WithName("importLibrary");
        api.MapGet("/projects/{projectId:guid}/library-rules", ListRulesAsync).NeedsRole(ProjectRole.Viewer).WithName("listLibraryRules");
        api.MapPut("/projects/{projectId:guid}/library-rules/{key}", PutRuleAsync).NeedsRole(ProjectRole.Editor).WithName("putLibraryRule");
        api.MapDelete("/projects/{projectId:guid}/library-rules/{key}", RemoveRuleAsync)
            .NeedsRole(ProjectRole.Editor)
            .WithName("removeLibraryRule");
    }

    /// <summary>Rules stand in the same log; no id of an item holds a colon.</summary>
    private const string RulePrefix = "rule:";

    /// <summary>What the library holds now: the newest of each key that was not taken out.</summary>
    private static async Task<IEnumerable<LibraryChange>> NowAsync(
        Guid projectId,
        bool rules,
        WellsedesContext context,
        CancellationToken cancel
    )
    {
        var log = await context.Library.AsNoTracking().Where(c => c.ProjectId == projectId).OrderBy(c => c.Revision).ToListAsync(cancel);
        return log.Where(change => change.Key.StartsWith(RulePrefix, StringComparison.Ordinal) == rules)
            .GroupBy(change => change.Key)
            .Select(group => group.Last())
            .Where(change => change.Content is not null);
    }

    private static async Task<LibraryRule[]> ListRulesAsync(Guid projectId, WellsedesContext context, CancellationToken cancel) =>
        [
            .. (await NowAsync(projectId, true, context, cancel))
                .Select(change => new LibraryRule(
                    JsonSerializer.Deserialize<SourcedValue>(change.Content!, PlanJson.Options)!,
                    change.Revision
                ))
                .OrderBy(rule => rule.Rule.Key, StringComparer.Ordinal),
        ];

    private static async Task<Results<Ok<LibraryRule>, ProblemHttpResult>> PutRuleAsync(
        Guid projectId,
        string key,
        SourcedValue rule,
        ClaimsPrincipal person,
        WellsedesContext context,
        CancellationToken cancel
    )
    {
        rule = rule with { Key = key };
        return Refused(new OwnRule("rule", rule)) is { } refused ? refused
            : await LogAsync(projectId, RulePrefix + key, rule, person, context, cancel) is { } made
                ? TypedResults.Ok(new LibraryRule(rule, made))
            : Quicker();
    }

    private static Task<Results<NoContent, ProblemHttpResult>> RemoveRuleAsync(
        Guid projectId,
        string key,
        ClaimsPrincipal person,
        WellsedesContext context,
        CancellationToken cancel
    ) => TakeOutAsync(projectId, key, RulePrefix + key, person, context, cancel);

    private static async Task<LibraryItem[]> ListAsync(Guid projectId, WellsedesContext context, CancellationToken cancel) =>
        [.. (await ItemsAsync(projectId, context, cancel)).OrderBy(item => item.Item.Name, StringComparer.OrdinalIgnoreCase)];

    /// <summary>The own items of a project as its library has them now.</summary>
    internal static async Task<IEnumerable<LibraryItem>> ItemsAsync(Guid projectId, WellsedesContext context, CancellationToken cancel) =>
        (await NowAsync(projectId, false, context, cancel)).Select(change => new LibraryItem(
            JsonSerializer.Deserialize<CatalogueItem>(change.Content!, PlanJson.Options)!,
            change.Revision
        ));

    /// <summary>The own items of a project as a file.</summary>
    private static async Task<FileContentHttpResult> FileAsync(Guid projectId, WellsedesContext context, CancellationToken cancel) =>
        TypedResults.File(
            OwnItemFile.Write((await ItemsAsync(projectId, context, cancel)).Select(item => item.Item)),
            "application/json",
            "own-items.wellsedes.json"
        );

    /// <summary>Takes the items of a file into the project: all of them, or none.</summary>
    private static async Task<Results<Ok<LibraryItem[]>, ProblemHttpResult>> TakeInAsync(
        Guid projectId,
        HttpRequest request,
        ClaimsPrincipal person,
        WellsedesContext context,
        CancellationToken cancel
    )
    {
        try
        {
            var items = OwnItemFile.Read(await Body.ReadAsync(request, OwnItemFile.LargestFile, cancel));
            await using var whole = await context.Database.BeginTransactionAsync(cancel);
            foreach (var item in items)
                if (await LogAsync(projectId, item.Key, item, person, context, cancel) is null)
                    return Quicker();
            await whole.CommitAsync(cancel);
            return TypedResults.Ok(await ListAsync(projectId, context, cancel));
        }
        catch (PlanFileException e)
        {
            return TypedResults.Problem(e.Message, statusCode: 422);
        }
    }

    private static async Task<Results<Ok<LibraryItem>, ProblemHttpResult>> PutAsync(
        Guid projectId,
        string key,
        CatalogueItem item,
        ClaimsPrincipal person,
        WellsedesContext context,
        CancellationToken cancel
    )
    {
        return Refused(new OwnItem(key, item)) is { } refused ? refused
            : await LogAsync(projectId, key, item, person, context, cancel) is { } made ? TypedResults.Ok(new LibraryItem(item, made))
            : Quicker();
    }

    private static Task<Results<NoContent, ProblemHttpResult>> RemoveAsync(
        Guid projectId,
        string key,
        ClaimsPrincipal person,
        WellsedesContext context,
        CancellationToken cancel
    ) => TakeOutAsync(projectId, key, key, person, context, cancel);

    private static async Task<Results<NoContent, ProblemHttpResult>> TakeOutAsync(
        Guid projectId,
        string key,
        string logged,
        ClaimsPrincipal person,
        WellsedesContext context,
        CancellationToken cancel
    ) =>
        !WellFormed.IsId(key) ? TypedResults.Problem("This is nothing of the library.", statusCode: 422)
        : await LogAsync<object>(projectId, logged, null, person, context, cancel) is not null ? TypedResults.NoContent()
        : Quicker();

    /// <summary>Held against an empty plan by the same guard as everywhere; null when nothing is wrong.</summary>
    internal static ProblemHttpResult? Refused(Entity entity) =>
        (
            PlanChecks.OfEntity(Plan.Of(PlanStart.Entities("Library", UnitSystem.Metric), Shipped.Library), entity)
            ?? OwnPictures.Wrong(entity)
        )
            is { } problem
            ? TypedResults.Problem(problem.Message, statusCode: 422)
            : null;

    private static ProblemHttpResult Quicker() =>
        TypedResults.Problem("Somebody has just changed the library; look at it and try again.", statusCode: 409);

    /// <summary>The revision a change got; null when somebody else was quicker.</summary>
    private static async Task<long?> LogAsync<T>(
        Guid projectId,
        string key,
        T? content,
        ClaimsPrincipal person,
        WellsedesContext context,
        CancellationToken cancel
    )
        where T : class
    {
        var revision = 1 + (await context.Library.Where(c => c.ProjectId == projectId).MaxAsync(c => (long?)c.Revision, cancel) ?? 0);
        context.Add(
            new LibraryChange
            {
                ProjectId = projectId,
                Revision = revision,
                AuthorId = person.Id(),
                MadeAt = DateTime.UtcNow,
                Key = key,
                Content = content is null ? null : JsonSerializer.Serialize(content, PlanJson.Options),
            }
        );
        try
        {
            await context.SaveChangesAsync(cancel);
            return revision;
        }
        catch (DbUpdateException e) when (e.InnerException is Npgsql.PostgresException { SqlState: "23505" })
        {
            return null;
        }
    }
}
