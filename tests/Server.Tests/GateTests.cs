using System.Net;
using System.Net.Http.Json;
using Npgsql;
using Wellsedes.Core.Editing;
using Wellsedes.Formats.PlanFile;
using Wellsedes.Server.Features.Plans;

namespace Wellsedes.Server.Tests;

/// <summary>The gate is for edits: nobody else waits at it, one that comes twice is done once, and those that wait go through together.</summary>
public sealed class GateTests(Cluster cluster) : HouseTests(cluster)
{
    private static Task<HttpResponseMessage> Send(Visitor visitor, Guid plan, Edit edit, Guid request, long revision = long.MaxValue) =>
        visitor.Client.PostAsJsonAsync($"/api/plans/{plan}/edits", new EditRequest(revision, edit, Request: request), PlanJson.Options);

    private static async Task<EditDone> Done(Task<HttpResponseMessage> asked)
    {
        var response = await asked;
        Assert.True(response.IsSuccessStatusCode, await response.Content.ReadAsStringAsync());
        return (await response.Content.ReadFromJsonAsync<EditDone>(Visitor.Answers))!;
    }

    [Fact]
    public async Task Questions_are_answered_while_an_edit_cannot_be_stored()
    {
        var owner = await House.OwnerAsync();
        var plan = await owner.DemoPlanAsync();
        await owner.DoAsync(plan, Visitor.Ottoman("asked"));
        var before = await owner.OpenAsync(plan);
        await using var other = new NpgsqlConnection(House.Database);
        await other.OpenAsync();
        await using var held = await other.BeginTransactionAsync();
        await using (var hold = new NpgsqlCommand("""LOCK TABLE "Changes" IN EXCLUSIVE MODE""", other, held))
            await hold.ExecuteNonQueryAsync();
        var edit = owner.EditAsync(plan, new MoveItems(["asked"], 40, 0));
        await StandsAtTheLockAsync();
        Assert.False(edit.IsCompleted);
        var soon = new CancellationTokenSource(TimeSpan.FromSeconds(60)).Token;
        var seen = await owner.Client.GetFromJsonAsync<PlanView>($"/api/plans/{plan}", Visitor.Answers, soon);
        Assert.Equal(before.Revision, seen!.Revision);
        var probe = await owner.Client.PostAsJsonAsync(
            $"/api/plans/{plan}/probes",
            new EditRequest(0, new MoveItems(["asked"], 90, 0)),
            PlanJson.Options,
            soon
        );
        Assert.NotNull((await probe.Content.ReadFromJsonAsync<ProbeView>(Visitor.Answers, soon))!.Figures);
        foreach (var path in (string[])["near?id=asked", "changes?since=0", "sheets/sheet-a/draft.pdf", "file"])
            Assert.Equal(HttpStatusCode.OK, (await owner.Client.GetAsync($"/api/plans/{plan}/{path}", soon)).StatusCode);
        Assert.False(edit.IsCompleted);
        await held.RollbackAsync();
        Assert.Equal(before.Revision + 1, (await Done(edit)).Changed.Revision);
    }

    /// <summary>Until somebody waits for a lock in the database of this test.</summary>
    private async Task StandsAtTheLockAsync()
    {
        await using var look = new NpgsqlConnection(House.Database);
        await look.OpenAsync();
        await using var waiting = new NpgsqlCommand(
            "SELECT count(*) FROM pg_stat_activity WHERE datname = current_database() AND wait_event_type = 'Lock'",
            look
        );
        var until = DateTime.UtcNow.AddSeconds(30);
        while ((long)(await waiting.ExecuteScalarAsync())! == 0)
            Assert.True(DateTime.UtcNow < until, "Nobody came to the lock.");
    }

