using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using SkiaSharp;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Plans;
using Wellsedes.Formats.PlanFile;
using Wellsedes.Server.Features.Library;
using Wellsedes.Server.Features.Pictures;
using Wellsedes.Store;

namespace Wellsedes.Server.Tests;

/// <summary>The guard over HTTP and in the database: refused is stored nowhere, and whatever is stored opens.</summary>
public sealed class GuardTests(Cluster cluster) : HouseTests(cluster)
{
    private async Task<WellsedesContext> ContextAsync()
    {
        _ = House.Server;
        return await House.Services.GetRequiredService<IDbContextFactory<WellsedesContext>>().CreateDbContextAsync();
    }

    private static async Task<HttpResponseMessage> SendRawAsync(Visitor visitor, Guid plan, string edit) =>
        await visitor.Client.PostAsync(
            $"/api/plans/{plan}/edits",
            new StringContent($"{{\"baseRevision\":9999,\"edit\":{edit}}}", Encoding.UTF8, "application/json")
        );

    [Theory]
    [InlineData("""{"do":"duplicate-items","ids":["table-01"],"newIds":["n"],"dx":1e300,"dy":0}""", 422)]
    [InlineData("""{"do":"set-brief","brief":{"id":"brief-a","schemeId":"nowhere"}}""", 422)]
    [InlineData("""{"do":"keep-measure","id":"m","schemeId":"scheme-a","levelId":"cellar","from":{"x":0,"y":0},"to":{"x":1,"y":1}}""", 422)]
    [InlineData("""{"do":"move-wall","id":"hall-north","dx":1e15,"dy":-1e15}""", 422)]
    [InlineData("""{"do":"move-items","ids":[null],"dx":1,"dy":1}""", 422)]
    [InlineData("""{"do":"move-items","ids":null,"dx":1,"dy":1}""", 400)]
    [InlineData("""{"do":"copy-room","roomId":"hall","newId":"c","mirror":99,"rotation":0,"dx":0,"dy":0}""", 400)]
    [InlineData("""{"do":"move-items","ids":["table-01"],"dx":1e999,"dy":1}""", 422)]
    [InlineData("""{"do":"no-such-edit"}""", 400)]
    public async Task What_is_refused_is_stored_nowhere(string edit, int status)
    {
        var owner = await House.OwnerAsync();
        var plan = await owner.DemoPlanAsync();
        var before = await owner.Client.GetStringAsync($"/api/plans/{plan}/file");
        Assert.Equal(status, (int)(await SendRawAsync(owner, plan, edit)).StatusCode);
        Assert.Equal(before, await owner.Client.GetStringAsync($"/api/plans/{plan}/file"));
        await using var context = await ContextAsync();
        Assert.Equal(0, await context.Changes.CountAsync(c => c.PlanId == plan));
    }

    [Fact]
    public async Task A_label_stays_as_long_as_it_is_through_forty_undos()
    {
        var owner = await House.OwnerAsync();
        var plan = await owner.DemoPlanAsync();
        await owner.DoAsync(plan, new MoveItems(["table-01"], 5, 0));
        for (var i = 0; i < 40; i++)
        {
            (await owner.Client.PostAsync($"/api/plans/{plan}/undo", null)).EnsureSuccessStatusCode();
            (await owner.Client.PostAsync($"/api/plans/{plan}/redo", null)).EnsureSuccessStatusCode();
        }
        Assert.Equal("Moved item 1", (await owner.OpenAsync(plan)).Undo.Undo);
    }

