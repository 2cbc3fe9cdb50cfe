using System.Collections.Immutable;
using System.Runtime.CompilerServices;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Compliance;

/// <summary>A place by which people leave a room: a doorway, or the end of a flight to another level.</summary>
/// <param name="At">Its middle, in mm on the level.</param>
/// <param name="Onto">The room it leads into: by a doorway the one behind it, by a flight that at its other end; null for the outside, and for nowhere.</param>
/// <param name="Outside">Whether it leads out of the building.</param>
/// <param name="Far">How far the outside is from here by the nearest way, in mm; endless where none leads there.</param>
/// <param name="Next">The passage that whoever leaves by it goes on to, as it is numbered; -1 where it leads outside, or nowhere.</param>
/// <param name="Middle">Where its width is measured, in mm on the level: in the middle of the wall, or of the flight.</param>
/// <param name="Clear">What can be walked through, in mm.</param>
internal sealed record Passage(
    string SubjectId,
    int Room,
    Point At,
    int? Onto,
    bool Outside,
    Point Middle,
    double Clear,
    double Far = double.PositiveInfinity,
    int Next = -1
);

/// <summary>A door, gap or flight by which a room is left for good.</summary>
/// <param name="Clear">What can be walked through, in mm.</param>
public sealed record WayOut(string SubjectId, Point Middle, double Clear);

/// <summary>
/// The rooms of a building and how they join, on foot from room to room; what stands in them is left aside. Within a room the nearest way is the shortest line that stays in its outline.
/// Shut doors lead nowhere.
/// </summary>
internal sealed class LeavingGraph
{
    /// <summary>The floor of a room is asked at about so many places.</summary>
    private const int Places = 1000;

    /// <summary>A room that bends more often is asked at fewer places, as each takes longer.</summary>
    private const int ManyTurns = 12;

    /// <summary>Corners are gone round at this distance, in mm, so that a line along a wall counts as within.</summary>
    private const double Clear = 1;

    private static readonly ConditionalWeakTable<LevelSpace, LeavingGraph> Known = [];

    private readonly LevelSpace[] levels;
    private readonly ImmutableArray<Point>[] turns;
    private readonly double[]?[] toTurns;
    private readonly List<int>[] leaving;
    private readonly Lazy<double[]>[] byFloor;
    private readonly Lazy<ImmutableArray<WayOut>>[] waysOut;

    /// <summary>From which rooms one comes into each.</summary>
    private readonly List<int>[] entering;

    /// <summary>Rooms that lead outside.</summary>
    private readonly int[] outer;

    public ImmutableArray<(LevelSpace Space, FoundRoom Room)> Rooms { get; }
    public ImmutableArray<Passage> Passages { get; private set; }

    /// <summary>Asked again for the same levels it is worked out once.</summary>
    public static LeavingGraph Of(IReadOnlyList<LevelSpace> levels)
    {
        if (Known.TryGetValue(levels[0], out var known) && known.levels.SequenceEqual(levels, ReferenceEqualityComparer.Instance))
            return known;
        var graph = new LeavingGraph([.. levels]);
        Known.AddOrUpdate(levels[0], graph);
        return graph;
    }

    private LeavingGraph(LevelSpace[] levels)
    {
        this.levels = levels;
        Rooms = [.. levels.SelectMany(level => level.Rooms.Select(room => (level, room)))];
        turns = [.. Rooms.Select(one => TurnsOf(one.Room.Outline))];
        List<(Passage Passage, int Other, double Longer)> all = [];
        foreach (var level in levels)
            AddDoorways(level, all);
        AddFlights(all);
        // Whoever is outside already leaves over its edge.
        for (var i = 0; i < Rooms.Length; i++)
            if (IsOpen(Rooms[i].Space, Rooms[i].Room))
                all.Add(
                    (new Passage(Rooms[i].Room.Room.Id, i, Rooms[i].Room.Room.Inside, null, true, Rooms[i].Room.Room.Inside, 0), -1, 0)
                );
        leaving = [.. Rooms.Select(_ => new List<int>())];
        for (var i = 0; i < all.Count; i++)
            leaving[all[i].Passage.Room].Add(i);
        toTurns = new double[]?[all.Count];
        Passages = WithDistances(all);
        entering = [.. Rooms.Select(_ => new List<int>())];
        foreach (var passage in Passages)
            if (passage.Onto is { } onto)
                entering[onto].Add(passage.Room);
        outer = [.. Passages.Where(passage => passage.Outside).Select(passage => passage.Room).Distinct()];
        waysOut = [.. Rooms.Select((_, i) => new Lazy<ImmutableArray<WayOut>>(() => FindWaysOut(i)))];
        byFloor = [.. Rooms.Select((_, i) => new Lazy<double[]>(() => FloorOf(i)))];
    }

    /// <summary>Whether a room is outside already: on the ground, by its outline alone, as a terrace or marquee.</summary>
    public static bool IsOpen(LevelSpace space, FoundRoom room) => !room.Walled && space.IsOnGround;

