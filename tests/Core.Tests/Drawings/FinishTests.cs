using Wellsedes.Core.Drawings;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Measure;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Things.Zones;

namespace Wellsedes.Core.Tests.Drawings;

public sealed class FinishTests
{
    private const string S = PlanStart.SchemeId;

    private static Finish Of(
        FinishOf of,
        string target,
        FinishPattern pattern = FinishPattern.Plain,
        double width = 0,
        double length = 0
    ) => new("f", S, of, target, pattern, "#D9B98A", width, length);

    private static Sample Room()
    {
        var sample = new Sample().Room(6000, 4000);
        return sample;
    }

    private static string RoomId(Sample sample) => sample.Plan.All<Room>().First().Id;

    private static FloorFinish Floor(Sample sample) => Finishes.OfFloors(sample.Plan, S, sample.State.Space).Single();

    private static IEnumerable<(Point A, Point B)> Joints(FloorFinish floor)
    {
        var steps = floor.Joints!.Steps;
        for (var i = 0; i + 1 < steps.Length; i += 2)
            yield return (steps[i].End, steps[i + 1].End);
    }

    /// <summary>Tiles of 600 by 300 in a room of 6000 by 4000: nine joints across, thirteen along; each as long as the room.</summary>
    [Fact]
    public void Tiles_lie_at_their_true_size()
    {
        var sample = Room();
        sample.Do(new PutFinish(Of(FinishOf.Room, RoomId(sample), FinishPattern.Tiles, 600, 300)));
        var joints = Joints(Floor(sample)).ToArray();
        Assert.Equal(9 + 13, joints.Length);
        Assert.Equal(9 * 4000 + 13 * 6000, joints.Sum(joint => joint.A.DistanceTo(joint.B)), 1);
    }

    /// <summary>
    /// A herringbone of blocks leaves no gap: in a large room the joints come to (width + length) for every block, less what the
    /// edge cuts off.
    /// </summary>
    [Theory]
    [InlineData(100, 400)]
    [InlineData(70, 490)]
    public void A_herringbone_is_of_whole_blocks(double width, double length)
    {
        var sample = Room();
        sample.Do(new PutFinish(Of(FinishOf.Room, RoomId(sample), FinishPattern.Herringbone, width, length)));
        var run = Joints(Floor(sample)).Sum(joint => joint.A.DistanceTo(joint.B));
        var blocks = 6000.0 * 4000 / (width * length);
        Assert.InRange(run / (blocks * (width + length)), 0.93, 1.07);
    }

    [Theory]
    [InlineData(FinishPattern.Boards, 120, 1800)]
    [InlineData(FinishPattern.Herringbone, 100, 500)]
    [InlineData(FinishPattern.Tiles, 333, 333)]
    [InlineData(FinishPattern.Carpet, 0, 0)]
    public void Joints_stay_in_their_floor_at_any_turn(FinishPattern pattern, double width, double length)
    {
        var sample = Room();
        var box = sample.State.Space.Rooms[0].Outline.Bounds.Grown(0.01);
        sample.Do(new PutFinish(Of(FinishOf.Room, RoomId(sample), pattern, width, length)));
        for (var turn = 0; turn < 360; turn += 35)
        {
            sample.Do(new PutFinish(Of(FinishOf.Room, RoomId(sample), pattern, width, length) with { Rotation = turn }));
            var joints = Joints(Floor(sample)).ToArray();
            Assert.True(joints.Length > 25);
            Assert.All(joints, joint => Assert.True(box.Holds(joint.A) && box.Holds(joint.B)));
        }
    }

    [Fact]
    public void An_items_own_tint_goes_before_its_kinds_and_that_before_its_zones()
    {
        var sample = Room().Place("a", "armchair", 2000, 2000).Place("b", "armchair", 4000, 2000);
        sample.Do(new PutThing(new Zone("z", S, PlanStart.LevelId, 3000, 2000, 0, 5000, 3000, "Corner")));
        string?[] Of_() => [.. sample.Plan.All<Item>().Select(item => Finishes.TintOf(sample.Plan, item))];
        Assert.Equal([null, null], Of_());
        sample.Do(new PutFinish(Of(FinishOf.ItemsInZone, "z") with { Id = "fz", Tint = "#7FA6B8" }));
        Assert.Equal(["#7FA6B8", "#7FA6B8"], Of_());
        sample.Do(new PutFinish(Of(FinishOf.Kind, "armchair") with { Id = "fk", Tint = "#8fa383", Opacity = 0.5 }));
        Assert.Equal(["#C7D1C1", "#C7D1C1"], Of_());
        sample.Do(new PutFinish(Of(FinishOf.Item, "b") with { Id = "fi" }));
        Assert.Equal(["#C7D1C1", "#D9B98A"], Of_());
        Assert.Equal(
            ["Millpond: Items in Corner", "Reed: Armchair", "Oak: Armchair"],
            Finishes.Legend(sample.Plan, S, sample.State.Space, sample.State.Items).Select(line => line.Text)
        );
        // A copy of the scheme has its own; a finish goes with what it is of.
        sample.Do(new AddScheme("s2", "Second", S));
        Assert.Equal(3, sample.Plan.OfScheme<Finish>("s2").Count());
        sample.Do(new Remove(["b", "z"]));
        Assert.Equal(["fk"], sample.Plan.OfScheme<Finish>(S).Select(finish => finish.Id));
    }

