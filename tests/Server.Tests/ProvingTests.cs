using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Plans;
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
        Assert.Equal(3, json["tables"]!["findings"]!.AsArray().Count);
        Assert.Equal(HttpStatusCode.NotFound, (await owner.Client.GetAsync($"/api/plans/{plan}/report.json?schemeId=none")).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await owner.Client.GetAsync($"/api/plans/{plan}/report.exe?schemeId=members")).StatusCode);
    }
}
