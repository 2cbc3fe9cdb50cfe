using System.Collections.Immutable;
using Wellsedes.Core.Arranging;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Walkways;
using Wellsedes.Store;

namespace Wellsedes.Server.Features.Plans;

/// <summary>What came of an edit: done, or refused with a problem and a status code.</summary>
public readonly record struct EditOutcome(EditDone? Done, Problem? Problem, int Status);

/// <summary>
/// One plan held in memory while people work on it. Everything goes through one gate, so edits are applied one
/// after another; each is in the database before it is answered.
/// </summary>
public sealed class OpenPlan(Guid id, StoredPlan stored, PlanStore store) : IDisposable
{
    private readonly SemaphoreSlim gate = new(1, 1);
    private readonly Planner planner = new(CatalogueList.Shipped);
    private Plan plan = stored.Plan;
    private History history = stored.History;
    private long revision = stored.Revision;
    private ImmutableDictionary<string, string> names = stored.AuthorNames;

    public void Dispose() => gate.Dispose();

    /// <summary>Runs one question against the plan as it is, alone.</summary>
    public async Task<T> AskAsync<T>(Func<Planner, Plan, long, T> question, CancellationToken cancel)
    {
        await gate.WaitAsync(cancel);
        try
        {
            return question(planner, plan, revision);
        }
        finally
        {
            gate.Release();
        }
    }

    public Task<PlanView> ViewAsync(PlanRecord record, ProjectRole role, Guid person, CancellationToken cancel) =>
        AskAsync(
            (_, _, _) =>
            {
                var state = State(null);
                var (items, forms) = ItemViews.OfAll(plan.All<Item>(), planner, plan);
                return new PlanView(
                    id,
                    record.ProjectId,
                    record.Project!.Name,
                    role,
                    revision,
                    state.SchemeId,
                    FirstLevel(),
                    [.. plan.Entities.Values.OrderBy(entity => entity.Id, StringComparer.Ordinal)],
                    items,
                    forms,
                    [.. state.Levels.Select(level => ShellView.Of(level.Space))],
                    FiguresView.Of(state),
                    Undoable(person)
                );
            },
            cancel
        );

    public Task<ProbeView> ProbeAsync(Edit edit, string? levelId, CancellationToken cancel) =>
        AskAsync(
            (_, _, _) =>
            {
                var seen = LevelOf(levelId);
                var answer = planner.Probe(plan, edit, SchemeId, seen);
                return new ProbeView(
                    answer.Problem,
                    answer.Moved,
                    answer.Caught,
                    answer.Guide,
                    answer.Near,
                    answer.Problem is null ? FiguresView.Of(answer.State) : null,
                    answer.ShellChanged ? ShellView.Of(answer.State.Space) : null
                );
            },
            cancel
        );

    public Task<Aim> AimAsync(AimQuestion question, CancellationToken cancel) =>
        AskAsync((_, _, _) => Aiming.At(question, planner.SpaceOn(plan, LevelOf(question.LevelId))), cancel);

    public Task<ImmutableArray<NearDistance>> NearAsync(IReadOnlySet<string> ids, string? levelId, CancellationToken cancel) =>
        AskAsync((_, _, _) => planner.NearTo(State(levelId), ids), cancel);

    public Task<ImmutableArray<Core.Geometry.Point>> RouteAsync(string findingId, CancellationToken cancel) =>
        AskAsync(
            (_, _, _) =>
            {
                var state = State(null);
                var finding = state.Findings.FirstOrDefault(f => f.Id == findingId);
                var level = state.Levels.FirstOrDefault(l => l.Space.LevelId == finding?.LevelId);
                var way = finding is null
                    ? null
                    : level
                        ?.Walkways.Ways.Where(w => finding.TargetIds.Contains(w.Target.OwnerId))
                        .MinBy(w => Math.Abs(w.Width - finding.Measured));
                return way is null ? [] : Core.Walkways.Route.Of(level!.Walkways, way);
            },
            cancel
        );

    public async Task<EditOutcome> EditAsync(Guid person, string name, EditRequest request, CancellationToken cancel)
    {
        await gate.WaitAsync(cancel);
        try
        {
            var answer = planner.Answer(plan, request.Edit);
            if (answer.Change is not { } change)
                return new EditOutcome(null, answer.Problem, 422);
            var ids = change.Entities.Where(entity => entity.Before is not null).Select(entity => entity.Id).ToHashSet();
            var other = history.Log.LastOrDefault(later =>
                later.Revision > request.BaseRevision
                && later.Author != person.ToString()
                && later.Change.Entities.Any(entity => ids.Contains(entity.Id))
            );
            if (other is not null)
                return new EditOutcome(
                    null,
                    new Problem(
                        "edit",
                        $"{NameOf(other.Author)} has just changed this ({Lower(other.Change.Label)}). Nothing of yours was applied; look at it as it is now and do it again."
                    ),
                    409
                );
            return await CommitAsync(person, name, change, null, null);
        }
        finally
        {
            gate.Release();
        }
    }

