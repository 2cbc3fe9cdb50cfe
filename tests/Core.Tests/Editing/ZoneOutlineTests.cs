using System.Collections.Immutable;
using Wellsedes.Core.Capacity;
using Wellsedes.Core.Drawings;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.KindsOfThing.Fittings;
using Wellsedes.Core.KindsOfThing.Zones;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Tests.Editing;

/// <summary>Zones drawn by their corners and made of rooms: what they count, how they follow walls, how they lie in each other.</summary>
public sealed class ZoneOutlineTests
{
    private const string L = PlanStart.LevelId;
    private const string S = PlanStart.SchemeId;

    private static Zone Of(string id, string name, params ReadOnlySpan<ImmutableArray<Point>> rings) =>
        new(id, S, L, 0, 0, 0, 4000, 4000, name, Shape: new ZoneShape([.. rings], []));

    private static ImmutableArray<Point> Box(double x, double y, double width, double depth) =>
        [new(x, y), new(x + width, y), new(x + width, y + depth), new(x, y + depth)];

    private static ImmutableArray<Point> Ring(params double[] figures) => [.. figures.Chunk(2).Select(pair => new Point(pair[0], pair[1]))];

    /// <summary>An L of 8 x 6 m less 5 x 3 m.</summary>
    private static readonly ImmutableArray<Point> Ell =
    [
        new(0, 0),
        new(8000, 0),
        new(8000, 3000),
        new(3000, 3000),
        new(3000, 6000),
        new(0, 6000),
    ];

    private static AreaFigures Figures(Sample sample, string id) => sample.State.Level.Areas.Single(area => area.ThingId == id);

    [Fact]
    public void A_drawn_zone_has_the_area_of_its_outline_and_counts_what_has_its_middle_in_it()
    {
        var sample = new Sample().Room(10_000, 8000).Door();
        sample.Do(new PutThing(Of("z", "Corner", Ell)));
        var zone = sample.Plan.Find<Zone>("z")!;
        Assert.Equal((4000, 3000, 8000, 6000), (zone.X, zone.Y, zone.Width, zone.Depth));
        Assert.Equal(33, Figures(sample, "z").Area, 9);
        sample.Place("in", "armchair", 1500, 4500).Place("out", "armchair", 5500, 4500).Place("also", "armchair", 6000, 1500);
        Assert.Equal(2, Figures(sample, "z").Seats);
        Assert.Equal(["also", "in"], Selecting.Of(sample.State, "in", SelectAll.OfZone));
    }

    /// <summary>Typed sizes stretch an outline; moving it takes its corners along; turned it counts what is in it as it lies.</summary>
    [Fact]
    public void It_is_moved_turned_and_sized_as_one()
    {
        var sample = new Sample().Room(20_000, 16_000);
        sample.Do(new PutThing(Of("z", "Corner", Ell)));
        Zone Now() => sample.Plan.Find<Zone>("z")!;
        sample.DoAndUndo(new MoveThings(["z"], 1000, 500));
        Assert.Equal((new Point(1000, 500), new Point(9000, 3500)), (Now().Areas()[0].Outline[0], Now().Areas()[0].Outline[2]));
        sample.DoAndUndo(new PutThing(Now() with { Width = 4000 }));
        Assert.Equal(16.5, Figures(sample, "z").Area, 9);
        Assert.Equal(4000, Now().Width, 9);
        sample.DoAndUndo(new PutThing(Now() with { Rotation = 35 }));
        Assert.Equal(16.5, Figures(sample, "z").Area, 9);
        Assert.True(Now().Marks(Now().Placement.Out(new Point(-1500, 2000))));
        Assert.False(Now().Marks(Now().Placement.Out(new Point(1500, 2000))));
    }

