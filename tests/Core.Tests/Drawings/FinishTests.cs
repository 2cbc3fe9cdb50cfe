using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Drawings;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.KindsOfThing.Zones;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Units;

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

    private static DrawnFinish Floor(Sample sample) => Finishes.OfShell(sample.Plan, S, sample.State.Space).Single();

    private static IEnumerable<(Point A, Point B)> Joints(DrawnFinish floor)
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
        Assert.Equal(["#8FA38380", "#8FA38380"], Of_());
        sample.Do(new PutFinish(Of(FinishOf.Item, "b") with { Id = "fi" }));
        Assert.Equal(["#8FA38380", "#D9B98A"], Of_());
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

    /// <summary>The head of a WebP file: enough for the core, which does not decode.</summary>
    private static readonly OwnPicture Picture = new(Convert.ToBase64String([.. "RIFF"u8, 40, 0, 0, 0, .. "WEBPVP8 "u8, 0, 0, 0, 0]));

    /// <summary>A floor of 6.0 x 4.0 m laid with a picture of 600 x 400 turned by 90 degrees: its corner, and which way it lies.</summary>
    [Fact]
    public void A_picture_is_laid_at_its_true_size_and_drawn_on_the_sheet()
    {
        var sample = Room();
        var laid = Of(FinishOf.Room, RoomId(sample), FinishPattern.Picture, 600, 400) with { Picture = Picture, Rotation = 90 };
        sample.Do(new PutFinish(laid));
        var place = Floor(sample).Laid!;
        var bounds = sample.State.Space.Rooms[0].Outline.Bounds;
        Assert.True(place.Corner.DistanceTo(new Point(bounds.MinX - 400, bounds.MinY)) < 1e-6);
        Assert.True(place.Across.DistanceTo(new Point(0, 600)) < 1e-6);
        Assert.True(place.Down.DistanceTo(new Point(400, 0)) < 1e-6);
        var settings = sample.Plan.OfScheme<SheetSettings>(S).First() with { Scale = 50 };
        var input = sample.State.SheetInput(settings, "P", "", "", new DateOnly(2026, 11, 26));
        var mark = new SheetComposer(new PlainMeasure()).Compose(input).Drawing.Marks.OfType<PictureMark>().Single();
        Assert.Equal((12, 8), (Math.Round(mark.Across.Length, 6), Math.Round(mark.Down.Length, 6)));
        Assert.NotNull(mark.Within);
        Assert.Contains(Finishes.Legend(sample.Plan, S, sample.State.Space, []), line => line.Text.Contains("picture, 600 × 400"));
        Assert.Equal("picture", sample.Refused(new PutFinish(laid with { Picture = null })).Field);
        Assert.Equal("picture", sample.Refused(new PutFinish(laid with { Pattern = FinishPattern.Plain })).Field);
        Assert.Equal("width", sample.Refused(new PutFinish(laid with { Width = 5 })).Field);
        Assert.Equal("picture", sample.Refused(new PutFinish(laid with { Picture = new OwnPicture("abc") })).Field);
    }

    /// <summary>A band of 60 mm along 6.0 x 4.0 m, but for a doorway of 1.0 m: 2 x (6.0 + 4.0) x 0.06 - 4 x 0.06² - 1.0 x 0.06.</summary>
    [Fact]
    public void The_walls_of_a_room_are_tinted_on_its_side_but_for_the_doorways()
    {
        var sample = Room().Door();
        sample.Do(new PutFinish(Of(FinishOf.RoomWalls, RoomId(sample))));
        var area = Finishes
            .OfShell(sample.Plan, S, sample.State.Space)
            .SelectMany(band => band.Fill.Runs(1))
            .Sum(run => Region.SignedArea(run.Points));
        Assert.Equal(20 * 0.06 - 4 * 0.06 * 0.06 - 0.06, Math.Abs(area) / 1e6, 6);
        var wall = sample.Plan.All<Wall>().First(one => one.Id == "room-south");
        sample.Do(new PutFinish(Of(FinishOf.Wall, wall.Id) with { Id = "w", Tint = "#5F7A5C" }));
        var bodies = Finishes.OfShell(sample.Plan, S, sample.State.Space).Where(finish => finish.OnWall).ToArray();
        // The wall is in two pieces beside its door; what is cut out of it has no tint.
        Assert.Equal(2, bodies.Length);
        Assert.All(bodies, body => Assert.Equal("#5F7A5C", body.Tint));
        Assert.Equal(
            ["Oak: the walls of Room", "Moss: a wall"],
            Finishes.Legend(sample.Plan, S, sample.State.Space, []).Select(line => line.Text)
        );
        Assert.Equal("targetId", sample.Refused(new PutFinish(Of(FinishOf.Wall, "none") with { Id = "x" })).Field);
        Assert.Equal(
            "pattern",
            sample.Refused(new PutFinish(Of(FinishOf.Wall, wall.Id, FinishPattern.Tiles, 300, 300) with { Id = "w" })).Field
        );
        sample.Do(new Remove([wall.Id]));
        Assert.Null(sample.Plan.Find("w"));
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
        Assert.Equal("#00000080", Tints.SeeThrough("#000000", 0.5));
        Assert.Equal(("#000000", 128 / 255.0), Tints.Told("#00000080"));
        Assert.Equal(("#D9B98A", 1.0), Tints.Told(Tints.SeeThrough("#D9B98A", 1)));
        Assert.True(Tints.IsDark("#2B3634") && !Tints.IsDark("#F4F0E6"));
        Assert.False(Tints.IsTint("#12345"));
        Assert.False(Tints.IsTint("#12345G"));
    }
}
