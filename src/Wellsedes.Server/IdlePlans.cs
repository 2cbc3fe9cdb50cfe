using Wellsedes.Server.Features.Plans;

namespace Wellsedes.Server;

/// <summary>Every minute lets go of plans that nobody follows and nobody has asked about for a while.</summary>
public sealed class IdlePlans(OpenPlans plans, ILogger<IdlePlans> log) : BackgroundService
{
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var minutely = new PeriodicTimer(TimeSpan.FromMinutes(1));
        while (await minutely.WaitForNextTickAsync(stoppingToken))
            if (plans.LetGo(DateTime.UtcNow) is > 0 and var count)
                log.LogInformation("{Count} plans that nobody has open were let go", count);
    }
}
