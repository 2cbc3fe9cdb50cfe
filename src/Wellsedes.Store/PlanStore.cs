using System.Collections.Immutable;
using System.Text.Json;
using System.Text.Json.Nodes;
using Microsoft.EntityFrameworkCore;
using Wellsedes.Core.Plans;

namespace Wellsedes.Store;

/// <summary>A plan as stored: its entities, its log and its newest revision.</summary>
/// <param name="Broken">Why the plan is not as its log says, when a change in it could not be replayed; it stands before that change.</param>
public sealed record StoredPlan(
    Plan Plan,
    History History,
    long Revision,
    ImmutableDictionary<string, string> AuthorNames,
    string? Broken = null
);

/// <summary>Somebody else wrote to the plan first.</summary>
public sealed class PlanRevisionClashException() : Exception("The plan was changed elsewhere at the same moment; try again.");

/// <summary>Keeps plans in PostgreSQL: every change in the log before it is acknowledged, a snapshot every so many.</summary>
public sealed class PlanStore(IDbContextFactory<WellsedesContext> contexts, JsonSerializerOptions json, Library library)
{
    public const int ChangesPerSnapshot = 100;

    /// <summary>Adds a plan to a project with all its entities as its first snapshot, and its pictures: all or nothing.</summary>
    public async Task<Guid> AddAsync(
        Guid projectId,
        Plan plan,
        IEnumerable<Func<Guid, PlanPicture>>? pictures = null,
        string? demoFile = null,
        CancellationToken cancel = default
    )
    {
        await using var context = await contexts.CreateDbContextAsync(cancel);
        var record = new PlanRecord
        {
            Id = Guid.CreateVersion7(),
            ProjectId = projectId,
            Title = plan.Details.Title,
            ChangedAt = DateTime.UtcNow,
            DemoFile = demoFile,
        };
        context.Add(record);
        context.Add(Snapshot(record.Id, 0, plan));
        context.AddRange((pictures ?? []).Select(picture => picture(record.Id)));
        await context.SaveChangesAsync(cancel);
        return record.Id;
    }

    /// <summary>
    /// The plan from its newest snapshot and what came after, with the newest of its log; null when there is none. What cannot
    /// be replayed is left off and said, so that every plan opens.
    /// </summary>
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
        var entities = Read(snapshot, out var firstLevel);
        var changes = await ChangesAsync(context, planId, snapshot, cancel);
        var log = new LogReader(json, firstLevel);
        string? broken = null;
        foreach (var change in changes.Where(c => c.Revision <= snapshot.Revision))
            log.Add(change);
        var versions = snapshot.Versions is { } stored
            ? JsonSerializer.Deserialize<Dictionary<string, long>>(stored)!
            : log.Versions.ToDictionary(pair => pair.Key, pair => pair.Value);
        var plan = Plan.Of(entities, library, versions);
        foreach (var change in changes.Where(c => c.Revision > snapshot.Revision))
        {
            try
            {
                var logged = log.Read(change);
                if (!plan.TryApply(logged.Change, out plan, out var clashes))
                    broken = $"Revision {change.Revision} ({change.Label}) does not fit: {string.Join(", ", clashes)}.";
                else
                    log.Add(logged);
            }
            catch (Exception e) when (e is JsonException or NotSupportedException or InvalidOperationException or ArgumentException)
            {
                broken = $"Revision {change.Revision} ({change.Label}) cannot be read.";
            }
            if (broken is not null)
                break;
        }
        var authors = changes.Select(c => c.AuthorId).Distinct().ToArray();
        var names = await context
            .Users.Where(p => authors.Contains(p.Id))
            .ToDictionaryAsync(p => p.Id.ToString(), p => p.DisplayName, cancel);
        return new StoredPlan(
            plan,
            log.History,
            changes.Count == 0 ? snapshot.Revision : changes[^1].Revision,
            names.ToImmutableDictionary(),
            broken
        );
    }

    /// <summary>What is in a snapshot; one of an earlier format is raised to this one.</summary>
    /// <param name="firstLevel">The id of the first level, which changes of earlier formats do not say; "" where it is not asked for.</param>
    private Entity[] Read(PlanSnapshot snapshot, out string firstLevel)
    {
        firstLevel = "";
        if (snapshot.Format == PlanFormat.Version)
            return JsonSerializer.Deserialize<Entity[]>(snapshot.Entities, json)!;
        var entities = JsonNode.Parse(snapshot.Entities)!.AsArray();
        firstLevel = PlanFormat.FirstLevel(entities);
        PlanFormat.Raise(entities, snapshot.Format);
        return entities.Deserialize<Entity[]>(json)!;
    }

    /// <summary>
    /// The changes since a snapshot, and before it as many as can be undone; all of them where entities' versions follow only
    /// from the whole log, as in plans of earlier formats.
    /// </summary>
    private static async Task<List<PlanChange>> ChangesAsync(
        WellsedesContext context,
        Guid planId,
        PlanSnapshot snapshot,
        CancellationToken cancel
    )
    {
        var all = context.Changes.AsNoTracking().Where(c => c.PlanId == planId).OrderBy(c => c.Revision);
        if (snapshot.Versions is not null)
        {
            var newest = await all.Where(c => c.Revision > snapshot.Revision - History.Kept).ToListAsync(cancel);
            if (newest.TrueForAll(change => change.Format == PlanFormat.Version))
                return newest;
        }
        return await all.ToListAsync(cancel);
    }

    /// <summary>What the project of a plan is called.</summary>
    public async Task<string> ProjectNameAsync(Guid planId, CancellationToken cancel = default)
    {
        await using var context = await contexts.CreateDbContextAsync(cancel);
        return await context.Plans.Where(plan => plan.Id == planId).Select(plan => plan.Project!.Name).FirstAsync(cancel);
    }

    /// <summary>Writes changes, one after another. When this returns all are on disk; when it throws, all or none.</summary>
    /// <param name="after">The plan after the last of them.</param>
    /// <exception cref="PlanRevisionClashException">The plan is no longer at the revision before the first.</exception>
    public async Task AppendAsync(Guid planId, IReadOnlyList<LoggedChange> changes, Plan after, CancellationToken cancel = default)
    {
        var last = changes[^1].Revision;
        await using var context = await contexts.CreateDbContextAsync(cancel);
        var record = new PlanRecord
        {
            Id = planId,
            Title = "",
            Revision = changes[0].Revision - 1,
        };
        context.Attach(record);
        record.Title = after.Details.Title;
        record.Revision = last;
        record.ChangedAt = DateTime.UtcNow;
        context.AddRange(
            changes.Select(logged => new PlanChange
            {
                PlanId = planId,
                Revision = logged.Revision,
                AuthorId = Guid.Parse(logged.Author),
                MadeAt = DateTime.UtcNow,
                Label = logged.Change.Label,
                Content = JsonSerializer.Serialize(logged.Change, json),
                Format = PlanFormat.Version,
                Undoes = logged.Undoes,
                Redoes = logged.Redoes,
                Request = logged.Request,
            })
        );
        if (last / ChangesPerSnapshot > (changes[0].Revision - 1) / ChangesPerSnapshot)
            context.Add(Snapshot(planId, last, after));
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
            Versions = JsonSerializer.Serialize(plan.Versions),
            Format = PlanFormat.Version,
        };
}
