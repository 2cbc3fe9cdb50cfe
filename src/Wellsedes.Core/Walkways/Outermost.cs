using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Walkways;

/// <summary>The obstacles of a scene that lie wholly inside no other one.</summary>
internal sealed class Outermost
{
    /// <summary>What was found of one obstacle: whether another covers it, and how many were asked.</summary>
    private readonly record struct Found(bool Covered, int Asked);

    private readonly Obstacle[] given;
    private readonly Dictionary<Obstacle, Found> found;

    /// <summary>Whether some lay in the very same place; then nothing is lent to the next.</summary>
    private readonly bool doubled;

    /// <summary>In the order of the scene.</summary>
    public Obstacle[] Obstacles { get; }

    private Outermost(Obstacle[] given, IReadOnlyList<Obstacle> apart, Dictionary<Obstacle, Found> found)
    {
        this.given = given;
        this.found = found;
        doubled = apart.Count < given.Length;
        Obstacles = [.. apart.Where(one => !found[one].Covered)];
    }

    /// <param name="before">Of nearly the same obstacles: only what a changed one touches is asked about again.</param>
    public static Outermost Of(SpatialIndex<Obstacle> all, Outermost? before, Work? work)
    {
        Obstacle[] given = [.. all.All];
        if (before is not null && !before.doubled && Renewed(all, given, before) is { } renewed)
        {
            foreach (var one in renewed.Values)
                work?.Count(one.Asked);
            return new Outermost(given, given, renewed);
        }
        // Of those in the very same place one is enough to look among.
        var apart = LargestOfTheSame(given);
        var index = apart.Count == given.Length ? all : new SpatialIndex<Obstacle>(apart, obstacle => obstacle.Grown.Bounds);
        var order = new Lazy<Dictionary<Obstacle, int>>(() => OrderOf(index.All));
        var found = new Dictionary<Obstacle, Found>(index.Count, ReferenceEqualityComparer.Instance);
        var asked = new Found[index.Count];
        Together.For(
            asked.Length,
            i =>
            {
                asked[i] = Ask(index.All[i], index, order);
                work?.Count(asked[i].Asked);
            }
        );
        for (var i = 0; i < asked.Length; i++)
            found[index.All[i]] = asked[i];
        return new Outermost(given, apart, found);
    }

    /// <summary>Null when too much changed, or something came to stand in the very same place as another.</summary>
    private static Dictionary<Obstacle, Found>? Renewed(SpatialIndex<Obstacle> all, Obstacle[] given, Outermost before)
    {
        if (SceneDifference.Between(before.given, given) is not { } difference)
            return null;
        var found = new Dictionary<Obstacle, Found>(before.found, ReferenceEqualityComparer.Instance);
        HashSet<Obstacle> touched = new(difference.Come, ReferenceEqualityComparer.Instance);
        foreach (var one in difference.Gone)
        {
            found.Remove(one);
            touched.UnionWith(all.Meeting(one.Grown.Bounds));
        }
        foreach (var one in difference.Come)
        {
            var near = all.Meeting(one.Grown.Bounds);
            if (near.Exists(other => other != one && PlaceOf(other) == PlaceOf(one)))
                return null;
            touched.UnionWith(near);
        }
        var order = new Lazy<Dictionary<Obstacle, int>>(() => OrderOf(given));
        foreach (var one in touched)
            found[one] = Ask(one, all, order);
        return found;
    }

    /// <summary>Where each stands in a list.</summary>
    public static Dictionary<Obstacle, int> OrderOf(IReadOnlyList<Obstacle> all)
    {
        var order = new Dictionary<Obstacle, int>(all.Count, ReferenceEqualityComparer.Instance);
        for (var i = 0; i < all.Count; i++)
            order[all[i]] = i;
        return order;
    }

    /// <param name="order">Asked for only where two cover each other, which is rare.</param>
    private static Found Ask(Obstacle one, SpatialIndex<Obstacle> index, Lazy<Dictionary<Obstacle, int>> order)
    {
        var box = one.Grown.Bounds;
        var (asked, covered) = (0, false);
        // What covers it holds the middle of its box, so only that is looked at.
        index.Meeting(
            Bounds.Around([box.Centre]),
            two =>
            {
                asked++;
                if (two == one || !two.Grown.Bounds.Holds(box) || !two.Grown.Covers(one.Grown))
                    return true;
                // Of two that cover each other the later stays: one of them must.
                if (order.Value[two] < order.Value[one] && one.Grown.Covers(two.Grown))
                    return true;
                covered = true;
                return false;
            }
        );
        // How soon the one that covers it comes up differs from index to index; what is counted must not.
        return new Found(covered, covered ? 1 : asked);
    }

    /// <summary>Of obstacles whose boxes are the same to a tenth of a millimetre, those that no other one of them covers; in order.</summary>
    private static IReadOnlyList<Obstacle> LargestOfTheSame(Obstacle[] all)
    {
        var largest = new Dictionary<(long, long, long, long), Obstacle>(all.Length);
        HashSet<Obstacle>? gone = null;
        foreach (var one in all)
        {
            var place = PlaceOf(one);
            if (!largest.TryAdd(place, one) && largest[place] is var other)
            {
                if (other.Grown.Covers(one.Grown))
                    (gone ??= new(ReferenceEqualityComparer.Instance)).Add(one);
                else if (one.Grown.Covers(other.Grown))
                {
                    (gone ??= new(ReferenceEqualityComparer.Instance)).Add(other);
                    largest[place] = one;
                }
            }
        }
        return gone is null ? all : [.. all.Where(obstacle => !gone.Contains(obstacle))];
    }

    private static (long, long, long, long) PlaceOf(Obstacle one)
    {
        var box = one.Grown.Bounds;
        return (Tenth(box.Centre.X), Tenth(box.Centre.Y), Tenth(box.Width), Tenth(box.Height));

        static long Tenth(double value) => (long)Math.Round(value * 10);
    }
}
