using System.Net.Http.Json;
using System.Text.Json;
using System.Text.Json.Nodes;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Plans;
using Wellsedes.Formats.PlanFile;
using Wellsedes.Server.Features.Plans;

namespace Wellsedes.Server.Tests;

/// <summary>A person at the other end of HTTP.</summary>
public sealed class Visitor(HttpClient client)
{
    /// <summary>Answers leave out what is null; a reader of them takes that as null.</summary>
    public static JsonSerializerOptions Answers { get; } = new(PlanJson.Options) { RespectRequiredConstructorParameters = false };

    public HttpClient Client => client;

    public async Task<HttpResponseMessage> SignInAsync(string email, string password)
    {
        await RenewTokenAsync();
        var response = await client.PostAsJsonAsync("/api/sign-in", new { email, password });
        await RenewTokenAsync();
        return response;
    }

    public async Task RenewTokenAsync()
    {
        var me = await client.GetFromJsonAsync<JsonObject>("/api/me");
        client.DefaultRequestHeaders.Remove("X-Wellsedes-Token");
        client.DefaultRequestHeaders.Add("X-Wellsedes-Token", (string)me!["token"]!);
    }

    public async Task<Guid> DemoPlanAsync()
    {
        var projects = await client.GetFromJsonAsync<JsonArray>("/api/projects");
        return (Guid)
            projects![0]!["plans"]!
                .AsArray()
                .First(plan => ((string)plan!["title"]!).StartsWith("Orchard supper", StringComparison.Ordinal))!["id"]!;
    }

    public async Task<Guid> DemoProjectAsync() => (Guid)(await client.GetFromJsonAsync<JsonArray>("/api/projects"))![0]!["id"]!;

    public async Task<PlanView> OpenAsync(Guid plan) => (await client.GetFromJsonAsync<PlanView>($"/api/plans/{plan}", Answers))!;

    public Task<HttpResponseMessage> EditAsync(Guid plan, Edit edit, long revision = long.MaxValue) =>
        client.PostAsJsonAsync($"/api/plans/{plan}/edits", new EditRequest(revision, edit), PlanJson.Options);

    public async Task<EditDone> DoAsync(Guid plan, Edit edit)
    {
        var response = await EditAsync(plan, edit);
        Assert.True(response.IsSuccessStatusCode, await response.Content.ReadAsStringAsync());
        return (await response.Content.ReadFromJsonAsync<EditDone>(Answers))!;
    }

    public async Task<Item?> ItemAsync(Guid plan, string id) =>
        (await OpenAsync(plan)).Entities.OfType<Item>().FirstOrDefault(item => item.Id == id);

    public static async Task<string> MessageAsync(HttpResponseMessage response)
    {
        var body = await response.Content.ReadFromJsonAsync<JsonObject>();
        return (string?)body!["message"] ?? (string?)body["detail"] ?? "";
    }

    public static PlaceItem Ottoman(string id, double x = 9000, double y = 4500) =>
        new(id, PlanStart.SchemeId, PlanStart.LevelId, "ottoman", x, y);
}
