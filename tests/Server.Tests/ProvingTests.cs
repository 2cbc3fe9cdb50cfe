using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Plans;
using Wellsedes.Server.Features.Projects;
using Wellsedes.Server.Features.Rulebooks;
using Wellsedes.Server.Features.Sheets;

namespace Wellsedes.Server.Tests;

/// <summary>The proving report, and what was found when a scheme was last issued, as they leave the server.</summary>
public sealed class ProvingTests(Cluster cluster) : HouseTests(cluster)
{
    [Fact]
    public async Task What_was_found_when_it_was_issued_stays_as_it_was_judged()
    {
        var owner = await House.OwnerAsync();
        var plan = await owner.DemoPlanAsync();
        var path = $"/api/plans/{plan}/last-issued?schemeId={PlanStart.SchemeId}";
        Assert.Equal(HttpStatusCode.NoContent, (await owner.Client.GetAsync(path)).StatusCode);
        (
            await owner.Client.PostAsJsonAsync($"/api/plans/{plan}/sheets/sheet-a/revisions", new { @for = "crew" })
        ).EnsureSuccessStatusCode();
        // Cleared afterwards: the exit is made wide enough, and the book is left.
        var exit = (await owner.OpenAsync(plan)).Entities.OfType<Opening>().Single(opening => opening.Id == "east-exit");
        await owner.DoAsync(
            plan,
            new PutOpening(exit with { Kind = OpeningKind.DoubleDoor, Width = 1300, ClearWidth = 1200 }) { Sure = true }
        );
        var now = (await owner.OpenAsync(plan)).Figures.Findings;
        Assert.DoesNotContain(now, finding => finding.RuleId == "adb-discount");
        for (var i = 0; i < 2; i++)
        {
            var issued = (await owner.Client.GetFromJsonAsync<LastIssuedView>(path, Visitor.Answers))!;
            Assert.Equal("A", issued.Letter);
            Assert.Equal(2, issued.Findings.Length);
            Assert.Contains(issued.Findings, finding => finding is { IsOpen: true } && finding.Id.Contains("adb-discount"));
        }
        Assert.Equal(HttpStatusCode.NoContent, (await owner.Client.GetAsync($"/api/plans/{plan}/last-issued?schemeId=members")).StatusCode);
    }

