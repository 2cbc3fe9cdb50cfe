using System.Collections.Concurrent;
using System.Collections.Immutable;
using System.Globalization;
using System.Runtime.CompilerServices;
using Wellsedes.Core.Editing.Groups;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Seating;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Editing.Blocks;

/// <summary>
/// Fills blocks anew after a change that bears on them, in the same change: tables keep their ids and numbers by the least movement of all together, one that was
/// moved by hand stays where it was put, one that was removed leaves its place empty.
/// </summary>
internal sealed class BlockFill(ItemForms forms, Func<Plan, string, LevelSpace> spaces)
{
    /// <summary>What changes farther than this from a block, in mm, does not bear on it.</summary>
    private const double Near = 3000;

    private readonly BlockMend mend = new(forms, spaces);

    /// <summary>What the ways were judged to be when a block was filled.</summary>
    private readonly ConditionalWeakTable<Thing, FillWays> judgedWays = [];

    /// <summary>The ways to what a block holds, as they were judged when it was filled so; null where they were not.</summary>
    public FillWays? WaysOf(Thing block) => judgedWays.TryGetValue(block, out var ways) ? ways : null;

    /// <summary>Where the things of blocks were when a drag was last asked about, by the plan it began from.</summary>
    private readonly ConditionalWeakTable<Plan, ConcurrentDictionary<string, ImmutableArray<Stand>>> dragged = [];

    /// <summary>Where the things of a block stand that is dragged or dragged into, and is asked nothing else; null where it is asked otherwise.</summary>
    private IReadOnlyList<Stand>? Carried(Plan plan, Thing block, SeatsAsked asked, PlacedItem one)
    {
        if (
            plan.Find(block.Id) is not Thing was
            || was.Fills() is not { } before
            || !before.Equals(asked with { Kept = before.Kept, LeftOut = before.LeftOut })
        )
            return null;
        if (dragged.TryGetValue(plan, out var known) && known.TryGetValue(block.Id, out var last))
            return last;
        var site = new BlockSite(plan, was, forms, spaces, before.Kept);
        if (!SeatingStyles.Of(asked.Style).HasRows)
            return [.. site.Own.Select(item => new Stand(item.Placement.Origin, item.Rotation, item.Catalogue))];
        // Which row each is in is not stored, it follows from how they were laid.
        var places = site.Own.Select(item => item.Placement.Origin).ToHashSet();
        return [.. site.Stands(before, one).Stands.Where(stand => places.Contains(stand.At))];
    }

    /// <param name="judged">Whether blocks that keep ways free have them judged, which takes longer.</param>
    public Change After(Plan plan, Change change, bool judged)
    {
        if (!plan.All<Thing>().Concat(change.Entities.Select(e => e.After).OfType<Thing>()).Any(thing => thing.Fills() is not null))
            return change;
        if (!plan.TryApply(change, out var after, out _))
            return change;
        var made = change.Entities.ToDictionary(entity => entity.Id);
        var (filled, isBehind) = (false, false);
        foreach (
            var block in after
                .All<Thing>()
                .Where(thing => thing.Fills() is not null)
                .OrderBy(block => block.Id, StringComparer.Ordinal)
                .ToArray()
        )
        {
            // Only a block that follows another sees what that has become.
            if (isBehind && !plan.TryApply(change with { Entities = [.. made.Values] }, out after, out _))
                return change;
            isBehind = false;
            if (!BearsOn(plan, change, block) && !IsLed(after, block, made.Values))
                continue;
            (filled, isBehind) = (true, true);
            Fill(plan, after, block, made, judged);
        }
        return filled ? change with { Entities = [.. made.Values.Where(entity => !Equals(entity.Before, entity.After))] } : change;
    }

    private static bool BearsOn(Plan plan, Change change, Thing block)
    {
        var scheme = ((IOfScheme)block).SchemeId;
        var box = block.AreaBox().Grown(Near);
        return change
            .Entities.Where(entity => !IsTried(entity))
            .Any(entity =>
                entity.Id == block.Id
                || new[] { entity.Before, entity.After }.Any(one =>
                    one switch
                    {
                        null => false,
                        Checks checks => checks.SchemeId == scheme,
                        OwnItem or OwnRule or WallType or Level => true,
                        Item item => item.SchemeId == scheme && item.LevelId == block.LevelId && box.Holds(item.Placement.Origin),
                        Thing thing => thing.LevelId == block.LevelId
                            && (thing is not IOfScheme of || (of.SchemeId == scheme && thing.Keeps() is not null))
                            && thing.Areas().Any(area => area.Bounds.Meets(box)),
                        Opening opening => plan.Find<Wall>(opening.WallId)?.LevelId == block.LevelId,
                        IOnLevel on and (Wall or Boundary) => on.LevelId == block.LevelId,
                        _ => false,
                    }
                )
            );
    }

    /// <summary>Whether a door is only shut or opened: what is tried moves nobody's table, and its way stays kept.</summary>
    private static bool IsTried(EntityChange entity) =>
        entity is { Before: Opening before, After: Opening after } && before with { Shut = after.Shut } == after;

