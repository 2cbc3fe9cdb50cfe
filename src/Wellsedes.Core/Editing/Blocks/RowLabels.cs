using Wellsedes.Core.Arranging;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Seating;

namespace Wellsedes.Core.Editing.Blocks;

/// <summary>How places in rows are called.</summary>
internal static class RowLabels
{
    /// <summary>What the label of a reserved place ends in.</summary>
    private const string ReservedMark = " R";

    /// <returns>Null where they are called as they were made or typed.</returns>
    public static string? Of(SeatsAsked asked, Stand stand) =>
        SeatingStyles.Of(asked.Style).IsOfChairs && asked.Numbers != RowNumbers.AsTheyAre
            ? Numbering.InRow(asked.Numbers == RowNumbers.Letters, stand.Row, stand.Place + 1)
                + (stand.Row < asked.Reserved ? ReservedMark : "")
            : null;
}
