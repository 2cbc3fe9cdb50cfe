using System.Security.Claims;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Plans;
using Wellsedes.Server.Features.Plans;
using Wellsedes.Server.Security;
using Wellsedes.Store;

namespace Wellsedes.Server.Features.Library;

/// <summary>A plan that carries an own item: whether it has the library's newest now, and what kept it from that ("" for nothing).</summary>
public sealed record RenewedPlan(Guid PlanId, string Title, bool Changed, string Problem);

/// <summary>Brings the library's newest of an own item into every plan of the project that uses it, as an ordinary edit of each.</summary>
public static class LibraryRenewal
{
    public static void MapLibraryRenewal(this RouteGroupBuilder api) =>
        api.MapPost("/projects/{projectId:guid}/library/{key}/renewal", RenewAsync)
            .NeedsRole(ProjectRole.Editor)
            .WithName("renewLibraryItem");

    private static async Task<Results<Ok<RenewedPlan[]>, ProblemHttpResult>> RenewAsync(
        Guid projectId,
        string key,
        ClaimsPrincipal person,
        OpenPlans plans,
        WellsedesContext context,
        CancellationToken cancel
    )
    {
        if ((await LibraryEndpoints.ItemsAsync(projectId, context, cancel)).FirstOrDefault(item => item.Item.Key == key) is not { } newest)
            return TypedResults.Problem("The project keeps no such item.", statusCode: 422);
        var all = await context
            .Plans.AsNoTracking()
            .Where(plan => plan.ProjectId == projectId && plan.DeletedAt == null && plan.ArchivedAt == null)
            .OrderBy(plan => plan.Title)
            .Select(plan => new { plan.Id, plan.Title })
            .ToArrayAsync(cancel);
        List<RenewedPlan> renewed = [];
        foreach (var record in all)
        {
            if (await plans.GetAsync(record.Id) is not { } open || open.Now.Plan.Find<OwnItem>(key) is not { } carried)
                continue;
            if (carried.LibraryRevision == newest.Revision)
            {
                renewed.Add(new RenewedPlan(record.Id, record.Title, false, ""));
                continue;
            }
            var edit = new PutOwnItem(new OwnItem(key, newest.Item, newest.Revision));
            var outcome = await open.EditAsync(person.Id(), PlanEndpoints.Name(person), new EditRequest(open.Now.Revision, edit), cancel);
            renewed.Add(new RenewedPlan(record.Id, record.Title, outcome.Problem is null, outcome.Problem?.Message ?? ""));
        }
        return TypedResults.Ok(renewed.ToArray());
    }
}
