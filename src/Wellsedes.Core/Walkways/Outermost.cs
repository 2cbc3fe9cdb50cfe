using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Walkways;

/// <summary>The obstacles of a scene that lie wholly inside no other one.</summary>
internal sealed class Outermost
{
    /// <summary>What was found of one obstacle: whether another covers it, and how many were asked.</summary>
    private readonly record struct Found(bool Covered, int Asked);

    /// <summary>Where more than this share lies inside others, those are left out of what is looked among.</summary>
    private const double Heaped = 0.25;

    private readonly ObstacleIndex all;
    private readonly HashSet<Obstacle> covered;
    private readonly long asked;

    /// <summary>Whether some lay in the very same place; then nothing is lent to the next.</summary>
    private readonly bool doubled;

    private Outermost(ObstacleIndex all, HashSet<Obstacle> covered, long asked, bool doubled, Bounds box, ObstacleIndex? index)
    {
        (this.all, this.covered, this.asked, this.doubled) = (all, covered, asked, doubled);
        Box = box;
        Index = index ?? (IsHeaped(all, covered) ? new ObstacleIndex([.. Obstacles]) : all);
    }

    private static bool IsHeaped(ObstacleIndex all, HashSet<Obstacle> covered) => covered.Count > Heaped * all.Count;

    /// <summary>Among which it is looked for what stops somebody: of a heap only the outermost, else all.</summary>
    public ObstacleIndex Index { get; }

    /// <summary>Round all of them.</summary>
    public Bounds Box { get; }

    public int Count => all.Count - covered.Count;

    public bool Holds(Obstacle obstacle) => !covered.Contains(obstacle);

    /// <summary>In no order that means anything.</summary>
    public IEnumerable<Obstacle> Obstacles => all.All.Where(Holds);

    /// <param name="before">Of nearly the same obstacles: only what a changed one touches is asked about again.</param>
    /// <param name="changes">What came and went since; read where there is one before.</param>
    /// <returns>Together with what came and went of the outermost ones.</returns>
    public static (Outermost, SceneDifference) Of(WalkwayScene scene, Outermost? before, SceneDifference? changes, Work? work)
    {
        if (before is not null && changes is not null && !before.doubled && changes.Count <= before.all.Count / 2)
            if (Renewed(before, changes, scene.Box) is { } renewed)
            {
                work?.Count(renewed.Outermost.asked);
                return renewed;
            }
        var anew = Anew(scene.Obstacles, scene.Box, work);
        if (before is null)
            return (anew, SceneDifference.None);
        var gone = new HashSet<Obstacle>(before.Obstacles, ReferenceEqualityComparer.Instance);
        List<Obstacle> come = [.. anew.Obstacles.Where(one => !gone.Remove(one))];
        return (anew, new SceneDifference(gone, come));
    }

    private static Outermost Anew(IReadOnlyList<Obstacle> given, Bounds box, Work? work)
    {
        // Of those in the very same place one is enough to look among.
        var apart = LargestOfTheSame(given, out var covered);
        var index = new ObstacleIndex(apart);
        var found = new Found[apart.Count];
        Together.For(
            found.Length,
            i =>
            {
                found[i] = Ask(apart[i], index);
                work?.Count(found[i].Asked);
            }
        );
        long asked = 0;
        for (var i = 0; i < found.Length; i++)
        {
            asked += found[i].Asked;
            if (found[i].Covered)
                covered.Add(apart[i]);
        }
        var doubled = apart.Count < given.Count;
        return new Outermost(doubled ? new ObstacleIndex(given) : index, covered, asked, doubled, box, null);
    }

