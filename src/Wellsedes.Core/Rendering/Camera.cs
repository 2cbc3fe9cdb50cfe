using Wellsedes.Core.Plans;
using Wellsedes.Core.SolidModel;

namespace Wellsedes.Core.Rendering;

/// <summary>An eye in space: where it is (mm), the way it looks, and what lies to its right and above.</summary>
public sealed record Camera(Point3 Eye, Point3 Forward, Point3 Right, Point3 Up, double FieldOfView)
{
    /// <param name="elevation">Of the floor that the viewpoint's height is told from, in mm.</param>
    public static Camera Of(Viewpoint from, double elevation)
    {
        var (heading, pitch) = (from.Heading * Math.PI / 180, from.Pitch * Math.PI / 180);
        var forward = new Point3(Math.Cos(heading) * Math.Cos(pitch), Math.Sin(heading) * Math.Cos(pitch), Math.Sin(pitch));
        var right = new Point3(Math.Sin(heading), -Math.Cos(heading), 0);
        return new Camera(new Point3(from.X, from.Y, from.Z + elevation), forward, right, right.Cross(forward), from.FieldOfView);
    }
}
