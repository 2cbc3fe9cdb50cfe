using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Walkways;

/// <summary>The floor of a level with what stands on it, before it is known by which flights people come onto it.</summary>
public sealed class WalkwayGround
{
    private readonly PartStandings[] parts;
    private readonly Lazy<WidestWays> fromOutside;

    public WalkwayScene Scene { get; }
    public GapGraph Graph { get; }

    /// <summary>The widest ways from the scene's own sources.</summary>
    public WidestWays Widest { get; }

    /// <summary>The widest ways from outside however people get onto this level; worked out when it is first asked for.</summary>
    internal WidestWays FromOutside => fromOutside.Value;

    internal Work? Work { get; }

    /// <summary>What came and went since the ground this one was made from, by their boxes; nothing where it was made anew.</summary>
    internal SpatialIndex<Obstacle> Changed { get; }

    /// <summary>Where each part of the scene stood in the scene of before; -1 where it did not.</summary>
    internal int[] Places { get; }

    /// <summary>Stands for a ground without holding on to it; of this one, and of that which it was made from.</summary>
    private readonly object self = new();
    private readonly object? lentBy;

    /// <param name="before">Of nearly the same scene: it lends what has not changed.</param>
    /// <exception cref="TooMuchWorkException">The work given is not enough.</exception>
    public WalkwayGround(WalkwayScene scene, WalkwayGround? before, Work? work)
    {
        (Scene, Work) = (scene, work);
        Places = before is null ? [] : scene.PlacesIn(before.Scene);
        var changes = before is null ? null : SceneDifference.Between(before.Scene, scene, Places);
        Graph = GapGraph.Build(scene, before?.Graph, changes, work);
        var lends = before is not null && Graph.Continues(before.Graph);
        lentBy = lends ? before!.self : null;
        Changed = new SpatialIndex<Obstacle>(lends ? [.. changes!.Gone, .. changes.Come] : [], obstacle => obstacle.Shape.Bounds);
        Widest = new WidestWays(Graph, scene.Sources);
        parts = PartStandings.All(this, lends ? before!.parts : null);
        fromOutside = new(() => new WidestWays(Graph, [new WaySource(SceneBuilder.FarOutside(Scene.Box))]));
    }

    /// <summary>Whether another ground was made from this one, so that what was found here may hold there.</summary>
    internal bool IsLentTo(WalkwayGround other) => other == this || other.lentBy == self;

    internal IReadOnlyList<PartStandings> Parts => parts;

    /// <summary>The way to a landing, given the widest ways of this floor.</summary>
    internal Way WayTo(Landing landing, WidestWays widest)
    {
        var (target, standing) = StandingAt(landing.Flight);
        return PartWaysFinder.Wider(new Way(target, 0, null, landing.Access), standing, widest);
    }

    /// <summary>The widest ways of this floor when people come onto it by flights too, each past what stands at its end.</summary>
    internal WidestWays WidestWith(IEnumerable<Arrival> arrivals)
    {
        var sources = Scene.Sources.ToBuilder();
        foreach (var arrival in arrivals)
        {
            var (target, standing) = StandingAt(arrival.Flight);
            var access = target.Access[0];
            var room = 2 * standing.Radius;
            var narrower = room < arrival.Width - Tolerance.Length && standing.Blocker is not null;
            sources.Add(
                new WaySource(
                    access.At + access.Outward * standing.Radius,
                    Math.Min(arrival.Width, room),
                    narrower ? PartWaysFinder.StandingPinch(access, standing.Blocker!, standing.Radius) : arrival.Pinch
                )
            );
        }
        return new WidestWays(Graph, sources.ToImmutable());
    }

    private (Target, Standing) StandingAt(Flight flight)
    {
        foreach (var part in parts)
            for (var i = 0; i < part.Part.Targets.Length; i++)
                if (part.Part.Targets[i] is { Kind: TargetKind.Flight } target && target.OwnerId == flight.Id)
                    return (target, part.Of(i)[0]);
        throw new InvalidOperationException($"The scene has no landing of {flight.Id}.");
    }
}