    [Fact]
    public async Task A_plan_that_fails_opens_for_reading_names_the_entity_and_takes_back_the_last_change()
    {
        var owner = await House.OwnerAsync();
        var plan = await owner.DemoPlanAsync();
        await owner.DoAsync(plan, new MoveItems(["table-01"], 5, 0));
        var whole = await owner.Client.GetStringAsync($"/api/plans/{plan}/file");
        // As an earlier version once stored it: a brief of a scheme that is not there.
        await using (var context = await ContextAsync())
        {
            await owner.DoAsync(plan, new SetBrief(new Brief("brief-a", PlanStart.SchemeId, 77)));
            var last = await context.Changes.Where(c => c.PlanId == plan).OrderByDescending(c => c.Revision).FirstAsync();
            var content = JsonNode.Parse(last.Content)!;
            content["entities"]![0]!["after"]!["schemeId"] = "nowhere";
            last.Content = content.ToJsonString();
            await context.SaveChangesAsync();
        }
        await House.DisposeAsync();
        House = new House(House.Database);
        owner = await House.OwnerAsync();
        var view = await owner.OpenAsync(plan);
        Assert.Equal(("", "Set the brief"), (view.Fault!.EntityId, view.Fault.LastChange));
        Assert.Contains("exactly one brief", view.Fault.Message);
        Assert.NotEmpty(view.Entities);
        var refused = await owner.EditAsync(plan, new MoveItems(["table-01"], 5, 0));
        Assert.Equal(HttpStatusCode.Conflict, refused.StatusCode);
        Assert.Contains("for reading only", await Visitor.MessageAsync(refused));
        Assert.Equal(HttpStatusCode.Conflict, (await owner.Client.GetAsync($"/api/plans/{plan}/sheets/sheet-a/facts")).StatusCode);
        (await owner.Client.PostAsync($"/api/plans/{plan}/take-back", null)).EnsureSuccessStatusCode();
        Assert.Null((await owner.OpenAsync(plan)).Fault);
        Assert.Equal(whole, await owner.Client.GetStringAsync($"/api/plans/{plan}/file"));
        await owner.DoAsync(plan, new MoveItems(["table-01"], 5, 0));
    }

    [Fact]
    public async Task A_log_that_does_not_fit_opens_as_far_as_it_does()
    {
        var owner = await House.OwnerAsync();
        var plan = await owner.DemoPlanAsync();
        await owner.DoAsync(plan, Visitor.Ottoman("o"));
        await owner.DoAsync(plan, new Remove(["o"]));
        await using (var context = await ContextAsync())
            await context
                .Changes.Where(c => c.PlanId == plan && c.Revision == 1)
                .ExecuteUpdateAsync(c => c.SetProperty(x => x.Content, "{\"label\":\"x\",\"entities\":[]}"));
        await House.DisposeAsync();
        House = new House(House.Database);
        owner = await House.OwnerAsync();
        Assert.Contains("Revision 2", (await owner.OpenAsync(plan)).Fault!.Message);
    }

    [Fact]
    public async Task An_import_is_all_or_nothing()
    {
        var owner = await House.OwnerAsync();
        var project = await owner.DemoProjectAsync();
        var tidemill = JsonNode.Parse(await File.ReadAllBytesAsync(Path.Combine(Cluster.Root, "demo", "tidemill-house.wellsedes.json")))!;
        await using var context = await ContextAsync();
        var (plans, pictures) = (await context.Plans.CountAsync(), await context.Pictures.CountAsync());
        // A second picture that is none: the plan is not taken in without it.
        tidemill["pictures"]!
            .AsArray()
            .Add(
                new JsonObject
                {
                    ["id"] = Guid.NewGuid().ToString(),
                    ["name"] = "x",
                    ["page"] = 1,
                    ["file"] = "AAAA",
                }
            );
        using var broken = new StringContent(tidemill.ToJsonString(), Encoding.UTF8, "application/json");
        Assert.Equal(
            HttpStatusCode.UnprocessableEntity,
            (await owner.Client.PostAsync($"/api/projects/{project}/plan-files", broken)).StatusCode
        );
        Assert.Equal((plans, pictures), (await context.Plans.CountAsync(), await context.Pictures.CountAsync()));
    }

    [Fact]
    public async Task Pictures_that_a_plan_takes_can_be_exported_and_imported_again()
    {
        var owner = await House.OwnerAsync();
        var (project, plan) = (await owner.DemoProjectAsync(), await owner.DemoPlanAsync());
        // Noise does not pack: two pictures of 27 MB, 72 MB as text.
        for (var i = 0; i < 2; i++)
        {
            using var sent = new ByteArrayContent(Noise(3000, 3000, i));
            var taken = await owner.Client.PostAsync($"/api/plans/{plan}/pictures?name=noise-{i}", sent);
            Assert.True(taken.IsSuccessStatusCode, await taken.Content.ReadAsStringAsync());
            var picture = (await taken.Content.ReadFromJsonAsync<PictureView>(Visitor.Answers))!;
            await owner.DoAsync(
                plan,
                new PutBacking(new Backing($"b{i}", PlanStart.LevelId, picture.Id.ToString(), $"noise {i}", 3000, 3000, 0, 0, 0, 5))
            );
        }
        var file = await owner.Client.GetByteArrayAsync($"/api/plans/{plan}/file");
        Assert.True(file.Length > 64 * 1024 * 1024, $"{file.Length}");
        using var content = new ByteArrayContent(file);
        var imported = await owner.Client.PostAsync($"/api/projects/{project}/plan-files", content);
        Assert.True(imported.IsSuccessStatusCode, await imported.Content.ReadAsStringAsync());
    }

