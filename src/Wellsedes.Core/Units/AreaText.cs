using System.Globalization;

namespace Wellsedes.Core.Units;

/// <summary>Areas in m², written as m² or square feet (1 ft = 0.3048 m exactly).</summary>
public static class AreaText
{
    public const double SquareMetresPerSquareFoot = 0.3048 * 0.3048;

    /// <summary>A long distance in mm, in whole metres or feet.</summary>
    public static string WriteFar(double distance, UnitSystem units) =>
        units == UnitSystem.Metric
            ? string.Create(CultureInfo.InvariantCulture, $"{distance / 1000:0} m")
            : string.Create(CultureInfo.InvariantCulture, $"{distance / 304.8:0} ft");

    /// <summary>An area that is looked at alone, as one room's or one seat's: to a hundredth.</summary>
    public static string WriteSmall(double squareMetres, UnitSystem units) => Write(squareMetres, units, "0.00");

    /// <summary>Square metres to one decimal, or whole square feet.</summary>
    public static string Write(double squareMetres, UnitSystem units) =>
        Write(squareMetres, units, units == UnitSystem.Metric ? "0.0" : "0");

    private static string Write(double squareMetres, UnitSystem units, string format) =>
        units == UnitSystem.Metric
            ? squareMetres.ToString(format, CultureInfo.InvariantCulture) + " m²"
            : (squareMetres / SquareMetresPerSquareFoot).ToString(format, CultureInfo.InvariantCulture) + " ft²";
}
