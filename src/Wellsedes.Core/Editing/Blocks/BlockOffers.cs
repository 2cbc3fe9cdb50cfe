using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Measure;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Editing.Blocks;

/// <summary>A way in which a block would hold more: in words, how many tables and seats more, how many then, and the block so changed.</summary>
public sealed record BlockOffer(string Words, int MoreTables, int MoreSeats, int Tables, int Seats, Entity Block);

/// <summary>What would hold more than a block does now, each found by filling it so; the fullest first. Nothing of the plan is changed.</summary>
internal static class BlockOffers
{
    public static ImmutableArray<BlockOffer> Of(Plan plan, string blockId, ItemForms forms, Func<Plan, string, LevelSpace> spaces)
    {
        if (plan.Find(blockId) is not Thing block || block.Fills() is not { } asked)
            return [];
        var site = new BlockSite(plan, block, forms, spaces, asked.Kept);
        var mend = new BlockMend();
        var (tables, seats) = Held(asked);
        List<BlockOffer> offers = [];
        foreach (var (words, other) in Others(plan, asked, site.Checks))
            if (Held(other) is var (more, places) && places > seats)
                offers.Add(
                    new BlockOffer(
                        words,
                        more - tables,
                        places - seats,
                        more,
                        places,
                        block.Filled(other with { Wanted = null, Guests = null })
                    )
                );
        return [.. offers.OrderByDescending(offer => offer.MoreSeats)];

        (int Tables, int Seats) Held(SeatsAsked one)
        {
            if (site.One(one) is not { } table)
                return (0, 0);
            var stands = site.Stands(one, table, mend);
            return (stands.Length + site.Stay.Tables, stands.Sum(site.SeatsOf) + site.Stay.Seats);
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
        if (plan.CatalogueItem(asked.Catalogue) is not { } kind || usual.IsOfChairs)
            yield break;
        var smaller = plan
            .Library.Catalogue.Items.Where(item =>
                item.Maker == kind.Maker && item.Counted == kind.Counted && item.Size.Width < kind.Size.Width - 1
            )
            .OrderByDescending(item => item.Size.Width)
            .FirstOrDefault();
        if (smaller is not null)
            yield return ($"{smaller.Name}, {smaller.Seats.Total} seats each", asked with { Catalogue = smaller.Key, Seats = null });
    }
}
