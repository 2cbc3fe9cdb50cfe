using System.Text.Json.Serialization;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Plans;

/// <summary>An entity that can be held in place: it neither moves nor goes until it is let go.</summary>
public interface IHoldable
{
    bool Held { get; }
}

/// <summary>A thing of the shell that stands about its middle with a turn and a size, and can be moved as one.</summary>
public abstract record Fixture(string Id, string LevelId, double X, double Y, double Turn, double Width, double Depth, bool Held)
    : Entity(Id),
        IOnLevel,
        IHoldable
{
    [JsonIgnore]
    public Placement Placement => new(X, Y, Turn);
}

/// <summary>
/// A storey. Elevation of its floor above the plan's zero, height from floor to ceiling, and the thickness of the
/// floor it stands on, in mm. Grid is the step of the grid shown on it; 0 for none.
/// </summary>
public sealed record Level(string Id, string Name, double Elevation, double Height, double FloorThickness = 300, double Grid = 0)
    : Entity(Id);

/// <summary>A room's name and use; its outline is found from the walls and boundaries around the point (X, Y). Height is the clear height.</summary>
public sealed record Room(string Id, string LevelId, string Name, string Use, string Number, double X, double Y, double Height)
    : Entity(Id),
        IOnLevel
{
    [JsonIgnore]
    public Point Inside => new(X, Y);
}

/// <summary>How well a length is known: taken on site, taken to be so, or not known. Told apart on the sheet.</summary>
[JsonConverter(typeof(JsonStringEnumConverter<Certainty>))]
public enum Certainty
{
    Surveyed,
    Assumed,
    Unknown,
}

[JsonConverter(typeof(JsonStringEnumConverter<WallKind>))]
public enum WallKind
{
    Masonry,
    Stud,
    HalfHeight,
    Glass,
    Movable,
}

/// <summary>A wall make-up of this plan, beside the ones every plan offers. Thickness and height in mm.</summary>
public sealed record MakeUp(string Id, string Name, WallKind Kind, double Thickness, double Height) : Entity(Id);

/// <summary>
/// A wall along its centre line, from start to end, with its thickness and height. Bow is how far the middle of a
/// curved wall stands to the left of the straight line between its ends (mm, negative to the right); 0 is straight.
/// MakeUp is the name of its make-up. Certainty is about its length.
/// </summary>
public sealed record Wall(
    string Id,
    string LevelId,
    Point Start,
    Point End,
    double Thickness,
    double Height,
    string MakeUp,
    double Bow = 0,
    Certainty Certainty = Certainty.Surveyed,
    bool Held = false
) : Entity(Id), IOnLevel, IHoldable
{
    [JsonIgnore]
    public BowedLine Line => new(Start, End, Bow);

    /// <summary>Along the centre line, in mm.</summary>
    [JsonIgnore]
    public double Length => Line.Length;
}

/// <summary>A line without a wall that bounds rooms: the edge of a terrace or marquee, or the split between two uses of one space.</summary>
public sealed record Boundary(string Id, string LevelId, Point Start, Point End, double Bow = 0) : Entity(Id), IOnLevel
{
    [JsonIgnore]
    public BowedLine Line => new(Start, End, Bow);
}

[JsonConverter(typeof(JsonStringEnumConverter<OpeningKind>))]
public enum OpeningKind
{
    SingleDoor,
    DoubleDoor,
    SlidingDoor,
    FoldingDoor,
    PocketDoor,
    Window,
    Gap,
}

[JsonConverter(typeof(JsonStringEnumConverter<OpeningMark>))]
public enum OpeningMark
{
    None,
    Entrance,
    Exit,
    EntranceAndExit,
    Service,
}

/// <summary>
/// A door, window or gap cut into a wall. Along is from the wall's start to the opening's middle, Width the cut in
/// the wall, ClearWidth what can be walked through. A door hinges (or slides, folds) to the start side or the end
/// side of its wall and swings to the left or right of the wall's direction. MainLeaf is the width of the larger
/// leaf of an uneven pair; null when both are alike.
/// </summary>
public sealed record Opening(
    string Id,
    string WallId,
    OpeningKind Kind,
    double Along,
    double Width,
    double ClearWidth,
    double Height,
    double Sill,
    OpeningMark Mark,
    bool HingeAtEnd,
    bool SwingsRight,
    string Name,
    double? MainLeaf = null,
    bool Held = false
) : Entity(Id), IHoldable
{
    [JsonIgnore]
    public bool IsDoor => Kind is not (OpeningKind.Window or OpeningKind.Gap);

    [JsonIgnore]
    public double From => Along - Width / 2;

    [JsonIgnore]
    public double To => Along + Width / 2;

    /// <summary>Length of the larger leaf in mm, taken as its part of the cut; of one panel of a folding door.</summary>
    [JsonIgnore]
    public double LeafLength =>
        Kind switch
        {
            OpeningKind.DoubleDoor => MainLeaf ?? Width / 2,
            OpeningKind.FoldingDoor => Width / 2,
            _ => Width,
        };

    [JsonIgnore]
    public bool IsEntrance => Mark is OpeningMark.Entrance or OpeningMark.EntranceAndExit;

    [JsonIgnore]
    public bool IsExit => Mark is OpeningMark.Exit or OpeningMark.EntranceAndExit;
}

