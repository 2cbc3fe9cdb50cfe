using UglyToad.PdfPig;
using UglyToad.PdfPig.DocumentLayoutAnalysis.TextExtractor;
using Wellsedes.Core.Capacity;
using Wellsedes.Core.Drawings;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Units;
using Wellsedes.Core.Walkways;
using Wellsedes.Formats.Lettering;
using Wellsedes.Formats.Pdf;
using Wellsedes.Formats.Sheets;
using Wellsedes.Tests.Seeded;

namespace Wellsedes.Formats.Tests;

/// <summary>What leaves the house says what the screen says: sheets read back from their PDF, held against the tally and the rooms.</summary>
public sealed class SheetTruthTests
{
    private const string L = PlanStart.LevelId;

    /// <summary>The words of a level's sheet, read back from its PDF, with plain spaces.</summary>
    private static string Sheet(Drawn drawn, string level, string status = "Draft", string letter = "")
    {
        var settings = drawn.Plan.All<SheetSettings>().First() with { LevelId = level };
        var input = drawn.On(level).SheetInput(settings, "Truth", letter, status, new DateOnly(2026, 11, 25));
        using var pdf = PdfDocument.Open(PdfWriter.Write(new SheetComposer(Typefaces.Shared).Compose(input).Drawing));
        return Plain(ContentOrderTextExtractor.GetText(pdf.GetPage(1)));
    }

    private static string Plain(string text) => text.Replace('\u00a0', ' ').Replace("\r", "");

    [Fact]
    public void A_door_in_a_partition_is_measured_from_the_faces_the_partition_meets()
    {
        // Walls 300 thick, the partition 100: 4000 clear, the door's edges 200 and 1100 from the west wall's face.
        var drawn = new Drawn(UnitSystem.Metric)
            .Do(new MakeRoom("r", L, "Room", 4000, 6000, 300, 2700))
            .Do(new DrawWalls("p", L, new(-150, 3000), [new(new(4150, 3000))], false, "Stud 100"))
            .Do(new PutOpening(Drawn.Door("d", "p-1", 150 + 650, 900)));
        var sheet = Sheet(drawn, L);
        Assert.Contains("200", sheet.Split('\n', ' '));
        Assert.Contains("900", sheet.Split('\n', ' '));
        Assert.Contains("2 900", sheet);
        Assert.DoesNotContain("2 850", sheet);
        Assert.DoesNotContain("150", sheet.Split('\n', ' '));
    }

    [Fact]
    public void A_kept_measure_is_on_the_sheet_of_its_own_level()
    {
        var drawn = new Drawn(UnitSystem.Metric)
            .Do(new MakeRoom("r", L, "Room", 4000, 6000, 300, 2700))
            .Do(new PutLevel(new Level("up", "First floor", 4500, 2700)))
            .Do(new CopyShell(L, "up", "shell"))
            .Do(new KeepMeasure("m", PlanStart.SchemeId, L, new(100, 100), new(1334, 100)));
        Assert.Contains("1 234", Sheet(drawn, L));
        Assert.DoesNotContain("1 234", Sheet(drawn, "up"));
    }

    [Fact]
    public void A_draft_has_no_letter_and_an_issue_has_its_own()
    {
        var drawn = new Drawn(UnitSystem.Metric).Do(new MakeRoom("r", L, "Room", 4000, 6000, 300, 2700));
        Assert.Contains("Issued", Sheet(drawn, L, "Issued", "QX"));
        Assert.Contains("QX", Sheet(drawn, L, "Issued", "QX"));
        Assert.DoesNotContain("QX", Sheet(drawn, L));
    }

