using System.Text;
using System.Text.Json;
using Wellsedes.Core.Drawings;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.KindsOfThing;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Core.Units;
using Wellsedes.Formats.Lettering;
using Wellsedes.Formats.Pdf;
using Wellsedes.Formats.Sheets;

namespace Wellsedes.Formats.Tests;

/// <summary>The proving report as it leaves the house: pages, CSV and JSON tell the same, nothing is lost and nothing runs out of its page.</summary>
public sealed class ReportTests
{
    private static PlanState Hall(int rooms, UnitSystem units = UnitSystem.Metric, string use = "Assembly")
    {
        var planner = new Planner();
        var plan = Plan.Of(PlanStart.Entities("Report", units), Shipped.Library);
        void Do(Edit edit)
        {
            var answer = planner.Answer(plan, edit);
            Assert.True(answer.Change is not null, answer.Problem?.Message);
            Assert.True(plan.TryApply(answer.Change!, out plan, out _));
        }
        for (var i = 0; i < rooms; i++)
        {
            Do(new MakeRoom($"r{i}", PlanStart.LevelId, $"Room {i}", 8000, 6000, 200, 3000) { X = 9000 * (i % 8), Y = 7000 * (i / 8) });
            Do(new NameRoom($"r{i}", $"Room {i}", use, ""));
        }
        Do(new ChooseBook("a", "international-model-code"));
        Do(new ChooseBook("b", "english-guidance"));
        Do(new ChangeRule("off", "ibc-1010.1.1-door-clear", "", null, "Listed door, kept as it is"));
        return planner.StateOf(plan, PlanStart.SchemeId, PlanStart.LevelId);
    }

    private static SheetInput Input(PlanState state, string paper = "A4", bool landscape = false)
    {
        var settings = state.Plan.OfScheme<SheetSettings>(state.SchemeId).First() with { Paper = paper, Landscape = landscape };
        return state.SheetInput(settings, "Project", "", "Draft", new DateOnly(2026, 11, 27));
    }

    private static string Printed(Drawing drawing) => string.Join(' ', drawing.Marks.OfType<TextMark>().Select(mark => mark.Text));

    [Theory]
    [InlineData("A4", false, UnitSystem.Metric)]
    [InlineData("A3", true, UnitSystem.Metric)]
    [InlineData("Letter", true, UnitSystem.FeetInches)]
    public void Every_row_is_printed_once_within_its_page(string paper, bool landscape, UnitSystem units)
    {
        var state = Hall(20, units);
        var report = ProvingReport.Of(state);
        var pages = new ReportPages(Typefaces.Shared).Compose(report, Input(state, paper, landscape));
        Assert.True(pages.Length > 1);
        foreach (var (page, i) in pages.Select((page, i) => (page, i)))
        {
            Assert.Contains($"{i + 1}/{pages.Length}", Printed(page));
            var (frame, title) = (new Bounds(20, 10, page.Width - 10, page.Height - 10), page.Height - 10 - 36);
            Assert.All(
                page.Marks.OfType<TextMark>(),
                mark =>
                {
                    Assert.InRange(mark.At.X, frame.MinX, frame.MaxX);
                    Assert.True(mark.At.X + Typefaces.Shared.Width(mark.Text, mark.Size, mark.Bold) <= frame.MaxX + 0.1, mark.Text);
                    Assert.InRange(mark.At.Y, frame.MinY, frame.MaxY);
                }
            );
            Assert.True(page.Marks.OfType<TextMark>().Where(mark => mark.Size == 2.4).All(mark => mark.At.Y < title));
        }
        // Words may be broken at the end of a line; their letters are all there.
        var letters = string.Concat(string.Join("", pages.Select(Printed)).Where(char.IsLetterOrDigit));
        foreach (
            var cell in report.Tables.SelectMany(table => table.Rows).SelectMany(row => row).SelectMany(cell => cell.Split(' ')).Distinct()
        )
            Assert.True(
                letters.Contains(string.Concat(cell.Where(char.IsLetterOrDigit)), StringComparison.Ordinal) || cell.Length > 20,
                cell
            );
        Assert.StartsWith("%PDF", Encoding.ASCII.GetString(PdfWriter.Write(pages), 0, 4));
    }

    [Fact]
    public void Findings_people_and_changes_are_in_all_three()
    {
        var state = Hall(3);
        var report = ProvingReport.Of(state);
        Assert.NotEmpty(state.Findings);
        var csv = Encoding.UTF8.GetString(ReportFiles.Csv(report));
        using var json = JsonDocument.Parse(ReportFiles.Json(report));
        var findings = json.RootElement.GetProperty("tables").GetProperty("findings");
        Assert.Equal(
            state.Findings.Select(finding => finding.Id),
            findings.EnumerateArray().Select(row => row.GetProperty("Id").GetString())
        );
        foreach (var finding in state.Findings)
            Assert.Contains(finding.Id, csv);
        var people = json.RootElement.GetProperty("tables").GetProperty("people").EnumerateArray().ToArray();
        Assert.Equal(state.Loads.Length, people.Length);
        Assert.Equal(
            "35",
            people.First(row => row.GetProperty("Rulebook").GetString() == "International model code").GetProperty("People").GetString()
        );
        Assert.Contains("516.7 ft² net / 15 = 34.4, so 35", csv);
        Assert.Contains("Listed door, kept as it is", csv);
        Assert.Equal(
            report.Tables.Sum(table => table.Rows.Length + 1) + 1,
            csv.Split("\r\n", StringSplitOptions.RemoveEmptyEntries).Length
        );
    }

    /// <summary>What a table program would take for a formula stays text.</summary>
    [Fact]
    public void A_name_is_no_formula()
    {
        var state = Hall(1);
        var plan = state.Plan;
        var planner = new Planner();
        Assert.True(plan.TryApply(planner.Answer(plan, new NameRoom("r0", "=1+1", "Assembly", "")).Change!, out plan, out _));
        var csv = Encoding.UTF8.GetString(ReportFiles.Csv(ProvingReport.Of(planner.StateOf(plan, PlanStart.SchemeId, PlanStart.LevelId))));
        Assert.DoesNotContain(",=1+1", csv);
    }

    [Fact]
    public void A_scheme_without_books_says_so()
    {
        var planner = new Planner();
        var plan = Plan.Of(PlanStart.Entities("Report", UnitSystem.Metric), Shipped.Library);
        var state = planner.StateOf(plan, PlanStart.SchemeId, PlanStart.LevelId);
        var page = Assert.Single(new ReportPages(Typefaces.Shared).Compose(ProvingReport.Of(state), Input(state)));
        Assert.Contains("no rulebook is chosen", Printed(page));
    }
}
