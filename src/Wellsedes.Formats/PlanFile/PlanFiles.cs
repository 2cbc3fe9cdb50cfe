using System.Collections.Immutable;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using Wellsedes.Core.Editing;
using Wellsedes.Core.KindsOfThing;
using Wellsedes.Core.Plans;
using Wellsedes.Formats.Pictures;

namespace Wellsedes.Formats.PlanFile;

/// <summary>A plan file could not be read; the message says what is wrong and what to do.</summary>
public sealed class PlanFileException(string message) : Exception(message);

/// <summary>A picture carried in a plan file: the file as it came, and the page of it when it is a PDF.</summary>
public sealed record FilePicture(string Id, string Name, int Page, byte[] File);

/// <summary>Reads and writes plan files (docs/plan-file.md). A file is taken as hostile: size, depth and counts are limited.</summary>
public static class PlanFiles
{
    public const string FormatName = "wellsedes-plan";

    /// <summary>The largest file that is read, in bytes: what the largest pictures of a plan come to, and the plan beside them.</summary>
    public const int LargestFile = 192 * 1024 * 1024;

    /// <summary>The most bytes of pictures a plan carries; written as text they are a third longer.</summary>
    public const long MostPictureBytes = 128L * 1024 * 1024;

    /// <summary>The most pictures a plan carries.</summary>
    public const int MostPictures = 40;

    private sealed record FileContent(
        string Format,
        int Version,
        ImmutableArray<Entity> Entities,
        ImmutableArray<FilePicture>? Pictures = null
    );

    public static byte[] Write(Plan plan, IEnumerable<FilePicture>? pictures = null)
    {
        var used = plan.All<Backing>().Select(backing => backing.PictureId).ToHashSet();
        ImmutableArray<FilePicture> kept = [.. (pictures ?? []).Where(p => used.Contains(p.Id)).OrderBy(p => p.Id, StringComparer.Ordinal)];
        var content = new FileContent(
            FormatName,
            PlanFormat.Version,
            [.. plan.Entities.Values.OrderBy(e => e.Id, StringComparer.Ordinal)],
            kept.IsEmpty ? null : kept
        );
        var options = PlanJson.Indent(PlanJson.For(plan.Library.Kinds));
        return [.. JsonSerializer.SerializeToUtf8Bytes(content, options), (byte)'\n'];
    }

    /// <exception cref="PlanFileException">The file is too large, cut short, too deep, of a newer version, or wrong inside.</exception>
    public static Plan Read(ReadOnlySpan<byte> file, Library? library = null) => ReadWhole(file, library).Plan;

    /// <summary>A plan with the pictures it carries, as they stand in the file: they have yet to be taken in.</summary>
    /// <exception cref="PlanFileException">As <see cref="Read"/>.</exception>
    public static (Plan Plan, ImmutableArray<FilePicture> Pictures) ReadWhole(ReadOnlySpan<byte> file, Library? library = null)
    {
        library ??= Shipped.Library;
        if (file.Length > LargestFile)
            throw new PlanFileException($"The plan file is larger than {LargestFile / 1024 / 1024} MB, the most that is read.");
        if (file.StartsWith(Encoding.UTF8.Preamble))
            file = file[Encoding.UTF8.Preamble.Length..];
        var version = VersionOf(file, FormatName, "plan file");
        var content = Content<FileContent>(file, version, PlanJson.For(library.Kinds), "plan file");
        if (content.Entities.IsDefault || content.Entities.Any(entity => entity is null))
            throw new PlanFileException("The plan file has no entities or an empty one among them.");
        if (content.Entities.Length > PlanChecks.MostEntities)
            throw new PlanFileException(
                $"The plan file holds {content.Entities.Length} things; at most {PlanChecks.MostEntities} are read."
            );
        var seen = new HashSet<string>();
        foreach (var entity in content.Entities)
        {
            if (!WellFormed.IsId(entity.Id))
                throw new PlanFileException("An entity has no proper id: 1 to 60 letters, figures and hyphens.");
            if (!seen.Add(entity.Id))
                throw new PlanFileException($"Two entities share the id \"{entity.Id}\".");
        }
        var plan = Plan.Of(content.Entities, library);
        if (PlanChecks.OfWhole(plan) is { } wrong)
            throw new PlanFileException(wrong.Id.Length > 0 ? $"\"{wrong.Id}\": {wrong.Problem.Message}" : wrong.Problem.Message);
        foreach (var entity in content.Entities)
            if (OwnPictures.Wrong(entity) is { } picture)
                throw new PlanFileException($"\"{entity.Id}\": {picture.Message}");
        return (plan, CheckPictures(content.Pictures ?? []));
    }

