using System.Globalization;

namespace Wellsedes.Core.Plans;

/// <summary>Labels as people count them: 9 before 10, A2 before A10.</summary>
public static class LabelText
{
    /// <summary>What stands before the number a label ends with, and the number; the greatest there is where it ends with none.</summary>
    public static (string Before, int Number) Split(string label)
    {
        var digits = label.Length;
        while (digits > 0 && char.IsAsciiDigit(label[digits - 1]))
            digits--;
        return int.TryParse(label.AsSpan(digits), NumberStyles.None, CultureInfo.InvariantCulture, out var number)
            ? (label[..digits], number)
            : (label, int.MaxValue);
    }

    /// <summary>In the order people count in; those without a number last.</summary>
    public static IEnumerable<string> InOrder(IEnumerable<string> labels) =>
        labels
            .Select(label => (label, Parts: Split(label)))
            .OrderBy(one => one.Parts.Number == int.MaxValue)
            .ThenBy(one => one.Parts.Before.Length)
            .ThenBy(one => one.Parts.Before, StringComparer.Ordinal)
            .ThenBy(one => one.Parts.Number)
            .ThenBy(one => one.label, StringComparer.Ordinal)
            .Select(one => one.label);
}
