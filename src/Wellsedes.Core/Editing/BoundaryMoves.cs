using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Editing;

/// <summary>Moves boundaries and takes along the others that meet them; ends that lie at a wall slide along it.</summary>
internal sealed class BoundaryMoves(ShellChange change, LevelSpace space)
{
    private IEnumerable<Boundary> Boundaries => change.All<Boundary>().Where(other => other.LevelId == space.LevelId);

    /// <summary>Moves a boundary; one that meets others or a wall moves square to itself only.</summary>
    public void Move(Boundary boundary, Point by)
    {
        var line = boundary.Line;
        var held = Meets(boundary, true) || Meets(boundary, false);
        if (held && line.IsStraight)
        {
            var square = line.Direction(0).Left();
            by = square * by.Dot(square);
        }
        var moved = boundary with { Start = boundary.Start + by, End = boundary.End + by };
        var (start, end) = (Corner(boundary, moved, true, by), Corner(boundary, moved, false, by));
        change.Put(moved with { Start = start, End = end });
    }

    /// <summary>Moves one end of a boundary and every other that ends in the same place.</summary>
    public void MoveCorner(Boundary boundary, bool atStart, Point to)
    {
        foreach (var (other, otherAtStart) in At(End(boundary, atStart), boundary.Id))
            SetEnd(other, otherAtStart, to);
        SetEnd(change.Now<Boundary>(boundary.Id)!, atStart, to);
    }

    /// <summary>Moves an end of a boundary along it. One that stands across it there goes along as a whole.</summary>
    public void Stretch(Boundary boundary, bool atStart, Point by)
    {
        var now = change.Now<Boundary>(boundary.Id)!;
        var from = End(now, atStart);
        var others = At(from, boundary.Id);
        if (others is [var (other, _)] && now.Line.Crossing(other.Line) is not null)
            Move(other, by);
        else
            MoveCorner(now, atStart, from + by);
    }

    private static Point End(Boundary boundary, bool atStart) => atStart ? boundary.Start : boundary.End;

    private bool Meets(Boundary boundary, bool atStart) =>
        At(End(boundary, atStart), boundary.Id).Length > 0 || WallAt(End(boundary, atStart)) is not null;

    /// <summary>Where an end of a moved boundary comes to lie, and takes the others that meet it there.</summary>
    private Point Corner(Boundary before, Boundary moved, bool atStart, Point by)
    {
        var (from, to) = (End(before, atStart), End(moved, atStart));
        var others = At(from, before.Id);
        if (others.Length > 0)
        {
            var corner = others is [var (only, _)] ? moved.Line.Crossing(only.Line) ?? to : to;
            foreach (var (other, otherAtStart) in others)
                SetEnd(other, otherAtStart, corner);
            return corner;
        }
        if (WallAt(from) is not { Line.IsStraight: true } wall || !moved.Line.IsStraight)
            return to;
        return new EndlessLine(from, wall.Line.Direction(0)).Crossing(new EndlessLine(moved.Start, moved.Line.Direction(0)), 0.1) ?? to;
    }

    private (Boundary Boundary, bool AtStart)[] At(Point place, string but) =>
        [
            .. Boundaries
                .Where(other => other.Id != but)
                .SelectMany(other => new[] { (other, true), (other, false) })
                .Where(end => End(end.other, end.Item2).DistanceTo(place) <= 0.1),
        ];

    /// <summary>The wall that a place lies in, or at the face of.</summary>
    private Wall? WallAt(Point place) =>
        space.Bodies.Values.Select(body => body.Wall).FirstOrDefault(wall => wall.PlaceOf(place) is not null);

    private void SetEnd(Boundary boundary, bool atStart, Point to) =>
        change.Put(atStart ? boundary with { Start = to } : boundary with { End = to });
}
