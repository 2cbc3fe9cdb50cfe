using System.Collections.Immutable;
using System.Globalization;
using Wellsedes.Core.Arranging;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Measure;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Editing;

/// <summary>Edits of what is placed. Moving never resizes; what is held does not move.</summary>
internal sealed class ItemEdits(ItemForms forms, Func<Plan, string, LevelSpace> spaces)
{
    public EditAnswer Answer(Plan plan, Edit edit) =>
        edit switch
        {
            PlaceItem e => Place(plan, e),
            MoveItems e => Move(plan, e),
            TurnItems e => Turn(plan, e),
            PutItemAt e => PutAt(plan, e),
            SpaceFrom e => Space(plan, e),
            ResizeItem e => Resize(plan, e),
            SetPlaces e => Places(plan, e),
            LabelItem e => Label(plan, e),
            SetItemsAside e => e.SetAside ? Aside(plan, e) : BringBack(plan, e),
            DuplicateItems e => Duplicate(plan, e),
            _ => EditAnswer.No("edit", "This edit is not known here."),
        };

    private EditAnswer Place(Plan plan, PlaceItem edit)
    {
        if (forms.Catalogue.Find(edit.Catalogue) is not { } kind)
            return EditAnswer.No("catalogue", $"The catalogue has no item \"{edit.Catalogue}\".");
        if (plan.Find(edit.Id) is not null)
            return EditAnswer.No("id", $"There is already something called \"{edit.Id}\".");
        if (plan.Find<Scheme>(edit.SchemeId) is null || plan.Find<Level>(edit.LevelId) is null)
            return EditAnswer.No("scheme", "The scheme or level is no longer there.");
        if (FixtureEdits.CheckPlacement(new Placement(edit.X, edit.Y, edit.Turn)) is { } problem)
            return EditAnswer.No(problem);
        if (edit.Places is { } places && CheckPlaces(kind, places) is { } wrong)
            return EditAnswer.No(wrong);
        var item = new Item(
            edit.Id,
            edit.SchemeId,
            edit.LevelId,
            edit.Catalogue,
            edit.X,
            edit.Y,
            AngleText.Normal(edit.Turn),
            Places: edit.Places,
            Label: kind.Counted == "table" ? NextNumber(plan, edit.SchemeId).ToString(CultureInfo.InvariantCulture) : "",
            SetAside: edit.SetAside
        );
        if (!edit.SetAside)
            item = Settle(plan, item, edit.Catch);
        return Editor.Swap($"Placed {PlacedItem.NameOf(item, kind)}", null, item);
    }

    /// <summary>The lowest table number nobody has.</summary>
    private static int NextNumber(Plan plan, string schemeId)
    {
        var taken = plan.OfScheme<Item>(schemeId).Select(item => item.Label).ToHashSet();
        var number = 1;
        while (taken.Contains(number.ToString(CultureInfo.InvariantCulture)))
            number++;
        return number;
    }

    private EditAnswer Move(Plan plan, MoveItems edit)
    {
        if (SizeSense.CheckPlace("x", edit.Dx) is { } x)
            return EditAnswer.No(x);
        if (SizeSense.CheckPlace("y", edit.Dy) is { } y)
            return EditAnswer.No(y);
        return Each(
            plan,
            edit.Ids,
            "Moved",
            item =>
            {
                var moved = item with { X = item.X + edit.Dx, Y = item.Y + edit.Dy };
                // What waits beside the plan is placed by moving it into a room.
                if (item.SetAside && spaces(plan, item.LevelId).RoomAt(new Point(moved.X, moved.Y)) is not null)
                    moved = moved with { SetAside = false };
                return edit.Ids.Length == 1 ? Settle(plan, moved, edit.Catch) : moved;
            }
        );
    }

    /// <summary>Puts items in a column to the west of everything built, below what already waits there.</summary>
    private EditAnswer Aside(Plan plan, SetItemsAside edit)
    {
        const double apart = 1800;
        var next = plan.All<Item>().Count(item => item.SetAside && !edit.Ids.Contains(item.Id));
        return Each(
            plan,
            edit.Ids,
            "Set aside",
            item =>
            {
                var box = spaces(plan, item.LevelId).Bounds;
                return box.IsEmpty
                    ? item with
                    {
                        SetAside = true,
                    }
                    : item with
                    {
                        SetAside = true,
                        X = box.MinX - apart,
                        Y = box.MaxY - 1000 - apart * next++,
                    };
            }
        );
    }

