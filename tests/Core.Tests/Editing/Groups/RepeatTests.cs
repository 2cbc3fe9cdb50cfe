using System.Collections.Immutable;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Tests.Editing.Groups;

/// <summary>Repeats as a planner makes and changes them: by pitch, gap, count, length, radius; members left out, moved, made alike.</summary>
public sealed class RepeatTests
{
    private const string L = PlanStart.LevelId;
    private const string S = PlanStart.SchemeId;

    private static Sample Hall() => new Sample().Room(20_000, 16_000).Door();

    private static Item[] Members(Sample sample, string id = "r") =>
        [.. sample.Plan.OfScheme<Item>(S).Where(item => item.Parent == id).OrderBy(item => item.Slot)];

    private static Repeat Of(Sample sample, string id = "r") => sample.Plan.Find<Repeat>(id)!;

    /// <summary>A desk 1400 x 800: with its seated chair it is deeper to the front.</summary>
    private static Sample Desks(RepeatFigures figures) =>
        Hall().Place("d", "desk-1400", 3000, 3000).Do(new RepeatItems("r", ["d"], figures));

    [Fact]
    public void By_pitch_and_by_clear_gap_the_first_stays_and_keeps_its_id()
    {
        var sample = Desks(new RepeatFigures(Columns: 4, Rows: 3, ColumnPitch: 2000, RowPitch: 2500));
        var members = Members(sample);
        Assert.Equal(12, members.Length);
        Assert.Equal("d", members[0].Id);
        Assert.Equal((3000.0 + 3 * 2000, 3000.0 + 2 * 2500), (members[11].X, members[11].Y));
        sample.Do(new SetRepeat("r", new RepeatFigures(ColumnGap: 700)));
        Assert.Equal(1400 + 700, Of(sample).ColumnSpacing);
        var placed = sample.State.Items.ToDictionary(item => item.Item.Id);
        var (first, second) = (placed[Members(sample)[0].Id], placed[Members(sample)[1].Id]);
        var gap = first.Standing.Min(one => second.Standing.Min(other => Gap.Between(one, other).Width));
        Assert.Equal(700, gap, 3);
    }

    [Fact]
    public void Three_blocks_of_four_desks_set_2100_apart_are_corrected_to_2700_by_one_figure()
    {
        var sample = Hall().Place("d", "desk-1400", 3000, 3000);
        sample.Do(new ResizeItem("d", 1500, 700));
        sample.Do(new RepeatItems("block", ["d"], new RepeatFigures(Columns: 2, Rows: 2, ColumnGap: 0, BackGap: 0)));
        var block = Members(sample, "block");
        Assert.Equal([0.0, 0.0, 180.0, 180.0], block.Select(item => item.Rotation));
        // Back to back with nothing between: 700 from middle to middle.
        Assert.Equal(700, block[2].Y - block[0].Y, 6);
        sample.Do(new RepeatItems("blocks", [.. block.Select(item => item.Id)], new RepeatFigures(Columns: 3, ColumnGap: 2100)));
        var xs = sample.Plan.OfScheme<Item>(S).Select(item => item.X).Distinct().Order().ToArray();
        Assert.Equal(12, sample.State.Tally.Workstations);
        Assert.Equal([3000, 4500, 8100, 9600, 13_200, 14_700], xs.Select(x => Math.Round(x, 6)));
        var ids = sample.Plan.OfScheme<Item>(S).Select(item => item.Id).ToArray();
        sample.Do(new SetRepeat("blocks", new RepeatFigures(ColumnGap: 2700)));
        xs = [.. sample.Plan.OfScheme<Item>(S).Select(item => item.X).Distinct().Order()];
        Assert.Equal([3000, 4500, 8700, 10_200, 14_400, 15_900], xs.Select(x => Math.Round(x, 6)));
        Assert.Equal(ids, sample.Plan.OfScheme<Item>(S).Select(item => item.Id));
    }

    [Fact]
    public void Eighteen_chairs_stand_in_a_circle_by_their_clear_gap_or_by_its_radius()
    {
        var sample = Hall().Place("c", "stacking-chair", 8000, 4000);
        sample.Do(new RepeatItems("r", ["c"], new RepeatFigures(RepeatForm.Ring, Columns: 18, Gap: 150)));
        var ring = Of(sample);
        var placed = sample.State.Items;
        Assert.Equal(18, placed.Length);
        var gap = placed[0].Standing.Min(one => placed.Skip(1).Min(p => p.Standing.Min(other => Gap.Between(one, other).Width)));
        Assert.Equal(150, gap, 2);
        // The first stays, its front looks to the middle: down the plan.
        Assert.Equal((8000.0, 4000.0, 0.0), (Members(sample)[0].X, Members(sample)[0].Y, Members(sample)[0].Rotation));
        Assert.Equal(8000, ring.X, 6);
        Assert.Equal(4000 - ring.Radius, ring.Y, 6);
        sample.Do(new SetRepeat("r", new RepeatFigures(Radius: 2500)));
        Assert.All(Members(sample), chair => Assert.Equal(2500, chair.Placement.Origin.DistanceTo(new Point(ring.X, ring.Y)), 6));
        sample.Do(new SetRepeat("r", new RepeatFigures(Facing: RingFacing.Out)));
        Assert.Equal(180, Members(sample)[0].Rotation, 6);
    }

