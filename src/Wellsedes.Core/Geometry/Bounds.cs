namespace Wellsedes.Core.Geometry;

/// <summary>An upright box in mm.</summary>
public readonly record struct Bounds(double MinX, double MinY, double MaxX, double MaxY)
{
    public static readonly Bounds Empty = new(
        double.PositiveInfinity,
        double.PositiveInfinity,
        double.NegativeInfinity,
        double.NegativeInfinity
    );

    public static readonly Bounds Everything = new(
        double.NegativeInfinity,
        double.NegativeInfinity,
        double.PositiveInfinity,
        double.PositiveInfinity
    );

    public bool IsEmpty => MinX > MaxX;
    public double Width => MaxX - MinX;
    public double Height => MaxY - MinY;
    public Point Centre => new((MinX + MaxX) / 2, (MinY + MaxY) / 2);

    public Bounds Including(Point p) => new(Math.Min(MinX, p.X), Math.Min(MinY, p.Y), Math.Max(MaxX, p.X), Math.Max(MaxY, p.Y));

    public Bounds Including(Bounds b) =>
        new(Math.Min(MinX, b.MinX), Math.Min(MinY, b.MinY), Math.Max(MaxX, b.MaxX), Math.Max(MaxY, b.MaxY));

    public Bounds Grown(double by) => new(MinX - by, MinY - by, MaxX + by, MaxY + by);

    public bool Meets(Bounds b) => MinX <= b.MaxX && b.MinX <= MaxX && MinY <= b.MaxY && b.MinY <= MaxY;

    /// <summary>The distance in mm to a point; 0 for one within.</summary>
    public double DistanceTo(Point p) => Math.Sqrt(SquareFromNearest(p));

    /// <summary>The square of the distance to a point, in mm²; 0 for one within.</summary>
    public double SquareFromNearest(Point p)
    {
        var dx = Math.Max(0, Math.Max(MinX - p.X, p.X - MaxX));
        var dy = Math.Max(0, Math.Max(MinY - p.Y, p.Y - MaxY));
        return dx * dx + dy * dy;
    }

    /// <summary>The square of the distance from a point to the farthest corner, in mm².</summary>
    public double SquareFromFarthest(Point p)
    {
        var dx = Math.Max(p.X - MinX, MaxX - p.X);
        var dy = Math.Max(p.Y - MinY, MaxY - p.Y);
        return dx * dx + dy * dy;
    }

    /// <summary>The distance in mm between two boxes; 0 where they meet.</summary>
    public double DistanceTo(Bounds b)
    {
        var dx = Math.Max(0, Math.Max(MinX - b.MaxX, b.MinX - MaxX));
        var dy = Math.Max(0, Math.Max(MinY - b.MaxY, b.MinY - MaxY));
        return Math.Sqrt(dx * dx + dy * dy);
    }

    public bool Holds(Bounds b) => MinX <= b.MinX && b.MaxX <= MaxX && MinY <= b.MinY && b.MaxY <= MaxY;

    public bool Holds(Point p) => p.X >= MinX && p.X <= MaxX && p.Y >= MinY && p.Y <= MaxY;

    /// <summary>The box of one point: nothing wide and nothing high.</summary>
    public static Bounds At(Point p) => new(p.X, p.Y, p.X, p.Y);

    public static Bounds Around(IEnumerable<Point> points) => points.Aggregate(Empty, (bounds, point) => bounds.Including(point));
}
