using System.Collections.Immutable;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Catalogue;

/// <summary>
/// The outline of an own item and what is drawn in it, in mm about its middle, front towards -y; made larger or smaller with the
/// size of the item.
/// </summary>
/// <param name="Outline">A simple ring, in either direction.</param>
/// <param name="Lines">Runs of points, drawn thin.</param>
public sealed record OwnShape(ImmutableArray<Point> Outline, ImmutableArray<OwnLine> Lines)
{
    /// <summary>The most corners of an outline.</summary>
    public const int MostCorners = 80;

    /// <summary>The most runs, and the most points of all of them.</summary>
    public const int MostLines = 400;
    public const int MostPoints = 4000;

    /// <summary>What is wrong with it; null when nothing is.</summary>
    public (string Field, string Message)? Wrong()
    {
        if (Outline.IsDefault || Outline.Length is < 3 or > MostCorners)
            return ("outline", $"An outline has from 3 to {MostCorners} corners; {(Outline.IsDefault ? 0 : Outline.Length)} were given.");
        if (
            Lines.IsDefault
            || Lines.Length > MostLines
            || Lines.Sum(line => line.Points.IsDefault ? MostPoints + 1 : line.Points.Length) > MostPoints
        )
            return ("lines", $"At most {MostLines} lines of {MostPoints} points together are drawn in an outline.");
        if (Math.Abs(Region.SignedArea(Outline)) < 1)
            return ("outline", "The outline holds no area.");
        for (var i = 0; i < Outline.Length; i++)
        for (var j = i + 1; j < Outline.Length; j++)
            if (Crosses(i, j))
                return ("outline", $"The outline crosses itself: side {i + 1} and side {j + 1}.");
        return null;
    }

    private bool Crosses(int i, int j)
    {
        var n = Outline.Length;
        var (a, b, c, d) = (Outline[i], Outline[(i + 1) % n], Outline[j], Outline[(j + 1) % n]);
        if (j == i + 1 || (i == 0 && j == n - 1))
            return false;
        double Side(Point p, Point q, Point r) => (q - p).Cross(r - p);
        return Side(a, b, c) * Side(a, b, d) <= 0 && Side(c, d, a) * Side(c, d, b) <= 0;
    }
}

/// <summary>A run of points that is drawn, in mm.</summary>
public sealed record OwnLine(ImmutableArray<Point> Points, bool Closed = false);
