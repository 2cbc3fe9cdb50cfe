using System.Collections.Immutable;
using Wellsedes.Core.Editing.Blocks;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Editing;

/// <summary>Edits of the space as it stands: their table, and what holds after each.</summary>
internal static class ShellEdits
{
    /// <summary>The edits this file answers.</summary>
    public static ImmutableArray<EditKind> Kinds { get; } =
    [
        EditKind.Of<MakeRoom>("make-room", "Draw a room", "Drew a room", (tools, plan, e) => RoomEdits.Make(plan, e)),
        EditKind.Of<NameRoom>("name-room", "Name a room", "Named a room", (tools, plan, e) => RoomEdits.Name(plan, e, tools.SpaceOn)),
        EditKind.Of<SetRoomWays>(
            "set-room-ways",
            "Set the width of a room's walkways",
            "Set the width of a room's walkways",
            (tools, plan, e) => ZoneEdits.Ways(plan, e)
        ),
        EditKind.Of<SetRoomPeople>(
            "set-room-people",
            "Set how a room's people are counted",
            "Set how a room's people are counted",
            (tools, plan, e) => RoomEdits.People(plan, e)
        ),
        EditKind.Of<CopyRoom>("copy-room", "Copy a room", "Copied a room", (tools, plan, e) => RoomCopying.Copy(plan, e, tools.SpaceOn)),
        EditKind.Of<DrawWalls>("draw-walls", "Draw walls", "Drew walls", (tools, plan, e) => WallEdits.Draw(plan, e)),
        EditKind.Of<MoveWall>("move-wall", "Move a wall", "Moved a wall", (tools, plan, e) => WallEdits.Move(plan, e, tools.SpaceOn)),
        EditKind.Of<MoveWallEnd>(
            "move-wall-end",
            "Move the end of a wall",
            "Moved the end of a wall",
            (tools, plan, e) => WallEdits.MoveEnd(plan, e, tools.SpaceOn)
        ),
        EditKind.Of<SetWallLength>(
            "set-wall-length",
            "Set the length of a wall",
            "Set the length of a wall",
            (tools, plan, e) => WallEdits.SetLength(plan, e, tools.SpaceOn)
        ),
        EditKind.Of<SplitWall>("split-wall", "Split a wall", "Split a wall", (tools, plan, e) => WallEdits.Split(plan, e)),
        EditKind.Of<JoinWalls>("join-walls", "Join walls", "Joined walls", (tools, plan, e) => WallEdits.Join(plan, e)),
        EditKind.Of<BowWall>("bow-wall", "Bow a wall", "Bowed a wall", (tools, plan, e) => WallEdits.Bow(plan, e)),
        EditKind.Of<ChangeWalls>("change-walls", "Change walls", "Changed walls", (tools, plan, e) => WallEdits.Change(plan, e)),
        EditKind.Of<ExtendToMeet>(
            "extend-to-meet",
            "Extend a wall until it meets another",
            "Extended a wall until it meets another",
            (tools, plan, e) => WallEdits.Meet(plan, e, tools.SpaceOn)
        ),
        EditKind.Of<PutWallType>(
            "put-wall-type",
            "Add or change a wall type",
            "Added or changed a wall type",
            (tools, plan, e) => WallEdits.PutWallType(plan, e)
        ),
        EditKind.Of<DrawBoundary>("draw-boundary", "Draw a boundary", "Drew a boundary", (tools, plan, e) => BoundaryEdits.Draw(plan, e)),
        EditKind.Of<MoveBoundary>(
            "move-boundary",
            "Move a boundary",
            "Moved a boundary",
            (tools, plan, e) => BoundaryEdits.Move(plan, e, tools.SpaceOn)
        ),
        EditKind.Of<MoveBoundaryEnd>(
            "move-boundary-end",
            "Move the end of a boundary",
            "Moved the end of a boundary",
            (tools, plan, e) => BoundaryEdits.MoveEnd(plan, e, tools.SpaceOn)
        ),
        EditKind.Of<SetBoundaryLength>(
            "set-boundary-length",
            "Set the length of a boundary",
            "Set the length of a boundary",
            (tools, plan, e) => BoundaryEdits.SetLength(plan, e, tools.SpaceOn)
        ),
        EditKind.Of<BowBoundary>("bow-boundary", "Bow a boundary", "Bowed a boundary", (tools, plan, e) => BoundaryEdits.Bow(plan, e)),
        EditKind.Of<PutOpening>(
            "put-opening",
            "Put in or change an opening",
            "Put in or changed an opening",
            (tools, plan, e) => OpeningEdits.Put(plan, e.Opening, e.Sure)
        ),
        EditKind.Of<SeatOpening>(
            "seat-opening",
            "Put an opening into the nearest wall",
            "Put an opening into the nearest wall",
            (tools, plan, e) => OpeningEdits.Seat(plan, e, tools.SpaceOn)
        ),
        EditKind.Of<SetOpeningFrom>(
            "set-opening-from",
            "Set the distance of an opening from a corner",
            "Set the distance of an opening from a corner",
            (tools, plan, e) => OpeningEdits.From(plan, e, tools.SpaceOn)
        ),
        EditKind.Of<PutThing>(
            "put-thing",
            "Put in or change something built in or marked",
            "Put in or changed something built in or marked",
            (tools, plan, e) =>
                BlockEdits.OutsideRooms(plan, e, tools.SpaceOn) is { } outside ? EditAnswer.No(outside) : ThingEdits.Put(plan, e)
        ),
        EditKind.Of<PutOverRooms>(
            "put-over-rooms",
            "Put an area over rooms",
            "Put an area over rooms",
            (tools, plan, e) => ZoneEdits.Put(plan, e, tools.SpaceOn, tools.Forms)
        ),
        EditKind.Of<MoveThings>(
            "move-things",
            "Move what is built in or marked",
            "Moved what is built in or marked",
            (tools, plan, e) => ThingEdits.Move(plan, e)
        ),
        EditKind.Of<PutByOffsets>(
            "put-by-offsets",
            "Set distances from walls",
            "Set distances from walls",
            (tools, plan, e) => ThingEdits.ByOffsets(plan, e)
        ),
        EditKind.Of<RepeatThing>("repeat-thing", "Repeat in a grid", "Repeated in a grid", (tools, plan, e) => ThingEdits.Repeat(plan, e)),
        EditKind.Of<LockThings>(
            "lock",
            "Lock or unlock",
            "Locked or unlocked",
            (tools, plan, e) => ThingEdits.Lock(plan, e),
            LockRule.Passes
        ),
        EditKind.Of<PutLevel>(
            "put-level",
            "Add or change a level",
            "Added or changed a level",
            (tools, plan, e) => LevelEdits.Put(plan, e)
        ),
        EditKind.Of<CopyShell>(
            "copy-shell",
            "Copy the shell of a level",
            "Copied the shell of a level",
            (tools, plan, e) => LevelEdits.CopyShell(plan, e, tools.SpaceOn)
        ),
        EditKind.Of<SetOut>(
            "set-out",
            "Draw a setting-out line",
            "Drew a setting-out line",
            (tools, plan, e) => LevelEdits.SetOut(plan, e)
        ),
        EditKind.Of<SetOutFromWall>(
            "set-out-from-wall",
            "Draw setting-out lines from a wall",
            "Drew setting-out lines from a wall",
            (tools, plan, e) => LevelEdits.SetOutFromWall(plan, e)
        ),
        EditKind.Of<PutBacking>(
            "put-backing",
            "Lay or change an underlay",
            "Laid or changed an underlay",
            (tools, plan, e) => BackingEdits.Put(plan, e)
        ),
        EditKind.Of<ScaleBacking>(
            "scale-backing",
            "Set an underlay to scale",
            "Set an underlay to scale",
            (tools, plan, e) => BackingEdits.SetScale(plan, e)
        ),
        EditKind.Of<LevelBacking>(
            "level-backing",
            "Turn an underlay level",
            "Turned an underlay level",
            (tools, plan, e) => BackingEdits.SetLevel(plan, e)
        ),
    ];

    /// <summary>Why a level cannot be removed; null when it can.</summary>
    public static Problem? KeepsLevel(Plan plan, Level level) =>
        plan.All<Level>().Count() == 1 ? new Problem("ids", "A plan keeps at least one level.")
        : plan.All<Item>().Any(item => item.LevelId == level.Id)
            ? new Problem("ids", $"Things stand on {level.Name}; move or remove them first.")
        : plan.All<Flight>().FirstOrDefault(f => f.ToLevelId == level.Id) is { } flight
            ? new Problem("ids", $"{flight.Called()} goes up to {level.Name}; change it first.")
        : null;
}
