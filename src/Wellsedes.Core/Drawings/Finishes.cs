using System.Collections.Immutable;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Drawings;

/// <summary>A finish as it is drawn: what is filled, in what, and its joints at true scale, on the level in mm.</summary>
/// <param name="Joints">Null where there are none, or so many that they would only be grey.</param>
/// <param name="Laid">The picture that is laid again and again from its place; null for none.</param>
/// <param name="OnWall">Whether it fills the body of a wall; else it lies on the floor, beneath everything.</param>
public sealed record DrawnFinish(string Id, PathShape Fill, PathShape? Joints, string Tint, PicturePlace? Laid = null, bool OnWall = false);

/// <summary>A line of the legend: its tint, and what it stands for.</summary>
public sealed record FinishLine(string Tint, string Text);

/// <summary>Finishes as they are drawn: floors with the pattern at true scale, items in their tint.</summary>
public static class Finishes
{
    /// <summary>More joints than this are not drawn.</summary>
    private const int MostJoints = 12_000;

    /// <summary>The tinted band along the walls of a room, in mm; a house value.</summary>
    private const double Band = 60;

    /// <summary>The finishes of the floors and walls of a level, from bottom to top: rooms, zones, walls of rooms, walls.</summary>
    public static IEnumerable<DrawnFinish> OfShell(Plan plan, string schemeId, LevelSpace space)
    {
        foreach (var finish in InOrder(plan, schemeId).Where(finish => finish.IsOfFloor || finish.IsOfWalls))
        {
            var tint = Tints.SeeThrough(finish.Tint, finish.Opacity);
            if (finish.Of == FinishOf.Wall)
            {
                foreach (var body in space.Pieces.Where(piece => piece.Wall.Id == finish.TargetId && piece.Opening is null))
                    yield return new DrawnFinish(finish.Id, PathShape.Closed(body.Body.Outline(1)), null, tint, OnWall: true);
                continue;
            }
            foreach (var region in RegionsOf(plan, space, finish))
                if (finish.Of == FinishOf.RoomWalls)
                    foreach (var band in BandOf(region, space))
                        yield return new DrawnFinish(finish.Id, Path(band), null, tint);
                else
                    yield return new DrawnFinish(finish.Id, Path(region), JointsOf(finish, region), tint, LaidOf(finish, region));
        }
    }

    /// <summary>From bottom to top: rooms, zones, walls, items.</summary>
    private static IEnumerable<Finish> InOrder(Plan plan, string schemeId) =>
        plan.OfScheme<Finish>(schemeId).OrderBy(finish => finish.Of).ThenBy(finish => finish.Id, StringComparer.Ordinal);

    /// <summary>What the floors of rooms and zones of a level are laid with, from bottom to top.</summary>
    internal static IEnumerable<(Finish Finish, Region Region)> FloorsOf(Plan plan, string schemeId, LevelSpace space) =>
        InOrder(plan, schemeId)
            .Where(finish => finish.IsOfFloor)
            .SelectMany(finish => RegionsOf(plan, space, finish).Select(region => (finish, region)));

    /// <summary>The tints of the walls around rooms, each with the room.</summary>
    internal static IEnumerable<(Finish Finish, Region Room)> OfRoomWalls(Plan plan, string schemeId, LevelSpace space) =>
        InOrder(plan, schemeId)
            .Where(finish => finish.Of == FinishOf.RoomWalls)
            .SelectMany(finish => RegionsOf(plan, space, finish).Select(region => (finish, region)));

    /// <summary>The tint of a wall; null for none.</summary>
    internal static string? TintOfWall(Plan plan, string schemeId, string wallId) =>
        plan.OfScheme<Finish>(schemeId).LastOrDefault(finish => finish.Of == FinishOf.Wall && finish.TargetId == wallId)?.Tint;

    private static PathShape Path(Region region) =>
        region.Holes.Aggregate(PathShape.Closed(region.Outline.AsSpan()), (path, hole) => path.Then(PathShape.Closed(hole.AsSpan())));

