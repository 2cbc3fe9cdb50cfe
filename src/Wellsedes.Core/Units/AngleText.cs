using System.Globalization;

namespace Wellsedes.Core.Units;

/// <summary>Reads and writes angles in degrees, counter-clockwise, kept in [0, 360).</summary>
public static class AngleText
{
    /// <summary>Reads <c>22.5</c>, <c>30 deg</c>, <c>-90°</c>.</summary>
    public static Reading Read(string? text)
    {
        if (string.IsNullOrWhiteSpace(text))
            return Reading.Wrong("Type an angle in degrees, for example 22.5.", 0);
        var bare = text.Trim();
        foreach (var unit in (string[])["degrees", "deg", "°"])
            if (bare.EndsWith(unit, StringComparison.OrdinalIgnoreCase))
            {
                bare = bare[..^unit.Length].TrimEnd();
                break;
            }
        bare = bare.Replace(',', '.').Replace('\u2212', '-');
        const NumberStyles style = NumberStyles.AllowLeadingSign | NumberStyles.AllowDecimalPoint;
        if (!double.TryParse(bare, style, CultureInfo.InvariantCulture, out var degrees))
            return Reading.Wrong($"\"{text.Trim()}\" is no angle; type degrees, for example 22.5.", 0);
        return !(Math.Abs(degrees) <= 36000) ? Reading.Wrong("This is more than a hundred turns.", 0) : Reading.Of(Normal(degrees));
    }

    /// <summary>The same direction within [0, 360) degrees.</summary>
    public static double Normal(double degrees)
    {
        var turned = degrees % 360;
        if (turned < 0)
            turned += 360;
        return turned >= 360 ? 0 : turned;
    }

    public static string Write(double degrees) => Math.Round(Normal(degrees), 2).ToString("0.##", CultureInfo.InvariantCulture) + "°";
}
