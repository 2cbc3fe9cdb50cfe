using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Tests.Editing;

/// <summary>Doors, windows and gaps in their walls. Clear widths are house values, common practice.</summary>
public sealed class OpeningTests
{
    private const string L = PlanStart.LevelId;

    private static Opening New(OpeningKind kind, double width, string id = "o") =>
        new(id, "", kind, 0, width, 0, 2100, 0, OpeningMark.None, false, false, "");

    [Theory]
    [InlineData(OpeningKind.SingleDoor, 1010, 960)]
    [InlineData(OpeningKind.DoubleDoor, 1900, 1800)]
    [InlineData(OpeningKind.SlidingDoor, 1000, 940)]
    [InlineData(OpeningKind.PocketDoor, 900, 840)]
    [InlineData(OpeningKind.FoldingDoor, 1200, 1100)]
    [InlineData(OpeningKind.Gap, 1200, 1200)]
    public void The_clear_width_comes_from_the_leaf(OpeningKind kind, double width, double clear)
    {
        var sample = new Sample().Room(6000, 4000).Do(new SeatOpening(New(kind, width), L, new Point(3000, 50), 200));
        Assert.Equal(clear, sample.Plan.Find<Opening>("o")!.ClearWidth, 6);
    }

    [Fact]
    public void It_seats_itself_in_the_wall_under_the_pointer_on_the_pointers_side()
    {
        var sample = new Sample().Room(6000, 4000);
        sample.Do(new SeatOpening(New(OpeningKind.SingleDoor, 1000), L, new Point(3000, 150), 200));
        var inside = sample.Plan.Find<Opening>("o")!;
        Assert.Equal(("room-south", 3100.0, false), (inside.WallId, inside.Along, inside.SwingsRight));
        sample.Do(new SeatOpening(inside, L, new Point(3000, -250), 200));
        Assert.True(sample.Plan.Find<Opening>("o")!.SwingsRight);
        sample.Do(new SeatOpening(inside, L, new Point(5900, 2000), 200));
        Assert.Equal("room-east", sample.Plan.Find<Opening>("o")!.WallId);
        Assert.Contains("no wall here", sample.Refused(new SeatOpening(inside, L, new Point(3000, 2000), 200)).Message);
    }

    [Fact]
    public void It_keeps_clear_of_corners_and_of_its_neighbours()
    {
        var sample = new Sample().Room(6000, 4000);
        sample.Do(new SeatOpening(New(OpeningKind.SingleDoor, 1000), L, new Point(100, 0), 200));
        // Its edge lies at the inside corner, 100 from the wall's start on the centre line.
        Assert.Equal(600, sample.Plan.Find<Opening>("o")!.Along, 6);
        sample.Do(new SeatOpening(New(OpeningKind.Window, 1000, "w"), L, new Point(1200, 0), 200));
        Assert.Equal(1600, sample.Plan.Find<Opening>("w")!.Along, 6);
    }

    [Theory]
    [InlineData(Stays.Start, 300, 900)]
    [InlineData(Stays.End, 300, 5300)]
    [InlineData(Stays.Middle, 0, 3100)]
    public void It_is_set_by_a_typed_distance_from_either_corner_to_its_edge(Stays corner, double distance, double along)
    {
        var sample = new Sample().Room(6000, 4000).Do(new SeatOpening(New(OpeningKind.SingleDoor, 1000), L, new Point(3000, 0), 200));
        sample.Do(new SetOpeningFrom("o", corner, distance, true));
        Assert.Equal(along, sample.Plan.Find<Opening>("o")!.Along, 6);
    }

    [Fact]
    public void Corners_are_those_of_the_room_not_of_the_wall()
    {
        var sample = new Sample().Room(6000, 4000);
        sample.Do(new DrawWalls("p", L, new(4000, -100), [new(new(4000, 4100))], false, "Stud 100"));
        sample.Do(new SeatOpening(New(OpeningKind.SingleDoor, 1000), L, new Point(5000, 0), 200));
        sample.Do(new SetOpeningFrom("o", Stays.Start, 200, true));
        // The partition's east face lies at x = 4050; the opening's near edge 200 further; its middle 500 on, from the wall's start at -100.
        Assert.Equal(4050 + 200 + 500 + 100, sample.Plan.Find<Opening>("o")!.Along, 6);
        Assert.Contains("corner to corner", sample.Refused(new SetOpeningFrom("o", Stays.Start, 1200, true)).Message);
    }

    [Fact]
    public void Wider_than_its_wall_overlapping_or_past_its_end_is_refused()
    {
        var sample = new Sample().Room(6000, 4000).Door(along: 3000);
        Opening At(double along, double width) =>
            New(OpeningKind.Window, width) with
            {
                WallId = "room-south",
                Along = along,
                Height = 1200,
            };
        Assert.Contains("wide and its wall only", sample.Refused(new PutOpening(At(3000, 7000))).Message);
        Assert.Contains("already there, from 2\u00a0500 mm to 3\u00a0500", sample.Refused(new PutOpening(At(3600, 1000))).Message);
        Assert.Contains("past the end", sample.Refused(new PutOpening(At(6000, 1000))).Message);
        Assert.Contains(
            "larger leaf",
            sample
                .Refused(new PutOpening(New(OpeningKind.DoubleDoor, 1800) with { WallId = "room-north", Along = 3000, MainLeaf = 500 }))
                .Message
        );
    }

    [Fact]
    public void Leaves_sweep_what_they_need()
    {
        var sample = new Sample().Room(8000, 4000);
        void Put(OpeningKind kind, double width, double x, double? leaf = null) =>
            sample.Do(new SeatOpening(New(kind, width, $"o{x}") with { MainLeaf = leaf }, L, new Point(x, 50), 200));
        Put(OpeningKind.DoubleDoor, 1500, 1500, 1000);
        Put(OpeningKind.SlidingDoor, 1000, 4500);
        Put(OpeningKind.FoldingDoor, 1200, 6500);
        var places = sample.State.Space.Openings.ToDictionary(place => place.Opening.Id);
        Assert.Equal([500, 1000], places["o1500"].Swing.Select(s => Math.Round(s.Bounds.Height)).Order());
        // The strip the sliding leaf covers, beside the opening.
        Assert.True(Assert.Single(places["o4500"].Swing).Holds(new Point(3500, 30)));
        // A folded panel stands half the opening deep.
        Assert.Equal(600, Assert.Single(places["o6500"].Swing).Bounds.Height, 6);
    }

    [Fact]
    public void An_opening_in_a_curved_wall_cuts_it()
    {
        var sample = new Sample().Do(new DrawWalls("c", L, new(-3000, 0), [new(new(3000, 0), 3000)], false, "Masonry 200"));
        sample.Do(new SeatOpening(New(OpeningKind.Window, 1500) with { Height = 1200 }, L, new Point(0, 3000), 200));
        var along = sample.Plan.Find<Opening>("o")!.Along;
        Assert.Equal(3000 * Math.PI / 2, along, 1);
        Assert.Contains(sample.State.Space.Pieces, piece => piece.Opening?.Id == "o");
        Assert.DoesNotContain(sample.State.Space.Pieces, piece => piece.Opening is null && piece.Body.Holds(new Point(0, 3000)));
    }
}
