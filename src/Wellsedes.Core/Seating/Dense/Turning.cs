using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Seating.Dense;

/// <summary>By which parts of a whole turn about its middle a region stays as it is, or nearly: fills that do so too are often the fullest there.</summary>
internal sealed class Turning
{
    private const int Most = 9;
    private const int Samples = 20;

    /// <summary>So many of the places on the floor must be on it after the turn.</summary>
    private const double Nearly = 0.97;

    public Point Middle { get; }

    /// <summary>In how many equal turns it comes round.</summary>
    public int[] Folds { get; }

    /// <summary>Those that so many places can be parted into, one perhaps standing in the middle.</summary>
    public int[] FoldsOf(int places) => Array.FindAll(Folds, fold => places % fold < 2);

    public bool IsRound => Folds.Length > 4;

    public Turning(NearGround ground)
    {
        var box = ground.Bounds;
        Middle = box.Centre;
        Point[] on =
        [
            .. Enumerable
                .Range(0, Samples * Samples)
                .Select(i => new Point(
                    box.MinX + box.Width * ((i % Samples + 0.5) / Samples),
                    box.MinY + box.Height * ((i / Samples + 0.5) / Samples)
                ))
                .Where(ground.Holds),
        ];
        Folds = [.. Enumerable.Range(2, Most - 1).Where(fold => on.Count(p => ground.Holds(About(p, 360.0 / fold))) >= Nearly * on.Length)];
    }

    public Point About(Point p, double degrees) => new Placement(Middle.X, Middle.Y, degrees).Out(p - Middle);
}
