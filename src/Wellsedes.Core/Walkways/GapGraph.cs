using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Walkways;

/// <summary>
/// The narrow places of a floor and the open faces between them. Going from one face to the next means passing one
/// narrow place, so the widest way anywhere is a path of a maximum spanning tree over the faces.
/// </summary>
/// <remarks>
/// Why this is exact: the clearance of a floor has its saddles where two obstacles are nearest each other with an
/// empty disc between, and its maxima inside the faces; segments of empty discs do not cross, so sorting their ends
/// round each obstacle gives the faces without any triangulation.
/// A graph made from an earlier one keeps the numbers of faces and links that have not changed; those that went are never given again.
/// </remarks>
public sealed class GapGraph
{
    private readonly Bounds square;
    private readonly GapCells? cells;
    private readonly GapRims rims;

    /// <summary>The numbers of the narrow places, the widest first.</summary>
    private readonly int[] byWidth;

    private readonly Outermost outermost;

    /// <summary>Which numbers are of one making: those of another say nothing here.</summary>
    private readonly object making;

    /// <summary>Builds the graph; an earlier graph over nearly the same obstacles lends what has not changed.</summary>
    /// <param name="changes">What came and went since the earlier one.</param>
    internal static GapGraph Build(WalkwayScene scene, GapGraph? before, SceneDifference? changes, Work? work) =>
        new(scene, before, changes, work);

    private GapGraph(WalkwayScene scene, GapGraph? before, SceneDifference? changes, Work? work)
    {
        (outermost, var difference) = Outermost.Of(scene, before?.outermost, changes, work);
        square = SquareAround(scene.Box, before?.square);
        var earlier =
            before is not null && before.square == square && difference.Count <= outermost.Count / 2 && !before.rims.IsWorn ? before : null;
        var links = new LinkChanges();
        making = earlier?.making ?? new object();
        if (earlier is null)
        {
            Obstacle[] all = [.. outermost.Obstacles];
            Array.Sort(all, Obstacle.InOrder);
            cells = GapCells.Build(all, square, outermost, work);
            GapCells.Compare(null, cells, links);
            rims = GapRims.None.With([], all, links);
        }
        else
        {
            Obstacle[] come = [.. difference.Come];
            cells = GapCells.Renew(square, earlier.cells, [.. difference.Gone], come, null, outermost, work);
            GapCells.Compare(earlier.cells, cells, links);
            rims = earlier.rims.With(difference.Gone, come, links);
        }
        byWidth = Sorted(earlier, rims);
    }

    public int NarrowCount => byWidth.Length;

    /// <summary>Among which it is looked for what is near; not all of them need be outermost.</summary>
    internal ObstacleIndex Index => outermost.Index;

    /// <summary>Whether an obstacle lies wholly inside no other one.</summary>
    internal bool Holds(Obstacle obstacle) => outermost.Holds(obstacle);

    /// <summary>A square that holds everything; its size steps in powers of two so that small moves keep it.</summary>
    private static Bounds SquareAround(Bounds box, Bounds? before)
    {
        if (box.IsEmpty)
            return new Bounds(0, 0, 1, 1);
        if (before is { } old && old.Including(box) == old && old.Width < 8 * Math.Max(box.Width, box.Height))
            return old;
        double size = 1024;
        while (size < Math.Max(box.Width, box.Height) + 2000)
            size *= 2;
        var (x, y) = (Math.Floor((box.MinX - 1000) / 512) * 512, Math.Floor((box.MinY - 1000) / 512) * 512);
        if (x + size < box.MaxX + 1 || y + size < box.MaxY + 1)
            size *= 2;
        return new Bounds(x, y, x + size, y + size);
    }

