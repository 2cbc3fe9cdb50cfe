using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;

namespace Wellsedes.Core.Spaces;

/// <summary>Areas of one level in m², by <see cref="AreaDefinitions"/>; rooms without walls are in none of them.</summary>
public sealed record LevelAreas(double NetInternal, double GrossInternal, double GrossExternal)
{
    public static readonly LevelAreas None = new(0, 0, 0);

    /// <param name="walls">The walls' united bodies with openings closed, and the faces they enclose; no boundaries.</param>
    public static LevelAreas Of(
        ImmutableArray<Wall> all,
        ImmutableDictionary<string, WallBody> bodies,
        TracedFaces walls,
        IEnumerable<FoundRoom> rooms
    )
    {
        // A wall that encloses nothing (a screen wall on a terrace) makes no building.
        var outlines = walls.Solid.Where(region => region.Holes.Length > 0).ToArray();
        var outer = outlines.Where(region => !outlines.Any(o => o != region && Within(region, o))).ToArray();
        var external = outer.Sum(region => Math.Abs(Region.SignedArea(region.Outline)));
        var perimeter = FaceTracer.Trace(Perimeter(all, bodies, outer), []).Solid;
        var band = perimeter.Where(region => outer.Any(o => o.Bounds.Meets(region.Bounds))).Sum(region => region.Area);
        return new LevelAreas(
            rooms.Where(room => room.Walled && RoomUses.IsUsable(room.Room.Use)).Sum(room => room.NetInternal),
            (external - band) / 1e6,
            external / 1e6
        );
    }

    private static bool Within(Region inner, Region outer) =>
        outer.Bounds.Including(inner.Bounds) == outer.Bounds
        && outer.Bounds != inner.Bounds
        && new Region(outer.Outline, []).Holds(inner.Outline[0]);

    /// <summary>Places along a part that are looked beside, as shares of its length; one of them may lie in a wall that meets it.</summary>
    private static readonly double[] LookedBeside = [0.5, 0.27, 0.71, 0.13, 0.87];

    /// <summary>The parts of walls that have the outside on one side, from joint to joint.</summary>
    private static IEnumerable<Convex> Perimeter(
        ImmutableArray<Wall> all,
        ImmutableDictionary<string, WallBody> bodies,
        IReadOnlyList<Region> outer
    )
    {
        var built = outer.Select(region => new Region(region.Outline, [])).ToArray();
        bool IsOutside(Point p) => !built.Any(region => region.Bounds.Holds(p) && region.Holds(p));
        var index = new SpatialIndex<Wall>(all, WallJoints.BoundsOf);
        foreach (var wall in all)
        {
            var line = wall.Line;
            var half = wall.Thickness / 2;
            var joints = index
                .Meeting(WallJoints.BoundsOf(wall))
                .Where(other => other.Id != wall.Id)
                .SelectMany(other => Joints(wall, other).Select(along => (Along: along, Half: other.Thickness / 2)))
                .ToArray();
            double[] stops = [0, .. joints.Select(j => j.Along).Where(s => s > 1 && s < line.Length - 1).Order(), line.Length];
            for (var i = 0; i + 1 < stops.Length; i++)
            {
                var (start, length) = (stops[i], stops[i + 1] - stops[i]);
                if (
                    !LookedBeside.Any(share =>
                        IsOutside(line.At(start + share * length, half + 1)) || IsOutside(line.At(start + share * length, -half - 1))
                    )
                )
                    continue;
                // Past a joint the part runs on by half of what meets it there, so that corners are whole.
                double OnBy(double stop) => joints.Where(j => Math.Abs(j.Along - stop) < 1).Select(j => j.Half).DefaultIfEmpty(0).Max();
                var from = i == 0 ? double.NegativeInfinity : stops[i] - OnBy(stops[i]);
                var to = i + 2 == stops.Length ? double.PositiveInfinity : stops[i + 1] + OnBy(stops[i + 1]);
                foreach (var piece in bodies[wall.Id].Between(from, to))
                    yield return piece;
                // Where three walls and more meet, the corner as a whole is part of the outside wall.
                foreach (var stop in (double[])[i == 0 ? 0 : -1, i + 2 == stops.Length ? line.Length : -1])
                    if (stop >= 0 && joints.Count(j => Math.Abs(j.Along - stop) < 1) > 1)
                    {
                        var (at, direction) = (line.At(stop), line.Direction(stop));
                        yield return Convex
                            .Rectangle(default, 2 * OnBy(stop), wall.Thickness)
                            .At(new Placement(at.X, at.Y, Angles.Of(direction)));
                    }
            }
        }
    }

    /// <summary>Where along a wall another ends on it or crosses it, in mm.</summary>
    private static IEnumerable<double> Joints(Wall wall, Wall other)
    {
        var line = wall.Line;
        foreach (var end in (Point[])[other.Start, other.End])
            if (
                line.Nearest(end) is var near
                && Math.Abs(near.Left) <= wall.Thickness / 2 + 1
                && line.At(near.Along).DistanceTo(end) <= wall.Thickness / 2 + 1
            )
                yield return near.Along;
        var (mine, others) = (Chords(line), Chords(other.Line));
        foreach (var (from, to) in mine)
        foreach (var (a, b) in others)
            if (Crossing(from, to, a, b) is { } at)
                yield return line.Nearest(at).Along;
    }

    private static (Point, Point)[] Chords(BowedLine line)
    {
        var steps = line.Steps(0, line.Length, 0, 1);
        return [.. Enumerable.Range(0, steps.Length - 1).Select(i => (line.At(steps[i]), line.At(steps[i + 1])))];
    }

    /// <summary>Where two stretches cross within both of them.</summary>
    private static Point? Crossing(Point from, Point to, Point a, Point b)
    {
        var (along, across) = (to - from, b - a);
        var cross = along.Cross(across);
        if (Math.Abs(cross) < 1e-9)
            return null;
        var (s, t) = ((a - from).Cross(across) / cross, (a - from).Cross(along) / cross);
        return s is > 0 and < 1 && t is > 0 and < 1 ? from + along * s : null;
    }
}
