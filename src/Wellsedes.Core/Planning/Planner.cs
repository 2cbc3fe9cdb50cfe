using System.Collections.Concurrent;
using System.Collections.Immutable;
using System.Runtime.CompilerServices;
using Wellsedes.Core.Arranging;
using Wellsedes.Core.Capacity;
using Wellsedes.Core.Drawings;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Editing.Blocks;
using Wellsedes.Core.Findings;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Seating;
using Wellsedes.Core.SolidModel;
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
    ImmutableArray<Point> Guide,
    ImmutableArray<NearDistance> Near,
    PlanState State,
    bool ShellChanged
)
{
    /// <summary>The ids of what the edit would take away.</summary>
    public ImmutableArray<string> Gone { get; init; } = [];

    /// <summary>What blocks would hold more or fewer, in words; "" for nothing.</summary>
    public string Blocks { get; init; } = "";
}

/// <summary>
/// Works out a plan's derived results, keeping what an edit did not touch. One planner serves one plan; any thread may ask,
/// several at once: what is kept never changes, only which of it is the newest.
/// </summary>
public sealed class Planner
{
    private readonly ItemForms forms = new();
    private readonly Editor editor;
    private readonly SceneBuilder scenes = new();
    private readonly ConditionalWeakTable<Plan, ConcurrentDictionary<string, Lazy<PlanState>>> states = [];
    private readonly ConcurrentDictionary<string, ImmutableArray<KnownSpace>> spaces = new();

    /// <summary>What a plan's levels were when they were last asked for: lent to the next version, and to every probe.</summary>
    private readonly ConcurrentDictionary<(string Scheme, string Level), LevelState> levels = new();

    private sealed record KnownSpace(ImmutableArray<Entity> Shell, LevelSpace Space);

    /// <summary>Versions of a level's space kept: the plan's own, the one before, and a few probes'.</summary>
    private const int SpacesKept = 4;

    /// <summary>
    /// Steps of working out one level: obstacles looked at in cells, pairs held against each other. 500 tables of ten take
    /// about a tenth of it.
    /// </summary>
    private const long MostSteps = 20_000_000;

    /// <param name="edits">The edits it takes; null for those that ship.</param>
    public Planner(EditKinds? edits = null)
    {
        editor = new Editor(edits ?? EditKinds.Shipped, forms, SpaceOn);
    }

    public ItemForms Forms => forms;

    public EditAnswer Answer(Plan plan, Edit edit) => editor.Answer(plan, edit);

    /// <summary>How a block would hold more; nothing is applied.</summary>
    public ImmutableArray<BlockOffer> Offers(Plan plan, string blockId) => editor.Offers(plan, blockId);

    /// <summary>
    /// How an area may be filled: what an edit that puts in a block would hold, and others near it. Nothing is applied.
    /// </summary>
    /// <param name="judged">Whether the ways to all seats are judged as well, which takes longer.</param>
    /// <param name="problem">Why the block itself cannot be put in; null where it can.</param>
    /// <exception cref="OperationCanceledException">Nobody waits for it any more.</exception>
    public ImmutableArray<FillCandidate> Candidates(
        Plan plan,
        Edit edit,
        bool judged,
        out Problem? problem,
        CancellationToken cancel = default
    ) =>
        new FillCandidates(editor, forms, (tried, schemeId, levelId) => WaysOn(tried, schemeId, levelId, cancel)).For(
            plan,
            edit,
            judged,
            out problem,
            cancel
        );

    /// <summary>What people may look at from the area that an edit would fill; nothing of other edits.</summary>
    public ImmutableArray<Sight> SightsOf(Plan plan, Edit edit)
    {
        return editor.Outlined(plan, edit) is { } thing and IOfScheme { SchemeId: var schemeId }
            ? Sights.Of([.. thing.Areas()], SpaceOn(plan, thing.LevelId), forms.PlaceAll(plan, schemeId, thing.LevelId), plan.Details.Units)
            : [];
    }

