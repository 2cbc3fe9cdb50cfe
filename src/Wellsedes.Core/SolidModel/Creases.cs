using System.Collections.Immutable;

namespace Wellsedes.Core.SolidModel;

/// <summary>The edges of a solid where two of its faces meet at an angle: round sides have none.</summary>
internal static class Creases
{
    /// <summary>Faces of one thing that meet at less than 35 degrees show no edge: its cosine.</summary>
    public const double Flat = 0.819;

    public static ImmutableArray<(Point3 From, Point3 To)> Of(IEnumerable<ModelFace> faces)
    {
        var edges = new Dictionary<(Point3, Point3), (Point3 From, Point3 To, Point3 Normal, bool IsFlat)>();
        foreach (var face in faces)
        {
            var normal = face.Normal;
            for (var i = 0; i < face.Corners.Length; i++)
            {
                var (from, to) = (face.Corners[i], face.Corners[(i + 1) % face.Corners.Length]);
                var (a, b) = (Key(from), Key(to));
                // The face on the other side goes along it the other way.
                if (edges.TryGetValue((b, a), out var known))
                    edges[(b, a)] = known with { IsFlat = known.Normal.Dot(normal) > Flat };
                else
                    edges[(a, b)] = (from, to, normal, false);
            }
        }
        return [.. edges.Values.Where(edge => !edge.IsFlat).Select(edge => (edge.From, edge.To))];

        static Point3 Key(Point3 p) => new(Math.Round(p.X, 2), Math.Round(p.Y, 2), Math.Round(p.Z, 2));
    }
}
