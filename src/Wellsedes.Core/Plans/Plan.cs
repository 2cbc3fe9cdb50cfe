using System.Collections.Immutable;
using Wellsedes.Core.Catalogue;

namespace Wellsedes.Core.Plans;

/// <summary>What a plan is read with: the catalogue that ships, and the kinds of thing there are.</summary>
public sealed record Library(CatalogueList Catalogue, ThingKinds Kinds);

/// <summary>
/// An immutable set of entities by id, each with its version: the revision of the change that gave it its content, 0 for
/// what a plan began with. An undo gives the content back and the version with it, so a change fits exactly where the
/// entity is as the change found it.
/// </summary>
public sealed class Plan
{
    private readonly PlanIndex index;
    private readonly ImmutableDictionary<string, long> versions;

    public ImmutableDictionary<string, Entity> Entities { get; }

    public Library Library { get; }

    private Plan(
        Library library,
        ImmutableDictionary<string, Entity> entities,
        ImmutableDictionary<string, long> versions,
        PlanIndex index
    ) => (Library, Entities, this.versions, this.index) = (library, entities, versions, index);

    /// <exception cref="ArgumentException">Two entities share an id.</exception>
    public static Plan Of(IEnumerable<Entity> entities, Library library, IReadOnlyDictionary<string, long>? versions = null)
    {
        var builder = ImmutableDictionary.CreateBuilder<string, Entity>();
        foreach (var entity in entities)
            if (!builder.TryAdd(entity.Id, entity))
                throw new ArgumentException($"Two entities share the id \"{entity.Id}\".");
        var all = builder.ToImmutable();
        return new Plan(
            library,
            all,
            (versions ?? ImmutableDictionary<string, long>.Empty).Where(pair => pair.Value != 0).ToImmutableDictionary(),
            PlanIndex.Of(all.Values)
        );
    }

    public Entity? Find(string id) => Entities.GetValueOrDefault(id);

    public T? Find<T>(string id)
        where T : Entity => Entities.GetValueOrDefault(id) as T;

    /// <summary>The version of an entity that is there; 0 for what the plan began with.</summary>
    public long VersionOf(string id) => versions.GetValueOrDefault(id);

    /// <summary>The versions that are not 0, by id.</summary>
    public IReadOnlyDictionary<string, long> Versions => versions;

    /// <summary>All entities of a type, or of those derived from it, in the order of their ids so that every derived result is repeatable.</summary>
    public IEnumerable<T> All<T>()
        where T : Entity => index.Of<T>(null, null);

    public IEnumerable<T> OfScheme<T>(string schemeId)
        where T : Entity, IOfScheme => index.Of<T>(schemeId, null);

    /// <summary>All of a type on a level, of every scheme.</summary>
    public IEnumerable<T> OnLevel<T>(string levelId)
        where T : Entity, IOnLevel => index.Of<T>(null, levelId);

    /// <summary>All of a type of a scheme on a level.</summary>
    public IEnumerable<T> OnLevel<T>(string schemeId, string levelId)
        where T : Entity, IOnLevel, IOfScheme => index.Of<T>(schemeId, levelId);

    /// <summary>Zones, marks, blocks and the like of a scheme on a level.</summary>
    public IEnumerable<Thing> ThingsOn(string schemeId, string levelId) => index.Of<Thing>(schemeId, levelId);

    /// <summary>Those that are gone by from one level to another.</summary>
    public IEnumerable<Flight> FlightsBetweenLevels => All<Flight>().Where(flight => flight.ToLevelId.Length > 0);

    public IEnumerable<Opening> OpeningsIn(string wallId) => index.Of<Opening>(null, wallId);

    /// <summary>The rules that hold for this plan; the same object until one of its own changes, so that what is kept is quickly compared.</summary>
    public PlanRules Rules => rules ??= PlanRules.Of(this);

    private PlanRules? rules;

    /// <summary>The rules of the books that it is held against; the same object until a book or a change of one is.</summary>
    public PlanBooks Books => books ??= PlanBooks.Of(this);

    private PlanBooks? books;

    public PlanDetails Details => Find<PlanDetails>(PlanDetails.TheId)!;

    /// <summary>The schemes in the order they are shown.</summary>
    public IEnumerable<Scheme> Schemes => All<Scheme>().OrderBy(scheme => scheme.Order);

    /// <summary>The levels from the lowest up.</summary>
    public IEnumerable<Level> Levels => All<Level>().OrderBy(level => level.Elevation);

    /// <summary>What the catalogue says of a key: the plan's own item of that id, else the one that ships; null when there is none.</summary>
    public CatalogueItem? CatalogueItem(string key) => Find<OwnItem>(key)?.Item ?? Library.Catalogue.Find(key);

    /// <summary>The level a plan opens on: the lowest that has an entrance, else the lowest.</summary>
    public Level FirstLevel
    {
        get
        {
            var entered = All<Opening>().Where(o => o.IsEntrance).Select(o => Find<Wall>(o.WallId)?.LevelId).ToHashSet();
            var levels = Levels.ToArray();
            return levels.FirstOrDefault(level => entered.Contains(level.Id)) ?? levels[0];
        }
    }

    /// <summary>A change with the versions of its entities, as it is logged under a revision.</summary>
    public Change Numbered(Change change, long revision) =>
        change with
        {
            Entities =
            [
                .. change.Entities.Select(entity => entity with { From = entity.From ?? VersionOf(entity.Id), To = entity.To ?? revision }),
            ],
        };

    /// <summary>
    /// The plan with a change applied. Entities that are not as the change found them (there or not, and at the version it
    /// names) are named in <paramref name="clashes"/> and nothing is applied. Costs what changed, not what stands.
    /// The same change again, after it was guarded, costs nothing.
    /// </summary>
    public bool TryApply(Change change, out Plan result, out ImmutableArray<string> clashes)
    {
        if (applied is { } known && ReferenceEquals(known.Change, change) && known.After.TryGetTarget(out var after))
        {
            (result, clashes) = (after, []);
            return true;
        }
        var wrong = ImmutableArray.CreateBuilder<string>();
        foreach (var entity in change.Entities)
        {
            var now = Find(entity.Id);
            if (now is null != entity.Before is null || (now is not null && entity.From is { } from && from != VersionOf(entity.Id)))
                wrong.Add(entity.Id);
        }
        clashes = wrong.ToImmutable();
        result = this;
        if (!clashes.IsEmpty)
            return false;
        var builder = Entities.ToBuilder();
        var numbers = versions.ToBuilder();
        foreach (var entity in change.Entities)
        {
            if (entity.After is null)
            {
                builder.Remove(entity.Id);
                numbers.Remove(entity.Id);
                continue;
            }
            builder[entity.Id] = entity.After;
            if (entity.To is { } to and not 0)
                numbers[entity.Id] = to;
            else if (entity.To == 0)
                numbers.Remove(entity.Id);
        }
        result = new Plan(Library, builder.ToImmutable(), numbers.ToImmutable(), index.With(change, Find))
        {
            rules = change.Entities.Any(entity => (entity.Before ?? entity.After) is OwnRule) ? null : rules,
            books = change.Entities.Any(entity => (entity.Before ?? entity.After) is PlanBook or RuleChange) ? null : books,
        };
        applied = new(change, new(result));
        return true;
    }

    /// <summary>Held weakly: else a plan would keep all that came after it.</summary>
    private sealed record Applied(Change Change, WeakReference<Plan> After);

    private Applied? applied;
}
