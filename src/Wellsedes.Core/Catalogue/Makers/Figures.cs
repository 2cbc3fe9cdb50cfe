using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Catalogue.Makers;

/// <summary>People, for scale: they count as nothing and stand in nobody's way.</summary>
internal static class Figures
{
    /// <summary>Somebody standing: shoulders an oval, the head on them, looking to the front.</summary>
    public static Form Standing(MakerInput input)
    {
        var making = new Making(input);
        return Body(making, default, making.X, making.Y, making.H).Form() with { ForScale = true };
    }

    /// <summary>Somebody seated, knees to the front.</summary>
    public static Form Seated(MakerInput input)
    {
        var making = new Making(input).Whole();
        var (x, y) = (making.X, making.Y);
        making
            .Block(
                SymbolRole.Seat,
                PrismRole.Person,
                -x * 0.6,
                -y,
                -x * 0.08,
                y * 0.35,
                making.H * 0.28,
                making.H * 0.42,
                making.Within(60, 0.12)
            )
            .Block(
                SymbolRole.Seat,
                PrismRole.Person,
                x * 0.08,
                -y,
                x * 0.6,
                y * 0.35,
                making.H * 0.28,
                making.H * 0.42,
                making.Within(60, 0.12)
            )
            .Stands(PrismRole.Person, -x * 0.6, -y, x * 0.6, -y * 0.7, 0, making.H * 0.28);
        return Body(making, new Point(0, y * 0.5), x, y * 0.5, making.H, making.H * 0.28).Form() with { ForScale = true };
    }

    /// <summary>Somebody in a wheelchair.</summary>
    public static Form InWheelchair(MakerInput input)
    {
        var making = new Making(input).Whole();
        var (x, y) = (making.X, making.Y);
        making
            .Draw(Seats.Wheelchair(x / 0.75, y / 0.8))
            .Stands(PrismRole.Metal, -x, -y * 0.1, -x * 0.8, y, 0, making.H * 0.5)
            .Stands(PrismRole.Metal, x * 0.8, -y * 0.1, x, y, 0, making.H * 0.5)
            .Stands(PrismRole.Person, -x * 0.5, -y, x * 0.5, y * 0.4, making.H * 0.3, making.H * 0.45);
        return Body(making, new Point(0, y * 0.2), x * 0.7, y * 0.22, making.H, making.H * 0.4).Form() with { ForScale = true };
    }

    /// <summary>Somebody behind something that is pushed or pulled: a pram, a walking frame, a case.</summary>
    public static Form Pushing(MakerInput input)
    {
        var making = new Making(input).Whole();
        var (x, y) = (making.X, making.Y);
        var person = Math.Min(230, y * 0.4);
        making
            .Block(
                SymbolRole.Body,
                PrismRole.Body,
                -x,
                -y,
                x,
                y - 2 * person,
                Math.Min(200, making.H * 0.2),
                Math.Min(1000, making.H * 0.6),
                making.Within(120, 0.2)
            )
            .Draw(SymbolRole.Detail, PathShape.Line(new Point(-x * 0.8, y - 2 * person), new Point(-x * 0.5, y - person)))
            .Draw(SymbolRole.Detail, PathShape.Line(new Point(x * 0.8, y - 2 * person), new Point(x * 0.5, y - person)))
            .Line(new Point(-x, -y * 0.5), new Point(x, -y * 0.5));
        return Body(making, new Point(0, y - person), x * 0.85, person, making.H).Form() with { ForScale = true };
    }

    private static Making Body(Making making, Point at, double x, double y, double height, double from = 0)
    {
        var head = Math.Min(x, y) * 0.62;
        var shoulders = Marks.OvalCorners(x, y, 24).Select(p => p + at).ToArray();
        return making
            .Solid(Convex.Polygon(shoulders))
            .Draw(SymbolRole.Body, PathShape.Oval(at, x, y))
            .Draw(SymbolRole.Seat, PathShape.Circle(at, head))
            .Draw(
                SymbolRole.Solid,
                PathShape.Closed(at + new Point(-head * 0.3, -head), at + new Point(head * 0.3, -head), at + new Point(0, -head * 1.35))
            )
            .Stands(PrismRole.Person, Convex.Polygon(shoulders), from, height * 0.84, 0.85)
            .Stands(PrismRole.Person, Convex.Disc(at, head), height * 0.84, height);
    }
}
