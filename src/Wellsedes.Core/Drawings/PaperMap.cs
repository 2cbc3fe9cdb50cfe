using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Drawings;

/// <summary>From the level in mm to paper in mm: true to scale, y turned over.</summary>
/// <param name="Origin">Where the level's (0, 0) lies on paper.</param>
public readonly record struct PaperMap(double Ratio, Point Origin)
{
    public Point ToPaper(Point level) => new(Origin.X + level.X / Ratio, Origin.Y - level.Y / Ratio);

    public PathShape ToPaper(PathShape path) => path.Map(ToPaper);
}
