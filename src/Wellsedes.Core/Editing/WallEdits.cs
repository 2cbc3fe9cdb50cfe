using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Editing;

/// <summary>Drawing walls and changing them.</summary>
internal static class WallEdits
{
    public static EditAnswer Draw(Plan plan, DrawWalls edit)
    {
        if (ChainSides.Check(plan, edit.LevelId, edit.Start, edit.Sides, edit.Closed, "wall") is { } problem)
            return EditAnswer.No(problem);
        if (UsualWallTypes.Find(plan, edit.WallType) is not { } wallType)
            return EditAnswer.NoWallType(edit.WallType);
        var drawn = ChainSides.Lines(edit.Start, edit.Sides, edit.Closed);
        var lines = WallChain.CentreLines(drawn, edit.Closed, wallType.Thickness, edit.Line, edit.Inside);
        var change = new ShellChange(plan);
        var own = plan.All<Wall>().Where(wall => ChainSides.IsOf(wall.Id, edit.Id)).ToArray();
        var made = lines.Select(
            (line, i) =>
                new Wall(
                    $"{edit.Id}-{i + 1}",
                    edit.LevelId,
                    line.Start,
                    line.End,
                    wallType.Thickness,
                    wallType.Height,
                    wallType.Name,
                    line.Bow,
                    i < edit.Sides.Length ? edit.Sides[i].Certainty : Certainty.Assumed
                )
        );
        ImmutableArray<Wall> others = [.. plan.All<Wall>().Where(wall => wall.LevelId == edit.LevelId && !own.Contains(wall))];
        foreach (var wall in own)
            change.Remove(wall.Id);
        var kept = WallSharing.Without(made, others).ToArray();
        if (kept.Length == 0)
            return EditAnswer.No("walls", "There is already a wall all along here.");
        foreach (var wall in kept)
        {
            if (plan.Find(wall.Id) is not (null or Wall))
                return EditAnswer.Taken("id", wall.Id);
            change.Put(wall);
        }
        foreach (var opening in plan.All<Opening>())
            if (change.Now<Wall>(opening.WallId) is null)
                change.Remove(opening.Id);
        return change.Done(edit.Sides.Length == 1 && !edit.Closed ? "Drew a wall" : $"Drew {kept.Length} walls");
    }

    public static EditAnswer Move(Plan plan, MoveWall edit, Func<Plan, string, LevelSpace> spaces)
    {
        if (plan.Find<Wall>(edit.Id) is not { } wall)
            return Gone();
        if (!double.IsFinite(edit.Dx) || !double.IsFinite(edit.Dy))
            return EditAnswer.No("move", "The distance to move is not a number.");
        var change = new ShellChange(plan);
        new WallMoves(change, spaces(plan, wall.LevelId)).Move(wall, new Point(edit.Dx, edit.Dy));
        return Finish(change, "Moved a wall");
    }

    public static EditAnswer MoveEnd(Plan plan, MoveWallEnd edit, Func<Plan, string, LevelSpace> spaces)
    {
        if (plan.Find<Wall>(edit.Id) is not { } wall)
            return Gone();
        if ((SizeSense.CheckPlace("to", edit.To.X) ?? SizeSense.CheckPlace("to", edit.To.Y)) is { } problem)
            return EditAnswer.No(problem);
        var change = new ShellChange(plan);
        new WallMoves(change, spaces(plan, wall.LevelId)).MoveCorner(wall, edit.AtStart, edit.To);
        return Finish(change, "Moved the end of a wall");
    }

    public static EditAnswer SetLength(Plan plan, SetWallLength edit, Func<Plan, string, LevelSpace> spaces)
    {
        if (plan.Find<Wall>(edit.Id) is not { } wall)
            return Gone();
        if (!wall.Line.IsStraight)
            return EditAnswer.No("length", "A curved wall's length is set by moving its ends.");
        if (SizeSense.Check(plan.Details.Units, "length", "a wall", edit.Length, ChainSides.Shortest, 200_000, false) is { } problem)
            return EditAnswer.No(problem);
        var space = spaces(plan, wall.LevelId);
        var delta = edit.Length - LengthOf(space, wall, edit.Along);
        var along = wall.Line.Direction(0);
        var change = new ShellChange(plan);
        var moves = new WallMoves(change, space);
        var (atEnd, atStart) = edit.Stays switch
        {
            Stays.Start => (delta, 0.0),
            Stays.End => (0.0, delta),
            _ => (delta / 2, delta / 2),
        };
        if (Math.Abs(atEnd) > 1e-9)
            moves.Stretch(wall, false, along * atEnd);
        if (Math.Abs(atStart) > 1e-9)
            moves.Stretch(wall, true, along * -atStart);
        change.Put(change.Now<Wall>(wall.Id)! with { Certainty = edit.Certainty });
        return Finish(change, "Set the length of a wall");
    }

