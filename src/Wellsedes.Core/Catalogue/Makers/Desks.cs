using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Catalogue.Makers;

internal static class Desks
{
    private const double TopThick = 25;

    /// <summary>A worktop with legs at its ends and a cable slot at the back; the sitter is at the front.</summary>
    public static Form Desk(MakerInput input)
    {
        var making = new Making(input);
        var seated = input.Seats.Total > 0 || input.Chair.Width > 0;
        if (seated)
            making = At(making, SeatAt(new Point(0, -making.Y), new Point(0, -1), input));
        return making
            .Whole()
            .Block(SymbolRole.Body, PrismRole.Top, -making.X, -making.Y, making.X, making.Y, making.H - TopThick, making.H)
            .CableSlot(0, making.Y - 70)
            .Legs(60, 50, making.H - TopThick)
            .Front()
            .Form();
    }

    /// <summary>A worktop with a return to the left of the sitter, as two overlapping rectangles.</summary>
    public static Form Corner(MakerInput input)
    {
        var (w, d) = (input.Size.Width / 2, input.Size.Depth / 2);
        var top = Math.Min(800, input.Size.Depth / 2);
        var arm = Math.Min(600, input.Size.Width / 2);
        var seat = SeatAt(new Point((-w + arm + w) / 2, d - top), new Point(0, -1), input);
        return Angled(At(new Making(input), seat), arm, top, input.Parameters.Number(0))
            .Draw(SymbolRole.Detail, PathShape.Line(new Point(-w, d - top), new Point(-w + arm, d - top)))
            .CableSlot(arm / 2, d - 70)
            .Form();
    }

    /// <summary>A work surface in a corner: two arms of typed depths whose inner edge is rounded by a radius that may be 0.</summary>
    public static Form CornerSurface(MakerInput input)
    {
        var (radius, left, right) = (input.Parameters.Number(0), input.Parameters.Number(1), input.Parameters.Number(2));
        var (w, d) = (input.Size.Width / 2, input.Size.Depth / 2);
        return Angled(new Making(input), Math.Min(left, input.Size.Width), Math.Min(right, input.Size.Depth), radius)
            .Fine(PathShape.Circle(new Point(-w + 120, d - 120), 35))
            .Form();
    }

    /// <summary>The two arms of a corner are no deeper than its box.</summary>
    public static (string, string)? WrongArms(ItemSize size, MakerParameters parameters) =>
        parameters.Number(1) > size.Width
            ? ("left-depth", $"The left arm is {parameters.Number(1):0.##} deep; the surface is {size.Width:0.##} wide.")
        : parameters.Number(2) > size.Depth
            ? ("right-depth", $"The right arm is {parameters.Number(2):0.##} deep; the surface is {size.Depth:0.##} long.")
        : null;

    /// <summary>A straight work surface on brackets or panels: nobody's own desk.</summary>
    public static Form Surface(MakerInput input)
    {
        var making = new Making(input).Whole();
        var (x, y) = (making.X, making.Y);
        return making
            .Block(SymbolRole.Body, PrismRole.Top, -x, -y, x, y, making.H - 30, making.H)
            .Stands(PrismRole.Leg, -x, -y * 0.6, -x + 25, y, making.H - 230, making.H - 30)
            .Stands(PrismRole.Leg, x - 25, -y * 0.6, x, y, making.H - 230, making.H - 30)
            .Stands(PrismRole.Leg, -x, y - 20, x, y, 0, making.H - 30)
            .Fine(PathShape.Line(new Point(-x, y - 20), new Point(x, y - 20)))
            .Front()
            .Form();
    }

    /// <summary>A work surface that juts out from a desk or panel at its back; its far end is round.</summary>
    public static Form Peninsula(MakerInput input)
    {
        var making = new Making(input);
        var (x, y) = (making.X, making.Y);
        var round = Math.Min(x, 2 * y);
        var end = Enumerable.Range(0, 13).Select(i => Point.At(180 + 15.0 * i)).Select(p => new Point(p.X * x, -y + round + p.Y * round));
        Point[] corners = round > 2 * y - 1 ? [.. end] : [new(x, y), new(-x, y), .. end];
        return making
            .Solid(Convex.Polygon(corners))
            .Plate(SymbolRole.Body, PrismRole.Top, corners, making.H - 30, making.H)
            .Disc(SymbolRole.Detail, PrismRole.Leg, new Point(0, Math.Min(-y + round, 0)), making.Within(60, 0.1), 0, making.H - 30)
            .Front()
            .Form();
    }

