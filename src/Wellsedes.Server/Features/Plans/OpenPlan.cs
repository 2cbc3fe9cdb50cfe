using System.Collections.Immutable;
using Microsoft.Extensions.Logging;
using Wellsedes.Core.Arranging;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Walkways;
using Wellsedes.Store;

namespace Wellsedes.Server.Features.Plans;

/// <summary>What came of an edit: done, or refused with a problem and a status code.</summary>
public readonly record struct EditOutcome(EditDone? Done, Problem? Problem, int Status)
{
    public static EditOutcome Refused(Problem problem, int status = 422) => new(null, problem, status);

    public static EditOutcome Refused(string field, string message, int status = 422) => new(null, new Problem(field, message), status);
}

/// <summary>
/// One plan held in memory while people work on it. Everything goes through one gate, so edits are applied one
/// after another; each is worked out and then in the database before it is answered. A plan with a fault opens for reading.
/// </summary>
public sealed class OpenPlan : IDisposable
{
    private readonly SemaphoreSlim gate = new(1, 1);
    private readonly Planner planner = new();
    private readonly Guid id;
    private readonly PlanStore store;
    private readonly ILogger log;
    private Plan plan;
    private History history;
    private long revision;
    private ImmutableDictionary<string, string> names;
    private PlanFault? fault;

    public OpenPlan(Guid id, StoredPlan stored, PlanStore store, ILogger log)
    {
        (this.id, this.store, this.log) = (id, store, log);
        (plan, history, revision, names) = (stored.Plan, stored.History, stored.Revision, stored.AuthorNames);
        fault = stored.Broken is { } broken ? new PlanFault("", broken, null) : FaultOf(plan);
    }

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

    /// <summary>The scheme's derived results on a level; throws for a plan with a fault.</summary>
    /// <exception cref="PlanFaultException">The plan can only be read.</exception>
    public Task<(PlanState State, long Revision)> StateAsync(string? schemeId, string? levelId, CancellationToken cancel) =>
        AskAsync((_, _, now) => (State(schemeId, levelId), now), cancel);

    public Task<PlanView> ViewAsync(PlanRecord record, ProjectRole role, Guid person, string? schemeId, CancellationToken cancel) =>
        AskAsync(
            (_, _, _) =>
            {
                var state = fault is null ? State(schemeId, null) : null;
                var (items, forms) = fault is null ? ItemViews.OfAll(plan.All<Item>(), planner, plan) : ([], []);
                return new PlanView(
                    id,
                    record.ProjectId,
                    record.Project!.Name,
                    role,
                    revision,
                    state?.SchemeId ?? plan.Schemes.FirstOrDefault()?.Id ?? "",
                    fault is null ? plan.FirstLevel.Id : plan.All<Level>().FirstOrDefault()?.Id ?? "",
                    [.. plan.Entities.Values.OrderBy(entity => entity.Id, StringComparer.Ordinal)],
                    items,
                    forms,
                    fault is null ? [.. plan.All<Thing>().Select(thing => ThingView.Of(thing, plan.Details.Units))] : [],
                    state is null ? [] : [.. state.Levels.Select(level => ShellView.Of(level.Space))],
                    state is null ? FiguresView.None : FiguresView.Of(state),
                    Undoable(person),
                    fault is null ? null : fault with { LastChange = history.Log.LastOrDefault()?.Change.Label }
                );
            },
            cancel
        );

    public Task<FiguresView> FiguresAsync(string? schemeId, CancellationToken cancel) =>
        AskAsync((_, _, _) => FiguresView.Of(State(schemeId, null)), cancel);

