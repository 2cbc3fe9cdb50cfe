namespace Wellsedes.Core.Geometry;

/// <summary>Working something out would take more steps than a plan is given.</summary>
public sealed class TooMuchWorkException(string what, long most)
    : Exception($"Working out {what} would take more than {most:N0} steps. Fewer things in one place, or a simpler shape, would do.")
{
    /// <summary>What was being worked out: "the walkways of Ground floor".</summary>
    public string What => what;
}

/// <summary>
/// Counts the steps of working something out (cells, pairs, points), the same on every machine and whoever asks: what was
/// kept from before is counted as if it had been worked out now. Several may count at once. Past the limit it stops, and when nobody waits for it.
/// </summary>
public sealed class Work(string what, long most, CancellationToken cancel = default)
{
    private long done;

    public long Done => Interlocked.Read(ref done);

    /// <exception cref="TooMuchWorkException">The limit is passed.</exception>
    /// <exception cref="OperationCanceledException">Nobody waits for it any more.</exception>
    public void Count(long steps)
    {
        cancel.ThrowIfCancellationRequested();
        if (Interlocked.Add(ref done, steps) > most)
            throw new TooMuchWorkException(what, most);
    }
}