    /// <summary>Which number each room has.</summary>
    public Dictionary<FoundRoom, int> Numbers()
    {
        var numbers = new Dictionary<FoundRoom, int>(ReferenceEqualityComparer.Instance);
        for (var i = 0; i < Rooms.Length; i++)
            numbers[Rooms[i].Room] = i;
        return numbers;
    }

    /// <summary>The passages that lead out of a room, as they are numbered in <see cref="Passages"/>.</summary>
    public IReadOnlyList<int> OutOf(int room) => leaving[room];

    /// <summary>Which part of those who stand all over the floor of a room leaves by each of its passages, in their order; nothing where none leads out.</summary>
    public double[] ByFloor(int room) => byFloor[room].Value;

    /// <summary>
    /// The ways out of a room: its doors, gaps and flights by which the outside is reached without coming back through the room. The door of a room within it is none.
    /// </summary>
    public ImmutableArray<WayOut> WaysOut(int room) => waysOut[room].Value;

    private ImmutableArray<WayOut> FindWaysOut(int room)
    {
        var reached = new bool[Rooms.Length];
        // From the outside inwards, with the room itself closed.
        var open = new Queue<int>(outer.Where(one => one != room));
        while (open.TryDequeue(out var next))
        {
            if (reached[next])
                continue;
            reached[next] = true;
            foreach (var beyond in entering[next])
                if (beyond != room && !reached[beyond])
                    open.Enqueue(beyond);
        }
        return
        [
            .. leaving[room]
                .Select(i => Passages[i])
                .Where(passage => passage.Outside || (passage.Onto is { } onto && reached[onto]))
                .Select(passage => new WayOut(passage.SubjectId, passage.Middle, passage.Clear)),
        ];
    }

    /// <summary>The passage that somebody at a place of a room leaves by, by the nearest way; null where none leads out.</summary>
    public int? Nearest(int room, Point at)
    {
        (int? Best, var far) = (null, double.PositiveInfinity);
        foreach (var passage in leaving[room])
            if (Passages[passage].Far < far)
            {
                var way = Passages[passage].Far + Within(room, at, passage);
                if (way < far - Tolerance.Length)
                    (Best, far) = (passage, way);
            }
        return Best;
    }

    private void AddDoorways(LevelSpace level, List<(Passage, int, double)> all)
    {
        foreach (
            var place in level.Openings.Where(place =>
                place.Opening is { Kind: not OpeningKind.Window, Shut: false } && place.Opening.Sill <= Tolerance.Length
            )
        )
        {
            var off = place.Wall.Thickness / 2 + Clear;
            Point[] sides = [place.Frame.Out(new Point(0, off)), place.Frame.Out(new Point(0, -off))];
            int?[] rooms = [RoomAt(level, sides[0]), RoomAt(level, sides[1])];
            if (rooms[0] == rooms[1])
                continue;
            var through = sides[0].DistanceTo(sides[1]);
            for (var side = 0; side < 2; side++)
                if (rooms[side] is { } room)
                {
                    var onto = rooms[1 - side];
                    // A passage knows the one it comes out by: its other side is added before or after it.
                    var other = onto is null ? -1 : all.Count + (side == 0 ? 1 : -1);
                    all.Add(
                        (
                            new Passage(
                                place.Opening.Id,
                                room,
                                sides[side],
                                onto,
                                onto is null,
                                place.Frame.Origin,
                                place.Opening.ClearWidth
                            ),
                            other,
                            through
                        )
                    );
                }
        }
    }

    private void AddFlights(List<(Passage, int, double)> all)
    {
        foreach (var level in levels)
        foreach (var flight in level.Flights.Where(flight => flight.ToLevelId.Length > 0))
        {
            if (Array.Find(levels, other => other.LevelId == flight.ToLevelId) is not { } upper)
                continue;
            var (foot, head) = (flight.LandingAt(false).At, flight.LandingAt(true).At);
            if (RoomAt(level, foot) is not { } below || RoomAt(upper, head) is not { } above)
                continue;
            var run = Math.Sqrt(flight.Depth * flight.Depth + flight.Rise * flight.Rise);
            all.Add((new Passage(flight.Id, below, foot, above, false, foot, flight.Width), all.Count + 1, run));
            all.Add((new Passage(flight.Id, above, head, below, false, head, flight.Width), all.Count - 1, run));
        }
    }

    private int? RoomAt(LevelSpace level, Point at)
    {
        for (var i = 0; i < Rooms.Length; i++)
            if (ReferenceEquals(Rooms[i].Space, level) && !IsOpen(level, Rooms[i].Room) && Rooms[i].Room.Outline.Holds(at))
                return i;
        return null;
    }

