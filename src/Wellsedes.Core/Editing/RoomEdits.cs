using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Editing;

/// <summary>Rooms made whole and named.</summary>
internal static class RoomEdits
{
    public static EditAnswer Make(Plan plan, MakeRoom edit)
    {
        var units = plan.Details.Units;
        var wallType = edit.WallType.Length > 0 ? UsualWallTypes.Find(plan, edit.WallType) : null;
        var thickness = wallType?.Thickness ?? edit.WallThickness;
        var problem =
            SizeSense.Check(units, "width", "a room", edit.Width, 1200, 200_000, edit.Sure)
            ?? SizeSense.Check(units, "depth", "a room", edit.Depth, 1200, 200_000, edit.Sure)
            ?? (edit.Outline ? null : SizeSense.Check(units, "wall thickness", "a room", thickness, 10, 1500, edit.Sure))
            ?? SizeSense.Check(units, "height", "a room", edit.Height, 1800, 30_000, edit.Sure)
            ?? SizeSense.CheckPlace("x", edit.X)
            ?? SizeSense.CheckPlace("y", edit.Y)
            ?? Editor.CheckText("name", edit.Name, 1, 60)
            ?? CheckNotch(edit, plan.Details.Units);
        if (problem is not null)
            return EditAnswer.No(problem);
        if (edit.WallType.Length > 0 && wallType is null)
            return EditAnswer.NoWallType(edit.WallType);
        if (plan.Find<Level>(edit.LevelId) is null)
            return EditAnswer.No("level", "The level is no longer there.");
        if (plan.Find(edit.Id) is not null)
            return EditAnswer.Taken("id", edit.Id);
        var corners = Corners(edit);
        var sides = Sides(corners);
        var change = new ShellChange(plan);
        if (edit.Outline)
            change.Put(sides.Select((side, i) => new Boundary($"{edit.Id}-{SideName(i)}", edit.LevelId, side.Start, side.End)));
        else
        {
            var made = WallChain
                .CentreLines(sides, true, thickness, WallLine.InsideFace)
                .Select(
                    (line, i) =>
                        new Wall(
                            $"{edit.Id}-{SideName(i)}",
                            edit.LevelId,
                            line.Start,
                            line.End,
                            thickness,
                            edit.Height,
                            wallType?.Name ?? "Masonry",
                            0,
                            edit.Certainty
                        )
                );
            change.Put(WallSharing.Without(made, [.. plan.All<Wall>().Where(wall => wall.LevelId == edit.LevelId)]));
        }
        var inside =
            edit.NotchWidth > 0
                ? Polygons.InsidePoint(new Region(corners, []))
                : new Point(edit.X + edit.Width / 2, edit.Y + edit.Depth / 2);
        change.Put(new Room(edit.Id, edit.LevelId, edit.Name.Trim(), "", "", inside.X, inside.Y, edit.Height));
        return change.Done($"Made the room {edit.Name.Trim()}");
    }

    public static EditAnswer People(Plan plan, SetRoomPeople edit) =>
        plan.Find<Room>(edit.Id) is not { } room ? EditAnswer.No("id", "The room has no name yet, or is no longer there; name it first.")
        : CheckAreaPerPerson(edit.AreaPerPerson) is { } problem ? EditAnswer.No(problem)
        : Editor.Swap($"Counted the people of {room.Name}", room, room with { AreaPerPerson = edit.AreaPerPerson });

    public static Problem? CheckAreaPerPerson(double? area) =>
        area is null or (>= 0.1 and <= 1000)
            ? null
            : new Problem("areaPerPerson", $"The floor of each person is from 0.1 to 1000 m²; {area:0.###} was given.");

    private static string SideName(int side) =>
        side switch
        {
            0 => "south",
            1 => "east",
            2 => "north",
            3 => "west",
            _ => $"side{side + 1}",
        };

    private static Problem? CheckNotch(MakeRoom edit, UnitSystem units)
    {
        if (edit is { NotchWidth: 0, NotchDepth: 0 })
            return null;
        if (!(edit.NotchWidth > 0 && edit.NotchWidth < edit.Width))
            return new Problem("notchWidth", $"The notch must be more than 0 and less than {LengthText.Tell(edit.Width, units)} wide.");
        return edit.NotchDepth > 0 && edit.NotchDepth < edit.Depth
            ? null
            : new Problem("notchDepth", $"The notch must be more than 0 and less than {LengthText.Tell(edit.Depth, units)} deep.");
    }

    /// <summary>The inside corners, counter-clockwise from the south-west.</summary>
    private static ImmutableArray<Point> Corners(MakeRoom edit)
    {
        var (l, r, b, t) = (edit.X, edit.X + edit.Width, edit.Y, edit.Y + edit.Depth);
        var (w, d) = (edit.NotchWidth, edit.NotchDepth);
        if (w == 0)
            return [new(l, b), new(r, b), new(r, t), new(l, t)];
        return edit.NotchAt switch
        {
            RoomCorner.SouthWest => [new(l + w, b), new(r, b), new(r, t), new(l, t), new(l, b + d), new(l + w, b + d)],
            RoomCorner.SouthEast => [new(l, b), new(r - w, b), new(r - w, b + d), new(r, b + d), new(r, t), new(l, t)],
            RoomCorner.NorthEast => [new(l, b), new(r, b), new(r, t - d), new(r - w, t - d), new(r - w, t), new(l, t)],
            _ => [new(l, b), new(r, b), new(r, t), new(l + w, t), new(l + w, t - d), new(l, t - d)],
        };
    }