    /// <summary>Along the edge of a room, but for its doorways and gaps.</summary>
    private static ImmutableArray<Region> BandOf(Region room, LevelSpace space)
    {
        var doorways = space
            .Openings.Where(place => place.Opening.Kind != OpeningKind.Window)
            .Select(place => Convex.Rectangle(default, place.Opening.Width, place.Wall.Thickness + 4 * Band).At(place.Frame))
            .Where(gap => gap.Bounds.Meets(room.Bounds));
        return [.. Polygons.Rim(room, Band).SelectMany(band => Polygons.Difference(band, doorways))];
    }

    /// <summary>The picture of a finish where it is laid first: at the lower left of the region, turned as it is.</summary>
    internal static PicturePlace? LaidOf(Finish finish, Region region)
    {
        if (finish.Picture is not { } picture)
            return null;
        var from = new Placement(region.Bounds.MinX, region.Bounds.MinY, finish.Rotation);
        var corner = from.Out(new Point(0, finish.Length));
        return new PicturePlace(picture, corner, from.Turned(new Point(finish.Width, 0)), from.Turned(new Point(0, -finish.Length)));
    }

    private static ImmutableArray<Region> RegionsOf(Plan plan, LevelSpace space, Finish finish) =>
        finish.Of is FinishOf.Room or FinishOf.RoomWalls
            ? [.. space.Rooms.Where(room => room.Named && room.Room.Id == finish.TargetId).Select(room => room.Outline)]
        : plan.Find<Thing>(finish.TargetId) is { } zone && zone.LevelId == space.LevelId ? zone.Areas()
        : [];

    /// <summary>The tint of an item: its own, else its kind's, else that of the zone its middle is in; null for none.</summary>
    public static string? TintOf(Plan plan, Item item)
    {
        Finish? best = null;
        foreach (var finish in plan.OfScheme<Finish>(item.SchemeId))
        {
            var holds = finish.Of switch
            {
                FinishOf.Item => finish.TargetId == item.Id,
                FinishOf.Kind => finish.TargetId == item.Catalogue,
                FinishOf.ItemsInZone => plan.Find<Thing>(finish.TargetId) is { } zone
                    && zone.LevelId == item.LevelId
                    && zone.Marks(item.Placement.Origin),
                _ => false,
            };
            if (holds && (best is null || finish.Of > best.Of))
                best = finish;
        }
        return best is null ? null : Tints.SeeThrough(best.Tint, best.Opacity);
    }

    /// <summary>What the tints of a level stand for, in the order they are drawn; those alike in one line.</summary>
    public static ImmutableArray<FinishLine> Legend(Plan plan, string schemeId, LevelSpace space, IReadOnlyCollection<PlacedItem> items)
    {
        List<(string Tint, string What, string Of)> lines = [];
        foreach (var finish in InOrder(plan, schemeId))
        {
            var name =
                finish.IsOfFloor || finish.Of == FinishOf.RoomWalls
                    ? RegionsOf(plan, space, finish).IsEmpty
                        ? null
                        : Editing.FinishEdits.NameOf(plan, finish)
                    : finish.Of switch
                    {
                        FinishOf.Kind => items.FirstOrDefault(item => item.Kind.Key == finish.TargetId)?.Kind.Name,
                        FinishOf.Wall => space.Bodies.ContainsKey(finish.TargetId) ? "a wall" : null,
                        FinishOf.Item => items.FirstOrDefault(item => item.Item.Id == finish.TargetId)?.Name,
                        _ => plan.Find<Thing>(finish.TargetId)?.LevelId == space.LevelId
                            ? $"Items in {Editing.FinishEdits.NameOf(plan, finish)}"
                            : null,
                    };
            if (name is not null)
                lines.Add((Tints.SeeThrough(finish.Tint, finish.Opacity), Told(finish, plan.Details.Units), name));
        }
        return
        [
            .. lines
                .GroupBy(line => (line.Tint, line.What))
                .Select(group => new FinishLine(group.Key.Tint, $"{group.Key.What}: {string.Join(", ", group.Select(line => line.Of))}")),
        ];
    }

