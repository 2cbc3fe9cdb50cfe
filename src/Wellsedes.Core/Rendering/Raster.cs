using System.Runtime.InteropServices;

namespace Wellsedes.Core.Rendering;

/// <summary>Some rows of a picture: of each pixel which face is nearest, and how near it is. Polygons cover the pixels whose middles lie in them.</summary>
internal sealed class Raster
{
    public const int Nothing = -1;

    private readonly float[] left;
    private readonly float[] right;

    public Raster(int width, int rows)
    {
        (Width, Rows) = (width, rows);
        (Near, Face) = (new float[width * rows], new int[width * rows]);
        (left, right) = (new float[rows], new float[rows]);
    }

    public int Width { get; }
    public int Rows { get; }

    /// <summary>The first row, of the whole picture.</summary>
    public int From { get; private set; }
    public float[] Near { get; }
    public int[] Face { get; }

    public void Clear(int from, float far = 0)
    {
        From = from;
        Array.Fill(Near, far);
        Array.Fill(Face, Nothing);
    }

    public void Draw(Projection projection, in Projected polygon)
    {
        var corners = CollectionsMarshal.AsSpan(projection.Corners).Slice(polygon.First, polygon.Count);
        var first = Math.Max(0, (int)Math.Ceiling(polygon.Top - 0.5f) - From);
        var last = Math.Min(Rows - 1, (int)Math.Ceiling(polygon.Bottom - 0.5f) - 1 - From);
        if (last < first)
            return;
        for (var row = first; row <= last; row++)
            (left[row], right[row]) = (float.PositiveInfinity, float.NegativeInfinity);
        for (var i = 0; i < corners.Length; i++)
            Side(corners[i], corners[i + 1 == corners.Length ? 0 : i + 1], first, last);
        for (var row = first; row <= last; row++)
        {
            var start = Math.Max(0, (int)MathF.Ceiling(Math.Max(-1, left[row] - 0.5f)));
            var end = Math.Min(Width - 1, (int)MathF.Ceiling(Math.Min(Width + 1, right[row] - 0.5f)) - 1);
            if (end < start)
                continue;
            // In full: over a wide row the errors of single figures would add up to more than a sheet of paper on a table.
            var near = polygon.Across * (start + 0.5) + polygon.Down * (row + From + 0.5) + polygon.Base;
            for (var at = row * Width + start; at <= row * Width + end; at++, near += polygon.Across)
                if (near > Near[at])
                    (Near[at], Face[at]) = ((float)near, polygon.Face);
        }
    }

    private void Side((float X, float Y) a, (float X, float Y) b, int first, int last)
    {
        if (a.Y > b.Y)
            (a, b) = (b, a);
        var from = Math.Max(first, (int)Math.Clamp(MathF.Ceiling(a.Y - 0.5f), int.MinValue / 2, int.MaxValue / 2) - From);
        var to = Math.Min(last, (int)Math.Clamp(MathF.Ceiling(b.Y - 0.5f), int.MinValue / 2, int.MaxValue / 2) - 1 - From);
        if (to < from)
            return;
        var slope = ((double)b.X - a.X) / ((double)b.Y - a.Y);
        for (var row = from; row <= to; row++)
        {
            var x = (float)(a.X + (row + From + 0.5 - a.Y) * slope);
            left[row] = Math.Min(left[row], x);
            right[row] = Math.Max(right[row], x);
        }
    }
}