    /// <summary>An edit that puts in a block, which then looks to a point; as it is where it puts in none.</summary>
    /// <param name="problem">Why nobody could look there.</param>
    public Edit LookingTo(Plan plan, Edit edit, Point at, out Problem? problem)
    {
        problem = null;
        if (
            editor.Outlined(plan, edit) is not { } outlined
            || FillCandidates.ThingOf(edit) is not { } thing
            || thing.Fills() is not { } asked
        )
            return edit;
        if (Sights.LookingTo(asked, outlined.Areas(), SpaceOn(plan, thing.LevelId), at) is { } turned)
            return FillCandidates.With(edit, thing.Filled(turned));
        problem = Sights.TooNear;
        return edit;
    }

    /// <summary>A scheme in space, as closed solids: its shell and what stands in it, and what a viewpoint shows beside.</summary>
    /// <exception cref="TooMuchWorkException">Findings are to be shown, and the plan is more than is worked out.</exception>
    /// <param name="lettering">What is written on floors and signs is built in it; null where it is not to be seen.</param>
    public PlanModel ModelOf(Plan plan, string schemeId, ViewpointShows? shows = null, ILettering? lettering = null)
    {
        shows ??= new ViewpointShows();
        var state = shows.Findings ? StateOf(plan, schemeId, plan.FirstLevel.Id) : null;
        return PlanModel.Of(
            plan,
            schemeId,
            shows,
            state?.Findings ?? [],
            state is null ? [] : ShownWays.Of(state),
            lettering,
            forms,
            levelId => SpaceOn(plan, levelId),
            levelId => forms.PlaceAll(plan, schemeId, levelId)
        );
    }

    /// <summary>Everything derived from a scheme on a level; asked twice for the same plan it is worked out once.</summary>
    /// <exception cref="TooMuchWorkException">The plan is more than is worked out.</exception>
    public PlanState StateOf(Plan plan, string schemeId, string levelId)
    {
        var known = states.GetOrCreateValue(plan);
        var state = known.GetOrAdd(schemeId, _ => new(() => Derive(plan, schemeId, keep: true, atOnce: false, default)));
        return state.Value.SeenOn(levelId);
    }

    /// <summary>The answer to an edit that is only asked about: nothing is applied, nothing kept.</summary>
    /// <param name="atOnce">
    /// Whether an edit that moves many things is answered with the walkways as they were before it, which it then says
    /// (<see cref="PlanState.IsStale"/>); asked again without this it is answered in full.
    /// </param>
    /// <exception cref="OperationCanceledException">Nobody waits for it any more.</exception>
    public ProbeAnswer Probe(Plan plan, Edit edit, string schemeId, string levelId, bool atOnce = false, CancellationToken cancel = default)
    {
        var answer = editor.Answer(plan, edit, atOnce);
        if (answer.Change is not { } change || !plan.TryApply(change, out var result, out _))
        {
            var now = StateOf(plan, schemeId, levelId);
            return new ProbeAnswer(answer.Problem, [], "", [], [], now, false);
        }
        var state = Derive(result, schemeId, keep: false, atOnce, cancel).SeenOn(levelId);
        var ids = change.Entities.Select(entity => entity.Id).ToHashSet();
        var settled = Caught(plan, edit);
        return new ProbeAnswer(
            null,
            [.. change.Entities.Select(entity => entity.After).OfType<Entity>()],
            settled?.Caught ?? "",
            settled is { GuideFrom: { } from, GuideTo: { } to } ? [from, to] : [],
            NearTo(state, ids),
            state,
            change.Entities.Any(e => IsShell(e.After ?? e.Before!))
        )
        {
            Gone = [.. change.Entities.Where(entity => entity.After is null).Select(entity => entity.Id)],
            Blocks = BlockDifference.Told(plan, change),
        };
    }

    /// <summary>Whether an entity is part of what a level's space is worked out from.</summary>
    public static bool IsShell(Entity entity) =>
        entity is Opening or Level or WallType or OwnRule || (entity is IOnLevel and not (IOfScheme or Backing));

