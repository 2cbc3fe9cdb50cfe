using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Tracing;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Editing;

/// <summary>Underlays, pictures beneath the plan: placed, cropped, levelled, set to scale.</summary>
internal static class BackingEdits
{
    /// <summary>Lengths that disagree by more than this part are told apart in the answer's words.</summary>
    private const double Notable = 0.005;

    public static EditAnswer Put(Plan plan, PutBacking edit)
    {
        var backing = edit.Backing with { Name = edit.Backing.Name.Trim(), Rotation = AngleText.Normal(edit.Backing.Rotation) };
        if (plan.Find<Level>(backing.LevelId) is null)
            return EditAnswer.No("level", "The level is no longer there.");
        var problem = Check(backing);
        if (problem is not null)
            return EditAnswer.No(problem);
        var before = plan.Find(backing.Id);
        if (before is not (null or Backing))
            return EditAnswer.No("id", $"\"{backing.Id}\" is something else.");
        return Editor.Swap(before is null ? $"Laid {backing.Name} beneath" : $"Changed {backing.Name}", before, backing);
    }

    internal static Problem? Check(Backing backing) =>
        Editor.CheckText("name", backing.Name, 1, 80)
        ?? SizeSense.CheckPlace("x", backing.X)
        ?? SizeSense.CheckPlace("y", backing.Y)
        ?? (double.IsFinite(backing.Rotation) ? null : new Problem("rotation", "The rotation must be an angle in degrees."))
        ?? (
            backing is { Columns: > 0 and <= 100_000, Rows: > 0 and <= 100_000 } ? null : new Problem("picture", "The picture has no size.")
        )
        ?? Scale(backing.Scale, backing)
        ?? Crop(backing)
        ?? (backing.Fade is >= 0 and <= 1 ? null : new Problem("fade", "The fade must be from 0 to 1."))
        ?? Editor.CheckText("scale", backing.ScaleFrom, 0, 200)
        ?? (Guid.TryParse(backing.PictureId, out _) ? null : new Problem("picture", "There is no such picture."));

    private static Problem? Crop(Backing b) =>
        b is { CropLeft: >= 0, CropTop: >= 0, CropRight: >= 0, CropBottom: >= 0 }
        && b.CropLeft + b.CropRight <= b.Columns - 1
        && b.CropTop + b.CropBottom <= b.Rows - 1
            ? null
            : new Problem("crop", $"The crop must leave at least one of the picture's {b.Columns} by {b.Rows} pixels.");

    private static Problem? Scale(double scale, Backing backing) =>
        scale > 0 && scale * Math.Max(backing.Columns, backing.Rows) <= SizeSense.Longest
            ? null
            : new Problem("scale", "At this scale the picture would have no size, or be more than 1 km wide.");

    public static EditAnswer SetScale(Plan plan, ScaleBacking edit)
    {
        if (plan.Find<Backing>(edit.Id) is not { } backing)
            return EditAnswer.No("id", "The backing is no longer there.");
        var units = plan.Details.Units;
        PictureScale found;
        string from;
        var fixedPixel = new Point(0, backing.Rows);
        if (edit.Lengths is { IsDefaultOrEmpty: false } lengths)
        {
            if (lengths.Length > 8)
                return EditAnswer.No("lengths", "At most eight known lengths are taken.");
            foreach (var length in lengths)
            {
                if (!(length.Length is > 0 and <= SizeSense.Longest))
                    return EditAnswer.No("length", "A known length must be more than 0.");
                if (!(length.From.DistanceTo(length.To) >= 2))
                    return EditAnswer.No("length", "The two ends of a known length are in the same place on the picture.");
            }
            found = PictureScale.FromLengths([.. lengths.Select(l => new PictureLength(l.From.DistanceTo(l.To), l.Length))]);
            fixedPixel = lengths[0].From;
            from =
                lengths.Length == 1
                    ? $"By one length of {LengthText.Write(lengths[0].Length, units)}"
                    : $"By {lengths.Length} lengths; left over: {string.Join(", ", found.Errors.Select((error, i) => Off(error, lengths[i].Length, units)))}";
        }
        else if (edit.Corners is { IsDefaultOrEmpty: false } corners)
        {
            if (corners.Length is < 3 or > 500 || !(Math.Abs(Region.SignedArea(corners)) >= 4))
                return EditAnswer.No("corners", "An area needs at least three corners that enclose something.");
            if (!(edit.Area is > 0 and <= 1e6))
                return EditAnswer.No("area", "The known area must be more than 0 m².");
            found = PictureScale.FromArea(corners, edit.Area.Value);
            fixedPixel = corners[0];
            from = $"By an area of {AreaText.Write(edit.Area.Value, units)}";
        }
        else if (edit is { StatedScale: { } stated, PaperWidth: { } paper })
        {
            if (!(stated is >= 1 and <= 10_000))
                return EditAnswer.No("statedScale", "The stated scale must be from 1:1 to 1:10 000.");
            if (!(paper is >= 10 and <= 5000))
                return EditAnswer.No("paperWidth", "The paper must be from 10 to 5 000 mm wide.");
            found = PictureScale.FromPaper(backing.Columns, paper, stated);
            from = $"Stated 1:{stated:0.##} on paper {paper:0} mm wide";
        }
        else
            return EditAnswer.No("lengths", "Give a known length, a known area, or the drawing's scale and paper.");
        if (Scale(found.Scale, backing) is { } problem)
            return EditAnswer.No(problem);
        // The first point given keeps its place on the level.
        var stays = backing.ToLevel(fixedPixel);
        var after = backing with { Scale = found.Scale, ScaleFrom = from };
        var drift = stays - after.ToLevel(fixedPixel);
        after = after with { X = after.X + drift.X, Y = after.Y + drift.Y };
        return Editor.Swap($"Set {backing.Name} to scale", backing, after);
    }

    private static string Off(double error, double length, UnitSystem units) =>
        Math.Abs(error) < 0.05
            ? "none"
            : $"{(error > 0 ? "+" : "−")}{LengthText.Write(Math.Round(Math.Abs(error), 1), units)} ({Math.Abs(error) / length:0.0%}{(Math.Abs(error) / length > Notable ? ", check both" : "")})";

    public static EditAnswer SetLevel(Plan plan, LevelBacking edit)
    {
        if (plan.Find<Backing>(edit.Id) is not { } backing)
            return EditAnswer.No("id", "The backing is no longer there.");
        if (!(edit.From.DistanceTo(edit.To) >= 2))
            return EditAnswer.No("to", "The two points are in the same place on the picture.");
        var (from, to) = (backing.ToLevel(edit.From), backing.ToLevel(edit.To));
        var angle = Angles.Of(to - from) - (edit.Upright ? 90 : 0);
        // The nearer way round: a line drawn right to left is as level as one drawn left to right.
        angle -= 180 * Math.Round(angle / 180);
        var after = backing with { Rotation = AngleText.Normal(backing.Rotation - angle) };
        var drift = from - after.ToLevel(edit.From);
        after = after with { X = after.X + drift.X, Y = after.Y + drift.Y };
        return Editor.Swap($"Rotated {backing.Name} until {(edit.Upright ? "upright" : "level")}", backing, after);
    }
}