    public Task<EditOutcome> UndoAsync(Guid person, string name, CancellationToken cancel) =>
        BackAsync(person, name, history => history.NextUndo(person.ToString()), true, cancel);

    public Task<EditOutcome> RedoAsync(Guid person, string name, CancellationToken cancel) =>
        BackAsync(person, name, history => history.NextRedo(person.ToString()), false, cancel);

    private async Task<EditOutcome> BackAsync(
        Guid person,
        string name,
        Func<History, LoggedChange?> next,
        bool undo,
        CancellationToken cancel
    )
    {
        await gate.WaitAsync(cancel);
        try
        {
            if (next(history) is not { } logged)
                return new EditOutcome(
                    null,
                    new Problem("undo", undo ? "There is nothing of yours left to undo." : "There is nothing to redo."),
                    422
                );
            var change = undo
                ? logged.Change.Reversed($"Undid: {Lower(logged.Change.Label)}")
                : new Change($"Redid: {Lower(logged.Change.Label)}", logged.Change.Entities);
            if (!plan.TryApply(change, out _, out _))
            {
                var who = history.BuiltOnBy(logged, person.ToString()).Select(NameOf).ToArray();
                return new EditOutcome(
                    null,
                    new Problem(
                        "undo",
                        $"{(who.Length > 0 ? string.Join(" and ", who) : "Somebody")} has since changed the same things; nothing was undone."
                    ),
                    409
                );
            }
            return await CommitAsync(person, name, change, undo ? logged.Revision : null, undo ? null : logged.Revision);
        }
        finally
        {
            gate.Release();
        }
    }

    /// <summary>Stores a change, then makes it the plan. Not cancelled half way: what is stored is also shown.</summary>
    private async Task<EditOutcome> CommitAsync(Guid person, string name, Change change, long? undoes, long? redoes)
    {
        if (!plan.TryApply(change, out var after, out _))
            return new EditOutcome(null, new Problem("edit", "The plan changed under this edit; do it again."), 409);
        var logged = new LoggedChange(revision + 1, person.ToString(), change, undoes, redoes);
        await store.AppendAsync(id, logged, after, CancellationToken.None);
        plan = after;
        revision = logged.Revision;
        history = history.With(logged);
        names = names.SetItem(person.ToString(), name);
        return new EditOutcome(new EditDone(Told(logged, name), Undoable(person)), null, 200);
    }

    private ChangedView Told(LoggedChange logged, string name)
    {
        var state = State(null);
        var changed = logged.Change.Entities;
        var checksChanged = changed.Any(entity => entity.After is Checks);
        var (items, forms) = ItemViews.OfAll(
            checksChanged ? plan.All<Item>() : changed.Select(entity => entity.After).OfType<Item>(),
            planner,
            plan
        );
        var touched = changed
            .SelectMany(change => new[] { change.Before, change.After })
            .OfType<Entity>()
            .Where(Planner.IsShell)
            .SelectMany(Levels)
            .ToHashSet();
        return new ChangedView(
            logged.Revision,
            name,
            logged.Change.Label,
            [.. changed.Select(entity => new EntityAfter(entity.Id, entity.After))],
            items,
            forms,
            [
                .. state
                    .Levels.Where(level => touched.Contains("") || touched.Contains(level.Space.LevelId))
                    .Select(level => ShellView.Of(level.Space)),
            ],
            FiguresView.Of(state)
        );
    }

    /// <summary>The levels an entity of the shell shows on; "" for all.</summary>
    private IEnumerable<string> Levels(Entity entity) =>
        entity switch
        {
            Flight flight => [flight.LevelId, flight.ToLevelId],
            IOnLevel on => [on.LevelId],
            Opening opening when plan.Find<Wall>(opening.WallId) is { } wall => [wall.LevelId],
            _ => [""],
        };

    private PlanState State(string? levelId) => planner.StateOf(plan, SchemeId, LevelOf(levelId));

    private string SchemeId => plan.All<Scheme>().First().Id;

    public string LevelOf(string? levelId) => levelId is { Length: > 0 } && plan.Find<Level>(levelId) is not null ? levelId : FirstLevel();

    /// <summary>The level a plan opens on: the lowest that has an entrance, else the lowest.</summary>
    private string FirstLevel()
    {
        var walls = plan.All<Opening>()
            .Where(opening => opening.IsEntrance)
            .Select(opening => plan.Find<Wall>(opening.WallId)?.LevelId)
            .ToHashSet();
        var levels = plan.All<Level>().OrderBy(level => level.Elevation).ToArray();
        return (levels.FirstOrDefault(level => walls.Contains(level.Id)) ?? levels[0]).Id;
    }

    private UndoView Undoable(Guid person) =>
        new(history.NextUndo(person.ToString())?.Change.Label, history.NextRedo(person.ToString())?.Change.Label);

    private string NameOf(string author) => names.GetValueOrDefault(author, "Somebody");

    private static string Lower(string label) => label.Length == 0 ? label : char.ToLowerInvariant(label[0]) + label[1..];
}
