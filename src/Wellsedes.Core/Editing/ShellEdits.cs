using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Editing;

/// <summary>Edits of the space as it stands: who answers which, and what holds after each.</summary>
internal static class ShellEdits
{
    /// <summary>Null when the edit is not about the shell.</summary>
    public static EditAnswer? Answer(Plan plan, Edit edit, Func<Plan, string, LevelSpace> spaces) =>
        edit switch
        {
            MakeRoom e => RoomEdits.Make(plan, e),
            NameRoom e => RoomEdits.Name(plan, e, spaces),
            CopyRoom e => RoomCopying.Copy(plan, e, spaces),
            DrawWalls e => WallEdits.Draw(plan, e),
            DrawBoundary e => WallEdits.Boundary(plan, e),
            MoveWall e => WallEdits.Move(plan, e, spaces),
            MoveWallEnd e => WallEdits.MoveEnd(plan, e, spaces),
            SetWallLength e => WallEdits.SetLength(plan, e, spaces),
            SplitWall e => WallEdits.Split(plan, e),
            JoinWalls e => WallEdits.Join(plan, e),
            BowWall e => WallEdits.Bow(plan, e),
            ChangeWalls e => WallEdits.Change(plan, e),
            MeetEnd e => WallEdits.Meet(plan, e, spaces),
            PutMakeUp e => WallEdits.PutMakeUp(plan, e),
            PutOpening e => OpeningEdits.Put(plan, e.Opening, e.Sure),
            SeatOpening e => OpeningEdits.Seat(plan, e, spaces),
            SetOpeningFrom e => OpeningEdits.From(plan, e, spaces),
            PutFixture e => FixtureEdits.Put(plan, e),
            MoveFixtures e => FixtureEdits.Move(plan, e),
            PutByOffsets e => FixtureEdits.ByOffsets(plan, e),
            RepeatFixture e => FixtureEdits.Repeat(plan, e),
            PutLevel e => LevelEdits.Put(plan, e),
            CopyShell e => LevelEdits.CopyShell(plan, e),
            SetOut e => LevelEdits.SetOut(plan, e),
            SetOutFromWall e => LevelEdits.SetOutFromWall(plan, e),
            PutBacking e => BackingEdits.Put(plan, e),
            ScaleBacking e => BackingEdits.SetScale(plan, e),
            LevelBacking e => BackingEdits.SetLevel(plan, e),
            _ => null,
        };

    /// <summary>What would no longer fit after a change of walls: an opening left without its wall, or reaching past its end.</summary>
    public static Problem? Unfit(Plan plan, Change change)
    {
        if (!change.Entities.Any(e => e.Before is Wall) || !plan.TryApply(change, out var after, out _))
            return null;
        foreach (var gone in change.Entities.Where(e => e is { Before: Wall, After: null }))
            if (after.All<Opening>().FirstOrDefault(o => o.WallId == gone.Id) is { } left)
                return new Problem("wall", $"{OpeningEdits.NameOf(left)} stands in this wall; remove it first.");
        foreach (var wall in change.Entities.Select(e => e.After).OfType<Wall>())
        foreach (var opening in after.All<Opening>().Where(o => o.WallId == wall.Id))
            if (OpeningEdits.Fits(after, opening, wall) is { } problem)
                return problem with
                {
                    Message = $"{problem.Message} Nothing was changed; move or remove {OpeningEdits.NameOf(opening)} first.",
                };
        return null;
    }

    /// <summary>Why a level cannot be removed; null when it can.</summary>
    public static Problem? KeepsLevel(Plan plan, Level level) =>
        plan.All<Level>().Count() == 1 ? new Problem("ids", "A plan keeps at least one level.")
        : plan.All<Item>().Any(item => item.LevelId == level.Id)
            ? new Problem("ids", $"Things stand on {level.Name}; move or remove them first.")
        : plan.All<Flight>().FirstOrDefault(f => f.ToLevelId == level.Id) is { } flight
            ? new Problem("ids", $"{Fixtures.NameOf(flight)} goes up to {level.Name}; change it first.")
        : null;
}
