using System.Collections.Immutable;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Seating.Rows;
using Wellsedes.Core.Seating.Styles;

namespace Wellsedes.Core.Seating;

/// <summary>What stands in a block besides what is laid anew: set by hand or held in place.</summary>
public readonly record struct StandingSeats(int Tables, int Seats);

/// <summary>Where the tables and chairs of an area go, by its style.</summary>
public static class BlockStands
{
    /// <summary>Tries at widening the gaps.</summary>
    private const int SpreadSteps = 10;

    /// <summary>The most that gaps are widened by, in mm.</summary>
    private const double MostSpread = 6000;

    /// <param name="one">One of what it is filled with, turned as it is to stand.</param>
    /// <returns>Those nearest to where people look first.</returns>
    /// <param name="second">One of the other tables of a mix; null where there is none.</param>
    /// <param name="carry">Where its things stand, while a hand drags: they stay where nothing holds clearly more; null to lay it anew.</param>
    public static ImmutableArray<Stand> Of(
        Thing block,
        SeatsAsked asked,
        PlacedItem one,
        SeatingArea area,
        StandingSeats kept = default,
        IReadOnlyList<Stand>? carry = null,
        PlacedItem? second = null
    )
    {
        var usual = SeatingStyles.Of(asked.Style);
        // At high tables people stand.
        var isStanding = one.Kind.StandAt > 0;
        var each = isStanding ? one.Kind.StandAt : Math.Max(1, one.Form.Seats.Length);
        var placed = isStanding ? kept.Tables * each : kept.Seats;
        var mix =
            asked.Guests is { } sum && second is not null
                ? TableMix.Of(Math.Max(0, sum - kept.Seats), each, second.Form.Seats.Length)
                : null;
        // Rings as wide as those of the larger table: which stands where is free.
        var ring = second is not null && mix is not null && Lattices.RingOf(second) > Lattices.RingOf(one) ? second : one;
        var wanted =
            mix is not null ? mix.Tables
            : asked.Guests is { } guests ? (int)Math.Ceiling(Math.Max(0, guests - placed) / (double)each)
            : asked.Wanted is { } number ? Math.Max(0, number - kept.Tables)
            : (int?)null;
        var all = Laid(asked, ring, area, usual, wanted, carry);
        // At a café's tables of four and of two as many sit as the first of them add up to.
        var sitting = asked is { Style: SeatingStyle.Cafe, Guests: { } come } ? Math.Max(0, come - kept.Seats) : (int?)null;
        int Enough(IReadOnlyList<Stand> laid) => sitting is { } sit ? FirstThatSeat(laid, one, sit) : wanted ?? int.MaxValue;
        if (asked.Laid == WantedLaid.Spread && all.Length > Enough(all) && !usual.IsOne)
            all = Spread(asked, ring, area, usual, wanted, laid => laid.Length >= Enough(laid), all);
        Point[] leftOut = [.. asked.LeftOut.Select(block.Placement.Out)];
        var near = Math.Min(one.Size.Width, one.Size.Depth) / 2;
        if (leftOut.Length > 0)
            all = [.. all.Where(stand => !Array.Exists(leftOut, place => place.DistanceTo(stand.At) < near))];
        if (wanted is not null && !usual.IsOne)
            all = Foremost(all, area, usual, Enough);
        if (mix is not null && all.Length == mix.Tables)
            all = Mixed(all, one, second!, mix);
        else if (asked.Guests is { } people && !usual.IsOfChairs && !isStanding)
            all = Exactly(all, one, Math.Max(0, people - kept.Seats));
        return [.. all.Select(stand => stand with { At = new Point(Math.Round(stand.At.X, 3), Math.Round(stand.At.Y, 3)) })];
    }

    private static ImmutableArray<Stand> Laid(
        SeatsAsked asked,
        PlacedItem one,
        SeatingArea area,
        StyleUsual usual,
        int? wanted,
        IReadOnlyList<Stand>? carry = null
    ) =>
        usual.IsLattice ? Lattices.Of(asked, one, area, carry)
        : usual.IsOne ? Arrangements.Of(asked, one, area)
        : RowStyles.Of(asked, one, area, wanted, carry);

