using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.KindsOfThing.Columns;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Tests.Spaces;

/// <summary>Areas after the RICS Code of Measuring Practice (GIA to the inside face of walls, NIA without columns); from memory.</summary>
public sealed class SpaceTests
{
    [Fact]
    public void A_typed_room_has_the_typed_area_inside()
    {
        var room = Assert.Single(new Sample().Room(18000, 13000).State.Space.Rooms);
        Assert.Equal(234.0, room.GrossInternal, 6);
        Assert.Equal(234.0, room.NetInternal, 6);
    }

    [Fact]
    public void Columns_come_off_the_net_area_only()
    {
        var sample = new Sample().Room();
        sample.Do(new PutThing(new Column("c1", PlanStart.LevelId, 2000, 2000, 0, 400, 400, false)));
        sample.Do(new PutThing(new Column("c2", PlanStart.LevelId, 5000, 2000, 0, 400, 400, true)));
        var room = Assert.Single(sample.State.Space.Rooms);
        Assert.Equal(48.0, room.GrossInternal, 6);
        Assert.Equal(48.0 - 0.16 - Math.PI * 0.04, room.NetInternal, 4);
    }

    [Fact]
    public void Openings_cut_the_wall_and_leave_the_rest()
    {
        var space = new Sample().Room().Door(4100, 1000).State.Space;
        var south = space.Pieces.Where(piece => piece.Wall.Id == "room-south").ToArray();
        Assert.Equal(3, south.Length);
        var door = Assert.Single(south, piece => piece.Opening is not null);
        Assert.Equal(1000, door.Body.Bounds.Width, 6);
        // Cut faces: four walls of an 8 x 6 m room, 200 thick, closed corners, less the door.
        Assert.Equal((8.4 * 6.4 - 8 * 6 - 0.2) * 1e6, space.Walls.Faces.Sum(face => face.Area), 1);
    }

    [Fact]
    public void A_door_of_one_leaf_loses_50_mm_of_clear_width_and_one_of_two_loses_100()
    {
        var sample = new Sample().Room().Door(4100, 1000);
        Assert.Equal(950, sample.Plan.All<Opening>().Single().ClearWidth, 6);
        sample.Do(
            new PutOpening(
                new Opening("double", "room-north", OpeningKind.DoubleDoor, 3000, 1900, 0, 2100, 0, OpeningMark.None, false, false, "")
            )
        );
        Assert.Equal(1800, sample.Plan.Find<Opening>("double")!.ClearWidth, 6);
    }

    [Fact]
    public void A_leaf_sweeps_a_quarter_disc_on_its_side()
    {
        var place = Assert.Single(new Sample().Room().Door(4100, 1000, outward: false).State.Space.Openings);
        var swing = Assert.Single(place.Swing);
        Assert.Equal(1000, swing.Bounds.Height, 3);
        Assert.True(swing.Bounds.MinY >= -0.001, "it swings into the room, from the inside face");
        Assert.True(swing.Holds(new Point(3600, 600)));
        Assert.False(swing.Holds(new Point(4500, 900)));
    }

    [Fact]
    public void Two_rooms_are_found_apart()
    {
        var sample = new Sample().Room();
        sample.Do(new MakeRoom("other", PlanStart.LevelId, "Other", 3000, 2000, 200, 3000, 9000));
        Assert.Equal([6.0, 48.0], sample.State.Space.Rooms.Select(room => Math.Round(room.GrossInternal, 6)).Order());
    }
}
