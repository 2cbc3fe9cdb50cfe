using System.Collections.Immutable;
using NetTopologySuite.Geometries;
using NetTopologySuite.Geometries.Utilities;
using NetTopologySuite.Operation.Overlay;
using NetTopologySuite.Operation.OverlayNG;
using NetTopologySuite.Simplify;

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

    public static ImmutableArray<Region> Difference(Region region, IEnumerable<Convex> shapes) =>
        ToRegions(Less(region, shapes.Select(ToPolygon)));

    private static NetTopologySuite.Geometries.Geometry Less(Region region, IEnumerable<NetTopologySuite.Geometries.Geometry> gone) =>
        // Of none there is no union.
        OverlayNGRobust.Union(gone, Factory)
            is { } all
            ? Overlaid(region, all, SpatialFunction.Difference)
            : ToPolygon(region);

    /// <summary>What a region shares with others.</summary>
    public static ImmutableArray<Region> Shared(Region region, IEnumerable<Region> others)
    {
        var all = OverlayNGRobust.Union(others.Select(ToPolygon), Factory);
        return all is null ? [] : ToRegions(Overlaid(region, all, SpatialFunction.Intersection));
    }

    /// <summary>The part of a region within a distance in mm of its edge, corners kept square.</summary>
    public static ImmutableArray<Region> Rim(Region region, double width)
    {
        var polygon = ToPolygon(region);
        var inner = polygon.Buffer(-width, Mitred);
        return ToRegions(OverlayNGRobust.Overlay(polygon, inner, SpatialFunction.Difference));
    }

    /// <summary>Regions as one, gaps between them that are no wider than twice a distance in mm filled, corners kept square.</summary>
    public static ImmutableArray<Region> Closed(IEnumerable<Region> regions, double by)
    {
        var all = OverlayNGRobust.Union(regions.Select(ToPolygon), Factory);
        return all is null ? [] : ToRegions(all.Buffer(by, Mitred).Buffer(-by, Mitred));
    }

    /// <summary>What is left of a region without others and without what is then narrower than a width in mm, corners kept square.</summary>
    public static ImmutableArray<Region> Wide(Region region, IEnumerable<Region> gone, double width)
    {
        var left = Less(region, gone.Select(ToPolygon));
        var wide = left.Buffer(-width / 2, Mitred).Buffer(width / 2, Mitred);
        // Corners that were rounded come back with a few too many; on a grid no slivers are left where the two run along each other.
        return ToRegions(
            OverlayNG.Overlay(TopologyPreservingSimplifier.Simplify(wide, 1), left, SpatialFunction.Intersection, new PrecisionModel(10))
        );
    }

    private static NetTopologySuite.Operation.Buffer.BufferParameters Mitred =>
        new() { JoinStyle = NetTopologySuite.Operation.Buffer.JoinStyle.Mitre };

    /// <summary>A simple ring in convex pieces: triangles, joined where two make a convex shape.</summary>
    public static ImmutableArray<Convex> ConvexPieces(IReadOnlyList<Point> ring)
    {
        var hull = Convex.HullOf(ring);
        var area = Math.Abs(Region.SignedArea([.. ring]));
        if (Math.Abs(Region.SignedArea([.. hull.Corners])) - area < 1e-3 * area)
            return [hull];
        var triangles = NetTopologySuite.Triangulate.Polygon.PolygonTriangulator.Triangulate(Factory.CreatePolygon(Ring(ring)));
        List<Point[]> pieces = [];
        for (var i = 0; i < triangles.NumGeometries; i++)
        {
            Point[] triangle = [.. triangles.GetGeometryN(i).Coordinates.Take(3).Select(c => new Point(c.X, c.Y))];
            if (Region.SignedArea([.. triangle]) < 0)
                Array.Reverse(triangle);
            var at = pieces.FindIndex(piece => Joined(piece, triangle) is not null);
            if (at >= 0)
                pieces[at] = Joined(pieces[at], triangle)!;
            else
                pieces.Add(triangle);
        }
        return [.. pieces.Select(piece => Convex.Polygon(piece))];
    }

    /// <summary>Two pieces as one where their hull is no larger than both of them.</summary>
    private static Point[]? Joined(Point[] a, Point[] b)
    {
        Point[] hull = [.. Convex.HullOf([.. a, .. b]).Corners];
        var both = Math.Abs(Region.SignedArea([.. a])) + Math.Abs(Region.SignedArea([.. b]));
        return Math.Abs(Math.Abs(Region.SignedArea([.. hull])) - both) < 1e-6 * both + 0.01 ? hull : null;
    }

    /// <summary>Two sides of a ring that cross or touch, counted from 0; null where none do.</summary>
    public static (int, int)? Crossing(ImmutableArray<Point> ring)
    {
        for (var i = 0; i < ring.Length; i++)
        for (var j = i + 1; j < ring.Length; j++)
            if (Crosses(ring, i, j))
                return (i, j);
        return null;
    }

    private static bool Crosses(ImmutableArray<Point> ring, int i, int j)
    {
        var n = ring.Length;
        var (a, b, c, d) = (ring[i], ring[(i + 1) % n], ring[j], ring[(j + 1) % n]);
        if (j == i + 1 || (i == 0 && j == n - 1))
            return false;
        double Side(Point p, Point q, Point r) => (q - p).Cross(r - p);
        // Sides on one line that lie apart on it do not touch.
        var apart = !Bounds.At(a).Including(b).Meets(Bounds.At(c).Including(d));
        return !apart && Side(a, b, c) * Side(a, b, d) <= 0 && Side(c, d, a) * Side(c, d, b) <= 0;
    }

    /// <summary>How far a point is from the line of a closed ring, in mm.</summary>
    public static double DistanceToRing(ImmutableArray<Point> ring, Point p)
    {
        var least = double.PositiveInfinity;
        for (var i = 0; i < ring.Length; i++)
            least = Math.Min(least, p.DistanceTo(p.NearestOn(ring[i], ring[(i + 1) % ring.Length])));
        return least;
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
