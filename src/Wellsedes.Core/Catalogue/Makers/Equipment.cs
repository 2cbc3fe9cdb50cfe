using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Catalogue.Makers;

/// <summary>Machines, booths and games.</summary>
internal static class Equipment
{
    /// <summary>A machine that is worked from its front: a printer with its tray at the left.</summary>
    public static Form Printer(MakerInput input)
    {
        var making = new Making(input).Filled(PrismRole.Metal);
        var (x, y) = (making.X, making.Y);
        return making
            .NeedsInFront("To work at it", 900)
            .Draw(SymbolRole.Detail, PathShape.Box(-x * 0.7, -y * 0.3, x * 0.7, y * 0.8))
            .Line(new Point(-x * 0.7, y * 0.25), new Point(x * 0.7, y * 0.25))
            .Draw(SymbolRole.Solid, PathShape.Box(x * 0.3, -y * 0.85, x * 0.75, -y * 0.6))
            .Front()
            .Form();
    }

    /// <summary>A rack of network equipment: doors in front and behind.</summary>
    public static Form Rack(MakerInput input)
    {
        var making = new Making(input).Filled(PrismRole.Metal);
        var (x, y) = (making.X, making.Y);
        making.NeedsInFront("To work at it", 1200).Needs("To work behind it", -x, y, x, y + 600);
        for (var i = 0; i < 4; i++)
            making.Line(new Point(-x * 0.8, -y * 0.7 + i * y * 0.45), new Point(x * 0.8, -y * 0.7 + i * y * 0.45));
        return making
            .Draw(SymbolRole.Solid, PathShape.Box(-x, -y, x, -y + making.Within(30, 0.06)))
            .Draw(SymbolRole.Solid, PathShape.Box(-x, y - making.Within(15, 0.03), x, y))
            .Form();
    }

    /// <summary>A vending machine: its glass at the front.</summary>
    public static Form Vending(MakerInput input)
    {
        var making = new Making(input).Filled(PrismRole.Metal);
        var (x, y) = (making.X, making.Y);
        making.NeedsInFront("Customers", 900);
        for (var i = 1; i < 5; i++)
            making.Fine(PathShape.Line(new Point(-x + x * 0.3 * i, -y * 0.75), new Point(-x + x * 0.3 * i, y * 0.7)));
        return making
            .Draw(SymbolRole.Detail, PathShape.Box(-x * 0.85, -y * 0.75, x * 0.45, y * 0.7))
            .Draw(SymbolRole.Solid, PathShape.Box(x * 0.6, -y * 0.9, x * 0.85, -y * 0.4))
            .Line(new Point(-x, -y * 0.85), new Point(x * 0.5, -y * 0.85))
            .Front()
            .Form();
    }

    /// <summary>A water cooler: its bottle from above.</summary>
    public static Form Cooler(MakerInput input)
    {
        var making = new Making(input).Whole();
        var (x, y) = (making.X, making.Y);
        return making
            .NeedsInFront("To fill a glass", 600)
            .Block(SymbolRole.Body, PrismRole.Body, -x, -y, x, y, 0, making.H * 0.7, making.Within(40, 0.1))
            .Disc(SymbolRole.Seat, PrismRole.Glass, new Point(0, y * 0.1), Math.Min(x, y) * 0.7, making.H * 0.7, making.H)
            .Draw(SymbolRole.Solid, PathShape.Circle(new Point(0, -y * 0.8), making.Within(18, 0.06)))
            .Form();
    }

    /// <summary>Bins: a body with as many lids as it has parts.</summary>
    public static Form Bin(MakerInput input)
    {
        var making = new Making(input).Filled(PrismRole.Body);
        var (x, y) = (making.X, making.Y);
        var lids = Math.Max(1, input.Parts);
        for (var i = 0; i < lids; i++)
        {
            var centre = new Point(-x + 2 * x * (i + 0.5) / lids, 0);
            making
                .Draw(SymbolRole.Detail, PathShape.Oval(centre, x / lids * 0.6, y * 0.45))
                .Fine(PathShape.Oval(centre, x / lids * 0.45, y * 0.3));
            if (i > 0)
                making.Line(new Point(-x + 2 * x * i / lids, -y), new Point(-x + 2 * x * i / lids, y));
        }
        return making.NeedsInFront("To reach it", 600).Form();
    }

