using System.Collections.Immutable;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Drawings;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Planning;

/// <summary>What becomes of all of one kind and size between two schemes: how many stay, are moved, come from the store, go back to it.</summary>
public sealed record KindCompared(string Name, int Stay, int Move, int Come, int Go);

/// <summary>One thing that is moved from one scheme to another; places in mm.</summary>
public sealed record ItemMoved(string FromId, string ToId, string Name, string FromLevelId, string ToLevelId, Point From, Point To);

/// <summary>
/// What a crew has to do to make one scheme of another: things of one kind and size are alike, so each stays where one like it stands in
/// both, is moved to the nearest place where one is wanted, or comes from or goes to the store. Chairs at tables are counted by number.
/// </summary>
/// <param name="Come">The ids of what comes, in the second scheme.</param>
/// <param name="Go">The ids of what goes, in the first.</param>
public sealed record SchemesCompared(
    string FromSchemeId,
    string ToSchemeId,
    ImmutableArray<KindCompared> Kinds,
    ImmutableArray<ItemMoved> Moves,
    ImmutableArray<string> Come,
    ImmutableArray<string> Go
)
{
    /// <summary>Within this in mm, and this in degrees, something has not moved.</summary>
    private const double SamePlace = 1;
    private const double SameTurn = 0.1;

    public static SchemesCompared Of(Plan plan, string fromSchemeId, string toSchemeId)
    {
        var from = Placed(plan, fromSchemeId).ToLookup(item => KindOf(plan, item));
        var to = Placed(plan, toSchemeId).ToLookup(item => KindOf(plan, item));
        List<KindCompared> kinds = [];
        List<ItemMoved> moves = [];
        List<string> come = [];
        List<string> go = [];
        foreach (
            var kind in from.Select(group => group.Key).Concat(to.Select(group => group.Key)).Distinct().OrderBy(kind => kind, Kind.InOrder)
        )
        {
            var (here, there) = (from[kind].ToList(), to[kind].ToList());
            var stay = Staying(here, there);
            var moved = Nearest(here, there);
            foreach (var (one, other) in moved)
            {
                moves.Add(
                    new ItemMoved(one.Id, other.Id, kind.Name, one.LevelId, other.LevelId, one.Placement.Origin, other.Placement.Origin)
                );
                here.Remove(one);
                there.Remove(other);
            }
            come.AddRange(there.Select(item => item.Id));
            go.AddRange(here.Select(item => item.Id));
            kinds.Add(new KindCompared(kind.Name, stay, moved.Count, there.Count, here.Count));
        }
        kinds.AddRange(Chairs(plan, fromSchemeId, toSchemeId));
        return new SchemesCompared(fromSchemeId, toSchemeId, [.. kinds], [.. moves], [.. come], [.. go]);
    }

    /// <summary>As a sheet of the second scheme shows it on a level.</summary>
    /// <param name="before">What stands on that level in the first scheme.</param>
    public ChangesShown Shown(Plan plan, string levelId, IEnumerable<PlacedItem> before)
    {
        var go = Go.ToHashSet();
        return new ChangesShown(
            plan.Find<Scheme>(FromSchemeId)!.Name,
            plan.Find<Scheme>(ToSchemeId)!.Name,
            [.. Kinds.Select(kind => new ChangeRow(kind.Name, kind.Stay, kind.Move, kind.Come, kind.Go))],
            [.. Moves.Where(move => move.FromLevelId == levelId && move.ToLevelId == levelId).Select(move => (move.From, move.To))],
            [.. Come, .. Moves.Where(move => move.FromLevelId != levelId && move.ToLevelId == levelId).Select(move => move.ToId)],
            [.. before.Where(item => go.Contains(item.Item.Id))]
        );
    }

    private readonly record struct Kind(string Name, string Catalogue, ItemSize Size)
    {
        public static Comparer<Kind> InOrder { get; } =
            Comparer<Kind>.Create(
                (one, other) =>
                    string.CompareOrdinal(one.Name, other.Name) is not 0 and var byName ? byName
                    : string.CompareOrdinal(one.Catalogue, other.Catalogue) is not 0 and var byKey ? byKey
                    : (one.Size.Width, one.Size.Depth, one.Size.Height).CompareTo((other.Size.Width, other.Size.Depth, other.Size.Height))
            );
    }

    private static IEnumerable<Item> Placed(Plan plan, string schemeId) =>
        plan.OfScheme<Item>(schemeId)
            .Where(item => !item.SetAside && plan.CatalogueItem(item.Catalogue)?.Kind is not (null or CatalogueKind.Figures));

    private static Kind KindOf(Plan plan, Item item)
    {
        var kind = plan.CatalogueItem(item.Catalogue)!;
        var size = ItemForms.SizeOf(item, kind);
        return new Kind(PlacedItem.NameOf(kind, size), kind.Key, size);
    }

    /// <summary>Takes out of both what stands in one place in both; how many that are.</summary>
    private static int Staying(List<Item> here, List<Item> there)
    {
        var places = there.ToLookup(Cell);
        var taken = new HashSet<string>();
        var stay = here.RemoveAll(one =>
        {
            var (level, x, y) = Cell(one);
            for (var dx = -1; dx <= 1; dx++)
            for (var dy = -1; dy <= 1; dy++)
                foreach (var other in places[(level, x + dx, y + dy)])
                    if (!taken.Contains(other.Id) && IsSame(one.Placement, other.Placement))
                        return taken.Add(other.Id);
            return false;
        });
        there.RemoveAll(other => taken.Contains(other.Id));
        return stay;

        static (string, long, long) Cell(Item item) =>
            (item.LevelId, (long)Math.Floor(item.X / SamePlace), (long)Math.Floor(item.Y / SamePlace));
    }

    private static bool IsSame(Placement one, Placement other) =>
        one.Origin.DistanceTo(other.Origin) <= SamePlace && Angles.Apart(one.Rotation, other.Rotation) <= SameTurn;

    /// <summary>Pairs of what is to be moved, the nearest first; from level to level it is always farther than on one.</summary>
    private static List<(Item From, Item To)> Nearest(List<Item> here, List<Item> there)
    {
        // So many pairs are looked at; beyond that they are taken as they come.
        const long most = 1_000_000;
        if ((long)here.Count * there.Count > most)
            return [.. here.Zip(there)];
        List<(double Far, Item From, Item To)> pairs = new(here.Count * there.Count);
        foreach (var one in here)
        foreach (var other in there)
            pairs.Add(((one.LevelId == other.LevelId ? 0 : 1e9) + one.Placement.Origin.DistanceTo(other.Placement.Origin), one, other));
        pairs.Sort(
            (a, b) =>
                a.Far != b.Far ? a.Far.CompareTo(b.Far)
                : string.CompareOrdinal(a.From.Id, b.From.Id) is not 0 and var byFrom ? byFrom
                : string.CompareOrdinal(a.To.Id, b.To.Id)
        );
        List<(Item, Item)> moved = [];
        var taken = new HashSet<string>();
        foreach (var (_, one, other) in pairs)
            if (!taken.Contains(one.Id) && !taken.Contains(other.Id))
            {
                taken.Add(one.Id);
                taken.Add(other.Id);
                moved.Add((one, other));
            }
        return moved;
    }

    /// <summary>The chairs at tables and desks, by kind.</summary>
    private static IEnumerable<KindCompared> Chairs(Plan plan, string from, string to)
    {
        var (here, there) = (At(from), At(to));
        return here
            .Keys.Union(there.Keys)
            .Order(StringComparer.Ordinal)
            .Select(chair =>
            {
                var (has, wants) = (here.GetValueOrDefault(chair), there.GetValueOrDefault(chair));
                var stay = Math.Min(has, wants);
                return new KindCompared($"{plan.CatalogueItem(chair)?.Name ?? chair}, at tables", stay, 0, wants - stay, has - stay);
            });

        Dictionary<string, int> At(string schemeId) =>
            Placed(plan, schemeId)
                .Select(item => (Item: item, Kind: plan.CatalogueItem(item.Catalogue)!))
                .Where(placed => placed.Kind.Chair is not null)
                .GroupBy(placed => placed.Kind.Chair!)
                .ToDictionary(group => group.Key, group => group.Sum(placed => (int)(placed.Item.Seats ?? placed.Kind.Seats).Total));
    }
}
