using System.Collections.Immutable;
using System.Globalization;
using Wellsedes.Core.Arranging;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Editing.Groups;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Editing;

/// <summary>Edits of what is placed. Moving never resizes; what is locked does not move.</summary>
internal sealed class ItemEdits(ItemForms forms, Func<Plan, string, LevelSpace> spaces)
{
    /// <summary>The edits this file answers.</summary>
    public static ImmutableArray<EditKind> Kinds { get; } =
    [
        EditKind.Of<PlaceItem>("place-item", "Place an item", "Placed an item", (tools, plan, e) => tools.Items.Place(plan, e)),
        EditKind.Of<MoveItems>("move-items", "Move items", "Moved items", (tools, plan, e) => tools.Items.Move(plan, e)),
        EditKind.Of<RotateItems>("rotate-items", "Turn items", "Turned items", (tools, plan, e) => Rotate(plan, e)),
        EditKind.Of<PutItemAt>("put-item-at", "Move an item to a place", "Moved an item to a place", (tools, plan, e) => PutAt(plan, e)),
        EditKind.Of<SpaceFrom>(
            "space-from",
            "Set a clear distance",
            "Set a clear distance",
            (tools, plan, e) => tools.Items.Space(plan, e)
        ),
        EditKind.Of<ResizeItem>("resize-item", "Resize an item", "Resized an item", (tools, plan, e) => tools.Items.Resize(plan, e)),
        EditKind.Of<SetSeats>(
            "set-seats",
            "Set the seats of an item",
            "Set the seats of an item",
            (tools, plan, e) => tools.Items.Seats(plan, e)
        ),
        EditKind.Of<SetParameters>(
            "set-parameters",
            "Set what an item is made of",
            "Set what an item is made of",
            (tools, plan, e) => tools.Items.Parameters(plan, e)
        ),
        EditKind.Of<RaiseItem>(
            "raise-item",
            "Raise an item or stand it on another",
            "Raised an item or stood it on another",
            (tools, plan, e) => Raise(plan, e)
        ),
        EditKind.Of<LabelItem>("label-item", "Label an item", "Labelled an item", (tools, plan, e) => Label(plan, e)),
        EditKind.Of<SetItemsAside>(
            "set-items-aside",
            "Take items off the plan, or place them again",
            "Took items off the plan, or placed them again",
            (tools, plan, e) => e.SetAside ? tools.Items.Aside(plan, e) : tools.Items.BringBack(plan, e)
        ),
        EditKind.Of<DuplicateItems>(
            "duplicate-items",
            "Duplicate items",
            "Duplicated items",
            (tools, plan, e) => tools.Items.Duplicate(plan, e.Ids, e.NewIds, default, new Placement(e.Dx, e.Dy, 0))
        ),
        EditKind.Of<CopyAgain>("copy-again", "Copy again as far", "Copied again as far", (tools, plan, e) => tools.Items.Again(plan, e)),
    ];

    private EditAnswer Place(Plan plan, PlaceItem edit)
    {
        if (plan.CatalogueItem(edit.Catalogue) is not { } kind)
            return EditAnswer.No("catalogue", $"The catalogue has no item \"{edit.Catalogue}\".");
        if (plan.Find(edit.Id) is not null)
            return EditAnswer.Taken("id", edit.Id);
        if (plan.Find<Scheme>(edit.SchemeId) is null || plan.Find<Level>(edit.LevelId) is null)
            return EditAnswer.No("scheme", "The scheme or level is no longer there.");
        if (SizeSense.CheckPlacement(new Placement(edit.X, edit.Y, edit.Rotation)) is { } problem)
            return EditAnswer.No(problem);
        if (CheckSizes(plan, kind, edit.Width, edit.Depth, edit.Height, edit.Sure) is { } size)
            return EditAnswer.No(size);
        var item = new Item(
            edit.Id,
            edit.SchemeId,
            edit.LevelId,
            edit.Catalogue,
            edit.X,
            edit.Y,
            AngleText.Normal(edit.Rotation),
            edit.Width,
            kind.IsRound ? edit.Width : edit.Depth,
            edit.Height,
            edit.Seats,
            kind.Counted == "table" ? NextNumber(Labels(plan, edit.SchemeId)) : "",
            edit.SetAside,
            Parameters: edit.Parameters
        );
        item = Fitted(item, kind);
        if (edit.Seats is { } seats && CheckSeats(kind, ItemForms.SizeOf(item, kind), seats) is { } wrong)
            return EditAnswer.No(wrong);
        if (!edit.SetAside)
            item = InItsPlace(plan, Settle(plan, item, edit.Catch), kind);
        return Editor.Swap($"Placed {PlacedItem.NameOf(item, kind)}", null, item);
    }

