using System.Collections.Immutable;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;

namespace Wellsedes.Server.Features.Plans;

/// <summary>Tells what has changed since a revision: one change, several made together, or all that somebody missed.</summary>
internal static class ChangedViews
{
    /// <param name="schemes">Whose figures are told.</param>
    public static ChangedView Of(PublishedPlan now, long since, IEnumerable<string> schemes)
    {
        var plan = now.Plan;
        var made = now.History.Log.Where(logged => logged.Revision > since).ToArray();
        var changed = made.SelectMany(logged => logged.Change.Entities).ToArray();
        var ids = changed.Select(entity => entity.Id).Distinct().ToArray();
        var present = ids.Select(plan.Find).OfType<Entity>().ToArray();
        var before = changed.Select(entity => entity.Before).OfType<Entity>().ToArray();
        var states = schemes.Select(scheme => now.State(scheme, null)).ToArray();
        var allItems = changed.Any(entity =>
            (entity.After ?? entity.Before) is Checks or OwnItem or Finish
            || (entity.After ?? entity.Before) is Thing thing && thing.Counts()
        );
        var (items, forms) = ItemViews.OfAll(allItems ? plan.All<Item>() : present.OfType<Item>(), now.Planner, plan);
        var allThings = present.Any(entity => entity is PlanDetails);
        // A level whose walls are gone is found by what stood before.
        var touched = present.Concat(before).Where(Planner.IsShell).SelectMany(entity => Levels(plan, before, entity)).ToHashSet();
        return new ChangedView(
            since,
            now.Revision,
            [.. made.Select(logged => Made(now, logged))],
            [.. ids.Select(id => new EntityAfter(id, plan.Find(id)))],
            items,
            forms,
            [.. (allThings ? plan.All<Thing>() : present.OfType<Thing>()).Select(thing => ThingView.Of(thing, plan.Details.Units))],
            [
                .. (states.Length > 0 ? states[0].Levels : [])
                    .Where(level => touched.Contains("") || touched.Contains(level.Space.LevelId))
                    .Select(level => ShellView.Of(level.Space)),
            ],
            [.. states.Select(state => new SchemeFigures(state.SchemeId, FiguresView.Of(state)))]
        );
    }

    private static ChangeMade Made(PublishedPlan now, LoggedChange logged) =>
        new(
            logged.Revision,
            Guid.Parse(logged.Author),
            now.NameOf(logged.Author),
            logged.Change.Label,
            [.. logged.Change.Entities.Select(entity => entity.Id)],
            logged.Request
        );

    /// <summary>The levels an entity of the shell shows on; "" for all.</summary>
    private static IEnumerable<string> Levels(Plan plan, Entity[] before, Entity entity) =>
        entity switch
        {
            Flight flight => [flight.LevelId, flight.ToLevelId],
            IOnLevel on => [on.LevelId],
            Opening opening
                when (plan.Find<Wall>(opening.WallId) ?? before.OfType<Wall>().FirstOrDefault(w => w.Id == opening.WallId)) is { } wall =>
            [
                wall.LevelId,
            ],
            _ => [""],
        };
}
