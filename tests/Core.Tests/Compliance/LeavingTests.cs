using Wellsedes.Core.Capacity;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Findings;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.KindsOfThing.SeatingBlocks;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Tests.Compliance;

/// <summary>
/// Who leaves by what, by the nearest way through the rooms, and what each way out is wide enough for: Approved Document B volume 2 (table 2.3), International Building Code 2021 (1005.3), both
/// from memory. A room begins at 0, 0; its walls are 200 thick and begin 100 before it.
/// </summary>
public sealed class LeavingTests
{
    /// <summary>20 x 10 m for people that gather: 1 m² each by the English guidance are 200.</summary>
    private static Sample Hall(string use = "Assembly", string book = "english-guidance")
    {
        var sample = new Sample().Room(20_000, 10_000);
        sample.Do(new NameRoom("room", "Hall", use, ""));
        sample.Do(new ChooseBook("book", book));
        return sample;
    }

    /// <param name="x">Of its middle, in a room that begins at 0.</param>
    private static Sample Exit(
        Sample sample,
        string id,
        double x,
        double clear,
        string wall = "room-south",
        OpeningMark mark = OpeningMark.EntranceAndExit
    ) => sample.ClearDoor(id, x + 100, clear, wall, mark);

    private static ExitLoad By(Sample sample, string id) => Assert.Single(sample.State.Proof.Exits, exit => exit.SubjectId == id);

    private static Sample Shut(Sample sample, string id, bool shut = true) =>
        sample.Do(new PutOpening(sample.Plan.Find<Opening>(id)! with { Shut = shut }) { Sure = true });

    /// <summary>Two doors like each other share the floor; each of 860 mm is enough for 110.</summary>
    [Fact]
    public void People_all_over_the_floor_go_to_the_nearer_door()
    {
        var sample = Exit(Exit(Hall(), "west", 2000, 860), "east", 18_000, 860);
        Assert.Equal((100.0, 110.0, 10.0), (By(sample, "west").People, By(sample, "west").Holds!.Value, By(sample, "west").Spare!.Value));
        Assert.Equal(100, By(sample, "east").People);
        // 6 m of 20 are nearer to the first; the floor is asked at about a thousand places.
        var apart = Exit(Exit(Hall(), "west", 2000, 860), "east", 10_000, 860);
        var (west, east) = (By(apart, "west").People, By(apart, "east").People);
        Assert.InRange(west, 58, 62);
        Assert.Equal(200, west + east);
        Assert.Contains(
            apart.State.Findings,
            finding => finding is { RuleId: "adb-2.3-exit-width", Measured: 110 } && finding.Needed == east
        );
    }

    /// <summary>Eight that sit beside the one door leave by it; the 192 others stand all over the floor, half and half.</summary>
    [Fact]
    public void Who_sits_goes_from_the_seat()
    {
        var sample = Exit(Exit(Hall(), "west", 2000, 860), "east", 18_000, 860);
        for (var i = 0; i < 8; i++)
            sample.Place($"c{i}", "stacking-chair", 1000 + 600 * i, 3000);
        Assert.Equal((104.0, 96.0), (By(sample, "west").People, By(sample, "east").People));
    }

    /// <summary>No figure is lost: what leaves is what is counted, however the doors lie.</summary>
    [Theory]
    [InlineData(3333, 9999)]
    [InlineData(1001, 1999)]
    [InlineData(500, 19_000)]
    public void Everybody_leaves_once(double a, double b)
    {
        var sample = Exit(Exit(Exit(Hall(), "a", a, 700), "b", b, 700), "c", 7777, 700, "room-north");
        for (var i = 0; i < 7; i++)
            sample.Place($"c{i}", "stacking-chair", 1000 + 2500 * i, 3000);
        Assert.Equal(sample.State.Loads.Single().People, sample.State.Proof.Exits.Sum(exit => exit.People));
        Assert.All(sample.State.Proof.Exits, exit => Assert.Equal(Math.Floor(exit.People), exit.People));
    }

    [Fact]
    public void A_way_out_is_shut_and_everything_follows()
    {
        var sample = Exit(Exit(Hall(), "west", 2000, 1100), "east", 18_000, 1100);
        Assert.DoesNotContain(sample.State.Findings, finding => finding.RuleId == "adb-2.2-number-exits");
        Shut(sample, "east");
        Assert.Equal((200.0, 220.0), (By(sample, "west").People, By(sample, "west").Holds!.Value));
        Assert.True(By(sample, "east") is { Shut: true, People: 0 });
        Assert.Contains(sample.State.Findings, finding => finding.RuleId == "adb-2.2-number-exits");
        Assert.Contains(
            sample
                .State.SheetInput(
                    new SheetSettings("s", PlanStart.SchemeId, PlanStart.LevelId, "A3", true, new(), new()),
                    "",
                    "",
                    "",
                    default
                )
                .Held,
            note => note.StartsWith("Shut: Door, Hall to outside")
        );
        // Nobody is led to it on foot either, and with both shut nobody gets in or out.
        Assert.DoesNotContain(sample.State.Walkways.Ways, way => way.Target.OwnerId == "east");
        Shut(sample, "west");
        Assert.Contains(sample.State.Findings, finding => finding.Title == "Hall: nobody gets out");
        Shut(Shut(sample, "west", false), "east", false);
        Assert.Equal(100, By(sample, "east").People);
        Assert.Contains(sample.State.Walkways.Ways, way => way.Target.OwnerId == "east");
    }

