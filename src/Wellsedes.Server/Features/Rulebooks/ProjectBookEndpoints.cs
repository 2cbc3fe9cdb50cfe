using System.Collections.Immutable;
using System.Security.Claims;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Wellsedes.Core.Plans;
using Wellsedes.Server.Features.Plans;
using Wellsedes.Server.Security;
using Wellsedes.Store;

namespace Wellsedes.Server.Features.Rulebooks;

/// <summary>The books that the project of a plan keeps for its plans.</summary>
/// <param name="Books">As an edit takes them over; empty where the project keeps none.</param>
/// <param name="Names">What they are called.</param>
/// <param name="AreOfPlan">Whether the plan is held against these, and takes the same otherwise.</param>
public sealed record ProjectBooksView(
    ImmutableArray<PlanBook> Books,
    ImmutableArray<RuleChange> Changes,
    ImmutableArray<string> Names,
    string KeptBy,
    DateTime? KeptAt,
    bool AreOfPlan
);

public static class ProjectBookEndpoints
{
    public static void MapProjectBooks(this RouteGroupBuilder api)
    {
        api.MapGet("/plans/{planId:guid}/project-books", GetAsync).NeedsRole(ProjectRole.Viewer).WithName("getProjectBooks");
        api.MapPut("/plans/{planId:guid}/project-books", KeepAsync).NeedsRole(ProjectRole.Editor).WithName("keepProjectBooks");
    }

    private static async Task<Ok<ProjectBooksView>> GetAsync(
        Guid planId,
        OpenPlans plans,
        BookStore store,
        WellsedesContext context,
        CancellationToken cancel
    )
    {
        var kept = await store.OfProjectAsync(await ProjectOfAsync(context, planId, cancel), cancel);
        if (kept is null)
            return TypedResults.Ok(new ProjectBooksView([], [], [], "", null, false));
        var plan = (await plans.OpenAsync(planId)).Now.Plan;
        return TypedResults.Ok(
            new ProjectBooksView(
                [.. kept.Books],
                [.. kept.Changes],
                [.. kept.Books.Select(book => book.Wrong() is null ? book.Book().Name : "")],
                kept.By,
                kept.At,
                Told(kept.Books, kept.Changes).SetEquals(Told(plan.All<PlanBook>(), plan.All<RuleChange>()))
            )
        );
    }

    /// <summary>What a plan is held against, whatever the ids are that it has there.</summary>
    private static HashSet<object> Told(IEnumerable<PlanBook> books, IEnumerable<RuleChange> changes) =>
        [.. books.Select(book => book.Text), .. changes.Select(change => (object)(change with { Id = "" }))];

    /// <summary>Keeps the books of the plan, as they are now, for its project; a plan without any takes away what the project kept.</summary>
    private static async Task<NoContent> KeepAsync(
        Guid planId,
        ClaimsPrincipal person,
        OpenPlans plans,
        BookStore store,
        WellsedesContext context,
        CancellationToken cancel
    )
    {
        var plan = (await plans.OpenAsync(planId)).Now.Plan;
        await store.KeepAsync(await ProjectOfAsync(context, planId, cancel), plan, PlanEndpoints.Name(person), cancel);
        return TypedResults.NoContent();
    }

    private static Task<Guid> ProjectOfAsync(WellsedesContext context, Guid planId, CancellationToken cancel) =>
        context.Plans.Where(plan => plan.Id == planId).Select(plan => plan.ProjectId).FirstAsync(cancel);
}
