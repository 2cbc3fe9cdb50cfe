using System.Collections.Immutable;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.KindsOfThing.Columns;
using Wellsedes.Core.KindsOfThing.Fittings;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Tests.Editing;

/// <summary>Edits of walls, rooms and levels, one after another as a planner makes them.</summary>
public sealed class ShellEditingTests
{
    private const string L = PlanStart.LevelId;

    private static DrawWalls Chain(string id, bool closed, WallLine line, string wallType, params (double X, double Y)[] corners) =>
        new(
            id,
            L,
            new Point(corners[0].X, corners[0].Y),
            [.. corners.Skip(1).Select(c => new ChainSide(new Point(c.X, c.Y)))],
            closed,
            wallType,
            line
        );

    private static LevelSpace Space(Sample sample) => sample.State.Space;

    [Theory]
    [InlineData(WallLine.InsideFace, 5.0 * 4.0)]
    [InlineData(WallLine.Centre, 4.7 * 3.7)]
    [InlineData(WallLine.OutsideFace, 4.4 * 3.4)]
    public void A_closed_chain_is_drawn_along_the_line_that_was_chosen(WallLine line, double area)
    {
        foreach (
            var corners in ((double, double)[][])
                [
                    [(0, 0), (5000, 0), (5000, 4000), (0, 4000)],
                    [(0, 0), (0, 4000), (5000, 4000), (5000, 0)],
                ]
        )
        {
            var sample = new Sample().Do(Chain("c", true, line, "Masonry 300", corners));
            Assert.Equal(area, Assert.Single(Space(sample).Rooms).GrossInternal, 6);
        }
    }

    [Fact]
    public void A_chain_grows_when_it_is_sent_again_and_keeps_what_was_put_in()
    {
        var sample = new Sample().Do(Chain("c", false, WallLine.Centre, "Stud 100", (0, 0), (4000, 0)));
        sample.Do(Door("d", "c-1", 2000));
        sample.Do(Chain("c", false, WallLine.Centre, "Stud 100", (0, 0), (4000, 0), (4000, 3000)));
        Assert.Equal(["c-1", "c-2"], sample.Plan.All<Wall>().Select(wall => wall.Id));
        Assert.NotNull(sample.Plan.Find<Opening>("d"));
    }

    [Fact]
    public void A_wall_along_one_that_is_there_is_shared()
    {
        var sample = new Sample().Do(new MakeRoom("a", L, "A", 4000, 3000, 200, 2700));
        sample.Do(new MakeRoom("b", L, "B", 2500, 3000, 200, 2700, 4200));
        Assert.Equal(7, sample.Plan.All<Wall>().Count());
        Assert.Equal([7.5, 12.0], Space(sample).Rooms.Select(room => Math.Round(room.GrossInternal, 6)).Order());
        Assert.Contains(
            "already a wall",
            sample.Refused(Chain("c", false, WallLine.Centre, "Masonry 200", (0, -100), (3000, -100))).Message
        );
    }

    [Theory]
    [InlineData(RoomCorner.SouthWest)]
    [InlineData(RoomCorner.SouthEast)]
    [InlineData(RoomCorner.NorthEast)]
    [InlineData(RoomCorner.NorthWest)]
    public void An_L_shape_leaves_out_its_notch(RoomCorner corner)
    {
        var sample = new Sample().Do(new MakeRoom("l", L, "L", 6000, 5000, 100, 2700, NotchWidth: 2000, NotchDepth: 1500, NotchAt: corner));
        Assert.Equal(30 - 3, Assert.Single(Space(sample).Rooms).GrossInternal, 6);
    }

    [Fact]
    public void An_outline_is_a_room_without_walls()
    {
        var sample = new Sample().Do(new MakeRoom("t", L, "Terrace", 6000, 4000, 0, 2700, Outline: true));
        Assert.Empty(sample.Plan.All<Wall>());
        Assert.Equal(24, Assert.Single(Space(sample).Rooms).GrossInternal, 6);
        sample.Do(
            new DrawBoundary("m", L, new(8000, 0), [new(new(12000, 0)), new(new(12000, 3000)), new(new(8000, 3000))], true, "Marquee")
        );
        Assert.Equal(12, Space(sample).Rooms.Single(room => room.Room.Name == "Marquee").GrossInternal, 6);
    }

