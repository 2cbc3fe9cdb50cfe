using Wellsedes.Core.Geometry;
using static Wellsedes.Core.Catalogue.Makers.Marks;

namespace Wellsedes.Core.Catalogue.Makers;

internal static class Seats
{
    /// <summary>A chair on its own: the seat faces the front.</summary>
    public static Form Chair(MakerInput input) => Single(input, Marks.Chair(input.Size.Width, input.Size.Depth));

    /// <summary>A folding chair: slatted seat and a straight back.</summary>
    public static Form Folding(MakerInput input)
    {
        var (x, y) = (input.Size.Width / 2, input.Size.Depth / 2);
        var slats = PathShape.Line(new Point(-x * 0.8, -y * 0.5), new Point(x * 0.8, -y * 0.5));
        for (var at = -0.15; at < 0.7; at += 0.35)
            slats = slats.Then(PathShape.Line(new Point(-x * 0.8, y * at), new Point(x * 0.8, y * at)));
        return Single(
            input,
            Part(SymbolRole.Seat, Box(Body(input.Size))),
            Part(SymbolRole.Detail, slats),
            Part(SymbolRole.Back, PathShape.Box(-x, y - 35, x, y))
        );
    }

    /// <summary>A work chair: five castors under a seat with arms and a curved back.</summary>
    public static Form Task(MakerInput input)
    {
        var r = Math.Min(input.Size.Width, input.Size.Depth) / 2;
        PathShape? star = null;
        for (var i = 0; i < 5; i++)
        {
            var arm = PathShape.Line(default, Point.At(90 + 72 * i) * r);
            star = star is null ? arm : star.Then(arm);
        }
        var seat = r * 0.72;
        return Single(
            input,
            Part(SymbolRole.Detail, star!.Then(PathShape.Circle(default, r))),
            Part(SymbolRole.Seat, PathShape.Rounded(-seat, -seat, seat, seat, seat * 0.45)),
            Part(SymbolRole.Back, PathShape.Rounded(-seat * 0.9, seat * 0.82, seat * 0.9, seat * 1.12, seat * 0.14)),
            Part(SymbolRole.Seat, PathShape.Rounded(-seat * 1.2, -seat * 0.4, -seat * 0.98, seat * 0.5, seat * 0.1)),
            Part(SymbolRole.Seat, PathShape.Rounded(seat * 0.98, -seat * 0.4, seat * 1.2, seat * 0.5, seat * 0.1))
        );
    }

    public static Form Stool(MakerInput input)
    {
        var r = input.Size.Width / 2;
        var seat = new SeatPlace(new Point(0, -r), new Point(0, 1), input.Size.Width, input.Size.Depth, false);
        return new Form(
            [Convex.Disc(default, r)],
            [seat],
            [],
            [
                Part(SymbolRole.Seat, PathShape.Circle(default, r)),
                Part(SymbolRole.Detail, PathShape.Circle(default, r * 0.7)),
                Front(input.Size),
            ]
        );
    }

    /// <summary>A clear place for a wheelchair user: nothing stands on it, and it counts as one seat.</summary>
    public static Form WheelchairSpace(MakerInput input)
    {
        var (x, y) = (input.Size.Width / 2, input.Size.Depth / 2);
        var wheel = x * 0.16;
        return Single(
            input,
            Part(SymbolRole.Use, Box(Body(input.Size))),
            Part(SymbolRole.Seat, PathShape.Rounded(-x * 0.55, -y * 0.25, x * 0.55, y * 0.6, 60)),
            Part(SymbolRole.Back, PathShape.Box(-x * 0.55, y * 0.6, x * 0.55, y * 0.7)),
            Part(SymbolRole.Solid, PathShape.Box(-x * 0.75, -y * 0.1, -x * 0.75 + wheel, y * 0.8)),
            Part(SymbolRole.Solid, PathShape.Box(x * 0.75 - wheel, -y * 0.1, x * 0.75, y * 0.8)),
            Part(SymbolRole.Detail, PathShape.Line(new Point(-x * 0.4, -y * 0.7), new Point(x * 0.4, -y * 0.7)))
        );
    }

    private static Form Single(MakerInput input, params SymbolPart[] symbol)
    {
        var seat = new SeatPlace(new Point(0, -input.Size.Depth / 2), new Point(0, 1), input.Size.Width, input.Size.Depth, false);
        return new Form([Convex.Rectangle(default, input.Size.Width, input.Size.Depth)], [seat], [], [.. symbol, Front(input.Size)]);
    }
}
