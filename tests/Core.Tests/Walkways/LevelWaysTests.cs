using Wellsedes.Core.Editing;
using Wellsedes.Core.Findings;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.KindsOfThing.LowCeilings;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Tests.Walkways;

/// <summary>Ways through doors, past curved walls, over steps and up stairs; computed by hand.</summary>
public sealed class LevelWaysTests
{
    private const string L = PlanStart.LevelId;

    private static RoomFigures In(Sample sample, string roomId) =>
        sample.State.Levels.SelectMany(level => level.Rooms).Single(room => room.RoomId == roomId);

    /// <summary>Two rooms of 4 x 4 m side by side, an entrance 1000 wide into the west one, a door between.</summary>
    private static Sample TwoRooms(OpeningKind kind, double width) =>
        new Sample()
            .Room(4000, 4000)
            .Do(new MakeRoom("east", L, "East", 4000, 4000, 200, 2700, 4200))
            .Door(along: 2000)
            .Do(new PutOpening(new Opening("between", "room-east", kind, 2000, width, 0, 2100, 0, OpeningMark.None, false, false, "")));

    [Theory]
    [InlineData(OpeningKind.SingleDoor, 900, 850)]
    [InlineData(OpeningKind.SlidingDoor, 900, 840)]
    [InlineData(OpeningKind.Gap, 700, 700)]
    [InlineData(OpeningKind.DoubleDoor, 1500, 950)]
    public void A_door_between_rooms_lets_through_its_clear_width(OpeningKind kind, double width, double way)
    {
        // The entrance itself is 950 clear; whichever is less decides.
        var sample = TwoRooms(kind, width);
        Assert.Equal(950, In(sample, "room").WayIn, 1);
        Assert.Equal(way, In(sample, "east").WayIn, 1);
        Assert.True(In(sample, "east").StepFree);
    }

    [Fact]
    public void A_seat_in_the_next_room_is_reached_through_the_door()
    {
        var sample = TwoRooms(OpeningKind.SingleDoor, 550).Place("t", "round-table-1525", 6200, 2000);
        var finding = sample.State.Findings.First(f => f.Kind == FindingKind.Walkway);
        Assert.Equal(500, finding.Measured, 1);
        Assert.Equal(["Door", "Door"], finding.Between);
        Assert.Equal(500, In(sample, "east").Narrowest!.Value, 1);
        Assert.Equal(8, In(sample, "east").Seats);
        Assert.Equal(16.0 / 8, In(sample, "east").AreaPerSeat!.Value, 6);
    }

    [Fact]
    public void A_room_without_a_door_has_no_way_in()
    {
        var sample = new Sample().Room(4000, 4000).Do(new MakeRoom("east", L, "East", 4000, 4000, 200, 2700, 4200)).Door(along: 2000);
        Assert.Equal(0, In(sample, "east").WayIn);
        Assert.False(In(sample, "east").StepFree);
    }

    [Fact]
    public void A_curved_wall_narrows_a_way_by_as_much_as_it_stands_out()
    {
        // An arc wall 100 thick bulges 1500 towards the north wall, from the middle of a 6 x 4 m room's south wall.
        var sample = new Sample()
            .Room(6000, 4000)
            .Do(
                new PutOpening(
                    new Opening("in", "room-west", OpeningKind.Gap, 3000, 1500, 0, 2100, 0, OpeningMark.Entrance, false, false, "")
                )
            );
        sample.Do(new DrawWalls("arc", L, new(1500, 0), [new(new(4500, 0), 2900)], false, "Stud 100"));
        sample.Do(
            new PutOpening(new Opening("out", "room-east", OpeningKind.Gap, 2100, 1500, 0, 2100, 0, OpeningMark.Exit, false, false, ""))
        );
        // Crest at y = 2900 + 50; the north face at 4000: 1050 in between, less at most 1 of chords on the safe side.
        Assert.InRange(sample.State.Walkways.Ways.Single(way => way.Target.OwnerId == "out").Width, 1049, 1050.01);
    }

