using System.Collections.Immutable;
using NetTopologySuite.Geometries;
using NetTopologySuite.Operation.OverlayNG;

namespace Wellsedes.Core.Geometry;

/// <summary>An area with an outline and holes, in mm; outline counter-clockwise, holes clockwise.</summary>
public sealed record Region(ImmutableArray<Point> Outline, ImmutableArray<ImmutableArray<Point>> Holes)
{
    /// <summary>Area in mm².</summary>
    public double Area { get; } = Math.Abs(SignedArea(Outline)) - Holes.Sum(hole => Math.Abs(SignedArea(hole)));

    public Bounds Bounds { get; } = Bounds.Around(Outline);

    /// <summary>The middle of the outline's area; it may lie outside a bent region, or in a hole.</summary>
    public Point Centroid
    {
        get
        {
            var (sum, twice) = (new Point(0, 0), 0.0);
            for (var i = 0; i < Outline.Length; i++)
            {
                // About the first corner, so that far places lose no figures.
                var (a, b) = (Outline[i] - Outline[0], Outline[(i + 1) % Outline.Length] - Outline[0]);
                sum += (a + b) * a.Cross(b);
                twice += a.Cross(b);
            }
            return Outline[0] + sum * (1 / (3 * twice));
        }
    }

    public bool Holds(Point p) => Bounds.Holds(p) && Inside(Outline, p) && !Holes.Any(hole => Inside(hole, p));

    public static double SignedArea(ImmutableArray<Point> ring)
    {
        double twice = 0;
        for (var i = 0; i < ring.Length; i++)
            twice += ring[i].Cross(ring[(i + 1) % ring.Length]);
        return twice / 2;
    }

    private static bool Inside(ImmutableArray<Point> ring, Point p)
    {
        var inside = false;
        for (int i = 0, j = ring.Length - 1; i < ring.Length; j = i++)
            if (
                ring[i].Y > p.Y != ring[j].Y > p.Y
                && p.X < (ring[j].X - ring[i].X) * (p.Y - ring[i].Y) / (ring[j].Y - ring[i].Y) + ring[i].X
            )
                inside = !inside;
        return inside;
    }
}

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
        return ToRegions(OverlayNGRobust.Overlay(ToPolygon(region), gone, NetTopologySuite.Operation.Overlay.SpatialFunction.Difference));
    }

    /// <summary>The area two regions share, in mm².</summary>
    public static double SharedArea(Region a, Region b) =>
        a.Bounds.Meets(b.Bounds)
            ? OverlayNGRobust.Overlay(ToPolygon(a), ToPolygon(b), NetTopologySuite.Operation.Overlay.SpatialFunction.Intersection).Area
            : 0;

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
