using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Microsoft.AspNetCore.SignalR.Client;
using Microsoft.Extensions.DependencyInjection;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Plans;
using Wellsedes.Formats.PlanFile;

namespace Wellsedes.Bench;

/// <summary>Somebody signed in to a server under test.</summary>
internal sealed class Person(Uri address) : IDisposable
{
    private readonly CookieContainer cookies = new();
    private HttpClient? http;

    private HttpClient Http => http ??= new HttpClient(new HttpClientHandler { CookieContainer = cookies }) { BaseAddress = address };

    public async Task SignInAsync()
    {
        await TokenAsync();
        var answer = await Http.PostAsJsonAsync("/api/sign-in", new { email = "n.ash@tidemill.example", password = "orchard-supper" });
        answer.EnsureSuccessStatusCode();
        await TokenAsync();
    }

    private async Task TokenAsync()
    {
        var me = await Http.GetFromJsonAsync<JsonObject>("/api/me");
        Http.DefaultRequestHeaders.Remove("X-Wellsedes-Token");
        Http.DefaultRequestHeaders.Add("X-Wellsedes-Token", (string)me!["token"]!);
    }

    public async Task<Guid> AddAsync(Plan plan)
    {
        var project = (Guid)(await Http.GetFromJsonAsync<JsonArray>("/api/projects"))![0]!["id"]!;
        var body = new ByteArrayContent(PlanFiles.Write(plan));
        body.Headers.ContentType = new("application/json");
        var answer = await Http.PostAsync($"/api/projects/{project}/plan-files", body);
        answer.EnsureSuccessStatusCode();
        return (Guid)(await answer.Content.ReadFromJsonAsync<JsonObject>())!["id"]!;
    }

    public async Task<JsonObject> OpenAsync(Guid plan) => (await Http.GetFromJsonAsync<JsonObject>($"/api/plans/{plan}"))!;

    public Task<HttpResponseMessage> EditAsync(Guid plan, Edit edit, Guid request) =>
        Http.PostAsJsonAsync(
            $"/api/plans/{plan}/edits",
            new
            {
                baseRevision = long.MaxValue,
                edit,
                request,
            },
            PlanJson.Options
        );

    public async Task<HubConnection> FollowAsync(Guid plan)
    {
        var link = new HubConnectionBuilder()
            .WithUrl(new Uri(address, "live"), options => options.Cookies = cookies)
            .AddJsonProtocol(options => PlanJson.Configure(options.PayloadSerializerOptions))
            .Build();
        await link.StartAsync();
        await link.InvokeAsync("Follow", plan);
        return link;
    }

    public void Dispose() => http?.Dispose();
}
