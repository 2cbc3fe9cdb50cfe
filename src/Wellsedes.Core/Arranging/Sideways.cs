using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Arranging;

/// <summary>Things that come to rest with a side against something: the wall of a corner, another of their kind.</summary>
internal static class Sideways
{
    /// <summary>A thing with its back to a wall, moved along it by no more than the catch distance in mm: into the corner, or flush beside another.</summary>
    public static Settled? Along(PlacedItem thing, Settled backed, LevelSpace space, IReadOnlyList<PlacedItem> others, double catchDistance)
    {
        var at = backed.Placement;
        var (along, away) = (at.Turned(new Point(1, 0)), at.Turned(new Point(0, -1)));
        Convex[] body = [.. thing.Form.Solids.Select(solid => solid.At(at))];
        var (own, deep) = (Convex.Reach(body, along), Convex.Reach(body, away));
        (double Step, string Caught)? best = null;
        foreach (var piece in space.Pieces.Where(piece => piece.Opening is not { Kind: not OpeningKind.Window }))
            // The wall it backs onto lies behind it; one that stands out beside it is a corner's.
            if (Overlaps(Convex.Reach([piece.Body], away), deep))
                Offer(Convex.Reach([piece.Body], along), "into the corner");
        foreach (var other in others)
            if (IsOfKind(other, thing) && Overlaps(Convex.Reach(other.Solids, away), deep))
                Offer(Convex.Reach(other.Solids, along), $"beside {other.Name}");
        if (best is not var (step, caught))
            return null;
        var end = at with { X = at.X + along.X * step, Y = at.Y + along.Y * step };
        return new Settled(end, caught, backed.GuideFrom, backed.GuideTo);

        void Offer((double From, double To) obstacle, string what)
        {
            var middle = (own.From + own.To) / 2;
            var by = (obstacle.From + obstacle.To) / 2 > middle ? obstacle.From - own.To : obstacle.To - own.From;
            if (Math.Abs(by) <= catchDistance && (best is null || Math.Abs(by) < Math.Abs(best.Value.Step)))
                best = (by, what);
        }
    }

    /// <summary>Flush beside another of its kind, turned as that is and in line with it; not where it would stand in something.</summary>
    public static Settled? Beside(PlacedItem thing, IReadOnlyList<PlacedItem> others, double catchDistance)
    {
        var at = thing.Item.Placement.Origin;
        var body = thing.Form.Body;
        var reach = catchDistance + body.Width + body.Height;
        Settled? best = null;
        var least = catchDistance;
        foreach (var other in others)
        {
            if (!IsOfKind(other, thing) || other.Bounds.DistanceTo(at) > reach)
                continue;
            var frame = other.Item.Placement;
            var beside = other.Form.Body;
            // Fronts in one line: desks and cupboards of other depths stand flush in front.
            var y = beside.MinY - body.MinY;
            foreach (var x in (double[])[beside.MaxX - body.MinX, beside.MinX - body.MaxX])
            {
                var origin = frame.Out(new Point(x, y));
                var far = origin.DistanceTo(at);
                if (far > least)
                    continue;
                var place = new Placement(origin.X, origin.Y, frame.Rotation);
                if (StandsInSomething(thing, place, others))
                    continue;
                least = far;
                best = new Settled(place, $"beside {other.Name}", origin, frame.Origin);
            }
        }
        return best;
    }

    private static bool IsOfKind(PlacedItem other, PlacedItem thing) =>
        other.Item.Id != thing.Item.Id && other.Kind.Key == thing.Kind.Key && Math.Abs(other.Bottom - thing.Bottom) <= Tolerance.Length;

    private static bool StandsInSomething(PlacedItem thing, Placement at, IReadOnlyList<PlacedItem> others)
    {
        Convex[] standing =
        [
            .. thing.Form.Solids.Select(solid => solid.At(at)),
            .. thing.Form.Seats.Where(seat => seat.AtTable).Select(seat => seat.Zone(thing.Checks.OccupiedDepth).At(at)),
        ];
        var box = standing.Aggregate(Bounds.Empty, (all, shape) => all.Including(shape.Bounds));
        return others.Any(other =>
            other.Item.Id != thing.Item.Id
            && !other.LiesFlat
            && other.Bounds.Grown(thing.Checks.OccupiedDepth).Meets(box)
            && other.Standing.Any(a => standing.Any(b => !Clearing.Clears(a, b)))
        );
    }

    private static bool Overlaps((double From, double To) a, (double From, double To) b) =>
        Math.Min(a.To, b.To) - Math.Max(a.From, b.From) > 1;
}