    [Fact]
    public void A_zone_that_makes_no_sense_is_refused()
    {
        var sample = new Sample().Room(10_000, 8000);
        void Refused(Zone zone, string says)
        {
            var problem = sample.Refused(new PutThing(zone));
            Assert.Equal("shape", problem.Field);
            Assert.Contains(says, problem.Message);
        }
        Refused(Of("z", "Z", Ring(0, 0, 4000, 4000, 4000, 0, 0, 4000)), "crosses itself: side 1 and side 3");
        Refused(Of("z", "Z", Ring(0, 0, 4000, 0)), "from 3 to 200 corners; 2 were given");
        Refused(Of("z", "Z", Ring(0, 0, 4000, 0, 2000, 0)), "holds no area");
        Refused(Of("z", "Z", Enumerable.Range(0, 300).Select(i => Point.At(i) * 3000).ToImmutableArray()), "300 were given");
        Refused(Of("z", "Z"), "from 1 to 40 pieces");
    }

    [Fact]
    public void A_zone_of_rooms_has_their_areas_and_follows_their_walls()
    {
        var sample = new Sample().Room(8000, 6000);
        sample.Do(new DrawWalls("p", L, new(4000, -100), [new(new(4000, 6100))], false, "Stud 100"));
        var side = sample.State.Space.Rooms.Single(room => !room.Named).Room;
        sample.Do(new NameRoom("side", "Side", "", "", null, L, side.X, side.Y));
        var gross = sample.State.Space.Rooms.Sum(room => room.GrossInternal);
        sample.Do(new PutOverRooms(new Zone("z", S, L, 0, 0, 0, 4000, 4000, "Both"), ["room", "side"]));
        Assert.Equal(gross, Figures(sample, "z").Area, 6);
        Assert.Equal(2, sample.Plan.Find<Zone>("z")!.Shape!.Rings.Length);
        // The partition moves and the rooms with it; so does an outside wall.
        sample.DoAndUndo(new MoveWall("p-1", 700, 0));
        Assert.Equal(sample.State.Space.Rooms.Sum(room => room.GrossInternal), Figures(sample, "z").Area, 6);
        sample.DoAndUndo(new MoveWall("room-east", 1000, 0));
        var now = sample.State.Space.Rooms.Sum(room => room.GrossInternal);
        Assert.Equal(gross + 6, now, 6);
        Assert.Equal(now, Figures(sample, "z").Area, 6);
        // Of one room, and then of one that is gone: as it was last.
        sample.Do(new PutOverRooms(new Zone("one", S, L, 0, 0, 0, 4000, 4000, "One"), ["side"]));
        sample.DoAndUndo(new Remove(["p-1"]));
        Assert.Empty(sample.Plan.Find<Zone>("one")!.Shape!.Rooms.Where(id => sample.State.Space.Rooms.All(room => room.Room.Id != id)));
        Assert.Equal("roomIds", sample.Refused(new PutOverRooms(new Zone("y", S, L, 0, 0, 0, 1, 1, "Y"), [])).Field);
        Assert.Equal("roomIds", sample.Refused(new PutOverRooms(new Zone("y", S, L, 0, 0, 0, 1, 1, "Y"), ["nowhere"])).Field);
    }

    [Fact]
    public void Moved_by_hand_it_follows_its_rooms_no_longer()
    {
        var sample = new Sample().Room(8000, 6000);
        sample.Do(new PutOverRooms(new Zone("z", S, L, 0, 0, 0, 4000, 4000, "Room"), ["room"]));
        Assert.Equal(["room"], sample.Plan.Find<Zone>("z")!.Shape!.Rooms);
        // Its brief may change without that.
        sample.Do(new PutThing(sample.Plan.Find<Zone>("z")! with { Seats = 4 }));
        Assert.Equal(["room"], sample.Plan.Find<Zone>("z")!.Shape!.Rooms);
        sample.Do(new MoveThings(["z"], 100, 0));
        Assert.Empty(sample.Plan.Find<Zone>("z")!.Shape!.Rooms);
        sample.Do(new MoveWall("room-east", 1000, 0));
        Assert.Equal(48, Figures(sample, "z").Area, 6);
    }

