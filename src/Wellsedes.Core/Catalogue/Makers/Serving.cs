using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Catalogue.Makers;

internal static class Serving
{
    /// <summary>A bar: guests at the front rail, the bartender behind with sink and shelf.</summary>
    public static Form Bar(MakerInput input)
    {
        var making = new Making(input).Whole();
        var (x, y) = (making.X, making.Y);
        var sink = Math.Min(x * 0.18, 250);
        return making
            .NeedsInFront("Guests", 900)
            .Needs("Bartender", -x, y, x, y + 900)
            .Draw(SymbolRole.Body, PathShape.Box(-x, -y, x, y))
            .Stands(PrismRole.Top, -x, -y, x, y * 0.1, making.H - 40, making.H)
            .Stands(PrismRole.Front, -x + 20, -y + making.Within(150), x - 20, -y + making.Within(150) + 20, 0, making.H - 40)
            .Stands(PrismRole.Top, -x, y * 0.1, x, y, Math.Max(0, making.H - 230), making.H - 190)
            .Stands(PrismRole.Body, -x + 20, -y + making.Within(150) + 20, x - 20, y, 0, Math.Max(0, making.H - 230))
            .Draw(SymbolRole.Solid, PathShape.Box(-x, -y, x, -y + making.Within(45, 0.1)))
            .Draw(SymbolRole.Detail, PathShape.Line(new Point(-x, y * 0.1), new Point(x, y * 0.1)))
            .Draw(SymbolRole.Detail, PathShape.Rounded(x * 0.62 - sink, y * 0.25, x * 0.62 + sink, y * 0.85, making.Within(40, 0.05)))
            .Draw(SymbolRole.Detail, PathShape.Circle(new Point(-x * 0.5, y * 0.55), Math.Min(y * 0.25, x * 0.3)))
            .Front()
            .Form();
    }

    /// <summary>A serving table: dishes in a row, guests along the front.</summary>
    public static Form Buffet(MakerInput input)
    {
        var making = new Making(input).Whole();
        var (x, y) = (making.X, making.Y);
        var dishes = Math.Max(1, (int)(input.Size.Width / 600));
        making
            .NeedsInFront("Guests", 900)
            .Block(SymbolRole.Body, PrismRole.Top, -x, -y, x, y, making.H - 30, making.H)
            .Legs(60, 50, making.H - 30);
        for (var i = 0; i < dishes; i++)
        {
            var centre = -x + input.Size.Width * (i + 0.5) / dishes;
            var half = Math.Min(220, input.Size.Width / dishes * 0.4);
            making.Draw(SymbolRole.Detail, PathShape.Rounded(centre - half, -y * 0.55, centre + half, y * 0.55, making.Within(50, 0.08)));
        }
        return making.Line(new Point(-x, -y * 0.8), new Point(x, -y * 0.8)).Front().Form();
    }

    /// <summary>A table with a player's or speaker's equipment on it; whoever works it stands behind.</summary>
    public static Form Console(MakerInput input)
    {
        var making = new Making(input).Whole();
        var (x, y) = (making.X, making.Y);
        making
            .Needs("Player", -x, y, x, y + 900)
            .Block(SymbolRole.Body, PrismRole.Top, -x, -y, x, y, making.H - 60, making.H)
            .Stands(PrismRole.Front, -x, -y, x, -y + 20, 0, making.H - 60)
            .Stands(PrismRole.Leg, -x, -y + 20, -x + 30, y, 0, making.H - 60)
            .Stands(PrismRole.Leg, x - 30, -y + 20, x, y, 0, making.H - 60)
            .Draw(SymbolRole.Detail, PathShape.Box(-x * 0.2, -y * 0.4, x * 0.2, y * 0.6));
        foreach (var at in (double[])[-x * 0.6, x * 0.6])
            making
                .Draw(SymbolRole.Detail, PathShape.Circle(new Point(at, y * 0.1), Math.Min(y * 0.5, x * 0.3)))
                .Draw(SymbolRole.Solid, PathShape.Circle(new Point(at, y * 0.1), making.Within(25, 0.03)));
        return making.Front().Form();
    }
}
