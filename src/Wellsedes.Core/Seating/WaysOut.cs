using System.Collections.Immutable;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;
using Wellsedes.Core.Walkways;

namespace Wellsedes.Core.Seating;

/// <summary>
/// Ways from the doors people come in and leave by, from the stairs they come onto the level by, and to where people are served and dance, built into an area before it is filled: from each straight in, then along the wall to a spine that all share. Which spine
/// costs least is found by filling round each.
/// </summary>
internal static class WaysOut
{
    /// <summary>Beyond this from an area, in mm, a door is none of its.</summary>
    private const double Near = 3000;

    /// <summary>Spines along and across that are tried beside those straight in from the doors.</summary>
    private const int Spines = 3;

    /// <summary>No more sets than this are tried.</summary>
    private const int MostTried = 12;

    /// <summary>The sets of strips to choose from; none where the area has no door.</summary>
    /// <param name="width">Clear width of the ways, in mm.</param>
    /// <param name="facing">Spines run along and square to it, in degrees.</param>
    /// <param name="standing">What stands there and is not the block's.</param>
    /// <param name="notFrom">The id of a door or flight from which no way is kept; null for all.</param>
    public static IEnumerable<ImmutableArray<Convex>> Of(
        LevelSpace space,
        Thing block,
        IEnumerable<PlacedItem> standing,
        double width,
        double facing,
        string? notFrom = null
    )
    {
        var frame = new Placement(0, 0, facing - 90);
        var box = block.Areas().SelectMany(area => area.Outline).Aggregate(Bounds.Empty, (all, p) => all.Including(frame.In(p)));
        (Point At, Point Inward)[] doors =
        [
            .. Doors(space, block)
                .Where(door => door.Id != notFrom)
                .Select(door => (door.At, door.Inward))
                .Concat(Places(block, standing))
                .Select(door => (frame.In(door.At), frame.In(door.Inward))),
        ];
        if (doors.Length == 0)
            return [];
        List<(bool Along, double At)> spines =
        [
            .. doors.Where(door => door.Inward != default).Select(door => IsAlong(door.Inward) ? (true, door.At.X) : (false, door.At.Y)),
        ];
        for (var i = 1; i <= Spines; i++)
        {
            spines.Add((true, box.MinX + box.Width * i / (Spines + 1)));
            spines.Add((false, box.MinY + box.Height * i / (Spines + 1)));
        }
        return spines
            .DistinctBy(spine => (spine.Along, Math.Round(spine.At)))
            .Take(MostTried)
            .Select(spine => Strips(spine.Along, spine.At, doors, box, width).Select(strip => strip.At(frame)).ToImmutableArray());
    }

    /// <summary>The doors and flights ways are built in from, by id and name.</summary>
    public static IEnumerable<(string Id, string Name)> DoorsOf(LevelSpace space, Thing block) =>
        Doors(space, block).Select(door => (door.Id, door.Name)).Distinct();

    /// <summary>The doors people come in or leave by, seen from the side of the area: the middle of the opening and where it leads; flights between levels as well.</summary>
    private static IEnumerable<(string Id, string Name, Point At, Point Inward)> Doors(LevelSpace space, Thing block)
    {
        var box = block.AreaBox().Grown(Near);
        FoundRoom[] rooms =
        [
            .. space.Rooms.Where(room =>
                block.Areas().Any(area => room.Outline.Holds(area.Centroid) || area.Outline.Any(room.Outline.Holds))
            ),
        ];
        var marked = Within(opening => opening.IsExit || opening.IsEntrance);
        // Into a room that nobody enters from outside people come through the doors from other rooms.
        var inner = marked.Any(door => door.Opening.IsEntrance)
            ? []
            : Within(opening => opening is { Mark: OpeningMark.None, Kind: not OpeningKind.Window, Shut: false });
        foreach (var (opening, at, inward) in marked.Concat(inner))
            yield return (opening.Id, ShellScene.NameOf(opening), at, inward);
        foreach (
            var (flight, atHead) in space
                .Flights.Where(flight => flight.ToLevelId.Length > 0)
                .Select(flight => (flight, false))
                .Concat(space.Fixtures.Voids.Select(flight => (flight, true)))
        )
        {
            var (at, outward) = flight.LandingAt(atHead);
            if (box.Holds(at) && IsWithin(at + outward * 100))
                yield return (flight.Id, flight.Called(), at, outward);
        }

        (Opening Opening, Point At, Point Inward)[] Within(Predicate<Opening> isOne) =>
            [
                .. space
                    .Openings.Where(place => isOne(place.Opening) && box.Holds(place.Frame.Origin))
                    .SelectMany(place =>
                        ((int[])[1, -1])
                            .Select(side => (place.Opening, At: place.Frame.Origin, Inward: place.Frame.Turned(new Point(0, side))))
                            .Where(door => IsWithin(door.At + door.Inward * (place.Wall.Thickness / 2 + 100)))
                    ),
            ];

        bool IsWithin(Point p) => Array.Exists(rooms, room => room.Outline.Holds(p));
    }

    /// <summary>Where people are served, seen from where they stand, and floors they dance on, to which a way comes from anywhere.</summary>
    private static IEnumerable<(Point At, Point Inward)> Places(Thing block, IEnumerable<PlacedItem> standing)
    {
        var box = block.AreaBox();
        foreach (var item in standing.Where(item => box.Holds(item.Item.Placement.Origin)))
            if (item.Kind.Kind == CatalogueKind.Serving)
                yield return (item.Item.Placement.Out(item.Form.FrontMark), item.Item.Placement.Turned(new Point(0, -1)));
            else if (item.Form.WalkedOn)
                yield return (item.Item.Placement.Origin, default);
    }

    private static bool IsAlong(Point way) => Math.Abs(way.X) < Math.Abs(way.Y);

    private static IEnumerable<Convex> Strips(bool along, double at, (Point At, Point Inward)[] doors, Bounds box, double width)
    {
        var half = width / 2;
        List<double> met = [];
        foreach (var (door, inward) in doors)
        {
            if (IsAlong(inward) != along || inward == default)
            {
                // Straight in until the spine.
                var end = along ? new Point(at, door.Y) : new Point(door.X, at);
                yield return Strip(door, end, half);
                met.Add(along ? door.Y : door.X);
                continue;
            }
            // As wide in as the way itself, then beside the wall to the spine.
            var into = door + inward * (half + Wall);
            var off = along ? Math.Abs(door.X - at) : Math.Abs(door.Y - at);
            if (off > half)
            {
                yield return Strip(door, into, half);
                yield return Strip(into, along ? new Point(at, into.Y) : new Point(into.X, at), half);
            }
            met.Add(along ? into.Y : into.X);
        }
        // The spine from the first to the last, and to the middle of the area.
        met.Add(along ? box.Centre.Y : box.Centre.X);
        var (from, to) = (met.Min(), met.Max());
        yield return along ? Strip(new Point(at, from), new Point(at, to), half) : Strip(new Point(from, at), new Point(to, at), half);
    }

    /// <summary>From the middle of a wall to its face and a little, in mm.</summary>
    private const double Wall = 200;

    private static Convex Strip(Point from, Point to, double half)
    {
        var along = from.DistanceTo(to) > 1 ? (to - from).Unit() : new Point(1, 0);
        var side = along.Left() * half;
        var (start, end) = (from - along * half, to + along * half);
        return Convex.Polygon([start - side, end - side, end + side, start + side]);
    }
}
