using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Measure;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Editing;

/// <summary>Columns, flights, platforms, fittings, keep-clear areas and low ceilings.</summary>
internal static class FixtureEdits
{
    private const int MostCopies = 2000;

    public static EditAnswer Put(Plan plan, PutFixture edit)
    {
        if (edit.Fixture is not Fixture fixture)
            return EditAnswer.No("fixture", "Only fixed things of the shell can be put in this way.");
        var thing = Called(fixture);
        var units = plan.Details.Units;
        var (least, most) = fixture switch
        {
            Column => (50.0, 3000.0),
            Fitting { IsPoint: true } => (20.0, 400.0),
            Fitting => (50.0, 12_000.0),
            Flight => (600.0, 20_000.0),
            _ => (100.0, 60_000.0),
        };
        var problem =
            SizeSense.Check(units, "width", thing, fixture.Width, least, most, edit.Sure)
            ?? SizeSense.Check(units, "depth", thing, fixture.Depth, Math.Min(least, 600), most, edit.Sure)
            ?? CheckPlacement(fixture.Placement)
            ?? Own(plan, edit.Fixture, edit.Sure);
        if (problem is not null)
            return EditAnswer.No(problem);
        if (plan.Find<Level>(fixture.LevelId) is null)
            return EditAnswer.No("level", "The level is no longer there.");
        var before = plan.Find(fixture.Id);
        if (before is not null && before.GetType() != edit.Fixture.GetType())
            return EditAnswer.No("id", $"\"{fixture.Id}\" is something else.");
        if (before is Fixture { Held: true } held && fixture.Held && held.Placement != fixture.Placement)
            return EditAnswer.No("fixture", $"{Fixtures.NameOf(held)} is held in place; let it go first.");
        return Editor.Swap(before is null ? $"Put in {thing}" : $"Changed {thing}", before, Settled(plan, edit.Fixture));
    }

    /// <summary>A flight between levels rises by what lies between them.</summary>
    private static Entity Settled(Plan plan, Entity fixture) =>
        fixture is Flight { ToLevelId.Length: > 0 } flight
            ? flight with
            {
                Rise = plan.Find<Level>(flight.ToLevelId)!.Elevation - plan.Find<Level>(flight.LevelId)!.Elevation,
            }
            : fixture;

    internal static Problem? Own(Plan plan, Entity fixture, bool sure)
    {
        var units = plan.Details.Units;
        switch (fixture)
        {
            case Flight flight:
                if (flight.ToLevelId.Length > 0)
                {
                    if (plan.Find<Level>(flight.ToLevelId) is not { } upper || plan.Find<Level>(flight.LevelId) is not { } lower)
                        return new Problem("toLevelId", "The level it goes up to is not there.");
                    if (upper.Elevation <= lower.Elevation)
                        return new Problem("toLevelId", $"{upper.Name} does not lie above {lower.Name}.");
                    flight = flight with { Rise = upper.Elevation - lower.Elevation };
                }
                if (!(flight.Rise > 0 && flight.Rise <= 20_000))
                    return new Problem("rise", "The rise must be more than 0 and at most 20 000 mm.");
                if (flight.Kind == FlightKind.Stair)
                {
                    if (flight.Risers is < 1 or > 100)
                        return new Problem("risers", $"A stair has from 1 to 100 risers; {flight.Risers} were given.");
                    return SizeSense.Check(units, "riser", "a stair", flight.Rise / flight.Risers, 100, 220, sure)
                        ?? Editor.CheckText("name", flight.Name, 0, 40);
                }
                return Editor.CheckText("name", flight.Name, 0, 40);
            case Platform platform:
                return double.IsFinite(platform.Rise) && platform.Rise != 0 && Math.Abs(platform.Rise) <= 5000
                    ? Editor.CheckText("name", platform.Name, 0, 40)
                    : new Problem("rise", "The rise must be from -5 000 to 5 000 mm and not 0.");
            case Fitting fitting:
                return SizeSense.Check(units, "height", Called(fitting), fitting.Height, 10, 30_000, sure)
                    ?? Editor.CheckText("name", fitting.Name, 0, 40);
            case KeepClear area:
                return Editor.CheckText("name", area.Name, 0, 40);
            case LowCeiling ceiling:
                return
                    ceiling.LowHeight >= 0
                    && ceiling.HighHeight >= 0
                    && ceiling.LowHeight <= 30_000
                    && ceiling.HighHeight <= 30_000
                    && ceiling.LowHeight + ceiling.HighHeight > 0
                    ? null
                    : new Problem("height", "The heights of a low ceiling must be from 0 to 30 000 mm.");
            default:
                return null;
        }
    }

    public static string Called(Fixture fixture)
    {
        var name = fixture switch
        {
            Fitting fitting => Fixtures.NameOf(fitting with { Name = "" }),
            Flight flight => Fixtures.NameOf(flight with { Name = "" }),
            Platform platform => Fixtures.NameOf(platform with { Name = "" }),
            KeepClear => "keep-clear area",
            _ => Fixtures.NameOf(fixture),
        };
        return $"a {name.ToLowerInvariant()}";
    }

    internal static Problem? CheckPlacement(Placement p) =>
        SizeSense.CheckPlace("x", p.X)
        ?? SizeSense.CheckPlace("y", p.Y)
        ?? (double.IsFinite(p.Turn) ? null : new Problem("turn", "The turn must be an angle in degrees."));