    [Theory]
    [InlineData(150, true, false)]
    [InlineData(12, true, true)]
    [InlineData(400, false, false)]
    public void A_platform_is_reached_by_its_step_or_not_at_all(double rise, bool onFoot, bool stepFree)
    {
        // The platform fills the east half of the room from wall to wall.
        var sample = new Sample().Room(8000, 4000).Door(along: 2000);
        sample.Do(new PutThing(new Platform("p", L, 6000, 2000, 0, 4000, 4000, rise)));
        sample.Do(new PlaceItem("t", PlanStart.SchemeId, L, "round-table-1525", 6000, 2000));
        var ways = sample.State.Walkways.Ways.Where(way => way.Target.OwnerId == "t").ToArray();
        Assert.Equal(onFoot, ways.All(way => way.Width > 0));
        sample
            .Do(new DrawBoundary("b", L, new(4010, 0), [new(new(4010, 4000))], false))
            .Do(new NameRoom("up", "Up", "", "", null, L, 7800, 300));
        Assert.Equal(stepFree, In(sample, "up").StepFree);
    }

    [Theory]
    [InlineData(0, 0, 300, true, true)]
    [InlineData(500, 0, 300, true, true)]
    [InlineData(500, 5, 300, true, true)]
    [InlineData(0, 0, 312, true, true)]
    [InlineData(0, 0, 450, true, false)]
    [InlineData(0, 0, 600, false, false)]
    [InlineData(-100, 0, 300, false, false)]
    public void From_one_deck_people_walk_onto_the_next_when_it_is_no_more_than_a_step_higher(
        double over,
        double rotation,
        double rise,
        bool onFoot,
        bool stepFree
    )
    {
        // A ramp of 1 : 12 from the west up to the first deck at x = 5000; the second begins at 7000, or so much before.
        var sample = new Sample().Room(12_000, 4000).Door(along: 500);
        sample
            .Do(new PutThing(new Flight("ramp", L, FlightKind.Ramp, 3200, 2000, 270, 1200, 3600, 300, 0)))
            .Do(new PutThing(new Platform("first", L, 6000, 2000, 0, 2000, 2400, 300)))
            .Do(new PutThing(new Platform("second", L, 9700 - over, 2000, rotation, 5400, 4800, rise)))
            .Do(new PlaceItem("stool", PlanStart.SchemeId, L, "ottoman", 9000 - over, 2000));
        Assert.Equal(onFoot, sample.State.Walkways.Ways.Single(way => way.Target.OwnerId == "stool").Width > 0);
        sample
            .Do(new DrawBoundary("b", L, new(8000 - over, 0), [new(new(8000 - over, 4000))], false))
            .Do(new NameRoom("up", "Up", "", "", null, L, 8300 - over, 2000));
        Assert.Equal(stepFree, In(sample, "up").StepFree);
    }

    [Theory]
    [InlineData(0)]
    [InlineData(5)]
    [InlineData(35)]
    public void Decks_laid_over_each_other_have_no_gap_in_their_edge(double rotation)
    {
        var sample = new Sample().Room(14_000, 9000).Door(along: 500);
        for (var i = 0; i < 6; i++)
            sample.Do(new PutThing(new Platform($"d{i}", L, 4000 + 1100 * i, 4500, i % 2 * rotation, 2400, 1600 + 100 * i, 300)));
        sample.Do(new PlaceItem("stool", PlanStart.SchemeId, L, "ottoman", 6200, 4500));
        Assert.Equal(0, sample.State.Walkways.Ways.Single(way => way.Target.OwnerId == "stool").Width);
    }

    [Theory]
    [InlineData(FlightKind.Stair, 1000, false)]
    [InlineData(FlightKind.Ramp, 3600, true)]
    [InlineData(FlightKind.Ramp, 3500, false)]
    public void A_ramp_of_one_in_twelve_makes_a_platform_step_free_and_a_stair_does_not(FlightKind kind, double run, bool stepFree)
    {
        var sample = new Sample().Room(10000, 4000).Door(along: 2000);
        sample.Do(new PutThing(new Platform("p", L, 8000, 2000, 0, 4000, 4000, 300)));
        sample
            .Do(new DrawBoundary("b", L, new(5990, 0), [new(new(5990, 4000))], false))
            .Do(new NameRoom("up", "Up", "", "", null, L, 9800, 300));
        Assert.Equal(0, In(sample, "up").WayIn);
        // Its head at the platform's west edge, going up towards the east.
        sample.Do(new PutThing(new Flight("f", L, kind, 6000 - run / 2, 2000, 270, 1200, run, 300, kind == FlightKind.Stair ? 2 : 0)));
        Assert.InRange(In(sample, "up").WayIn, 940, 1200.01);
        Assert.Equal(stepFree, In(sample, "up").StepFree);
    }

