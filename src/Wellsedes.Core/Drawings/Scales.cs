using System.Collections.Immutable;
using System.Globalization;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Drawings;

/// <summary>A drawing scale 1 : Ratio.</summary>
/// <param name="Standard">Whether a published standard recommends it; otherwise it is customary.</param>
public sealed record Scale(double Ratio, string Name, bool Standard, string Source);

public static class Scales
{
    private const string Iso = "ISO 5455, Technical drawings - Scales";
    private const string Customary = "Customary, not in ISO 5455";
    private const string Architect = "US customary architect's scale";
    private const string Engineer = "US customary engineer's scale";

    public static ImmutableArray<Scale> Metric { get; } =
    [
        .. new (double Ratio, bool Standard)[]
        {
            (1, true),
            (2, true),
            (5, true),
            (10, true),
            (20, true),
            (25, false),
            (50, true),
            (75, false),
            (100, true),
            (125, false),
            (200, true),
            (250, false),
            (500, true),
            (1000, true),
            (2000, true),
            (5000, true),
            (10000, true),
        }.Select(s => new Scale(s.Ratio, Name(s.Ratio), s.Standard, s.Standard ? Iso : Customary)),
    ];

    public static ImmutableArray<Scale> Imperial { get; } =
    [
        new(4, "3\" = 1'-0\"", true, Architect),
        new(8, "1 1/2\" = 1'-0\"", true, Architect),
        new(12, "1\" = 1'-0\"", true, Architect),
        new(16, "3/4\" = 1'-0\"", true, Architect),
        new(24, "1/2\" = 1'-0\"", true, Architect),
        new(32, "3/8\" = 1'-0\"", true, Architect),
        new(48, "1/4\" = 1'-0\"", true, Architect),
        new(64, "3/16\" = 1'-0\"", true, Architect),
        new(96, "1/8\" = 1'-0\"", true, Architect),
        new(120, "1\" = 10'", true, Engineer),
        new(128, "3/32\" = 1'-0\"", true, Architect),
        new(192, "1/16\" = 1'-0\"", true, Architect),
        new(240, "1\" = 20'", true, Engineer),
        new(360, "1\" = 30'", true, Engineer),
        new(480, "1\" = 40'", true, Engineer),
        new(600, "1\" = 50'", true, Engineer),
        new(1200, "1\" = 100'", true, Engineer),
    ];

    public static ImmutableArray<Scale> For(UnitSystem units) => units == UnitSystem.Metric ? Metric : Imperial;

    /// <summary>The largest listed scale at which a size in mm fits a space in mm of paper; the smallest scale when none does.</summary>
    public static Scale Largest(UnitSystem units, double width, double height, double paperWidth, double paperHeight) =>
        For(units).FirstOrDefault(scale => width / scale.Ratio <= paperWidth && height / scale.Ratio <= paperHeight) ?? For(units)[^1];

    /// <summary>How a ratio is written; imperial scales by their own names.</summary>
    public static string Write(double ratio, UnitSystem units) =>
        For(units).FirstOrDefault(scale => Math.Abs(scale.Ratio - ratio) < 1e-9)?.Name ?? Name(ratio);

    private static string Name(double ratio) => "1:" + ratio.ToString("0.##", CultureInfo.InvariantCulture);
}
