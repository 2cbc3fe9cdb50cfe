using System.Collections.Immutable;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Tracing;

/// <summary>What is kept of a picture, pixel by pixel: columns to the right, rows down.</summary>
public sealed class Mask(int columns, int rows)
{
    private readonly bool[] kept = new bool[columns * rows];

    public int Columns => columns;
    public int Rows => rows;

    /// <summary>Whether a pixel is kept; those outside are not.</summary>
    public bool this[int x, int y]
    {
        get => x >= 0 && y >= 0 && x < columns && y < rows && kept[y * columns + x];
        set => kept[y * columns + x] = value;
    }

    public int Count => kept.Count(one => one);

    /// <summary>The least box round what is kept, in whole pixels: from its first to behind its last; null when nothing is.</summary>
    public (int Left, int Top, int Right, int Bottom)? Box()
    {
        var (left, top, right, bottom) = (columns, rows, 0, 0);
        for (var y = 0; y < rows; y++)
        for (var x = 0; x < columns; x++)
            if (kept[y * columns + x])
                (left, top, right, bottom) = (Math.Min(left, x), Math.Min(top, y), Math.Max(right, x + 1), Math.Max(bottom, y + 1));
        return left < right ? (left, top, right, bottom) : null;
    }

    /// <summary>Keeps or drops what lies within a ring of points, in pixels.</summary>
    public void Fill(ImmutableArray<Point> ring, bool keep)
    {
        var region = new Region(ring, []);
        var (minY, maxY) = ((int)Math.Max(0, region.Bounds.MinY), (int)Math.Min(rows - 1, region.Bounds.MaxY));
        var (minX, maxX) = ((int)Math.Max(0, region.Bounds.MinX), (int)Math.Min(columns - 1, region.Bounds.MaxX));
        for (var y = minY; y <= maxY; y++)
        for (var x = minX; x <= maxX; x++)
            if (region.Holds(new Point(x + 0.5, y + 0.5)))
                this[x, y] = keep;
    }

    /// <summary>What hangs together side by side, largest first.</summary>
    public ImmutableArray<Mask> Pieces()
    {
        var seen = new bool[kept.Length];
        List<(int Count, Mask Piece)> pieces = [];
        var open = new Stack<int>();
        for (var start = 0; start < kept.Length; start++)
        {
            if (!kept[start] || seen[start])
                continue;
            var piece = new Mask(columns, rows);
            var count = 0;
            seen[start] = true;
            open.Push(start);
            while (open.TryPop(out var at))
            {
                piece.kept[at] = true;
                count++;
                var x = at % columns;
                Look(at - columns, at >= columns);
                Look(at + columns, at < kept.Length - columns);
                Look(at - 1, x > 0);
                Look(at + 1, x < columns - 1);
            }
            pieces.Add((count, piece));
            // Dust of single pixels is not worth a mask each.
            if (pieces.Count > 64)
                pieces.Remove(pieces.MinBy(one => one.Count));
        }
        return [.. pieces.OrderByDescending(one => one.Count).Select(one => one.Piece)];

        void Look(int next, bool isThere)
        {
            if (!isThere || seen[next] || !kept[next])
                return;
            seen[next] = true;
            open.Push(next);
        }
    }

    /// <summary>
    /// The outer edge of the piece that holds the first kept pixel, along the sides of its pixels: corners in pixels, y down, the
    /// piece to the right of the way. Pixels that touch by a corner only count as apart.
    /// </summary>
    public ImmutableArray<Point> Edge()
    {
        var start = Array.IndexOf(kept, true);
        if (start < 0)
            return [];
        var (x, y) = (start % columns, start / columns);
        var (sx, sy) = (x, y);
        var (dx, dy) = (1, 0);
        var ring = ImmutableArray.CreateBuilder<Point>();
        do
        {
            // The two pixels ahead, to the left and to the right of the way from the corner (x, y).
            var (leftX, leftY) = (x + (dx + dy - 1) / 2, y + (dy - dx - 1) / 2);
            var (rightX, rightY) = (x + (dx - dy - 1) / 2, y + (dy + dx - 1) / 2);
            if (!this[rightX, rightY])
                Turn(-dy, dx);
            else if (this[leftX, leftY])
                Turn(dy, -dx);
            (x, y) = (x + dx, y + dy);
        } while ((x, y) != (sx, sy));
        ring.Add(new Point(x, y));
        return ring.ToImmutable();

        void Turn(int toX, int toY)
        {
            ring.Add(new Point(x, y));
            (dx, dy) = (toX, toY);
        }
    }
}
