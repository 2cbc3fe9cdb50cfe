using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.KindsOfThing.Columns;
using Wellsedes.Core.KindsOfThing.SeatingBlocks;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Walkways;

namespace Wellsedes.Core.Tests.Seating;

/// <summary>Blocks wherever a hand may put them: over inner walls, upstairs, turned, about a stage in their midst, partly out of doors.</summary>
public sealed class BlockAnywhereTests
{
    private const string L = PlanStart.LevelId;
    private const string S = PlanStart.SchemeId;
    private const string Up = "up";

    private static readonly SeatingStyle[] Styles = Enum.GetValues<SeatingStyle>();

    private static SeatingBlock Block(SeatingStyle style, string level = L) =>
        ((SeatingBlock)SeatingBlock.Kind.Make("block", level, S, default)).As(style);

    private static HashSet<string> Own(Sample sample) =>
        [.. sample.Plan.OfScheme<Item>(S).Where(item => item.Parent == "block").Select(item => item.Id)];

    /// <summary>40 random buildings: nothing of the block stands in anything or out of doors, and every way that held before still holds.</summary>
    [Fact]
    public void No_way_is_broken_and_nothing_overlaps_wherever_a_block_is_put()
    {
        var held = 0;
        for (var n = 0; n < 40; n++)
        {
            var random = new Random(n);
            var (sample, level) = Building(random, n);
            if (!sample.Planner.StateOf(sample.Plan, S, level).Level.Walkways.IsEntered)
                continue;
            var broken = Broken(sample).Select(way => way.Target.OwnerId).ToHashSet();
            var style = Styles[random.Next(Styles.Length)];
            sample.Do(Put(sample, style, level, random, n % 3 == 0 ? 5 * random.Next(18) : 0));
            var own = Own(sample);
            held += own.Count > 0 ? 1 : 0;
            Assert.DoesNotContain(
                sample.Planner.StateOf(sample.Plan, S, level).Level.Overlaps,
                overlap => own.Contains(overlap.ItemId) || own.Contains(overlap.OtherId)
            );
            var now = Broken(sample).Where(way => !broken.Contains(way.Target.OwnerId)).ToArray();
            Assert.True(
                now.Length == 0,
                $"{n} {style}: {string.Join(", ", now.Take(3).Select(way => $"{way.Target.Name} {way.Width:0} of {way.Target.Needed}"))}"
            );
        }
        Assert.True(held > 25, $"{held}");
    }

    private static Way[] Broken(Sample sample) =>
        [
            .. sample.Plan.Levels.SelectMany(level =>
                sample.Planner.StateOf(sample.Plan, S, level.Id).Level.Walkways.Ways.Where(way => !way.Holds)
            ),
        ];

    /// <summary>A building of one or two rooms on one or two levels, with what may stand in the way where it goes in.</summary>
    private static (Sample Sample, string Level) Building(Random random, int n)
    {
        var (width, depth) = (random.Next(9, 24) * 1000, random.Next(8, 16) * 1000);
        var sample = new Sample().Room(width, depth).Door(along: random.Next(1000, width - 1000), width: 1400);
        if (random.Next(2) == 0)
            sample.Door(along: random.Next(1000, depth - 1000), wall: "west", width: 1200, mark: OpeningMark.Exit);
        if (random.Next(2) == 0)
        {
            var x = random.Next(3, width / 1000 - 3) * 1000.0;
            Try(new DrawWalls("p", L, new(x, 0), [new(new(x, depth))], false, "Stud 100"));
            if (sample.Plan.All<Wall>().FirstOrDefault(wall => wall.Id.StartsWith('p')) is { } wall)
                Try(
                    new PutOpening(
                        new Opening(
                            "inner",
                            wall.Id,
                            OpeningKind.DoubleDoor,
                            random.Next(1500, depth - 1500),
                            1500,
                            0,
                            2100,
                            0,
                            OpeningMark.None,
                            false,
                            random.Next(2) == 0,
                            ""
                        )
                    )
                );
        }
        var level = L;
        if (n % 3 == 1)
        {
            Try(new PutLevel(new Level(Up, "First floor", 3400, 2700)));
            Try(new CopyShell(L, Up, "shell", Names: false));
            Try(
                new PutThing(new Flight("stair", L, FlightKind.Stair, width / 2.0, depth - 900, 270, 1300, 4000, 1, 19, Up)) { Sure = true }
            );
            level = random.Next(2) == 0 ? Up : L;
        }
        double X() => random.Next(2000, width - 2000);
        double Y() => random.Next(2000, depth - 2000);
        if (random.Next(2) == 0)
            Try(new PutThing(new Column("c", level, X(), Y(), 5 * random.Next(18), 400, 400, false)));
        foreach (
            var (id, catalogue, turn) in new[]
            {
                ("stage", "stage-deck-2x1", 18),
                ("buffet", "buffet-1830", 18),
                ("dance", "dance-floor-5x4", 1),
            }
        )
            if (random.Next(2) == 0)
                Try(new PlaceItem(id, S, level, catalogue, X(), Y(), 5 * random.Next(turn)));
        if (random.Next(3) == 0)
            Try(new PutThing(new Platform("deck", level, X(), Y(), 5 * random.Next(3), 3000, 2000, 300)));
        return (sample, level);

        void Try(Edit edit)
        {
            if (sample.Planner.Answer(sample.Plan, edit).Change is not null)
                sample.Do(edit);
        }
    }

