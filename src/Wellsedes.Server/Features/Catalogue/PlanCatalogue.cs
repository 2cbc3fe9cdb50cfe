using System.Collections.Concurrent;
using System.Collections.Immutable;
using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Catalogue.Search;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Core.Things;
using Wellsedes.Formats.PlanFile;
using Wellsedes.Server.Features.Library;
using Wellsedes.Store;

namespace Wellsedes.Server.Features.Catalogue;

/// <summary>
/// What can be placed on a plan: what ships, the own items of its project, and those it carries itself, which stand for the
/// project's of the same key. Made ready to be searched once for each state of a project's library.
/// </summary>
public sealed class PlanCatalogue
{
    private sealed record OfProject(long Revision, ImmutableDictionary<string, CatalogueItem> Items, CatalogueIndex Index);

    private static readonly CatalogueIndex ShippedIndex = new(
        Shipped.Library.Catalogue.Items,
        ShippedChair,
        HouseRules.OccupiedChair.Value
    );

    private sealed record OfPerson((int Count, DateTime Newest) State, CatalogueItem[] Items);

    private readonly ConcurrentDictionary<Guid, OfProject> projects = new();
    private readonly ConcurrentDictionary<Guid, OfPerson> people = new();

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
        var (_, items, index) = await OfProjectAsync(projectId, context, cancel);
        var mine = (await OfPersonAsync(personId, context, cancel)).Where(item => !items.ContainsKey(item.Key));
        CatalogueItem[] own =
        [
            .. mine.Concat(plan.All<OwnItem>().Select(item => item.Item)).GroupBy(item => item.Key).Select(g => g.Last()),
        ];
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
        ?? (await OfPersonAsync(personId, context, cancel)).FirstOrDefault(item => item.Key == key);

    /// <summary>What somebody keeps for all projects, read anew when that has changed.</summary>
    private async Task<CatalogueItem[]> OfPersonAsync(Guid personId, WellsedesContext context, CancellationToken cancel)
    {
        var mine = context.OwnedItems.Where(item => item.PersonId == personId);
        var state = (await mine.CountAsync(cancel), await mine.MaxAsync(item => (DateTime?)item.KeptAt, cancel) ?? default);
        if (people.TryGetValue(personId, out var known) && known.State == state)
            return known.Items;
        var items = await MyLibraryEndpoints.ItemsAsync(personId, context, cancel);
        people[personId] = new OfPerson(state, items);
        return items;
    }

    private async Task<OfProject> OfProjectAsync(Guid projectId, WellsedesContext context, CancellationToken cancel)
    {
        var revision =
            await context.Library.Where(change => change.ProjectId == projectId).MaxAsync(change => (long?)change.Revision, cancel) ?? 0;
        if (projects.TryGetValue(projectId, out var known) && known.Revision == revision)
            return known;
        var items = (await LibraryEndpoints.ItemsAsync(projectId, context, cancel)).Select(item => item.Item).ToArray();
        var index =
            items.Length == 0 ? ShippedIndex : ShippedIndex.With(new CatalogueIndex(items, ShippedChair, HouseRules.OccupiedChair.Value));
        return projects[projectId] = new OfProject(revision, items.ToImmutableDictionary(item => item.Key), index);
    }
}
