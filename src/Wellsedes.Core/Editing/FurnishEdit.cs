using System.Collections.Immutable;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Geometry;
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

/// <summary>
/// Makes an own item from an outline that was drawn on the plan, and places it where it was drawn. Corners in mm on the level, in
/// either direction; they do not cross. Height in mm.
/// </summary>
public sealed record KeepOutline(
    string OwnId,
    string ItemId,
    string SchemeId,
    string LevelId,
    string Name,
    CatalogueKind Kind,
    ImmutableArray<Point> Corners,
    double Height
) : Edit;

/// <summary>
/// Makes one own item of what is chosen: its outline, what stands up of it, its seats and the floor they need. Where asked it is
/// put in the place of the items it was made from.
/// </summary>
public sealed record KeepSelection(
    string OwnId,
    string ItemId,
    string SchemeId,
    ImmutableArray<string> Ids,
    string Name,
    bool InTheirPlace = false
) : Edit, IOfSelected;

/// <summary>
/// Sets an item of an outline or a picture to size: two points on it, in mm on the level as it lies now, and their true distance.
/// The first of them stays where it is.
/// </summary>
public sealed record SetToSize(string Id, Point From, Point To, double Distance) : Edit;

/// <summary>
/// Lays two points of an item onto two points of the plan, all in mm on the level: it is moved and turned, and scaled where it is an
/// outline or a picture; of others the first point comes to lie exactly, the second in its direction.
/// </summary>
public sealed record LayOnto(string Id, Point From, Point To, Point FromOnPlan, Point ToOnPlan) : Edit;

/// <summary>
/// Puts in a zone over rooms of its level: of their outlines as they are and as they become; or only over what of them is free now, which follows no wall.
/// </summary>
public sealed record PutOverRooms(Entity Thing, ImmutableArray<string> RoomIds, bool OnlyFree = false) : Edit;

/// <summary>Has those seated in a block look to a point of its level; rows that curve do so about it.</summary>
public sealed record LookAt(string Id, double X, double Y) : Edit;

/// <summary>Takes a block apart: its tables stay as single things, and fill nothing any more.</summary>
public sealed record ReleaseBlock(string Id) : Edit;
