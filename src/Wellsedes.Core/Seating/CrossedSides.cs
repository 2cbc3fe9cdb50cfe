using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Seating;

/// <summary>The sides of an area, found by the height of a line that crosses them: of a round one's hundreds a line crosses two.</summary>
internal sealed class CrossedSides
{
    /// <summary>Fewer are simply all looked at.</summary>
    private const int Few = 16;

    private readonly (Point From, Point To)[][] bands;
    private readonly double bottom;
    private readonly double height;

    public CrossedSides((Point From, Point To)[] sides)
    {
        var (low, high) = (double.PositiveInfinity, double.NegativeInfinity);
        foreach (var (from, to) in sides)
            (low, high) = (Math.Min(low, Math.Min(from.Y, to.Y)), Math.Max(high, Math.Max(from.Y, to.Y)));
        var count = sides.Length <= Few ? 1 : sides.Length / 4;
        (bottom, height) = (low, Math.Max(1e-9, (high - low) / count));
        var found = Enumerable.Range(0, count).Select(_ => new List<(Point, Point)>()).ToArray();
        foreach (var side in sides)
            for (var i = BandOf(Math.Min(side.From.Y, side.To.Y), count); i <= BandOf(Math.Max(side.From.Y, side.To.Y), count); i++)
                found[i].Add(side);
        bands = [.. found.Select(band => band.ToArray())];
    }

    private int BandOf(double y, int count) => (int)Math.Clamp((y - bottom) / height, 0, count - 1);

    /// <summary>Whether a place lies within them: a line from it to the right crosses an odd number.</summary>
    public bool Enclose(Point p)
    {
        var isIn = false;
        foreach (ref readonly var side in bands[BandOf(p.Y, bands.Length)].AsSpan())
            if (side.From.Y > p.Y != side.To.Y > p.Y && p.X < X(side, p.Y))
                isIn = !isIn;
        return isIn;
    }

    private static double X(in (Point From, Point To) side, double y) =>
        side.From.X + (side.To.X - side.From.X) * (y - side.From.Y) / (side.To.Y - side.From.Y);

    /// <summary>Where they cross a line, in order, put into a list that is emptied before.</summary>
    public void At(double y, List<double> crossings)
    {
        crossings.Clear();
        foreach (ref readonly var side in bands[BandOf(y, bands.Length)].AsSpan())
            if (side.From.Y > y != side.To.Y > y)
                crossings.Add(X(side, y));
        Bands.Sort(crossings, static (a, b) => a.CompareTo(b));
    }
}
