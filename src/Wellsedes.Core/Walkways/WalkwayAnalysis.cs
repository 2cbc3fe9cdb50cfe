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

    /// <summary>The widest ways from outside however people got onto this level; worked out when it is first asked for.</summary>
    private readonly Lazy<WidestWays> fromOutside;
    private readonly Lazy<ImmutableArray<Way>> ways;

    public ImmutableArray<Way> Ways => ways.Value;

    /// <exception cref="TooMuchWorkException">The work given is not enough.</exception>
    public WalkwayAnalysis(WalkwayScene scene, WalkwayAnalysis? before = null, Work? work = null)
        : this(scene, [], before, work)
    {
        _ = Ways;
    }

    /// <summary>The floor of a level without its ways: people may come onto it by flights that are not known yet.</summary>
    /// <exception cref="TooMuchWorkException">The work given is not enough.</exception>
    internal static WalkwayAnalysis Ground(WalkwayScene scene, WalkwayAnalysis? before, Work? work) => new(scene, [], before, work);

    private WalkwayAnalysis(WalkwayScene scene, ImmutableArray<Arrival> arrivals, WalkwayAnalysis? before, Work? work)
    {
        Scene = scene;
        Arrivals = arrivals;
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
        fromOutside = new(() => FromOutside());
        ways = new(() => ToAll(scene.Targets));
    }

    /// <summary>The same floor, come onto by flights as well.</summary>
    private WalkwayAnalysis(WalkwayAnalysis ground, ImmutableArray<Arrival> arrivals, WidestWays widest)
    {
        Scene = ground.Scene;
        Arrivals = arrivals;
        work = ground.work;
        (index, Graph, standings) = (ground.index, ground.Graph, ground.standings);
        Widest = widest;
        fromOutside = new(() => FromOutside());
        var came = arrivals.Select(arrival => arrival.Flight.Id).ToHashSet();
        ways = new(() => ToAll([.. Scene.Targets.Where(target => target.Kind != TargetKind.Flight || !came.Contains(target.OwnerId))]));
    }

    /// <summary>The flights people come onto this level by.</summary>
    public ImmutableArray<Arrival> Arrivals { get; }

    /// <summary>Whether anybody gets onto this level at all.</summary>
    public bool IsEntered => Scene.Sources.Length > 0 || Arrivals.Length > 0;

    /// <summary>The same floor with its ways, come onto by flights as well.</summary>
    internal WalkwayAnalysis With(ImmutableArray<Arrival> arrivals, WidestWays widest) => new(this, arrivals, widest);

    /// <summary>The way to a landing, given the widest ways of this floor.</summary>
    internal Way WayTo(Landing landing, WidestWays widest)
    {
        var target = Scene.Targets.First(one => one.Kind == TargetKind.Flight && one.OwnerId == landing.Flight.Id);
        return Wider(new Way(target, 0, null, landing.Access), landing.Access, StandingOf(target), widest);
    }

    /// <summary>The widest ways of this floor when people come onto it by flights too, each past what stands at its end.</summary>
    internal WidestWays WidestWith(IEnumerable<Arrival> arrivals)
    {
        var sources = Scene.Sources.ToBuilder();
        foreach (var arrival in arrivals)
        {
            var target = Scene.Targets.First(one => one.Kind == TargetKind.Flight && one.OwnerId == arrival.Flight.Id);
            var (access, standing) = (target.Access[0], StandingOf(target));
            var room = 2 * standing.Radius;
            var narrower = room < arrival.Width - Tolerance.Length && standing.Blocker is not null;
            sources.Add(
                new WaySource(
                    access.At + access.Outward * standing.Radius,
                    Math.Min(arrival.Width, room),
                    narrower ? StandingPinch(access, standing.Blocker!, standing.Radius) : arrival.Pinch
                )
            );
        }
        return new WidestWays(Graph, sources.ToImmutable());
    }

    private Standing StandingOf(Target flight) => standings[flight][0] ??= StandingAt(flight.Access[0]);

    private WidestWays FromOutside() => new(Graph, [new WaySource(SceneBuilder.FarOutside(Scene.Obstacles))]);

    private ImmutableArray<Way> ToAll(ImmutableArray<Target> targets)
    {
        var found = new Way[targets.Length];
        Together.For(found.Length, i => found[i] = WidestTo(targets[i], standings[targets[i]]));
        return [.. found];
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
        if (target.Mouth is { } mouth)
            return WayOut(target, mouth, rooms);
        var best = new Way(target, 0, null, target.Access.IsEmpty ? default : target.Access[0]);
        for (var i = 0; i < target.Access.Length; i++)
        {
            var standing = rooms[i] ??= StandingAt(target.Access[i]);
            work?.Count(standing.Steps);
            best = Wider(best, target.Access[i], standing, Widest);
        }
        return best;
    }

    /// <summary>The way to stand at an access point when that is wider than what was found so far.</summary>
    private Way Wider(Way best, Access access, Standing standing, WidestWays widest)
    {
        // What stands on the point itself is why nobody gets there.
        if (access.IsStoodAt && standing is { Radius: <= 0, Blocker: { } over } && best.Pinch is null)
            return best with { Pinch = StandingPinch(access, over, 0) };
        if (2 * standing.Radius <= best.Width || standing.Nearest is null)
            return best;
        var face = Graph.FaceAtRim(standing.Nearest, standing.RimPosition);
        if (!widest.Reached(face) || widest.WidthTo(face) <= best.Width)
            return best;
        var route = widest.PinchTo(face);
        var routeWidth = route?.Width ?? Math.Min(2 * RoomRadius, widest.WidthTo(face));
        var width = Math.Min(2 * standing.Radius, routeWidth);
        // Of two as wide as each other the first stays, whatever the last figure.
        return width <= best.Width + 1e-6
            ? best
            : best with
            {
                Width = width,
                Pinch = PinchAt(access, standing, route, routeWidth),
                Access = access,
            };
    }

    /// <summary>
    /// The least of a way out's own clear width, of the widest disc that gets to its inner face anywhere between the jambs, and of
    /// the widest that gets from its outer face into the open.
    /// </summary>
    private Way WayOut(Target target, Mouth mouth, Standing?[] rooms)
    {
        var own = MouthWidth.Of(mouth, index);
        var half = target.Access.Length / 2;
        var within = ToFace(0, 1, Widest);
        if (within.Width <= 0)
            return within;
        var beyond = ToFace(half, -1, Scene.Sources.Length > 0 ? Widest : fromOutside.Value);
        var least = within.Width <= beyond.Width ? within : beyond;
        return within with { Width = Math.Min(own.Width, least.Width), Pinch = own.Width <= least.Width ? own : least.Pinch };

        Way ToFace(int from, int facing, WidestWays widest)
        {
            var best = new Way(target, 0, null, target.Access[0]);
            for (var i = from; i < from + half && best.Width < own.Width; i++)
            {
                var standing = rooms[i] ??= StandingAt(target.Access[i]);
                work?.Count(standing.Steps);
                best = Wider(best, target.Access[i], standing, widest);
            }
            return best.Width >= own.Width || best.Width <= 0 ? best : Refined(best, facing, widest);
        }

        // Between the points that were asked the room has one greatest place: golden section finds it.
        Way Refined(Way best, int facing, WidestWays widest)
        {
            var ratio = (Math.Sqrt(5) - 1) / 2;
            var at = mouth.Frame.In(best.Access.At).X;
            var (low, high) = (Math.Max(-mouth.Half, at - mouth.Spacing), Math.Min(mouth.Half, at + mouth.Spacing));
            while (high - low > 0.002)
            {
                var (left, right) = (high - ratio * (high - low), low + ratio * (high - low));
                if (RoomAt(mouth.At(left, facing)).Radius < RoomAt(mouth.At(right, facing)).Radius)
                    low = left;
                else
                    high = right;
            }
            var access = mouth.At((low + high) / 2, facing);
            return Wider(best, access, StandingAt(access), widest);
        }
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
        if (access.IsStoodAt)
        {
            // The disc's two ends: where it touches, and opposite.
            blocker.Shape.DistanceTo(access.At, out var touched);
            var opposite = radius > 0 ? access.At * 2 - touched : access.At;
            return new Pinch(access.On!, blocker, opposite, radius > 0 ? touched : access.At, 2 * radius);
        }
        blocker.Shape.DistanceTo(access.At + access.Outward * radius, out var onBlocker);
        return new Pinch(access.On!, blocker, access.At, onBlocker, 2 * radius);
    }

    private Standing StandingAt(Access access)
    {
        var (radius, blocker, steps) = RoomAt(access);
        if (access.IsStoodAt && radius <= 0)
            return new Standing(0, blocker, null, 0, Bounds.Around([access.At]).Grown(1), steps);
        // The disc's centre, not the point it touches: that point may lie flush against a neighbour.
        var centre = access.On is null ? access.At : access.At + access.Outward * radius;
        var box = new Bounds(centre.X, centre.Y, centre.X, centre.Y).Grown(radius + 1);
        var near = index.Meeting(box);
        var (nearest, position) = Graph.NearestRim(centre, near);
        if (nearest is null && !near.Exists(obstacle => obstacle.Grown.DistanceTo(centre) <= 0))
        {
            // In the open, or in a mouth wider than is looked: what the disc does not touch may be the nearest all the same.
            var all = Around(centre);
            (nearest, position) = Graph.NearestRim(centre, all);
            steps += all.Count;
        }
        // It holds for as long as nothing comes or goes within its disc, nor what it is found by.
        var reach = nearest is null ? radius : Math.Max(radius, nearest.Grown.DistanceTo(centre));
        var depends = access.On is null ? new Bounds(-1e9, -1e9, 1e9, 1e9) : Bounds.Around([centre]).Grown(reach + 1);
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
        if (access.IsStoodAt)
            return RoomRound(access.At);
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
                if (other == access.On || !Graph.Holds(other))
                    continue;
                var radius = TangentDisc.Radius(access.At, access.Outward, other.Shape);
                if (Stops(radius, other, least, blocker))
                    (least, blocker) = (radius, other);
            }
            if (least <= reach)
                break;
        }
        return (least, blocker, steps);
    }

    /// <summary>The radius of the largest empty disc about a point, and what it touches; 0 where something stands on it.</summary>
    private (double Radius, Obstacle? Blocker, int Steps) RoomRound(Point at)
    {
        var (least, blocker, steps) = (RoomRadius, (Obstacle?)null, 0);
        foreach (var (obstacle, boxDistance) in index.Nearest(Bounds.Around([at])))
        {
            steps++;
            if (boxDistance > least)
                break;
            var distance = Math.Max(0, obstacle.Shape.DistanceTo(at));
            if (Graph.Holds(obstacle) && Stops(distance, obstacle, least, blocker))
                (least, blocker) = (distance, obstacle);
        }
        return (least, blocker, steps);
    }

    /// <summary>Whether one is what stops a disc: of two that do so alike the first by name, in whatever order they are looked at.</summary>
    private static bool Stops(double at, Obstacle one, double least, Obstacle? known)
    {
        if (Math.Abs(at - least) > 1e-9 || known is null)
            return at < least;
        return string.CompareOrdinal(one.OwnerId, known.OwnerId) < 0;
    }
}
