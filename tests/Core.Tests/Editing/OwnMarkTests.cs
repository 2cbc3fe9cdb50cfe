using System.Collections.Immutable;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Drawings;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Mark = Wellsedes.Core.KindsOfThing.Marks.Mark;
using MarkShape = Wellsedes.Core.KindsOfThing.Marks.MarkShape;

namespace Wellsedes.Core.Tests.Editing;

/// <summary>Marks kept as own items: a floor marked with rings is set down again as it was, and walked over.</summary>
public sealed class OwnMarkTests
{
    private const string L = PlanStart.LevelId;
    private const string S = PlanStart.SchemeId;

    /// <summary>Four rings of 2 m, two by two, 3 m apart.</summary>
    private static Sample Ringed()
    {
        var sample = new Sample().Room(14_000, 12_000).Door();
        for (var i = 0; i < 4; i++)
            sample.Do(new PutThing(new Mark($"ring-{i}", S, L, MarkShape.Reach, 2000 + i % 2 * 3000, 2000 + i / 2 * 3000, 0, 2000, 2000)));
        return sample;
    }

    private static KeepSelection Keep(ImmutableArray<string> ids, bool inTheirPlace = false) =>
        new("own", "kept", S, ids, "Rings two by two", inTheirPlace);

    private static readonly ImmutableArray<string> Rings = ["ring-0", "ring-1", "ring-2", "ring-3"];

    [Fact]
    public void Rings_become_an_own_item_of_their_lines_and_figures_at_true_size()
    {
        var sample = Ringed();
        sample.DoAndUndo(Keep(Rings));
        var own = sample.Plan.Find<OwnItem>("own")!.Item;
        Assert.Equal((5000, 5000, 1), (own.Size.Width, own.Size.Depth, own.Size.Height));
        Assert.True(own.Shape!.IsMarked);
        Assert.Equal(
            ["2 000", "2 000", "2 000", "2 000"],
            own.Shape.Texts.Select(text => text.Text.Replace('\u00a0', ' ').Replace(" mm", ""))
        );
        var dashed = own.Shape.Lines.Where(line => line.Dashed).ToArray();
        Assert.Equal(4, dashed.Length);
        foreach (var ring in dashed)
        {
            var centre = Bounds.Around(ring.Points).Centre;
            Assert.All(ring.Points, p => Assert.Equal(1000, p.DistanceTo(centre), 0));
            Assert.Equal((1500, 1500), (Math.Round(Math.Abs(centre.X)), Math.Round(Math.Abs(centre.Y))));
        }
    }

    [Fact]
    public void Set_down_again_it_is_drawn_so_and_stands_in_nobodys_way()
    {
        var sample = Ringed();
        sample.Do(Keep(Rings));
        var before = sample.State.Walkways.Graph.NarrowCount;
        sample.Place("again", "own", 9000, 8000, 30).Place("chair", "armchair", 9000, 8000);
        Assert.Empty(sample.State.Overlaps);
        Assert.DoesNotContain(sample.State.Walkways.Scene.Obstacles, obstacle => obstacle.OwnerId == "again");
        Assert.True(before <= sample.State.Walkways.Graph.NarrowCount);
        var settings = sample.Plan.OfScheme<SheetSettings>(S).First();
        var sheet = new SheetComposer(new FixedWidths()).Compose(
            sample.State.SheetInput(settings, "P", "", "Draft", new DateOnly(2026, 11, 26))
        );
        var told = sheet
            .Drawing.Marks.OfType<TextMark>()
            .Where(mark => mark.Text.StartsWith("2\u00a0000", StringComparison.Ordinal))
            .ToArray();
        // Four of the marks and four of the own item, these turned with it.
        Assert.Equal(8, told.Length);
        Assert.Equal(4, told.Count(mark => Math.Abs(mark.Rotation - 30) < 1e-6));
    }

    [Fact]
    public void In_their_place_the_marks_give_way_and_a_text_is_kept()
    {
        var sample = Ringed();
        sample.Do(new PutThing(new Mark("text", S, L, MarkShape.Text, 3500, 5800, 0, 2000, 300, "Stand here")));
        var after = sample.DoAndUndo(Keep([.. Rings, "text"], inTheirPlace: true));
        Assert.Empty(after.All<Mark>());
        var item = after.Find<Item>("kept")!;
        var form = sample.Planner.Forms.FormOf(after, item, after.CatalogueItem("own")!, 500);
        var text = form.Symbol.Single(part => part.Text?.Text == "Stand here");
        Assert.Equal((SymbolRole.Text, 300), (text.Role, Math.Round(text.Text!.Size)));
        // Where it was.
        var at = item.Placement.Out(text.Text.At);
        Assert.Equal((3500, 5800), (Math.Round(at.X), Math.Round(at.Y)));
    }

    [Fact]
    public void Beside_items_marks_are_kept_as_lines_of_the_whole()
    {
        var sample = Ringed().Place("chair", "armchair", 2000, 2000);
        sample.Do(Keep(["chair", "ring-0"]));
        var shape = sample.Plan.Find<OwnItem>("own")!.Item.Shape!;
        Assert.False(shape.IsMarked);
        Assert.Contains(shape.Lines, line => line.Dashed);
        Assert.NotEmpty(shape.Parts);
    }

    private sealed class FixedWidths : ITextMeasure
    {
        public double Width(string text, double size, bool bold) => text.Length * size * 0.5;
    }
}
