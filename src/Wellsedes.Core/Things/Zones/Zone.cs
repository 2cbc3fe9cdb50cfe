using Wellsedes.Core.Geometry;
using Wellsedes.Core.Measure;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Things.Zones;

/// <summary>A named rectangle of a scheme that counts its own seats, desks and area. An item is in it when its middle is.</summary>
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
    bool Locked = false
) : Thing(Id, LevelId, X, Y, Rotation, Width, Depth, Locked), IOfScheme
{
    public static ThingKind Kind { get; } =
        new(
            "zone",
            typeof(Zone),
            "zone",
            ThingStage.Furnish,
            [new ThingField("name", "Name", ThingFieldKind.Text)],
            (id, level, scheme, at) => new Zone(id, scheme, level, at.X, at.Y, 0, 4000, 4000, "")
        );

    public override string Word() => Kind.Word;

    public override string OwnName() => Name;

    public override bool Counts() => true;

    public override Thing InScheme(string schemeId) => this with { SchemeId = schemeId };

    public override IEnumerable<ThingPart> Parts() => [Drawn(ThingRole.Dashed, Whole())];

    public override IEnumerable<ThingText> Texts(UnitSystem units) =>
        Name.Length == 0 ? [] : [Written(Name, new Point(0, Depth / 2 - 250))];
}
