using System.Collections.Immutable;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Drawings;

/// <summary>A hatch: slanted lines across a region.</summary>
public static class Hatching
{
    /// <summary>Lines at 45 degrees, a distance apart, clipped to a region by the even-odd rule; null when none fits.</summary>
    public static PathShape? Of(Region region, double apart)
    {
        var rings = region.Holes.Insert(0, region.Outline);
        var along = new Point(Math.Sqrt(0.5), Math.Sqrt(0.5));
        var across = along.Left();
        var offsets = region.Outline.Select(p => p.Dot(across)).ToArray();
        var steps = ImmutableArray.CreateBuilder<PathStep>();
        for (var at = Math.Ceiling(offsets.Min() / apart) * apart; at < offsets.Max(); at += apart)
        {
            List<double> hits = [];
            foreach (var ring in rings)
                for (var i = 0; i < ring.Length; i++)
                {
                    var (a, b) = (ring[i], ring[(i + 1) % ring.Length]);
                    var (da, db) = (a.Dot(across) - at, b.Dot(across) - at);
                    if (da >= 0 != db >= 0)
                        hits.Add((a + (b - a) * (da / (da - db))).Dot(along));
                }
            hits.Sort();
            for (var i = 0; i + 1 < hits.Count; i += 2)
            {
                steps.Add(new PathStep(PathStepKind.Move, along * hits[i] + across * at));
                steps.Add(new PathStep(PathStepKind.Line, along * hits[i + 1] + across * at));
            }
        }
        return steps.Count == 0 ? null : new PathShape(steps.ToImmutable());
    }
}
