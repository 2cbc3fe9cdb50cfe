using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Tests.Editing.Groups;

/// <summary>Ready-made clusters at every number: nothing in them overlaps, their distances are those typed, and made again they keep their ids.</summary>
public sealed class ReadyClusterTests
{
    private const string L = PlanStart.LevelId;
    private const string S = PlanStart.SchemeId;

    public static TheoryData<string> Kinds() => [.. ReadyClusters.All.Select(kind => kind.Key)];

    private static Sample Hall() => new Sample().Room(40_000, 40_000).Door();

    private static PutReady Of(string kind, int count, double distance, double turn = 0) =>
        new("k", S, L, new ReadyCluster(kind, count, distance), 20_000, 20_000, turn);

    private static Item[] In(Sample sample) => [.. sample.Plan.OfScheme<Item>(S).OrderBy(item => item.Slot)];

    [Theory]
    [MemberData(nameof(Kinds))]
    public void At_every_number_and_turn_nothing_in_it_overlaps(string key)
    {
        var kind = ReadyClusters.Find(key)!;
        for (var count = kind.Least; count <= kind.Most; count++)
            foreach (var distance in (double[])[kind.Distance, kind.MostDistance])
            {
                var sample = Hall().Do(Of(key, count, distance, 5 * (count * 7 % 72)));
                // Some reach out of the hall at their largest.
                Assert.DoesNotContain(sample.State.Overlaps, overlap => overlap.OtherId.StartsWith("k-", StringComparison.Ordinal));
                Assert.InRange(In(sample).Length, 2, 60);
                Assert.All(In(sample), item => Assert.Equal("k", item.Parent));
                Assert.Null(PlanChecks.OfWhole(sample.Plan));
            }
    }

    [Theory]
    [MemberData(nameof(Kinds))]
    public void Made_again_its_leader_stays_and_what_is_in_it_keeps_its_ids(string key)
    {
        var kind = ReadyClusters.Find(key)!;
        var sample = Hall().Do(Of(key, kind.Most, kind.Distance, 35));
        var before = In(sample);
        sample.Do(new MoveItems([.. before.Select(item => item.Id)], 1500, -700));
        var moved = In(sample)[0].Placement;
        if (kind.Least < kind.Most)
            sample.Do(Of(key, kind.Least, kind.Distance)).Do(Of(key, kind.Most, kind.Distance));
        Assert.Equal(moved, In(sample)[0].Placement);
        Assert.Equal(before.Select(item => item.Id).Order(), In(sample).Select(item => item.Id).Order());
        foreach (var (one, other) in before.Zip(In(sample)))
            Assert.InRange((one.Placement.Origin + new Point(1500, -700)).DistanceTo(other.Placement.Origin), 0, 1e-6);
    }

    /// <summary>The distance of conversation is from the front of the sofa to the fronts of the chairs; measured on the shapes.</summary>
    [Fact]
    public void The_distances_are_those_that_were_typed()
    {
        double Between(string kind, int count, double distance, int one, int other)
        {
            var sample = Hall().Do(Of(kind, count, distance));
            var items = In(sample).Select(item => sample.State.Items.Single(placed => placed.Item.Id == item.Id)).ToArray();
            return items[one].Solids.Min(a => items[other].Solids.Min(b => Gap.Between(a, b).Width));
        }
        Assert.Equal(2150, Between("sofa-group", 1, 2150, 0, 2), 1);
        // The board stands on feet within its box.
        Assert.InRange(Between("meeting-table", 8, 1800, 0, 1), 1800, 1804);
        Assert.Equal(120, Between("bed-and-sides", 2, 120, 0, 1), 1);
        Assert.Equal(700, Between("workstation", 2, 700, 2, 3), 1);
    }

    [Fact]
    public void A_dining_set_takes_its_diners_and_its_rug_lies_beneath()
    {
        for (var diners = 2; diners <= 14; diners++)
        {
            var sample = Hall().Do(Of("dining-set", diners, 700));
            Assert.Equal(diners, sample.State.Tally.Seats);
            var (table, rug) = (In(sample)[0], In(sample)[1]);
            Assert.Equal((table.Width + 1400, table.Depth + 1400), (rug.Width, rug.Depth));
        }
    }

    [Fact]
    public void Twenty_four_workstations_come_from_one_cluster_and_a_mirrored_one_stays_mirrored_when_made_again()
    {
        var sample = Hall().Do(new PutReady("k", S, L, new ReadyCluster("workstation", 1, 100), 8000, 8000));
        sample.Do(
            new RepeatItems(
                "r",
                [.. In(sample).Select(item => item.Id)],
                new RepeatFigures(Columns: 6, Rows: 4, ColumnGap: 0, BackGap: 100, RowGap: 1600)
            )
        );
        Assert.Equal(24, sample.State.Tally.Workstations);
        Assert.Empty(sample.State.Overlaps);
        var other = Hall().Do(Of("workstation", 1, 100));
        other.Do(new MirrorItems([.. In(other).Select(item => item.Id)], Mirror.LeftRight)).Do(Of("workstation", 2, 100));
        Assert.True(In(other)[2].X < In(other)[0].X);
        Assert.All(In(other), item => Assert.True(item.Mirrored));
    }

    [Theory]
    [InlineData("ready", "no-such", 1, 100)]
    [InlineData("count", "workstation", 0, 100)]
    [InlineData("count", "workstation", 1_000_000, 100)]
    [InlineData("distance", "sofa-group", 2, 10)]
    [InlineData("distance", "sofa-group", 2, 1e8)]
    public void What_cannot_be_made_is_refused_by_its_field(string field, string kind, int count, double distance)
    {
        var problem = Hall().Refused(Of(kind, count, distance));
        Assert.Equal(field, problem.Field);
    }
}
