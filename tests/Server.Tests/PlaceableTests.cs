using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json.Nodes;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Formats.PlanFile;
using Wellsedes.Server.Features.Catalogue;
using Wellsedes.Server.Features.Library;
using Wellsedes.Server.Features.Plans;

namespace Wellsedes.Server.Tests;

/// <summary>What can be placed, as a client asks for it: searched, drawn at a size, brought in, kept with the project.</summary>
public sealed class PlaceableTests(Cluster cluster) : HouseTests(cluster)
{
    private static async Task<string[]> FindAsync(Visitor visitor, Guid plan, string text) =>
        (await visitor.Client.GetFromJsonAsync<string[]>($"/api/plans/{plan}/catalogue?text={Uri.EscapeDataString(text)}"))!;

    [Fact]
    public async Task A_search_finds_what_ships_what_the_project_keeps_and_what_the_plan_carries()
    {
        var owner = await House.OwnerAsync();
        var (project, plan) = (await owner.DemoProjectAsync(), await owner.DemoPlanAsync());
        Assert.Equal("sofa-three", (await FindAsync(owner, plan, "couch 3 seats"))[0]);
        var all = await FindAsync(owner, plan, "");
        Assert.True(all.Length >= 250);
        var heron = CatalogueList.Shipped.Find("sofa-two")! with { Key = "heron", Name = "Heron sofa" };
        await owner.Client.PutAsJsonAsync($"/api/projects/{project}/library/heron", heron, PlanJson.Options);
        Assert.Equal(["heron"], await FindAsync(owner, plan, "heron"));
        await owner.DoAsync(plan, new PutOwnItem(new OwnItem("heron", heron with { Name = "Grey heron sofa" })));
        // The plan's own stands for the project's of the same key, and is there once.
        Assert.Equal(["heron"], await FindAsync(owner, plan, "grey heron"));
        Assert.Equal(all.Length + 1, (await FindAsync(owner, plan, "")).Length);
    }

    [Fact]
    public async Task Forms_are_told_at_the_usual_size_and_at_the_one_that_was_bought()
    {
        var owner = await House.OwnerAsync();
        var plan = await owner.DemoPlanAsync();
        var forms = await owner.Client.GetFromJsonAsync<Dictionary<string, FormView>>(
            $"/api/plans/{plan}/forms?key=sofa-three&key=cell-10x12&key=nothing",
            Visitor.Answers
        );
        Assert.Equal(["cell-10x12", "sofa-three"], forms!.Keys.Order());
        var bought = await owner.Client.GetFromJsonAsync<FormView>($"/api/plans/{plan}/form?key=sofa-three&width=2350", Visitor.Answers);
        Assert.Equal(2350, bought!.Box[2] - bought.Box[0], 6);
        foreach (var query in (string[])["key=sofa-three&width=-1", "key=sofa-three&depth=1e12", "key=nothing", ""])
            Assert.Equal(HttpStatusCode.UnprocessableEntity, (await owner.Client.GetAsync($"/api/plans/{plan}/form?{query}")).StatusCode);
    }

    [Fact]
    public async Task What_else_is_to_be_selected_is_told()
    {
        var owner = await House.OwnerAsync();
        var plan = await owner.DemoPlanAsync();
        var tables = (await owner.OpenAsync(plan))
            .Entities.OfType<Item>()
            .Where(item => item is { Catalogue: "round-table-1525", SchemeId: "scheme-a" })
            .ToArray();
        async Task<string[]> SelectedAsync(string query) =>
            (await owner.Client.GetFromJsonAsync<string[]>($"/api/plans/{plan}/selection?{query}"))!;
        var ofKind = await SelectedAsync($"id={tables[0].Id}&which=OfKind");
        Assert.Equal(ofKind, await SelectedAsync($"id={tables[0].Id}"));
        Assert.Equal(12, ofKind.Length);
        Assert.True((await SelectedAsync($"id={tables[0].Id}&which=OfRoom")).Length > 12);
        Assert.Empty(await SelectedAsync("id=nobody&which=Beneath"));
        Assert.Empty(await SelectedAsync(""));
        var wrong = await owner.Client.GetAsync($"/api/plans/{plan}/selection?id={tables[0].Id}&which=Everything");
        Assert.Equal(HttpStatusCode.BadRequest, wrong.StatusCode);
    }

