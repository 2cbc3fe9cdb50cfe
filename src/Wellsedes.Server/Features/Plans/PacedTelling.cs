namespace Wellsedes.Server.Features.Plans;

/// <summary>
/// Tells a plan's followers of its changes at a pace that their number allows: alone or in pairs at once, where many follow what
/// was changed meanwhile in one. A change is told whole to each of them, so that the work grows with the followers squared when all of them edit.
/// </summary>
/// <param name="combine">All that has changed after a revision, with the figures of some schemes.</param>
/// <param name="tell">Must not wait.</param>
public sealed class PacedTelling(
    Func<long, IEnumerable<string>, ChangedView> combine,
    Action<ChangedView> tell,
    Func<int> followers,
    TimeProvider clock
) : IDisposable
{
    /// <summary>How long nothing more is told, for each who is told; and at most.</summary>
    private static readonly TimeSpan ForEach = TimeSpan.FromMilliseconds(10);
    private static readonly TimeSpan Longest = TimeSpan.FromSeconds(1);

    private readonly Lock held = new();
    private long next = long.MinValue;
    private (long Since, HashSet<string> Schemes)? waiting;
    private bool isOver;

    /// <summary>Nothing more is told, also not what waits.</summary>
    public void Dispose()
    {
        lock (held)
            isOver = true;
    }

    public void Tell(ChangedView change)
    {
        lock (held)
        {
            var now = clock.GetTimestamp();
            if (waiting is { } known)
            {
                known.Schemes.UnionWith(change.Figures.Select(figures => figures.SchemeId));
                waiting = (Math.Min(known.Since, change.Since), known.Schemes);
                return;
            }
            if (now >= next)
            {
                TellNow(change);
                return;
            }
            waiting = (change.Since, [.. change.Figures.Select(figures => figures.SchemeId)]);
            _ = LaterAsync(clock.GetElapsedTime(now, next));
        }
    }

    private void TellNow(ChangedView change)
    {
        tell(change);
        var pause = ForEach * followers();
        next = clock.GetTimestamp() + (long)((pause < Longest ? pause : Longest).TotalSeconds * clock.TimestampFrequency);
    }

    private async Task LaterAsync(TimeSpan pause)
    {
        await Task.Delay(pause, clock).ConfigureAwait(false);
        lock (held)
        {
            var (since, schemes) = waiting!.Value;
            waiting = null;
            if (isOver)
                return;
            TellNow(combine(since, schemes));
        }
    }
}
