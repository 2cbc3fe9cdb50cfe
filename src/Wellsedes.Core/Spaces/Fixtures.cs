using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Spaces;

/// <summary>The floor that fixed things take, and what they are called.</summary>
public static class Fixtures
{
    public static Convex Solid(Fixture fixture) =>
        fixture is Column { Round: true }
            ? Convex.Disc(fixture.Placement.Origin, fixture.Width / 2)
            : Convex.Rectangle(default, fixture.Width, fixture.Depth).At(fixture.Placement);

    public static IEnumerable<Fixture> All(params IEnumerable<Fixture>[] kinds) => kinds.SelectMany(kind => kind);

    public static string NameOf(Fixture fixture) =>
        fixture switch
        {
            Column => "Column",
            KeepClear { Name: { Length: > 0 } name } => name,
            KeepClear => "Keep clear",
            Flight { Name: { Length: > 0 } name } => name,
            Flight { Kind: FlightKind.Ramp } => "Ramp",
            Flight => "Stair",
            Platform { Name: { Length: > 0 } name } => name,
            Platform => "Platform",
            Fitting { Name: { Length: > 0 } name } => name,
            Fitting { Kind: FittingKind.DataPoint } => "Data point",
            Fitting { Kind: FittingKind.WaterPoint } => "Water point",
            Fitting fitting => fitting.Kind.ToString(),
            LowCeiling => "Low ceiling",
            _ => "Fixed thing",
        };

    /// <summary>The part of the floor under less than a clear height in mm; null when there is none.</summary>
    public static Convex? Under(LowCeiling ceiling, double height)
    {
        var low = Math.Min(ceiling.LowHeight, ceiling.HighHeight);
        if (low >= height)
            return null;
        var deep =
            ceiling.LowHeight <= ceiling.HighHeight
                ? ceiling.DepthBelow(height)
                : (ceiling with { LowHeight = ceiling.HighHeight, HighHeight = ceiling.LowHeight }).DepthBelow(height);
        var middle = (deep - ceiling.Depth) / 2 * (ceiling.LowHeight <= ceiling.HighHeight ? 1 : -1);
        return Convex.Rectangle(new Point(0, middle), ceiling.Width, deep).At(ceiling.Placement);
    }
}
