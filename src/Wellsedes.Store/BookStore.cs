using System.Text.Json;
using System.Text.Json.Nodes;
using Microsoft.EntityFrameworkCore;
using Wellsedes.Core.Plans;

namespace Wellsedes.Store;

/// <summary>The books a project keeps, read: books and what is taken otherwise.</summary>
public sealed record KeptBooks(PlanBook[] Books, RuleChange[] Changes, string By, DateTime At);

/// <summary>Keeps the rulebooks of projects in PostgreSQL: new plans begin with them, others are held against them when somebody says so.</summary>
public sealed class BookStore(IDbContextFactory<WellsedesContext> contexts, JsonSerializerOptions json)
{
    /// <summary>Null where the project keeps none.</summary>
    public async Task<KeptBooks?> OfProjectAsync(Guid projectId, CancellationToken cancel = default)
    {
        await using var context = await contexts.CreateDbContextAsync(cancel);
        if (await context.Books.AsNoTracking().FirstOrDefaultAsync(b => b.ProjectId == projectId, cancel) is not { } stored)
            return null;
        var entities = JsonNode.Parse(stored.Entities)!.AsArray();
        PlanFormat.Raise(entities, stored.Format);
        var all = entities.Deserialize<Entity[]>(json)!;
        return new KeptBooks([.. all.OfType<PlanBook>()], [.. all.OfType<RuleChange>()], stored.KeptBy, stored.KeptAt);
    }

    /// <summary>Keeps the books of a plan for its project; those of a plan without any take away what the project kept.</summary>
    public async Task KeepAsync(Guid projectId, Plan plan, string by, CancellationToken cancel = default)
    {
        await using var context = await contexts.CreateDbContextAsync(cancel);
        var stored = await context.Books.FirstOrDefaultAsync(b => b.ProjectId == projectId, cancel);
        if (!plan.All<PlanBook>().Any())
        {
            if (stored is not null)
                context.Remove(stored);
        }
        else
        {
            if (stored is null)
                context.Add(
                    stored = new ProjectBooks
                    {
                        ProjectId = projectId,
                        Entities = "",
                        KeptBy = "",
                    }
                );
            stored.Entities = JsonSerializer.Serialize(plan.All<PlanBook>().Concat<Entity>(plan.All<RuleChange>()).ToArray(), json);
            stored.Format = PlanFormat.Version;
            stored.KeptBy = by;
            stored.KeptAt = DateTime.UtcNow;
        }
        await context.SaveChangesAsync(cancel);
    }
}
