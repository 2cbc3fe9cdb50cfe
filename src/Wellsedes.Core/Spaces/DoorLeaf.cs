using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Spaces;

/// <summary>
/// A door leaf in its opening's frame, in mm: hinge at (Hinge, Face), shut along x towards +1 or -1, open along y up or down.
/// </summary>
public readonly record struct DoorLeaf(double Hinge, int Towards, double Length, double Face, int Up)
{
    /// <summary>How deep a leaf that slides along its wall stands off it, in mm; common practice.</summary>
    public const double SlideDepth = 60;

    /// <summary>The hinged leaves of a door in a wall of a thickness; a folding door's panel stands for the pair.</summary>
    public static ImmutableArray<DoorLeaf> Of(Opening opening, Wall wall)
    {
        var (half, up) = (opening.Width / 2, opening.SwingsRight ? -1 : 1);
        var face = up * wall.Thickness / 2;
        var other = opening.Width - opening.LeafLength;
        DoorLeaf At(bool end, double length) => end ? new(half, -1, length, face, up) : new(-half, 1, length, face, up);
        return opening.Kind switch
        {
            OpeningKind.SingleDoor or OpeningKind.FoldingDoor => [At(opening.HingeAtEnd, opening.LeafLength)],
            OpeningKind.DoubleDoor => [At(opening.HingeAtEnd, opening.LeafLength), At(!opening.HingeAtEnd, other)],
            _ => [],
        };
    }

    /// <summary>
    /// The floor the leaves of an opening need, as convex pieces in its own frame: quarter discs whose chords stay
    /// within 1 mm of the arc; the depth of a folded panel; the strip beside the opening that a sliding leaf covers.
    /// </summary>
    public static ImmutableArray<Convex> Sweep(Opening opening, Wall wall)
    {
        if (opening.Kind == OpeningKind.SlidingDoor)
        {
            var side = opening.HingeAtEnd ? 1 : -1;
            var up = opening.SwingsRight ? -1 : 1;
            var middle = new Point(side * opening.Width, up * (wall.Thickness + SlideDepth) / 2);
            return [Convex.Rectangle(middle, opening.Width, SlideDepth)];
        }
        if (opening.Kind == OpeningKind.FoldingDoor)
            return
            [
                .. Of(opening, wall)
                    .Select(leaf => Convex.Rectangle(new Point(0, leaf.Face + leaf.Up * leaf.Length / 2), opening.Width, leaf.Length)),
            ];
        return [.. Of(opening, wall).Select(leaf => leaf.Quarter())];
    }

    private Convex Quarter()
    {
        const int parts = 24;
        List<Point> points = [new(Hinge, Face)];
        for (var i = 0; i <= parts; i++)
        {
            var direction = Point.At(90.0 * i / parts);
            points.Add(new Point(Hinge + Towards * direction.X * Length, Face + Up * direction.Y * Length));
        }
        return Convex.Polygon(points);
    }
}
