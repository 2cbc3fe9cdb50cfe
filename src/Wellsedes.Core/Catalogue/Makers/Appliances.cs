using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Catalogue.Makers;

/// <summary>Machines of kitchens and laundries that stand by themselves.</summary>
internal static class Appliances
{
    /// <summary>A refrigerator: its door, open, sweeps the floor before it; wide ones have two.</summary>
    public static Form Fridge(MakerInput input)
    {
        var making = new Making(input).Filled(PrismRole.Metal);
        var (x, y) = (making.X, making.Y);
        var leaves = input.Size.Width > 750 ? 2 : 1;
        var leaf = input.Size.Width / leaves;
        var swing = Marks.Swings(leaves, leaf, -x, x, -y);
        return making
            .NeedsInFront("Door swing", Math.Max(leaf, 600))
            .Draw(SymbolRole.Use, swing)
            .Line(new Point(-x, -y + making.Within(60, 0.12)), new Point(x, -y + making.Within(60, 0.12)))
            .Line(new Point(-x, y), new Point(x, -y + making.Within(60, 0.12)))
            .Front()
            .Form();
    }

    /// <summary>A washing machine or dryer: its drum behind a round door.</summary>
    public static Form Washer(MakerInput input)
    {
        var making = new Making(input).Filled(PrismRole.Metal);
        var r = Math.Min(making.X, making.Y);
        return making
            .NeedsInFront("To load", 700)
            .Draw(SymbolRole.Detail, PathShape.Circle(default, r * 0.62))
            .Draw(SymbolRole.Detail, PathShape.Circle(default, r * 0.44))
            .Line(new Point(-making.X, -making.Y + r * 0.14), new Point(making.X, -making.Y + r * 0.14))
            .Front()
            .Form();
    }

    /// <summary>A dishwasher: its racks, and the flap that falls open.</summary>
    public static Form Dishwasher(MakerInput input)
    {
        var making = new Making(input).Filled(PrismRole.Metal);
        var (x, y) = (making.X, making.Y);
        return making
            .NeedsInFront("Flap", 700)
            .Draw(SymbolRole.Detail, PathShape.Rounded(-x * 0.8, -y * 0.7, x * 0.8, y * 0.8, making.Within(50, 0.1)))
            .Line(new Point(-x * 0.8, 0), new Point(x * 0.8, 0))
            .Line(new Point(0, -y * 0.7), new Point(0, y * 0.8))
            .Draw(
                SymbolRole.Use,
                PathShape.Line(new Point(-x, -y), new Point(-x, -y - making.H * 0.8), new Point(x, -y - making.H * 0.8), new Point(x, -y))
            )
            .Front()
            .Form();
    }

    /// <summary>A hob set into a worktop.</summary>
    public static Form Hob(MakerInput input)
    {
        var making = new Making(input).Filled(PrismRole.Display);
        return Kitchens.Rings(making, 0, making.Y * 0.08, making.X * 0.9, making.Y * 0.8).Front().Form();
    }

    /// <summary>A cooker: rings above, an oven whose door falls open below.</summary>
    public static Form Range(MakerInput input)
    {
        var making = new Making(input).Filled(PrismRole.Metal);
        var (x, y) = (making.X, making.Y);
        return Kitchens
            .Rings(making.NeedsInFront("Oven door", 900), 0, y * 0.12, x * 0.9, y * 0.75)
            .Draw(SymbolRole.Solid, PathShape.Box(-x * 0.7, -y + making.Within(20, 0.04), x * 0.7, -y + making.Within(45, 0.08)))
            .Front()
            .Form();
    }

    /// <summary>An oven or microwave: its window at the front.</summary>
    public static Form Oven(MakerInput input)
    {
        var making = new Making(input).Filled(PrismRole.Metal);
        var (x, y) = (making.X, making.Y);
        return making
            .NeedsInFront("Oven door", 900)
            .Draw(SymbolRole.Detail, PathShape.Box(-x * 0.85, -y * 0.8, x * 0.5, y * 0.85))
            .Draw(SymbolRole.Solid, PathShape.Box(-x * 0.85, -y, x * 0.5, -y + making.Within(22, 0.06)))
            .Draw(SymbolRole.Detail, PathShape.Circle(new Point(x * 0.75, -y * 0.6), making.Within(30, 0.08)))
            .Front()
            .Form();
    }

    /// <summary>A hood above a hob: dashed, for it hangs above the plan's cut.</summary>
    public static Form Hood(MakerInput input)
    {
        var making = new Making(input).Whole();
        var (x, y) = (making.X, making.Y);
        return making
            .Draw(SymbolRole.Use, PathShape.Box(-x, -y, x, y))
            .Draw(SymbolRole.Use, PathShape.Box(-x * 0.4, y * 0.3, x * 0.4, y))
            .Draw(
                SymbolRole.Use,
                PathShape
                    .Line(new Point(-x, -y), new Point(-x * 0.4, y * 0.3))
                    .Then(PathShape.Line(new Point(x, -y), new Point(x * 0.4, y * 0.3)))
            )
            .Stands(PrismRole.Metal, -x, -y, x, y, 0, making.H * 0.25)
            .Stands(PrismRole.Metal, -x * 0.4, y * 0.3, x * 0.4, y, making.H * 0.25, making.H)
            .Form();
    }
}
