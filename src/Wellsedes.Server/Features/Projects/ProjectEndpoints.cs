using System.Security.Claims;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using Wellsedes.Core.KindsOfThing;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Units;
using Wellsedes.Formats.PlanFile;
using Wellsedes.Server.Features.Pictures;
using Wellsedes.Server.Features.Plans;
using Wellsedes.Server.Security;
using Wellsedes.Store;

namespace Wellsedes.Server.Features.Projects;

public sealed record ProjectView(Guid Id, string Name, ProjectRole Role, PlanEntry[] Plans, PlanEntry[] DeletedPlans, MemberView[] Members);

/// <summary>A deleted project: it can be brought back until it is gone for good.</summary>
public sealed record DeletedProject(Guid Id, string Name, DateTime DeletedAt);

/// <param name="Revision">Its newest, which its picture shows.</param>
/// <param name="IsDemo">Whether it came with the demo and can be put back as it was.</param>
public sealed record PlanEntry(Guid Id, string Title, long Revision, DateTime ChangedAt, bool Archived, bool IsDemo, DateTime? DeletedAt);

/// <param name="Email">Told to owners alone, who change what members may do.</param>
public sealed record MemberView(Guid PersonId, string Name, string Email, ProjectRole Role);

public sealed record NewProject(string Name);

public sealed record NewPlan(string Title, UnitSystem Units);

public sealed record NewMember(string Email, ProjectRole Role);

public sealed record PlanMade(Guid Id);

public static class ProjectEndpoints
{
    public static void MapProjects(this RouteGroupBuilder api)
    {
        api.MapGet("/projects", ListAsync).WithName("listProjects");
        api.MapPost("/projects", AddAsync).WithName("addProject");
        api.MapPost("/projects/{projectId:guid}/members", AddMemberAsync).NeedsRole(ProjectRole.Owner).WithName("addMember");
        api.MapDelete("/projects/{projectId:guid}/members/{personId:guid}", RemoveMemberAsync)
            .NeedsRole(ProjectRole.Owner)
            .WithName("removeMember");
        api.MapGet("/deleted-projects", ListDeletedAsync).WithName("listDeletedProjects");
        api.MapDelete("/projects/{projectId:guid}", DeleteAsync).NeedsRole(ProjectRole.Owner).WithName("deleteProject");
        api.MapPost("/projects/{projectId:guid}/restore", RestoreAsync)
            .NeedsRole(ProjectRole.Owner, deleted: true)
            .WithName("restoreProject");
        api.MapDelete("/plans/{planId:guid}", DeletePlanAsync).NeedsRole(ProjectRole.Editor).WithName("deletePlan");
        api.MapPost("/projects/{projectId:guid}/deleted-plans/{deletedPlanId:guid}/restore", RestorePlanAsync)
            .NeedsRole(ProjectRole.Editor)
            .WithName("restorePlan");
        api.MapPost("/projects/{projectId:guid}/plans", AddPlanAsync).NeedsRole(ProjectRole.Editor).WithName("addPlan");
        api.MapPost("/projects/{projectId:guid}/plan-files", ImportAsync).NeedsRole(ProjectRole.Editor).WithName("importPlan");
    }

    private static async Task<ProjectView[]> ListAsync(ClaimsPrincipal person, WellsedesContext context, CancellationToken cancel)
    {
        var id = person.Id();
        return await context
            .Projects.Where(project => project.DeletedAt == null && project.Members.Any(member => member.PersonId == id))
            .OrderBy(project => project.Name)
            .Select(project => new ProjectView(
                project.Id,
                project.Name,
                project.Members.First(member => member.PersonId == id).Role,
                project
                    .Plans.Where(plan => plan.DeletedAt == null)
                    .OrderByDescending(plan => plan.ChangedAt)
                    .Select(plan => new PlanEntry(
                        plan.Id,
                        plan.Title,
                        plan.Revision,
                        plan.ChangedAt,
                        plan.ArchivedAt != null,
                        plan.DemoFile != null,
                        null
                    ))
                    .ToArray(),
                project
                    .Plans.Where(plan => plan.DeletedAt != null)
                    .OrderByDescending(plan => plan.DeletedAt)
                    .Select(plan => new PlanEntry(plan.Id, plan.Title, plan.Revision, plan.ChangedAt, false, false, plan.DeletedAt))
                    .ToArray(),
                project
                    .Members.OrderByDescending(member => member.Role)
                    .Select(member => new MemberView(
                        member.PersonId,
                        member.Person!.DisplayName,
                        project.Members.Any(m => m.PersonId == id && m.Role == ProjectRole.Owner) ? member.Person!.Email! : "",
                        member.Role
                    ))
                    .ToArray()
            ))
            .AsSplitQuery()
            .ToArrayAsync(cancel);
    }

    private static async Task<DeletedProject[]> ListDeletedAsync(ClaimsPrincipal person, WellsedesContext context, CancellationToken cancel)
    {
        var id = person.Id();
        return await context
            .Projects.Where(p => p.DeletedAt != null && p.Members.Any(m => m.PersonId == id && m.Role == ProjectRole.Owner))
            .OrderByDescending(p => p.DeletedAt)
            .Select(p => new DeletedProject(p.Id, p.Name, p.DeletedAt!.Value))
            .ToArrayAsync(cancel);
    }

    private static async Task<NoContent> DeleteAsync(Guid projectId, OpenPlans plans, WellsedesContext context, CancellationToken cancel)
    {
        await context
            .Projects.Where(p => p.Id == projectId)
            .ExecuteUpdateAsync(p => p.SetProperty(x => x.DeletedAt, DateTime.UtcNow), cancel);
        foreach (var plan in await context.Plans.Where(p => p.ProjectId == projectId).Select(p => p.Id).ToArrayAsync(cancel))
            plans.Forget(plan);
        return TypedResults.NoContent();
    }