    /// <summary>The narrow places by their widths: those of before without what went, what came in between.</summary>
    private static int[] Sorted(GapGraph? before, GapRims rims)
    {
        GapLink[] come = [.. rims.Come.Where(link => link.IsNarrow)];
        Array.Sort(come, GapLink.WidestFirst);
        if (before is null)
            return [.. come.Select(link => link.Number)];
        GapLink[] gone = [.. rims.Gone.Where(link => link.IsNarrow)];
        Array.Sort(gone, GapLink.WidestFirst);
        var was = before.byWidth;
        var sorted = new int[was.Length - gone.Length + come.Length];
        var (from, at, lost) = (0, 0, 0);
        foreach (var link in come)
        {
            Copy(before.PlaceOf(link));
            sorted[at++] = link.Number;
        }
        Copy(was.Length);
        return sorted;

        // Those of before up to a place, but for the lost ones.
        void Copy(int to)
        {
            while (lost < gone.Length && before.PlaceOf(gone[lost]) is var place && place < to)
            {
                Take(place);
                from = place + 1;
                lost++;
            }
            Take(to);
        }

        void Take(int to)
        {
            was.AsSpan(from..to).CopyTo(sorted.AsSpan(at));
            at += to - from;
            from = to;
        }
    }

    /// <summary>Where a narrow place stands, or would stand, among those by their widths.</summary>
    private int PlaceOf(GapLink link)
    {
        var (low, high) = (0, byWidth.Length);
        while (low < high)
        {
            var between = (low + high) / 2;
            if (GapLink.WidestFirst(rims.Link(byWidth[between])!, link) < 0)
                low = between + 1;
            else
                high = between;
        }
        return low;
    }

    internal ReadOnlySpan<int> ByWidth => byWidth;

    internal GapLink Link(int number) => rims.Link(number)!;

    /// <summary>The faces on the left and on the right of the line from A to B of a narrow place.</summary>
    internal (int Left, int Right) SidesOf(int link) => rims.SidesOf(link);

    /// <summary>One more than the highest number of a face.</summary>
    internal int FaceCount => rims.FaceCount;

    /// <summary>Whether faces of an earlier graph that are not among the gone ones are the same here under the same numbers.</summary>
    internal bool Continues(GapGraph earlier) => making == earlier.making;

    /// <summary>Whether a face of the graph this one was made from is there no more; none of it is asked where nothing was lent.</summary>
    internal bool IsFaceGone(int face) => rims.IsFaceGone(face);

    /// <summary>The face that touches an obstacle's rim at a position of it; -1 when the obstacle lies inside another.</summary>
    internal int FaceAtRim(Obstacle obstacle, double position) => rims.FaceAt(obstacle, position);

    /// <summary>The face an open point lies in: that of its nearest obstacle. -1 inside an obstacle or with none.</summary>
    internal int FaceAt(Point p) => NearestRim(p, Around(p)) is ({ } nearest, var position) ? FaceAtRim(nearest, position) : -1;

    /// <summary>The nearest of some obstacles to a point and where on its rim; none when the point lies inside one.</summary>
    internal (Obstacle? Nearest, double Position) NearestRim(Point p, IReadOnlyList<Obstacle> near)
    {
        Obstacle? nearest = null;
        var least = double.PositiveInfinity;
        var foot = p;
        foreach (var obstacle in near)
        {
            if (obstacle.Grown.Bounds.DistanceTo(p) > least)
                continue;
            var distance = obstacle.Grown.DistanceTo(p, out var on);
            if (
                distance > least
                || (distance == least && nearest is not null && Obstacle.InOrder(obstacle, nearest) > 0)
                || !Holds(obstacle)
            )
                continue;
            (nearest, least, foot) = (obstacle, distance, on);
        }
        return nearest is null || least <= 0 ? (null, 0) : (nearest, nearest.Rim.Position(foot));
    }

    /// <summary>Obstacles among which the nearest to a place is.</summary>
    internal IReadOnlyList<Obstacle> Around(Point p)
    {
        var reach = double.PositiveInfinity;
        List<Obstacle> near = [];
        foreach (var (obstacle, boxDistance) in Index.Nearest(Bounds.At(p)))
        {
            if (boxDistance > reach)
                break;
            near.Add(obstacle);
            if (Holds(obstacle))
                reach = Math.Min(reach, Math.Max(0, obstacle.Grown.DistanceTo(p)));
        }
        return near;
    }
}