    /// <summary>From the outside inwards, the nearest first (Dijkstra's algorithm).</summary>
    private ImmutableArray<Passage> WithDistances(List<(Passage Passage, int Other, double Longer)> all)
    {
        var (far, then) = (new double[all.Count], new int[all.Count]);
        Array.Fill(far, double.PositiveInfinity);
        Array.Fill(then, -1);
        var queue = new PriorityQueue<int, double>();
        for (var i = 0; i < all.Count; i++)
            if (all[i].Passage.Outside)
                queue.Enqueue(i, far[i] = 0);
        Passages = [.. all.Select(one => one.Passage)];
        while (queue.TryDequeue(out var next, out var at))
        {
            if (at > far[next])
                continue;
            // Whoever comes through the other side of a passage into this room goes on to this one.
            foreach (var other in leaving[all[next].Passage.Room])
                if (other != next && all[other].Other is >= 0 and var entered)
                {
                    var way = at + Within(all[next].Passage.Room, all[other].Passage.At, next) + all[other].Longer;
                    if (way >= far[entered])
                        continue;
                    then[entered] = next;
                    queue.Enqueue(entered, far[entered] = way);
                }
        }
        return [.. all.Select((one, i) => one.Passage with { Far = far[i], Next = then[i] })];
    }

    /// <summary>The shortest line within a room to one of its passages, in mm.</summary>
    private double Within(int room, Point from, int passage)
    {
        var (outline, to) = (Rooms[room].Room.Outline, Passages[passage].At);
        if (turns[room].IsEmpty || Sees(outline, from, to))
            return from.DistanceTo(to);
        var onwards = toTurns[passage] ??= ToTurns(room, to);
        var best = double.PositiveInfinity;
        for (var i = 0; i < onwards.Length; i++)
        {
            var way = from.DistanceTo(turns[room][i]) + onwards[i];
            if (way < best && Sees(outline, from, turns[room][i]))
                best = way;
        }
        // What no line leads to, as a place on a wall, is as far as it looks.
        return double.IsFinite(best) ? best : from.DistanceTo(to);
    }

    private double[] ToTurns(int room, Point to)
    {
        var (outline, corners) = (Rooms[room].Room.Outline, turns[room]);
        double[] far = [.. corners.Select(corner => Sees(outline, corner, to) ? corner.DistanceTo(to) : double.PositiveInfinity)];
        var open = Enumerable.Range(0, corners.Length).ToHashSet();
        while (open.Count > 0 && open.MinBy(i => far[i]) is var next && double.IsFinite(far[next]))
        {
            open.Remove(next);
            foreach (var i in open)
                if (far[next] + corners[next].DistanceTo(corners[i]) < far[i] && Sees(outline, corners[next], corners[i]))
                    far[i] = far[next] + corners[next].DistanceTo(corners[i]);
        }
        return far;
    }

    private static bool Sees(Region outline, Point a, Point b)
    {
        var length = a.DistanceTo(b);
        return length <= Clear || outline.Within(a, b).Sum(part => part.From.DistanceTo(part.To)) >= length - Clear;
    }

    /// <summary>The corners that ways in a room bend at: those that reach into it, a little off.</summary>
    private static ImmutableArray<Point> TurnsOf(Region outline) =>
        [
            .. outline
                .Rings()
                .SelectMany(ring =>
                    Enumerable
                        .Range(0, ring.Length)
                        .Select(i =>
                        {
                            var (before, at, after) = (ring[(i + ring.Length - 1) % ring.Length], ring[i], ring[(i + 1) % ring.Length]);
                            var (came, goes) = ((at - before).Unit(), (after - at).Unit());
                            return came.Cross(goes) < -1e-6 ? at - (came.Left() + goes.Left()).Unit() * -Clear : (Point?)null;
                        })
                )
                .OfType<Point>(),
        ];

    private double[] FloorOf(int room)
    {
        var (outline, share) = (Rooms[room].Room.Outline, new double[leaving[room].Count]);
        var box = outline.Bounds;
        var step = Math.Max(Math.Sqrt(outline.Area / (turns[room].Length > ManyTurns ? Places / 8 : Places)), 1);
        var all = 0;
        // Even numbers, so that no place lies half way between two doors that are alike.
        var (across, along) = (2 * (int)Math.Ceiling(box.Width / step / 2), 2 * (int)Math.Ceiling(box.Height / step / 2));
        for (var i = 0; i < across; i++)
        for (var j = 0; j < along; j++)
            if (
                new Point(box.MinX + box.Width * (i + 0.5) / across, box.MinY + box.Height * (j + 0.5) / along) is var at
                && outline.Holds(at)
                && Nearest(room, at) is { } passage
            )
            {
                share[leaving[room].IndexOf(passage)]++;
                all++;
            }
        if (all == 0 && Nearest(room, Rooms[room].Room.Room.Inside) is { } only)
            share[leaving[room].IndexOf(only)] = all = 1;
        return all == 0 ? [] : [.. share.Select(one => one / all)];
    }
}