    /// <summary>Clear distances round the items that are picked, or from one fixed thing to what is near it.</summary>
    public ImmutableArray<NearDistance> NearTo(PlanState state, IReadOnlySet<string> ids)
    {
        var items = state.Items.Where(item => ids.Contains(item.Item.Id)).ToArray();
        if (ids.Count == 1 && state.Plan.Find(ids.First()) is Thing block && block.LevelId == state.LevelId && block.Fills() is { } asked)
            return BlockGaps.Of(block, asked, state.Space, state.Items);
        if (items.Length == 0 && ids.Count == 1 && state.Plan.Find(ids.First()) is Thing fixture && fixture.LevelId == state.LevelId)
            return Nearest.OfShapes([.. fixture.Pieces()], ids, state.Space, [], 0);
        return Nearest.Of(items, state.Space, state.Items);
    }

    /// <summary>Clear distances to the walls either side of one item, or of one boundary.</summary>
    public static ImmutableArray<WallAhead> WallsAroundOf(PlanState state, string id) =>
        state.Plan.Find(id) switch
        {
            Item { SetAside: false } when state.Items.FirstOrDefault(placed => placed.Item.Id == id) is { } placed => WallsAround.Of(
                [.. placed.Standing],
                state.Space
            ),
            Boundary boundary when boundary.LevelId == state.LevelId => WallsAround.Beside(boundary.Line, state.Space),
            _ => [],
        };

    /// <summary>What an edit of many things would bring; nothing is applied.</summary>
    /// <exception cref="OperationCanceledException">Nobody waits for it any more.</exception>
    public Foresight Foresee(Plan plan, Edit edit, string schemeId, CancellationToken cancel = default)
    {
        var now = StateOf(plan, schemeId, plan.FirstLevel.Id);
        var answer = editor.Answer(plan, edit);
        if (answer.Change is not { } change || !plan.TryApply(change, out var result, out _))
            return new Foresight(answer.Problem, 0, SeatsOf(now), SeatsOf(now), []);
        var after = Derive(result, schemeId, keep: false, atOnce: false, cancel);
        var before = now.Levels.SelectMany(level => level.Overlaps).Select(Pair).ToHashSet();
        var changed = change.Entities.Select(entity => entity.Id).ToHashSet();
        var unfit = after
            .Levels.SelectMany(level => level.Overlaps)
            .Where(overlap => !before.Contains(Pair(overlap)))
            .Select(overlap => changed.Contains(overlap.ItemId) ? overlap.ItemName : overlap.OtherName)
            .Distinct();
        return new Foresight(null, changed.Count, SeatsOf(now), SeatsOf(after), [.. unfit]);

        static (string, string, OverlapKind) Pair(Overlap overlap) => (overlap.ItemId, overlap.OtherId, overlap.Kind);
        static int SeatsOf(PlanState state) => state.Tally.Seats + state.Tally.Workstations;
    }

    /// <summary>Whether an item fits where it is: what is said where it does not ("" where it does), and the move to the nearest place.</summary>
    public static (string Unfit, Point? Move) FitOf(PlanState state, string id)
    {
        if (state.Items.FirstOrDefault(placed => placed.Item.Id == id) is not { } placed)
            return ("", null);
        var fit = Fitting.Of(state.Space, state.Items, state.Overlaps, placed, state.Level.KeptWays);
        return (FitText.Of(fit, placed.Size, state.Plan.Details.Units), fit.Move);
    }