    /// <summary>To try a way out moves nobody's table: the change holds the door alone.</summary>
    [Fact]
    public void A_door_that_is_shut_refills_no_block()
    {
        var sample = Exit(Exit(Hall(), "west", 2000, 1100), "east", 18_000, 1100);
        var block = (SeatingBlock)SeatingBlock.Kind.Make("block", PlanStart.LevelId, PlanStart.SchemeId, new Point(10_000, 5000));
        sample.Do(new PutThing(block.As(SeatingStyle.Rounds) with { Width = 18_000, Depth = 8000 }) { Sure = true });
        Assert.NotEmpty(sample.Plan.All<Item>());
        var change = sample
            .Planner.Answer(sample.Plan, new PutOpening(sample.Plan.Find<Opening>("east")! with { Shut = true }) { Sure = true })
            .Change!;
        Assert.Equal(["east"], change.Entities.Select(entity => entity.Id));
    }

    [Fact]
    public void A_window_is_not_shut()
    {
        var sample = Hall();
        var window = new Opening("w", "room-north", OpeningKind.Window, 4000, 1200, 1200, 1400, 900, OpeningMark.None, false, false, "");
        sample.Do(new PutOpening(window));
        Assert.Contains("no way through", sample.Refused(new PutOpening(window with { Shut = true })).Message);
    }

    /// <summary>Three rooms in a row, a door between each and one way out at the end: 6 x 4 m = 24, 24 and 24 by 1 m² each.</summary>
    [Fact]
    public void People_come_through_the_rooms_before_theirs()
    {
        var sample = new Sample();
        for (var i = 0; i < 3; i++)
        {
            sample.Do(new MakeRoom($"r{i}", PlanStart.LevelId, $"Room {i}", 6000, 4000, 200, 3000) { X = 6200 * i });
            sample.Do(new NameRoom($"r{i}", $"Room {i}", "Assembly", ""));
        }
        sample.Do(new ChooseBook("book", "english-guidance"));
        var state = sample.State;
        Assert.Equal(3, state.Space.Rooms.Length);
        foreach (var (id, x) in new[] { ("d0", 6100.0), ("d1", 12_300) })
        {
            var wall = state.Space.Walls.Bodies.Values.First(body =>
                Math.Abs(body.Wall.Start.X - x) < 150 && Math.Abs(body.Wall.End.X - x) < 150
            );
            Exit(sample, id, wall.Wall.Length / 2 - 100, 900, wall.Wall.Id, OpeningMark.None);
        }
        Exit(sample, "out", 3000, 900, "r0-south");
        Assert.Equal(72, By(sample, "out").People);
        Assert.Equal(110, By(sample, "out").Holds);
        // Of the middle room the door to the last is no way out: it leads only back.
        Assert.Equal(
            [1.0, 1, 1],
            sample.State.Tally.Holds.Select(hold => hold.Limits.First(limit => limit.RuleId == "adb-2.2-number-exits").People / 60)
        );
        Shut(sample, "d1");
        Assert.Equal(48, By(sample, "out").People);
        Assert.Contains(sample.State.Findings, finding => finding.Title == "Room 2: nobody gets out");
    }

    /// <summary>Above 100 m² of office at 6 m² each are 17; they come down a stair of 900 mm: 900 / 7.62 = 118 by the International Building Code, which asks for 914 mm where fewer than 50 come.</summary>
    [Theory]
    [InlineData(900, false)]
    [InlineData(914.4, true)]
    public void A_stair_carries_those_above(double width, bool wide)
    {
        var sample = new Sample().Room(20_000, 5000);
        sample.Do(new NameRoom("room", "Hall", "Office", ""));
        sample.Do(new PutLevel(new Level("up", "Up", 3000, 3000)));
        sample.Do(new MakeRoom("above", "up", "Above", 20_000, 5000, 200, 3000));
        sample.Do(new NameRoom("above", "Above", "Office", ""));
        sample.Do(new ChooseBook("book", "international-model-code"));
        Exit(sample, "out", 3000, 900);
        sample.Do(
            new PutThing(new Flight("stair", PlanStart.LevelId, FlightKind.Stair, 10_000, 2500, 90, width, 3900, 3000, 17, "up"))
            {
                Sure = true,
            }
        );
        var stair = By(sample, "stair");
        var above = sample.State.Loads.Single(load => load.RoomId == "above").People;
        Assert.Equal((above, Math.Floor(width / 25.4 / 0.3)), (stair.People, stair.Holds!.Value));
        Assert.Equal(sample.State.Loads.Sum(load => load.People), By(sample, "out").People);
        Assert.Equal(wide, sample.State.Findings.All(finding => finding.RuleId != "ibc-1011.2-stair-width"));
    }

