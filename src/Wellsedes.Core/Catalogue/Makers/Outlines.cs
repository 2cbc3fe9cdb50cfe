using System.Collections.Immutable;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Catalogue.Makers;

/// <summary>What somebody has drawn, brought in or taken together: an outline, as high as it is said to be.</summary>
internal static class Outlines
{
    /// <summary>What is no higher lies on the floor and is stood on: a rug, a mat. In mm, a house value.</summary>
    private const double Flat = 50;

    public static Form Make(MakerInput input)
    {
        var making = new Making(input);
        if (input.Shape is not { } shape)
            return making.Filled(PrismRole.Body).Front().Form();
        var turn = new Placement(0, 0, -90 * shape.Front);
        var box = Bounds.Around(shape.Outline.Select(turn.Out));
        var (sx, sy) = (2 * making.X / box.Width, 2 * making.Y / box.Height);
        Point Fitted(Point p)
        {
            var turned = turn.Out(p) - box.Centre;
            return new Point(turned.X * sx, turned.Y * sy);
        }
        Point[] outline = [.. shape.Outline.Select(Fitted)];
        var pieces = Polygons.ConvexPieces(outline);
        foreach (var piece in pieces)
            making.Solid(piece);
        if (shape is { Parts.IsEmpty: true, IsMarked: false })
            foreach (var piece in pieces)
                making.Stands(PrismRole.Body, piece, 0, making.H);
        else if (!shape.Parts.IsEmpty)
        {
            var up = making.H / shape.Parts.Max(part => part.To);
            foreach (var part in shape.Parts)
                making.Stands(part.Role, Convex.HullOf([.. part.Outline.Select(Fitted)]), part.From * up, part.To * up);
        }
        if (!shape.IsMarked)
            making.Draw(SymbolRole.Body, PathShape.Closed(outline));
        foreach (var line in shape.Lines)
        {
            Point[] points = [.. line.Points.Select(Fitted)];
            var role =
                line.Dashed ? SymbolRole.Dash
                : shape.IsMarked ? SymbolRole.Line
                : SymbolRole.Detail;
            making.Draw(role, line.Closed ? PathShape.Closed(points) : PathShape.Line(points));
        }
        making.Draw(
            shape.Texts.Select(text => new SymbolPart(
                SymbolRole.Text,
                PathShape.Line(),
                Text: text with
                {
                    At = Fitted(text.At),
                    Size = text.Size * Math.Min(sx, sy),
                    Rotation = text.Rotation + turn.Rotation,
                }
            ))
        );
        foreach (var seat in shape.Seats)
            making.Sits(seat with { Edge = Fitted(seat.Edge), Outward = turn.Turned(seat.Outward) });
        var places = shape.Seats.IsEmpty ? input.Seats.Front : 0;
        for (var i = 0; i < places; i++)
            making.SitsOnIt(-making.X + 2 * making.X * (i + 0.5) / places, 2 * making.X / places);
        var isFlat = making.H <= Flat;
        if (!isFlat)
            making.Front();
        return making.Form(stoodOn: isFlat) with
        {
            Mesh = MeshOf(shape, Fitted, making.H),
            Picture = shape.Picture is { } picture ? Placed(picture, shape.Outline, Fitted) : null,
        };
    }

    /// <summary>The model at the size of the item: it fills the box of its outline and is as high as the item.</summary>
    private static OwnMesh? MeshOf(OwnShape shape, Func<Point, Point> fitted, double height)
    {
        if (shape.Mesh is not { } mesh)
            return null;
        var high = 1.0;
        for (var i = 2; i < mesh.Corners.Length; i += 3)
            high = Math.Max(high, mesh.Corners[i]);
        return mesh.Mapped(p =>
        {
            var at = fitted(new Point(p.X, p.Y));
            return (at.X, at.Y, p.Z * height / high);
        });
    }

    private static PicturePlace Placed(OwnPicture picture, ImmutableArray<Point> outline, Func<Point, Point> fitted)
    {
        var own = Bounds.Around(outline);
        var corner = fitted(new Point(own.MinX, own.MaxY));
        return new PicturePlace(
            picture,
            corner,
            fitted(new Point(own.MaxX, own.MaxY)) - corner,
            fitted(new Point(own.MinX, own.MinY)) - corner
        );
    }
}