    private static async Task<NoContent> RestoreAsync(Guid projectId, WellsedesContext context, CancellationToken cancel)
    {
        await context
            .Projects.Where(p => p.Id == projectId)
            .ExecuteUpdateAsync(p => p.SetProperty(x => x.DeletedAt, (DateTime?)null), cancel);
        return TypedResults.NoContent();
    }

    private static async Task<NoContent> DeletePlanAsync(Guid planId, OpenPlans plans, WellsedesContext context, CancellationToken cancel)
    {
        await context.Plans.Where(p => p.Id == planId).ExecuteUpdateAsync(p => p.SetProperty(x => x.DeletedAt, DateTime.UtcNow), cancel);
        plans.Forget(planId);
        return TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, NotFound>> RestorePlanAsync(
        Guid projectId,
        Guid deletedPlanId,
        WellsedesContext context,
        CancellationToken cancel
    )
    {
        var back = await context
            .Plans.Where(p => p.Id == deletedPlanId && p.ProjectId == projectId && p.DeletedAt != null)
            .ExecuteUpdateAsync(p => p.SetProperty(x => x.DeletedAt, (DateTime?)null), cancel);
        return back == 0 ? TypedResults.NotFound() : TypedResults.NoContent();
    }

    private static async Task<Results<Ok<PlanMade>, ProblemHttpResult>> AddAsync(
        NewProject request,
        ClaimsPrincipal person,
        WellsedesContext context,
        CancellationToken cancel
    )
    {
        if (request.Name.Trim().Length == 0 || WellFormed.Text("name", request.Name.Trim()) is not null)
            return TypedResults.Problem("The name must have 1 to 80 characters.", statusCode: 422);
        var project = new Project
        {
            Id = Guid.CreateVersion7(),
            Name = request.Name.Trim(),
            CreatedAt = DateTime.UtcNow,
            Members = [new ProjectMember { PersonId = person.Id(), Role = ProjectRole.Owner }],
        };
        context.Add(project);
        await context.SaveChangesAsync(cancel);
        return TypedResults.Ok(new PlanMade(project.Id));
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> AddMemberAsync(
        Guid projectId,
        NewMember request,
        WellsedesContext context,
        UserManager<Person> people,
        CancellationToken cancel
    )
    {
        var person = await people.FindByEmailAsync(request.Email);
        if (person is null)
            return TypedResults.Problem($"Nobody with the address {request.Email} has an account here.", statusCode: 422);
        var member = await context.Members.FindAsync([projectId, person.Id], cancel);
        if (
            member is { Role: ProjectRole.Owner }
            && request.Role != ProjectRole.Owner
            && await IsLastOwnerAsync(context, projectId, cancel)
        )
            return TypedResults.Problem("A project keeps at least one owner.", statusCode: 422);
        if (member is null)
            context.Add(
                new ProjectMember
                {
                    ProjectId = projectId,
                    PersonId = person.Id,
                    Role = request.Role,
                }
            );
        else
            member.Role = request.Role;
        await context.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, NotFound, ProblemHttpResult>> RemoveMemberAsync(
        Guid projectId,
        Guid personId,
        WellsedesContext context,
        Followers followers,
        CancellationToken cancel
    )
    {
        var member = await context.Members.FindAsync([projectId, personId], cancel);
        if (member is null)
            return TypedResults.NotFound();
        if (member.Role == ProjectRole.Owner && await IsLastOwnerAsync(context, projectId, cancel))
            return TypedResults.Problem("A project keeps at least one owner.", statusCode: 422);
        context.Remove(member);
        await context.SaveChangesAsync(cancel);
        followers.RemoveMember(projectId, personId);
        return TypedResults.NoContent();
    }

    private static async Task<bool> IsLastOwnerAsync(WellsedesContext context, Guid projectId, CancellationToken cancel) =>
        await context.Members.CountAsync(m => m.ProjectId == projectId && m.Role == ProjectRole.Owner, cancel) == 1;

    private static async Task<Results<Ok<PlanMade>, ProblemHttpResult>> AddPlanAsync(
        Guid projectId,
        NewPlan request,
        PlanStore store,
        BookStore books,
        CancellationToken cancel
    )
    {
        var title = request.Title.Trim();
        if (title.Length == 0 || WellFormed.Text("title", title) is not null)
            return TypedResults.Problem("The title must have 1 to 80 characters.", statusCode: 422);
        // It is held against the books of its project from the first day.
        var kept = await books.OfProjectAsync(projectId, cancel);
        Entity[] held = kept is null ? [] : [.. kept.Books, .. kept.Changes];
        var plan = Plan.Of([.. PlanStart.Entities(title, request.Units), .. held], Shipped.Library);
        return TypedResults.Ok(new PlanMade(await store.AddAsync(projectId, plan, cancel: cancel)));
    }

    private static async Task<Results<Ok<PlanMade>, ProblemHttpResult>> ImportAsync(
        Guid projectId,
        HttpRequest request,
        PlanStore store,
        CancellationToken cancel
    )
    {
        if (request.ContentLength > PlanFiles.LargestFile)
            return TypedResults.Problem("The plan file is too large.", statusCode: 413);
        using var file = new MemoryStream();
        await request.Body.CopyToAsync(file, cancel);
        try
        {
            return TypedResults.Ok(new PlanMade(await PlanFileImport.AddAsync(file.ToArray(), projectId, store, null, cancel)));
        }
        catch (PlanFileException e)
        {
            return TypedResults.Problem(e.Message, statusCode: 422);
        }
    }
}
