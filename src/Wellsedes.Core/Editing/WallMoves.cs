using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Editing;

/// <summary>Moves walls and takes along what meets them: corners, tees, and the openings in them.</summary>
internal sealed class WallMoves(ShellChange change, LevelSpace space)
{
    private IEnumerable<Wall> Walls => change.All<Wall>().Where(wall => wall.LevelId == space.LevelId);

    /// <summary>Moves a wall; one that meets others moves square to itself only, and they are stretched to it.</summary>
    public void Move(Wall wall, Point by)
    {
        var body = space.Bodies[wall.Id];
        var branches = Walls.Where(other => other.Id != wall.Id && (TeesInto(other, true, wall) || TeesInto(other, false, wall))).ToArray();
        var free = !body.Start.Joined && !body.End.Joined && branches.Length == 0;
        if (!free && wall.Line.IsStraight)
        {
            var square = wall.Line.Direction(0).Left();
            by = square * by.Dot(square);
        }
        var moved = wall with { Start = wall.Start + by, End = wall.End + by };
        var start = Corner(wall, moved, true, by);
        var end = Corner(wall, moved, false, by);
        Replace(wall, moved with { Start = start, End = end }, free ? by : default);
        foreach (var branch in branches)
        foreach (var atStart in (ReadOnlySpan<bool>)[true, false])
            if (TeesInto(branch, atStart, wall))
            {
                var now = change.Now<Wall>(branch.Id)!;
                var at = atStart ? now.Start : now.End;
                var onto = now.Line.Crossing(moved.Line);
                SetEnd(now, atStart, onto ?? at + by);
            }
    }

    /// <summary>Moves one end of a wall and every other wall end in the same place.</summary>
    public void MoveCorner(Wall wall, bool atStart, Point to)
    {
        var from = atStart ? wall.Start : wall.End;
        foreach (var (other, otherAtStart) in At(from, wall.Id))
            SetEnd(change.Now<Wall>(other.Id)!, otherAtStart, to);
        SetEnd(change.Now<Wall>(wall.Id)!, atStart, to);
    }

    /// <summary>Moves an end of a wall along it. A wall standing across it there, or whose side it runs into, goes along as a whole.</summary>
    public void Stretch(Wall wall, bool atStart, Point by)
    {
        var now = change.Now<Wall>(wall.Id)!;
        var from = atStart ? now.Start : now.End;
        var others = At(from, wall.Id).ToArray();
        var across = others.Length == 1 && now.Line.Crossing(others[0].Wall.Line) is not null;
        var ends = space.Bodies[wall.Id];
        var through = (atStart ? ends.Start : ends.End).TeeInto is { } into ? change.Now<Wall>(into) : null;
        if (across)
            Move(others[0].Wall, by);
        else if (others.Length == 0 && through is { Line.IsStraight: true })
            Move(through, by);
        else
            MoveCorner(now, atStart, from + by);
    }

    private (Wall Wall, bool AtStart)[] At(Point place, string but) =>
        [
            .. Walls
                .Where(wall => wall.Id != but)
                .SelectMany(wall => new[] { (wall, true), (wall, false) })
                .Where(end => (end.Item2 ? end.wall.Start : end.wall.End).DistanceTo(place) <= 0.1),
        ];

    private bool TeesInto(Wall wall, bool atStart, Wall through) =>
        space.Bodies.TryGetValue(wall.Id, out var body) && (atStart ? body.Start : body.End).TeeInto == through.Id;

    /// <summary>Where an end of a moved wall comes to lie, and takes the walls that meet it there.</summary>
    private Point Corner(Wall before, Wall moved, bool atStart, Point by)
    {
        var (from, to) = atStart ? (before.Start, moved.Start) : (before.End, moved.End);
        var others = At(from, before.Id);
        var ends = space.Bodies[before.Id];
        var into = (atStart ? ends.Start : ends.End).TeeInto;
        if (others.Length == 0)
            return into is not null && change.Now<Wall>(into) is { } through ? moved.Line.Crossing(through.Line) ?? to : to;
        var corner = others.Length == 1 ? moved.Line.Crossing(others[0].Wall.Line) ?? from + by : from + by;
        foreach (var (other, otherAtStart) in others)
            SetEnd(change.Now<Wall>(other.Id)!, otherAtStart, corner);
        return corner;
    }

    private void SetEnd(Wall wall, bool atStart, Point to) =>
        Replace(wall, atStart ? wall with { Start = to } : wall with { End = to }, default);

    /// <summary>Puts a changed wall in; its openings stay where they are on the level, as near as the new line allows.</summary>
    private void Replace(Wall before, Wall after, Point shift)
    {
        change.Put(after);
        foreach (var opening in change.All<Opening>().Where(o => o.WallId == before.Id).ToArray())
        {
            var place = before.Line.At(opening.Along) + shift;
            change.Put(opening with { Along = Math.Round(after.Line.Nearest(place).Along, 6) });
        }
    }
}