    public Task<ProbeView> ProbeAsync(Edit edit, string? schemeId, string? levelId, CancellationToken cancel) =>
        AskAsync(
            (_, _, _) =>
            {
                if (fault is not null)
                    return ProbeView.Refused(OnlyReading());
                try
                {
                    var answer = planner.Probe(plan, edit, SchemeOf(schemeId), LevelOf(levelId));
                    return new ProbeView(
                        answer.Problem,
                        answer.Moved,
                        answer.Caught,
                        answer.Guide,
                        answer.Near,
                        answer.Problem is null ? FiguresView.Of(answer.State) : null,
                        answer.ShellChanged ? ShellView.Of(answer.State.Space) : null,
                        [.. answer.Moved.OfType<Thing>().Select(thing => ThingView.Of(thing, plan.Details.Units))]
                    );
                }
                catch (TooMuchWorkException e)
                {
                    return ProbeView.Refused(new Problem("edit", e.Message));
                }
            },
            cancel
        );

    public Task<Aim> AimAsync(AimQuestion question, CancellationToken cancel) =>
        AskAsync((_, _, _) => Aiming.At(question, planner.SpaceOn(plan, LevelOf(question.LevelId))), cancel);

    public Task<ImmutableArray<NearDistance>> NearAsync(
        IReadOnlySet<string> ids,
        string? schemeId,
        string? levelId,
        CancellationToken cancel
    ) => AskAsync((_, _, _) => fault is null ? planner.NearTo(State(schemeId, levelId), ids) : [], cancel);

    public Task<ImmutableArray<Core.Geometry.Point>> RouteAsync(string findingId, string? schemeId, CancellationToken cancel) =>
        AskAsync(
            (_, _, _) =>
            {
                var state = State(schemeId, null);
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
            if (fault is not null)
                return EditOutcome.Refused(OnlyReading(), 409);
            EditAnswer answer;
            try
            {
                answer = planner.Answer(plan, request.Edit);
            }
            catch (TooMuchWorkException e)
            {
                return EditOutcome.Refused("edit", $"{e.Message} Nothing was changed.");
            }
            if (answer.Change is not { } change)
                return EditOutcome.Refused(answer.Problem!);
            var ids = change.Entities.Where(entity => entity.Before is not null).Select(entity => entity.Id).ToHashSet();
            var other = history.Log.LastOrDefault(later =>
                later.Revision > request.BaseRevision
                && later.Author != person.ToString()
                && later.Change.Entities.Any(entity => ids.Contains(entity.Id))
            );
            if (other is not null)
                return EditOutcome.Refused(
                    "edit",
                    $"{NameOf(other.Author)} has just changed this ({Lower(other.Change.Label)}). Nothing of yours was applied; look at it as it is now and do it again.",
                    409
                );
            return await CommitAsync(person, name, change, request.SchemeId, null, null);
        }
        finally
        {
            gate.Release();
        }
    }

    public Task<EditOutcome> UndoAsync(Guid person, string name, string? schemeId, CancellationToken cancel) =>
        BackAsync(person, name, schemeId, true, cancel);

    public Task<EditOutcome> RedoAsync(Guid person, string name, string? schemeId, CancellationToken cancel) =>
        BackAsync(person, name, schemeId, false, cancel);

    private async Task<EditOutcome> BackAsync(Guid person, string name, string? schemeId, bool undo, CancellationToken cancel)
    {
        await gate.WaitAsync(cancel);
        try
        {
            if (fault is not null)
                return EditOutcome.Refused(OnlyReading(), 409);
            if ((undo ? history.NextUndo(person.ToString()) : history.NextRedo(person.ToString())) is not { } logged)
                return EditOutcome.Refused("undo", undo ? "There is nothing of yours left to undo." : "There is nothing to redo.");
            var change = undo
                ? logged.Change.Reversed($"Undid: {Lower(logged.Change.Label)}")
                : logged.Change with
                {
                    Label = $"Redid: {Lower(logged.Change.Label)}",
                };
            if (!plan.TryApply(change, out _, out _))
            {
                var who = history.BuiltOnBy(logged, person.ToString()).Select(NameOf).ToArray();
                return EditOutcome.Refused(
                    "undo",
                    $"{(who.Length > 0 ? string.Join(" and ", who) : "Somebody")} has since changed the same things; nothing was undone.",
                    409
                );
            }
            return await CommitAsync(person, name, change, schemeId, undo ? logged.Revision : null, undo ? null : logged.Revision);
        }
        finally
        {
            gate.Release();
        }
    }

