using Wellsedes.Core.Geometry;
using static Wellsedes.Core.Catalogue.Makers.Marks;

namespace Wellsedes.Core.Catalogue.Makers;

internal static class Desks
{
    /// <summary>A worktop with legs at its ends and a cable slot at the back; the sitter is at the front.</summary>
    public static Form Desk(MakerInput input)
    {
        var seat = SeatAt(new Point(0, -input.Size.Depth / 2), new Point(0, -1), input);
        return new Form(
            [Convex.Rectangle(default, input.Size.Width, input.Size.Depth)],
            [seat],
            [],
            [
                .. TaskChair(seat, input),
                Part(SymbolRole.Body, Box(Body(input.Size))),
                CableSlot(0, input.Size.Depth / 2 - 70),
                Legs(input.Size, 60, 50),
                Front(input.Size),
            ]
        );
    }

    /// <summary>A worktop with a return to the left of the sitter, as two overlapping rectangles.</summary>
    public static Form Corner(MakerInput input)
    {
        var (w, d) = (input.Size.Width / 2, input.Size.Depth / 2);
        var top = Math.Min(800, input.Size.Depth / 2);
        var arm = Math.Min(600, input.Size.Width / 2);
        var seat = SeatAt(new Point((-w + arm + w) / 2, d - top), new Point(0, -1), input);
        var corner = new Point(-w + arm, d - top);
        var radius = Math.Min(input.Parameters.Number(0), Math.Min(input.Size.Width - arm, input.Size.Depth - top));
        var curve = Enumerable.Range(0, 7).Select(i => corner + new Point(radius, -radius) + Point.At(180 - 15.0 * i) * radius).ToArray();
        return new Form(
            [
                // The curve's inside as slices from the corner, their chords on the side of the surface.
                .. radius < 1 ? [] : Enumerable.Range(0, 6).Select(i => Convex.Polygon([corner, curve[i], curve[i + 1]])),
                Convex.Rectangle(new Point(0, d - top / 2), input.Size.Width, top),
                Convex.Rectangle(new Point(-w + arm / 2, 0), arm, input.Size.Depth),
            ],
            [seat],
            [],
            [
                .. TaskChair(seat, input),
                Part(
                    SymbolRole.Body,
                    PathShape.Closed([
                        new(-w, -d),
                        new(-w + arm, -d),
                        .. radius < 1 ? [corner] : curve,
                        new(w, d - top),
                        new(w, d),
                        new(-w, d),
                    ])
                ),
                Part(SymbolRole.Detail, PathShape.Line(new Point(-w, d - top), new Point(-w + arm, d - top))),
                CableSlot(arm / 2, d - 70),
            ]
        );
    }

    /// <summary>Two worktops back to back, one sitter on each side.</summary>
    public static Form Bench(MakerInput input)
    {
        var (w, d) = (input.Size.Width / 2, input.Size.Depth / 2);
        SeatPlace[] seats = [SeatAt(new Point(0, -d), new Point(0, -1), input), SeatAt(new Point(0, d), new Point(0, 1), input)];
        return new Form(
            [Convex.Rectangle(default, input.Size.Width, input.Size.Depth)],
            [.. seats],
            [],
            [
                .. seats.SelectMany(seat => TaskChair(seat, input)),
                Part(SymbolRole.Body, Box(Body(input.Size))),
                Part(SymbolRole.Solid, PathShape.Box(-w + 40, -15, w - 40, 15)),
                CableSlot(0, 70),
                CableSlot(0, -70),
                Legs(input.Size, 60, 50),
            ]
        );
    }

    private static SeatPlace SeatAt(Point edge, Point outward, MakerInput input) =>
        new(edge, outward, input.Chair.Width, input.Chair.Depth, true);

    private static SymbolPart CableSlot(double x, double y) =>
        Part(SymbolRole.Detail, PathShape.Rounded(x - 120, y - 20, x + 120, y + 20, 20));

    private static IEnumerable<SymbolPart> TaskChair(SeatPlace seat, MakerInput input)
    {
        var chair = Seats.Task(input with { Size = input.Chair });
        return At(
            chair.Symbol.Where(part => part.Role != SymbolRole.Front),
            seat.ChairAt(Math.Max(input.OccupiedDepth, input.Chair.Depth * 0.8))
        );
    }
}
