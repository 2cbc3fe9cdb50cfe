using System.Collections.Immutable;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Tracing;

/// <summary>A length known on a picture: how many pixels it is, and how many mm it is said to be.</summary>
public readonly record struct PictureLength(double Pixels, double Millimetres);

/// <summary>The scale of a picture and how far each known length is off it.</summary>
/// <param name="Scale">mm on the level for one pixel.</param>
/// <param name="Errors">For each length, what the scale makes of it less what it was said to be, in mm.</param>
public sealed record PictureScale(double Scale, ImmutableArray<double> Errors)
{
    /// <summary>
    /// The scale that fits known lengths best by least squares: s = sum(p m) / sum(p p). One length fits exactly; two
    /// that disagree leave an error that is shown.
    /// </summary>
    /// <exception cref="ArgumentException">No length, or one of no pixels or no mm.</exception>
    public static PictureScale FromLengths(IReadOnlyList<PictureLength> lengths)
    {
        if (lengths.Count == 0 || lengths.Any(length => !(length.Pixels > 0) || !(length.Millimetres > 0)))
            throw new ArgumentException("A scale needs lengths of more than 0.", nameof(lengths));
        var scale = lengths.Sum(l => l.Pixels * l.Millimetres) / lengths.Sum(l => l.Pixels * l.Pixels);
        return new PictureScale(scale, [.. lengths.Select(l => l.Pixels * scale - l.Millimetres)]);
    }

    /// <summary>The scale at which an outline in pixels holds an area in m².</summary>
    public static PictureScale FromArea(ImmutableArray<Point> corners, double area) =>
        new(Math.Sqrt(area * 1e6 / Math.Abs(Region.SignedArea(corners))), []);

    /// <summary>The scale of a drawing of a paper width in mm that says it is drawn at 1 : stated.</summary>
    public static PictureScale FromPaper(int columns, double paperWidth, double stated) => new(paperWidth / columns * stated, []);
}
