using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Catalogue.Makers;

internal static class Lounge
{
    private const double SeatHigh = 430;

    /// <summary>Arms, a back along +y and one cushion a seat; an armchair is a sofa of one.</summary>
    public static Form Sofa(MakerInput input)
    {
        var making = new Making(input).Whole();
        var (x, y) = (making.X, making.Y);
        var arm = Math.Min(180, input.Size.Width * 0.14);
        var back = input.Size.Depth * 0.22;
        var seats = Math.Max(1, input.Parts);
        var wide = (input.Size.Width - 2 * arm) / seats;
        making
            .Draw(SymbolRole.Body, PathShape.Rounded(-x, -y, x, y, 60))
            .Draw(SymbolRole.Back, PathShape.Rounded(-x, y - back * 0.45, x, y, 10, 10, 60, 60))
            .Stands(PrismRole.Body, -x, -y, x, y, 40, Math.Min(260, making.H * 0.4))
            .Stands(PrismRole.Back, -x, y - back, x, y, Math.Min(260, making.H * 0.4), making.H)
            .Stands(PrismRole.Body, -x, -y, -x + arm, y - back, Math.Min(260, making.H * 0.4), Math.Min(620, making.H * 0.75))
            .Stands(PrismRole.Body, x - arm, -y, x, y - back, Math.Min(260, making.H * 0.4), Math.Min(620, making.H * 0.75))
            .Legs(90, 50, 40);
        for (var i = 0; i < seats; i++)
        {
            var left = -x + arm + wide * i;
            making
                .Draw(SymbolRole.Seat, PathShape.Rounded(left, -y + 20, left + wide, y - back, 70))
                .Stands(
                    PrismRole.Cushion,
                    left,
                    -y + 20,
                    left + wide,
                    y - back,
                    Math.Min(260, making.H * 0.4),
                    Math.Min(SeatHigh, making.H * 0.6)
                )
                .SitsOnIt(left + wide / 2, wide);
        }
        return making.NeedsInFront("Room for feet", 400).Front().Form();
    }

    /// <summary>A sofa round a corner: its backs along the back and the left, its seats along the inside.</summary>
    public static Form CornerSofa(MakerInput input)
    {
        var making = new Making(input);
        var (x, y) = (making.X, making.Y);
        var deep = Math.Min(input.Parameters.Number(0), Math.Min(input.Size.Width, input.Size.Depth) * 0.6);
        var back = deep * 0.22;
        var (low, high) = (Math.Min(260, making.H * 0.4), Math.Min(SeatHigh, making.H * 0.6));
        var arm = Math.Min(160, deep * 0.2);
        var (along, down) = (input.Size.Width - deep - arm, input.Size.Depth - deep - arm);
        var (nAlong, nDown) = CornerSeats(input.Size, input.Parameters);
        making
            .Solid(Making.Box(-x, y - deep, x, y))
            .Solid(Making.Box(-x, -y, -x + deep, y - deep))
            .Draw(
                SymbolRole.Body,
                PathShape.Closed(new(-x, -y), new(-x + deep, -y), new(-x + deep, y - deep), new(x, y - deep), new(x, y), new(-x, y))
            )
            .Draw(SymbolRole.Back, PathShape.Box(-x, y - back * 0.5, x, y))
            .Draw(SymbolRole.Back, PathShape.Box(-x, -y, -x + back * 0.5, y))
            .Stands(PrismRole.Body, -x, y - deep, x, y, 40, low)
            .Stands(PrismRole.Body, -x, -y, -x + deep, y - deep, 40, low)
            .Stands(PrismRole.Back, -x, y - back, x, y, low, making.H)
            .Stands(PrismRole.Back, -x, -y, -x + back, y - back, low, making.H)
            .Stands(PrismRole.Body, x - arm, y - deep, x, y - back, low, Math.Min(620, making.H * 0.75))
            .Stands(PrismRole.Body, -x + back, -y, -x + deep, -y + arm, low, Math.Min(620, making.H * 0.75))
            .Stands(PrismRole.Cushion, -x + back, y - deep, -x + deep, y - back, low, high)
            .Draw(SymbolRole.Seat, PathShape.Rounded(-x + back, y - deep, -x + deep, y - back, 40))
            .Stands(PrismRole.Leg, -x, -y, -x + 50, -y + 50, 0, 40)
            .Stands(PrismRole.Leg, -x, y - 50, -x + 50, y, 0, 40)
            .Stands(PrismRole.Leg, x - 50, y - 50, x, y, 0, 40);
        for (var i = 0; i < nAlong; i++)
        {
            var left = -x + deep + along * i / nAlong;
            var wide = along / nAlong;
            making
                .Block(SymbolRole.Seat, PrismRole.Cushion, left, y - deep, left + wide, y - back, low, high, 60)
                .Sits(new SeatPlace(new Point(left + wide / 2, y - deep), new Point(0, 1), wide, deep, false));
        }
        for (var i = 0; i < nDown; i++)
        {
            var from = -y + arm + down * i / nDown;
            var wide = down / nDown;
            making
                .Block(SymbolRole.Seat, PrismRole.Cushion, -x + back, from, -x + deep, from + wide, low, high, 60)
                .Sits(new SeatPlace(new Point(-x + deep, from + wide / 2), new Point(-1, 0), wide, deep, false));
        }
        return making.Form();
    }

    /// <summary>Seats along the two arms of a corner sofa, one for each 600 mm beside the corner and the arms; common practice.</summary>
    public static (int Along, int Down) CornerSeats(ItemSize size, MakerParameters parameters)
    {
        var deep = Math.Min(parameters.Number(0), Math.Min(size.Width, size.Depth) * 0.6);
        var arm = Math.Min(160, deep * 0.2);
        return (Count(size.Width - deep - arm), Count(size.Depth - deep - arm));

        static int Count(double length) => Math.Max(1, (int)Math.Floor(length / 600 + 1e-9));
    }

    public static Form CoffeeTable(MakerInput input)
    {
        var making = new Making(input).Whole();
        var (x, y) = (making.X, making.Y);
        return making
            .Block(SymbolRole.Body, PrismRole.Top, -x, -y, x, y, making.H - 30, making.H, making.Within(90, 0.2))
            .Legs(110, 45, making.H - 30)
            .Draw(SymbolRole.Detail, PathShape.Line(new Point(-x * 0.7, 0), new Point(x * 0.7, 0)))
            .Form();
    }

    public static Form Ottoman(MakerInput input)
    {
        var making = new Making(input).Whole().SitsOnIt();
        var (x, y) = (making.X, making.Y);
        return making
            .Block(SymbolRole.Seat, PrismRole.Cushion, -x, -y, x, y, Math.Min(60, making.H * 0.2), making.H, making.Within(120, 0.2))
            .Draw(
                SymbolRole.Detail,
                PathShape.Line(new Point(-x, -y), new Point(x, y)).Then(PathShape.Line(new Point(-x, y), new Point(x, -y)))
            )
            .Draw(SymbolRole.Solid, PathShape.Circle(default, 22))
            .Legs(60, 50, Math.Min(60, making.H * 0.2))
            .Form();
    }
}
