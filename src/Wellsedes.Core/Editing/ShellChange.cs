using System.Collections.Immutable;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Editing;

/// <summary>Gathers what an edit of the shell does to each entity, and makes one change of it.</summary>
internal sealed class ShellChange(Plan plan)
{
    private readonly Dictionary<string, Entity?> after = [];

    public Plan Plan => plan;

    public T? Now<T>(string id)
        where T : Entity => after.TryGetValue(id, out var entity) ? entity as T : plan.Find<T>(id);

    public void Put(Entity entity) => after[entity.Id] = entity;

    public void Put(IEnumerable<Entity> entities)
    {
        foreach (var entity in entities)
            Put(entity);
    }

    public void Remove(string id) => after[id] = null;

    /// <summary>Whether something is made or changed under an id.</summary>
    public bool Has(string id) => after.GetValueOrDefault(id) is not null;

    public IEnumerable<T> All<T>()
        where T : Entity => plan.All<T>().Where(e => !after.ContainsKey(e.Id)).Concat(after.Values.OfType<T>());

    /// <summary>What it does so far.</summary>
    public IEnumerable<EntityChange> Changes() =>
        after.Select(pair => new EntityChange(plan.Find(pair.Key), pair.Value)).Where(change => !Equals(change.Before, change.After));

    public EditAnswer Done(string label)
    {
        ImmutableArray<EntityChange> changes = [.. Changes()];
        return changes.IsEmpty ? EditAnswer.No("edit", "Nothing would change.") : EditAnswer.Done(new Change(label, changes));
    }
}