    /// <summary>Takes back the last change of a plan with a fault, whoever made it, until the plan is whole again.</summary>
    public async Task<EditOutcome> TakeBackAsync(Guid person, string name, CancellationToken cancel)
    {
        await gate.WaitAsync(cancel);
        try
        {
            if (fault is null)
                return EditOutcome.Refused("plan", "The plan is whole; there is nothing to mend.");
            var taken = history.Log.Select(logged => logged.Undoes).OfType<long>().ToHashSet();
            if (history.Log.LastOrDefault(logged => logged.Undoes is null && !taken.Contains(logged.Revision)) is not { } last)
                return EditOutcome.Refused("plan", "There is no change left to take back.");
            var change = plan.Numbered(last.Change.Reversed($"Took back: {Lower(last.Change.Label)}"), revision + 1);
            if (!plan.TryApply(change, out var after, out var clashes))
                return EditOutcome.Refused("plan", $"It cannot be taken back: {string.Join(", ", clashes)} changed since.", 409);
            var logged = new LoggedChange(revision + 1, person.ToString(), change, last.Revision);
            await store.AppendAsync(id, logged, after, CancellationToken.None);
            Become(after, logged, name);
            fault = FaultOf(plan);
            return fault is null
                ? new EditOutcome(new EditDone(Told(plan, logged, name, null), Undoable(person)), null, 200)
                : EditOutcome.Refused("plan", $"Taken back, and still: {fault.Message}", 409);
        }
        finally
        {
            gate.Release();
        }
    }

    /// <summary>
    /// Works a change out, stores it, then makes it the plan. What cannot be worked out is refused and nothing is stored;
    /// not cancelled half way: what is stored is also shown.
    /// </summary>
    private async Task<EditOutcome> CommitAsync(Guid person, string name, Change wanted, string? schemeId, long? undoes, long? redoes)
    {
        var change = plan.Numbered(wanted, revision + 1);
        if (!plan.TryApply(change, out var after, out _))
            return EditOutcome.Refused("edit", "The plan changed under this edit; do it again.", 409);
        if (PlanChecks.OfChange(plan, change, after) is { } problem)
            return EditOutcome.Refused(problem);
        var logged = new LoggedChange(revision + 1, person.ToString(), change, undoes, redoes);
        ChangedView told;
        try
        {
            told = Told(after, logged, name, schemeId);
        }
        catch (TooMuchWorkException e)
        {
            return EditOutcome.Refused("edit", $"{e.Message} Nothing was changed.");
        }
        catch (Exception e) when (e is not OperationCanceledException)
        {
            log.LogError(e, "Change {Label} of plan {Plan} could not be worked out and was refused", change.Label, id);
            return EditOutcome.Refused("edit", "The plan could not be worked out with this; nothing was changed.");
        }
        await store.AppendAsync(id, logged, after, CancellationToken.None);
        Become(after, logged, name);
        return new EditOutcome(new EditDone(told, Undoable(person)), null, 200);
    }

    private void Become(Plan after, LoggedChange logged, string name)
    {
        plan = after;
        revision = logged.Revision;
        history = history.With(logged);
        names = names.SetItem(logged.Author, name);
    }

