using System.Collections.Immutable;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Caching.Memory;
using Wellsedes.Core.Findings;
using Wellsedes.Core.Planning;
using Wellsedes.Formats.PlanFile;
using Wellsedes.Server.Features.Plans;
using Wellsedes.Server.Security;
using Wellsedes.Store;

namespace Wellsedes.Server.Features.Sheets;

/// <summary>What was found in a scheme when it was last issued, judged by the books it carried then.</summary>
public sealed record LastIssuedView(string SheetId, string Letter, DateTime IssuedAt, ImmutableArray<IssuedFinding> Findings);

/// <param name="IsOpen">Whether it was to be mended then.</param>
public sealed record IssuedFinding(string Id, string Title, FindingWeight Weight, bool IsOpen);

public static class LastIssuedEndpoints
{
    public static void MapLastIssued(this RouteGroupBuilder api) =>
        api.MapGet("/plans/{planId:guid}/last-issued", OfAsync).NeedsRole(ProjectRole.Viewer).WithName("lastIssued");

    private static async Task<Results<Ok<LastIssuedView>, NoContent>> OfAsync(
        Guid planId,
        string? schemeId,
        WorkLimit limit,
        WellsedesContext context,
        IMemoryCache known,
        CancellationToken cancel
    )
    {
        var last = await context
            .Issued.AsNoTracking()
            .Where(issued => issued.PlanId == planId && issued.SchemeId == schemeId)
            .OrderByDescending(issued => issued.IssuedAt)
            .Select(issued => new
            {
                issued.SheetId,
                issued.Letter,
                issued.IssuedAt,
            })
            .FirstOrDefaultAsync(cancel);
        if (last is null)
            return TypedResults.NoContent();
        // An issued revision never changes: it is worked out once.
        var key = (planId, last.SheetId, last.Letter);
        if (known.TryGetValue(key, out LastIssuedView? view) && view is not null)
            return TypedResults.Ok(view);
        var file = await context
            .IssuedFiles.AsNoTracking()
            .Where(kept =>
                kept.PlanId == planId && kept.SheetId == last.SheetId && kept.Letter == last.Letter && kept.Ending == IssuedFile.PlanEnding
            )
            .Select(kept => kept.Content)
            .FirstAsync(cancel);
        view = await limit.AskAsync(
            () =>
            {
                var plan = PlanFiles.Read(file);
                var state = new Planner().StateOf(plan, schemeId!, plan.FirstLevel.Id);
                return new LastIssuedView(
                    last.SheetId,
                    last.Letter,
                    last.IssuedAt,
                    [.. state.Findings.Select(finding => new IssuedFinding(finding.Id, finding.Title, finding.Weight, finding.IsOpen))]
                );
            },
            cancel
        );
        known.Set(key, view, new MemoryCacheEntryOptions { SlidingExpiration = TimeSpan.FromHours(2) });
        return TypedResults.Ok(view);
    }
}