    /// <summary>A booth for one to telephone in: glass at the front, the door open, a shelf and a seat inside.</summary>
    public static Form Booth(MakerInput input)
    {
        var making = new Making(input).Whole().SitsOnIt();
        var (x, y) = (making.X, making.Y);
        var wall = making.Within(80, 0.08);
        var door = Math.Min(2 * x - 2 * wall, 900);
        return Walls(making, wall)
            .NeedsInFront("Door", door)
            .Block(SymbolRole.Detail, PrismRole.Top, -x + wall, y * 0.35, x - wall, y - wall, 1000, 1030)
            .Disc(SymbolRole.Seat, PrismRole.Seat, new Point(0, -y * 0.1), Math.Min(x, y) * 0.34, 0, 600)
            .Draw(SymbolRole.Use, Marks.Swing(new Point(-door / 2, -y), door))
            .Form();
    }

    /// <summary>A closed pod with two benches and a table between them.</summary>
    public static Form Pod(MakerInput input)
    {
        var making = new Making(input).Whole();
        var (x, y) = (making.X, making.Y);
        var wall = making.Within(80, 0.08);
        var bench = (2 * x - 2 * wall) * 0.28;
        for (var i = 0; i < 4; i++)
            making.Sits(
                new SeatPlace(
                    new Point(i < 2 ? -x + wall + bench : x - wall - bench, i % 2 == 0 ? -y / 2 : y / 2),
                    new Point(i < 2 ? -1 : 1, 0),
                    y - wall,
                    bench,
                    false
                )
            );
        return Walls(making, wall)
            .NeedsInFront("Door", 900)
            .Block(SymbolRole.Seat, PrismRole.Seat, -x + wall, -y + wall, -x + wall + bench, y - wall, 0, 450)
            .Block(SymbolRole.Seat, PrismRole.Seat, x - wall - bench, -y + wall, x - wall, y - wall, 0, 450)
            .Block(SymbolRole.Body, PrismRole.Top, -x * 0.25, -y * 0.2, x * 0.25, y - wall, 700, 730)
            .Draw(SymbolRole.Use, Marks.Swing(new Point(-450, -y), 900))
            .Form();
    }

    private static Making Walls(Making making, double wall)
    {
        var (x, y) = (making.X, making.Y);
        return making
            .Draw(SymbolRole.Body, PathShape.Box(-x, -y, x, y))
            .Block(SymbolRole.Solid, PrismRole.Body, -x, y - wall, x, y, 0, making.H)
            .Block(SymbolRole.Solid, PrismRole.Body, -x, -y, -x + wall, y - wall, 0, making.H)
            .Block(SymbolRole.Solid, PrismRole.Body, x - wall, -y, x, y - wall, 0, making.H)
            .Block(SymbolRole.Detail, PrismRole.Glass, -x + wall, -y, x - wall, -y + wall * 0.5, 0, making.H);
    }

    /// <summary>A table for table tennis: its net across the middle.</summary>
    public static Form TableTennis(MakerInput input)
    {
        var making = new Making(input).Whole();
        var (x, y) = (making.X, making.Y);
        return making
            .Block(SymbolRole.Body, PrismRole.Top, -x, -y, x, y, making.H - 30, making.H)
            .Draw(SymbolRole.Solid, PathShape.Box(-10, -y, 10, y))
            .Line(new Point(-x, 0), new Point(x, 0))
            .Needs("To play", -x - 2500, -y - 1000, -x, y + 1000)
            .Needs("To play", x, -y - 1000, x + 2500, y + 1000)
            .Legs(200, 50, making.H - 30)
            .Form();
    }

    /// <summary>A table for billiards: cushions, six pockets, and the length of a cue round it.</summary>
    public static Form Billiards(MakerInput input)
    {
        var making = new Making(input).Whole();
        var (x, y) = (making.X, making.Y);
        making
            .Block(SymbolRole.Body, PrismRole.Top, -x, -y, x, y, making.H - 180, making.H)
            .Draw(SymbolRole.Detail, PathShape.Box(-x * 0.94, -y * 0.88, x * 0.94, y * 0.88))
            .Needs("Cue", -x, -y - Cue, x, -y)
            .Needs("Cue", -x, y, x, y + Cue)
            .Needs("Cue", -x - Cue, -y, -x, y)
            .Needs("Cue", x, -y, x + Cue, y)
            .Legs(300, 160, making.H - 180);
        foreach (var px in (double[])[-x * 0.94, 0, x * 0.94])
        foreach (var py in (double[])[-y * 0.88, y * 0.88])
            making.Draw(SymbolRole.Solid, PathShape.Circle(new Point(px, py), Math.Min(60, Math.Min(x * 0.06, y * 0.12))));
        return making.Form();
    }

    /// <summary>The length of a cue in mm: 58 in, common practice.</summary>
    private const double Cue = 1473.2;
}