    /// <summary>At its usual height: on a wall as high as its kind hangs, on top of what it is put on; else on the floor.</summary>
    private Item InItsPlace(Plan plan, Item item, CatalogueItem kind)
    {
        if (kind.UsualPlace == UsualPlace.OnWall)
            return item with { Elevation = kind.Elevation };
        if (kind.UsualPlace != UsualPlace.OnTop)
            return item;
        var at = item.Placement.Origin;
        // The highest top beneath it that one can reach: a table's, not a wall cupboard's.
        var support = forms
            .PlaceAll(plan, item.SchemeId, item.LevelId)
            .Where(other => other.Item.Id != item.Id && other.Top <= HighestSupport && !other.Form.WalkedOn && !other.IsSeat)
            .Where(other => other.Bounds.Holds(at) && other.Solids.Any(solid => solid.Holds(at)))
            .MaxBy(other => other.Top);
        return support is null ? item : item with { Elevation = support.Top, StandsOn = support.Item.Id };
    }

    /// <summary>Nothing is put on top of what is higher than this by itself, in mm; a house value.</summary>
    private const double HighestSupport = 1300;

    /// <summary>The labels that somebody has in a scheme.</summary>
    internal static HashSet<string> Labels(Plan plan, string schemeId) =>
        plan.OfScheme<Item>(schemeId).Select(item => item.Label).ToHashSet();

    /// <summary>Whether an item is numbered as tables are.</summary>
    internal static bool IsTable(Plan plan, Item item) => plan.CatalogueItem(item.Catalogue)?.Counted == "table";

    /// <summary>The lowest table number nobody has; it is taken with this.</summary>
    internal static string NextNumber(HashSet<string> taken)
    {
        var number = 1;
        while (!taken.Add(number.ToString(CultureInfo.InvariantCulture)))
            number++;
        return number.ToString(CultureInfo.InvariantCulture);
    }

    private EditAnswer Move(Plan plan, MoveItems edit)
    {
        if (edit.Ids.IsEmpty || plan.Find<Item>(edit.Ids[0]) is not { } first)
            return EditAnswer.No("ids", "What was to move is no longer there.");
        // One thing by itself settles; what stands on it goes along as if it were part of it.
        var start = first.Placement;
        var end = start with { X = start.X + edit.Dx, Y = start.Y + edit.Dy };
        if (SizeSense.CheckPlacement(end) is { } problem)
            return EditAnswer.No(problem);
        if (edit.Ids.Length == 1 && first.StandsOn is null && edit.Catch > 0)
            end = Settled(plan, first with { X = end.X, Y = end.Y }, edit.Catch, edit.Hold).Placement;
        return Each(
            plan,
            WithWhatStandsOnThem(plan, edit.Ids),
            "Moved",
            item =>
            {
                var moved = Carried(item, start, end);
                // What waits beside the plan is placed by moving it into a room.
                return item.SetAside && spaces(plan, item.LevelId).RoomAt(moved.Placement.Origin) is not null
                    ? moved with
                    {
                        SetAside = false,
                    }
                    : moved;
            }
        );
    }

    /// <summary>Chosen items with everything that stands on them, directly or on what does.</summary>
    internal static ImmutableArray<string> WithWhatStandsOnThem(Plan plan, ImmutableArray<string> ids)
    {
        if (ids.IsEmpty || plan.Find<Item>(ids[0]) is not { } first)
            return ids;
        var raised = Raised(plan.OfScheme<Item>(first.SchemeId));
        if (raised.Count == 0)
            return ids;
        return [.. ids, .. AllOn(raised, ids).Select(item => item.Id)];
    }

    /// <summary>Items by what they stand on.</summary>
    internal static ILookup<string, Item> Raised(IEnumerable<Item> items) =>
        items.Where(item => item.StandsOn is not null).ToLookup(item => item.StandsOn!);

    /// <summary>All that stands on items, directly or on what does, each once.</summary>
    /// <param name="raised">Items by what they stand on.</param>
    internal static IReadOnlyList<Item> AllOn(ILookup<string, Item> raised, ImmutableArray<string> ids)
    {
        if (raised.Count == 0)
            return [];
        var known = ids.ToHashSet();
        List<Item> all = [.. ids.SelectMany(id => raised[id]).Where(item => known.Add(item.Id))];
        for (var i = 0; i < all.Count; i++)
            all.AddRange(raised[all[i].Id].Where(item => known.Add(item.Id)));
        return all;
    }

