using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Editing;

/// <summary>Levels, and the construction lines on them.</summary>
internal static class LevelEdits
{
    private const int MostLevels = 60;
    private const int MostLines = 200;

    public static EditAnswer Put(Plan plan, PutLevel edit)
    {
        var level = edit.Level with { Name = edit.Level.Name.Trim() };
        var units = plan.Details.Units;
        var problem =
            Editor.CheckText("name", level.Name, 1, 40)
            ?? SizeSense.Check(units, "height", "a level", level.Height, 1500, 30_000, false)
            ?? SizeSense.Check(units, "floor thickness", "a level", level.FloorThickness, 20, 3000, false)
            ?? SizeSense.CheckPlace("elevation", level.Elevation)
            ?? (level.Grid == 0 ? null : SizeSense.Check(units, "grid step", "a level", level.Grid, 10, 20_000, false));
        if (problem is not null)
            return EditAnswer.No(problem);
        var before = plan.Find(level.Id);
        if (before is not (null or Level))
            return EditAnswer.No("id", $"\"{level.Id}\" is something else.");
        if (plan.All<Level>().Any(other => other.Id != level.Id && other.Name.Equals(level.Name, StringComparison.OrdinalIgnoreCase)))
            return EditAnswer.No("name", $"There is already a level called {level.Name}.");
        if (plan.All<Level>().Any(other => other.Id != level.Id && Math.Abs(other.Elevation - level.Elevation) < 1))
            return EditAnswer.No("elevation", "There is already a level at this elevation.");
        if (before is null && plan.All<Level>().Count() >= MostLevels)
            return EditAnswer.No("level", $"A plan has at most {MostLevels} levels.");
        var change = new ShellChange(plan);
        change.Put(level);
        // Flights between levels rise by what lies between them now.
        foreach (var flight in plan.FlightsBetweenLevels.Where(f => f.LevelId == level.Id || f.ToLevelId == level.Id))
        {
            var rise = change.Now<Level>(flight.ToLevelId)!.Elevation - change.Now<Level>(flight.LevelId)!.Elevation;
            if (rise <= 0)
                return EditAnswer.No("elevation", $"{flight.Called()} would no longer go up.");
            change.Put(flight with { Rise = rise });
        }
        return change.Done(before is null ? $"Added {level.Name}" : $"Changed {level.Name}");
    }

    public static EditAnswer CopyShell(Plan plan, CopyShell edit, Func<Plan, string, LevelSpace> spaces)
    {
        if (plan.Find<Level>(edit.FromLevelId) is not { } from || plan.Find<Level>(edit.ToLevelId) is not { } to || from == to)
            return EditAnswer.No("level", "Pick two different levels.");
        if (plan.OnLevel<Wall>(from.Id).Any(wall => plan.OnLevel<Wall>(to.Id).Any(there => WallSharing.Same(wall, there))))
            return EditAnswer.No("level", $"{to.Name} already has walls where those of {from.Name} would come; remove them first.");
        var change = new ShellChange(plan);
        var count = 0;
        var walls = new Dictionary<string, string>();
        string Next() => $"{edit.NewId}-{++count}";
        foreach (var wall in plan.All<Wall>().Where(wall => wall.LevelId == from.Id))
        {
            walls[wall.Id] = Next();
            change.Put(wall with { Id = walls[wall.Id], LevelId = to.Id, Locked = false });
        }
        if (walls.Count == 0)
            return EditAnswer.No("level", $"{from.Name} has no walls to copy.");
        // Doors that lead outside belong to the level they are on.
        foreach (var opening in plan.All<Opening>().Where(o => walls.ContainsKey(o.WallId) && o.Mark == OpeningMark.None))
            change.Put(opening with { Id = Next(), WallId = walls[opening.WallId], Locked = false });
        foreach (var thing in plan.OnLevel<Thing>(from.Id).Where(thing => thing.GoesUp()))
            change.Put(thing with { Id = Next(), LevelId = to.Id, Locked = false });
        foreach (var pair in walls.Values.Where(id => plan.Find(id) is not null))
            return EditAnswer.Taken("newId", pair);
        var copied = change.Done($"Copied the shell of {from.Name} to {to.Name}");
        if (!edit.Names || copied.Change is not { } shell || !plan.TryApply(shell, out var above, out _))
            return copied;
        foreach (var room in Named(plan, from, spaces(above, to.Id)))
            change.Put(room with { Id = Next(), LevelId = to.Id, Height = to.Height });
        return change.Done(shell.Label);
    }

    /// <summary>Rooms of a level whose names are taken up to a copy of its walls: those that are one room there too. Use and number are each room's own.</summary>
    private static IEnumerable<Room> Named(Plan plan, Level from, LevelSpace above) =>
        plan.OnLevel<Room>(from.Id)
            .Select(room => (Room: room, Above: above.RoomAt(room.Inside)))
            .Where(pair => pair.Above is { Named: false })
            .GroupBy(pair => pair.Above)
            .Where(group => group.Count() == 1)
            .Select(group => group.Single().Room with { Number = "", Use = "" });

    public static EditAnswer SetOut(Plan plan, SetOut edit)
    {
        var line = edit.Line;
        var problem =
            SizeSense.CheckPlace("x", line.X)
            ?? SizeSense.CheckPlace("y", line.Y)
            ?? (double.IsFinite(line.Angle) ? null : new Problem("angle", "The angle must be in degrees."));
        if (problem is not null)
            return EditAnswer.No(problem);
        if (plan.Find<Level>(line.LevelId) is null)
            return EditAnswer.No("level", "The level is no longer there.");
        var before = plan.Find(line.Id);
        return before is null or SettingOutLine
            ? Editor.Swap(
                before is null ? "Set out a line" : "Changed a setting-out line",
                before,
                line with
                {
                    Angle = AngleText.Normal(line.Angle),
                }
            )
            : EditAnswer.No("id", $"\"{line.Id}\" is something else.");
    }

    public static EditAnswer SetOutFromWall(Plan plan, SetOutFromWall edit)
    {
        if (plan.Find<Wall>(edit.WallId) is not { } wall || !wall.Line.IsStraight)
            return EditAnswer.No("wall", "Lines are set out from a straight wall.");
        if (edit.Count is < 1 or > MostLines)
            return EditAnswer.No("count", $"From 1 to {MostLines} lines can be set out at once; {edit.Count} were asked.");
        if (!(edit.Distance >= 0 && edit.Distance <= SizeSense.Longest))
            return EditAnswer.No("distance", "The distance from the wall must be 0 or more.");
        if (edit.Count > 1 && !(edit.Spacing >= 1))
            return EditAnswer.No("spacing", "The spacing must be at least 1 mm.");
        var along = wall.Line.Direction(0);
        var away = along.Left() * (edit.Left ? 1 : -1);
        var change = new ShellChange(plan);
        for (var i = 0; i < edit.Count; i++)
        {
            var through = wall.Line.At(wall.Length / 2) + away * (wall.Thickness / 2 + edit.Distance + i * edit.Spacing);
            var id = $"{edit.NewId}-{i + 1}";
            if (plan.Find(id) is not null)
                return EditAnswer.Taken("newId", id);
            if ((SizeSense.CheckPlace("line", through.X) ?? SizeSense.CheckPlace("line", through.Y)) is { } problem)
                return EditAnswer.No(problem);
            var angle = AngleText.Normal(Angles.Of(along));
            change.Put(new SettingOutLine(id, wall.LevelId, through.X, through.Y, angle));
        }
        return change.Done(edit.Count == 1 ? "Set out a line" : $"Set out {edit.Count} lines");
    }
}
