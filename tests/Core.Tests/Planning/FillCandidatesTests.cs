using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.KindsOfThing.SeatingBlocks;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Walkways;

namespace Wellsedes.Core.Tests.Planning;

/// <summary>What may be put into an area is tried out: each figure that is told is what the plan tells once it is taken.</summary>
public sealed class FillCandidatesTests
{
    private const string L = PlanStart.LevelId;
    private const string S = PlanStart.SchemeId;

    private static SeatingBlock Block(SeatingStyle style) =>
        ((SeatingBlock)SeatingBlock.Kind.Make("block", L, S, new Point(0, 0))).As(style);

    private static Sample Hall() =>
        new Sample().Room(18_000, 12_000).Door().Place("stage", "stage-deck-2x1", 9000, 11_000).Place("buffet", "buffet-1830", 1200, 6000);

    private static FillCandidate[] Of(Sample sample, SeatingBlock block, bool judged = true)
    {
        var found = sample.Planner.Candidates(sample.Plan, new PutOverRooms(block, ["room"]) { Sure = true }, judged, out var problem);
        Assert.Null(problem);
        return [.. found];
    }

    public static TheoryData<SeatingStyle, WaysKept> Asked
    {
        get
        {
            var data = new TheoryData<SeatingStyle, WaysKept>();
            foreach (var style in Enum.GetValues<SeatingStyle>())
                data.Add(style, WaysKept.FromDoors);
            foreach (var style in (SeatingStyle[])[SeatingStyle.Rounds, SeatingStyle.Rows, SeatingStyle.UShape])
                data.Add(style, WaysKept.Drawn);
            return data;
        }
    }

    [Theory]
    [MemberData(nameof(Asked))]
    public void What_is_told_of_each_is_what_the_plan_tells_once_it_is_taken(SeatingStyle style, WaysKept ways)
    {
        var sample = Hall();
        foreach (var one in Of(sample, Block(style) with { Ways = ways, Guests = 40 }))
        {
            var taken = Hall();
            taken.Do(one.Edit);
            var ids = taken.Plan.OfScheme<Item>(S).Where(item => item.Parent == "block").Select(item => item.Id).ToHashSet();
            Assert.Equal(one.Tables, ids.Count);
            Assert.Equal(one.Seats, taken.State.Items.Where(item => ids.Contains(item.Item.Id)).Sum(item => item.Form.Seats.Length));
            Way[] own = [.. taken.State.Walkways.Ways.Where(way => ids.Contains(way.Target.OwnerId))];
            Way[] exits = [.. taken.State.Walkways.Ways.Where(way => way.Target.Kind == TargetKind.Exit)];
            Assert.Equal(own.Concat(exits).Count(way => !way.Holds), one.Unreached);
            if (own.Length == 0)
                Assert.Null(one.Narrowest);
            else
                // Places are whole thousandths; ways as wide but for these may be taken for one another.
                Assert.Equal(own.Min(way => way.Width), one.Narrowest!.Value, 1e-3);
        }
    }

    [Theory]
    [InlineData(SeatingStyle.Rounds, WaysKept.Drawn)]
    [InlineData(SeatingStyle.Rounds, WaysKept.FromDoors)]
    [InlineData(SeatingStyle.Cafe, WaysKept.FromDoors)]
    [InlineData(SeatingStyle.LongTables, WaysKept.Drawn)]
    [InlineData(SeatingStyle.Rows, WaysKept.Drawn)]
    [InlineData(SeatingStyle.CurvedRows, WaysKept.Drawn)]
    public void Three_to_five_that_differ_are_offered_neat_ones_first_of_as_many_seats(SeatingStyle style, WaysKept ways)
    {
        var all = Of(Hall(), Block(style) with { Ways = ways });
        Assert.InRange(all.Length, 3, 5);
        Assert.Equal(all.Length, all.Select(one => one.TablesDrawn).Distinct().Count());
        Assert.Equal(all.Length, all.Select(one => one.Words).Distinct().Count());
    }

    [Fact]
    public void Dense_ones_are_offered_only_when_asked_for_after_the_neat_ones_and_never_fewer()
    {
        var neat = Of(Hall(), Block(SeatingStyle.Rounds));
        Assert.DoesNotContain(neat, one => one.Words.StartsWith("Dense", StringComparison.Ordinal));
        var all = Of(Hall(), Block(SeatingStyle.Rounds) with { Layout = BlockLayout.Dense });
        Assert.InRange(all.Length, 3, 5);
        var dense = all.Single(one => one.Words == "Dense");
        Assert.All(neat, one => Assert.True(one.Tables <= dense.Tables));
        Assert.NotEqual(dense, all[0]);
        // What squeezing wins is told: against the fullest that is neat.
        Assert.Equal(dense.Seats - all.Where(one => one.More is null).Max(one => one.Seats), dense.More);
        Assert.InRange(dense.More!.Value, 1, 80);
        Assert.All(all, one => Assert.Equal(one.Words.StartsWith("Dense", StringComparison.Ordinal), one.More is not null));
        Assert.All(neat, one => Assert.Null(one.More));
    }

    /// <summary>Where fewer come than have room one is spread: everybody has a seat, and nobody's next table is nearer than in the others.</summary>
    [Theory]
    [InlineData(SeatingStyle.Rounds)]
    [InlineData(SeatingStyle.HighTables)]
    [InlineData(SeatingStyle.Cafe)]
    [InlineData(SeatingStyle.Exam)]
    public void Where_fewer_come_than_have_room_one_is_spread_over_the_floor(SeatingStyle style)
    {
        const int guests = 24;
        var all = Of(Hall(), Block(style) with { Guests = guests });
        double Nearest(FillCandidate one)
        {
            var taken = Hall();
            taken.Do(one.Edit);
            Point[] places = [.. taken.Plan.OfScheme<Item>(S).Where(item => item.Parent == "block").Select(item => item.Placement.Origin)];
            return places.Min(p => places.Where(q => q != p).Min(q => q.DistanceTo(p)));
        }
        Assert.All(all, one => Assert.Equal(guests, one.Seats + one.Standing));
        var spread = Assert.Single(all, one => one.Words.StartsWith("Spread", StringComparison.Ordinal));
        Assert.Equal(0, spread.Unreached);
        Assert.All(all, one => Assert.True(Nearest(one) <= Nearest(spread) + 1, one.Words));
        Assert.DoesNotContain(Of(Hall(), Block(style)), one => one.Words.StartsWith("Spread", StringComparison.Ordinal));
    }

    /// <summary>What the house has too few of is told with each: of eight chairs at each table.</summary>
    [Fact]
    public void What_the_house_is_short_of_is_told()
    {
        var sample = Hall();
        sample.Do(new SetStock("round-table-1525", 4)).Do(new SetStock("banquet-chair", 30));
        var all = Of(sample, Block(SeatingStyle.Rounds) with { Guests = 48 });
        Assert.All(all.Where(one => one.Seats == 48), one => Assert.Equal(["18 Banquet chair", "2 Round table 1525"], one.Short.Order()));
        Assert.Contains(all, one => one.Seats == 48);
        Assert.All(Of(sample, Block(SeatingStyle.Rounds) with { Guests = 24 }), one => Assert.Empty(one.Short));
    }
}
