using System.Collections.Immutable;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Core.Spaces;
using Wellsedes.Core.Walkways;

namespace Wellsedes.Core.Capacity;

/// <summary>The walkway that misses its needed width by most, or holds it by least. Widths in mm.</summary>
public sealed record NarrowestWalkway(double Width, double Needed, string To, string Between);

/// <summary>What a zone counts by itself; its area in m².</summary>
public sealed record AreaFigures(string ThingId, string Name, int Seats, int Workstations, int Tables, double Area)
{
    /// <summary>The zone it lies in, whose figures count its own as well; null for none.</summary>
    public string? Within { get; init; }

    /// <summary>What is asked of it, and what of that it holds.</summary>
    public ImmutableArray<AskedLine> Asked { get; init; } = [];
}

/// <summary>
/// What a scheme or one level of it holds now, beside what its brief asks for. Areas in m², by <see cref="AreaDefinitions"/>; null
/// where there is nothing to measure.
/// </summary>
/// <param name="OpenArea">Usable floor within outlines alone, of a terrace or a marquee: in none of the areas of a building.</param>
/// <param name="AreaPerSeat">Usable floor, within walls or not, for each seat and workstation.</param>
public sealed record Tally(
    int Seats,
    int? SeatsAsked,
    int Tables,
    int? TablesAsked,
    int Workstations,
    int? WorkstationsAsked,
    double? NetArea,
    double? GrossArea,
    double? OpenArea,
    double? AreaPerSeat,
    double? AreaPerSeatAsked,
    NarrowestWalkway? Narrowest
)
{
    /// <summary>What is used of what the house has; empty where nothing is counted, and for one level by itself.</summary>
    public ImmutableArray<StockUse> Stock { get; init; } = [];

    /// <summary>What each room may hold by the books of the plan; empty without any, and for one level by itself.</summary>
    public ImmutableArray<RoomHold> Holds { get; init; } = [];

    /// <summary>What is asked beside: of zones, and of what items are.</summary>
    public ImmutableArray<AskedLine> Further { get; init; } = [];

    /// <summary>Where nothing can be counted.</summary>
    public static readonly Tally None = new(0, null, 0, null, 0, null, null, null, null, null, null, null);
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

    /// <param name="narrowest">Of all ways that which misses its needed width by most, or holds it by least; null where nobody goes anywhere.</param>
    /// <param name="brief">What is asked; null for one level by itself, of which nothing is asked.</param>
    public static Tally Of(IReadOnlyCollection<LevelSpace> levels, IEnumerable<PlacedItem> items, Brief? brief, Way? narrowest)
    {
        var rooms = levels.SelectMany(level => level.Rooms).ToArray();
        var all = items.ToArray();
        var (seats, desks) = Seats(all);
        var walled = rooms.Any(room => room.Walled);
        var net = levels.Sum(level => level.Floor.Areas.NetInternal);
        var usable = rooms.Where(room => RoomUses.IsUsable(room.Room.Use)).ToArray();
        var open = usable.Where(room => !room.Walled).Sum(room => room.NetInternal);
        return new Tally(
            seats,
            brief?.Seats,
            all.Count(item => item.Kind.Counted == "table"),
            brief?.Tables,
            desks,
            brief?.Workstations,
            walled ? net : null,
            walled ? levels.Sum(level => level.Floor.Areas.GrossInternal) : null,
            open > 0 ? open : null,
            usable.Length > 0 && seats + desks > 0 ? (net + open) / (seats + desks) : null,
            brief?.AreaPerSeat,
            Narrowest(narrowest)
        );
    }

    private static NarrowestWalkway? Narrowest(Way? narrowest) =>
        narrowest is { } worst
            ? new NarrowestWalkway(
                worst.Width,
                worst.Target.Needed,
                worst.Target.Name,
                worst.Pinch is { } pinch ? $"{pinch.A.Name} and {pinch.B.Name}" : ""
            )
            : null;
}
