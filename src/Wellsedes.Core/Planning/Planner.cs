using System.Collections.Immutable;
using System.Runtime.CompilerServices;
using Wellsedes.Core.Arranging;
using Wellsedes.Core.Capacity;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Findings;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;
using Wellsedes.Core.Walkways;

namespace Wellsedes.Core.Planning;

/// <summary>What an edit would do, asked while a hand is still moving.</summary>
/// <param name="Moved">The entities as the edit would leave them.</param>
/// <param name="Caught">What drew the item to its place; empty when nothing did.</param>
public sealed record ProbeAnswer(
    Problem? Problem,
    ImmutableArray<Entity> Moved,
    string Caught,
    ImmutableArray<Geometry.Point> Guide,
    ImmutableArray<NearDistance> Near,
    Tally Tally,
    ImmutableArray<Finding> Findings
);

/// <summary>
/// Works out a plan's derived results, keeping what an edit did not touch. Use it from one thread at a time; one
/// planner serves one plan.
/// </summary>
public sealed class Planner
{
    private readonly ItemForms forms;
    private readonly Editor editor;
    private readonly SceneBuilder scenes = new();
    private readonly ConditionalWeakTable<Plan, Dictionary<(string, string), PlanState>> states = [];
    private readonly Dictionary<string, (ImmutableArray<Entity> Shell, LevelSpace Space)> spaces = [];
    private WalkwayAnalysis? lastWalkways;

    public Planner(CatalogueList catalogue)
    {
        forms = new ItemForms(catalogue);
        editor = new Editor(forms, SpaceOf);
    }

    public ItemForms Forms => forms;

    public EditAnswer Answer(Plan plan, Edit edit) => editor.Answer(plan, edit);

    /// <summary>Everything derived from a scheme on a level; asked twice for the same plan it is worked out once.</summary>
    public PlanState StateOf(Plan plan, string schemeId, string levelId)
    {
        var known = states.GetOrCreateValue(plan);
        if (known.TryGetValue((schemeId, levelId), out var state))
            return state;
        return known[(schemeId, levelId)] = Derive(plan, schemeId, levelId);
    }

    /// <summary>The answer to an edit that is only asked about: nothing is applied.</summary>
    public ProbeAnswer Probe(Plan plan, Edit edit, string schemeId, string levelId)
    {
        var answer = editor.Answer(plan, edit);
        if (answer.Change is not { } change || !plan.TryApply(change, out var result, out _))
        {
            var now = StateOf(plan, schemeId, levelId);
            return new ProbeAnswer(answer.Problem, [], "", [], [], now.Tally, now.Findings);
        }
        var state = Derive(result, schemeId, levelId);
        var ids = change.Entities.Select(entity => entity.Id).ToHashSet();
        var moving = state.Items.Where(item => ids.Contains(item.Item.Id)).ToArray();
        var settled = Caught(plan, edit);
        return new ProbeAnswer(
            null,
            [.. change.Entities.Select(entity => entity.After).OfType<Entity>()],
            settled?.Caught ?? "",
            settled is { GuideFrom: { } from, GuideTo: { } to } ? [from, to] : [],
            Nearest.Of(moving, state.Space, state.Items),
            state.Tally,
            state.Findings
        );
    }

    /// <summary>Clear distances round the items that are picked.</summary>
    public ImmutableArray<NearDistance> NearTo(PlanState state, IReadOnlySet<string> ids) =>
        Nearest.Of([.. state.Items.Where(item => ids.Contains(item.Item.Id))], state.Space, state.Items);

    private Settled? Caught(Plan plan, Edit edit)
    {
        var item = edit switch
        {
            MoveItems { Ids.Length: 1 } e when plan.Find<Item>(e.Ids[0]) is { } i => i with { X = i.X + e.Dx, Y = i.Y + e.Dy },
            PlaceItem e => new Item(e.Id, e.SchemeId, e.LevelId, e.Catalogue, e.X, e.Y, e.Turn),
            _ => null,
        };
        var reach = edit switch
        {
            MoveItems e => e.Catch,
            PlaceItem e => e.Catch,
            _ => 0,
        };
        return item is null || reach <= 0 ? null : editor.Settled(plan, item, reach);
    }

    private PlanState Derive(Plan plan, string schemeId, string levelId)
    {
        var checks = plan.OfScheme<Checks>(schemeId).First();
        var brief = plan.OfScheme<Brief>(schemeId).First();
        var space = SpaceOf(plan, levelId);
        var items = forms.PlaceAll(plan, schemeId, levelId);
        var walkways = lastWalkways = new WalkwayAnalysis(scenes.Build(space, items, checks), lastWalkways);
        var overlaps = Overlaps.Find(space, items);
        var tally = Tallying.Of(space, items, brief, walkways.Ways);
        var findings = Finder.Of(plan, overlaps, walkways.Ways, tally);
        return new PlanState(plan, schemeId, levelId, space, items, walkways, overlaps, tally, findings);
    }

    /// <summary>A level's space, kept while no entity of its shell has changed.</summary>
    private LevelSpace SpaceOf(Plan plan, string levelId)
    {
        ImmutableArray<Entity> shell =
        [
            .. plan
                .Entities.Values.Where(entity => entity is Wall or Opening or Column or KeepClear or Room)
                .OrderBy(entity => entity.Id, StringComparer.Ordinal),
        ];
        if (spaces.TryGetValue(levelId, out var kept) && SameEntities(kept.Shell, shell))
            return kept.Space;
        var space = SpaceFinder.Find(plan, levelId);
        spaces[levelId] = (shell, space);
        return space;
    }

    private static bool SameEntities(ImmutableArray<Entity> a, ImmutableArray<Entity> b)
    {
        if (a.Length != b.Length)
            return false;
        for (var i = 0; i < a.Length; i++)
            if (!ReferenceEquals(a[i], b[i]))
                return false;
        return true;
    }
}
