using System.Collections.Immutable;
using NetTopologySuite.Geometries;
using NetTopologySuite.Triangulate.Polygon;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Geometry;
using Point = Wellsedes.Core.Geometry.Point;

namespace Wellsedes.Core.SolidModel;

/// <summary>Closed solids as faces, each seen from outside.</summary>
internal static class Solids
{
    /// <summary>How far chords lie off round sides, in mm: what the plan draws round is not off it by more than this.</summary>
    private const double Sag = 4;

    /// <summary>Corners nearer to each other than this, in mm, are one.</summary>
    private const double Same = 1e-3;

    /// <summary>A prism of an item: its outline, upright or tapered towards its top.</summary>
    public static ImmutableArray<ModelFace> Of(Prism prism)
    {
        var ring = Ring(prism.Outline);
        var middle = prism.Outline.Bounds.Centre;
        return Between(ring, [.. ring.Select(p => middle + (p - middle) * prism.Taper)], prism.From, prism.To, ModelFace.Of(prism.Role));
    }

    /// <summary>A convex outline, upright from one height to another.</summary>
    public static ImmutableArray<ModelFace> Upright(Convex outline, double from, double to, Surface surface)
    {
        var ring = Ring(outline);
        return Between(ring, ring, from, to, surface);
    }

    private static Point[] Ring(Convex outline)
    {
        List<Point> ring = [];
        foreach (var p in outline.Outline(Sag))
            if (ring.Count == 0 || (p.DistanceTo(ring[^1]) > Same && p.DistanceTo(ring[0]) > Same))
                ring.Add(p);
        return [.. ring];
    }

    private static ImmutableArray<ModelFace> Between(Point[] foot, Point[] top, double from, double to, Surface surface)
    {
        if (foot.Length < 3 || to <= from)
            return [];
        var isPoint = top[0].DistanceTo(top[1]) < Same;
        var faces = ImmutableArray.CreateBuilder<ModelFace>(foot.Length + 2);
        faces.Add(new ModelFace(surface, [.. foot.Reverse().Select(p => Point3.Over(p, from))]));
        if (!isPoint)
            faces.Add(new ModelFace(surface, [.. top.Select(p => Point3.Over(p, to))]));
        for (var i = 0; i < foot.Length; i++)
        {
            var next = (i + 1) % foot.Length;
            var (a, b) = (Point3.Over(foot[i], from), Point3.Over(foot[next], from));
            faces.Add(
                new ModelFace(
                    surface,
                    isPoint ? [a, b, Point3.Over(top[0], to)] : [a, b, Point3.Over(top[next], to), Point3.Over(top[i], to)]
                )
            );
        }
        return faces.ToImmutable();
    }

    /// <summary>A body of eight corners: four below counter-clockwise seen from above, and the four over them. Its sides are flat.</summary>
    public static ImmutableArray<ModelFace> Hexahedron(ReadOnlySpan<Point3> foot, ReadOnlySpan<Point3> top, Surface surface)
    {
        var faces = ImmutableArray.CreateBuilder<ModelFace>(6);
        faces.Add(new ModelFace(surface, [foot[3], foot[2], foot[1], foot[0]]));
        faces.Add(new ModelFace(surface, [top[0], top[1], top[2], top[3]]));
        for (var i = 0; i < 4; i++)
        {
            var next = (i + 1) % 4;
            faces.Add(new ModelFace(surface, [foot[i], foot[next], top[next], top[i]]));
        }
        return faces.ToImmutable();
    }

    /// <summary>A region, holes and all, from one height to another.</summary>
    public static ImmutableArray<ModelFace> Slab(Region region, double from, double to, Surface surface)
    {
        if (to <= from)
            return [];
        var polygon = new Polygon(Ring(region.Outline), [.. region.Holes.Select(hole => Ring(hole))]);
        var faces = ImmutableArray.CreateBuilder<ModelFace>();
        foreach (var geometry in ((GeometryCollection)new PolygonTriangulator(polygon).GetResult()).Geometries)
        {
            Point[] corners = [.. geometry.Coordinates.Take(3).Select(c => new Point(c.X, c.Y))];
            if (Region.SignedArea([.. corners]) < 0)
                Array.Reverse(corners);
            faces.Add(new ModelFace(surface, [.. corners.Select(p => Point3.Over(p, to))]));
            faces.Add(new ModelFace(surface, [.. corners.Reverse().Select(p => Point3.Over(p, from))]));
        }
        foreach (var (ring, isHole) in region.Holes.Select(hole => (hole, true)).Prepend((region.Outline, false)))
        {
            Point[] corners = [.. ring];
            if ((Region.SignedArea(ring) < 0) != isHole)
                Array.Reverse(corners);
            for (var i = 0; i < corners.Length; i++)
            {
                var (a, b) = (corners[i], corners[(i + 1) % corners.Length]);
                faces.Add(new ModelFace(surface, [Point3.Over(a, from), Point3.Over(b, from), Point3.Over(b, to), Point3.Over(a, to)]));
            }
        }
        return faces.ToImmutable();

        static LinearRing Ring(ImmutableArray<Point> ring) => new([.. ring.Append(ring[0]).Select(p => new Coordinate(p.X, p.Y))]);
    }

    /// <summary>The same faces where a frame of the plan and a height put them.</summary>
    public static ImmutableArray<ModelFace> At(this IEnumerable<ModelFace> faces, Placement frame, double z) =>
        [
            .. faces.Select(face =>
                face with
                {
                    Corners = [.. face.Corners.Select(p => Point3.Over(frame.Out(new Point(p.X, p.Y)), p.Z + z))],
                }
            ),
        ];
}
