using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.SolidModel;

namespace Wellsedes.Core.Rendering;

/// <summary>Looks that every scheme has: a level from above, and straight down.</summary>
public static class ReadyViewpoints
{
    /// <summary>What is in view leaves so much free around it.</summary>
    private const double Air = 1.04;

    /// <summary>From the south, a little from the west.</summary>
    private static readonly Point3 Way = new Point3(-0.33, -0.68, 0.65).Unit();

    /// <param name="aspect">How wide a picture is for its height.</param>
    public static Viewpoint FromAbove(ModelLevel level, string schemeId, double aspect) =>
        Towards(level, schemeId, "From above", Way, aspect, Viewpoint.FromAbove);

    public static Viewpoint StraightDown(ModelLevel level, string schemeId, double aspect) =>
        Towards(level, schemeId, "Straight down", new Point3(0, -1e-9, 1), aspect, 24);

    private static Viewpoint Towards(ModelLevel level, string schemeId, string name, Point3 way, double aspect, double fieldOfView)
    {
        var (high, wide) = (Math.Tan(fieldOfView * Math.PI / 360) / Air, Math.Tan(fieldOfView * Math.PI / 360) * aspect / Air);
        var right = new Point3(0, 0, 1).Cross(way).Unit();
        var above = way.Cross(right);
        var points = PointsOf(level);
        var eye = points.Aggregate((a, b) => a + b) * (1.0 / points.Length);
        // How far along the way each pair of opposite sides of the view asks for it, and how far aside.
        var seen = points.Select(p => p - eye).Select(p => (X: p.Dot(right), Y: p.Dot(above), Z: p.Dot(way))).ToArray();
        var (left, most) = (seen.Max(p => -p.X / wide + p.Z), seen.Max(p => p.X / wide + p.Z));
        var (low, top) = (seen.Max(p => -p.Y / high + p.Z), seen.Max(p => p.Y / high + p.Z));
        eye += way * Math.Max((left + most) / 2, (low + top) / 2) + right * ((most - left) / 2 * wide) + above * ((top - low) / 2 * high);
        return new Viewpoint(
            "ready",
            schemeId,
            level.LevelId,
            name,
            eye.X,
            eye.Y,
            eye.Z,
            Math.Atan2(-way.Y, -way.X) * 180 / Math.PI,
            -Math.Asin(Math.Clamp(way.Z, -1, 1)) * 180 / Math.PI,
            fieldOfView,
            new ViewpointShows()
        );
    }

    /// <summary>Everything that stands on its floor; a square of 5 m where nothing does.</summary>
    private static Point3[] PointsOf(ModelLevel level)
    {
        Point3[] points =
        [
            .. level.Shell.Where(part => part.Surface != Surface.Ceiling).SelectMany(part => part.Faces).SelectMany(face => face.Corners),
            .. level.Nodes.Select(node => Point3.Over(node.At.Origin, node.Z)),
        ];
        return points.Length > 0 ? points : [new(0, 0, 0), new(5000, 0, 0), new(5000, 5000, 0), new(0, 5000, 0)];
    }
}
