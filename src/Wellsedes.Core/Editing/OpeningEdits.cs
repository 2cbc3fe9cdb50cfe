using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Core.Spaces;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Editing;

/// <summary>Doors, windows and gaps.</summary>
internal static class OpeningEdits
{
    public static EditAnswer Put(Plan plan, Opening opening, bool sure)
    {
        if (plan.Find<Wall>(opening.WallId) is not { } wall)
            return EditAnswer.No("wall", "The wall for this opening is no longer there.");
        var kind = OpeningSizes.Of(opening.Kind);
        var problem =
            SizeSense.Check(plan.Details.Units, "width", kind.Name, opening.Width, kind.Narrowest, kind.Widest, sure)
            ?? SizeSense.Check(plan.Details.Units, "height", kind.Name, opening.Height, 300, 6000, sure)
            ?? (
                double.IsFinite(opening.Sill) && opening.Sill is >= 0 and <= 30_000
                    ? null
                    : new Problem("sill", "The sill must be 0 or more.")
            )
            ?? (double.IsFinite(opening.Along) ? null : new Problem("along", "The place along the wall is not a number."))
            ?? (
                opening.MainLeaf is not { } leaf || (leaf >= opening.Width / 2 - Tolerance.Length && leaf < opening.Width)
                    ? null
                    : new Problem(
                        "mainLeaf",
                        $"The larger leaf must be from {LengthText.Tell(opening.Width / 2, plan.Details.Units)} to less than {LengthText.Tell(opening.Width, plan.Details.Units)}."
                    )
            )
            ?? Editor.CheckText("name", opening.Name, 0, 40)
            ?? Fits(plan, opening, wall);
        if (problem is not null)
            return EditAnswer.No(problem);
        var clear = opening.ClearWidth == 0 ? OpeningSizes.UsualClearWidth(opening) : opening.ClearWidth;
        if (!(clear > 0 && clear <= opening.Width + Tolerance.Length))
            return EditAnswer.No(
                "clearWidth",
                $"The clear width must be more than 0 and at most {LengthText.Tell(opening.Width, plan.Details.Units)}."
            );
        return plan.Find(opening.Id) switch
        {
            null or Opening => Editor.Swap(
                plan.Find(opening.Id) is null ? $"Put in {kind.Name}" : $"Changed {kind.Name}",
                plan.Find(opening.Id),
                opening with
                {
                    ClearWidth = clear,
                }
            ),
            _ => EditAnswer.No("id", $"\"{opening.Id}\" is something else."),
        };
    }

    /// <summary>Null when an opening lies within its wall and beside the others in it.</summary>
    public static Problem? Fits(Plan plan, Opening opening, Wall wall)
    {
        if (opening.Width > wall.Length + Tolerance.Length)
            return new Problem(
                "width",
                $"{NameOf(opening)} is {LengthText.Tell(opening.Width, plan.Details.Units)} wide and its wall only {LengthText.Tell(wall.Length, plan.Details.Units)} long."
            );
        if (opening.From < -Tolerance.Length || opening.To > wall.Length + Tolerance.Length)
            return new Problem(
                "along",
                $"{NameOf(opening)} would reach past the end of its wall; its middle must be from {LengthText.Tell(opening.Width / 2, plan.Details.Units)} to {LengthText.Tell(wall.Length - opening.Width / 2, plan.Details.Units)}."
            );
        if (EndingIn(plan.OnLevel<Wall>(wall.LevelId), opening, wall) is { } ending)
            return new Problem(
                "along",
                $"Another wall ends {LengthText.Tell(ending, plan.Details.Units)} along this one, in the way of {Called(opening)}; put it beside that wall."
            );
        var taken = plan.All<Opening>().FirstOrDefault(o => o.WallId == wall.Id && o.Id != opening.Id && Overlap(o, opening));
        return taken is null
            ? null
            : new Problem(
                "along",
                $"{(taken.Name.Length > 0 ? taken.Name : "Another opening")} is already there, from {LengthText.Tell(taken.From, plan.Details.Units)} to {LengthText.Tell(taken.To, plan.Details.Units)} along the wall."
            );
    }

    /// <summary>Where along a wall one of some others ends against it within an opening, in mm; null when none does.</summary>
    private static double? EndingIn(IEnumerable<Wall> others, Opening opening, Wall wall)
    {
        // A partition may end at a window, where a bar of it stands; corners are where the wall itself ends.
        if (opening.Kind == OpeningKind.Window)
            return null;
        foreach (var other in others)
            if (other.Id != wall.Id && other.LevelId == wall.LevelId)
                foreach (var end in (Point[])[other.Start, other.End])
                {
                    if (wall.PlaceOf(end) is not { } along)
                        continue;
                    var half = other.Thickness / 2 - Tolerance.Length;
                    if (along > 1 && along < wall.Length - 1 && along > opening.From - half && along < opening.To + half)
                        return along;
                }
        return null;
    }

