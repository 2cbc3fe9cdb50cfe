using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Compliance;

/// <summary>A loose chair, or a place for a wheelchair user, as one of a row.</summary>
public sealed class RowChair(PlacedItem item)
{
    /// <summary>Chairs farther ahead than this, in mm, are no row ahead.</summary>
    internal const double Ahead = 2500;

    public PlacedItem Item => item;
    public Convex Floor { get; } = Convex.Rectangle(default, item.Size.Width, item.Size.Depth).At(item.Item.Placement);
    public Placement At => Item.Item.Placement;
    public double Width => Item.Size.Width;
    public double Depth => Item.Size.Depth;

    /// <summary>Whether it is a place for a wheelchair user among them: of the row, but no chair that the passage is measured to.</summary>
    public bool IsPlace => Item.Kind.IsWheelchairSpace;
    public Point Back { get; } = item.Item.Placement.Out(new Point(0, item.Size.Depth / 2));

    /// <summary>The box around the floor before it on which the row ahead may stand.</summary>
    public Bounds AheadBox() => Bounds.Around([At.Origin, At.Out(new Point(0, -(Depth + Ahead)))]).Grown(Width / 2);

    private readonly (double Sin, double Cos) turn = Math.SinCos(item.Item.Placement.Rotation * Math.PI / 180);

    /// <summary>A point of the level in its own frame; asked of each neighbour, so its turn is worked out once.</summary>
    public Point In(Point p)
    {
        var (x, y) = (p.X - At.X, p.Y - At.Y);
        return new Point(x * turn.Cos + y * turn.Sin, y * turn.Cos - x * turn.Sin);
    }
}

/// <summary>An end of a row.</summary>
/// <param name="Side">-1 at the left of those who sit, 1 at the right.</param>
/// <param name="Clear">Floor beside it up to what stands next, in mm; endless where nothing stands within <see cref="Widest"/>.</param>
/// <param name="Beyond">The chair that stands next; null for a wall or anything else.</param>
/// <param name="From">Where that is measured from and to, in mm on the level.</param>
public sealed record RowEnd(RowChair Chair, int Side, double Clear, RowChair? Beyond, Point From, Point To)
{
    /// <summary>Floor that is wider than this, in mm, is no aisle but open floor; a house value.</summary>
    public const double Widest = 4000;

    /// <summary>Whether people come in at it.</summary>
    public bool IsFree => Clear >= SeatRows.Aisle - Tolerance.Length;
}

/// <summary>A row of chairs, from its left to its right end, seen by those who sit.</summary>
/// <param name="Clear">The clear passage before it, in mm; null where no row is ahead.</param>
/// <param name="Ahead">The number of the row ahead, -1 for none, or for chairs that are of no row.</param>
/// <param name="RowOf">The numbers of all rows, by their chairs.</param>
public sealed record SeatRow(
    int Number,
    ImmutableArray<RowChair> Chairs,
    double? Clear,
    int Ahead,
    RowEnd Left,
    RowEnd Right,
    IReadOnlyDictionary<RowChair, int> RowOf
)
{
    public RowEnd[] Ends => [Left, Right];

    public string Id { get; } = Chairs.Select(chair => chair.Item.Item.Id).Min(StringComparer.Ordinal)!;

    public string Name =>
        (Chairs[0].Item.Item.Label, Chairs[^1].Item.Item.Label) is var (first, last) && first.Length > 0 && last.Length > 0
            ? $"Row from {first} to {last}"
            : $"Row of {Chairs.Length} chairs";
}
