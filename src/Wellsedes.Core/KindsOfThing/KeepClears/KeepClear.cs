using Wellsedes.Core.Plans;

namespace Wellsedes.Core.KindsOfThing.KeepClears;

/// <summary>A rectangle of floor that nothing may stand on.</summary>
public sealed record KeepClear(
    string Id,
    string LevelId,
    double X,
    double Y,
    double Rotation,
    double Width,
    double Depth,
    string Name,
    bool Locked = false
) : Thing(Id, LevelId, X, Y, Rotation, Width, Depth, Locked)
{
    public static ThingKind Kind { get; } =
        new(
            "keep-clear",
            typeof(KeepClear),
            "keep-clear area",
            ThingStage.Shell,
            [new ThingField("name", "Name", ThingFieldKind.Text)],
            (id, level, _, at) => new KeepClear(id, level, at.X, at.Y, 0, 1500, 1500, "")
        );

    public override string Word() => Kind.Word;

    public override string OwnName() => Name;

    public override ThingEffect Effect() => ThingEffect.KeepClear;

    public override IEnumerable<ThingPart> Parts() => [Drawn(ThingRole.Dashed, Whole())];
}
