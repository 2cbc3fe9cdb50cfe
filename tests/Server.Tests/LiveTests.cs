using System.Net.Http.Json;
using System.Text.Json.Nodes;
using System.Threading.Channels;
using Microsoft.AspNetCore.SignalR;
using Microsoft.AspNetCore.SignalR.Client;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Logging.Abstractions;
using Wellsedes.Core.Editing;
using Wellsedes.Server.Demo;
using Wellsedes.Server.Features.Plans;

namespace Wellsedes.Server.Tests;

/// <summary>Who follows a plan hears of every change, and nobody waits for anybody.</summary>
public sealed class LiveTests(Cluster cluster) : HouseTests(cluster)
{
    private static async Task<T> NextAsync<T>(Channel<T> channel)
    {
        using var soon = new CancellationTokenSource(TimeSpan.FromSeconds(60));
        return await channel.Reader.ReadAsync(soon.Token);
    }

    [Fact]
    public async Task Following_says_the_revision_and_every_change_after_it_is_told_in_order()
    {
        var owner = await House.OwnerAsync();
        var viewer = await House.ViewerAsync();
        var plan = await owner.DemoPlanAsync();
        await using var link = await House.LinkAsync(viewer, DemoSeed.ViewerEmail);
        var told = Channel.CreateUnbounded<long>();
        link.On<JsonObject>("changed", change => told.Writer.TryWrite((long)change["revision"]!));
        await owner.DoAsync(plan, new MoveItems(["table-01"], 5, 0));
        var from = await link.InvokeAsync<long>("Follow", plan);
        Assert.Equal((await owner.OpenAsync(plan)).Revision, from);
        for (var i = 0; i < 5; i++)
            await owner.DoAsync(plan, new MoveItems(["table-01"], 5, 0));
        for (var i = 1; i <= 5; i++)
            Assert.Equal(from + i, await NextAsync(told));
        // Following again does not make it hear twice.
        Assert.Equal(from + 5, await link.InvokeAsync<long>("Follow", plan));
        await owner.DoAsync(plan, new MoveItems(["table-01"], 5, 0));
        await owner.DoAsync(plan, new MoveItems(["table-01"], 5, 0));
        Assert.Equal(from + 6, await NextAsync(told));
        Assert.Equal(from + 7, await NextAsync(told));
    }

    /// <summary>A probe that moves many things is answered at once and, when the hand rests, in full; who asks anew hears no second answer.</summary>
    [Fact]
    public async Task Many_things_moved_are_answered_at_once_and_then_in_full()
    {
        var owner = await House.OwnerAsync();
        var plan = await owner.DemoPlanAsync();
        await using var link = await House.LinkAsync(owner, DemoSeed.OwnerEmail);
        await link.InvokeAsync<long>("Follow", plan);
        // As single chairs: those of a block would make way for their copies.
        await owner.DoAsync(plan, new ReleaseBlock("members-rows"));
        string[] chairs =
        [
            .. (await owner.OpenAsync(plan))
                .Entities.OfType<Core.Plans.Item>()
                .Where(item => item.Catalogue == "stacking-chair")
                .Select(item => item.Id),
        ];
        string[] copies = [.. chairs.Select((_, i) => $"copy-{i}")];
        await owner.DoAsync(plan, new DuplicateItems([.. chairs], [.. copies], 0, 150) { Sure = true });
        foreach (var (moved, isMuch) in ((string[], bool)[])[(chairs[..3], false), ([.. chairs, .. copies], true)])
        {
            List<bool> stale = [];
            Edit edit = new MoveItems([.. moved], 40, 20);
            await foreach (var answer in link.StreamAsync<JsonObject>("Probe", plan, edit, "", "members"))
                stale.Add((bool?)answer["figures"]?["stale"] ?? false);
            Assert.Equal(isMuch ? [true, false] : [false], stale);
        }
    }

    [Fact]
    public async Task A_removed_member_hears_nothing_more_and_is_told_to_look_again()
    {
        var owner = await House.OwnerAsync();
        var viewer = await House.ViewerAsync();
        var (project, plan) = (await owner.DemoProjectAsync(), await owner.DemoPlanAsync());
        await using var link = await House.LinkAsync(viewer, DemoSeed.ViewerEmail);
        var heard = Channel.CreateUnbounded<string>();
        link.On<JsonObject>("changed", _ => heard.Writer.TryWrite("changed"));
        link.On("missed", () => heard.Writer.TryWrite("missed"));
        await link.InvokeAsync<long>("Follow", plan);
        await owner.DoAsync(plan, new MoveItems(["table-01"], 5, 0));
        Assert.Equal("changed", await NextAsync(heard));
        var members = (await owner.Client.GetFromJsonAsync<JsonArray>("/api/projects"))!.Single(p => (Guid)p!["id"]! == project)![
            "members"
        ]!.AsArray();
        var person = (Guid)members.Single(member => (string)member!["role"]! == "Viewer")!["personId"]!;
        (await owner.Client.DeleteAsync($"/api/projects/{project}/members/{person}")).EnsureSuccessStatusCode();
        await owner.DoAsync(plan, new MoveItems(["table-01"], 5, 0));
        Assert.Equal("missed", await NextAsync(heard));
        // Whatever else was on its way to them would have come with the answer to this.
        await Assert.ThrowsAsync<Microsoft.AspNetCore.SignalR.HubException>(() => Later(link, plan));
        Assert.False(heard.Reader.TryRead(out _));

        async Task Later(HubConnection link, Guid plan)
        {
            // The role that was asked for before holds for a few seconds more.
            House.Clock.GoOn(TimeSpan.FromSeconds(5.2));
            await link.InvokeAsync<long>("Follow", plan);
        }
    }

