using System.Collections.Immutable;
using Wellsedes.Core.Arranging;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Seating;

namespace Wellsedes.Core.Editing.Blocks;

/// <summary>How places in rows are called.</summary>
internal static class RowLabels
{
    /// <summary>What the label of a reserved place ends in.</summary>
    private const string ReservedMark = " R";

    /// <summary>In each row counted from its first place; a number that is taken is passed over, those after it follow.</summary>
    /// <param name="staying">Those of the block that stay as they are: they keep what they are called.</param>
    /// <returns>In the order of the stands; null where they are called as they were made or typed.</returns>
    public static string?[] Of(SeatsAsked asked, ImmutableArray<Stand> stands, IEnumerable<Item> staying)
    {
        var labels = new string?[stands.Length];
        if (!SeatingStyles.Of(asked.Style).IsOfChairs || asked.Numbers == RowNumbers.AsTheyAre)
            return labels;
        var taken = staying.Select(item => Plain(item.Label)).ToHashSet();
        foreach (var row in Enumerable.Range(0, stands.Length).GroupBy(i => stands[i].Row))
        {
            var passed = 0;
            foreach (var i in row.OrderBy(i => stands[i].Place))
            {
                string Label() => Numbering.InRow(asked.Numbers == RowNumbers.Letters, row.Key, stands[i].Place + 1 + passed);
                while (taken.Contains(Label()))
                    passed++;
                labels[i] = Label() + (row.Key < asked.Reserved ? ReservedMark : "");
            }
        }
        return labels;
    }

    private static string Plain(string label) =>
        label.EndsWith(ReservedMark, StringComparison.Ordinal) ? label[..^ReservedMark.Length] : label;
}
