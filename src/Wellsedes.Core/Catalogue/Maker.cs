using System.Collections.Immutable;

namespace Wellsedes.Core.Catalogue;

/// <summary>Something a maker needs to know beside the size: one figure, or a list of them. Least, most and usual in mm, or plain numbers.</summary>
/// <param name="Usual">What holds where an item says nothing; an empty list where nothing is divided.</param>
/// <param name="IsCount">Whether it counts or numbers things instead of measuring a length.</param>
/// <param name="Choices">What its numbers stand for, from 1; empty where they are plain.</param>
public sealed record MakerParameter(
    string Key,
    string Label,
    double Least,
    double Most,
    ImmutableArray<double> Usual,
    bool IsList = false,
    bool IsCount = false,
    ImmutableArray<string> Choices = default
)
{
    public ImmutableArray<string> Choices { get; } = Choices.IsDefault ? [] : Choices;

    /// <summary>Whether it is a matter of yes or no: 1 or 0.</summary>
    public bool IsYesOrNo => IsCount && !IsList && Choices.IsEmpty && (Least, Most) == (0, 1);

    /// <summary>A length in mm.</summary>
    public static MakerParameter Length(string key, string label, double least, double most, double usual) =>
        new(key, label, least, most, [usual]);

    /// <summary>Lengths in mm; none where nothing is told.</summary>
    public static MakerParameter Lengths(string key, string label, double least, double most) => new(key, label, least, most, [], true);

    /// <summary>A count, 0 where the maker finds it.</summary>
    public static MakerParameter Count(string key, string label, double most, double usual = 0) =>
        new(key, label, 0, most, [usual], IsCount: true);

    /// <summary>Numbers of parts, counted from 1.</summary>
    public static MakerParameter Numbers(string key, string label, double most, params ImmutableArray<double> usual) =>
        new(key, label, 1, most, usual, true, true);

    /// <summary>One of several choices, by its number from 1.</summary>
    public static MakerParameter Choice(string key, string label, ImmutableArray<string> choices, double usual, bool isList = false) =>
        new(key, label, 1, choices.Length, isList ? [] : [usual], isList, true, choices);
}

/// <summary>The values of a maker's parameters in their order; compared by content.</summary>
public sealed record MakerParameters(ImmutableArray<ImmutableArray<double>> Values)
{
    public static readonly MakerParameters None = new([]);

    /// <summary>Every parameter of a kind's maker: the item's own where given, else the kind's, else the usual.</summary>
    public static MakerParameters Of(CatalogueItem kind, ItemParameters? own) =>
        new([
            .. FormMaker
                .Find(kind.Maker)
                .Parameters.Select(parameter => Given(own, parameter) ?? Given(kind.Parameters, parameter) ?? parameter.Usual),
        ]);

    private static ImmutableArray<double>? Given(ItemParameters? parameters, MakerParameter parameter) =>
        parameters?.Has(parameter.Key) == true ? parameters.List(parameter.Key) : null;

    /// <summary>The one figure of a parameter.</summary>
    public double Number(int parameter) => Values[parameter][0];

    public ImmutableArray<double> List(int parameter) => Values[parameter];

    public bool Equals(MakerParameters? other)
    {
        if (other is null || other.Values.Length != Values.Length)
            return false;
        for (var i = 0; i < Values.Length; i++)
            if (!Values[i].AsSpan().SequenceEqual(other.Values[i].AsSpan()))
                return false;
        return true;
    }

    public override int GetHashCode() => Values.Aggregate(17, (hash, list) => list.Aggregate(hash, HashCode.Combine));
}

/// <summary>Turns a size and parameters into a form of its own kind.</summary>
/// <param name="IsRound">Whether the width is a diameter, and the depth the same.</param>
/// <param name="Wrong">What parameters do not fit together or the size; null when they do.</param>
/// <param name="Refit">What its parameters become at a new size, so that they still fit together; null where size changes none.</param>
/// <param name="IsSatFromFront">Whether those who sit on it come to their seats from its front.</param>
/// <param name="MadeOf">What one of it is made of, for lists: "20 panels"; null for makers of single things.</param>
public sealed record Maker(
    Func<MakerInput, Form> Make,
    bool IsRound = false,
    ImmutableArray<MakerParameter> Parameters = default,
    Func<ItemSize, MakerParameters, (string Key, string Message)?>? Wrong = null,
    Func<ItemSize, ItemParameters, ItemParameters>? Refit = null,
    bool IsSatFromFront = false,
    Func<ItemSize, MakerParameters, string>? MadeOf = null
)
{
    public ImmutableArray<MakerParameter> Parameters { get; } = Parameters.IsDefault ? [] : Parameters;
}
