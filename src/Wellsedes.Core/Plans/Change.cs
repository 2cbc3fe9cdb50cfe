using System.Collections.Immutable;
using System.Text.Json.Serialization;

namespace Wellsedes.Core.Plans;

/// <summary>
/// One entity before and after; null before means added, null after means removed. From is the version the entity had, To
/// the one it has afterwards; both are null until the change is numbered (<see cref="Plan.Numbered"/>).
/// </summary>
public sealed record EntityChange(Entity? Before = null, Entity? After = null, long? From = null, long? To = null)
{
    [JsonIgnore]
    public string Id => (After ?? Before)!.Id;

    public EntityChange Reversed() => new(After, Before, To, From);
}

/// <summary>
/// What an edit did: a label a person understands and the entities before and after. Applying, undoing, storing
/// and sending all work on this alone.
/// </summary>
public sealed record Change(string Label, ImmutableArray<EntityChange> Entities)
{
    /// <summary>The change that takes this one back. Each entity gets the version it had: it is the same content.</summary>
    public Change Reversed(string label) => new(label, [.. Entities.Reverse().Select(entity => entity.Reversed())]);
}