    /// <summary>Brings items back into the first room when they wait outside every room.</summary>
    private EditAnswer BringBack(Plan plan, SetItemsAside edit) =>
        Each(
            plan,
            edit.Ids,
            "Brought back",
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
        return item with { X = settled.Placement.X, Y = settled.Placement.Y, Turn = settled.Placement.Turn };
    }

    internal Settled Settled(Plan plan, Item item, double catchDistance)
    {
        var checks = plan.OfScheme<Checks>(item.SchemeId).First();
        if (forms.Place(item, checks) is not { } thing)
            return new Settled(item.Placement, "");
        var all = forms.PlaceAll(plan, item.SchemeId, item.LevelId);
        return Settling.Of(thing, spaces(plan, item.LevelId), all, Math.Min(catchDistance, 500));
    }

    private static EditAnswer Turn(Plan plan, TurnItems edit)
    {
        if (!double.IsFinite(edit.Degrees))
            return EditAnswer.No("degrees", "The turn must be an angle in degrees.");
        var items = edit.Ids.Select(plan.Find<Item>).OfType<Item>().ToArray();
        if (items.Length == 0)
            return EditAnswer.No("ids", "Nothing to turn is there any more.");
        var about = Bounds.Around(items.Select(item => new Point(item.X, item.Y))).Centre;
        var turn = new Placement(about.X, about.Y, edit.Degrees);
        return Each(
            plan,
            edit.Ids,
            "Turned",
            item =>
            {
                var at = turn.Out(new Point(item.X, item.Y) - about);
                return item with { X = at.X, Y = at.Y, Turn = AngleText.Normal(item.Turn + edit.Degrees) };
            }
        );
    }

    private static EditAnswer PutAt(Plan plan, PutItemAt edit) =>
        FixtureEdits.CheckPlacement(new Placement(edit.X, edit.Y, edit.Turn)) is { } problem
            ? EditAnswer.No(problem)
            : Each(plan, [edit.Id], "Moved", item => item with { X = edit.X, Y = edit.Y, Turn = AngleText.Normal(edit.Turn) });

    private EditAnswer Space(Plan plan, SpaceFrom edit)
    {
        if (!double.IsFinite(edit.Distance) || edit.Distance < 0 || edit.Distance > SizeSense.Longest)
            return EditAnswer.No("distance", "The distance must be 0 or more.");
        var items = edit.Ids.Select(plan.Find<Item>).OfType<Item>().ToArray();
        if (items.Length == 0)
            return EditAnswer.No("ids", "What was to move is no longer there.");
        var checks = plan.OfScheme<Checks>(items[0].SchemeId).First();
        var shapes = items.Select(item => forms.Place(item, checks)).OfType<PlacedItem>().SelectMany(p => p.Standing);
        var other = OtherShapes(plan, edit.OtherId, items[0], checks);
        if (other.Length == 0)
            return EditAnswer.No("otherId", "What the distance is measured to is no longer there.");
        var near = Nearest.Closest(shapes, edit.OtherId, "", other);
        if (near.Width <= Tolerance.Length)
            return EditAnswer.No("distance", "They touch or overlap; move them apart first.");
        var step = (near.To - near.From).Unit() * (near.Width - edit.Distance);
        return Each(plan, edit.Ids, "Spaced", item => item with { X = item.X + step.X, Y = item.Y + step.Y });
    }

    private ImmutableArray<Convex> OtherShapes(Plan plan, string id, Item beside, Checks checks)
    {
        if (plan.Find<Item>(id) is { } item)
            return forms.Place(item, checks) is { } placed ? [.. placed.Standing] : [];
        var space = spaces(plan, beside.LevelId);
        return
        [
            .. space.Pieces.Where(p => (p.Opening?.Id ?? p.Wall.Id) == id).Select(p => p.Body),
            .. space.Columns.Where(c => c.Id == id).Select(Fixtures.Solid),
        ];
    }