    /// <summary>A wall's length in mm along its centre line or one of its faces.</summary>
    private static double LengthOf(LevelSpace space, Wall wall, WallSide side) =>
        side == WallSide.Centre ? wall.Length : WallFaces.Length(space.Walls, space.Bodies[wall.Id], side == WallSide.Left);

    public static EditAnswer Split(Plan plan, SplitWall edit)
    {
        if (plan.Find<Wall>(edit.Id) is not { } wall)
            return Gone();
        if (!(edit.Along >= ChainSides.Shortest && edit.Along <= wall.Length - ChainSides.Shortest))
            return EditAnswer.No(
                "along",
                $"The wall is {Tell(plan, wall.Length)} long; split it from {Tell(plan, ChainSides.Shortest)} after its start to {Tell(plan, ChainSides.Shortest)} before its end."
            );
        if (plan.Find(edit.NewId) is not null)
            return EditAnswer.Taken("newId", edit.NewId);
        var across = plan.All<Opening>()
            .FirstOrDefault(o => o.WallId == wall.Id && o.From < edit.Along - Tolerance.Length && o.To > edit.Along + Tolerance.Length);
        if (across is not null)
            return EditAnswer.No("along", $"{OpeningEdits.NameOf(across)} is in the way; split the wall beside it.");
        var change = new ShellChange(plan);
        var (first, second) = (wall.Line.Part(0, edit.Along), wall.Line.Part(edit.Along, wall.Length));
        change.Put(wall with { End = first.End, Bow = first.Bow });
        change.Put(wall with { Id = edit.NewId, Start = second.Start, Bow = second.Bow });
        change.Put(
            plan.All<Opening>()
                .Where(o => o.WallId == wall.Id && o.Along > edit.Along)
                .Select(o => o with { WallId = edit.NewId, Along = o.Along - edit.Along })
        );
        return Finish(change, "Split a wall");
    }

    public static EditAnswer Join(Plan plan, JoinWalls edit)
    {
        if (plan.Find<Wall>(edit.Id) is not { } first || plan.Find<Wall>(edit.OtherId) is not { } second || first.Id == second.Id)
            return EditAnswer.No("walls", "Pick two walls to join.");
        if (!Tolerance.Same(first.Thickness, second.Thickness))
            return EditAnswer.No("walls", "The two walls differ in thickness; give them one wall type first.");
        bool Meet(Point a, Point b) => a.DistanceTo(b) < 1;
        // Turn the second so that it carries on from the first, and the first so that it comes before.
        var (a, turnedA) =
            Meet(first.Start, second.Start) || Meet(first.Start, second.End) ? (first.Line.Reversed(), true) : (first.Line, false);
        var (b, turnedB) = Meet(a.End, second.End) ? (second.Line.Reversed(), true) : (second.Line, false);
        if (!Meet(a.End, b.Start))
            return EditAnswer.No("walls", "The two walls do not meet; bring their ends together first.");
        var straight = a.IsStraight && b.IsStraight;
        if (a.IsStraight != b.IsStraight || a.Direction(a.Length).Dot(b.Direction(0)) < 0.99999)
            return EditAnswer.No("walls", "The two walls are not in one line.");
        if (!straight && a.Centre.DistanceTo(b.Centre) > 1)
            return EditAnswer.No("walls", "The two walls do not bend round one centre.");
        var line = straight ? new BowedLine(a.Start, b.End, 0) : BowedLine.Through(a.Start, a.End, b.End);
        if (turnedA)
            line = line.Reversed();
        var change = new ShellChange(plan);
        var joined = first with { Start = line.Start, End = line.End, Bow = line.Bow };
        change.Put(joined);
        change.Remove(second.Id);
        foreach (var opening in plan.OpeningsIn(first.Id).Concat(plan.OpeningsIn(second.Id)))
        {
            var from = opening.WallId == first.Id ? first : second;
            var turned = opening.WallId == second.Id && turnedA != turnedB;
            change.Put(
                opening with
                {
                    WallId = first.Id,
                    Along = joined.Line.Nearest(from.Line.At(opening.Along)).Along,
                    HingeAtEnd = opening.HingeAtEnd != turned,
                    SwingsRight = opening.SwingsRight != turned,
                }
            );
        }
        return Finish(change, "Joined two walls");
    }

    public static EditAnswer Bow(Plan plan, BowWall edit)
    {
        if (plan.Find<Wall>(edit.Id) is not { } wall)
            return Gone();
        if ((SizeSense.CheckPlace("through", edit.Through.X) ?? SizeSense.CheckPlace("through", edit.Through.Y)) is { } problem)
            return EditAnswer.No(problem);
        var line = BowedLine.Through(wall.Start, edit.Through, wall.End);
        if (!double.IsFinite(line.Bow) || Math.Abs(line.Bow) > 20 * wall.Start.DistanceTo(wall.End))
            return EditAnswer.No("through", "The wall cannot bend that far; choose a point between its ends.");
        if (!line.IsStraight && line.Radius < wall.Thickness)
            return EditAnswer.No("through", "The wall would bend tighter than it is thick.");
        var after = wall with { Bow = line.IsStraight ? 0 : line.Bow };
        var change = new ShellChange(plan);
        change.Put(after);
        // Openings keep their place in the wall, as a part of its length.
        change.Put(plan.OpeningsIn(wall.Id).Select(o => o with { Along = o.Along * after.Length / wall.Length }));
        return Finish(change, after.Bow == 0 ? "Made a wall straight" : "Bent a wall");
    }