    /// <summary>What a file of entities holds, raised to this version.</summary>
    /// <param name="noun">What the file is called in messages.</param>
    internal static T Content<T>(ReadOnlySpan<byte> file, int version, JsonSerializerOptions options, string noun)
        where T : class
    {
        try
        {
            if (version == PlanFormat.Version)
                return JsonSerializer.Deserialize<T>(file, options) ?? throw new PlanFileException($"The {noun} is empty.");
            var root = JsonNode.Parse(file, null, new JsonDocumentOptions { MaxDepth = options.MaxDepth })!.AsObject();
            if (root["entities"] is JsonArray entities)
                PlanFormat.Raise(entities, version);
            return root.Deserialize<T>(options) ?? throw new PlanFileException($"The {noun} is empty.");
        }
        catch (Exception e) when (e is JsonException or NotSupportedException or ArgumentException or InvalidOperationException)
        {
            throw new PlanFileException(
                $"The {noun} is wrong inside{Where(e)}. It may be cut short or edited by hand; export or copy it again."
            );
        }
    }

    private static ImmutableArray<FilePicture> CheckPictures(ImmutableArray<FilePicture> pictures)
    {
        if (
            pictures.Length > MostPictures
            || pictures.Any(p =>
                p is null || !Guid.TryParse(p.Id, out _) || p.File is null || WellFormed.Check(p with { File = [] }) is not null
            )
        )
            throw new PlanFileException(
                $"The plan file's pictures are wrong inside; at most {MostPictures} are read, each with its id and file."
            );
        if (pictures.DistinctBy(p => p.Id).Count() != pictures.Length)
            throw new PlanFileException("Two pictures of the plan file share an id.");
        return pictures.Sum(p => (long)p.File.Length) > MostPictureBytes
            ? throw new PlanFileException($"The plan file's pictures are more than {MostPictureBytes / 1024 / 1024} MB together.")
            : pictures;
    }

    private static string Where(Exception e) =>
        e is JsonException { Path: { Length: > 1 } path } json ? $" at {path[..Math.Min(path.Length, 80)]} (line {json.LineNumber + 1})"
        : e is JsonException { LineNumber: { } line } ? $" at line {line + 1}"
        : "";

    /// <summary>Reads only format and version first, so that a newer file is named as such and not as broken.</summary>
    internal static int VersionOf(ReadOnlySpan<byte> file, string formatName, string noun)
    {
        try
        {
            var reader = new Utf8JsonReader(file, new JsonReaderOptions { MaxDepth = 32 });
            string? format = null;
            int? version = null;
            while (reader.Read())
            {
                if (reader.TokenType != JsonTokenType.PropertyName || reader.CurrentDepth != 1)
                    continue;
                var name = reader.GetString();
                reader.Read();
                if (name == "format" && reader.TokenType == JsonTokenType.String)
                    format = reader.GetString();
                else if (name == "version" && reader.TokenType == JsonTokenType.Number && reader.TryGetInt32(out var v))
                    version = v;
                else
                    reader.Skip();
            }
            if (format != formatName)
                throw new PlanFileException($"This is no {noun}: \"format\" must be \"{formatName}\".");
            if (version is not { } said || said < 1)
                throw new PlanFileException($"The {noun} does not say its version.");
            return said > PlanFormat.Version
                ? throw new PlanFileException(
                    $"The {noun} is of version {said}; this program reads up to version {PlanFormat.Version}. Use a newer Wellsedes, or export it from there as version {PlanFormat.Version}."
                )
                : said;
        }
        catch (InvalidOperationException)
        {
            throw new PlanFileException($"The {noun} holds text that is no UTF-8.");
        }
        catch (JsonException e)
        {
            var why = e.Message.Contains("depth", StringComparison.OrdinalIgnoreCase)
                ? "is nested too deeply"
                : "is no JSON or is cut short";
            throw new PlanFileException($"The {noun} {why} (line {e.LineNumber + 1}).");
        }
    }
}
