using System.Collections.Immutable;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Walkways;

/// <summary>The widest ways to one thing of a scene; the same object for as long as none of them changes.</summary>
public sealed class PartWays
{
    internal PartStandings Standings { get; }
    public ScenePart Part => Standings.Part;
    public ImmutableArray<Way> Ways { get; }

    /// <summary>What its ways out were found by, beside the room to stand; nothing where it has none.</summary>
    internal Bounds MouthsDependOn { get; }
    internal int[] MouthFaces { get; }

    /// <summary>The steps its ways out took.</summary>
    internal long Steps { get; }

    /// <summary>Of its ways that which misses its needed width by most, or holds it by least; null where it has none.</summary>
    public Way? Narrowest { get; }

    /// <summary>The least of its widths in mm; null where it has no way.</summary>
    public double? LeastWidth { get; }

    /// <summary>Its ways that are narrower than they must be, by what they narrow between and what they need.</summary>
    public ImmutableArray<FailingWays> Failing { get; }

    internal PartWays(PartStandings standings, ImmutableArray<Way> ways, Bounds mouthsDependOn, int[] mouthFaces, long steps)
    {
        (Standings, Ways, MouthsDependOn, MouthFaces, Steps) = (standings, ways, mouthsDependOn, mouthFaces, steps);
        Narrowest = Way.NarrowestOf(ways);
        LeastWidth = ways.Length > 0 ? ways.Min(way => way.Width) : null;
        Failing =
        [
            .. ways.Where(way => !way.Holds)
                .GroupBy(way => (FailingWays.CauseOf(way), way.Target.Needed))
                .Select(group => new FailingWays(group.Key.Item1, group.Key.Needed, [.. group])),
        ];
    }
}

/// <summary>Ways to one thing that are narrower than they must be and narrow between the same two things. Needed in mm.</summary>
/// <param name="Cause">The ids of the two, or of the thing itself where no way leads to it.</param>
public sealed record FailingWays(string Cause, double Needed, ImmutableArray<Way> Ways)
{
    public static string CauseOf(Way way) =>
        way.Pinch is not { } pinch ? $"none/{way.Target.OwnerId}"
        : string.CompareOrdinal(pinch.A.OwnerId, pinch.B.OwnerId) <= 0 ? $"{pinch.A.OwnerId}/{pinch.B.OwnerId}"
        : $"{pinch.B.OwnerId}/{pinch.A.OwnerId}";
}

/// <summary>Finds the ways to all things of a scene.</summary>
/// <param name="work">Counts the steps; null where those of this ground have been counted.</param>
internal sealed class PartWaysFinder(WalkwayGround ground, WidestWays widest, Work? work)
{
    private readonly StandingRoom room = new(ground.Graph);

    /// <param name="before">Of the ground that this one was made from, or of this one.</param>
    /// <param name="came">Flights that people came by: it is not asked how they get to these.</param>
    public PartWays[] All(WalkwayAnalysis? before, HashSet<string> came)
    {
        var all = new PartWays[ground.Parts.Count];
        var same = before?.Ground == ground;
        List<int> open = [];
        long steps = 0;
        for (var i = 0; i < all.Length; i++)
        {
            var place =
                same ? i
                : before is not null ? ground.Places[i]
                : -1;
            if (place >= 0 && StillHolds(before!.AllParts[place], ground.Parts[i], before, came))
                steps += (all[i] = before.AllParts[place]).Steps;
            else
                open.Add(i);
        }
        work?.Count(steps);
        Together.For(open.Count, k => all[open[k]] = Found(ground.Parts[open[k]], came), FewParts);
        return all;
    }

    /// <summary>Fewer things than this are not worth sharing out.</summary>
    private const int FewParts = 64;

    private bool StillHolds(PartWays was, PartStandings standings, WalkwayAnalysis before, HashSet<string> came)
    {
        if (was.Standings != standings)
            return false;
        foreach (var face in standings.Faces)
            if (!widest.IsReachedAlike(face, before.Widest))
                return false;
        if (was.Part.Targets.Length == 1 && was.Part.Targets[0] is { Kind: TargetKind.Flight } flight)
            return came.Contains(flight.OwnerId) == was.Ways.IsEmpty;
        if (was.MouthsDependOn.IsEmpty)
            return true;
        // Of another ground, asked from outside, there is nothing to compare with.
        if (before.Ground != ground)
            if (ground.Scene.Sources.IsEmpty || before.Scene.Sources.IsEmpty || ground.Changed.AnyMeeting(was.MouthsDependOn))
                return false;
        foreach (var face in was.MouthFaces)
            if ((before.Ground != ground && ground.Graph.IsFaceGone(face)) || !widest.IsReachedAlike(face, before.Widest))
                return false;
        return true;
    }

    private PartWays Found(PartStandings standings, HashSet<string> came)
    {
        var targets = standings.Part.Targets;
        var ways = ImmutableArray.CreateBuilder<Way>(targets.Length);
        var (dependsOn, faces, steps) = (Bounds.Empty, new List<int>(), 0L);
        for (var t = 0; t < targets.Length; t++)
        {
            var target = targets[t];
            if (target.Kind == TargetKind.Flight && came.Contains(target.OwnerId))
                continue;
            if (target.Mouth is { } mouth)
            {
                ways.Add(new WayOutFinder(ground, widest, room, target, mouth, Notice).Find());
                continue;
            }
            var best = new Way(target, 0, null, target.Access.IsEmpty ? default : target.Access[0]);
            foreach (var standing in standings.Of(t))
                best = Wider(best, standing, widest);
            ways.Add(best);
        }
        return new PartWays(standings, ways.ToImmutable(), dependsOn, [.. faces], steps);

        void Notice(Bounds box, int face, int took)
        {
            work?.Count(took);
            steps += took;
            dependsOn = dependsOn.Including(box);
            if (face >= 0 && !faces.Contains(face))
                faces.Add(face);
        }
    }

    /// <summary>The way to stand at an access point when that is wider than what was found so far.</summary>
    public static Way Wider(Way best, Standing standing, WidestWays widest)
    {
        var access = standing.Access;
        // What stands on the point itself is why nobody gets there.
        if (access.IsStoodAt && standing is { Radius: <= 0, Blocker: { } over } && best.Pinch is null)
            return best with { Pinch = StandingPinch(access, over, 0) };
        if (2 * standing.Radius <= best.Width || standing.Nearest is null)
            return best;
        var face = standing.Face;
        if (!widest.Reached(face) || widest.WidthTo(face) <= best.Width)
            return best;
        var route = widest.PinchTo(face);
        var routeWidth = route?.Width ?? Math.Min(2 * StandingRoom.Most, widest.WidthTo(face));
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

    public static Pinch StandingPinch(Access access, Obstacle blocker, double radius)
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
}
