using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;

namespace Wellsedes.Core.Compliance;

/// <summary>
/// The seats of a room together, places for wheelchair users among them; those of loose chairs by themselves, those of them that are joined to no other, these places, and how many of these have a seat beside them for a companion: one whose middle is no farther to
/// the side than both are wide (common practice).
/// </summary>
public static class RoomSeating
{
    /// <param name="here">What people sit on in the room.</param>
    /// <param name="joined">Chairs that are joined to others of their row.</param>
    public static Measured Measure(CountedRoom counted, IReadOnlyCollection<PlacedItem> here, IReadOnlySet<PlacedItem> joined)
    {
        PlacedItem[] places = [.. here.Where(item => item.Kind.IsWheelchairSpace)];
        PlacedItem[] chairs = [.. here.Where(item => item.IsSeat && item.Kind is { Counted: "seat", IsWheelchairSpace: false })];
        PlacedItem[] loose = [.. chairs.Where(chair => chair.Form.Seats.Length == 1)];
        return Measured.Of(
            RuleMeasures.RoomSeating,
            counted.Room.Room.Id,
            counted.Room.Room.Name,
            counted.Space.LevelId,
            [counted.Room.Room.Inside],
            ("use", counted.Room.Room.Use),
            ("seats", (double)counted.Seats),
            ("loose_seats", (double)loose.Length),
            ("single_seats", (double)loose.Count(chair => !joined.Contains(chair))),
            ("wheelchair_spaces", (double)places.Length),
            ("companions", (double)Companions(places, chairs))
        );
    }

    /// <summary>Each chair is the companion's of one place only.</summary>
    private static int Companions(PlacedItem[] places, PlacedItem[] chairs)
    {
        var free = chairs.ToHashSet();
        var found = 0;
        foreach (var place in places.OrderBy(place => place.Item.Id, StringComparer.Ordinal))
            if (
                free.Where(chair => IsBeside(place, chair))
                    .MinBy(chair => chair.Item.Placement.Origin.DistanceTo(place.Item.Placement.Origin)) is
                { } one
            )
            {
                free.Remove(one);
                found++;
            }
        return found;
    }

    private static bool IsBeside(PlacedItem place, PlacedItem chair)
    {
        var at = place.Item.Placement.In(chair.Item.Placement.Origin);
        return Math.Abs(at.X) <= place.Size.Width / 2 + chair.Size.Width + Tolerance.Length
            && Math.Abs(at.Y) <= place.Size.Depth / 2 + Tolerance.Length;
    }
}
