using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Walkways;

/// <summary>A narrowest place between two obstacles: nothing else stands in the disc on it. Grown shapes, mm.</summary>
internal sealed record Narrow(Obstacle A, Obstacle B, Point OnA, Point OnB, double Width)
{
    /// <summary>Where on each rim it is attached.</summary>
    public double PositionA => A.Rim.Position(OnA);
    public double PositionB => B.Rim.Position(OnB);

    private Pinch? pinch;

    /// <summary>Measured on the true shapes when it is first asked for.</summary>
    public Pinch Pinch => pinch ??= Pinch.Of(this);

    /// <summary>Whether it is the very same place.</summary>
    public bool IsSame(Narrow other) => A == other.A && B == other.B && OnA == other.OnA && OnB == other.OnB && Width == other.Width;
}

/// <summary>A place where the boundaries of two overlapping obstacles cross in the open.</summary>
internal sealed record Crossing(Obstacle A, Obstacle B, Point At)
{
    public double PositionA => A.Rim.Position(At);
    public double PositionB => B.Rim.Position(At);

    /// <summary>Whether walking counter-clockwise round A one enters B here.</summary>
    public bool Enters => Outward(A.Grown, At).Left().Dot(Outward(B.Grown, At)) < 0;

    /// <summary>Whether it is the very same place.</summary>
    public bool IsSame(Crossing other) => A == other.A && B == other.B && At == other.At;

    private static Point Outward(Convex shape, Point p)
    {
        // From the ungrown core, so that the direction is right even where the growth is tiny.
        shape.Grown(-shape.Radius).DistanceTo(p, out var core);
        return (p - core).Unit();
    }
}

/// <summary>The narrow places and crossings that a change takes away and brings.</summary>
internal sealed class LinkChanges
{
    public List<Narrow> NarrowsGone { get; } = [];
    public List<Narrow> NarrowsCome { get; } = [];
    public List<Crossing> CrossingsGone { get; } = [];
    public List<Crossing> CrossingsCome { get; } = [];
}
