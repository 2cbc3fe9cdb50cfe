using System.Globalization;
using System.Net.Http.Headers;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using UglyToad.PdfPig;
using UglyToad.PdfPig.DocumentLayoutAnalysis.TextExtractor;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Core.Units;
using Wellsedes.Formats.PlanFile;
using Wellsedes.Server.Features.Plans;
using Wellsedes.Tests.Seeded;

namespace Wellsedes.Server.Tests;

/// <summary>
/// What the server gives out of one plan tells one story: the figures of the tally rail, of the rooms panel and of the findings
/// (JSON), the sheet (PDF) and the schedule (CSV), each asked for as a client does.
/// </summary>
public sealed class OneStoryTests(Cluster cluster) : HouseTests(cluster)
{
    private static string Plain(string text) => text.Replace('\u00a0', ' ').Replace("\r", "");

    private static async Task<PlanView> TakeInAsync(Visitor visitor, Guid project, Plan plan)
    {
        using var file = new ByteArrayContent(PlanFiles.Write(plan, []));
        file.Headers.ContentType = new MediaTypeHeaderValue("application/json");
        var answer = await visitor.Client.PostAsync($"/api/projects/{project}/plan-files", file);
        Assert.True(answer.IsSuccessStatusCode, await answer.Content.ReadAsStringAsync());
        return await visitor.OpenAsync((Guid)(await answer.Content.ReadFromJsonAsync<JsonObject>())!["id"]!);
    }

    [Theory]
    [InlineData(UnitSystem.Metric)]
    [InlineData(UnitSystem.FeetInches)]
    public async Task Many_plans(UnitSystem units)
    {
        var editor = await House.EditorAsync();
        var project = await editor.DemoProjectAsync();
        var pinches = 0;
        for (var seed = 0; seed < Whole.Or(30, 100); seed++)
        {
            var view = await TakeInAsync(editor, project, Drawn.OfSeed(seed, units).Plan);
            var draft = $"/api/plans/{view.Id}/sheets/{view.Entities.OfType<SheetSettings>().First().Id}/draft";
            using var pdf = PdfDocument.Open(await editor.Client.GetByteArrayAsync($"{draft}.pdf"));
            var sheet = Plain(ContentOrderTextExtractor.GetText(pdf.GetPage(1)));
            var csv = await editor.Client.GetStringAsync($"{draft}.csv");

            // The rail and the sheet.
            foreach (var line in view.Figures.TallyLines)
            {
                Assert.Contains(line.Name, sheet);
                Assert.Contains(Plain(line.Rest.Length > 0 ? $"{line.Value} {line.Rest}" : line.Value), sheet);
            }
            // The rooms panel, the rail and the sheet.
            var rooms = view.Shells.Single().Rooms;
            Assert.Equal(2, rooms.Length);
            foreach (var room in rooms)
                Assert.Contains(Plain($"{room.Name} · {AreaText.Write(room.NetInternal, units)}"), sheet);
            var usable = rooms.Where(room => RoomUses.IsUsable(room.Use)).Sum(room => room.NetInternal);
            Assert.Equal(view.Figures.Tally.NetArea!.Value, usable, 6);
            Assert.Equal(view.Shells.Single().Areas.NetInternal, usable, 6);
            Assert.Equal(view.Shells.Single().Areas.GrossInternal, view.Figures.Tally.GrossArea!.Value, 6);
            // The findings: what the narrowest says, the sheet says, and each is told once.
            if (view.Figures.Tally.Narrowest is { } narrowest)
                foreach (var finding in view.Figures.Findings.Where(f => f.Measured == narrowest.Width && f.Needed == narrowest.Needed))
                {
                    Assert.Contains(Plain(finding.MeasuredText), sheet);
                    pinches++;
                }
            Assert.Equal(view.Figures.Findings.Length, view.Figures.Findings.Select(finding => finding.Id).Distinct().Count());
            // Who sits at a desk is told as a workstation, everybody else as a seat: as the items say, so the rail.
            var seats = view.Items.Sum(item => view.Forms[item.Form].Seats);
            Assert.Equal(view.Figures.Tally.Seats + view.Figures.Tally.Workstations, seats);
            // The schedule: as many things as are placed, and the chairs that come with tables and desks.
            var rows = csv.Split('\n', StringSplitOptions.RemoveEmptyEntries)[1..];
            var counted = rows.Sum(row => int.Parse(row.TrimEnd('\r').Split(',')[^5], CultureInfo.InvariantCulture));
            var chairs = view.Entities.OfType<Item>().Count(item => item.Catalogue == "banquet-chair");
            Assert.Equal(view.Items.Length + seats - chairs, counted);
            if (units == UnitSystem.FeetInches)
                Assert.DoesNotContain("millimetre", sheet);
        }
        Assert.True(pinches > 20, $"{pinches}");
    }
}
