using System.Collections.Immutable;
using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using Wellsedes.Core.Plans;

namespace Wellsedes.Store;

/// <summary>A plan as stored: its entities, its log and its newest revision.</summary>
public sealed record StoredPlan(Plan Plan, History History, long Revision, ImmutableDictionary<string, string> AuthorNames);

/// <summary>Somebody else wrote to the plan first.</summary>
public sealed class PlanRevisionClashException() : Exception("The plan was changed elsewhere at the same moment; try again.");

/// <summary>Keeps plans in PostgreSQL: every change in the log before it is acknowledged, a snapshot every so many.</summary>
public sealed class PlanStore(IDbContextFactory<WellsedesContext> contexts, JsonSerializerOptions json)
{
    public const int ChangesPerSnapshot = 100;

    /// <summary>Adds a plan to a project with all its entities as its first snapshot.</summary>
    public async Task<Guid> AddAsync(Guid projectId, Plan plan, CancellationToken cancel = default)
    {
        await using var context = await contexts.CreateDbContextAsync(cancel);
        var record = new PlanRecord
        {
            Id = Guid.CreateVersion7(),
            ProjectId = projectId,
            Title = plan.Details.Title,
            ChangedAt = DateTime.UtcNow,
        };
        context.Add(record);
        context.Add(Snapshot(record.Id, 0, plan));
        await context.SaveChangesAsync(cancel);
        return record.Id;
    }

    /// <summary>The plan from its newest snapshot and what came after, with its whole log; null when there is none.</summary>
    public async Task<StoredPlan?> LoadAsync(Guid planId, CancellationToken cancel = default)
    {
        await using var context = await contexts.CreateDbContextAsync(cancel);
        var snapshot = await context
            .Snapshots.AsNoTracking()
            .Where(s => s.PlanId == planId)
            .OrderByDescending(s => s.Revision)
            .FirstOrDefaultAsync(cancel);
        if (snapshot is null)
            return null;
        var plan = Plan.Of(JsonSerializer.Deserialize<Entity[]>(snapshot.Entities, json)!);
        var changes = await context.Changes.AsNoTracking().Where(c => c.PlanId == planId).OrderBy(c => c.Revision).ToListAsync(cancel);
        var log = ImmutableArray.CreateBuilder<LoggedChange>(changes.Count);
        foreach (var change in changes)
        {
            var content = JsonSerializer.Deserialize<Change>(change.Content, json)!;
            log.Add(new LoggedChange(change.Revision, change.AuthorId.ToString(), content, change.Undoes, change.Redoes));
            if (change.Revision <= snapshot.Revision)
                continue;
            if (!plan.TryApply(content, out plan, out var clashes))
                throw new InvalidOperationException(
                    $"Revision {change.Revision} of plan {planId} does not fit: {string.Join(", ", clashes)}."
                );
        }
        var authors = changes.Select(c => c.AuthorId).Distinct().ToArray();
        var names = await context
            .Users.Where(p => authors.Contains(p.Id))
            .ToDictionaryAsync(p => p.Id.ToString(), p => p.DisplayName, cancel);
        return new StoredPlan(
            plan,
            new History(log.ToImmutable()),
            changes.Count == 0 ? snapshot.Revision : changes[^1].Revision,
            names.ToImmutableDictionary()
        );
    }

    /// <summary>Writes one change. When this returns the change is on disk; when it throws nothing is.</summary>
    /// <exception cref="PlanRevisionClashException">The plan is no longer at the revision before this one.</exception>
    public async Task AppendAsync(Guid planId, LoggedChange logged, Plan after, CancellationToken cancel = default)
    {
        await using var context = await contexts.CreateDbContextAsync(cancel);
        var record = new PlanRecord
        {
            Id = planId,
            Title = "",
            Revision = logged.Revision - 1,
        };
        context.Attach(record);
        record.Title = after.Details.Title;
        record.Revision = logged.Revision;
        record.ChangedAt = DateTime.UtcNow;
        context.Add(
            new PlanChange
            {
                PlanId = planId,
                Revision = logged.Revision,
                AuthorId = Guid.Parse(logged.Author),
                MadeAt = DateTime.UtcNow,
                Label = logged.Change.Label,
                Content = JsonSerializer.Serialize(logged.Change, json),
                Undoes = logged.Undoes,
                Redoes = logged.Redoes,
            }
        );
        if (logged.Revision % ChangesPerSnapshot == 0)
            context.Add(Snapshot(planId, logged.Revision, after));
        try
        {
            await context.SaveChangesAsync(cancel);
        }
        catch (DbUpdateConcurrencyException)
        {
            throw new PlanRevisionClashException();
        }
        catch (DbUpdateException e) when (e.InnerException is Npgsql.PostgresException { SqlState: "23505" })
        {
            throw new PlanRevisionClashException();
        }
    }

    private PlanSnapshot Snapshot(Guid planId, long revision, Plan plan) =>
        new()
        {
            PlanId = planId,
            Revision = revision,
            Entities = JsonSerializer.Serialize(plan.Entities.Values.OrderBy(e => e.Id, StringComparer.Ordinal).ToArray(), json),
        };
}
