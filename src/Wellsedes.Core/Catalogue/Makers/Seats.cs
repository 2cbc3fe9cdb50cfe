using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Catalogue.Makers;

internal static class Seats
{
    /// <summary>A chair on its own: the seat faces the front.</summary>
    public static Form Chair(MakerInput input) =>
        Single(input).Draw(Marks.Chair(input.Size.Width, input.Size.Depth)).ChairSolids().Front().Form();

    /// <summary>A folding chair: slatted seat and a straight back.</summary>
    public static Form Folding(MakerInput input)
    {
        var making = Single(input);
        var (x, y) = (making.X, making.Y);
        var slats = PathShape.Line(new Point(-x * 0.8, -y * 0.5), new Point(x * 0.8, -y * 0.5));
        for (var at = -0.15; at < 0.7; at += 0.35)
            slats = slats.Then(PathShape.Line(new Point(-x * 0.8, y * at), new Point(x * 0.8, y * at)));
        return making
            .Draw(SymbolRole.Seat, PathShape.Box(-x, -y, x, y))
            .Fine(slats)
            .Draw(SymbolRole.Back, PathShape.Box(-x, y - 35, x, y))
            .ChairSolids(20)
            .Front()
            .Form();
    }

    /// <summary>A work chair: five castors under a seat with arms and a curved back.</summary>
    public static Form Task(MakerInput input)
    {
        var making = Single(input);
        return making.Draw(TaskSymbol(making.X, making.Y)).TaskSolids().Front().Form();
    }

    /// <summary>A chair with a writing tablet at its right arm.</summary>
    public static Form Tablet(MakerInput input)
    {
        var making = Single(input);
        var (x, y) = (making.X, making.Y);
        return making
            .Draw(SymbolRole.Seat, PathShape.Rounded(-x, -y * 0.45, x * 0.72, y, Math.Min(x, y) * 0.25))
            .Draw(SymbolRole.Back, PathShape.Rounded(-x, y * 0.84, x * 0.72, y, Math.Min(x, y) * 0.07))
            .Stands(PrismRole.Leg, -x, -y * 0.45, -x + 30, y, 0, 410)
            .Stands(PrismRole.Leg, x * 0.72 - 30, -y * 0.45, x * 0.72, y, 0, 410)
            .Stands(PrismRole.Seat, -x, -y * 0.45, x * 0.72, y, 410, 450)
            .Stands(PrismRole.Back, -x, y * 0.84, x * 0.72, y, 450, making.H)
            .Block(
                SymbolRole.Body,
                PrismRole.Top,
                -x * 0.2,
                -y,
                x,
                -y * 0.1,
                Math.Min(690, making.H - 30),
                Math.Min(715, making.H),
                Math.Min(x, y) * 0.15
            )
            .Front()
            .Form();
    }

    public static Form Stool(MakerInput input)
    {
        var making = new Making(input);
        var r = making.X;
        var seat = Math.Min(input.Size.Height, 760);
        return making
            .Solid(Convex.Disc(default, r))
            .SitsOnIt()
            .Disc(SymbolRole.Seat, PrismRole.Seat, default, r, seat - 50, input.Size.Height)
            .Draw(SymbolRole.Detail, PathShape.Circle(default, r * 0.7))
            .Stands(PrismRole.Leg, Convex.Disc(default, r * 0.12), 20, seat - 50)
            .Stands(PrismRole.Leg, Convex.Disc(default, r * 0.8), 0, 20)
            .Front()
            .Form();
    }

    /// <summary>A clear place for a wheelchair user: nothing stands on it, and it counts as one seat.</summary>
    public static Form WheelchairSpace(MakerInput input)
    {
        var making = Single(input);
        var (x, y) = (making.X, making.Y);
        return making.Draw(SymbolRole.Use, PathShape.Box(-x, -y, x, y)).Draw(Wheelchair(x, y)).Front().Form();
    }

    /// <summary>A row of fixed tip-up seats, as many as its width takes at its spacing, or as it is told.</summary>
    public static Form Row(MakerInput input)
    {
        var making = new Making(input).Whole();
        var (x, y) = (making.X, making.Y);
        var seats = InRow(input.Size, input.Parameters);
        var wide = input.Size.Width / seats;
        var (seat, arm) = (Marks.SeatHeight(making.H), Math.Min(50, wide * 0.1));
        for (var i = 0; i < seats; i++)
        {
            var left = -x + wide * i;
            making
                .SitsOnIt(left + wide / 2, wide)
                .Block(SymbolRole.Seat, PrismRole.Seat, left + arm / 2, -y, left + wide - arm / 2, y * 0.7, seat - 80, seat, wide * 0.12)
                .Block(SymbolRole.Back, PrismRole.Back, left + arm / 2, y * 0.7, left + wide - arm / 2, y, seat - 80, making.H);
        }
        for (var i = 0; i <= seats; i++)
        {
            var at = Math.Clamp(-x + wide * i, -x + arm / 2, x - arm / 2);
            making.Block(SymbolRole.Body, PrismRole.Leg, at - arm / 2, -y * 0.7, at + arm / 2, y * 0.7, 0, Math.Min(650, making.H));
        }
        return making.Front().Form();
    }

    /// <summary>How many seats a row has: as told, else as many as its width takes at 550 mm, common practice.</summary>
    public static int InRow(ItemSize size, MakerParameters parameters) =>
        parameters.Number(0) > 0 ? (int)parameters.Number(0) : Math.Max(1, (int)Math.Floor(size.Width / 550 + 1e-9));

