using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Compliance;

/// <summary>Something that stands in somebody's way: of the shell, or an item with the chairs at it.</summary>
/// <param name="Id">Of what it is a part of.</param>
/// <param name="Item">Whose it is; null for the shell's.</param>
/// <param name="IsChair">Whether it is the floor of a chair at the item.</param>
internal sealed record Standing(Convex Shape, string Id, PlacedItem? Item, bool IsChair = false)
{
    /// <summary>Walls with their closed openings, what is solid of the shell, and items that stand on the floor.</summary>
    public static SpatialIndex<Standing> On(LevelSpace space, IReadOnlyCollection<PlacedItem> items) =>
        new(
            [
                .. space.Pieces.Where(piece => piece.IsInTheWay).Select(piece => new Standing(piece.Body, piece.Wall.Id, null)),
                .. space.Solids().Select(solid => new Standing(solid.Shape, solid.Id, null)),
                .. items
                    .Where(item => !item.LiesFlat && !item.IsOverhead && !item.Form.ForScale)
                    .SelectMany(item =>
                        item.Solids.Select(shape => new Standing(shape, item.Item.Id, item))
                            .Concat(item.Seated.Select(shape => new Standing(shape, item.Item.Id, item, true)))
                    ),
            ],
            one => one.Shape.Bounds
        );
}
