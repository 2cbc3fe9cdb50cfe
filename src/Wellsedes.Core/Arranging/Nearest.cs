using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Arranging;

/// <summary>A clear distance in mm from what is being moved to something near it, and the two points it is measured between.</summary>
public sealed record NearDistance(string OtherId, string OtherName, double Width, Point From, Point To);

/// <summary>Clear distances to the nearest walls and neighbours, from the true shapes.</summary>
public static class Nearest
{
    /// <summary>Further off than this, in mm, nothing is near.</summary>
    public const double Reach = 6000;

    /// <summary>The nearest wall in each of two directions and the nearest other things, nearest first.</summary>
    public static ImmutableArray<NearDistance> Of(
        IReadOnlyList<PlacedItem> moving,
        LevelSpace space,
        IReadOnlyList<PlacedItem> all,
        int neighbours = 3
    )
    {
        if (moving.Count == 0)
            return [];
        var ids = moving.Select(item => item.Item.Id).ToHashSet();
        // What stands on a deck has the deck under it, not beside it.
        var raised = all.Any(deck =>
            deck.Form.StoodOn && !ids.Contains(deck.Item.Id) && deck.Solids.Any(top => top.Holds(moving[0].Item.Placement.Origin))
        );
        var beside = all.Where(item => !item.Form.WalkedOn && !(raised && item.Form.StoodOn)).ToArray();
        return OfShapes([.. moving.SelectMany(item => item.Standing)], ids, space, beside, neighbours);
    }

    /// <summary>The same for shapes that need not be items.</summary>
    public static ImmutableArray<NearDistance> OfShapes(
        IReadOnlyList<Convex> shapes,
        IReadOnlySet<string> ids,
        LevelSpace space,
        IReadOnlyList<PlacedItem> beside,
        int neighbours
    )
    {
        if (shapes.Count == 0)
            return [];
        var box = shapes.Aggregate(Bounds.Empty, (sum, shape) => sum.Including(shape.Bounds));
        var near = box.Grown(Reach);
        var walls = space
            .Pieces.Where(piece => piece.Body.Bounds.Meets(near))
            .Select(piece => Closest(shapes, piece.Opening?.Id ?? piece.Wall.Id, WallName(piece), [piece.Body]))
            .Where(found => found.Width is > Tolerance.Length and < Reach)
            .OrderBy(found => found.Width)
            .ToArray();
        var first = walls.FirstOrDefault();
        var second = walls.FirstOrDefault(wall =>
            first is not null && Math.Abs((wall.To - wall.From).Unit().Dot((first.To - first.From).Unit())) < 0.5
        );
        var others = beside
            .Where(item => !ids.Contains(item.Item.Id) && item.Bounds.Meets(near))
            .Select(item => Closest(shapes, item.Item.Id, item.Name, item.Standing))
            .Concat(
                space.Solids().Where(solid => !ids.Contains(solid.Id)).Select(solid => Closest(shapes, solid.Id, solid.Name, [solid.Shape]))
            )
            .Where(found => found.Width is > Tolerance.Length and < Reach)
            .OrderBy(found => found.Width)
            .Take(neighbours);
        return [.. new[] { first, second }.OfType<NearDistance>().Concat(others).OrderBy(found => found.Width)];
    }

    /// <summary>The gap from a set of shapes to one thing.</summary>
    public static NearDistance Closest(IEnumerable<Convex> shapes, string id, string name, IEnumerable<Convex> other)
    {
        var best = new NearDistance(id, name, double.PositiveInfinity, default, default);
        foreach (var theirs in other)
        foreach (var shape in shapes)
        {
            var gap = Gap.Between(shape, theirs);
            if (gap.Width < best.Width)
                best = best with { Width = gap.Width, From = gap.A, To = gap.B };
        }
        return best;
    }

    private static string WallName(WallPiece piece) =>
        piece.Opening is null ? "Wall"
        : piece.Opening.Kind == OpeningKind.Window ? "Window"
        : "Door";
}
