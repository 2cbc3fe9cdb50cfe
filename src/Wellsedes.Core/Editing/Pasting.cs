using System.Collections.Immutable;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Editing.Groups;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Editing;

/// <summary>
/// Puts copies of things that were copied, from wherever, into a scheme on a level: where they stood, moved in mm. They get ids of their own that
/// begin with the one given, numbers nobody has, and what they belong to or stand on among themselves; own items they are made from come
/// along where the plan has none of their key.
/// </summary>
public sealed record Paste(string NewId, string SchemeId, string LevelId, ImmutableArray<Entity> Entities, double Dx = 0, double Dy = 0)
    : Edit
{
    /// <summary>The most things pasted at once.</summary>
    public const int Most = 2500;
}

/// <summary>Copies again what was just copied, with the same offset and turn from its original as the copies have.</summary>
/// <param name="Ids">The last copies.</param>
/// <param name="FromIds">What they are copies of, in the same order.</param>
public sealed record CopyAgain(ImmutableArray<string> Ids, ImmutableArray<string> FromIds, ImmutableArray<string> NewIds)
    : Edit,
        IOfSelected;

/// <summary>Pastes what was copied.</summary>
internal static class Pasting
{
    /// <summary>The edits this file answers.</summary>
    public static ImmutableArray<EditKind> Kinds { get; } =
    [EditKind.Of<Paste>("paste", "Paste", "Pasted", (tools, plan, e) => Put(plan, e))];

    private static EditAnswer Put(Plan plan, Paste edit)
    {
        if (plan.Find<Scheme>(edit.SchemeId) is null || plan.Find<Level>(edit.LevelId) is null)
            return EditAnswer.No("schemeId", "The scheme or level is no longer there.");
        if (edit.Entities.IsEmpty || edit.Entities.Length > Paste.Most)
            return EditAnswer.No("entities", $"From 1 to {Paste.Most} things are pasted at once; {edit.Entities.Length} were copied.");
        if (!WellFormed.IsId(edit.NewId) || edit.NewId.Length > 50)
            return EditAnswer.No("newId", "The new id has 1 to 50 letters, figures and hyphens.");
        if (edit.Entities.DistinctBy(entity => entity.Id).Count() != edit.Entities.Length)
            return EditAnswer.No("entities", "One thing is in what was copied twice.");
        if (
            edit.Entities.FirstOrDefault(entity =>
                entity is not (Item or Cluster or Repeat or OwnItem) && entity is not (Thing and IOfScheme)
            ) is
            { } no
        )
            return EditAnswer.No("entities", $"{EntityWords.Called(plan, no)} is not pasted: only items, zones and marks are.");
        var change = new ShellChange(plan);
        foreach (var own in edit.Entities.OfType<OwnItem>().Where(own => plan.CatalogueItem(own.Id) is null))
            change.Put(own);
        CatalogueItem? KindOf(string key) => plan.CatalogueItem(key) ?? change.Now<OwnItem>(key)?.Item;
        if (edit.Entities.OfType<Item>().FirstOrDefault(item => KindOf(item.Catalogue) is null) is { } unknown)
            return EditAnswer.No(
                "catalogue",
                $"The catalogue here has no item \"{unknown.Catalogue}\", and what was copied does not bring it."
            );
        Entity[] things = [.. edit.Entities.Where(entity => entity is not OwnItem)];
        if (things.Length == 0)
            return EditAnswer.No("entities", "Nothing that is placed was copied.");
        Dictionary<string, string> ids = [];
        var number = 0;
        foreach (var thing in things)
            ids[thing.Id] = FreeId.Of($"{edit.NewId}-{++number}", id => plan.Find(id) is not null);
        var taken = ItemEdits.Labels(plan, edit.SchemeId);
        foreach (var thing in things)
            change.Put(
                thing switch
                {
                    Item item => Of(item),
                    Cluster cluster => Belonging(cluster) with { Id = ids[cluster.Id], SchemeId = edit.SchemeId, LevelId = edit.LevelId },
                    Repeat repeat => Belonging(repeat) with
                    {
                        Id = ids[repeat.Id],
                        SchemeId = edit.SchemeId,
                        LevelId = edit.LevelId,
                        X = repeat.X + edit.Dx,
                        Y = repeat.Y + edit.Dy,
                    },
                    Thing other => other.Copied().InScheme(edit.SchemeId) with
                    {
                        Id = ids[other.Id],
                        LevelId = edit.LevelId,
                        X = other.X + edit.Dx,
                        Y = other.Y + edit.Dy,
                        Locked = false,
                    },
                    _ => thing,
                }
            );
        return change.Done(things.Length == 1 ? "Pasted one thing" : $"Pasted {things.Length} things");

        T Belonging<T>(T member)
            where T : Entity, IMember =>
            member.Parent is { } parent && ids.TryGetValue(parent, out var own)
                ? (T)MemberMoves.Belonging(member, own, member.Slot)
                : (T)MemberMoves.Belonging(member, null, null);

        Item Of(Item item)
        {
            var on = item.StandsOn is { } support && ids.TryGetValue(support, out var own) ? own : null;
            // What hung on a wall hangs on it still where the wall is there; what stood on something left behind comes to the floor.
            if (on is null && item.StandsOn is { } wall && plan.Find<Wall>(wall) is { } here && here.LevelId == edit.LevelId)
                on = wall;
            var isTable = KindOf(item.Catalogue)!.Counted == "table";
            var keeps = item.Label.Length > 0 && taken.Add(item.Label);
            var fell = item.StandsOn is not null && on is null && KindOf(item.Catalogue)!.UsualPlace != UsualPlace.OnWall;
            return Belonging(item) with
            {
                Id = ids[item.Id],
                SchemeId = edit.SchemeId,
                LevelId = edit.LevelId,
                X = item.X + edit.Dx,
                Y = item.Y + edit.Dy,
                Locked = false,
                StandsOn = on,
                Elevation = fell ? 0 : item.Elevation,
                Label =
                    keeps ? item.Label
                    : isTable ? ItemEdits.NextNumber(taken)
                    : "",
            };
        }
    }
}
