using System.Collections.Immutable;
using System.Diagnostics;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;

namespace Wellsedes.Bench;

/// <summary>What a move costs, in the core alone, as time and as ratio to the move among 500 obstacles in the same run.</summary>
internal static class Moves
{
    private const string S = PlanStart.SchemeId;
    private const string L = PlanStart.LevelId;

    public static void Run(Func<string, int, Action<int>, double> report, Func<string, List<double>, double> print)
    {
        // A server has been running for a while: the compiler has seen all of it often enough.
        Warm(Halls.Office(740), "desk-370");
        Warm(Halls.Rows(500), "chair-250");
        var least = One(Halls.Rows(500), "chair-250", "500 loose chairs");
        foreach (
            var (plan, id, name) in new[]
            {
                (Halls.Office(740), "desk-370", "office"),
                (Halls.Banquet(200), "table-100", "200 tables of ten"),
                (Halls.Banquet(500), "table-250", "500 tables of ten"),
                (Halls.Banquet(1090), "table-545", "1 090 tables of ten"),
            }
        )
            Console.WriteLine($"  ratio to 500 obstacles | {One(plan, id, name) / least:0.0}");
        var hall = Halls.Banquet(500);
        var planner = new Planner();
        planner.StateOf(hall, S, L);
        ImmutableArray<string> some = [.. Enumerable.Range(200, 100).Select(i => $"table-{i}")];
        ImmutableArray<string> half = [.. Enumerable.Range(0, 250).Select(i => $"table-{i}")];
        ImmutableArray<string> all = [.. Enumerable.Range(0, 500).Select(i => $"table-{i}")];
        foreach (var (atOnce, how) in new[] { (true, "at once, walkways of before"), (false, "in full") })
            report(
                $"probe, 100 of 500 tables of ten moved together, {how}",
                40,
                i => planner.Probe(hall, new MoveItems(some, 5 * i, 3 * i), S, L, atOnce)
            );
        Edit(hall, print, "250 of 500 tables duplicated", i => new DuplicateItems(half, [.. half.Select(id => $"{id}-{i}")], 900, 500 + i));
        Edit(hall, print, "500 tables set aside", _ => new SetItemsAside(all, true));
        Edit(hall, print, "500 tables rotated", i => new RotateItems(all, 15 + i));

        static void Warm(Plan plan, string id)
        {
            var planner = new Planner();
            for (var i = 0; i < 400; i++)
                planner.Probe(plan, new MoveItems([id], 5 * (i % 60), 3 * (i % 60)), S, L);
        }

        double One(Plan plan, string id, string name)
        {
            var planner = new Planner();
            var obstacles = planner.StateOf(plan, S, L).Walkways.Scene.Obstacles.Length;
            return report(
                $"one move, {name}, {obstacles} obstacles",
                60,
                i => planner.Probe(plan, new MoveItems([id], 5 * i, 3 * i), S, L)
            );
        }
    }

    /// <summary>An edit as the server does it: answered, applied, and everything worked out.</summary>
    private static void Edit(Plan plan, Func<string, List<double>, double> print, string name, Func<int, Edit> edit)
    {
        List<double> times = [];
        for (var i = 0; i < 12; i++)
        {
            var planner = new Planner();
            planner.StateOf(plan, S, L);
            var from = Stopwatch.GetTimestamp();
            if (planner.Answer(plan, edit(i)) is not { Change: { } change } || !plan.TryApply(change, out var after, out _))
                throw new InvalidOperationException($"{name}: {planner.Answer(plan, edit(i)).Problem}");
            planner.StateOf(after, S, L);
            if (i >= 2)
                times.Add(Stopwatch.GetElapsedTime(from).TotalMilliseconds);
        }
        print($"edit, {name}", times);
    }
}
