using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Seating.Rows;

/// <summary>
/// The floor as rows see it. Across is measured backwards from the front: the front edge of a row has the least. Along is what a row
/// runs in: mm for straight rows, radians for those about a point.
/// </summary>
internal abstract class RowGround
{
    /// <summary>Bands are looked at this much narrower on either side, in mm: what they only touch is not in them.</summary>
    protected const double Hair = 1e-4;

    /// <summary>Bounds across, of the floor.</summary>
    public abstract (double Least, double Most) Across { get; }

    /// <summary>Where something begins or ends, across, things grown by a gap.</summary>
    public abstract IEnumerable<double> Events(double gap);

    /// <summary>Whether something lies neither along nor square to the rows.</summary>
    public abstract bool IsSlanted { get; }

    /// <summary>The parts of a band across that are free all through, in order, with a gap to what stands.</summary>
    public abstract List<(double From, double To)> Free(double near, double far, double gap);

    /// <summary>A length in mm along the front of a row, as the row counts.</summary>
    public abstract double Length(double mm, double across);

    /// <summary>How far apart along a row two things of a width lie whose nearest corners are a length in mm apart.</summary>
    public abstract double Between(double mm, double across, double width);

    /// <summary>The next row's front edge behind a row of a depth, things of a width, and a passage between, all in mm.</summary>
    public abstract double Behind(double across, double depth, double width, double passage);

    /// <summary>Where a thing is, its front looking where those who sit look.</summary>
    public abstract Placement At(double along, double across);

    /// <summary>The axis rows lie about.</summary>
    public abstract double Axis { get; }

    /// <summary>What is left of free parts where others are free as well.</summary>
    public static List<(double From, double To)> Both(List<(double From, double To)> one, List<(double From, double To)> other)
    {
        List<(double, double)> both = [];
        foreach (var (from, to) in one)
        foreach (var (start, end) in other)
            if (Math.Min(to, end) > Math.Max(from, start))
                both.Add((Math.Max(from, start), Math.Min(to, end)));
        return both;
    }

    /// <summary>Free parts less what is taken.</summary>
    protected static List<(double From, double To)> Less(List<(double From, double To)> free, List<(double From, double To)> taken)
    {
        taken.Sort();
        List<(double From, double To)> left = [];
        foreach (var (from, to) in free)
            Bands.Less(from, to, taken, left);
        return left;
    }
}
