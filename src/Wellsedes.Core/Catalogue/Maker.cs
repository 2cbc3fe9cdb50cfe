using System.Collections.Immutable;

namespace Wellsedes.Core.Catalogue;

/// <summary>Something a maker needs to know beside the size: one figure, or a list of them. Least, most and usual in mm.</summary>
/// <param name="Usual">What holds where an item says nothing; an empty list where nothing is divided.</param>
public sealed record MakerParameter(string Key, string Label, double Least, double Most, ImmutableArray<double> Usual, bool IsList = false);

/// <summary>The values of a maker's parameters in their order; compared by content.</summary>
public sealed record MakerParameters(ImmutableArray<ImmutableArray<double>> Values)
{
    public static readonly MakerParameters None = new([]);

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
public sealed record Maker(
    Func<MakerInput, Form> Make,
    bool IsRound = false,
    ImmutableArray<MakerParameter> Parameters = default,
    Func<ItemSize, MakerParameters, (string Key, string Message)?>? Wrong = null
)
{
    public ImmutableArray<MakerParameter> Parameters { get; } = Parameters.IsDefault ? [] : Parameters;
}
