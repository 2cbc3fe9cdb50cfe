using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Catalogue.Makers;

internal static class Tables
{
    private const double TopThick = 30;

    /// <summary>
    /// A round top on a pedestal with its seats spread evenly, the first at the front; where degrees are left open at the front, over the rest.
    /// </summary>
    public static Form Round(MakerInput input)
    {
        var making = new Making(input);
        var radius = making.X;
        var open = input.Parameters.Number(0);
        var seats = Enumerable
            .Range(0, input.Seats.Around)
            .Select(i => Point.At(-90 + open / 2 + (360 - open) * (i + (open > 0 ? 0.5 : 0)) / input.Seats.Around))
            .Select(out_ => new SeatPlace(out_ * radius, out_, input.Chair.Width, input.Chair.Depth, true));
        return Seated(making, seats)
            .Solid(Convex.Disc(default, radius))
            .Disc(SymbolRole.Body, PrismRole.Top, default, radius, making.H - TopThick, making.H)
            .Draw(SymbolRole.Detail, PathShape.Circle(default, radius * 0.28))
            .Stands(PrismRole.Leg, Convex.Disc(default, Math.Min(60, radius * 0.2)), 20, making.H - TopThick)
            .Stands(PrismRole.Leg, Convex.Disc(default, radius * 0.55), 0, 20)
            .Front()
            .Form();
    }

    /// <summary>An oval top; its seats stand evenly along its edge.</summary>
    public static Form Oval(MakerInput input)
    {
        var making = new Making(input);
        var (x, y) = (making.X, making.Y);
        var corners = Marks.OvalCorners(x, y);
        return Seated(making, OvalSeats(x, y, input))
            .Solid(Convex.Polygon(corners))
            .Draw(SymbolRole.Body, PathShape.Oval(default, x, y))
            .Stands(PrismRole.Top, Convex.Polygon(corners), making.H - TopThick, making.H)
            .Fine(PathShape.Oval(new Point(-x * 0.5, 0), x * 0.08, y * 0.3).Then(PathShape.Oval(new Point(x * 0.5, 0), x * 0.08, y * 0.3)))
            .Stands(PrismRole.Leg, -x * 0.55, -y * 0.3, -x * 0.45, y * 0.3, 0, making.H - TopThick)
            .Stands(PrismRole.Leg, x * 0.45, -y * 0.3, x * 0.55, y * 0.3, 0, making.H - TopThick)
            .Front()
            .Form();
    }

    /// <summary>Seats along an oval, as far from each other along its edge, the first in the middle of the front.</summary>
    private static IEnumerable<SeatPlace> OvalSeats(double x, double y, MakerInput input)
    {
        const int steps = 720;
        Point On(int i) => new(x * Point.At(-90 + 360.0 * i / steps).X, y * Point.At(-90 + 360.0 * i / steps).Y);
        var run = new double[steps + 1];
        for (var i = 0; i < steps; i++)
            run[i + 1] = run[i] + On(i).DistanceTo(On(i + 1));
        for (var seat = 0; seat < input.Seats.Around; seat++)
        {
            var wanted = run[steps] * seat / input.Seats.Around;
            var i = Math.Min(steps - 1, Math.Max(0, Array.BinarySearch(run, wanted) is var at && at < 0 ? ~at - 1 : at));
            var share = (wanted - run[i]) / (run[i + 1] - run[i]);
            var edge = On(i) + (On(i + 1) - On(i)) * share;
            var outward = new Point(edge.X / (x * x), edge.Y / (y * y)).Unit();
            yield return new SeatPlace(edge, outward, input.Chair.Width, input.Chair.Depth, true);
        }
    }

    /// <summary>A straight top with a chosen number of seats on each side, spread evenly along it.</summary>
    public static Form Straight(MakerInput input)
    {
        var making = new Making(input);
        var (w, d) = (making.X, making.Y);
        var end = Math.Min(250, w * 0.3);
        return Seated(making, Sides(input))
            .Whole()
            .Block(SymbolRole.Body, PrismRole.Top, -w, -d, w, d, making.H - TopThick, making.H)
            .Draw(
                SymbolRole.Detail,
                PathShape
                    .Line(new Point(-w + end, -d + d * 0.15), new Point(-w + end, d - d * 0.15))
                    .Then(PathShape.Line(new Point(w - end, -d + d * 0.15), new Point(w - end, d - d * 0.15)))
            )
            .Legs(60, 50, making.H - TopThick)
            .Front()
            .Form();
    }

    /// <summary>A high round top on a cross foot; people stand at it.</summary>
    public static Form Standing(MakerInput input)
    {
        var making = new Making(input);
        var radius = making.X;
        var foot = radius * 0.6;
        return making
            .Solid(Convex.Disc(default, radius))
            .Disc(SymbolRole.Body, PrismRole.Top, default, radius, making.H - TopThick, making.H)
            .Draw(
                SymbolRole.Detail,
                PathShape
                    .Line(new Point(-foot, -foot), new Point(foot, foot))
                    .Then(PathShape.Line(new Point(-foot, foot), new Point(foot, -foot)))
            )
            .Stands(PrismRole.Leg, Convex.Disc(default, radius * 0.1), 20, making.H - TopThick)
            .Stands(PrismRole.Leg, Convex.Disc(default, foot), 0, 20)
            .Form();
    }

