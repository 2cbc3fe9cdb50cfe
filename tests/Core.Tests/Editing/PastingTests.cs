using System.Collections.Immutable;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Editing;
using Wellsedes.Core.KindsOfThing.Marks;
using Wellsedes.Core.KindsOfThing.Zones;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Tests.Editing;

/// <summary>Copies go in place, onto other levels and into other schemes and plans, with what they belong to and are made from.</summary>
public sealed class PastingTests
{
    private const string L = PlanStart.LevelId;
    private const string S = PlanStart.SchemeId;

    private static Sample Office()
    {
        var sample = new Sample().Room(20_000, 16_000).Door();
        sample.Place("d", "desk-1600", 4000, 4000, 35).Place("p", "pedestal", 5300, 3900, 35);
        sample.Do(new PlaceItem("m", S, L, "monitor-24", 4000, 4000, 35));
        sample.Do(new MakeCluster("k", ["d", "p", "m"], "Station"));
        sample.Place("t", "round-table-1525", 12_000, 8000);
        return sample.Do(new PutThing(new Zone("z", S, L, 4000, 4000, 0, 5000, 4000, "Team")) { Sure = true });
    }

    private static ImmutableArray<Entity> Of(Sample sample, params string[] ids) => [.. ids.Select(id => sample.Plan.Find(id)!)];

    [Fact]
    public void In_place_on_its_own_level_everything_comes_again_with_ids_and_numbers_of_its_own()
    {
        var sample = Office();
        sample.Do(new Paste("n", S, L, Of(sample, "d", "p", "m", "k", "t", "z")));
        var cluster = sample.Plan.All<Cluster>().Single(one => one.Id != "k");
        var members = sample.Plan.All<Item>().Where(item => item.Parent == cluster.Id).ToDictionary(item => item.Catalogue);
        Assert.Equal(sample.Plan.Find<Item>("d")!.Placement, members["desk-1600"].Placement);
        Assert.Equal(members["desk-1600"].Id, members["monitor-24"].StandsOn);
        Assert.Equal(sample.Plan.Find<Item>("m")!.Elevation, members["monitor-24"].Elevation);
        var tables = sample.Plan.All<Item>().Where(item => item.Catalogue == "round-table-1525").Select(item => item.Label);
        Assert.Equal(["1", "2"], tables.Order());
        Assert.Equal(2, sample.Plan.All<Zone>().Count(zone => zone.Name == "Team"));
        Assert.Null(PlanChecks.OfWhole(sample.Plan));
    }

    [Fact]
    public void Onto_another_level_and_into_another_scheme_moved_by_what_is_typed()
    {
        var sample = Office();
        sample.Do(new PutLevel(new Level("up", "First floor", 3400, 2700))).Do(new AddScheme("other", "Other"));
        sample.Do(new Paste("n", "other", "up", Of(sample, "d", "p", "m", "k"), 1000, -500));
        var desk = sample.Plan.OfScheme<Item>("other").Single(item => item.Catalogue == "desk-1600");
        Assert.Equal(("up", 5000.0, 3500.0, 35.0), (desk.LevelId, desk.X, desk.Y, desk.Rotation));
        Assert.Equal("Station", Assert.Single(sample.Plan.OfScheme<Cluster>("other")).Name);
        Assert.Null(PlanChecks.OfWhole(sample.Plan));
    }

    [Fact]
    public void Into_another_plan_with_the_own_items_it_is_made_from()
    {
        var sample = Office();
        sample.Do(new KeepAsOwn("d", "birch-desk", "Birch desk"));
        var other = new Sample().Room(20_000, 16_000).Door();
        var without = other.Refused(new Paste("n", S, L, Of(sample, "d")));
        Assert.Equal("catalogue", without.Field);
        other.Do(new Paste("n", S, L, Of(sample, "d", "birch-desk")));
        Assert.Equal("birch-desk", Assert.Single(other.Plan.All<Item>()).Catalogue);
        // A second time it brings nothing new.
        other.Do(new Paste("o", S, L, Of(sample, "d", "birch-desk")));
        Assert.Single(other.Plan.All<OwnItem>());
    }

