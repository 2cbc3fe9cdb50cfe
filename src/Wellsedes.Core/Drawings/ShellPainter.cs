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
/// <param name="Swings">The arcs of the leaves, and the arrows of those that slide.</param>
/// <param name="Boundaries">Edges without walls, to be dashed.</param>
/// <param name="Overhead">Where flights from below come through the floor, to be dashed.</param>
public sealed record ShellPaths(
    PathShape? Walls,
    PathShape? Hatch,
    PathShape? Windows,
    PathShape? Leaves,
    PathShape? Swings,
    PathShape? Boundaries,
    PathShape? Overhead
);

public static class ShellPainter
{
    /// <summary>The shell's paths with hatch lines a distance in mm apart on the level.</summary>
    public static ShellPaths Paint(LevelSpace space, double hatchApart)
    {
        var doors = space.Openings.SelectMany(DoorPainter.Parts).ToArray();
        return new ShellPaths(
            Join(space.Walls.Faces.Select(Outline)),
            Join(space.Walls.HatchedFaces.Select(face => Hatching.Of(face, hatchApart)).OfType<PathShape>()),
            Join(space.Openings.Where(o => o.Opening.Kind == OpeningKind.Window).Select(Window)),
            Join(doors.Select(part => part.Panel)),
            Join(doors.Select(part => part.Swing)),
            Join(space.Boundaries.Select(Edge)),
            Join(space.Fixtures.Voids.Select(flight => flight.Hole().Path))
        );
    }

    private static PathShape Edge(Boundary boundary)
    {
        var line = boundary.Line;
        return PathShape.Line([.. line.Steps(0, line.Length, 0, 1).Select(step => line.At(step))]);
    }

    private static PathShape? Join(IEnumerable<PathShape> paths)
    {
        var steps = paths.SelectMany(path => path.Steps).ToImmutableArray();
        return steps.IsEmpty ? null : new PathShape(steps);
    }

    private static PathShape Outline(Region region) =>
        region.Holes.Aggregate(PathShape.Closed(region.Outline.AsSpan()), (path, hole) => path.Then(PathShape.Closed(hole.AsSpan())));

    private static PathShape Window(OpeningPlace place)
    {
        var (x, y) = (place.Opening.Width / 2, place.Wall.Thickness / 2);
        return PathShape
            .Box(-x, -y, x, y)
            .Then(PathShape.Line(new Point(-x, -y * 0.25), new Point(x, -y * 0.25)))
            .Then(PathShape.Line(new Point(-x, y * 0.25), new Point(x, y * 0.25)))
            .At(place.Frame);
    }
}
