using System.Collections.Immutable;

namespace Wellsedes.Core.Plans;

/// <summary>An immutable set of entities by id.</summary>
public sealed class Plan
{
    public static readonly Plan Empty = new(ImmutableDictionary<string, Entity>.Empty);

    public ImmutableDictionary<string, Entity> Entities { get; }

    private Plan(ImmutableDictionary<string, Entity> entities) => Entities = entities;

    /// <exception cref="ArgumentException">Two entities share an id.</exception>
    public static Plan Of(IEnumerable<Entity> entities)
    {
        var builder = ImmutableDictionary.CreateBuilder<string, Entity>();
        foreach (var entity in entities)
            if (!builder.TryAdd(entity.Id, entity))
                throw new ArgumentException($"Two entities share the id \"{entity.Id}\".");
        return new Plan(builder.ToImmutable());
    }

    public Entity? Find(string id) => Entities.GetValueOrDefault(id);

    public T? Find<T>(string id)
        where T : Entity => Entities.GetValueOrDefault(id) as T;

    /// <summary>All entities of a kind, in the order of their ids so that every derived result is repeatable.</summary>
    public IEnumerable<T> All<T>()
        where T : Entity => Entities.Values.OfType<T>().OrderBy(entity => entity.Id, StringComparer.Ordinal);

    public IEnumerable<T> OfScheme<T>(string schemeId)
        where T : Entity, IOfScheme => All<T>().Where(entity => entity.SchemeId == schemeId);

    public PlanDetails Details => Find<PlanDetails>(PlanDetails.TheId)!;

    /// <summary>
    /// The plan with a change applied. Entities that are not as the change found them are named in
    /// <paramref name="clashes"/> and nothing is applied.
    /// </summary>
    public bool TryApply(Change change, out Plan result, out ImmutableArray<string> clashes)
    {
        var builder = Entities.ToBuilder();
        var wrong = ImmutableArray.CreateBuilder<string>();
        foreach (var entity in change.Entities)
        {
            if (!Equals(Find(entity.Id), entity.Before))
                wrong.Add(entity.Id);
            else if (entity.After is null)
                builder.Remove(entity.Id);
            else
                builder[entity.Id] = entity.After;
        }
        clashes = wrong.ToImmutable();
        result = clashes.IsEmpty ? new Plan(builder.ToImmutable()) : this;
        return clashes.IsEmpty;
    }
}
