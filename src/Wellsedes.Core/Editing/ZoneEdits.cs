using System.Collections.Immutable;
using Wellsedes.Core.Arranging;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Editing;

/// <summary>Zones made of rooms, which follow the walls of these.</summary>
internal static class ZoneEdits
{
    public static EditAnswer Put(Plan plan, PutOverRooms edit, Func<Plan, string, LevelSpace> spaces, ItemForms forms)
    {
        var (outlined, problem) = Over(plan, edit, spaces, forms);
        return outlined is null ? EditAnswer.No(problem!) : ThingEdits.Put(plan, new PutThing(outlined) { Sure = edit.Sure });
    }

    /// <summary>The thing with the outline it would have, or why it can have none.</summary>
    public static (Thing?, Problem?) Over(Plan plan, PutOverRooms edit, Func<Plan, string, LevelSpace> spaces, ItemForms forms)
    {
        static (Thing?, Problem?) No(string field, string message) => (null, new Problem(field, message));
        if (edit.Thing is not Thing thing || plan.Find<Level>(thing.LevelId) is null)
            return No("thing", "Only a zone of a level of the plan can be made of rooms.");
        if (edit.RoomIds.Length is 0 or > ZoneShape.MostRings)
            return No("roomIds", $"Choose from 1 to {ZoneShape.MostRings} rooms; {edit.RoomIds.Length} were given.");
        if (edit.OnlyFree && thing is not IOfScheme)
            return No("thing", $"A {thing.Word()} belongs to no scheme, so that nothing stands in its way; put it over the whole room.");
        var space = spaces(plan, thing.LevelId);
        if (edit.RoomIds.FirstOrDefault(id => space.Rooms.All(room => room.Room.Id != id)) is not null)
            return No("roomIds", "One of the rooms is no longer there.");
        // A room without a name is found anew after each change of a wall: nothing follows it.
        var follows = !edit.OnlyFree && edit.RoomIds.All(id => plan.Find<Room>(id) is not null);
        var rings = edit.OnlyFree ? FreeRings(plan, thing, edit, space, forms) : RingsOf(space, edit.RoomIds);
        if (rings.IsEmpty)
            return No("roomIds", "No floor of this room is free; take something away, or choose the whole room.");
        return thing.Outlined(new ZoneShape(rings, follows ? edit.RoomIds : [])) is { } outlined
            ? (outlined, null)
            : No("thing", $"A {thing.Word()} cannot be made of rooms.");
    }

    private static ImmutableArray<ImmutableArray<Point>> FreeRings(
        Plan plan,
        Thing thing,
        PutOverRooms edit,
        LevelSpace space,
        ItemForms forms
    )
    {
        var schemeId = ((IOfScheme)thing).SchemeId;
        var free = FreeFloor.Of(
            space.Rooms.Where(room => edit.RoomIds.Contains(room.Room.Id)).Select(room => room.Outline),
            forms.PlaceAll(plan, schemeId, thing.LevelId).Where(item => item.Item.Parent != thing.Id),
            plan.ThingsOn(schemeId, thing.LevelId)
                .Where(other => other.Id != thing.Id && other.Fills() is not null)
                .SelectMany(other => other.Areas())
        );
        return [.. free.SelectMany(piece => piece.Rings())];
    }

    private static ImmutableArray<ImmutableArray<Point>> RingsOf(LevelSpace space, IEnumerable<string> roomIds) =>
        [.. roomIds.SelectMany(id => space.Rooms.Where(room => room.Room.Id == id)).SelectMany(room => room.Outline.Rings())];

    /// <summary>Zones of rooms become as their rooms are after a change of the shell; a room that is gone is left out.</summary>
    public static Change After(Plan plan, Change change, Func<Plan, string, LevelSpace> spaces)
    {
        var levels = change
            .Entities.Select(e => e.After ?? e.Before)
            .Where(e => e is Wall or Boundary or Room)
            .Select(e => ((IOnLevel)e!).LevelId)
            .ToHashSet();
        if (levels.Count == 0 || !plan.All<Thing>().Any(IsOfRooms) || !plan.TryApply(change, out var after, out _))
            return change;
        var changed = change.Entities.Select(entity => entity.Id).ToHashSet();
        List<EntityChange> more = [];
        foreach (
            var zone in after.All<Thing>().Where(zone => IsOfRooms(zone) && levels.Contains(zone.LevelId) && !changed.Contains(zone.Id))
        )
        {
            var space = spaces(after, zone.LevelId);
            var shape = zone.OwnOutline()!;
            ImmutableArray<string> rooms = [.. shape.Rooms.Where(id => space.Rooms.Any(room => room.Room.Id == id))];
            if (rooms.IsEmpty)
                more.Add(new EntityChange(zone, zone.Outlined(shape.Mapped(zone.Placement.Out) with { Rooms = [] })));
            else if (zone.Outlined(new ZoneShape(RingsOf(space, rooms), rooms)) is { } now && !now.Equals(zone))
                more.Add(new EntityChange(zone, now));
        }
        return more.Count == 0 ? change : change with { Entities = [.. change.Entities, .. more] };
    }

    private static bool IsOfRooms(Thing thing) => thing.OwnOutline() is { Rooms.IsEmpty: false };

    /// <summary>The width that a room asks of the ways to what stands in it.</summary>
    public static EditAnswer Ways(Plan plan, SetRoomWays edit)
    {
        if (plan.Find<Room>(edit.Id) is not { } room)
            return EditAnswer.No("id", "The room has no name yet, or is no longer there; name it first.");
        if (
            edit.WayWidth is { } width
            && SizeSense.Check(plan.Details.Units, "wayWidth", $"the walkways of {room.Name}", width, 300, 6000, edit.Sure) is { } problem
        )
            return EditAnswer.No(problem);
        return Editor.Swap($"Set the walkways of {room.Name}", room, room with { WayWidth = edit.WayWidth });
    }
}
