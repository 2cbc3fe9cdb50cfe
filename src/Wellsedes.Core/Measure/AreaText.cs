using System.Globalization;

namespace Wellsedes.Core.Measure;

/// <summary>Areas in m², written as m² or square feet (1 ft = 0.3048 m exactly).</summary>
public static class AreaText
{
    public const double SquareMetresPerSquareFoot = 0.3048 * 0.3048;

    /// <summary>A long distance in mm, in whole metres or feet.</summary>
    public static string WriteFar(double distance, UnitSystem units) =>
        units == UnitSystem.Metric
            ? string.Create(CultureInfo.InvariantCulture, $"{distance / 1000:0} m")
            : string.Create(CultureInfo.InvariantCulture, $"{distance / 304.8:0} ft");

    /// <summary>A small area, as for one seat: square metres to two decimals, or whole square feet.</summary>
    public static string WriteSmall(double squareMetres, UnitSystem units) =>
        units == UnitSystem.Metric ? squareMetres.ToString("0.00", CultureInfo.InvariantCulture) + " m²" : Write(squareMetres, units);

    /// <summary>Square metres to one decimal, or whole square feet.</summary>
    public static string Write(double squareMetres, UnitSystem units) =>
        units == UnitSystem.Metric
            ? squareMetres.ToString("0.0", CultureInfo.InvariantCulture) + " m²"
            : (squareMetres / SquareMetresPerSquareFoot).ToString("0", CultureInfo.InvariantCulture) + " ft²";
}
