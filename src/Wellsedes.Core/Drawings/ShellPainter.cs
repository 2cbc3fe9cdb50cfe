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
/// <param name="Columns">Solid columns.</param>
/// <param name="KeepClear">Outlines of keep-clear areas, to be dashed.</param>
/// <param name="Boundaries">Edges without walls, to be dashed.</param>
/// <param name="Steps">Flights with their treads and the arrow up, platforms.</param>
/// <param name="Fittings">Fixed counters, sanitary ware, radiators, shafts.</param>
/// <param name="Points">Sockets, data and water points.</param>
/// <param name="Overhead">Low ceilings: outline and height contours, to be dashed; and the voids of flights from below.</param>
public sealed record ShellPaths(
    PathShape? Walls,
    PathShape? Hatch,
    PathShape? Windows,
    PathShape? Leaves,
    PathShape? Swings,
    PathShape? Columns,
    PathShape? KeepClear,
    PathShape? Boundaries,
    PathShape? Steps,
    PathShape? Fittings,
    PathShape? Points,
    PathShape? Overhead
);

public static class ShellPainter
{
    /// <summary>The shell's paths with hatch lines a distance in mm apart on the level.</summary>
    public static ShellPaths Paint(LevelSpace space, double hatchApart)
    {
        var doors = space.Openings.SelectMany(DoorPainter.Parts).ToArray();
        return new ShellPaths(
            Join(space.WallFaces.Select(Outline)),
            Join(space.HatchedFaces.Select(face => Hatching.Of(face, hatchApart)).OfType<PathShape>()),
            Join(space.Openings.Where(o => o.Opening.Kind == OpeningKind.Window).Select(Window)),
            Join(doors.Select(part => part.Panel)),
            Join(doors.Select(part => part.Swing)),
            Join(space.Columns.Select(Column)),
            Join(space.KeepClear.Select(area => PathShape.Closed(Fixtures.Solid(area).Outline()))),
            Join(space.Boundaries.Select(Edge)),
            Join(space.Flights.Select(FixturePainter.Flight).Concat(space.Platforms.Select(FixturePainter.Platform))),
            Join(space.Fittings.Where(f => !f.IsPoint).Select(FixturePainter.Fitting)),
            Join(space.Fittings.Where(f => f.IsPoint).Select(FixturePainter.Fitting)),
            Join(space.LowCeilings.Select(FixturePainter.LowCeiling).Concat(space.Voids.Select(FixturePainter.Void)))
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

    private static PathShape Column(Column column) =>
        column.Round ? PathShape.Circle(new Point(column.X, column.Y), column.Width / 2) : PathShape.Closed(Fixtures.Solid(column).Corners);

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
