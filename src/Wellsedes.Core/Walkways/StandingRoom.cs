using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Walkways;

/// <summary>The room to stand at one access point: the disc's radius, what stops it, and the rim and face its centre is nearest to.</summary>
/// <param name="DependsOn">It holds for as long as nothing comes or goes in here.</param>
internal sealed record Standing(
    Access Access,
    double Radius,
    Obstacle? Blocker,
    Obstacle? Nearest,
    double RimPosition,
    int Face,
    Bounds DependsOn,
    int Steps
)
{
    /// <summary>The same in a graph whose faces are others.</summary>
    public Standing In(GapGraph graph) =>
        Nearest is not null && graph.FaceAtRim(Nearest, RimPosition) is var face && face != Face ? this with { Face = face } : this;
}

/// <summary>Finds how much room there is to stand.</summary>
internal sealed class StandingRoom(GapGraph graph)
{
    /// <summary>Room beyond this radius in mm at a target makes no way wider in practice, and bounds the search.</summary>
    public const double Most = 2500;

    [ThreadStatic]
    private static List<Obstacle>? buffer;

    /// <summary>Good until the next are asked for on this thread.</summary>
    private List<Obstacle> Meeting(Bounds box)
    {
        var near = buffer ??= [];
        near.Clear();
        graph.Index.Collect(box, near);
        return near;
    }

    public Standing At(Access access)
    {
        var (radius, blocker, steps) = RoomAt(access);
        if (access.IsStoodAt && radius <= 0)
            return new Standing(access, 0, blocker, null, 0, -1, Bounds.At(access.At).Grown(1), steps);
        // The disc's centre, not the point it touches: that point may lie flush against a neighbour.
        var centre = access.On is null ? access.At : access.At + access.Outward * radius;
        IReadOnlyList<Obstacle> near;
        if (access.On is null)
            near = graph.Around(centre);
        else
            near = Meeting(Bounds.At(centre).Grown(radius + 1));
        var (nearest, position) = graph.NearestRim(centre, near);
        steps += near.Count;
        if (nearest is null && access.On is not null && !near.Any(obstacle => obstacle.Grown.DistanceTo(centre) <= 0))
        {
            // In the open, or in a mouth wider than is looked: what the disc does not touch may be the nearest all the same.
            var all = graph.Around(centre);
            (nearest, position) = graph.NearestRim(centre, all);
            steps += all.Count;
        }
        // It holds for as long as nothing comes or goes within its disc, nor what it is found by.
        var reach = nearest is not null ? nearest.Grown.DistanceTo(centre) : 0;
        if (access.On is not null)
            reach = Math.Max(radius, reach);
        var depends = nearest is null && access.On is null && near.Count == 0 ? Bounds.Everything : Bounds.At(centre).Grown(reach + 1);
        var face = nearest is null ? -1 : graph.FaceAtRim(nearest, position);
        return new Standing(access, radius, blocker, nearest, position, face, depends, steps);
    }

    /// <summary>The radius of the largest empty disc touching at an access point, and what stops it growing.</summary>
    public (double Radius, Obstacle? Blocker, int Steps) RoomAt(Access access)
    {
        if (access.On is null)
            return (Most, null, 0);
        if (access.IsStoodAt)
            return RoomRound(access.At);
        var least = Most;
        Obstacle? blocker = null;
        var steps = 0;
        // Look near first: once something near bounds the disc, only what meets that smaller disc can matter.
        foreach (var reach in (ReadOnlySpan<double>)[450, 900, 1500, Most])
        {
            var near = Meeting(Disc(reach, out _));
            steps += near.Count;
            foreach (var other in near)
            {
                Disc(least, out var centre);
                if (other == access.On || other.Shape.Bounds.DistanceTo(centre) > least + Tolerance.Length || !graph.Holds(other))
                    continue;
                var radius = TangentDisc.Radius(access.At, access.Outward, other.Shape);
                if (Stops(radius, other, least, blocker))
                    (least, blocker) = (radius, other);
            }
            if (least <= reach)
                break;
        }
        return (least, blocker, steps);

        Bounds Disc(double radius, out Point centre)
        {
            centre = access.At + access.Outward * radius;
            return Bounds.At(centre).Grown(radius);
        }
    }

    /// <summary>The radius of the largest empty disc about a point, and what it touches; 0 where something stands on it.</summary>
    private (double Radius, Obstacle? Blocker, int Steps) RoomRound(Point at)
    {
        var (least, blocker, steps) = (Most, (Obstacle?)null, 0);
        foreach (var (obstacle, boxDistance) in graph.Index.Nearest(Bounds.At(at)))
        {
            steps++;
            if (boxDistance > least)
                break;
            var distance = Math.Max(0, obstacle.Shape.DistanceTo(at));
            if (graph.Holds(obstacle) && Stops(distance, obstacle, least, blocker))
                (least, blocker) = (distance, obstacle);
        }
        return (least, blocker, steps);
    }

    /// <summary>Whether one is what stops a disc: of two that do so alike the first by name, in whatever order they are looked at.</summary>
    private static bool Stops(double at, Obstacle one, double least, Obstacle? known)
    {
        if (Math.Abs(at - least) > 1e-9 || known is null)
            return at < least;
        var order = string.CompareOrdinal(one.OwnerId, known.OwnerId);
        return order != 0 ? order < 0 : Obstacle.InOrder(one, known) < 0;
    }
}