    private EditAnswer Resize(Plan plan, ResizeItem edit)
    {
        if (plan.Find<Item>(edit.Id) is not { } item || forms.Catalogue.Find(item.Catalogue) is not { } kind)
            return EditAnswer.No("id", "The item is no longer there.");
        var thing = $"“{kind.Name}”";
        var problem =
            Check("width", edit.Width, kind.Size.Width)
            ?? Check("depth", edit.Depth, kind.Size.Depth)
            ?? Check("height", edit.Height, kind.Size.Height);
        if (problem is not null)
            return EditAnswer.No(problem);
        var depth = kind.IsRound ? edit.Width : edit.Depth;
        return Each(plan, [edit.Id], "Resized", i => i with { Width = edit.Width, Depth = depth, Height = edit.Height });

        Problem? Check(string field, double? value, double usual) =>
            value is { } given ? SizeSense.Check(plan.Details.Units, field, thing, given, usual / 3, usual * 3, edit.Sure) : null;
    }

    private EditAnswer Places(Plan plan, SetPlaces edit)
    {
        if (plan.Find<Item>(edit.Id) is not { } item || forms.Catalogue.Find(item.Catalogue) is not { } kind)
            return EditAnswer.No("id", "The item is no longer there.");
        return CheckPlaces(kind, edit.Places) is { } problem
            ? EditAnswer.No(problem)
            : Each(plan, [edit.Id], "Set places at", i => i with { Places = edit.Places }, true);
    }

    private static Problem? CheckPlaces(CatalogueItem kind, Places places)
    {
        if (kind.Chair is null)
            return new Problem("places", $"Nobody sits at “{kind.Name}”.");
        if (places.Around < 0 || places.Front < 0 || places.Back < 0 || places.Left < 0 || places.Right < 0)
            return new Problem("places", "A side has 0 places or more.");
        if (kind.Places.Around > 0 != places.Around > 0 && places.Total > 0)
            return new Problem(
                "places",
                kind.Places.Around > 0 ? "A round table has its places around it." : "This table has its places along its sides."
            );
        return places.Total > kind.MostPlaces
            ? new Problem(
                "places",
                $"“{kind.Name}” takes at most {kind.MostPlaces} places; {places.Total} were asked. Source: {kind.Source.Title}, from memory.",
                kind.MostPlaces
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
            : Each(plan, [edit.Id], "Labelled", i => i with { Label = label }, true);
    }

    private EditAnswer Duplicate(Plan plan, DuplicateItems edit)
    {
        if (edit.NewIds.Length != edit.Ids.Length || edit.NewIds.Distinct().Count() != edit.NewIds.Length)
            return EditAnswer.No("newIds", "Each copy needs an id of its own.");
        List<EntityChange> made = [];
        var copies = plan;
        for (var i = 0; i < edit.Ids.Length; i++)
        {
            if (plan.Find<Item>(edit.Ids[i]) is not { } item)
                return EditAnswer.No("ids", "Something to copy is no longer there.");
            if (copies.Find(edit.NewIds[i]) is not null)
                return EditAnswer.No("newIds", $"There is already something called \"{edit.NewIds[i]}\".");
            var table = forms.Catalogue.Find(item.Catalogue)?.Counted == "table";
            var copy = item with
            {
                Id = edit.NewIds[i],
                X = item.X + edit.Dx,
                Y = item.Y + edit.Dy,
                Held = false,
                Label = table ? NextNumber(copies, item.SchemeId).ToString(CultureInfo.InvariantCulture) : "",
            };
            var change = new EntityChange(null, copy);
            copies.TryApply(new Change("", [change]), out copies, out _);
            made.Add(change);
        }
        if (made.Count == 0)
            return EditAnswer.No("ids", "Nothing was chosen to copy.");
        return EditAnswer.Done(new Change(made.Count == 1 ? "Duplicated an item" : $"Duplicated {made.Count} items", [.. made]));
    }

    private static EditAnswer Each(Plan plan, ImmutableArray<string> ids, string verb, Func<Item, Item> after, bool evenHeld = false)
    {
        List<EntityChange> changes = [];
        foreach (var id in ids.Distinct())
        {
            if (plan.Find<Item>(id) is not { } item)
                return EditAnswer.No("ids", "Something chosen is no longer there; somebody has removed it.");
            if (item.Held && !evenHeld)
                return EditAnswer.No(
                    "ids",
                    $"{(item.Label.Length > 0 ? $"“{item.Label}”" : "An item")} is held in place; let it go first."
                );
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
