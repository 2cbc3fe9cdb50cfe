using System.Collections.Immutable;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Compliance;

/// <summary>
/// By what everybody leaves: each person by the nearest way through the rooms. Who has a seat goes from the middle of what he sits at; those that a room is counted for beyond its seats stand
/// all over its floor. People are whole: what is left of parts goes to the passages with the largest parts.
/// </summary>
/// <param name="By">People by each doorway and flight, by its id.</param>
/// <param name="Through">People that leave a room or come through it, by its id.</param>
/// <param name="ShutIn">Rooms that people are in and no way leads out of.</param>
public sealed record Leaving(
    ImmutableDictionary<string, double> By,
    ImmutableDictionary<string, double> Through,
    ImmutableArray<(LevelSpace Space, FoundRoom Room)> ShutIn
)
{
    /// <param name="levels">All levels, each with what stands on it.</param>
    /// <param name="people">How many are in a room, by its id; null where nobody knows.</param>
    public static Func<Func<string, double?>, Leaving> From(
        IReadOnlyCollection<(LevelSpace Space, ImmutableArray<PlacedItem> Items)> levels
    )
    {
        var graph = LeavingGraph.Of([.. levels.Select(level => level.Space)]);
        var seated = Seated(graph, levels);
        return people => Of(graph, seated, people);
    }

    /// <summary>By what each room of a building is left for good.</summary>
    public static Func<FoundRoom, ImmutableArray<WayOut>> WaysOut(IReadOnlyList<LevelSpace> levels)
    {
        var graph = LeavingGraph.Of(levels);
        var numbers = graph.Numbers();
        return room => graph.WaysOut(numbers[room]);
    }

    /// <summary>Seats of each room by the passage that they are left by.</summary>
    private static Dictionary<int, int>[] Seated(
        LeavingGraph graph,
        IReadOnlyCollection<(LevelSpace Space, ImmutableArray<PlacedItem> Items)> levels
    )
    {
        Dictionary<int, int>[] seated = [.. graph.Rooms.Select(_ => new Dictionary<int, int>())];
        var numbers = graph.Numbers();
        foreach (var (space, items) in levels)
        foreach (var item in items.Where(item => item.Form.Seats.Length > 0))
            if (
                space.RoomAt(item.Item.Placement.Origin) is { } room
                && numbers[room] is var number
                && graph.Nearest(number, item.Item.Placement.Origin) is { } passage
            )
                seated[number][passage] = seated[number].GetValueOrDefault(passage) + item.Form.Seats.Length;
        return seated;
    }

    private static Leaving Of(LeavingGraph graph, Dictionary<int, int>[] seated, Func<string, double?> people)
    {
        var by = new double[graph.Passages.Length];
        var through = new double[graph.Rooms.Length];
        List<(LevelSpace, FoundRoom)> shutIn = [];
        for (var room = 0; room < graph.Rooms.Length; room++)
        {
            var all = people(graph.Rooms[room].Room.Room.Id) ?? 0;
            if (all <= 0)
                continue;
            through[room] += all;
            var shares = SharesOf(graph, room, seated[room], all);
            if (shares.Count == 0)
                shutIn.Add(graph.Rooms[room]);
            foreach (var (first, count) in shares)
                for (var (passage, steps) = (first, 0); passage >= 0 && steps <= by.Length; steps++)
                {
                    by[passage] += count;
                    if (graph.Passages[passage].Onto is { } onto)
                        through[onto] += count;
                    passage = graph.Passages[passage].Next;
                }
        }
        return new Leaving(
            graph
                .Passages.Select((passage, i) => (passage.SubjectId, by[i]))
                .GroupBy(one => one.SubjectId)
                .ToImmutableDictionary(same => same.Key, same => same.Sum(one => one.Item2)),
            graph.Rooms.Select((one, i) => (one.Room.Room.Id, through[i])).ToImmutableDictionary(one => one.Id, one => one.Item2),
            [.. shutIn]
        );
    }

    /// <summary>Whole people by passage; nothing where no way leads out.</summary>
    private static Dictionary<int, double> SharesOf(LeavingGraph graph, int room, Dictionary<int, int> seated, double people)
    {
        var (ways, floor) = (graph.OutOf(room), graph.ByFloor(room));
        if (floor.Length == 0)
            return [];
        double seats = seated.Values.Sum();
        var sit = Math.Min(seats, people);
        double[] parts =
        [
            .. ways.Select((passage, i) => (seats > 0 ? sit * seated.GetValueOrDefault(passage) / seats : 0) + (people - sit) * floor[i]),
        ];
        double[] whole = [.. parts.Select(part => Math.Floor(part + 1e-9))];
        var left = people - whole.Sum();
        foreach (var i in Enumerable.Range(0, parts.Length).OrderByDescending(i => parts[i] - whole[i]).ThenBy(i => i))
            if (left > 1e-9)
            {
                whole[i] += Math.Min(1, left);
                left--;
            }
        return ways.Select((passage, i) => (passage, whole[i]))
            .Where(one => one.Item2 > 0)
            .ToDictionary(one => one.passage, one => one.Item2);
    }
}