/// <summary>A column: round when Round is set (Width is then its diameter), else a rectangle about its middle.</summary>
public sealed record Column(
    string Id,
    string LevelId,
    double X,
    double Y,
    double Turn,
    double Width,
    double Depth,
    bool Round,
    bool Held = false
) : Fixture(Id, LevelId, X, Y, Turn, Width, Depth, Held);

/// <summary>A rectangle of floor that nothing may stand on.</summary>
public sealed record KeepClear(
    string Id,
    string LevelId,
    double X,
    double Y,
    double Turn,
    double Width,
    double Depth,
    string Name,
    bool Held = false
) : Fixture(Id, LevelId, X, Y, Turn, Width, Depth, Held);

[JsonConverter(typeof(JsonStringEnumConverter<FlightKind>))]
public enum FlightKind
{
    Stair,
    Ramp,
}

/// <summary>
/// A flight of stairs or a ramp about its middle: Width across, Depth along its run, going up towards its own +y.
/// Rise in mm from its foot to its head; Risers only for a stair. ToLevelId is the level its head arrives at, "" when
/// it stays on its own level.
/// </summary>
public sealed record Flight(
    string Id,
    string LevelId,
    FlightKind Kind,
    double X,
    double Y,
    double Turn,
    double Width,
    double Depth,
    double Rise,
    int Risers,
    string ToLevelId = "",
    string Name = "",
    bool Held = false
) : Fixture(Id, LevelId, X, Y, Turn, Width, Depth, Held);

/// <summary>A raised (Rise more than 0) or sunken rectangle of floor; its edges are steps.</summary>
public sealed record Platform(
    string Id,
    string LevelId,
    double X,
    double Y,
    double Turn,
    double Width,
    double Depth,
    double Rise,
    string Name = "",
    bool Held = false
) : Fixture(Id, LevelId, X, Y, Turn, Width, Depth, Held);

[JsonConverter(typeof(JsonStringEnumConverter<FittingKind>))]
public enum FittingKind
{
    Counter,
    Toilet,
    Basin,
    Sink,
    Bath,
    Shower,
    Radiator,
    Shaft,
    Socket,
    DataPoint,
    WaterPoint,
}

/// <summary>Something fixed to the building, about its middle, its back at its own +y. Points are sockets, data and water points: nothing stands in their way and they stand in nobody's.</summary>
public sealed record Fitting(
    string Id,
    string LevelId,
    FittingKind Kind,
    double X,
    double Y,
    double Turn,
    double Width,
    double Depth,
    double Height,
    string Name = "",
    bool Held = false
) : Fixture(Id, LevelId, X, Y, Turn, Width, Depth, Held)
{
    [JsonIgnore]
    public bool IsPoint => Kind is FittingKind.Socket or FittingKind.DataPoint or FittingKind.WaterPoint;
}

/// <summary>A sloping or low ceiling over a rectangle: clear height LowHeight at its own -y side, HighHeight at its +y side, in mm.</summary>
public sealed record LowCeiling(
    string Id,
    string LevelId,
    double X,
    double Y,
    double Turn,
    double Width,
    double Depth,
    double LowHeight,
    double HighHeight,
    bool Held = false
) : Fixture(Id, LevelId, X, Y, Turn, Width, Depth, Held)
{
    /// <summary>The depth in mm from the low side at which the ceiling reaches a height, within 0 and Depth.</summary>
    public double DepthBelow(double height) =>
        HighHeight <= height ? Depth
        : LowHeight >= height ? 0
        : Depth * (height - LowHeight) / (HighHeight - LowHeight);
}

/// <summary>A construction line through (X, Y) at an angle in degrees; endless both ways.</summary>
public sealed record SettingOutLine(string Id, string LevelId, double X, double Y, double Angle, bool Held = false)
    : Entity(Id),
        IOnLevel,
        IHoldable
{
    [JsonIgnore]
    public Point Through => new(X, Y);

    [JsonIgnore]
    public Point Along => Point.At(Angle);
}

/// <summary>
/// A picture beneath the plan. PictureId names the stored picture, Columns and Rows are its size in pixels, (X, Y) is
/// where its bottom left corner lies on the level, Turn its turn about that corner, Scale the mm on the level for one
/// pixel. The crop is in pixels from each side. Fade is from 0 (full) to 1 (gone). ScaleFrom says in words how the scale
/// was found.
/// </summary>
public sealed record Backing(
    string Id,
    string LevelId,
    string PictureId,
    string Name,
    int Columns,
    int Rows,
    double X,
    double Y,
    double Turn,
    double Scale,
    double CropLeft = 0,
    double CropTop = 0,
    double CropRight = 0,
    double CropBottom = 0,
    double Fade = 0.5,
    bool Held = false,
    string ScaleFrom = ""
) : Entity(Id), IOnLevel, IHoldable
{
    [JsonIgnore]
    public Placement Placement => new(X, Y, Turn);

    /// <summary>Where a pixel of the picture (from its top left corner) lies on the level.</summary>
    public Point ToLevel(Point pixel) => Placement.Out(new Point(pixel.X * Scale, (Rows - pixel.Y) * Scale));

    /// <summary>The pixel that lies at a point of the level.</summary>
    public Point ToPixel(Point level)
    {
        var own = Placement.In(level);
        return new Point(own.X / Scale, Rows - own.Y / Scale);
    }
}
