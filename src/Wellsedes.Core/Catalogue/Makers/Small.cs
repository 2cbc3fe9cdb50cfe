using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Catalogue.Makers;

/// <summary>Things that stand on others or hang on walls.</summary>
internal static class Small
{
    /// <summary>A screen on a foot, looked at from the front.</summary>
    public static Form Monitor(MakerInput input)
    {
        var making = new Making(input).Whole();
        var (x, y) = (making.X, making.Y);
        var thick = Math.Min(40, 2 * y * 0.3);
        return making
            .Block(SymbolRole.Body, PrismRole.Leg, -x * 0.4, -y, x * 0.4, y, 0, Math.Min(15, making.H * 0.05), making.Within(20, 0.1))
            .Block(SymbolRole.Solid, PrismRole.Display, -x, -thick / 2, x, thick / 2, making.H * 0.2, making.H)
            .Stands(PrismRole.Leg, -20, -10, 20, 10, 0, making.H * 0.2)
            .Line(new Point(-x * 0.9, Math.Max(-y, -thick / 2 - 12)), new Point(x * 0.9, Math.Max(-y, -thick / 2 - 12)))
            .Form();
    }

    /// <summary>An open laptop: keys before, screen behind.</summary>
    public static Form Laptop(MakerInput input)
    {
        var making = new Making(input).Whole();
        var (x, y) = (making.X, making.Y);
        var keys = PathShape.Box(-x * 0.85, -y * 0.2, x * 0.85, y * 0.7);
        return making
            .Block(SymbolRole.Body, PrismRole.Body, -x, -y, x, y, 0, Math.Min(20, making.H), making.Within(15, 0.05))
            .Draw(SymbolRole.Detail, keys)
            .Fine(PathShape.Box(-x * 0.25, -y * 0.8, x * 0.25, -y * 0.4))
            .Block(SymbolRole.Back, PrismRole.Display, -x, y - Math.Min(15, y * 0.1), x, y, Math.Min(20, making.H), making.H)
            .Form();
    }

    /// <summary>A lamp: its shade round, the bulb in its middle.</summary>
    public static Form Lamp(MakerInput input)
    {
        var making = new Making(input);
        var r = making.X;
        return making
            .Solid(Convex.Disc(default, r))
            .Stands(PrismRole.Leg, Convex.Disc(default, r * 0.55), 0, Math.Min(20, making.H * 0.05))
            .Stands(PrismRole.Metal, Convex.Disc(default, Math.Max(8, r * 0.06)), Math.Min(20, making.H * 0.05), making.H * 0.6)
            .Disc(SymbolRole.Body, PrismRole.Glass, default, r, making.H * 0.6, making.H, 0.7)
            .Draw(SymbolRole.Detail, PathShape.Circle(default, r * 0.65))
            .Line(new Point(-r * 0.46, -r * 0.46), new Point(r * 0.46, r * 0.46))
            .Line(new Point(-r * 0.46, r * 0.46), new Point(r * 0.46, -r * 0.46))
            .Form();
    }

    /// <summary>A desk telephone: its handset at the left.</summary>
    public static Form Telephone(MakerInput input)
    {
        var making = new Making(input).Whole();
        var (x, y) = (making.X, making.Y);
        return making
            .Block(SymbolRole.Body, PrismRole.Body, -x, -y, x, y, 0, making.H * 0.6, making.Within(20, 0.1))
            .Block(
                SymbolRole.Solid,
                PrismRole.Body,
                -x * 0.85,
                -y * 0.85,
                -x * 0.4,
                y * 0.85,
                making.H * 0.6,
                making.H,
                making.Within(20, 0.1)
            )
            .Draw(SymbolRole.Detail, PathShape.Box(-x * 0.2, -y * 0.7, x * 0.8, y * 0.1))
            .Draw(SymbolRole.Detail, PathShape.Box(-x * 0.2, y * 0.25, x * 0.8, y * 0.75))
            .Form();
    }

    /// <summary>Trays of paper one above the other, open to the front.</summary>
    public static Form Tray(MakerInput input)
    {
        var making = new Making(input).Whole();
        var (x, y) = (making.X, making.Y);
        var trays = Math.Max(1, input.Parts);
        for (var i = 0; i < trays; i++)
            making.Stands(PrismRole.Body, -x, -y, x, y, making.H * i / trays, making.H * (i + 0.25) / trays);
        return making
            .Draw(SymbolRole.Body, PathShape.Box(-x, -y, x, y))
            .Stands(PrismRole.Back, -x, y - 5, x, y, 0, making.H)
            .Draw(SymbolRole.Detail, PathShape.Box(-x * 0.85, -y * 0.9, x * 0.85, y * 0.85))
            .Draw(SymbolRole.Back, PathShape.Box(-x, y - making.Within(10, 0.05), x, y))
            .Line(new Point(-x * 0.6, 0), new Point(x * 0.6, 0))
            .Form();
    }

    /// <summary>A setting for one: plate, knife and fork.</summary>
    public static Form PlaceSetting(MakerInput input)
    {
        var making = new Making(input).Whole();
        var (x, y) = (making.X, making.Y);
        var r = Math.Min(x * 0.6, y * 0.8);
        return making
            .Draw(SymbolRole.Use, PathShape.Box(-x, -y, x, y))
            .Stands(PrismRole.Bedding, -x, -y, x, y, 0, Math.Min(3, making.H * 0.1))
            .Disc(SymbolRole.Body, PrismRole.Ceramic, default, r, Math.Min(3, making.H * 0.1), making.H * 0.3)
            .Draw(SymbolRole.Detail, PathShape.Circle(default, r * 0.66))
            .Line(new Point(-x * 0.85, -y * 0.7), new Point(-x * 0.85, y * 0.7))
            .Line(new Point(x * 0.85, -y * 0.7), new Point(x * 0.85, y * 0.7))
            .Stands(PrismRole.Glass, Convex.Disc(new Point(x * 0.7, y * 0.7), Math.Min(x, y) * 0.2), Math.Min(3, making.H * 0.1), making.H)
            .Form();
    }

