using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Catalogue.Makers;

/// <summary>Small drawn parts that several makers share.</summary>
internal static class Marks
{
    public static SymbolPart Part(SymbolRole role, PathShape path) => new(role, path);

    public static PathShape Box(Bounds box) => PathShape.Box(box.MinX, box.MinY, box.MaxX, box.MaxY);

    /// <summary>The box of a body about its origin.</summary>
    public static Bounds Body(ItemSize size) => new(-size.Width / 2, -size.Depth / 2, size.Width / 2, size.Depth / 2);

    /// <summary>A short notch on the front edge.</summary>
    public static SymbolPart Front(ItemSize size)
    {
        var half = Math.Min(70, size.Width / 6);
        var y = -size.Depth / 2;
        return Part(SymbolRole.Front, PathShape.Closed(new(-half, y), new(half, y), new(0, y + half * 0.8)));
    }

    /// <summary>A leg near each corner.</summary>
    public static SymbolPart Legs(ItemSize size, double inset, double thick)
    {
        var (x, y, h) = (size.Width / 2 - inset, size.Depth / 2 - inset, thick / 2);
        PathShape Leg(double cx, double cy) => PathShape.Box(cx - h, cy - h, cx + h, cy + h);
        return Part(SymbolRole.Detail, Leg(-x, -y).Then(Leg(x, -y)).Then(Leg(x, y)).Then(Leg(-x, y)));
    }

    /// <summary>A chair seen from above: rounded seat, back rest on the side away from the front.</summary>
    public static SymbolPart[] Chair(double width, double depth)
    {
        var (x, y) = (width / 2, depth / 2);
        var rest = Math.Min(60, depth * 0.14);
        return
        [
            Part(SymbolRole.Seat, PathShape.Rounded(-x, -y, x, y, width * 0.2, width * 0.2, width * 0.1, width * 0.1)),
            Part(SymbolRole.Back, PathShape.Rounded(-x, y - rest, x, y, rest * 0.2, rest * 0.2, rest * 0.5, rest * 0.5)),
        ];
    }

    public static IEnumerable<SymbolPart> At(IEnumerable<SymbolPart> parts, Placement placement) =>
        parts.Select(part => part with { Path = part.Path.At(placement) });

    /// <summary>Floor in front of a body, the full width and a depth in mm.</summary>
    public static ActivitySpace InFront(string name, ItemSize size, double depth) =>
        new(name, Convex.Rectangle(new Point(0, -size.Depth / 2 - depth / 2), size.Width, depth));
}
