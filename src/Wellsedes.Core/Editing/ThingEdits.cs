using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Editing;

/// <summary>Columns, flights, platforms, fittings, keep-clear areas and low ceilings.</summary>
internal static class ThingEdits
{
    private const int MostCopies = 2000;

    public static EditAnswer Put(Plan plan, PutThing edit)
    {
        if (edit.Thing is not Thing thing)
            return EditAnswer.No("thing", "Only things that stand by themselves can be put in this way.");
        if (plan.Find<Level>(thing.LevelId) is null)
            return EditAnswer.No("levelId", "The level is no longer there.");
        if (plan.Find(thing.Id) is null)
            thing = thing.Begun(plan);
        thing = thing.Settled(plan);
        if (PlanChecks.OfThing(plan, thing, edit.Sure) is { } problem)
            return EditAnswer.No(problem);
        var before = plan.Find(thing.Id);
        return Editor.Swap(before is null ? $"Put in {thing.OneOfIts()}" : $"Changed {thing.OneOfIts()}", before, thing);
    }

    public static EditAnswer Move(Plan plan, MoveThings edit)
    {
        var change = new ShellChange(plan);
        foreach (var id in edit.Ids)
        {
            if (plan.Find(id) is not Thing fixture)
                return EditAnswer.No("ids", "Something to move is no longer there.");
            var p = fixture.Placement;
            if (SizeSense.CheckPlacement(p with { X = p.X + edit.Dx, Y = p.Y + edit.Dy }) is { } problem)
                return EditAnswer.No(problem);
            change.Put((fixture with { X = p.X + edit.Dx, Y = p.Y + edit.Dy }).Settled(plan));
        }
        return change.Done(
            edit.Ids.Length == 1 ? $"Moved {((Thing)plan.Find(edit.Ids[0])!).OneOfIts()}" : $"Moved {edit.Ids.Length} things"
        );
    }

    public static EditAnswer ByOffsets(Plan plan, PutByOffsets edit)
    {
        if (plan.Find(edit.Id) is not Thing fixture)
            return EditAnswer.No("id", "The thing to place is no longer there.");
        if (edit.Offsets.Length is < 1 or > 2)
            return EditAnswer.No("offsets", "Give the distance from one wall or from two.");
        List<(Point Normal, double By)> shifts = [];
        foreach (var offset in edit.Offsets)
        {
            if (plan.Find<Wall>(offset.WallId) is not { } wall || !wall.Line.IsStraight)
                return EditAnswer.No("offsets", "Offsets are taken from straight walls.");
            if (!(offset.Distance >= 0 && offset.Distance <= SizeSense.Longest))
                return EditAnswer.No("offsets", "The distance from a wall must be 0 or more.");
            var direction = wall.Line.Direction(0);
            var across = direction.Cross(fixture.Placement.Origin - wall.Start);
            var away = direction.Left() * (across < 0 ? -1 : 1);
            var solid = fixture.Floor();
            var nearest = offset.ToMiddle ? fixture.Placement.Origin : solid.Support(away * -1);
            var has = (nearest - wall.Start).Dot(away) - wall.Thickness / 2;
            shifts.Add((away, offset.Distance - has));
        }
        var by = shifts[0].Normal * shifts[0].By;
        if (shifts.Count == 2)
        {
            // Each distance is right anywhere along a line beside its wall; where the two cross both are.
            var (one, two) = (shifts[0], shifts[1]);
            var first = new EndlessLine(one.Normal * one.By, one.Normal.Left());
            if (first.Crossing(new EndlessLine(two.Normal * two.By, two.Normal.Left()), 0.05) is not { } both)
                return EditAnswer.No("offsets", "The two walls run alike; take two that stand across each other.");
            by = both;
        }
        var p = fixture.Placement;
        if (SizeSense.CheckPlacement(p with { X = p.X + by.X, Y = p.Y + by.Y }) is { } problem)
            return EditAnswer.No(problem);
        return Editor.Swap($"Placed {fixture.OneOfIts()}", fixture, (fixture with { X = p.X + by.X, Y = p.Y + by.Y }).Settled(plan));
    }

    public static EditAnswer Repeat(Plan plan, RepeatThing edit)
    {
        if (plan.Find(edit.Id) is not Thing fixture)
            return EditAnswer.No("id", "The thing to repeat is no longer there.");
        if (edit.Columns < 1 || edit.Rows < 1 || (long)edit.Columns * edit.Rows is < 2 or > MostCopies)
            return EditAnswer.No(
                "columns",
                $"A grid has at least 2 and at most {MostCopies} places; {edit.Columns} by {edit.Rows} was given."
            );
        if ((edit.Columns > 1 && !(Math.Abs(edit.ColumnSpacing) >= 1)) || (edit.Rows > 1 && !(Math.Abs(edit.RowSpacing) >= 1)))
            return EditAnswer.No("columnSpacing", "The spacing of a grid must be at least 1 mm.");
        var change = new ShellChange(plan);
        for (var column = 0; column < edit.Columns; column++)
        for (var row = 0; row < edit.Rows; row++)
        {
            if (column + row == 0)
                continue;
            var at = fixture.Placement.Out(new Point(column * edit.ColumnSpacing, row * edit.RowSpacing));
            var id = $"{edit.NewId}-{column + 1}-{row + 1}";
            if (plan.Find(id) is not null)
                return EditAnswer.Taken("newId", id);
            if (SizeSense.CheckPlacement(new Placement(at.X, at.Y, 0)) is { } problem)
                return EditAnswer.No(problem);
            change.Put(fixture.Copied() with { Id = id, X = at.X, Y = at.Y });
        }
        return change.Done($"Repeated {fixture.OneOfIts()} {edit.Columns} by {edit.Rows}");
    }

    /// <summary>Holds or lets go; null for things that cannot be locked.</summary>
    public static Entity? Locked(Entity entity, bool locked) =>
        entity switch
        {
            Item e => e with { Locked = locked },
            Wall e => e with { Locked = locked },
            Opening e => e with { Locked = locked },
            Thing e => e with { Locked = locked },
            SettingOutLine e => e with { Locked = locked },
            Backing e => e with { Locked = locked },
            _ => null,
        };

    public static EditAnswer Lock(Plan plan, LockThings edit)
    {
        List<EntityChange> changes = [];
        foreach (var id in edit.Ids)
        {
            if (plan.Find(id) is not { } entity || Locked(entity, edit.Locked) is not { } after)
                return EditAnswer.No("ids", "Something to lock is no longer there, or cannot be locked.");
            if (!Equals(entity, after))
                changes.Add(new EntityChange(entity, after));
        }
        return changes.Count == 0
            ? EditAnswer.No("ids", edit.Locked ? "It is locked already." : "It is not locked.")
            : EditAnswer.Done(new Change(edit.Locked ? "Locked in place" : "Unlocked", [.. changes]));
    }
}
