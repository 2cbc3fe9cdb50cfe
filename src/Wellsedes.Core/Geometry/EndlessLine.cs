namespace Wellsedes.Core.Geometry;

/// <summary>A line without ends: a point on it and its unit direction.</summary>
public readonly record struct EndlessLine(Point Through, Point Along)
{
    /// <summary>Where two lines cross; null when the sine of the angle between them is less than the least one.</summary>
    public Point? Crossing(EndlessLine other, double leastSine)
    {
        var sine = Along.Cross(other.Along);
        return Math.Abs(sine) < leastSine ? null : Through + Along * ((other.Through - Through).Cross(other.Along) / sine);
    }
}
