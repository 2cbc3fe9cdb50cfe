using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Arranging;

/// <summary>A clear distance in mm from what is being moved to something near it, and the two points it is measured between.</summary>
/// <param name="Field">Of the selected block, the field that typing another distance changes; "" where typing moves what is selected.</param>
public sealed record NearDistance(string OtherId, string OtherName, double Width, Point From, Point To, string Field = "");

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
        var index = new SpatialIndex<Convex>(shapes, shape => shape.Bounds);
        var walls = space
            .Pieces.Where(piece => piece.Body.Bounds.Meets(near))
            .Select(piece => Closest(index, piece.Opening?.Id ?? piece.Wall.Id, WallName(piece), [piece.Body]))
            .Where(found => found.Width is > Tolerance.Length and < Reach)
            .OrderBy(found => found.Width)
            .ToArray();
        var first = walls.FirstOrDefault();
        var second = walls.FirstOrDefault(wall =>
            first is not null && Math.Abs((wall.To - wall.From).Unit().Dot((first.To - first.From).Unit())) < 0.5
        );
        var others = NearestOf(
            index,
            beside
                .Where(item => !ids.Contains(item.Item.Id) && item.Bounds.Meets(near))
                .Select(item => (item.Item.Id, item.Name, item.Bounds, item.Standing))
                .Concat(
                    space
                        .Solids()
                        .Where(solid => !ids.Contains(solid.Id))
                        .Select(solid => (solid.Id, solid.Name, solid.Shape.Bounds, (IEnumerable<Convex>)[solid.Shape]))
                ),
            neighbours
        );
        return [.. new[] { first, second }.OfType<NearDistance>().Concat(others).OrderBy(found => found.Width)];
    }

    /// <summary>The nearest few of many things. Those whose boxes are further off than the last of the few are not measured.</summary>
    private static List<NearDistance> NearestOf(
        SpatialIndex<Convex> shapes,
        IEnumerable<(string Id, string Name, Bounds Box, IEnumerable<Convex> Shapes)> things,
        int count
    )
    {
        if (count == 0)
            return [];
        var ordered = things
            .Select(thing => (Thing: thing, BoxDistance: shapes.Nearest(thing.Box).First().BoxDistance))
            .OrderBy(one => one.BoxDistance);
        List<NearDistance> found = [];
        foreach (var ((id, name, _, theirs), boxDistance) in ordered)
        {
            if (boxDistance >= Reach || (found.Count >= count && boxDistance > found[count - 1].Width))
                break;
            var distance = Closest(shapes, id, name, theirs);
            if (distance.Width is <= Tolerance.Length or >= Reach)
                continue;
            found.Add(distance);
            found.Sort((a, b) => a.Width.CompareTo(b.Width));
        }
        return found.Count > count ? found[..count] : found;
    }

    /// <summary>The gap from a set of shapes to one thing.</summary>
    public static NearDistance Closest(IReadOnlyList<Convex> shapes, string id, string name, IEnumerable<Convex> other) =>
        Closest(new SpatialIndex<Convex>(shapes, shape => shape.Bounds), id, name, other);

    private static NearDistance Closest(SpatialIndex<Convex> shapes, string id, string name, IEnumerable<Convex> other)
    {
        var best = new NearDistance(id, name, double.PositiveInfinity, default, default);
        foreach (var theirs in other)
        foreach (var (shape, boxDistance) in shapes.Nearest(theirs.Bounds))
        {
            // Boxes that meet say nothing of how deep the shapes lie in each other.
            if (boxDistance > Math.Max(best.Width, 0))
                break;
            var gap = Gap.Between(shape, theirs);
            if (gap.Width < best.Width)
                best = best with { Width = gap.Width, From = gap.A, To = gap.B };
        }
        return best;
    }

    private static string WallName(WallPiece piece) =>
        piece.Opening is null ? "Wall"
        : piece.Opening.Name.Length > 0 ? piece.Opening.Name
        : piece.Opening.Kind == OpeningKind.Window ? "Window"
        : "Door";
}
