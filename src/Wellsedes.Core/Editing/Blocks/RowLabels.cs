using System.Globalization;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Seating;

namespace Wellsedes.Core.Editing.Blocks;

/// <summary>How places in rows are called.</summary>
internal static class RowLabels
{
    /// <summary>Without I and O, which are read as figures. Common practice.</summary>
    private const string Letters = "ABCDEFGHJKLMNPQRSTUVWXYZ";

    public static string? Of(SeatsAsked asked, Stand stand) =>
        !SeatingStyles.Of(asked.Style).IsOfChairs
            ? null
            : asked.Numbers switch
            {
                RowNumbers.Letters => string.Create(CultureInfo.InvariantCulture, $"{Letter(stand.Row)}{stand.Place + 1}"),
                RowNumbers.Numbers => string.Create(CultureInfo.InvariantCulture, $"{stand.Row + 1}-{stand.Place + 1}"),
                _ => null,
            };

    /// <summary>A to Z without I and O, then AA, AB and so on.</summary>
    public static string Letter(int row) =>
        row < Letters.Length ? $"{Letters[row]}" : Letter(row / Letters.Length - 1) + Letters[row % Letters.Length];
}
