using System.Collections.Immutable;
using Wellsedes.Core.Arranging;
using Wellsedes.Core.Editing.Groups;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Editing;

/// <summary>Edits that set several items out against each other, along lines and walls.</summary>
internal sealed class LineUpEdits(ItemForms forms)
{
    /// <summary>The edits this file answers.</summary>
    public static ImmutableArray<EditKind> Kinds { get; } =
    [
        EditKind.Of<LineUp>(
            "line-up",
            "Align items",
            "Aligned items",
            (tools, plan, e) =>
                LinedUpAsOne.Do(
                    plan,
                    e.Ids,
                    (ids, led) =>
                        tools.LineUp.Up(plan, e with { Ids = ids, StaysId = e.StaysId is { } stays && !led.Contains(stays) ? stays : null })
                )
        ),
        EditKind.Of<SpreadItems>(
            "spread-items",
            "Space items evenly",
            "Spaced items evenly",
            (tools, plan, e) => LinedUpAsOne.Do(plan, e.Ids, (ids, _) => tools.LineUp.Spread(plan, e with { Ids = ids }))
        ),
        EditKind.Of<SetAlong>(
            "set-along",
            "Set items along a line",
            "Set items along a line",
            (tools, plan, e) => LinedUpAsOne.Do(plan, e.Ids, (ids, _) => tools.LineUp.Along(plan, e with { Ids = ids }))
        ),
        EditKind.Of<SetAlongWall>(
            "set-along-wall",
            "Set items along a wall",
            "Set items along a wall",
            (tools, plan, e) => LinedUpAsOne.Do(plan, e.Ids, (ids, _) => tools.LineUp.AlongWall(plan, e with { Ids = ids }))
        ),
        EditKind.Of<SwapItems>("swap-items", "Swap two items", "Swapped two items", (tools, plan, e) => tools.LineUp.Swap(plan, e)),
        EditKind.Of<MatchRotation>(
            "match-rotation",
            "Turn items alike",
            "Turned items alike",
            (tools, plan, e) => LinedUpAsOne.Do(plan, e.Ids, (ids, _) => Match(plan, e with { Ids = ids }))
        ),
        EditKind.Of<OrderItems>(
            "order-items",
            "Bring items to the front or behind",
            "Brought items to the front or behind",
            (tools, plan, e) => Order(plan, e)
        ),
        EditKind.Of<FaceItems>(
            "face-items",
            "Turn items to look to a point",
            "Turned items to look to a point",
            (tools, plan, e) => LinedUpAsOne.Do(plan, e.Ids, (ids, _) => Face(plan, e with { Ids = ids }))
        ),
    ];

    private EditAnswer Up(Plan plan, LineUp edit) => Several(plan, edit.Ids, 2, things => Up(plan, edit, things));

    private EditAnswer Spread(Plan plan, SpreadItems edit) => Several(plan, edit.Ids, 3, things => Spread(plan, edit, things));

    private EditAnswer Along(Plan plan, SetAlong edit) => Several(plan, edit.Ids, 1, things => Along(plan, edit, things));

    private EditAnswer AlongWall(Plan plan, SetAlongWall edit) => Several(plan, edit.Ids, 1, things => AlongWall(plan, edit, things));

    private EditAnswer Swap(Plan plan, SwapItems edit) => Several(plan, [edit.Id, edit.OtherId], 2, things => Swap(plan, things));

    /// <summary>What is asked of items that are there, on one level.</summary>
    private EditAnswer Several(Plan plan, ImmutableArray<string> ids, int least, Func<IReadOnlyList<PlacedItem>, EditAnswer> work)
    {
        if (ids.Distinct().Count() < least)
            return EditAnswer.No("ids", $"Choose at least {least} items for this; {ids.Distinct().Count()} were chosen.");
        List<PlacedItem> things = [];
        foreach (var id in ids)
        {
            if (plan.Find<Item>(id) is not { } item)
                return EditAnswer.No("ids", "Something chosen is no longer there; somebody has removed it.");
            if (forms.Place(plan, item, plan.OfScheme<Checks>(item.SchemeId).First()) is { } placed)
                things.Add(placed);
        }
        return things.Select(thing => (thing.Item.LevelId, thing.Item.SchemeId)).Distinct().Skip(1).Any()
            ? EditAnswer.No("ids", "They stand on several levels; choose some of one.")
            : work(things);
    }

