using Wellsedes.Core.Geometry;
using static Wellsedes.Core.Catalogue.Makers.Marks;

namespace Wellsedes.Core.Catalogue.Makers;

internal static class Staging
{
    /// <summary>A raised deck: things may stand on it, people do not walk through it.</summary>
    public static Form Deck(MakerInput input)
    {
        var body = Body(input.Size);
        return new Form(
            [Convex.Rectangle(default, input.Size.Width, input.Size.Depth)],
            [],
            [],
            [Part(SymbolRole.Body, Box(body)), Part(SymbolRole.Detail, Box(body.Grown(-35))), Legs(input.Size, 90, 60), Front(input.Size)],
            StoodOn: true
        );
    }

    /// <summary>A flat dance panel: walked on, drawn as strips laid crosswise.</summary>
    public static Form FloorPanel(MakerInput input)
    {
        var body = Body(input.Size);
        var (cx, cy) = (body.Centre.X, body.Centre.Y);
        PathShape strips = PathShape.Line(new Point(cx, body.MinY), new Point(cx, body.MaxY));
        strips = strips.Then(PathShape.Line(new Point(body.MinX, cy), new Point(body.MaxX, cy)));
        for (var i = 1; i < 4; i++)
        {
            var x = body.MinX + body.Width / 8 * i;
            strips = strips.Then(PathShape.Line(new Point(x, body.MinY), new Point(x, cy)));
            strips = strips.Then(PathShape.Line(new Point(-x, cy), new Point(-x, body.MaxY)));
        }
        return new Form(
            [Convex.Rectangle(default, input.Size.Width, input.Size.Depth)],
            [],
            [],
            [Part(SymbolRole.Body, Box(body)), Part(SymbolRole.Detail, strips)],
            WalkedOn: true,
            StoodOn: true
        );
    }

    /// <summary>A sloping reading desk: narrower towards the hall.</summary>
    public static Form Lectern(MakerInput input)
    {
        var (x, y) = (input.Size.Width / 2, input.Size.Depth / 2);
        Point[] outline = [new(-x * 0.7, -y), new(x * 0.7, -y), new(x, y), new(-x, y)];
        return new Form(
            [Convex.Polygon(outline)],
            [],
            [new ActivitySpace("Speaker", Convex.Rectangle(new Point(0, y + 350), input.Size.Width, 700))],
            [
                Part(SymbolRole.Body, PathShape.Closed(outline)),
                Part(SymbolRole.Detail, PathShape.Box(-x * 0.5, -y * 0.5, x * 0.5, y * 0.7)),
                Part(SymbolRole.Solid, PathShape.Box(-x * 0.8, y * 0.78, x * 0.8, y * 0.9)),
                Front(input.Size),
            ]
        );
    }

    /// <summary>An upright piano: case, keyboard along the front and the player's stool.</summary>
    public static Form Piano(MakerInput input)
    {
        var (x, y) = (input.Size.Width / 2, input.Size.Depth / 2);
        var keys = PathShape.Box(-x + 60, -y, x - 60, -y + 160);
        for (var at = -x + 160; at < x - 80; at += 100)
            keys = keys.Then(PathShape.Line(new Point(at, -y), new Point(at, -y + 100)));
        return new Form(
            [Convex.Rectangle(default, input.Size.Width, input.Size.Depth)],
            [],
            [InFront("Player", input.Size, 750)],
            [
                Part(SymbolRole.Body, Box(Body(input.Size))),
                Part(SymbolRole.Solid, PathShape.Box(-x, y - 60, x, y)),
                Part(SymbolRole.Detail, keys),
                Front(input.Size),
            ]
        );
    }
}
