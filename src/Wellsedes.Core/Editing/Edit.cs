using System.Collections.Immutable;
using Wellsedes.Core.Arranging;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Editing;

/// <summary>
/// What somebody wants done to a plan. Ids of new entities are chosen by whoever asks. Lengths in mm, rotations in
/// degrees counter-clockwise. Each kind has a row in <see cref="EditKinds"/>, which says all there is to say of it.
/// </summary>
public abstract record Edit
{
    /// <summary>What is out of the ordinary is meant: it was asked about and said to be so.</summary>
    public bool Sure { get; init; }
}

/// <param name="Site">Where on earth the plan is; null leaves it as it is.</param>
public sealed record SetDetails(
    string Title,
    UnitSystem Units,
    double North,
    Site? Site = null,
    bool? Sprinklered = null,
    LoadRounding? LoadRounding = null
) : Edit;

/// <summary>
/// Places a catalogue item, at the size that was bought where one is given. Within the catch distance in mm it settles against a
/// wall or in line; what belongs on a wall or on a table comes to its usual height.
/// </summary>
public sealed record PlaceItem(
    string Id,
    string SchemeId,
    string LevelId,
    string Catalogue,
    double X,
    double Y,
    double Rotation = 0,
    double Catch = 0,
    bool SetAside = false,
    SeatsBySide? Seats = null,
    double? Width = null,
    double? Depth = null,
    double? Height = null,
    ItemParameters? Parameters = null
) : Edit;

/// <summary>An edit of several things at once; each is named once.</summary>
public interface IOfSelected
{
    ImmutableArray<string> Ids { get; }
}

/// <summary>
/// Moves items. One by itself settles within the catch distance in mm; on setting-out lines by the corner, side or middle that is nearest to where it
/// was taken hold of, a point in its own frame.
/// </summary>
public sealed record MoveItems(ImmutableArray<string> Ids, double Dx, double Dy, double Catch = 0, Point? Hold = null) : Edit, IOfSelected;

/// <summary>Turns items about their common middle.</summary>
public sealed record RotateItems(ImmutableArray<string> Ids, double Degrees) : Edit, IOfSelected;

public sealed record PutItemAt(string Id, double X, double Y, double Rotation) : Edit;

/// <summary>Moves items straight away from or towards another thing until their clear distance is as asked.</summary>
public sealed record SpaceFrom(ImmutableArray<string> Ids, string OtherId, double Distance) : Edit, IOfSelected;

/// <summary>Moves an item or a boundary straight until its clear distance in mm to the wall on one side of it is as asked.</summary>
public sealed record PutFromWall(string Id, PlanSide Side, double Distance) : Edit;

/// <summary>New sizes; null takes the catalogue's back.</summary>
public sealed record ResizeItem(string Id, double? Width = null, double? Depth = null, double? Height = null) : Edit;

public sealed record SetSeats(string Id, SeatsBySide Seats) : Edit;

/// <summary>Sets what the item's maker needs to know beside the size.</summary>
public sealed record SetParameters(string Id, ItemParameters Parameters) : Edit;

/// <summary>
/// Raises an item to an elevation in mm above the floor, or stands it on another item or hangs it on a wall; standing on an
/// item it takes the height of its top.
/// </summary>
public sealed record RaiseItem(string Id, double Elevation, string? StandsOn = null) : Edit;

public sealed record LabelItem(string Id, string Label) : Edit;

/// <summary>Holds things in place, or lets them go: items, walls, openings, fixed things, backings, setting-out lines.</summary>
public sealed record LockThings(ImmutableArray<string> Ids, bool Locked) : Edit, IOfSelected;

public sealed record SetItemsAside(ImmutableArray<string> Ids, bool SetAside) : Edit, IOfSelected;

/// <summary>Copies items; the new ids stand in the order of the old ones.</summary>
public sealed record DuplicateItems(ImmutableArray<string> Ids, ImmutableArray<string> NewIds, double Dx, double Dy) : Edit, IOfSelected;

/// <summary>Takes entities out: items, kept measures, openings, columns, keep-clear areas, and walls with what is cut into them.</summary>
public sealed record Remove(ImmutableArray<string> Ids) : Edit, IOfSelected;

public sealed record KeepMeasure(string Id, string SchemeId, string LevelId, Point From, Point To) : Edit;

public sealed record SetBrief(Brief Brief) : Edit;

public sealed record SetChecks(Checks Checks) : Edit;
