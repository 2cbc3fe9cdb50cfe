namespace Wellsedes.Core.Geometry;

/// <summary>The one place that says when two figures are the same, in millimetres.</summary>
public static class Tolerance
{
    /// <summary>A hundredth of a millimetre: 900 turned, read or converted is still 900, and 899.9 is not.</summary>
    public const double Length = 0.01;

    /// <summary>Whether a measured width holds a needed one: measured >= needed - 0.01 mm.</summary>
    public static bool Meets(double measured, double needed) => measured >= needed - Length;

    public static bool Same(double a, double b) => Math.Abs(a - b) <= Length;
}
