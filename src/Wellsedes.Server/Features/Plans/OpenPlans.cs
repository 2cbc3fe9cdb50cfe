using System.Collections.Concurrent;
using Wellsedes.Store;

namespace Wellsedes.Server.Features.Plans;

/// <summary>A plan was deleted between the look at who may see it and the look at it.</summary>
public sealed class PlanGoneException() : Exception("The plan is no longer there; somebody has deleted it.");

/// <summary>The plans held in memory, each loaded once when first asked for and let go when nobody has it open.</summary>
public sealed class OpenPlans(PlanStore store, Followers followers, ILogger<OpenPlan> log)
{
    /// <summary>A plan that nobody follows is held for so long after it was last asked for.</summary>
    public static readonly TimeSpan Held = TimeSpan.FromMinutes(10);

    private readonly ConcurrentDictionary<Guid, Lazy<Task<OpenPlan?>>> plans = new();
    private readonly ConcurrentDictionary<Guid, DateTime> asked = new();

    public int Count => plans.Count;

    /// <summary>The plan, or null when there is none. A failed load is not remembered, nor a plan of which nobody knows what was stored.</summary>
    public async Task<OpenPlan?> GetAsync(Guid id)
    {
        asked[id] = DateTime.UtcNow;
        var lazy = plans.GetOrAdd(id, _ => new Lazy<Task<OpenPlan?>>(() => LoadAsync(id)));
        try
        {
            var plan = await lazy.Value;
            if (plan is { IsInDoubt: false })
                return plan;
            if (!plans.TryRemove(new KeyValuePair<Guid, Lazy<Task<OpenPlan?>>>(id, lazy)) || plan is null)
                return plan is null ? null : await GetAsync(id);
            var read = await GetAsync(id);
            // What was stored after all, nobody has been told of.
            followers.TellMissed(id);
            return read;
        }
        catch
        {
            plans.TryRemove(new KeyValuePair<Guid, Lazy<Task<OpenPlan?>>>(id, lazy));
            throw;
        }
    }

    /// <summary>The plan.</summary>
    /// <exception cref="PlanGoneException">There is none: somebody has deleted it in between.</exception>
    public async Task<OpenPlan> OpenAsync(Guid id) => await GetAsync(id) ?? throw new PlanGoneException();

    /// <summary>Forgets a plan: it was deleted.</summary>
    public void Forget(Guid id)
    {
        if (plans.TryRemove(id, out var lazy))
            Close(lazy);
    }

    /// <summary>What goes on for a plan ends when it is let go; questions in the middle are still answered.</summary>
    private static void Close(Lazy<Task<OpenPlan?>> lazy)
    {
        if (lazy is { IsValueCreated: true, Value: { IsCompletedSuccessfully: true, Result: { } plan } })
            plan.Dispose();
    }

    /// <summary>Forgets the plans nobody has open; how many there were.</summary>
    public int LetGo(DateTime now)
    {
        var idle = asked.Where(plan => plan.Value < now - Held && !followers.IsFollowed(plan.Key)).Select(plan => plan.Key).ToArray();
        foreach (var id in idle)
            if (asked.TryRemove(id, out _))
                Forget(id);
        return idle.Length;
    }

    private async Task<OpenPlan?> LoadAsync(Guid id) =>
        await store.LoadAsync(id) is { } stored
            ? new OpenPlan(id, stored, store, change => followers.Tell(id, change), () => followers.CountOf(id), log)
            : null;
}
