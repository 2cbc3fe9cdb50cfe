using System.Collections.Immutable;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Editing;

/// <summary>How many of a catalogue item the house has; null when that is not counted.</summary>
public sealed record SetStock(string Catalogue, int? Count = null) : Edit;

/// <summary>
/// Changes placed items of one kind for another, keeping place, label and as many seats as the other takes: all of a scheme, or
/// those that are named.
/// </summary>
public sealed record ChangeKind(string SchemeId, string From, string To, ImmutableArray<string> Ids) : Edit, IOfSelected;

/// <summary>
/// Keeps a placed item, at its size and with what it was told, as an own item under the name of what was bought; the placed one
/// becomes one of these.
/// </summary>
/// <param name="Everywhere">Whether all of the scheme that are of the same kind and size become these too.</param>
public sealed record KeepAsOwn(
    string ItemId,
    string OwnId,
    string Name,
    string SupplierCode = "",
    double? Price = null,
    bool IsFixed = false,
    bool Everywhere = false
) : Edit;

/// <summary>Gives a table the usual size for a number of diners, and the seats.</summary>
public sealed record SeatDiners(string Id, int Diners) : Edit;