    /// <summary>Null when something came to stand in the very same place as another.</summary>
    private static (Outermost Outermost, SceneDifference Changes)? Renewed(Outermost before, SceneDifference changes, Bounds box)
    {
        var all = before.all.With(changes.Gone, changes.Come);
        Obstacle[] left = [.. changes.Gone];
        // What a changed one lies over is asked about again.
        var over = new List<Obstacle>?[left.Length + changes.Come.Count];
        var doubled = false;
        Together.For(
            over.Length,
            i =>
            {
                var one = i < left.Length ? left[i] : changes.Come[i - left.Length];
                over[i] = LainOver(one, all);
                if (i >= left.Length && IsDoubled(one, all))
                    doubled = true;
            }
        );
        if (doubled)
            return null;
        HashSet<Obstacle> touched = new(ReferenceEqualityComparer.Instance);
        foreach (var some in over)
            touched.UnionWith(some ?? []);
        touched.ExceptWith(changes.Come);
        Obstacle[] asked = [.. left, .. touched, .. changes.Come];
        var (was, now) = (new Found[asked.Length], new Found[asked.Length]);
        var stays = left.Length + touched.Count;
        Together.For(
            asked.Length,
            i =>
            {
                if (i < stays)
                    was[i] = Ask(asked[i], before.all);
                if (i >= left.Length)
                    now[i] = Ask(asked[i], all);
            }
        );
        var steps = before.asked;
        HashSet<Obstacle> gone = new(ReferenceEqualityComparer.Instance);
        List<Obstacle> come = [];
        var covered = before.covered;
        for (var i = 0; i < asked.Length; i++)
        {
            steps += now[i].Asked - was[i].Asked;
            var (wasOuter, isOuter) = (i < stays && !was[i].Covered, i >= left.Length && !now[i].Covered);
            if (wasOuter && !isOuter)
                gone.Add(asked[i]);
            else if (isOuter && !wasOuter)
                come.Add(asked[i]);
            if (was[i].Covered && !now[i].Covered)
                Covered().Remove(asked[i]);
            else if (now[i].Covered && !was[i].Covered)
                Covered().Add(asked[i]);
        }
        var index =
            !IsHeaped(all, covered) ? all
            : before.Index == before.all ? null
            : before.Index.With(gone, come);
        return (new Outermost(all, covered, steps, false, box, index), new SceneDifference(gone, come));

        HashSet<Obstacle> Covered() => covered == before.covered ? covered = new(covered, ReferenceEqualityComparer.Instance) : covered;
    }

    /// <summary>Those whose middle lies in an obstacle's box: it may cover them.</summary>
    private static List<Obstacle>? LainOver(Obstacle one, ObstacleIndex all)
    {
        List<Obstacle>? over = null;
        var box = one.Grown.Bounds;
        all.Meeting(
            box,
            other =>
            {
                if (other != one && box.DistanceTo(other.Grown.Bounds.Centre) <= 0)
                    (over ??= []).Add(other);
                return true;
            }
        );
        return over;
    }

    private static bool IsDoubled(Obstacle one, ObstacleIndex all)
    {
        var box = one.Grown.Bounds;
        var place = PlaceOf(one);
        var doubled = false;
        all.Meeting(Bounds.At(box.Centre).Grown(0.2), other => !(doubled = other != one && PlaceOf(other) == place));
        return doubled;
    }

    private static Found Ask(Obstacle one, ObstacleIndex index)
    {
        var box = one.Grown.Bounds;
        var (asked, covered) = (0, false);
        // What covers it holds the middle of its box, so only that is looked at.
        index.Meeting(
            Bounds.At(box.Centre),
            two =>
            {
                asked++;
                if (two == one || !two.Grown.Bounds.Holds(box) || !two.Grown.Covers(one.Grown))
                    return true;
                // Of two that cover each other the later stays: one of them must.
                if (Obstacle.InOrder(two, one) < 0 && one.Grown.Covers(two.Grown))
                    return true;
                covered = true;
                return false;
            }
        );
        // How soon the one that covers it comes up differs from index to index; what is counted must not.
        return new Found(covered, covered ? 1 : asked);
    }

    /// <summary>Of obstacles whose boxes are the same to a tenth of a millimetre, those that no other one of them covers; in order.</summary>
    private static IReadOnlyList<Obstacle> LargestOfTheSame(IReadOnlyList<Obstacle> all, out HashSet<Obstacle> covered)
    {
        var largest = new Dictionary<(long, long, long, long), Obstacle>(all.Count);
        HashSet<Obstacle> gone = new(ReferenceEqualityComparer.Instance);
        foreach (var one in all)
        {
            var place = PlaceOf(one);
            if (!largest.TryAdd(place, one) && largest[place] is var other)
            {
                if (other.Grown.Covers(one.Grown))
                    gone.Add(one);
                else if (one.Grown.Covers(other.Grown))
                {
                    gone.Add(other);
                    largest[place] = one;
                }
            }
        }
        covered = gone;
        return gone.Count == 0 ? all : [.. all.Where(obstacle => !gone.Contains(obstacle))];
    }

    private static (long, long, long, long) PlaceOf(Obstacle one)
    {
        var box = one.Grown.Bounds;
        return (Tenth(box.Centre.X), Tenth(box.Centre.Y), Tenth(box.Width), Tenth(box.Height));

        static long Tenth(double value) => (long)Math.Round(value * 10);
    }
}