    private static Edit Put(Sample sample, SeatingStyle style, string level, Random random, double turn)
    {
        var box = sample
            .Planner.StateOf(sample.Plan, S, level)
            .Level.Space.Rooms.Aggregate(Bounds.Empty, (all, room) => all.Including(room.Outline.Bounds));
        var block = Block(style, level) with
        {
            Ways = WaysKept.FromDoors,
            Facing = turn,
            X = box.Centre.X,
            Y = box.Centre.Y,
            Width = box.Width * (0.4 + 0.5 * random.NextDouble()),
            Depth = box.Height * (0.4 + 0.5 * random.NextDouble()),
            Rotation = turn,
            Layout = random.Next(12) == 0 ? BlockLayout.Dense : (BlockLayout)random.Next(3),
            GapInRow = random.Next(2, 8) * 100,
        };
        var rooms = sample.Planner.StateOf(sample.Plan, S, level).Level.Space.Rooms;
        return random.Next(2) == 0
            ? new PutOverRooms(block, [rooms[random.Next(rooms.Length)].Room.Id]) { Sure = true }
            : new PutThing(block) { Sure = true };
    }

    [Theory]
    [InlineData(SeatingStyle.Rounds)]
    [InlineData(SeatingStyle.Rows)]
    [InlineData(SeatingStyle.Exam)]
    [InlineData(SeatingStyle.LongTables)]
    public void Nothing_stands_on_a_stage_in_the_midst_of_a_block(SeatingStyle style)
    {
        var sample = new Sample().Room(14_000, 12_000).Door().Place("stage", "stage-deck-2x1", 7000, 6000);
        sample.Do(new PutOverRooms(Block(style), ["room"]));
        Assert.NotEmpty(Own(sample));
        Assert.Empty(sample.State.Overlaps);
        var stage = sample.State.Items.Single(item => item.Item.Id == "stage").Bounds;
        Assert.DoesNotContain(
            sample.State.Items.Where(item => item.Item.Parent == "block"),
            item => stage.Holds(item.Item.Placement.Origin)
        );
    }

    [Theory]
    [InlineData(0)]
    [InlineData(20)]
    public void Of_a_block_that_juts_out_of_its_room_only_the_floor_within_is_filled(double turn)
    {
        var sample = new Sample().Room(14_000, 12_000).Door();
        var block = Block(SeatingStyle.Rounds) with { X = 13_000, Y = 6000, Rotation = turn, Width = 12_000, Depth = 10_000 };
        sample.Do(new PutThing(block) { Sure = true });
        Assert.NotEmpty(Own(sample));
        Assert.Empty(sample.State.Overlaps);
        Assert.All(
            sample.State.Items.SelectMany(item => item.Standing).SelectMany(shape => shape.Outline()),
            p => Assert.InRange(p.X, 0, 14_000)
        );
    }

    /// <summary>A partition that is copied to the level above makes rooms above one another that nobody has named.</summary>
    [Fact]
    public void Rooms_that_nobody_named_are_told_apart_on_two_levels()
    {
        var sample = new Sample().Room(12_000, 8000).Door(along: 2000);
        sample.Do(new DrawWalls("p", L, new(6000, 0), [new(new(6000, 8000))], false, "Stud 100"));
        sample.Do(new PutLevel(new Level(Up, "First floor", 3400, 2700)));
        sample.Do(new CopyShell(L, Up, "shell", Names: false));
        sample.Do(new PutThing(new Flight("stair", L, FlightKind.Stair, 9000, 7000, 270, 1000, 4000, 1, 19, Up)) { Sure = true });
        var ids = sample.State.Levels.SelectMany(level => level.Space.Rooms).Select(room => room.Room.Id).ToArray();
        Assert.True(ids.Length >= 4);
        Assert.Equal(ids.Length, ids.Distinct().Count());
        Assert.All(ids, id => Assert.InRange(id.Length, 1, 60));
        sample.Do(
            new PutOverRooms(Block(SeatingStyle.Rows, Up), [sample.Planner.StateOf(sample.Plan, S, Up).Level.Space.Rooms[0].Room.Id])
        );
        Assert.NotEmpty(Own(sample));
    }

