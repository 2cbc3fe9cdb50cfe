using Wellsedes.Core.Arranging;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Tests.Editing;

/// <summary>Boundaries are moved, stretched, bent and typed as walls are.</summary>
public sealed class BoundaryEditingTests
{
    private const string L = PlanStart.LevelId;

    /// <summary>A room of 8 000 x 5 000 with a boundary across it at 3 000, from wall to wall.</summary>
    private static Sample Split() =>
        new Sample().Room(8000, 5000).Door().Do(new DrawBoundary("b", L, new(3000, -100), [new(new(3000, 5100))], false));

    /// <summary>A terrace of 4 000 x 3 000 without walls.</summary>
    private static Sample Terrace() => new Sample().Do(new MakeRoom("t", L, "Terrace", 4000, 3000, 0, 2700, Outline: true));

    private static double[] Areas(Sample sample) => [.. sample.State.Space.Rooms.Select(room => Math.Round(room.NetInternal, 3)).Order()];

    [Fact]
    public void One_between_two_walls_moves_square_to_itself_and_its_ends_stay_at_the_walls()
    {
        var sample = Split();
        Assert.Equal([15, 25], Areas(sample));
        sample.Do(new MoveBoundary("b-1", 500, 700));
        var line = sample.Plan.Find<Boundary>("b-1")!;
        Assert.Equal((new Point(3500, -100), new Point(3500, 5100)), (line.Start, line.End));
        Assert.Equal([17.5, 22.5], Areas(sample));
    }

    [Fact]
    public void Its_distance_from_the_walls_either_side_is_told_and_typed()
    {
        var sample = Split();
        var told = Planner.WallsAroundOf(sample.State, "b-1").ToDictionary(ahead => ahead.Side, ahead => Math.Round(ahead.Distance, 6));
        Assert.Equal(2, told.Count);
        Assert.Equal((3000, 5000), (told[PlanSide.West], told[PlanSide.East]));
        sample.Do(new PutFromWall("b-1", PlanSide.East, 4200));
        Assert.Equal(3800, sample.Plan.Find<Boundary>("b-1")!.Start.X, 6);
        Assert.Contains("0 or more", sample.Refused(new PutFromWall("b-1", PlanSide.East, -1)).Message);
        Assert.Contains("no wall to the north", sample.Refused(new PutFromWall("b-1", PlanSide.North, 900)).Message);
    }

    [Fact]
    public void An_oblique_one_slides_along_the_walls_it_ends_at()
    {
        var sample = new Sample().Room(8000, 5000).Do(new DrawBoundary("b", L, new(3000, 0), [new(new(4000, 5000))], false));
        sample.Do(new MoveBoundary("b-1", 1000, 0));
        var line = sample.Plan.Find<Boundary>("b-1")!;
        Assert.Equal(0, line.Start.Y, 6);
        Assert.Equal(5000, line.End.Y, 6);
        Assert.Equal(4000, line.Start.X, 6);
        Assert.Equal(5000, line.End.X, 6);
    }

    [Fact]
    public void The_side_of_a_terrace_takes_its_neighbours_along_and_the_name_stays()
    {
        var sample = Terrace();
        Assert.Equal([12], Areas(sample));
        var east = sample.Plan.All<Boundary>().Single(b => b.Start.X == 4000 && b.End.X == 4000);
        sample.Do(new MoveBoundary(east.Id, 1000, 300));
        Assert.Equal([15], Areas(sample));
        Assert.Equal("Terrace", Assert.Single(sample.State.Space.Rooms).Room.Name);
    }

    [Fact]
    public void A_typed_length_takes_the_side_across_along()
    {
        var sample = Terrace();
        var south = sample.Plan.All<Boundary>().Single(b => b.Start.Y == 0 && b.End.Y == 0);
        sample.Do(new SetBoundaryLength(south.Id, 5500, south.Start.X < south.End.X ? Stays.Start : Stays.End));
        Assert.Equal([16.5], Areas(sample));
        Assert.All(sample.Plan.All<Boundary>(), b => Assert.True(b.Start.X == b.End.X || b.Start.Y == b.End.Y));
        sample.Do(new SetBoundaryLength(south.Id, 5000, Stays.Middle));
        Assert.Equal([15], Areas(sample));
    }

    [Fact]
    public void A_corner_moves_what_meets_there_and_a_bend_is_made_and_taken_back()
    {
        var sample = Terrace();
        var south = sample.Plan.All<Boundary>().Single(b => b.Start.Y == 0 && b.End.Y == 0);
        sample.Do(new MoveBoundaryEnd(south.Id, true, south.Start + new Point(0, -1000)));
        Assert.Equal([14], Areas(sample));
        sample.Do(new MoveBoundaryEnd(south.Id, true, south.Start));
        sample.Do(new BowBoundary(south.Id, new(2000, -500)));
        Assert.True(Areas(sample)[0] > 13);
        sample.Do(new BowBoundary(south.Id, new(2000, 0)));
        Assert.Equal([12], Areas(sample));
    }

    [Fact]
    public void What_cannot_be_is_refused_and_says_why()
    {
        var sample = Terrace();
        var south = sample.Plan.All<Boundary>().Single(b => b.Start.Y == 0 && b.End.Y == 0);
        Assert.Contains("no longer there", sample.Refused(new MoveBoundary("nothing", 1, 1)).Message);
        Assert.Contains("no figure", sample.Refused(new MoveBoundary(south.Id, double.NaN, 1)).Message);
        Assert.Contains("left with no length", sample.Refused(new MoveBoundaryEnd(south.Id, true, south.End)).Message);
        Assert.NotNull(sample.Refused(new MoveBoundary(south.Id, 0, 1e9)));
        Assert.Contains("cannot bend", sample.Refused(new BowBoundary(south.Id, new(2000, -1e6))).Message);
        Assert.NotNull(sample.Refused(new SetBoundaryLength(south.Id, 1)));
    }
}
