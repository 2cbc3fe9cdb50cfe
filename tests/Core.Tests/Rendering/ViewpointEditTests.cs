using Wellsedes.Core.Drawings;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Tests.Rendering;

public class ViewpointEditTests
{
    private const string S = PlanStart.SchemeId;

    private static Viewpoint View(string id = "view", string name = "From the door") =>
        new(
            id,
            S,
            PlanStart.LevelId,
            name,
            4000,
            500,
            1600,
            90,
            -5,
            64,
            new ViewpointShows(Inside: true, Daylight: new Daylight(2026, 6, 21, 15))
        );

    [Fact]
    public void A_viewpoint_is_kept_changed_and_undone()
    {
        var sample = new Sample().Room();
        var after = sample.DoAndUndo(new PutViewpoint(View()));
        Assert.Equal(View(), after.Find<Viewpoint>("view"));
        sample.DoAndUndo(new PutViewpoint(View(name: "  At the door ")));
        Assert.Equal("At the door", sample.Plan.Find<Viewpoint>("view")!.Name);
        Assert.Equal("name", sample.Refused(new PutViewpoint(View("other", "at the DOOR"))).Field);
        sample.Do(new Remove(["view"]));
        Assert.Null(sample.Plan.Find("view"));
    }

    public static TheoryData<string, Viewpoint> Wrong =>
        new()
        {
            { "name", View(name: "  ") },
            { "schemeId", View() with { SchemeId = "none" } },
            { "levelId", View() with { LevelId = "none" } },
            { "x", View() with { X = 2e6 } },
            { "z", View() with { Z = -200_000 } },
            { "pitch", View() with { Pitch = 91 } },
            { "heading", View() with { Heading = 400 } },
            { "fieldOfView", View() with { FieldOfView = 0 } },
            { "cutHeight", View() with { Shows = new ViewpointShows(CutHeight: -1) } },
            { "id", View("room-south") },
        };

    [Theory]
    [MemberData(nameof(Wrong))]
    public void What_is_wrong_with_one_is_named(string field, Viewpoint view) =>
        Assert.Equal(field, new Sample().Room().Refused(new PutViewpoint(view)).Field.Split('.')[^1]);

    [Fact]
    public void Sheets_show_pictures_and_forget_those_whose_viewpoint_goes()
    {
        var sample = new Sample().Room().Do(new PutViewpoint(View())).Do(new PutViewpoint(View("second", "Second")));
        var sheet = sample.Plan.OfScheme<SheetSettings>(S).First();
        sample.Do(new SetSheet(sheet with { Pictures = new SheetPictures(["view", "second"]) }));
        Assert.Equal("pictures", sample.Refused(new SetSheet(sheet with { Pictures = new SheetPictures(["view", "none"]) })).Field);
        Assert.Equal("pictures", sample.Refused(new SetSheet(sheet with { Pictures = new SheetPictures(["view", "view"]) })).Field);
        var camera = new Camera();
        var drawn = Drawn(sample, camera);
        var seen = drawn.Marks.OfType<SeenMark>().ToArray();
        Assert.Equal(["view", "second"], camera.Taken);
        Assert.Equal(2, seen.Length);
        Assert.False(seen[0].Box.Meets(seen[1].Box));
        Assert.All(seen, mark => Assert.Equal(1.6, mark.Box.Width / mark.Box.Height, 0.01));
        Assert.Contains(drawn.Marks.OfType<TextMark>(), text => text.Text == "From the door");
        // The plan keeps off the pictures: its room's name stands below them.
        Assert.True(
            drawn.Marks.OfType<TextMark>().First(text => text.Text.Contains("ROOM", StringComparison.OrdinalIgnoreCase)).At.Y
                > seen.Max(mark => mark.Box.MaxY)
        );
        sample.DoAndUndo(new Remove(["view"]));
        Assert.Equal(["second"], sample.Plan.OfScheme<SheetSettings>(S).First().Pictures!.Viewpoints);
        sample.Do(new Remove(["second"]));
        Assert.Null(sample.Plan.OfScheme<SheetSettings>(S).First().Pictures);
    }

    [Fact]
    public void Pictures_alone_stand_without_the_plan_and_say_that_they_are_not_to_scale()
    {
        var sample = new Sample().Room().Do(new PutViewpoint(View()));
        var sheet = sample.Plan.OfScheme<SheetSettings>(S).First();
        sample.Do(new SetSheet(sheet with { Pictures = new SheetPictures(["view"], Alone: true), Scale = 1 }));
        var drawn = Drawn(sample, new Camera());
        Assert.Contains(drawn.Marks.OfType<TextMark>(), text => text.Text == "Not to scale");
        Assert.DoesNotContain(drawn.Marks.OfType<TextMark>(), text => text.Text.Contains("ROOM", StringComparison.OrdinalIgnoreCase));
        Assert.True(drawn.Marks.OfType<SeenMark>().Single().Box.Width > 150);
    }

    [Fact]
    public void A_copied_scheme_has_viewpoints_of_its_own()
    {
        var sample = new Sample().Room().Do(new PutViewpoint(View()));
        var sheet = sample.Plan.OfScheme<SheetSettings>(S).First();
        sample.Do(new SetSheet(sheet with { Pictures = new SheetPictures(["view"]) }));
        sample.Do(new AddScheme("two", "Two", S));
        var own = sample.Plan.OfScheme<Viewpoint>("two").Single();
        Assert.NotEqual("view", own.Id);
        Assert.Equal([own.Id], sample.Plan.OfScheme<SheetSettings>("two").Single().Pictures!.Viewpoints);
    }

    private static Drawing Drawn(Sample sample, ISheetPictures pictures)
    {
        var settings = sample.Plan.OfScheme<SheetSettings>(S).First();
        var input = sample.State.SheetInput(settings, "P", "", "Draft", new DateOnly(2026, 11, 27));
        return new SheetComposer(new Wide(), pictures).Compose(input).Drawing;
    }

    private sealed class Wide : ITextMeasure
    {
        public double Width(string text, double size, bool bold) => text.Length * size * 0.5;
    }

    private sealed class Camera : ISheetPictures
    {
        public List<string> Taken { get; } = [];

        public System.Collections.Immutable.ImmutableArray<byte> Take(Viewpoint from, int width, int height)
        {
            Taken.Add(from.Id);
            return [1, 2, 3];
        }
    }
}
