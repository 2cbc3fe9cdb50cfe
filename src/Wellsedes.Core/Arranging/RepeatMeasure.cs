using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Arranging;

/// <summary>How much floor one member of a repeat takes: its shapes, seated chairs included, in its own frame and in mm.</summary>
public sealed class RepeatMeasure
{
    /// <summary>Radii are found to a ten-thousandth of a millimetre.</summary>
    private const double Fine = 1e-4;

    private readonly Convex[] shapes;

    /// <param name="standing">What stands, on the level.</param>
    /// <param name="frame">Where the member stands.</param>
    public RepeatMeasure(IEnumerable<Convex> standing, Placement frame)
    {
        var origin = frame.In(default);
        var own = new Placement(origin.X, origin.Y, -frame.Rotation);
        shapes = [.. standing.Select(shape => shape.At(own))];
        Box = shapes.Aggregate(Bounds.Empty, (box, shape) => box.Including(shape.Bounds));
    }

    /// <summary>The box around the member in its own frame.</summary>
    public Bounds Box { get; }

    public bool IsEmpty => shapes.Length == 0;

    /// <summary>The length of the member along its own x axis, or across it; turned members have the sides of their box changed.</summary>
    public double Along => Box.Width;
    public double Across => Box.Height;

    /// <summary>The pitch of two rows back to back with a clear gap between their backs.</summary>
    public double BackToBack(double gap) => 2 * Box.MaxY + gap;

    /// <summary>The clear gap between the backs of two rows at a pitch.</summary>
    public double BackGap(double pitch) => pitch - 2 * Box.MaxY;

    /// <summary>How deep a pair of rows is back to back, from front to front.</summary>
    public double PairDepth(double pitch) => pitch - 2 * Box.MinY;

    /// <summary>The clear distance between the first two members of a ring; less than 0 where they overlap.</summary>
    public double RingGap(Repeat ring)
    {
        if (ring.Columns < 2 || IsEmpty)
            return double.PositiveInfinity;
        var (one, other) = (ring.Regular(0), ring.Regular(1));
        var here = shapes.Select(shape => shape.At(one)).ToArray();
        var least = double.PositiveInfinity;
        foreach (var shape in shapes)
        {
            var there = shape.At(other);
            foreach (var own in here)
                least = Math.Min(least, Geometry.Gap.Between(own, there).Width);
        }
        return least;
    }

    /// <summary>
    /// The least radius at which the members of a ring have a clear gap between them and no two overlap; null where even the largest is
    /// too small.
    /// </summary>
    public double? RadiusFor(Repeat ring, double gap, double largest)
    {
        // Members that look in are nearest each other at their fronts: a larger circle sets them farther apart all round.
        var (low, high) = (0.0, largest);
        if (RingGap(ring with { Radius = high }) < gap)
            return null;
        while (high - low > Fine)
        {
            var between = (low + high) / 2;
            if (RingGap(ring with { Radius = between }) < gap)
                low = between;
            else
                high = between;
        }
        return Math.Round(high, 3);
    }

    /// <summary>How far a member can go straight along a direction before it meets a wall or a way that stays free, in mm; null where none is.</summary>
    public double? RoomAhead(Placement at, Point direction, IReadOnlyList<Convex> stops)
    {
        double? least = null;
        foreach (var shape in shapes.Select(shape => shape.At(at)))
        foreach (var stop in stops)
            if (Reach(shape, direction, stop) is { } reach && !(least <= reach))
                least = reach;
        return least;
    }

    /// <summary>How far a shape can move along a direction until it touches another; null where it never does.</summary>
    private static double? Reach(Convex shape, Point direction, Convex other)
    {
        var most = shape.Bounds.Centre.DistanceTo(other.Bounds.Centre) + 2 * (shape.Bounds.Including(other.Bounds).Width + 1);
        double Apart(double by)
        {
            var step = direction * by;
            return Geometry.Gap.Between(shape.At(new Placement(step.X, step.Y, 0)), other).Width;
        }
        if (Apart(0) <= 0)
            return null;
        // The distance to a convex shape falls and then rises along a line.
        var (low, high) = (0.0, most);
        for (var i = 0; i < 100 && high - low > 1e-3; i++)
        {
            var (third, twoThirds) = (low + (high - low) / 3, high - (high - low) / 3);
            if (Apart(third) <= 0)
            {
                high = third;
                break;
            }
            if (Apart(third) < Apart(twoThirds))
                high = twoThirds;
            else
                low = third;
        }
        if (Apart(high) > 0)
            return null;
        low = 0;
        while (high - low > 1e-6)
        {
            var between = (low + high) / 2;
            if (Apart(between) > 0)
                low = between;
            else
                high = between;
        }
        return low;
    }
}
