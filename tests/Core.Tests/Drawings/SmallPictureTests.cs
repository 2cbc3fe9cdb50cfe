using Wellsedes.Core.Drawings;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Tests.Drawings;

/// <summary>The small picture of a plan shows what stands in it, fitted and without words.</summary>
public sealed class SmallPictureTests
{
    private static Drawing Of(Sample sample) => SmallPicture.Of(DrawingTests.Letters, sample.Planner.PictureOf(sample.Plan), 80, 45);

    [Fact]
    public void It_is_fitted_and_says_nothing()
    {
        var sample = new Sample().Room(18_000, 4000).Door().Place("t", "round-table-1525", 6000, 2000);
        var drawing = Of(sample);
        Assert.Equal((80, 45), (drawing.Width, drawing.Height));
        Assert.DoesNotContain(drawing.Marks, mark => mark is TextMark);
        var box = Bounds.Around(drawing.Marks.OfType<PathMark>().SelectMany(mark => mark.Path.Steps).Select(step => step.End));
        // The room is wide: it fills the picture from side to side.
        Assert.Equal(2, box.MinX, 0);
        Assert.Equal(78, box.MaxX, 0);
        Assert.InRange(box.MinY, 2, 45);
        Assert.InRange(box.MaxY, 0, 43);
        Assert.True(Of(new Sample().Room(18_000, 4000).Door()).Marks.Length < drawing.Marks.Length);
    }

    [Fact]
    public void It_shows_the_level_where_most_stands()
    {
        var sample = new Sample()
            .Room()
            .Do(new PutLevel(new Level("up", "First floor", 3400, 2700)))
            .Do(new CopyShell(PlanStart.LevelId, "up", "shell"));
        Assert.Equal(PlanStart.LevelId, sample.Planner.PictureOf(sample.Plan).Space.LevelId);
        sample.Do(new PlaceItem("p", PlanStart.SchemeId, "up", "plant-600", 3000, 3000));
        Assert.Equal("up", sample.Planner.PictureOf(sample.Plan).Space.LevelId);
    }

    [Fact]
    public void A_plan_with_nothing_in_it_has_an_empty_one() => Assert.Empty(Of(new Sample()).Marks);
}
