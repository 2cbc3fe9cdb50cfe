using System.Collections.Concurrent;
using System.Runtime.CompilerServices;
using System.Threading.Channels;
using Wellsedes.Server.Features.Plans;

namespace Wellsedes.Server.Features.Work;

/// <summary>
/// The one channel for work in the background. It tells how far it is and of which revision; the next edit of the plan cancels
/// it, and so does whoever asked for it by no longer listening. What is done stays fresh until the plan changes.
/// </summary>
public sealed class BackgroundWork(IEnumerable<IWorkKind> kinds) : IDisposable
{
    /// <summary>Files wait so long to be fetched.</summary>
    public static readonly TimeSpan Kept = TimeSpan.FromMinutes(10);

    /// <summary>So many works run at once, whoever asked for them.</summary>
    private const int AtOnce = 1;

    private sealed record Done(Guid PlanId, WorkFile File, DateTime Until);

    private readonly Dictionary<string, IWorkKind> byName = kinds.ToDictionary(kind => kind.Name);
    private readonly ConcurrentDictionary<Guid, Done> files = new();
    private readonly SemaphoreSlim places = new(AtOnce, AtOnce);

    public void Dispose() => places.Dispose();

    /// <summary>A file that was made; null when it is of another plan, or no longer kept.</summary>
    public WorkFile? FileOf(Guid planId, Guid file)
    {
        foreach (var old in files.Where(one => one.Value.Until < DateTime.UtcNow))
            files.TryRemove(old);
        return files.TryGetValue(file, out var done) && done.PlanId == planId ? done.File : null;
    }

    /// <summary>Works something out and tells how it stands until nobody listens any more.</summary>
    public async IAsyncEnumerable<WorkTold> RunAsync(
        OpenPlan open,
        WorkOrder order,
        string project,
        [EnumeratorCancellation] CancellationToken cancel
    )
    {
        var now = open.Now;
        if (!byName.TryGetValue(order.Kind, out var kind))
        {
            yield return new WorkTold(now.Revision, WorkStage.Refused, 0, null, $"There is no work called \"{order.Kind}\".");
            yield break;
        }
        // Only the newest is of interest: who reads slowly misses steps, not the end.
        var told = Channel.CreateBounded<WorkTold>(new BoundedChannelOptions(1) { FullMode = BoundedChannelFullMode.DropOldest });
        using var stop = CancellationTokenSource.CreateLinkedTokenSource(cancel, now.Edited);
        var working = Task.Run(() => WorkAsync(kind, now, order, project, told.Writer, stop.Token), CancellationToken.None);
        var last = new WorkTold(now.Revision, WorkStage.Working, 0);
        yield return last;
        await foreach (var one in told.Reader.ReadAllAsync(cancel))
            yield return last = one;
        await working;
        if (last.Stage != WorkStage.Fresh)
            yield break;
        // It stays fresh until the plan changes.
        var edited = new TaskCompletionSource(TaskCreationOptions.RunContinuationsAsynchronously);
        await using (now.Edited.Register(edited.SetResult))
            await edited.Task.WaitAsync(cancel);
        yield return last with
        {
            Stage = WorkStage.Stale,
            Message = "The plan has changed since.",
        };
    }

    private async Task WorkAsync(
        IWorkKind kind,
        PublishedPlan now,
        WorkOrder order,
        string project,
        ChannelWriter<WorkTold> told,
        CancellationToken cancel
    )
    {
        var working = new WorkTold(now.Revision, WorkStage.Working, 0);
        try
        {
            await places.WaitAsync(cancel);
            try
            {
                var file = kind.Run(now, order, project, done => told.TryWrite(working with { Progress = Math.Clamp(done, 0, 1) }), cancel);
                var id = Guid.NewGuid();
                files[id] = new Done(now.Id, file, DateTime.UtcNow + Kept);
                told.TryWrite(new WorkTold(now.Revision, WorkStage.Fresh, 1, id));
            }
            finally
            {
                places.Release();
            }
        }
        catch (OperationCanceledException)
        {
            told.TryWrite(working with { Stage = WorkStage.Stale, Message = "The plan was changed meanwhile; ask again." });
        }
        catch (Exception e) when (e is WorkRefusedException or PlanFaultException)
        {
            told.TryWrite(working with { Stage = WorkStage.Refused, Message = e.Message });
        }
        finally
        {
            told.TryComplete();
        }
    }
}
