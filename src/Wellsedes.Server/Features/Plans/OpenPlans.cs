using System.Collections.Concurrent;
using Wellsedes.Store;

namespace Wellsedes.Server.Features.Plans;

/// <summary>The plans locked in memory, each loaded once when first asked for.</summary>
public sealed class OpenPlans(PlanStore store, ILogger<OpenPlan> log)
{
    private readonly ConcurrentDictionary<Guid, Lazy<Task<OpenPlan?>>> plans = new();

    /// <summary>The plan, or null when there is none. A failed load is not remembered.</summary>
    public async Task<OpenPlan?> GetAsync(Guid id)
    {
        var lazy = plans.GetOrAdd(id, _ => new Lazy<Task<OpenPlan?>>(() => LoadAsync(id)));
        try
        {
            var plan = await lazy.Value;
            if (plan is null)
                plans.TryRemove(new KeyValuePair<Guid, Lazy<Task<OpenPlan?>>>(id, lazy));
            return plan;
        }
        catch
        {
            plans.TryRemove(new KeyValuePair<Guid, Lazy<Task<OpenPlan?>>>(id, lazy));
            throw;
        }
    }

    /// <summary>Forgets a plan, so that it is read again: another program has written to it.</summary>
    public void Forget(Guid id) => plans.TryRemove(id, out _);

    private async Task<OpenPlan?> LoadAsync(Guid id) =>
        await store.LoadAsync(id) is { } stored ? new OpenPlan(id, stored, store, log) : null;
}
