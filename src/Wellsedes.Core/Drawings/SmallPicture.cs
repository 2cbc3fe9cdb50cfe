using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Drawings;

/// <summary>A level as it is furnished, small and without words: how a plan is known again in a list.</summary>
public static class SmallPicture
{
    /// <summary>White round the plan, in mm of the picture.</summary>
    private const double Edge = 2;

    /// <summary>Fitted into a width and height in mm.</summary>
    public static Drawing Of(ITextMeasure text, SheetInput input, double width, double height)
    {
        var extent = SheetComposer.Extent(input);
        var ratio = Math.Max(extent.Width / (width - 2 * Edge), extent.Height / (height - 2 * Edge));
        var map = new PaperMap(ratio, new Point(width / 2 - extent.Centre.X / ratio, height / 2 + extent.Centre.Y / ratio));
        List<Mark> marks = [];
        var bare = input with { Settings = input.Settings with { Shows = new(false, false, false, false, false, false, false) } };
        new PlanPainter(text, map, input.Plan.Details.Units, marks).Paint(bare);
        return new Drawing(width, height, input.Plan.Details.Title, input.Date, [.. marks.Where(mark => mark is not TextMark)]);
    }
}