    private static byte[] Noise(int width, int height, int seed)
    {
        using var bitmap = new SKBitmap(width, height, SKColorType.Rgba8888, SKAlphaType.Opaque);
        var random = new Random(seed);
        var pixels = new byte[bitmap.ByteCount];
        random.NextBytes(pixels);
        System.Runtime.InteropServices.Marshal.Copy(pixels, 0, bitmap.GetPixels(), pixels.Length);
        using var data = bitmap.Encode(SKEncodedImageFormat.Png, 100);
        return data.ToArray();
    }

    [Fact]
    public async Task Junk_behind_a_pictures_end_is_refused_and_says_how_much()
    {
        var owner = await House.OwnerAsync();
        var plan = await owner.DemoPlanAsync();
        using var junk = new ByteArrayContent([.. Noise(20, 20, 1), .. new byte[19 * 1024 * 1024]]);
        var answer = await owner.Client.PostAsync($"/api/plans/{plan}/pictures?name=x", junk);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        Assert.Contains("19456 kB stand behind", await Visitor.MessageAsync(answer));
    }

    [Fact]
    public async Task A_picture_is_deleted_when_nothing_uses_it_and_brought_back()
    {
        var owner = await House.OwnerAsync();
        var plan = await owner.DemoPlanAsync();
        using var sent = new ByteArrayContent(Noise(30, 20, 1));
        var picture = (
            await (await owner.Client.PostAsync($"/api/plans/{plan}/pictures?name=sketch", sent)).Content.ReadFromJsonAsync<PictureView>(
                Visitor.Answers
            )
        )!;
        await owner.DoAsync(plan, new PutBacking(new Backing("b", PlanStart.LevelId, picture.Id.ToString(), "Sketch", 30, 20, 0, 0, 0, 5)));
        var path = $"/api/plans/{plan}/pictures/{picture.Id}";
        Assert.Contains("Sketch", await Visitor.MessageAsync(await owner.Client.DeleteAsync(path)));
        await owner.DoAsync(plan, new Remove(["b"]));
        (await owner.Client.DeleteAsync(path)).EnsureSuccessStatusCode();
        Assert.NotNull(
            (await owner.Client.GetFromJsonAsync<KeptPicture[]>($"/api/plans/{plan}/pictures", Visitor.Answers))!.Single().DeletedAt
        );
        (await owner.Client.PostAsync($"{path}/restore", null)).EnsureSuccessStatusCode();
        Assert.Null(
            (await owner.Client.GetFromJsonAsync<KeptPicture[]>($"/api/plans/{plan}/pictures", Visitor.Answers))!.Single().DeletedAt
        );
    }

