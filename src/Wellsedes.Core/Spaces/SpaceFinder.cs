using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Spaces;

/// <summary>Finds what the walls of a level enclose and where their openings are.</summary>
public static class SpaceFinder
{
    public static LevelSpace Find(Plan plan, string levelId)
    {
        var walls = plan.All<Wall>().Where(wall => wall.LevelId == levelId).ToImmutableArray();
        var openings = plan.All<Opening>().ToLookup(opening => opening.WallId);
        var columns = plan.All<Column>().Where(column => column.LevelId == levelId).ToImmutableArray();
        var full = walls.ToDictionary(wall => wall.Id, wall => Joined(wall, walls));
        var pieces = walls.SelectMany(wall => Pieces(wall, full[wall.Id], [.. openings[wall.Id]])).ToImmutableArray();
        var places = walls.SelectMany(wall => openings[wall.Id].Select(o => Place(o, wall))).ToImmutableArray();
        var enclosed = Polygons
            .Union(full.Values)
            .SelectMany(region => region.Holes)
            .Select(hole => new Region([.. hole.Reverse()], []))
            .ToImmutableArray();
        var rooms = plan.All<Room>()
            .Where(room => room.LevelId == levelId)
            .Select(room => FindRoom(room, enclosed, columns))
            .OfType<FoundRoom>()
            .ToImmutableArray();
        return new LevelSpace(
            levelId,
            pieces,
            Polygons.Union(pieces.Where(piece => piece.Opening is null).Select(piece => piece.Body)),
            places,
            rooms,
            columns,
            [.. plan.All<KeepClear>().Where(area => area.LevelId == levelId)]
        );
    }

    public static Convex Solid(Column column) =>
        column.Round
            ? Convex.Disc(new Point(column.X, column.Y), column.Width / 2)
            : Convex.Rectangle(default, column.Width, column.Depth).At(column.Placement);

    public static Convex Floor(KeepClear area) => Convex.Rectangle(default, area.Width, area.Depth).At(area.Placement);

    /// <summary>The wall's whole body, run on by half a thickness where another wall meets its end, so corners close.</summary>
    private static Convex Joined(Wall wall, ImmutableArray<Wall> walls)
    {
        var along = wall.Along;
        var side = along.Left() * (wall.Thickness / 2);
        var start = wall.Start - along * RunOn(wall, wall.Start, walls);
        var end = wall.End + along * RunOn(wall, wall.End, walls);
        return Convex.Polygon([start - side, end - side, end + side, start + side]);
    }

    private static double RunOn(Wall wall, Point end, ImmutableArray<Wall> walls) =>
        walls
            .Where(other => other.Id != wall.Id && (Meets(other.Start, end) || Meets(other.End, end)))
            .Select(other => other.Thickness / 2)
            .DefaultIfEmpty(0)
            .Max();

    private static bool Meets(Point a, Point b) => a.DistanceTo(b) <= Tolerance.Length;

    /// <summary>
    /// The wall cut by its openings. Gaps are left out; the parts of windows and doors are kept and named, because
    /// nobody walks through a window, and only some doors count as open.
    /// </summary>
    private static IEnumerable<WallPiece> Pieces(Wall wall, Convex full, Opening[] openings)
    {
        if (openings.Length == 0)
            return [new WallPiece(wall, null, full)];
        var along = wall.Along;
        var (first, last) = (full.Support(along * -1), full.Support(along));
        var from = (first - wall.Start).Dot(along);
        var to = (last - wall.Start).Dot(along);
        List<WallPiece> pieces = [];
        foreach (var opening in openings.OrderBy(opening => opening.Along))
        {
            var (left, right) = (opening.Along - opening.Width / 2, opening.Along + opening.Width / 2);
            if (left - from > Tolerance.Length)
                pieces.Add(new WallPiece(wall, null, Part(wall, from, left)));
            if (opening.Kind != OpeningKind.Gap)
                pieces.Add(new WallPiece(wall, opening, Part(wall, left, right)));
            from = right;
        }
        if (to - from > Tolerance.Length)
            pieces.Add(new WallPiece(wall, null, Part(wall, from, to)));
        return pieces;
    }

    private static Convex Part(Wall wall, double from, double to)
    {
        var along = wall.Along;
        var side = along.Left() * (wall.Thickness / 2);
        var (a, b) = (wall.Start + along * from, wall.Start + along * to);
        return Convex.Polygon([a - side, b - side, b + side, a + side]);
    }

    private static OpeningPlace Place(Opening opening, Wall wall)
    {
        var along = wall.Along;
        var middle = wall.Start + along * opening.Along;
        var frame = new Placement(middle.X, middle.Y, Math.Atan2(along.Y, along.X) * 180 / Math.PI);
        var doorway = Part(wall, opening.Along - opening.Width / 2, opening.Along + opening.Width / 2);
        return new OpeningPlace(opening, wall, frame, [.. DoorLeaf.Of(opening, wall).Select(leaf => Swing(leaf, frame))], doorway);
    }

    /// <summary>The quarter disc a leaf sweeps, as a polygon whose chords stay within 1 mm of the arc.</summary>
    private static Convex Swing(DoorLeaf leaf, Placement frame)
    {
        const int parts = 24;
        List<Point> points = [new(leaf.Hinge, leaf.Face)];
        for (var i = 0; i <= parts; i++)
        {
            var direction = Point.At(90.0 * i / parts);
            points.Add(new Point(leaf.Hinge + leaf.Towards * direction.X * leaf.Length, leaf.Face + leaf.Up * direction.Y * leaf.Length));
        }
        return Convex.Polygon([.. points.Select(frame.Out)]);
    }

    private static FoundRoom? FindRoom(Room room, ImmutableArray<Region> enclosed, ImmutableArray<Column> columns)
    {
        var outline = enclosed.FirstOrDefault(region => region.Holds(room.Inside));
        if (outline is null)
            return null;
        var free = Polygons.Difference(outline, columns.Where(column => outline.Bounds.Meets(Solid(column).Bounds)).Select(Solid));
        return new FoundRoom(room, outline, outline.Area / 1e6, free.Sum(region => region.Area) / 1e6);
    }
}
