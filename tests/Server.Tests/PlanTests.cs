using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json.Nodes;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.Extensions.DependencyInjection;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Plans;
using Wellsedes.Formats.PlanFile;
using Wellsedes.Formats.Writers;
using Wellsedes.Server.Features.Plans;
using Wellsedes.Server.Features.Sheets;

namespace Wellsedes.Server.Tests;

/// <summary>Editing over HTTP against a real PostgreSQL: what is acknowledged is kept, and nothing is half done.</summary>
public sealed class PlanTests(Cluster cluster) : HouseTests(cluster)
{
    private const string SheetId = "sheet-a";

    [Fact]
    public async Task An_answered_edit_leaves_the_house_with_everything_it_has()
    {
        var editor = await House.EditorAsync();
        var answer = await editor.EditAsync(await editor.DemoPlanAsync(), Visitor.Ottoman("whole"));
        var told = (await answer.Content.ReadFromJsonAsync<JsonObject>())!.Select(pair => pair.Key);
        Assert.Equal(
            typeof(EditDone).GetProperties().Select(property => System.Text.Json.JsonNamingPolicy.CamelCase.ConvertName(property.Name)),
            told
        );
    }

    [Fact]
    public async Task The_demo_opens_with_96_seats_and_its_true_findings()
    {
        var owner = await House.OwnerAsync();
        var view = await owner.OpenAsync(await owner.DemoPlanAsync());
        Assert.Equal((96, 96, 12), (view.Figures.Tally.Seats, view.Figures.Tally.SeatsAsked, view.Figures.Tally.Tables));
        Assert.Equal(2, view.Figures.Findings.Length);
        Assert.Equal(
            (110.0, 234.0),
            view.Figures.Findings.Where(one => one.RuleId == "adb-discount").Select(one => (one.Measured, one.Needed)).Single()
        );
        var finding = Assert.Single(view.Figures.Findings, one => one.Kind == Core.Findings.FindingKind.Walkway);
        Assert.Equal(900, finding.Needed);
        Assert.InRange(finding.Measured, 600, 899);
    }

    [Fact]
    public async Task Every_edit_is_kept_through_a_restart_and_can_still_be_undone()
    {
        var owner = await House.OwnerAsync();
        var plan = await owner.DemoPlanAsync();
        await owner.DoAsync(plan, Visitor.Ottoman("kept"));
        for (var i = 0; i < PlanStoreSnapshot + 5; i++)
            await owner.DoAsync(plan, new MoveItems(["kept"], 1, 0));
        await House.DisposeAsync();
        House = new House(House.Database);
        owner = await House.OwnerAsync();
        Assert.Equal(9000 + PlanStoreSnapshot + 5, (await owner.ItemAsync(plan, "kept"))!.X, 6);
        await owner.Client.PostAsync($"/api/plans/{plan}/undo", null);
        Assert.Equal(9000 + PlanStoreSnapshot + 4, (await owner.ItemAsync(plan, "kept"))!.X, 6);
        await owner.Client.PostAsync($"/api/plans/{plan}/redo", null);
        Assert.Equal(9000 + PlanStoreSnapshot + 5, (await owner.ItemAsync(plan, "kept"))!.X, 6);
    }

    private const int PlanStoreSnapshot = Store.PlanStore.ChangesPerSnapshot;

    [Fact]
    public async Task Two_editors_on_the_same_item_the_second_is_told_who_was_first()
    {
        var ash = await House.OwnerAsync();
        var teasel = await House.EditorAsync();
        var plan = await ash.DemoPlanAsync();
        var done = await ash.DoAsync(plan, Visitor.Ottoman("shared"));
        var seen = done.Changed.Revision;
        Assert.Equal(HttpStatusCode.OK, (await teasel.EditAsync(plan, new MoveItems(["shared"], 500, 0), seen)).StatusCode);
        var late = await ash.EditAsync(plan, new MoveItems(["shared"], 0, 500), seen);
        Assert.Equal(HttpStatusCode.Conflict, late.StatusCode);
        Assert.Contains("M. Teasel has just changed this", await Visitor.MessageAsync(late));
        var item = (await ash.ItemAsync(plan, "shared"))!;
        Assert.Equal((9500.0, 4500.0), (item.X, item.Y));
        // Undo of what somebody has built on stops and says whose.
        var undo = await ash.Client.PostAsync($"/api/plans/{plan}/undo", null);
        Assert.Equal(HttpStatusCode.Conflict, undo.StatusCode);
        Assert.Contains("M. Teasel", await Visitor.MessageAsync(undo));
    }