    /// <summary>A table between two fixed seats with high backs, as restaurants have them.</summary>
    public static Form Booth(MakerInput input)
    {
        var making = new Making(input);
        var (x, y) = (making.X, making.Y);
        // Seat, table, seat along the depth; backs at the ends. Common practice: a seat takes 0.29 of the length.
        var seat = 2 * y * 0.29;
        var back = seat * 0.2;
        making.Whole();
        for (var i = 0; i < 4; i++)
        {
            var (side, front) = (i % 2 == 0 ? -1 : 1, i < 2);
            making.Sits(
                front
                    ? new SeatPlace(new Point(side * x / 2, -y + seat), new Point(0, -1), x, seat, false)
                    : new SeatPlace(new Point(side * x / 2, y - seat), new Point(0, 1), x, seat, false)
            );
        }
        return making
            .Block(SymbolRole.Seat, PrismRole.Seat, -x, -y + back, x, -y + seat, 0, 450)
            .Block(SymbolRole.Back, PrismRole.Back, -x, -y, x, -y + back, 0, making.H)
            .Block(SymbolRole.Seat, PrismRole.Seat, -x, y - seat, x, y - back, 0, 450)
            .Block(SymbolRole.Back, PrismRole.Back, -x, y - back, x, y, 0, making.H)
            .Block(SymbolRole.Body, PrismRole.Top, -x * 0.95, -y + seat * 0.9, x, y - seat * 0.9, 720, 750)
            .Stands(PrismRole.Leg, Convex.Disc(default, 50), 0, 720)
            .Line(new Point(0, -y + back), new Point(0, -y + seat * 0.9))
            .Line(new Point(0, y - back), new Point(0, y - seat * 0.9))
            .Form();
    }

    /// <summary>A table with benches fixed to it on both sides.</summary>
    public static Form Picnic(MakerInput input)
    {
        var making = new Making(input);
        var (x, y) = (making.X, making.Y);
        var bench = Math.Min(280, y * 0.35);
        making.Whole();
        var each = Math.Max(1, (int)(2 * x / 600));
        for (var i = 0; i < each; i++)
        {
            var at = -x + 2 * x * (i + 0.5) / each;
            making
                .Sits(new SeatPlace(new Point(at, -y + bench), new Point(0, -1), 2 * x / each, bench, false))
                .Sits(new SeatPlace(new Point(at, y - bench), new Point(0, 1), 2 * x / each, bench, false));
        }
        making
            .Block(SymbolRole.Seat, PrismRole.Seat, -x, -y, x, -y + bench, 410, 450)
            .Block(SymbolRole.Seat, PrismRole.Seat, -x, y - bench, x, y, 410, 450)
            .Block(SymbolRole.Body, PrismRole.Top, -x, -y * 0.52, x, y * 0.52, making.H - 40, making.H);
        foreach (var at in (double[])[-x * 0.7, x * 0.7])
            making
                .Stands(PrismRole.Leg, at - 40, -y * 0.95, at + 40, y * 0.95, 360, 410)
                .Stands(PrismRole.Leg, at - 40, -y * 0.4, at + 40, y * 0.4, 0, making.H - 40)
                .Fine(PathShape.Line(new Point(at, -y + bench), new Point(at, y - bench)));
        var boards = PathShape.Line(new Point(-x, -y * 0.17), new Point(x, -y * 0.17));
        return making.Fine(boards.Then(PathShape.Line(new Point(-x, y * 0.17), new Point(x, y * 0.17)))).Form();
    }

    private static IEnumerable<SeatPlace> Sides(MakerInput input)
    {
        var (w, d) = (input.Size.Width / 2, input.Size.Depth / 2);
        return
        [
            .. Side("F", input.Seats.Front, new(-w, -d), new(w, -d), new(0, -1), input),
            .. Side("R", input.Seats.Right, new(w, -d), new(w, d), new(1, 0), input),
            .. Side("B", input.Seats.Back, new(w, d), new(-w, d), new(0, 1), input),
            .. Side("L", input.Seats.Left, new(-w, d), new(-w, -d), new(-1, 0), input),
        ];
    }

    private static IEnumerable<SeatPlace> Side(string side, int count, Point from, Point to, Point outward, MakerInput input)
    {
        for (var i = 0; i < count; i++)
            yield return new SeatPlace(
                from + (to - from) * ((i + 0.5) / count),
                outward,
                input.Chair.Width,
                input.Chair.Depth,
                true,
                $"{side}{i + 1}"
            );
    }

    /// <summary>Seats with their chairs drawn occupied, beneath the table that is drawn after them.</summary>
    private static Making Seated(Making making, IEnumerable<SeatPlace> seats)
    {
        var chair = Marks.Chair(making.Input.Chair.Width, making.Input.Chair.Depth);
        foreach (var seat in seats)
            making.Sits(seat).Draw(Marks.At(chair, seat.ChairAt(making.Input.OccupiedDepth)));
        return making;
    }
}
