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
[JsonDerivedType(typeof(MakeUp), "make-up")]
[JsonDerivedType(typeof(Boundary), "boundary")]
[JsonDerivedType(typeof(Flight), "flight")]
[JsonDerivedType(typeof(Platform), "platform")]
[JsonDerivedType(typeof(Fitting), "fitting")]
[JsonDerivedType(typeof(LowCeiling), "low-ceiling")]
[JsonDerivedType(typeof(SettingOutLine), "setting-out-line")]
[JsonDerivedType(typeof(Backing), "backing")]
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
) : Entity(Id), IOfScheme, IOnLevel, IHoldable
{
    [JsonIgnore]
    public Placement Placement => new(X, Y, Turn);
}

/// <summary>A kept measure between two points, drawn on the plan and on the sheet.</summary>
public sealed record Dimension(string Id, string SchemeId, string LevelId, Point From, Point To) : Entity(Id), IOfScheme, IOnLevel;
