using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.Extensions.DependencyInjection;
using Wellsedes.Server.Demo;
using Wellsedes.Server.Features.Accounts;
using Wellsedes.Store;

namespace Wellsedes.Server.Tests;

/// <summary>Who somebody is: by the account, for as long as the sign-in holds, and nobody else's.</summary>
public sealed class AccountTests(Cluster cluster) : HouseTests(cluster)
{
    [Fact]
    public async Task A_name_is_that_of_the_account_however_often_the_cookie_is_made_anew()
    {
        var owner = await House.OwnerAsync();
        for (var i = 0; i < 3; i++)
            Assert.Equal("N. Ash", (await owner.Client.GetFromJsonAsync<JsonElement>("/api/me")).GetProperty("name").GetString());
        var plan = await owner.DemoPlanAsync();
        var sheets = (await owner.Client.GetFromJsonAsync<JsonElement>($"/api/plans/{plan}"))
            .GetProperty("entities")
            .EnumerateArray()
            .Where(entity => entity.GetProperty("type").GetString() == "sheet");
        var sheet = sheets.First().GetProperty("id").GetString();
        var issued = await owner.Client.PostAsJsonAsync($"/api/plans/{plan}/sheets/{sheet}/revisions", new { @for = "the kitchen" });
        Assert.Equal("N. Ash", (await issued.Content.ReadFromJsonAsync<JsonElement>()).GetProperty("issuedBy").GetString());
    }

    [Fact]
    public async Task A_copied_cookie_is_worth_nothing_after_signing_out_and_another_sign_in_goes_on()
    {
        var owner = await House.OwnerAsync();
        var elsewhere = await House.OwnerAsync();
        var signedIn = await owner.SignInAsync(DemoSeed.OwnerEmail, DemoSeed.Password);
        var cookie = signedIn.Headers.GetValues("Set-Cookie").First(c => c.StartsWith("wellsedes=", StringComparison.Ordinal)).Split(';')[
            0
        ];
        using var thief = House.CreateClient(new WebApplicationFactoryClientOptions { HandleCookies = false });
        thief.DefaultRequestHeaders.Add("Cookie", cookie);
        Assert.Equal(HttpStatusCode.OK, (await thief.GetAsync("/api/projects")).StatusCode);
        (await owner.Client.PostAsync("/api/sign-out", null)).EnsureSuccessStatusCode();
        Assert.Equal(HttpStatusCode.Unauthorized, (await thief.GetAsync("/api/projects")).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await elsewhere.Client.GetAsync("/api/projects")).StatusCode);
        // Also when the server has been started again meanwhile.
        await House.DisposeAsync();
        House = new House(House.Database);
        using var later = House.CreateClient(new WebApplicationFactoryClientOptions { HandleCookies = false });
        later.DefaultRequestHeaders.Add("Cookie", cookie);
        Assert.Equal(HttpStatusCode.Unauthorized, (await later.GetAsync("/api/projects")).StatusCode);
    }

    [Fact]
    public async Task A_given_database_gets_no_demo_people_and_its_first_account_is_made_once_by_who_has_the_link()
    {
        await using var empty = new House(Cluster.NoDatabase(), demo: false);
        var visitor = new Visitor(empty.CreateClient());
        await visitor.RenewTokenAsync();
        var refused = await visitor.Client.PostAsJsonAsync(
            "/api/first-account",
            new FirstPerson("guess", "A. Wren", "a.wren@house.example", "long-enough-word")
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, refused.StatusCode);
        await using var scope = empty.Services.CreateAsyncScope();
        var token = await empty
            .Services.GetRequiredService<FirstAccount>()
            .OpenAsync(scope.ServiceProvider.GetRequiredService<WellsedesContext>());
        var weak = await visitor.Client.PostAsJsonAsync(
            "/api/first-account",
            new FirstPerson(token!, "A. Wren", "a.wren@house.example", "short")
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, weak.StatusCode);
        var first = new FirstPerson(token!, "A. Wren", "a.wren@house.example", "long-enough-word");
        (await visitor.Client.PostAsJsonAsync("/api/first-account", first)).EnsureSuccessStatusCode();
        Assert.Equal(
            HttpStatusCode.UnprocessableEntity,
            (await visitor.Client.PostAsJsonAsync("/api/first-account", first with { Email = "b@house.example" })).StatusCode
        );
        (await visitor.SignInAsync("a.wren@house.example", "long-enough-word")).EnsureSuccessStatusCode();
        Assert.Equal(0, (await visitor.Client.GetFromJsonAsync<JsonElement>("/api/projects")).GetArrayLength());
        Assert.False((await visitor.SignInAsync(DemoSeed.OwnerEmail, DemoSeed.Password)).IsSuccessStatusCode);
    }
}