    /// <summary>Two worktops back to back, one sitter on each side.</summary>
    public static Form Bench(MakerInput input)
    {
        var (w, d) = (input.Size.Width / 2, input.Size.Depth / 2);
        var making = new Making(input);
        At(making, SeatAt(new Point(0, -d), new Point(0, -1), input));
        At(making, SeatAt(new Point(0, d), new Point(0, 1), input));
        return making
            .Whole()
            .Block(SymbolRole.Body, PrismRole.Top, -w, -d, w, d, making.H - TopThick, making.H)
            .Draw(SymbolRole.Solid, PathShape.Box(-w + 40, -15, w - 40, 15))
            .CableSlot(0, 70)
            .CableSlot(0, -70)
            .Legs(60, 50, making.H - TopThick)
            .Form();
    }

    /// <summary>A reception desk: a work surface behind a counter that faces who comes.</summary>
    public static Form Reception(MakerInput input)
    {
        var making = new Making(input);
        var (x, y) = (making.X, making.Y);
        var counter = Math.Min(320, y * 0.8);
        return At(making, SeatAt(new Point(0, y), new Point(0, 1), input))
            .Whole()
            .Needs("Visitors", -x, -y - 900, x, -y)
            .Block(SymbolRole.Body, PrismRole.Top, -x, -y + counter, x, y, Math.Min(710, making.H - 30), Math.Min(740, making.H))
            .Block(SymbolRole.Body, PrismRole.Body, -x, -y, x, -y + counter, 0, making.H)
            .Draw(SymbolRole.Solid, PathShape.Box(-x, -y, x, -y + 30))
            .Stands(PrismRole.Leg, -x, -y + counter, -x + 25, y, 0, Math.Min(710, making.H - 30))
            .Stands(PrismRole.Leg, x - 25, -y + counter, x, y, 0, Math.Min(710, making.H - 30))
            .Front()
            .Form();
    }

    /// <summary>Two arms along the left and the back, with the floor between them free; the curve's chords on the surface's side.</summary>
    private static Making Angled(Making making, double arm, double top, double wanted)
    {
        var (w, d) = (making.X, making.Y);
        var corner = new Point(-w + arm, d - top);
        var radius = Math.Min(wanted, Math.Min(2 * w - arm, 2 * d - top));
        var curve = Enumerable.Range(0, 7).Select(i => corner + new Point(radius, -radius) + Point.At(180 - 15.0 * i) * radius).ToArray();
        List<Convex> tops = [];
        for (var i = 0; i < 6 && radius >= 1; i++)
            tops.Add(Convex.Polygon([corner, curve[i], curve[i + 1]]));
        tops.Add(Convex.Rectangle(new Point(0, d - top / 2), 2 * w, top));
        tops.Add(Convex.Rectangle(new Point(-w + arm / 2, 0), arm, 2 * d));
        foreach (var shape in tops)
            making.Solid(shape).Stands(PrismRole.Top, shape, making.H - TopThick, making.H);
        return making
            .Draw(
                SymbolRole.Body,
                PathShape.Closed([new(-w, -d), new(-w + arm, -d), .. radius < 1 ? [corner] : curve, new(w, d - top), new(w, d), new(-w, d)])
            )
            .Stands(PrismRole.Leg, -w, -d, -w + arm, -d + 25, 0, making.H - TopThick)
            .Stands(PrismRole.Leg, w - 25, d - top, w, d, 0, making.H - TopThick)
            .Stands(PrismRole.Leg, -w, d - 25, -w + 60, d, 0, making.H - TopThick);
    }

    private static SeatPlace SeatAt(Point edge, Point outward, MakerInput input) =>
        new(edge, outward, input.Chair.Width, input.Chair.Depth, true);

    private static Making CableSlot(this Making making, double x, double y) =>
        making.Fine(PathShape.Rounded(x - 120, y - 20, x + 120, y + 20, 20));

    /// <summary>Somebody at a place with a work chair, drawn occupied.</summary>
    private static Making At(Making making, SeatPlace seat)
    {
        var chair = making.Input.Chair;
        var at = seat.ChairAt(Math.Max(making.Input.OccupiedDepth, chair.Depth * 0.8));
        return making.Sits(seat).Draw(Marks.At(Seats.TaskSymbol(chair.Width / 2, chair.Depth / 2), at));
    }
}