    [Theory]
    [InlineData(RingFacing.In)]
    [InlineData(RingFacing.Out)]
    [InlineData(RingFacing.Alike)]
    public void A_ring_is_begun_from_a_chair_that_stays_where_it_is_at_any_turn(RingFacing facing)
    {
        for (var turn = 0; turn < 360; turn += 5)
        {
            var sample = Hall().Place("c", "stacking-chair", 8000, 8000, turn);
            sample.Do(new RepeatItems("r", ["c"], new RepeatFigures(RepeatForm.Ring, Columns: 7, Radius: 1800, Facing: facing)));
            Assert.Equal(8000, Members(sample)[0].X, 6);
            Assert.Equal(8000, Members(sample)[0].Y, 6);
            Assert.Equal(0, Math.IEEERemainder(Members(sample)[0].Rotation - turn, 360), 6);
        }
    }

    [Fact]
    public void As_many_as_fit_along_a_length_and_to_a_wall_and_so_many_over_a_length()
    {
        var sample = Desks(new RepeatFigures(ColumnPitch: 1500, Length: 10_000));
        // (10 000 - 1400) / 1500 = 5.7: six stand, from end to end 8 900.
        Assert.Equal(6, Members(sample).Length);
        sample.Do(new SetRepeat("r", new RepeatFigures(Columns: 5, Length: 9400)));
        Assert.Equal(2000, Of(sample).ColumnSpacing, 6);
        // The wall's inner side is at 20 000; the desk begins at 2 300: 17 700 / 2 000.
        sample.Do(new SetRepeat("r", new RepeatFigures(ToWall: true)));
        Assert.Equal((int)Math.Floor((20_000 - 2300 - 1400) / 2000.0) + 1, Members(sample).Length);
        Assert.True(Members(sample)[^1].X + 700 <= 20_000);
    }

    [Fact]
    public void Along_a_wall_backs_touch_it_and_the_row_ends_before_the_next()
    {
        var sample = Hall().Place("c", "cupboard-1000", 9000, 15_000);
        sample.Do(new RepeatItems("r", ["c"], new RepeatFigures(RepeatForm.Path, ColumnGap: 0) { WallAt = new Point(9000, 15_900) }));
        Assert.Equal(20, Members(sample).Length);
        Assert.Empty(sample.State.Overlaps);
        foreach (var cupboard in sample.State.Items)
        {
            Assert.Equal(16_000, cupboard.Bounds.MaxY, 1);
            Assert.InRange(cupboard.Bounds.MinX, -0.5, 20_000);
        }
        // Fronts look away from the wall, down the plan.
        Assert.All(Members(sample), item => Assert.Equal(0, Math.IEEERemainder(item.Rotation, 360), 6));
    }

    [Fact]
    public void Along_a_drawn_path_of_several_legs_members_turn_with_it_or_not()
    {
        var sample = Hall().Place("p", "armchair", 9000, 9000, 30);
        ImmutableArray<Point> path = [new(2000, 2000), new(8000, 2000), new(8000, 9000)];
        sample.Do(new RepeatItems("r", ["p"], new RepeatFigures(RepeatForm.Path, Columns: 14) { Path = path }));
        var members = Members(sample);
        Assert.Equal(14, members.Length);
        Assert.Equal(2000, members[0].X, 3);
        Assert.Equal(9000, members[13].Y, 2);
        Assert.Equal([0.0, 90.0], [members[0].Rotation, members[13].Rotation]);
        sample.Do(new SetRepeat("r", new RepeatFigures(Turned: false)));
        Assert.Equal([0.0, 0.0], [Members(sample)[0].Rotation, Members(sample)[13].Rotation]);
    }

