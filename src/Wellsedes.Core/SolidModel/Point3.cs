using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.SolidModel;

/// <summary>A point or vector in space, in mm: x and y as on the plan, z up from the floor.</summary>
public readonly record struct Point3(double X, double Y, double Z)
{
    public static Point3 Over(Point p, double z) => new(p.X, p.Y, z);

    public static Point3 operator +(Point3 a, Point3 b) => new(a.X + b.X, a.Y + b.Y, a.Z + b.Z);

    public static Point3 operator -(Point3 a, Point3 b) => new(a.X - b.X, a.Y - b.Y, a.Z - b.Z);

    public static Point3 operator *(Point3 a, double by) => new(a.X * by, a.Y * by, a.Z * by);

    public double Dot(Point3 other) => X * other.X + Y * other.Y + Z * other.Z;

    public Point3 Cross(Point3 other) => new(Y * other.Z - Z * other.Y, Z * other.X - X * other.Z, X * other.Y - Y * other.X);

    public double Length => Math.Sqrt(Dot(this));

    /// <summary>As long as one; itself where it has no length.</summary>
    public Point3 Unit() => Length is > 0 and var length ? this * (1 / length) : this;
}
