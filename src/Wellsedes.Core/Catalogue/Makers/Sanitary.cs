using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Catalogue.Makers;

internal static class Sanitary
{
    /// <summary>A WC: its cistern at the back, the bowl an oval before it.</summary>
    public static Form Wc(MakerInput input)
    {
        var making = new Making(input).Whole();
        var (x, y) = (making.X, making.Y);
        var cistern = making.H > 500 ? Math.Min(200, y * 0.6) : Math.Min(60, y * 0.2);
        var rim = Math.Min(420, making.H * 0.95);
        return making
            .NeedsInFront("To use it", 600)
            .Block(
                SymbolRole.Body,
                PrismRole.Ceramic,
                -x,
                y - cistern,
                x,
                y,
                making.H > 500 ? rim - 20 : 0,
                making.H,
                making.Within(25, 0.06)
            )
            .Bowl(new Point(0, (-y + y - cistern) / 2), x * 0.94, (2 * y - cistern) / 2, rim)
            .Front()
            .Form();
    }

    /// <summary>A bidet: a bowl with a tap at its back.</summary>
    public static Form Bidet(MakerInput input)
    {
        var making = new Making(input).Whole();
        return making
            .NeedsInFront("To use it", 600)
            .Bowl(default, making.X, making.Y, making.H)
            .Draw(SymbolRole.Solid, PathShape.Circle(new Point(0, making.Y * 0.78), making.Within(22, 0.06)))
            .Draw(SymbolRole.Detail, PathShape.Circle(new Point(0, -making.Y * 0.1), making.Within(25, 0.07)))
            .Front()
            .Form();
    }

    /// <summary>A bowl as an oval with its rim.</summary>
    private static Making Bowl(this Making making, Point centre, double x, double y, double to)
    {
        var corners = Marks.OvalCorners(x, y, 24).Select(p => p + centre).ToArray();
        return making
            .Draw(SymbolRole.Seat, PathShape.Oval(centre, x, y))
            .Draw(SymbolRole.Detail, PathShape.Oval(centre - new Point(0, y * 0.06), x * 0.66, y * 0.7))
            .Stands(PrismRole.Ceramic, Convex.Polygon(corners), 0, to);
    }

    /// <summary>A wash basin on the wall: the bowl, its tap at the back.</summary>
    public static Form Basin(MakerInput input)
    {
        var making = new Making(input).Whole();
        var (x, y) = (making.X, making.Y);
        return making
            .NeedsInFront("To wash", 700)
            .Block(SymbolRole.Body, PrismRole.Ceramic, -x, -y, x, y, making.H * 0.8, making.H, making.Within(80, 0.18))
            .Stands(PrismRole.Ceramic, -x * 0.3, y * 0.2, x * 0.3, y, 0, making.H * 0.8)
            .Draw(SymbolRole.Detail, PathShape.Oval(new Point(0, -y * 0.1), x * 0.72, y * 0.6))
            .Draw(SymbolRole.Solid, PathShape.Circle(new Point(0, y * 0.72), making.Within(25, 0.06)))
            .Fine(PathShape.Circle(new Point(0, -y * 0.1), making.Within(20, 0.05)))
            .Front()
            .Form();
    }

    /// <summary>A cabinet with one or two bowls set in: two from 1200 mm.</summary>
    public static Form Vanity(MakerInput input)
    {
        var making = new Making(input).Whole();
        var (x, y) = (making.X, making.Y);
        var bowls = input.Size.Width >= 1200 ? 2 : 1;
        making
            .NeedsInFront("To wash", 700)
            .Block(SymbolRole.Body, PrismRole.Top, -x, -y, x, y, making.H - 30, making.H)
            .Stands(PrismRole.Body, -x, -y + 18, x, y, 0, making.H - 30)
            .Stands(PrismRole.Front, -x, -y, x, -y + 18, 60, making.H - 40);
        for (var i = 0; i < bowls; i++)
        {
            var at = -x + 2 * x * (i + 0.5) / bowls;
            making
                .Draw(SymbolRole.Seat, PathShape.Oval(new Point(at, -y * 0.1), Math.Min(230, x / bowls * 0.7), y * 0.55))
                .Draw(SymbolRole.Solid, PathShape.Circle(new Point(at, y * 0.72), making.Within(22, 0.05)));
        }
        return making.Line(new Point(-x, -y * 0.9), new Point(x, -y * 0.9)).Front().Form();
    }

    /// <summary>A bath: its tub, the drain and taps at the left end.</summary>
    public static Form Bath(MakerInput input)
    {
        var making = new Making(input).Whole();
        var (x, y) = (making.X, making.Y);
        var rim = making.Within(60, 0.12);
        return making
            .NeedsInFront("To get in", 700)
            .Draw(SymbolRole.Body, PathShape.Box(-x, -y, x, y))
            .Draw(SymbolRole.Seat, PathShape.Rounded(-x + rim, -y + rim, x - rim, y - rim, y * 0.3, y * 0.6, y * 0.6, y * 0.3))
            .Draw(SymbolRole.Solid, PathShape.Circle(new Point(-x + rim * 3, 0), making.Within(25, 0.05)))
            .Fine(
                PathShape
                    .Circle(new Point(-x + rim / 2, y * 0.25), rim * 0.3)
                    .Then(PathShape.Circle(new Point(-x + rim / 2, -y * 0.25), rim * 0.3))
            )
            .Stands(PrismRole.Ceramic, -x, -y, x, y, 0, making.H * 0.35)
            .Stands(PrismRole.Ceramic, -x, -y, x, -y + rim, making.H * 0.35, making.H)
            .Stands(PrismRole.Ceramic, -x, y - rim, x, y, making.H * 0.35, making.H)
            .Stands(PrismRole.Ceramic, -x, -y + rim, -x + rim, y - rim, making.H * 0.35, making.H)
            .Stands(PrismRole.Ceramic, x - rim, -y + rim, x, y - rim, making.H * 0.35, making.H)
            .Form();
    }

    /// <summary>A shower: its tray falls to the drain; a glass screen stands at its left and right.</summary>
    public static Form Shower(MakerInput input)
    {
        var making = new Making(input).Whole();
        var (x, y) = (making.X, making.Y);
        var glass = making.Within(12, 0.02);
        return making
            .NeedsInFront("To step out", 700)
            .Block(SymbolRole.Body, PrismRole.Ceramic, -x, -y, x, y, 0, Math.Min(60, making.H * 0.1))
            .Line(new Point(-x, -y), new Point(x, y))
            .Line(new Point(-x, y), new Point(x, -y))
            .Draw(SymbolRole.Seat, PathShape.Circle(default, making.Within(55, 0.08)))
            .Block(SymbolRole.Solid, PrismRole.Glass, -x, -y, -x + glass, y, Math.Min(60, making.H * 0.1), making.H)
            .Block(SymbolRole.Solid, PrismRole.Glass, x - glass, -y, x, y, Math.Min(60, making.H * 0.1), making.H)
            .Front()
            .Form();
    }

    /// <summary>A urinal on the wall.</summary>
    public static Form Urinal(MakerInput input)
    {
        var making = new Making(input).Whole();
        var (x, y) = (making.X, making.Y);
        return making
            .NeedsInFront("To use it", 600)
            .Block(SymbolRole.Body, PrismRole.Ceramic, -x, -y, x, y, 0, making.H, making.Within(90, 0.24))
            .Draw(SymbolRole.Detail, PathShape.Oval(new Point(0, -y * 0.1), x * 0.6, y * 0.6))
            .Draw(SymbolRole.Back, PathShape.Box(-x, y * 0.85, x, y))
            .Form();
    }
}
