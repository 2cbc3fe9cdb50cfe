namespace Wellsedes.Core.Walkways;

/// <summary>A narrow place or a crossing with the rims it is attached to, under its number in a graph and those made from it.</summary>
internal sealed record GapLink(int Number, int RimA, int RimB, Narrow? Narrow, Crossing? Crossing)
{
    public bool IsNarrow => Narrow is not null;

    private readonly double positionA = Narrow?.PositionA ?? Crossing!.PositionA;
    private readonly double positionB = Narrow?.PositionB ?? Crossing!.PositionB;

    public double PositionOn(bool a) => a ? positionA : positionB;

    /// <summary>Of a crossing, whether walking counter-clockwise round A one enters B.</summary>
    public bool Enters { get; } = Crossing is { Enters: true };

    private (double X, double Y) Place =>
        Narrow is { } narrow ? (narrow.OnA.X + narrow.OnB.X, narrow.OnA.Y + narrow.OnB.Y) : (2 * Crossing!.At.X, 2 * Crossing.At.Y);

    /// <summary>Of two in one line upwards the lower first, and of two in one place that which was found first.</summary>
    public static int LeftmostFirst(GapLink one, GapLink other)
    {
        var order = one.Place.CompareTo(other.Place);
        return order != 0 ? order : one.Number.CompareTo(other.Number);
    }

    /// <summary>Of two as wide as each other the leftmost: the order must not follow from how they were found.</summary>
    public static int WidestFirst(GapLink one, GapLink other)
    {
        var order = other.Narrow!.Width.CompareTo(one.Narrow!.Width);
        return order != 0 ? order : LeftmostFirst(one, other);
    }
}
