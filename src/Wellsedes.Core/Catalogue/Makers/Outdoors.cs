using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Catalogue.Makers;

internal static class Outdoors
{
    /// <summary>A parasol: only its foot stands on the floor; the canopy is dashed above heads.</summary>
    public static Form Parasol(MakerInput input)
    {
        var making = new Making(input);
        var r = making.X;
        for (var i = 0; i < 8; i++)
            making.Draw(SymbolRole.Use, PathShape.Line(default, Point.At(45 * i) * r));
        return making
            .Solid(Convex.Disc(default, Math.Min(300, r * 0.3)))
            .Draw(SymbolRole.Use, PathShape.Circle(default, r))
            .Disc(SymbolRole.Body, PrismRole.Leg, default, Math.Min(300, r * 0.3), 0, 80)
            .Disc(SymbolRole.Solid, PrismRole.Leg, default, 25, 80, making.H)
            .Stands(PrismRole.Leaf, Convex.Disc(default, r), making.H * 0.85, making.H, 0.1)
            .Form();
    }

    /// <summary>A lounger: slats, its head raised at the back.</summary>
    public static Form Lounger(MakerInput input)
    {
        var making = new Making(input).Whole().SitsOnIt();
        var (x, y) = (making.X, making.Y);
        making
            .Block(SymbolRole.Seat, PrismRole.Seat, -x, -y, x, y * 0.35, making.H * 0.3, making.H * 0.4)
            .Block(SymbolRole.Body, PrismRole.Back, -x, y * 0.35, x, y, making.H * 0.4, making.H)
            .Legs(80, 50, making.H * 0.3);
        for (var at = -y + 120; at < y; at += 120)
            making.Fine(PathShape.Line(new Point(-x, at), new Point(x, at)));
        return making.Line(new Point(-x * 0.6, y * 0.7), new Point(x * 0.6, y * 0.7)).Front().Form();
    }

    /// <summary>A tree: its trunk stands, its crown is dashed above heads.</summary>
    public static Form Tree(MakerInput input)
    {
        var making = new Making(input);
        var r = making.X;
        var trunk = Math.Min(150, r * 0.15);
        for (var i = 0; i < 12; i++)
            making.Draw(SymbolRole.Use, PathShape.Arc(Point.At(30 * i) * (r * 0.84), r * 0.16, 30 * i - 100, 200));
        return making
            .Solid(Convex.Disc(default, trunk))
            .Disc(SymbolRole.Solid, PrismRole.Leg, default, trunk, 0, making.H * 0.4)
            .Stands(PrismRole.Leaf, Convex.Disc(default, r), making.H * 0.4, making.H, 0.5)
            .Form();
    }

    /// <summary>Hoops to lock cycles to; cycles stand square to them.</summary>
    public static Form CycleStand(MakerInput input)
    {
        var making = new Making(input).Whole();
        var (x, y) = (making.X, making.Y);
        var hoops = Math.Max(1, input.Parts);
        for (var i = 0; i < hoops; i++)
        {
            var at = hoops == 1 ? 0 : -x + 40 + (2 * x - 80) * i / (hoops - 1);
            making
                .Block(SymbolRole.Solid, PrismRole.Metal, at - 25, -y * 0.4, at + 25, y * 0.4, 0, making.H)
                .Draw(SymbolRole.Detail, PathShape.Rounded(at - 40, -y, at + 40, -y * 0.45, 38))
                .Draw(SymbolRole.Detail, PathShape.Rounded(at - 40, y * 0.45, at + 40, y, 38));
        }
        return making
            .Stands(PrismRole.Metal, -x, -y, x, y, 0, 10)
            .NeedsInFront("To get a cycle out", 1200)
            .Draw(SymbolRole.Use, PathShape.Box(-x, -y, x, y))
            .Form();
    }

    /// <summary>A grill on legs, worked from its front.</summary>
    public static Form Grill(MakerInput input)
    {
        var making = new Making(input).Whole();
        var (x, y) = (making.X, making.Y);
        making
            .NeedsInFront("Cook", 900)
            .Block(SymbolRole.Body, PrismRole.Metal, -x, -y, x, y, making.H * 0.7, making.H, making.Within(80, 0.15))
            .Legs(60, 50, making.H * 0.7, PrismRole.Metal);
        for (var at = -x * 0.8; at <= x * 0.81; at += x * 0.2)
            making.Line(new Point(at, -y * 0.7), new Point(at, y * 0.7));
        return making.Front().Form();
    }
}
