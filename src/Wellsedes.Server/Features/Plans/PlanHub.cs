using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.SignalR;
using Wellsedes.Core.Editing;
using Wellsedes.Server.Security;
using Wellsedes.Store;

namespace Wellsedes.Server.Features.Plans;

/// <summary>The live link of an open plan: changes come down it, probes go up.</summary>
[Authorize]
public sealed class PlanHub(OpenPlans plans, Roles roles) : Hub
{
    public static string GroupOf(Guid planId) => $"plan/{planId}";

    /// <summary>Starts telling this connection about a plan's changes.</summary>
    [NeedsPlanRole(ProjectRole.Viewer)]
    public async Task Follow(Guid planId)
    {
        await NeedAsync(planId, ProjectRole.Viewer);
        Context.Items["plan"] = planId;
        await Groups.AddToGroupAsync(Context.ConnectionId, GroupOf(planId), Context.ConnectionAborted);
    }

    /// <summary>What an edit would do. Nothing is applied.</summary>
    [NeedsPlanRole(ProjectRole.Editor)]
    public async Task<ProbeView> Probe(Guid planId, Edit edit)
    {
        await NeedAsync(planId, ProjectRole.Editor);
        var plan = await plans.GetAsync(planId) ?? throw new HubException("The plan is no longer there.");
        return await plan.ProbeAsync(edit, Context.ConnectionAborted);
    }

    /// <summary>Asked anew at least every few seconds, so that a role taken away soon holds.</summary>
    private async Task NeedAsync(Guid planId, ProjectRole needed)
    {
        var key = $"role/{planId}";
        if (Context.Items[key] is not (ProjectRole role, DateTime until) || until < DateTime.UtcNow)
        {
            if (await roles.ForPlanAsync(planId, Context.User!.Id(), Context.ConnectionAborted) is not { } found)
                throw new HubException("There is no such plan.");
            role = found;
            Context.Items[key] = (found, DateTime.UtcNow.AddSeconds(5));
        }
        if (role < needed)
            throw new HubException($"This needs the role of {needed.ToString().ToLowerInvariant()}.");
    }
}

/// <summary>Says which role a hub call needs, so that a test can walk all of them.</summary>
[AttributeUsage(AttributeTargets.Method)]
public sealed class NeedsPlanRoleAttribute(ProjectRole role) : Attribute
{
    public ProjectRole Role { get; } = role;
}
