using System.Security.Claims;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Server.Features.Plans;
using Wellsedes.Server.Security;
using Wellsedes.Store;

namespace Wellsedes.Server.Features.Catalogue;

/// <summary>The catalogue as a plan has it: searched, drawn, and asked what an exchange would bring.</summary>
public static class PlanCatalogueEndpoints
{
    /// <summary>Forms asked for at once.</summary>
    private const int MostForms = 80;

    public static void MapPlanCatalogue(this RouteGroupBuilder api)
    {
        api.MapGet("/plans/{planId:guid}/catalogue", FindAsync).NeedsRole(ProjectRole.Viewer).WithName("searchCatalogue");
        api.MapGet("/plans/{planId:guid}/forms", FormsAsync).NeedsRole(ProjectRole.Viewer).WithName("catalogueForms");
        api.MapGet("/plans/{planId:guid}/form", FormAsync).NeedsRole(ProjectRole.Viewer).Produces<Problem>(422).WithName("formAtSize");
        api.MapPost("/plans/{planId:guid}/foresight", ForeseeAsync).NeedsRole(ProjectRole.Viewer).WithName("foresee");
    }

    /// <summary>Keys of the items that answer what was typed, best first; all in their order when nothing was.</summary>
    private static async Task<IEnumerable<string>> FindAsync(
        Guid planId,
        string? text,
        ClaimsPrincipal person,
        OpenPlans plans,
        PlanCatalogue catalogue,
        WellsedesContext context,
        CancellationToken cancel
    )
    {
        var plan = (await plans.OpenAsync(planId)).Now.Plan;
        var found = await catalogue.FindAsync(
            plan,
            await ProjectOfAsync(planId, context, cancel),
            person.Id(),
            text ?? "",
            context,
            cancel
        );
        return found.Select(item => item.Key);
    }

    /// <summary>How items of the catalogue look at their usual size, by key; keys that nobody knows are left out.</summary>
    private static async Task<Dictionary<string, FormView>> FormsAsync(
        Guid planId,
        string[] key,
        ClaimsPrincipal person,
        OpenPlans plans,
        PlanCatalogue catalogue,
        WellsedesContext context,
        CancellationToken cancel
    )
    {
        var now = (await plans.OpenAsync(planId)).Now;
        var project = await ProjectOfAsync(planId, context, cancel);
        var forms = new Dictionary<string, FormView>();
        foreach (var one in key.Distinct().Take(MostForms))
            if (await catalogue.ItemAsync(now.Plan, project, person.Id(), one, context, cancel) is { } item)
                forms[one] = Form(now, item, item.Size);
        return forms;
    }

    /// <summary>How an item looks at the size that was bought.</summary>
    private static async Task<Results<Ok<FormView>, JsonHttpResult<Problem>>> FormAsync(
        Guid planId,
        string? key,
        double? width,
        double? depth,
        double? height,
        ClaimsPrincipal person,
        OpenPlans plans,
        PlanCatalogue catalogue,
        WellsedesContext context,
        CancellationToken cancel
    )
    {
        var now = (await plans.OpenAsync(planId)).Now;
        var item = await catalogue.ItemAsync(
            now.Plan,
            await ProjectOfAsync(planId, context, cancel),
            person.Id(),
            key ?? "",
            context,
            cancel
        );
        if (item is null)
            return TypedResults.Json(new Problem("key", $"The catalogue has no item \"{key}\"."), statusCode: 422);
        var size = new ItemSize(width ?? item.Size.Width, (item.IsRound ? width : depth) ?? item.Size.Depth, height ?? item.Size.Height);
        foreach (var (field, length) in ((string, double)[])[("width", size.Width), ("depth", size.Depth), ("height", size.Height)])
            if (!(length > 0 && length <= SizeSense.Longest))
                return TypedResults.Json(new Problem(field, $"The {field} must be more than 0 and at most 1 km."), statusCode: 422);
        return TypedResults.Ok(Form(now, item, size));
    }

    private static FormView Form(PublishedPlan now, CatalogueItem item, ItemSize size)
    {
        var parameters = FormMaker.Fitted(item, size, item.Parameters ?? ItemParameters.None);
        var depth = HouseRules.OccupiedChair.Value;
        // Made anew: whatever sizes somebody types are not kept.
        return FormView.Of(
            FormMaker.Make(item.Maker, MakerInput.Of(item, ItemForms.ChairOf(now.Plan, item), depth, size, item.Seats, parameters)),
            depth
        );
    }

    /// <summary>What an edit of many things would bring, said before it is done.</summary>
    private static async Task<Foresight> ForeseeAsync(
        Guid planId,
        EditRequest request,
        OpenPlans plans,
        WorkLimit limit,
        CancellationToken cancel
    )
    {
        var now = (await plans.OpenAsync(planId)).Now;
        return await limit.AskAsync(
            () =>
                now.Fault is not null
                    ? new Foresight(now.OnlyReading(), 0, 0, 0, [])
                    : now.Planner.Foresee(now.Plan, request.Edit, now.SchemeOf(request.SchemeId), cancel),
            cancel
        );
    }

    private static Task<Guid> ProjectOfAsync(Guid planId, WellsedesContext context, CancellationToken cancel) =>
        context.Plans.Where(plan => plan.Id == planId).Select(plan => plan.ProjectId).SingleAsync(cancel);
}
