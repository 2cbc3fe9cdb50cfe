using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Arranging;

/// <summary>A side of something on the plan, north up; of what is turned, the side that lies nearest to it.</summary>
public enum PlanSide
{
    East,
    North,
    West,
    South,
}

/// <summary>The wall that something would meet when pushed straight to one side, and the clear distance to it.</summary>
/// <param name="OtherId">The wall, or the door or window in it.</param>
/// <param name="Distance">In mm; less than 0 for how deep it stands in it.</param>
/// <param name="Towards">The direction of the push, of length 1.</param>
public sealed record WallAhead(PlanSide Side, string OtherId, double Distance, Point Towards);

/// <summary>
/// The clear distances from something to the walls either side of it, the way a tape is held: square to the wall that is
/// nearest, and square to that.
/// </summary>
public static class WallsAround
{
    /// <summary>Of something that may be pushed to all four sides.</summary>
    public static ImmutableArray<WallAhead> Of(IReadOnlyList<Convex> shapes, LevelSpace space)
    {
        if (shapes.Count == 0 || space.Pieces.IsEmpty)
            return [];
        var near = space.Pieces.MinBy(piece => shapes.Min(shape => Gap.Between(shape, piece.Body).Width))!;
        var line = near.Wall.Line;
        var middle = shapes.Aggregate(Bounds.Empty, (box, shape) => box.Including(shape.Bounds)).Centre;
        var along = line.Direction(Math.Clamp(line.Nearest(middle).Along, 0, line.Length));
        // The turn of the four that is nearest to the plan's own.
        while (Math.Abs(along.Y) > Math.Abs(along.X) || along.X < 0)
            along = along.Left();
        (PlanSide, Point)[] ways =
        [
            (PlanSide.East, along),
            (PlanSide.North, along.Left()),
            (PlanSide.West, along * -1),
            (PlanSide.South, along.Left() * -1),
        ];
        return Of(shapes, space, ways);
    }

    /// <summary>Of something that is pushed only square to its own line, to either side.</summary>
    public static ImmutableArray<WallAhead> Beside(BowedLine line, LevelSpace space)
    {
        if (!line.IsStraight || line.Length < Tolerance.Length)
            return [];
        // Its ends run into walls: what stands in its way is looked for a little short of them.
        var (from, to) = Inner(line, space);
        var square = line.Direction(0).Left();
        (PlanSide, Point)[] ways = [(SideOf(square), square), (SideOf(square * -1), square * -1)];
        return Of([from == to ? Convex.Disc(from, 0) : Convex.Capsule(from, to, 0)], space, ways);
    }

    /// <summary>The part of a line between the walls that its ends lie in.</summary>
    private static (Point, Point) Inner(BowedLine line, LevelSpace space)
    {
        double Short(Point end) =>
            space
                .Bodies.Values.Where(body => body.Wall.PlaceOf(end) is not null)
                .Select(body => body.Wall.Thickness)
                .DefaultIfEmpty(0)
                .Max();
        var (start, end) = (Short(line.Start) + 1, Short(line.End) + 1);
        return start + end >= line.Length
            ? (line.At(line.Length / 2), line.At(line.Length / 2))
            : (line.At(start), line.At(line.Length - end));
    }

    private static ImmutableArray<WallAhead> Of(IReadOnlyList<Convex> shapes, LevelSpace space, (PlanSide Side, Point Towards)[] ways)
    {
        var found = new Dictionary<PlanSide, WallAhead>();
        foreach (var piece in space.Pieces)
        {
            WallAhead? within = null;
            var touches = false;
            foreach (var (side, towards) in ways)
            {
                if (Ahead(shapes, piece.Body, towards) is not { } distance)
                    continue;
                var ahead = new WallAhead(side, piece.Opening?.Id ?? piece.Wall.Id, distance, towards);
                touches |= distance == 0;
                if (distance >= 0)
                    Take(ahead);
                else if (within is null || distance > within.Distance)
                    within = ahead;
            }
            // What stands in a wall is told on the side where it leaves it soonest; what only touches one slides along it.
            if (within is not null && !touches)
                Take(within);
        }
        return [.. found.Values.OrderBy(ahead => ahead.Side)];

        void Take(WallAhead ahead)
        {
            if (!found.TryGetValue(ahead.Side, out var known) || ahead.Distance < known.Distance)
                found[ahead.Side] = ahead;
        }
    }

    /// <summary>How far shapes can be pushed before one meets a body; null when they pass it by or have it behind them.</summary>
    private static double? Ahead(IReadOnlyList<Convex> shapes, Convex body, Point way)
    {
        double? least = null;
        foreach (var shape in shapes)
            if (new MeetingMoves(shape, body).On(way) is { } stretch && stretch.To > 2 * MeetingMoves.Hair)
                least = Math.Min(least ?? double.PositiveInfinity, stretch.From + MeetingMoves.Hair);
        return least is { } found && Math.Abs(found) < 2 * MeetingMoves.Hair ? 0 : least;
    }

    private static PlanSide SideOf(Point way) =>
        Math.Abs(way.X) >= Math.Abs(way.Y) - Tolerance.Length
            ? way.X > 0
                ? PlanSide.East
                : PlanSide.West
            : way.Y > 0
                ? PlanSide.North
                : PlanSide.South;
}
