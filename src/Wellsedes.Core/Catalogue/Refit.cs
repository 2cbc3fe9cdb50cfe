using Wellsedes.Core.Catalogue.Makers;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Catalogue;

/// <summary>What a maker is told, brought to a new size, so that what is made keeps its sense: bays and units still fill their length.</summary>
public static class Refit
{
    /// <summary>Bays keep their shares of the width; the last takes what rounding leaves.</summary>
    internal static ItemParameters Shares(ItemSize size, ItemParameters told) => Shares(told, "bays", size.Width);

    /// <summary>The parts of a list keep their shares of a length in mm.</summary>
    internal static ItemParameters Shares(ItemParameters told, string key, double length)
    {
        var parts = told.List(key);
        var sum = parts.Sum();
        if (parts.IsEmpty || !(sum > 0))
            return told;
        double[] fitted = [.. parts.Select(part => Math.Round(part * length / sum, 1))];
        fitted[^1] = length - fitted[..^1].Sum();
        return told.With(key, fitted);
    }

    /// <summary>The panels of a run are chosen anew for another length; what is told of bays that are gone is forgotten.</summary>
    internal static ItemParameters Run(ItemSize size, ItemParameters told) => Panels(told, [("bays", size.Width)]);

    /// <summary>The same round a cell.</summary>
    internal static ItemParameters Cell(ItemSize size, ItemParameters told) =>
        Panels(told, [("front", size.Width), ("right", size.Depth), ("back", size.Width), ("left", size.Depth)]);

    private static ItemParameters Panels(ItemParameters told, IEnumerable<(string Key, double Length)> sides)
    {
        var bays = 0;
        foreach (var (key, length) in sides)
        {
            var given = told.List(key);
            // Nothing told is said, too: else what the kind is told would hold.
            if (!given.IsEmpty && Math.Abs(given.Sum() - length) > Tolerance.Length)
                told = told.With(key, []);
            bays += told.List(key) is { IsEmpty: false } kept ? kept.Length : Makers.Panels.Fill(length).Count;
        }
        foreach (var key in (string[])["open", "doors", "glass"])
            if (told.List(key) is { IsEmpty: false } numbers && numbers.Any(number => number > bays))
                told = told.With(key, [.. numbers.Where(number => number <= bays)]);
        return told;
    }

    /// <summary>
    /// A kitchen line keeps its units in their order: fillers go, then units of doors from the right, then others; what is left
    /// of the length is filled with doors and a filler. Wall units that no longer go in are left out from the right.
    /// </summary>
    internal static ItemParameters Kitchen(ItemSize size, ItemParameters told)
    {
        var widths = told.List("units").ToList();
        if (widths.Count > 0)
        {
            var kinds = told.List("kinds").Select(kind => (int)kind).ToList();
            while (kinds.Count < widths.Count)
                kinds.Add((int)KitchenUnit.Doors);
            for (var i = widths.Count - 1; i >= 0; i--)
                if (kinds[i] == (int)KitchenUnit.Filler)
                    Drop(i);
            while (widths.Sum() > size.Width + Tolerance.Length && widths.Count > 0)
                Drop(kinds.FindLastIndex(kind => kind == (int)KitchenUnit.Doors) is var doors && doors >= 0 ? doors : widths.Count - 1);
            var (more, moreKinds) = KitchenFill.Fill(size.Width - widths.Sum(), []);
            widths.AddRange(more);
            kinds.AddRange(moreKinds);
            told = told.With("units", [.. widths]).With("kinds", [.. kinds.Select(kind => (double)kind)]);

            void Drop(int i)
            {
                widths.RemoveAt(i);
                kinds.RemoveAt(i);
            }
        }
        var above = told.List("wall-units");
        while (!above.IsEmpty && above.Sum() > size.Width + Tolerance.Length)
            above = above.RemoveAt(above.Length - 1);
        return above.Length == told.List("wall-units").Length ? told : told.With("wall-units", above.AsSpan());
    }

    /// <summary>Depth of an arm of a corner surface in mm where nothing is told, common practice.</summary>
    internal const double UsualArm = 600;

    /// <summary>The arms of a corner surface are no deeper than its box.</summary>
    internal static ItemParameters Arms(ItemSize size, ItemParameters told)
    {
        if ((told.Number("left-depth") ?? UsualArm) > size.Width)
            told = told.With("left-depth", size.Width);
        return (told.Number("right-depth") ?? UsualArm) > size.Depth ? told.With("right-depth", size.Depth) : told;
    }
}
