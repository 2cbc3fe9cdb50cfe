using System.Globalization;
using Wellsedes.Core.Arranging;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Seating;

namespace Wellsedes.Core.Editing.Blocks;

/// <summary>How places in rows are called.</summary>
internal static class RowLabels
{
    public static string? Of(SeatsAsked asked, Stand stand) =>
        !SeatingStyles.Of(asked.Style).IsOfChairs
            ? null
            : asked.Numbers switch
            {
                RowNumbers.Letters => string.Create(CultureInfo.InvariantCulture, $"{Numbering.Letter(stand.Row)}{stand.Place + 1}"),
                RowNumbers.Numbers => string.Create(CultureInfo.InvariantCulture, $"{stand.Row + 1}-{stand.Place + 1}"),
                _ => null,
            };
}