    private ChangedView Told(Plan after, LoggedChange logged, string name, string? schemeId)
    {
        var changed = logged.Change.Entities;
        var seen = after.Find<Scheme>(schemeId ?? "")?.Id ?? after.Schemes.First().Id;
        var state = planner.StateOf(after, seen, after.FirstLevel.Id);
        // The shell and own items stand in every scheme.
        var everywhere = changed.Any(entity => (entity.After ?? entity.Before!) is var e && (e is OwnItem || Planner.IsShell(e)));
        var others = changed.SelectMany(e => new[] { e.Before, e.After }).OfType<IOfScheme>().Select(e => e.SchemeId).ToHashSet();
        foreach (var scheme in after.Schemes.Where(scheme => scheme.Id != seen && (everywhere || others.Contains(scheme.Id))))
            planner.StateOf(after, scheme.Id, after.FirstLevel.Id);
        var allItems = changed.Any(entity => (entity.After ?? entity.Before) is Checks or OwnItem);
        var (items, forms) = ItemViews.OfAll(
            allItems ? after.All<Item>() : changed.Select(entity => entity.After).OfType<Item>(),
            planner,
            after
        );
        var allThings = changed.Any(entity => entity.After is PlanDetails);
        var touched = changed
            .SelectMany(change => new[] { change.Before, change.After })
            .OfType<Entity>()
            .Where(Planner.IsShell)
            .SelectMany(entity => Levels(after, entity))
            .ToHashSet();
        return new ChangedView(
            logged.Revision,
            name,
            logged.Change.Label,
            seen,
            [.. changed.Select(entity => new EntityAfter(entity.Id, entity.After))],
            items,
            forms,
            [
                .. (allThings ? after.All<Thing>() : changed.Select(entity => entity.After).OfType<Thing>()).Select(thing =>
                    ThingView.Of(thing, after.Details.Units)
                ),
            ],
            [
                .. state
                    .Levels.Where(level => touched.Contains("") || touched.Contains(level.Space.LevelId))
                    .Select(level => ShellView.Of(level.Space)),
            ],
            FiguresView.Of(state)
        );
    }

    /// <summary>The levels an entity of the shell shows on; "" for all.</summary>
    private IEnumerable<string> Levels(Plan after, Entity entity) =>
        entity switch
        {
            Flight flight => [flight.LevelId, flight.ToLevelId],
            IOnLevel on => [on.LevelId],
            Opening opening when (after.Find<Wall>(opening.WallId) ?? plan.Find<Wall>(opening.WallId)) is { } wall => [wall.LevelId],
            _ => [""],
        };

    private PlanState State(string? schemeId, string? levelId) =>
        fault is { } wrong ? throw new PlanFaultException(wrong.Message) : planner.StateOf(plan, SchemeOf(schemeId), LevelOf(levelId));

    /// <summary>The scheme that is asked for, the first where there is no such.</summary>
    private string SchemeOf(string? schemeId) => plan.Find<Scheme>(schemeId ?? "")?.Id ?? plan.Schemes.First().Id;

    private string LevelOf(string? levelId) => plan.Find<Level>(levelId ?? "")?.Id ?? plan.FirstLevel.Id;

    /// <summary>What keeps a plan from being worked out; null when nothing does.</summary>
    private PlanFault? FaultOf(Plan whole)
    {
        if (PlanChecks.OfWhole(whole) is { } wrong)
            return new PlanFault(wrong.Id, wrong.Problem.Message, null);
        try
        {
            foreach (var scheme in whole.Schemes)
                planner.StateOf(whole, scheme.Id, whole.FirstLevel.Id);
            return null;
        }
        catch (TooMuchWorkException e)
        {
            return new PlanFault("", e.Message, null);
        }
        catch (Exception e) when (e is not OperationCanceledException)
        {
            log.LogError(e, "Plan {Plan} cannot be worked out and opens for reading only", id);
            return new PlanFault("", "The plan cannot be worked out.", null);
        }
    }

    private Problem OnlyReading() =>
        new("plan", $"The plan is open for reading only: {fault!.Message} Take back the last change to go on.");

    private UndoView Undoable(Guid person) =>
        new(history.NextUndo(person.ToString())?.Change.Label, history.NextRedo(person.ToString())?.Change.Label);

    private string NameOf(string author) => names.GetValueOrDefault(author, "Somebody");

    private static string Lower(string label) => label.Length == 0 ? label : char.ToLowerInvariant(label[0]) + label[1..];
}

/// <summary>The plan can only be read until it is mended.</summary>
public sealed class PlanFaultException(string message) : Exception(message);
