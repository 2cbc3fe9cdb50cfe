using System.Collections.Immutable;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Models;

/// <summary>A wall as solids: sliced at the ends of its openings, of each slice the heights that remain between sills and heads.</summary>
internal static class WallSolids
{
    public static ImmutableArray<ModelFace> Of(WallBody body, IEnumerable<Opening> openings)
    {
        var (wall, length) = (body.Wall, body.Wall.Length);
        Opening[] cut = [.. openings.Where(opening => opening.To > 0 && opening.From < length)];
        double[] ends =
        [
            .. cut.SelectMany(opening => (double[])[opening.From, opening.To])
                .Where(at => at > 0 && at < length)
                .Append(0)
                .Append(length)
                .Distinct()
                .Order(),
        ];
        var faces = ImmutableArray.CreateBuilder<ModelFace>();
        for (var i = 0; i + 1 < ends.Length; i++)
        {
            var (from, to) = (ends[i], ends[i + 1]);
            var middle = (from + to) / 2;
            var pieces = body.Between(i == 0 ? double.NegativeInfinity : from, i + 2 == ends.Length ? double.PositiveInfinity : to)
                .ToArray();
            foreach (var (low, high) in Bands(wall.Height, cut.Where(opening => opening.From < middle && opening.To > middle)))
            foreach (var piece in pieces)
                faces.AddRange(Solids.Upright(piece, low, high, Surface.Wall));
        }
        return faces.ToImmutable();
    }

    /// <summary>The heights of a wall that are left between openings, which may overlap.</summary>
    private static IEnumerable<(double Low, double High)> Bands(double height, IEnumerable<Opening> openings)
    {
        var at = 0.0;
        foreach (var opening in openings.OrderBy(opening => opening.Sill))
        {
            if (opening.Sill > at)
                yield return (at, Math.Min(height, opening.Sill));
            at = Math.Max(at, opening.Sill + opening.Height);
            if (at >= height)
                yield break;
        }
        if (at < height)
            yield return (at, height);
    }
}
