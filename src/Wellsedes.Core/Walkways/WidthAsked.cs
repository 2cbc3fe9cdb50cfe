using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Walkways;

/// <summary>A clear width in mm that is asked of the ways to what stands somewhere, and who asks.</summary>
public sealed record WidthAsked(double Width, string By);

/// <summary>
/// The widths that zones and rooms ask for, and rows for their own seats. Of the zones a thing stands in the smallest decides that asks, then its room; where neither
/// does, the rules hold.
/// </summary>
public sealed class WidthsAsked
{
    private readonly Thing[] zones;
    private readonly LevelSpace space;
    private readonly bool rooms;
    private readonly Dictionary<string, WidthAsked> ofOwn;

    public WidthsAsked(LevelSpace space, IEnumerable<Thing> things)
    {
        this.space = space;
        zones = [.. things.Where(thing => thing.AsksWidth() is not null).OrderBy(thing => thing.Areas().Sum(area => area.Area))];
        ofOwn = things
            .Where(thing => thing.AsksOfOwn() is not null)
            .ToDictionary(thing => thing.Id, thing => new WidthAsked(thing.AsksOfOwn()!.Value, thing.Called()));
        rooms = space.Rooms.Any(room => room.Room.WayWidth is not null);
    }

    /// <summary>What is asked of the ways to an item; null where nothing is.</summary>
    public WidthAsked? For(PlacedItem item)
    {
        if (ofOwn.Count > 0 && item.Item.Parent is { } parent && ofOwn.TryGetValue(parent, out var own))
            return own;
        var at = item.Item.Placement.Origin;
        foreach (var zone in zones)
            if (zone.Marks(at))
                return new WidthAsked(zone.AsksWidth()!.Value, zone.Called());
        return rooms && space.RoomAt(at) is { Room: { WayWidth: { } width } room } ? new WidthAsked(width, room.Name) : null;
    }
}
