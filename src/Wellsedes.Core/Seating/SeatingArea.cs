using System.Collections.Immutable;
using Wellsedes.Core.Arranging;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Seating;

/// <summary>An area to be filled: its floor, what stands in it and what must stay free. Millimetres.</summary>
/// <param name="Areas">The floor, in one piece or several.</param>
/// <param name="Rooms">The floor round about: where a row ends in front of free floor, people leave it there.</param>
/// <param name="Standing">What stands there or where nothing may stand.</param>
/// <param name="Ways">Floor into which nothing comes, and from which nothing is kept apart.</param>
/// <param name="Middle">About where things are set where that costs nothing.</param>
/// <param name="Facing">The direction people look in, in degrees.</param>
public sealed record SeatingArea(
    ImmutableArray<Region> Areas,
    ImmutableArray<Region> Rooms,
    ImmutableArray<Convex> Standing,
    ImmutableArray<Convex> Ways,
    Point Middle,
    double Facing
)
{
    /// <summary>Points on the middles of rows of other blocks that look the same way and are made of the same: rows lie on one line with these where that costs nothing.</summary>
    public ImmutableArray<Point> Lines { get; init; } = [];

    /// <summary>Beyond this from the area, in mm, nothing bears on it.</summary>
    private const double Reach = 5000;

    /// <param name="one">One of what it is filled with; where it stands does not matter.</param>
    /// <param name="standing">What stands there and is none of the block's own, but those of it that were set by hand.</param>
    public static SeatingArea Of(
        Thing block,
        double facing,
        PlacedItem one,
        LevelSpace space,
        IReadOnlyList<PlacedItem> standing,
        IEnumerable<KeptWay> ways
    )
    {
        var box = block.AreaBox().Grown(Reach);
        ImmutableArray<Region> rooms = [.. space.Rooms.Select(room => room.Outline).Where(room => room.Bounds.Meets(box))];
        var areas = Indoors(block.Areas(), rooms);
        PlacedItem[] near = [one, .. standing.Where(item => box.Meets(item.Bounds))];
        return new SeatingArea(
            areas,
            rooms,
            // A floor that is walked on for its own sake is not built on.
            [
                .. Overlaps.InTheWay(space, near, 0, box, anywhere: true),
                .. near.Skip(1).Where(item => item.Form.WalkedOn).SelectMany(item => item.Solids),
            ],
            [
                .. near.Skip(1).SelectMany(item => item.Activity).Select(use => use.Floor),
                .. ways.SelectMany(way => way.Strip.Legs).Where(leg => box.Meets(leg.Bounds)),
            ],
            areas.MaxBy(area => area.Area)!.Centroid,
            facing
        );
    }

    /// <summary>Of an area that lies partly in rooms only that part: outside of rooms nobody is seated by mistake. Where there are no rooms it is as it is.</summary>
    internal static ImmutableArray<Region> Indoors(ImmutableArray<Region> areas, ImmutableArray<Region> rooms)
    {
        if (rooms.Length == 0 || areas.All(area => rooms.Any(room => IsWithin(area, room))))
            return areas;
        ImmutableArray<Region> shared = [.. areas.SelectMany(area => Polygons.Shared(area, rooms)).Where(area => area.Area > LeastFloor)];
        return shared.IsEmpty || areas.Sum(area => area.Area) - shared.Sum(area => area.Area) < LeastFloor ? areas : shared;
    }

    /// <summary>How far the foremost point of areas lies before a point in a direction, in mm.</summary>
    internal static double FrontOf(ImmutableArray<Region> areas, Point from, Point towards) =>
        areas.SelectMany(one => one.Outline).Max(p => (p - from).Dot(towards));

    /// <summary>Less is no floor but what rounding leaves between outlines, in mm².</summary>
    private const double LeastFloor = 10_000;

    /// <summary>Whether an area surely lies in a room: in most plans it is the room itself, or a box in it.</summary>
    private static bool IsWithin(Region area, Region room) =>
        area.Outline.AsSpan().SequenceEqual(room.Outline.AsSpan())
        || (room.Bounds.Width * room.Bounds.Height - room.Area < 1 && room.Bounds.Grown(Tolerance.Length).Holds(area.Bounds));

    /// <summary>With the floor at its back kept free, so many mm deep.</summary>
    public SeatingArea WithService(double depth)
    {
        if (depth <= 0)
            return this;
        var towards = Point.At(Facing);
        var (back, side) = (Areas.SelectMany(area => area.Outline).Min(p => p.Dot(towards)), towards.Left());
        var across = Areas.SelectMany(area => area.Outline).Select(p => p.Dot(side)).ToArray();
        Point At(double along, double off) => towards * along + side * off;
        var strip = Convex.Polygon([
            At(back - depth, across.Max()),
            At(back - depth, across.Min()),
            At(back + depth, across.Min()),
            At(back + depth, across.Max()),
        ]);
        return this with { Ways = Ways.Add(strip) };
    }

    /// <summary>The free floor of the rooms it lies in: onto ways as well people step out of a row.</summary>
    public SeatingArea RoundAbout() => this with { Areas = Rooms.IsEmpty ? Areas : Rooms, Ways = [] };

    /// <summary>Where the middles of things of a radius may be, kept a gap from what stands.</summary>
    public CentreRegion Middles(double radius, double gap) =>
        new(Areas, radius, [.. Standing.Select(shape => shape.Grown(radius + gap)), .. Ways.Select(way => way.Grown(radius))]);

    /// <summary>Rows lie square to where people look; where that is along no side, along the longest sides too.</summary>
    public ImmutableArray<double> Turns() =>
        [
            Facing - 90,
            .. Areas
                .SelectMany(area => Region.SidesOf(area.Outline))
                .OrderByDescending(side => side.From.DistanceTo(side.To))
                .Take(3)
                .Select(side => Angles.Of(side.To - side.From)),
        ];
}