    /// <summary>
    /// Puts items in columns to the west of everything built, as long as that is deep, below and beside what already waits there.
    /// </summary>
    private EditAnswer Aside(Plan plan, SetItemsAside edit)
    {
        var chosen = edit.Ids.ToHashSet();
        var next = plan.All<Item>().Count(item => item.SetAside && !chosen.Contains(item.Id));
        return Each(plan, edit.Ids, "Took off the plan:", item => Aside(item, spaces(plan, item.LevelId).Bounds, next++));
    }

    /// <summary>An item where it waits as one of several, the first 0, beside what is built.</summary>
    internal static Item Aside(Item item, Bounds built, int number)
    {
        const double apart = 1800;
        if (built.IsEmpty)
            return item with { SetAside = true };
        var (column, row) = Math.DivRem(number, (int)Math.Max(6, built.Height / apart));
        return item with { SetAside = true, X = built.MinX - apart * (column + 1), Y = built.MaxY - 1000 - apart * row };
    }

    /// <summary>Brings items back into the first room when they wait outside every room.</summary>
    private EditAnswer BringBack(Plan plan, SetItemsAside edit) =>
        Each(
            plan,
            edit.Ids,
            "Placed again:",
            item =>
            {
                var space = spaces(plan, item.LevelId);
                if (space.Rooms.IsEmpty || space.RoomAt(new Point(item.X, item.Y)) is not null)
                    return item with { SetAside = false };
                var at = space.Rooms[0].Outline.Bounds.Centre;
                return item with { SetAside = false, X = at.X, Y = at.Y };
            }
        );

    private Item Settle(Plan plan, Item item, double catchDistance)
    {
        if (catchDistance <= 0)
            return item;
        var settled = Settled(plan, item, catchDistance);
        return item with { X = settled.Placement.X, Y = settled.Placement.Y, Rotation = settled.Placement.Rotation };
    }

    internal Settled Settled(Plan plan, Item item, double catchDistance, Point? hold = null)
    {
        var checks = plan.OfScheme<Checks>(item.SchemeId).First();
        if (forms.Place(plan, item, checks) is not { } thing)
            return new Settled(item.Placement, "");
        var all = forms.PlaceAll(plan, item.SchemeId, item.LevelId);
        return Snapping.Of(thing, spaces(plan, item.LevelId), all, Math.Min(catchDistance, 500), hold);
    }

    private static EditAnswer Rotate(Plan plan, RotateItems edit)
    {
        if (!double.IsFinite(edit.Degrees))
            return EditAnswer.No("degrees", "The rotation must be an angle in degrees.");
        var items = edit.Ids.Select(plan.Find<Item>).OfType<Item>().ToArray();
        if (items.Length == 0)
            return EditAnswer.No("ids", "Nothing to rotate is there any more.");
        var about = Bounds.Around(items.Select(item => new Point(item.X, item.Y))).Centre;
        var turn = new Placement(about.X, about.Y, edit.Degrees);
        return Each(
            plan,
            WithWhatStandsOnThem(plan, edit.Ids),
            "Rotated",
            item =>
            {
                var at = turn.Out(new Point(item.X, item.Y) - about);
                return item with { X = at.X, Y = at.Y, Rotation = AngleText.Normal(item.Rotation + edit.Degrees) };
            }
        );
    }

    private static EditAnswer PutAt(Plan plan, PutItemAt edit)
    {
        var end = new Placement(edit.X, edit.Y, AngleText.Normal(edit.Rotation));
        if (SizeSense.CheckPlacement(end) is { } problem)
            return EditAnswer.No(problem);
        if (plan.Find<Item>(edit.Id) is not { } first)
            return EditAnswer.No("id", "What was to move is no longer there.");
        var start = first.Placement;
        return Each(
            plan,
            WithWhatStandsOnThem(plan, [edit.Id]),
            "Moved",
            item => item.Id == first.Id ? item with { X = end.X, Y = end.Y, Rotation = end.Rotation } : Carried(item, start, end)
        );
    }

