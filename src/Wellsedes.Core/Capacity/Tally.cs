using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;
using Wellsedes.Core.Walkways;

namespace Wellsedes.Core.Capacity;

/// <summary>The walkway that misses its needed width by most, or holds it by least. Widths in mm.</summary>
public sealed record NarrowestWalkway(double Width, double Needed, string To, string Between);

/// <summary>What a scheme holds now, beside what its brief asks for. Areas in m²; null where there is nothing to measure.</summary>
public sealed record Tally(
    int Seats,
    int? SeatsAsked,
    int Tables,
    int? TablesAsked,
    int Workstations,
    int? WorkstationsAsked,
    double? NetArea,
    double? GrossArea,
    double? AreaPerSeat,
    double? AreaPerSeatAsked,
    NarrowestWalkway? Narrowest
)
{
    /// <summary>Where nothing can be counted.</summary>
    public static readonly Tally None = new(0, null, 0, null, 0, null, null, null, null, null, null);
}

public static class Tallying
{
    /// <summary>Seats to sit in, and seats at desks.</summary>
    public static (int Seats, int Workstations) Seats(IEnumerable<PlacedItem> items)
    {
        var (seats, desks) = (0, 0);
        foreach (var item in items)
            if (item.Kind.Counted == "desk")
                desks += item.Form.Seats.Length;
            else
                seats += item.Form.Seats.Length;
        return (seats, desks);
    }

    public static Tally Of(IEnumerable<FoundRoom> found, IEnumerable<PlacedItem> items, Brief brief, IReadOnlyList<Way> ways)
    {
        var rooms = found.ToArray();
        var all = items.ToArray();
        var (seats, desks) = Seats(all);
        double? net = rooms.Length == 0 ? null : rooms.Sum(room => room.NetInternal);
        return new Tally(
            seats,
            brief.Seats,
            all.Count(item => item.Kind.Counted == "table"),
            brief.Tables,
            desks,
            brief.Workstations,
            net,
            rooms.Length == 0 ? null : rooms.Sum(room => room.GrossInternal),
            net is { } area && seats + desks > 0 ? area / (seats + desks) : null,
            brief.AreaPerSeat,
            Narrowest(ways)
        );
    }

    private static NarrowestWalkway? Narrowest(IReadOnlyList<Way> ways)
    {
        var worst = ways.MinBy(way => (way.Width / way.Target.Needed, way.Target.OwnerId));
        return worst is null
            ? null
            : new NarrowestWalkway(
                worst.Width,
                worst.Target.Needed,
                worst.Target.Name,
                worst.Pinch is { } pinch ? $"{pinch.A.Name} and {pinch.B.Name}" : ""
            );
    }
}
