using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Compliance;

/// <summary>Doors and gaps of a room: the clear width of each door, and whether they open into it.</summary>
public static class Doorways
{
    /// <summary>So far before the wall is asked for the room, in mm.</summary>
    private const double Before = 1;

    /// <summary>Openings on the floor that are not shut, with the room on one of their sides alone.</summary>
    public static IEnumerable<OpeningPlace> Of(LevelSpace space, FoundRoom room) =>
        space.Openings.Where(place =>
            place.Opening is { Kind: not OpeningKind.Window, Shut: false }
            && place.Opening.Sill <= Tolerance.Length
            && IsBeside(place, room, 1) != IsBeside(place, room, -1)
        );

    private static bool IsBeside(OpeningPlace place, FoundRoom room, int side) =>
        room.Outline.Holds(place.Wall.Line.At(place.Opening.Along, side * (place.Wall.Thickness / 2 + Before)));

    /// <summary>Each doorway of a level once, seen from the room it leads most people out of.</summary>
    public static IEnumerable<Measured> Measure(IReadOnlyCollection<CountedRoom> rooms) =>
        rooms
            .SelectMany(room => room.Shape.Doorways.Select(place => (room, place)))
            .GroupBy(one => one.place.Opening.Id)
            .Select(sides => sides.MaxBy(side => side.room.People ?? -1))
            .Select(side => Of(side.room, side.place));

    private static Measured Of(CountedRoom from, OpeningPlace place) =>
        Measured.Of(
            RuleMeasures.Doorway,
            place.Opening.Id,
            RoomsBeside.Of(from.Space, place.Wall, place.Opening.Along).InList(place.Opening),
            from.Space.LevelId,
            EndsOf(place),
            ("use", from.Room.Room.Use),
            ("people", from.People),
            ("clear_mm", place.Opening.ClearWidth),
            ("swings", place.Opening.Kind is OpeningKind.SingleDoor or OpeningKind.DoubleDoor),
            ("opens_in", OpensInto(place, from.Room))
        );

    /// <summary>Where its clear width begins and ends, in the middle of the wall.</summary>
    internal static ImmutableArray<Point> EndsOf(OpeningPlace place) => [EndOf(place, -1), EndOf(place, 1)];

    private static Point EndOf(OpeningPlace place, int side) => place.Frame.Out(new Point(side * place.Opening.ClearWidth / 2, 0));

    private static bool OpensInto(OpeningPlace place, FoundRoom room) =>
        place.Opening.Kind is OpeningKind.SingleDoor or OpeningKind.DoubleDoor && IsBeside(place, room, place.Opening.SwingsRight ? -1 : 1);
}