    [Fact]
    public void The_sheet_is_drawn_with_finishes_and_their_legend()
    {
        var sample = Room().Place("a", "sofa-three", 3000, 2000);
        sample.Do(new PutFinish(Of(FinishOf.Room, RoomId(sample), FinishPattern.Boards, 120, 1800)));
        sample.Do(new PutFinish(Of(FinishOf.Kind, "sofa-three") with { Id = "fk", Tint = "#5F7A5C" }));
        var settings = sample.Plan.OfScheme<SheetSettings>(S).First();
        var input = sample.State.SheetInput(settings, "P", "", "", new DateOnly(2026, 11, 26));
        var sheet = new SheetComposer(new PlainMeasure()).Compose(input).Drawing;
        Assert.Contains(sheet.Marks.OfType<PathMark>(), mark => mark.Fill == "#D9B98A" && mark.Line is null);
        Assert.Contains(sheet.Marks.OfType<PathMark>(), mark => mark.Fill == "#5F7A5C");
        Assert.Contains(
            sheet.Marks.OfType<TextMark>(),
            mark => mark.Text.StartsWith("Oak boards 120 × 1\u00a0800: ", StringComparison.Ordinal)
        );
        Assert.Contains(sheet.Marks.OfType<TextMark>(), mark => mark.Text == "Moss: Sofa, three seats");
    }

    private sealed class PlainMeasure : ITextMeasure
    {
        public double Width(string text, double size, bool bold) => text.Length * size * 0.5;
    }

    [Fact]
    public void What_cannot_be_is_refused()
    {
        var sample = Room().Place("a", "armchair", 2000, 2000);
        var room = RoomId(sample);
        Assert.Equal("tint", sample.Refused(new PutFinish(Of(FinishOf.Room, room) with { Tint = "red" })).Field);
        Assert.Equal("opacity", sample.Refused(new PutFinish(Of(FinishOf.Room, room) with { Opacity = 0 })).Field);
        Assert.Equal("targetId", sample.Refused(new PutFinish(Of(FinishOf.Room, "none"))).Field);
        Assert.Equal("targetId", sample.Refused(new PutFinish(Of(FinishOf.Kind, "none"))).Field);
        Assert.Equal("pattern", sample.Refused(new PutFinish(Of(FinishOf.Item, "a", FinishPattern.Tiles, 300, 300))).Field);
        Assert.Equal("width", sample.Refused(new PutFinish(Of(FinishOf.Room, room, FinishPattern.Boards, 1, 1000))).Field);
        Assert.Equal("length", sample.Refused(new PutFinish(Of(FinishOf.Room, room, FinishPattern.Herringbone, 100, 120))).Field);
        sample.Do(new PutFinish(Of(FinishOf.Room, room)));
        Assert.Contains("already", sample.Refused(new PutFinish(Of(FinishOf.Room, room) with { Id = "g" })).Message);
    }

    [Fact]
    public void The_palette_offers_what_goes_with_each_tint()
    {
        foreach (var tint in Tints.All)
        {
            Assert.True(Tints.IsTint(tint.Value));
            Assert.Equal(4, tint.Matching.Distinct().Count());
            Assert.DoesNotContain(tint.Value, tint.Matching);
            Assert.All(tint.Matching, match => Assert.Contains(Tints.All, other => other.Value == match));
        }
        Assert.Equal("#FFFFFF", Tints.OnPaper("#000000", 0));
        Assert.True(Tints.IsDark("#2B3634") && !Tints.IsDark("#F4F0E6"));
        Assert.False(Tints.IsTint("#12345"));
        Assert.False(Tints.IsTint("#12345G"));
    }
}
