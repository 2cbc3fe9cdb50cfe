using System.Collections.Immutable;
using System.Text;
using System.Text.Json;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;

namespace Wellsedes.Formats.PlanFile;

/// <summary>A plan file could not be read; the message says what is wrong and what to do.</summary>
public sealed class PlanFileException(string message) : Exception(message);

/// <summary>A picture carried in a plan file: the file as it came, and the page of it when it is a PDF.</summary>
public sealed record FilePicture(string Id, string Name, int Page, byte[] File);

/// <summary>Reads and writes plan files (docs/plan-file.md). A file is taken as hostile: size, depth and counts are limited.</summary>
public static class PlanFiles
{
    public const string FormatName = "wellsedes-plan";
    public const int Version = 1;

    /// <summary>The largest file that is read, in bytes.</summary>
    public const int LargestFile = 64 * 1024 * 1024;

    private const int LongestText = 2000;
    private const int MostPictures = 40;

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
            Version,
            [.. plan.Entities.Values.OrderBy(e => e.Id, StringComparer.Ordinal)],
            kept.IsEmpty ? null : kept
        );
        return [.. JsonSerializer.SerializeToUtf8Bytes(content, PlanJson.Indented), (byte)'\n'];
    }

    /// <exception cref="PlanFileException">The file is too large, cut short, too deep, of a newer version, or wrong inside.</exception>
    public static Plan Read(ReadOnlySpan<byte> file) => ReadWhole(file).Plan;

    /// <summary>A plan with the pictures it carries, as they stand in the file: they have yet to be taken in.</summary>
    /// <exception cref="PlanFileException">As <see cref="Read"/>.</exception>
    public static (Plan Plan, ImmutableArray<FilePicture> Pictures) ReadWhole(ReadOnlySpan<byte> file)
    {
        if (file.Length > LargestFile)
            throw new PlanFileException($"The plan file is larger than {LargestFile / 1024 / 1024} MB, the most that is read.");
        if (file.StartsWith(Encoding.UTF8.Preamble))
            file = file[Encoding.UTF8.Preamble.Length..];
        CheckVersion(file);
        FileContent content;
        try
        {
            content =
                JsonSerializer.Deserialize<FileContent>(file, PlanJson.Options) ?? throw new PlanFileException("The plan file is empty.");
        }
        catch (Exception e) when (e is JsonException or NotSupportedException or ArgumentException or InvalidOperationException)
        {
            throw new PlanFileException(
                $"The plan file is wrong inside{Where(e)}. It may be cut short or edited by hand; export the plan again."
            );
        }
        if (content.Entities.IsDefault || content.Entities.Any(entity => entity is null))
            throw new PlanFileException("The plan file has no entities or an empty one among them.");
        if (content.Entities.Length > Editor.MostEntities)
            throw new PlanFileException($"The plan file holds {content.Entities.Length} things; at most {Editor.MostEntities} are read.");
        var seen = new HashSet<string>();
        foreach (var entity in content.Entities)
        {
            if (!Editor.IsId(entity.Id))
                throw new PlanFileException("An entity has no proper id: 1 to 60 letters, figures and hyphens.");
            if (!seen.Add(entity.Id))
                throw new PlanFileException($"Two entities share the id \"{entity.Id}\".");
        }
        var plan = Plan.Of(content.Entities);
        CheckWhole(plan);
        var pictures = content.Pictures ?? [];
        if (pictures.Length > MostPictures || pictures.Any(p => p is null || !Guid.TryParse(p.Id, out _) || p.File is null))
            throw new PlanFileException(
                $"The plan file's pictures are wrong inside; at most {MostPictures} are read, each with its id and file."
            );
        if (pictures.DistinctBy(p => p.Id).Count() != pictures.Length)
            throw new PlanFileException("Two pictures of the plan file share an id.");
        return (plan, pictures);
    }

    private static string Where(Exception e) =>
        e is JsonException { Path: { Length: > 1 } path } json ? $" at {path[..Math.Min(path.Length, 80)]} (line {json.LineNumber + 1})"
        : e is JsonException { LineNumber: { } line } ? $" at line {line + 1}"
        : "";

    /// <summary>Reads only format and version first, so that a newer file is named as such and not as broken.</summary>
    private static void CheckVersion(ReadOnlySpan<byte> file)
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
            if (format != FormatName)
                throw new PlanFileException($"This is no plan file: \"format\" must be \"{FormatName}\".");
            if (version is null or < 1)
                throw new PlanFileException("The plan file does not say its version.");
            if (version > Version)
                throw new PlanFileException(
                    $"The plan file is of version {version}; this program reads up to version {Version}. Use a newer Wellsedes, or export it from there as version {Version}."
                );
        }
        catch (InvalidOperationException)
        {
            throw new PlanFileException("The plan file holds text that is no UTF-8.");
        }
        catch (JsonException e)
        {
            var why = e.Message.Contains("depth", StringComparison.OrdinalIgnoreCase)
                ? "is nested too deeply"
                : "is no JSON or is cut short";
            throw new PlanFileException($"The plan file {why} (line {e.LineNumber + 1}).");
        }
    }

    /// <summary>What every plan holds, and that everything it names is there.</summary>
    private static void CheckWhole(Plan plan)
    {
        if (plan.Find<PlanDetails>(PlanDetails.TheId) is null || plan.Details.Title.Length is 0 or > 80)
            throw new PlanFileException("The plan file has no plan details, or a title of no or more than 80 characters.");
        if (!plan.All<Level>().Any() || !plan.All<Scheme>().Any())
            throw new PlanFileException("The plan file has no level or no scheme.");
        foreach (var scheme in plan.All<Scheme>())
            if (
                !plan.OfScheme<Brief>(scheme.Id).Any()
                || !plan.OfScheme<Checks>(scheme.Id).Any()
                || !plan.OfScheme<SheetSettings>(scheme.Id).Any()
            )
                throw new PlanFileException($"The scheme \"{scheme.Id}\" has no brief, checks or sheet.");
        foreach (var entity in plan.Entities.Values)
        {
            if (entity is IOnLevel onLevel && plan.Find<Level>(onLevel.LevelId) is null)
                throw new PlanFileException($"\"{entity.Id}\" stands on the level \"{onLevel.LevelId}\", which is not in the file.");
            if (entity is IOfScheme ofScheme && plan.Find<Scheme>(ofScheme.SchemeId) is null)
                throw new PlanFileException($"\"{entity.Id}\" belongs to the scheme \"{ofScheme.SchemeId}\", which is not in the file.");
            if (Wrong(plan, entity) is { } problem)
                throw new PlanFileException($"\"{entity.Id}\": {problem}");
        }
    }

    private static string? Wrong(Plan plan, Entity entity) =>
        entity switch
        {
            Item item => CatalogueList.Shipped.Find(item.Catalogue) is not { } kind ? $"the catalogue has no item \"{item.Catalogue}\"."
            : !Placed(item.Placement) ? "its place makes no sense."
            : !Size(item.Width ?? 1) || !Size(item.Depth ?? 1) || !Size(item.Height ?? 1) ? "its size makes no sense."
            : item.Places is { } p
            && (p.Around < 0 || p.Front < 0 || p.Back < 0 || p.Left < 0 || p.Right < 0 || p.Total > Math.Max(0, kind.MostPlaces))
                ? $"it has {p.Total} places; at most {kind.MostPlaces} fit."
            : item.Label.Length > 12 ? "its label has more than 12 characters."
            : null,
            Dimension measure => !Placed(measure.From, measure.To) ? "its ends make no sense." : null,
            Checks checks => !Size(checks.MainWidth)
            || !Size(checks.SeatWidth)
            || !Size(checks.OccupiedDepth)
            || !Size(checks.PulledOutDepth)
                ? "every width and depth must be more than 0."
                : null,
            SheetSettings sheet => Papers.Find(sheet.Paper) is null ? $"\"{sheet.Paper}\" is no paper size."
            : sheet.Scale is { } scale && !(scale >= 1 && scale <= 10000) ? "its scale must be from 1:1 to 1:10000."
            : !Text(sheet.Notes) || !Text(sheet.Title) ? "its texts are too long."
            : null,
            _ => ShellChecks.Of(plan, entity)?.Message,
        };

    private static bool Size(double value) => value > 0 && value <= SizeSense.Longest;

    private static bool Placed(Placement p) => Placed(new Point(p.X, p.Y)) && double.IsFinite(p.Turn);

    private static bool Placed(params ReadOnlySpan<Point> points)
    {
        foreach (var p in points)
            if (!(Math.Abs(p.X) <= SizeSense.Longest && Math.Abs(p.Y) <= SizeSense.Longest))
                return false;
        return true;
    }

    private static bool Text(string text) => text.Length <= LongestText;
}
