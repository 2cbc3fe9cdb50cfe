using Wellsedes.Core.Drawings;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Findings;
using Wellsedes.Core.KindsOfThing.Fittings;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Tests.Editing;

/// <summary>What cannot be meant is refused or found, in the units of the plan.</summary>
public sealed class RefusedTests
{
    private const string L = PlanStart.LevelId;

    private static Opening Door(string id, string wall, double along, double width = 900) =>
        new(id, wall, OpeningKind.SingleDoor, along, width, 0, 2100, 0, OpeningMark.None, false, false, "");

    private static Sample Parted(double at = 4000) =>
        new Sample().Room(8000, 5000).Do(new DrawWalls("p", L, new(at, -100), [new(new(at, 5100))], false, "Stud 100"));

    [Theory]
    [InlineData(4100, true)]
    [InlineData(4100 + 499, true)]
    [InlineData(4100 + 501, false)]
    [InlineData(4100 - 501, false)]
    public void A_door_stands_beside_a_partition_and_not_over_its_end(double along, bool refused)
    {
        // The partition meets the south wall 4100 along it (its line starts 100 before the room), 50 to either side.
        var sample = Parted();
        var put = new PutOpening(Door("d", "room-south", along));
        if (refused)
            Assert.Contains("Another wall ends 4\u00a0100 mm along this one, in the way of a single door", sample.Refused(put).Message);
        else
            sample.Do(put);
    }

    [Fact]
    public void A_wall_moved_or_drawn_into_a_door_names_it()
    {
        var sample = Parted().Do(new PutOpening(Door("d", "room-south", 6100)));
        Assert.Contains("in the way of a single door", sample.Refused(new MoveWall("p-1", 2000, 0)).Message);
        Assert.Contains(
            "in the way of a single door",
            sample.Refused(new DrawWalls("q", L, new(6000, 0), [new(new(6000, 5000))], false, "Stud 100")).Message
        );
        sample.Do(new MoveWall("p-1", 1200, 0));
    }

    [Fact]
    public void The_shell_is_copied_up_once()
    {
        var sample = Parted().Do(new PutLevel(new Level("up", "First floor", 3400, 2700))).Do(new CopyShell(L, "up", "shell"));
        Assert.Contains("already has walls", sample.Refused(new CopyShell(L, "up", "again")).Message);
    }

    [Fact]
    public void A_stair_outside_the_building_is_found()
    {
        var sample = Parted().Do(new PutThing(new Flight("s", L, FlightKind.Ramp, 12_000, 2000, 0, 1200, 3600, 300, 0)) { Sure = true });
        Assert.Contains(sample.State.Findings, finding => finding.Title == "Ramp stands outside every room");
        Assert.DoesNotContain(Parted().State.Findings, finding => finding.Title.Contains("outside"));
    }

    [Fact]
    public void Without_an_entrance_that_is_said_once()
    {
        var sample = new Sample().Room(8000, 6000);
        Assert.Empty(sample.State.Findings);
        for (var i = 0; i < 4; i++)
            sample.Place($"d{i}", "desk-1400", 1500 + 1600 * i, 3000);
        Assert.Equal("No entrance marked", Assert.Single(sample.State.Findings).Title);
        // A door that leads in from another room is none.
        sample.Do(new MakeRoom("east", L, "East", 4000, 6000, 200, 2700, 8200));
        sample.Do(new PutOpening(Door("d", "room-east", 2000) with { Mark = OpeningMark.Entrance, Name = "Foyer door" }));
        Assert.Contains(
            "Foyer door is marked as an entrance but lies between two rooms",
            sample.State.Findings.Single(f => f.Id == "entrance").Why
        );
        Assert.DoesNotContain(sample.Door().State.Findings, finding => finding.Id == "entrance");
    }

    [Fact]
    public void A_level_nobody_gets_onto_is_said_once()
    {
        var sample = new Sample().Room(8000, 6000).Door().Do(new PutLevel(new Level("up", "First floor", 3400, 2700)));
        sample.Do(new CopyShell(L, "up", "shell"));
        foreach (var x in (double[])[2000, 5000])
            sample.Do(new PlaceItem($"t{x}", PlanStart.SchemeId, "up", "round-table-1525", x, 3000));
        Assert.Equal(["No way onto First floor"], sample.State.Findings.Where(f => f.Kind == FindingKind.Walkway).Select(f => f.Title));
        var whole = sample.State.Tally;
        Assert.Equal((16, 2), (whole.Seats, whole.Tables));
    }

