using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Editing;

/// <summary>The lines of a drawn chain, of walls or of boundaries.</summary>
internal static class ChainSides
{
    /// <summary>A side is at least this long, in mm.</summary>
    public const double Shortest = 10;

    private const int MostSides = 500;

    /// <summary>Whether an entity was drawn as part of a chain.</summary>
    public static bool IsOf(string id, string chain) =>
        id.StartsWith(chain + "-", StringComparison.Ordinal) && id.AsSpan(chain.Length + 1).IndexOfAnyExceptInRange('-', '9') < 0;

    public static ImmutableArray<BowedLine> Lines(Point start, ImmutableArray<ChainSide> sides, bool closed)
    {
        var lines = ImmutableArray.CreateBuilder<BowedLine>();
        var at = start;
        foreach (var side in sides)
        {
            lines.Add(new BowedLine(at, side.To, BowOf(at, side)));
            at = side.To;
        }
        if (closed && at.DistanceTo(start) > Tolerance.Length)
            lines.Add(new BowedLine(at, start, 0));
        return lines.ToImmutable();
    }

    private static double BowOf(Point from, ChainSide side) =>
        side.Through is { } through ? BowedLine.Through(from, through, side.To).Bow : side.Bow;

    public static Problem? Check(Plan plan, string levelId, Point start, ImmutableArray<ChainSide> sides, bool closed, string thing)
    {
        if (plan.Find<Level>(levelId) is null)
            return new Problem("level", "The level is no longer there.");
        if (sides.IsDefaultOrEmpty || sides.Length > MostSides)
            return new Problem("sides", $"A chain has from 1 to {MostSides} sides.");
        if (closed && sides.Length < 2)
            return new Problem("sides", "A closed chain needs at least three sides.");
        if ((SizeSense.CheckPlace("start", start.X) ?? SizeSense.CheckPlace("start", start.Y)) is { } outside)
            return outside;
        var units = plan.Details.Units;
        var at = start;
        for (var i = 0; i < sides.Length; i++)
        {
            var side = sides[i];
            if ((SizeSense.CheckPlace($"side {i + 1}", side.To.X) ?? SizeSense.CheckPlace($"side {i + 1}", side.To.Y)) is { } far)
                return far;
            var chord = at.DistanceTo(side.To);
            if (chord < Shortest)
                return new Problem(
                    $"side {i + 1}",
                    $"Side {i + 1} would be {LengthText.Tell(chord, units)} long; a {thing} is at least {LengthText.Tell(Shortest, units)}."
                );
            if (BowOf(at, side) is var bow && (!double.IsFinite(bow) || Math.Abs(bow) > 20 * chord))
                return new Problem($"side {i + 1}", $"Side {i + 1} cannot bow by that much; keep within 20 times its length.");
            at = side.To;
        }
        return null;
    }
}
