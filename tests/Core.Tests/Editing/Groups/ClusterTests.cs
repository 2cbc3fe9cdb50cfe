using System.Collections.Immutable;
using Wellsedes.Core.Arranging;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Tests.Editing.Groups;

/// <summary>Clusters: put together, nested, copied, repeated, mirrored, released; nothing of them is lost on the way.</summary>
public sealed class ClusterTests
{
    private const string L = PlanStart.LevelId;
    private const string S = PlanStart.SchemeId;

    private static Sample Station()
    {
        var sample = new Sample().Room(20_000, 16_000).Door();
        sample.Place("d", "corner-desk-1600", 4000, 4000).Place("p", "pedestal", 5200, 3500, 90).Place("c", "cupboard-1000", 4000, 5600);
        return sample.Do(new MakeCluster("k", ["d", "p", "c"], "Station"));
    }

    private static Item[] In(Sample sample, string id) =>
        [.. sample.Plan.OfScheme<Item>(S).Where(item => item.Parent == id).OrderBy(item => item.Slot)];

    private static ImmutableArray<string> All(Sample sample) => [.. sample.Plan.OfScheme<Item>(S).Select(item => item.Id)];

    [Fact]
    public void The_largest_leads_and_releasing_leaves_everything_where_it_is()
    {
        var sample = Station();
        Assert.Equal(["d", "p", "c"], In(sample, "k").Select(item => item.Id));
        var before = In(sample, "k").Select(item => item.Placement).ToArray();
        sample.Do(new Release(["k"]));
        Assert.Null(sample.Plan.Find("k"));
        Assert.Equal(before, new[] { "d", "p", "c" }.Select(id => sample.Plan.Find<Item>(id)!.Placement));
        Assert.All(sample.Plan.OfScheme<Item>(S), item => Assert.Equal((null, null), (item.Parent, item.Slot)));
    }

    [Fact]
    public void A_repeat_of_a_cluster_has_every_member_as_the_first_is_and_nests()
    {
        var sample = Station();
        sample.Do(new RepeatItems("r", ["d", "p", "c"], new RepeatFigures(Columns: 3, Rows: 2, ColumnPitch: 4000, RowPitch: 5000)));
        Assert.Equal(18, sample.Plan.OfScheme<Item>(S).Count());
        Assert.Equal(6, sample.Plan.All<Cluster>().Count());
        Assert.All(sample.Plan.All<Cluster>(), cluster => Assert.Equal("Station", cluster.Name));
        foreach (var cluster in sample.Plan.All<Cluster>())
        {
            var (column, row) = (cluster.Slot!.Value % 3, cluster.Slot!.Value / 3);
            foreach (var (one, first) in In(sample, cluster.Id).Zip(In(sample, "k")))
            {
                Assert.Equal(first.X + 4000 * column, one.X, 6);
                Assert.Equal(first.Y + 5000 * row, one.Y, 6);
                Assert.Equal((first.Catalogue, first.Rotation), (one.Catalogue, one.Rotation));
            }
        }
        sample.Do(new RepeatItems("rr", All(sample), new RepeatFigures(RepeatForm.Ring, Columns: 2, Radius: 30_000)) { Sure = true });
        Assert.Equal(36, sample.Plan.OfScheme<Item>(S).Count());
        Assert.Equal(2, sample.Plan.All<Repeat>().Count(repeat => repeat.Parent == "rr"));
        Assert.Null(PlanChecks.OfWhole(sample.Plan));
    }

    [Fact]
    public void Moving_and_turning_a_member_moves_only_it_and_its_repeat_remembers()
    {
        var sample = Station();
        sample.Do(new RepeatItems("r", ["d", "p", "c"], new RepeatFigures(Columns: 3, ColumnPitch: 4000)));
        var second = sample.Plan.All<Cluster>().Single(cluster => cluster.Slot == 1);
        ImmutableArray<string> ids = [.. In(sample, second.Id).Select(item => item.Id)];
        sample.Do(new MoveItems(ids, 0, 700)).Do(new RotateItems(ids, 90));
        sample.Do(new SetRepeat("r", new RepeatFigures(ColumnPitch: 4500)));
        var single = Assert.Single(sample.Plan.Find<Repeat>("r")!.Singles);
        Assert.Equal((1, 90.0), (single.Slot, single.Rotation));
        var third = sample.Plan.All<Cluster>().Single(cluster => cluster.Slot == 2);
        Assert.Equal(4000.0 + 9000, In(sample, third.Id)[0].X, 6);
    }