    public static EditAnswer Move(Plan plan, MoveFixtures edit)
    {
        var change = new ShellChange(plan);
        foreach (var id in edit.Ids.Distinct())
        {
            if (plan.Find(id) is not Fixture fixture)
                return EditAnswer.No("ids", "Something to move is no longer there.");
            if (fixture.Held)
                return EditAnswer.No("ids", $"{Fixtures.NameOf(fixture)} is held in place; let it go first.");
            var p = fixture.Placement;
            if (CheckPlacement(p with { X = p.X + edit.Dx, Y = p.Y + edit.Dy }) is { } problem)
                return EditAnswer.No(problem);
            change.Put(fixture with { X = p.X + edit.Dx, Y = p.Y + edit.Dy });
        }
        return change.Done(
            edit.Ids.Length == 1 ? $"Moved {Called((Fixture)plan.Find(edit.Ids[0])!)}" : $"Moved {edit.Ids.Length} fixed things"
        );
    }

    public static EditAnswer ByOffsets(Plan plan, PutByOffsets edit)
    {
        if (plan.Find(edit.Id) is not Fixture fixture)
            return EditAnswer.No("id", "The thing to place is no longer there.");
        if (fixture.Held)
            return EditAnswer.No("id", $"{Fixtures.NameOf(fixture)} is held in place; let it go first.");
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
            var solid = Fixtures.Solid(fixture);
            var nearest = offset.ToMiddle ? fixture.Placement.Origin : solid.Support(away * -1);
            var has = (nearest - wall.Start).Dot(away) - wall.Thickness / 2;
            shifts.Add((away, offset.Distance - has));
        }
        var by = shifts[0].Normal * shifts[0].By;
        if (shifts.Count == 2)
        {
            var cross = shifts[0].Normal.Cross(shifts[1].Normal);
            if (Math.Abs(cross) < 0.05)
                return EditAnswer.No("offsets", "The two walls run alike; take two that stand across each other.");
            // The one move that brings both distances right.
            by = new Point(
                (shifts[0].By * shifts[1].Normal.Y - shifts[1].By * shifts[0].Normal.Y) / cross,
                (shifts[1].By * shifts[0].Normal.X - shifts[0].By * shifts[1].Normal.X) / cross
            );
        }
        var p = fixture.Placement;
        if (CheckPlacement(p with { X = p.X + by.X, Y = p.Y + by.Y }) is { } problem)
            return EditAnswer.No(problem);
        return Editor.Swap($"Placed {Called(fixture)}", fixture, fixture with { X = p.X + by.X, Y = p.Y + by.Y });
    }

    public static EditAnswer Repeat(Plan plan, RepeatFixture edit)
    {
        if (plan.Find(edit.Id) is not Fixture fixture)
            return EditAnswer.No("id", "The thing to repeat is no longer there.");
        if (edit.Columns < 1 || edit.Rows < 1 || (long)edit.Columns * edit.Rows is < 2 or > MostCopies)
            return EditAnswer.No(
                "columns",
                $"A grid has at least 2 and at most {MostCopies} places; {edit.Columns} by {edit.Rows} was given."
            );
        if ((edit.Columns > 1 && !(Math.Abs(edit.Across) >= 1)) || (edit.Rows > 1 && !(Math.Abs(edit.Up) >= 1)))
            return EditAnswer.No("across", "The spacing of a grid must be at least 1 mm.");
        var change = new ShellChange(plan);
        for (var column = 0; column < edit.Columns; column++)
        for (var row = 0; row < edit.Rows; row++)
        {
            if (column + row == 0)
                continue;
            var at = fixture.Placement.Out(new Point(column * edit.Across, row * edit.Up));
            var id = $"{edit.NewId}-{column + 1}-{row + 1}";
            if (plan.Find(id) is not null)
                return EditAnswer.No("newId", $"There is already something called \"{id}\".");
            if (CheckPlacement(new Placement(at.X, at.Y, 0)) is { } problem)
                return EditAnswer.No(problem);
            change.Put(fixture with { Id = id, X = at.X, Y = at.Y });
        }
        return change.Done($"Repeated {Called(fixture)} {edit.Columns} by {edit.Rows}");
    }

    /// <summary>Holds or lets go; null for things that cannot be held.</summary>
    public static Entity? Held(Entity entity, bool held) =>
        entity switch
        {
            Item e => e with { Held = held },
            Wall e => e with { Held = held },
            Opening e => e with { Held = held },
            Fixture e => e with { Held = held },
            SettingOutLine e => e with { Held = held },
            Backing e => e with { Held = held },
            _ => null,
        };

    public static EditAnswer Hold(Plan plan, Hold edit)
    {
        List<EntityChange> changes = [];
        foreach (var id in edit.Ids.Distinct())
        {
            if (plan.Find(id) is not { } entity || Held(entity, edit.Held) is not { } after)
                return EditAnswer.No("ids", "Something to hold is no longer there, or cannot be held.");
            if (!Equals(entity, after))
                changes.Add(new EntityChange(entity, after));
        }
        return changes.Count == 0
            ? EditAnswer.No("ids", edit.Held ? "It is held already." : "It is not held.")
            : EditAnswer.Done(new Change(edit.Held ? "Held in place" : "Let go", [.. changes]));
    }
}
