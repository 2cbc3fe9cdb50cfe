using System.Collections.Immutable;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Editing;

/// <summary>A drawn chain brought to the centre lines of its walls.</summary>
internal static class WallChain
{
    /// <summary>
    /// The centre lines of a chain drawn along its centres or faces, one for each side. Inside is the side the chain
    /// turns round; a straight chain has its inside on its left.
    /// </summary>
    /// <param name="side">The side of the drawn line that is the inside, where somebody chose it; it then never changes by itself.</param>
    public static ImmutableArray<BowedLine> CentreLines(
        ImmutableArray<BowedLine> drawn,
        bool closed,
        double thickness,
        WallLine line,
        InsideSide side = InsideSide.Turned
    )
    {
        if (line == WallLine.Centre || drawn.IsEmpty)
            return drawn;
        var ring = drawn.SelectMany(side => new[] { side.Start, side.Line() }).Append(drawn[^1].End).ToImmutableArray();
        var insideLeft = side == InsideSide.Turned ? Region.SignedArea(ring) >= 0 : side == InsideSide.Left;
        // From the inside face the centre lies outward.
        var outward = (insideLeft ? -1 : 1) * (line == WallLine.InsideFace ? 1 : -1);
        var moved = drawn.Select(side => side.Offset(outward * thickness / 2)).ToArray();
        var lines = ImmutableArray.CreateBuilder<BowedLine>(drawn.Length);
        for (var i = 0; i < drawn.Length; i++)
        {
            var start = i > 0 || closed ? Meet(moved[(i + moved.Length - 1) % moved.Length], moved[i]) : moved[i].Start;
            var end = i + 1 < drawn.Length || closed ? Meet(moved[i], moved[(i + 1) % moved.Length]) : moved[i].End;
            lines.Add(moved[i].IsStraight ? new BowedLine(start, end, 0) : BowedLine.Through(start, moved[i].At(moved[i].Length / 2), end));
        }
        return lines.ToImmutable();
    }

    private static Point Line(this BowedLine side) => side.At(side.Length / 2);

    /// <summary>Where one moved side runs into the next.</summary>
    private static Point Meet(BowedLine first, BowedLine next) =>
        first.Onward.Crossing(next.Back, 1e-6) ?? Point.Middle(first.End, next.Start);
}
