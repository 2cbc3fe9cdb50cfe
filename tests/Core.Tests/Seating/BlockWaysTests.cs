using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.KindsOfThing.SeatingBlocks;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Walkways;

namespace Wellsedes.Core.Tests.Seating;

/// <summary>Blocks that people come to by stairs or through another room: their ways are judged from there, and are built in.</summary>
public sealed class BlockWaysTests
{
    private const string L = PlanStart.LevelId;
    private const string S = PlanStart.SchemeId;
    private const string Up = "up";

    /// <summary>A hall on the ground with a door, one above it, a stair along the north wall; its head is in the middle of the hall above.</summary>
    private static Sample Halls()
    {
        var sample = new Sample().Room(14_000, 10_000).Door(along: 2000);
        sample.Do(new PutLevel(new Level(Up, "First floor", 3400, 2700)));
        sample.Do(new CopyShell(L, Up, "shell", Names: false));
        sample.Do(new NameRoom("loft", "Loft", "", "", null, Up, 1000, 1000));
        return sample.Do(new PutThing(new Flight("stair", L, FlightKind.Stair, 5000, 9400, 270, 1200, 4000, 1, 19, Up)) { Sure = true });
    }

    private static PutOverRooms Fill(SeatingStyle style, double gap) =>
        new(
            ((SeatingBlock)SeatingBlock.Kind.Make("block", Up, S, new Point(0, 0))).As(style) with
            {
                Ways = WaysKept.FromDoors,
                GapInRow = gap,
                GapBetweenRows = gap,
            },
            ["loft"]
        )
        {
            Sure = true,
        };

    private static Way[] Ways(Sample sample) => [.. sample.Planner.StateOf(sample.Plan, S, Up).Level.Walkways.Ways];

    [Theory]
    [InlineData(SeatingStyle.Rounds, 300)]
    [InlineData(SeatingStyle.Rounds, 600)]
    [InlineData(SeatingStyle.Rows, 450)]
    [InlineData(SeatingStyle.Exam, 300)]
    [InlineData(SeatingStyle.Cafe, 400)]
    public void Every_seat_of_a_block_upstairs_is_reached_from_the_stair(SeatingStyle style, double gap)
    {
        var sample = Halls();
        Assert.All(Ways(sample), way => Assert.True(way.Holds));
        sample.DoAndUndo(Fill(style, gap));
        var block = sample.Plan.Find<SeatingBlock>("block")!;
        Assert.Equal(Up, block.LevelId);
        Assert.True(sample.Plan.OfScheme<Item>(S).Count(item => item.Parent == "block") >= 6);
        var broken = Ways(sample).Where(way => !way.Holds).ToArray();
        Assert.True(
            broken.Length == 0,
            string.Join(", ", broken.Take(3).Select(way => $"{way.Target.Name} {way.Width:0} of {way.Target.Needed}"))
        );
    }

    [Fact]
    public void The_way_off_the_stair_is_built_in_and_what_it_costs_is_said()
    {
        var sample = Halls();
        sample.Do(Fill(SeatingStyle.Rounds, 600));
        // The stair goes up to the east: 1.2 m wide from its head on nothing stands.
        var strip = Convex.Polygon([new(7000, 8850), new(8200, 8850), new(8200, 9950), new(7000, 9950)]);
        Assert.DoesNotContain(
            sample.Planner.StateOf(sample.Plan, S, Up).Items.Where(item => item.Item.Parent == "block").SelectMany(item => item.Standing),
            shape => Gap.Between(shape, strip).Width < 0
        );
        var offers = sample.Planner.Offers(sample.Plan, "block");
        Assert.All(
            offers.Where(offer => offer.Words.StartsWith("No way", StringComparison.Ordinal)),
            offer => Assert.Equal("No way kept from Stair", offer.Words)
        );
    }

    /// <summary>A foyer with the entrance, a hall behind it that is entered through a plain door, another room behind that.</summary>
    [Theory]
    [InlineData(SeatingStyle.Rounds)]
    [InlineData(SeatingStyle.Rows)]
    public void Into_a_hall_behind_a_foyer_the_way_from_the_plain_door_is_kept(SeatingStyle style)
    {
        var sample = new Sample().Room(22_000, 10_000).Door(along: 2000);
        foreach (var (id, x) in new[] { ("p", 5000.0), ("q", 18_000) })
        {
            sample.Do(new DrawWalls(id, L, new(x, 0), [new(new(x, 10_000))], false, "Stud 100"));
            var wall = sample.Plan.All<Wall>().First(w => w.Id.StartsWith(id, StringComparison.Ordinal)).Id;
            sample.Do(
                new PutOpening(
                    new Opening($"door-{id}", wall, OpeningKind.SingleDoor, 5000, 1000, 0, 2100, 0, OpeningMark.None, false, true, "")
                )
            );
        }
        var rooms = sample.State.Space.Rooms.Select(room => room.Room.Id).ToArray();
        Assert.Equal(3, rooms.Length);
        var hall = sample.State.Space.RoomAt(new(11_000, 5000))!.Room.Id;
        sample.Do(Fill(style, 600) with { Thing = ((SeatingBlock)Fill(style, 600).Thing) with { LevelId = L }, RoomIds = [hall] });
        Assert.DoesNotContain(sample.State.Walkways.Ways, way => !way.Holds);
        Assert.True(sample.Plan.OfScheme<Item>(S).Count(item => item.Parent == "block") >= 5);
        foreach (var (from, to) in ((double, double)[])[(5100, 6300), (16_700, 17_900)])
        {
            var strip = Convex.Polygon([new(from, 4450), new(to, 4450), new(to, 5550), new(from, 5550)]);
            Assert.DoesNotContain(
                sample.State.Items.Where(item => item.Item.Parent == "block").SelectMany(item => item.Standing),
                shape => Gap.Between(shape, strip).Width < 0
            );
        }
    }
}
