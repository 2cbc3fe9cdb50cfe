using System.Collections.Immutable;
using System.Text.Json.Serialization;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Editing;

/// <summary>Which line of a wall a typed or drawn length is along. Inside is the side a chain turns round.</summary>
public enum WallLine
{
    Centre,
    InsideFace,
    OutsideFace,
}

/// <summary>Which end of a wall stays where it is.</summary>
public enum Stays
{
    Start,
    End,
    Middle,
}

public enum Mirror
{
    None,
    LeftRight,
    UpDown,
}

/// <summary>A corner of a rectangle, as seen on the plan with north up.</summary>
public enum RoomCorner
{
    SouthWest,
    SouthEast,
    NorthEast,
    NorthWest,
}

/// <summary>
/// A room by its inside size, its south-west inside corner at X, Y. With a notch of more than 0 the room is L-shaped:
/// the notch is taken out of one corner. Outline makes it of boundaries alone (a terrace, a marquee). Where a wall
/// would lie on one that is there already, that one is shared.
/// </summary>
public sealed record MakeRoom(
    string Id,
    string LevelId,
    string Name,
    double Width,
    double Depth,
    double WallThickness,
    double Height,
    double X = 0,
    double Y = 0,
    string WallType = "",
    double NotchWidth = 0,
    double NotchDepth = 0,
    RoomCorner NotchAt = RoomCorner.NorthEast,
    bool Outline = false,
    Certainty Certainty = Certainty.Surveyed
) : Edit;

/// <summary>
/// One side of a chain of walls: to where, how far it bows to the left of its direction, how well its length is known.
/// Through is a point a curved side passes; it says the bow where it is given.
/// </summary>
public sealed record ChainSide(Point To, double Bow = 0, Certainty Certainty = Certainty.Surveyed, Point? Through = null);

/// <summary>
/// Draws a chain of walls from a start. Sent again with the same id, the chain is drawn anew: that is how it grows.
/// Closed joins the last side to the start.
/// </summary>
public sealed record DrawWalls(
    string Id,
    string LevelId,
    Point Start,
    ImmutableArray<ChainSide> Sides,
    bool Closed,
    string WallType,
    WallLine Line = WallLine.Centre,
    InsideSide Inside = InsideSide.Turned
) : Edit;

/// <summary>Which side of a drawn chain is its inside: the one it turns round, or the one that was chosen, whatever it turns round.</summary>
public enum InsideSide
{
    Turned,
    Left,
    Right,
}

/// <summary>Draws lines without walls. A closed one with a name makes a room of its inside.</summary>
public sealed record DrawBoundary(
    string Id,
    string LevelId,
    Point Start,
    ImmutableArray<ChainSide> Sides,
    bool Closed,
    string RoomName = ""
) : Edit;

/// <summary>Moves a wall; walls that meet it follow. A wall that meets others moves square to itself only.</summary>
public sealed record MoveWall(string Id, double Dx, double Dy) : Edit;

/// <summary>Moves one end of a wall, and the ends of others that meet it there.</summary>
public sealed record MoveWallEnd(string Id, bool AtStart, Point To) : Edit;

/// <summary>Gives a wall a length along its centre or one of its faces (Left or right of its direction); walls at the moving end go along.</summary>
public sealed record SetWallLength(
    string Id,
    double Length,
    Stays Stays = Stays.Start,
    WallSide Along = WallSide.Centre,
    Certainty Certainty = Certainty.Surveyed
) : Edit;

/// <summary>Moves a boundary; others that meet it follow. One that meets others or a wall moves square to itself only.</summary>
public sealed record MoveBoundary(string Id, double Dx, double Dy) : Edit;

/// <summary>Moves one end of a boundary, and the ends of others that meet it there.</summary>
public sealed record MoveBoundaryEnd(string Id, bool AtStart, Point To) : Edit;

/// <summary>Gives a boundary a length in mm; what meets the moving end goes along.</summary>
public sealed record SetBoundaryLength(string Id, double Length, Stays Stays = Stays.Start) : Edit;

/// <summary>Bends a boundary through a point; one in line with its ends makes it straight again.</summary>
public sealed record BowBoundary(string Id, Point Through) : Edit;

/// <summary>The centre or a face of a wall, seen in its own direction.</summary>
public enum WallSide
{
    Centre,
    Left,
    Right,
}

/// <summary>Cuts a wall in two at a distance along it; the second part gets the new id.</summary>
public sealed record SplitWall(string Id, double Along, string NewId) : Edit;

/// <summary>Makes one wall of two that carry on from each other in one line or one arc.</summary>
public sealed record JoinWalls(string Id, string OtherId) : Edit;

/// <summary>Bends a wall through a point; one in line with its ends makes it straight again.</summary>
public sealed record BowWall(string Id, Point Through) : Edit;

