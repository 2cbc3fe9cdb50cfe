using NetTopologySuite.Algorithm.Locate;
using NetTopologySuite.Geometries;
using NetTopologySuite.Operation.Buffer;
using NetTopologySuite.Operation.OverlayNG;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Walkways;
using Point = Wellsedes.Core.Geometry.Point;

namespace Wellsedes.Core.Tests.Walkways;

/// <summary>
/// A slow reference that shares nothing with the gap graph: every obstacle is offset by half the width with
/// NetTopologySuite, united and taken from the floor; a target is reached when the disc that touches it has its
/// centre in the same piece of floor as the outside.
/// </summary>
internal sealed class OffsetReference
{
    private static readonly GeometryFactory Factory = new();
    private readonly List<IndexedPointInAreaLocator> outside = [];

    private readonly List<Obstacle> obstacles;

    public OffsetReference(IEnumerable<Obstacle> obstacles, Point source, double width)
    {
        this.obstacles = [.. obstacles];
        var style = new BufferParameters(48);
        var grown = obstacles.Select(o => Core(o.Shape).Buffer(o.Shape.Radius + width / 2, style)).ToArray();
        var all = UnaryUnionNG.Union(Factory.BuildGeometry(grown), new PrecisionModel(1e5));
        var box = all.EnvelopeInternal.Copy();
        box.ExpandBy(5000);
        var free = Factory.ToGeometry(box).Difference(all);
        var at = Factory.CreatePoint(new Coordinate(source.X, source.Y));
        for (var i = 0; i < free.NumGeometries; i++)
            if (free.GetGeometryN(i).Distance(at) < 1e-6)
                outside.Add(new IndexedPointInAreaLocator(free.GetGeometryN(i)));
    }

    public bool Reaches(Access access, double width)
    {
        // Tangent exactly, the disc must keep off everything else; nudged off its own thing, it must be connected.
        var tangent = access.At + access.Outward * (width / 2);
        var at = Factory.CreatePoint(new Coordinate(tangent.X, tangent.Y));
        if (obstacles.Any(o => o != access.On && Core(o.Shape).Distance(at) - o.Shape.Radius < width / 2 - 1e-6))
            return false;
        var centre = access.At + access.Outward * (width / 2 + 0.05);
        return outside.Any(piece => piece.Locate(new Coordinate(centre.X, centre.Y)) != Location.Exterior);
    }

    private static NetTopologySuite.Geometries.Geometry Core(Convex shape)
    {
        var corners = shape.Corners.ToArray().Select(c => new Coordinate(c.X, c.Y)).ToArray();
        return corners.Length switch
        {
            1 => Factory.CreatePoint(corners[0]),
            2 => Factory.CreateLineString(corners),
            _ => Factory.CreatePolygon([.. corners, corners[0]]),
        };
    }
}
