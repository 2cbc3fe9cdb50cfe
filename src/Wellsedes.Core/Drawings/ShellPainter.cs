using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Drawings;

/// <summary>The parts of a shell as paths on the level, in mm, for the sheet and for the screen alike.</summary>
/// <param name="Walls">Cut faces of the walls, to be filled and hatched.</param>
/// <param name="Hatch">Hatch lines of the walls.</param>
/// <param name="Windows">Window frames and panes.</param>
/// <param name="Leaves">Door leaves, drawn open.</param>
/// <param name="Swings">The arcs of the leaves.</param>
/// <param name="KeepClear">Outlines of keep-clear areas.</param>
public sealed record ShellPaths(
    PathShape? Walls,
    PathShape? Hatch,
    PathShape? Windows,
    PathShape? Leaves,
    PathShape? Swings,
    PathShape? Columns,
    PathShape? KeepClear
);

public static class ShellPainter
{
    /// <summary>The shell's paths with hatch lines a distance in mm apart on the level.</summary>
    public static ShellPaths Paint(LevelSpace space, double hatchApart) =>
        new(
            Join(space.WallFaces.Select(Outline)),
            Join(space.WallFaces.Select(face => Hatching.Of(face, hatchApart)).OfType<PathShape>()),
            Join(space.Openings.Where(o => o.Opening.Kind == OpeningKind.Window).Select(Window)),
            Join(space.Openings.Where(o => o.Opening.IsDoor).SelectMany(o => Leaves(o).Select(leaf => leaf.Panel))),
            Join(space.Openings.Where(o => o.Opening.IsDoor).SelectMany(o => Leaves(o).Select(leaf => leaf.Swing))),
            Join(space.Columns.Select(Column)),
            Join(space.KeepClear.Select(area => PathShape.Closed(SpaceFinder.Floor(area).Outline())))
        );

    private static PathShape? Join(IEnumerable<PathShape> paths)
    {
        var steps = paths.SelectMany(path => path.Steps).ToImmutableArray();
        return steps.IsEmpty ? null : new PathShape(steps);
    }

    private static PathShape Outline(Region region) =>
        region.Holes.Aggregate(PathShape.Closed(region.Outline.AsSpan()), (path, hole) => path.Then(PathShape.Closed(hole.AsSpan())));

    private static PathShape Column(Column column) =>
        column.Round
            ? PathShape.Circle(new Point(column.X, column.Y), column.Width / 2)
            : PathShape.Closed(SpaceFinder.Solid(column).Corners);

    private static PathShape Window(OpeningPlace place)
    {
        var (x, y) = (place.Opening.Width / 2, place.Wall.Thickness / 2);
        return PathShape
            .Box(-x, -y, x, y)
            .Then(PathShape.Line(new Point(-x, -y * 0.25), new Point(x, -y * 0.25)))
            .Then(PathShape.Line(new Point(-x, y * 0.25), new Point(x, y * 0.25)))
            .At(place.Frame);
    }

    private static IEnumerable<(PathShape Panel, PathShape Swing)> Leaves(OpeningPlace place)
    {
        const double thick = 40;
        foreach (var (hinge, towards, length, face, up) in DoorLeaf.Of(place.Opening, place.Wall))
        {
            var panel = PathShape.Box(
                Math.Min(hinge, hinge + towards * thick),
                Math.Min(face, face + up * length),
                Math.Max(hinge, hinge + towards * thick),
                Math.Max(face, face + up * length)
            );
            var swing = PathShape.Arc(new Point(hinge, face), length, towards > 0 ? 0 : 180, up * towards * 90);
            yield return (panel.At(place.Frame), swing.At(place.Frame));
        }
    }
}
