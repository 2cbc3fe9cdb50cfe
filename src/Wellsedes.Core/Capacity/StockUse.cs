using System.Collections.Immutable;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Capacity;

/// <summary>How many of an item a scheme uses, of how many the house has.</summary>
/// <param name="Used">Placed ones and chairs at seats; what is set aside is not used.</param>
public sealed record StockUse(string Catalogue, string Name, int Used, int Has)
{
    public int Short => Math.Max(0, Used - Has);
}

public static class StockUses
{
    /// <summary>Every item the house counts, those that are short first, then by name.</summary>
    public static ImmutableArray<StockUse> Of(Plan plan, IReadOnlyCollection<PlacedItem> items)
    {
        var stocks = plan.All<HouseStock>().ToArray();
        if (stocks.Length == 0)
            return [];
        var used = new Dictionary<string, int>();
        foreach (var item in items)
        {
            Count(item.Kind.Key, 1);
            if (item.Kind.Chair is { } chair)
                Count(chair, item.Form.Seats.Length);
        }
        return
        [
            .. stocks
                .Where(stock => plan.CatalogueItem(stock.Catalogue) is not null)
                .Select(stock => new StockUse(
                    stock.Catalogue,
                    plan.CatalogueItem(stock.Catalogue)!.Name,
                    used.GetValueOrDefault(stock.Catalogue),
                    stock.Count
                ))
                .OrderByDescending(use => use.Short > 0)
                .ThenBy(use => use.Name, StringComparer.Ordinal),
        ];

        void Count(string key, int count) => used[key] = used.GetValueOrDefault(key) + count;
    }
}
