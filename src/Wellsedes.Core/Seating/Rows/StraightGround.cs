using System.Collections.Immutable;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Seating.Rows;

/// <summary>Straight rows: bands are cut exactly, sides by their ends within them, rounded shapes by their outermost points.</summary>
internal sealed class StraightGround : RowGround
{
    private readonly ImmutableArray<Region> areas;
    private readonly (Point From, Point To)[][] flat;
    private readonly CrossedSides[] crossed;
    private readonly Convex[] standing;
    private readonly Convex[] ways;
    private readonly Placement frame;
    private readonly Bounds box;

    public override double Axis { get; }

    /// <param name="area">The floor.</param>
    /// <param name="facing">Where those in the rows look, in degrees.</param>
    /// <param name="also">Further floor that stays free.</param>
    public StraightGround(SeatingArea area, double facing, IEnumerable<Convex>? also = null)
    {
        frame = new Placement(area.Middle.X, area.Middle.Y, facing + 90);
        areas = [.. area.Areas.Select(one => one.In(frame))];
        var into = Into(frame);
        standing = [.. area.Standing.Select(shape => shape.At(into))];
        ways = [.. area.Ways.Concat(also ?? []).Select(shape => shape.At(into))];
        flat = [.. areas.Select(one => one.Sides().ToArray())];
        crossed = [.. flat.Select(sides => new CrossedSides(sides))];
        box = Region.BoxOf(areas);
        Axis = 0;
    }

    /// <summary>The placement that takes points of the level into a frame.</summary>
    internal static Placement Into(Placement frame)
    {
        var origin = frame.In(default);
        return new Placement(origin.X, origin.Y, -frame.Rotation);
    }

    public override (double Least, double Most) Across => (box.MinY, box.MaxY);

    public override bool IsSlanted => areas.Any(area => area.IsSlanted);

    public override IEnumerable<double> Events(double gap)
    {
        foreach (var (corner, _) in flat.SelectMany(sides => sides))
            yield return corner.Y;
        foreach (var shape in standing.Where(shape => shape.Bounds.Meets(box)))
        {
            yield return shape.Bounds.MinY - gap;
            yield return shape.Bounds.MaxY + gap;
        }
        foreach (var shape in ways.Where(shape => shape.Bounds.Meets(box)))
        {
            yield return shape.Bounds.MinY;
            yield return shape.Bounds.MaxY;
        }
    }

    public override List<(double From, double To)> Free(double near, double far, double gap)
    {
        var (low, high) = (near + Hair, far - Hair);
        var middle = (near + far) / 2;
        List<(double From, double To)> free = [];
        List<(double From, double To)> taken = [];
        List<double> crossings = [];
        for (var area = 0; area < flat.Length; area++)
        {
            crossed[area].At(middle, crossings);
            foreach (var (a, b) in flat[area])
                if (Bands.Clipped(a, b, low, high) is var (from, to))
                    taken.Add((Math.Min(from, to), Math.Max(from, to)));
            for (var i = 0; i + 1 < crossings.Count; i += 2)
                free.Add((crossings[i], crossings[i + 1]));
        }
        foreach (var shape in standing)
            if (Bands.Taken(shape, gap, low, high) is var (from, to))
                taken.Add((from + Hair, to - Hair));
        foreach (var shape in ways)
            if (Bands.Taken(shape, 0, low, high) is var (from, to))
                taken.Add((from + Hair, to - Hair));
        return Less(free, taken);
    }

    /// <summary>How far back a point of the level lies.</summary>
    public double AcrossOf(Point p) => frame.In(p).Y;

    public override double Length(double mm, double across) => mm;

    public override double Between(double mm, double across, double width) => mm;

    public override double Behind(double across, double depth, double width, double passage) => across + depth + passage;

    public override Placement At(double along, double across)
    {
        var at = frame.Out(new Point(along, across));
        return new Placement(at.X, at.Y, frame.Rotation);
    }
}
