using Wellsedes.Core.Geometry;
using static Wellsedes.Core.Catalogue.Makers.Marks;

namespace Wellsedes.Core.Catalogue.Makers;

internal static class Serving
{
    /// <summary>A bar: guests at the front rail, the bartender behind with sink and shelf.</summary>
    public static Form Bar(MakerInput input)
    {
        var (x, y) = (input.Size.Width / 2, input.Size.Depth / 2);
        return new Form(
            [Convex.Rectangle(default, input.Size.Width, input.Size.Depth)],
            [],
            [
                InFront("Guests", input.Size, 900),
                new ActivitySpace("Bartender", Convex.Rectangle(new Point(0, y + 450), input.Size.Width, 900)),
            ],
            [
                Part(SymbolRole.Body, Box(Body(input.Size))),
                Part(SymbolRole.Solid, PathShape.Box(-x, -y, x, -y + 45)),
                Part(SymbolRole.Detail, PathShape.Line(new Point(-x, y * 0.1), new Point(x, y * 0.1))),
                Part(SymbolRole.Detail, PathShape.Rounded(x * 0.45, y * 0.25, x * 0.8, y * 0.85, 40)),
                Part(SymbolRole.Detail, PathShape.Circle(new Point(-x * 0.5, y * 0.55), y * 0.25)),
                Front(input.Size),
            ]
        );
    }

    /// <summary>A serving table: dishes in a row, guests along the front.</summary>
    public static Form Buffet(MakerInput input)
    {
        var (x, y) = (input.Size.Width / 2, input.Size.Depth / 2);
        var dishes = Math.Max(1, (int)(input.Size.Width / 600));
        List<SymbolPart> marks = [];
        for (var i = 0; i < dishes; i++)
        {
            var centre = -x + input.Size.Width * (i + 0.5) / dishes;
            marks.Add(Part(SymbolRole.Detail, PathShape.Rounded(centre - 220, -y * 0.55, centre + 220, y * 0.55, 50)));
        }
        return new Form(
            [Convex.Rectangle(default, input.Size.Width, input.Size.Depth)],
            [],
            [InFront("Guests", input.Size, 900)],
            [
                Part(SymbolRole.Body, Box(Body(input.Size))),
                .. marks,
                Part(SymbolRole.Detail, PathShape.Line(new Point(-x, -y * 0.8), new Point(x, -y * 0.8))),
                Front(input.Size),
            ]
        );
    }
}
