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
);

public static class Tallying
{
    public static Tally Of(LevelSpace space, IReadOnlyList<PlacedItem> items, Brief brief, IReadOnlyList<Way> ways)
    {
        var desks = items.Where(item => item.Kind.Counted == "desk").Sum(item => item.Form.Seats.Length);
        var seats = items.Where(item => item.Kind.Counted != "desk").Sum(item => item.Form.Seats.Length);
        double? net = space.Rooms.Length == 0 ? null : space.NetInternal;
        return new Tally(
            seats,
            brief.Seats,
            items.Count(item => item.Kind.Counted == "table"),
            brief.Tables,
            desks,
            brief.Workstations,
            net,
            space.Rooms.Length == 0 ? null : space.Rooms.Sum(room => room.GrossInternal),
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