    public static EditAnswer Change(Plan plan, ChangeWalls edit)
    {
        var wallType = edit.WallType is { } name ? UsualWallTypes.Find(plan, name) : null;
        if (edit.WallType is not null && wallType is null)
            return EditAnswer.NoWallType(edit.WallType);
        if (
            (edit.Thickness is { } t ? SizeSense.Check(plan.Details.Units, "thickness", "a wall", t, 10, 1500, edit.Sure) : null) is
            { } thin
        )
            return EditAnswer.No(thin);
        if ((edit.Height is { } h ? SizeSense.Check(plan.Details.Units, "height", "a wall", h, 300, 30_000, edit.Sure) : null) is { } low)
            return EditAnswer.No(low);
        var change = new ShellChange(plan);
        foreach (var id in edit.Ids)
        {
            if (plan.Find<Wall>(id) is not { } wall)
                return Gone();
            change.Put(
                wall with
                {
                    WallType = wallType?.Name ?? wall.WallType,
                    Thickness = edit.Thickness ?? wallType?.Thickness ?? wall.Thickness,
                    Height = edit.Height ?? wallType?.Height ?? wall.Height,
                    Certainty = edit.Certainty ?? wall.Certainty,
                }
            );
        }
        return change.Done(edit.Ids.Length == 1 ? "Changed a wall" : $"Changed {edit.Ids.Length} walls");
    }

    public static EditAnswer Meet(Plan plan, ExtendToMeet edit, Func<Plan, string, LevelSpace> spaces)
    {
        if (plan.Find<Wall>(edit.Id) is not { } wall)
            return Gone();
        var loose = spaces(plan, wall.LevelId)
            .Walls.UnjoinedEnds.FirstOrDefault(end => end.WallId == wall.Id && end.AtStart == edit.AtStart);
        return loose is null
            ? EditAnswer.No("end", $"Nothing within {Tell(plan, UnjoinedEnds.Reach)} of this end could be met.")
            : MoveEnd(plan, new MoveWallEnd(wall.Id, edit.AtStart, loose.Meets), spaces);
    }

    public static EditAnswer PutWallType(Plan plan, PutWallType edit)
    {
        var wallType = edit.WallType with { Name = edit.WallType.Name.Trim() };
        var problem =
            Editor.CheckText("name", wallType.Name, 1, 40)
            ?? SizeSense.Check(plan.Details.Units, "thickness", "a wall", wallType.Thickness, 10, 1500, false)
            ?? SizeSense.Check(plan.Details.Units, "height", "a wall", wallType.Height, 300, 30_000, false);
        if (problem is not null)
            return EditAnswer.No(problem);
        if (UsualWallTypes.Find(plan, wallType.Name) is { } other && other.Id != wallType.Id)
            return EditAnswer.No("name", $"There is already a wall type called \"{wallType.Name}\".");
        if (plan.Find(wallType.Id) is not (null or WallType))
            return EditAnswer.No("id", $"\"{wallType.Id}\" is something else.");
        var change = new ShellChange(plan);
        change.Put(wallType);
        if (plan.Find<WallType>(wallType.Id) is { } before)
            change.Put(
                plan.All<Wall>()
                    .Where(wall => wall.WallType == before.Name)
                    .Select(wall => wall with { WallType = wallType.Name, Thickness = wallType.Thickness, Height = wallType.Height })
            );
        return change.Done($"Set the wall type {wallType.Name}");
    }

    private static string Tell(Plan plan, double length) => LengthText.Tell(length, plan.Details.Units);

    private static EditAnswer Gone() => EditAnswer.No("id", "The wall is no longer there.");

    private static EditAnswer Finish(ShellChange change, string label)
    {
        foreach (var wall in change.All<Wall>())
        {
            if (ReferenceEquals(change.Plan.Find(wall.Id), wall))
                continue;
            if (wall.Start.DistanceTo(wall.End) < ChainSides.Shortest)
                return EditAnswer.No(
                    "walls",
                    $"A wall would be left with no length; walls are at least {Tell(change.Plan, ChainSides.Shortest)} long."
                );
            if (SizeSense.CheckPlace("wall", wall.Start.X + wall.Start.Y) is { } far)
                return EditAnswer.No(far);
        }
        return change.Done(label);
    }
}
