using Wellsedes.Core.Editing.Blocks;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Editing;

/// <summary>Edits of the space as it stands: who answers which, and what holds after each.</summary>
internal static class ShellEdits
{
    /// <summary>Null when the edit is not about the shell.</summary>
    public static EditAnswer? Answer(Plan plan, Edit edit, Func<Plan, string, LevelSpace> spaces, ItemForms forms) =>
        edit switch
        {
            MakeRoom e => RoomEdits.Make(plan, e),
            NameRoom e => RoomEdits.Name(plan, e, spaces),
            CopyRoom e => RoomCopying.Copy(plan, e, spaces),
            DrawWalls e => WallEdits.Draw(plan, e),
            DrawBoundary e => BoundaryEdits.Draw(plan, e),
            MoveBoundary e => BoundaryEdits.Move(plan, e, spaces),
            MoveBoundaryEnd e => BoundaryEdits.MoveEnd(plan, e, spaces),
            SetBoundaryLength e => BoundaryEdits.SetLength(plan, e, spaces),
            BowBoundary e => BoundaryEdits.Bow(plan, e),
            PutFromWall e when plan.Find<Boundary>(e.Id) is { } boundary => BoundaryEdits.PutFromWall(plan, boundary, e, spaces),
            MoveWall e => WallEdits.Move(plan, e, spaces),
            MoveWallEnd e => WallEdits.MoveEnd(plan, e, spaces),
            SetWallLength e => WallEdits.SetLength(plan, e, spaces),
            SplitWall e => WallEdits.Split(plan, e),
            JoinWalls e => WallEdits.Join(plan, e),
            BowWall e => WallEdits.Bow(plan, e),
            ChangeWalls e => WallEdits.Change(plan, e),
            ExtendToMeet e => WallEdits.Meet(plan, e, spaces),
            PutWallType e => WallEdits.PutWallType(plan, e),
            PutOpening e => OpeningEdits.Put(plan, e.Opening, e.Sure),
            SeatOpening e => OpeningEdits.Seat(plan, e, spaces),
            SetOpeningFrom e => OpeningEdits.From(plan, e, spaces),
            SetRoomWays e => ZoneEdits.Ways(plan, e),
            SetRoomPeople e => RoomEdits.People(plan, e),
            PutOverRooms e => ZoneEdits.Put(plan, e, spaces, forms),
            PutThing e => BlockEdits.OutsideRooms(plan, e, spaces) is { } outside ? EditAnswer.No(outside) : ThingEdits.Put(plan, e),
            MoveThings e => ThingEdits.Move(plan, e),
            PutByOffsets e => ThingEdits.ByOffsets(plan, e),
            RepeatThing e => ThingEdits.Repeat(plan, e),
            PutLevel e => LevelEdits.Put(plan, e),
            CopyShell e => LevelEdits.CopyShell(plan, e, spaces),
            SetOut e => LevelEdits.SetOut(plan, e),
            SetOutFromWall e => LevelEdits.SetOutFromWall(plan, e),
            PutBacking e => BackingEdits.Put(plan, e),
            ScaleBacking e => BackingEdits.SetScale(plan, e),
            LevelBacking e => BackingEdits.SetLevel(plan, e),
            _ => null,
        };

    /// <summary>Why a level cannot be removed; null when it can.</summary>
    public static Problem? KeepsLevel(Plan plan, Level level) =>
        plan.All<Level>().Count() == 1 ? new Problem("ids", "A plan keeps at least one level.")
        : plan.All<Item>().Any(item => item.LevelId == level.Id)
            ? new Problem("ids", $"Things stand on {level.Name}; move or remove them first.")
        : plan.All<Flight>().FirstOrDefault(f => f.ToLevelId == level.Id) is { } flight
            ? new Problem("ids", $"{flight.Called()} goes up to {level.Name}; change it first.")
        : null;
}
