using System.Collections.Concurrent;
using System.Collections.Immutable;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Formats.Pictures;
using Wellsedes.Store;

namespace Wellsedes.Server.Features.Plans;

/// <summary>
/// One plan held in memory while people work on it. Whoever only asks reads what is published and waits for nobody. Edits go
/// through one gate: those that wait at it are applied one after another, worked out and stored together, published, told, and
/// then answered. A plan with a fault opens for reading.
/// </summary>
public sealed class OpenPlan : IDisposable
{
    /// <summary>Edits taken through the gate together.</summary>
    private const int MostTogether = 64;

    /// <summary>Revisions that an answer tells of besides its own.</summary>
    private const int MostBehind = 100;

    private readonly SemaphoreSlim gate = new(1, 1);
    private readonly ConcurrentQueue<WaitingEdit> waiting = new();
    private readonly PlanStore store;
    private readonly PacedTelling telling;
    private readonly ILogger log;
    private CancellationTokenSource edited = new();
    private volatile PublishedPlan now;

    /// <param name="tell">Told of every change, in order; must not wait.</param>
    /// <param name="followers">How many it is told to.</param>
    public OpenPlan(Guid id, StoredPlan stored, PlanStore store, Action<ChangedView> tell, Func<int> followers, ILogger log)
    {
        (this.store, this.log) = (store, log);
        telling = new PacedTelling((since, schemes) => ChangedViews.Of(now!, since, schemes), tell, followers, TimeProvider.System);
        now = new PublishedPlan(id, stored.Plan, stored.History, stored.Revision, stored.AuthorNames, null, new Planner());
        var fault = stored.Broken is { } broken ? new PlanFault("", broken, null) : FaultOf(now);
        now = now with { Fault = fault, Edited = edited.Token };
    }

    /// <summary>Ends what goes on for it in the background. Whoever is at the gate, or comes to it late, is served all the same.</summary>
    public void Dispose()
    {
        edited.Cancel();
        telling.Dispose();
        GC.SuppressFinalize(this);
    }

    /// <summary>The plan at its newest revision that is stored.</summary>
    public PublishedPlan Now => now;

    /// <summary>Storing failed, so that nobody knows whether it was stored: the plan is to be read again.</summary>
    public bool IsInDoubt { get; private set; }

    /// <exception cref="PlanInDoubtException">Whether it was stored is not known; asked again under its name it is done once.</exception>
    public Task<EditOutcome> EditAsync(Guid person, string name, EditRequest request, CancellationToken cancel) =>
        PictureOf(request.Edit) is { } carrier && OwnPictures.Wrong(carrier) is { } wrong
            ? Task.FromResult(EditOutcome.Refused(wrong))
            : QueueAsync(
                new WaitingEdit(
                    person,
                    name,
                    request.SchemeId,
                    request.Request,
                    plan => WantedEdits.Of(plan, person, Signed(request, name)),
                    cancel
                )
                {
                    Base = request.BaseRevision,
                }
            );

