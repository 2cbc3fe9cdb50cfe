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
        standings.EnsureCapacity(scene.Targets.Length);
        foreach (var target in scene.Targets)
            standings[target] =
                changed is not null && before!.standings.TryGetValue(target, out var known) && !Touches(changed, known)
                    ? known
                    : new Standing?[target.Access.Length];
        var ways = new Way[scene.Targets.Length];
        Together.For(ways.Length, i => ways[i] = WidestTo(scene.Targets[i], standings[scene.Targets[i]]));
        Ways = [.. ways];
    }

    /// <summary>The widest way to a target that is none of the scene's own.</summary>
    public Way To(Target target) => WidestTo(target, new Standing?[target.Access.Length]);

    /// <summary>The obstacles that came or went, by their boxes.</summary>
    private static SpatialIndex<Obstacle> Changed(WalkwayScene before, WalkwayScene now)
    {
        var difference = SceneDifference.Whole(before.Obstacles.AsSpan(), now.Obstacles.AsSpan());
        return new SpatialIndex<Obstacle>([.. difference.Gone.Concat(difference.Come)], obstacle => obstacle.Shape.Bounds);
    }

    private static bool Touches(SpatialIndex<Obstacle> changed, Standing?[] standings)
    {
        foreach (var standing in standings)
            if (standing is not null && changed.AnyMeeting(standing.DependsOn))
                return true;
        return false;
    }

    private Way WidestTo(Target target, Standing?[] rooms)
    {
        var best = new Way(target, 0, null, target.Access.IsEmpty ? default : target.Access[0]);
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
            // Of two as wide as each other the first stays, whatever the last figure.
            if (width <= best.Width + 1e-6)
                continue;
            best = new Way(target, width, PinchAt(access, standing, route, routeWidth), access);
        }
        return best;
    }

    internal int FaceOf(Point p) => Graph.FaceAt(p);

    /// <summary>How far everything is from a point, in mm, no more than the bound; 0 or less inside something.</summary>
    internal double ClearanceAt(Point p, double bound = double.PositiveInfinity) =>
        index.LeastDistance(p, static (obstacle, at) => obstacle.Shape.DistanceTo(at), bound);

    /// <summary>Whether nothing comes nearer to a straight line than a distance in mm.</summary>
    internal bool IsClear(Point from, Point to, double distance)
    {
        var line = Convex.Capsule(from, to, 0);
        var clear = true;
        index.Meeting(line.Bounds.Grown(distance), obstacle => clear = Gap.Between(line, obstacle.Shape).Width >= distance);
        return clear;
    }

    /// <summary>What makes it no wider: the room to stand, or the narrowest place on the way.</summary>
    private static Pinch? PinchAt(Access access, Standing standing, Pinch? route, double routeWidth)
    {
        if (standing.Blocker is not { } blocker || access.On is not { } on)
            return route;
        // Along a wall both are the same gap, and whether one passes it to stand in it is nobody's question.
        var sameGap = route is not null && ((route.A, route.B) == (on, blocker) || (route.B, route.A) == (on, blocker));
        var room = 2 * standing.Radius - routeWidth;
        return room < -Tolerance.Length || (sameGap && room <= Tolerance.Length) ? StandingPinch(access, blocker, standing.Radius) : route;
    }

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