    [Fact]
    public async Task A_request_that_comes_twice_or_late_is_answered_and_done_once()
    {
        var owner = await House.OwnerAsync();
        var plan = await owner.DemoPlanAsync();
        await owner.DoAsync(plan, Visitor.Ottoman("asked"));
        var (first, second) = (Guid.NewGuid(), Guid.NewGuid());
        var from = await Done(Send(owner, plan, new MoveItems(["asked"], 40, 0), first));
        await Done(Send(owner, plan, new MoveItems(["asked"], 7, 0), second));
        var again = await Done(Send(owner, plan, new MoveItems(["asked"], 40, 0), first));
        Assert.Equal(9047, (await owner.ItemAsync(plan, "asked"))!.X);
        // The answer says what it did, and all that came after it.
        Assert.Equal(from.Label, again.Label);
        Assert.Equal((from.Changed.Since, from.Changed.Revision + 1), (again.Changed.Since, again.Changed.Revision));
        // At the same moment too, and over a restart.
        var third = Guid.NewGuid();
        var both = await Task.WhenAll(Enumerable.Range(0, 6).Select(_ => Done(Send(owner, plan, new MoveItems(["asked"], 100, 0), third))));
        Assert.Single(both.Select(done => done.Changed.Made.Single(made => made.Request == third).Revision).Distinct());
        await using (var restarted = new House(House.Database))
        {
            owner = await restarted.OwnerAsync();
            await Done(Send(owner, plan, new MoveItems(["asked"], 100, 0), third));
            Assert.Equal(9147, (await owner.ItemAsync(plan, "asked"))!.X);
            var undo = Guid.NewGuid();
            for (var i = 0; i < 3; i++)
                await Done(owner.Client.PostAsync($"/api/plans/{plan}/undo?request={undo}", null));
            Assert.Equal(9047, (await owner.ItemAsync(plan, "asked"))!.X);
            var redo = Guid.NewGuid();
            for (var i = 0; i < 3; i++)
                await Done(owner.Client.PostAsync($"/api/plans/{plan}/redo?request={redo}", null));
            Assert.Equal(9147, (await owner.ItemAsync(plan, "asked"))!.X);
            // The name of somebody else's request is no name of one's own.
            var editor = await restarted.EditorAsync();
            await Done(Send(editor, plan, new MoveItems(["asked"], 1, 0), third));
            Assert.Equal(9148, (await owner.ItemAsync(plan, "asked"))!.X);
        }
    }

    [Fact]
    public async Task Many_edits_at_once_are_all_done_in_one_order_and_one_that_is_refused_takes_no_other_along()
    {
        var (owner, editor) = (await House.OwnerAsync(), await House.EditorAsync());
        var plan = await owner.DemoPlanAsync();
        await owner.DoAsync(plan, Visitor.Ottoman("asked"));
        var from = (await owner.OpenAsync(plan)).Revision;
        var answers = await Task.WhenAll(
            Enumerable
                .Range(0, 60)
                .Select(i =>
                    i % 6 == 5
                        ? owner.EditAsync(plan, new MoveItems(["nothing-of-the-kind"], 1, 0))
                        : (i % 2 == 0 ? owner : editor).EditAsync(plan, new MoveItems(["asked"], 1, 0))
                )
        );
        Assert.Equal(10, answers.Count(answer => answer.StatusCode == HttpStatusCode.UnprocessableEntity));
        var done = await Task.WhenAll(answers.Where(answer => answer.IsSuccessStatusCode).Select(answer => Done(Task.FromResult(answer))));
        Assert.Equal(50, done.Length);
        var made = done.SelectMany(one => one.Changed.Made).DistinctBy(one => one.Revision).OrderBy(one => one.Revision).ToArray();
        Assert.Equal(Enumerable.Range(1, 50).Select(i => from + i), made.Select(one => one.Revision));
        Assert.Equal(9050, (await owner.ItemAsync(plan, "asked"))!.X);
        await using var restarted = new House(House.Database);
        Assert.Equal(9050, (await (await restarted.OwnerAsync()).ItemAsync(plan, "asked"))!.X);
    }

