using System.Collections.Immutable;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Walkways;

/// <summary>
/// The widest way to every target of a scene. The width at a target is min(2 t*, T): t* the radius of the largest
/// empty disc that touches the middle of one of its sides, T the bottleneck of the widest route to that disc.
/// </summary>
public sealed class WalkwayAnalysis
{
    private readonly PartWays[] parts;
    private readonly Lazy<ImmutableArray<Way>> ways;
    private readonly Lazy<ImmutableDictionary<string, Way>> rooms;

    internal WalkwayGround Ground { get; }

    public WalkwayScene Scene => Ground.Scene;
    public GapGraph Graph => Ground.Graph;

    /// <summary>The widest ways from the scene's sources and from the flights people come by.</summary>
    public WidestWays Widest { get; }

    /// <summary>The flights people come onto this level by.</summary>
    public ImmutableArray<Arrival> Arrivals { get; }

    /// <summary>Whether anybody gets onto this level at all.</summary>
    public bool IsEntered => Scene.Sources.Length > 0 || Arrivals.Length > 0;

    /// <summary>The ways to all targets, in the order of the scene.</summary>
    public ImmutableArray<Way> Ways => ways.Value;

    /// <summary>The ways of each thing of the scene that has any, rooms as such left out.</summary>
    public IEnumerable<PartWays> Parts => parts.Where(part => !part.Part.IsRoom && part.Ways.Length > 0);

    /// <exception cref="TooMuchWorkException">The work given is not enough.</exception>
    public WalkwayAnalysis(WalkwayScene scene, WalkwayAnalysis? before = null, Work? work = null)
        : this(new WalkwayGround(scene, before?.Ground, work), [], null, before) { }

    /// <param name="widest">The widest ways with the flights people come by; null where they come by none.</param>
    /// <param name="before">Of the same level, lent where nothing has changed.</param>
    internal WalkwayAnalysis(WalkwayGround ground, ImmutableArray<Arrival> arrivals, WidestWays? widest, WalkwayAnalysis? before)
    {
        (Ground, Arrivals) = (ground, arrivals);
        Widest = widest ?? ground.Widest;
        // Where somebody came up by a flight there is no asking for the way to it.
        var came = arrivals.Select(arrival => arrival.Flight.Id).ToHashSet();
        // A ground that stays from state to state has been counted, however often it is looked at again.
        var work = before?.Ground == ground ? null : ground.Work;
        parts = new PartWaysFinder(ground, Widest, work).All(before is not null && before.Ground.IsLentTo(ground) ? before : null, came);
        ways = new(() => [.. Parts.SelectMany(part => part.Ways)]);
        rooms = new(() =>
            parts.Where(part => part.Part.IsRoom).SelectMany(part => part.Ways).ToImmutableDictionary(way => way.Target.OwnerId)
        );
    }

    /// <summary>The ways of nearly the same floor, which people come onto by the same flights.</summary>
    internal WalkwayAnalysis With(WalkwayGround ground) =>
        new(ground, Arrivals, Arrivals.IsEmpty ? null : ground.WidestWith(Arrivals), this);

    internal IReadOnlyList<PartWays> AllParts => parts;

    /// <summary>The widest way to a room as such.</summary>
    public Way WayToRoom(string roomId) => rooms.Value[roomId];

    /// <summary>How far everything is from a point, in mm, no more than the bound; 0 or less inside something.</summary>
    internal double ClearanceAt(Point p, double bound = double.PositiveInfinity) =>
        Graph.Index.LeastDistance(p, static (obstacle, at) => obstacle.Shape.DistanceTo(at), bound);

    /// <summary>Whether nothing comes nearer to a straight line than a distance in mm.</summary>
    internal bool IsClear(Point from, Point to, double distance)
    {
        var line = Convex.Capsule(from, to, 0);
        var clear = true;
        Graph.Index.Meeting(line.Bounds.Grown(distance), obstacle => clear = Gap.Between(line, obstacle.Shape).Width >= distance);
        return clear;
    }
}
