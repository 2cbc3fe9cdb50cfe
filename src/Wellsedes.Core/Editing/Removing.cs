using System.Collections.Immutable;
using Wellsedes.Core.Editing.Groups;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Editing;

/// <summary>Takes entities out, with what cannot stay without them.</summary>
internal static class Removing
{
    /// <summary>The edits this file answers.</summary>
    public static ImmutableArray<EditKind> Kinds { get; } =
    [EditKind.Of<Remove>("remove", "Remove", "Removed", (tools, plan, e) => Of(plan, e))];

    public static EditAnswer Of(Plan plan, Remove edit)
    {
        var gone = new Dictionary<string, Entity>();
        Entity? first = null;
        foreach (var id in edit.Ids)
        {
            if (plan.Find(id) is not { } entity)
                return EditAnswer.No("ids", "Something to remove is no longer there.");
            if (entity is PlanDetails or Scheme or Brief or Checks)
                return EditAnswer.No("ids", "This is part of every plan and cannot be removed.");
            if (entity is Level level && ShellEdits.KeepsLevel(plan, level) is { } kept)
                return EditAnswer.No(kept);
            first ??= entity;
            gone[id] = entity;
        }
        if (first is null)
            return EditAnswer.No("ids", "Nothing was chosen to remove.");
        var asked = gone.Count;
        foreach (var level in gone.Values.OfType<Level>().ToArray())
        foreach (var entity in plan.Entities.Values)
            if (entity is IOnLevel on && on.LevelId == level.Id)
                gone[entity.Id] = entity;
        foreach (var wall in gone.Values.OfType<Wall>().ToArray())
        foreach (var opening in plan.OpeningsIn(wall.Id))
            gone[opening.Id] = opening;
        foreach (var group in gone.Values.OfType<IMember>().Where(member => member is Repeat or Cluster).ToArray())
        foreach (var member in new GroupTree(plan, group.SchemeId).Below(group))
            gone[member.Id] = (Entity)member;
        // A block takes its tables along.
        foreach (var block in gone.Values.OfType<Thing>().Where(thing => thing.Fills() is not null).ToArray())
        foreach (var member in plan.OfScheme<Item>(((IOfScheme)block).SchemeId).Where(item => item.Parent == block.Id))
            gone[member.Id] = member;
        List<EntityChange> changes = [.. gone.Values.Select(entity => new EntityChange(entity, null))];
        // What stood or hung on it comes down to the floor.
        var fallen = plan.All<Item>()
            .Where(item => item.StandsOn is { } on && gone.ContainsKey(on) && !gone.ContainsKey(item.Id))
            .ToArray();
        changes.AddRange(fallen.Select(item => new EntityChange(item, item with { StandsOn = null, Elevation = 0 })));
        var with = first is Wall && asked == 1 && gone.Count > 1 ? $" with {gone.Count - 1} opening{(gone.Count == 2 ? "" : "s")}" : "";
        var down = fallen.Length > 0 ? $"; {fallen.Length} on it put on the floor" : "";
        var label = asked == 1 ? $"Removed {EntityWords.Noun(first)}{with}{down}" : $"Removed {gone.Count} things{down}";
        return EditAnswer.Done(new Change(label, [.. changes]));
    }
}
