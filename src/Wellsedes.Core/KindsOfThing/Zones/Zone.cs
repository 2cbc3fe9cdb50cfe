using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.KindsOfThing.Zones;

/// <summary>
/// A named area of a scheme that counts its own seats, desks and area, and may have a brief of its own: null where nothing is asked. It is a
/// rectangle, or has a shape of its own whose box its width and depth are. An item is in it when its middle is. WayWidth is the clear
/// width in mm that ways to what stands in it need; Use is what it is for where that is something else than its room.
/// </summary>
public sealed record Zone(
    string Id,
    string SchemeId,
    string LevelId,
    double X,
    double Y,
    double Rotation,
    double Width,
    double Depth,
    string Name,
    bool Locked = false,
    int? Seats = null,
    int? Workstations = null,
    int? Screens = null,
    int? WheelchairSpaces = null,
    double? StorageLength = null,
    int? WithPower = null,
    double? WayWidth = null,
    ZoneShape? Shape = null,
    string Use = ""
) : OutlinedThing(Id, LevelId, X, Y, Rotation, Width, Depth, Locked, Shape), IOfScheme
{
    /// <summary>The use of a zone whose rooms are one home.</summary>
    private const string Dwelling = "Dwelling";

    public static ThingKind Kind { get; } =
        new(
            "zone",
            typeof(Zone),
            "zone",
            ThingStage.Furnish,
            [
                new ThingField("name", "Name", ThingFieldKind.Text),
                new ThingField(
                    "use",
                    "Use",
                    ThingFieldKind.Choice,
                    [
                        new ThingChoice("", "as its room"),
                        .. RoomUses.All.Where(use => use.Usable).Select(use => new ThingChoice(use.Name, use.Name)),
                        new ThingChoice(Dwelling, "one home of all its rooms"),
                    ],
                    "By which its people are counted."
                ),
                new ThingField("seats", "Seats", ThingFieldKind.Asked, Note: "What it must hold, as the brief of the whole."),
                new ThingField("workstations", "Workstations", ThingFieldKind.Asked),
                new ThingField("screens", "Screens", ThingFieldKind.Asked, Note: "Monitors, displays, laptops and projection screens."),
                new ThingField("withPower", "With power", ThingFieldKind.Asked, Note: "Seats and workstations within reach of a socket."),
                new ThingField("wheelchairSpaces", "Wheelchairs", ThingFieldKind.Asked),
                new ThingField("storageLength", "Storage", ThingFieldKind.AskedLength, Note: "The width of its fronts together."),
                new ThingField("wayWidth", "Walkways", ThingFieldKind.AskedLength, Note: "Clear width of the ways to what stands in it."),
            ],
            (id, level, scheme, at) => new Zone(id, scheme, level, at.X, at.Y, 0, 4000, 4000, ""),
            Form: ThingForm.Area
        );

    public override string Word() => Kind.Word;

    public override string OwnName() => Name;

    public override bool Counts() => true;

    /// <summary>The rooms of a dwelling have each a use of their own.</summary>
    public override string OwnUse() => IsDwelling() ? "" : Use.Trim();

    public override bool IsDwelling() => Use.Trim().Equals(Dwelling, StringComparison.OrdinalIgnoreCase);

    public override Asked Asks() => new(Seats, null, Workstations, Screens, WheelchairSpaces, StorageLength, WithPower);

    public override double? AsksWidth() => WayWidth;

    public override Problem? Check(Plan plan, bool sure) =>
        Asks().Check()
        ?? (Use.Length <= 40 ? null : new Problem("use", "A use has at most 40 letters."))
        ?? (
            WayWidth is { } width ? SizeSense.Check(plan.Details.Units, "wayWidth", "the walkways of a zone", width, 300, 6000, sure) : null
        )
        ?? (Shape?.Wrong() is { } wrong ? new Problem("shape", wrong) : null);

    public override Thing InScheme(string schemeId) => this with { SchemeId = schemeId };

    public override IEnumerable<ThingText> Texts(UnitSystem units) =>
        Name.Length == 0 ? []
        : Shape is null ? [Written(Name, new Point(0, Depth / 2 - 250))]
        : [new ThingText(Name, NameAt())];

    /// <summary>Under the middle of the uppermost side of the largest piece.</summary>
    private Point NameAt()
    {
        var ring = Areas().MaxBy(area => area.Area)!.Outline;
        var (from, to) = Enumerable
            .Range(0, ring.Length)
            .Select(i => (From: ring[i], To: ring[(i + 1) % ring.Length]))
            .MaxBy(side => (Math.Round(side.From.Y + side.To.Y), -side.From.X));
        return Point.Middle(from, to) + (to - from).Unit().Left() * 250;
    }
}