    private static ImmutableArray<BowedLine> Sides(ImmutableArray<Point> corners) =>
        [.. corners.Select((p, i) => new BowedLine(p, corners[(i + 1) % corners.Length], 0))];

    public static EditAnswer Name(Plan plan, NameRoom edit, Func<Plan, string, LevelSpace> spaces)
    {
        var problem =
            Editor.CheckText("name", edit.Name, 1, 60)
            ?? Editor.CheckText("use", edit.Use, 0, 60)
            ?? Editor.CheckText("number", edit.Number, 0, 16)
            ?? (
                edit.Height is { } height
                    ? SizeSense.Check(plan.Details.Units, "clear height", "a room", height, 1500, 30_000, false)
                    : null
            );
        if (problem is not null)
            return EditAnswer.No(problem);
        var room = plan.Find<Room>(edit.Id);
        if (room is null)
        {
            if (plan.Find(edit.Id) is not null)
                return EditAnswer.No("id", $"\"{edit.Id}\" is something else.");
            if (plan.Find<Level>(edit.LevelId) is not { } level)
                return EditAnswer.No("id", "The room is no longer there.");
            if (spaces(plan, edit.LevelId).RoomAt(new Point(edit.X, edit.Y)) is not { Named: false } found)
                return EditAnswer.No("id", "There is no unnamed room at this place.");
            room = new Room(edit.Id, level.Id, "", "", "", found.Room.X, found.Room.Y, level.Height);
        }
        return Editor.Swap(
            $"Named {edit.Name.Trim()}",
            plan.Find(edit.Id),
            room with
            {
                Name = edit.Name.Trim(),
                Use = edit.Use.Trim(),
                Number = edit.Number.Trim(),
                Height = edit.Height ?? room.Height,
            }
        );
    }

    /// <summary>
    /// Rooms keep their names when what bounds them moves: a room whose own point no longer lies in what was its floor
    /// gets a new one in the face that took most of it over.
    /// </summary>
    public static Change KeepNames(Plan plan, Change change, Func<Plan, string, LevelSpace> spaces)
    {
        var levels = change
            .Entities.Select(e => e.After ?? e.Before)
            .Where(e => e is Wall or Boundary)
            .Select(e => ((IOnLevel)e!).LevelId)
            .Distinct()
            .ToArray();
        if (levels.Length == 0 || !plan.TryApply(change, out var result, out _))
            return change;
        var more = change.Entities.ToBuilder();
        foreach (var levelId in levels)
        {
            if (!result.All<Room>().Any(room => room.LevelId == levelId))
                continue;
            var after = spaces(result, levelId);
            var before = spaces(plan, levelId);
            foreach (var (room, face) in Kept(before, after, room => result.Find(room.Id) is Room))
            {
                if (face.Outline.Holds(room.Inside) && !after.Floor.Unenclosed.Contains(room))
                    continue;
                var inside = Polygons.InsidePoint(face.Outline);
                more.Add(new EntityChange(room, room with { X = inside.X, Y = inside.Y }));
            }
        }
        return change with { Entities = more.ToImmutable() };
    }

    /// <summary>
    /// Which floor every named room has after its walls moved: as many as can keep a floor they had part of, of those as many as
    /// can that which their own point lies in, of those with the greatest area in common.
    /// </summary>
    private static IEnumerable<(Room Room, FoundRoom Face)> Kept(LevelSpace before, LevelSpace after, Func<Room, bool> stays)
    {
        var named = before.Rooms.Where(room => room.Named && stays(room.Room)).ToArray();
        // Where every name has a floor of its own and none was lost, nothing needs to be asked.
        var lost = after.Floor.Unenclosed.Any(room => !before.Floor.Unenclosed.Contains(room));
        if (named.Length == 0 || !lost)
            return [];
        var most = named.Max(room => room.Outline.Area);
        var weights = new double[named.Length, after.Rooms.Length];
        for (var i = 0; i < named.Length; i++)
        for (var j = 0; j < after.Rooms.Length; j++)
        {
            var face = after.Rooms[j].Outline;
            if (
                !named[i].Outline.Bounds.Meets(face.Bounds)
                || Polygons.SharedArea(named[i].Outline, face) is not (> LeastShared and var shared)
            )
                continue;
            // Each term outweighs all of the next one.
            weights[i, j] = 1e6 + (face.Holds(named[i].Room.Inside) ? 1e3 : 0) + shared / most;
        }
        var given = Assignment.Greatest(weights);
        return Enumerable.Range(0, named.Length).Where(i => given[i] >= 0).Select(i => (named[i].Room, after.Rooms[given[i]])).ToArray();
    }

    /// <summary>Less floor in common than this, in mm², is the thickness of a line.</summary>
    private const double LeastShared = 1000;
}
