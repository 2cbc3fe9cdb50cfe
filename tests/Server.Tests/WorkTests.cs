using System.Net;
using Microsoft.AspNetCore.SignalR.Client;
using Microsoft.Extensions.DependencyInjection;
using Wellsedes.Core.Editing;
using Wellsedes.Server.Demo;
using Wellsedes.Server.Features.Plans;
using Wellsedes.Server.Features.Work;

namespace Wellsedes.Server.Tests;

/// <summary>Work in the background: how it stands is told, an edit cancels it or makes it stale, and so does who asked.</summary>
public sealed class WorkTests(Cluster cluster) : HouseTests(cluster)
{
    /// <summary>Work that goes on until it is let go or cancelled.</summary>
    private sealed class Held : IWorkKind
    {
        public ManualResetEventSlim Free { get; } = new();
        public bool WasCancelled { get; private set; }
        public string Name => "held";

        public WorkFile Run(PublishedPlan plan, WorkOrder order, string project, Action<double> progress, CancellationToken cancel)
        {
            progress(0.25);
            try
            {
                Free.Wait(TimeSpan.FromSeconds(20), cancel);
            }
            catch (OperationCanceledException)
            {
                WasCancelled = true;
                throw;
            }
            return new WorkFile([1], "text/plain", "held.txt");
        }
    }

    private async Task<OpenPlan> OpenAsync(Guid plan) => (await House.Services.GetRequiredService<OpenPlans>().GetAsync(plan))!;

    private static async Task<WorkTold> NextAsync(IAsyncEnumerator<WorkTold> told)
    {
        Assert.True(await told.MoveNextAsync().AsTask().WaitAsync(TimeSpan.FromSeconds(60)));
        return told.Current;
    }

    [Fact]
    public async Task All_sheets_come_as_one_file_that_is_fresh_until_the_plan_changes()
    {
        var owner = await House.OwnerAsync();
        var plan = await owner.DemoPlanAsync();
        await owner.DoAsync(plan, new AddSheet("sheet-b", "scheme-a", "level-0"));
        await using var link = await House.LinkAsync(owner, DemoSeed.OwnerEmail);
        var told = link.StreamAsync<WorkTold>("Work", plan, new WorkOrder("sheet-set")).GetAsyncEnumerator();
        var one = await NextAsync(told);
        while (one.Stage == WorkStage.Working)
            one = await NextAsync(told);
        Assert.Equal(WorkStage.Fresh, one.Stage);
        Assert.Equal((await owner.OpenAsync(plan)).Revision, one.Revision);
        var file = await owner.Client.GetByteArrayAsync($"/api/plans/{plan}/work/{one.File}");
        Assert.Equal("%PDF"u8.ToArray(), file[..4]);
        var sheets = (await owner.OpenAsync(plan)).Entities.OfType<Core.Plans.SheetSettings>().Count(s => s.SchemeId == "scheme-a");
        Assert.Equal(3, sheets);
        // Behind them stands the page that tells how the scheme is proved.
        Assert.Equal(sheets + 1, System.Text.Encoding.Latin1.GetString(file).Split("/Type /Page\n").Length - 1);
        // Nobody gets it by another plan's address.
        var answer = await owner.Client.GetAsync($"/api/plans/{plan}/work/{Guid.NewGuid()}");
        Assert.Equal(HttpStatusCode.NotFound, answer.StatusCode);
        await owner.DoAsync(plan, new MoveItems(["table-01"], 5, 0));
        var stale = await NextAsync(told);
        Assert.Equal((WorkStage.Stale, one.File, one.Revision), (stale.Stage, stale.File, stale.Revision));
        Assert.False(await told.MoveNextAsync());
    }

    [Fact]
    public async Task The_next_edit_cancels_it_and_so_does_who_no_longer_listens()
    {
        var owner = await House.OwnerAsync();
        var plan = await owner.DemoPlanAsync();
        var open = await OpenAsync(plan);
        var held = new Held();
        using var work = new BackgroundWork([held]);
        var told = work.RunAsync(open, new WorkOrder("held"), "", CancellationToken.None).GetAsyncEnumerator();
        Assert.Equal((WorkStage.Working, 0), ((await NextAsync(told)).Stage, told.Current.Progress));
        Assert.Equal((WorkStage.Working, 0.25), ((await NextAsync(told)).Stage, told.Current.Progress));
        await owner.DoAsync(plan, new MoveItems(["table-01"], 5, 0));
        var given = await NextAsync(told);
        Assert.Equal((WorkStage.Stale, null), (given.Stage, given.File));
        Assert.True(held.WasCancelled);
        Assert.False(await told.MoveNextAsync());

        var again = new Held();
        using var second = new BackgroundWork([again]);
        using var gone = new CancellationTokenSource();
        var listening = second.RunAsync(open, new WorkOrder("held"), "", gone.Token).GetAsyncEnumerator(CancellationToken.None);
        await NextAsync(listening);
        await NextAsync(listening);
        await gone.CancelAsync();
        Assert.True(SpinWait.SpinUntil(() => again.WasCancelled, 5000));
    }

    [Fact]
    public async Task What_cannot_be_done_is_refused_in_words()
    {
        var owner = await House.OwnerAsync();
        var open = await OpenAsync(await owner.DemoPlanAsync());
        var work = House.Services.GetRequiredService<BackgroundWork>();
        await foreach (var told in work.RunAsync(open, new WorkOrder("tea"), "", CancellationToken.None))
            Assert.Equal((WorkStage.Refused, "There is no work called \"tea\"."), (told.Stage, told.Message));
        Assert.Null(work.FileOf(open.Now.Id, Guid.NewGuid()));
    }
}
