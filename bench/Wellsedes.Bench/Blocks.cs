using System.Collections.Immutable;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.KindsOfThing;
using Wellsedes.Core.KindsOfThing.SeatingBlocks;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Units;

namespace Wellsedes.Bench;

/// <summary>A hall of 40 x 25 m filled with round tables of ten, and filled again while its edge or a stage in it is dragged 5 m in 100 steps.</summary>
internal static class Blocks
{
    private const string S = PlanStart.SchemeId;
    private const string L = PlanStart.LevelId;

    public static void Run(Func<string, int, Action<int>, double> report)
    {
        Rows(report);
        var planner = new Planner();
        var plan = Hall();
        long revision = 1;
        void Do(Edit edit)
        {
            var answer = planner.Answer(plan, edit);
            if (answer.Change is null || !plan.TryApply(plan.Numbered(answer.Change, ++revision), out plan, out _))
                throw new InvalidOperationException(answer.Problem?.Message);
        }
        Do(new PlaceItem("stage", S, L, "stage-deck-2x1", 20_000, 24_000));
        SeatingBlock Block(double width) =>
            new(
                "block",
                S,
                L,
                width / 2,
                12_500,
                0,
                width,
                25_000,
                "",
                "round-table-1830",
                BlockLayout.Fuller,
                600,
                600,
                600,
                90,
                Seats: 10
            );
        var empty = plan;
        report(
            "a hall of 40 x 25 m filled: places and tables",
            30,
            i => planner.Answer(empty, new PutThing(Block(40_000 - i)) { Sure = true })
        );
        Do(new PutThing(Block(40_000)) { Sure = true });
        planner.StateOf(plan, S, L);
        Console.WriteLine($"  tables | {plan.OfScheme<Item>(S).Count(item => item.Parent == "block")}");
        report(
            "its edge dragged 5 m in 100 steps: places and tables",
            100,
            i => planner.Answer(plan, new PutThing(Block(40_000 - 50 * i)) { Sure = true })
        );
        report(
            "the stage dragged 5 m in 100 steps: places and tables",
            100,
            i => planner.Answer(plan, new MoveItems(["stage"], 0, -50 * i))
        );
        Console.WriteLine($"  steps of that drag at which tables jump over 0.3 m | {Jumps(planner, plan)}");
        foreach (var (atOnce, how) in new[] { (true, "with figures at once"), (false, "with its walkways in full") })
            report(
                $"the stage dragged 5 m in 100 steps, {how}",
                100,
                i => planner.Probe(plan, new MoveItems(["stage"], 0, -50 * i), S, L, atOnce)
            );
        foreach (var layout in (BlockLayout[])[BlockLayout.Dense, BlockLayout.MirroredDense])
        {
            SeatingBlock Dense(double width) => Block(width) with { Layout = layout };
            report($"{layout}: places and tables", 10, i => planner.Answer(empty, new PutThing(Dense(40_000 - i)) { Sure = true }));
            Do(new PutThing(Dense(40_000)) { Sure = true });
            Console.WriteLine($"  tables | {plan.OfScheme<Item>(S).Count(item => item.Parent == "block")}");
            report(
                $"{layout}: its edge dragged 5 m in 100 steps, with figures at once",
                100,
                i => planner.Probe(plan, new PutThing(Dense(40_000 - 50 * i)) { Sure = true }, S, L, atOnce: true)
            );
        }
    }

    private static int Jumps(Planner planner, Plan plan)
    {
        var (before, jumps) = (Places(plan.OfScheme<Item>(S)), 0);
        for (var i = 0; i < 100; i++)
        {
            var answer = planner.Probe(plan, new MoveItems(["stage"], 0, -50 * i), S, L, atOnce: true);
            var now = Places(answer.State.Items.Select(item => item.Item));
            if (now.Any(pair => before.TryGetValue(pair.Key, out var was) && was.DistanceTo(pair.Value) > 300))
                jumps++;
            before = now;
        }
        return jumps;

        static Dictionary<string, Point> Places(IEnumerable<Item> items) =>
            items.Where(item => item.Parent == "block").ToDictionary(item => item.Id, item => item.Placement.Origin);
    }

    /// <summary>Rows of chairs in the same hall, and about 2,000 of them in one of 48 x 30 m.</summary>
    public static void Rows(Func<string, int, Action<int>, double> report)
    {
        foreach (var (width, depth) in ((double, double)[])[(40_000, 25_000), (48_000, 28_000)])
        foreach (var style in (SeatingStyle[])[SeatingStyle.Rows, SeatingStyle.CurvedRows])
        {
            var planner = new Planner();
            var plan = Plan.Of(PlanStart.Entities("Rows", UnitSystem.Metric), Shipped.Library);
            var made = planner.Answer(plan, new MakeRoom("room", L, "Hall", width, depth, 200, 4000)).Change!;
            plan.TryApply(plan.Numbered(made, 1), out plan, out _);
            var block = ((SeatingBlock)SeatingBlock.Kind.Make("block", L, S, default)).As(style) with { FromAisle = 11 };
            var count = 0;
            report(
                $"{style} in {width / 1000:0} x {depth / 1000:0} m: places and chairs",
                15,
                i =>
                    count = planner
                        .Answer(plan, new PutOverRooms(block with { GapToWalls = 50 + 0.01 * i }, ["room"]))
                        .Change!.Entities.Count(entity => entity.After is Item)
            );
            Console.WriteLine($"  chairs | {count}");
        }
        // The whole of what is asked at a desk: candidates with counts and places, then with their ways judged.
        var (hall, empty) = (new Planner(), Hall());
        foreach (var style in (SeatingStyle[])[SeatingStyle.Rounds, SeatingStyle.Rows])
        foreach (var judged in (bool[])[false, true])
        {
            var block = ((SeatingBlock)SeatingBlock.Kind.Make("block", L, S, default)).As(style);
            ImmutableArray<FillCandidate> Candidates(int i) =>
                hall.Candidates(empty, new PutOverRooms(block with { GapToWalls = block.GapToWalls + 0.01 * i }, ["room"]), judged, out _);
            // The first runs compile.
            for (var i = 1; i <= 30; i++)
                Candidates(-i);
            report($"candidates of {style} in 40 x 25 m{(judged ? ", ways judged" : "")}", 20, i => Candidates(i));
        }
    }

    /// <summary>A hall of 40 x 25 m with a door and nothing in it.</summary>
    public static Plan Hall()
    {
        var plan = Plan.Of(PlanStart.Entities("Hall", UnitSystem.Metric), Shipped.Library);
        foreach (var edit in (Edit[])[new MakeRoom("room", L, "Hall", 40_000, 25_000, 200, 4000), Door])
            plan.TryApply(plan.Numbered(new Planner().Answer(plan, edit).Change!, 1), out plan, out _);
        return plan;
    }

    private static readonly PutOpening Door = new(
        new Opening("door", "room-south", OpeningKind.DoubleDoor, 20_000, 1900, 0, 2100, 0, OpeningMark.EntranceAndExit, false, true, "")
    );
}
