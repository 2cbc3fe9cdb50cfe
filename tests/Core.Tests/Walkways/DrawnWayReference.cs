using NetTopologySuite.Geometries;
using NetTopologySuite.Operation.Buffer;
using NetTopologySuite.Operation.Distance;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Walkways;
using Point = Wellsedes.Core.Geometry.Point;

namespace Wellsedes.Core.Tests.Walkways;

/// <summary>
/// A slow reference that shares nothing with the way it is done: the places of the middle of a disc that keeps off both sides and everything
/// else, by NetTopologySuite's offsets; a disc gets through when one piece of these touches both ends of the way.
/// </summary>
internal static class DrawnWayReference
{
    private static readonly GeometryFactory Factory = new();

    /// <summary>The widest disc that gets along, by halving; never more than the way is wide.</summary>
    public static double Width(Strip strip, IReadOnlyList<Obstacle> obstacles)
    {
        if (Passes(strip, obstacles, strip.Width - 0.02))
            return strip.Width;
        var (low, high) = (0.0, strip.Width);
        while (high - low > 0.02)
        {
            var between = (low + high) / 2;
            if (Passes(strip, obstacles, between))
                low = between;
            else
                high = between;
        }
        return low;
    }

    private static bool Passes(Strip strip, IReadOnlyList<Obstacle> obstacles, double width)
    {
        var style = new BufferParameters(160);
        var floor = Factory.CreatePolygon([.. strip.Outline.Append(strip.Outline[0]).Select(At)]);
        var free = (NetTopologySuite.Geometries.Geometry)floor;
        foreach (var side in (IEnumerable<Point>[])[strip.Left, strip.Right])
            free = free.Difference(Factory.CreateLineString([.. side.Select(At)]).Buffer(width / 2 - 1e-3, style));
        // Only what of a thing stands in the way.
        foreach (var obstacle in obstacles)
            if (Core(obstacle.Shape).Buffer(obstacle.Shape.Radius + 1e-6, style).Intersection(floor) is { IsEmpty: false } inside)
                free = free.Difference(inside.Buffer(width / 2 - 1e-3, style));
        var (start, end) = (Cap(strip, 0), Cap(strip, strip.Line.Length - 1));
        return Enumerable
            .Range(0, free.NumGeometries)
            .Select(free.GetGeometryN)
            .Any(piece => !piece.IsEmpty && DistanceOp.Distance(piece, start) < 1e-3 && DistanceOp.Distance(piece, end) < 1e-3);
    }

    private static LineString Cap(Strip strip, int i) => Factory.CreateLineString([At(strip.Left[i]), At(strip.Right[i])]);

    private static Coordinate At(Point p) => new(p.X, p.Y);

    private static NetTopologySuite.Geometries.Geometry Core(Convex shape)
    {
        var corners = shape.Corners.ToArray().Select(At).ToArray();
        return corners.Length switch
        {
            1 => Factory.CreatePoint(corners[0]),
            2 => Factory.CreateLineString(corners),
            _ => Factory.CreatePolygon([.. corners, corners[0]]),
        };
    }
}
