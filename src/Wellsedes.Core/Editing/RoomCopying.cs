using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Editing;

/// <summary>Copies a room as one: the walls around it, what is cut into them, and what is fixed inside it.</summary>
internal static class RoomCopying
{
    /// <summary>Mirrors about a middle, then turns about it, then moves.</summary>
    private sealed record Motion(Point Middle, Mirror Mirror, double Rotation, Point By)
    {
        public Point Of(Point p)
        {
            var own = p - Middle;
            own = Mirror switch
            {
                Mirror.LeftRight => new Point(-own.X, own.Y),
                Mirror.UpDown => new Point(own.X, -own.Y),
                _ => own,
            };
            return new Placement(Middle.X + By.X, Middle.Y + By.Y, Rotation).Out(own);
        }

        public (double X, double Y, double Rotation) Of(Placement placement)
        {
            var at = Of(placement.Origin);
            var turn = Mirror switch
            {
                Mirror.LeftRight => -placement.Rotation,
                Mirror.UpDown => 180 - placement.Rotation,
                _ => placement.Rotation,
            };
            return (at.X, at.Y, Units.AngleText.Normal(turn + Rotation));
        }

        public BowedLine Of(BowedLine line) => new(Of(line.Start), Of(line.End), Mirror == Mirror.None ? line.Bow : -line.Bow);
    }

    private sealed record Side(Wall? Wall, BowedLine Line);

    public static EditAnswer Copy(Plan plan, CopyRoom edit, Func<Plan, string, LevelSpace> spaces)
    {
        if (plan.Find<Room>(edit.RoomId) is not { } room)
            return EditAnswer.No("room", "Name the room first; then it can be copied.");
        var space = spaces(plan, room.LevelId);
        if (space.Rooms.FirstOrDefault(r => r.Room.Id == room.Id) is not { } found)
            return EditAnswer.No("room", $"{room.Name} is not enclosed; close its walls first.");
        if (plan.Find(edit.NewId) is not null)
            return EditAnswer.Taken("newId", edit.NewId);
        if (!double.IsFinite(edit.Rotation) || (SizeSense.CheckPlace("dx", edit.Dx) ?? SizeSense.CheckPlace("dy", edit.Dy)) is not null)
            return EditAnswer.No("move", "The copy would lie outside the plan.");
        var motion = new Motion(found.Outline.Bounds.Centre, edit.Mirror, edit.Rotation, new Point(edit.Dx, edit.Dy));
        var change = new ShellChange(plan);
        var sides = Sides(space, found);
        List<Wall> walls = [];
        var openings = new List<(Opening Opening, Wall From)>();
        for (var i = 0; i < sides.Count; i++)
        {
            var (wall, line) = sides[i];
            var moved = motion.Of(line);
            if (wall is null)
            {
                change.Put(new Boundary($"{edit.NewId}-b{i + 1}", room.LevelId, moved.Start, moved.End, moved.Bow));
                continue;
            }
            walls.Add(wall with { Id = $"{edit.NewId}-w{i + 1}", Start = moved.Start, End = moved.End, Bow = moved.Bow, Locked = false });
            openings.AddRange(
                plan.All<Opening>()
                    .Where(o => o.WallId == wall.Id && OnSide(line, wall.Line.At(o.Along), wall.Thickness))
                    .Select(o => (o, wall))
            );
        }
        var kept = WallSharing.Without(walls, [.. plan.All<Wall>().Where(wall => wall.LevelId == room.LevelId)]).ToArray();
        change.Put(kept);
        var count = 0;
        foreach (var (opening, from) in openings.DistinctBy(pair => pair.Opening.Id))
            if (Moved(opening, from, motion, kept, $"{edit.NewId}-o{++count}") is { } moved)
                change.Put(moved);
        count = 0;
        foreach (var fixture in Inside(space, found))
            change.Put(Moved(fixture, motion, $"{edit.NewId}-f{++count}"));
        var inside = motion.Of(room.Inside);
        change.Put(room with { Id = edit.NewId, X = inside.X, Y = inside.Y, Number = "" });
        return change.Done($"Copied {room.Name}");
    }

    private static bool OnSide(BowedLine line, Point middle, double thickness)
    {
        var (along, _) = line.Nearest(middle);
        return along > 1 && along < line.Length - 1 && line.At(along).DistanceTo(middle) < thickness;
    }

