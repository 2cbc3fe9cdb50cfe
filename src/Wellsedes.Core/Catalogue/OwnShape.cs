using System.Collections.Immutable;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Catalogue;

/// <summary>
/// The outline of an own item and what is drawn in it, in mm about its middle; made larger or smaller with the size of the item.
/// Compared by content.
/// </summary>
/// <param name="Outline">A simple ring, in either direction.</param>
/// <param name="Lines">Runs of points, drawn thin.</param>
/// <param name="Front">Which of its sides is the front: 0 its foot (-y), 1 its right, 2 its head, 3 its left.</param>
/// <param name="Picture">The thing seen from above; it fills the box of the outline.</param>
public sealed record OwnShape(ImmutableArray<Point> Outline, ImmutableArray<OwnLine> Lines, int Front = 0, OwnPicture? Picture = null)
{
    /// <summary>What stands up of it where that is not the outline to the full height: as high as its highest part.</summary>
    public ImmutableArray<OwnPart> Parts { get; init; } = [];

    /// <summary>Places to sit, of things that were taken together.</summary>
    public ImmutableArray<SeatPlace> Seats { get; init; } = [];

    /// <summary>Letters in it, of marks that were kept.</summary>
    public ImmutableArray<SymbolText> Texts { get; init; } = [];

    /// <summary>What it looks like in space, of one brought in from a model; null where its parts tell.</summary>
    public OwnMesh? Mesh { get; init; }

    /// <summary>Whether it is nothing but its lines and letters, marked on the floor: its outline is not drawn and nothing stands up.</summary>
    public bool IsMarked { get; init; }

    public bool Equals(OwnShape? other) =>
        other is not null
        && Front == other.Front
        && Outline.AsSpan().SequenceEqual(other.Outline.AsSpan())
        && Lines.AsSpan().SequenceEqual(other.Lines.AsSpan())
        && Parts.AsSpan().SequenceEqual(other.Parts.AsSpan())
        && Seats.AsSpan().SequenceEqual(other.Seats.AsSpan())
        && Texts.AsSpan().SequenceEqual(other.Texts.AsSpan())
        && IsMarked == other.IsMarked
        && Equals(Mesh, other.Mesh)
        && Equals(Picture, other.Picture);

    public override int GetHashCode() =>
        HashCode.Combine(
            Front,
            Outline.IsDefault ? 0 : Outline.Length,
            Lines.IsDefault ? 0 : Lines.Length,
            Parts.Length,
            Seats.Length,
            Picture
        );

    /// <summary>The most corners of an outline.</summary>
    public const int MostCorners = 80;

    /// <summary>The most runs, and the most points of all of them.</summary>
    public const int MostLines = 400;
    public const int MostPoints = 4000;

    /// <summary>The most parts that stand up, and the most places.</summary>
    public const int MostParts = 300;
    public const int MostSeats = 200;
    public const int MostTexts = 100;

    /// <summary>What is wrong with it; null when nothing is.</summary>
    public (string Field, string Message)? Wrong()
    {
        if (WrongOutline(Outline) is { } wrong)
            return ("outline", wrong);
        if (
            Lines.IsDefault
            || Lines.Length > MostLines
            || Lines.Sum(line => line.Points.IsDefault ? MostPoints + 1 : line.Points.Length) > MostPoints
        )
            return ("lines", $"At most {MostLines} lines of {MostPoints} points together are drawn in an outline.");
        if (Front is < 0 or > 3)
            return ("front", $"The front is side 0 (foot), 1 (right), 2 (head) or 3 (left); {Front} was given.");
        if (Parts.Length > MostParts || Parts.Any(part => part.Wrong()))
            return (
                "parts",
                $"At most {MostParts} parts stand up, each of 3 to {OwnPart.MostCorners} corners and from one height to a greater."
            );
        if (Seats.Length > MostSeats || Seats.Any(seat => seat.Width is not (> 0 and < 5000) || seat.ChairDepth is not (> 0 and < 5000)))
            return ("seats", $"At most {MostSeats} places, each of a width and depth in mm.");
        if (Texts.Length > MostTexts || Texts.Any(text => text.Text.Length == 0 || !(text.Size >= 0 && text.Size <= 10_000)))
            return ("texts", $"At most {MostTexts} texts, each of at least one character and up to 10 000 mm high.");
        return Mesh?.Wrong() is { } wrongMesh ? ("mesh", wrongMesh) : Picture?.Wrong();
    }

    /// <summary>What is wrong with a ring as an outline; null when nothing is.</summary>
    public static string? WrongOutline(ImmutableArray<Point> ring) =>
        ring.IsDefault || ring.Length is < 3 or > MostCorners
            ? $"An outline has from 3 to {MostCorners} corners; {(ring.IsDefault ? 0 : ring.Length)} were given."
        : Math.Abs(Region.SignedArea(ring)) < 1 ? "The outline holds no area."
        : Polygons.Crossing(ring) is var (i, j) ? $"The outline crosses itself: side {i + 1} and side {j + 1}."
        : null;

    /// <summary>The hull of points with no more corners than an outline may have.</summary>
    public static ImmutableArray<Point> HullOf(IReadOnlyList<Point> points)
    {
        ImmutableArray<Point> hull = [.. Convex.HullOf(points).Corners];
        for (var off = 0.5; hull.Length > MostCorners; off *= 2)
            hull = Thinning.Of(hull, off);
        return hull;
    }

    /// <summary>The longest of some lines, as many as are drawn in an outline.</summary>
    public static ImmutableArray<OwnLine> Longest(IEnumerable<OwnLine> lines)
    {
        var kept = lines.OrderByDescending(line => line.Points.Length).Take(MostLines).ToList();
        while (kept.Sum(line => line.Points.Length) > MostPoints)
            kept.RemoveAt(kept.Count - 1);
        return [.. kept];
    }
}

/// <summary>A run of points that is drawn, in mm.</summary>
public sealed record OwnLine(ImmutableArray<Point> Points, bool Closed = false, bool Dashed = false)
{
    public bool Equals(OwnLine? other) =>
        other is not null && (Closed, Dashed) == (other.Closed, other.Dashed) && Points.AsSpan().SequenceEqual(other.Points.AsSpan());

    public override int GetHashCode() => HashCode.Combine(Closed, Points.IsDefault ? 0 : Points.Length);
}

/// <summary>A solid part of an own item: convex, from one height above its underside to another, in mm.</summary>
public sealed record OwnPart(PrismRole Role, ImmutableArray<Point> Outline, double From, double To)
{
    public const int MostCorners = 64;

    public bool Equals(OwnPart? other) =>
        other is not null
        && (Role, From, To) == (other.Role, other.From, other.To)
        && Outline.AsSpan().SequenceEqual(other.Outline.AsSpan());

    public override int GetHashCode() => HashCode.Combine(Role, From, To);

    public bool Wrong() => Outline.IsDefault || Outline.Length is < 3 or > MostCorners || !(From >= 0) || !(To > From);
}

/// <summary>How deep the floor is that an own item needs in use at each of its sides, in mm; 0 for none.</summary>
public readonly record struct UseSpaces(double Front = 0, double Back = 0, double Left = 0, double Right = 0)
{
    /// <summary>The deepest that makes sense, in mm; a house value.</summary>
    public const double Deepest = 5000;
}
