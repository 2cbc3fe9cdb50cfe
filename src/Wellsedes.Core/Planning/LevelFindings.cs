using System.Collections.Immutable;
using Wellsedes.Core.Arranging;
using Wellsedes.Core.Findings;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;
using Wellsedes.Core.Units;
using Wellsedes.Core.Walkways;

namespace Wellsedes.Core.Planning;

/// <summary>What is found of one level's overlaps and ways. What is found of the same things is kept from one state to the next.</summary>
public sealed class LevelFindings
{
    /// <summary>Of so many overlaps it is said what would clear them; who has more sees to these first.</summary>
    private const int MostClearings = 8;

    /// <summary>Beyond this from a thing, in mm, nothing decides how it is cleared.</summary>
    private const double ClearingReach = 2 * Clearing.Farthest;

    /// <summary>What the words of a finding depend on beside what it is about.</summary>
    private sealed record Wording(Level Level, PlanRules Rules, UnitSystem Units);

    private readonly record struct Told(ImmutableArray<FailingWays> Ways, Finding Finding);

    private readonly Wording wording;
    private readonly LevelSpace space;
    private readonly ImmutableArray<PlacedItem> items;
    private readonly Dictionary<(string Cause, double Needed), Told> ofWays;
    private readonly Dictionary<PlacedItem, Clearing?> clearings = new(ReferenceEqualityComparer.Instance);

    /// <summary>Overlaps in the order of the things, then ways, the narrowest for what it needs first.</summary>
    public ImmutableArray<Finding> All { get; }

    internal LevelFindings(
        Plan plan,
        LevelSpace space,
        ImmutableArray<PlacedItem> items,
        ImmutableArray<Overlap> overlaps,
        WalkwayAnalysis walkways,
        ImmutableArray<Way> drawn,
        LevelFindings? before
    )
    {
        (this.space, this.items) = (space, items);
        wording = new(space.Level, plan.Rules, plan.Details.Units);
        var all = ImmutableArray.CreateBuilder<Finding>();
        if (!overlaps.IsEmpty)
        {
            var byId = items.ToDictionary(item => item.Item.Id);
            var changed =
                before is not null && ReferenceEquals(before.space, space) ? KeptOverlaps.ChangedBetween(before.items, items) : null;
            for (var i = 0; i < overlaps.Length; i++)
                all.Add(
                    Finder.FromOverlap(
                        plan,
                        space.Level,
                        overlaps[i],
                        i < MostClearings ? ClearingOf(overlaps[i], byId, before, changed) : null
                    )
                );
        }
        ofWays = Grouped(walkways, plan, before?.wording == wording ? before : null);
        all.AddRange(
            ofWays
                .Values.Select(told => told.Finding)
                .Concat(drawn.Where(way => !way.Holds).Select(way => Finder.FromDrawn(plan, space.Level, way)))
                .OrderBy(finding => finding.Measured / finding.Needed)
                .ThenBy(finding => finding.Id, StringComparer.Ordinal)
        );
        All = all.ToImmutable();
    }

    /// <summary>Whether they would be said in the same words in a plan.</summary>
    internal bool IsWorded(Plan plan) => plan.Rules == wording.Rules && plan.Details.Units == wording.Units;

    private Dictionary<(string, double), Told> Grouped(WalkwayAnalysis walkways, Plan plan, LevelFindings? before)
    {
        var groups = new Dictionary<(string Cause, double Needed), ImmutableArray<FailingWays>.Builder>();
        // Where nobody gets in at all that is said once.
        if (walkways.IsEntered)
            foreach (var part in walkways.Parts)
            foreach (var failing in part.Failing)
            {
                if (!groups.TryGetValue((failing.Cause, failing.Needed), out var group))
                    groups[(failing.Cause, failing.Needed)] = group = ImmutableArray.CreateBuilder<FailingWays>();
                group.Add(failing);
            }
        var told = new Dictionary<(string, double), Told>(groups.Count);
        foreach (var (key, group) in groups)
        {
            var ways = group.ToImmutable();
            told[key] =
                before is not null
                && before.ofWays.TryGetValue(key, out var known)
                && known.Ways.AsSpan().SequenceEqual(ways.AsSpan(), ReferenceEqualityComparer.Instance)
                    ? known
                    : new Told(ways, Finder.FromWays(plan, space.Level, ways));
        }
        return told;
    }

    private Clearing? ClearingOf(Overlap overlap, Dictionary<string, PlacedItem> byId, LevelFindings? before, List<Bounds>? changed)
    {
        if (!byId.TryGetValue(overlap.ItemId, out var item))
            return null;
        if (clearings.TryGetValue(item, out var known))
            return known;
        var box = item.Bounds.Grown(ClearingReach);
        return clearings[item] =
            changed is not null && before!.clearings.TryGetValue(item, out var kept) && !changed.Exists(box.Meets)
                ? kept
                : Clearing.Of(space, items, overlap);
    }
}