    [Fact]
    public void What_loses_all_but_one_member_is_no_cluster_any_more_and_an_empty_repeat_goes()
    {
        var sample = Station();
        sample.Do(new Remove(["p"]));
        Assert.NotNull(sample.Plan.Find("k"));
        sample.Do(new Remove(["c"]));
        Assert.Null(sample.Plan.Find("k"));
        Assert.Null(sample.Plan.Find<Item>("d")!.Parent);
        sample.Do(new RepeatItems("r", ["d"], new RepeatFigures(Columns: 2, ColumnPitch: 3000)));
        sample.Do(new Remove(All(sample)));
        Assert.Empty(sample.Plan.All<Repeat>());
    }

    [Fact]
    public void Copies_of_a_whole_cluster_are_a_cluster_and_of_a_part_are_not()
    {
        var sample = Station();
        sample.Do(new DuplicateItems(["d", "p", "c"], ["d2", "p2", "c2"], 6000, 0));
        var copy = Assert.Single(sample.Plan.All<Cluster>(), cluster => cluster.Id != "k");
        Assert.Equal(["d2", "p2", "c2"], In(sample, copy.Id).Select(item => item.Id));
        sample.Do(new DuplicateItems(["d", "p"], ["d3", "p3"], 0, 6000));
        Assert.Null(sample.Plan.Find<Item>("d3")!.Parent);
        sample.Do(new RepeatItems("r", ["d2", "p2", "c2"], new RepeatFigures(Columns: 2, ColumnPitch: 4000)));
        var members = sample.Plan.OfScheme<Item>(S).Where(item => item.X > 9000).Select(item => item.Id).ToArray();
        sample.Do(new DuplicateItems([.. members], [.. members.Select((_, i) => $"n{i}")], 0, 8000));
        var repeat = Assert.Single(sample.Plan.All<Repeat>(), one => one.Id != "r");
        Assert.Equal(sample.Plan.Find<Repeat>("r")!.Y + 8000, repeat.Y, 6);
        Assert.Null(PlanChecks.OfWhole(sample.Plan));
    }

    /// <summary>Of two clusters lined up, spaced or turned each moves as one: the places of all in it to its leader stay.</summary>
    [Fact]
    public void Lined_up_spaced_and_turned_a_cluster_stays_what_it_is()
    {
        var sample = Station();
        sample.Do(new DuplicateItems(["d", "p", "c"], ["d2", "p2", "c2"], 7000, 900)).Do(new RotateItems(["d2", "p2", "c2"], 20));
        var all = ImmutableArray.Create("d", "p", "c", "d2", "p2", "c2");
        var before = Seen();
        sample.Do(new LineUp(all, LineUpBy.LevelMiddles, "d"));
        sample.Do(new MatchRotation(all, "d")).Do(new SetAlong(all, [new Point(3000, 9000), new Point(15_000, 9000)]));
        sample.Do(new FaceItems(all, new Point(9000, 3000)));
        Assert.Equal(before, Seen());
        Assert.Equal((3000.0, 9000.0), (sample.Plan.Find<Item>("d")!.X, sample.Plan.Find<Item>("d")!.Y));
        Assert.Equal((15_000.0, 9000.0), (sample.Plan.Find<Item>("d2")!.X, sample.Plan.Find<Item>("d2")!.Y));
        Assert.Equal(2, sample.Plan.All<Cluster>().Count());

        // Where each stands as its leader sees it, to a thousandth.
        string Seen() =>
            string.Join(
                "; ",
                new[] { ("d", "p"), ("d", "c"), ("d2", "p2"), ("d2", "c2") }.Select(pair =>
                {
                    var seen = sample.Plan.Find<Item>(pair.Item1)!.Placement.Seen(sample.Plan.Find<Item>(pair.Item2)!.Placement);
                    return $"{Math.Round(seen.X, 3) + 0.0} {Math.Round(seen.Y, 3) + 0.0} {Math.Round((seen.Rotation + 720) % 360, 3)}";
                })
            );
    }

    [Fact]
    public void Nothing_holds_itself_and_a_part_is_not_taken_for_the_whole()
    {
        var sample = Station();
        Assert.Contains("part", sample.Refused(new MakeCluster("k2", ["d", "p"])).Message);
        sample.Place("x", "pedestal", 9000, 9000);
        sample.Do(new MakeCluster("outer", ["d", "p", "c", "x"]));
        Assert.Equal("outer", sample.Plan.Find<Cluster>("k")!.Parent);
        Assert.Equal("ids", sample.Refused(new MakeCluster("alone", ["x"])).Field);
        var ring = Plan.Of(
            sample.Plan.Entities.Values.Select(entity =>
                entity is Cluster { Id: "outer" } outer ? outer with { Parent = "k", Slot = 9 } : entity
            ),
            sample.Plan.Library
        );
        Assert.Contains("hold itself", PlanChecks.OfWhole(ring)!.Value.Problem.Message);
        sample.Do(new Release(["k"]));
        Assert.Equal(4, In(sample, "outer").Length);
    }