    /// <summary>A copy stands by itself: repeated on a grid, pasted, it stays where it was put when the rooms of the first change.</summary>
    [Fact]
    public void Copies_of_a_zone_of_rooms_follow_nothing()
    {
        var sample = new Sample().Room(8000, 6000);
        sample.Do(new PutOverRooms(new Zone("z", S, L, 0, 0, 0, 4000, 4000, "Room"), ["room"]));
        sample.Do(new RepeatThing("z", "grid", 2, 1, 20_000, 0));
        var clip = sample.Plan.Find<Zone>("z")!;
        sample.Do(new Paste("pasted", S, L, [clip], 0, 30_000));
        sample.Do(new MoveWall("room-east", 1000, 0));
        Assert.Equal(54, Figures(sample, "z").Area, 6);
        foreach (var copy in sample.Plan.All<Zone>().Where(zone => zone.Id != "z"))
        {
            Assert.Equal(48, Figures(sample, copy.Id).Area, 6);
            Assert.Empty(copy.Shape!.Rooms);
        }
        Assert.Equal(3, sample.Plan.All<Zone>().Count());
    }

    [Fact]
    public void Zones_lie_in_each_other_and_both_count()
    {
        var sample = new Sample().Room(12_000, 9000).Door().Place("a", "armchair", 2000, 2000).Place("b", "armchair", 8000, 6000);
        sample.Do(new PutThing(Of("whole", "Studio", Box(0, 0, 12_000, 9000))));
        sample.Do(new PutThing(Of("front", "Front", Box(500, 500, 5000, 4000))));
        sample.Do(new PutThing(Of("corner", "Corner", Box(1000, 1000, 2000, 2000))));
        Assert.Equal((2, 1, 1), (Figures(sample, "whole").Seats, Figures(sample, "front").Seats, Figures(sample, "corner").Seats));
        Assert.Equal(
            (null, "whole", "front"),
            (Figures(sample, "whole").Within, Figures(sample, "front").Within, Figures(sample, "corner").Within)
        );
        // Two alike do not lie in each other.
        sample.Do(new PutThing(Of("twin", "Twin", Box(0, 0, 12_000, 9000))));
        Assert.NotEqual("whole" == Figures(sample, "twin").Within, "twin" == Figures(sample, "whole").Within);
    }

    /// <summary>Common practice: a lead reaches 1.5 m from its socket.</summary>
    [Fact]
    public void Places_with_power_are_those_within_a_lead_of_a_socket()
    {
        var sample = new Sample().Room(12_000, 9000).Door().Place("near", "desk-1400", 2000, 2000).Place("far", "desk-1400", 8000, 6000);
        var brief = sample.Plan.OfScheme<Brief>(S).Single();
        sample.Do(new SetBrief(brief with { WithPower = 2 }));
        int Has() => (int)sample.State.Tally.Further.Single(line => line.What == "withPower").Has;
        Assert.Equal(0, Has());
        // The desk reaches from x 1300 to 2700: a socket at 4200 is just in reach, one a hair farther is not.
        sample.Do(new PutThing(new Fitting("s", L, FittingKind.Socket, 4200, 2000, 0, 80, 80, 80)));
        Assert.Equal(1, Has());
        Assert.Equal(["near"], Selecting.Counted(sample.State, "withPower"));
        sample.Do(new MoveThings(["s"], 0.2, 0));
        Assert.Equal(0, Has());
        sample.Do(new PutThing(new Fitting("s2", L, FittingKind.Socket, 8000, 5000, 0, 80, 80, 80)));
        Assert.Equal(1, Has());
        sample.Do(new PutThing(Of("z", "Front", Box(0, 0, 5000, 5000)) with { WithPower = 1 }));
        Assert.Contains(sample.State.Findings, finding => finding.Title == "Front: places with power: 0 set, 1 asked");
        Assert.Equal("withPower", sample.Refused(new SetBrief(brief with { WithPower = -1 })).Field);
    }

    [Fact]
    public void A_floor_is_laid_in_its_outline()
    {
        var sample = new Sample().Room(10_000, 8000);
        sample.Do(new PutThing(Of("z", "Corner", Ell)));
        sample.Do(new PutFinish(new Finish("f", S, FinishOf.Zone, "z", FinishPattern.Plain, "#DFE9E1")));
        var laid = Assert.Single(Finishes.OfShell(sample.Plan, S, sample.State.Space));
        var ring = laid.Fill.Runs(1).Single().Points;
        Assert.Equal(33e6, Math.Abs(Region.SignedArea(ring)), 3);
    }
}
