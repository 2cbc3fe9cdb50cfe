using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Editing;
using Wellsedes.Core.KindsOfThing;
using Wellsedes.Core.KindsOfThing.Columns;
using Wellsedes.Core.KindsOfThing.KeepClears;
using Wellsedes.Core.KindsOfThing.Zones;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Tests.Seeded;

namespace Wellsedes.Core.Tests.Planning;

/// <summary>What is kept from one state to the next is what working everything out anew gives, to the last figure.</summary>
public sealed class KeptResultsTests
{
    private const string L = PlanStart.LevelId;
    private const string S = PlanStart.SchemeId;

    private static readonly string[] Kinds =
    [
        "round-table-1525",
        "long-table-1830",
        "banquet-chair",
        "corner-desk-1600",
        "ottoman",
        "stage-deck-2000",
        "screen-1600",
        "dance-panel-1000",
        "bar-1800",
    ];

    public static TheoryData<int> Plans() => [.. Enumerable.Range(0, Whole.Or(8, 20))];

    /// <summary>A hundred edits of every kind on each of twenty plans, some of them only asked about.</summary>
    [Theory]
    [MemberData(nameof(Plans))]
    public void After_every_edit_all_figures_are_those_worked_out_anew(int number)
    {
        var random = new Random(number);
        var catalogue = Shipped.Library.Catalogue;
        string[] kinds = [.. Kinds.Where(key => catalogue.Find(key) is not null)];
        Assert.InRange(kinds.Length, 5, Kinds.Length);
        double Along(double most) => Math.Round(random.NextDouble() * most / 10) * 10;
        // In some halls a dance floor's middle lies farther from everything than is looked for room.
        var more = number % 4 == 0 ? 7000 : 0;
        var (width, depth) = (more + 7000 + 100.0 * random.Next(60), more + 6000 + 100.0 * random.Next(40));
        var sample = new Sample().Room(width, depth).Door(along: 1500).Door(along: 2500, mark: OpeningMark.Exit, wall: "north");
        for (var i = 0; i < 10; i++)
            sample.Do(new PlaceItem($"i{i}", S, L, kinds[random.Next(kinds.Length)], Along(width), Along(depth), 5 * random.Next(72)));
        if (number % 4 == 0)
            sample.Do(
                new PutOpening(
                    new Opening("wide", "room-west", OpeningKind.Gap, depth / 2, 6000, 0, 2100, 0, OpeningMark.Exit, false, false, "")
                )
            );
        // In some a stair leads up to another level.
        if (number % 5 == 0)
            sample
                .Do(new PutLevel(new Level("up", "First floor", 3400, 2700)))
                .Do(new CopyShell(L, "up", "shell"))
                .Do(new PutThing(new Flight("stair", L, FlightKind.Stair, width - 1500, 3000, 0, 1100, 4000, 1, 19, "up")) { Sure = true })
                .Do(new PlaceItem("upstairs", S, "up", "round-table-1525", 3000, 3000));
        var made = 10;
        var done = 0;
        for (var step = 0; step < 160 && done < 100; step++)
        {
            string[] items = [.. sample.Plan.All<Item>().Select(item => item.Id)];
            string Some() => items.Length == 0 ? "none" : items[random.Next(items.Length)];
            string[] several = [.. Enumerable.Range(0, 1 + random.Next(4)).Select(_ => Some()).Distinct()];
            Edit edit = random.Next(18) switch
            {
                < 5 => new MoveItems([.. several], Along(1600) - 800, Along(1600) - 800),
                5 => new RotateItems([.. several], 5 * random.Next(72)),
                6 or 7 => new PlaceItem($"i{made++}", S, L, kinds[random.Next(kinds.Length)], Along(width), Along(depth)),
                8 => new Remove([.. several]),
                9 => new DuplicateItems([.. several], [.. several.Select(_ => $"i{made++}")], 400, 300),
                10 => new SetItemsAside([.. several], random.Next(2) == 0),
                11 => new ResizeItem(Some(), 900 + 10.0 * random.Next(90)),
                12 => new SetSeats(Some(), new SeatsBySide(Around: random.Next(11))),
                13 => new RaiseItem(Some(), random.Next(3) * 1100),
                14 => new PutThing(new Column($"c{random.Next(3)}", L, Along(width), Along(depth), 0, 300, 300, random.Next(2) == 0)),
                15 => new PutThing(new KeepClear("k", L, Along(width), Along(depth), 0, 900, 900, "")),
                16 => new MoveWall("room-east", Along(400) - 200, 0),
                _ => new PutThing(new Zone("z", S, L, Along(width), Along(depth), 0, 3000, 2500, "West")),
            };
            edit = edit with { Sure = true };
            // Asking what an edit would do must leave nothing behind.
            if (random.Next(3) == 0)
                sample.Planner.Probe(sample.Plan, new MoveItems([Some()], 70, -40), S, L);
            if (sample.Planner.Answer(sample.Plan, edit).Change is null)
                continue;
            sample.Do(edit);
            done++;
            Same(new Planner().StateOf(sample.Plan, S, L), sample.State, $"plan {number}, edit {step}: {edit}");
        }
        Assert.Equal(100, done);
    }