    private static string[] Labels(Sample sample) =>
        [.. sample.Plan.OfScheme<Item>(S).Where(item => item.Parent == "block" && item.Label.Length > 0).Select(item => item.Label)];

    /// <summary>A chair that is locked in its row keeps its number, and those beside it keep theirs: nobody's ticket is printed twice.</summary>
    [Fact]
    public void A_number_that_a_locked_chair_has_is_given_to_no_other()
    {
        var sample = new Sample().Room(12_000, 9000).Door();
        sample.Do(new PutOverRooms(Block(SeatingStyle.Rows), ["room"]));
        Dictionary<Point, string> Called() =>
            sample
                .Plan.OfScheme<Item>(S)
                .Where(item => item.Parent == "block")
                .ToDictionary(item => item.Placement.Origin, item => item.Label);
        var before = Called();
        var third = sample.Plan.OfScheme<Item>(S).Single(item => item.Label == "C3");
        sample.Do(new LockThings([third.Id], true));
        sample.Do(new PutThing(sample.Plan.Find<SeatingBlock>("block")! with { GapToWalls = 60 }) { Sure = true });
        Assert.Equal("C3", sample.Plan.Find<Item>(third.Id)!.Label);
        Assert.Equal(Labels(sample).Length, Labels(sample).Distinct().Count());
        var same = Called().Where(now => before.ContainsKey(now.Key)).ToArray();
        Assert.NotEmpty(same);
        Assert.All(same, now => Assert.Equal(before[now.Key], now.Value));
    }

    /// <summary>What hands do to a block, one thing after another, each undone and done again: whole plans, numbers and slots given once, nothing in anything.</summary>
    [Theory]
    [InlineData(SeatingStyle.Rounds, 20)]
    [InlineData(SeatingStyle.Rows, 61)]
    [InlineData(SeatingStyle.CurvedRows, 34)]
    [InlineData(SeatingStyle.Training, 5)]
    public void A_block_stays_whole_under_many_hands(SeatingStyle style, int seed)
    {
        var random = new Random(seed);
        var sample = new Sample().Room(13_000, 10_000).Door(along: 5000, width: 1400).Place("stage", "stage-deck-2x1", 6000, 8500);
        sample.Do(new PutOverRooms(Block(style), ["room"]));
        for (var step = 0; step < 16; step++)
        {
            var block = sample.Plan.Find<SeatingBlock>("block")!;
            var items = sample.Plan.OfScheme<Item>(S).Where(item => item.Parent == "block").ToArray();
            var one = items[random.Next(items.Length)].Id;
            double Off() => random.Next(-10, 11) * 100;
            Edit edit = (step % 8) switch
            {
                0 => new MoveItems([one], Off(), Off()) { Sure = true },
                1 => new LockThings([one], true),
                2 => new Remove([one]),
                3 => new MoveItems(["stage"], Off(), -500),
                4 => new PutThing(block with { Facing = 5 * random.Next(72) }) { Sure = true },
                5 => new PutThing(block with { GapInRow = random.Next(3, 9) * 100, Width = block.Width - 100 }) { Sure = true },
                6 => new LookAt("block", random.Next(-5000, 20_000), random.Next(-5000, 18_000)),
                _ => new PutThing(block.As(Styles[random.Next(Styles.Length)])) { Sure = true },
            };
            if (sample.Planner.Answer(sample.Plan, edit).Change is null)
                continue;
            sample.DoAndUndo(edit);
            Assert.Null(PlanChecks.OfWhole(sample.Plan));
            Assert.Equal(Labels(sample).Length, Labels(sample).Distinct().Count());
            var laid = Own(sample)
                .Where(id => sample.Plan.Find<Item>(id) is { Locked: false } && !sample.Plan.Find<SeatingBlock>("block")!.Kept.Contains(id))
                .ToHashSet();
            Assert.DoesNotContain(sample.State.Overlaps, overlap => laid.Contains(overlap.ItemId) || laid.Contains(overlap.OtherId));
        }
    }
}
