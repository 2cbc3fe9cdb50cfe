using Wellsedes.Core.Geometry;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Plans;

/// <summary>
/// Whether a typed size makes sense for its kind, and what was likely meant when it does not: the same figure in
/// another unit. Ranges are house values.
/// </summary>
public static class SizeSense
{
    /// <summary>Nothing on a plan is longer than this, in mm.</summary>
    public const double Longest = 1_000_000;

    /// <summary>Metres or centimetres meant where millimetres were read, and the other way round.</summary>
    private static readonly double[] MetricMeanings = [1000, 10, 0.1, 0.001];

    /// <summary>Feet meant where inches were read, millimetres meant where inches were read, and the other way round.</summary>
    private static readonly double[] ImperialMeanings = [12, 1 / 25.4, 1.0 / 12, 25.4];

    /// <summary>Null when the size makes sense.</summary>
    public static Problem? Check(UnitSystem units, string field, string thing, double value, double least, double most, bool sure)
    {
        if (!double.IsFinite(value))
            return new Problem(field, $"The {field} of {thing} is not a number.");
        if (value <= 0)
            return new Problem(field, $"The {field} of {thing} must be more than 0; {Tell(value)} was given.");
        if (value > Longest)
            return new Problem(
                field,
                $"The {field} of {thing} is {Tell(value)}; nothing on a plan is longer than 1 km. Type it again with its unit."
            );
        if (sure || (value >= least && value <= most))
            return null;
        double? likely = null;
        foreach (var factor in units == UnitSystem.Metric ? MetricMeanings : ImperialMeanings)
            if (value * factor >= least && value * factor <= most)
            {
                likely = value * factor;
                break;
            }
        var offer = likely is { } meant ? $" Was {Tell(meant)} meant?" : "";
        var size = value < least ? "small" : "large";
        return new Problem(
            field,
            $"{Tell(value)} is {size} for the {field} of {thing}; usual is {LengthText.WriteRound(least, units)} to {Tell(most)}.{offer}",
            likely,
            true,
            value
        );

        string Tell(double length) => units == UnitSystem.Metric ? $"{LengthText.WriteMetric(length)} mm" : LengthText.Tell(length, units);
    }

    /// <summary>Null when a coordinate can be on a plan.</summary>
    public static Problem? CheckPlace(string field, double value) =>
        double.IsFinite(value) && Math.Abs(value) <= Longest
            ? null
            : new Problem(field, $"The {field} lies outside the plan; keep within 1 km of its origin.");

    /// <summary>Null when an angle in degrees is one.</summary>
    public static Problem? CheckAngle(string field, double degrees) =>
        double.IsFinite(degrees) && Math.Abs(degrees) <= 36_000
            ? null
            : new Problem(field, $"The {field} must be an angle in degrees, at most a hundred turns.");

    /// <summary>Null when something can stand here.</summary>
    public static Problem? CheckPlacement(Placement p) =>
        CheckPlace("x", p.X) ?? CheckPlace("y", p.Y) ?? CheckAngle("rotation", p.Rotation);
}