    [Fact]
    public async Task Deleted_plans_and_projects_come_back_until_they_are_gone_for_good()
    {
        var owner = await House.OwnerAsync();
        var (project, plan) = (await owner.DemoProjectAsync(), await owner.DemoPlanAsync());
        (await owner.Client.DeleteAsync($"/api/plans/{plan}")).EnsureSuccessStatusCode();
        Assert.Equal(HttpStatusCode.NotFound, (await owner.Client.GetAsync($"/api/plans/{plan}")).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await owner.EditAsync(plan, Visitor.Ottoman("x"))).StatusCode);
        (await owner.Client.PostAsync($"/api/projects/{project}/deleted-plans/{plan}/restore", null)).EnsureSuccessStatusCode();
        await owner.DoAsync(plan, Visitor.Ottoman("x"));
        (await owner.Client.DeleteAsync($"/api/projects/{project}")).EnsureSuccessStatusCode();
        Assert.Equal(HttpStatusCode.NotFound, (await owner.Client.GetAsync($"/api/plans/{plan}")).StatusCode);
        Assert.Empty((await owner.Client.GetFromJsonAsync<JsonArray>("/api/projects"))!);
        (await owner.Client.PostAsync($"/api/projects/{project}/restore", null)).EnsureSuccessStatusCode();
        Assert.NotNull(await owner.OpenAsync(plan));
        (await owner.Client.DeleteAsync($"/api/plans/{plan}")).EnsureSuccessStatusCode();
        await using var context = await ContextAsync();
        Assert.Equal(0, await Bin.EmptyAsync(context, DateTime.UtcNow.AddDays(29), CancellationToken.None));
        Assert.Equal(1, await Bin.EmptyAsync(context, DateTime.UtcNow.AddDays(31), CancellationToken.None));
        Assert.False(await context.Plans.AnyAsync(p => p.Id == plan));
        Assert.False(await context.Changes.AnyAsync(c => c.PlanId == plan));
    }

    [Fact]
    public async Task The_projects_library_has_a_log_and_a_plan_takes_its_newest_by_an_edit()
    {
        var owner = await House.OwnerAsync();
        var (project, plan) = (await owner.DemoProjectAsync(), await owner.DemoPlanAsync());
        var table = CatalogueList.Shipped.Find("round-table-1525")! with { Key = "mill-table", Name = "Mill table" };
        async Task<LibraryItem> PutAsync(CatalogueItem item)
        {
            var answer = await owner.Client.PutAsJsonAsync($"/api/projects/{project}/library/mill-table", item, PlanJson.Options);
            Assert.True(answer.IsSuccessStatusCode, await answer.Content.ReadAsStringAsync());
            return (await answer.Content.ReadFromJsonAsync<LibraryItem>(Visitor.Answers))!;
        }
        var first = await PutAsync(table);
        await owner.DoAsync(plan, new PutOwnItem(new OwnItem("mill-table", first.Item, first.Revision)));
        await owner.DoAsync(plan, new PlaceItem("m", PlanStart.SchemeId, PlanStart.LevelId, "mill-table", 9000, 2600));
        var seats = (await owner.OpenAsync(plan)).Figures.Tally.Seats;
        var second = await PutAsync(table with { Seats = new SeatsBySide(Around: 6) });
        Assert.True(second.Revision > first.Revision);
        // The plan keeps its copy until somebody takes the newer one; that can be undone.
        Assert.Equal(seats, (await owner.OpenAsync(plan)).Figures.Tally.Seats);
        await owner.DoAsync(plan, new PutOwnItem(new OwnItem("mill-table", second.Item, second.Revision)));
        Assert.Equal(seats - 2, (await owner.OpenAsync(plan)).Figures.Tally.Seats);
        (await owner.Client.PostAsync($"/api/plans/{plan}/undo", null)).EnsureSuccessStatusCode();
        Assert.Equal(seats, (await owner.OpenAsync(plan)).Figures.Tally.Seats);
        (await owner.Client.DeleteAsync($"/api/projects/{project}/library/mill-table")).EnsureSuccessStatusCode();
        Assert.Empty((await owner.Client.GetFromJsonAsync<LibraryItem[]>($"/api/projects/{project}/library", Visitor.Answers))!);
        var wrong = await owner.Client.PutAsJsonAsync(
            $"/api/projects/{project}/library/x",
            table with
            {
                Key = "x",
                Maker = "nobody",
            },
            PlanJson.Options
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, wrong.StatusCode);
    }

    [Fact]
    public async Task A_changed_own_item_is_refused_when_another_scheme_cannot_be_worked_out_with_it()
    {
        var owner = await House.OwnerAsync();
        var plan = await owner.DemoPlanAsync();
        var stick = CatalogueList.Shipped.Find("long-table-1830")! with
        {
            Key = "stick",
            Name = "Stick",
            Size = new ItemSize(200, 200, 700),
            Seats = default,
        };
        await owner.DoAsync(plan, new PutOwnItem(new OwnItem("stick", stick)));
        await owner.DoAsync(plan, new AddScheme("heap", "Heap"));
        await owner.DoAsync(plan, new PlaceItem("s0", "heap", PlanStart.LevelId, "stick", 9000, 6000));
        for (var count = 1; count < 128; count *= 2)
        {
            string[] ids = [.. Enumerable.Range(0, count).Select(i => $"s{i}")];
            string[] more = [.. Enumerable.Range(count, count).Select(i => $"s{i}")];
            await owner.DoAsync(plan, new DuplicateItems([.. ids], [.. more], 13, 7));
            await owner.DoAsync(plan, new RotateItems([.. more], 90.0 / count));
        }
        var before = await owner.Client.GetStringAsync($"/api/plans/{plan}/file");
        // Nobody looks at that scheme, and yet it must be worked out for whoever does next.
        var long_ = stick with
        {
            Size = new ItemSize(8000, 60, 700),
            Seats = new SeatsBySide(Front: 20, Back: 20),
            MostSeats = 40,
        };
        var refused = await owner.EditAsync(plan, new PutOwnItem(new OwnItem("stick", long_)) { Sure = true });
        Assert.Equal(HttpStatusCode.UnprocessableEntity, refused.StatusCode);
        Assert.Contains("more than 20,000,000 steps", await Visitor.MessageAsync(refused));
        Assert.Equal(before, await owner.Client.GetStringAsync($"/api/plans/{plan}/file"));
        await House.DisposeAsync();
        House = new House(House.Database);
        owner = await House.OwnerAsync();
        Assert.Null((await owner.OpenAsync(plan)).Fault);
    }

    [Fact]
    public async Task A_rule_of_the_library_is_taken_into_a_plan_by_an_edit()
    {
        var owner = await House.OwnerAsync();
        var (project, plan) = (await owner.DemoProjectAsync(), await owner.DemoPlanAsync());
        var path = $"/api/projects/{project}/library-rules/main-aisles";
        var rule = Core.Rulebooks.HouseRules.MainAisle with { Source = "Fire plan of the mill" };
        (await owner.Client.PutAsJsonAsync(path, rule, PlanJson.Options)).EnsureSuccessStatusCode();
        var kept = (
            await owner.Client.GetFromJsonAsync<LibraryRule[]>($"/api/projects/{project}/library-rules", Visitor.Answers)
        )!.Single();
        Assert.Empty((await owner.Client.GetFromJsonAsync<LibraryItem[]>($"/api/projects/{project}/library", Visitor.Answers))!);
        await owner.DoAsync(plan, new PutOwnRule(new OwnRule("aisles", kept.Rule, kept.Revision)));
        Assert.StartsWith(
            "Fire plan of the mill",
            (await owner.OpenAsync(plan)).Figures.Findings.Single(finding => finding.Kind == Core.Findings.FindingKind.Walkway).Source
        );
        (await owner.Client.DeleteAsync(path)).EnsureSuccessStatusCode();
        Assert.Equal(kept.Rule, (await owner.OpenAsync(plan)).Entities.OfType<OwnRule>().Single().Rule);
        var wrong = await owner.Client.PutAsJsonAsync($"/api/projects/{project}/library-rules/no-such", rule, PlanJson.Options);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, wrong.StatusCode);
    }

    [Fact]
    public async Task Figures_sheets_and_items_are_those_of_the_scheme_one_looks_at()
    {
        var owner = await House.OwnerAsync();
        var plan = await owner.DemoPlanAsync();
        var members = (
            await owner.Client.GetFromJsonAsync<Features.Plans.PlanView>($"/api/plans/{plan}?schemeId=members", Visitor.Answers)
        )!;
        Assert.Equal(("members", 150, 150), (members.SchemeId, members.Figures.Tally.Seats, members.Figures.Tally.SeatsAsked));
        Assert.Equal(["adb-discount", "adm2-wheelchair-number"], members.Figures.Findings.Select(finding => finding.RuleId).Order());
        var csv = await owner.Client.GetStringAsync($"/api/plans/{plan}/sheets/members-sheet/draft.csv");
        Assert.Contains("Stacking chair", csv);
        Assert.DoesNotContain("Round table", csv);
        var answer = await owner.Client.PostAsJsonAsync(
            $"/api/plans/{plan}/edits",
            new Features.Plans.EditRequest(long.MaxValue, new Remove(["meeting-lectern"]), null, "members"),
            PlanJson.Options
        );
        var done = (await answer.Content.ReadFromJsonAsync<Features.Plans.EditDone>(Visitor.Answers))!;
        var figures = Assert.Single(done.Changed.Figures);
        Assert.Equal(("members", 150), (figures.SchemeId, figures.Figures.Tally.Seats));
        Assert.Equal(96, (await owner.OpenAsync(plan)).Figures.Tally.Seats);
        // Revisions hang on their sheet: each begins with A.
        foreach (var sheet in (string[])["sheet-a", "members-sheet"])
        {
            var issued = await owner.Client.PostAsJsonAsync($"/api/plans/{plan}/sheets/{sheet}/revisions", new { @for = "crew" });
            Assert.Equal("A", (string?)(await issued.Content.ReadFromJsonAsync<JsonObject>())!["letter"]);
        }
    }
}
