using System.Text.Json.Serialization;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Plans;

/// <summary>
/// An underlay: a picture beneath the plan. PictureId names the stored picture, Columns and Rows are its size in pixels, (X, Y) is
/// where its bottom left corner lies on the level, Rotation its turn about that corner, Scale the mm on the level for one
/// pixel. The crop is in pixels from each side. Fade is from 0 (full) to 1 (gone). ScaleFrom says in words how the scale
/// was found.
/// </summary>
public sealed record Backing(
    string Id,
    string LevelId,
    string PictureId,
    string Name,
    int Columns,
    int Rows,
    double X,
    double Y,
    double Rotation,
    double Scale,
    double CropLeft = 0,
    double CropTop = 0,
    double CropRight = 0,
    double CropBottom = 0,
    double Fade = 0.5,
    bool Locked = false,
    string ScaleFrom = ""
) : Entity(Id), IOnLevel, ILockable
{
    [JsonIgnore]
    public Placement Placement => new(X, Y, Rotation);

    /// <summary>Where a pixel of the picture (from its top left corner) lies on the level.</summary>
    public Point ToLevel(Point pixel) => Placement.Out(new Point(pixel.X * Scale, (Rows - pixel.Y) * Scale));

    /// <summary>The pixel that lies at a point of the level.</summary>
    public Point ToPixel(Point level)
    {
        var own = Placement.In(level);
        return new Point(own.X / Scale, Rows - own.Y / Scale);
    }
}
