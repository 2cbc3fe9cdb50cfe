using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Catalogue.Makers;

internal static class Storage
{
    private const double Board = 18;

    /// <summary>Hinged doors: their leaves are drawn open and sweep the floor in front.</summary>
    public static Form Cupboard(MakerInput input)
    {
        var making = Cabinet(input);
        var (x, y) = (making.X, making.Y);
        var leaves = input.Size.Width > 650 ? 2 : 1;
        var leaf = input.Size.Width / leaves;
        making.NeedsInFront("Door swing", leaf);
        var swing = Marks.Swings(leaves, leaf, -x, x, -y);
        for (var i = 0; i < leaves; i++)
            making.Stands(PrismRole.Front, -x + leaf * i, -y, -x + leaf * (i + 1), -y + Board, 0, making.H);
        return making
            .Draw(
                SymbolRole.Detail,
                PathShape.Line(new Point(-x, -y + 25), new Point(x, -y + 25)).Then(PathShape.Line(new Point(0, -y), new Point(0, -y + 25)))
            )
            .Draw(SymbolRole.Use, swing)
            .Front()
            .Form();
    }

    /// <summary>Doors that slide before each other, or a shutter: nothing sweeps the floor.</summary>
    public static Form Sliding(MakerInput input)
    {
        var making = Cabinet(input);
        var (x, y) = (making.X, making.Y);
        return making
            .NeedsInFront("Reach", 700)
            .Stands(PrismRole.Front, -x, -y, x * 0.05, -y + Board, 0, making.H)
            .Stands(PrismRole.Front, -x * 0.05, -y + Board, x, -y + 2 * Board, 0, making.H)
            .Draw(SymbolRole.Solid, PathShape.Box(-x, -y, x * 0.05, -y + 14).Then(PathShape.Box(-x * 0.05, -y + 22, x, -y + 36)))
            .Front()
            .Form();
    }

    /// <summary>Drawers: fronts drawn on the body, the pull shown before it.</summary>
    public static Form Drawers(MakerInput input)
    {
        var making = Cabinet(input);
        var (x, y) = (making.X, making.Y);
        var pull = input.Size.Depth * 0.8;
        var drawers = Math.Max(1, input.Parts);
        for (var i = 0; i < drawers; i++)
            making.Stands(PrismRole.Front, -x, -y, x, -y + Board, making.H * i / drawers + 2, making.H * (i + 1) / drawers - 2);
        return making
            .NeedsInFront("Drawer pull", pull)
            .Draw(SymbolRole.Detail, PathShape.Line(new Point(-x, -y + 30), new Point(x, -y + 30)))
            .Draw(SymbolRole.Solid, PathShape.Box(-x * 0.4, -y + 30, x * 0.4, -y + 50))
            .Draw(
                SymbolRole.Use,
                PathShape.Line(new Point(-x + 15, -y), new Point(-x + 15, -y - pull), new Point(x - 15, -y - pull), new Point(x - 15, -y))
            )
            .Front()
            .Form();
    }

    /// <summary>Open shelves: uprights between bays, a back panel, the crossing that tells a tall unit.</summary>
    public static Form Shelves(MakerInput input)
    {
        var making = new Making(input)
            .Whole()
            .Draw(SymbolRole.Body, PathShape.Box(-input.Size.Width / 2, -input.Size.Depth / 2, input.Size.Width / 2, input.Size.Depth / 2));
        var (x, y) = (making.X, making.Y);
        var at = -x;
        foreach (var bay in input.Parameters.List(0).SkipLast(1))
        {
            at += bay;
            making.Block(SymbolRole.Solid, PrismRole.Body, at - Board / 2, -y, at + Board / 2, y, 0, making.H);
        }
        Open(making, y - Board);
        return making
            .NeedsInFront("Reach", 600)
            .Draw(SymbolRole.Solid, PathShape.Box(-x, y - Board, x, y))
            .Draw(
                SymbolRole.Detail,
                PathShape.Line(new Point(-x, -y), new Point(x, y)).Then(PathShape.Line(new Point(-x, y), new Point(x, -y)))
            )
            .Front()
            .Form();
    }

    /// <summary>Shelves used from both sides, a board between them.</summary>
    public static Form DoubleShelves(MakerInput input)
    {
        var making = new Making(input).Whole();
        var (x, y) = (making.X, making.Y);
        making.Draw(SymbolRole.Body, PathShape.Box(-x, -y, x, y));
        Open(making, Board / 2, -Board / 2);
        return making
            .NeedsInFront("Reach", 600)
            .Needs("Reach", -x, y, x, y + 600)
            .Draw(SymbolRole.Solid, PathShape.Box(-x, -Board / 2, x, Board / 2))
            .Line(new Point(-x, -y), new Point(x, y))
            .Line(new Point(-x, y), new Point(x, -y))
            .Form();
    }

    /// <summary>Sides, shelves and a back panel: what stands of open shelving.</summary>
    private static void Open(Making making, double backFrom, double? backTo = null)
    {
        var (x, y, h) = (making.X, making.Y, making.H);
        making
            .Stands(PrismRole.Body, -x, -y, -x + Board, y, 0, h)
            .Stands(PrismRole.Body, x - Board, -y, x, y, 0, h)
            .Stands(PrismRole.Back, -x + Board, Math.Min(backFrom, backTo ?? y), x - Board, Math.Max(backFrom, backTo ?? y), 0, h);
        var shelves = Math.Max(1, (int)Math.Round(h / 350));
        for (var i = 0; i <= shelves; i++)
        {
            var z = (h - Board) * i / shelves;
            making.Stands(PrismRole.Top, -x + Board, -y, x - Board, y, z, z + Board);
        }
    }

