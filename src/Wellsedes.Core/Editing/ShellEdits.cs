using Wellsedes.Core.Geometry;
using Wellsedes.Core.Measure;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Editing;

/// <summary>Edits of the space as it stands.</summary>
internal static class ShellEdits
{
    /// <summary>
    /// What a leaf and its hinges take from the cut of a door, in mm for each leaf. House value, common practice: an
    /// open leaf stands in its own opening.
    /// </summary>
    private const double LeafLoss = 50;

    public static EditAnswer MakeRoom(Plan plan, MakeRoom edit)
    {
        var problem =
            SizeSense.Check(plan.Details.Units, "width", "a room", edit.Width, 1200, 200_000, edit.Sure)
            ?? SizeSense.Check(plan.Details.Units, "depth", "a room", edit.Depth, 1200, 200_000, edit.Sure)
            ?? SizeSense.Check(plan.Details.Units, "wall thickness", "a room", edit.WallThickness, 10, 1500, edit.Sure)
            ?? SizeSense.Check(plan.Details.Units, "height", "a room", edit.Height, 1800, 30_000, edit.Sure)
            ?? SizeSense.CheckPlace("x", edit.X)
            ?? SizeSense.CheckPlace("y", edit.Y)
            ?? Editor.CheckText("name", edit.Name, 1, 60);
        if (problem is not null)
            return EditAnswer.No(problem);
        if (plan.Find<Level>(edit.LevelId) is null)
            return EditAnswer.No("level", "The level is no longer there.");
        if (plan.Find(edit.Id) is not null)
            return EditAnswer.No("id", $"There is already something called \"{edit.Id}\".");
        var half = edit.WallThickness / 2;
        var (left, right) = (edit.X - half, edit.X + edit.Width + half);
        var (low, high) = (edit.Y - half, edit.Y + edit.Depth + half);
        Wall Side(string name, double x1, double y1, double x2, double y2) =>
            new($"{edit.Id}-{name}", edit.LevelId, new(x1, y1), new(x2, y2), edit.WallThickness, edit.Height, "Masonry");
        Entity[] made =
        [
            Side("south", left, low, right, low),
            Side("east", right, low, right, high),
            Side("north", right, high, left, high),
            Side("west", left, high, left, low),
            new Room(edit.Id, edit.LevelId, edit.Name.Trim(), "", "", edit.X + edit.Width / 2, edit.Y + edit.Depth / 2, edit.Height),
        ];
        return EditAnswer.Done(new Change($"Made the room {edit.Name.Trim()}", [.. made.Select(entity => new EntityChange(null, entity))]));
    }

    public static EditAnswer PutOpening(Plan plan, PutOpening edit)
    {
        var opening = edit.Opening;
        if (plan.Find<Wall>(opening.WallId) is not { } wall)
            return EditAnswer.No("wall", "The wall for this opening is no longer there.");
        var thing = opening.Kind switch
        {
            OpeningKind.SingleDoor => "a single door",
            OpeningKind.DoubleDoor => "a double door",
            OpeningKind.Window => "a window",
            _ => "an opening",
        };
        var (least, most) = opening.Kind switch
        {
            OpeningKind.SingleDoor => (500.0, 1500.0),
            OpeningKind.DoubleDoor => (900.0, 3600.0),
            OpeningKind.Window => (200.0, 12_000.0),
            _ => (300.0, 30_000.0),
        };
        var problem =
            SizeSense.Check(plan.Details.Units, "width", thing, opening.Width, least, most, edit.Sure)
            ?? SizeSense.Check(plan.Details.Units, "height", thing, opening.Height, 300, 6000, edit.Sure)
            ?? (double.IsFinite(opening.Sill) && opening.Sill >= 0 ? null : new Problem("sill", "The sill must be 0 or more."))
            ?? (double.IsFinite(opening.Along) ? null : new Problem("along", "The place along the wall is not a number."))
            ?? Editor.CheckText("name", opening.Name, 0, 40);
        if (problem is not null)
            return EditAnswer.No(problem);
        var (from, to) = (opening.Along - opening.Width / 2, opening.Along + opening.Width / 2);
        if (opening.Width > wall.Length)
            return EditAnswer.No(
                "width",
                $"The opening is {LengthText.WriteMetric(opening.Width)} wide and its wall only {LengthText.WriteMetric(wall.Length)} long."
            );
        if (from < -Tolerance.Length || to > wall.Length + Tolerance.Length)
            return EditAnswer.No(
                "along",
                $"The opening would reach past the end of its wall; its middle must be from {LengthText.WriteMetric(opening.Width / 2)} to {LengthText.WriteMetric(wall.Length - opening.Width / 2)}."
            );
        var taken = plan.All<Opening>()
            .FirstOrDefault(o =>
                o.WallId == wall.Id
                && o.Id != opening.Id
                && from < o.Along + o.Width / 2 - Tolerance.Length
                && to > o.Along - o.Width / 2 + Tolerance.Length
            );
        if (taken is not null)
            return EditAnswer.No(
                "along",
                $"{(taken.Name.Length > 0 ? taken.Name : "Another opening")} is already there, from {LengthText.WriteMetric(taken.Along - taken.Width / 2)} to {LengthText.WriteMetric(taken.Along + taken.Width / 2)} along the wall."
            );
        var leaves = opening.Kind switch
        {
            OpeningKind.SingleDoor => 1,
            OpeningKind.DoubleDoor => 2,
            _ => 0,
        };
        var usual = Math.Max(1, opening.Width - leaves * LeafLoss);
        var clear = opening.ClearWidth == 0 ? usual : opening.ClearWidth;
        if (!(clear > 0 && clear <= opening.Width + Tolerance.Length))
            return EditAnswer.No("clearWidth", $"The clear width must be more than 0 and at most {LengthText.WriteMetric(opening.Width)}.");
        var before = plan.Find(opening.Id);
        return before is null or Opening
            ? Editor.Swap(before is null ? $"Put in {thing}" : $"Changed {thing}", before, opening with { ClearWidth = clear })
            : EditAnswer.No("id", $"\"{opening.Id}\" is something else.");
    }