    [Fact]
    public void A_distance_typed_to_a_counter_is_kept_to_it()
    {
        var sample = new Sample().Room(8000, 6000);
        sample.Do(new PutThing(new Fitting("counter", L, FittingKind.Counter, 4000, 500, 0, 2400, 600, 900)));
        sample.Place("desk", "desk-1400", 4000, 3000);
        double Near() =>
            sample.Planner.NearTo(sample.State, new HashSet<string> { "desk" }).Single(near => near.OtherId == "counter").Width;
        Assert.True(Near() > 1300);
        sample.Do(new SpaceFrom(["desk"], "counter", 1200));
        Assert.Equal(1200, Near(), 6);
    }

    [Fact]
    public void A_plan_in_feet_speaks_feet()
    {
        var sample = Parted();
        sample.Do(new SetDetails("Sample", UnitSystem.FeetInches, 0)).Do(new PutOpening(Door("d", "room-south", 6500)));
        var message = sample.Refused(new SetOpeningFrom("d", Stays.Start, 5000, true)).Message;
        Assert.StartsWith("The wall is 12' 11 1/2\" from corner to corner", message);
        Assert.DoesNotContain("mm", message);
        Assert.DoesNotContain("mm", sample.Refused(new SplitWall("room-south", 1, "x")).Message);
        Assert.Equal(
            "Side 1 would be 3/16\" long; a wall is at least 3/8\".",
            sample.Refused(new DrawWalls("q", L, new(0, 0), [new(new(5, 0))], false, "Stud 100")).Message
        );
    }

    [Fact]
    public void An_inside_length_is_between_the_faces_and_typing_it_takes_the_wall_across_along()
    {
        // A partition from the west wall's inside to the east one's, each 200 thick: drawn to their middles, 4000 clear.
        var sample = new Sample().Room(4000, 6000).Do(new DrawWalls("p", L, new(-100, 3000), [new(new(4100, 3000))], false, "Stud 100"));
        var walls = sample.State.Space.Walls;
        Assert.Equal(4000, Core.Spaces.WallFaces.Length(walls, walls.Bodies["p-1"], true), 6);
        sample.Do(new SetWallLength("p-1", 5000, Stays.Start, WallSide.Left));
        walls = sample.State.Space.Walls;
        Assert.Equal(5000, Core.Spaces.WallFaces.Length(walls, walls.Bodies["p-1"], true), 6);
        Assert.Equal(2, sample.State.Space.Rooms.Length);
        Assert.Equal(5 * 5.9, sample.State.Space.Rooms.Sum(room => room.GrossInternal), 6);
    }

    [Fact]
    public void Rooms_rail_and_sheet_tell_one_net_area_and_a_levels_sheet_its_own()
    {
        var sample = new Sample().Room(8000, 6000).Door();
        sample
            .Do(new MakeRoom("wc", L, "Toilets", 2000, 6000, 200, 2700, 8200))
            .Do(new NameRoom("wc", "Toilets", "Toilets", "", null, L, 9000, 3000));
        sample.Place("t", "round-table-1525", 3000, 3000);
        var tally = sample.State.Tally;
        // 48 m² and 12 m² of toilets, which net internal area leaves out (NIA, from memory).
        Assert.Equal((48, 48.0 / 8), (tally.NetArea!.Value, tally.AreaPerSeat!.Value));
        Assert.Equal(tally.NetArea, sample.State.Space.Floor.Areas.NetInternal);
        Assert.Equal(tally.GrossArea, sample.State.Space.Floor.Areas.GrossInternal);
        sample.Do(new PutLevel(new Level("up", "First floor", 3400, 2700))).Do(new CopyShell(L, "up", "shell"));
        sample.Do(new PlaceItem("u", PlanStart.SchemeId, "up", "round-table-1525", 3000, 3000));
        var sheet = sample.Plan.All<SheetSettings>().First();
        SheetInput Of(string level) =>
            sample.Planner.StateOf(sample.Plan, PlanStart.SchemeId, level).SheetInput(sheet, "", "", "Draft", new DateOnly(2026, 11, 25));
        Assert.Equal((8, 16), (Of(L).Tally.Seats, Of(L).Whole!.Seats));
        Assert.Equal((8, 60), (Of("up").Tally.Seats, Math.Round(Of("up").Tally.NetArea!.Value, 6)));
    }
}
