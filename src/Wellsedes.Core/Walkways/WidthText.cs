using Wellsedes.Core.Geometry;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Walkways;

/// <summary>
/// The one rule by which clear widths are rounded, needed and measured alike: down, to whole millimetres or sixteenths of an
/// inch, so that what fails never reads as what holds. Where that would say the same of a width that fails and of the one it
/// needs, or the needed width has tenths of its own, both are told as finely as it takes.
/// </summary>
public static class WidthText
{
    private static readonly double[] MetricSteps = [1, 0.1, 0.01];
    private static readonly int[] InchParts = [16, 32, 64, 128];

    /// <summary>A width in mm by itself.</summary>
    public static string Write(double width, UnitSystem units) =>
        units == UnitSystem.Metric ? Metric(width, 1) : Inches(width, InchParts[0]);

    /// <summary>A measured width and the one it needs, in mm, so that the two tell whether it holds.</summary>
    public static (string Measured, string Needed) Write(double measured, double needed, UnitSystem units)
    {
        if (units == UnitSystem.Metric)
        {
            var step = MetricSteps.FirstOrDefault(step => Tells(Down(measured, step), Down(needed, step)) && IsWhole(needed, step), 0.01);
            return (Metric(measured, step), Metric(needed, step));
        }
        var parts = InchParts.FirstOrDefault(parts => Tells(Down(measured, 25.4 / parts), Down(needed, 25.4 / parts)), InchParts[^1]);
        return (Inches(measured, parts), Inches(needed, parts));

        bool Tells(double less, double more) => less < more - 1e-9 != Tolerance.Meets(measured, needed);
    }

    private static bool IsWhole(double width, double step) => Math.Abs(width / step - Math.Round(width / step)) * step < Tolerance.Length;

    /// <summary>What is within the tolerance of the next step is on it: 899.995 is 900.</summary>
    private static double Down(double width, double step) => Math.Floor((width + Tolerance.Length) / step + 1e-9) * step;

    private static string Metric(double width, double step) => LengthText.WriteMetric(Down(width, step));

    private static string Inches(double width, int parts) => LengthText.WriteFeetInches(Down(width, 25.4 / parts), parts);
}