    /// <summary>
    /// The first scheme as a small picture is made of it, on the level where most of it stands; nothing of it is proved.
    /// </summary>
    public SheetInput PictureOf(Plan plan)
    {
        var scheme = plan.Schemes.First();
        var placed = plan.OfScheme<Item>(scheme.Id).Where(item => !item.SetAside).CountBy(item => item.LevelId).ToArray();
        var levelId = placed.Length > 0 ? placed.MaxBy(level => level.Value).Key : plan.FirstLevel.Id;
        return new SheetInput(
            plan,
            new SheetSettings("picture", scheme.Id, levelId, "A4", true, new TitleBlockFields(), new SheetShows()),
            SpaceOn(plan, levelId),
            forms.PlaceAll(plan, scheme.Id, levelId),
            [.. plan.ThingsOn(scheme.Id, levelId)],
            [],
            Tally.None,
            null,
            "",
            "",
            "",
            default
        );
    }

    private Settled? Caught(Plan plan, Edit edit)
    {
        var item = edit switch
        {
            MoveItems { Ids.Length: 1 } e when plan.Find<Item>(e.Ids[0]) is { } i => i with { X = i.X + e.Dx, Y = i.Y + e.Dy },
            PlaceItem e => new Item(e.Id, e.SchemeId, e.LevelId, e.Catalogue, e.X, e.Y, e.Rotation),
            _ => null,
        };
        var reach = edit switch
        {
            MoveItems e => e.Catch,
            PlaceItem e => e.Catch,
            _ => 0,
        };
        return item is null || reach <= 0 ? null : editor.Settled(plan, item, reach, (edit as MoveItems)?.Hold);
    }

    /// <summary>The ways on a level of a plan that is only tried out: nothing else of it is worked out.</summary>
    private WalkwayAnalysis WaysOn(Plan plan, string schemeId, string levelId, CancellationToken cancel)
    {
        Flight[] flights = [.. plan.FlightsBetweenLevels];
        return BetweenLevels.Joined(
            plan.Levels.Where(level => level.Id == levelId || flights.Length > 0).ToDictionary(level => level.Id, GroundOn),
            id => levels.TryGetValue((schemeId, id), out var last) ? last.Walkways : null,
            flights,
            id => plan.Find<Level>(id)!.Name
        )[levelId];

        WalkwayGround GroundOn(Level level)
        {
            levels.TryGetValue((schemeId, level.Id), out var last);
            return new WalkwayGround(
                scenes.Build(plan, schemeId, SpaceOn(plan, level.Id), forms),
                last?.Ground,
                new Work($"the walkways of {level.Name}", MostSteps, cancel)
            );
        }
    }

    private PlanState Derive(Plan plan, string schemeId, bool keep, bool atOnce, CancellationToken cancel)
    {
        var checks = plan.OfScheme<Checks>(schemeId).First();
        var brief = plan.OfScheme<Brief>(schemeId).First();
        var standing = plan.Levels.ToDictionary(level => level.Id, level => StandingOn(plan, schemeId, level, checks, atOnce, cancel));
        Flight[] flights = [.. plan.FlightsBetweenLevels];
        string LevelName(string id) => plan.Find<Level>(id)!.Name;
        var ways = BetweenLevels.Joined(Grounds(level => level.Ground), id => LastOf(id)?.Walkways, flights, LevelName);
        var hasSteps = flights.Length > 0 || standing.Values.Any(level => level.StepFreeGround is not null);
        var stepFree = hasSteps
            ? BetweenLevels.Joined(
                Grounds(level => level.StepFreeGround ?? level.Ground),
                id => LastOf(id)?.StepFree,
                [.. flights.Where(flight => ShellScene.IsStepFree(flight, plan.Rules))],
                LevelName
            )
            : ways;
        ImmutableArray<LevelState> states =
        [
            .. plan.Levels.Select(level => StateOn(plan, standing[level.Id], ways[level.Id], stepFree[level.Id])),
        ];
        if (keep)
            foreach (var state in states)
                levels[(schemeId, state.Space.LevelId)] = state;
        var tally = Tallying.Of(
            [.. states.Select(state => state.Space)],
            states.SelectMany(state => state.Items),
            brief,
            WaysIn.Narrowest(states)
        ) with
        {
            Stock = StockUses.Of(plan, [.. states.SelectMany(state => state.Items)]),
            Further =
            [
                .. Holding
                    .Of([.. states.SelectMany(state => state.Items)], Power.Reach([.. states.Select(state => state.Space)]))
                    .Against(brief.OfItems(), "", ""),
                .. states.SelectMany(state => state.Areas).SelectMany(area => area.Asked),
            ],
        };
        ImmutableArray<Finding> findings =
        [
            .. WaysIn.Findings(states),
            .. states.SelectMany(state => state.Findings.All),
            .. states.SelectMany(StepFindings),
            .. states
                .Where(state => state.Space.Rooms.Length > 0)
                .SelectMany(state =>
                    state
                        .Space.Flights.Where(flight => state.Space.RoomAt(flight.Placement.Origin) is null)
                        .Select(flight => Finder.OutsideRooms(state.Space.Level, flight))
                ),
            .. Finder.FromBrief(tally, plan.Details.Units),
        ];
        var proof = Proving.Of(plan, states, tally.Stock);
        return new PlanState(
            plan,
            schemeId,
            states[0],
            states,
            tally with
            {
                Holds = proof.Holds,
            },
            Proving.Accepted(plan, schemeId, Proving.InRooms(findings.AddRange(proof.Findings), states))
        )
        {
            Proof = proof,
            IsStale = standing.Values.Any(level => level.IsStale),
        };

        LevelState? LastOf(string levelId) => standing[levelId].Last;

        Dictionary<string, WalkwayGround> Grounds(Func<LevelStanding, WalkwayGround> of) =>
            standing.ToDictionary(one => one.Key, one => of(one.Value));
    }