    [Fact]
    public void Drawing_out_the_last_member_sets_the_pitch_and_in_a_ring_the_radius()
    {
        var sample = Desks(new RepeatFigures(Columns: 4, Rows: 3, ColumnPitch: 2100, RowPitch: 2500));
        sample.Do(new PullRepeat("r", new Point(3000 + 3 * 2400, 3000 + 2 * 2000)));
        Assert.Equal((2400.0, 2000.0), (Of(sample).ColumnSpacing, Of(sample).RowSpacing));
        Assert.Equal((3000.0 + 3 * 2400, 3000.0 + 2 * 2000), (Members(sample)[11].X, Members(sample)[11].Y));
        var ring = Hall().Place("c", "stacking-chair", 8000, 8000);
        ring.Do(new RepeatItems("r", ["c"], new RepeatFigures(RepeatForm.Ring, Columns: 8, Radius: 1500)));
        var middle = Of(ring).Placement.Origin;
        ring.Do(new PullRepeat("r", middle + new Point(3000, 4000)));
        Assert.Equal(5000, Of(ring).Radius);
    }

    [Fact]
    public void Members_that_are_left_out_or_moved_are_remembered_while_the_pitch_changes_and_brought_back_when_asked()
    {
        var sample = Desks(new RepeatFigures(Columns: 5, ColumnPitch: 2000));
        var ids = Members(sample).Select(item => item.Id).ToArray();
        sample.Do(new Remove([ids[2]]));
        Assert.Equal([new SingledOut(2, true)], Of(sample).Singles);
        sample.Do(new MoveItems([ids[3]], 100, 250));
        sample.Do(new SetRepeat("r", new RepeatFigures(ColumnPitch: 2500)));
        Assert.Equal(4, Members(sample).Length);
        var moved = sample.Plan.Find<Item>(ids[3])!;
        Assert.Equal((3000.0 + 3 * 2500 + 100, 3250.0), (moved.X, moved.Y));
        sample.Do(new SetRepeat("r", new RepeatFigures(Regular: true)));
        Assert.Equal(5, Members(sample).Length);
        Assert.Empty(Of(sample).Singles);
        Assert.Equal((3000.0 + 3 * 2500, 3000.0), (sample.Plan.Find<Item>(ids[3])!.X, sample.Plan.Find<Item>(ids[3])!.Y));
    }

    [Fact]
    public void A_repeat_moves_and_turns_with_all_its_members_and_keeps_its_figures()
    {
        var sample = Desks(new RepeatFigures(Columns: 3, Rows: 2, ColumnPitch: 2000, RowPitch: 2400));
        ImmutableArray<string> all = [.. Members(sample).Select(item => item.Id)];
        sample.Do(new MoveItems(all, 1000, 500));
        Assert.Equal((4000.0, 3500.0), (Of(sample).X, Of(sample).Y));
        sample.Do(new RotateItems(all, 35));
        Assert.Equal(35, Of(sample).Rotation, 6);
        Assert.Empty(Of(sample).Singles);
        var before = Members(sample);
        sample.Do(new SetRepeat("r", new RepeatFigures(ColumnPitch: 2000.5)));
        sample.Do(new SetRepeat("r", new RepeatFigures(ColumnPitch: 2000)));
        foreach (var (one, other) in before.Zip(Members(sample)))
            Assert.InRange(one.Placement.Origin.DistanceTo(other.Placement.Origin), 0, 1e-6);
    }

    [Fact]
    public void Fewer_and_more_in_a_row_keep_each_member_in_its_row_and_its_number()
    {
        var sample = Hall().Place("t", "round-table-1525", 3000, 3000);
        sample.Do(new RepeatItems("r", ["t"], new RepeatFigures(Columns: 4, Rows: 3, ColumnPitch: 3000, RowPitch: 3000)));
        var labels = Members(sample).ToDictionary(item => (item.X, item.Y), item => item.Label);
        Assert.Equal(12, labels.Values.Distinct().Count());
        sample.Do(new SetRepeat("r", new RepeatFigures(Columns: 3)));
        Assert.Equal(9, Members(sample).Length);
        Assert.All(Members(sample), item => Assert.Equal(labels[(item.X, item.Y)], item.Label));
        sample.Do(new SetRepeat("r", new RepeatFigures(Columns: 5, Rows: 2)));
        Assert.Equal(10, Members(sample).Length);
        Assert.All(Members(sample).Where(item => item.X < 9500), item => Assert.Equal(labels[(item.X, item.Y)], item.Label));
        Assert.Equal(10, Members(sample).Select(item => item.Label).Distinct().Count());
    }

    [Fact]
    public void One_member_is_changed_and_all_others_made_like_it()
    {
        var sample = Desks(new RepeatFigures(Columns: 4, ColumnPitch: 2300));
        var ids = Members(sample).Select(item => item.Id).ToArray();
        sample.Do(new ResizeItem(ids[2], 1600)).Do(new MakeAlike("r", 2));
        Assert.All(Members(sample), item => Assert.Equal(1600, item.Width));
        Assert.Equal(ids, Members(sample).Select(item => item.Id));
        Assert.Equal([3000.0, 5300, 7600, 9900], Members(sample).Select(item => item.X));
    }

