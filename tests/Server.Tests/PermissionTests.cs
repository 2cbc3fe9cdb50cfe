using System.Net;
using System.Net.Http.Json;
using System.Reflection;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Routing;
using Microsoft.AspNetCore.Routing.Patterns;
using Microsoft.AspNetCore.SignalR;
using Microsoft.AspNetCore.SignalR.Client;
using Microsoft.Extensions.DependencyInjection;
using Wellsedes.Core.Arranging;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Plans;
using Wellsedes.Formats.PlanFile;
using Wellsedes.Server.Features.Models;
using Wellsedes.Server.Features.Plans;
using Wellsedes.Server.Features.Work;
using Wellsedes.Server.Security;
using Wellsedes.Store;

namespace Wellsedes.Server.Tests;

/// <summary>Walks every endpoint and every hub call: nothing answers without permission.</summary>
public sealed class PermissionTests(Cluster cluster) : HouseTests(cluster)
{
    private IEnumerable<(string Method, RouteEndpoint Endpoint, string Path)> Endpoints(Guid project, Guid plan)
    {
        _ = House.Server;
        foreach (var endpoint in House.Services.GetRequiredService<EndpointDataSource>().Endpoints.OfType<RouteEndpoint>())
        {
            var pattern = "/" + endpoint.RoutePattern.RawText!.TrimStart('/');
            if (!pattern.StartsWith("/api/", StringComparison.Ordinal))
                continue;
            var path = string.Concat(
                endpoint.RoutePattern.PathSegments.Select(segment =>
                    "/"
                    + string.Concat(
                        segment.Parts.Select(part => part is RoutePatternParameterPart p ? Value(p.Name) : ((dynamic)part).Content)
                    )
                )
            );
            foreach (var method in endpoint.Metadata.GetMetadata<HttpMethodMetadata>()!.HttpMethods)
                yield return (method, endpoint, path);
        }

        string Value(string name) =>
            name switch
            {
                "projectId" => project.ToString(),
                "planId" => plan.ToString(),
                "personId" or "pictureId" or "deletedPlanId" or "file" => Guid.NewGuid().ToString(),
                "sheetId" => "sheet-a",
                "key" => "own-item",
                "letter" => "A",
                _ => "pdf",
            };
    }

    private static async Task<HttpResponseMessage> SendAsync(HttpClient client, string method, string path)
    {
        using var request = new HttpRequestMessage(new HttpMethod(method), path);
        if (method is "POST" or "PUT")
            request.Content = JsonContent.Create(new { });
        return await client.SendAsync(request);
    }

    [Fact]
    public async Task Nothing_but_sign_in_answers_without_a_session()
    {
        using var client = House.CreateClient();
        var open = new List<string>();
        foreach (var (method, endpoint, path) in Endpoints(Guid.NewGuid(), Guid.NewGuid()))
        {
            if (endpoint.Metadata.GetMetadata<IAllowAnonymous>() is not null)
                open.Add(endpoint.RoutePattern.RawText!);
            else
                Assert.Equal((path, HttpStatusCode.Unauthorized), (path, (await SendAsync(client, method, path)).StatusCode));
        }
        // Until somebody has an account the first is made by who has the link for it.
        Assert.Equal(
            ["/api/first-account", "/api/me", "/api/sign-in"],
            open.Select(p => "/" + p.TrimStart('/')).Order(StringComparer.Ordinal)
        );
        Assert.Equal(HttpStatusCode.Unauthorized, (await client.PostAsync("/live/negotiate", null)).StatusCode);
    }

