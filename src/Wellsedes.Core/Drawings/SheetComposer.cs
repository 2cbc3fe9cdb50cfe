using System.Collections.Immutable;
using Wellsedes.Core.Capacity;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Core.Spaces;
using Wellsedes.Core.Walkways;

namespace Wellsedes.Core.Drawings;

/// <summary>What a sheet is made from.</summary>
/// <param name="Things">Zones, marks and the like of the scheme on the level.</param>
/// <param name="Tally">Of the level that is drawn.</param>
/// <param name="Whole">Of the scheme on all levels; null where there is but one.</param>
/// <param name="Project">Name of the project, for the title block.</param>
/// <param name="Revision">Revision letter, or empty for a sheet that is not issued.</param>
/// <param name="Status">"Draft" or "Issued".</param>
public sealed record SheetInput(
    Plan Plan,
    SheetSettings Settings,
    LevelSpace Space,
    ImmutableArray<PlacedItem> Items,
    ImmutableArray<Thing> Things,
    ImmutableArray<Way> Ways,
    Tally Tally,
    Tally? Whole,
    string Project,
    string Revision,
    string Status,
    DateOnly Date
)
{
    /// <summary>What of the level the sheet's view leaves out. It is counted all the same.</summary>
    public NotDrawn NotDrawn { get; init; } = NotDrawn.Nothing;

    /// <summary>What it is held against, taken otherwise and accepted, as notes.</summary>
    public ImmutableArray<string> Held { get; init; } = [];

    /// <summary>Which page of how many it is.</summary>
    public string Page { get; init; } = "1/1";

    /// <summary>Whether it tells of all levels, not of the one that it would draw.</summary>
    public bool IsOfAllLevels { get; init; }

    /// <summary>What changes from another scheme, in place of the schedule; null on every other sheet.</summary>
    public ChangesShown? Changes { get; init; }
}

/// <summary>A composed sheet and the scale it came out at.</summary>
public sealed record Sheet(Drawing Drawing, double Ratio, string ScaleName, bool Fits);

/// <summary>Lays a scheme out on paper: frame, plan at true scale, schedule, capacity, notes, title block.</summary>
/// <param name="pictures">Takes the pictures in space of sheets that show some; without it their frames stay empty.</param>
public sealed class SheetComposer(ITextMeasure text, ISheetPictures? pictures = null)
{
    // ISO 5457: 20 mm at the filing edge, 10 mm elsewhere. ISO 7200: title block 180 mm wide. From memory.
    private const double FilingEdge = 20;
    private const double Edge = 10;
    private const double BlockWidth = 180;
    private const double BlockHeight = 36;

    /// <summary>Room for dimension lines round the plan, in mm of paper.</summary>
    private const double DimensionRoom = 15;

