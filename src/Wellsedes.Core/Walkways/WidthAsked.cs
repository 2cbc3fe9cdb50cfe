using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Walkways;

/// <summary>A clear width in mm that is asked of the ways to what stands somewhere, and who asks.</summary>
public sealed record WidthAsked(double Width, string By);

/// <summary>
/// The widths that zones and rooms ask for. Of the zones a thing stands in the smallest decides that asks, then its room; where neither
/// does, the rules hold.
/// </summary>
public sealed class WidthsAsked
{
    private readonly Thing[] zones;
    private readonly LevelSpace space;
    private readonly bool rooms;

    public WidthsAsked(LevelSpace space, IEnumerable<Thing> things)
    {
        this.space = space;
        zones = [.. things.Where(thing => thing.AsksWidth() is not null).OrderBy(thing => thing.Areas().Sum(area => area.Area))];
        rooms = space.Rooms.Any(room => room.Room.WayWidth is not null);
    }

    /// <summary>What is asked of the ways to an item; null where nothing is.</summary>
    public WidthAsked? For(PlacedItem item)
    {
        var at = item.Item.Placement.Origin;
        foreach (var zone in zones)
            if (zone.Marks(at))
                return new WidthAsked(zone.AsksWidth()!.Value, zone.Called());
        return rooms && space.RoomAt(at) is { Room: { WayWidth: { } width } room } ? new WidthAsked(width, room.Name) : null;
    }
}