    public static EditAnswer PutColumn(Plan plan, PutColumn edit)
    {
        var column = edit.Column;
        var problem =
            SizeSense.Check(plan.Details.Units, "width", "a column", column.Width, 50, 3000, edit.Sure)
            ?? SizeSense.Check(plan.Details.Units, "depth", "a column", column.Depth, 50, 3000, edit.Sure)
            ?? CheckPlacement(column.X, column.Y, column.Turn);
        return Put(plan, column, "a column", problem);
    }

    public static EditAnswer PutKeepClear(Plan plan, PutKeepClear edit)
    {
        var area = edit.KeepClear;
        var problem =
            SizeSense.Check(plan.Details.Units, "width", "a keep-clear area", area.Width, 100, 50_000, edit.Sure)
            ?? SizeSense.Check(plan.Details.Units, "depth", "a keep-clear area", area.Depth, 100, 50_000, edit.Sure)
            ?? CheckPlacement(area.X, area.Y, area.Turn)
            ?? Editor.CheckText("name", area.Name, 0, 40);
        return Put(plan, area, "a keep-clear area", problem);
    }

    public static EditAnswer NameRoom(Plan plan, NameRoom edit)
    {
        if (plan.Find<Room>(edit.Id) is not { } room)
            return EditAnswer.No("id", "The room is no longer there.");
        var problem =
            Editor.CheckText("name", edit.Name, 1, 60)
            ?? Editor.CheckText("use", edit.Use, 0, 60)
            ?? Editor.CheckText("number", edit.Number, 0, 16);
        return problem is not null
            ? EditAnswer.No(problem)
            : Editor.Swap(
                $"Named {edit.Name.Trim()}",
                room,
                room with
                {
                    Name = edit.Name.Trim(),
                    Use = edit.Use.Trim(),
                    Number = edit.Number.Trim(),
                }
            );
    }

    internal static Problem? CheckPlacement(double x, double y, double turn) =>
        SizeSense.CheckPlace("x", x)
        ?? SizeSense.CheckPlace("y", y)
        ?? (double.IsFinite(turn) ? null : new Problem("turn", "The turn must be an angle in degrees."));

    private static EditAnswer Put(Plan plan, Entity entity, string thing, Problem? problem)
    {
        if (problem is not null)
            return EditAnswer.No(problem);
        if (plan.Find<Level>(((IOnLevel)entity).LevelId) is null)
            return EditAnswer.No("level", "The level is no longer there.");
        var before = plan.Find(entity.Id);
        return before is null || before.GetType() == entity.GetType()
            ? Editor.Swap(before is null ? $"Put in {thing}" : $"Changed {thing}", before, entity)
            : EditAnswer.No("id", $"\"{entity.Id}\" is something else.");
    }
}