    /// <summary>Without a book those are told who have a seat.</summary>
    [Fact]
    public void Without_a_book_the_seats_are_told()
    {
        var sample = new Sample().Room(20_000, 10_000);
        Exit(sample, "out", 3000, 900);
        sample.Place("c", "stacking-chair", 5000, 5000);
        Assert.Equal((1.0, (double?)null), (By(sample, "out").People, By(sample, "out").Holds));
    }

    /// <summary>Round a corner: in an L of 20 x 4 and 4 x 20 m with a door at each far end everybody goes to the end of his own leg, as the corner is as far from both.</summary>
    [Fact]
    public void The_way_bends_round_corners()
    {
        var sample = new Sample();
        sample.Do(new MakeRoom("room", PlanStart.LevelId, "Hall", 20_000, 20_000, 200, 3000, NotchWidth: 16_000, NotchDepth: 16_000));
        sample.Do(new NameRoom("room", "Hall", "Assembly", ""));
        sample.Do(new ChooseBook("book", "english-guidance"));
        var ends = sample
            .State.Space.Walls.Bodies.Values.Select(body => body.Wall)
            .Where(wall => wall.Length < 5000)
            .OrderBy(wall => wall.Start.Y)
            .ToArray();
        Assert.Equal(2, ends.Length);
        Exit(sample, "east", ends[0].Length / 2 - 100, 1100, ends[0].Id);
        Exit(sample, "north", ends[1].Length / 2 - 100, 1100, ends[1].Id);
        Assert.Equal(144, Assert.Single(sample.State.Loads).People);
        Assert.InRange(By(sample, "east").People, 70, 74);
        Assert.Equal(144, By(sample, "east").People + By(sample, "north").People);
        // Shut one, and those of its leg go round the corner.
        Shut(sample, "north");
        Assert.Equal(144, By(sample, "east").People);
    }

    /// <summary>A terrace by its outline alone is outside: the door onto it is a way out, and nobody on it is shut in.</summary>
    [Fact]
    public void A_terrace_is_outside()
    {
        var sample = Exit(Hall(), "south", 10_000, 1100);
        sample.Do(new MakeRoom("terrace", PlanStart.LevelId, "Terrace", 6000, 4000, 200, 3000, 5000, 10_200, Outline: true));
        sample.Do(new NameRoom("terrace", "Terrace", "Assembly", ""));
        Exit(sample, "onto", 8000, 1100, "room-north");
        Assert.Equal(224, sample.State.Loads.Sum(load => load.People));
        Assert.Equal(200, By(sample, "south").People + By(sample, "onto").People);
        Assert.InRange(By(sample, "onto").People, 90, 110);
        Assert.DoesNotContain(sample.State.Findings, finding => finding.Title.Contains("nobody gets out"));
        Assert.DoesNotContain(sample.State.Findings, finding => finding.RuleId == "adb-2.2-number-exits");
    }

    /// <summary>A corridor of 1100 mm, 10 m long: 44 in (1117.6 mm) are needed by 50 people and more, 36 by fewer (1020.3).</summary>
    [Theory]
    [InlineData(1100, 49, true)]
    [InlineData(1100, 50, false)]
    [InlineData(1117.6, 50, true)]
    [InlineData(914, 10, false)]
    [InlineData(914.4, 10, true)]
    public void A_corridor_is_as_wide_as_those_that_come_through_need(double width, int seats, bool holds)
    {
        var sample = new Sample();
        sample.Do(new MakeRoom("hall", PlanStart.LevelId, "Hall", 10_000, 4000, 200, 3000));
        sample.Do(new MakeRoom("way", PlanStart.LevelId, "Way", 10_000, width, 200, 3000) { Y = -(width + 200), Sure = true });
        sample.Do(new NameRoom("hall", "Hall", "Storage", ""));
        sample.Do(new NameRoom("way", "Way", "Circulation", ""));
        sample.Do(new NameRoom("hall", "Hall", "Office", ""));
        sample.Do(new ChooseBook("book", "international-model-code"));
        var shared = sample.State.Space.Walls.Bodies.Values.First(body =>
            Math.Abs(body.Wall.Start.Y + 100) < 50 && Math.Abs(body.Wall.End.Y + 100) < 50
        );
        Exit(sample, "in", 5000, 800, shared.Wall.Id, OpeningMark.None);
        Exit(sample, "out", 5000, 800, "way-south");
        for (var i = 0; i < seats; i++)
            sample.Place($"c{i}", "stacking-chair", 500 + 600 * (i % 15), 600 + 800 * (i / 15));
        Assert.Equal(holds, sample.State.Findings.All(finding => finding.RuleId != "ibc-1020.3-corridor-ol-under-50"));
    }
}