    public Sheet Compose(SheetInput input)
    {
        var paper = Papers.Find(input.Settings.Paper) ?? Papers.All[1];
        var (width, height) = input.Settings.Landscape ? (paper.Long, paper.Short) : (paper.Short, paper.Long);
        var (frame, _) = FrameOf(width, height);
        var layout = Layout(frame, input.Settings);
        var (strip, plan) = PictureStrip.Part(layout.Plan, input.Settings.Pictures);
        var isDrawn = input.Settings.Pictures is not { Alone: true };
        var extent = Extent(input);
        var units = input.Plan.Details.Units;
        var room = input.Settings.Shows.Dimensions ? DimensionRoom : 4;
        var (freeWidth, freeHeight) = (plan.Width - 2 * room, plan.Height - 2 * room);
        var ratio = input.Settings.Scale ?? Scales.Largest(units, extent.Width, extent.Height, freeWidth, freeHeight).Ratio;
        var fits = !isDrawn || (extent.Width / ratio <= freeWidth + 1e-6 && extent.Height / ratio <= freeHeight + 1e-6);
        var centre = plan.Centre;
        var map = new PaperMap(ratio, new Point(centre.X - extent.Centre.X / ratio, centre.Y + extent.Centre.Y / ratio));
        var marks = new List<Mark> { new PathMark(Box(frame), Ink.Full, Ink.Extra) };
        if (isDrawn)
        {
            new PlanPainter(text, map, units, marks).Paint(input);
            if (input.Settings.Shows.Dimensions)
                new DimensionPainter(text, map, units, marks).Paint(input);
        }
        if (strip is { } beside)
            marks.AddRange(PictureStrip.Paint(Seen(input), beside, pictures));
        var scaleName = isDrawn ? Scales.Write(ratio, units) : "Not to scale";
        marks.AddRange(new SideTables(text, units).Paint(input, layout.Tables));
        marks.AddRange(new TitleBlock(text).Paint(input, layout.Title, scaleName, paper.Name));
        if (isDrawn)
            marks.AddRange(SheetMarks.ScaleBar(new Point(frame.MinX + 6, frame.MaxY - 8), ratio, units));
        if (isDrawn && input.Settings.Shows.North)
            marks.AddRange(SheetMarks.North(new Point(layout.Title.MinX - 14, frame.MaxY - 15), input.Plan.Details.North));
        var title = $"{input.Project} · {input.Settings.TitleBlock.Title}";
        var drawing = new Drawing(width, height, title, input.Date, [.. marks]);
        return new Sheet(drawing, ratio, scaleName, fits);
    }

    /// <summary>The frame on a paper of a size in mm, and its title block.</summary>
    internal static (Bounds Frame, Bounds Title) FrameOf(double width, double height)
    {
        var frame = new Bounds(FilingEdge, Edge, width - Edge, height - Edge);
        var wide = Math.Min(BlockWidth, frame.Width);
        return (frame, new Bounds(frame.MaxX - wide, frame.MaxY - BlockHeight, frame.MaxX, frame.MaxY));
    }

    private static Viewpoint[] Seen(SheetInput input) =>
        [.. input.Settings.Pictures!.Viewpoints.Select(id => input.Plan.Find<Viewpoint>(id)).OfType<Viewpoint>()];

    private static (Bounds Plan, Bounds Tables, Bounds Title) Layout(Bounds frame, SheetSettings settings)
    {
        var (_, title) = FrameOf(frame.MaxX + Edge, frame.MaxY + Edge);
        if (settings.Landscape)
        {
            var column = Math.Clamp(frame.Width * 0.23, 70, 150);
            var tables = new Bounds(frame.MaxX - column, frame.MinY, frame.MaxX, title.MinY);
            return (new Bounds(frame.MinX, frame.MinY, tables.MinX, title.MinY), tables, title);
        }
        var strip = Math.Min(95, frame.Height * 0.33);
        var below = new Bounds(frame.MinX, title.MinY - strip, frame.MaxX, title.MinY);
        // On narrow paper the scale bar stands above the title block, so the plan keeps off it.
        return (new Bounds(frame.MinX, frame.MinY, frame.MaxX, below.MinY), below, title);
    }

    /// <summary>The box in mm on the level that must fit the paper: the walls with swings, or what is placed.</summary>
    internal static Bounds Extent(SheetInput input)
    {
        var box = input.Space.Bounds;
        foreach (var leaf in input.Space.Openings.SelectMany(opening => opening.Swing))
            box = box.Including(leaf.Bounds);
        foreach (var item in input.Items.Concat(input.Changes?.Gone ?? []))
            box = box.Including(item.Bounds);
        foreach (var thing in input.Things)
            box = thing.Areas().Aggregate(box, (all, area) => all.Including(area.Bounds));
        return box.IsEmpty ? new Bounds(0, 0, 5000, 5000) : box;
    }

    internal static PathShape Box(Bounds box) => PathShape.Box(box.MinX, box.MinY, box.MaxX, box.MaxY);
}
