using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Drawings;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Tests.Drawings;

public sealed class DrawingTests
{
    /// <summary>A room's name covers nothing that stands, where there is a place for it near its own point.</summary>
    [Theory]
    [InlineData("round-table-1525", true)]
    [InlineData("rug-2x3", false)]
    public void A_rooms_name_makes_way_for_what_stands(string catalogue, bool moves)
    {
        var bare = Compose(s => s, new Sample().Room().Door());
        var sample = new Sample().Room().Door();
        var own = sample.State.Space.Rooms[0].Room.Inside;
        var full = Compose(s => s, sample.Place("t", catalogue, own.X, own.Y));
        Point At(Sheet sheet) =>
            sheet.Drawing.Marks.OfType<TextMark>().Single(mark => mark.Text.StartsWith("Room ·", StringComparison.Ordinal)).At;
        Assert.Equal(moves, At(bare).DistanceTo(At(full)) > 5);
    }

    /// <summary>ISO 216 trimmed sizes and ASME Y14.1 / customary ARCH sizes; from memory.</summary>
    [Theory]
    [InlineData("A0", 841, 1189)]
    [InlineData("A1", 594, 841)]
    [InlineData("A2", 420, 594)]
    [InlineData("A3", 297, 420)]
    [InlineData("A4", 210, 297)]
    [InlineData("ANSI A", 215.9, 279.4)]
    [InlineData("ANSI B", 279.4, 431.8)]
    [InlineData("ANSI D", 558.8, 863.6)]
    [InlineData("ARCH D", 609.6, 914.4)]
    [InlineData("ARCH E", 914.4, 1219.2)]
    public void Paper_sizes(string name, double shorter, double longer)
    {
        var paper = Papers.Find(name)!;
        Assert.Equal((shorter, longer), (Math.Round(paper.Short, 6), Math.Round(paper.Long, 6)));
    }

    /// <summary>ISO 5455 recommends 1:2, 1:5 and 1:10 and their decimal multiples; from memory. 1:25, 1:75, 1:125, 1:250 are customary only.</summary>
    [Fact]
    public void Scales_say_which_are_standard()
    {
        Assert.Equal([25, 75, 125, 250], Scales.Metric.Where(scale => !scale.Standard).Select(scale => scale.Ratio));
        Assert.All(
            Scales.Metric.Where(s => s.Standard),
            s => Assert.Contains(s.Ratio / Math.Pow(10, Math.Floor(Math.Log10(s.Ratio))), (double[])[1, 2, 5])
        );
    }

    /// <summary>US customary architect's scale: 1/4 in to the foot is 1:48, 1/8 in 1:96; from memory.</summary>
    [Theory]
    [InlineData("1/4\" = 1'-0\"", 48)]
    [InlineData("1/8\" = 1'-0\"", 96)]
    [InlineData("1\" = 1'-0\"", 12)]
    [InlineData("1\" = 20'", 240)]
    public void Imperial_scales(string name, double ratio) => Assert.Equal(ratio, Scales.Imperial.Single(s => s.Name == name).Ratio);

    [Fact]
    public void The_largest_scale_that_fits_is_proposed()
    {
        Assert.Equal(75, Scales.Largest(UnitSystem.Metric, 18600, 13600, 260, 200).Ratio);
        Assert.Equal(100, Scales.Largest(UnitSystem.Metric, 18600, 13600, 247, 200).Ratio);
        Assert.Equal(96, Scales.Largest(UnitSystem.FeetInches, 18600, 13600, 247, 200).Ratio);
    }

    [Theory]
    [InlineData("A3", true)]
    [InlineData("A4", false)]
    [InlineData("A0", true)]
    [InlineData("ANSI A", true)]
    [InlineData("ARCH D", false)]
    public void Every_mark_stays_on_the_paper(string paper, bool landscape)
    {
        var sheet = Compose(s => s with { Paper = paper, Landscape = landscape });
        Assert.True(sheet.Fits);
        foreach (var mark in sheet.Drawing.Marks)
        {
            var points = mark is PathMark path ? path.Path.Steps.Select(step => step.End) : [((TextMark)mark).At];
            Assert.All(
                points,
                p => Assert.True(p.X >= 0 && p.Y >= 0 && p.X <= sheet.Drawing.Width && p.Y <= sheet.Drawing.Height, $"{mark} at {p}")
            );
        }
    }

    [Fact]
    public void A_scale_that_is_too_large_says_that_it_does_not_fit() => Assert.False(Compose(s => s with { Scale = 10 }).Fits);

