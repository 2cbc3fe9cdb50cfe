using System.Globalization;
using Fractions;

namespace Wellsedes.Core.Units;

/// <summary>
/// Reads and writes lengths in millimetres. One inch is exactly 25.4 mm (international yard and pound agreement
/// of 1959), so arithmetic is done in fractions and turned into a double once, at the end.
/// </summary>
/// <remarks>
/// Read: <c>4200</c>, <c>4 200</c>, <c>4.2 m</c>, <c>420 cm</c>, <c>13' 9 3/8"</c>, <c>13ft 9.375in</c>,
/// <c>13'-9"</c> is the same, and <c>13-9</c> is refused as unclear; sums and differences of any of these: <c>6000 - 1550</c>, <c>3 m + 2 ft</c>.
/// A bare figure is millimetres on a metric plan and inches on a feet-and-inches plan.
/// </remarks>
public static class LengthText
{
    /// <summary>The longest text that is looked at, so a hostile one costs nothing.</summary>
    public const int LongestText = 80;

    private static readonly Fraction Inch = new(254, 10);

    /// <summary>Reads a typed length; the answer is in millimetres and may be zero or negative.</summary>
    public static Reading Read(string? text, UnitSystem bareUnit)
    {
        if (string.IsNullOrWhiteSpace(text))
            return Reading.Wrong("Type a length, for example 4200, 4.2 m or 13' 9 3/8\".", 0);
        if (text.Length > LongestText)
            return Reading.Wrong($"This is longer than {LongestText} characters.", LongestText);
        var scanner = new LengthScanner(text, bareUnit == UnitSystem.Metric ? Fraction.One : Inch);
        return scanner.ReadSum();
    }

    /// <summary>Millimetres written for a person: whole or tenths of a millimetre, or feet and inches to 1/16.</summary>
    public static string Write(double millimetres, UnitSystem units) =>
        units == UnitSystem.Metric ? WriteMetric(millimetres) : WriteFeetInches(millimetres, 16);

    /// <summary>A length that is told and not typed, to the nearest whole millimetre or sixteenth of an inch.</summary>
    public static string WriteRound(double millimetres, UnitSystem units) =>
        units == UnitSystem.Metric ? WriteMetric(Math.Round(millimetres, MidpointRounding.AwayFromZero)) : WriteFeetInches(millimetres, 16);

    /// <summary>The same within a sentence, with its unit: 4 203 mm, 13' 9 3/8".</summary>
    public static string Tell(double millimetres, UnitSystem units) =>
        units == UnitSystem.Metric ? $"{WriteRound(millimetres, units)} mm" : WriteRound(millimetres, units);

    /// <summary>Metric with a no-break group space, at most two decimals: 18 000, 899.9.</summary>
    public static string WriteMetric(double millimetres)
    {
        var rounded = Math.Round(millimetres, 2, MidpointRounding.AwayFromZero);
        if (rounded == 0)
            return "0";
        var whole = Math.Truncate(Math.Abs(rounded));
        var rest = Math.Abs(rounded) - whole;
        var digits = whole.ToString("0", CultureInfo.InvariantCulture);
        for (var at = digits.Length - 3; at > 0; at -= 3)
            digits = digits.Insert(at, "\u00a0");
        var tail = rest < 0.005 ? "" : rest.ToString("0.##", CultureInfo.InvariantCulture)[1..];
        return (rounded < 0 ? "-" : "") + digits + tail;
    }

    /// <summary>Feet and inches to the nearest 1/<paramref name="parts"/> inch: 13' 9 3/8".</summary>
    public static string WriteFeetInches(double millimetres, int parts)
    {
        var sign = millimetres < 0 ? "-" : "";
        var units = (long)Math.Round(Math.Abs(millimetres) / 25.4 * parts, MidpointRounding.AwayFromZero);
        if (units == 0)
            return "0\"";
        var feet = units / (12 * parts);
        var left = units % (12 * parts);
        var inches = left / parts;
        var numerator = left % parts;
        var denominator = (long)parts;
        while (numerator != 0 && numerator % 2 == 0)
        {
            numerator /= 2;
            denominator /= 2;
        }
        var inchText =
            numerator == 0 ? $"{inches}"
            : inches == 0 ? $"{numerator}/{denominator}"
            : $"{inches} {numerator}/{denominator}";
        if (feet == 0)
            return $"{sign}{inchText}\"";
        return inches == 0 && numerator == 0 ? $"{sign}{feet}'" : $"{sign}{feet}' {inchText}\"";
    }
}