    [Fact]
    public async Task Many_edits_at_once_all_land_one_after_another()
    {
        var owner = await House.OwnerAsync();
        var plan = await owner.DemoPlanAsync();
        await owner.DoAsync(plan, Visitor.Ottoman("busy"));
        var answers = await Task.WhenAll(Enumerable.Range(0, 20).Select(_ => owner.EditAsync(plan, new MoveItems(["busy"], 10, 0))));
        Assert.All(answers, answer => Assert.Equal(HttpStatusCode.OK, answer.StatusCode));
        Assert.Equal(9200, (await owner.ItemAsync(plan, "busy"))!.X, 6);
    }

    [Theory]
    [InlineData(0.0)]
    [InlineData(-4.0)]
    [InlineData(10_000_000.0)]
    public async Task Impossible_sizes_are_refused_and_nothing_changes(double width)
    {
        var owner = await House.OwnerAsync();
        var plan = await owner.DemoPlanAsync();
        var before = (await owner.OpenAsync(plan)).Revision;
        var answer = await owner.EditAsync(plan, new MakeRoom("r", PlanStart.LevelId, "R", width, 4000, 200, 3000));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        Assert.Contains("width", await Visitor.MessageAsync(answer));
        Assert.Equal(before, (await owner.OpenAsync(plan)).Revision);
    }

    [Theory]
    [InlineData(
        """{"baseRevision":0,"edit":{"do":"make-room","id":"r","levelId":"level-0","name":"R","width":NaN,"depth":1,"wallThickness":1,"height":1}}"""
    )]
    [InlineData("""{"baseRevision":0,"edit":{"do":"abolish"}}""")]
    [InlineData("""{"baseRevision":0,"edit":{"do":"move-items","ids":["bar"]}}""")]
    [InlineData("""{"baseRevision":0,"edit":null}""")]
    [InlineData("""{""")]
    public async Task Requests_that_cannot_be_read_are_a_400(string body)
    {
        var owner = await House.OwnerAsync();
        var plan = await owner.DemoPlanAsync();
        var answer = await owner.Client.PostAsync($"/api/plans/{plan}/edits", new StringContent(body, Encoding.UTF8, "application/json"));
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
    }

    [Fact]
    public async Task Plan_files_go_out_and_come_back_and_hostile_ones_stay_out()
    {
        var owner = await House.OwnerAsync();
        var (project, plan) = (await owner.DemoProjectAsync(), await owner.DemoPlanAsync());
        var file = await owner.Client.GetByteArrayAsync($"/api/plans/{plan}/file");
        async Task<HttpResponseMessage> Import(byte[] content)
        {
            var body = new ByteArrayContent(content);
            body.Headers.ContentType = new("application/json");
            return await owner.Client.PostAsync($"/api/projects/{project}/plan-files", body);
        }
        var made = await Import(file);
        var copy = (Guid)(await made.Content.ReadFromJsonAsync<JsonObject>())!["id"]!;
        Assert.Equal(file, await owner.Client.GetByteArrayAsync($"/api/plans/{copy}/file"));
        foreach (var bad in (byte[][])[file[..(file.Length / 2)], "[[[["u8.ToArray(), Encoding.UTF8.GetBytes(new string('[', 100_000)), []])
        {
            var refused = await Import(bad);
            Assert.Equal(HttpStatusCode.UnprocessableEntity, refused.StatusCode);
            Assert.Contains("plan file", await Visitor.MessageAsync(refused));
        }
        var huge = await Import(new byte[PlanFiles.LargestFile + 10]);
        Assert.Equal(HttpStatusCode.RequestEntityTooLarge, huge.StatusCode);
        var projects = await owner.Client.GetFromJsonAsync<JsonArray>("/api/projects");
        var shipped = Directory.GetFiles(Path.Combine(Cluster.Root, "demo"), "*.wellsedes.json").Length;
        Assert.Equal(shipped + 1, projects![0]!["plans"]!.AsArray().Count);
    }

