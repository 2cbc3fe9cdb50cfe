using System.Collections.Immutable;
using System.Globalization;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Editing.Groups;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Measure;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Seating;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Editing;

/// <summary>A way in which a block would hold more: in words, how many tables and seats more, how many then, and the block so changed.</summary>
public sealed record BlockOffer(string Words, int MoreTables, int MoreSeats, int Tables, int Seats, Entity Block);

/// <summary>
/// Fills blocks anew after a change that bears on them, in the same change: tables keep their ids and numbers by the least movement of all together, one that was
/// moved by hand stays where it was put, one that was removed leaves its place empty.
/// </summary>
internal sealed class BlockFill(ItemForms forms, Func<Plan, string, LevelSpace> spaces)
{
    /// <summary>What changes farther than this from a block, in mm, does not bear on it.</summary>
    private const double Near = 3000;

    /// <summary>Tables are matched all with all up to so many, else each with its nearest.</summary>
    private const int MostMatched = 200;

    /// <summary>That one table moves costs as much as this many mm for all together: one jumps the row rather than all of it shifting by one.</summary>
    private const double MoveCost = 500;

    public Change After(Plan plan, Change change)
    {
        if (!plan.All<Thing>().Concat(change.Entities.Select(e => e.After).OfType<Thing>()).Any(thing => thing.Fills() is not null))
            return change;
        if (!plan.TryApply(change, out var after, out _))
            return change;
        var made = change.Entities.ToDictionary(entity => entity.Id);
        var filled = false;
        foreach (
            var block in after
                .All<Thing>()
                .Where(thing => thing.Fills() is not null)
                .OrderBy(block => block.Id, StringComparer.Ordinal)
                .ToArray()
        )
            if (BearsOn(plan, change, block))
            {
                filled = true;
                Fill(plan, after, block, made);
                var sofar = change with { Entities = [.. made.Values] };
                if (!plan.TryApply(sofar, out after, out _))
                    return change;
            }
        return filled ? change with { Entities = [.. made.Values.Where(entity => !Equals(entity.Before, entity.After))] } : change;
    }