    [Fact]
    public async Task Every_endpoint_of_a_project_or_plan_names_its_role_and_strangers_find_nothing()
    {
        var owner = await House.OwnerAsync();
        var (project, plan) = (await owner.DemoProjectAsync(), await owner.DemoPlanAsync());
        var other = await OtherProjectAsync(owner);
        var viewer = await House.ViewerAsync();
        var walked = 0;
        foreach (var (method, endpoint, path) in Endpoints(other.Project, other.Plan))
        {
            if (!endpoint.RoutePattern.Parameters.Any(p => p.Name is "projectId" or "planId"))
                continue;
            walked++;
            Assert.True(endpoint.Metadata.GetMetadata<NeededRole>() is not null, $"{method} {path} names no role");
            using var request = new HttpRequestMessage(new HttpMethod(method), path + "?finding=x&id=x") { Content = Proper(endpoint) };
            var answer = await viewer.Client.SendAsync(request);
            Assert.True(answer.StatusCode == HttpStatusCode.NotFound, $"{method} {path} answered a stranger {answer.StatusCode}");
        }
        Assert.True(walked >= 15, $"{walked}");
        Assert.NotEqual(project, other.Project);
        Assert.NotEqual(plan, other.Plan);
    }

    [Fact]
    public async Task A_viewer_is_forbidden_whatever_needs_more()
    {
        var viewer = await House.ViewerAsync();
        var (project, plan) = (await viewer.DemoProjectAsync(), await viewer.DemoPlanAsync());
        var walked = 0;
        foreach (var (method, endpoint, path) in Endpoints(project, plan))
            if (endpoint.Metadata.GetMetadata<NeededRole>() is { Role: > ProjectRole.Viewer })
            {
                walked++;
                using var request = new HttpRequestMessage(new HttpMethod(method), path + "?finding=x&id=x") { Content = Proper(endpoint) };
                var answer = await viewer.Client.SendAsync(request);
                Assert.True(answer.StatusCode == HttpStatusCode.Forbidden, $"{method} {path} answered a viewer {answer.StatusCode}");
            }
        Assert.True(walked >= 8, $"{walked}");
        Assert.Equal(HttpStatusCode.OK, (await viewer.Client.GetAsync($"/api/plans/{plan}")).StatusCode);
    }

    /// <summary>A body that can be read, so that only the role stands in the way.</summary>
    private static HttpContent Proper(RouteEndpoint endpoint) =>
        endpoint.Metadata.GetMetadata<IEndpointNameMetadata>()!.EndpointName switch
        {
            "seen" => JsonContent.Create(
                new SeenRequest(new Viewpoint("v", "s", "l", "V", 0, 0, 0, 0, 0, 60, new ViewpointShows())),
                options: PlanJson.Options
            ),
            "keepPicture" => JsonContent.Create(new KeepRequest(Guid.NewGuid())),
            "fills" => JsonContent.Create(new FillsRequest(Visitor.Ottoman("x")), options: PlanJson.Options),
            "editPlan" or "probePlan" or "foresee" => JsonContent.Create(
                new EditRequest(0, Visitor.Ottoman("x")),
                options: PlanJson.Options
            ),
            "addPlan" => JsonContent.Create(new { title = "x", units = "Metric" }),
            "cutOut" => JsonContent.Create(
                new
                {
                    file = "",
                    clear = true,
                    mendings = Array.Empty<int>(),
                }
            ),
            "addMember" => JsonContent.Create(new { email = "x@y.example", role = "Editor" }),
            "issueRevision" => JsonContent.Create(new { @for = "x" }),
            "putLibraryRule" => JsonContent.Create(Core.Rulebooks.HouseRules.Headroom, options: PlanJson.Options),
            "putLibraryItem" => JsonContent.Create(CatalogueList.Shipped.Items[0], options: PlanJson.Options),
            _ => JsonContent.Create(new { }),
        };

