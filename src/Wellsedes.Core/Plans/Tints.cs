using System.Globalization;

namespace Wellsedes.Core.Plans;

/// <summary>A tint of the palette that ships, and the others of it that go with it.</summary>
public sealed record Tint(string Name, string Value, string[] Matching);

/// <summary>Tints for floors and items: a palette of our own, and what goes with what in it.</summary>
public static class Tints
{
    private static readonly (string Name, string Value)[] Palette =
    [
        ("Chalk", "#F4F0E6"),
        ("Linen", "#E6DCC8"),
        ("Oak", "#D9B98A"),
        ("Honey", "#CF9B52"),
        ("Chestnut", "#8A5A3C"),
        ("Walnut", "#5E4636"),
        ("Clay", "#C47A5A"),
        ("Rosehip", "#B5475A"),
        ("Plum", "#7A5378"),
        ("Dusk", "#5B6C93"),
        ("Millpond", "#7FA6B8"),
        ("Reed", "#8FA383"),
        ("Moss", "#5F7A5C"),
        ("Fir", "#35524A"),
        ("Slate", "#6E7878"),
        ("Ash", "#B7BAB2"),
        ("Straw", "#E7CF84"),
        ("Ink", "#2B3634"),
    ];

    public static IReadOnlyList<Tint> All { get; } =
    [.. Palette.Select(tint => new Tint(tint.Name, tint.Value, [.. MatchingOf(tint.Value)]))];

    /// <summary>The name of a tint of the palette; the value itself for another.</summary>
    public static string NameOf(string value) =>
        Palette.FirstOrDefault(tint => tint.Value.Equals(value, StringComparison.OrdinalIgnoreCase)).Name ?? value;

    public static bool IsTint(string value) => value.Length == 7 && value[0] == '#' && value.Skip(1).All(char.IsAsciiHexDigit);

    /// <summary>A tint through which what lies beneath is seen, as #RRGGBBAA; as it is where its opacity is 1.</summary>
    public static string SeeThrough(string value, double opacity) =>
        opacity >= 1 ? value : string.Create(CultureInfo.InvariantCulture, $"{value}{(int)Math.Round(opacity * 255):X2}");

    /// <summary>What <see cref="SeeThrough"/> has put together: the tint as #RRGGBB, and its opacity from 0 to 1.</summary>
    public static (string Value, double Opacity) Told(string tint) =>
        tint.Length == 9 ? (tint[..7], Convert.ToInt32(tint[7..], 16) / 255.0) : (tint, 1);

    /// <summary>Ink that can be read on a tint: dark on light ones, white on dark ones (relative luminance of WCAG 2, from memory).</summary>
    public static bool IsDark(string value)
    {
        var (r, g, b) = Parts(value);
        static double Linear(int part) => part / 255.0 is var c && c <= 0.04045 ? c / 12.92 : Math.Pow((part / 255.0 + 0.055) / 1.055, 2.4);
        return 0.2126 * Linear(r) + 0.7152 * Linear(g) + 0.0722 * Linear(b) < 0.18;
    }

    /// <summary>Four of the palette that go with a tint: its neighbours in hue at another lightness, and its counterpart.</summary>
    private static IEnumerable<string> MatchingOf(string value)
    {
        var (hue, light) = HueAndLight(value);
        double Score((string Name, string Value) other)
        {
            var (otherHue, otherLight) = HueAndLight(other.Value);
            var apart = Math.Abs(Math.IEEERemainder(otherHue - hue, 360));
            // Near in hue, or across the circle; lighter or darker by enough to be told apart.
            return Math.Min(apart, Math.Abs(180 - apart) + 15) - 60 * Math.Min(0.5, Math.Abs(otherLight - light));
        }
        return Palette
            .Where(other => other.Value != value)
            .OrderBy(Score)
            .ThenBy(other => other.Name, StringComparer.Ordinal)
            .Take(4)
            .Select(other => other.Value);
    }

    private static (double Hue, double Light) HueAndLight(string value)
    {
        var (r, g, b) = Parts(value);
        // The plane of opponent colours: hue as an angle in it.
        var hue = Math.Atan2(Math.Sqrt(3) * (g - b), 2 * r - g - b) * 180 / Math.PI;
        return (hue, (0.299 * r + 0.587 * g + 0.114 * b) / 255);
    }

    private static (int R, int G, int B) Parts(string value) =>
        (
            int.Parse(value.AsSpan(1, 2), NumberStyles.HexNumber, CultureInfo.InvariantCulture),
            int.Parse(value.AsSpan(3, 2), NumberStyles.HexNumber, CultureInfo.InvariantCulture),
            int.Parse(value.AsSpan(5, 2), NumberStyles.HexNumber, CultureInfo.InvariantCulture)
        );
}