    private static EditAnswer Up(Plan plan, LineUp edit, IReadOnlyList<PlacedItem> things)
    {
        var stays = edit.StaysId is { } id
            ? things.FirstOrDefault(thing => thing.Item.Id == id)
            : things.FirstOrDefault(thing => thing.Item.Locked) ?? things[0];
        return stays is null
            ? EditAnswer.No("staysId", "The one that stays is none of those that are lined up.")
            : Moved(plan, LiningUp.Up(things, stays, edit.By, edit.WithSeats), "Aligned", "They are aligned already.");
    }

    private static EditAnswer Spread(Plan plan, SpreadItems edit, IReadOnlyList<PlacedItem> things)
    {
        if (edit is { Gap: not null, Pitch: not null })
            return EditAnswer.No("pitch", "Say a gap or a pitch, not both.");
        if (edit.Gap is { } gap && !(gap >= 0 && gap <= SizeSense.Longest))
            return EditAnswer.No("gap", "The gap must be 0 or more.");
        if (edit.Pitch is { } pitch && !(pitch > 0 && pitch <= SizeSense.Longest))
            return EditAnswer.No("pitch", "The pitch must be more than 0.");
        return LiningUp.Spread(things, edit.Along, edit.Gap, edit.Pitch, edit.WithSeats) is { } moves
            ? Moved(plan, moves, "Spaced", "They are spaced so already.")
            : EditAnswer.No("ids", "They do not fit between the first and the last; move those apart, or type a gap.");
    }

    private static EditAnswer Along(Plan plan, SetAlong edit, IReadOnlyList<PlacedItem> things)
    {
        if (edit.Path.Length is not (2 or 3))
            return EditAnswer.No("path", $"A line has two points and an arc three; {edit.Path.Length} were given.");
        if (edit.Path[0].DistanceTo(edit.Path[^1]) < 1)
            return EditAnswer.No("path", "Its first point is its last; choose two that lie apart.");
        var line =
            edit.Path.Length == 2
                ? new BowedLine(edit.Path[0], edit.Path[1], 0)
                : BowedLine.Through(edit.Path[0], edit.Path[1], edit.Path[2]);
        return Moved(plan, LiningUp.Along(things, line, edit.Turned), "Set along a line", "They stand so already.");
    }

    private static EditAnswer AlongWall(Plan plan, SetAlongWall edit, IReadOnlyList<PlacedItem> things)
    {
        var wall = edit.At is { } at ? Wall.Nearest(plan.OnLevel<Wall>(things[0].Item.LevelId), at) : plan.Find<Wall>(edit.WallId);
        if (wall is null || wall.LevelId != things[0].Item.LevelId)
            return EditAnswer.No("wallId", "The wall is not there on this level.");
        return edit.Gap is { } gap && !(gap >= 0 && gap <= SizeSense.Longest)
            ? EditAnswer.No("gap", "The gap must be 0 or more.")
            : Moved(plan, LiningUp.AlongWall(things, wall, edit.Gap), "Set along a wall", "They stand so already.");
    }

    private static EditAnswer Swap(Plan plan, IReadOnlyList<PlacedItem> things)
    {
        var (one, other) = (things[0].Item, things[1].Item);
        if (one.StandsOn == other.Id || other.StandsOn == one.Id)
            return EditAnswer.No("otherId", "One of them stands on the other; they cannot change places.");
        // Members of one repeat change slots: each stands as its new slot has it.
        if (one.Parent is { } parent && one.Parent == other.Parent && plan.Find<Repeat>(parent) is not null)
            return InSlots(plan, one, other);
        return Moved(
            plan,
            [new LiningUp.Move(one.Id, other.Placement), new LiningUp.Move(other.Id, one.Placement)],
            "Swapped",
            "They stand in one place."
        );
    }

    private static EditAnswer InSlots(Plan plan, Item one, Item other)
    {
        var swapped = Moved(
            plan,
            [new LiningUp.Move(one.Id, other.Placement), new LiningUp.Move(other.Id, one.Placement)],
            "Swapped",
            "They stand in one place."
        );
        return swapped.Change is not { } change
            ? swapped
            : EditAnswer.Done(
                change with
                {
                    Entities =
                    [
                        .. change.Entities.Select(entity =>
                            entity.After is not Item item ? entity
                            : item.Id == one.Id ? entity with { After = item with { Slot = other.Slot } }
                            : item.Id == other.Id ? entity with { After = item with { Slot = one.Slot } }
                            : entity
                        ),
                    ],
                }
            );
    }