    [Fact]
    public async Task Every_hub_call_names_its_role_and_holds_it()
    {
        foreach (
            var method in typeof(PlanHub)
                .GetMethods(BindingFlags.Public | BindingFlags.Instance | BindingFlags.DeclaredOnly)
                .Where(m => m.GetBaseDefinition() == m)
        )
            Assert.True(method.GetCustomAttribute<NeedsPlanRoleAttribute>() is not null, $"{method.Name} names no role");
        var owner = await House.OwnerAsync();
        var plan = await owner.DemoPlanAsync();
        var other = await OtherProjectAsync(owner);
        var viewer = await House.ViewerAsync();
        await using var link = await House.LinkAsync(viewer, Demo.DemoSeed.ViewerEmail);
        await link.InvokeAsync("Follow", plan);
        Edit edit = Visitor.Ottoman("x");
        (string Call, object?[] Arguments)[] calls =
        [
            ("Aim", [new AimQuestion("level-0", default, 0)]),
            ("UseMeter", [0]),
            ("PressMeter", []),
        ];
        foreach (var (call, arguments) in calls)
        {
            Assert.Contains(
                "editor",
                (await Assert.ThrowsAsync<HubException>(() => link.InvokeCoreAsync<object>(call, [plan, .. arguments]))).Message
            );
            Assert.Contains(
                "no such plan",
                (await Assert.ThrowsAsync<HubException>(() => link.InvokeCoreAsync<object>(call, [other.Plan, .. arguments]))).Message
            );
        }
        Assert.Contains("no such plan", (await Assert.ThrowsAsync<HubException>(() => link.InvokeAsync("Follow", other.Plan))).Message);
        foreach (var (on, told) in ((Guid, string)[])[(plan, "editor"), (other.Plan, "no such plan")])
        {
            var refused = await Assert.ThrowsAsync<HubException>(async () =>
            {
                await foreach (var _ in link.StreamAsync<ProbeView>("Probe", on, edit, "", "")) { }
            });
            Assert.Contains(told, refused.Message);
        }
        var work = await Assert.ThrowsAsync<HubException>(async () =>
        {
            await foreach (var _ in link.StreamAsync<WorkTold>("Work", other.Plan, new WorkOrder("sheet-set"))) { }
        });
        Assert.Contains("no such plan", work.Message);
    }

    [Fact]
    public async Task A_change_without_the_page_token_is_refused()
    {
        var owner = await House.OwnerAsync();
        owner.Client.DefaultRequestHeaders.Remove("X-Wellsedes-Token");
        var answer = await owner.Client.PostAsJsonAsync("/api/projects", new { name = "Forged" });
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
    }

    [Fact]
    public async Task A_wrong_password_and_an_unknown_address_are_told_the_same()
    {
        var visitor = new Visitor(House.CreateClient());
        var wrong = await visitor.SignInAsync(Demo.DemoSeed.OwnerEmail, "not-the-password");
        var unknown = await visitor.SignInAsync("nobody@tidemill.example", "not-the-password");
        Assert.Equal((HttpStatusCode.Unauthorized, HttpStatusCode.Unauthorized), (wrong.StatusCode, unknown.StatusCode));
        Assert.Equal(await Visitor.MessageAsync(wrong), await Visitor.MessageAsync(unknown));
    }

    [Fact]
    public async Task Pages_forbid_everything_from_elsewhere()
    {
        using var client = House.CreateClient();
        var policy = (await client.GetAsync("/health")).Headers.GetValues("Content-Security-Policy").Single();
        Assert.Contains("default-src 'none'", policy);
        Assert.DoesNotContain("unsafe", policy);
        Assert.DoesNotContain("http", policy);
    }

    private static async Task<(Guid Project, Guid Plan)> OtherProjectAsync(Visitor owner)
    {
        var made = await (
            await owner.Client.PostAsJsonAsync("/api/projects", new { name = "Elsewhere" })
        ).Content.ReadFromJsonAsync<Features.Projects.PlanMade>();
        var plan = await (
            await owner.Client.PostAsJsonAsync($"/api/projects/{made!.Id}/plans", new { title = "Private", units = "Metric" })
        ).Content.ReadFromJsonAsync<Features.Projects.PlanMade>();
        return (made.Id, plan!.Id);
    }
}
