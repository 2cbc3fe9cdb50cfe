using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Editing;

/// <summary>What every entity of a shell holds, however it came: by an edit or from a file.</summary>
public static class ShellChecks
{
    /// <summary>What is wrong with an entity of the shell; null when nothing is, or when it is none.</summary>
    public static Problem? Of(Plan plan, Entity entity) =>
        entity switch
        {
            Wall wall => Line("wall", wall.Line)
                ?? Size("thickness", wall.Thickness)
                ?? Size("height", wall.Height)
                ?? Editor.CheckText("makeUp", wall.MakeUp, 0, 40),
            Boundary boundary => Line("boundary", boundary.Line),
            Opening opening => OfOpening(plan, opening),
            Fixture fixture => Size("width", fixture.Width)
                ?? Size("depth", fixture.Depth)
                ?? FixtureEdits.CheckPlacement(fixture.Placement)
                ?? FixtureEdits.Own(plan, entity, true),
            Level level => Editor.CheckText("name", level.Name, 1, 40)
                ?? SizeSense.CheckPlace("elevation", level.Elevation)
                ?? Size("height", level.Height)
                ?? Size("floorThickness", level.FloorThickness)
                ?? (level.Grid is >= 0 and <= SizeSense.Longest ? null : new Problem("grid", "The grid's step must be 0 or more.")),
            Room room => SizeSense.CheckPlace("x", room.X)
                ?? SizeSense.CheckPlace("y", room.Y)
                ?? Size("height", room.Height)
                ?? Editor.CheckText("name", room.Name, 1, 60)
                ?? Editor.CheckText("use", room.Use, 0, 60)
                ?? Editor.CheckText("number", room.Number, 0, 16),
            MakeUp makeUp => Editor.CheckText("name", makeUp.Name, 1, 40)
                ?? Size("thickness", makeUp.Thickness)
                ?? Size("height", makeUp.Height),
            SettingOutLine line => FixtureEdits.CheckPlacement(new Placement(line.X, line.Y, line.Angle)),
            Backing backing => BackingEdits.Check(backing),
            _ => null,
        };

    private static Problem? OfOpening(Plan plan, Opening opening)
    {
        if (plan.Find<Wall>(opening.WallId) is not { } wall)
            return new Problem("wallId", $"its wall \"{opening.WallId}\" is not there.");
        return Size("width", opening.Width)
            ?? Size("height", opening.Height)
            ?? (opening.Sill is >= 0 and <= SizeSense.Longest ? null : new Problem("sill", "The sill must be 0 or more."))
            ?? (
                opening.ClearWidth > 0 && opening.ClearWidth <= opening.Width + 1
                    ? null
                    : new Problem("clearWidth", "its width, clear width or height makes no sense.")
            )
            ?? (
                opening.MainLeaf is not { } leaf || (leaf > 0 && leaf < opening.Width)
                    ? null
                    : new Problem("mainLeaf", "The larger leaf must be less than the opening.")
            )
            ?? Editor.CheckText("name", opening.Name, 0, 40)
            ?? (opening.From >= -1 && opening.To <= wall.Length + 1 ? null : new Problem("along", "it reaches past the end of its wall."));
    }

    private static Problem? Line(string thing, BowedLine line) =>
        SizeSense.CheckPlace("start", line.Start.X)
        ?? SizeSense.CheckPlace("start", line.Start.Y)
        ?? SizeSense.CheckPlace("end", line.End.X)
        ?? SizeSense.CheckPlace("end", line.End.Y)
        ?? (
            line.Start.DistanceTo(line.End) < 1 ? new Problem("end", $"a {thing} needs two different ends.")
            : !double.IsFinite(line.Bow) || Math.Abs(line.Bow) > 20 * line.Start.DistanceTo(line.End)
                ? new Problem("bow", $"a {thing} bows by at most 20 times the distance of its ends.")
            : null
        );

    private static Problem? Size(string field, double value) =>
        value > 0 && value <= SizeSense.Longest ? null : new Problem(field, $"the {field} must be more than 0 and at most 1 km.");
}