    private static EditAnswer Match(Plan plan, MatchRotation edit)
    {
        if (plan.Find<Item>(edit.ToId) is not { } to)
            return EditAnswer.No("toId", "The item to turn like is no longer there.");
        var others = edit.Ids.Select(plan.Find<Item>).OfType<Item>().Where(item => item.Id != to.Id && item.Rotation != to.Rotation);
        return Moved(
            plan,
            [.. others.Select(item => new LiningUp.Move(item.Id, item.Placement with { Rotation = to.Rotation }))],
            "Turned",
            "They are turned so already."
        );
    }

    private static EditAnswer Face(Plan plan, FaceItems edit)
    {
        if (SizeSense.CheckPlacement(new Placement(edit.At.X, edit.At.Y, 0)) is { } problem)
            return EditAnswer.No(problem);
        Func<Item, Point> to;
        switch (edit.TargetId is { } id ? plan.Find(id) : null)
        {
            case Item item:
                to = _ => item.Placement.Origin;
                break;
            case Thing thing:
                to = _ => thing.Placement.Origin;
                break;
            case Wall wall:
                to = item => wall.Line.At(wall.Line.Nearest(item.Placement.Origin).Along);
                break;
            case null when edit.TargetId is null:
                to = _ => edit.At;
                break;
            default:
                return EditAnswer.No("targetId", "What they are to look at is no longer there, or has no place of its own.");
        }
        List<LiningUp.Move> moves = [];
        foreach (var item in edit.Ids.Select(plan.Find<Item>).OfType<Item>().Where(item => item.Id != edit.TargetId))
        {
            var look = to(item) - item.Placement.Origin;
            if (look.Length < 1)
                continue;
            var rotation = Angles.Looking(look);
            if (Math.Abs(rotation - item.Rotation) > 1e-9)
                moves.Add(new LiningUp.Move(item.Id, item.Placement with { Rotation = rotation }));
        }
        return Moved(plan, [.. moves], "Turned", "They look there already.");
    }

    private static EditAnswer Order(Plan plan, OrderItems edit)
    {
        if (edit.Ids.IsEmpty || plan.Find<Item>(edit.Ids[0]) is not { } first)
            return EditAnswer.No("ids", "Something chosen is no longer there; somebody has removed it.");
        var chosen = edit.Ids.ToHashSet();
        var others = plan.OnLevel<Item>(first.SchemeId, first.LevelId).Where(item => !chosen.Contains(item.Id)).Select(item => item.Order);
        var order = edit.ToFront ? others.DefaultIfEmpty(0).Max() + 1 : others.DefaultIfEmpty(0).Min() - 1;
        return Math.Abs(order) > Item.FurthestOrder
            ? EditAnswer.No("ids", "So often things are not put before each other; put others behind instead.")
            : ItemEdits.Each(plan, edit.Ids, edit.ToFront ? "Brought to the front:" : "Put behind:", item => item with { Order = order });
    }

    /// <summary>Moves items, each with what stands on it.</summary>
    private static EditAnswer Moved(Plan plan, ImmutableArray<LiningUp.Move> moves, string verb, string already)
    {
        if (moves.IsEmpty)
            return EditAnswer.No("ids", already);
        Dictionary<string, Item> moved = [];
        foreach (var (id, to) in moves)
        {
            var start = plan.Find<Item>(id)!.Placement;
            foreach (var carried in ItemEdits.WithWhatStandsOnThem(plan, [id]))
                // What is itself set out does not go along a second time.
                if (carried == id || moves.All(move => move.Id != carried))
                    moved[carried] =
                        carried == id
                            ? plan.Find<Item>(id)! with
                            {
                                X = to.X,
                                Y = to.Y,
                                Rotation = AngleText.Normal(to.Rotation),
                            }
                            : ItemEdits.Carried(plan.Find<Item>(carried)!, start, to);
        }
        return ItemEdits.Each(plan, [.. moved.Keys], verb, item => moved[item.Id]);
    }
}
