using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.SignalR;
using Wellsedes.Core.Arranging;
using Wellsedes.Core.Editing;
using Wellsedes.Server.Security;
using Wellsedes.Server.StandIns;
using Wellsedes.Store;

namespace Wellsedes.Server.Features.Plans;

/// <summary>The live link of an open plan: changes come down it, probes go up.</summary>
[Authorize]
public sealed class PlanHub(OpenPlans plans, Roles roles, SimulatedMeter meter) : Hub
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

    /// <summary>What an edit would do, seen on a level. Nothing is applied.</summary>
    [NeedsPlanRole(ProjectRole.Editor)]
    public async Task<ProbeView> Probe(Guid planId, Edit edit, string levelId, string schemeId)
    {
        await NeedAsync(planId, ProjectRole.Editor);
        return await (await PlanAsync(planId)).ProbeAsync(edit, schemeId, levelId, Context.ConnectionAborted);
    }

    /// <summary>The figures of a scheme as they are: asked when somebody looks at another scheme, or has changed it.</summary>
    [NeedsPlanRole(ProjectRole.Viewer)]
    public async Task<FiguresView> Figures(Guid planId, string schemeId)
    {
        await NeedAsync(planId, ProjectRole.Viewer);
        try
        {
            return await (await PlanAsync(planId)).FiguresAsync(schemeId, Context.ConnectionAborted);
        }
        catch (PlanFaultException e)
        {
            throw new HubException(e.Message);
        }
    }

    /// <summary>Where a hand points while it draws.</summary>
    [NeedsPlanRole(ProjectRole.Editor)]
    public async Task<Aim> Aim(Guid planId, AimQuestion question)
    {
        await NeedAsync(planId, ProjectRole.Editor);
        return await (await PlanAsync(planId)).AimAsync(question, Context.ConnectionAborted);
    }

    /// <summary>Links this connection to the simulated distance meter with a scripted survey; answers what the meter says of itself.</summary>
    [NeedsPlanRole(ProjectRole.Editor)]
    public async Task<string> UseMeter(Guid planId, int survey)
    {
        await NeedAsync(planId, ProjectRole.Editor);
        if (Context.Items["meter"] is not MeterLink link)
            Context.Items["meter"] = link = new MeterLink(meter.Port);
        try
        {
            await link.LoadAsync(survey, Context.ConnectionAborted);
            return link.Greeting;
        }
        catch (IOException e)
        {
            throw new HubException(e.Message);
        }
    }

    /// <summary>Presses the meter's button: the length it sends, null when its survey is at an end.</summary>
    [NeedsPlanRole(ProjectRole.Editor)]
    public async Task<string?> PressMeter(Guid planId)
    {
        await NeedAsync(planId, ProjectRole.Editor);
        if (Context.Items["meter"] is not MeterLink link)
            throw new HubException("Link the meter first.");
        try
        {
            return await link.PressAsync(Context.ConnectionAborted);
        }
        catch (IOException e)
        {
            throw new HubException(e.Message);
        }
    }

    public override async Task OnDisconnectedAsync(Exception? exception)
    {
        if (Context.Items["meter"] is MeterLink link)
            await link.DisposeAsync();
        await base.OnDisconnectedAsync(exception);
    }

    private async Task<OpenPlan> PlanAsync(Guid planId) =>
        await plans.GetAsync(planId) ?? throw new HubException("The plan is no longer there.");

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
