using Microsoft.EntityFrameworkCore;

namespace Wellsedes.Store;

/// <summary>Deleted plans, projects and pictures: kept for a while so that they can be brought back, then gone for good.</summary>
public static class Bin
{
    /// <summary>How long what was deleted can be brought back.</summary>
    public static readonly TimeSpan Kept = TimeSpan.FromDays(30);

    /// <summary>Removes what was deleted longer ago than it is kept; answers how many plans, projects and pictures went.</summary>
    public static async Task<int> EmptyAsync(WellsedesContext context, DateTime now, CancellationToken cancel)
    {
        var since = now - Kept;
        await using var transaction = await context.Database.BeginTransactionAsync(cancel);
        var projects = await context.Projects.Where(p => p.DeletedAt < since).Select(p => p.Id).ToArrayAsync(cancel);
        var plans = await context
            .Plans.Where(p => p.DeletedAt < since || projects.Contains(p.ProjectId))
            .Select(p => p.Id)
            .ToArrayAsync(cancel);
        var pictures = await context.Pictures.Where(p => p.DeletedAt < since || plans.Contains(p.PlanId)).ExecuteDeleteAsync(cancel);
        await context.Issued.Where(i => plans.Contains(i.PlanId)).ExecuteDeleteAsync(cancel);
        await context.Taken.Where(t => plans.Contains(t.PlanId)).ExecuteDeleteAsync(cancel);
        await context.Changes.Where(c => plans.Contains(c.PlanId)).ExecuteDeleteAsync(cancel);
        await context.Snapshots.Where(s => plans.Contains(s.PlanId)).ExecuteDeleteAsync(cancel);
        await context.Plans.Where(p => plans.Contains(p.Id)).ExecuteDeleteAsync(cancel);
        await context.Library.Where(c => projects.Contains(c.ProjectId)).ExecuteDeleteAsync(cancel);
        await context.Members.Where(m => projects.Contains(m.ProjectId)).ExecuteDeleteAsync(cancel);
        await context.Projects.Where(p => projects.Contains(p.Id)).ExecuteDeleteAsync(cancel);
        await transaction.CommitAsync(cancel);
        return projects.Length + plans.Length + pictures;
    }
}
