using System.Collections.Immutable;
using System.Text;
using System.Text.Json;
using Wellsedes.Core.Editing;
using Wellsedes.Core.KindsOfThing;
using Wellsedes.Core.Plans;
using Wellsedes.Formats.Pictures;

namespace Wellsedes.Formats.PlanFile;

/// <summary>
/// What was copied, as text on the clipboard (docs/plan-file.md): items with what they belong to, zones and marks, and the own items they
/// are made from. A text is taken as hostile.
/// </summary>
public static class ClipText
{
    public const string FormatName = "wellsedes-clip";

    /// <summary>The longest text that is read, in bytes.</summary>
    public const int Longest = 4 * 1024 * 1024;

    private sealed record ClipContent(string Format, int Version, ImmutableArray<Entity> Entities);

    public static string Write(IEnumerable<Entity> entities) =>
        JsonSerializer.Serialize(new ClipContent(FormatName, PlanFormat.Version, [.. entities]), PlanJson.Options);

    /// <exception cref="PlanFileException">It is no clip, too long, of a newer version, or wrong inside.</exception>
    public static ImmutableArray<Entity> Read(ReadOnlySpan<byte> text)
    {
        if (text.Length > Longest)
            throw new PlanFileException($"What was copied is larger than {Longest / 1024 / 1024} MB, the most that is pasted.");
        if (text.StartsWith(Encoding.UTF8.Preamble))
            text = text[Encoding.UTF8.Preamble.Length..];
        var version = PlanFiles.VersionOf(text, FormatName, "clip");
        var entities = PlanFiles.Content<ClipContent>(text, version, PlanJson.For(ThingList.Shipped), "clip").Entities;
        if (entities.IsDefaultOrEmpty || entities.Any(entity => entity is null))
            throw new PlanFileException("The clip has nothing in it, or an empty entry.");
        if (entities.Length > Paste.Most)
            throw new PlanFileException($"The clip holds {entities.Length} things; at most {Paste.Most} are pasted.");
        foreach (var entity in entities)
            if ((WellFormed.Check(entity) ?? OwnPictures.Wrong(entity)) is { } problem)
                throw new PlanFileException($"\"{(WellFormed.IsId(entity.Id) ? entity.Id : "?")}\": {problem.Message}");
        return entities;
    }
}
