using System.Collections.Immutable;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Plans;

/// <summary>
/// The outline of an area that is no rectangle: one ring for each piece of it and for each hole, in the frame of what it belongs to, in mm. Compared by
/// content. Rooms names those it was made from: it follows their walls until somebody changes it by hand.
/// </summary>
public sealed record ZoneShape(ImmutableArray<ImmutableArray<Point>> Rings, ImmutableArray<string> Rooms)
{
    public const int MostRings = 40;

    /// <summary>The most corners of one ring.</summary>
    public const int MostCorners = 200;

    public bool Equals(ZoneShape? other) =>
        other is not null && Rooms.AsSpan().SequenceEqual(other.Rooms.AsSpan()) && HasRings(other.Rings);

    public override int GetHashCode() => HashCode.Combine(Rings.IsDefault ? 0 : Rings.Length, Rooms.IsDefault ? 0 : Rooms.Length);

    public bool HasRings(ImmutableArray<ImmutableArray<Point>> rings) =>
        Rings.Length == rings.Length && Rings.Zip(rings).All(pair => pair.First.AsSpan().SequenceEqual(pair.Second.AsSpan()));

    public ZoneShape Mapped(Func<Point, Point> move) =>
        this with
        {
            Rings = [.. Rings.Select(ring => ring.Select(move).ToImmutableArray())],
        };

    /// <summary>What is wrong with it; null when nothing is.</summary>
    public string? Wrong()
    {
        if (Rings.IsDefault || Rings.Length is < 1 or > MostRings)
            return $"A zone has from 1 to {MostRings} pieces; {(Rings.IsDefault ? 0 : Rings.Length)} were given.";
        foreach (var ring in Rings)
        {
            if (ring.IsDefault || ring.Length is < 3 or > MostCorners)
                return $"A zone has from 3 to {MostCorners} corners; {(ring.IsDefault ? 0 : ring.Length)} were given.";
            if (Polygons.Crossing(ring) is var (i, j))
                return $"The zone crosses itself: side {i + 1} and side {j + 1}. Move one of their corners.";
            if (Math.Abs(Region.SignedArea(ring)) < LeastArea)
                return "The zone holds no area; set its corners apart.";
        }
        return null;
    }

    /// <summary>In mm².</summary>
    private const double LeastArea = 1000;

    /// <summary>Its pieces as areas on the level; a ring that lies in another is a hole of it.</summary>
    public ImmutableArray<Region> Regions(Placement at)
    {
        ImmutableArray<Point>[] rings = [.. Rings.Select(ring => Turning(ring.Select(at.Out).ToImmutableArray(), true))];
        Region[] whole = [.. rings.Select(ring => new Region(ring, []))];
        // The smallest ring that each lies in; none for the outermost.
        int?[] within =
        [
            .. rings.Select(
                (ring, i) =>
                    Enumerable
                        .Range(0, rings.Length)
                        .Where(j => j != i && whole[j].Area > whole[i].Area && whole[j].Holds(ring[0]))
                        .OrderBy(j => whole[j].Area)
                        .Select(j => (int?)j)
                        .FirstOrDefault()
            ),
        ];
        return
        [
            .. Enumerable
                .Range(0, rings.Length)
                .Where(i => within[i] is null)
                .Select(i => new Region(
                    rings[i],
                    [.. Enumerable.Range(0, rings.Length).Where(j => within[j] == i).Select(j => Turning(rings[j], false))]
                )),
        ];
    }

    private static ImmutableArray<Point> Turning(ImmutableArray<Point> ring, bool left) =>
        Region.SignedArea(ring) > 0 == left ? ring : [.. ring.Reverse()];
}
