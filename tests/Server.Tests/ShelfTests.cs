using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Plans;

namespace Wellsedes.Server.Tests;

/// <summary>Plans in the list of projects: their pictures, the archive, a demo put back as it was.</summary>
public sealed class ShelfTests(Cluster cluster) : HouseTests(cluster)
{
    private static async Task<JsonArray> PlansAsync(Visitor visitor, string which = "plans") =>
        (await visitor.Client.GetFromJsonAsync<JsonArray>("/api/projects"))![0]![which]!.AsArray();

    private static JsonNode Entry(JsonArray plans, Guid id) => plans.Single(plan => (Guid)plan!["id"]! == id)!;

    [Fact]
    public async Task Every_plan_has_a_picture_of_what_it_is_now()
    {
        var editor = await House.EditorAsync();
        foreach (var entry in await PlansAsync(editor))
        {
            var png = await editor.Client.GetByteArrayAsync($"/api/plans/{(Guid)entry!["id"]!}/picture?revision=0");
            Assert.Equal([0x89, (byte)'P', (byte)'N', (byte)'G'], png[..4]);
            // 320 x 180, as its header says.
            Assert.Equal((320, 180), ((png[18] << 8) + png[19], (png[22] << 8) + png[23]));
        }
        var plan = await editor.DemoPlanAsync();
        async Task<byte[]> PictureAsync() => await editor.Client.GetByteArrayAsync($"/api/plans/{plan}/picture");
        var before = await PictureAsync();
        Assert.Equal(before, await PictureAsync());
        await editor.DoAsync(plan, Visitor.Ottoman("new-one"));
        var after = await PictureAsync();
        Assert.NotEqual(before, after);
        await editor.DoAsync(plan, new Remove(["new-one"]));
        Assert.Equal(before, await PictureAsync());
    }

    [Fact]
    public async Task A_plan_is_put_in_the_archive_and_taken_out_and_stays_what_it_is()
    {
        var editor = await House.EditorAsync();
        var plan = await editor.DemoPlanAsync();
        var before = (await editor.OpenAsync(plan)).Entities.Length;
        Assert.Equal(HttpStatusCode.NoContent, (await editor.Client.PostAsync($"/api/plans/{plan}/archive", null)).StatusCode);
        Assert.True((bool)Entry(await PlansAsync(editor), plan)["archived"]!);
        Assert.Equal(before, (await editor.OpenAsync(plan)).Entities.Length);
        await editor.DoAsync(plan, Visitor.Ottoman("in-the-archive"));
        Assert.Equal(HttpStatusCode.NoContent, (await editor.Client.PostAsync($"/api/plans/{plan}/unarchive", null)).StatusCode);
        Assert.False((bool)Entry(await PlansAsync(editor), plan)["archived"]!);
        Assert.NotNull(await editor.ItemAsync(plan, "in-the-archive"));
    }

    [Fact]
    public async Task A_plan_of_the_demo_is_put_back_and_nothing_of_the_changed_one_is_lost()
    {
        var editor = await House.EditorAsync();
        var plan = await editor.DemoPlanAsync();
        Assert.True((bool)Entry(await PlansAsync(editor), plan)["isDemo"]!);
        var shipped = (await editor.OpenAsync(plan)).Entities.OfType<Item>().Select(item => item.Id).Order().ToArray();
        await editor.DoAsync(plan, new Remove([shipped[0], shipped[1]]));
        await editor.DoAsync(plan, new SetDetails("Changed by hand", Core.Units.UnitSystem.Metric, 0));
        var answer = await editor.Client.PostAsync($"/api/plans/{plan}/put-back", null);
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        var made = (Guid)(await answer.Content.ReadFromJsonAsync<JsonObject>())!["id"]!;
        Assert.Equal(made, await editor.DemoPlanAsync());
        Assert.Equal(shipped, (await editor.OpenAsync(made)).Entities.OfType<Item>().Select(item => item.Id).Order());
        Assert.True((bool)Entry(await PlansAsync(editor), made)["isDemo"]!);
        Assert.DoesNotContain(await PlansAsync(editor), entry => (Guid)entry!["id"]! == plan);
        // The changed one lies with the deleted plans and comes back whole.
        Assert.Equal("Changed by hand", (string)Entry(await PlansAsync(editor, "deletedPlans"), plan)["title"]!);
        var project = await editor.DemoProjectAsync();
        await editor.Client.PostAsync($"/api/projects/{project}/deleted-plans/{plan}/restore", null);
        Assert.Equal(shipped.Length - 2, (await editor.OpenAsync(plan)).Entities.OfType<Item>().Count());
    }

    [Fact]
    public async Task A_plan_of_ones_own_is_not_put_back()
    {
        var editor = await House.EditorAsync();
        var project = await editor.DemoProjectAsync();
        var made = await editor.Client.PostAsJsonAsync($"/api/projects/{project}/plans", new { title = "Own", units = "Metric" });
        var own = (Guid)(await made.Content.ReadFromJsonAsync<JsonObject>())!["id"]!;
        var answer = await editor.Client.PostAsync($"/api/plans/{own}/put-back", null);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        Assert.Contains("came with the demo", await Visitor.MessageAsync(answer));
        Assert.NotNull(await editor.OpenAsync(own));
    }

    [Fact]
    public async Task A_viewer_sees_pictures_and_changes_nothing()
    {
        var viewer = await House.ViewerAsync();
        var plan = await viewer.DemoPlanAsync();
        Assert.Equal(HttpStatusCode.OK, (await viewer.Client.GetAsync($"/api/plans/{plan}/picture")).StatusCode);
        foreach (var what in (string[])["archive", "unarchive", "put-back"])
            Assert.Equal(HttpStatusCode.Forbidden, (await viewer.Client.PostAsync($"/api/plans/{plan}/{what}", null)).StatusCode);
    }
}