    private static bool BearsOn(Plan plan, Change change, Thing block)
    {
        var scheme = ((IOfScheme)block).SchemeId;
        var box = block.Areas().Aggregate(Bounds.Empty, (all, area) => all.Including(area.Bounds)).Grown(Near);
        return change.Entities.Any(entity =>
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

    private void Fill(Plan plan, Plan after, Thing block, Dictionary<string, EntityChange> made)
    {
        var asked = block.Fills()!;
        var scheme = ((IOfScheme)block).SchemeId;
        var checks = after.OfScheme<Checks>(scheme).First();
        var space = spaces(after, block.LevelId);
        var members = after.OfScheme<Item>(scheme).Where(item => item.Parent == block.Id).OrderBy(item => item.Slot).ToArray();
        // What a hand has moved or turned stays as it was put; what it has removed leaves its place empty.
        var isSame = plan.Find(block.Id) is Thing was && was.Placement == block.Placement && Equals(was.OwnOutline(), block.OwnOutline());
        List<string> kept = [.. asked.Kept.Where(id => members.Any(item => item.Id == id))];
        List<Point> leftOut = [.. asked.LeftOut];
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
                        Put(before, aside with { Parent = null, Slot = null });
                }
        asked = asked with { Kept = [.. kept], LeftOut = [.. leftOut] };
        var template = Template(after, block, asked, scheme);
        if (forms.Place(after, template, checks) is not { } table)
            return;
        var own = members.Where(item => !kept.Contains(item.Id) && !item.Locked && !item.SetAside).ToArray();
        var free = own.Select(item => item.Id).ToHashSet();
        PlacedItem[] standing = [.. forms.PlaceAll(after, scheme, block.LevelId).Where(item => !free.Contains(item.Item.Id))];
        var places = TableFill.Places(block, asked, table, space, standing, KeptWay.Of(after, scheme, block.LevelId));
        var stay = members.Length - own.Length;
        if (asked.Wanted is { } wanted)
            places = [.. places.Take(Math.Max(0, wanted - stay))];
        var given = Matched(own, places);
        var labels = ItemEdits.Labels(after, scheme);
        var slot = members.Select(item => item.Slot ?? 0).DefaultIfEmpty(-1).Max();
        for (var i = 0; i < places.Length; i++)
        {
            if (given[i] is { } item)
            {
                Put(item, Becoming(item, template, places[i], block));
                continue;
            }
            slot++;
            var id = FreeId.Of(
                string.Create(CultureInfo.InvariantCulture, $"{block.Id}-{slot + 1}"),
                one => after.Find(one) is not null || made.ContainsKey(one)
            );
            var label = ItemEdits.NextNumber(labels);
            Put(null, template with { Id = id, X = places[i].X, Y = places[i].Y, Label = label, Parent = block.Id, Slot = slot });
        }
        var used = given.OfType<Item>().Select(item => item.Id).ToHashSet();
        foreach (var item in own.Where(item => !used.Contains(item.Id)))
        {
            Put(item, null);
            foreach (var on in after.All<Item>().Where(one => one.StandsOn == item.Id))
                Put(on, on with { StandsOn = null, Elevation = 0 });
        }
        var becomes = block.Filled(asked);
        if (!becomes.Equals(block))
            Put(block, becomes);

        void Put(Entity? now, Entity? become)
        {
            var id = (now ?? become)!.Id;
            made[id] = new EntityChange(plan.Find(id), become);
        }
    }

    private static bool IsByHand(Item before, Item now) =>
        (before.Placement, before.Catalogue, before.Seats, before.Width, before.Depth)
        != (now.Placement, now.Catalogue, now.Seats, now.Width, now.Depth);

    /// <summary>
    /// What would hold more than a block does now, each found by filling it so: the other layout, gaps a little less, the next smaller table;
    /// the fullest first. Nothing of the plan is changed.
    /// </summary>
    public ImmutableArray<BlockOffer> Offers(Plan plan, string blockId)
    {
        if (plan.Find(blockId) is not Thing block || block.Fills() is not { } asked)
            return [];
        var scheme = ((IOfScheme)block).SchemeId;
        var checks = plan.OfScheme<Checks>(scheme).First();
        var space = spaces(plan, block.LevelId);
        var members = plan.OfScheme<Item>(scheme).Where(item => item.Parent == block.Id).ToArray();
        var kept = members.Where(item => asked.Kept.Contains(item.Id) || item.Locked).ToArray();
        var free = members.Except(kept).Select(item => item.Id).ToHashSet();
        PlacedItem[] standing = [.. forms.PlaceAll(plan, scheme, block.LevelId).Where(item => !free.Contains(item.Item.Id))];
        KeptWay[] ways = [.. KeptWay.Of(plan, scheme, block.LevelId)];
        var (tables, seats) = Held(asked);
        List<BlockOffer> offers = [];
        foreach (var (words, other) in Others(plan, asked, checks))
            if (Held(other) is var (more, places) && places > seats)
                offers.Add(new BlockOffer(words, more - tables, places - seats, more, places, block.Filled(other with { Wanted = null })));
        return [.. offers.OrderByDescending(offer => offer.MoreSeats)];

        (int Tables, int Seats) Held(SeatsAsked one)
        {
            var template = Template(plan, block, one, scheme);
            if (forms.Place(plan, template, checks) is not { } table)
                return (0, 0);
            var count = TableFill.Places(block, one, table, space, standing, ways).Length;
            return (count + kept.Length, (count + kept.Length) * table.Form.Seats.Length);
        }
    }

    private static IEnumerable<(string Words, SeatsAsked Asked)> Others(Plan plan, SeatsAsked asked, Checks checks)
    {
        var units = plan.Details.Units;
        if (asked.Layout != BlockLayout.Fuller)
            yield return ("Whichever layout holds more", asked with { Layout = BlockLayout.Fuller });
        foreach (var less in (double[])[50, 100, 200])
        {
            var (row, rows) = (asked.GapInRow - less, asked.GapBetweenRows - less);
            if (row < 0 || rows < 0)
                continue;
            var narrow = Math.Min(row, rows) < checks.SeatAccess - Tolerance.Length ? ", under the seat access" : "";
            yield return ($"Gaps {LengthText.Tell(less, units)} less{narrow}", asked with { GapInRow = row, GapBetweenRows = rows });
        }
        if (asked.GapToWalls >= 100)
            yield return ($"{LengthText.Tell(100, units)} nearer to walls", asked with { GapToWalls = asked.GapToWalls - 100 });
        if (plan.CatalogueItem(asked.Catalogue) is not { } kind)
            yield break;
        var smaller = plan
            .Library.Catalogue.Items.Where(item =>
                item.Maker == kind.Maker && item.Counted == "table" && item.Size.Width < kind.Size.Width - 1
            )
            .OrderByDescending(item => item.Size.Width)
            .FirstOrDefault();
        if (smaller is not null)
            yield return ($"{smaller.Name}, {smaller.Seats.Total} seats each", asked with { Catalogue = smaller.Key, Seats = null });
    }

    /// <summary>A table of the block, as its size, seats and turn are asked.</summary>
    private static Item Template(Plan plan, Thing block, SeatsAsked asked, string scheme)
    {
        var kind = plan.CatalogueItem(asked.Catalogue)!;
        SeatsBySide? seats = asked.Seats is { } wanted
            ? new SeatsBySide(Around: Math.Min(wanted, TableSizes.MostSeatsAt(kind, kind.Size)))
            : null;
        // Fronts are at the foot: a table that looks up stands as it is.
        return new Item("", scheme, block.LevelId, asked.Catalogue, block.X, block.Y, AngleText.Normal(asked.Facing + 90), Seats: seats);
    }

    private static Item Becoming(Item item, Item template, Point at, Thing block) =>
        item with
        {
            X = at.X,
            Y = at.Y,
            Rotation = template.Rotation,
            Catalogue = template.Catalogue,
            Seats = template.Seats,
            Width = null,
            Depth = null,
            Height = null,
            LevelId = block.LevelId,
        };

    /// <summary>
    /// Which table goes to each place: what stands there already stays; the others by the least sum of distances, each that moves costing the same beside.
    /// </summary>
    private static Item?[] Matched(Item[] items, ImmutableArray<Point> places)
    {
        var given = new Item?[places.Length];
        var left = items.ToList();
        for (var i = 0; i < places.Length; i++)
            if (left.FindIndex(item => item.Placement.Origin.DistanceTo(places[i]) < 0.01) is >= 0 and var at)
            {
                given[i] = left[at];
                left.RemoveAt(at);
            }
        int[] open = [.. Enumerable.Range(0, places.Length).Where(i => given[i] is null)];
        if (left.Count == 0 || open.Length == 0)
            return given;
        if (left.Count > MostMatched || open.Length > MostMatched)
        {
            foreach (var i in open)
            {
                if (left.MinBy(item => item.Placement.Origin.DistanceTo(places[i])) is not { } nearest)
                    break;
                given[i] = nearest;
                left.Remove(nearest);
            }
            return given;
        }
        var weights = new double[left.Count, open.Length];
        const double far = 1e7;
        for (var i = 0; i < left.Count; i++)
        for (var j = 0; j < open.Length; j++)
            weights[i, j] = far - MoveCost - left[i].Placement.Origin.DistanceTo(places[open[j]]);
        var columns = Assignment.Greatest(weights);
        for (var i = 0; i < left.Count; i++)
            if (columns[i] >= 0)
                given[open[columns[i]]] = left[i];
        return given;
    }
}
