using System.Collections.Concurrent;
using System.Threading.Channels;
using Microsoft.AspNetCore.SignalR;

namespace Wellsedes.Server.Features.Plans;

/// <summary>
/// Who is told about a plan's changes. Telling never waits: each follower has a line of their own, and one that stops reading
/// delays nobody. When too much waits in it, it is emptied and the follower told that something was missed.
/// </summary>
public sealed class Followers(IHubContext<PlanHub> hub, ILogger<Followers> log)
{
    /// <summary>Changes that wait for one follower before they are told to fetch the plan instead.</summary>
    private const int MostWaiting = 200;

    private sealed record Follower(string ConnectionId, Guid PersonId, Guid PlanId, Guid ProjectId, Channel<WrittenChange?> Line);

    private readonly ConcurrentDictionary<string, Follower> followers = new();

    /// <summary>Begins to tell a connection about a plan, and no longer about another.</summary>
    public void Add(string connectionId, Guid personId, Guid planId, Guid projectId)
    {
        Remove(connectionId);
        var follower = new Follower(connectionId, personId, planId, projectId, Channel.CreateBounded<WrittenChange?>(MostWaiting));
        followers[connectionId] = follower;
        _ = TellAsync(follower);
    }

    public void Remove(string connectionId)
    {
        if (followers.TryRemove(connectionId, out var follower))
            follower.Line.Writer.TryComplete();
    }

    /// <summary>Somebody is no longer a member: nothing more is told to them, and their screen is asked to look again.</summary>
    public void RemoveMember(Guid projectId, Guid personId)
    {
        foreach (var follower in followers.Values.Where(f => f.ProjectId == projectId && f.PersonId == personId))
        {
            while (follower.Line.Reader.TryRead(out _)) { }
            Remove(follower.ConnectionId);
            _ = hub.Clients.Client(follower.ConnectionId).SendAsync("missed");
        }
    }

    public bool IsFollowed(Guid planId) => followers.Values.Any(follower => follower.PlanId == planId);

    public int CountOf(Guid planId) => followers.Values.Count(follower => follower.PlanId == planId);

    public void Tell(Guid planId, ChangedView change)
    {
        var written = new WrittenChange(change);
        foreach (var follower in followers.Values.Where(follower => follower.PlanId == planId))
            if (!follower.Line.Writer.TryWrite(written))
                Missed(follower);
    }

    /// <summary>Something has changed that was not told.</summary>
    public void TellMissed(Guid planId)
    {
        foreach (var follower in followers.Values.Where(follower => follower.PlanId == planId))
            Missed(follower);
    }

    private static void Missed(Follower follower)
    {
        while (follower.Line.Reader.TryRead(out _)) { }
        follower.Line.Writer.TryWrite(null);
    }

    private async Task TellAsync(Follower follower)
    {
        try
        {
            await foreach (var change in follower.Line.Reader.ReadAllAsync())
                if (change is null)
                    await hub.Clients.Client(follower.ConnectionId).SendAsync("missed");
                else
                    await hub.Clients.Client(follower.ConnectionId).SendAsync("changed", change);
        }
        catch (Exception e)
        {
            log.LogWarning(e, "Connection {Connection} could not be told about a change", follower.ConnectionId);
            Remove(follower.ConnectionId);
        }
    }
}
