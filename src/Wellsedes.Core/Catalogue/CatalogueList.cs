using System.Collections.Frozen;
using System.Collections.Immutable;
using System.Text.Json;
using System.Text.Json.Serialization;

namespace Wellsedes.Core.Catalogue;

/// <summary>The catalogue that ships with the application, read from its data files.</summary>
public sealed class CatalogueList
{
    private readonly FrozenDictionary<string, CatalogueItem> byKey;

    public ImmutableArray<CatalogueItem> Items { get; }

    public CatalogueList(IEnumerable<CatalogueItem> items)
    {
        Items = [.. items];
        byKey = Items.ToFrozenDictionary(item => item.Key);
    }

    public static CatalogueList Shipped { get; } = Load();

    public CatalogueItem? Find(string key) => byKey.GetValueOrDefault(key);

    private static CatalogueList Load()
    {
        var assembly = typeof(CatalogueList).Assembly;
        var options = new JsonSerializerOptions(JsonSerializerDefaults.Web) { Converters = { new JsonStringEnumConverter() } };
        var items = assembly
            .GetManifestResourceNames()
            .Where(name => name.Contains(".Catalogue.Data.", StringComparison.Ordinal))
            .Order(StringComparer.Ordinal)
            .SelectMany(name =>
            {
                using var stream = assembly.GetManifestResourceStream(name)!;
                return JsonSerializer.Deserialize<CatalogueItem[]>(stream, options)!;
            });
        return new CatalogueList(items.OrderBy(item => item.Kind));
    }
}
