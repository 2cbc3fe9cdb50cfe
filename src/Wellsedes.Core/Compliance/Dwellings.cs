using System.Collections.Concurrent;
using System.Runtime.CompilerServices;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Compliance;

/// <summary>A home as a measure sees it: one zone of it on one level.</summary>
/// <param name="Items">What stands on the level.</param>
public sealed record DwellingPart(LevelSpace Space, Thing Zone, IReadOnlyCollection<PlacedItem> Items);

/// <summary>
/// Homes of several rooms: their gross internal area (between the inside faces of the walls around them, partitions, stairs and the voids over these included, what has less than 1.5 m of clear
/// height not), bedrooms, people by the beds that stand in these, and built-in storage. Technical housing standards, nationally described space standard, March 2015, from memory.
/// </summary>
public static class Dwellings
{
    /// <summary>Walls no thicker than this, in mm, with rooms of the home on both sides are partitions of it; a house value.</summary>
    private const double Partition = 400;

    /// <summary>A bed from this width on, in mm, is for two (common practice).</summary>
    private const double ForTwo = 1300;

    /// <summary>Floor of wardrobes in a bedroom that is no storage, in m²: of one person, and of two (paragraph 10i).</summary>
    private const double OfOne = 0.36;
    private const double OfTwo = 0.72;

    private static readonly HashSet<string> Cupboards = ["wardrobe", "sliding-cupboard", "cupboard"];

    /// <summary>Zones of one name are one home; those without a name are each one.</summary>
    public static IEnumerable<Measured> Measure(IEnumerable<DwellingPart> parts) =>
        parts
            .GroupBy(part => part.Zone.OwnName() is { Length: > 0 } name ? name : part.Zone.Id)
            .Select(home => Of([.. home]))
            .OfType<Measured>();

    private static Measured? Of(DwellingPart[] home)
    {
        var floors = home.GroupBy(part => part.Space.LevelId)
            .Select(level => new Floor(level.First(), RoomsOf([.. level])))
            .Where(floor => floor.Rooms.Length > 0)
            .OrderBy(floor => floor.Part.Space.Level.Elevation)
            .ToArray();
        if (floors.Length == 0)
            return null;
        var bedrooms = floors.SelectMany(floor => floor.Rooms.Where(IsBedroom).Select(room => (floor, room))).ToArray();
        var first = floors[0];
        return Measured.Of(
            RuleMeasures.Dwelling,
            first.Part.Zone.Id,
            first.Part.Zone.Called(),
            first.Part.Space.LevelId,
            [first.Rooms[0].Room.Inside],
            ("bedrooms", (double)bedrooms.Length),
            ("people", (double)bedrooms.Sum(one => PeopleIn(one.floor, one.room))),
            ("storeys", (double)floors.Length),
            ("gross_m2", floors.Sum(floor => AreaFrom(floor, heights => heights.From1500))),
            ("built_in_m2", floors.Sum(floor => floor.Rooms.Sum(room => StorageIn(floor, room)))),
            ("from_2300_m2", floors.Sum(floor => AreaFrom(floor, heights => heights.From2300)))
        );
    }

    private sealed record Floor(DwellingPart Part, FoundRoom[] Rooms);

    /// <summary>Rooms whose inside is in a zone of the home.</summary>
    private static FoundRoom[] RoomsOf(DwellingPart[] parts) =>
        [
            .. parts[0]
                .Space.Rooms.Where(room => room.Walled && parts.Any(part => part.Zone.Areas().Any(area => area.Holds(room.Room.Inside)))),
        ];

    private static bool IsBedroom(FoundRoom room) => Is(room, "Bedroom");

    private static bool Is(FoundRoom room, string use) => room.Room.Use.Trim().Equals(use, StringComparison.OrdinalIgnoreCase);

    /// <summary>With its partitions, without what its rooms have that does not count.</summary>
    private static double AreaFrom(Floor floor, Func<Heights, double> counts) =>
        WithPartitions(floor) - floor.Rooms.Sum(room => room.GrossInternal - counts(HeightsOf(floor, room)));

    private static Heights HeightsOf(Floor floor, FoundRoom room) => RoomShape.Of(floor.Part.Space, room).From;

    /// <summary>By the rooms that are one home: these change with the shell alone, not with what is moved in them.</summary>
    private static readonly ConditionalWeakTable<LevelSpace, ConcurrentDictionary<string, double>> Known = [];

    private static double WithPartitions(Floor floor) =>
        Known
            .GetOrCreateValue(floor.Part.Space)
            .GetOrAdd(
                string.Join('/', floor.Rooms.Select(room => room.Room.Id)),
                _ => Polygons.Closed(floor.Rooms.Select(room => room.Outline), Partition / 2).Sum(region => region.Area) / 1e6
            );

    private static IEnumerable<PlacedItem> In(Floor floor, FoundRoom room) =>
        floor.Part.Items.Where(item => item.Bottom <= Tolerance.Length && room.Outline.Holds(item.Item.Placement.Origin));

    private static int PeopleIn(Floor floor, FoundRoom bedroom) =>
        In(floor, bedroom).Where(item => item.Kind.Maker is "bed" or "care-bed").Sum(bed => bed.Size.Width < ForTwo ? 1 : 2);

    /// <summary>Store rooms, those with 0.9 to 1.5 m of clear height by half, and what wardrobes take beyond what a bedroom has for itself (paragraphs 10f to 10i).</summary>
    private static double StorageIn(Floor floor, FoundRoom room)
    {
        if (Is(room, "Store"))
            return (HeightsOf(floor, room).From1500 + HeightsOf(floor, room).From900) / 2;
        var cupboards = In(floor, room)
            .Where(item => Cupboards.Contains(item.Kind.Maker))
            .Sum(item => item.Size.Width * item.Size.Depth / 1e6);
        return IsBedroom(room) ? Math.Max(0, cupboards - (PeopleIn(floor, room) >= 2 ? OfTwo : OfOne)) : cupboards;
    }
}
