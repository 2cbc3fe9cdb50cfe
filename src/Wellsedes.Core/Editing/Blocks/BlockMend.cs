using System.Collections.Immutable;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Seating;
using Wellsedes.Core.Spaces;
using Wellsedes.Core.Walkways;

namespace Wellsedes.Core.Editing.Blocks;

/// <summary>
/// Judges the ways of a fill by the walkway analysis and leaves out what breaks one: of the things that stand at the pinches the one at the most of them, and again, until
/// every way holds that held before there was a block, and every seat of the block is reached.
/// </summary>
internal sealed class BlockMend
{
    /// <summary>No more are left out: a fill that breaks as many ways is asked wrong, and its findings say so.</summary>
    private const int MostLeftOut = 40;

    private const int Many = 150;

    private readonly SceneBuilder scenes = new();

    /// <param name="others">What stands there besides.</param>
    /// <param name="own">The things of the fill, with ids of their own.</param>
    /// <returns>The ids of what is left out.</returns>
    public HashSet<string> LeftOut(
        Plan plan,
        LevelSpace space,
        Checks checks,
        Thing block,
        IReadOnlyList<PlacedItem> others,
        IReadOnlyList<PlacedItem> own
    )
    {
        var things = plan.OnLevel<Thing>(space.LevelId).Where(thing => thing is IOfScheme of && of.SchemeId == checks.SchemeId);
        var widths = new WidthsAsked(space, [.. things.Where(thing => thing.Id != block.Id), block]);
        var without = new WalkwayAnalysis(scenes.Build(space, others, checks, widths));
        HashSet<string> gone = [];
        if (!without.IsEntered)
            return gone;
        var broken = without.Ways.Where(way => !way.Holds).Select(NameOf).ToHashSet();
        var ids = own.Select(item => item.Item.Id).ToHashSet();
        var now = without;
        while (gone.Count < MostLeftOut)
        {
            now = new WalkwayAnalysis(
                scenes.Build(space, [.. others, .. own.Where(item => !gone.Contains(item.Item.Id))], checks, widths),
                now
            );
            var blamed = now
                .Ways.Where(way => !way.Holds && !broken.Contains(NameOf(way)))
                .Select(way => Blamed(way, ids).Distinct().ToArray())
                .Where(some => some.Length > 0)
                .ToList();
            if (blamed.Count == 0)
                break;
            // Of many things each look takes long: all that together break no way more than once are left out before the next.
            do
            {
                var worst = blamed
                    .SelectMany(some => some)
                    .CountBy(id => id)
                    .OrderByDescending(pair => pair.Value)
                    .ThenBy(pair => pair.Key, StringComparer.Ordinal)
                    .First()
                    .Key;
                gone.Add(worst);
                blamed.RemoveAll(some => some.Contains(worst));
            } while (own.Count > Many && blamed.Count > 0 && gone.Count < MostLeftOut);
        }
        return gone;
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
