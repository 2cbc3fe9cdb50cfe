using Wellsedes.Core.Geometry;
using Wellsedes.Core.Measure;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Things.Zones;

/// <summary>A named rectangle of a scheme that counts its own seats, desks and area, and may have a brief of its own: null where nothing is asked. An item is in it when its middle is.</summary>
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
    double? StorageLength = null
) : Thing(Id, LevelId, X, Y, Rotation, Width, Depth, Locked), IOfScheme
{
    public static ThingKind Kind { get; } =
        new(
            "zone",
            typeof(Zone),
            "zone",
            ThingStage.Furnish,
            [
                new ThingField("name", "Name", ThingFieldKind.Text),
                new ThingField("seats", "Seats", ThingFieldKind.Asked, Note: "What it must hold, as the brief of the whole."),
                new ThingField("workstations", "Workstations", ThingFieldKind.Asked),
                new ThingField("screens", "Screens", ThingFieldKind.Asked, Note: "Monitors, displays, laptops and projection screens."),
                new ThingField("wheelchairSpaces", "Wheelchairs", ThingFieldKind.Asked),
                new ThingField("storageLength", "Storage", ThingFieldKind.AskedLength, Note: "The width of its fronts together."),
            ],
            (id, level, scheme, at) => new Zone(id, scheme, level, at.X, at.Y, 0, 4000, 4000, "")
        );

    public override string Word() => Kind.Word;

    public override string OwnName() => Name;

    public override bool Counts() => true;

    public override Asked Asks() => new(Seats, null, Workstations, Screens, WheelchairSpaces, StorageLength);

    public override Problem? Check(Plan plan, bool sure) => Asks().Check();

    public override Thing InScheme(string schemeId) => this with { SchemeId = schemeId };

    public override IEnumerable<ThingPart> Parts() => [Drawn(ThingRole.Dashed, Whole())];

    public override IEnumerable<ThingText> Texts(UnitSystem units) =>
        Name.Length == 0 ? [] : [Written(Name, new Point(0, Depth / 2 - 250))];
}
