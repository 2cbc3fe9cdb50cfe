using System.Collections.Immutable;
using System.Text.Json.Serialization;
using Wellsedes.Core.Arranging;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Measure;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Editing;

/// <summary>
/// What somebody wants done to a plan. Ids of new entities are chosen by whoever asks. Lengths in mm, rotations in
/// degrees counter-clockwise. Sure means that a size out of the ordinary is meant.
/// </summary>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "do")]
[JsonDerivedType(typeof(SetDetails), "set-details")]
[JsonDerivedType(typeof(MakeRoom), "make-room")]
[JsonDerivedType(typeof(PutOpening), "put-opening")]
[JsonDerivedType(typeof(SeatOpening), "seat-opening")]
[JsonDerivedType(typeof(SetOpeningFrom), "set-opening-from")]
[JsonDerivedType(typeof(DrawWalls), "draw-walls")]
[JsonDerivedType(typeof(DrawBoundary), "draw-boundary")]
[JsonDerivedType(typeof(MoveBoundary), "move-boundary")]
[JsonDerivedType(typeof(MoveBoundaryEnd), "move-boundary-end")]
[JsonDerivedType(typeof(SetBoundaryLength), "set-boundary-length")]
[JsonDerivedType(typeof(BowBoundary), "bow-boundary")]
[JsonDerivedType(typeof(MoveWall), "move-wall")]
[JsonDerivedType(typeof(MoveWallEnd), "move-wall-end")]
[JsonDerivedType(typeof(SetWallLength), "set-wall-length")]
[JsonDerivedType(typeof(SplitWall), "split-wall")]
[JsonDerivedType(typeof(JoinWalls), "join-walls")]
[JsonDerivedType(typeof(BowWall), "bow-wall")]
[JsonDerivedType(typeof(ChangeWalls), "change-walls")]
[JsonDerivedType(typeof(ExtendToMeet), "extend-to-meet")]
[JsonDerivedType(typeof(PutWallType), "put-wall-type")]
[JsonDerivedType(typeof(CopyRoom), "copy-room")]
[JsonDerivedType(typeof(PutThing), "put-thing")]
[JsonDerivedType(typeof(MoveThings), "move-things")]
[JsonDerivedType(typeof(PutByOffsets), "put-by-offsets")]
[JsonDerivedType(typeof(RepeatThing), "repeat-thing")]
[JsonDerivedType(typeof(PutLevel), "put-level")]
[JsonDerivedType(typeof(CopyShell), "copy-shell")]
[JsonDerivedType(typeof(SetOut), "set-out")]
[JsonDerivedType(typeof(SetOutFromWall), "set-out-from-wall")]
[JsonDerivedType(typeof(PutBacking), "put-backing")]
[JsonDerivedType(typeof(ScaleBacking), "scale-backing")]
[JsonDerivedType(typeof(LevelBacking), "level-backing")]
[JsonDerivedType(typeof(NameRoom), "name-room")]
[JsonDerivedType(typeof(SetRoomWays), "set-room-ways")]
[JsonDerivedType(typeof(SetRoomPeople), "set-room-people")]
[JsonDerivedType(typeof(PutOverRooms), "put-over-rooms")]
[JsonDerivedType(typeof(PlaceItem), "place-item")]
[JsonDerivedType(typeof(MoveItems), "move-items")]
[JsonDerivedType(typeof(RotateItems), "rotate-items")]
[JsonDerivedType(typeof(PutItemAt), "put-item-at")]
[JsonDerivedType(typeof(SpaceFrom), "space-from")]
[JsonDerivedType(typeof(PutFromWall), "put-from-wall")]
[JsonDerivedType(typeof(ResizeItem), "resize-item")]
[JsonDerivedType(typeof(SetSeats), "set-seats")]
[JsonDerivedType(typeof(LabelItem), "label-item")]
[JsonDerivedType(typeof(LockThings), "lock")]
[JsonDerivedType(typeof(SetItemsAside), "set-items-aside")]
[JsonDerivedType(typeof(DuplicateItems), "duplicate-items")]
[JsonDerivedType(typeof(CopyAgain), "copy-again")]
[JsonDerivedType(typeof(Paste), "paste")]
[JsonDerivedType(typeof(Remove), "remove")]
[JsonDerivedType(typeof(KeepMeasure), "keep-measure")]
[JsonDerivedType(typeof(SetBrief), "set-brief")]
[JsonDerivedType(typeof(SetChecks), "set-checks")]
[JsonDerivedType(typeof(SetSheet), "set-sheet")]
[JsonDerivedType(typeof(AddSheet), "add-sheet")]
[JsonDerivedType(typeof(AddScheme), "add-scheme")]
[JsonDerivedType(typeof(RenameScheme), "rename-scheme")]
[JsonDerivedType(typeof(RemoveScheme), "remove-scheme")]
[JsonDerivedType(typeof(PutOwnItem), "put-own-item")]
[JsonDerivedType(typeof(PutOwnRule), "put-own-rule")]
[JsonDerivedType(typeof(ChooseBook), "choose-book")]
[JsonDerivedType(typeof(BringBook), "bring-book")]
[JsonDerivedType(typeof(TakeBooks), "take-books")]
[JsonDerivedType(typeof(LeaveBook), "leave-book")]
[JsonDerivedType(typeof(WriteHouseRule), "write-house-rule")]
[JsonDerivedType(typeof(TakeHouseRule), "take-house-rule")]
[JsonDerivedType(typeof(DropHouseRule), "drop-house-rule")]
[JsonDerivedType(typeof(ChangeRule), "change-rule")]
[JsonDerivedType(typeof(AcceptFinding), "accept-finding")]
[JsonDerivedType(typeof(LiftAcceptance), "lift-acceptance")]
[JsonDerivedType(typeof(PutRepeat), "put-repeat")]
[JsonDerivedType(typeof(RepeatItems), "repeat-items")]
[JsonDerivedType(typeof(SetRepeat), "set-repeat")]
[JsonDerivedType(typeof(PullRepeat), "pull-repeat")]
[JsonDerivedType(typeof(MakeAlike), "make-alike")]
[JsonDerivedType(typeof(Release), "release")]
[JsonDerivedType(typeof(MakeCluster), "make-cluster")]
[JsonDerivedType(typeof(NameCluster), "name-cluster")]
[JsonDerivedType(typeof(PutReady), "put-ready")]
[JsonDerivedType(typeof(MirrorItems), "mirror-items")]
[JsonDerivedType(typeof(SetParameters), "set-parameters")]
[JsonDerivedType(typeof(RaiseItem), "raise-item")]
[JsonDerivedType(typeof(SetStock), "set-stock")]
[JsonDerivedType(typeof(ChangeKind), "change-kind")]
[JsonDerivedType(typeof(KeepAsOwn), "keep-as-own")]
[JsonDerivedType(typeof(KeepOutline), "keep-outline")]
[JsonDerivedType(typeof(KeepSelection), "keep-selection")]
[JsonDerivedType(typeof(SetToSize), "set-to-size")]
[JsonDerivedType(typeof(LayOnto), "lay-onto")]
[JsonDerivedType(typeof(SeatDiners), "seat-diners")]
[JsonDerivedType(typeof(SetOff), "set-off")]
[JsonDerivedType(typeof(LineUp), "line-up")]
[JsonDerivedType(typeof(SpreadItems), "spread-items")]
[JsonDerivedType(typeof(SetAlong), "set-along")]
[JsonDerivedType(typeof(SetAlongWall), "set-along-wall")]
[JsonDerivedType(typeof(SwapItems), "swap-items")]
[JsonDerivedType(typeof(MatchRotation), "match-rotation")]
[JsonDerivedType(typeof(OrderItems), "order-items")]
[JsonDerivedType(typeof(FaceItems), "face-items")]
[JsonDerivedType(typeof(NumberItems), "number-items")]
[JsonDerivedType(typeof(PutFinish), "put-finish")]
[JsonDerivedType(typeof(LookAt), "look-at")]
[JsonDerivedType(typeof(ReleaseBlock), "release-block")]
[JsonDerivedType(typeof(PutView), "put-view")]
[JsonDerivedType(typeof(PutViewpoint), "put-viewpoint")]
[JsonDerivedType(typeof(SetLocks), "set-locks")]
[JsonDerivedType(typeof(PutGroup), "put-group")]
[JsonDerivedType(typeof(PutKitchen), "put-kitchen")]
[JsonDerivedType(typeof(SetKitchenUnit), "set-kitchen-unit")]
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
