using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Arranging;

/// <summary>Where a thing snaps to: where it comes to rest when it is let go near something it belongs to.</summary>
/// <param name="Caught">What drew it there, for the person: "back to the wall", "in line with Table 3"; empty when nothing did.</param>
/// <param name="Guide">The line to show, from and to; null when nothing did.</param>
public sealed record Settled(Placement Placement, string Caught, Point? GuideFrom = null, Point? GuideTo = null);

public static class Snapping
{
    /// <summary>
    /// Draws a thing with its back to a wall that is within the catch distance in mm, there into the corner or beside another of its
    /// kind; else flush beside another of its kind, onto a setting-out line, or in line with the middle of another thing.
    /// </summary>
    /// <param name="hold">Where it was taken hold of, in its own frame: what is nearest to that comes onto setting-out lines, before all else where it is not the middle.</param>
    public static Settled Of(PlacedItem thing, LevelSpace space, IReadOnlyList<PlacedItem> others, double catchDistance, Point? hold = null)
    {
        if (catchDistance <= 0)
            return new Settled(thing.Item.Placement, "");
        var grip = hold is { } taken ? Grip.Nearest(thing.Form.Body, taken) : Grip.Middle;
        if (grip != Grip.Middle && OnLines(thing, space, catchDistance, grip) is { } lined)
            return lined;
        if (thing.Kind.BackToWall && BackToWall(thing, space, catchDistance) is { } backed)
            return Sideways.Along(thing, backed, space, others, catchDistance) ?? backed;
        return Sideways.Beside(thing, others, catchDistance)
            ?? OnLines(thing, space, catchDistance, Grip.Middle)
            ?? InLine(thing, others, catchDistance)
            ?? new Settled(thing.Item.Placement, "");
    }

    /// <summary>A point of a thing onto a setting-out line, or onto a crossing of two.</summary>
    private static Settled? OnLines(PlacedItem thing, LevelSpace space, double catchDistance, Grip grip)
    {
        var at = thing.Item.Placement;
        var held = at.Out(grip.At);
        var near = space
            .Fixtures.SettingOutLines.Select(line => (line, Foot: line.Through + line.Along * (held - line.Through).Dot(line.Along)))
            .Where(l => l.Foot.DistanceTo(held) <= catchDistance)
            .OrderBy(l => l.Foot.DistanceTo(held))
            .ToArray();
        if (near.Length == 0)
            return null;
        var (first, foot) = near[0];
        foreach (var (second, _) in near.Skip(1))
            if (new EndlessLine(first.Through, first.Along).Crossing(new EndlessLine(second.Through, second.Along), 0.05) is { } meet)
                return Onto(meet, "on a crossing");
        return Onto(foot, "on a setting-out line");

        Settled Onto(Point to, string caught) =>
            new(
                at with
                {
                    X = at.X + to.X - held.X,
                    Y = at.Y + to.Y - held.Y,
                },
                caught + grip.Words,
                to - first.Along * 600,
                to + first.Along * 600
            );
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

/// <summary>A point of a thing by which it is set on lines, in its own frame.</summary>
/// <param name="Words">How it is told; "" for the middle.</param>
public readonly record struct Grip(Point At, string Words)
{
    public static readonly Grip Middle = new(default, "");

    /// <summary>Which of the middle, the corners and the middles of the sides of a body is nearest to a point.</summary>
    public static Grip Nearest(Bounds body, Point taken)
    {
        var (x, y) = (body.Centre.X, body.Centre.Y);
        Grip[] all =
        [
            Middle,
            .. from corner in (Point[])
                [new(body.MinX, body.MinY), new(body.MaxX, body.MinY), new(body.MaxX, body.MaxY), new(body.MinX, body.MaxY)]
            select new Grip(corner, ", by its corner"),
            new(new Point(x, body.MinY), ", by its front"),
            new(new Point(x, body.MaxY), ", by its back"),
            new(new Point(body.MinX, y), ", by its side"),
            new(new Point(body.MaxX, y), ", by its side"),
        ];
        return all.MinBy(grip => grip.At.DistanceTo(taken));
    }
}