    [Fact]
    public void Telling_a_follower_that_stopped_reading_delays_nobody_and_they_are_told_what_they_missed()
    {
        var hub = new StuckHub();
        var followers = new Followers(hub, NullLogger<Followers>.Instance);
        var plan = Guid.NewGuid();
        followers.Add("stuck", Guid.NewGuid(), plan, Guid.NewGuid());
        followers.Add("reads", Guid.NewGuid(), plan, Guid.NewGuid());
        var change = new ChangedView(0, 1, [], [], [], [], [], [], []);
        for (var i = 0; i < 1000; i++)
        {
            followers.Tell(plan, change with { Revision = i });
            Assert.True(SpinWait.SpinUntil(() => hub.Heard("reads") == i + 1, 5000), $"{hub.Heard("reads")} of {i + 1}");
        }
        Assert.Equal(1, hub.Heard("stuck"));
        hub.Free();
        Assert.True(SpinWait.SpinUntil(() => hub.Last("stuck") is "missed" or "changed" && hub.Missed("stuck") == 1, 5000));
        Assert.InRange(hub.Heard("stuck"), 2, 400);
        followers.Remove("reads");
        followers.Tell(plan, change);
        Assert.True(followers.IsFollowed(plan));
        followers.Remove("stuck");
        Assert.False(followers.IsFollowed(plan));
    }

    [Fact]
    public async Task Plans_that_nobody_has_open_are_let_go_and_open_again_as_they_were()
    {
        var owner = await House.OwnerAsync();
        var plan = await owner.DemoPlanAsync();
        await owner.DoAsync(plan, new MoveItems(["table-01"], 5, 0));
        var before = (await owner.OpenAsync(plan)).Revision;
        var plans = House.Services.GetRequiredService<OpenPlans>();
        var open = plans.Count;
        Assert.Equal(0, plans.LetGo(DateTime.UtcNow + OpenPlans.Held - TimeSpan.FromSeconds(30)));
        await using (var link = await House.LinkAsync(owner, DemoSeed.OwnerEmail))
        {
            await link.InvokeAsync<long>("Follow", plan);
            plans.LetGo(DateTime.UtcNow + 2 * OpenPlans.Held);
            Assert.InRange(plans.Count, 1, open);
        }
        Assert.True(
            SpinWait.SpinUntil(() => plans.LetGo(DateTime.UtcNow + 2 * OpenPlans.Held) >= 0 && plans.Count == 0, TimeSpan.FromSeconds(40))
        );
        await owner.DoAsync(plan, new MoveItems(["table-01"], 5, 0));
        Assert.Equal(before + 1, (await owner.OpenAsync(plan)).Revision);
    }

    /// <summary>A hub at whose other end one connection never answers until it is freed.</summary>
    private sealed class StuckHub : IHubContext<PlanHub>, IHubClients
    {
        private readonly TaskCompletionSource free = new(TaskCreationOptions.RunContinuationsAsynchronously);
        private readonly Dictionary<string, List<string>> heard = [];

        public int Heard(string connection)
        {
            lock (heard)
                return heard.GetValueOrDefault(connection)?.Count ?? 0;
        }

        public int Missed(string connection)
        {
            lock (heard)
                return heard.GetValueOrDefault(connection)?.Count(what => what == "missed") ?? 0;
        }

        public string Last(string connection)
        {
            lock (heard)
                return heard[connection][^1];
        }

        public void Free() => free.SetResult();

        private sealed class Line(StuckHub hub, string connection) : ISingleClientProxy
        {
            public Task SendCoreAsync(string method, object?[] args, CancellationToken cancellationToken = default)
            {
                lock (hub.heard)
                {
                    if (!hub.heard.TryGetValue(connection, out var list))
                        hub.heard[connection] = list = [];
                    list.Add(method);
                }
                return connection == "stuck" ? hub.free.Task : Task.CompletedTask;
            }

            public Task<T> InvokeCoreAsync<T>(string method, object?[] args, CancellationToken cancellationToken) =>
                throw new NotSupportedException();
        }

        public ISingleClientProxy Client(string connectionId) => new Line(this, connectionId);

        IClientProxy IHubClients<IClientProxy>.Client(string connectionId) => Client(connectionId);

        public IHubClients Clients => this;
        public IGroupManager Groups => throw new NotSupportedException();
        public IClientProxy All => throw new NotSupportedException();

        public IClientProxy AllExcept(IReadOnlyList<string> excludedConnectionIds) => throw new NotSupportedException();

        IClientProxy IHubClients<IClientProxy>.Clients(IReadOnlyList<string> connectionIds) => throw new NotSupportedException();

        public IClientProxy Group(string groupName) => throw new NotSupportedException();

        IClientProxy IHubClients<IClientProxy>.Groups(IReadOnlyList<string> groupNames) => throw new NotSupportedException();

        public IClientProxy GroupExcept(string groupName, IReadOnlyList<string> excludedConnectionIds) => throw new NotSupportedException();

        public IClientProxy User(string userId) => throw new NotSupportedException();

        public IClientProxy Users(IReadOnlyList<string> userIds) => throw new NotSupportedException();
    }
}
