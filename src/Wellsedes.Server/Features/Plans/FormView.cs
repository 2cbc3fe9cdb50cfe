using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Server.Features.Plans;

/// <param name="Fine">Painted only where the scale leaves room for it.</param>
/// <param name="Text">Letters, of a part that is a text.</param>
public sealed record SymbolView(SymbolRole Role, string Path, bool Fine, SymbolText? Text = null);

/// <summary>Where a picture lies, in mm: its top left corner, along its top edge, down its left one.</summary>
public sealed record PicturePlaceView(Point Corner, Point Across, Point Down)
{
    public static PicturePlaceView? Of(PicturePlace? place) =>
        place is null ? null : new PicturePlaceView(place.Corner, place.Across, place.Down);
}

/// <summary>A form as the client paints and picks it, in the item's own coordinates (mm, y up).</summary>
/// <param name="Outlines">Polygons of solids and occupied chairs, for picking.</param>
/// <param name="Picture">Where the picture of an own item lies in it; the client has it with the item.</param>
/// <param name="Box">Box around body and chairs: least x, least y, greatest x, greatest y.</param>
public sealed record FormView(
    SymbolView[] Symbol,
    Point[][] Outlines,
    double[] Box,
    Point FrontMark,
    int Seats,
    bool Flat,
    PicturePlaceView? Picture
)
{
    public static FormView Of(Form form, double occupiedDepth)
    {
        Convex[] shapes = [.. form.Solids, .. form.Seats.Where(seat => seat.AtTable).Select(seat => seat.Zone(occupiedDepth))];
        var box = shapes.Aggregate(Bounds.Empty, (sum, shape) => sum.Including(shape.Bounds));
        return new FormView(
            [.. form.Symbol.Select(part => new SymbolView(part.Role, part.Path.ToPathData(), part.Fine, part.Text))],
            [.. shapes.Select(shape => shape.Outline(5))],
            [box.MinX, box.MinY, box.MaxX, box.MaxY],
            form.FrontMark,
            form.Seats.Length,
            form.StoodOn,
            PicturePlaceView.Of(form.Picture)
        );
    }
}
