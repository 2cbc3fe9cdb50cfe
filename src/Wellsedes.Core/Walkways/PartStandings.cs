using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Walkways;

/// <summary>The room to stand at every access point of one thing; mouths of ways out, which are asked by themselves, have none here.</summary>
internal sealed class PartStandings
{
    private readonly Standing[][] standings;
    private readonly Bounds dependsOn;

    public ScenePart Part { get; }

    /// <summary>The faces people stand in, each once.</summary>
    public int[] Faces { get; }

    /// <summary>The steps it took, counted alike when it is kept.</summary>
    public long Steps { get; }

    private PartStandings(ScenePart part, Standing[][] standings)
    {
        (Part, this.standings) = (part, standings);
        dependsOn = Bounds.Empty;
        List<int> faces = [];
        foreach (var ofTarget in standings)
        foreach (var standing in ofTarget)
        {
            dependsOn = dependsOn.Including(standing.DependsOn);
            Steps += standing.Steps;
            if (standing.Face >= 0 && !faces.Contains(standing.Face))
                faces.Add(standing.Face);
        }
        Faces = [.. faces];
    }

    public Standing[] Of(int target) => standings[target];

    /// <param name="before">Of the ground that this one was made from.</param>
    public static PartStandings[] All(WalkwayGround ground, IReadOnlyList<PartStandings>? before)
    {
        var (parts, graph) = (ground.Scene.Parts, ground.Graph);
        var room = new StandingRoom(graph);
        var all = new PartStandings[parts.Length];
        List<int> open = [];
        long steps = 0;
        for (var i = 0; i < all.Length; i++)
        {
            if (Was(i) is { } was && !ground.Changed.AnyMeeting(was.dependsOn))
            {
                all[i] = was.In(graph);
                steps += was.Steps;
            }
            else
                open.Add(i);
        }
        ground.Work?.Count(steps);
        Together.For(
            open.Count,
            k =>
            {
                var i = open[k];
                all[i] = Found(parts[i], Was(i), ground.Changed, room, graph);
                ground.Work?.Count(all[i].Steps);
            },
            FewParts
        );
        return all;

        PartStandings? Was(int i) => before is not null && ground.Places[i] >= 0 ? before[ground.Places[i]] : null;
    }

    /// <summary>Fewer things than this are not worth sharing out.</summary>
    private const int FewParts = 24;

    private static PartStandings Found(
        ScenePart part,
        PartStandings? was,
        SpatialIndex<Obstacle> changed,
        StandingRoom room,
        GapGraph graph
    )
    {
        // A table is reached where its chairs are: what was found for one is not looked for again.
        var found = new Dictionary<Point, Standing>();
        return new PartStandings(
            part,
            [
                .. part.Targets.Select(
                    (target, t) => target.Mouth is not null ? [] : target.Access.Select((access, a) => At(access, t, a)).ToArray()
                ),
            ]
        );

        Standing At(Access access, int target, int number)
        {
            if (found.TryGetValue(access.At, out var known) && known.Access == access)
                return known;
            var kept = was?.standings[target][number];
            return found[access.At] = kept is not null && !changed.AnyMeeting(kept.DependsOn) ? kept.In(graph) : room.At(access);
        }
    }

    /// <summary>The same in a graph made from the one it was found in.</summary>
    private PartStandings In(GapGraph graph)
    {
        foreach (var face in Faces)
            if (graph.IsFaceGone(face))
                return new PartStandings(Part, [.. standings.Select(ofTarget => ofTarget.Select(one => one.In(graph)).ToArray())]);
        return this;
    }
}
