using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Spaces;

namespace Wellsedes.Core.Tests.Spaces;

/// <summary>Doors and windows are told apart in a list by what lies on their two sides.</summary>
public sealed class RoomsBesideTests
{
    private const string L = PlanStart.LevelId;

    private static string InList(Sample sample, string id)
    {
        var opening = sample.Plan.Find<Opening>(id)!;
        return RoomsBeside.Of(sample.State.Space, sample.Plan.Find<Wall>(opening.WallId)!, opening.Along).InList(opening);
    }

    [Fact]
    public void By_the_rooms_they_lead_to_whichever_way_the_wall_was_drawn()
    {
        foreach (var turned in (bool[])[false, true])
        {
            var (a, b) = turned ? (new Point(4000, 5100), new Point(4000, -100)) : (new(4000, -100), new(4000, 5100));
            var sample = new Sample().Room(8000, 5000).Do(new DrawWalls("p", L, a, [new(b)], false, "Stud 100"));
            sample.Do(new NameRoom("room", "Store", "", ""));
            sample.Do(new NameRoom("lobby", "Lobby", "", "", null, L, sample.Plan.Find<Room>("room")!.X > 4000 ? 1000 : 7000, 1000));
            foreach (
                var (id, wall, along, kind) in new[]
                {
                    ("inner", "p-1", 2600.0, OpeningKind.SingleDoor),
                    ("outer", "room-south", 1000.0, OpeningKind.DoubleDoor),
                    ("view", "room-south", 7000.0, OpeningKind.Window),
                }
            )
                sample.Do(new PutOpening(new Opening(id, wall, kind, along, 900, 0, 2100, 0, OpeningMark.None, false, false, "")));
            Assert.Equal("Door, Lobby to Store", InList(sample, "inner"));
            var west = sample.Plan.Find<Room>("room")!.X < 4000 ? "Store" : "Lobby";
            Assert.Equal($"Double door, {west} to outside", InList(sample, "outer"));
            Assert.Equal($"Window, {(west == "Store" ? "Lobby" : "Store")}", InList(sample, "view"));
            Assert.Equal("Wall, Lobby and Store", RoomsBeside.Of(sample.State.Space, sample.Plan.Find<Wall>("p-1")!, 2600).InList());
            sample.Do(new PutOpening(sample.Plan.Find<Opening>("outer")! with { Name = "Main door" }));
            Assert.Equal($"Main door, {west} to outside", InList(sample, "outer"));
        }
    }

    [Fact]
    public void A_room_without_a_name_is_called_as_no_other_is()
    {
        var sample = new Sample().Room(8000, 5000).Do(new DrawWalls("p", L, new(4000, -100), [new(new(4000, 5100))], false, "Stud 100"));
        sample.Do(new NameRoom("room", "Room 1", "", ""));
        Assert.Equal(["Room 1", "Room 2"], sample.State.Space.Rooms.Select(room => room.Room.Name).Order());
    }

    [Fact]
    public void A_shell_copied_up_keeps_the_names_of_rooms_that_are_rooms_there_too()
    {
        var sample = new Sample().Room(8000, 5000).Do(new DrawWalls("p", L, new(4000, -100), [new(new(4000, 5100))], false, "Stud 100"));
        sample.Do(new NameRoom("room", "Store", "Storage", "0.01"));
        sample.Do(new NameRoom("lobby", "Lobby", "", "", null, L, sample.Plan.Find<Room>("room")!.X > 4000 ? 1000 : 7000, 1000));
        // Without walls: above there is nothing to be called a terrace.
        sample.Do(new MakeRoom("t", L, "Terrace", 4000, 3000, 0, 2700, 12_000, Outline: true));
        sample.Do(new PutLevel(new Level("up", "First floor", 3400, 2600))).Do(new CopyShell(L, "up", "shell"));
        var above = sample.Planner.StateOf(sample.Plan, PlanStart.SchemeId, "up").Space;
        Assert.Equal(["Lobby", "Store"], above.Rooms.Select(room => room.Room.Name).Order());
        Assert.All(above.Rooms, room => Assert.Equal(("", "", 2600), (room.Room.Number, room.Room.Use, room.Room.Height)));
        Assert.Empty(above.Floor.Unenclosed);
    }
}
