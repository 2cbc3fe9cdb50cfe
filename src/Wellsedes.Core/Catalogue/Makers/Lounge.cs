using Wellsedes.Core.Geometry;
using static Wellsedes.Core.Catalogue.Makers.Marks;

namespace Wellsedes.Core.Catalogue.Makers;

internal static class Lounge
{
    /// <summary>Arms, a back along +y and one cushion a seat; an armchair is a sofa of one.</summary>
    public static Form Sofa(MakerInput input)
    {
        var (x, y) = (input.Size.Width / 2, input.Size.Depth / 2);
        var arm = Math.Min(180, input.Size.Width * 0.14);
        var back = input.Size.Depth * 0.22;
        var seats = Math.Max(1, input.Parts);
        var wide = (input.Size.Width - 2 * arm) / seats;
        List<SymbolPart> symbol =
        [
            Part(SymbolRole.Body, PathShape.Rounded(-x, -y, x, y, 60)),
            Part(SymbolRole.Back, PathShape.Rounded(-x, y - back * 0.45, x, y, 10, 10, 60, 60)),
        ];
        List<SeatPlace> places = [];
        for (var i = 0; i < seats; i++)
        {
            var left = -x + arm + wide * i;
            symbol.Add(Part(SymbolRole.Seat, PathShape.Rounded(left, -y + 20, left + wide, y - back, 70)));
            places.Add(new SeatPlace(new Point(left + wide / 2, -y), new Point(0, 1), wide, input.Size.Depth, false));
        }
        symbol.Add(Front(input.Size));
        return new Form(
            [Convex.Rectangle(default, input.Size.Width, input.Size.Depth)],
            [.. places],
            [InFront("Room for feet", input.Size, 400)],
            [.. symbol]
        );
    }

    public static Form CoffeeTable(MakerInput input) =>
        new(
            [Convex.Rectangle(default, input.Size.Width, input.Size.Depth)],
            [],
            [],
            [
                Part(SymbolRole.Body, Rounded(input.Size, 90)),
                Legs(input.Size, 110, 45),
                Part(
                    SymbolRole.Detail,
                    PathShape.Line(new Point(-input.Size.Width / 2 + 180, 0), new Point(input.Size.Width / 2 - 180, 0))
                ),
            ]
        );

    public static Form Ottoman(MakerInput input)
    {
        var (x, y) = (input.Size.Width / 2, input.Size.Depth / 2);
        return new Form(
            [Convex.Rectangle(default, input.Size.Width, input.Size.Depth)],
            [new SeatPlace(new Point(0, -y), new Point(0, 1), input.Size.Width, input.Size.Depth, false)],
            [],
            [
                Part(SymbolRole.Seat, Rounded(input.Size, 120)),
                Part(
                    SymbolRole.Detail,
                    PathShape.Line(new Point(-x, -y), new Point(x, y)).Then(PathShape.Line(new Point(-x, y), new Point(x, -y)))
                ),
                Part(SymbolRole.Solid, PathShape.Circle(default, 22)),
            ]
        );
    }

    private static PathShape Rounded(ItemSize size, double radius)
    {
        var box = Body(size);
        return PathShape.Rounded(box.MinX, box.MinY, box.MaxX, box.MaxY, radius);
    }
}
