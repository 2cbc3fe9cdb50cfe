using System.Collections.Immutable;
using System.Globalization;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.SolidModel;

/// <summary>
/// A wall as one solid: cut at the ends, sills and heads of its openings into a grid, of which what lies in no opening remains. Where two parts of it meet there is no face, so that no
/// seam is seen.
/// </summary>
internal static class WallSolids
{
    /// <param name="most">No higher than this, in mm: what is cut off is looked over.</param>
    public static ImmutableArray<ModelFace> Of(WallBody body, IEnumerable<Opening> openings, double most = double.PositiveInfinity)
    {
        var (wall, length) = (body.Wall, body.Wall.Length);
        var height = Math.Min(wall.Height, most);
        Opening[] cut = [.. openings.Where(opening => opening.To > 0 && opening.From < length)];
        double[] along = Cuts(cut.SelectMany(opening => (double[])[opening.From, opening.To]), length);
        double[] up = Cuts(cut.SelectMany(opening => (double[])[opening.Sill, opening.Sill + opening.Height]), height);
        var faces = new OuterFaces();
        for (var i = 0; i + 1 < along.Length; i++)
        {
            var middle = (along[i] + along[i + 1]) / 2;
            var pieces = body.Between(
                    i == 0 ? double.NegativeInfinity : along[i],
                    i + 2 == along.Length ? double.PositiveInfinity : along[i + 1]
                )
                .ToArray();
            for (var j = 0; j + 1 < up.Length; j++)
            {
                var at = (up[j] + up[j + 1]) / 2;
                if (
                    Array.Exists(
                        cut,
                        opening => opening.From < middle && opening.To > middle && opening.Sill < at && opening.Sill + opening.Height > at
                    )
                )
                    continue;
                foreach (var piece in pieces)
                    faces.Add(Solids.Upright(piece, up[j], up[j + 1], Surface.Wall));
            }
        }
        return
        [
            .. faces.All.Select(face =>
                face.Corners[0].Z >= height - Tolerance.Length && face.Normal.Z > 0.5 ? face with { Surface = Surface.Cut } : face
            ),
        ];
    }

    /// <summary>The edges of what is above a cut, openings left out; none where the wall is no higher.</summary>
    public static ImmutableArray<(Point3 From, Point3 To)> TakenOff(WallBody body, double cut)
    {
        var faces = new OuterFaces();
        foreach (var piece in body.Whole())
            faces.Add(Solids.Upright(piece, cut, body.Wall.Height, Surface.Wall));
        return Creases.Of(faces.All);
    }

    private static double[] Cuts(IEnumerable<double> at, double most) =>
        [.. at.Where(one => one > 0 && one < most).Append(0).Append(most).Distinct().Order()];
}

/// <summary>Faces of parts that stand against each other: two that are each other's back are none.</summary>
internal sealed class OuterFaces
{
    private readonly Dictionary<string, ModelFace> faces = [];

    public ImmutableArray<ModelFace> All => [.. faces.Values];

    public void Add(IEnumerable<ModelFace> more)
    {
        foreach (var face in more)
            if (!faces.Remove(KeyOf(face.Corners.Reverse())))
                faces[KeyOf(face.Corners)] = face;
    }

    /// <summary>The same for the same corners in the same order, whichever comes first.</summary>
    private static string KeyOf(IEnumerable<Point3> corners)
    {
        string[] all = [.. corners.Select(p => string.Create(CultureInfo.InvariantCulture, $"{p.X:F3} {p.Y:F3} {p.Z:F3}"))];
        var first = Array.IndexOf(all, all.Min(StringComparer.Ordinal));
        return string.Join(';', all[first..].Concat(all[..first]));
    }
}
