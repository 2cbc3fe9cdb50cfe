using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Arranging;

/// <summary>What of things comes to lie in one line, seen along the axes of the one that stays: edges on one side, or middles.</summary>
public enum LineUpBy
{
    WestEdges,
    EastEdges,
    SouthEdges,
    NorthEdges,

    /// <summary>Middles on a line that goes up the plan.</summary>
    UprightMiddles,

    /// <summary>Middles on a line that goes across the plan.</summary>
    LevelMiddles,
}

/// <summary>Which way things follow each other.</summary>
public enum SpreadAlong
{
    Across,
    Up,
}

/// <summary>
/// Where things come to stand when they are lined up, spaced or set along something. A thing is taken by its body, without the
/// chairs at it, or with them while people sit. Turned things keep their turn; what is moved is told by id, in mm.
/// </summary>
internal static class LiningUp
{
    /// <summary>The place of each thing that has to move.</summary>
    public readonly record struct Move(string Id, Placement To);

    /// <summary>How far a thing reaches along a direction, from least to most, in mm.</summary>
    private readonly record struct Extent(PlacedItem Item, double From, double To)
    {
        public double Length => To - From;
        public double Middle => (From + To) / 2;
    }

    public static ImmutableArray<Move> Up(IReadOnlyList<PlacedItem> things, PlacedItem stays, LineUpBy by, bool withSeats)
    {
        var (across, up) = AxesOf(stays);
        var axis = by is LineUpBy.WestEdges or LineUpBy.EastEdges or LineUpBy.UprightMiddles ? across : up;
        var goal = At(ExtentOf(stays, axis, withSeats), by);
        return Moved(
            things
                .Where(thing => thing.Item.Id != stays.Item.Id)
                .Select(thing => (thing, Step: axis * (goal - At(ExtentOf(thing, axis, withSeats), by))))
        );
    }

    private static double At(Extent extent, LineUpBy by) =>
        by switch
        {
            LineUpBy.WestEdges or LineUpBy.SouthEdges => extent.From,
            LineUpBy.EastEdges or LineUpBy.NorthEdges => extent.To,
            _ => extent.Middle,
        };

    /// <summary>
    /// Things follow each other with a clear gap, with a pitch from middle to middle, or, where neither is said, with equal gaps between the first and the last,
    /// which stay. Null where they do not fit between those.
    /// </summary>
    public static ImmutableArray<Move>? Spread(
        IReadOnlyList<PlacedItem> things,
        SpreadAlong along,
        double? gap,
        double? pitch,
        bool withSeats
    )
    {
        var (across, up) = AxesOf(things[0]);
        var axis = along == SpreadAlong.Across ? across : up;
        Extent[] inOrder =
        [
            .. things
                .Select(thing => ExtentOf(thing, axis, withSeats))
                .OrderBy(extent => extent.Middle)
                .ThenBy(extent => extent.Item.Item.Id, StringComparer.Ordinal),
        ];
        if (gap is null && pitch is null)
        {
            gap = (inOrder[^1].To - inOrder[0].From - inOrder.Sum(extent => extent.Length)) / (inOrder.Length - 1);
            if (gap < -Tolerance.Length)
                return null;
        }
        List<(PlacedItem, Point)> steps = [];
        var (middle, end) = (inOrder[0].Middle, inOrder[0].To);
        foreach (var extent in inOrder.Skip(1))
        {
            middle = pitch is { } apart ? middle + apart : end + gap!.Value + extent.Length / 2;
            end = middle + extent.Length / 2;
            steps.Add((extent.Item, axis * (middle - extent.Middle)));
        }
        return Moved(steps);
    }

