using Wellsedes.Core.Arranging;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Findings;

/// <summary>What is said of a thing that does not fit where it stands: by how much, and where the nearest place is.</summary>
public static class FitText
{
    /// <summary>"" for what fits.</summary>
    public static string Of(Fit fit, ItemSize size, UnitSystem units)
    {
        if (fit.Fits)
            return "";
        string[] sides = [.. Side("wide", size.Width, fit.FreeWidth, units), .. Side("deep", size.Depth, fit.FreeDepth, units)];
        var why =
            sides.Length > 0 ? $"{string.Join(" and ", sides)}."
            : fit.What.Length == 0 ? "Outside every room."
            : fit.Into > 0 ? $"{LengthText.Tell(Math.Ceiling(fit.Into - 0.001), units)} in {fit.What}."
            : $"In the way of {fit.What}.";
        var way = fit.Move is { } move
            ? $"The nearest place is {Finder.Told(move, units)}."
            : "No place was found near here; it fits nowhere within 8 m.";
        return $"Does not fit: {why} {way}";
    }

    private static IEnumerable<string> Side(string side, double has, double? free, UnitSystem units)
    {
        if (free is { } there && has > there + 1)
            yield return $"{LengthText.Tell(has - there, units)} too {side} (free: {LengthText.Tell(there, units)})";
    }
}