    [Fact]
    public void A_moved_wall_takes_its_corners_tees_doors_and_room_names_along()
    {
        var sample = new Sample().Room(6000, 4000).Door(along: 4500);
        sample.Do(Chain("p", false, WallLine.Centre, "Stud 100", (3000, -100), (3000, 4100)));
        sample.Do(new NameRoom("right", "Right", "", "", null, L, 4500, 2000));
        // The partition moves west past the middle of what was the left room: its name goes along.
        sample.Do(new MoveWall("p-1", -1500, 700));
        Assert.Equal(new Point(1500, -100), sample.Plan.Find<Wall>("p-1")!.Start);
        var rooms = Space(sample).Rooms;
        Assert.Equal(["Right", "Room"], rooms.Select(room => room.Room.Name).Order());
        Assert.Equal(1.45 * 4, rooms.Single(room => room.Room.Name == "Room").GrossInternal, 6);
        // The south wall moves out: its door stays in it, the partition reaches after it.
        sample.Do(new MoveWall("room-south", 0, -1000));
        Assert.Equal(-1100, sample.Plan.Find<Wall>("p-1")!.Start.Y, 6);
        Assert.Equal(4500, sample.Plan.All<Opening>().Single().Along, 6);
        Assert.Equal(1.45 * 5, Space(sample).Rooms.Single(room => room.Room.Name == "Room").GrossInternal, 6);
    }

    [Theory]
    [InlineData(Stays.Start, -100.0, 7100.0)]
    [InlineData(Stays.End, -1100.0, 6100.0)]
    [InlineData(Stays.Middle, -600.0, 6600.0)]
    public void A_typed_inside_length_moves_the_end_that_does_not_stay(Stays stays, double west, double east)
    {
        var sample = new Sample().Room(6000, 4000);
        sample.Do(new SetWallLength("room-south", 7000, stays, WallSide.Left));
        var wall = sample.Plan.Find<Wall>("room-south")!;
        Assert.Equal((west, east), (Math.Round(wall.Start.X, 6), Math.Round(wall.End.X, 6)));
        // The walls across it went along whole: it is still a rectangle.
        Assert.Equal(28, Assert.Single(Space(sample).Rooms).GrossInternal, 6);
    }

    [Fact]
    public void A_corner_moves_with_all_that_meet_in_it()
    {
        var sample = new Sample().Room(6000, 4000);
        sample.Do(new MoveWallEnd("room-south", false, new Point(7100, -100)));
        Assert.Equal(new Point(7100, -100), sample.Plan.Find<Wall>("room-east")!.Start);
        Assert.Single(Space(sample).Rooms);
    }

    [Fact]
    public void Split_and_joined_again_a_wall_keeps_its_openings()
    {
        var sample = new Sample().Room(6000, 4000).Door(along: 1500).Door(along: 4500, mark: OpeningMark.None);
        Assert.Contains("in the way", sample.Refused(new SplitWall("room-south", 1600, "x")).Message);
        sample.Do(new SplitWall("room-south", 3000, "second"));
        Assert.Equal(1500, sample.Plan.Find<Opening>("door-south-4500")!.Along, 6);
        Assert.Equal("second", sample.Plan.Find<Opening>("door-south-4500")!.WallId);
        Assert.Equal(24, Assert.Single(Space(sample).Rooms).GrossInternal, 6);
        sample.Do(new JoinWalls("second", "room-south"));
        Assert.Null(sample.Plan.Find("room-south"));
        Assert.Equal([1500, 4500], sample.Plan.All<Opening>().Select(o => Math.Round(o.Along)).Order());
        Assert.Contains("not in one line", sample.Refused(new JoinWalls("second", "room-east")).Message);
    }

    [Fact]
    public void A_wall_bends_through_a_point_and_back()
    {
        var sample = new Sample().Do(Chain("c", false, WallLine.Centre, "Stud 100", (0, 0), (2000, 0)));
        sample.Do(new BowWall("c-1", new Point(1000, 1000)));
        Assert.Equal(1000 * Math.PI, sample.Plan.Find<Wall>("c-1")!.Length, 6);
        sample.Do(new BowWall("c-1", new Point(1000, 0)));
        Assert.Equal(2000, sample.Plan.Find<Wall>("c-1")!.Length, 6);
    }

