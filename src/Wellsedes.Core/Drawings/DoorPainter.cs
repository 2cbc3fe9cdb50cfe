using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Drawings;

/// <summary>Draws doors by how they open.</summary>
internal static class DoorPainter
{
    private const double Thick = 40;

    /// <summary>The leaves of a door and the lines that tell how they move, on the level.</summary>
    public static IEnumerable<(PathShape Panel, PathShape Swing)> Parts(OpeningPlace place)
    {
        var parts = place.Opening switch
        {
            { Shut: true } => [Barred(place)],
            { Kind: var kind } => Opened(place, kind),
        };
        return parts.Select(part => (part.Panel.At(place.Frame), part.Swing.At(place.Frame)));
    }

    private static IEnumerable<(PathShape Panel, PathShape Swing)> Opened(OpeningPlace place, OpeningKind kind) =>
        kind switch
        {
            OpeningKind.SlidingDoor => [Sliding(place)],
            OpeningKind.PocketDoor => [Pocket(place)],
            OpeningKind.FoldingDoor => [Folding(place)],
            OpeningKind.SingleDoor or OpeningKind.DoubleDoor => Hinged(place),
            _ => [],
        };

    /// <summary>A leaf across the doorway and a cross through it: nobody gets through.</summary>
    private static (PathShape, PathShape) Barred(OpeningPlace place)
    {
        var (x, y) = (place.Opening.Width / 2, Math.Max(place.Opening.Width / 3, place.Wall.Thickness));
        return (
            PathShape.Box(-x, -Thick / 2, x, Thick / 2),
            PathShape.Line(new(-x, -y), new(x, y)).Then(PathShape.Line(new(-x, y), new(x, -y)))
        );
    }

    private static IEnumerable<(PathShape Panel, PathShape Swing)> Hinged(OpeningPlace place)
    {
        foreach (var (hinge, towards, length, face, up) in DoorLeaf.Of(place.Opening, place.Wall))
            yield return (
                Box(hinge, face, hinge + towards * Thick, face + up * length),
                PathShape.Arc(new Point(hinge, face), length, towards > 0 ? 0 : 180, up * towards * 90)
            );
    }

    private static PathShape Box(double x1, double y1, double x2, double y2) =>
        PathShape.Box(Math.Min(x1, x2), Math.Min(y1, y2), Math.Max(x1, x2), Math.Max(y1, y2));

    /// <summary>A leaf on the face of the wall, half open, with an arrow towards where it goes.</summary>
    private static (PathShape, PathShape) Sliding(OpeningPlace place)
    {
        var (width, up) = (place.Opening.Width, place.Opening.SwingsRight ? -1 : 1);
        var side = place.Opening.HingeAtEnd ? 1 : -1;
        var face = up * place.Wall.Thickness / 2;
        var y = face + up * Thick * 2.4;
        return (
            Box(side * width * 0.3, face, side * width * 1.2, face + up * Thick),
            PathShape.Arrow(new(side * width * 0.2, y), new(side * width * 0.8, y))
        );
    }

    /// <summary>A leaf half way into the wall, with an arrow.</summary>
    private static (PathShape, PathShape) Pocket(OpeningPlace place)
    {
        var (width, side) = (place.Opening.Width, place.Opening.HingeAtEnd ? 1 : -1);
        var half = Math.Min(Thick, place.Wall.Thickness * 0.6) / 2;
        return (
            Box(side * width * 0.15, -half, side * width * 1.05, half),
            PathShape.Arrow(new(-side * width * 0.3, half + 60), new(side * width * 0.15, half + 60))
        );
    }

    /// <summary>Two panels, partly folded.</summary>
    private static (PathShape, PathShape) Folding(OpeningPlace place)
    {
        var leaf = DoorLeaf.Of(place.Opening, place.Wall)[0];
        var (knee, tip) = (
            new Point(leaf.Hinge + leaf.Towards * leaf.Length * 0.5, leaf.Face + leaf.Up * leaf.Length * 0.866),
            new Point(leaf.Hinge + leaf.Towards * leaf.Length, leaf.Face)
        );
        return (
            PathShape.Line(new Point(leaf.Hinge, leaf.Face), knee, tip),
            PathShape.Line(tip, new Point(leaf.Hinge + leaf.Towards * place.Opening.Width, leaf.Face))
        );
    }
}
