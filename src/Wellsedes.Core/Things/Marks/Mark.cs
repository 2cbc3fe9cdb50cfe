using Wellsedes.Core.Geometry;
using Wellsedes.Core.Measure;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Things.Marks;

public enum MarkShape
{
    Text,
    Line,
    Arrow,
    Ring,
    Area,
}

public enum MarkTint
{
    Moss,
    Sand,
    Rose,
    Slate,
}

/// <summary>
/// Something written or drawn on a scheme's plan at true size: a text as high as Depth, a line or an arrow along its own
/// x axis as long as Width, a ring or a tinted area of its size.
/// </summary>
public sealed record Mark(
    string Id,
    string SchemeId,
    string LevelId,
    MarkShape Shape,
    double X,
    double Y,
    double Rotation,
    double Width,
    double Depth,
    string Text = "",
    MarkTint Tint = MarkTint.Moss,
    bool Locked = false
) : Thing(Id, LevelId, X, Y, Rotation, Width, Depth, Locked), IOfScheme
{
    public static ThingKind Kind { get; } =
        new(
            "mark",
            typeof(Mark),
            "mark",
            ThingStage.Furnish,
            [
                new ThingField(
                    "shape",
                    "Shape",
                    ThingFieldKind.Choice,
                    [new("Text", "Text"), new("Line", "Line"), new("Arrow", "Arrow"), new("Ring", "Ring"), new("Area", "Tinted area")]
                ),
                new ThingField("text", "Text", ThingFieldKind.Text, Note: "As high as its depth, at true size."),
                new ThingField(
                    "tint",
                    "Tint",
                    ThingFieldKind.Choice,
                    [new("Moss", "Moss"), new("Sand", "Sand"), new("Rose", "Rose"), new("Slate", "Slate")]
                ),
            ],
            (id, level, scheme, at) => new Mark(id, scheme, level, MarkShape.Text, at.X, at.Y, 0, 2000, 300, "Text")
        );

    public override string Word() => Shape == MarkShape.Area ? "tinted area" : Shape.ToString().ToLowerInvariant();

    public override (double Least, double Most) UsualSize() => (10, 100_000);

    public override Problem? Check(Plan plan, bool sure) =>
        Shape == MarkShape.Text && Text.Trim().Length == 0 ? new Problem("text", "A text needs at least one character.") : null;

    public override Thing InScheme(string schemeId) => this with { SchemeId = schemeId };

    public override IEnumerable<ThingPart> Parts()
    {
        var (x, y) = (Width / 2, Depth / 2);
        switch (Shape)
        {
            case MarkShape.Line:
                yield return Drawn(ThingRole.Heavy, PathShape.Line(new Point(-x, 0), new Point(x, 0)));
                break;
            case MarkShape.Arrow:
                yield return Drawn(ThingRole.Heavy, PathShape.Arrow(new Point(-x, 0), new Point(x, 0)));
                break;
            case MarkShape.Ring:
                yield return Drawn(ThingRole.Heavy, PathShape.Oval(default, x, y));
                break;
            case MarkShape.Area:
                yield return new ThingPart(ThingRole.Tinted, Whole().At(Placement), Colour);
                break;
        }
    }

    public override IEnumerable<ThingText> Texts(UnitSystem units) =>
        Text.Length == 0 ? [] : [new ThingText(Text, Placement.Origin, Shape == MarkShape.Text ? Depth : 0, Rotation)];

    private string Colour =>
        Tint switch
        {
            MarkTint.Sand => "#EFE3C8",
            MarkTint.Rose => "#F0DCDD",
            MarkTint.Slate => "#DDE3E8",
            _ => "#DFE9E1",
        };
}
