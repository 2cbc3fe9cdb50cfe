using Wellsedes.Core.Geometry;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Plans;

/// <summary>A raised (Rise more than 0) or sunken rectangle of floor; its edges are steps.</summary>
public sealed record Platform(
    string Id,
    string LevelId,
    double X,
    double Y,
    double Rotation,
    double Width,
    double Depth,
    double Rise,
    string Name = "",
    bool Locked = false
) : Thing(Id, LevelId, X, Y, Rotation, Width, Depth, Locked)
{
    public static ThingKind Kind { get; } =
        new(
            "platform",
            typeof(Platform),
            "platform",
            ThingStage.Shell,
            [new ThingField("rise", "Rise", ThingFieldKind.Length), new ThingField("name", "Name", ThingFieldKind.Text)],
            (id, level, _, at) => new Platform(id, level, at.X, at.Y, 0, 3000, 2000, 150)
        );

    public override string Word() => Kind.Word;

    public override string OwnName() => Name;

    public override Problem? Check(Plan plan, bool sure) =>
        Rise != 0 && Math.Abs(Rise) <= 5000 ? null : new Problem("rise", "The rise must be from -5 000 to 5 000 mm and not 0.");

    public override IEnumerable<ThingPart> Parts()
    {
        var inset = Math.Min(60, Math.Min(Width, Depth) / 10);
        var (x, y) = (Width / 2 - inset, Depth / 2 - inset);
        yield return Drawn(ThingRole.Line, Whole().Then(PathShape.Box(-x, -y, x, y)));
    }

    public override IEnumerable<ThingText> Texts(UnitSystem units) =>
        [Written($"{(Rise > 0 ? "+" : "−")}{LengthText.Write(Math.Abs(Rise), units)}", default)];
}