    private static string Told(Finish finish, UnitSystem units)
    {
        var tint = Tints.NameOf(finish.Tint);
        string Size() => $"{LengthText.Write(finish.Width, units)} × {LengthText.Write(finish.Length, units)}";
        return finish.Pattern switch
        {
            FinishPattern.Boards => $"{tint} boards {Size()}",
            FinishPattern.Herringbone => $"{tint} herringbone {Size()}",
            FinishPattern.Tiles => $"{tint} tiles {Size()}",
            FinishPattern.Carpet => $"{tint} carpet",
            FinishPattern.Picture => $"laid with a picture, {Size()}",
            _ => tint,
        };
    }

    private static PathShape? JointsOf(Finish finish, Region region)
    {
        var from = new Placement(region.Bounds.MinX, region.Bounds.MinY, finish.Rotation);
        // The region's box in the pattern's own coordinates.
        var own = Bounds.Around(region.Outline.Select(from.In));
        var joints = finish.Pattern switch
        {
            FinishPattern.Boards => Boards(own, finish.Width, finish.Length),
            FinishPattern.Herringbone => Herringbone(own, finish.Width, finish.Length),
            FinishPattern.Tiles => Tiles(own, finish.Width, finish.Length),
            FinishPattern.Carpet => Carpet(own),
            _ => [],
        };
        List<PathStep> steps = [];
        foreach (var (a, b) in joints)
        {
            foreach (var (start, end) in region.Within(from.Out(a), from.Out(b)))
            {
                steps.Add(new PathStep(PathStepKind.Move, start));
                steps.Add(new PathStep(PathStepKind.Line, end));
            }
            if (steps.Count > 2 * MostJoints)
                return null;
        }
        return steps.Count == 0 ? null : new PathShape([.. steps]);
    }

    /// <summary>Boards along x, each row begun a third of a board further on.</summary>
    private static IEnumerable<(Point, Point)> Boards(Bounds box, double width, double length)
    {
        var row = 0;
        for (var y = box.MinY; y < box.MaxY; y += width, row++)
        {
            yield return (new(box.MinX, y), new(box.MaxX, y));
            for (var x = box.MinX + length * (row % 3) / 3; x < box.MaxX; x += length)
                if (x > box.MinX)
                    yield return (new(x, y), new(x, y + width));
        }
    }

    private static IEnumerable<(Point, Point)> Tiles(Bounds box, double width, double length)
    {
        for (var x = box.MinX + width; x < box.MaxX; x += width)
            yield return (new(x, box.MinY), new(x, box.MaxY));
        for (var y = box.MinY + length; y < box.MaxY; y += length)
            yield return (new(box.MinX, y), new(box.MaxX, y));
    }

    /// <summary>Blocks in pairs at right angles: each stands across the end of the one before, in bands of stairs.</summary>
    private static IEnumerable<(Point, Point)> Herringbone(Bounds box, double width, double length)
    {
        var n = length / width;
        // Stairs t go up to the right by one width; bands k follow each other down to the right by a block.
        var across = (box.Width + box.Height) / width + 2 * n;
        var (least, most) = (
            (int)Math.Floor((box.MinX + box.MinY) / width / 2 - across),
            (int)Math.Ceiling((box.MaxX + box.MaxY) / width / 2 + across)
        );
        var bands = (int)Math.Ceiling(across / n) + 1;
        for (var k = -bands; k <= bands; k++)
        for (var t = least; t <= most; t++)
        {
            var (x, y) = ((t + k * n) * width, (t - k * n) * width);
            if (x > box.MaxX + length || x < box.MinX - 2 * length || y > box.MaxY + length || y < box.MinY - 2 * length)
                continue;
            // A lying block: its foot and its left end; a standing one at its right end: its left side is the lying one's right end.
            yield return (new(x, y), new(x + length, y));
            yield return (new(x, y), new(x, y + width));
            yield return (new(x + length, y + width - length), new(x + length, y + width));
            yield return (new(x + length, y + width - length), new(x + length + width, y + width - length));
        }
    }

    /// <summary>Short strokes apart, as carpet is drawn.</summary>
    private static IEnumerable<(Point, Point)> Carpet(Bounds box)
    {
        const double apart = 300;
        var row = 0;
        for (var y = box.MinY + apart / 2; y < box.MaxY; y += apart, row++)
        for (var x = box.MinX + apart * (row % 2 == 0 ? 0.25 : 0.75); x < box.MaxX; x += apart)
            yield return (new(x, y), new(x + 40, y + 40));
    }
}
