namespace Wellsedes.Core.Plans;

/// <summary>How many of a catalogue item the house has; all schemes of the plan draw on it.</summary>
public sealed record HouseStock(string Id, string Catalogue, int Count) : Entity(Id)
{
    /// <summary>The most of one thing a house has.</summary>
    public const int Most = 1_000_000;

    /// <summary>The one entity that keeps the stock of an item.</summary>
    public static string IdOf(string catalogue) => $"stock-{catalogue}";
}
