using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Walkways;

/// <summary>
/// The obstacles of a floor by their boxes. After a change it is the packed index of before, less what is gone and with a small
/// one of what came; when that has grown to more than a part of the whole it is packed anew.
/// </summary>
internal sealed class ObstacleIndex
{
    /// <summary>So many changes, and a share of all, are carried beside the packed index.</summary>
    private const int FewChanges = 64;
    private const int Share = 8;

    private readonly SpatialIndex<Obstacle> packed;
    private readonly HashSet<Obstacle> gone;
    private readonly SpatialIndex<Obstacle> come;

    public ObstacleIndex(IReadOnlyList<Obstacle> obstacles)
        : this(Pack(obstacles), new(ReferenceEqualityComparer.Instance), Pack([])) { }

    private ObstacleIndex(SpatialIndex<Obstacle> packed, HashSet<Obstacle> gone, SpatialIndex<Obstacle> come) =>
        (this.packed, this.gone, this.come) = (packed, gone, come);

    private static SpatialIndex<Obstacle> Pack(IReadOnlyList<Obstacle> obstacles) => new(obstacles, obstacle => obstacle.Grown.Bounds);

    public int Count => packed.Count - gone.Count + come.Count;

    /// <summary>All of them, in no order that means anything.</summary>
    public IEnumerable<Obstacle> All => packed.All.Where(one => !gone.Contains(one)).Concat(come.All);

    /// <param name="left">Some that are in it.</param>
    public ObstacleIndex With(IReadOnlyCollection<Obstacle> left, IReadOnlyCollection<Obstacle> came)
    {
        if (left.Count + came.Count == 0)
            return this;
        var lost = new HashSet<Obstacle>(left, ReferenceEqualityComparer.Instance);
        List<Obstacle> added = [.. come.All.Where(one => !lost.Remove(one)), .. came];
        lost.UnionWith(gone);
        // What went and came back is where it was.
        added.RemoveAll(lost.Remove);
        return lost.Count + added.Count > Math.Max(FewChanges, packed.Count / Share)
            ? new ObstacleIndex([.. packed.All.Where(one => !lost.Contains(one)), .. added])
            : new ObstacleIndex(packed, lost, Pack(added));
    }

    /// <summary>Each obstacle whose box meets a box, in no order that means anything.</summary>
    public List<Obstacle> Meeting(Bounds box)
    {
        List<Obstacle> found = [];
        Collect(box, found);
        return found;
    }

    /// <summary>Adds them to a list that is empty.</summary>
    public void Collect(Bounds box, List<Obstacle> into)
    {
        packed.Collect(box, into);
        if (gone.Count > 0)
            into.RemoveAll(gone.Contains);
        come.Collect(box, into);
    }

    /// <summary>Shows the obstacles whose box meets a box one after another until the visitor has seen enough.</summary>
    public void Meeting(Bounds box, Func<Obstacle, bool> goOn)
    {
        var on = true;
        packed.Meeting(box, one => (gone.Count > 0 && gone.Contains(one)) || (on = goOn(one)));
        if (on && come.Count > 0)
            come.Meeting(box, goOn);
    }

    /// <summary>The least distance of any obstacle to a place, in mm, where there is one below a bound; else the bound.</summary>
    public double LeastDistance(Point place, Func<Obstacle, Point, double> distanceTo, double bound = double.PositiveInfinity)
    {
        var least =
            gone.Count == 0
                ? packed.LeastDistance(place, distanceTo, bound)
                : packed.LeastDistance(place, (one, at) => gone.Contains(one) ? double.PositiveInfinity : distanceTo(one, at), bound);
        return come.Count == 0 ? least : come.LeastDistance(place, distanceTo, least);
    }

    /// <summary>The obstacles nearest to a place by their boxes, nearest first: the box distance in mm grows from one to the next.</summary>
    public IEnumerable<(Obstacle Thing, double BoxDistance)> Nearest(Bounds place)
    {
        using var one = packed.Nearest(place).Where(near => !gone.Contains(near.Thing)).GetEnumerator();
        using var other = come.Nearest(place).GetEnumerator();
        var (hasOne, hasOther) = (one.MoveNext(), other.MoveNext());
        while (hasOne || hasOther)
            if (hasOne && (!hasOther || one.Current.BoxDistance <= other.Current.BoxDistance))
            {
                yield return one.Current;
                hasOne = one.MoveNext();
            }
            else
            {
                yield return other.Current;
                hasOther = other.MoveNext();
            }
    }
}