    /// <summary>What stands on a level, before it is known how people come onto it.</summary>
    /// <param name="Last">The level as it was.</param>
    /// <param name="IsSame">Whether nothing on it has changed since.</param>
    /// <param name="IsStale">Whether the ground is that of before.</param>
    private sealed record LevelStanding(
        LevelSpace Space,
        Checks Checks,
        ImmutableArray<PlacedItem> Items,
        ImmutableArray<Thing> Things,
        WalkwayGround Ground,
        WalkwayGround? StepFreeGround,
        KeptOverlaps Kept,
        LevelState? Last,
        bool IsSame,
        bool IsStale = false
    );

    /// <summary>Where more solids than this come, go or move, walkways take longer than a frame or two.</summary>
    private const int ManySolids = 250;

    /// <summary>Whether so much has changed on a level that its walkways are better told a little later.</summary>
    private static bool IsMuch(LevelState last, ImmutableArray<PlacedItem> items)
    {
        var (come, gone) = KeptOverlaps.Difference(last.Items, items);
        var solids = Solids(come);
        return solids > ManySolids || solids + Solids(gone) > 2 * ManySolids;

        static int Solids(IEnumerable<PlacedItem> some) => some.Sum(item => item.Standing.Count());
    }

    private LevelStanding StandingOn(Plan plan, string schemeId, Level level, Checks checks, bool atOnce, CancellationToken cancel)
    {
        var space = SpaceOn(plan, level.Id);
        var items = forms.PlaceAll(plan, schemeId, level.Id);
        ImmutableArray<Thing> things = [.. plan.ThingsOn(schemeId, level.Id)];
        levels.TryGetValue((schemeId, level.Id), out var last);
        if (
            last is not null
            && ReferenceEquals(last.Space, space)
            && last.Checks == checks
            && last.Things.AsSpan().SequenceEqual(things.AsSpan(), ReferenceEqualityComparer.Instance)
            && last.Items.AsSpan().SequenceEqual(items.AsSpan(), ReferenceEqualityComparer.Instance)
        )
            return new LevelStanding(space, checks, items, things, last.Ground, last.StepFreeGround, last.Kept, last, true);
        var work = new Work($"the walkways of {level.Name}", MostSteps, cancel);
        if (atOnce && last is not null && ReferenceEquals(last.Space, space) && last.Checks == checks && IsMuch(last, items))
        {
            var found = Overlaps.Find(space, items, last.Kept, new Work($"what stands in what on {level.Name}", MostSteps, cancel));
            return new LevelStanding(space, checks, items, things, last.Ground, last.StepFreeGround, found, last, false, true);
        }
        var widths = new WidthsAsked(space, things);
        var (ground, overlaps) = Together.Both(
            () => new WalkwayGround(scenes.Build(space, items, checks, widths), last?.Ground, work),
            () => Overlaps.Find(space, items, last?.Kept, new Work($"what stands in what on {level.Name}", MostSteps, cancel))
        );
        // Flights to other levels are no part of the floor itself; steps on it are.
        var steps = space.Platforms.Any() || space.Flights.Any(f => f.ToLevelId.Length == 0);
        var stepFree = steps
            ? new WalkwayGround(scenes.Build(space, items, checks, widths, stepFree: true), last?.StepFreeGround, work)
            : null;
        return new LevelStanding(space, checks, items, things, ground, stepFree, overlaps, last, false);
    }