    /// <summary>Bays fill the width of their shelves.</summary>
    public static (string, string)? WrongBays(ItemSize size, MakerParameters parameters)
    {
        var bays = parameters.List(0);
        return bays.IsEmpty || Math.Abs(bays.Sum() - size.Width) <= Tolerance.Length
            ? null
            : ("bays", $"The bays add up to {bays.Sum():0.##} mm; the whole is {size.Width:0.##} wide.");
    }

    /// <summary>A row of narrow doors, each with its own swing mark.</summary>
    public static Form Lockers(MakerInput input)
    {
        var making = Cabinet(input);
        var (x, y) = (making.X, making.Y);
        var doors = Math.Max(1, input.Parts);
        var wide = input.Size.Width / doors;
        for (var i = 0; i < doors; i++)
        {
            var left = -x + wide * i;
            making
                .Stands(PrismRole.Front, left + 2, -y, left + wide - 2, -y + Board, 0, making.H)
                .Draw(SymbolRole.Detail, PathShape.Box(left, -y, left + wide, y))
                .Draw(SymbolRole.Solid, PathShape.Circle(new Point(left + wide * 0.8, -y + Math.Min(40, y * 0.3)), 14))
                .Fine(PathShape.Line(new Point(left, y), new Point(left + wide, -y)));
        }
        return making.NeedsInFront("Door swing", Math.Max(600, wide)).Front().Form();
    }

    /// <summary>A wardrobe by bays: the rail with hangers shows how deep it is; each bay has one leaf up to 650 mm, two above.</summary>
    public static Form Wardrobe(MakerInput input)
    {
        var making = Cabinet(input);
        var (x, y) = (making.X, making.Y);
        IReadOnlyList<double> bays = input.Parameters.List(0) is { IsEmpty: false } given ? given : EvenBays(input.Size.Width);
        var left = -x;
        double widest = 0;
        PathShape? hangers = null;
        foreach (var bay in bays)
        {
            var leaves = bay > 650 ? 2 : 1;
            var leaf = bay / leaves;
            widest = Math.Max(widest, leaf);
            for (var i = 0; i < leaves; i++)
            {
                var (hinge, sweep) = i == 0 ? (left, 90) : (left + bay, -90);
                making
                    .Stands(PrismRole.Front, left + leaf * i + 2, -y, left + leaf * (i + 1) - 2, -y + Board, 0, making.H)
                    .Draw(SymbolRole.Use, Marks.Swing(new Point(hinge, -y), leaf, sweep));
            }
            for (var at = left + 80; at < left + bay - 60; at += 110)
            {
                var hanger = PathShape.Line(new Point(at, -y * 0.7), new Point(at + 25, y * 0.75));
                hangers = hangers?.Then(hanger) ?? hanger;
            }
            left += bay;
            if (left < x - 1)
                making.Draw(SymbolRole.Solid, PathShape.Box(left - Board / 2, -y, left + Board / 2, y));
        }
        making.Line(new Point(-x, 0), new Point(x, 0));
        if (hangers is not null)
            making.Fine(hangers);
        return making.NeedsInFront("Door swing", Math.Max(widest, 600)).Front().Form();
    }

    /// <summary>A width in as few equal bays as are no wider than 1200 mm, common practice.</summary>
    public static double[] EvenBays(double width)
    {
        var bays = Math.Max(1, (int)Math.Ceiling(width / 1200 - 1e-9));
        return [.. Enumerable.Repeat(width / bays, bays)];
    }

    /// <summary>A rail on a stand with coats on it.</summary>
    public static Form CoatRack(MakerInput input)
    {
        var making = new Making(input).Whole();
        var (x, y) = (making.X, making.Y);
        var feet = Math.Min(60, x * 0.1);
        making
            .Block(SymbolRole.Body, PrismRole.Leg, -x, -y, -x + feet, y, 0, 60)
            .Block(SymbolRole.Body, PrismRole.Leg, x - feet, -y, x, y, 0, 60)
            .Stands(PrismRole.Leg, -x + feet / 4, -20, -x + feet * 0.75, 20, 60, making.H)
            .Stands(PrismRole.Leg, x - feet * 0.75, -20, x - feet / 4, 20, 60, making.H)
            .Block(SymbolRole.Solid, PrismRole.Metal, -x, -12, x, 12, making.H - 30, making.H);
        for (var at = -x + 150; at < x - 100; at += 130)
            making.Draw(SymbolRole.Detail, PathShape.Line(new Point(at - 20, -y * 0.85), new Point(at + 20, y * 0.85)));
        return making.NeedsInFront("Reach", 600).Form();
    }

    /// <summary>A pallet: boards across three runners; flat enough to show what it is.</summary>
    public static Form Pallet(MakerInput input)
    {
        var making = new Making(input).Whole();
        var (x, y) = (making.X, making.Y);
        making.Draw(SymbolRole.Body, PathShape.Box(-x, -y, x, y));
        for (var i = 0; i < 5; i++)
        {
            var at = -y + (2 * y - 100) * i / 4;
            making.Stands(PrismRole.Top, -x, at, x, at + 100, making.H - 22, making.H).Line(new Point(-x, at), new Point(x, at));
            making.Fine(PathShape.Line(new Point(-x, at + 100), new Point(x, at + 100)));
        }
        foreach (var at in (double[])[-x, -60, x - 120])
            making.Stands(PrismRole.Leg, at, -y, at + 120, y, 0, making.H - 22);
        return making.Form(stoodOn: true);
    }

    private static Making Cabinet(MakerInput input)
    {
        var making = new Making(input).Whole();
        return making
            .Draw(SymbolRole.Body, PathShape.Box(-making.X, -making.Y, making.X, making.Y))
            .Stands(PrismRole.Body, -making.X, -making.Y + Board, making.X, making.Y, 0, making.H);
    }
}
