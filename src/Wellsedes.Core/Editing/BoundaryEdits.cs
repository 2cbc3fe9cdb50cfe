using System.Collections.Immutable;
using Wellsedes.Core.Arranging;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Editing;

/// <summary>Drawing boundaries and changing them.</summary>
internal static class BoundaryEdits
{
    public static EditAnswer Draw(Plan plan, DrawBoundary edit)
    {
        var problem =
            ChainSides.Check(plan, edit.LevelId, edit.Start, edit.Sides, edit.Closed, "line")
            ?? Editor.CheckText("room name", edit.RoomName, 0, 60);
        if (problem is not null)
            return EditAnswer.No(problem);
        var change = new ShellChange(plan);
        foreach (var old in plan.All<Boundary>().Where(line => ChainSides.IsOf(line.Id, edit.Id)))
            change.Remove(old.Id);
        var lines = ChainSides.Lines(edit.Start, edit.Sides, edit.Closed);
        change.Put(lines.Select((line, i) => new Boundary($"{edit.Id}-{i + 1}", edit.LevelId, line.Start, line.End, line.Bow)));
        var name = edit.RoomName.Trim();
        if (edit.Closed && name.Length > 0)
        {
            if (plan.Find(edit.Id) is not (null or Room))
                return EditAnswer.Taken("id", edit.Id);
            var ring = lines.Select(line => line.Start).ToImmutableArray();
            if (Region.SignedArea(ring) < 0)
                ring = [.. ring.Reverse()];
            var inside = Polygons.InsidePoint(new Region(ring, []));
            change.Put(new Room(edit.Id, edit.LevelId, name, "", "", inside.X, inside.Y, plan.Find<Level>(edit.LevelId)!.Height));
        }
        return change.Done(name.Length > 0 ? $"Outlined {name}" : "Drew a boundary");
    }

    public static EditAnswer Move(Plan plan, MoveBoundary edit, Func<Plan, string, LevelSpace> spaces)
    {
        if (plan.Find<Boundary>(edit.Id) is not { } boundary)
            return Gone();
        if (!double.IsFinite(edit.Dx) || !double.IsFinite(edit.Dy))
            return EditAnswer.No("move", "The distance to move is not a number.");
        var change = new ShellChange(plan);
        new BoundaryMoves(change, spaces(plan, boundary.LevelId)).Move(boundary, new Point(edit.Dx, edit.Dy));
        return Finish(change, "Moved a boundary");
    }

    public static EditAnswer MoveEnd(Plan plan, MoveBoundaryEnd edit, Func<Plan, string, LevelSpace> spaces)
    {
        if (plan.Find<Boundary>(edit.Id) is not { } boundary)
            return Gone();
        if ((SizeSense.CheckPlace("to", edit.To.X) ?? SizeSense.CheckPlace("to", edit.To.Y)) is { } problem)
            return EditAnswer.No(problem);
        var change = new ShellChange(plan);
        new BoundaryMoves(change, spaces(plan, boundary.LevelId)).MoveCorner(boundary, edit.AtStart, edit.To);
        return Finish(change, "Moved the end of a boundary");
    }

    public static EditAnswer SetLength(Plan plan, SetBoundaryLength edit, Func<Plan, string, LevelSpace> spaces)
    {
        if (plan.Find<Boundary>(edit.Id) is not { } boundary)
            return Gone();
        if (!boundary.Line.IsStraight)
            return EditAnswer.No("length", "A curved boundary's length is set by moving its ends.");
        if (SizeSense.Check(plan.Details.Units, "length", "a boundary", edit.Length, ChainSides.Shortest, 200_000, false) is { } problem)
            return EditAnswer.No(problem);
        var change = new ShellChange(plan);
        var moves = new BoundaryMoves(change, spaces(plan, boundary.LevelId));
        var (along, more) = (boundary.Line.Direction(0), edit.Length - boundary.Line.Length);
        if (edit.Stays != Stays.End)
            moves.Stretch(boundary, false, along * (edit.Stays == Stays.Middle ? more / 2 : more));
        if (edit.Stays != Stays.Start)
            moves.Stretch(boundary, true, along * -(edit.Stays == Stays.Middle ? more / 2 : more));
        return Finish(change, "Set the length of a boundary");
    }

    public static EditAnswer Bow(Plan plan, BowBoundary edit)
    {
        if (plan.Find<Boundary>(edit.Id) is not { } boundary)
            return Gone();
        if ((SizeSense.CheckPlace("through", edit.Through.X) ?? SizeSense.CheckPlace("through", edit.Through.Y)) is { } problem)
            return EditAnswer.No(problem);
        var line = BowedLine.Through(boundary.Start, edit.Through, boundary.End);
        if (!double.IsFinite(line.Bow) || Math.Abs(line.Bow) > 20 * boundary.Start.DistanceTo(boundary.End))
            return EditAnswer.No("through", "The boundary cannot bend that far; choose a point between its ends.");
        var change = new ShellChange(plan);
        change.Put(boundary with { Bow = line.IsStraight ? 0 : line.Bow });
        return Finish(change, line.IsStraight ? "Made a boundary straight" : "Bent a boundary");
    }

    /// <summary>Sets a boundary by its clear distance to the wall on one side of it.</summary>
    public static EditAnswer PutFromWall(Plan plan, Boundary boundary, PutFromWall edit, Func<Plan, string, LevelSpace> spaces) =>
        FromWall.Put(
            edit,
            WallsAround.Beside(boundary.Line, spaces(plan, boundary.LevelId)),
            by => Move(plan, new MoveBoundary(boundary.Id, by.X, by.Y), spaces)
        );

    private static EditAnswer Gone() => EditAnswer.No("id", "The boundary is no longer there.");

    private static EditAnswer Finish(ShellChange change, string label)
    {
        var units = change.Plan.Details.Units;
        foreach (var boundary in change.All<Boundary>().Where(b => !ReferenceEquals(change.Plan.Find(b.Id), b)))
        {
            if (boundary.Start.DistanceTo(boundary.End) < ChainSides.Shortest)
                return EditAnswer.No(
                    "boundary",
                    $"A boundary would be left with no length; one is at least {LengthText.Tell(ChainSides.Shortest, units)} long."
                );
            var far =
                SizeSense.CheckPlace("boundary", boundary.Start.X)
                ?? SizeSense.CheckPlace("boundary", boundary.Start.Y)
                ?? SizeSense.CheckPlace("boundary", boundary.End.X)
                ?? SizeSense.CheckPlace("boundary", boundary.End.Y);
            if (far is not null)
                return EditAnswer.No(far);
        }
        return change.Done(label);
    }
}