    [Fact]
    public void No_two_figures_of_dimensions_stand_in_each_other()
    {
        // Narrow rooms in a row, each with a door and a window to the north: many short dimensions on one line.
        var drawn = new Drawn(UnitSystem.Metric);
        for (var i = 0; i < 6; i++)
            drawn
                .Do(
                    new MakeRoom($"r{i}", L, $"Room {i}", 1300 + 37 * i, 2600, 100, 2700, i == 0 ? 0 : drawn.On(L).Space.Bounds.MaxX)
                    {
                        Sure = true,
                    }
                )
                .Do(
                    new PutOpening(
                        Drawn.Door($"d{i}", $"r{i}-north", 700, 510) with
                        {
                            Kind = OpeningKind.Window,
                            Sill = 900,
                            Height = 1200,
                        }
                    )
                );
        var input = drawn
            .On(L)
            .SheetInput(drawn.Plan.All<SheetSettings>().First() with { Scale = 75 }, "", "", "Draft", new DateOnly(2026, 11, 25));
        var figures = new SheetComposer(Typefaces.Shared)
            .Compose(input)
            .Drawing.Marks.OfType<TextMark>()
            .Where(mark => mark.Size == 2.5 && mark.Rotation == 0 && mark.Anchor == TextAnchor.Middle && mark.Text.Any(char.IsAsciiDigit))
            .ToArray();
        Assert.True(figures.Length > 18, $"{figures.Length}");
        foreach (var (one, i) in figures.Select((figure, i) => (figure, i)))
        foreach (var other in figures.Skip(i + 1))
            Assert.False(
                Math.Abs(one.At.Y - other.At.Y) < 2
                    && Math.Abs(one.At.X - other.At.X)
                        < (Typefaces.Shared.Width(one.Text, 2.5, false) + Typefaces.Shared.Width(other.Text, 2.5, false)) / 2,
                $"{one.Text} and {other.Text} at {one.At}"
            );
    }

    [Theory]
    [InlineData(UnitSystem.Metric)]
    [InlineData(UnitSystem.FeetInches)]
    public void On_a_hundred_plans_rail_rooms_sheet_and_schedule_tell_one_story(UnitSystem units)
    {
        for (var seed = 0; seed < Whole.Or(40, 100); seed++)
        {
            var drawn = Drawn.OfSeed(seed, units);
            var state = drawn.On(L);
            var sheet = Sheet(drawn, L);
            // Every line of the rail stands on the sheet.
            foreach (var line in TallyLines.Of(state.Tally, units))
            {
                Assert.Contains(line.Name, sheet);
                Assert.Contains(Plain(line.Rest.Length > 0 ? $"{line.Value} {line.Rest}" : line.Value), sheet);
            }
            // The rooms make up the areas, with what their definition leaves out.
            var usable = state.Space.Rooms.Where(room => Core.Rulebooks.RoomUses.IsUsable(room.Room.Use)).Sum(room => room.NetInternal);
            Assert.Equal(usable, state.Tally.NetArea!.Value, 6);
            Assert.True(state.Tally.GrossArea >= state.Space.Rooms.Sum(room => room.GrossInternal) - 1e-6);
            // The pinch is drawn with the figure of the table, and a finding of it says the same.
            if (Way.NarrowestOf(state.Walkways.Ways) is { Pinch: not null } worst)
            {
                var said = Plain(WidthText.Write(worst.Width, worst.Target.Needed, units).Measured);
                Assert.True(sheet.Split(said).Length > 2, $"{seed}: {said}");
                foreach (var finding in state.Findings.Where(f => f.Measured == worst.Width && f.Needed == worst.Target.Needed))
                    Assert.Equal(said, Plain(finding.MeasuredText));
            }
            // The schedule counts what is placed.
            var csv = System.Text.Encoding.UTF8.GetString(ScheduleCsv.Write(Schedule.Of(state.Items, drawn.Plan), units));
            var chairs = state.Items.Where(item => item.Kind.Chair is not null).Sum(item => item.Form.Seats.Length);
            Assert.Equal(state.Items.Length + chairs, Schedule.Of(state.Items, drawn.Plan).Sum(row => row.Count));
            foreach (var row in Schedule.Of(state.Items, drawn.Plan))
                Assert.Contains(row.Name, csv);
            if (units == UnitSystem.FeetInches)
                Assert.DoesNotContain("millimetres", sheet);
            Assert.Equal(state.Findings.Length, state.Findings.Select(finding => finding.Id).Distinct().Count());
        }
    }
}
