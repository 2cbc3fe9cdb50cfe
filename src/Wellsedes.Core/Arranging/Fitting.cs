using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Arranging;

/// <summary>
/// Whether a thing fits where it stands. Lengths in mm: how wide and deep the free space is there along its own sides, from its
/// middle to what is next on each side, and the shortest straight move found after which it stands in nothing.
/// </summary>
/// <param name="FreeWidth">Free along its width; null where nothing near bounds it.</param>
/// <param name="FreeDepth">Free along its depth; null where nothing near bounds it.</param>
/// <param name="Into">How deep it stands in what it stands in most.</param>
/// <param name="What">What it stands in most: "a wall"; "" when that is nothing, but it is outside every room.</param>
/// <param name="Move">A move to the nearest place where it fits; null when none was found.</param>
public sealed record Fit(bool Fits, double? FreeWidth, double? FreeDepth, double Into, string What, Point? Move)
{
    public static readonly Fit Well = new(true, null, null, 0, "", null);
}

public static class Fitting
{
    /// <summary>Nothing further off is looked at, in mm.</summary>
    private const double Farthest = 8000;

    private static readonly double[] Reaches = [400, 1500, Farthest];

    /// <summary>Directions are tried every so many degrees, and along the thing's own sides.</summary>
    private const double EveryDegrees = 7.5;

    /// <param name="overlaps">Those of the level, as they were found.</param>
    /// <param name="ways">Drawn ways, into which nothing is moved.</param>
    public static Fit Of(
        LevelSpace space,
        IReadOnlyList<PlacedItem> items,
        IEnumerable<Overlap> overlaps,
        PlacedItem item,
        IEnumerable<KeptWay> ways
    )
    {
        var own = overlaps.Where(overlap => overlap.ItemId == item.Item.Id || overlap.OtherId == item.Item.Id).ToArray();
        if (own.Length == 0)
            return Fit.Well;
        var worst = own.MaxBy(overlap => overlap.Depth)!;
        var what =
            worst.Kind == OverlapKind.OutsideRooms ? ""
            : worst.ItemId == item.Item.Id ? worst.OtherName
            : worst.ItemName;
        var at = item.Item.Placement;
        var box = item.Bounds.Grown(Farthest);
        PlacedItem[] near = [item, .. items.Where(other => other != item && box.Meets(other.Bounds))];
        Convex[] others = [.. Overlaps.InTheWay(space, near, 0, box)];
        var (width, depth) = (item.Form.Body.Width, item.Form.Body.Height);
        return new Fit(
            false,
            FreeAlong(at, width, depth, others, across: true),
            FreeAlong(at, width, depth, others, across: false),
            worst.Depth,
            what,
            NearestMove(space, item, item.LiesFlat ? others : [.. others, .. ways.SelectMany(way => way.Strip.Legs)])
        );
    }

    /// <summary>
    /// The free length along a thing's own width or depth, in the strip that its body sweeps: from what is next on one side of its
    /// middle to what is next on the other. Null where one side is open.
    /// </summary>
    private static double? FreeAlong(Placement at, double width, double depth, IReadOnlyList<Convex> others, bool across)
    {
        var half = (across ? depth : width) / 2 - 1;
        double? before = null,
            after = null;
        foreach (var other in others)
        {
            var (from, to) = Within(other, at, half, across);
            if (double.IsNaN(from))
                continue;
            // What is over the middle bounds the side on which more of it lies.
            if ((from + to) / 2 <= 0)
                before = Math.Max(before ?? double.NegativeInfinity, Math.Min(to, 0));
            else
                after = Math.Min(after ?? double.PositiveInfinity, Math.Max(from, 0));
        }
        return before is { } low && after is { } high ? high - low : null;
    }

    /// <summary>From where to where a shape lies along an axis within a strip about it; not a number where it does not.</summary>
    private static (double From, double To) Within(Convex shape, Placement at, double half, bool across)
    {
        var (from, to) = (double.NaN, double.NaN);
        var ring = shape.Outline(2).Select(at.In).Select(p => across ? p : new Point(p.Y, p.X)).ToArray();
        for (var i = 0; i < ring.Length; i++)
        {
            var (a, b) = (ring[i], ring[(i + 1) % ring.Length]);
            if (Math.Abs(a.Y) <= half)
                Take(a.X);
            foreach (var edge in (double[])[-half, half])
                if ((a.Y - edge) * (b.Y - edge) < 0)
                    Take(a.X + (b.X - a.X) * (edge - a.Y) / (b.Y - a.Y));
        }
        return (from, to);

        void Take(double x) => (from, to) = (double.IsNaN(from) ? x : Math.Min(from, x), double.IsNaN(to) ? x : Math.Max(to, x));
    }

    private static Point? NearestMove(LevelSpace space, PlacedItem item, IReadOnlyList<Convex> others)
    {
        Convex[] own = [.. item.Standing];
        var turn = item.Item.Rotation;
        Point[] directions =
        [
            .. Enumerable.Range(0, (int)(360 / EveryDegrees)).Select(i => Point.At(turn + i * EveryDegrees)),
            .. Enumerable.Range(0, 4).Select(i => Point.At(90 * i)),
        ];
        foreach (var reach in Reaches)
        {
            var box = item.Bounds.Grown(reach);
            MeetingMoves[] differences =
            [
                .. from shape in own from other in others where box.Meets(other.Bounds) select new MeetingMoves(shape, other),
            ];
            var moves =
                from direction in directions
                from far in Clearing.AllFree(differences, direction, reach)
                orderby far
                select direction * far;
            foreach (var by in moves)
            {
                var move = new Placement(by.X, by.Y, 0);
                var isInside = space.Rooms.Length == 0 || space.RoomAt(item.Item.Placement.Origin + by) is not null;
                if (isInside && own.Select(shape => shape.At(move)).All(shape => others.All(other => Clearing.Clears(shape, other))))
                    return by;
            }
        }
        return null;
    }
}
