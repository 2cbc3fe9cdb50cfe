using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Seating.Dense;

/// <summary>
/// A region in small cells, each of which knows what of its bounds is near, so that a place is looked at in the time that a few of them take. Cells are made when first
/// asked for. Several searches may use one at once: which of them makes a cell does not matter. Millimetres.
/// </summary>
internal sealed class NearGround
{
    /// <summary>On floors that would have more, cells are larger.</summary>
    private const double MostCells = 400_000;

    private readonly CentreRegion region;
    private readonly double size;
    private readonly Bounds box;
    private readonly int columns;
    private readonly Cell?[] cells;

    /// <summary>Cells that are known to be clear of all: most are, and this is what fits the nearest memory.</summary>
    private readonly bool[] clear;

    /// <param name="IsIn">Whether the cell's middle lies on the floor.</param>
    /// <param name="Across">Sides of the floor that may cross the cell.</param>
    /// <param name="Near">Sides that a place on the floor in the cell may be too near to.</param>
    /// <param name="Back">Sides that may be the nearest to a place off the floor.</param>
    private sealed record Cell(
        Point Middle,
        bool IsIn,
        (Point From, Point To)[] Across,
        (Point From, Point To)[] Near,
        (Point From, Point To)[] Back,
        Convex[] Obstacles
    );

    /// <param name="size">Of a cell, at least.</param>
    public NearGround(CentreRegion region, double size)
    {
        this.region = region;
        this.size = size = Math.Max(size, Math.Sqrt(region.Bounds.Width * region.Bounds.Height / MostCells));
        // Not by whole cells: on a floor of round measures a cell's middle would lie on a side.
        box = region.Bounds.Grown(4.0371 * size);
        columns = (int)(box.Width / size) + 1;
        cells = new Cell?[columns * ((int)(box.Height / size) + 1)];
        clear = new bool[cells.Length];
        turning = new(() => new(this));
    }

    /// <summary>The box of the floor.</summary>
    public Bounds Bounds => region.Bounds;

    /// <summary>By which turns it stays as it is; found when first asked for.</summary>
    public Turning Turning => turning.Value;

    private readonly Lazy<Turning> turning;

    /// <summary>As <see cref="CentreRegion.Depth"/>.</summary>
    public double Depth(Point p, out Point push)
    {
        push = default;
        var at = At(p);
        if (at >= 0 && clear[at])
            return 0;
        if (at < 0)
            return region.Depth(p, out push);
        var cell = cells[at] ??= Made(at);
        var isIn = IsIn(p, cell);
        return region.Depth(p, isIn, isIn ? cell.Near : cell.Back, cell.Obstacles, out push);
    }

    /// <summary>As <see cref="CentreRegion.Holds"/>.</summary>
    public bool Holds(Point p)
    {
        var at = At(p);
        if (at < 0)
            return false;
        var cell = cells[at] ??= Made(at);
        return clear[at] || (IsIn(p, cell) && region.Keeps(p, cell.Near, cell.Obstacles));
    }

    /// <summary>The number of the cell a place lies in; -1 beyond all.</summary>
    private int At(Point p) => box.Holds(p) ? (int)((p.Y - box.MinY) / size) * columns + (int)((p.X - box.MinX) / size) : -1;

    private Cell Made(int at)
    {
        var middle = new Point(box.MinX + (at % columns + 0.5) * size, box.MinY + (at / columns + 0.5) * size);
        var reach = size * 0.7072;
        var isIn = region.IsFloor(middle);
        var (near, across) = (region.SidesWithin(middle, region.Off + reach), region.SidesWithin(middle, reach));
        // From any place in the cell the nearest side is at most this much farther than from its middle.
        (Point, Point)[] back = isIn && across.Length == 0 ? [] : region.SidesWithin(middle, region.ToSides(middle) + 2 * reach);
        var obstacles = region.ObstaclesWithin(middle, reach);
        clear[at] = isIn && near.Length + obstacles.Length == 0;
        return new Cell(middle, isIn, across, near, back, obstacles);
    }

    /// <summary>On the floor as the cell's middle is, but for the sides between.</summary>
    private static bool IsIn(Point p, Cell cell)
    {
        var isIn = cell.IsIn;
        var way = p - cell.Middle;
        foreach (var (from, to) in cell.Across)
        {
            var (a, b) = (way.Cross(from - cell.Middle), way.Cross(to - cell.Middle));
            if (a > 0 == b > 0)
                continue;
            var side = to - from;
            if (side.Cross(cell.Middle - from) > 0 != side.Cross(p - from) > 0)
                isIn = !isIn;
        }
        return isIn;
    }
}
