using Microsoft.EntityFrameworkCore;
using Wellsedes.Store;

namespace Wellsedes.Server;

/// <summary>Once a day removes for good what was deleted long enough ago.</summary>
public sealed class BinEmptier(IDbContextFactory<WellsedesContext> contexts, ILogger<BinEmptier> log) : BackgroundService
{
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var daily = new PeriodicTimer(TimeSpan.FromHours(24));
        do try
        {
            await using var context = await contexts.CreateDbContextAsync(stoppingToken);
            var gone = await Bin.EmptyAsync(context, DateTime.UtcNow, stoppingToken);
            if (gone > 0)
                log.LogInformation("{Count} deleted plans, projects and pictures were removed for good", gone);
        }
        catch (Exception e) when (e is not OperationCanceledException)
        {
            log.LogWarning(e, "The bin could not be emptied; tried again tomorrow");
        }
        while (await daily.WaitForNextTickAsync(stoppingToken));
    }
}