    /// <summary>A board on a wall: written on, pinned to, or a chart; whoever uses it stands before it.</summary>
    public static Form Board(MakerInput input)
    {
        var making = new Making(input).Filled(PrismRole.Body);
        var (x, y) = (making.X, making.Y);
        return making
            .NeedsInFront("To use it", 900)
            .Draw(SymbolRole.Solid, PathShape.Box(-x, y - Math.Max(5, y * 0.5), x, y))
            .Line(new Point(-x * 0.6, -y), new Point(x * 0.6, -y))
            .Form();
    }

    /// <summary>A mirror on a wall: its slanting strokes show the glass.</summary>
    public static Form Mirror(MakerInput input)
    {
        var making = new Making(input).Filled(PrismRole.Glass);
        var (x, y) = (making.X, making.Y);
        for (var at = -x; at < x - 2 * y; at += Math.Max(80, 2 * y))
            making.Line(new Point(at, -y), new Point(at + 2 * y, y));
        return making.Form();
    }

    /// <summary>A flat display on a wall or stand: its dark face to the front.</summary>
    public static Form Display(MakerInput input)
    {
        var making = new Making(input).Filled(PrismRole.Display);
        var (x, y) = (making.X, making.Y);
        return making
            .Draw(SymbolRole.Back, PathShape.Box(-x, -y, x, -y + Math.Max(6, y * 0.5)))
            .Line(new Point(-x * 0.5, 0), new Point(x * 0.5, 0))
            .Line(new Point(0, -y), new Point(0, y))
            .Form();
    }

    /// <summary>A sign on a wall.</summary>
    public static Form Sign(MakerInput input)
    {
        var making = new Making(input).Whole();
        var (x, y) = (making.X, making.Y);
        return making
            .Block(SymbolRole.Solid, PrismRole.Body, -x, -y, x, y, 0, making.H)
            .Draw(SymbolRole.Use, PathShape.Arrow(new Point(0, -y), new Point(0, -y - 300)))
            .Form();
    }

    /// <summary>A cupboard or shelf on a wall: dashed, for it hangs above the plan's cut.</summary>
    public static Form WallCupboard(MakerInput input)
    {
        var making = new Making(input).Whole();
        var (x, y) = (making.X, making.Y);
        var doors =
            input.Parts > 0 ? input.Parts
            : input.Size.Width > 650 ? 2
            : 1;
        making
            .Draw(SymbolRole.Use, PathShape.Box(-x, -y, x, y))
            .Draw(SymbolRole.Use, PathShape.Line(new Point(-x, y), new Point(x, -y)))
            .Stands(PrismRole.Body, -x, -y + 18, x, y, 0, making.H);
        for (var i = 0; i < doors; i++)
            making.Stands(PrismRole.Front, -x + 2 * x * i / doors, -y, -x + 2 * x * (i + 1) / doors, -y + 18, 0, making.H);
        return making.Front().Form();
    }

    /// <summary>A shelf on a wall.</summary>
    public static Form WallShelf(MakerInput input)
    {
        var making = new Making(input).Whole();
        var (x, y) = (making.X, making.Y);
        return making
            .Draw(SymbolRole.Use, PathShape.Box(-x, -y, x, y))
            .Draw(SymbolRole.Use, PathShape.Line(new Point(-x, 0), new Point(x, 0)))
            .Draw(SymbolRole.Solid, PathShape.Box(-x, y - 15, x, y))
            .Stands(PrismRole.Top, -x, -y, x, y, Math.Max(0, making.H - 25), making.H)
            .Stands(PrismRole.Leg, -x * 0.7, -y * 0.5, -x * 0.65, y, 0, Math.Max(0, making.H - 25))
            .Stands(PrismRole.Leg, x * 0.65, -y * 0.5, x * 0.7, y, 0, Math.Max(0, making.H - 25))
            .Form();
    }

    /// <summary>A rail with hooks on a wall.</summary>
    public static Form Hooks(MakerInput input)
    {
        var making = new Making(input).Whole();
        var (x, y) = (making.X, making.Y);
        making.Block(SymbolRole.Body, PrismRole.Body, -x, y * 0.4, x, y, 0, making.H).NeedsInFront("Reach", 600);
        for (var at = -x + 60; at < x - 30; at += 120)
            making
                .Draw(SymbolRole.Solid, PathShape.Box(at - 8, -y, at + 8, y * 0.4))
                .Stands(PrismRole.Metal, at - 8, -y, at + 8, y * 0.4, making.H * 0.3, making.H * 0.6);
        return making.Form();
    }

    /// <summary>A table hinged on a wall: its support, and where it folds.</summary>
    public static Form FoldingTable(MakerInput input)
    {
        var making = new Making(input).Whole();
        var (x, y) = (making.X, making.Y);
        return making
            .Block(SymbolRole.Body, PrismRole.Top, -x, -y, x, y, making.H - 25, making.H)
            .Stands(PrismRole.Leg, -20, -y * 0.5, 20, y, 0, making.H - 25)
            .Draw(SymbolRole.Solid, PathShape.Box(-x, y - making.Within(40, 0.1), x, y))
            .Draw(SymbolRole.Use, PathShape.Line(new Point(0, -y * 0.8), new Point(0, y * 0.8)))
            .Front()
            .Form();
    }
}