    /// <summary>The sides of a room brought to the centre lines of their walls; straight runs and arcs are one side each.</summary>
    private static List<Side> Sides(LevelSpace space, FoundRoom room)
    {
        var ring = room.Outline.Outline;
        List<(Wall? Wall, Point From, Point To)> runs = [];
        for (var i = 0; i < ring.Length; i++)
        {
            var (from, to) = (ring[i], ring[(i + 1) % ring.Length]);
            var wall = WallBeside(space, Point.Middle(from, to));
            if (runs.Count > 0 && wall is not null && runs[^1].Wall == wall && !wall.Line.IsStraight)
                runs[^1] = runs[^1] with { To = to };
            else
                runs.Add((wall, from, to));
        }
        if (runs.Count > 1 && runs[0].Wall is { } first && runs[^1].Wall == first && !first.Line.IsStraight)
        {
            runs[0] = runs[0] with { From = runs[^1].From };
            runs.RemoveAt(runs.Count - 1);
        }
        var drawn = runs.Select(run => Outward(run.Wall, run.From, run.To)).ToArray();
        return
        [
            .. runs.Select(
                (run, i) =>
                {
                    var before = drawn[(i + drawn.Length - 1) % drawn.Length];
                    var after = drawn[(i + 1) % drawn.Length];
                    var (start, end) = (Meet(before, drawn[i]), Meet(drawn[i], after));
                    var line = drawn[i].IsStraight
                        ? new BowedLine(start, end, 0)
                        : BowedLine.Through(start, drawn[i].At(drawn[i].Length / 2), end);
                    return new Side(run.Wall, line);
                }
            ),
        ];
    }

    private static Point Meet(BowedLine first, BowedLine next) =>
        first.Onward.Crossing(next.Back, 0.01) ?? Point.Middle(first.End, next.Start);

    /// <summary>A run of a room's outline moved out to the middle of its wall.</summary>
    private static BowedLine Outward(Wall? wall, Point from, Point to)
    {
        if (wall is null)
            return new BowedLine(from, to, 0);
        if (wall.Line.IsStraight)
        {
            var right = (to - from).Unit().Left() * -(wall.Thickness / 2);
            return new BowedLine(from + right, to + right, 0);
        }
        var line = wall.Line;
        var (a, b) = (line.Nearest(from).Along, line.Nearest(to).Along);
        var part = a <= b ? line.Part(a, b) : line.Part(b, a).Reversed();
        return part;
    }

    private static Wall? WallBeside(LevelSpace space, Point middle) =>
        space
            .Bodies.Values.Select(body => body.Wall)
            .Select(wall => (wall, Near: wall.Line.Nearest(middle)))
            .Where(w => Math.Abs(Math.Abs(w.Near.Left) - w.wall.Thickness / 2) < 1 && w.Near.Along > 0 && w.Near.Along < w.wall.Length)
            .OrderBy(w => w.wall.Id, StringComparer.Ordinal)
            .Select(w => w.wall)
            .FirstOrDefault();

    /// <summary>An opening carried over by where its middle, its hinge and its swing come to lie; null where its wall is shared and stays as it is.</summary>
    private static Opening? Moved(Opening opening, Wall from, Motion motion, Wall[] walls, string id)
    {
        var line = from.Line;
        var middle = motion.Of(line.At(opening.Along));
        var hinge = motion.Of(line.At(opening.HingeAtEnd ? opening.To : opening.From));
        var swing = motion.Of(line.At(opening.Along, opening.SwingsRight ? -from.Thickness : from.Thickness));
        foreach (var wall in walls)
        {
            var (along, left) = wall.Line.Nearest(middle);
            if (Math.Abs(left) > 1 || along < opening.Width / 2 - 1 || along > wall.Length - opening.Width / 2 + 1)
                continue;
            return opening with
            {
                Id = id,
                WallId = wall.Id,
                Along = Math.Clamp(along, opening.Width / 2, wall.Length - opening.Width / 2),
                HingeAtEnd = wall.Line.Nearest(hinge).Along > along,
                SwingsRight = wall.Line.Nearest(swing).Left < 0,
                Locked = false,
            };
        }
        return null;
    }

    private static IEnumerable<Thing> Inside(LevelSpace space, FoundRoom room) =>
        space.Things.Where(thing => thing is not Flight).Where(fixture => room.Outline.Holds(fixture.Placement.Origin));

    private static Entity Moved(Thing fixture, Motion motion, string id)
    {
        var (x, y, turn) = motion.Of(fixture.Placement);
        return (motion.Mirror == Mirror.None ? fixture : fixture.Mirrored()) with { Id = id, X = x, Y = y, Rotation = turn };
    }
}
