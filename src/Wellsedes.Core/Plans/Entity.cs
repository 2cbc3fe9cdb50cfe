using System.Text.Json.Serialization;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Measure;

namespace Wellsedes.Core.Plans;

/// <summary>One thing of a plan. The id is given once and never changes; all lengths are mm, turns degrees counter-clockwise.</summary>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "type")]
[JsonDerivedType(typeof(PlanDetails), "plan")]
[JsonDerivedType(typeof(Level), "level")]
[JsonDerivedType(typeof(Room), "room")]
[JsonDerivedType(typeof(Wall), "wall")]
[JsonDerivedType(typeof(Opening), "opening")]
[JsonDerivedType(typeof(Column), "column")]
[JsonDerivedType(typeof(KeepClear), "keep-clear")]
[JsonDerivedType(typeof(Scheme), "scheme")]
[JsonDerivedType(typeof(Brief), "brief")]
[JsonDerivedType(typeof(Checks), "checks")]
[JsonDerivedType(typeof(SheetSettings), "sheet")]
[JsonDerivedType(typeof(Item), "item")]
[JsonDerivedType(typeof(Dimension), "dimension")]
public abstract record Entity(string Id);

/// <summary>An entity of one scheme, as opposed to the shell that all schemes share.</summary>
public interface IOfScheme
{
    string SchemeId { get; }
}

/// <summary>An entity that stands on a level.</summary>
public interface IOnLevel
{
    string LevelId { get; }
}

/// <summary>What the whole plan is called, the units it writes in, and where north is (degrees from +y, counter-clockwise).</summary>
public sealed record PlanDetails(string Id, string Title, UnitSystem Units, double North = 0) : Entity(Id)
{
    /// <summary>There is exactly one, under this id.</summary>
    public const string TheId = "plan";
}

/// <summary>A storey. Elevation of its floor and storey height in mm.</summary>
public sealed record Level(string Id, string Name, double Elevation, double Height) : Entity(Id);

/// <summary>A room's name and use; its outline is found from the walls around the point (X, Y).</summary>
public sealed record Room(string Id, string LevelId, string Name, string Use, string Number, double X, double Y, double Height)
    : Entity(Id),
        IOnLevel
{
    [JsonIgnore]
    public Point Inside => new(X, Y);
}

/// <summary>A straight wall along its centre line, from start to end, with its thickness and height.</summary>
public sealed record Wall(string Id, string LevelId, Point Start, Point End, double Thickness, double Height, string MakeUp)
    : Entity(Id),
        IOnLevel
{
    [JsonIgnore]
    public double Length => Start.DistanceTo(End);

    [JsonIgnore]
    public Point Along => (End - Start).Unit();
}

[JsonConverter(typeof(JsonStringEnumConverter<OpeningKind>))]
public enum OpeningKind
{
    SingleDoor,
    DoubleDoor,
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
/// the wall, ClearWidth what can be walked through. A door hinges on the start side or the end side of its wall
/// and swings to the left or right of the wall's direction.
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
    string Name
) : Entity(Id)
{
    [JsonIgnore]
    public bool IsDoor => Kind is OpeningKind.SingleDoor or OpeningKind.DoubleDoor;

    /// <summary>Length of one leaf in mm, taken as its part of the cut.</summary>
    [JsonIgnore]
    public double LeafLength => Kind == OpeningKind.DoubleDoor ? Width / 2 : Width;

    [JsonIgnore]
    public bool IsEntrance => Mark is OpeningMark.Entrance or OpeningMark.EntranceAndExit;

    [JsonIgnore]
    public bool IsExit => Mark is OpeningMark.Exit or OpeningMark.EntranceAndExit;
}

/// <summary>A column: round when Round is set (Width is then its diameter), else a rectangle about its middle.</summary>
public sealed record Column(string Id, string LevelId, double X, double Y, double Turn, double Width, double Depth, bool Round)
    : Entity(Id),
        IOnLevel
{
    [JsonIgnore]
    public Placement Placement => new(X, Y, Turn);
}

/// <summary>A rectangle of floor that nothing may stand on.</summary>
public sealed record KeepClear(string Id, string LevelId, double X, double Y, double Turn, double Width, double Depth, string Name)
    : Entity(Id),
        IOnLevel
{
    [JsonIgnore]
    public Placement Placement => new(X, Y, Turn);
}

/// <summary>One alternative layout of the shell.</summary>
public sealed record Scheme(string Id, string Name) : Entity(Id);

/// <summary>What a scheme must hold; null where nothing is asked.</summary>
public sealed record Brief(
    string Id,
    string SchemeId,
    int? Seats = null,
    int? Tables = null,
    int? Workstations = null,
    double? AreaPerSeat = null
) : Entity(Id), IOfScheme;

[JsonConverter(typeof(JsonStringEnumConverter<ChairState>))]
public enum ChairState
{
    Occupied,
    PulledOut,
}

/// <summary>What a scheme's walkways are held against; widths and depths in mm.</summary>
public sealed record Checks(
    string Id,
    string SchemeId,
    double MainWidth,
    double SeatWidth,
    ChairState Chairs,
    double OccupiedDepth,
    double PulledOutDepth
) : Entity(Id), IOfScheme
{
    /// <summary>Depth in mm from the table edge to the back of a chair, as chosen.</summary>
    [JsonIgnore]
    public double ChairDepth => Chairs == ChairState.Occupied ? OccupiedDepth : PulledOutDepth;
}

/// <summary>The sheet of a scheme: paper, scale, title block fields by ISO 7200, what is shown, notes.</summary>
public sealed record SheetSettings(
    string Id,
    string SchemeId,
    string Paper,
    bool Across,
    string LegalOwner,
    string SheetNumber,
    string Title,
    string SupplementaryTitle,
    string Creator,
    string Approver,
    string DocumentType,
    string Notes,
    bool ShowRoomNames,
    bool ShowLabels,
    bool ShowDimensions,
    bool ShowWalkway,
    bool ShowSchedule,
    bool ShowNotes,
    bool ShowNorth,
    double? Scale = null
) : Entity(Id), IOfScheme;

/// <summary>
/// One placed thing. Sizes are null where the catalogue's hold; X, Y is the middle of its body. Set aside means not
/// yet placed: never counted, never printed. Held means it does not move until let go.
/// </summary>
public sealed record Item(
    string Id,
    string SchemeId,
    string LevelId,
    string Catalogue,
    double X,
    double Y,
    double Turn,
    double? Width = null,
    double? Depth = null,
    double? Height = null,
    Places? Places = null,
    string Label = "",
    bool SetAside = false,
    bool Held = false
) : Entity(Id), IOfScheme, IOnLevel
{
    [JsonIgnore]
    public Placement Placement => new(X, Y, Turn);
}

/// <summary>A kept measure between two points, drawn on the plan and on the sheet.</summary>
public sealed record Dimension(string Id, string SchemeId, string LevelId, Point From, Point To) : Entity(Id), IOfScheme, IOnLevel;
