using System.Collections.Immutable;
using System.Diagnostics;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
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
        Many(report, print);
        Edit(hall, print, "250 of 500 tables duplicated", i => new DuplicateItems(half, [.. half.Select(id => $"{id}-{i}")], 900, 500 + i));
        Edit(hall, print, "500 tables set aside", _ => new SetItemsAside(all, true));
        Edit(hall, print, "500 tables rotated", i => new RotateItems(all, 15 + i));

        static void Many(Func<string, int, Action<int>, double> report, Func<string, List<double>, double> print)
        {
            var planner = new Planner();
            var loose = Halls.Rows(2000);
            planner.StateOf(loose, S, L);
            ImmutableArray<string> thousand = [.. Enumerable.Range(0, 1000).Select(i => $"chair-{i}")];
            ImmutableArray<string> all = [.. Enumerable.Range(0, 2000).Select(i => $"chair-{i}")];
            report(
                "probe, 1 000 of 2 000 loose chairs moved together, at once",
                60,
                i => planner.Probe(loose, new MoveItems(thousand, 5 * i, 3 * i), S, L, true)
            );
            var repeated = Repeated();
            planner = new Planner();
            planner.StateOf(repeated, S, L);
            report(
                "probe, a repeat of 500 drawn out, at once",
                60,
                i => planner.Probe(repeated, new PullRepeat("repeat", new Point(19_000 + 5 * i, 26_000 + 3 * i)), S, L, true)
            );
            Edit(loose, print, "2 000 chairs moved", i => new MoveItems(all, 5 + i, 3));
        }

        // A hall for 500 chairs and a repeat that fills it.
        static Plan Repeated()
        {
            var empty = Halls.Rows(500);
            var hall = Plan.Of(empty.Entities.Values.Where(entity => entity is not Item), empty.Library);
            var repeat = new Repeat("repeat", S, L, 3000, 3000, 0, 25, 20, 650, 1100);
            return hall.TryApply(
                new Planner().Answer(hall, new PutRepeat(repeat, "stacking-chair") { Sure = true }).Change!,
                out var made,
                out _
            )
                ? made
                : throw new InvalidOperationException("The repeat does not fit.");
        }

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
        List<double> undone = [];
        for (var i = 0; i < 12; i++)
        {
            var planner = new Planner();
            planner.StateOf(plan, S, L);
            // The plan has been open for a while: what is known of it is no longer young.
            GC.Collect();
            var from = Stopwatch.GetTimestamp();
            if (planner.Answer(plan, edit(i)) is not { Change: { } change } || !plan.TryApply(change, out var after, out _))
                throw new InvalidOperationException($"{name}: {planner.Answer(plan, edit(i)).Problem}");
            planner.StateOf(after, S, L);
            if (i >= 2)
                times.Add(Stopwatch.GetElapsedTime(from).TotalMilliseconds);
            from = Stopwatch.GetTimestamp();
            if (!after.TryApply(change.Reversed("Undid"), out var back, out _))
                throw new InvalidOperationException($"{name}: it is not undone.");
            planner.StateOf(back, S, L);
            if (i >= 2)
                undone.Add(Stopwatch.GetElapsedTime(from).TotalMilliseconds);
        }
        print($"edit, {name}", times);
        print($"undo, {name}", undone);
    }
}