    /// <summary>An item that stands on one which moves from a placement to another.</summary>
    internal static Item Carried(Item item, Placement start, Placement end)
    {
        var to = MemberMoves.Moved(item.Placement, start, end);
        return item with { X = to.X, Y = to.Y, Rotation = to.Rotation };
    }

    private EditAnswer Space(Plan plan, SpaceFrom edit)
    {
        if (!double.IsFinite(edit.Distance) || edit.Distance < 0 || edit.Distance > SizeSense.Longest)
            return EditAnswer.No("distance", "The distance must be 0 or more.");
        var items = edit.Ids.Select(plan.Find<Item>).OfType<Item>().ToArray();
        if (items.Length == 0)
            return EditAnswer.No("ids", "What was to move is no longer there.");
        var checks = plan.OfScheme<Checks>(items[0].SchemeId).First();
        var shapes = items.Select(item => forms.Place(plan, item, checks)).OfType<PlacedItem>().SelectMany(p => p.Standing);
        var other = OtherShapes(plan, edit.OtherId, items[0], checks);
        if (other.Length == 0)
            return EditAnswer.No("otherId", "What the distance is measured to is no longer there.");
        var near = Nearest.Closest([.. shapes], edit.OtherId, "", other);
        if (near.Width <= Tolerance.Length)
            return EditAnswer.No("distance", "They touch or overlap; move them apart first.");
        var step = (near.To - near.From).Unit() * (near.Width - edit.Distance);
        return MovedBy(plan, edit.Ids, "Spaced", step);
    }

    internal EditAnswer PutFromWall(Plan plan, PutFromWall edit)
    {
        if (
            plan.Find<Item>(edit.Id) is not { } item
            || forms.Place(plan, item, plan.OfScheme<Checks>(item.SchemeId).First()) is not { } placed
        )
            return EditAnswer.No("id", "What was to move is no longer there.");
        var walls = WallsAround.Of([.. placed.Standing], spaces(plan, item.LevelId));
        return FromWall.Put(edit, walls, by => MovedBy(plan, [edit.Id], "Moved", by));
    }

    /// <summary>Items moved, and with them what stands on them.</summary>
    private static EditAnswer MovedBy(Plan plan, ImmutableArray<string> ids, string verb, Point by) =>
        Each(plan, WithWhatStandsOnThem(plan, ids), verb, item => item with { X = item.X + by.X, Y = item.Y + by.Y });

    private ImmutableArray<Convex> OtherShapes(Plan plan, string id, Item beside, Checks checks)
    {
        if (plan.Find<Item>(id) is { } item)
            return forms.Place(plan, item, checks) is { } placed ? [.. placed.Standing] : [];
        var space = spaces(plan, beside.LevelId);
        return
        [
            .. space.Pieces.Where(p => (p.Opening?.Id ?? p.Wall.Id) == id).Select(p => p.Body),
            .. space.Things.Where(thing => thing.Id == id).Select(thing => thing.Floor()),
        ];
    }

    private EditAnswer Resize(Plan plan, ResizeItem edit)
    {
        if (plan.Find<Item>(edit.Id) is not { } item || plan.CatalogueItem(item.Catalogue) is not { } kind)
            return EditAnswer.No("id", "The item is no longer there.");
        if (CheckSizes(plan, kind, edit.Width, edit.Depth, edit.Height, edit.Sure) is { } problem)
            return EditAnswer.No(problem);
        var depth = kind.IsRound ? edit.Width : edit.Depth;
        var resized = Fitted(item with { Width = edit.Width, Depth = depth, Height = edit.Height }, kind);
        var answer = Each(plan, [edit.Id], "Resized", _ => resized);
        return answer.Change is { } change ? EditAnswer.Done(WithTops(plan, change, item, resized, kind)) : answer;
    }

    internal static Problem? CheckSizes(Plan plan, CatalogueItem kind, double? width, double? depth, double? height, bool sure)
    {
        return Check("width", width, kind.Size.Width)
            ?? Check("depth", depth, kind.Size.Depth)
            ?? Check("height", height, kind.Size.Height);

        Problem? Check(string field, double? value, double usual) =>
            value is { } given ? SizeSense.Check(plan.Details.Units, field, $"“{kind.Name}”", given, usual / 3, usual * 3, sure) : null;
    }

    /// <summary>An item whose maker's parameters still fit its size: bays, panels and units fill the new length.</summary>
    internal static Item Fitted(Item item, CatalogueItem kind)
    {
        var told = item.Parameters ?? kind.Parameters ?? ItemParameters.None;
        var fitted = FormMaker.Fitted(kind, ItemForms.SizeOf(item, kind), told);
        return fitted.Equals(told) ? item : item with { Parameters = fitted };
    }

