using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Seating.Dense;

/// <summary>A line that places are the same on both sides of.</summary>
public readonly record struct MirrorAxis(Point At, Point Along)
{
    public Point Across(Point p) => Onto(p) * 2 - p;

    /// <summary>The nearest point of the line.</summary>
    public Point Onto(Point p) => At + Along * (p - At).Dot(Along);

    /// <summary>A direction seen in the mirror.</summary>
    public Point Turned(Point way) => Along * (2 * way.Dot(Along)) - way;
}