    /// <summary>A hall in which many things are changed at once: beyond what is looked for one by one, and what is shared among processors.</summary>
    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    public void After_many_things_are_changed_at_once_all_figures_are_those_worked_out_anew(int seed)
    {
        var random = new Random(seed);
        var sample = new Sample().Room(30_000, 22_000).Door(along: 4000).Door(along: 9000, mark: OpeningMark.Exit, wall: "north");
        string[] tables = [.. Enumerable.Range(0, 63).Select(i => $"t{i}")];
        for (var i = 0; i < tables.Length; i++)
            sample.Do(new PlaceItem(tables[i], S, L, "round-table-1525", 2500 + i % 9 * 3000, 2200 + i / 9 * 2900, 5 * random.Next(72)));
        for (var step = 0; step < 10; step++)
        {
            string[] some = [.. tables.OrderBy(_ => random.Next()).Take(10 + random.Next(50))];
            Edit edit = (step % 5) switch
            {
                0 => new MoveItems([.. some], random.Next(-600, 600), random.Next(-600, 600)),
                1 => new RotateItems([.. some], 5 * random.Next(72)),
                2 => new SetItemsAside([.. some], true),
                3 => new SetItemsAside([.. tables], false),
                _ => new MoveItems([.. tables], random.Next(-200, 200), random.Next(-200, 200)),
            };
            sample.Planner.Probe(sample.Plan, new MoveItems([.. some.Take(30)], 400, 250), S, L);
            if (sample.Planner.Answer(sample.Plan, edit).Change is null)
                continue;
            sample.Do(edit);
            Same(new Planner().StateOf(sample.Plan, S, L), sample.State, $"hall {seed}, edit {step}: {edit}");
        }
    }

    private static void Same(PlanState anew, PlanState kept, string where)
    {
        var ways = kept.Walkways.Ways.ToDictionary(way => (way.Target.OwnerId, way.Target.Kind, way.Target.Index));
        Assert.True(anew.Walkways.Ways.Length == kept.Walkways.Ways.Length, where);
        foreach (var way in anew.Walkways.Ways)
        {
            var other = ways[(way.Target.OwnerId, way.Target.Kind, way.Target.Index)];
            Assert.True(Math.Abs(way.Width - other.Width) < 1e-9, $"{where}: {way.Target.Name} {other.Width} kept, {way.Width} anew");
        }
        Assert.True(anew.Overlaps.SequenceEqual(kept.Overlaps), $"{where}: overlaps");
        Assert.True(anew.Level.Rooms.SequenceEqual(kept.Level.Rooms), $"{where}: rooms");
        Assert.True(anew.Level.Areas.SequenceEqual(kept.Level.Areas), $"{where}: zones");
        Assert.Equal(anew.Tally.Seats, kept.Tally.Seats);
        Assert.Equal(anew.Findings.Select(f => (f.Id, f.Title, f.Measured)), kept.Findings.Select(f => (f.Id, f.Title, f.Measured)));
    }
}