    [Fact]
    public async Task What_was_missed_is_told_in_one_and_is_what_the_plan_has_become()
    {
        var owner = await House.OwnerAsync();
        var plan = await owner.DemoPlanAsync();
        var before = await owner.OpenAsync(plan);
        await owner.DoAsync(plan, Visitor.Ottoman("kept"));
        await owner.DoAsync(plan, Visitor.Ottoman("gone", 9000, 6000));
        await owner.DoAsync(plan, new Remove(["gone"]));
        await owner.DoAsync(plan, new MoveItems(["kept", "table-01"], 12, 0));
        var missed = await owner.Client.GetFromJsonAsync<ChangedView>(
            $"/api/plans/{plan}/changes?since={before.Revision}",
            Visitor.Answers
        );
        var after = await owner.OpenAsync(plan);
        Assert.Equal((before.Revision, after.Revision), (missed!.Since, missed.Revision));
        Assert.Equal(4, missed.Made.Length);
        var held = before.Entities.ToDictionary(entity => entity.Id);
        foreach (var (id, entity) in missed.Entities)
            if (entity is null)
                held.Remove(id);
            else
                held[id] = entity;
        Assert.Equal(after.Entities, held.Values.OrderBy(entity => entity.Id, StringComparer.Ordinal));
        // A list in a record is compared by its content only where that is asked.
        var told = missed.Figures.Single(figures => figures.SchemeId == after.SchemeId).Figures.Tally;
        Assert.Equal(after.Figures.Tally with { Stock = [], Holds = [] }, told with { Stock = [], Holds = [] });
        Assert.Equal(after.Figures.Tally.Holds.Select(hold => hold.Lowest), told.Holds.Select(hold => hold.Lowest));
        Assert.Equal(after.Figures.Tally.Stock.AsEnumerable(), told.Stock);
        Assert.Equal(HttpStatusCode.Gone, (await owner.Client.GetAsync($"/api/plans/{plan}/changes?since=-1")).StatusCode);
        var ahead = await owner.Client.GetAsync($"/api/plans/{plan}/changes?since={after.Revision + 1}");
        Assert.Equal(HttpStatusCode.Gone, ahead.StatusCode);
        Assert.Empty(
            (await owner.Client.GetFromJsonAsync<ChangedView>($"/api/plans/{plan}/changes?since={after.Revision}", Visitor.Answers))!.Made
        );
    }

    [Fact]
    public async Task Undo_passes_over_what_others_built_on_says_so_and_reaches_the_older_ones()
    {
        var (owner, editor) = (await House.OwnerAsync(), await House.EditorAsync());
        var plan = await owner.DemoPlanAsync();
        await owner.DoAsync(plan, Visitor.Ottoman("older"));
        await owner.DoAsync(plan, Visitor.Ottoman("built-on", 9000, 6000));
        await editor.DoAsync(plan, new MoveItems(["built-on"], 15, 0));
        var done = await Done(owner.Client.PostAsync($"/api/plans/{plan}/undo", null));
        Assert.Contains("M. Teasel has since changed the same things", done.Note);
        Assert.Null(await owner.ItemAsync(plan, "older"));
        Assert.NotNull(await owner.ItemAsync(plan, "built-on"));
        Assert.Contains("laced", done.Undo.Redo);
        // Brought again, it is the next to be undone again; the other stays passed over.
        await Done(owner.Client.PostAsync($"/api/plans/{plan}/redo", null));
        Assert.NotNull(await owner.ItemAsync(plan, "older"));
        await Done(owner.Client.PostAsync($"/api/plans/{plan}/undo", null));
        Assert.Null(await owner.ItemAsync(plan, "older"));
        // Once the other has taken theirs back, it can be undone too.
        await Done(editor.Client.PostAsync($"/api/plans/{plan}/undo", null));
        await Done(owner.Client.PostAsync($"/api/plans/{plan}/undo", null));
        Assert.Null(await owner.ItemAsync(plan, "built-on"));
        await using var restarted = new House(House.Database);
        Assert.Null(await (await restarted.OwnerAsync()).ItemAsync(plan, "built-on"));
    }
}
