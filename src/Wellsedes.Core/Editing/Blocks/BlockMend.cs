using System.Collections.Concurrent;
using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Seating;
using Wellsedes.Core.Spaces;
using Wellsedes.Core.Walkways;

namespace Wellsedes.Core.Editing.Blocks;

/// <summary>
/// Judges the ways of a fill by the walkway analysis and leaves out what breaks one: for a way out the fewest that stand in it, then of the things that stand at the pinches the
/// one at the most of them, and where none stands at a pinch the fewest in the way, and again, until every way holds that held before there was a block, and every seat of the block is reached.
/// </summary>
internal sealed class BlockMend(ItemForms forms, Func<Plan, string, LevelSpace> spaces)
{
    /// <summary>No more are left out: a fill that breaks as many ways is asked wrong, and its findings say so.</summary>
    private const int MostLeftOut = 40;

    private const int Many = 150;

    private readonly SceneBuilder scenes = new();

    /// <summary>The other levels as they were looked at last: they lend what has not changed.</summary>
    private readonly ConcurrentDictionary<(string Scheme, string Level), WalkwayGround> levels = new();

    /// <param name="others">What stands there besides.</param>
    /// <param name="own">The things of the fill, with ids of their own.</param>
    /// <param name="notAsked">A door whose way is not asked for; null where all are.</param>
    /// <returns>The ids of what is left out, and the ways to what stays; null for those where they were not judged.</returns>
    public (HashSet<string> Gone, FillWays? Ways) LeftOut(
        Plan plan,
        LevelSpace space,
        Checks checks,
        Thing block,
        IReadOnlyList<PlacedItem> others,
        IReadOnlyList<PlacedItem> own,
        string? notAsked = null
    )
    {
        var widths = new WidthsAsked(space, [.. plan.ThingsOn(checks.SchemeId, space.LevelId).Where(thing => thing.Id != block.Id), block]);
        var without = Joined(
            plan,
            checks.SchemeId,
            space.LevelId,
            new WalkwayGround(scenes.Build(space, others, checks, widths), null, null)
        );
        HashSet<string> gone = [];
        if (!without.IsEntered)
            return (gone, null);
        var broken = without.Ways.Where(way => !way.Holds).Select(NameOf).ToHashSet();
        var ids = own.Select(item => item.Item.Id).ToHashSet();
        var places = own.Where(item => item.Kind.IsWheelchairSpace).Select(item => item.Item.Id).ToHashSet();
        var now = without;
        // For a way out the fewest in it are looked for once; should it still not hold, its pinches tell.
        HashSet<(string, TargetKind, int)> looked = [];
        while (gone.Count < MostLeftOut)
        {
            var scene = scenes.Build(space, [.. others, .. own.Where(item => !gone.Contains(item.Item.Id))], checks, widths);
            now = now.With(new WalkwayGround(scene, now.Ground, null));
            Way[] failing = [.. now.Ways.Where(way => !way.Holds && way.Target.OwnerId != notAsked && !broken.Contains(NameOf(way)))];
            // None of the fill is at the pinch of a way that only goes round what shuts a wider one.
            var inTheWay = failing
                .Where(way => (way.Target.Mouth is not null || !Blamed(way, ids).Any()) && looked.Add(NameOf(way)))
                .SelectMany(way => Fewest(without, own, gone, way))
                .ToArray();
            if (inTheWay.Length > 0)
            {
                gone.UnionWith(inTheWay);
                continue;
            }
            var blamed = failing.Select(way => Blamed(way, ids).Distinct().ToArray()).Where(some => some.Length > 0).ToList();
            if (blamed.Count == 0)
                return (gone, FillWays.Of(now, ids));
            // Of many things each look takes long: all that together break no way more than once are left out before the next.
            do
            {
                var worst = blamed
                    .SelectMany(some => some)
                    .CountBy(id => id)
                    // Places for wheelchair users are what others make room for.
                    .OrderBy(pair => places.Contains(pair.Key))
                    .ThenByDescending(pair => pair.Value)
                    .ThenBy(pair => pair.Key, StringComparer.Ordinal)
                    .First()
                    .Key;
                gone.Add(worst);
                blamed.RemoveAll(some => some.Contains(worst));
            } while (own.Count > Many && blamed.Count > 0 && gone.Count < MostLeftOut);
        }
        return (gone, null);
    }

    /// <summary>The ways on a level, with those who come onto it from others.</summary>
    private WalkwayAnalysis Joined(Plan plan, string schemeId, string levelId, WalkwayGround ground)
    {
        Flight[] flights = [.. plan.FlightsBetweenLevels];
        if (flights.Length == 0)
            return new WalkwayAnalysis(ground, [], null, null);
        var grounds = plan.Levels.ToDictionary(level => level.Id, level => level.Id == levelId ? ground : Other(level.Id));
        return BetweenLevels.Joined(grounds, _ => null, flights, id => plan.Find<Level>(id)!.Name)[levelId];

        WalkwayGround Other(string id)
        {
            var scene = scenes.Build(plan, schemeId, spaces(plan, id), forms);
            return levels[(schemeId, id)] = new WalkwayGround(scene, levels.GetValueOrDefault((schemeId, id)), null);
        }
    }

    /// <summary>Round the scene as much ground, in mm, is looked at as well: people come from there.</summary>
    private const double Round = 2000;

    /// <param name="without">The ways where nothing of the fill stands.</param>
    private static IReadOnlyCollection<string> Fewest(WalkwayAnalysis without, IReadOnlyList<PlacedItem> own, HashSet<string> gone, Way way)
    {
        var things = own.Where(item => !gone.Contains(item.Item.Id))
            .SelectMany(item => item.Standing.Select(shape => (item.Item.Id, Shape: shape)))
            .ToArray();
        var half = way.Target.Needed / 2;
        var face = way.Target.Mouth?.At(0, 1) ?? without.Ways.First(one => NameOf(one) == NameOf(way)).Access;
        return new FewestInTheWay(
            without.Scene.Box.Grown(Round),
            without.ClearanceAt,
            new SpatialIndex<(string Id, Convex Shape)>(things, thing => thing.Shape.Bounds),
            way.Target.Needed,
            [.. without.Arrivals.Select(arrival => arrival.Flight.LandingAt(arrival.AtHead)).Select(end => end.At + end.Outward * half)]
        ).To(face.At + face.Outward * half);
    }

    private static (string, TargetKind, int) NameOf(Way way) => (way.Target.OwnerId, way.Target.Kind, way.Target.Index);

    /// <summary>Those of the fill that a way narrows between; where there are none, the one it leads to.</summary>
    private static IEnumerable<string> Blamed(Way way, HashSet<string> ids)
    {
        string[] at = way.Pinch is { } pinch ? [.. new[] { pinch.A.OwnerId, pinch.B.OwnerId }.Where(ids.Contains)] : [];
        return at.Length > 0 ? at
            : ids.Contains(way.Target.OwnerId) ? [way.Target.OwnerId]
            : [];
    }
}
