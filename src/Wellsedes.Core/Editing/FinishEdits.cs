using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Editing;

/// <summary>Gives a floor or items a finish, or changes it. One thing has one finish in a scheme.</summary>
public sealed record PutFinish(Finish Finish) : Edit;

internal static class FinishEdits
{
    /// <summary>The edits this file answers.</summary>
    public static ImmutableArray<EditKind> Kinds { get; } =
    [EditKind.Of<PutFinish>("put-finish", "Give a finish", "Gave a finish", (tools, plan, e) => Put(plan, e.Finish))];

    private static EditAnswer Put(Plan plan, Finish finish)
    {
        finish = finish with { Rotation = AngleText.Normal(finish.Rotation), Tint = finish.Tint.ToUpperInvariant() };
        var before = plan.Find(finish.Id);
        return Editor.Swap($"{(before is null ? "Put" : "Changed")} the finish of {NameOf(plan, finish)}", before, finish);
    }

    /// <summary>What a finish is of, in words.</summary>
    public static string NameOf(Plan plan, Finish finish) =>
        finish.Of == FinishOf.RoomWalls ? $"the walls of {plan.Find<Room>(finish.TargetId)?.Name ?? "a room"}"
        : finish.Of == FinishOf.Kind ? plan.CatalogueItem(finish.TargetId)?.Name ?? "a kind"
        : plan.Find<Room>(finish.TargetId) is { } room ? room.Name
        : plan.Find(finish.TargetId) is { } target ? EntityWords.Called(plan, target)
        : "something";

    /// <summary>Finishes go with what they are of.</summary>
    public static Change Without(Plan plan, Change change)
    {
        var gone = change.Entities.Where(entity => entity.After is null).Select(entity => entity.Id).ToHashSet();
        if (gone.Count == 0)
            return change;
        EntityChange[] orphans =
        [
            .. plan.All<Finish>()
                .Where(finish => !gone.Contains(finish.Id) && gone.Contains(finish.TargetId))
                .Select(finish => new EntityChange(finish, null)),
        ];
        return orphans.Length == 0 ? change : change with { Entities = [.. change.Entities, .. orphans] };
    }

    public static Problem? Check(Plan plan, Finish finish)
    {
        if (!Tints.IsTint(finish.Tint))
            return new Problem(
                "tint",
                $"\"{(finish.Tint.Length <= 20 ? finish.Tint : finish.Tint[..20] + "…")}\" is no tint; it is written #RRGGBB."
            );
        if (!(finish.Opacity >= 0.05 && finish.Opacity <= 1))
            return new Problem("opacity", "The opacity must be from 0.05 to 1.");
        if (SizeSense.CheckAngle("rotation", finish.Rotation) is { } turned)
            return turned;
        var isThere = finish.Of switch
        {
            FinishOf.Room or FinishOf.RoomWalls => plan.Find<Room>(finish.TargetId) is not null,
            FinishOf.Zone or FinishOf.ItemsInZone => plan.Find<Thing>(finish.TargetId) is { } thing
                && thing.Counts()
                && thing is IOfScheme of
                && of.SchemeId == finish.SchemeId,
            FinishOf.Wall => plan.Find<Wall>(finish.TargetId) is not null,
            FinishOf.Kind => plan.CatalogueItem(finish.TargetId) is not null,
            _ => plan.Find<Item>(finish.TargetId) is { } item && item.SchemeId == finish.SchemeId,
        };
        if (!isThere)
            return new Problem("targetId", "What the finish is of is not there in this scheme.");
        if (
            plan.OfScheme<Finish>(finish.SchemeId)
                .Any(other => other.Id != finish.Id && other.Of == finish.Of && other.TargetId == finish.TargetId)
        )
            return new Problem("targetId", $"{NameOf(plan, finish)} has a finish already; change that one.");
        if ((finish.Pattern == FinishPattern.Picture) != finish.Picture is not null)
            return new Problem("picture", "A floor laid with a picture needs one, and other patterns have none.");
        if (finish.Picture?.Wrong() is { } wrong)
            return new Problem(wrong.Field, wrong.Message);
        if (!finish.IsOfFloor)
            return finish.Pattern == FinishPattern.Plain
                ? null
                : new Problem("pattern", "Items and walls have a plain tint; patterns are for floors.");
        return finish.Pattern switch
        {
            FinishPattern.Boards => Size("width", "board", finish.Width, 20, 1000) ?? Size("length", "board", finish.Length, 100, 6000),
            FinishPattern.Herringbone => Size("width", "block", finish.Width, 20, 500)
                ?? Size("length", "block", finish.Length, 2 * finish.Width, 20 * finish.Width),
            FinishPattern.Tiles => Size("width", "tile", finish.Width, 20, 3000) ?? Size("length", "tile", finish.Length, 20, 3000),
            FinishPattern.Picture => Size("width", "picture", finish.Width, 50, 20_000)
                ?? Size("length", "picture", finish.Length, 50, 20_000),
            _ => null,
        };
    }

    private static Problem? Size(string field, string of, double value, double least, double most) =>
        value >= least - Tolerance.Length && value <= most + Tolerance.Length
            ? null
            : new Problem(
                field,
                $"The {field} of a {of} must be from {LengthText.WriteMetric(least)} to {LengthText.WriteMetric(most)} mm; {value:0.##} was given."
            );
}
