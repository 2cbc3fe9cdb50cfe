using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Plans;
using Wellsedes.Formats.PlanFile;

namespace Wellsedes.Server.Tests;

/// <summary>Backings over HTTP: kept as they came, shown to those who may see the plan, carried in plan files.</summary>
public sealed class PictureTests(Cluster cluster) : HouseTests(cluster)
{
    /// <summary>A 2 x 2 PNG, whole.</summary>
    private static byte[] Png { get; } =
        Convert.FromBase64String("iVBORw0KGgoAAAANSUhEUgAAAAIAAAACCAIAAAD91JpzAAAAEElEQVR4nGOQs4kCIgYIBQASzgLRrSVhwAAAAABJRU5ErkJggg==");

    private static Task<HttpResponseMessage> SendAsync(Visitor visitor, Guid plan, byte[] file, string name = "sketch.png") =>
        visitor.Client.PostAsync($"/api/plans/{plan}/pictures?name={name}", new ByteArrayContent(file));

    private static async Task<Guid> NewPlanAsync(Visitor visitor)
    {
        var project = await visitor.DemoProjectAsync();
        var made = await visitor.Client.PostAsJsonAsync($"/api/projects/{project}/plans", new { title = "Pictures", units = "Metric" });
        return (Guid)(await made.Content.ReadFromJsonAsync<JsonObject>())!["id"]!;
    }

    [Fact]
    public async Task A_picture_is_kept_as_it_came_and_travels_in_the_plan_file()
    {
        var owner = await House.OwnerAsync();
        var plan = await NewPlanAsync(owner);
        var taken = await (await SendAsync(owner, plan, Png)).Content.ReadFromJsonAsync<JsonObject>();
        var id = (string)taken!["id"]!;
        Assert.Equal((2, 2), ((int)taken["columns"]!, (int)taken["rows"]!));
        Assert.Equal(Png, await owner.Client.GetByteArrayAsync($"/api/plans/{plan}/pictures/{id}"));
        await owner.DoAsync(plan, new PutBacking(new Backing("b", PlanStart.LevelId, id, "Sketch", 2, 2, 0, 0, 0, 100)));
        var file = await owner.Client.GetByteArrayAsync($"/api/plans/{plan}/file");
        Assert.Equal(Png, Assert.Single(PlanFiles.ReadWhole(file).Pictures).File);
        // Brought in again it is a plan of its own, with its own copy.
        var project = await owner.DemoProjectAsync();
        var made = await owner.Client.PostAsync($"/api/projects/{project}/plan-files", new ByteArrayContent(file));
        var second = (Guid)(await made.Content.ReadFromJsonAsync<JsonObject>())!["id"]!;
        Assert.Equal(Png, await owner.Client.GetByteArrayAsync($"/api/plans/{second}/pictures/{id}"));
        Assert.Equal("Sketch", (await owner.OpenAsync(second)).Entities.OfType<Backing>().Single().Name);
    }

    [Fact]
    public async Task What_is_no_picture_is_refused_with_its_name_and_nothing_is_kept()
    {
        var owner = await House.OwnerAsync();
        var plan = await NewPlanAsync(owner);
        var answer = await SendAsync(owner, plan, Png[..40], "torn.png");
        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        Assert.StartsWith("torn.png: The picture is broken", await Visitor.MessageAsync(answer));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await SendAsync(owner, plan, Png, " ")).StatusCode);
    }

    [Fact]
    public async Task A_viewer_sees_it_and_cannot_add_one()
    {
        var owner = await House.OwnerAsync();
        var plan = await NewPlanAsync(owner);
        var id = (string)(await (await SendAsync(owner, plan, Png)).Content.ReadFromJsonAsync<JsonObject>())!["id"]!;
        var viewer = await House.ViewerAsync();
        var shown = await viewer.Client.GetAsync($"/api/plans/{plan}/pictures/{id}");
        Assert.Equal("image/png", shown.Content.Headers.ContentType!.MediaType);
        Assert.Equal("nosniff", shown.Headers.GetValues("X-Content-Type-Options").Single());
        Assert.Equal(HttpStatusCode.Forbidden, (await SendAsync(viewer, plan, Png)).StatusCode);
        // A picture is found only under its own plan.
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await owner.Client.GetAsync($"/api/plans/{await NewPlanAsync(owner)}/pictures/{id}")).StatusCode
        );
    }
}