    /// <summary>What stands on a thing whose top has moved is lifted or lowered with it.</summary>
    private static Change WithTops(Plan plan, Change change, Item before, Item after, CatalogueItem kind)
    {
        var by = ItemForms.SizeOf(after, kind).Height - ItemForms.SizeOf(before, kind).Height;
        if (by == 0)
            return change;
        var carried = WithWhatStandsOnThem(plan, [before.Id]).Skip(1).Select(plan.Find<Item>).OfType<Item>();
        return change with
        {
            Entities =
            [
                .. change.Entities,
                .. carried.Select(item => new EntityChange(item, item with { Elevation = Math.Max(0, item.Elevation + by) })),
            ],
        };
    }

    private EditAnswer Seats(Plan plan, SetSeats edit)
    {
        if (plan.Find<Item>(edit.Id) is not { } item || plan.CatalogueItem(item.Catalogue) is not { } kind)
            return EditAnswer.No("id", "The item is no longer there.");
        if (CheckSeats(kind, ItemForms.SizeOf(item, kind), edit.Seats) is { } problem)
            return EditAnswer.No(problem);
        var depth = plan.OfScheme<Checks>(item.SchemeId).First().OccupiedDepth;
        var kept = forms.FormOf(plan, item with { Seats = edit.Seats }, kind, depth).Seats.Select(seat => seat.Id).ToHashSet();
        var gone = forms.FormOf(plan, item, kind, depth).Seats.Select(seat => seat.Id).Where(id => !kept.Contains(id)).ToArray();
        var answer = Each(plan, [edit.Id], "Set seats at", i => i with { Seats = edit.Seats });
        return gone.Length == 0 || answer.Change is not { } change
            ? answer
            : EditAnswer.Done(
                change with
                {
                    Label = $"{change.Label}: {kept.Count}, seat{(gone.Length == 1 ? "" : "s")} {Listed(gone)} gone",
                }
            );
    }

    private static string Listed(string[] names) =>
        names.Length == 1 ? names[0]
        : names.Length <= 6 ? $"{string.Join(", ", names[..^1])} and {names[^1]}"
        : $"{string.Join(", ", names[..5])} and {names.Length - 5} more";

    private EditAnswer Parameters(Plan plan, SetParameters edit)
    {
        if (plan.Find<Item>(edit.Id) is not { } item || plan.CatalogueItem(item.Catalogue) is not { } kind)
            return EditAnswer.No("id", "The item is no longer there.");
        return ParameterValues.Check(kind, ItemForms.SizeOf(item, kind), edit.Parameters) is { } problem
            ? EditAnswer.No(problem)
            : Each(plan, [edit.Id], "Changed", i => i with { Parameters = edit.Parameters.Keys.Any() ? edit.Parameters : null });
    }

    private static EditAnswer Raise(Plan plan, RaiseItem edit)
    {
        if (plan.Find<Item>(edit.Id) is null)
            return EditAnswer.No("id", "The item is no longer there.");
        var elevation = edit.Elevation;
        // On an item it stands as high as that one's top; on a wall it hangs as high as was said.
        if (edit.StandsOn is { } on && plan.Find<Item>(on) is { } support && plan.CatalogueItem(support.Catalogue) is { } kind)
            elevation = support.Elevation + ItemForms.SizeOf(support, kind).Height;
        return Each(
            plan,
            [edit.Id],
            elevation > 0 ? "Raised" : "Put on the floor",
            i => i with { Elevation = elevation, StandsOn = edit.StandsOn }
        );
    }

    internal static Problem? CheckSeats(CatalogueItem kind, ItemSize size, SeatsBySide seats)
    {
        var most = TableSizes.MostSeatsAt(kind, size);
        if (kind.Chair is null)
            return new Problem("seats", $"Nobody sits at “{kind.Name}”.");
        if (seats.Around < 0 || seats.Front < 0 || seats.Back < 0 || seats.Left < 0 || seats.Right < 0)
            return new Problem("seats", "A side has 0 seats or more.");
        if (kind.Seats.Around > 0 != seats.Around > 0 && seats.Total > 0)
            return new Problem(
                "seats",
                kind.Seats.Around > 0 ? "A round table has its seats around it." : "This table has its seats along its sides."
            );
        return seats.Total > most
            ? new Problem(
                "seats",
                $"“{kind.Name}” takes at most {most} seats; {seats.Total} were asked. Source: {kind.Source.Title}, from memory.",
                most
            )
            : null;
    }