    /// <summary>The first so many are the ones, the others, at the back, the other ones.</summary>
    private static ImmutableArray<Stand> Mixed(ImmutableArray<Stand> all, PlacedItem one, PlacedItem second, TableMix mix) =>
        [
            .. all.Select(
                (stand, i) =>
                {
                    var item = (i < mix.Ones ? one : second).Item;
                    return stand with { Catalogue = item.Catalogue, Seats = item.Seats };
                }
            ),
        ];

    /// <summary>At the widest gaps that still hold enough.</summary>
    private static ImmutableArray<Stand> Spread(
        SeatsAsked asked,
        PlacedItem one,
        SeatingArea area,
        StyleUsual usual,
        int? wanted,
        Predicate<ImmutableArray<Stand>> isEnough,
        ImmutableArray<Stand> narrow
    )
    {
        var (low, high, best) = (0.0, MostSpread, narrow);
        for (var i = 0; i < SpreadSteps; i++)
        {
            var more = (low + high) / 2;
            var wider = asked with
            {
                GapInRow = asked.GapInRow + (usual.IsOfChairs ? 0 : more),
                GapBetweenRows = asked.GapBetweenRows + more,
            };
            var laid = Laid(wider, one, area, usual, wanted);
            if (isEnough(laid))
                (low, best) = (more, laid);
            else
                high = more;
        }
        return best;
    }

    /// <summary>The rows in front; of the last one that is needed its outermost are left out first, so that it stays about the axis.</summary>
    private static ImmutableArray<Stand> Foremost(
        ImmutableArray<Stand> all,
        SeatingArea area,
        StyleUsual usual,
        Func<IReadOnlyList<Stand>, int> enough
    )
    {
        var towards = Point.At(area.Facing);
        double RowOf(Stand stand) => usual.HasRows ? stand.Row : Math.Round(stand.At.Dot(towards));
        double Off(Stand stand) => Math.Abs(Math.Round((stand.At - area.Middle).Cross(towards)));
        // Places for wheelchair users stay, and a chair beside each for who comes along.
        Stand[] places = [.. all.Where(stand => stand.Catalogue == RowPlace.Key)];
        var beside = places.Select(place =>
            all.Where(stand => stand.Row == place.Row && stand.Catalogue != RowPlace.Key).MinBy(stand => stand.At.DistanceTo(place.At))
        );
        Stand[] inward = usual.Style == SeatingStyle.Circle ? [.. all] : [.. all.GroupBy(RowOf).SelectMany(row => row.OrderBy(Off))];
        inward = [.. places.Concat(beside.OfType<Stand>()).Concat(inward).DistinctBy(stand => stand.At)];
        var stay = inward.Take(enough(inward)).Select(stand => stand.At).ToHashSet();
        return [.. all.Where(stand => stay.Contains(stand.At))];
    }

    /// <summary>How many of the first together seat people; without end where all do not.</summary>
    private static int FirstThatSeat(IReadOnlyList<Stand> all, PlacedItem one, int people)
    {
        var seats = 0;
        for (var count = 0; count < all.Count; count++)
        {
            if (seats >= people)
                return count;
            seats += SeatsOf(all[count], one);
        }
        return seats >= people ? all.Count : int.MaxValue;
    }

    /// <summary>With as many seats as people: those in front have one more than those behind.</summary>
    private static ImmutableArray<Stand> Exactly(ImmutableArray<Stand> all, PlacedItem one, int people)
    {
        var behind = all.Sum(stand => SeatsOf(stand, one));
        if (all.IsEmpty || people >= behind)
            return all;
        // Half-set tables: as evenly as the sides allow, and never more left than those behind can take.
        var left = people;
        var made = ImmutableArray.CreateBuilder<Stand>(all.Length);
        for (var i = 0; i < all.Length; i++)
        {
            var most = SeatsOf(all[i], one);
            behind -= most;
            var seats = Math.Min(most, Math.Max((int)Math.Ceiling(left / (double)(all.Length - i)), left - behind));
            left -= seats;
            if (seats > 0)
                made.Add(seats == most ? all[i] : all[i] with { Seats = (all[i].Seats ?? UsualOf(one)).Only(seats) });
        }
        return made.ToImmutable();
    }

    /// <summary>How many sit at what stands there.</summary>
    internal static int SeatsOf(Stand stand, PlacedItem one) => (int)(stand.Seats ?? UsualOf(one)).Total;

    private static SeatsBySide UsualOf(PlacedItem one) => one.Item.Seats ?? one.Kind.Seats;
}