    [Fact]
    public void Nesting_ends_at_its_limit_with_a_message()
    {
        var sample = Station();
        var refused = "";
        for (var i = 0; i < 10 && refused.Length == 0; i++)
        {
            sample.Place($"x{i}", "pedestal", 9000 + 500 * i, 9000);
            var edit = new MakeCluster($"n{i}", All(sample));
            if (sample.Planner.Answer(sample.Plan, edit).Problem is { } problem)
                refused = problem.Message;
            else
                sample.Do(edit);
        }
        Assert.Contains("nested", refused);
    }

    /// <summary>A mirrored copy against its original: every corner of every solid has its counterpart across the line.</summary>
    [Theory]
    [InlineData(Mirror.LeftRight)]
    [InlineData(Mirror.UpDown)]
    public void Mirrored_everything_lies_across_the_middle_at_every_turn_and_twice_is_as_before(Mirror mirror)
    {
        for (var turn = 0; turn < 360; turn += 35)
        {
            var sample = Station();
            sample.Do(new RotateItems(["d", "p", "c"], turn));
            var ids = ImmutableArray.Create("d", "p", "c");
            var before = sample.State.Items.ToDictionary(item => item.Item.Id);
            var box = before.Values.SelectMany(item => item.Solids).Aggregate(Bounds.Empty, (all, solid) => all.Including(solid.Bounds));
            sample.Do(new MirrorItems(ids, mirror));
            foreach (var item in sample.State.Items)
            {
                var was = before[item.Item.Id];
                foreach (var (solid, other) in was.Solids.Zip(item.Solids))
                foreach (var corner in solid.Corners.ToArray())
                {
                    var across =
                        mirror == Mirror.LeftRight
                            ? new Point(2 * box.Centre.X - corner.X, corner.Y)
                            : new Point(corner.X, 2 * box.Centre.Y - corner.Y);
                    Assert.Contains(other.Corners.ToArray(), at => at.DistanceTo(across) < 1e-6);
                }
            }
            Assert.Equal(sample.State.Items.Sum(item => item.Form.Seats.Length), before.Values.Sum(item => item.Form.Seats.Length));
            sample.Do(new MirrorItems(ids, mirror));
            foreach (var item in sample.State.Items)
            {
                Assert.False(item.Item.Mirrored);
                Assert.InRange(item.Item.Placement.Origin.DistanceTo(before[item.Item.Id].Item.Placement.Origin), 0, 1e-6);
                Assert.Equal(0, Math.IEEERemainder(item.Item.Rotation - before[item.Item.Id].Item.Rotation, 360), 6);
            }
        }
    }

    [Theory]
    [InlineData(RepeatForm.Rows)]
    [InlineData(RepeatForm.Ring)]
    [InlineData(RepeatForm.Path)]
    public void A_mirrored_repeat_goes_on_following_its_recipe(RepeatForm form)
    {
        foreach (var facing in Enum.GetValues<RingFacing>())
        {
            var sample = Station();
            sample.Do(
                new RepeatItems(
                    "r",
                    ["d", "p", "c"],
                    new RepeatFigures(
                        form,
                        Columns: 3,
                        ColumnPitch: form == RepeatForm.Ring ? null : 4000,
                        Radius: form == RepeatForm.Ring ? 5000 : null,
                        Facing: facing
                    )
                    {
                        Path = form == RepeatForm.Path ? [new(2000, 2000), new(8000, 3000), new(14_000, 9000)] : [],
                    }
                )
            );
            sample.Do(new MirrorItems(All(sample), Mirror.LeftRight));
            var before = sample.Plan.OfScheme<Item>(S).ToDictionary(item => item.Id, item => item.Placement);
            var repeat = sample.Plan.Find<Repeat>("r")!;
            Assert.Empty(repeat.Singles);
            // Written again nothing moves: the recipe is that of what stands there.
            if (sample.Planner.Answer(sample.Plan, new PutRepeat(repeat)).Change is not null)
                sample.Do(new PutRepeat(repeat));
            foreach (var item in sample.Plan.OfScheme<Item>(S))
            {
                Assert.True(item.Mirrored);
                Assert.InRange(item.Placement.Origin.DistanceTo(before[item.Id].Origin), 0, 1e-5);
                Assert.Equal(0, Math.IEEERemainder(item.Rotation - before[item.Id].Rotation, 360), 5);
            }
        }
    }
}
