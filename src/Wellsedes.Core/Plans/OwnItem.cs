using Wellsedes.Core.Catalogue;

namespace Wellsedes.Core.Plans;

/// <summary>
/// A catalogue item of the planner's own, as this plan uses it: a copy of what the project's library said at LibraryRevision
/// (0 when it was never there). Items name it by its id.
/// </summary>
public sealed record OwnItem(string Id, CatalogueItem Item, long LibraryRevision = 0) : Entity(Id);
