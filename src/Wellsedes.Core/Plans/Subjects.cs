using System.Collections.Immutable;
using Wellsedes.Core.Catalogue;

namespace Wellsedes.Core.Plans;

/// <summary>A subject with what it is called and how many things fall under it.</summary>
public sealed record SubjectLine(string Key, string Sort, string Name, int Count);

/// <summary>
/// What of a scheme can be seen, printed and locked together. Its keys: kind/Tables and the like for items of a kind of the catalogue,
/// thing/mark for things of a kind, measures, setting-out-lines, level/ID, zone/ID (the zone and what has its middle in it), group/ID.
/// </summary>
public sealed class Subjects
{
    public const string Measures = "measures";
    public const string SettingOut = "setting-out-lines";

    private readonly Plan plan;
    private readonly string schemeId;
    private readonly ILookup<string, Thing> zones;
    private readonly ILookup<string, string> groups;

    public Subjects(Plan plan, string schemeId)
    {
        (this.plan, this.schemeId) = (plan, schemeId);
        zones = Zones().ToLookup(zone => zone.LevelId);
        groups = plan.OfScheme<OwnGroup>(schemeId)
            .SelectMany(group => group.Members.Select(id => (id, group.Id)))
            .ToLookup(pair => pair.id, pair => pair.Id);
    }

    /// <summary>The keys an entity falls under; none for what cannot be seen by itself.</summary>
    public IEnumerable<string> Of(Entity entity)
    {
        var (own, at) = entity switch
        {
            Item item => (KeyOf(item), item.Placement.Origin),
            Thing thing when plan.Library.Kinds.Of(thing) is { } kind => ($"thing/{kind.Name}", thing.Placement.Origin),
            Dimension measure => (Measures, Geometry.Point.Middle(measure.From, measure.To)),
            SettingOutLine => (SettingOut, default(Geometry.Point?)),
            Wall or Opening => ("", default(Geometry.Point?)),
            _ => (null, default(Geometry.Point?)),
        };
        if (own is null)
            yield break;
        if (own.Length > 0)
            yield return own;
        var level = entity is Opening opening ? plan.Find<Wall>(opening.WallId)?.LevelId : (entity as IOnLevel)?.LevelId;
        if (level is null)
            yield break;
        yield return $"level/{level}";
        if (entity is not IOfScheme || at is not { } middle)
            yield break;
        foreach (var zone in zones[level])
            if (zone.Id == entity.Id || zone.Marks(middle))
                yield return $"zone/{zone.Id}";
        foreach (var group in groups[entity.Id])
            yield return $"group/{group}";
    }

    private IEnumerable<Thing> Zones() =>
        plan.All<Thing>().Where(thing => thing.Counts() && thing is IOfScheme of && of.SchemeId == schemeId);

    private string KeyOf(Item item) => $"kind/{plan.CatalogueItem(item.Catalogue)?.Kind ?? CatalogueKind.Equipment}";

    /// <summary>The ids of what falls under one of some subjects: of the scheme, and of the shell where it is fixed things or lines.</summary>
    public ImmutableHashSet<string> Under(IReadOnlyCollection<string> keys)
    {
        if (keys.Count == 0)
            return [];
        var wanted = keys.ToHashSet();
        return [.. Listed().Where(entity => Of(entity).Any(wanted.Contains)).Select(entity => entity.Id)];
    }

    /// <summary>What can be seen or not: items, things, kept measures, setting-out lines.</summary>
    private IEnumerable<Entity> Listed() =>
        plan.OfScheme<Item>(schemeId)
            .Concat<Entity>(plan.All<Thing>().Where(thing => thing is not IOfScheme of || of.SchemeId == schemeId))
            .Concat(plan.OfScheme<Dimension>(schemeId))
            .Concat(plan.All<SettingOutLine>());

    /// <summary>Whether there is anything of the scheme itself that does not fall under some subjects.</summary>
    public bool LeavesAny(IReadOnlyCollection<string> keys)
    {
        var wanted = keys.ToHashSet();
        Entity[] own = [.. Listed().Where(entity => entity is IOfScheme and not Item { SetAside: true })];
        return own.Length == 0 || own.Any(entity => !Of(entity).Any(wanted.Contains));
    }

    /// <summary>All subjects of the scheme under which something falls, its levels, zones and own groups; in the order they are told.</summary>
    public ImmutableArray<SubjectLine> All()
    {
        var counts = Listed().SelectMany(Of).CountBy(key => key).ToDictionary();
        int CountOf(string key) => counts.GetValueOrDefault(key);
        IEnumerable<string> keys =
        [
            .. Enum.GetValues<CatalogueKind>().Select(kind => $"kind/{kind}").Where(counts.ContainsKey),
            .. plan.Library.Kinds.All.Select(kind => $"thing/{kind.Name}").Where(counts.ContainsKey),
            .. new[] { Measures, SettingOut }.Where(counts.ContainsKey),
            .. plan.Levels.Select(level => $"level/{level.Id}"),
            .. Zones().Select(zone => $"zone/{zone.Id}"),
            .. plan.OfScheme<OwnGroup>(schemeId).Select(group => $"group/{group.Id}"),
        ];
        return [.. keys.Select(key => new SubjectLine(key, key.Split('/')[0], WordsOf(key)!, CountOf(key)))];
    }

    /// <summary>What a subject is called; null where there is none of this key.</summary>
    public string? WordsOf(string key)
    {
        var (sort, of) = key.Split('/', 2) is [var first, var second] ? (first, second) : (key, "");
        return sort switch
        {
            "kind" => Enum.TryParse<CatalogueKind>(of, out var kind) && Enum.IsDefined(kind) ? WordsOf(kind) : null,
            "thing" => plan.Library.Kinds.All.FirstOrDefault(known => known.Name == of) is { } thing ? Plural(thing.Word) : null,
            Measures when of.Length == 0 => "Kept measures",
            SettingOut when of.Length == 0 => "Setting-out lines",
            "level" => plan.Find<Level>(of)?.Name,
            "zone" => plan.Find(of) is Thing zone && zone.Counts() && zone is IOfScheme mine && mine.SchemeId == schemeId
                ? zone.Called()
                : null,
            "group" => plan.Find<OwnGroup>(of) is { } group && group.SchemeId == schemeId ? group.Name : null,
            _ => null,
        };
    }

    private static string WordsOf(CatalogueKind kind) =>
        kind switch
        {
            CatalogueKind.OnTables => "On tables",
            CatalogueKind.OnWalls => "On walls",
            CatalogueKind.Floors => "Rugs and floors",
            CatalogueKind.Figures => "Figures for scale",
            _ => kind.ToString(),
        };

    private static string Plural(string word) => char.ToUpperInvariant(word[0]) + word[1..] + "s";

    /// <summary>A key carried over to a copy of its scheme.</summary>
    public static string Carried(string key, Func<string, string> newId) =>
        key.Split('/', 2) is ["zone" or "group", var id] ? $"{key[..key.IndexOf('/')]}/{newId(id)}" : key;
}