    [Fact]
    public async Task An_issued_revision_never_changes_and_is_fetched_byte_for_byte()
    {
        var owner = await House.OwnerAsync();
        var plan = await owner.DemoPlanAsync();
        var first = await owner.Client.PostAsJsonAsync($"/api/plans/{plan}/sheets/{SheetId}/revisions", new { @for = "Caterer" });
        Assert.Equal("A", (await first.Content.ReadFromJsonAsync<RegisterEntry>(PlanJson.Options))!.Letter);
        var kinds = (string[])["pdf", "svg", "csv", "json"];
        var files = new List<byte[]>();
        foreach (var kind in kinds)
            files.Add(await owner.Client.GetByteArrayAsync($"/api/plans/{plan}/sheets/{SheetId}/revisions/A.{kind}"));
        Assert.StartsWith("%PDF", Encoding.ASCII.GetString(files[0], 0, 4));
        await owner.DoAsync(plan, new Remove(["table-12"]));
        var second = await owner.Client.PostAsJsonAsync($"/api/plans/{plan}/sheets/{SheetId}/revisions", new { @for = "Hall crew" });
        Assert.Equal("B", (await second.Content.ReadFromJsonAsync<RegisterEntry>(PlanJson.Options))!.Letter);
        for (var i = 0; i < kinds.Length; i++)
            Assert.Equal(files[i], await owner.Client.GetByteArrayAsync($"/api/plans/{plan}/sheets/{SheetId}/revisions/A.{kinds[i]}"));
        Assert.NotEqual(files[2], await owner.Client.GetByteArrayAsync($"/api/plans/{plan}/sheets/{SheetId}/revisions/B.csv"));
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await owner.Client.GetAsync($"/api/plans/{plan}/sheets/{SheetId}/revisions/C.pdf")).StatusCode
        );
        var register = await owner.Client.GetFromJsonAsync<RegisterEntry[]>($"/api/plans/{plan}/register", PlanJson.Options);
        Assert.Equal([("B", "Hall crew"), ("A", "Caterer")], register!.Select(entry => (entry.Letter, entry.For)));
    }

    /// <summary>A format that only this test knows is fetched of a draft and kept with what is issued, without a line of the server.</summary>
    [Fact]
    public async Task An_invented_format_is_a_row_and_all_else_follows()
    {
        var words = new Writer(
            "words",
            "txt",
            "text/plain",
            "the title",
            "all else",
            IsKept: true,
            document => document.Schedule is not null,
            (document, _) => Encoding.UTF8.GetBytes(document.Title)
        );
        await using var other = House.WithWebHostBuilder(builder =>
            builder.ConfigureServices(services => services.AddSingleton(Writers.Shipped.With(words)))
        );
        var owner = new Visitor(other.CreateClient());
        await owner.SignInAsync(Demo.DemoSeed.OwnerEmail, Demo.DemoSeed.Password);
        var plan = await owner.DemoPlanAsync();
        var sheet = $"/api/plans/{plan}/sheets/{SheetId}";
        var draft = await owner.Client.GetAsync($"{sheet}/draft.txt");
        Assert.Equal("text/plain", draft.Content.Headers.ContentType!.MediaType);
        Assert.Contains("Orchard supper", await draft.Content.ReadAsStringAsync());
        (await owner.Client.PostAsJsonAsync($"{sheet}/revisions", new { @for = "Caterer" })).EnsureSuccessStatusCode();
        Assert.Equal(await draft.Content.ReadAsStringAsync(), await owner.Client.GetStringAsync($"{sheet}/revisions/A.txt"));
        var none = await owner.Client.GetAsync($"{sheet}/draft.exe");
        Assert.Equal(HttpStatusCode.NotFound, none.StatusCode);
        Assert.Contains("there are pdf, svg, png, csv, txt", await Visitor.MessageAsync(none));
    }

    [Fact]
    public async Task A_sheet_that_does_not_fit_is_not_issued()
    {
        var owner = await House.OwnerAsync();
        var plan = await owner.DemoPlanAsync();
        var sheet = (await owner.OpenAsync(plan)).Entities.OfType<SheetSettings>().Single(sheet => sheet.Id == SheetId);
        await owner.DoAsync(plan, new SetSheet(sheet with { Scale = 20 }));
        var refused = await owner.Client.PostAsJsonAsync($"/api/plans/{plan}/sheets/{SheetId}/revisions", new { @for = "" });
        Assert.Equal(HttpStatusCode.UnprocessableEntity, refused.StatusCode);
        Assert.Contains("does not fit A3", await Visitor.MessageAsync(refused));
    }

    [Theory]
    [InlineData("13' 9 3/8\"", 4200.525)]
    [InlineData("6000 - 1550", 4450)]
    public async Task Typed_figures_are_read_by_the_core(string text, double value)
    {
        var owner = await House.OwnerAsync();
        var answer = await owner.Client.PostAsJsonAsync(
            "/api/figures",
            new
            {
                text,
                units = "Metric",
                angle = false,
            }
        );
        Assert.Equal(value, (double)(await answer.Content.ReadFromJsonAsync<JsonObject>())!["value"]!, 6);
    }

    [Theory]
    [InlineData(1, "A")]
    [InlineData(26, "Z")]
    [InlineData(27, "AA")]
    [InlineData(52, "AZ")]
    [InlineData(703, "AAA")]
    public void Revision_letters(int number, string letters)
    {
        Assert.Equal(letters, Letters.Of(number));
        Assert.Equal(number, Letters.Number(letters));
    }
}
