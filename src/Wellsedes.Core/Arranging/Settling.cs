using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Arranging;

/// <summary>Where a thing comes to rest when it is let go near something it belongs to.</summary>
/// <param name="Caught">What drew it there, for the person: "back to the wall", "in line with Table 3"; empty when nothing did.</param>
/// <param name="Guide">The line to show, from and to; null when nothing did.</param>
public sealed record Settled(Placement Placement, string Caught, Point? GuideFrom = null, Point? GuideTo = null);

public static class Settling
{
    /// <summary>
    /// Draws a thing with its back to a wall that is within the catch distance in mm, there into the corner or beside another of its
    /// kind; else flush beside another of its kind, onto a setting-out line, or in line with the middle of another thing.
    /// </summary>
    public static Settled Of(PlacedItem thing, LevelSpace space, IReadOnlyList<PlacedItem> others, double catchDistance)
    {
        if (catchDistance <= 0)
            return new Settled(thing.Item.Placement, "");
        if (thing.Kind.BackToWall && BackToWall(thing, space, catchDistance) is { } backed)
            return Sideways.Along(thing, backed, space, others, catchDistance) ?? backed;
        return Sideways.Beside(thing, others, catchDistance)
            ?? OnLines(thing, space, catchDistance)
            ?? InLine(thing, others, catchDistance)
            ?? new Settled(thing.Item.Placement, "");
    }

    /// <summary>The middle of a thing onto a setting-out line, or onto a crossing of two.</summary>
    private static Settled? OnLines(PlacedItem thing, LevelSpace space, double catchDistance)
    {
        var at = thing.Item.Placement;
        var near = space
            .Fixtures.SettingOutLines.Select(line => (line, Foot: line.Through + line.Along * (at.Origin - line.Through).Dot(line.Along)))
            .Where(l => l.Foot.DistanceTo(at.Origin) <= catchDistance)
            .OrderBy(l => l.Foot.DistanceTo(at.Origin))
            .ToArray();
        if (near.Length == 0)
            return null;
        var (first, foot) = near[0];
        foreach (var (second, _) in near.Skip(1))
        {
            if (new EndlessLine(first.Through, first.Along).Crossing(new EndlessLine(second.Through, second.Along), 0.05) is not { } meet)
                continue;
            return new Settled(at with { X = meet.X, Y = meet.Y }, "on a crossing", meet - first.Along * 600, meet + first.Along * 600);
        }
        return new Settled(at with { X = foot.X, Y = foot.Y }, "on a setting-out line", foot - first.Along * 600, foot + first.Along * 600);
    }

    private static Settled? BackToWall(PlacedItem thing, LevelSpace space, double catchDistance)
    {
        var at = thing.Item.Placement;
        var depth = thing.Form.Body.MaxY;
        var reach = Math.Max(depth, thing.Form.Body.MaxX) + catchDistance;
        Settled? best = null;
        var least = double.PositiveInfinity;
        foreach (var wall in space.Pieces.Select(piece => piece.Wall).Distinct())
        {
            var line = wall.Line;
            var (run, off) = line.Nearest(at.Origin);
            var along = line.Direction(run);
            var distance = Math.Abs(off) - wall.Thickness / 2;
            if (run <= 0 || run >= line.Length || distance > reach || distance >= least)
                continue;
            var side = Math.Sign(off);
            if (side == 0)
                continue;
            var away = along.Left() * side;
            var place = AgainstWall(wall, run, side, depth);
            least = distance;
            best = new Settled(
                place,
                "back to the wall",
                place.Origin - away * depth - along * 400,
                place.Origin - away * depth + along * 400
            );
        }
        return best;
    }

    /// <summary>
    /// Where a thing stands with its back to a wall, at a distance along it, on its left (1) or right (-1): its front looks away from the
    /// wall. Depth is from its middle to its back, in mm.
    /// </summary>
    internal static Placement AgainstWall(Wall wall, double run, int side, double depth)
    {
        var away = wall.Line.Direction(run).Left() * side;
        var at = wall.Line.At(run) + away * (wall.Thickness / 2 + depth);
        return new Placement(at.X, at.Y, Angles.Looking(away));
    }

    private static Settled? InLine(PlacedItem thing, IReadOnlyList<PlacedItem> others, double catchDistance)
    {
        var at = thing.Item.Placement;
        PlacedItem? onX = null,
            onY = null;
        foreach (var other in others)
        {
            if (other.Item.Id == thing.Item.Id || other.Kind.Kind != thing.Kind.Kind)
                continue;
            var (dx, dy) = (Math.Abs(other.Item.X - at.X), Math.Abs(other.Item.Y - at.Y));
            if (dx < catchDistance && dy < 8000 && (onX is null || dy < Math.Abs(onX.Item.Y - at.Y)))
                onX = other;
            if (dy < catchDistance && dx < 8000 && (onY is null || dx < Math.Abs(onY.Item.X - at.X)))
                onY = other;
        }
        if (onX is null && onY is null)
            return null;
        var settled = new Placement(onX?.Item.X ?? at.X, onY?.Item.Y ?? at.Y, at.Rotation);
        var shown = onX ?? onY!;
        return new Settled(settled, $"in line with {shown.Name}", settled.Origin, shown.Item.Placement.Origin);
    }
}
