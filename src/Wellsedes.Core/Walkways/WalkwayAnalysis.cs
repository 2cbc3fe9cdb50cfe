using System.Collections.Immutable;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Walkways;

/// <summary>
/// The widest way to every target of a scene. The width at a target is min(2 t*, T): t* the radius of the largest
/// empty disc that touches the middle of one of its sides, T the bottleneck of the widest route to that disc.
/// </summary>
public sealed class WalkwayAnalysis
{
    /// <summary>Room beyond this radius in mm at a target makes no way wider in practice, and bounds the search.</summary>
    private const double RoomRadius = 2500;

    /// <summary>More changed obstacles than this, and working everything out anew is quicker than asking what changed.</summary>
    private const int FewChanges = 200;

    /// <summary>The room to stand at one access point: the disc's radius, what stops it, and the rim its centre is nearest to.</summary>
    private sealed record Standing(double Radius, Obstacle? Blocker, Obstacle? Nearest, double RimPosition, Bounds DependsOn, int Steps);

    private readonly SpatialIndex<Obstacle> index;
    private readonly Work? work;
    private readonly Dictionary<Target, Standing?[]> standings = new(ReferenceEqualityComparer.Instance);

    public WalkwayScene Scene { get; }
    public GapGraph Graph { get; }
    public WidestWays Widest { get; }
    public ImmutableArray<Way> Ways { get; }

    /// <exception cref="TooMuchWorkException">The work given is not enough.</exception>
    public WalkwayAnalysis(WalkwayScene scene, WalkwayAnalysis? before = null, Work? work = null)
    {
        Scene = scene;
        this.work = work;
        index = new SpatialIndex<Obstacle>(scene.Obstacles, obstacle => obstacle.Grown.Bounds);
        Graph = GapGraph.Build(index, before?.Graph, work);
        // In a heap most lie inside others and stop nobody that those do not stop.
        if (Graph.Outer.Count < 0.75 * index.Count)
            index = new SpatialIndex<Obstacle>(Graph.Outer, obstacle => obstacle.Grown.Bounds);
        Widest = new WidestWays(Graph, scene.Sources);
        var changed = before is null ? null : Changed(before.Scene, scene);
        foreach (var target in scene.Targets)
            standings[target] =
                changed is not null
                && before!.standings.TryGetValue(target, out var known)
                && !known.Any(standing => standing is not null && changed.Any(box => box.Meets(standing.DependsOn)))
                    ? known
                    : new Standing?[target.Access.Length];
        Ways = [.. scene.Targets.Select(WidestTo)];
    }

    /// <summary>The widest way to a target that is none of the scene's own.</summary>
    public Way To(Target target)
    {
        standings[target] = new Standing?[target.Access.Length];
        var way = WidestTo(target);
        standings.Remove(target);
        return way;
    }

    /// <summary>The boxes of obstacles that came or went; null when there are too many to be worth it.</summary>
    private static List<Bounds>? Changed(WalkwayScene before, WalkwayScene now)
    {
        var old = before.Obstacles.ToHashSet();
        List<Bounds> boxes = [];
        foreach (var obstacle in now.Obstacles)
            if (!old.Remove(obstacle))
                boxes.Add(obstacle.Shape.Bounds);
        boxes.AddRange(old.Select(obstacle => obstacle.Shape.Bounds));
        return boxes.Count > FewChanges ? null : boxes;
    }

    private Way WidestTo(Target target)
    {
        var best = new Way(target, 0, null, target.Access.IsEmpty ? default : target.Access[0]);
        var rooms = standings[target];
        for (var i = 0; i < target.Access.Length; i++)
        {
            var access = target.Access[i];
            var standing = rooms[i] ??= StandingAt(access);
            work?.Count(standing.Steps);
            if (2 * standing.Radius <= best.Width || standing.Nearest is null)
                continue;
            var face = Graph.FaceAtRim(standing.Nearest, standing.RimPosition);
            if (!Widest.Reached(face) || Widest.WidthTo(face) <= best.Width)
                continue;
            var route = Widest.PinchTo(face);
            var routeWidth = route?.Width ?? Math.Min(2 * RoomRadius, Widest.WidthTo(face));
            var width = Math.Min(2 * standing.Radius, routeWidth);
            if (width <= best.Width)
                continue;
            var pinch =
                2 * standing.Radius < routeWidth && standing.Blocker is not null && access.On is not null
                    ? StandingPinch(access, standing.Blocker, standing.Radius)
                    : route;
            best = new Way(target, width, pinch, access);
        }
        return best;
    }

    internal int FaceOf(Point p) => Graph.FaceAt(p);

    private static Pinch StandingPinch(Access access, Obstacle blocker, double radius)
    {
        blocker.Shape.DistanceTo(access.At + access.Outward * radius, out var onBlocker);
        return new Pinch(access.On!, blocker, access.At, onBlocker, 2 * radius);
    }

    private Standing StandingAt(Access access)
    {
        var (radius, blocker, steps) = RoomAt(access);
        // The disc's centre, not the point it touches: that point may lie flush against a neighbour.
        var centre = access.On is null ? access.At : access.At + access.Outward * radius;
        var box = new Bounds(centre.X, centre.Y, centre.X, centre.Y).Grown(radius + 1);
        var near = access.On is null ? Around(centre) : index.Meeting(box);
        var (nearest, position) = Graph.NearestRim(centre, near);
        var depends = access.On is null ? new Bounds(-1e9, -1e9, 1e9, 1e9) : box;
        return new Standing(radius, blocker, nearest, position, depends, steps + near.Count);
    }

    /// <summary>Obstacles among which the nearest to a place is.</summary>
    private IReadOnlyList<Obstacle> Around(Point p)
    {
        var reach = double.PositiveInfinity;
        List<Obstacle> near = [];
        foreach (var (obstacle, boxDistance) in index.Nearest(Bounds.Around([p])))
        {
            if (boxDistance > reach)
                break;
            near.Add(obstacle);
            reach = Math.Min(reach, Math.Max(0, obstacle.Grown.DistanceTo(p)));
        }
        return near;
    }

    /// <summary>The radius of the largest empty disc touching at an access point, and what stops it growing.</summary>
    private (double Radius, Obstacle? Blocker, int Steps) RoomAt(Access access)
    {
        if (access.On is null)
            return (RoomRadius, null, 0);
        var least = RoomRadius;
        Obstacle? blocker = null;
        var steps = 0;
        // Look near first: once something near bounds the disc, only what meets that smaller disc can matter.
        foreach (var reach in (ReadOnlySpan<double>)[450, RoomRadius])
        {
            var centre = access.At + access.Outward * reach;
            var box = new Bounds(centre.X, centre.Y, centre.X, centre.Y).Grown(reach);
            var near = index.Meeting(box);
            steps += near.Count;
            foreach (var other in near)
            {
                if (other == access.On)
                    continue;
                var radius = TangentDisc.Radius(access.At, access.Outward, other.Shape);
                if (radius < least)
                    (least, blocker) = (radius, other);
            }
            if (least <= reach)
                break;
        }
        return (least, blocker, steps);
    }
}