    [Fact]
    public async Task What_an_exchange_would_bring_is_said_and_nothing_is_done()
    {
        var owner = await House.OwnerAsync();
        var plan = await owner.DemoPlanAsync();
        var before = (await owner.OpenAsync(plan)).Revision;
        var edit = new ChangeKind(PlanStart.SchemeId, "round-table-1525", "meeting-table-3600", []);
        var answer = await owner.Client.PostAsJsonAsync($"/api/plans/{plan}/foresight", new EditRequest(before, edit), PlanJson.Options);
        var foresight = (await answer.Content.ReadFromJsonAsync<Foresight>(Visitor.Answers))!;
        Assert.Equal((12, 96, 96), (foresight.Changed, foresight.SeatsBefore, foresight.SeatsAfter));
        Assert.NotEmpty(foresight.NoLongerFit);
        Assert.Equal(before, (await owner.OpenAsync(plan)).Revision);
    }

    [Fact]
    public async Task A_picture_becomes_an_own_item_and_a_bad_one_is_refused_in_words()
    {
        var owner = await House.OwnerAsync();
        var plan = await owner.DemoPlanAsync();
        async Task<HttpResponseMessage> SendAsync(string svg) =>
            await owner.Client.PostAsync(
                $"/api/plans/{plan}/outlines?width=1200&height=700",
                new StringContent(svg, Encoding.UTF8, "image/svg+xml")
            );
        var read = (
            await (await SendAsync("<svg><path d='M0 0h100v40h-60v60H0z'/></svg>")).Content.ReadFromJsonAsync<OutlineRead>(Visitor.Answers)
        )!;
        Assert.Equal((1200.0, 1200.0, 700.0), (read.Width, read.Depth, read.Height));
        var item = CatalogueList.Shipped.Find("bin")! with
        {
            Key = "own-l",
            Name = "L desk",
            Maker = FormMaker.Outline,
            Size = new ItemSize(read.Width, read.Depth, read.Height),
            Shape = read.Shape,
            Parts = 0,
        };
        await owner.DoAsync(plan, new PutOwnItem(new OwnItem("own-l", item)));
        await owner.DoAsync(plan, new PlaceItem("l", PlanStart.SchemeId, PlanStart.LevelId, "own-l", 9000, 2600));
        Assert.Contains((await owner.OpenAsync(plan)).Items, view => view.Id == "l" && view.Name == "L desk");
        var refused = await SendAsync("<svg><script/></svg>");
        Assert.Equal(HttpStatusCode.UnprocessableEntity, refused.StatusCode);
        Assert.Contains("<script>", (string)JsonNode.Parse(await refused.Content.ReadAsStringAsync())!["message"]!);
    }

    [Fact]
    public async Task A_projects_own_items_go_out_as_a_file_and_come_in_whole_or_not_at_all()
    {
        var owner = await House.OwnerAsync();
        var project = await owner.DemoProjectAsync();
        var wren = CatalogueList.Shipped.Find("armchair")! with { Key = "wren", Name = "Wren chair" };
        await owner.Client.PutAsJsonAsync($"/api/projects/{project}/library/wren", wren, PlanJson.Options);
        var file = await owner.Client.GetByteArrayAsync($"/api/projects/{project}/library-file");
        Assert.Contains(OwnItemFile.Read(file), item => item == wren);
        var text = Encoding.UTF8.GetString(
            OwnItemFile.Write([wren with { Name = "Wren chair, new" }, wren with { Key = "tern", Name = "Tern chair" }])
        );
        Task<HttpResponseMessage> TakeInAsync(string content) =>
            owner.Client.PostAsync($"/api/projects/{project}/library-file", new StringContent(content, Encoding.UTF8, "application/json"));
        Assert.Equal(
            HttpStatusCode.UnprocessableEntity,
            (await TakeInAsync(text.Replace("\"height\": 850", "\"height\": -850"))).StatusCode
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await TakeInAsync("{}")).StatusCode);
        async Task<string[]> NamesAsync() =>
            [
                .. (await owner.Client.GetFromJsonAsync<LibraryItem[]>($"/api/projects/{project}/library", Visitor.Answers))!.Select(item =>
                    item.Item.Name
                ),
            ];
        Assert.DoesNotContain("Tern chair", await NamesAsync());
        Assert.Equal(HttpStatusCode.OK, (await TakeInAsync(text)).StatusCode);
        var names = await NamesAsync();
        Assert.Contains("Tern chair", names);
        Assert.Contains("Wren chair, new", names);
    }
}
