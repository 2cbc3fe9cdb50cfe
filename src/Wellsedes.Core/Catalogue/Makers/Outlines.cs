using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Catalogue.Makers;

/// <summary>What somebody has drawn or brought in: an outline, as high as it is said to be.</summary>
internal static class Outlines
{
    public static Form Make(MakerInput input)
    {
        var making = new Making(input);
        if (input.Shape is not { } shape)
            return making.Filled(PrismRole.Body).Front().Form();
        var box = Bounds.Around(shape.Outline);
        Point Fitted(Point p) => new((p.X - box.Centre.X) * 2 * making.X / box.Width, (p.Y - box.Centre.Y) * 2 * making.Y / box.Height);
        Point[] outline = [.. shape.Outline.Select(Fitted)];
        foreach (var piece in Polygons.ConvexPieces(outline))
            making.Solid(piece).Stands(PrismRole.Body, piece, 0, making.H);
        making.Draw(SymbolRole.Body, PathShape.Closed(outline));
        foreach (var line in shape.Lines)
        {
            Point[] points = [.. line.Points.Select(Fitted)];
            making.Draw(SymbolRole.Detail, line.Closed ? PathShape.Closed(points) : PathShape.Line(points));
        }
        return making.Front().Form();
    }
}
