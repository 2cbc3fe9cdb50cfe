using System.Collections.Immutable;
using System.Globalization;
using System.Text.RegularExpressions;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Catalogue.Search;

/// <summary>Which of an item's measures a bound is about.</summary>
public enum MeasureOf
{
    Any,
    Width,
    Depth,
    Height,
}

/// <summary>A bound on a measure, in mm; either end may be open.</summary>
public readonly record struct MeasureBound(MeasureOf Of, double Least, double Most);

/// <summary>A width and a depth in mm, either way round, and their figures as they were typed: they may be part of a name.</summary>
public readonly record struct SizeAsked(double Width, double Depth, string First, string Second);

/// <summary>
/// What somebody looks for, read from what was typed: words, sizes ("desk 1400", "1600 x 800"), seats ("8 seats"), bounds ("under
/// 600 deep", "over 2 m high") and a rectangle it has to go into ("fits 1800 x 900"). Lengths in mm.
/// </summary>
/// <param name="Words">What is left to look for by name, in lower case.</param>
/// <param name="Sizes">Pairs of width and depth, either way round.</param>
/// <param name="Lengths">Figures by themselves: one of the item's measures, or part of its name.</param>
public sealed partial record CatalogueQuery(
    ImmutableArray<string> Words,
    ImmutableArray<(string Text, double Length)> Lengths,
    ImmutableArray<SizeAsked> Sizes,
    ImmutableArray<MeasureBound> Bounds,
    int? Seats,
    (double Width, double Depth)? Fits
)
{
    /// <summary>Nothing longer is looked at.</summary>
    public const int LongestText = 120;

    private const string Length = """(\d+(?:[.,]\d+)?\s*(?:mm|cm|m|in|inch|inches|ft|feet|foot|'|")?(?:\s*\d+(?:\.\d+)?\s*(?:in|"))?)""";
    private const string Side = @"(?:\s*(wide|width|deep|depth|high|height|tall|long))?";

    [GeneratedRegex($@"\b(?:fits|fit|within)\s+{Length}\s*(?:x|×|by)\s*{Length}", RegexOptions.NonBacktracking)]
    private static partial Regex FitsPattern();

    [GeneratedRegex(@"\b(\d{1,3})\s*(?:seats|seat|seater|people|persons|person|diners|places|guests)\b", RegexOptions.NonBacktracking)]
    private static partial Regex SeatsPattern();

    [GeneratedRegex(@"\b(?:seats|for)\s+(\d{1,3})\b", RegexOptions.NonBacktracking)]
    private static partial Regex SeatsForPattern();

    [GeneratedRegex(
        $@"(under|below|less than|up to|at most|max|<|over|above|more than|at least|min|>)\s*{Length}{Side}",
        RegexOptions.NonBacktracking
    )]
    private static partial Regex BoundPattern();

    [GeneratedRegex($@"\b{Length}\s*(?:x|×|by)\s*{Length}", RegexOptions.NonBacktracking)]
    private static partial Regex SizePattern();

    [GeneratedRegex($@"\b{Length}{Side}", RegexOptions.NonBacktracking)]
    private static partial Regex LengthPattern();

    /// <summary>Reads what was typed; what cannot be read as anything else is a word. A bare figure is in the plan's unit.</summary>
    public static CatalogueQuery Read(string text, UnitSystem units)
    {
        var rest = text.Length > LongestText ? text[..LongestText] : text;
        // As lengths are written here, a no-break space groups thousands.
        rest = rest.ToLowerInvariant().Replace("\u00a0", "", StringComparison.Ordinal);
        (double, double)? fits = null;
        int? seats = null;
        List<SizeAsked> sizes = [];
        List<MeasureBound> bounds = [];
        List<(string, double)> lengths = [];
        Take(FitsPattern(), match => fits = Pair(match) ?? fits);
        Take(SeatsPattern(), match => seats = int.Parse(match.Groups[1].Value, CultureInfo.InvariantCulture));
        Take(SeatsForPattern(), match => seats = int.Parse(match.Groups[1].Value, CultureInfo.InvariantCulture));
        Take(
            BoundPattern(),
            match =>
            {
                if (Mm(match.Groups[2].Value) is { } length)
                    bounds.Add(
                        match.Groups[1].Value is "under" or "below" or "less than" or "up to" or "at most" or "max" or "<"
                            ? new MeasureBound(SideOf(match.Groups[3].Value), 0, length)
                            : new MeasureBound(SideOf(match.Groups[3].Value), length, double.PositiveInfinity)
                    );
            }
        );
        Take(
            SizePattern(),
            match =>
            {
                if (Pair(match) is var (width, depth))
                    sizes.Add(new SizeAsked(width, depth, Figure(match.Groups[1].Value), Figure(match.Groups[2].Value)));
            }
        );
        Take(
            LengthPattern(),
            match =>
            {
                if (Mm(match.Groups[1].Value) is not { } length)
                    return;
                if (match.Groups[2].Success)
                    bounds.Add(new MeasureBound(SideOf(match.Groups[2].Value), length - Near(length), length + Near(length)));
                else
                    lengths.Add((match.Groups[1].Value.Trim(), length));
            }
        );
        var words = rest.Split([' ', ',', ';', '\t'], StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
        return new CatalogueQuery([.. words], [.. lengths], [.. sizes], [.. bounds], seats, fits);

        void Take(Regex pattern, Action<Match> use)
        {
            foreach (Match match in pattern.Matches(rest))
                use(match);
            rest = pattern.Replace(rest, " ");
        }

        double? Mm(string typed) => LengthText.Read(typed.Trim(), units) is { Value: > 0 and var value } ? value : null;

        // "6 x 9 ft": a figure without a unit is in that of the other.
        (double, double)? Pair(Match match)
        {
            var (first, second) = (match.Groups[1].Value.Trim(), match.Groups[2].Value.Trim());
            if (first.Length > 0 && char.IsAsciiDigit(first[^1]))
                first += UnitOf(second);
            return Mm(first) is { } width && Mm(second) is { } depth ? (width, depth) : null;
        }
    }

    private static string Figure(string typed) => new([.. typed.Trim().TakeWhile(c => char.IsAsciiDigit(c) || c is '.' or ',')]);

    /// <summary>The unit at the end of a length; "" for none.</summary>
    private static string UnitOf(string typed) => typed[Figure(typed).Length..] is var rest && rest.Any(char.IsAsciiDigit) ? "" : rest;

    /// <summary>How far from a typed figure a measure may be and still be meant, in mm.</summary>
    public static double Near(double length) => Math.Max(5, length * 0.01);

    private static MeasureOf SideOf(string side) =>
        side switch
        {
            "wide" or "width" or "long" => MeasureOf.Width,
            "deep" or "depth" => MeasureOf.Depth,
            "high" or "height" or "tall" => MeasureOf.Height,
            _ => MeasureOf.Any,
        };
}
