using Wellsedes.Core.Geometry;
using static Wellsedes.Core.Catalogue.Makers.Marks;

namespace Wellsedes.Core.Catalogue.Makers;

internal static class Screens
{
    /// <summary>A panel on two cross feet; the feet take floor, so they are solid too.</summary>
    public static Form Screen(MakerInput input)
    {
        var x = input.Size.Width / 2;
        var thick = Math.Min(60, input.Size.Depth);
        var foot = input.Size.Depth / 2;
        List<Convex> solids = [Convex.Rectangle(default, input.Size.Width, thick)];
        List<SymbolPart> symbol = [Part(SymbolRole.Solid, PathShape.Box(-x, -thick / 2, x, thick / 2))];
        if (foot > thick)
            foreach (var at in (double[])[-x * 0.75, x * 0.75])
            {
                solids.Add(Convex.Rectangle(new Point(at, 0), 60, foot * 2));
                symbol.Add(Part(SymbolRole.Body, PathShape.Box(at - 30, -foot, at + 30, foot)));
            }
        symbol.Add(Part(SymbolRole.Detail, PathShape.Line(new Point(-x, -thick), new Point(x, -thick))));
        return new Form([.. solids], [], [], [.. symbol]);
    }

    /// <summary>A three-legged easel with its board across the front.</summary>
    public static Form Easel(MakerInput input)
    {
        var (x, y) = (input.Size.Width / 2, input.Size.Depth / 2);
        Point[] feet = [new(-x, -y), new(x, -y), new(0, y)];
        return new Form(
            [Convex.Polygon(feet)],
            [],
            [InFront("Reader", input.Size, 900)],
            [
                Part(SymbolRole.Detail, PathShape.Closed(feet)),
                Part(SymbolRole.Body, PathShape.Box(-x, -y, x, -y + 60)),
                .. feet.Select(foot => Part(SymbolRole.Solid, PathShape.Circle(foot * 0.94, 22))),
                Front(input.Size),
            ]
        );
    }

    /// <summary>A plant in a round pot: leaves reach to the given width, the pot stands in the middle.</summary>
    public static Form Plant(MakerInput input)
    {
        var r = input.Size.Width / 2;
        List<SymbolPart> symbol = [];
        for (var i = 0; i < 9; i++)
        {
            var tip = Point.At(40 * i) * r;
            var side = tip.Left() * 0.2;
            symbol.Add(
                Part(
                    SymbolRole.Detail,
                    new PathShape([
                        new(PathStepKind.Move, default),
                        new(PathStepKind.Cubic, tip, tip * 0.3 + side, tip * 0.8 + side),
                        new(PathStepKind.Cubic, default, tip * 0.8 - side, tip * 0.3 - side),
                    ])
                )
            );
        }
        symbol.Add(Part(SymbolRole.Body, PathShape.Circle(default, r * 0.38)));
        return new Form([Convex.Disc(default, r)], [], [], [.. symbol]);
    }

    /// <summary>A crowd barrier: a rail between two flat feet.</summary>
    public static Form Barrier(MakerInput input)
    {
        var (x, y) = (input.Size.Width / 2, input.Size.Depth / 2);
        var rails = PathShape.Line(new Point(-x, 20), new Point(x, 20)).Then(PathShape.Line(new Point(-x, -20), new Point(x, -20)));
        for (var at = -x + 120; at < x; at += 120)
            rails = rails.Then(PathShape.Line(new Point(at, -20), new Point(at, 20)));
        var foot = x - 220;
        return new Form(
            [
                Convex.Rectangle(default, input.Size.Width, 40),
                Convex.Rectangle(new Point(-foot, 0), 50, input.Size.Depth),
                Convex.Rectangle(new Point(foot, 0), 50, input.Size.Depth),
            ],
            [],
            [],
            [
                Part(SymbolRole.Body, PathShape.Box(-foot - 25, -y, -foot + 25, y)),
                Part(SymbolRole.Body, PathShape.Box(foot - 25, -y, foot + 25, y)),
                Part(SymbolRole.Detail, rails),
            ]
        );
    }
}
