using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Capacity;

/// <summary>One thing that is asked beside the seats, tables and workstations of the whole: of a zone, or of what items are. Lengths in mm.</summary>
/// <param name="ZoneId">Of which zone; "" of the scheme.</param>
/// <param name="What">Which of what is counted: "seats", "screens".</param>
public sealed record AskedLine(string ZoneId, string What, string Name, double Has, double Wanted, bool IsLength = false)
{
    public bool IsShort => Has < Wanted - 1e-9;

    /// <summary>What is counted, and of which zone.</summary>
    public string Key => ZoneId.Length == 0 ? What : $"{What}/{ZoneId}";
}

/// <summary>What some items hold. A screen is anything that shows a picture; storage is as long as its fronts are wide, in mm; with power are the seats and workstations within reach of a socket.</summary>
public sealed record Holding(
    int Seats,
    int Tables,
    int Workstations,
    int Screens,
    int WheelchairSpaces,
    double StorageLength,
    int WithPower
)
{
    private static readonly HashSet<string> Showing = ["monitor", "laptop", "display", "projection-screen"];

    /// <param name="hasPower">Whether an item stands within reach of a socket (<see cref="Power"/>).</param>
    public static Holding Of(IReadOnlyCollection<PlacedItem> items, Func<PlacedItem, bool> hasPower)
    {
        var (seats, desks) = Tallying.Seats(items);
        return new Holding(
            seats,
            items.Count(item => Counts(item, "tables", hasPower)),
            desks,
            items.Count(item => Counts(item, "screens", hasPower)),
            items.Count(item => Counts(item, "wheelchairSpaces", hasPower)),
            items.Where(item => Counts(item, "storageLength", hasPower)).Sum(item => item.Size.Width),
            items.Where(item => Counts(item, "withPower", hasPower)).Sum(item => item.Form.Seats.Length)
        );
    }

    /// <summary>Whether an item is one of those a figure counts.</summary>
    public static bool Counts(PlacedItem item, string what, Func<PlacedItem, bool> hasPower) =>
        what switch
        {
            "seats" => item.Form.Seats.Length > 0 && item.Kind.Counted != "desk",
            "tables" => item.Kind.Counted == "table",
            "workstations" => item.Kind.Counted == "desk",
            "screens" => Showing.Contains(item.Kind.Maker),
            "wheelchairSpaces" => item.Kind.IsWheelchairSpace,
            "withPower" => item.Form.Seats.Length > 0 && hasPower(item),
            "storageLength" => item.Kind.Kind == CatalogueKind.Storage,
            _ => false,
        };

    /// <summary>What is held against what is asked.</summary>
    /// <param name="zone">The name of the zone it is asked of; "" for the scheme.</param>
    public IEnumerable<AskedLine> Against(Asked asked, string zoneId, string zone)
    {
        string Called(string name) => zone.Length == 0 ? name : $"{zone}: {char.ToLowerInvariant(name[0])}{name[1..]}";
        if (asked.Seats is { } seats)
            yield return new AskedLine(zoneId, "seats", Called("Seats"), Seats, seats);
        if (asked.Tables is { } tables)
            yield return new AskedLine(zoneId, "tables", Called("Tables"), Tables, tables);
        if (asked.Workstations is { } desks)
            yield return new AskedLine(zoneId, "workstations", Called("Workstations"), Workstations, desks);
        if (asked.Screens is { } screens)
            yield return new AskedLine(zoneId, "screens", Called("Screens"), Screens, screens);
        if (asked.WithPower is { } power)
            yield return new AskedLine(zoneId, "withPower", Called("Places with power"), WithPower, power);
        if (asked.WheelchairSpaces is { } spaces)
            yield return new AskedLine(zoneId, "wheelchairSpaces", Called("Wheelchair spaces"), WheelchairSpaces, spaces);
        if (asked.StorageLength is { } length)
            yield return new AskedLine(zoneId, "storageLength", Called("Storage"), StorageLength, length, true);
    }
}
