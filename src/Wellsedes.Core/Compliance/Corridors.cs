using Wellsedes.Core.Geometry;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Compliance;

/// <summary>
/// Rooms that people come through: their narrowest width between two sides that face each other for at least as long as they are apart, so that a niche is none; what stands in them is for the
/// walkways to tell.
/// </summary>
public static class Corridors
{
    /// <summary>Sides that face each other are turned by no more than this, as the sine of the angle between them.</summary>
    private const double Parallel = 0.01;

    public static Measured? Measure(LevelSpace space, FoundRoom room, double people)
    {
        if (
            !room.Room.Use.Equals("Circulation", StringComparison.OrdinalIgnoreCase) || Narrowest(room.Outline) is not var (width, from, to)
        )
            return null;
        return Measured.Of(
            RuleMeasures.Corridor,
            room.Room.Id,
            room.Room.Name,
            space.LevelId,
            [from, to],
            ("people", people),
            ("clear_mm", width),
            ("length_mm", room.Outline.Area / width)
        );
    }

    private static (double Width, Point From, Point To)? Narrowest(Region outline)
    {
        (Point From, Point To)[] sides = [.. outline.Sides()];
        (double Width, Point From, Point To)? best = null;
        foreach (var (a, b) in sides)
        {
            var along = (b - a).Unit();
            var inward = along.Left();
            foreach (var (c, d) in sides)
            {
                var other = (d - c).Unit();
                if (along.Dot(other) > 0 || Math.Abs(along.Cross(other)) > Parallel)
                    continue;
                var apart = Math.Min((c - a).Dot(inward), (d - a).Dot(inward));
                var (from, to) = (Math.Max(0, (d - a).Dot(along)), Math.Min((b - a).Dot(along), (c - a).Dot(along)));
                if (apart <= Tolerance.Length || to - from < apart - Tolerance.Length || apart >= (best?.Width ?? double.PositiveInfinity))
                    continue;
                var at = a + along * ((from + to) / 2);
                if (outline.Within(at, at + inward * apart).Sum(part => part.From.DistanceTo(part.To)) > apart - 1)
                    best = (apart, at, at + inward * apart);
            }
        }
        return best;
    }
}