    [Fact]
    public void A_make_up_is_added_and_changed_with_its_walls()
    {
        var sample = new Sample().Do(new PutWallType(new WallType("m", "Brick 225", WallKind.Masonry, 225, 3000)));
        sample.Do(Chain("c", false, WallLine.Centre, "Brick 225", (0, 0), (2000, 0)));
        sample.Do(new PutWallType(new WallType("m", "Brick 215", WallKind.Masonry, 215, 3000)));
        Assert.Equal((215, "Brick 215"), (sample.Plan.Find<Wall>("c-1")!.Thickness, sample.Plan.Find<Wall>("c-1")!.WallType));
        Assert.Contains(
            "already a wall type",
            sample.Refused(new PutWallType(new WallType("n", "stud 100", WallKind.Stud, 100, 2700))).Message
        );
        sample.Do(new ChangeWalls(["c-1"], WallType: "Stud 70", Certainty: Certainty.Unknown));
        Assert.Equal((70, Certainty.Unknown), (sample.Plan.Find<Wall>("c-1")!.Thickness, sample.Plan.Find<Wall>("c-1")!.Certainty));
    }

    [Fact]
    public void A_loose_end_is_brought_to_what_it_nearly_meets()
    {
        var sample = new Sample().Room(6000, 4000);
        sample.Do(Chain("p", false, WallLine.Centre, "Stud 100", (3000, 4100), (3000, 150)));
        Assert.Single(Space(sample).Rooms);
        sample.Do(new ExtendToMeet("p-1", false));
        Assert.Equal(2, Space(sample).Rooms.Length);
        Assert.Contains("could be met", sample.Refused(new ExtendToMeet("p-1", false)).Message);
    }

    [Fact]
    public void What_is_locked_stays()
    {
        var sample = new Sample().Room(6000, 4000).Door();
        sample.Do(new LockThings(["room-east", "door-south-4100"], true));
        Assert.Contains("is locked", sample.Refused(new MoveWall("room-east", 500, 0)).Message);
        Assert.Contains("is locked", sample.Refused(new Remove(["door-south-4100"])).Message);
        sample.Do(new LockThings(["room-east"], false)).Do(new MoveWall("room-east", 500, 0));
    }

    [Fact]
    public void Walls_of_no_length_and_openings_without_room_are_refused_by_name()
    {
        var sample = new Sample().Room(6000, 4000).Door(along: 4900);
        Assert.Contains("Side 1 would be 0 mm", sample.Refused(Chain("c", false, WallLine.Centre, "Stud 100", (0, 0), (0, 0))).Message);
        Assert.Contains(
            "past the end of its wall",
            sample.Refused(new SetWallLength("room-south", 5000, Stays.Start, WallSide.Left)).Message
        );
        Assert.Contains("at least three sides", sample.Refused(Chain("c", true, WallLine.Centre, "Stud 100", (0, 0), (500, 0))).Message);
        Assert.Contains("no wall type", sample.Refused(Chain("c", false, WallLine.Centre, "Paper 1", (0, 0), (500, 0))).Message);
        sample.Do(new Remove(["room-south"]));
        Assert.Empty(sample.Plan.All<Opening>());
    }

    [Fact]
    public void A_room_copied_mirrored_swaps_its_door_sensibly()
    {
        var sample = new Sample().Room(4000, 3000);
        // Hinge towards the west, opening into the room.
        sample.Do(
            new PutOpening(
                new Opening("d", "room-south", OpeningKind.SingleDoor, 1100, 1000, 0, 2100, 0, OpeningMark.None, false, false, "")
            )
        );
        sample.Do(new PutThing(new Column("c", L, 1000, 2000, 0, 300, 300, false)));
        sample.Do(new CopyRoom("room", "copy", Mirror.LeftRight, 0, 4200, 0));
        // They share the wall between.
        Assert.Equal(7, sample.Plan.All<Wall>().Count());
        var space = Space(sample);
        Assert.All(space.Rooms, room => Assert.Equal(12, room.GrossInternal, 6));
        var copied = space.Openings.Single(place => place.Opening.Id != "d");
        // Mirrored about the room's middle and moved 4200 east: middle at 4200 + (4000 - 1000).
        Assert.Equal(7200, copied.Frame.X, 3);
        var swing = Assert.Single(copied.Swing);
        Assert.True(swing.Holds(new Point(7600, 300)), "its hinge is to the east now, and it still opens into the room");
        Assert.Equal(7200, sample.Plan.All<Column>().Single(c => c.Id != "c").X, 3);
        Assert.Equal("Room", space.Rooms.Single(room => room.Room.Id == "copy").Room.Name);
    }

