using System.Collections.Immutable;
using System.Runtime.CompilerServices;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Compliance;

/// <summary>Floor of a room with so many mm of clear height and more over it, in m²; 2134 mm are 7 ft.</summary>
internal sealed record Heights(double From900, double From1500, double From2134, double From2300);

/// <summary>What measures read of a room itself, whoever is in it; worked out once for a room.</summary>
/// <param name="Doorways">Doors and gaps that lead out of it, into whatever.</param>
/// <param name="Diagonal">The two corners that are farthest from each other.</param>
/// <param name="Width">Of the narrowest strip it fits into, in mm, as a rectangle's shorter side is.</param>
/// <param name="Length">Along that strip, in mm.</param>
/// <param name="From">Its floor by the clear height over it.</param>
internal sealed record RoomShape(
    LevelSpace Space,
    ImmutableArray<OpeningPlace> Doorways,
    (Point A, Point B) Diagonal,
    double Width,
    double Length,
    Heights From
)
{
    private static readonly ConditionalWeakTable<FoundRoom, RoomShape> Known = [];

    public static RoomShape Of(LevelSpace space, FoundRoom room)
    {
        if (Known.TryGetValue(room, out var known) && ReferenceEquals(known.Space, space))
            return known;
        ImmutableArray<OpeningPlace> ways = [.. Compliance.Doorways.Of(space, room)];
        var (width, length) = StripOf(room.Outline);
        double From(double height) => Headroom.AreaFrom(space, room, height);
        var heights = new Heights(From(900), From(AreaDefinitions.LeastUsableHeight), From(2134), From(2300));
        var shape = new RoomShape(space, ways, Farthest(room.Outline.Outline), width, length, heights);
        Known.AddOrUpdate(room, shape);
        return shape;
    }

    /// <summary>The two points that are farthest from each other; twice the same where there are fewer.</summary>
    internal static (Point A, Point B) Farthest(ImmutableArray<Point> points)
    {
        var best = (A: default(Point), B: default(Point));
        foreach (var a in points)
        foreach (var b in points)
            if (a.DistanceTo(b) > best.A.DistanceTo(best.B))
                best = (a, b);
        return best;
    }

    /// <summary>Across and along the narrowest strip: it lies along a side of the hull.</summary>
    private static (double Width, double Length) StripOf(Region room)
    {
        var hull = Convex.HullOf(room.Outline);
        var corners = hull.Corners;
        var best = (Width: double.PositiveInfinity, Length: 0.0);
        for (var i = 0; i < corners.Length; i++)
        {
            var along = (corners[(i + 1) % corners.Length] - corners[i]).Unit();
            var (across, length) = (Reach(hull, along.Left()), Reach(hull, along));
            if (across < best.Width - Tolerance.Length)
                best = (across, length);
        }
        return best;
    }

    private static double Reach(Convex hull, Point way)
    {
        var (from, to) = Convex.Reach([hull], way);
        return to - from;
    }
}
