using System.Collections.Immutable;

namespace Wellsedes.Core.Plans;

/// <summary>The entities of a plan by type, scheme and home (the level they stand on, the wall they are cut into); a change costs what it touches.</summary>
internal sealed class PlanIndex
{
    private readonly record struct Home(string Scheme, string Place);

    private readonly ImmutableDictionary<Type, ImmutableDictionary<Home, ImmutableSortedDictionary<string, Entity>>> all;

    private PlanIndex(ImmutableDictionary<Type, ImmutableDictionary<Home, ImmutableSortedDictionary<string, Entity>>> all) =>
        this.all = all;

    public static PlanIndex Of(IEnumerable<Entity> entities)
    {
        var types = entities
            .GroupBy(entity => entity.GetType())
            .ToImmutableDictionary(
                group => group.Key,
                group =>
                    group
                        .GroupBy(HomeOf)
                        .ToImmutableDictionary(
                            home => home.Key,
                            home => home.ToImmutableSortedDictionary(entity => entity.Id, entity => entity, StringComparer.Ordinal)
                        )
            );
        return new PlanIndex(types);
    }

    private static Home HomeOf(Entity entity) =>
        new(
            entity is IOfScheme of ? of.SchemeId : "",
            entity switch
            {
                IOnLevel on => on.LevelId,
                Opening opening => opening.WallId,
                _ => "",
            }
        );

    /// <summary>The index after a change; <paramref name="now"/> tells what an id stands for before it.</summary>
    public PlanIndex With(Change change, Func<string, Entity?> now)
    {
        // Each home that is touched is opened once: a fill of thousands goes into one.
        Dictionary<(Type, Home), ImmutableSortedDictionary<string, Entity>.Builder> open = [];
        foreach (var entity in change.Entities)
        {
            var (gone, come) = (now(entity.Id), entity.After);
            var (from, to) = (gone is null ? default : PlaceOf(gone), come is null ? default : PlaceOf(come));
            if (gone is not null && (come is null || from != to))
                Open(from).Remove(gone.Id);
            if (come is not null)
                Open(to)[come.Id] = come;
        }
        var types = all;
        foreach (var ((type, home), ids) in open)
        {
            var homes = types.GetValueOrDefault(type, ImmutableDictionary<Home, ImmutableSortedDictionary<string, Entity>>.Empty);
            types = types.SetItem(type, ids.Count == 0 ? homes.Remove(home) : homes.SetItem(home, ids.ToImmutable()));
        }
        return new PlanIndex(types);

        ImmutableSortedDictionary<string, Entity>.Builder Open((Type Type, Home Home) at)
        {
            if (!open.TryGetValue(at, out var ids))
                open[at] = ids =
                    all.TryGetValue(at.Type, out var homes) && homes.TryGetValue(at.Home, out var known)
                        ? known.ToBuilder()
                        : ImmutableSortedDictionary.CreateBuilder<string, Entity>(StringComparer.Ordinal);
            return ids;
        }
    }

    private static (Type Type, Home Home) PlaceOf(Entity entity) => (entity.GetType(), HomeOf(entity));

    /// <summary>All of a type, in the order of ids; of one scheme and one place where those are named.</summary>
    public IEnumerable<T> Of<T>(string? scheme, string? place)
        where T : Entity
    {
        List<ImmutableSortedDictionary<string, Entity>> found = [];
        if (typeof(T).IsSealed)
        {
            if (all.TryGetValue(typeof(T), out var homes))
                Add(homes);
        }
        else
            foreach (var (type, homes) in all)
                if (type.IsAssignableTo(typeof(T)))
                    Add(homes);
        return found.Count switch
        {
            0 => [],
            1 => found[0].Values.Cast<T>(),
            _ => found.SelectMany(ids => ids.Values).OrderBy(entity => entity.Id, StringComparer.Ordinal).Cast<T>(),
        };

        void Add(ImmutableDictionary<Home, ImmutableSortedDictionary<string, Entity>> homes)
        {
            if (scheme is not null && place is not null)
            {
                if (homes.TryGetValue(new Home(scheme, place), out var one))
                    found.Add(one);
                return;
            }
            foreach (var (home, ids) in homes)
                if ((scheme is null || home.Scheme == scheme) && (place is null || home.Place == place))
                    found.Add(ids);
        }
    }
}