    /// <summary>A bench without or with a back: one seat for each 600 mm, common practice; a low one has no back.</summary>
    public static Form Bench(MakerInput input)
    {
        var making = new Making(input).Whole();
        var (x, y) = (making.X, making.Y);
        var seats = OnBench(input.Size, input.Parameters);
        var seat = Marks.SeatHeight(making.H);
        if (making.H <= 520)
            seat = making.H;
        for (var i = 0; i < seats; i++)
            making.SitsOnIt(-x + input.Size.Width * (i + 0.5) / seats, input.Size.Width / seats);
        making.Block(SymbolRole.Seat, PrismRole.Seat, -x, -y, x, y, seat - 50, seat, making.Within(40, 0.1));
        for (var i = 1; i < seats; i++)
            making.Fine(PathShape.Line(new Point(-x + input.Size.Width * i / seats, -y), new Point(-x + input.Size.Width * i / seats, y)));
        if (making.H > seat)
            making.Block(SymbolRole.Back, PrismRole.Back, -x, y - Math.Min(70, y * 0.3), x, y, seat, making.H);
        return making.Legs(60, 60, seat - 50).Front().Form();
    }

    public static int OnBench(ItemSize size, MakerParameters parameters) =>
        parameters.Number(0) > 0 ? (int)parameters.Number(0) : Math.Max(1, (int)Math.Floor(size.Width / 600 + 1e-9));

    private static Making Single(MakerInput input) => new Making(input).Whole().SitsOnIt();

    /// <summary>A wheelchair seen from above, its user looking to the front.</summary>
    internal static SymbolPart[] Wheelchair(double x, double y)
    {
        var wheel = x * 0.16;
        return
        [
            new(SymbolRole.Seat, PathShape.Rounded(-x * 0.55, -y * 0.25, x * 0.55, y * 0.6, x * 0.15)),
            new(SymbolRole.Back, PathShape.Box(-x * 0.55, y * 0.6, x * 0.55, y * 0.7)),
            new(SymbolRole.Solid, PathShape.Box(-x * 0.75, -y * 0.1, -x * 0.75 + wheel, y * 0.8)),
            new(SymbolRole.Solid, PathShape.Box(x * 0.75 - wheel, -y * 0.1, x * 0.75, y * 0.8)),
            new(SymbolRole.Detail, PathShape.Line(new Point(-x * 0.4, -y * 0.7), new Point(x * 0.4, -y * 0.7))),
        ];
    }

    /// <summary>A work chair seen from above in a box of two half sizes.</summary>
    internal static SymbolPart[] TaskSymbol(double x, double y)
    {
        var r = Math.Min(x, y);
        PathShape? star = null;
        for (var i = 0; i < 5; i++)
        {
            var arm = PathShape.Line(default, Point.At(90 + 72 * i) * r);
            star = star is null ? arm : star.Then(arm);
        }
        var seat = r * 0.72;
        return
        [
            new(SymbolRole.Detail, star!.Then(PathShape.Circle(default, r)), true),
            new(SymbolRole.Seat, PathShape.Rounded(-seat, -seat, seat, seat, seat * 0.45)),
            new(SymbolRole.Back, PathShape.Rounded(-seat * 0.9, seat * 0.82, seat * 0.9, seat * 1.12, seat * 0.14)),
            new(SymbolRole.Seat, PathShape.Rounded(-seat * 1.2, -seat * 0.4, -seat * 0.98, seat * 0.5, seat * 0.1)),
            new(SymbolRole.Seat, PathShape.Rounded(seat * 0.98, -seat * 0.4, seat * 1.2, seat * 0.5, seat * 0.1)),
        ];
    }

    private static Making TaskSolids(this Making making)
    {
        var (x, y) = (making.X, making.Y);
        var seat = Math.Max(Marks.SeatHeight(making.H), making.H - 700);
        for (var i = 0; i < 5; i++)
        {
            var out_ = Point.At(90 + 72 * i);
            var side = out_.Left() * 25;
            var end = new Point(out_.X * (x - 20), out_.Y * (y - 20));
            making.Stands(PrismRole.Leg, Convex.Polygon([side * -1, end - side * 0.6, end + side * 0.6, side]), 30, 70);
        }
        // The castors reach as far as the chair does.
        return making
            .Stands(PrismRole.Leg, -x, -20, -x + 40, 20, 0, 60)
            .Stands(PrismRole.Leg, x - 40, -20, x, 20, 0, 60)
            .Stands(PrismRole.Leg, -20, -y, 20, -y + 40, 0, 60)
            .Stands(PrismRole.Leg, -20, y - 40, 20, y, 0, 60)
            .Stands(PrismRole.Leg, Convex.Disc(default, 30), 70, seat - 60)
            .Stands(PrismRole.Cushion, -x * 0.72, -y * 0.72, x * 0.72, y * 0.72, seat - 60, seat)
            .Stands(PrismRole.Back, -x * 0.65, y * 0.6, x * 0.65, y * 0.8, seat + 80, making.H)
            .Stands(PrismRole.Leg, -x * 0.87, -y * 0.3, -x * 0.72, y * 0.36, seat + 180, seat + 220)
            .Stands(PrismRole.Leg, x * 0.72, -y * 0.3, x * 0.87, y * 0.36, seat + 180, seat + 220);
    }
}