    private LevelState StateOn(Plan plan, LevelStanding of, WalkwayAnalysis walkways, WalkwayAnalysis stepFree)
    {
        if (
            of is { IsSame: true, Last: { } last }
            && last.Walkways.Arrivals.SequenceEqual(walkways.Arrivals)
            && last.StepFree.Arrivals.SequenceEqual(stepFree.Arrivals)
            && last.StepFree.Scene == stepFree.Scene
            && last.Findings.IsWorded(plan)
        )
            return last;
        // A ground that stays from state to state has been counted.
        var work = ReferenceEquals(of.Ground, of.Last?.Ground) ? null : of.Ground.Work;
        var drawn = DrawnWays.All(KeptWay.Of(of.Things), of.Ground, work);
        var rooms = RoomsOf(of.Space, of.Items, of.Checks, walkways, stepFree);
        return new LevelState(
            of.Space,
            of.Checks,
            of.Items,
            of.Things,
            of.Ground,
            of.StepFreeGround,
            walkways,
            stepFree,
            of.Kept,
            rooms,
            AreasOf(of.Space, of.Things, of.Items),
            drawn,
            new LevelFindings(plan, of.Space, of.Items, of.Kept.All, walkways, drawn, of.Last?.Findings)
        );
    }

    private ImmutableArray<RoomFigures> RoomsOf(
        LevelSpace space,
        ImmutableArray<PlacedItem> items,
        Checks checks,
        WalkwayAnalysis walkways,
        WalkwayAnalysis stepFree
    )
    {
        // Where nobody gets in there is no narrowest way.
        var narrowest = new Dictionary<string, double>();
        if (walkways.IsEntered)
            foreach (var part in walkways.Parts)
                narrowest[part.Ways[0].Target.OwnerId] = part.LeastWidth!.Value;
        var byRoom = items.ToLookup(item => RoomOf(item, space));
        return
        [
            .. space.Rooms.Select(room =>
            {
                var way = walkways.WayToRoom(room.Room.Id);
                var here = byRoom[room.Room.Id].ToArray();
                var (seats, desks) = Tallying.Seats(here);
                double[] ways = [.. here.Where(item => narrowest.ContainsKey(item.Item.Id)).Select(item => narrowest[item.Item.Id])];
                return new RoomFigures(
                    room.Room.Id,
                    seats,
                    desks,
                    seats + desks > 0 ? room.NetInternal / (seats + desks) : null,
                    way.Width,
                    (ReferenceEquals(stepFree, walkways) ? way : stepFree.WayToRoom(room.Room.Id)).Width > 0,
                    ways.Length > 0 ? ways.Min() : null
                );
            }),
        ];
    }

    private sealed record Home(LevelSpace Space, string RoomId);

    private readonly ConditionalWeakTable<PlacedItem, Home> homes = [];

