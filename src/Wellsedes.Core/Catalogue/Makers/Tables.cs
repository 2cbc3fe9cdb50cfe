using Wellsedes.Core.Geometry;
using static Wellsedes.Core.Catalogue.Makers.Marks;

namespace Wellsedes.Core.Catalogue.Makers;

internal static class Tables
{
    /// <summary>A round top on a pedestal with its places spread evenly, the first at the front.</summary>
    public static Form Round(MakerInput input)
    {
        var radius = input.Size.Width / 2;
        var seats = Enumerable
            .Range(0, input.Seats.Around)
            .Select(i => Point.At(-90 + 360.0 * i / input.Seats.Around))
            .Select(out_ => new SeatPlace(out_ * radius, out_, input.Chair.Width, input.Chair.Depth, true))
            .ToList();
        return new Form(
            [Convex.Disc(default, radius)],
            [.. seats],
            [],
            [
                .. Chairs(seats, input),
                Part(SymbolRole.Body, PathShape.Circle(default, radius)),
                Part(SymbolRole.Detail, PathShape.Circle(default, radius * 0.28)),
                Front(input.Size),
            ]
        );
    }

    /// <summary>A straight top with a chosen number of places on each side, spread evenly along it.</summary>
    public static Form Straight(MakerInput input)
    {
        var (w, d) = (input.Size.Width / 2, input.Size.Depth / 2);
        List<SeatPlace> seats =
        [
            .. Side("F", input.Seats.Front, new(-w, -d), new(w, -d), new(0, -1), input),
            .. Side("R", input.Seats.Right, new(w, -d), new(w, d), new(1, 0), input),
            .. Side("B", input.Seats.Back, new(w, d), new(-w, d), new(0, 1), input),
            .. Side("L", input.Seats.Left, new(-w, d), new(-w, -d), new(-1, 0), input),
        ];
        var end = Math.Min(250, w * 0.3);
        return new Form(
            [Convex.Rectangle(default, input.Size.Width, input.Size.Depth)],
            [.. seats],
            [],
            [
                .. Chairs(seats, input),
                Part(SymbolRole.Body, Box(Body(input.Size))),
                Part(
                    SymbolRole.Detail,
                    PathShape
                        .Line(new Point(-w + end, -d + 60), new Point(-w + end, d - 60))
                        .Then(PathShape.Line(new Point(w - end, -d + 60), new Point(w - end, d - 60)))
                ),
                Front(input.Size),
            ]
        );
    }

    /// <summary>A high round top on a cross foot; people stand at it.</summary>
    public static Form Standing(MakerInput input)
    {
        var radius = input.Size.Width / 2;
        var foot = radius * 0.6;
        return new Form(
            [Convex.Disc(default, radius)],
            [],
            [],
            [
                Part(SymbolRole.Body, PathShape.Circle(default, radius)),
                Part(
                    SymbolRole.Detail,
                    PathShape
                        .Line(new Point(-foot, -foot), new Point(foot, foot))
                        .Then(PathShape.Line(new Point(-foot, foot), new Point(foot, -foot)))
                ),
            ]
        );
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

    /// <summary>The chairs of the places, drawn occupied.</summary>
    public static IEnumerable<SymbolPart> Chairs(IEnumerable<SeatPlace> seats, MakerInput input)
    {
        var chair = Chair(input.Chair.Width, input.Chair.Depth);
        return seats.SelectMany(seat => At(chair, seat.ChairAt(input.OccupiedDepth)));
    }
}
