using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Editing.Blocks;

/// <summary>A way in which a block would hold more: in words, how many tables and places more, how many then. A place is a seat, or at high tables where somebody stands.</summary>
/// <param name="Edit">What takes it; null where it only says what costs them, as a column does.</param>
public sealed record BlockOffer(string Words, int MoreTables, int MorePlaces, int Tables, int Places, Edit? Edit);

/// <summary>What would hold more than a block does now, each found by filling it so; the fullest first. Nothing of the plan is changed.</summary>
internal static class BlockOffers
{
    public static ImmutableArray<BlockOffer> Of(Plan plan, string blockId, ItemForms forms, Func<Plan, string, LevelSpace> spaces)
    {
        if (plan.Find(blockId) is not Thing block || block.Fills() is not { } asked)
            return [];
        var site = new BlockSite(plan, block, forms, spaces, asked.Kept);
        var mend = new BlockMend(forms, spaces);
        var (tables, places) = Held(site, asked);
        List<BlockOffer> offers = [];
        foreach (var (words, other) in Others(plan, asked, site.Checks))
            Offer(words, site, other, new PutThing(block.Filled(Free(other))));
        // What binds: a little more of the area, or less in it.
        foreach (var (words, wider) in Wider(plan, block))
            Offer(
                words,
                new BlockSite(plan, wider, forms, spaces, asked.Kept),
                asked,
                new PutThing(wider.Filled(Free(asked))) { Sure = true }
            );
        // Which way costs how much: each is said, none is taken away at a press.
        if (asked.Ways == WaysKept.FromDoors)
            foreach (var (door, name) in site.Doors().Take(MostThings))
                Offer($"No way kept from {name}", site.WithoutWayFrom(door), asked, null);
        foreach (var (name, shapes, id) in site.InIt().Take(MostThings))
            Offer($"Without {name}", site.Without(shapes), asked, id is null ? null : new Remove([id]));
        return [.. offers.OrderByDescending(offer => offer.MorePlaces).ThenByDescending(offer => offer.Edit is not null).Take(MostOffers)];

        void Offer(string words, BlockSite of, SeatsAsked other, Edit? edit)
        {
            if (Held(of, Free(other)) is var (more, then) && then > places)
                offers.Add(new BlockOffer(words, more - tables, then - places, more, then, edit));
        }

        (int Tables, int Places) Held(BlockSite of, SeatsAsked one)
        {
            if (of.One(one) is not { } table)
                return (0, 0);
            var stands = of.Stands(one, table, mend).Stands;
            var all = stands.Length + of.Stay.Tables;
            return (all, table.Kind.StandAt > 0 ? all * table.Kind.StandAt : stands.Sum(of.SeatsOf) + of.Stay.Seats);
        }
    }

    /// <summary>Of so many things in the area it is asked what they cost.</summary>
    private const int MostThings = 6;
    private const int MostOffers = 8;

    /// <summary>Tables are for the same people where their heights differ by less, in mm.</summary>
    private const double SameHeight = 100;

    private static SeatsAsked Free(SeatsAsked asked) => asked with { Wanted = null, Guests = null };

    /// <summary>A box a little wider or deeper, the least that is tried first; a shape of its own is not stretched.</summary>
    private static IEnumerable<(string Words, Thing Block)> Wider(Plan plan, Thing block)
    {
        if (block.OwnOutline() is not null)
            yield break;
        var units = plan.Details.Units;
        foreach (var more in (double[])[300, 1000])
        {
            yield return ($"{LengthText.Tell(more, units)} wider", block with { Width = block.Width + more });
            yield return ($"{LengthText.Tell(more, units)} deeper", block with { Depth = block.Depth + more });
        }
    }

    private static IEnumerable<(string Words, SeatsAsked Asked)> Others(Plan plan, SeatsAsked asked, Checks checks)
    {
        var units = plan.Details.Units;
        var usual = SeatingStyles.Of(asked.Style);
        if (usual.IsLattice && asked.Layout != BlockLayout.Fuller)
            yield return ("Whichever layout holds more", asked with { Layout = BlockLayout.Fuller });
        foreach (var less in (double[])[50, 100, 200])
        {
            var (row, rows) = (usual.IsOfChairs ? asked.GapInRow : asked.GapInRow - less, asked.GapBetweenRows - less);
            if (row < 0 || rows < 0 || usual.IsOne)
                continue;
            var narrow = !usual.HasRows && Math.Min(row, rows) < checks.SeatAccess - Tolerance.Length ? ", under the seat access" : "";
            yield return ($"Gaps {LengthText.Tell(less, units)} less{narrow}", asked with { GapInRow = row, GapBetweenRows = rows });
        }
        if (asked.GapToWalls >= 100)
            yield return ($"{LengthText.Tell(100, units)} nearer to walls", asked with { GapToWalls = asked.GapToWalls - 100 });
        if (asked.Ways == WaysKept.FromDoors)
            yield return ("Only drawn ways kept free, none from the doors", asked with { Ways = WaysKept.Drawn });
        if (usual.HasRows && asked.FromAisle is { } most)
            yield return ($"{most + 1} from an aisle", asked with { FromAisle = most + 1 });
        if (usual.HasRows && asked.Aisles != AislesAt.Fullest)
            yield return ("Aisles where they cost least", asked with { Aisles = AislesAt.Fullest });
        if (asked.CrossEvery is not null)
            yield return ("No cross aisles", asked with { CrossEvery = null });
        foreach (var style in (SeatingStyle[])[SeatingStyle.Rows, SeatingStyle.CurvedRows])
            if (asked.Style != style && asked.Style is SeatingStyle.Rows or SeatingStyle.CurvedRows or SeatingStyle.Herringbone)
                yield return (SeatingStyles.Of(style).Label, asked with { Style = style });
        if (plan.CatalogueItem(asked.Catalogue) is not { } kind || usual.IsOfChairs)
            yield break;
        if (asked.Seats is { } few && few < kind.Seats.Total)
            yield return ($"{kind.Seats.Total} seats a table", asked with { Seats = null });
        var smaller = plan
            .Library.Catalogue.Items.Where(item =>
                item.Maker == kind.Maker
                && item.Counted == kind.Counted
                && item.Size.Width < kind.Size.Width - 1
                // Nobody is asked to sit at a children's table.
                && Math.Abs(item.Size.Height - kind.Size.Height) < SameHeight
            )
            .OrderByDescending(item => item.Size.Width)
            .FirstOrDefault();
        if (smaller is not null)
            yield return ($"{smaller.Name}, {smaller.Seats.Total} seats each", asked with { Catalogue = smaller.Key, Seats = null });
    }
}