    [Fact]
    public void The_title_block_holds_the_fields_of_iso_7200()
    {
        var texts = Compose(s =>
            s with
            {
                TitleBlock = s.TitleBlock with
                {
                    LegalOwner = "Mill Trust",
                    SheetNumber = "T-1",
                    Creator = "N. Ash",
                    Approver = "R. Sallow",
                },
            }
        )
            .Drawing.Marks.OfType<TextMark>()
            .Select(text => text.Text)
            .ToArray();
        foreach (
            var field in (string[])
                [
                    "Legal owner",
                    "Identification number",
                    "Date of issue",
                    "Title",
                    "Created by",
                    "Approved by",
                    "Document type",
                    "Rev.",
                    "Sheet",
                    "Mill Trust",
                    "T-1",
                    "N. Ash",
                    "R. Sallow",
                    "2026-11-23",
                    "B",
                ]
        )
            Assert.Contains(field, texts);
    }

    [Fact]
    public void The_schedule_counts_tables_by_kind_and_the_chairs_at_them()
    {
        var sample = new Sample()
            .Room()
            .Place("a", "round-table-1525", 2000, 3000)
            .Place("b", "round-table-1525", 5000, 3000)
            .Place("o", "ottoman", 7000, 1000);
        var rows = Schedule.Of(sample.State.Items, sample.Plan);
        Assert.Equal([("T", 2), ("C", 16), ("S", 1)], rows.Select(row => (row.Tag, row.Count)));
        Assert.Equal("1, 2", Schedule.WriteLabels(rows[0].Labels));
    }

    [Theory]
    [InlineData("1 2 3 5 Top", "1–3, 5, Top")]
    [InlineData("4", "4")]
    [InlineData("1 2", "1, 2")]
    public void Labels_are_written_short(string labels, string written) =>
        Assert.Equal(written, Schedule.WriteLabels([.. labels.Split(' ')]));

    [Fact]
    public void Dashes_are_cut_not_left_to_writers()
    {
        var dashes = Dashes.Cut(PathShape.Line(new Point(0, 0), new Point(10, 0)), 2, 1);
        var drawn = 0.0;
        var at = default(Point);
        foreach (var step in dashes.Steps)
        {
            if (step.Kind == PathStepKind.Line)
                drawn += at.DistanceTo(step.End);
            at = step.End;
        }
        Assert.Equal(7, drawn, 6);
    }

    [Fact]
    public void Hatch_lines_cover_the_region_evenly()
    {
        var region = Polygons.Union([Convex.Rectangle(default, 1000, 500)])[0];
        var hatch = Hatching.Of(region, 10)!;
        var length = hatch.Steps.Chunk(2).Sum(line => line[0].End.DistanceTo(line[1].End));
        Assert.Equal(region.Area / 10, length, region.Area / 10 * 0.02);
    }

    [Theory]
    [InlineData(Certainty.Surveyed, "8\u00a0000", false)]
    [InlineData(Certainty.Assumed, "8\u00a0000 *", true)]
    [InlineData(Certainty.Unknown, "(8\u00a0000) *", true)]
    public void A_length_nobody_surveyed_is_told_on_the_sheet(Certainty certainty, string written, bool noted)
    {
        var sample = new Sample().Room().Do(new ChangeWalls(["room-north", "room-south"], Height: 2900, Certainty: certainty));
        var lines = Compose(s => s, sample).Drawing.Marks.OfType<TextMark>().Select(mark => mark.Text).ToArray();
        Assert.Contains(written, lines);
        Assert.Equal(noted, lines.Any(line => line.Contains("verify on site", StringComparison.Ordinal)));
        // The depth was not doubted.
        Assert.Contains("6\u00a0000", lines);
    }

    private static Sheet Compose(Func<SheetSettings, SheetSettings> change, Sample? sample = null)
    {
        var state = (
            sample ?? new Sample().Room().Door().Place("a", "round-table-1525", 2000, 3000).Place("b", "bar-1800", 5000, 5000)
        ).State;
        var settings = change(state.Plan.All<SheetSettings>().Single());
        return new SheetComposer(new EvenLetters()).Compose(
            state.SheetInput(settings, "Project", "B", "Issued", new DateOnly(2026, 11, 23))
        );
    }

    /// <summary>A stand-in for lettering: every letter 0.45 of its size wide.</summary>
    internal static ITextMeasure Letters { get; } = new EvenLetters();

    private sealed class EvenLetters : ITextMeasure
    {
        public double Width(string text, double size, bool bold) => text.Length * size * 0.45;
    }
}
