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
        var perimeter = FaceTracer.Trace(Perimeter(all, bodies, walls.Free), []).Solid;
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

    /// <summary>The parts of walls that have the outside on one side, from joint to joint.</summary>
    private static IEnumerable<Convex> Perimeter(
        ImmutableArray<Wall> all,
        ImmutableDictionary<string, WallBody> bodies,
        ImmutableArray<Region> free
    )
    {
        var rooms = new SpatialIndex<Region>(free, region => region.Bounds);
        bool Inside(Point p) => rooms.Meeting(new Bounds(p.X, p.Y, p.X, p.Y)).Any(region => region.Holds(p));
        var meeting = new SpatialIndex<(Wall Wall, Point At)>(
            [.. all.SelectMany(wall => new[] { (wall, wall.Start), (wall, wall.End) })],
            end => Bounds.Around([end.At])
        );
        foreach (var wall in all)
        {
            var line = wall.Line;
            var half = wall.Thickness / 2;
            var near = meeting.Meeting(WallJoints.BoundsOf(wall)).Where(end => end.Wall.Id != wall.Id);
            var joints = near.Select(end => (end.Wall, At: line.Nearest(end.At)))
                .Where(joint => Math.Abs(joint.At.Left) <= half + 1)
                .Select(joint => (joint.At.Along, Half: joint.Wall.Thickness / 2))
                .ToArray();
            double[] stops = [0, .. joints.Select(j => j.Along).Where(s => s > 1 && s < line.Length - 1).Order(), line.Length];
            for (var i = 0; i + 1 < stops.Length; i++)
            {
                var middle = (stops[i] + stops[i + 1]) / 2;
                if (Inside(line.At(middle, half + 1)) && Inside(line.At(middle, -half - 1)))
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
}
