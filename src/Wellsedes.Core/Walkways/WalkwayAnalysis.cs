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

    private readonly BoxGrid<Obstacle> grid = new();

    public WalkwayScene Scene { get; }
    public GapGraph Graph { get; }
    public WidestWays Widest { get; }
    public ImmutableArray<Way> Ways { get; }

    public WalkwayAnalysis(WalkwayScene scene, WalkwayAnalysis? before = null)
    {
        Scene = scene;
        Graph = GapGraph.Build(scene.Obstacles, before?.Graph);
        Widest = new WidestWays(Graph, scene.Sources);
        foreach (var obstacle in scene.Obstacles)
            grid.Add(obstacle, obstacle.Shape.Bounds);
        Ways = [.. scene.Targets.Select(WidestTo)];
    }

    private Way WidestTo(Target target)
    {
        var best = new Way(target, 0, null, target.Access.IsEmpty ? default : target.Access[0]);
        foreach (var access in target.Access)
        {
            var (radius, blocker) = RoomAt(access);
            if (2 * radius <= best.Width)
                continue;
            // The disc's centre, not the point it touches: that point may lie flush against a neighbour.
            var face = access.On is null ? Graph.FaceAt(access.At) : FaceAt(access.At + access.Outward * radius, radius);
            if (!Widest.Reached(face) || Widest.WidthTo(face) <= best.Width)
                continue;
            var route = Widest.PinchTo(face);
            var routeWidth = route?.Width ?? 2 * RoomRadius;
            var width = Math.Min(2 * radius, routeWidth);
            if (width <= best.Width)
                continue;
            var pinch =
                2 * radius < routeWidth && blocker is not null && access.On is not null ? StandingPinch(access, blocker, radius) : route;
            best = new Way(target, width, pinch, access);
        }
        return best;
    }

    internal int FaceOf(Point p) => Graph.FaceAt(p);

    private int FaceAt(Point centre, double radius)
    {
        var box = new Bounds(centre.X, centre.Y, centre.X, centre.Y).Grown(radius + 1);
        return Graph.FaceAt(centre, grid.Meeting(box));
    }

    private static Pinch StandingPinch(Access access, Obstacle blocker, double radius)
    {
        blocker.Shape.DistanceTo(access.At + access.Outward * radius, out var onBlocker);
        return new Pinch(access.On!, blocker, access.At, onBlocker, 2 * radius);
    }

    /// <summary>The radius of the largest empty disc touching at an access point, and what stops it growing.</summary>
    private (double Radius, Obstacle? Blocker) RoomAt(Access access)
    {
        if (access.On is null)
            return (RoomRadius, null);
        var least = RoomRadius;
        Obstacle? blocker = null;
        // Look near first: once something near bounds the disc, only what meets that smaller disc can matter.
        foreach (var reach in (ReadOnlySpan<double>)[450, RoomRadius])
        {
            var centre = access.At + access.Outward * reach;
            var box = new Bounds(centre.X, centre.Y, centre.X, centre.Y).Grown(reach);
            foreach (var other in grid.Meeting(box))
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
        return (least, blocker);
    }
}
