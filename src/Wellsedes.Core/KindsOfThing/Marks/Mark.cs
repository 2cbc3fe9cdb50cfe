using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.KindsOfThing.Marks;

public enum MarkShape
{
    Text,
    Line,
    Arrow,
    Ring,
    Area,

    /// <summary>A text with an arrow from it to what it is about.</summary>
    Leader,

    /// <summary>An area with slanting lines.</summary>
    Hatch,

    /// <summary>A circle of a typed diameter with its labelled double arrow.</summary>
    Reach,

    /// <summary>A text on a plate.</summary>
    Sign,
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
/// x axis as long as Width, a ring or a tinted or hatched area of its size. A leader's text is as high as Depth and stands at the begin of
/// its arrow; a distance ring is as wide as Width and tells that in the plan's units; a sign's letters are half as high as it.
/// A sign that hangs has its middle Hangs mm above the floor, upright, on the wall behind it where there is one near; else it lies.
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
    double? Hangs = null,
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
                    [
                        new("Text", "Text"),
                        new("Leader", "Text with an arrow"),
                        new("Line", "Line"),
                        new("Arrow", "Arrow"),
                        new("Ring", "Ring"),
                        new("Reach", "Distance ring"),
                        new("Area", "Tinted area"),
                        new("Hatch", "Hatched area"),
                        new("Sign", "Sign"),
                    ]
                ),
                new ThingField("text", "Text", ThingFieldKind.Text, Note: "As high as its depth, at true size."),
                new ThingField(
                    "hangs",
                    "Hangs at",
                    ThingFieldKind.AskedLength,
                    Note: "Of its middle above the floor, on the wall behind it; empty lies on the floor.",
                    Only: "shape=Sign"
                ),
                new ThingField(
                    "tint",
                    "Tint",
                    ThingFieldKind.Choice,
                    [new("Moss", "Moss"), new("Sand", "Sand"), new("Rose", "Rose"), new("Slate", "Slate")]
                ),
            ],
            (id, level, scheme, at) => new Mark(id, scheme, level, MarkShape.Text, at.X, at.Y, 0, 2000, 300, "Text")
        );

    /// <summary>Slanting lines lie so far apart, in mm.</summary>
    private const double HatchSpacing = 250;

    public override string Word() =>
        Shape switch
        {
            MarkShape.Area => "tinted area",
            MarkShape.Hatch => "hatched area",
            MarkShape.Reach => "distance ring",
            _ => Shape.ToString().ToLowerInvariant(),
        };

    /// <summary>A distance ring is round.</summary>
    public override Thing Settled(Plan plan) => Shape == MarkShape.Reach ? this with { Depth = Width } : this;

    public override bool IsMarked() => true;

    public override Convex Floor() =>
        Shape is MarkShape.Reach or MarkShape.Ring && Width == Depth ? Convex.Disc(Placement.Origin, Width / 2) : base.Floor();

    public override (double Least, double Most) UsualSize() => (10, 100_000);

    public override Problem? Check(Plan plan, bool sure) =>
        Shape is MarkShape.Text or MarkShape.Leader or MarkShape.Sign && Text.Trim().Length == 0
            ? new Problem("text", $"A {Word()} needs at least one character.")
        : Hangs is not null && !(Hangs >= Depth / 2 && Hangs <= 30_000)
            ? new Problem(
                "hangs",
                $"A sign {Depth:0} mm high hangs with its middle {Depth / 2:0} to 30 000 mm above the floor; {Hangs:0} was given."
            )
        : null;

    /// <summary>Its middle above the floor in mm where it is a sign that hangs; null for all else.</summary>
    public override double? HangsAt() => Shape == MarkShape.Sign ? Hangs : null;

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
            case MarkShape.Leader:
                yield return Drawn(ThingRole.Heavy, PathShape.Arrow(new Point(-x, 0), new Point(x, 0)));
                break;
            case MarkShape.Hatch:
                yield return Drawn(ThingRole.Line, Hatched(x, y));
                break;
            case MarkShape.Reach:
                yield return Drawn(ThingRole.Dashed, PathShape.Circle(default, x));
                yield return Drawn(
                    ThingRole.Line,
                    PathShape.Arrow(default, new Point(-x, 0)).Then(PathShape.Arrow(default, new Point(x, 0)))
                );
                break;
            case MarkShape.Sign:
                yield return Drawn(ThingRole.Body, PathShape.Rounded(-x, -y, x, y, Math.Min(x, y) / 4));
                break;
            case MarkShape.Area:
                yield return new ThingPart(ThingRole.Tinted, Whole().At(Placement), Colour);
                break;
        }
    }

    /// <summary>Its outline with lines across it at 45 degrees.</summary>
    private static PathShape Hatched(double x, double y)
    {
        var path = PathShape.Box(-x, -y, x, y);
        // Lines p.X - p.Y = c, from the upper left corner to the lower right one.
        for (var c = -(x + y) + HatchSpacing; c < x + y; c += HatchSpacing)
        {
            var from = new Point(Math.Max(-x, c - y), Math.Max(-y, -x - c));
            var to = new Point(Math.Min(x, c + y), Math.Min(y, x - c));
            path = path.Then(PathShape.Line(from, to));
        }
        return path;
    }

    public override IEnumerable<ThingText> Texts(UnitSystem units)
    {
        switch (Shape)
        {
            case MarkShape.Reach:
                yield return new ThingText(
                    Text.Length == 0 ? LengthText.Tell(Width, units) : $"{Text} {LengthText.Tell(Width, units)}",
                    Placement.Out(new Point(0, Width / 20 + 80)),
                    0,
                    Rotation
                );
                break;
            case MarkShape.Leader:
                yield return new ThingText(Text, Placement.Out(new Point(-Width / 2, Depth)), Depth, Rotation);
                break;
            case MarkShape.Sign:
                yield return new ThingText(Text, Placement.Origin, Depth / 2, Rotation);
                break;
            default:
                if (Text.Length > 0)
                    yield return new ThingText(Text, Placement.Origin, Shape == MarkShape.Text ? Depth : 0, Rotation);
                break;
        }
    }

    private string Colour =>
        Tint switch
        {
            MarkTint.Sand => "#EFE3C8",
            MarkTint.Rose => "#F0DCDD",
            MarkTint.Slate => "#DDE3E8",
            _ => "#DFE9E1",
        };
}
