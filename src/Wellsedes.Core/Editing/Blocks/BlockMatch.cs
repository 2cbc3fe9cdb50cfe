using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Seating;

namespace Wellsedes.Core.Editing.Blocks;

/// <summary>
/// Which thing of a block goes to each place: what stands there already stays; the others by the least sum of distances, each that moves costing the same
/// beside. What a place is made of otherwise than the rest (a place for a wheelchair user) is matched by itself.
/// </summary>
internal static class BlockMatch
{
    /// <summary>Things are matched all with all up to so many, else each place with its nearest.</summary>
    private const int MostMatched = 200;

    /// <summary>That one moves costs as much as this many mm for all together: one jumps the row rather than all of it shifting by one.</summary>
    private const double MoveCost = 500;

    public static Item?[] Of(Item[] items, ImmutableArray<Stand> stands, string usual)
    {
        var given = new Item?[stands.Length];
        var others = stands.Select(stand => stand.Catalogue).Where(kind => kind != usual).ToHashSet();
        string KindOf(string kind) => others.Contains(kind) ? kind : usual;
        foreach (var kind in stands.Select((stand, i) => (i, Kind: KindOf(stand.Catalogue))).GroupBy(one => one.Kind, one => one.i))
            Match([.. items.Where(item => KindOf(item.Catalogue) == kind.Key)], stands, [.. kind], given);
        return given;
    }

    private static void Match(Item[] items, ImmutableArray<Stand> stands, int[] places, Item?[] given)
    {
        var standing = new Dictionary<(double, double), Item>(items.Length);
        foreach (var item in items)
            standing.TryAdd(Key(item.Placement.Origin), item);
        foreach (var i in places)
            if (standing.Remove(Key(stands[i].At), out var item))
                given[i] = item;
        var used = given.OfType<Item>().Select(item => item.Id).ToHashSet();
        var left = items.Where(item => !used.Contains(item.Id)).ToList();
        int[] open = [.. places.Where(i => given[i] is null)];
        if (left.Count == 0 || open.Length == 0)
            return;
        if (left.Count > MostMatched || open.Length > MostMatched)
        {
            foreach (var i in open)
            {
                if (left.Count == 0)
                    break;
                var nearest = 0;
                for (var k = 1; k < left.Count; k++)
                    if (Off(left[k], stands[i]) < Off(left[nearest], stands[i]))
                        nearest = k;
                given[i] = left[nearest];
                left.RemoveAt(nearest);
            }
            return;
        }
        var weights = new double[left.Count, open.Length];
        const double far = 1e7;
        for (var i = 0; i < left.Count; i++)
        for (var j = 0; j < open.Length; j++)
            weights[i, j] = far - MoveCost - left[i].Placement.Origin.DistanceTo(stands[open[j]].At);
        var columns = Assignment.Greatest(weights);
        for (var i = 0; i < left.Count; i++)
            if (columns[i] >= 0)
                given[open[columns[i]]] = left[i];

        static double Off(Item item, Stand stand) =>
            (item.X - stand.At.X) * (item.X - stand.At.X) + (item.Y - stand.At.Y) * (item.Y - stand.At.Y);
    }

    private static (double, double) Key(Point p) => (Math.Round(p.X, 1), Math.Round(p.Y, 1));
}