    [Fact]
    public void Whatever_is_done_to_repeats_is_undone_to_the_plan_before()
    {
        var random = new Random(3);
        var sample = Hall().Place("d", "desk-1400", 3000, 3000).Place("c", "stacking-chair", 8000, 8000);
        Check(new RepeatItems("r", ["d"], new RepeatFigures(Columns: 3, Rows: 2, ColumnGap: 300, RowGap: 900)));
        Check(new RepeatItems("q", ["c"], new RepeatFigures(RepeatForm.Ring, Columns: 9, Gap: 200)));
        for (var i = 0; i < 60; i++)
        {
            string[] all = [.. sample.Plan.OfScheme<Item>(S).Select(item => item.Id)];
            var some = all[random.Next(all.Length)];
            var id = random.Next(2) == 0 ? "r" : "q";
            Edit edit = random.Next(7) switch
            {
                0 => new SetRepeat(id, new RepeatFigures(Columns: 2 + random.Next(6))),
                1 => new SetRepeat("r", new RepeatFigures(Rows: 1 + random.Next(3), Staggered: random.Next(2) == 0)),
                2 => new SetRepeat("q", new RepeatFigures(Radius: 1000 + random.Next(1000), Facing: (RingFacing)random.Next(3))),
                3 => new MoveItems([some], random.Next(100) - 50, random.Next(100) - 50),
                4 => new Remove([some]),
                5 => new SetRepeat(id, new RepeatFigures(Regular: true)),
                _ => new RotateItems([some], 5 * random.Next(72)),
            };
            if (sample.Planner.Answer(sample.Plan, edit).Change is not null)
                Check(edit);
        }

        void Check(Edit edit)
        {
            Assert.Null(PlanChecks.OfWhole(sample.DoAndUndo(edit)));
            // Every member stands where its repeat says.
            foreach (var repeat in sample.Plan.All<Repeat>())
            foreach (var member in Members(sample, repeat.Id))
                Assert.InRange(repeat.Standing(member.Slot!.Value)!.Value.Origin.DistanceTo(member.Placement.Origin), 0, 1e-5);
        }
    }

    public static TheoryData<string, RepeatFigures> Wrong() =>
        new()
        {
            { "columns", new RepeatFigures(Columns: 1_000_000) },
            { "columns", new RepeatFigures(Columns: 2000, Rows: 2000) },
            { "columnPitch", new RepeatFigures(ColumnPitch: 0) },
            { "rowPitch", new RepeatFigures(RowPitch: 0) },
            { "columnGap", new RepeatFigures(ColumnGap: -1) },
            { "columnGap", new RepeatFigures(ColumnPitch: 900, ColumnGap: 10) },
            { "length", new RepeatFigures(Length: 900) },
            { "columns", new RepeatFigures(Columns: 1500, Length: 2000) },
            { "radius", new RepeatFigures(RepeatForm.Ring, Radius: -5) },
            { "gap", new RepeatFigures(RepeatForm.Ring, Radius: 500, Gap: 5) },
            { "columns", new RepeatFigures(RepeatForm.Ring, Columns: 1) },
            { "sweep", new RepeatFigures(RepeatForm.Ring, Sweep: 0) },
            { "path", new RepeatFigures(RepeatForm.Path) },
            {
                "path",
                new RepeatFigures(RepeatForm.Path) { Path = [new Point(1, 1)] }
            },
            {
                "path",
                new RepeatFigures(RepeatForm.Path) { Path = [new Point(1, 1), new Point(1, 1)] }
            },
            {
                "columns",
                new RepeatFigures(RepeatForm.Path, Columns: 900, ColumnPitch: 500) { Path = [new(1, 1), new(900, 1)] }
            },
        };

    [Theory]
    [MemberData(nameof(Wrong))]
    public void What_makes_no_repeat_is_refused_by_its_field(string field, RepeatFigures figures)
    {
        var sample = Hall().Place("d", "desk-1400", 3000, 3000);
        var problem = sample.Refused(new RepeatItems("r", ["d"], figures));
        Assert.Equal(field, problem.Field);
        Assert.True(problem.Message.Length > 20, problem.Message);
        sample.Do(new RepeatItems("r", ["d"], new RepeatFigures(Columns: 2)));
        var path = figures.Form == RepeatForm.Path && figures.Path.IsEmpty;
        Assert.Equal(path ? "path" : field, sample.Refused(new SetRepeat("r", figures)).Field);
    }
}
