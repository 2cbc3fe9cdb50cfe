using System.Security.Claims;
using Microsoft.EntityFrameworkCore;
using Wellsedes.Store;

namespace Wellsedes.Server.Security;

/// <summary>What a person may do in a project or with a plan of it; null when they are not part of it, or it was deleted.</summary>
public sealed class Roles(IDbContextFactory<WellsedesContext> contexts)
{
    /// <param name="deleted">Whether a deleted project is asked about too, to bring it back.</param>
    public async Task<ProjectRole?> InProjectAsync(Guid projectId, Guid personId, CancellationToken cancel, bool deleted = false)
    {
        await using var context = await contexts.CreateDbContextAsync(cancel);
        return await context
            .Members.Where(member =>
                member.ProjectId == projectId && member.PersonId == personId && (deleted || member.Project!.DeletedAt == null)
            )
            .Select(member => (ProjectRole?)member.Role)
            .FirstOrDefaultAsync(cancel);
    }

    public async Task<ProjectRole?> ForPlanAsync(Guid planId, Guid personId, CancellationToken cancel)
    {
        await using var context = await contexts.CreateDbContextAsync(cancel);
        return await context
            .Plans.Where(plan => plan.Id == planId && plan.DeletedAt == null && plan.Project!.DeletedAt == null)
            .SelectMany(plan => plan.Project!.Members)
            .Where(member => member.PersonId == personId)
            .Select(member => (ProjectRole?)member.Role)
            .FirstOrDefaultAsync(cancel);
    }

    public async Task<Guid> ProjectOfAsync(Guid planId, CancellationToken cancel)
    {
        await using var context = await contexts.CreateDbContextAsync(cancel);
        return await context.Plans.Where(plan => plan.Id == planId).Select(plan => plan.ProjectId).FirstAsync(cancel);
    }
}

public static class People
{
    public static Guid Id(this ClaimsPrincipal person) => Guid.Parse(person.FindFirstValue(ClaimTypes.NameIdentifier)!);
}
