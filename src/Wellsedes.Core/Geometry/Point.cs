using System.Text.Json.Serialization;

namespace Wellsedes.Core.Geometry;

/// <summary>A place or a vector on a level, in mm: x east, y north.</summary>
public readonly record struct Point(double X, double Y)
{
    [JsonIgnore]
    public double Length => Math.Sqrt(X * X + Y * Y);

    /// <summary>The vector a quarter turn counter-clockwise.</summary>
    public Point Left() => new(-Y, X);

    public static Point operator +(Point a, Point b) => new(a.X + b.X, a.Y + b.Y);

    public static Point operator -(Point a, Point b) => new(a.X - b.X, a.Y - b.Y);

    public static Point operator *(Point a, double k) => new(a.X * k, a.Y * k);

    public double Dot(Point other) => X * other.X + Y * other.Y;

    public double Cross(Point other) => X * other.Y - Y * other.X;

    public double DistanceTo(Point other) => (this - other).Length;

    /// <summary>The same direction with length 1; a zero vector stays zero.</summary>
    public Point Unit()
    {
        var length = Length;
        return length == 0 ? this : new Point(X / length, Y / length);
    }

    /// <summary>The point of a straight line between two points that is nearest to this one.</summary>
    public Point NearestOn(Point from, Point to)
    {
        var along = to - from;
        return from + along * Math.Clamp((this - from).Dot(along) / Math.Max(1e-9, along.Dot(along)), 0, 1);
    }

    public static Point Middle(Point a, Point b) => new((a.X + b.X) / 2, (a.Y + b.Y) / 2);

    /// <summary>The unit vector at an angle in degrees counter-clockwise from east.</summary>
    public static Point At(double degrees)
    {
        var (sin, cos) = Angles.SinCos(degrees);
        return new Point(cos, sin);
    }
}
