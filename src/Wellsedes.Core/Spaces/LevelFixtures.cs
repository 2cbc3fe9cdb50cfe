using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Spaces;

/// <summary>Everything fixed on a level that is no wall, opening or room.</summary>
/// <param name="Things">Of whatever kind, in the order of ids.</param>
/// <param name="Voids">Flights that arrive on this level from below: their heads are ways in, the rest is a hole in the floor.</param>
public sealed record LevelFixtures(
    ImmutableArray<Thing> Things,
    ImmutableArray<Boundary> Boundaries,
    ImmutableArray<SettingOutLine> SettingOutLines,
    ImmutableArray<Flight> Voids
)
{
    /// <summary>The box around it all, in mm, setting-out lines left out: they have no end.</summary>
    public Bounds Bounds { get; } =
        Things
            .Select(thing => thing.Floor().Bounds)
            .Concat(Boundaries.Select(b => Bounds.Around([b.Start, b.End, b.Line.At(b.Line.Length / 2)])))
            .Concat(Voids.Select(v => v.Floor().Bounds))
            .Aggregate(Bounds.Empty, (box, bounds) => box.Including(bounds));
}