    /// <summary>What is accepted carries who accepts it, and the day.</summary>
    private static EditRequest Signed(EditRequest request, string name) =>
        request.Edit is AcceptFinding { Acceptance: var acceptance } accept
            ? request with
            {
                Edit = accept with
                {
                    Acceptance = acceptance with
                    {
                        By = name,
                        On = DateTime.UtcNow.ToString("yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture),
                    },
                },
            }
            : request;

    /// <summary>What an edit brings in that may carry a picture: it is decoded before it comes to the gate.</summary>
    private static Entity? PictureOf(Edit edit) =>
        edit switch
        {
            PutOwnItem put => put.Item,
            PutFinish put => put.Finish,
            _ => null,
        };

    public Task<EditOutcome> UndoAsync(Guid person, string name, string? schemeId, Guid? request, CancellationToken cancel) =>
        QueueAsync(new WaitingEdit(person, name, schemeId, request, plan => WantedEdits.Undo(plan, person), cancel));

    public Task<EditOutcome> RedoAsync(Guid person, string name, string? schemeId, Guid? request, CancellationToken cancel) =>
        QueueAsync(new WaitingEdit(person, name, schemeId, request, plan => WantedEdits.Redo(plan, person), cancel));

    /// <summary>Takes back the last change of a plan with a fault, whoever made it, until the plan is whole again.</summary>
    public async Task<EditOutcome> TakeBackAsync(Guid person, string name, CancellationToken cancel)
    {
        await gate.WaitAsync(cancel);
        try
        {
            var wanted = WantedEdits.TakeBack(now);
            if (wanted.Change is null)
                return wanted.Refused;
            var edit = new WaitingEdit(person, name, null, null, _ => wanted, cancel);
            if (!TryApply(now, edit, wanted, out var after, out var logged, out var clashes))
                return EditOutcome.Refused("plan", $"It cannot be taken back: {string.Join(", ", clashes)} changed since.", 409);
            await StoreAsync([logged], after);
            Publish(after with { Fault = FaultOf(after) });
            if (now.Fault is { } fault)
                return EditOutcome.Refused("plan", $"Taken back, and still: {fault.Message}", 409);
            var changed = ChangedViews.Of(now, logged.Revision - 1, [now.SchemeOf(null)]);
            telling.Tell(changed);
            return new EditOutcome(new EditDone(changed, now.Undoable(person), logged.Change.Label), null, 200);
        }
        finally
        {
            gate.Release();
        }
    }

    /// <summary>Waits at the gate; who comes through first takes all that wait there along.</summary>
    private async Task<EditOutcome> QueueAsync(WaitingEdit mine)
    {
        waiting.Enqueue(mine);
        await gate.WaitAsync(mine.Cancel);
        try
        {
            while (!mine.Answer.Task.IsCompleted)
            {
                List<WaitingEdit> together = [];
                while (together.Count < MostTogether && waiting.TryDequeue(out var next))
                    together.Add(next);
                await ServeAsync(together);
            }
        }
        finally
        {
            gate.Release();
        }
        return await mine.Answer.Task;
    }

    private async Task ServeAsync(IReadOnlyList<WaitingEdit> together)
    {
        try
        {
            if (IsInDoubt)
                throw new PlanInDoubtException();
            await DoAsync(together);
        }
        catch (Exception e)
        {
            foreach (var edit in together)
                edit.Answer.TrySetException(e);
        }
    }

    /// <summary>
    /// Applies edits one after another, works the plan out with all of them, stores them, then makes it the plan. What cannot be
    /// worked out is refused and nothing is stored; not cancelled half way: what is stored is also shown.
    /// </summary>
    private async Task DoAsync(IReadOnlyList<WaitingEdit> together)
    {
        var draft = now;
        List<(WaitingEdit Edit, LoggedChange Logged, string Note)> done = [];
        foreach (var edit in together)
        {
            if (edit.Cancel.IsCancellationRequested)
                edit.Answer.TrySetCanceled(edit.Cancel);
            else if (Earlier(draft, edit) is { } earlier)
                done.Add((edit, earlier, ""));
            else if (Decided(draft, edit) is { } step)
            {
                draft = step.After;
                done.Add((edit, step.Logged, step.Note));
            }
        }
        if (done.Count == 0)
            return;
        // Whoever is a little behind is told what they have not heard yet along with the answer.
        var oldest = draft.History.Log.IsEmpty ? now.Revision : draft.History.Log[0].Revision - 1;
        var behind = Math.Max(done.Min(one => one.Edit.Base), Math.Max(oldest, now.Revision - MostBehind));
        var since = Math.Min(Math.Min(now.Revision, behind), done.Min(one => one.Logged.Revision) - 1);
        var fresh = draft.History.Log.Where(logged => logged.Revision > now.Revision).ToArray();
        ChangedView changed;
        try
        {
            WorkOut(draft, fresh);
            changed = ChangedViews.Of(draft, since, done.Select(one => draft.SchemeOf(one.Edit.SchemeId)).Distinct());
        }
        catch (Exception e) when (e is not OperationCanceledException)
        {
            if (done.Count > 1)
                foreach (var one in done)
                    await ServeAsync([one.Edit]);
            else
                done[0].Edit.Answer.TrySetResult(Refused(e, done[0].Logged));
            return;
        }
        if (fresh.Length > 0)
        {
            await StoreAsync(fresh, draft);
            Publish(draft);
            telling.Tell(changed);
        }
        foreach (var (edit, logged, note) in done)
            edit.Answer.TrySetResult(
                new EditOutcome(new EditDone(changed, now.Undoable(edit.Person), logged.Change.Label, note), null, 200)
            );
    }

    /// <summary>What was already done under the same name; null when nothing was.</summary>
    private static LoggedChange? Earlier(PublishedPlan draft, WaitingEdit edit) =>
        draft.History.Of(edit.Request) is { } earlier && earlier.Author == edit.Person.ToString() ? earlier : null;

    /// <summary>What the plan comes to with an edit; where it is refused it is answered, and null.</summary>
    private static (PublishedPlan After, LoggedChange Logged, string Note)? Decided(PublishedPlan draft, WaitingEdit edit)
    {
        EditOutcome refused;
        try
        {
            var wanted = draft.Fault is null ? edit.Decide(draft) : WantedChange.Not(EditOutcome.Refused(draft.OnlyReading(), 409));
            if (wanted.Change is null)
                refused = wanted.Refused;
            else if (!TryApply(draft, edit, wanted, out var after, out var logged, out _))
                refused = EditOutcome.Refused("edit", "The plan changed under this edit; do it again.", 409);
            else if (PlanChecks.OfChange(draft.Plan, logged.Change, after.Plan) is { } problem)
                refused = EditOutcome.Refused(problem);
            else
                return (after, logged, wanted.Note);
        }
        catch (TooMuchWorkException e)
        {
            refused = TooMuch(e);
        }
        edit.Answer.TrySetResult(refused);
        return null;
    }

    private static EditOutcome TooMuch(TooMuchWorkException e) => EditOutcome.Refused("edit", $"{e.Message} Nothing was changed.");

    /// <summary>The plan with a change and its place in the log; false where others have changed what it is about.</summary>
    private static bool TryApply(
        PublishedPlan draft,
        WaitingEdit edit,
        WantedChange wanted,
        out PublishedPlan after,
        out LoggedChange logged,
        out ImmutableArray<string> clashes
    )
    {
        var revision = draft.Revision + 1;
        var change = draft.Plan.Numbered(wanted.Change!, revision);
        var fits = draft.Plan.TryApply(change, out var plan, out clashes);
        logged = new LoggedChange(revision, edit.Person.ToString(), change, wanted.Undoes, wanted.Redoes, edit.Request);
        after = draft with
        {
            Plan = plan,
            Revision = revision,
            History = draft.History.With(logged),
            Names = draft.Names.SetItem(logged.Author, edit.Name),
        };
        return fits;
    }

    /// <summary>Works out every scheme that changes touch, so that none is stored that cannot be.</summary>
    private static void WorkOut(PublishedPlan draft, IEnumerable<LoggedChange> fresh)
    {
        var touched = fresh
            .SelectMany(logged => logged.Change.Entities)
            .SelectMany(change => new[] { change.Before, change.After })
            .OfType<Entity>()
            .ToArray();
        // The shell and own items stand in every scheme.
        var everywhere = touched.Any(entity => entity is OwnItem || Planner.IsShell(entity));
        var schemes = touched.OfType<IOfScheme>().Select(entity => entity.SchemeId).ToHashSet();
        foreach (var scheme in draft.Plan.Schemes.Where(scheme => everywhere || schemes.Contains(scheme.Id)))
            draft.State(scheme.Id, null);
    }

    private EditOutcome Refused(Exception e, LoggedChange logged)
    {
        if (e is TooMuchWorkException much)
            return TooMuch(much);
        log.LogError(e, "Change {Label} of plan {Plan} could not be worked out and was refused", logged.Change.Label, now.Id);
        return EditOutcome.Refused("edit", "The plan could not be worked out with this; nothing was changed.");
    }

    private void Publish(PublishedPlan next)
    {
        var before = edited;
        edited = new CancellationTokenSource();
        now = next with { Edited = edited.Token };
        before.Cancel();
    }

    private async Task StoreAsync(IReadOnlyList<LoggedChange> changes, PublishedPlan after)
    {
        try
        {
            await store.AppendAsync(after.Id, changes, after.Plan, CancellationToken.None);
        }
        catch
        {
            IsInDoubt = true;
            throw;
        }
    }

    /// <summary>What keeps a plan from being worked out; null when nothing does.</summary>
    private PlanFault? FaultOf(PublishedPlan read)
    {
        if (PlanChecks.OfWhole(read.Plan) is { } wrong)
            return new PlanFault(wrong.Id, wrong.Problem.Message, null);
        try
        {
            foreach (var scheme in read.Plan.Schemes)
                read.Planner.StateOf(read.Plan, scheme.Id, read.Plan.FirstLevel.Id);
            return null;
        }
        catch (TooMuchWorkException e)
        {
            return new PlanFault("", e.Message, null);
        }
        catch (Exception e) when (e is not OperationCanceledException)
        {
            log.LogError(e, "Plan {Plan} cannot be worked out and opens for reading only", read.Id);
            return new PlanFault("", "The plan cannot be worked out.", null);
        }
    }
}

/// <summary>Whether a change was stored is not known; the plan is read again. Asked again under its name it is done once.</summary>
public sealed class PlanInDoubtException() : Exception("The plan is being read again.");