    /// <summary>The id of the room an item stands in; "" where it stands in none.</summary>
    private string RoomOf(PlacedItem item, LevelSpace space)
    {
        if (!homes.TryGetValue(item, out var home) || !ReferenceEquals(home.Space, space))
            homes.AddOrUpdate(item, home = new Home(space, space.RoomAt(item.Item.Placement.Origin)?.Room.Id ?? ""));
        return home.RoomId;
    }

    /// <summary>What the areas count that count by themselves.</summary>
    private static ImmutableArray<AreaFigures> AreasOf(LevelSpace space, ImmutableArray<Thing> things, ImmutableArray<PlacedItem> items)
    {
        Thing[] zones = [.. things.Where(thing => thing.Counts())];
        if (zones.Length == 0)
            return [];
        var middles = new SpatialIndex<PlacedItem>(items, item => Bounds.At(item.Item.Placement.Origin));
        return
        [
            .. zones.Select(zone =>
            {
                var here = zone.Areas()
                    .SelectMany(area => middles.Meeting(area.Bounds).Where(item => area.Holds(item.Item.Placement.Origin)))
                    .Distinct()
                    .ToArray();
                var has = Holding.Of(here, Power.Reach(space));
                return new AreaFigures(
                    zone.Id,
                    zone.Called(),
                    has.Seats,
                    has.Workstations,
                    has.Tables,
                    zone.Areas().Sum(area => area.Area) / 1e6
                )
                {
                    Within = Nesting.Of(zone, zones)?.Id,
                    Asked = zone.Asks() is { } asked ? [.. has.Against(asked, zone.Id, zone.Called())] : [],
                };
            }),
        ];
    }

    /// <summary>Rooms people reach on foot but not without a step: one finding for each room, or one for the whole level.</summary>
    private static IEnumerable<Finding> StepFindings(LevelState state)
    {
        var reached = state.Rooms.Where(room => room.WayIn > 0).ToArray();
        var stepped = reached.Where(room => !room.StepFree).ToArray();
        if (stepped.Length == 0)
            return [];
        if (stepped.Length == reached.Length)
            return [Finder.StepTo(state.Space.Rules, state.Space.Level, state.Space.Level.Name, $"level/{state.Space.LevelId}", [])];
        return stepped
            .Select(figures => state.Space.Rooms.First(room => room.Room.Id == figures.RoomId))
            .Where(room => room.Named)
            .Select(room =>
                Finder.StepTo(state.Space.Rules, state.Space.Level, room.Room.Name, $"room/{room.Room.Id}", [room.Room.Inside])
            );
    }

    /// <summary>A level's space, kept while no entity of its shell has changed; the last few are kept, so that probes do not drive the plan's own out.</summary>
    public LevelSpace SpaceOn(Plan plan, string levelId)
    {
        ImmutableArray<Entity> shell =
        [
            plan.Find<Level>(levelId)!,
            .. plan.All<WallType>(),
            .. plan.All<OwnRule>(),
            .. plan.OnLevel<Wall>(levelId).SelectMany(wall => plan.OpeningsIn(wall.Id).Prepend<Entity>(wall)),
            .. plan.OnLevel<Room>(levelId),
            .. plan.OnLevel<Boundary>(levelId),
            .. plan.OnLevel<SettingOutLine>(levelId),
            .. plan.OnLevel<Thing>(levelId).Where(thing => thing is not IOfScheme),
            .. plan.All<Flight>().Where(flight => flight.ToLevelId == levelId && flight.LevelId != levelId),
        ];
        var kept = spaces.GetValueOrDefault(levelId, []);
        if (kept.FirstOrDefault(known => SameEntities(known.Shell, shell)) is not { } found)
            found = new KnownSpace(shell, SpaceFinder.Find(plan, levelId, kept.FirstOrDefault()?.Space));
        if (kept.IsEmpty || kept[0] != found)
            spaces.AddOrUpdate(levelId, [found], (_, others) => [found, .. others.Where(one => one != found).Take(SpacesKept - 1)]);
        return found.Space;
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
