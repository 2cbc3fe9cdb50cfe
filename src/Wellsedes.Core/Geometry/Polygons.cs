using System.Collections.Immutable;
using NetTopologySuite.Geometries;
using NetTopologySuite.Geometries.Utilities;
using NetTopologySuite.Operation.Overlay;
using NetTopologySuite.Operation.OverlayNG;

namespace Wellsedes.Core.Geometry;

/// <summary>Unions and differences of regions, by NetTopologySuite.</summary>
public static class Polygons
{
    private static readonly GeometryFactory Factory = new();

    public static ImmutableArray<Region> Union(IEnumerable<Convex> shapes)
    {
        var polygons = shapes.Select(ToPolygon).ToArray<NetTopologySuite.Geometries.Geometry>();
        return polygons.Length == 0 ? [] : ToRegions(UnaryUnionNG.Union(Factory.BuildGeometry(polygons), new PrecisionModel(1e4)));
    }

    public static ImmutableArray<Region> Difference(Region region, IEnumerable<Convex> shapes)
    {
        var gone = OverlayNGRobust.Union(shapes.Select(ToPolygon), Factory);
        return ToRegions(Overlaid(region, gone, SpatialFunction.Difference));
    }

    /// <summary>The area two regions share, in mm².</summary>
    public static double SharedArea(Region a, Region b) =>
        a.Bounds.Meets(b.Bounds) ? Overlaid(a, ToPolygon(b), SpatialFunction.Intersection).Area : 0;

    private static NetTopologySuite.Geometries.Geometry Overlaid(
        Region region,
        NetTopologySuite.Geometries.Geometry other,
        SpatialFunction function
    )
    {
        var polygon = ToPolygon(region);
        try
        {
            return OverlayNGRobust.Overlay(polygon, other, function);
        }
        catch (TopologyException)
        {
            // Outlines that touch themselves within rounding are put right first.
            return OverlayNGRobust.Overlay(GeometryFixer.Fix(polygon), GeometryFixer.Fix(other), function);
        }
    }

    /// <summary>A point well inside a region.</summary>
    public static Point InsidePoint(Region region)
    {
        var centre = region.Centroid;
        if (!region.Holds(centre))
        {
            var inside = ToPolygon(region).InteriorPoint;
            centre = new Point(inside.X, inside.Y);
        }
        return new Point(Math.Round(centre.X, 3), Math.Round(centre.Y, 3));
    }

    private static NetTopologySuite.Geometries.Geometry ToPolygon(Convex shape) => Factory.CreatePolygon(Ring(shape.Outline(0.01)));

    private static NetTopologySuite.Geometries.Geometry ToPolygon(Region region) =>
        Factory.CreatePolygon(
            Factory.CreateLinearRing(Ring(region.Outline)),
            [.. region.Holes.Select(hole => Factory.CreateLinearRing(Ring(hole)))]
        );

    private static Coordinate[] Ring(IReadOnlyList<Point> points) =>
        [.. points.Select(p => new Coordinate(p.X, p.Y)), new Coordinate(points[0].X, points[0].Y)];

    private static ImmutableArray<Region> ToRegions(NetTopologySuite.Geometries.Geometry geometry)
    {
        var regions = ImmutableArray.CreateBuilder<Region>();
        for (var i = 0; i < geometry.NumGeometries; i++)
            if (geometry.GetGeometryN(i) is Polygon { IsEmpty: false } polygon)
                regions.Add(new Region(ToRing(polygon.ExteriorRing, true), [.. polygon.InteriorRings.Select(ring => ToRing(ring, false))]));
        return regions.ToImmutable();
    }

    private static ImmutableArray<Point> ToRing(LineString ring, bool counterClockwise)
    {
        var points = ring.Coordinates.Take(ring.NumPoints - 1).Select(c => new Point(c.X, c.Y)).ToImmutableArray();
        return Region.SignedArea(points) > 0 == counterClockwise ? points : [.. points.Reverse()];
    }
}