    /// <summary>The door, window or gap that a change of walls would make another wall end in; null when it makes none.</summary>
    public static Problem? Blocked(Plan before, Change change, Plan after)
    {
        Wall[] changed = [.. change.Entities.Select(e => e.After).OfType<Wall>()];
        if (changed.Length == 0)
            return null;
        var ids = changed.Select(wall => wall.Id).ToHashSet();
        foreach (var opening in after.All<Opening>())
        {
            if (after.Find<Wall>(opening.WallId) is not { } through)
                continue;
            var others = ids.Contains(through.Id) ? after.OnLevel<Wall>(through.LevelId) : changed;
            if (EndingIn(others, opening, through) is not { } along)
                continue;
            // What stood so before is not this change's doing.
            if (before.Find<Opening>(opening.Id) is { } was && before.Find<Wall>(was.WallId) is { } wall)
                if (EndingIn(before.OnLevel<Wall>(wall.LevelId), was, wall) is not null)
                    continue;
            return new Problem(
                "walls",
                $"A wall would end in the way of {Called(opening)}, {LengthText.Tell(along, after.Details.Units)} along its wall; move one of the two elsewhere."
            );
        }
        return null;
    }

    private static bool Overlap(Opening a, Opening b) => a.From < b.To - Tolerance.Length && a.To > b.From + Tolerance.Length;

    /// <summary>Seats an opening in the wall under a point. It keeps clear of corners and of other openings where the wall has room.</summary>
    public static EditAnswer Seat(Plan plan, SeatOpening edit, Func<Plan, string, LevelSpace> spaces)
    {
        if (plan.Find<Level>(edit.LevelId) is null)
            return EditAnswer.No("level", "The level is no longer there.");
        if (!(edit.Reach >= 0) || !double.IsFinite(edit.At.X + edit.At.Y))
            return EditAnswer.No("at", "The place is not on the plan.");
        var space = spaces(plan, edit.LevelId);
        Wall? best = null;
        var (along, left, least) = (0.0, 0.0, double.PositiveInfinity);
        foreach (var wall in plan.All<Wall>().Where(wall => wall.LevelId == edit.LevelId))
        {
            var near = wall.Line.Nearest(edit.At);
            var off = wall.Line.At(near.Along).DistanceTo(edit.At) - wall.Thickness / 2;
            if (off > edit.Reach || off >= least)
                continue;
            (best, along, left, least) = (wall, near.Along, near.Left, off);
        }
        if (best is null)
            return EditAnswer.No("at", "There is no wall here; press on a wall.");
        var half = edit.Opening.Width / 2;
        var (from, to) = OpeningCorners.Between(space, best, along, left >= 0);
        // Others in the way push it to their nearer side.
        foreach (var other in plan.All<Opening>().Where(o => o.WallId == best.Id && o.Id != edit.Opening.Id))
        {
            if (other.Along <= along)
                from = Math.Max(from, other.To);
            else
                to = Math.Min(to, other.From);
        }
        var place = to - from >= edit.Opening.Width ? Math.Clamp(along, from + half, to - half) : along;
        return Put(plan, edit.Opening with { WallId = best.Id, Along = Math.Round(place, 3), SwingsRight = left < 0 }, edit.Sure);
    }

    public static EditAnswer From(Plan plan, SetOpeningFrom edit, Func<Plan, string, LevelSpace> spaces)
    {
        if (plan.Find<Opening>(edit.Id) is not { } opening || plan.Find<Wall>(opening.WallId) is not { } wall)
            return EditAnswer.No("id", "The opening is no longer there.");
        if (edit.Corner != Stays.Middle && !(edit.Distance >= 0 && edit.Distance <= SizeSense.Longest))
            return EditAnswer.No("distance", "The distance from the corner must be 0 or more.");
        var (from, to) = OpeningCorners.Between(spaces(plan, wall.LevelId), wall, opening.Along, edit.Left);
        var along = edit.Corner switch
        {
            Stays.Start => from + edit.Distance + opening.Width / 2,
            Stays.End => to - edit.Distance - opening.Width / 2,
            _ => (from + to) / 2,
        };
        if (along - opening.Width / 2 < from - Tolerance.Length || along + opening.Width / 2 > to + Tolerance.Length)
            return EditAnswer.No(
                "distance",
                $"The wall is {LengthText.Tell(to - from, plan.Details.Units)} from corner to corner on this side; with {LengthText.Tell(opening.Width, plan.Details.Units)} of opening at most {LengthText.Tell(Math.Max(0, to - from - opening.Width), plan.Details.Units)} is left beside it."
            );
        return Put(plan, opening with { Along = along }, true);
    }

    /// <summary>What it is called within a sentence.</summary>
    private static string Called(Opening opening) => opening.Name.Length > 0 ? opening.Name : OpeningSizes.Of(opening.Kind).Name;

    public static string NameOf(Opening opening) =>
        opening.Name.Length > 0
            ? opening.Name
            : char.ToUpperInvariant(OpeningSizes.Of(opening.Kind).Name[0]) + OpeningSizes.Of(opening.Kind).Name[1..];
}
