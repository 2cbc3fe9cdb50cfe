using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Walkways;

/// <summary>
/// How much of a drawn way is free: the diameter of the largest disc that gets along its floor from end to end, at most its own width. Discs
/// of a diameter d are stopped when things and the two sides of the way, each grown by d/2, touch in a row from one side to the other; so
/// the width is the least, over all such rows, of the widest gap in the row.
/// </summary>
public static class DrawnWays
{
    /// <summary>A thing as it stands in one leg of the way; the sides are two more, in every leg.</summary>
    private readonly record struct Part(Obstacle Whole, Obstacle Obstacle, int Leg);

    /// <summary>The ways that are drawn, as free as they are.</summary>
    public static ImmutableArray<Way> All(IEnumerable<KeptWay> ways, WalkwayGround ground, Work? work) =>
        [.. ways.Select(way => Of(way, ground.Graph.Index.Meeting(way.Strip.Bounds), work))];

    /// <param name="obstacles">At least those that stand in its box.</param>
    /// <exception cref="TooMuchWorkException">The work given is not enough.</exception>
    public static Way Of(KeptWay way, IEnumerable<Obstacle> obstacles, Work? work = null)
    {
        var strip = way.Strip;
        var (left, right) = (Side(way, strip.Left, "left"), Side(way, strip.Right, "right"));
        Obstacle[] all = [.. obstacles];
        Array.Sort(all, Obstacle.InOrder);
        var last = strip.Legs.Length - 1;
        Part[] parts =
        [
            .. from obstacle in all
            from leg in Enumerable.Range(0, strip.Legs.Length)
            where
                obstacle.Shape.Bounds.Meets(strip.Legs[leg].Bounds)
                && Gap.Between(obstacle.Shape, strip.Legs[leg]).Width < -Tolerance.Length
            // What stands before one of its ends bears on the way only as far as it reaches in.
            let first = leg == 0 ? Inside(obstacle, strip, 0, 1) : obstacle
            select new Part(obstacle, leg == last ? Inside(first, strip, last + 1, last) : first, leg),
        ];
        var target = new Target(
            way.Id,
            way.Name,
            TargetKind.Drawn,
            0,
            strip.Width,
            [new Access(null, strip.Middle.Origin, default)],
            AskedBy: way.Name
        );
        var free = new Way(target, strip.Width, null, target.Access[0]);
        // From the left side on, always to what is reached over the narrowest gap (Prim); the widest gap on the way there decides.
        var reached = new Pinch?[parts.Length];
        var done = new bool[parts.Length];
        Pinch? across = null;
        for (var i = 0; i < parts.Length; i++)
            reached[i] = Between(left[parts[i].Leg], parts[i].Obstacle);
        while (true)
        {
            var next = -1;
            for (var i = 0; i < parts.Length; i++)
                if (!done[i] && (next < 0 || reached[i]!.Width < reached[next]!.Width))
                    next = i;
            if (next < 0 || (across is not null && across.Width <= reached[next]!.Width))
                break;
            work?.Count(parts.Length);
            done[next] = true;
            var (from, so) = (parts[next], reached[next]!);
            across = Narrower(across, Wider(so, Between(from.Obstacle, right[from.Leg])));
            for (var i = 0; i < parts.Length; i++)
                if (!done[i] && Math.Abs(parts[i].Leg - from.Leg) <= 1)
                    reached[i] = Narrower(
                        reached[i],
                        parts[i].Whole == from.Whole ? so : Wider(so, Between(from.Obstacle, parts[i].Obstacle))
                    );
        }
        return across is null || Tolerance.Meets(across.Width, strip.Width)
            ? free
            : free with
            {
                Width = Math.Max(0, across.Width),
                Pinch = across,
                Access = new Access(null, Point.Middle(across.OnA, across.OnB), default),
            };
    }

    /// <summary>As far off a rounded side as it is cut, in mm.</summary>
    private const double Sag = 0.01;

    /// <summary>What of an obstacle near an end lies beyond the line across it; the obstacle itself where that line does not cut it.</summary>
    private static Obstacle Inside(Obstacle obstacle, Strip strip, int end, int next)
    {
        var (at, inwards) = (strip.Line[end], (strip.Line[next] - strip.Line[end]).Unit());
        double Depth(Point p) => (p - at).Dot(inwards);
        var shape = obstacle.Shape;
        if (Depth(shape.Support(inwards * -1)) >= 0 || Depth(shape.Support(inwards)) <= 0)
            return obstacle;
        var ring = shape.Outline(Sag);
        List<Point> kept = [];
        for (var i = 0; i < ring.Length; i++)
        {
            var (p, after) = (ring[i], ring[(i + 1) % ring.Length]);
            var (a, b) = (Depth(p), Depth(after));
            if (a >= 0)
                kept.Add(p);
            if ((a < 0) != (b < 0))
                kept.Add(p + (after - p) * (a / (a - b)));
        }
        return kept.Count < 3 ? obstacle : new Obstacle(obstacle.OwnerId, obstacle.Name, $"{obstacle.OwnerId} within", Convex.HullOf(kept));
    }

    private static Obstacle[] Side(KeptWay way, ImmutableArray<Point> corners, string part) =>
        [
            .. Enumerable
                .Range(0, corners.Length - 1)
                .Select(i => new Obstacle(way.Id, $"its {part} side", $"{part}{i}", Convex.Capsule(corners[i], corners[i + 1], 0))),
        ];

    private static Pinch Between(Obstacle a, Obstacle b)
    {
        var gap = Gap.Between(a.Shape, b.Shape);
        return new Pinch(a, b, gap.A, gap.B, gap.Width);
    }

    private static Pinch Wider(Pinch a, Pinch b) => b.Width > a.Width ? b : a;

    private static Pinch Narrower(Pinch? a, Pinch b) => a is null || b.Width < a.Width ? b : a;
}
