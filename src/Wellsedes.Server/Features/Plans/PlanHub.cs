using System.Runtime.CompilerServices;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.SignalR;
using Wellsedes.Core.Arranging;
using Wellsedes.Core.Editing;
using Wellsedes.Server.Features.Work;
using Wellsedes.Server.Security;
using Wellsedes.Server.SimulatedDevices;
using Wellsedes.Store;

namespace Wellsedes.Server.Features.Plans;

/// <summary>The live link of an open plan: changes come down it, probes go up.</summary>
[Authorize]
public sealed class PlanHub(
    OpenPlans plans,
    WorkLimit limit,
    BackgroundWork work,
    PlanStore store,
    Followers followers,
    Roles roles,
    SimulatedMeter meter,
    TimeProvider clock
) : Hub
{
    /// <summary>
    /// Starts telling this connection about a plan's changes, and says the revision they come after: who has an older one
    /// has missed something.
    /// </summary>
    [NeedsPlanRole(ProjectRole.Viewer)]
    public async Task<long> Follow(Guid planId)
    {
        await NeedAsync(planId, ProjectRole.Viewer);
        var plan = await PlanAsync(planId);
        followers.Add(Context.ConnectionId, Context.User!.Id(), planId, await roles.ProjectOfAsync(planId, Context.ConnectionAborted));
        return plan.Now.Revision;
    }

    /// <summary>
    /// What an edit would do, seen on a level. Nothing is applied. Where it moves many things it is answered twice: at once with
    /// the walkways of before, and in full when the caller still listens.
    /// </summary>
    [NeedsPlanRole(ProjectRole.Editor)]
    public async IAsyncEnumerable<ProbeView> Probe(
        Guid planId,
        Edit edit,
        string levelId,
        string schemeId,
        [EnumeratorCancellation] CancellationToken cancel
    )
    {
        await NeedAsync(planId, ProjectRole.Editor);
        var now = (await PlanAsync(planId)).Now;
        var answer = await limit.AskAsync(() => now.Probe(edit, schemeId, levelId, atOnce: true, cancel), cancel);
        yield return answer;
        if (answer.Figures is not { Stale: true })
            yield break;
        // A hand that goes on asks anew within this time; only one that rests has the processor work it out.
        await Task.Delay(Resting, cancel);
        yield return await limit.AskAsync(() => now.Probe(edit, schemeId, levelId, atOnce: false, cancel), cancel);
    }

    /// <summary>A hand that has asked nothing new for so long rests.</summary>
    private static readonly TimeSpan Resting = TimeSpan.FromMilliseconds(60);

    /// <summary>The figures of a scheme as they are: asked when somebody looks at another scheme, or has changed it.</summary>
    [NeedsPlanRole(ProjectRole.Viewer)]
    public async Task<FiguresView> Figures(Guid planId, string schemeId)
    {
        await NeedAsync(planId, ProjectRole.Viewer);
        try
        {
            var now = (await PlanAsync(planId)).Now;
            return await limit.AskAsync(() => now.Figures(schemeId), Context.ConnectionAborted);
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
        return (await PlanAsync(planId)).Now.Aim(question);
    }

    /// <summary>
    /// Works something out in the background and tells how it stands, until the caller listens no longer. The next edit cancels
    /// it; what is done is told to be stale when the plan changes.
    /// </summary>
    [NeedsPlanRole(ProjectRole.Viewer)]
    public async IAsyncEnumerable<WorkTold> Work(Guid planId, WorkOrder order, [EnumeratorCancellation] CancellationToken cancel)
    {
        await NeedAsync(planId, ProjectRole.Viewer);
        var project = await store.ProjectNameAsync(planId, cancel);
        await foreach (var told in work.RunAsync(await PlanAsync(planId), order, project, cancel))
            yield return told;
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
        followers.Remove(Context.ConnectionId);
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
        ProjectRole? known;
        // Streams of one connection run beside its calls.
        lock (Context.Items)
            known =
                Context.Items.TryGetValue(key, out var kept)
                && kept is (ProjectRole held, DateTimeOffset until)
                && until >= clock.GetUtcNow()
                    ? held
                    : null;
        if (known is not { } role)
        {
            role =
                await roles.ForPlanAsync(planId, Context.User!.Id(), Context.ConnectionAborted)
                ?? throw new HubException("There is no such plan.");
            lock (Context.Items)
                Context.Items[key] = (role, clock.GetUtcNow().AddSeconds(5));
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