    [Fact]
    public void What_stood_on_something_left_behind_comes_to_the_floor_and_part_of_a_cluster_is_none()
    {
        var sample = Office();
        sample.Do(new Paste("n", S, L, Of(sample, "m"), 3000, 0));
        var monitor = sample.Plan.All<Item>().Single(item => item.Id.StartsWith("n-", StringComparison.Ordinal));
        Assert.Equal((0.0, null, null), (monitor.Elevation, monitor.StandsOn, monitor.Parent));
    }

    [Fact]
    public void What_cannot_be_pasted_is_refused_and_nothing_is_half_done()
    {
        var sample = Office();
        var desk = sample.Plan.Find<Item>("d")!;
        Assert.Equal("entities", sample.Refused(new Paste("n", S, L, [])).Field);
        Assert.Equal("entities", sample.Refused(new Paste("n", S, L, [sample.Plan.Find("room-west")!])).Field);
        Assert.Equal("entities", sample.Refused(new Paste("n", S, L, [desk, desk])).Field);
        Assert.Equal("newId", sample.Refused(new Paste("", S, L, [desk])).Field);
        Assert.Equal("schemeId", sample.Refused(new Paste("n", S, "no-level", [desk])).Field);
        ImmutableArray<Entity> many = [.. Enumerable.Range(0, Paste.Most + 1).Select(i => desk with { Id = $"x{i}" })];
        Assert.Equal("entities", sample.Refused(new Paste("n", S, L, many)).Field);
        Assert.NotNull(sample.Refused(new Paste("n", S, L, [desk with { X = double.NaN }])));
        Assert.NotNull(sample.Refused(new Paste("n", S, L, [new Mark("q", S, L, MarkShape.Text, 0, 0, 0, 10, 10, "")])));
        // A cluster that would hold itself.
        var inside = new Cluster("c1", S, L, "", null, "c2", 0);
        var outside = new Cluster("c2", S, L, "", null, "c1", 0);
        Assert.NotNull(sample.Refused(new Paste("n", S, L, [desk with { Parent = "c1", Slot = 1 }, inside, outside])));
    }

    /// <summary>A row from one copy: the second stands as far from the first, and as turned, as the first from the original.</summary>
    [Fact]
    public void Copied_again_each_stands_to_the_last_as_that_to_the_one_before()
    {
        var sample = Office();
        sample.Do(new DuplicateItems(["t"], ["t1"], 600, 0)).Do(new PutItemAt("t1", 12_000 + 2000, 8000, 30));
        sample.Do(new CopyAgain(["t1"], ["t"], ["t2"])).Do(new CopyAgain(["t2"], ["t1"], ["t3"]));
        var (x, y) = (14_000.0, 8000.0);
        foreach (var (id, turn) in ((string, double)[])[("t2", 60), ("t3", 90)])
        {
            var a = (turn - 30) * Math.PI / 180;
            (x, y) = (x + 2000 * Math.Cos(a), y + 2000 * Math.Sin(a));
            var item = sample.Plan.Find<Item>(id)!;
            Assert.Equal((x, y, turn), (Math.Round(item.X, 6), Math.Round(item.Y, 6), item.Rotation), new Close());
        }
    }

    private sealed class Close : IEqualityComparer<(double, double, double)>
    {
        public bool Equals((double, double, double) a, (double, double, double) b) =>
            Math.Abs(a.Item1 - b.Item1) < 1e-5 && Math.Abs(a.Item2 - b.Item2) < 1e-5 && Math.Abs(a.Item3 - b.Item3) < 1e-6;

        public int GetHashCode((double, double, double) obj) => 0;
    }
}
