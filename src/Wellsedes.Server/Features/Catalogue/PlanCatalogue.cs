using System.Collections.Concurrent;
using System.Collections.Immutable;
using Microsoft.EntityFrameworkCore;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Catalogue.Search;
using Wellsedes.Core.KindsOfThing;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Server.Features.Library;
using Wellsedes.Store;

namespace Wellsedes.Server.Features.Catalogue;

/// <summary>
/// What can be placed on a plan: what ships, the own items of its project, and those it carries itself, which stand for the
/// project's of the same key. Made ready to be searched once for each state of a project's library.
/// </summary>
public sealed class PlanCatalogue
{
    /// <summary>Items that somebody or a project keeps, ready to be searched, as they were in a state of what is kept.</summary>
    private sealed record Kept<T>(T State, ImmutableDictionary<string, CatalogueItem> Items, CatalogueIndex Index)
    {
        public static Kept<T> Of(T state, IReadOnlyCollection<CatalogueItem> items) =>
            new(
                state,
                items.ToImmutableDictionary(item => item.Key),
                new CatalogueIndex(items, ShippedChair, HouseRules.OccupiedChair.Value)
            );
    }

    private static readonly CatalogueIndex ShippedIndex = new(
        Shipped.Library.Catalogue.Items,
        ShippedChair,
        HouseRules.OccupiedChair.Value
    );

    private readonly ConcurrentDictionary<Guid, Kept<long>> projects = new();
    private readonly ConcurrentDictionary<Guid, Kept<(int Count, DateTime Newest)>> people = new();

    private static ItemSize ShippedChair(CatalogueItem item) =>
        item.Chair is { } chair && Shipped.Library.Catalogue.Find(chair) is { } found ? found.Size : default;

    /// <summary>The items that answer what was typed, best first.</summary>
    /// <param name="personId">Whose own items are looked among too.</param>
    public async Task<ImmutableArray<CatalogueItem>> FindAsync(
        Plan plan,
        Guid projectId,
        Guid personId,
        string text,
        WellsedesContext context,
        CancellationToken cancel
    )
    {
        // The nearest of a key stands for the others: the plan's, the project's, somebody's own, what ships.
        var index = ShippedIndex
            .With((await OfPersonAsync(personId, context, cancel)).Index)
            .With((await OfProjectAsync(projectId, context, cancel)).Index);
        CatalogueItem[] own = [.. plan.All<OwnItem>().Select(item => item.Item)];
        if (own.Length > 0)
            index = index.With(new CatalogueIndex(own, item => ItemForms.ChairOf(plan, item), HouseRules.OccupiedChair.Value));
        return index.Find(text, plan.Details.Units);
    }

    /// <summary>What is known under a key: the plan's own, what ships, the project's, somebody's; null for nothing.</summary>
    public async Task<CatalogueItem?> ItemAsync(
        Plan plan,
        Guid projectId,
        Guid personId,
        string key,
        WellsedesContext context,
        CancellationToken cancel
    ) =>
        plan.CatalogueItem(key)
        ?? (await OfProjectAsync(projectId, context, cancel)).Items.GetValueOrDefault(key)
        ?? (await OfPersonAsync(personId, context, cancel)).Items.GetValueOrDefault(key);

    /// <summary>What somebody keeps for all projects, read anew when that has changed.</summary>
    private async Task<Kept<(int Count, DateTime Newest)>> OfPersonAsync(Guid personId, WellsedesContext context, CancellationToken cancel)
    {
        var state = await context
            .OwnedItems.Where(item => item.PersonId == personId)
            .GroupBy(_ => 1)
            .Select(all => new { Count = all.Count(), Newest = all.Max(item => item.KeptAt) })
            .FirstOrDefaultAsync(cancel);
        var now = state is null ? default : (state.Count, state.Newest);
        return people.TryGetValue(personId, out var known) && known.State == now
            ? known
            : people[personId] = Kept<(int, DateTime)>.Of(now, await MyLibraryEndpoints.ItemsAsync(personId, context, cancel));
    }

    /// <summary>What a project keeps, read anew when that has changed.</summary>
    private async Task<Kept<long>> OfProjectAsync(Guid projectId, WellsedesContext context, CancellationToken cancel)
    {
        var revision =
            await context.Library.Where(change => change.ProjectId == projectId).MaxAsync(change => (long?)change.Revision, cancel) ?? 0;
        return projects.TryGetValue(projectId, out var known) && known.State == revision
            ? known
            : projects[projectId] = Kept<long>.Of(
                revision,
                [.. (await LibraryEndpoints.ItemsAsync(projectId, context, cancel)).Select(item => item.Item)]
            );
    }
}