    [Fact]
    public async Task The_report_comes_as_pages_csv_and_json()
    {
        var owner = await House.OwnerAsync();
        var plan = await owner.DemoPlanAsync();
        foreach (
            var (kind, type, begins) in new[]
            {
                ("pdf", "application/pdf", "%PDF"),
                ("csv", "text/csv", "\uFEFFReport"),
                ("json", "application/json", "{"),
            }
        )
        {
            var answer = await owner.Client.GetAsync($"/api/plans/{plan}/report.{kind}?schemeId=members");
            Assert.Equal(type, answer.Content.Headers.ContentType!.MediaType);
            Assert.StartsWith(
                begins,
                System.Text.Encoding.UTF8.GetString(await answer.Content.ReadAsByteArrayAsync()),
                StringComparison.Ordinal
            );
        }
        var json = (await owner.Client.GetFromJsonAsync<JsonObject>($"/api/plans/{plan}/report.json?schemeId=members"))!;
        Assert.Equal("Members' meeting", (string?)json["scheme"]);
        Assert.Equal(2, json["tables"]!["findings"]!.AsArray().Count);
        Assert.Equal(HttpStatusCode.NotFound, (await owner.Client.GetAsync($"/api/plans/{plan}/report.json?schemeId=none")).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await owner.Client.GetAsync($"/api/plans/{plan}/report.exe?schemeId=members")).StatusCode);
    }

    /// <summary>The project keeps the books of one of its plans; others are held against them when somebody says so, new ones from the first day.</summary>
    [Fact]
    public async Task The_books_of_a_project()
    {
        var (owner, editor, viewer) = (await House.OwnerAsync(), await House.EditorAsync(), await House.ViewerAsync());
        var plan = await owner.DemoPlanAsync();
        var path = $"/api/plans/{plan}/project-books";
        async Task<ProjectBooksView> Kept(Guid of) =>
            (await viewer.Client.GetFromJsonAsync<ProjectBooksView>($"/api/plans/{of}/project-books", Visitor.Answers))!;
        Assert.Empty((await Kept(plan)).Books);
        var house = (Guid)
            (await owner.Client.GetFromJsonAsync<JsonArray>("/api/projects"))![0]!["plans"]!
                .AsArray()
                .Single(one => (string?)one!["title"] == "Tidemill House, three levels")!["id"]!;
        (await owner.Client.PutAsJsonAsync($"/api/plans/{house}/project-books", new { })).EnsureSuccessStatusCode();
        var kept = await Kept(plan);
        Assert.Equal(("N. Ash", false), (kept.KeptBy, kept.AreOfPlan));
        Assert.Contains("Workplaces, Germany", kept.Names);
        Assert.Equal("asr-a1.2-movement-area", Assert.Single(kept.Changes).RuleId);

        // Taken over in one step, and undone in one.
        await owner.DoAsync(plan, new TakeBooks(kept.Books, kept.Changes));
        Assert.True((await Kept(plan)).AreOfPlan);
        Assert.Equal(kept.Books.Length, (await owner.OpenAsync(plan)).Entities.OfType<PlanBook>().Count());
        (await owner.Client.PostAsJsonAsync($"/api/plans/{plan}/undo", new { })).EnsureSuccessStatusCode();
        Assert.False((await Kept(plan)).AreOfPlan);

        // Kept as this plan has them, by who may edit.
        Assert.Equal(HttpStatusCode.Forbidden, (await viewer.Client.PutAsJsonAsync(path, new { })).StatusCode);
        Assert.Equal("N. Ash", (await Kept(plan)).KeptBy);
        (await editor.Client.PutAsJsonAsync(path, new { })).EnsureSuccessStatusCode();
        var own = await Kept(plan);
        Assert.Equal(("M. Teasel", true), (own.KeptBy, own.AreOfPlan));

        // A new plan of the project is held against them.
        var project = (Guid)(await owner.Client.GetFromJsonAsync<JsonArray>("/api/projects"))![0]!["id"]!;
        var made = await (
            await owner.Client.PostAsJsonAsync($"/api/projects/{project}/plans", new { title = "Next", units = "Metric" })
        ).Content.ReadFromJsonAsync<PlanMade>();
        Assert.True((await Kept(made!.Id)).AreOfPlan);
        Assert.Equal(
            own.Books.Select(book => book.Text),
            (await owner.OpenAsync(made.Id)).Entities.OfType<PlanBook>().Select(book => book.Text)
        );
        // What is changed in the one is not in the other, and not in what is kept.
        await owner.DoAsync(made.Id, new LeaveBook(own.Books[0].Id));
        Assert.False((await Kept(made.Id)).AreOfPlan);
        Assert.True((await Kept(plan)).AreOfPlan);
    }

    /// <summary>Books that are none, or are of nothing, are refused with a word; nothing is taken.</summary>
    [Fact]
    public async Task Books_that_are_none_are_refused()
    {
        var owner = await House.OwnerAsync();
        var plan = await owner.DemoPlanAsync();
        var before = (await owner.OpenAsync(plan)).Entities.OfType<PlanBook>().Count();
        foreach (
            var edit in new[]
            {
                "{\"do\":\"take-books\"}",
                "{\"do\":\"take-books\",\"books\":null,\"changes\":null}",
                "{\"do\":\"take-books\",\"books\":[null],\"changes\":[null]}",
                "{\"do\":\"take-books\",\"books\":[{\"id\":\"x\",\"text\":\"[]\"}],\"changes\":[]}",
                "{\"do\":\"take-books\",\"books\":[{\"id\":\"x\",\"text\":null}],\"changes\":[]}",
                "{\"do\":\"take-books\",\"books\":[{\"id\":\"x\",\"text\":\"{}\"}],\"changes\":[null]}",
            }
        )
        {
            using var content = new StringContent($"{{\"baseRevision\":0,\"edit\":{edit}}}", System.Text.Encoding.UTF8, "application/json");
            var answer = await owner.Client.PostAsync($"/api/plans/{plan}/edits", content);
            Assert.InRange((int)answer.StatusCode, 400, 499);
        }
        Assert.Equal(before, (await owner.OpenAsync(plan)).Entities.OfType<PlanBook>().Count());
    }
}
