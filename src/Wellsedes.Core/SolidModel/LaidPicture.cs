using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.SolidModel;

/// <summary>A picture on those faces of a thing that look up: of what a floor is laid with, again and again, or of an own item seen from above.</summary>
/// <param name="Place">Where it lies first, in mm, in the frame of the faces.</param>
/// <param name="Opacity">From 0 to 1: how little of the faces' own tone shows through it.</param>
public sealed record LaidPicture(PicturePlace Place, double Opacity = 1)
{
    /// <summary>Whether it is seen on a face.</summary>
    public static bool IsOn(Point3 normal) => normal.Z > 0.99;

    /// <summary>The same where the thing stands.</summary>
    public LaidPicture At(Placement at) =>
        this with
        {
            Place = Place with { Corner = at.Out(Place.Corner), Across = at.Turned(Place.Across), Down = at.Turned(Place.Down) },
        };

    /// <summary>Where on it a point lies: along its top edge, and down along its left one, each from 0 to 1 where it lies first.</summary>
    public (double Across, double Down) Of(Point p)
    {
        var (off, area) = (p - Place.Corner, Place.Across.Cross(Place.Down));
        return (off.Cross(Place.Down) / area, Place.Across.Cross(off) / area);
    }
}
