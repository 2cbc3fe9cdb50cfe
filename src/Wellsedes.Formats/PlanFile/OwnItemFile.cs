using System.Collections.Immutable;
using System.Text;
using System.Text.Json;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Editing;
using Wellsedes.Core.KindsOfThing;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Units;
using Wellsedes.Formats.Pictures;

namespace Wellsedes.Formats.PlanFile;

/// <summary>
/// The own items of a project as a file (docs/plan-file.md), to be taken into another. A file is taken as hostile: size, depth and
/// counts are limited, and every item is held against what holds for own items everywhere.
/// </summary>
public static class OwnItemFile
{
    public const string FormatName = "wellsedes-own-items";
    public const int Version = 1;
    public const int LargestFile = 32 * 1024 * 1024;
    public const int MostItems = 2000;

    private sealed record Content(string Format, int Version, ImmutableArray<CatalogueItem> Items);

    /// <summary>What every version has.</summary>
    private sealed record Head(string? Format = null, int Version = 0);

    private static readonly JsonSerializerOptions Indented = PlanJson.Indent(PlanJson.Options);

    public static byte[] Write(IEnumerable<CatalogueItem> items) =>
        [
            .. JsonSerializer.SerializeToUtf8Bytes(
                new Content(FormatName, Version, [.. items.OrderBy(item => item.Key, StringComparer.Ordinal)]),
                Indented
            ),
            (byte)'\n',
        ];

    /// <exception cref="PlanFileException">It is too large, of a newer version, or wrong inside; the message names the item.</exception>
    public static ImmutableArray<CatalogueItem> Read(ReadOnlySpan<byte> file)
    {
        if (file.Length > LargestFile)
            throw new PlanFileException($"The file is larger than {LargestFile / 1024 / 1024} MB, the most that is read.");
        if (file.StartsWith(Encoding.UTF8.Preamble))
            file = file[Encoding.UTF8.Preamble.Length..];
        Content content;
        try
        {
            var head = JsonSerializer.Deserialize<Head>(file, PlanJson.Options);
            if (head?.Format != FormatName)
                throw new PlanFileException($"This is no file of own items: its format is not \"{FormatName}\".");
            if (head.Version > Version)
                throw new PlanFileException(
                    $"The file is of version {head.Version}; this program reads up to {Version}. Export it from there in that version."
                );
            content = JsonSerializer.Deserialize<Content>(file, PlanJson.Options)!;
        }
        catch (Exception e) when (e is JsonException or NotSupportedException or ArgumentException or InvalidOperationException)
        {
            throw new PlanFileException("The file is wrong inside; it may be cut short or edited by hand. Export it again.");
        }
        if (content.Items.IsDefault || content.Items.Any(item => item is null))
            throw new PlanFileException("The file has no items or an empty one among them.");
        if (content.Items.Length > MostItems)
            throw new PlanFileException($"The file holds {content.Items.Length} items; at most {MostItems} are read.");
        var empty = Plan.Of(PlanStart.Entities("Items", UnitSystem.Metric), Shipped.Library);
        var seen = new HashSet<string>();
        foreach (var item in content.Items)
        {
            if (!WellFormed.IsId(item.Key))
                throw new PlanFileException("An item has no proper key: 1 to 60 letters, figures and hyphens.");
            if (!seen.Add(item.Key))
                throw new PlanFileException($"Two items share the key \"{item.Key}\".");
            if (Shipped.Library.Catalogue.Find(item.Key) is not null)
                throw new PlanFileException($"\"{item.Key}\" is the key of an item that ships; give it another.");
            var own = new OwnItem(item.Key, item);
            if ((PlanChecks.OfEntity(empty, own) ?? OwnPictures.Wrong(own)) is { } problem)
                throw new PlanFileException($"\"{item.Key}\": {problem.Message}");
        }
        return content.Items;
    }
}
