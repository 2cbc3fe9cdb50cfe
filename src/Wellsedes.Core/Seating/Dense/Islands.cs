using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Seating.Dense;

/// <summary>
/// The parts of a region that are so far from one another, as across an aisle, that what stands in one never comes too near to what stands in another: each is filled for itself. Found
/// on a net of samples.
/// </summary>
internal sealed class Islands
{
    /// <summary>Samples to a distance.</summary>
    private const double Fine = 6;

    /// <summary>On floors that would have more they are farther apart; and with more than so many at the rims of parts all is one part.</summary>
    private const double MostSamples = 60_000;
    private const int MostAtRims = 4000;

    private readonly double step;
    private readonly Bounds box;
    private readonly int columns;

    /// <summary>The part at each sample, from 1; 0 for none.</summary>
    private readonly int[] parts;

    /// <summary>How many samples each part has.</summary>
    public IReadOnlyList<int> Sizes { get; }

    public Islands(CentreRegion region, double apart)
    {
        step = Math.Max(apart / Fine, Math.Sqrt(region.Bounds.Width * region.Bounds.Height / MostSamples));
        box = region.Bounds;
        columns = (int)(box.Width / step) + 1;
        parts = new int[columns * ((int)(box.Height / step) + 1)];
        var ground = new NearGround(region, apart / 4);
        var isOpen = Enumerable.Range(0, parts.Length).Select(i => ground.Holds(Sample(i))).ToArray();
        var sets = new JoinedSets(parts.Length);
        List<int> rim = [];
        for (var i = 0; i < parts.Length; i++)
        {
            if (!isOpen[i])
                continue;
            var (left, below) = (i % columns > 0 && isOpen[i - 1], i >= columns && isOpen[i - columns]);
            if (left)
                sets.Join(i - 1, i);
            if (below)
                sets.Join(i - columns, i);
            if (!left || !below || i % columns == columns - 1 || !isOpen[i + 1] || i + columns >= parts.Length || !isOpen[i + columns])
                rim.Add(i);
        }
        // Across what is narrower than the distance.
        var isOne = rim.Count > MostAtRims;
        for (var i = 1; i < rim.Count; i++)
        for (var j = isOne ? i - 1 : 0; j < i; j++)
            if (isOne || Sample(rim[i]).DistanceTo(Sample(rim[j])) < apart + 2 * step)
                sets.Join(rim[i], rim[j]);
        var sizes = Enumerable.Range(0, parts.Length).Where(i => isOpen[i]).CountBy(sets.Of).ToArray();
        var numbers = sizes.Select((size, at) => (size.Key, Number: at + 1)).ToDictionary(one => one.Key, one => one.Number);
        for (var i = 0; i < parts.Length; i++)
            if (isOpen[i])
                parts[i] = numbers[sets.Of(i)];
        Sizes = [.. sizes.Select(size => size.Value)];
    }

    private Point Sample(int i) => new(box.MinX + (i % columns + 0.5) * step, box.MinY + (i / columns + 0.5) * step);

    /// <summary>The part that a place lies in, or is nearest to.</summary>
    public int Of(Point p)
    {
        if (Sizes.Count < 2)
            return 0;
        var (x, y) = (Math.Clamp((int)((p.X - box.MinX) / step), 0, columns - 1), (int)Math.Max(0, (p.Y - box.MinY) / step));
        var at = Math.Min(y, parts.Length / columns - 1) * columns + x;
        if (parts[at] > 0)
            return parts[at] - 1;
        var (best, far) = (0, double.PositiveInfinity);
        for (var i = 0; i < parts.Length; i++)
            if (parts[i] > 0 && Sample(i).DistanceTo(p) is var off && off < far)
                (best, far) = (parts[i] - 1, off);
        return best;
    }
}
