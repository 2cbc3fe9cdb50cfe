using Wellsedes.Core.Editing;
using Wellsedes.Core.KindsOfThing;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Units;

namespace Wellsedes.Tests.Seeded;

/// <summary>A plan drawn by edits, as a person would.</summary>
internal sealed class Drawn(UnitSystem units, string title = "Truth")
{
    public const string Level = PlanStart.LevelId;

    private readonly Planner planner = new();
    private long revision;

    public Plan Plan { get; private set; } = Plan.Of(PlanStart.Entities(title, units), Shipped.Library);

    public Drawn Do(Edit edit)
    {
        var answer = planner.Answer(Plan, edit);
        Xunit.Assert.True(answer.Problem is null, answer.Problem?.Message);
        Xunit.Assert.True(Plan.TryApply(Plan.Numbered(answer.Change!, ++revision), out var after, out _));
        Plan = after;
        return this;
    }

    /// <summary>Does what is allowed.</summary>
    public void Try(Edit edit)
    {
        if (planner.Answer(Plan, edit).Change is not null)
            Do(edit);
    }

    public PlanState On(string level) => planner.StateOf(Plan, PlanStart.SchemeId, level);

    public static Opening Door(string id, string wall, double along, double width, OpeningMark mark = OpeningMark.None) =>
        new(id, wall, OpeningKind.SingleDoor, along, width, 0, 2100, 0, mark, false, false, "");

    /// <summary>Two rooms with a way in and a door between, one of them of some use, and up to six things anyhow: the same for a seed.</summary>
    public static Drawn OfSeed(int seed, UnitSystem units)
    {
        string[] kinds = ["round-table-1525", "desk-1400", "square-table-915", "banquet-chair", "bar-1800", "plant-600"];
        string[] uses = ["", "Office", "Toilets", "Dining", "Lobby"];
        var random = new Random(seed);
        var (width, depth) = (5000 + random.Next(6000), 5000 + random.Next(4000));
        var drawn = new Drawn(units, $"Seed {seed}").Do(new MakeRoom("r", Level, "Room", width, depth, 200, 2700) { Sure = true });
        drawn.Do(new PutOpening(Door("in", "r-south", 700 + random.Next(300), 800 + random.Next(300), OpeningMark.EntranceAndExit)));
        var at = width / 2 + random.Next(-600, 800);
        drawn.Do(new DrawWalls("p", Level, new(at, -100), [new(new(at, depth + 100))], false, "Stud 100"));
        drawn.Do(new PutOpening(Door("through", "p-1", depth / 2, 900)));
        var bare = drawn.On(Level).Space.Rooms.Single(room => !room.Named).Room;
        drawn.Do(new NameRoom("side", "Side", uses[random.Next(uses.Length)], "", null, Level, bare.X, bare.Y));
        for (var i = 0; i < 6; i++)
            drawn.Try(
                new PlaceItem(
                    $"i{i}",
                    PlanStart.SchemeId,
                    Level,
                    kinds[random.Next(kinds.Length)],
                    500 + random.Next(width - 1000),
                    500 + random.Next(depth - 1000),
                    15 * random.Next(24)
                )
            );
        return drawn;
    }
}
