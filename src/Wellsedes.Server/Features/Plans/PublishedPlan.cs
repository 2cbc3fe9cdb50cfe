using System.Collections.Immutable;
using Wellsedes.Core.Arranging;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Editing.Blocks;
using Wellsedes.Core.Editing.Groups;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Core.SolidModel;
using Wellsedes.Core.Walkways;
using Wellsedes.Formats.Lettering;
using Wellsedes.Formats.Viewing;
using Wellsedes.Store;

namespace Wellsedes.Server.Features.Plans;

/// <summary>
/// A plan at a revision, as everybody may read it at once on any thread. It never changes; an edit publishes the next. What is
/// derived from it is worked out once and shared.
/// </summary>
/// <param name="Fault">Why it can only be read; null when it is whole.</param>
public sealed record PublishedPlan(
    Guid Id,
    Plan Plan,
    History History,
    long Revision,
    ImmutableDictionary<string, string> Names,
    PlanFault? Fault,
    Planner Planner
)
{
    /// <summary>Cancelled when an edit has published the next.</summary>
    public CancellationToken Edited { get; init; }

    /// <summary>The scheme's derived results on a level; of the first where there is none such.</summary>
    /// <exception cref="PlanFaultException">The plan can only be read.</exception>
    public PlanState State(string? schemeId, string? levelId) =>
        Fault is { } wrong ? throw new PlanFaultException(wrong.Message) : Planner.StateOf(Plan, SchemeOf(schemeId), LevelOf(levelId));

    public FiguresView Figures(string? schemeId) => FiguresView.Of(State(schemeId, null));

    /// <summary>The whole plan, for somebody who opens it.</summary>
    public PlanView View(PlanRecord record, ProjectRole role, Guid person, string? schemeId)
    {
        var state = Fault is null ? State(schemeId, null) : null;
        var (items, forms) = Fault is null ? ItemViews.OfAll(Plan.All<Item>(), Planner, Plan) : ([], []);
        return new PlanView(
            Id,
            record.ProjectId,
            record.Project!.Name,
            role,
            person,
            Revision,
            state?.SchemeId ?? Plan.Schemes.FirstOrDefault()?.Id ?? "",
            Fault is null ? Plan.FirstLevel.Id : Plan.All<Level>().FirstOrDefault()?.Id ?? "",
            [.. Plan.Entities.Values.OrderBy(entity => entity.Id, StringComparer.Ordinal)],
            items,
            forms,
            Fault is null ? [.. Plan.All<Thing>().Select(thing => ThingView.Of(thing, Plan.Details.Units))] : [],
            state is null ? [] : [.. state.Levels.Select(level => ShellView.Of(level.Space))],
            state is null ? FiguresView.None : FiguresView.Of(state),
            Undoable(person),
            Fault is null ? null : Fault with { LastChange = History.Log.LastOrDefault()?.Change.Label }
        );
    }

    /// <summary>What an edit would do; nothing is applied.</summary>
    /// <param name="atOnce">Whether walkways may be those of before where many things move (see <see cref="Core.Planning.Planner.Probe"/>).</param>
    /// <exception cref="OperationCanceledException">Nobody waits for it any more.</exception>
    public ProbeView Probe(Edit edit, string? schemeId, string? levelId, bool atOnce, CancellationToken cancel)
    {
        if (Fault is not null)
            return ProbeView.Refused(OnlyReading());
        try
        {
            var answer = Planner.Probe(Plan, edit, SchemeOf(schemeId), LevelOf(levelId), atOnce, cancel);
            return new ProbeView(
                answer.Problem,
                // Several that move together are where the hand has them: they need not be sent back.
                edit is MoveItems { Ids.Length: > 1 }
                    ? []
                    : answer.Moved,
                answer.Caught,
                answer.Guide,
                answer.Near,
                answer.Problem is null ? FiguresView.Of(answer.State) : null,
                answer.ShellChanged ? ShellView.Of(answer.State.Space) : null,
                [.. answer.Moved.OfType<Thing>().Select(thing => ThingView.Of(thing, Plan.Details.Units))]
            )
            {
                Gone = answer.Gone,
                Blocks = answer.Blocks,
            };
        }
        catch (TooMuchWorkException e)
        {
            return ProbeView.Refused(new Problem("edit", e.Message));
        }
    }

    public Aim Aim(AimQuestion question) => Aiming.At(question, Planner.SpaceOn(Plan, LevelOf(question.LevelId)));

    public NearView Near(IReadOnlySet<string> ids, string? schemeId, string? levelId)
    {
        if (Fault is not null)
            return NearView.None;
        var state = State(schemeId, levelId);
        if (ids.Count != 1)
            return new NearView(Planner.NearTo(state, ids), []);
        var (unfit, move) = Planner.FitOf(state, ids.First());
        return new NearView(Planner.NearTo(state, ids), Planner.WallsAroundOf(state, ids.First()), unfit, move);
    }

    /// <summary>What else is to be selected with an item, on its own level.</summary>
    public IEnumerable<string> Selection(string id, SelectAll which, string? schemeId) =>
        Fault is not null || Plan.Find<Item>(id) is not { } item ? [] : Selecting.Of(State(schemeId, item.LevelId), id, which);

    /// <summary>What changes from one scheme to another; nothing where the plan can only be read.</summary>
    public SchemesCompared Compared(string? from, string? to) =>
        Fault is null ? SchemesCompared.Of(Plan, SchemeOf(from), SchemeOf(to)) : new SchemesCompared("", "", [], [], [], []);

    /// <summary>The ids of what a line of the tally counts.</summary>
    public IEnumerable<string> Counted(string what, string? schemeId) =>
        Fault is null ? Selecting.Counted(State(schemeId, null), what) : [];

    /// <summary>How a block would hold more.</summary>
    public IEnumerable<BlockOffer> Offers(string blockId) => Fault is null ? Planner.Offers(Plan, blockId) : [];

    /// <summary>How an area may be seated.</summary>
    public FillsView Fills(FillsRequest request, CancellationToken cancel)
    {
        if (Fault is not null)
            return new FillsView([], [], OnlyReading());
        try
        {
            Problem? unseen = null;
            var edit = request.LookAt is { } at ? Planner.LookingTo(Plan, request.Edit, at, out unseen) : request.Edit;
            if (unseen is not null)
                return new FillsView([], Planner.SightsOf(Plan, edit), unseen);
            var candidates = Planner.Candidates(Plan, edit, request.Judged, out var problem, cancel);
            return new FillsView(candidates, Planner.SightsOf(Plan, edit), problem);
        }
        catch (TooMuchWorkException e)
        {
            return new FillsView([], [], new Problem("edit", e.Message));
        }
    }

    /// <summary>A scheme in space; nothing where the plan can only be read.</summary>
    public PlanModel Model(string? schemeId, ViewpointShows shows) =>
        Fault is null ? Planner.ModelOf(Plan, SchemeOf(schemeId), shows, Typefaces.Shared) : new PlanModel([], []);

    /// <summary>What is wrong with a look into it that is not kept; null when nothing is.</summary>
    public string? WrongLook(Viewpoint from) =>
        Plan.Find<Level>(from.LevelId) is null ? "The level is no longer there." : PlanChecks.OfEntity(Plan, from)?.Message;

    /// <summary>Takes the pictures of its sheets.</summary>
    public SheetCamera Camera(CancellationToken cancel) => new(Planner, Plan, cancel);

    /// <summary>What of a scheme can be seen, printed and locked together.</summary>
    public SubjectsView Subjects(string? schemeId) =>
        Fault is null ? new SubjectsView(new Subjects(Plan, SchemeOf(schemeId)).All(), ReadyViews.All) : new SubjectsView([], []);

    /// <summary>The ids of what a view leaves unseen.</summary>
    public IEnumerable<string> Unseen(string viewId) =>
        Fault is null && Plan.Find<View>(viewId) is { } view ? new Subjects(Plan, view.SchemeId).Under(view.Hidden) : [];

    /// <summary>What a cluster or repeat holds and can be changed by; nothing where it is not there.</summary>
    public GroupFigures Group(string id) =>
        (Fault is null ? GroupFigures.Of(Plan, Planner.Forms, id) : null) ?? new GroupFigures(id, 0, 0, 0, 0);

    /// <summary>The finishes of a scheme as they are painted.</summary>
    public FinishesView Finishes(string? schemeId)
    {
        if (Fault is not null)
            return new FinishesView([], []);
        var state = State(schemeId, null);
        return new FinishesView(
            [
                .. state.Levels.SelectMany(level =>
                    Core.Drawings.Finishes.OfShell(Plan, state.SchemeId, level.Space)
                        .Select(finish => new FinishView(
                            finish.Id,
                            level.Space.LevelId,
                            finish.Fill.ToPathData(),
                            finish.Joints?.ToPathData(),
                            finish.Tint,
                            PicturePlaceView.Of(finish.Laid),
                            finish.OnWall
                        ))
                ),
            ],
            state.Levels.ToDictionary(
                level => level.Space.LevelId,
                level => Core.Drawings.Finishes.Legend(Plan, state.SchemeId, level.Space, level.Items).ToArray()
            )
        );
    }

    /// <summary>The line of a finding's way.</summary>
    /// <exception cref="OperationCanceledException">Nobody waits for it any more.</exception>
    public ImmutableArray<Point> Route(string findingId, string? schemeId, CancellationToken cancel)
    {
        var state = State(schemeId, null);
        if (state.Findings.FirstOrDefault(f => f.Id == findingId) is not { } finding)
            return [];
        if (Plan.Find<Thing>(finding.TargetIds.FirstOrDefault() ?? "")?.Keeps() is { } kept)
            return kept.Strip.Line;
        var walkways = state.Levels.FirstOrDefault(level => level.Space.LevelId == finding.LevelId)?.Walkways;
        var way = walkways?.Ways.Where(w => finding.TargetIds.Contains(w.Target.OwnerId)).MinBy(w => Math.Abs(w.Width - finding.Measured));
        return way is null ? [] : Core.Walkways.Route.Of(walkways!, way, cancel);
    }

    /// <summary>
    /// Everything that has changed after a revision, as it is now; null when that is longer ago than the log is kept, or the plan
    /// can only be read: then it is opened anew.
    /// </summary>
    public ChangedView? ChangedSince(long revision, IEnumerable<string?> schemes)
    {
        if (Fault is not null || revision < (History.Log.IsEmpty ? Revision : History.Log[0].Revision - 1) || revision > Revision)
            return null;
        return ChangedViews.Of(this, revision, schemes.Select(SchemeOf).Distinct());
    }

    /// <summary>Whether a change of the log can be taken back as things are.</summary>
    public bool CanUndo(LoggedChange logged) => Plan.TryApply(logged.Change.Reversed(""), out _, out _);

    public bool CanRedo(LoggedChange logged) => Plan.TryApply(logged.Change, out _, out _);

    public UndoView Undoable(Guid person) =>
        new(
            History.NextUndo(person.ToString(), CanUndo).Next?.Change.Label,
            History.NextRedo(person.ToString(), CanRedo).Next?.Change.Label
        );

    public Problem OnlyReading() => new("plan", $"The plan is open for reading only: {Fault!.Message} Take back the last change to go on.");

    public string NameOf(string author) => Names.GetValueOrDefault(author, "Somebody");

    /// <summary>The scheme that is asked for, the first where there is no such.</summary>
    public string SchemeOf(string? schemeId) => Plan.Find<Scheme>(schemeId ?? "")?.Id ?? Plan.Schemes.First().Id;

    private string LevelOf(string? levelId) => Plan.Find<Level>(levelId ?? "")?.Id ?? Plan.FirstLevel.Id;
}

/// <summary>The plan can only be read until it is mended.</summary>
public sealed class PlanFaultException(string message) : Exception(message);