    private static EditAnswer Label(Plan plan, LabelItem edit)
    {
        if (Editor.CheckText("label", edit.Label, 0, 12) is { } problem)
            return EditAnswer.No(problem);
        var label = edit.Label.Trim();
        var taken =
            label.Length > 0
            && plan.Find<Item>(edit.Id) is { } item
            && plan.OfScheme<Item>(item.SchemeId).Any(other => other.Id != edit.Id && other.Label == label);
        return taken
            ? EditAnswer.No("label", $"\"{label}\" is already on another item; choose another.")
            : Each(plan, [edit.Id], "Labelled", i => i with { Label = label });
    }

    private EditAnswer Again(Plan plan, CopyAgain edit)
    {
        if (edit.FromIds.Length != edit.Ids.Length || edit.Ids.IsEmpty)
            return EditAnswer.No("fromIds", "Each copy needs what it is a copy of.");
        if (plan.Find<Item>(edit.FromIds[0]) is not { } from || plan.Find<Item>(edit.Ids[0]) is not { } copy)
            return EditAnswer.No("ids", "Something to copy is no longer there.");
        return Duplicate(plan, edit.Ids, edit.NewIds, from.Placement, copy.Placement);
    }

    /// <summary>Copies of items, moved as one from a placement to another.</summary>
    private EditAnswer Duplicate(Plan plan, ImmutableArray<string> ids, ImmutableArray<string> newIds, Placement start, Placement end)
    {
        if (newIds.Length != ids.Length || newIds.Distinct().Count() != newIds.Length)
            return EditAnswer.No("newIds", "Each copy needs an id of its own.");
        List<EntityChange> made = [];
        var taken = Labels(plan, plan.Find<Item>(ids.FirstOrDefault() ?? "")?.SchemeId ?? "");
        var copies = ids.Zip(newIds).ToDictionary(pair => pair.First, pair => pair.Second);
        var groups = CopiedGroups.Of(plan, copies, start, end);
        made.AddRange(groups.Values.Select(group => new EntityChange(null, group)));
        foreach (var (id, newId) in copies)
        {
            if (plan.Find<Item>(id) is not { } item)
                return EditAnswer.No("ids", "Something to copy is no longer there.");
            if (plan.Find(newId) is not null)
                return EditAnswer.Taken("newIds", newId);
            made.Add(
                new EntityChange(
                    null,
                    Carried(item, start, end) with
                    {
                        Id = newId,
                        Locked = false,
                        Parent = item.Parent is { } parent && groups.TryGetValue(parent, out var group) ? group.Id : null,
                        Slot = item.Parent is { } whole && groups.ContainsKey(whole) ? item.Slot : null,
                        // A copy stands on the copy of what its original stands on, else on the same thing only where it does not move away from it.
                        StandsOn = item.StandsOn is { } on && copies.TryGetValue(on, out var copied) ? copied : null,
                        Label = IsTable(plan, item) ? NextNumber(taken) : "",
                    }
                )
            );
        }
        if (copies.Count == 0)
            return EditAnswer.No("ids", "Nothing was chosen to copy.");
        return EditAnswer.Done(new Change(copies.Count == 1 ? "Duplicated an item" : $"Duplicated {copies.Count} items", [.. made]));
    }

    internal static EditAnswer Each(Plan plan, ImmutableArray<string> ids, string verb, Func<Item, Item> after)
    {
        List<EntityChange> changes = [];
        foreach (var id in ids.Distinct())
        {
            if (plan.Find<Item>(id) is not { } item)
                return EditAnswer.No("ids", "Something chosen is no longer there; somebody has removed it.");
            var made = after(item);
            if (SizeSense.CheckPlace("x", made.X) is { } x)
                return EditAnswer.No(x);
            if (SizeSense.CheckPlace("y", made.Y) is { } y)
                return EditAnswer.No(y);
            changes.Add(new EntityChange(item, made));
        }
        if (changes.Count == 0)
            return EditAnswer.No("ids", "Nothing was chosen.");
        var what =
            changes.Count > 1 ? $"{changes.Count} items"
            : ((Item)changes[0].After!).Label is { Length: > 0 } label ? $"item {label}"
            : "an item";
        return EditAnswer.Done(new Change($"{verb} {what}", [.. changes]));
    }
}
