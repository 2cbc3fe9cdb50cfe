namespace Wellsedes.Server.Features.Plans;

/// <summary>
/// Where questions are worked out that take the processor for longer: as many at once as there are processors. The others wait
/// in line, and leave it when nobody waits for the answer any more. Edits do not pass here.
/// </summary>
public sealed class WorkLimit : IDisposable
{
    private readonly SemaphoreSlim places = new(Environment.ProcessorCount, Environment.ProcessorCount);

    /// <exception cref="OperationCanceledException">Nobody waits for it any more.</exception>
    public async Task<T> AskAsync<T>(Func<T> question, CancellationToken cancel)
    {
        await places.WaitAsync(cancel);
        try
        {
            return question();
        }
        finally
        {
            places.Release();
        }
    }

    public void Dispose() => places.Dispose();
}