    [Theory]
    [InlineData(90, 3, 4)]
    [InlineData(180, 4, 3)]
    public void A_room_copied_turned_keeps_its_area_and_its_door(double turn, double width, double depth)
    {
        var sample = new Sample().Room(4000, 3000).Door(along: 1100, mark: OpeningMark.None);
        sample.Do(new CopyRoom("room", "copy", Mirror.None, turn, 12000, 0));
        var room = Space(sample).Rooms.Single(r => r.Room.Id == "copy");
        Assert.Equal(12, room.GrossInternal, 6);
        Assert.Equal((width, depth), (Math.Round(room.Outline.Bounds.Width / 1000, 6), Math.Round(room.Outline.Bounds.Height / 1000, 6)));
        Assert.Equal(2, sample.Plan.All<Opening>().Count());
    }

    [Fact]
    public void A_shell_is_copied_upward_without_its_doors_to_the_outside()
    {
        var sample = new Sample().Room(6000, 4000).Door();
        sample.Do(
            new PutOpening(new Opening("w", "room-north", OpeningKind.Window, 3000, 1200, 0, 1400, 900, OpeningMark.None, false, false, ""))
        );
        sample.Do(new PutLevel(new Level("up", "First floor", 4500, 2700)));
        sample.Do(new CopyShell(L, "up", "shell"));
        var space = sample.Planner.SpaceOn(sample.Plan, "up");
        Assert.Equal(24, Assert.Single(space.Rooms).GrossInternal, 6);
        Assert.Equal(OpeningKind.Window, Assert.Single(space.Openings).Opening.Kind);
        Assert.Contains("already a level called", sample.Refused(new PutLevel(new Level("x", "first floor", 9000, 2700))).Message);
        sample.Do(new Remove(["up"]));
        Assert.DoesNotContain(sample.Plan.All<Wall>(), wall => wall.LevelId == "up");
        Assert.Contains("at least one level", sample.Refused(new Remove([L])).Message);
    }

    [Fact]
    public void Every_shell_edit_is_undone_to_the_same_plan()
    {
        var sample = new Sample().Room(6000, 4000).Door();
        Edit[] edits =
        [
            Chain("p", false, WallLine.Centre, "Stud 100", (3000, -100), (3000, 4100)),
            new MoveWall("room-south", 0, -300),
            new SplitWall("p-1", 2000, "p-b"),
            new JoinWalls("p-1", "p-b"),
            new SetWallLength("room-north", 7000, Stays.End, WallSide.Left),
            new CopyRoom("room", "copy", Mirror.UpDown, 0, 9000, 0),
            new SetOutFromWall("room-west", "line", 500, false, 4, 600),
            new PutThing(new Fitting("b", L, FittingKind.Basin, 500, 500, 0, 550, 450, 850)),
            new RepeatThing("b", "bs", 3, 2, 900, 900),
            new Remove(["room-south", "b"]),
        ];
        foreach (var edit in edits)
        {
            var before = sample.Plan;
            var change = sample.Planner.Answer(before, edit).Change!;
            sample.Do(edit);
            Assert.True(sample.Plan.TryApply(change.Reversed("undo"), out var back, out _));
            Assert.Equal(before.Entities.Values.ToHashSet(), [.. back.Entities.Values]);
        }
    }

    private static PutOpening Door(string id, string wall, double along) =>
        new(new Opening(id, wall, OpeningKind.SingleDoor, along, 900, 0, 2100, 0, OpeningMark.None, false, false, ""));
}
