using Wellsedes.Core.Drawings;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.KindsOfThing.Marks;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Units;
using Mark = Wellsedes.Core.KindsOfThing.Marks.Mark;

namespace Wellsedes.Core.Tests.Drawings;

/// <summary>What is written and drawn on the plan, as the sheet has it: true to scale, in the plan's units, readable.</summary>
public sealed class MarkTests
{
    private const string L = PlanStart.LevelId;
    private const string S = PlanStart.SchemeId;

    private static Mark Of(MarkShape shape, double width, double depth, string text = "", double turn = 0) =>
        new("m", S, L, shape, 4000, 3000, turn, width, depth, text);

    private static Sample With(Mark mark, UnitSystem units = UnitSystem.Metric)
    {
        var sample = new Sample().Room().Door();
        if (units != UnitSystem.Metric)
            sample.Do(new SetDetails("Feet", units, 0));
        return sample.Do(new PutThing(mark) { Sure = true });
    }

    private static TextMark[] Written(Sample sample, double scale)
    {
        var settings = sample.Plan.All<SheetSettings>().First() with { Paper = "A1", Scale = scale };
        var input = sample.State.SheetInput(settings, "", "", "Draft", default);
        return [.. new SheetComposer(DrawingTests.Letters).Compose(input).Drawing.Marks.OfType<TextMark>()];
    }

    [Theory]
    [InlineData(50, 300, 6.0)]
    [InlineData(100, 300, 3.0)]
    [InlineData(100, 100, 1.8)]
    [InlineData(200, 100, 1.8)]
    public void Letters_are_true_to_scale_and_never_too_small_to_read(double scale, double height, double onPaper)
    {
        var text = Written(With(Of(MarkShape.Text, 2000, height, "Quiet corner")), scale).Single(mark => mark.Text == "Quiet corner");
        Assert.Equal(onPaper, text.Size, 6);
    }

    [Theory]
    [InlineData(UnitSystem.Metric, "2 000 mm")]
    [InlineData(UnitSystem.FeetInches, "6' 6 3/4\"")]
    public void A_distance_ring_is_round_and_tells_its_diameter_in_the_plans_units(UnitSystem units, string told)
    {
        var sample = With(Of(MarkShape.Reach, 2000, 500), units);
        var mark = sample.Plan.Find<Mark>("m")!;
        Assert.Equal(2000, mark.Depth);
        Assert.Contains(Written(sample, 50), text => text.Text.Replace('\u00a0', ' ').Replace('\u202f', ' ') == told);
        // The circle reaches a metre to each side, the double arrow from edge to edge.
        var box = mark.Parts().SelectMany(part => part.Path.Steps).Aggregate(Bounds.Empty, (all, step) => all.Including(step.End));
        Assert.Equal((3000.0, 5000.0), (box.MinX, box.MaxX));
    }

    [Fact]
    public void Hatching_stays_in_its_area_and_slants_by_45_degrees_at_every_turn()
    {
        for (var turn = 0; turn < 360; turn += 35)
        {
            var mark = Of(MarkShape.Hatch, 3000, 1700, "", turn);
            var runs = mark.Parts().Single().Path.Apart().ToArray();
            Assert.InRange(runs.Length, 15, 25);
            foreach (var line in runs.Skip(1))
            {
                var (from, to) = (mark.Placement.In(line.Steps[0].End), mark.Placement.In(line.Steps[1].End));
                Assert.Equal(to.X - from.X, to.Y - from.Y, 6);
                foreach (var end in (Point[])[from, to])
                    Assert.True(Math.Abs(end.X) <= 1500 + 1e-6 && Math.Abs(end.Y) <= 850 + 1e-6);
            }
        }
    }

    [Theory]
    [InlineData(MarkShape.Leader)]
    [InlineData(MarkShape.Sign)]
    [InlineData(MarkShape.Text)]
    public void What_is_to_be_read_needs_a_text_and_has_it_on_the_sheet(MarkShape shape)
    {
        var refused = new Sample().Room().Refused(new PutThing(Of(shape, 1500, 250, " ")) { Sure = true });
        Assert.Equal("text", refused.Field);
        Assert.Contains(Written(With(Of(shape, 1500, 250, "Way out")), 50), text => text.Text == "Way out");
    }
}
