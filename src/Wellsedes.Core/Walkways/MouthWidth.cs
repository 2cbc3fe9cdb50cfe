using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Walkways;

/// <summary>How wide the mouth of a way out is: its clear width, less what stands within the thickness of its wall.</summary>
internal static class MouthWidth
{
    /// <summary>The widest free stretch of the mouth and what is on either side of it; width 0 when it is filled.</summary>
    public static Pinch Of(Mouth mouth, ObstacleIndex index)
    {
        var doorway = Doorway(mouth);
        List<(double From, double To, Obstacle By)> taken = [];
        foreach (var obstacle in index.Meeting(doorway.Bounds))
            if (obstacle.OwnerId != mouth.Leaf.OwnerId && Across(obstacle.Shape, mouth) is { } across)
                taken.Add((across.From, across.To, obstacle));
        var best = new Pinch(mouth.Leaf, mouth.Leaf, At(-mouth.Half), At(-mouth.Half), 0);
        var (at, by) = (-mouth.Half, mouth.Leaf);
        foreach (
            var next in taken
                .OrderBy(one => one.From)
                .ThenBy(one => one.By, Comparer<Obstacle>.Create(Obstacle.InOrder))
                .Append((From: mouth.Half, To: mouth.Half, By: mouth.Leaf))
        )
        {
            if (next.From - at > best.Width)
                best = new Pinch(by, next.By, At(at), At(next.From), next.From - at);
            else if (best.Width <= 0 && best.A == best.B && next.By != mouth.Leaf)
                best = best with { B = next.By };
            if (next.To > at)
                (at, by) = (next.To, next.By);
        }
        return best;

        Point At(double across) => mouth.Frame.Out(new Point(across, 0));
    }

    /// <summary>The floor of a mouth, within the thickness of its wall.</summary>
    public static Convex Doorway(Mouth mouth) => Convex.Rectangle(default, 2 * mouth.Half, 2 * mouth.Deep).At(mouth.Frame);

    /// <summary>What a shape takes of the mouth's width within the wall, in mm along it; null when it takes nothing.</summary>
    private static (double From, double To)? Across(Convex shape, Mouth mouth)
    {
        var (from, to) = (double.PositiveInfinity, double.NegativeInfinity);
        var along = mouth.Frame.Turned(new Point(1, 0));
        // The widest part of a convex shape between two lines is on one of them, or at an end of its own.
        var deep = mouth.Deep - Tolerance.Length;
        foreach (var y in (ReadOnlySpan<double>)[-deep, 0, deep])
            if (LineInside.Of(shape, 1e-4, mouth.Frame.Out(new Point(0, y)), along) is { } inside)
                Include(inside.From, inside.To);
        foreach (var direction in (ReadOnlySpan<Point>)[along, along * -1])
            if (mouth.Frame.In(shape.Support(direction)) is var end && Math.Abs(end.Y) <= deep)
                Include(end.X, end.X);
        (from, to) = (Math.Max(from, -mouth.Half), Math.Min(to, mouth.Half));
        return to - from > Tolerance.Length ? (from, to) : null;

        void Include(double low, double high) => (from, to) = (Math.Min(from, low), Math.Max(to, high));
    }
}