    /// <summary>A room on the ground and the same above, joined by a stair along the north wall.</summary>
    private static Sample TwoLevels(double stairWidth)
    {
        var sample = new Sample().Room(8000, 5000).Door(along: 2000);
        sample.Do(new PutLevel(new Level("up", "First floor", 3400, 2700)));
        sample.Do(new CopyShell(L, "up", "shell", Names: false));
        sample.Do(new NameRoom("loft", "Loft", "", "", null, "up", 1000, 1000));
        return sample.Do(
            new PutThing(new Flight("stair", L, FlightKind.Stair, 5000, 5000 - stairWidth / 2, 270, stairWidth, 4000, 1, 19, "up"))
            {
                Sure = true,
            }
        );
    }

    [Theory]
    [InlineData(800, 800)]
    [InlineData(1200, 950)]
    public void The_way_up_is_as_wide_as_the_stair_or_the_door_below(double stair, double way)
    {
        var sample = TwoLevels(stair);
        Assert.Equal(way, In(sample, "loft").WayIn, 1);
        Assert.False(In(sample, "loft").StepFree);
        Assert.True(In(sample, "room").StepFree);
        Assert.Contains(sample.State.Findings, f => f.Title == "No step-free way to First floor" && f.LevelId == "up");
    }

    [Fact]
    public void A_table_upstairs_is_held_against_the_whole_way_from_the_street()
    {
        var sample = TwoLevels(580);
        sample.Do(new PlaceItem("t", PlanStart.SchemeId, "up", "round-table-1525", 1800, 1500));
        var finding = sample.State.Findings.First(f => f is { LevelId: "up", Needed: 600 } && f.Title.Contains("Stair"));
        Assert.Equal(580, finding.Measured, 1);
        Assert.StartsWith("Way to Table 1", finding.Title);
        Assert.Contains("Stair", finding.Title);
        Assert.Equal(8, sample.State.Tally.Seats);
    }

    [Fact]
    public void A_stair_leaves_its_void_above()
    {
        var sample = TwoLevels(1000);
        var above = sample.Planner.StateOf(sample.Plan, PlanStart.SchemeId, "up").Space;
        Assert.Single(above.Fixtures.Voids);
        Assert.Equal(40 - 4, above.Rooms.Single().NetInternal, 6);
        sample.Do(new PlaceItem("t", PlanStart.SchemeId, "up", "round-table-1525", 5000, 4500));
        Assert.Contains(sample.State.Findings, f => f.Kind == FindingKind.Overlap && f.Between.Contains("a stair"));
    }

    [Fact]
    public void Only_the_level_that_changed_is_worked_out_again()
    {
        var sample = TwoLevels(1000);
        var before = sample.State;
        sample.Do(new PlaceItem("t", PlanStart.SchemeId, "up", "round-table-1525", 1800, 1500));
        Assert.Same(before.Levels[0], sample.State.Levels[0]);
        Assert.NotSame(before.Levels[1], sample.State.Levels[1]);
    }

    [Fact]
    public void A_terrace_is_entered_over_its_edge()
    {
        var sample = new Sample().Do(new MakeRoom("t", L, "Terrace", 8000, 6000, 0, 2700, Outline: true));
        sample.Do(new PlaceItem("table", PlanStart.SchemeId, L, "round-table-1525", 4000, 3000));
        Assert.DoesNotContain(sample.State.Findings, f => f.Kind == FindingKind.Walkway);
    }

    [Fact]
    public void Nobody_walks_under_less_than_two_metres()
    {
        // 3 m deep, from 1 m to 2.5 m: 2 m is reached 2 m in; 2 m of a 4 m deep room stay.
        var sample = new Sample()
            .Room(4000, 4000)
            .Do(
                new PutOpening(
                    new Opening("in", "room-west", OpeningKind.Gap, 2100, 3000, 0, 2100, 0, OpeningMark.Entrance, false, false, "")
                )
            );
        sample.Do(new PutThing(new LowCeiling("c", L, 2000, 1500, 0, 4000, 3000, 1000, 2500)));
        sample.Do(new PlaceItem("t", PlanStart.SchemeId, L, "round-table-1525", 2000, 2700));
        var ways = sample.State.Walkways.Ways.Where(w => w.Target.Kind == Core.Walkways.TargetKind.Seat).ToArray();
        // The table's south seats stand under the slope, the north ones do not.
        Assert.All(ways.Where(w => w.Target.Access.All(access => access.At.Y < 1950)), way => Assert.True(way.Width < 1));
        Assert.Contains(ways, w => w.Target.Access.All(access => access.At.Y < 1950));
        Assert.Contains(ways, w => w.Width > 300);
    }
}
