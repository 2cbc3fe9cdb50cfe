using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Drawings;

/// <summary>What becomes of all of one kind: how many stay, are moved, come and go.</summary>
public sealed record ChangeRow(string Name, int Stay, int Move, int Come, int Go);

/// <summary>What a crew changes to set one scheme where another stands: a sheet of the second shows it in place of its schedule.</summary>
/// <param name="Moves">From where to where on the level, in mm.</param>
/// <param name="Come">The ids of what comes.</param>
/// <param name="Gone">What goes, where it stood.</param>
public sealed record ChangesShown(
    string From,
    string To,
    ImmutableArray<ChangeRow> Rows,
    ImmutableArray<(Point From, Point To)> Moves,
    ImmutableHashSet<string> Come,
    ImmutableArray<PlacedItem> Gone
);

/// <summary>Draws what is moved, comes and goes: told apart by their lines as well as by colour, for printers without any.</summary>
internal sealed class ChangesPainter(PaperMap map, List<Mark> marks)
{
    private const string Goes = "#A3173A";
    private const string Comes = "#2C6B4A";

    /// <summary>How far a frame stands off what comes, in mm of paper.</summary>
    private const double Off = 0.9;

    /// <summary>What goes, beneath everything that will stand.</summary>
    public void PaintGone(ChangesShown changes)
    {
        foreach (var solid in changes.Gone.SelectMany(item => item.Standing))
            marks.Add(new PathMark(Dashes.Cut(map.ToPaper(PathShape.Closed(solid.Outline(5))), 1.6, 0.9), Goes, Ink.Narrow));
    }

    public void Paint(ChangesShown changes, IEnumerable<PlacedItem> items)
    {
        foreach (var item in items.Where(item => changes.Come.Contains(item.Item.Id)))
            marks.Add(new PathMark(map.ToPaper(Frame(item)), Comes, Ink.Wide));
        foreach (var (from, to) in changes.Moves)
        {
            var (a, b) = (map.ToPaper(from), map.ToPaper(to));
            marks.Add(new PathMark(PathShape.Circle(a, 0.7), Ink.Full, Ink.Finest, Ink.Full));
            if (a.DistanceTo(b) > 0.5)
                marks.Add(new PathMark(Arrow(a, b), Ink.Full, Ink.Medium));
        }
    }

    private PathShape Frame(PlacedItem item)
    {
        var body = item.Form.Body.Grown(Off * map.Ratio);
        return PathShape.Box(body.MinX, body.MinY, body.MaxX, body.MaxY).At(item.Item.Placement);
    }

    private static PathShape Arrow(Point from, Point to)
    {
        var back = (from - to).Unit() * Math.Min(2.6, from.DistanceTo(to) / 2);
        return PathShape.Line(from, to).Then(PathShape.Line(to + back + back.Left() * 0.4, to, to + back - back.Left() * 0.4));
    }

    /// <summary>What its lines stand for, beside the list.</summary>
    public static readonly ImmutableArray<(string Words, string Colour, bool Dashed)> Key =
    [
        ("Dashed: goes to the store", Goes, true),
        ("In a frame: comes from the store", Comes, false),
        ("Arrow: is moved from the dot", Ink.Full, false),
    ];
}