    /// <summary>Whether a block whose lines it follows has been laid otherwise in the same change.</summary>
    private static bool IsLed(Plan after, Thing block, IEnumerable<EntityChange> made) =>
        made.Select(entity => (entity.After as Item ?? entity.Before as Item)?.Parent)
            .Distinct()
            .Any(parent => parent is not null && after.Find(parent) is Thing other && BlockSite.Follows(block, other));

    private void Fill(Plan plan, Plan after, Thing block, Dictionary<string, EntityChange> made, bool judged)
    {
        var asked = ByHand(plan, after, block, made, Put);
        var site = new BlockSite(after, block, forms, spaces, asked.Kept);
        if (site.One(asked) is not { } one)
            return;
        var carry = judged ? null : Carried(plan, block, asked, one);
        var (stands, ways) = site.Stands(asked, one, judged ? mend : null, carry);
        if (carry is not null)
            dragged.GetOrCreateValue(plan)[block.Id] = stands;
        var given = BlockMatch.Of(site.Own, stands, asked.Catalogue);
        var carried = ItemEdits.Raised(after.OfScheme<Item>(site.SchemeId));
        var labels = ItemEdits.Labels(after, site.SchemeId);
        var rows = RowLabels.Of(asked, stands, site.Staying);
        var slot = site.Members.Select(item => item.Slot ?? 0).DefaultIfEmpty(-1).Max();
        for (var i = 0; i < stands.Length; i++)
        {
            var item = site.Standing(stands[i]);
            var label = rows[i];
            if (given[i] is { } was)
            {
                var now = Becoming(was, item, label);
                Put(was, now);
                if (now.Placement != was.Placement)
                    foreach (var on in ItemEdits.AllOn(carried, [was.Id]))
                        Put(on, ItemEdits.Carried(on, was.Placement, now.Placement));
                continue;
            }
            slot++;
            var id = FreeId.Of(
                string.Create(CultureInfo.InvariantCulture, $"{block.Id}-{slot + 1}"),
                known => after.Find(known) is not null || made.ContainsKey(known)
            );
            label ??= one.Kind.Counted == "table" ? ItemEdits.NextNumber(labels) : "";
            Put(null, item with { Id = id, Label = label, Slot = slot });
        }
        // Seldom anything stands on tables while a hand drags.
        var waiting = carried.Count == 0 ? 0 : after.All<Item>().Count(item => item.SetAside);
        var used = given.OfType<Item>().Select(item => item.Id).ToHashSet();
        foreach (var item in site.Own.Where(item => !used.Contains(item.Id)))
        {
            Put(item, null);
            // What stood there waits for a place of its own: on the floor it would be in the way.
            foreach (var on in ItemEdits.AllOn(carried, [item.Id]))
                Put(on, ItemEdits.Aside(on with { StandsOn = null, Elevation = 0 }, spaces(after, on.LevelId).Bounds, waiting++));
        }
        var becomes = block.Filled(asked);
        if (becomes.Equals(block))
            becomes = block;
        else
            Put(block, becomes);
        if (ways is not null)
            judgedWays.AddOrUpdate(becomes, ways);

        void Put(Entity? now, Entity? become)
        {
            var id = (now ?? become)!.Id;
            made[id] = new EntityChange(plan.Find(id), become);
        }
    }

    /// <summary>What is asked of a block after a change: what a hand has moved or turned stays as it was put, what it has removed leaves its place empty.</summary>
    private static SeatsAsked ByHand(
        Plan plan,
        Plan after,
        Thing block,
        Dictionary<string, EntityChange> made,
        Action<Entity?, Entity?> put
    )
    {
        var asked = block.Fills()!;
        List<string> kept = [.. asked.Kept.Where(id => after.Find<Item>(id)?.Parent == block.Id)];
        List<Point> leftOut = [.. asked.LeftOut];
        var isSame = plan.Find(block.Id) is Thing was && was.Placement == block.Placement && Equals(was.OwnOutline(), block.OwnOutline());
        if (isSame)
            foreach (var entity in made.Values.ToArray())
                if (entity.Before is Item before && before.Parent == block.Id && before.LevelId == block.LevelId)
                {
                    if (entity.After is Item now && now.Parent == block.Id && !now.SetAside)
                    {
                        if (IsByHand(before, now) && !kept.Contains(now.Id))
                            kept.Add(now.Id);
                        continue;
                    }
                    if (!kept.Remove(before.Id))
                        leftOut.Add(block.Placement.In(before.Placement.Origin));
                    // What is set aside is none of the block's any more.
                    if (entity.After is Item aside && aside.Parent == block.Id)
                        put(before, aside with { Parent = null, Slot = null });
                }
        return asked with { Kept = [.. kept], LeftOut = [.. leftOut] };
    }

    private static Item Becoming(Item was, Item laid, string? label) =>
        was with
        {
            X = laid.X,
            Y = laid.Y,
            Rotation = laid.Rotation,
            Catalogue = laid.Catalogue,
            Seats = laid.Seats,
            Parameters = laid.Parameters,
            Width = laid.Width,
            Depth = laid.Depth,
            Height = null,
            LevelId = laid.LevelId,
            Label = label ?? was.Label,
        };

    private static bool IsByHand(Item before, Item now) =>
        (before.Placement, before.Catalogue, before.Seats, before.Width, before.Depth)
        != (now.Placement, now.Catalogue, now.Seats, now.Width, now.Depth);
}
