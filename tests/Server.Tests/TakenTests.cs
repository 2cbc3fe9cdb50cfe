using System.IO.Compression;
using System.Net;
using System.Net.Http.Json;
using Microsoft.AspNetCore.SignalR.Client;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Plans;
using Wellsedes.Server.Demo;
using Wellsedes.Server.Features.Models;
using Wellsedes.Server.Features.Work;

namespace Wellsedes.Server.Tests;

/// <summary>Pictures in space: taken in the background, kept in the register with the revision that they show, told in words.</summary>
public sealed class TakenTests(Cluster cluster) : HouseTests(cluster)
{
    private static readonly Viewpoint From = new(
        "now",
        "scheme-a",
        "level-0",
        "From the door",
        9000,
        900,
        1600,
        90,
        -5,
        64,
        new ViewpointShows(Inside: true, Findings: true)
    );

    private static async Task<WorkTold> TakeAsync(HubConnection link, Guid plan, WorkOrder order)
    {
        await foreach (var told in link.StreamAsync<WorkTold>("Work", plan, order))
            if (told.Stage != WorkStage.Working)
                return told;
        throw new InvalidOperationException("Nothing was told.");
    }

    [Fact]
    public async Task A_picture_is_taken_kept_with_its_revision_and_fetched_from_the_register()
    {
        var owner = await House.OwnerAsync();
        var plan = await owner.DemoPlanAsync();
        await using var link = await House.LinkAsync(owner, DemoSeed.OwnerEmail);
        var told = await TakeAsync(link, plan, new WorkOrder("picture", "scheme-a", new PictureOrder(320, 200, true, From)));
        Assert.Equal(WorkStage.Fresh, told.Stage);
        var bytes = await owner.Client.GetByteArrayAsync($"/api/plans/{plan}/work/{told.File}");
        Assert.Equal([0x89, (byte)'P', (byte)'N', (byte)'G'], bytes[..4]);
        var address = $"/api/plans/{plan}/taken";
        Assert.Empty((await owner.Client.GetFromJsonAsync<TakenEntry[]>(address))!);
        // Kept once, however often it is asked.
        for (var i = 0; i < 2; i++)
            (await owner.Client.PostAsJsonAsync(address, new KeepRequest(told.File!.Value))).EnsureSuccessStatusCode();
        var kept = Assert.Single((await owner.Client.GetFromJsonAsync<TakenEntry[]>(address))!);
        Assert.Equal(("From the door", told.Revision, 320, 200), (kept.Name, kept.PlanRevision, kept.Width, kept.Height));
        // The plan goes on; the picture stays what it was.
        await owner.DoAsync(plan, new MoveItems(["table-01"], 500, 0));
        Assert.Equal(bytes, await owner.Client.GetByteArrayAsync($"{address}/{kept.Id}.png"));
        // What is no picture, or no longer there, is not kept; who is no member sees nothing of it.
        Assert.Equal(HttpStatusCode.NotFound, (await owner.Client.PostAsJsonAsync(address, new KeepRequest(Guid.NewGuid()))).StatusCode);
        Assert.Equal(HttpStatusCode.NoContent, (await owner.Client.DeleteAsync($"{address}/{kept.Id}")).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await owner.Client.GetAsync($"{address}/{kept.Id}.png")).StatusCode);
    }

    [Fact]
    public async Task One_press_takes_a_picture_from_each_viewpoint()
    {
        var owner = await House.OwnerAsync();
        var plan = await owner.DemoPlanAsync();
        await using var link = await House.LinkAsync(owner, DemoSeed.OwnerEmail);
        var names = (await owner.OpenAsync(plan))
            .Entities.OfType<Viewpoint>()
            .Where(one => one.SchemeId == "scheme-a")
            .Select(one => one.Name);
        var told = await TakeAsync(link, plan, new WorkOrder("picture-set", "scheme-a", new PictureOrder(96, 60, false)));
        Assert.Equal(WorkStage.Fresh, told.Stage);
        using var archive = new ZipArchive(new MemoryStream(await owner.Client.GetByteArrayAsync($"/api/plans/{plan}/work/{told.File}")));
        Assert.Equal(names.Count(), archive.Entries.Count);
        Assert.All(archive.Entries, entry => Assert.EndsWith(".png", entry.Name, StringComparison.Ordinal));
        Assert.Contains(archive.Entries, entry => entry.Name.Contains("entrance", StringComparison.OrdinalIgnoreCase));
    }

    public static TheoryData<string, PictureOrder?> Wrong =>
        new()
        {
            { "16 to 8000", new PictureOrder(8001, 100, false, From) },
            { "from where", new PictureOrder(100, 100, false) },
            { "how large", null },
            { "no longer there", new PictureOrder(100, 100, false, From with { LevelId = "none" }) },
            { "pitch", new PictureOrder(100, 100, false, From with { Pitch = 100 }) },
            { "1 km", new PictureOrder(100, 100, false, From with { X = 1e8 }) },
        };

    [Theory]
    [MemberData(nameof(Wrong))]
    public async Task What_cannot_be_taken_is_refused_in_words(string says, PictureOrder? order)
    {
        var owner = await House.OwnerAsync();
        var plan = await owner.DemoPlanAsync();
        await using var link = await House.LinkAsync(owner, DemoSeed.OwnerEmail);
        var told = await TakeAsync(link, plan, new WorkOrder("picture", "scheme-a", order));
        Assert.Equal(WorkStage.Refused, told.Stage);
        Assert.Contains(says, told.Message, StringComparison.OrdinalIgnoreCase);
    }

    [Fact]
    public async Task What_is_seen_is_told_in_words_and_how_much_of_one_thing()
    {
        var owner = await House.OwnerAsync();
        var plan = await owner.DemoPlanAsync();
        var answer = await owner.Client.PostAsJsonAsync($"/api/plans/{plan}/seen", new SeenRequest(From, "lectern"));
        var seen = (await answer.Content.ReadFromJsonAsync<SeenView>())!;
        Assert.Contains(seen.Things, thing => thing.Name.StartsWith("Dance floor", StringComparison.Ordinal));
        Assert.Contains(
            seen.Things,
            thing => thing.Name.StartsWith("Table", StringComparison.Ordinal) && thing.Distance is > 500 and < 12_000
        );
        Assert.True(seen.Share is null or >= 0 and <= 1);
        var wrong = await owner.Client.PostAsJsonAsync($"/api/plans/{plan}/seen", new SeenRequest(From with { FieldOfView = 500 }));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, wrong.StatusCode);
    }

    [Fact]
    public async Task A_viewer_looks_and_takes_pictures_but_the_register_is_the_editors()
    {
        var owner = await House.OwnerAsync();
        var plan = await owner.DemoPlanAsync();
        var address = $"/api/plans/{plan}/taken";
        var viewer = await House.ViewerAsync();
        Assert.Empty((await viewer.Client.GetFromJsonAsync<TakenEntry[]>(address))!);
        (await viewer.Client.PostAsJsonAsync($"/api/plans/{plan}/seen", new SeenRequest(From))).EnsureSuccessStatusCode();
        await using var link = await House.LinkAsync(viewer, DemoSeed.ViewerEmail);
        var told = await TakeAsync(link, plan, new WorkOrder("picture", "scheme-a", new PictureOrder(64, 48, false, From)));
        Assert.Equal(WorkStage.Fresh, told.Stage);
        var kept = await viewer.Client.PostAsJsonAsync(address, new KeepRequest(told.File!.Value));
        Assert.Equal(HttpStatusCode.Forbidden, kept.StatusCode);
    }

    [Fact]
    public async Task Only_the_worker_that_makes_triangles_fewer_may_compile_and_it_may_do_nothing_else()
    {
        using var client = House.CreateClient();
        async Task<string> PolicyAsync(string path) =>
            string.Join(' ', (await client.GetAsync(path)).Headers.GetValues("Content-Security-Policy"));
        Assert.Contains("'wasm-unsafe-eval'", await PolicyAsync("/assets/simplify.worker-x.js"), StringComparison.Ordinal);
        Assert.DoesNotContain("connect-src", await PolicyAsync("/assets/simplify.worker-x.js"), StringComparison.Ordinal);
        foreach (var path in (string[])["/", "/health", "/api/me", "/assets/x.js", "/x/assets/simplify.worker-x.js"])
            Assert.DoesNotContain("wasm", await PolicyAsync(path), StringComparison.Ordinal);
    }
}
