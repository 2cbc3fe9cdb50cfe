namespace Wellsedes.Core.Geometry;

/// <summary>Where a thing stands: its own origin in mm and its turn in degrees counter-clockwise.</summary>
public readonly record struct Placement(double X, double Y, double Rotation)
{
    public Point Origin => new(X, Y);

    /// <summary>From the thing's own coordinates to the level's.</summary>
    public Point Out(Point own)
    {
        var (sin, cos) = Angles.SinCos(Rotation);
        return new Point(X + own.X * cos - own.Y * sin, Y + own.X * sin + own.Y * cos);
    }

    /// <summary>A direction turned with the thing.</summary>
    public Point Turned(Point direction)
    {
        var (sin, cos) = Angles.SinCos(Rotation);
        return new Point(direction.X * cos - direction.Y * sin, direction.X * sin + direction.Y * cos);
    }

    /// <summary>From the level's coordinates to the thing's own.</summary>
    public Point In(Point level)
    {
        var (sin, cos) = Angles.SinCos(Rotation);
        var (dx, dy) = (level.X - X, level.Y - Y);
        return new Point(dx * cos + dy * sin, -dx * sin + dy * cos);
    }

    /// <summary>Another placement as it is seen from this one: <see cref="Then"/> with it gives the other.</summary>
    public Placement Seen(Placement other)
    {
        var origin = In(other.Origin);
        return new Placement(origin.X, origin.Y, other.Rotation - Rotation);
    }

    /// <summary>A placement inside a placement: a chair's within its table's.</summary>
    public Placement Then(Placement inner)
    {
        var origin = Out(inner.Origin);
        return new Placement(origin.X, origin.Y, Rotation + inner.Rotation);
    }
}