    /// <summary>Middles onto a line or an arc, the first at its start and the last at its end, evenly; turned with it where asked.</summary>
    public static ImmutableArray<Move> Along(IReadOnlyList<PlacedItem> things, BowedLine line, bool turned)
    {
        var inOrder = InOrder(things, line);
        return
        [
            .. inOrder
                .Select(
                    (thing, i) =>
                    {
                        var run = inOrder.Length == 1 ? line.Length / 2 : line.Length * i / (inOrder.Length - 1);
                        var at = line.At(run);
                        var rotation = turned ? Math.Round(Angles.Of(line.Direction(run)), 9) : thing.Item.Rotation;
                        return new Move(thing.Item.Id, new Placement(at.X, at.Y, Units.AngleText.Normal(rotation)));
                    }
                )
                .Where((move, i) => IsElsewhere(inOrder[i].Item.Placement, move.To)),
        ];
    }

    /// <summary>
    /// Backs to a wall, on the side of it where the first of them is: each where it is along the wall, or one after another from the
    /// first with a clear gap.
    /// </summary>
    public static ImmutableArray<Move> AlongWall(IReadOnlyList<PlacedItem> things, Wall wall, double? gap)
    {
        var line = wall.Line;
        var side = line.Nearest(things[0].Item.Placement.Origin).Left >= 0 ? 1 : -1;
        var inOrder = InOrder(things, line);
        List<Move> moves = [];
        double? end = null;
        foreach (var thing in inOrder)
        {
            var body = thing.Form.Body;
            // Its own x runs against the wall's way on its left side: its right half comes first there.
            var (before, after) = side > 0 ? (-body.MinX, body.MaxX) : (body.MaxX, -body.MinX);
            var run = end is { } from && gap is { } apart ? from + apart + before : line.Nearest(thing.Item.Placement.Origin).Along;
            end = run + after;
            var to = Snapping.AgainstWall(wall, run, side, body.MaxY);
            if (IsElsewhere(thing.Item.Placement, to))
                moves.Add(new Move(thing.Item.Id, to));
        }
        return [.. moves];
    }

    private static PlacedItem[] InOrder(IEnumerable<PlacedItem> things, BowedLine line) =>
        [
            .. things
                .OrderBy(thing => line.Nearest(thing.Item.Placement.Origin).Along)
                .ThenBy(thing => thing.Item.Id, StringComparer.Ordinal),
        ];

    /// <summary>The things that lie beneath one: their floors meet it, and their undersides are lower, or they lie flat.</summary>
    public static IEnumerable<PlacedItem> Beneath(PlacedItem thing, IEnumerable<PlacedItem> others) =>
        others.Where(other =>
            other.Item.Id != thing.Item.Id
            && other.Bounds.Meets(thing.Bounds)
            && (other.Bottom < thing.Bottom - Tolerance.Length || (other.LiesFlat && !thing.LiesFlat))
            && other.Solids.Any(a => thing.Solids.Any(b => !Clearing.Clears(a, b)))
        );

    /// <summary>The axes of a plan as they lie at a thing: turned with it by less than an eighth of a turn.</summary>
    private static (Point Across, Point Up) AxesOf(PlacedItem thing)
    {
        var turn = thing.Item.Rotation - 90 * Math.Round(thing.Item.Rotation / 90);
        var across = Point.At(turn);
        return (across, across.Left());
    }

    private static Extent ExtentOf(PlacedItem thing, Point axis, bool withSeats)
    {
        var (from, to) = Convex.Reach(withSeats ? thing.Standing : thing.Solids, axis);
        return new Extent(thing, from, to);
    }

    private static ImmutableArray<Move> Moved(IEnumerable<(PlacedItem Thing, Point Step)> steps) =>
        [
            .. steps
                .Where(step => step.Step.Length > 1e-6)
                .Select(step =>
                {
                    var at = step.Thing.Item.Placement;
                    return new Move(step.Thing.Item.Id, at with { X = at.X + step.Step.X, Y = at.Y + step.Step.Y });
                }),
        ];

    private static bool IsElsewhere(Placement was, Placement to) =>
        was.Origin.DistanceTo(to.Origin) > 1e-6 || Math.Abs(was.Rotation - to.Rotation) > 1e-9;
}
