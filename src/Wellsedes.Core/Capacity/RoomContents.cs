using System.Collections.Immutable;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Capacity;

/// <summary>What people sit on in a room or zone.</summary>
/// <param name="Seats">All seats and workstations, those of benches and booths as they are drawn.</param>
/// <param name="Fixed">Those of them that are fixed to the building.</param>
/// <param name="OnBenches">Those of them on benches, which books count by their length.</param>
/// <param name="InBooths">Those of them in booths, likewise.</param>
/// <param name="Benches">Lengths in mm of seats without divisions.</param>
/// <param name="Booths">Lengths in mm of the seats on both sides of a booth's table.</param>
public sealed record RoomContents(
    int Seats,
    int Fixed,
    int OnBenches,
    int InBooths,
    ImmutableArray<double> Benches,
    ImmutableArray<double> Booths
)
{
    public static RoomContents Of(IReadOnlyCollection<PlacedItem> items)
    {
        PlacedItem[] benches = [.. items.Where(item => item.Kind.Maker == "seat-bench")];
        PlacedItem[] booths = [.. items.Where(item => item.Kind.Maker == "restaurant-booth")];
        return new RoomContents(
            items.Sum(item => item.Form.Seats.Length),
            items.Where(item => item.Kind.IsFixed).Sum(item => item.Form.Seats.Length),
            benches.Sum(item => item.Form.Seats.Length),
            booths.Sum(item => item.Form.Seats.Length),
            [.. benches.Select(bench => bench.Size.Width)],
            [.. booths.SelectMany(booth => new[] { booth.Size.Width, booth.Size.Width })]
        );
    }
}

/// <summary>A zone with a use of its own, and what of its area (m²) is in no other such zone.</summary>
public sealed record UsedZone(string Id, string Name, string Use, string RoomId, double Area, RoomContents Contents);
