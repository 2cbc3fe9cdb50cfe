using Wellsedes.Core.Geometry;
using Wellsedes.Core.Walkways;

namespace Wellsedes.Core.Arranging;

/// <summary>Every move by which one shape meets another: the first moved by t meets the second where t lies in their difference.</summary>
internal sealed class MeetingMoves(Convex moved, Convex other)
{
    /// <summary>Shapes with sharp corners are asked about as if they were this much larger, in mm.</summary>
    public const double Hair = 1e-4;

    private readonly Point from = moved.Bounds.Centre;
    private readonly Point to = other.Bounds.Centre;

    /// <summary>No more than this between the boxes' middles and they may meet, in mm.</summary>
    private readonly double together =
        (
            Math.Sqrt(other.Bounds.Width * other.Bounds.Width + other.Bounds.Height * other.Bounds.Height)
            + Math.Sqrt(moved.Bounds.Width * moved.Bounds.Width + moved.Bounds.Height * moved.Bounds.Height)
        ) / 2;
    private Convex? shape;

    /// <summary>The stretch of moves along a direction by which they meet, in mm; null when by none.</summary>
    public (double From, double To)? On(Point direction) =>
        Math.Abs(direction.Cross(to - from)) > together ? null : LineInside.Of(shape ??= Made(), Hair, default, direction);

    private Convex Made()
    {
        List<Point> all = [];
        foreach (var p in other.Corners)
        foreach (var q in moved.Corners)
            all.Add(p - q);
        var core =
            other.Corners.Length == 1 && moved.Corners.Length == 1 ? Convex.Disc(all[0], 0)
            : other.Corners.Length + moved.Corners.Length == 3 ? Convex.Capsule(all[0], all[1], 0)
            : Convex.HullOf(all);
        return core.Grown(other.Radius + moved.Radius);
    }
}
