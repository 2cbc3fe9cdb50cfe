using System.Collections.Immutable;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Seating.Rows;

/// <summary>
/// While a hand drags, places of rows stay as they stand: those that no longer fit where they are go, and the rows are counted anew. What would be
/// gained is laid when the drag ends, or when it is clearly more.
/// </summary>
internal sealed class RowsKept
{
    /// <summary>Rectangles are looked at this much smaller all round, in mm: what they only touch is not in them.</summary>
    private const double Hair = 1e-2;

    private readonly SeatingArea area;
    private readonly RowUnit unit;
    private readonly RowsAsked asked;
    private readonly SpatialIndex<(Point From, Point To)> sides;
    private readonly SpatialIndex<Convex> standing;
    private readonly SpatialIndex<Convex> ways;

    public RowsKept(SeatingArea area, RowUnit unit, RowsAsked asked)
    {
        (this.area, this.unit, this.asked) = (area, unit, asked);
        sides = new([.. area.Areas.SelectMany(one => one.Sides())], side => Bounds.At(side.From).Including(side.To));
        standing = new(area.Standing, shape => shape.Bounds);
        ways = new(area.Ways, shape => shape.Bounds);
    }

    /// <param name="places">Where they stand, with the rows they are in.</param>
    /// <param name="catalogue">What the rows are made of; others among them are places for wheelchair users.</param>
    /// <returns>Those that fit, rows and places counted anew.</returns>
    public ImmutableArray<Stand> Of(IReadOnlyList<Stand> places, string catalogue) =>
        [
            .. places
                .Where(place => place.Catalogue == catalogue ? Fits(place) : FitsAsSpace(place))
                .GroupBy(place => place.Row)
                .OrderBy(row => row.Key)
                .SelectMany((row, r) => row.OrderBy(place => place.Place).Select((place, i) => place with { Row = r, Place = i })),
        ];

    private bool Fits(Stand place)
    {
        var frame = new Placement(place.At.X, place.At.Y, place.Rotation - unit.Turn);
        var (left, right) = (unit.Shift - unit.Width / 2, unit.Shift + unit.Width / 2);
        return IsFree(frame, left, right, -unit.Before, unit.Behind, asked.ToWalls)
            && (!unit.PassageBefore || IsFree(frame, left, right, -unit.Before - asked.Passage, -unit.Before, 0))
            && (!unit.PassageBehind || IsFree(frame, left, right, unit.Behind, unit.Behind + asked.Passage, 0));
    }

    private bool FitsAsSpace(Stand place) =>
        place is not { Width: { } width, Depth: { } depth }
        || IsFree(new Placement(place.At.X, place.At.Y, place.Rotation), -width / 2, width / 2, -depth / 2, depth / 2, 0);

    /// <summary>Whether a rectangle of a frame lies on the floor, keeps a gap along its row to what stands, and none of it lies in a way.</summary>
    private bool IsFree(Placement frame, double left, double right, double low, double high, double gap)
    {
        (left, right, low, high) = (left + Hair, right - Hair, low + Hair, high - Hair);
        var middle = new Point((left + right) / 2, (low + high) / 2);
        if (!area.Areas.Any(one => one.Holds(frame.Out(middle))))
            return false;
        var box = Convex.Rectangle(middle, right - left, high - low).At(frame).Bounds;
        var into = StraightGround.Into(frame);
        foreach (var side in sides.Meeting(box))
            if (Bands.Clipped(frame.In(side.From), frame.In(side.To), low, high) is var (from, to) && IsMet(from, to))
                return false;
        return !standing.Meeting(box.Grown(gap)).Exists(shape => Reaches(shape, gap))
            && !ways.Meeting(box).Exists(shape => Reaches(shape, 0));

        bool IsMet(double from, double to) => Math.Min(from, to) < right && Math.Max(from, to) > left;

        bool Reaches(Convex shape, double about) => Bands.Taken(shape.At(into), about, low, high) is var (from, to) && IsMet(from, to);
    }
}
