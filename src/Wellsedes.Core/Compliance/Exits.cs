using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Compliance;

/// <summary>What people leave by: ways out of the building, stairs and ramps between levels, and corridors, each with those that come through.</summary>
public static class Exits
{
    /// <summary>Openings on the floor with a room on one side and the outside on the other, a terrace or marquee on the ground among it; shut ones with them.</summary>
    public static IEnumerable<OpeningPlace> Of(LevelSpace space) =>
        space.Openings.Where(place =>
            place.Opening.Kind != OpeningKind.Window
            && place.Opening.Sill <= Tolerance.Length
            && IsInside(space, place, 1) != IsInside(space, place, -1)
        );

    private static bool IsInside(LevelSpace space, OpeningPlace place, int side) =>
        space.RoomAt(place.Frame.Out(new Point(0, side * (place.Wall.Thickness / 2 + 1)))) is { } room && !LeavingGraph.IsOpen(space, room);

    public static IEnumerable<Measured> Measure(LevelSpace space, Leaving leaving, bool sprinklered)
    {
        foreach (var place in Of(space).Where(place => !place.Opening.Shut))
            yield return Measured.Of(
                RuleMeasures.Exit,
                place.Opening.Id,
                NameOf(space, place),
                space.LevelId,
                Doorways.EndsOf(place),
                ("people", leaving.By.GetValueOrDefault(place.Opening.Id)),
                ("clear_mm", place.Opening.ClearWidth),
                ("sprinklered", sprinklered)
            );
        foreach (var flight in space.Flights.Where(flight => leaving.By.ContainsKey(flight.Id)))
            yield return Measured.Of(
                RuleMeasures.Stair,
                flight.Id,
                flight.Called(),
                space.LevelId,
                [flight.Placement.Out(new Point(-flight.Width / 2, 0)), flight.Placement.Out(new Point(flight.Width / 2, 0))],
                ("people", leaving.By[flight.Id]),
                ("clear_mm", flight.Width),
                ("stepped", flight.Kind == FlightKind.Stair),
                ("sprinklered", sprinklered)
            );
    }

    public static string NameOf(LevelSpace space, OpeningPlace place) =>
        RoomsBeside.Of(space, place.Wall, place.Opening.Along).InList(place.Opening);
}
