using System.Text;
using System.Text.Json;
using Wellsedes.Core.Editing;
using Wellsedes.Core.KindsOfThing;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Core.Units;

/// <summary>500 rules held against 50 rooms after a move in one of them, and a book of 800 rules opened and searched.</summary>
internal static class ManyRules
{
    public static void Run(Action<string, double[]> report)
    {
        Rooms(report);
        Book(report);
    }

    private static void Rooms(Action<string, double[]> report)
    {
        var planner = new Planner();
        var plan = Plan.Of(PlanStart.Entities("Rooms", UnitSystem.Metric), Shipped.Library);
        void Do(Edit edit)
        {
            var answer = planner.Answer(plan, edit);
            if (answer.Change is null || !plan.TryApply(answer.Change, out plan, out _))
                throw new InvalidOperationException(answer.Problem?.Message);
        }
        for (var i = 0; i < 50; i++)
        {
            var (x, y) = (5200.0 * (i % 10), 4200.0 * (i / 10));
            Do(new MakeRoom($"r{i}", PlanStart.LevelId, $"Room {i}", 5000, 4000, 200, 3000, x, y) { Sure = true });
            Do(new NameRoom($"r{i}", $"Room {i}", "Office", ""));
            Do(new PlaceItem($"c{i}", PlanStart.SchemeId, PlanStart.LevelId, "stacking-chair", x + 2000, y + 2000) { Sure = true });
        }
        var bare = plan;
        Do(new BringBook("book", Encoding.UTF8.GetString(RulebookText.Write(Many(500)))));
        foreach (var (name, of) in new[] { ("no rules", bare), ("500 rules", plan) })
        {
            var held = of;
            planner.StateOf(held, PlanStart.SchemeId, PlanStart.LevelId);
            var times = new double[100];
            for (var run = 0; run < times.Length; run++)
            {
                var change = planner.Answer(held, new MoveItems(["c25"], run % 2 == 0 ? 10 : -10, 0)).Change!;
                held.TryApply(change, out held, out _);
                var start = System.Diagnostics.Stopwatch.GetTimestamp();
                planner.StateOf(held, PlanStart.SchemeId, PlanStart.LevelId);
                times[run] = System.Diagnostics.Stopwatch.GetElapsedTime(start).TotalMilliseconds;
            }
            report($"a move in one of 50 rooms, {name}", times[10..]);
        }
    }

    private static void Book(Action<string, double[]> report)
    {
        var text = RulebookText.Write(Many(800));
        var opened = new double[20];
        var searched = new double[100];
        for (var run = 0; run < opened.Length; run++)
        {
            var start = System.Diagnostics.Stopwatch.GetTimestamp();
            var book = RulebookText.Read(text);
            opened[run] = System.Diagnostics.Stopwatch.GetElapsedTime(start).TotalMilliseconds;
            for (var key = 0; key < 5; key++)
            {
                start = System.Diagnostics.Stopwatch.GetTimestamp();
                _ = book.Rules.Count(rule => rule.IsAbout("rule 7 width"[..(key + 8)]));
                searched[run * 5 + key] = System.Diagnostics.Stopwatch.GetElapsedTime(start).TotalMilliseconds;
            }
        }
        report("a book of 800 rules opened", opened);
        report("the same searched, each key", searched);
    }

    /// <summary>Rules that all hold: each judges every room by one of four figures.</summary>
    private static Rulebook Many(int count)
    {
        string[] figures = ["net_m2", "least_width_mm", "clear_height_mm", "length_mm"];
        var rules = Enumerable
            .Range(0, count)
            .Select(i => new
            {
                id = $"many-{i}",
                title = $"Rule {i} on the width and size of rooms",
                source = new { title = "Invented" },
                basis = "common practice",
                confidence = "high",
                values = new { limit = 1.0 + i * 0.001 },
                asked = new[] { new { with = new[] { figures[i % 4] }, answers = new { pass = $"reaches({figures[i % 4]}, limit)" } } },
                judges = new[]
                {
                    new
                    {
                        measure = "room-size",
                        with = new Dictionary<string, string> { [figures[i % 4]] = figures[i % 4] },
                        holds = "pass",
                        measured = figures[i % 4],
                        needed = "limit",
                        unit = "mm",
                        says = "too small",
                    },
                },
            });
        return RulebookText.Read(
            JsonSerializer.SerializeToUtf8Bytes(
                new
                {
                    id = "many",
                    name = "Many",
                    rules,
                }
            )
        );
    }
}