/// <summary>Changes walls; null leaves as it is. A wall type brings its thickness and height.</summary>
public sealed record ChangeWalls(
    ImmutableArray<string> Ids,
    string? WallType = null,
    double? Thickness = null,
    double? Height = null,
    Certainty? Certainty = null
) : Edit, IOfSelected;

/// <summary>Brings an unjoined wall end to what it nearly meets.</summary>
public sealed record ExtendToMeet(string Id, bool AtStart) : Edit;

/// <summary>Adds a wall type or changes one; walls that have it change with it.</summary>
public sealed record PutWallType(WallType WallType) : Edit;

/// <summary>Adds an opening or changes one: the whole of it is given. A clear width of 0 asks for the usual one of its leaf.</summary>
public sealed record PutOpening(Opening Opening) : Edit;

/// <summary>Seats an opening in the wall under a point, on the side the point is; the opening's own wall and place are not looked at.</summary>
public sealed record SeatOpening(Opening Opening, string LevelId, Point At, double Reach) : Edit;

/// <summary>
/// Sets an opening by the distance from a corner to its nearer edge, along the face on one side of the wall; Middle
/// centres it between the corners and needs no distance.
/// </summary>
public sealed record SetOpeningFrom(string Id, Stays Corner, double Distance = 0, bool Left = true) : Edit;

/// <summary>Names a room. For one that has no name yet the level and a place in it say which is meant.</summary>
public sealed record NameRoom(
    string Id,
    string Name,
    string Use,
    string Number,
    double? Height = null,
    string LevelId = "",
    double X = 0,
    double Y = 0
) : Edit;

/// <summary>The clear width in mm that the ways to what stands in a room need; null as everywhere.</summary>
public sealed record SetRoomWays(string Id, double? WayWidth = null) : Edit;

/// <summary>The floor in m² that each person of a room is counted with, chosen by hand; null for what the books say of its use.</summary>
public sealed record SetRoomPeople(string Id, double? AreaPerPerson = null) : Edit;

/// <summary>Copies a room with its walls, openings and fixed things: mirrored about its middle, turned, and moved.</summary>
public sealed record CopyRoom(string RoomId, string NewId, Mirror Mirror, double Rotation, double Dx, double Dy) : Edit;

/// <summary>Adds a fixed thing or changes one: column, keep-clear area, flight, platform, fitting, low ceiling.</summary>
public sealed record PutThing(Entity Thing) : Edit;

public sealed record MoveThings(ImmutableArray<string> Ids, double Dx, double Dy) : Edit, IOfSelected;

/// <summary>A clear distance in mm from a wall's face, on the side the thing is, to the thing's nearest side; or to its middle.</summary>
public sealed record WallOffset(string WallId, double Distance, bool ToMiddle = false);

/// <summary>Sets a fixed thing by its distances from one or two walls.</summary>
public sealed record PutByOffsets(string Id, ImmutableArray<WallOffset> Offsets) : Edit;

/// <summary>Repeats a fixed thing on a grid turned as it is; the copies' ids start with the new id.</summary>
public sealed record RepeatThing(string Id, string NewId, int Columns, int Rows, double ColumnSpacing, double RowSpacing) : Edit;

public sealed record PutLevel(Level Level) : Edit;

/// <summary>Copies the walls, inner doors, windows, columns and shafts of one level onto another, and the names of its rooms where they are wanted; not its flights and boundaries.</summary>
public sealed record CopyShell(string FromLevelId, string ToLevelId, string NewId, bool Names = true) : Edit;

/// <summary>Adds a setting-out line or changes one.</summary>
public sealed record SetOut(SettingOutLine Line) : Edit;

/// <summary>Setting-out lines parallel to a wall's face: the first at a distance, then more at a spacing.</summary>
public sealed record SetOutFromWall(string WallId, string NewId, double Distance, bool Left, int Count = 1, double Spacing = 0) : Edit;

/// <summary>Adds a backing or changes one.</summary>
public sealed record PutBacking(Backing Backing) : Edit;

/// <summary>A length known on a backing: between two pixels, in mm.</summary>
public sealed record KnownLength(Point From, Point To, double Length);

/// <summary>
/// Sets a backing to scale by one or two known lengths, by a known area (corners in pixels, m²), or by the mm on the
/// level that one pixel is said to be. The first point given stays where it is.
/// </summary>
public sealed record ScaleBacking(
    string Id,
    ImmutableArray<KnownLength>? Lengths = null,
    ImmutableArray<Point>? Corners = null,
    double? Area = null,
    double? StatedScale = null,
    double? PaperWidth = null
) : Edit;

/// <summary>Turns a backing until two of its pixels lie level, or upright; the first stays where it is.</summary>
public sealed record LevelBacking(string Id, Point From, Point To, bool Upright = false) : Edit;
