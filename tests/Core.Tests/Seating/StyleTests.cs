using Wellsedes.Core.Editing;
using Wellsedes.Core.Findings;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.KindsOfThing.SeatingBlocks;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rulebooks;
using Wellsedes.Core.Seating;
using Wellsedes.Core.Seating.Rows;
using Wellsedes.Core.Walkways;

namespace Wellsedes.Core.Tests.Seating;

/// <summary>Blocks of every style: nothing overlaps, nothing leaves the area, and the counts a hand computes.</summary>
public sealed class StyleTests
{
    private const string L = PlanStart.LevelId;
    private const string S = PlanStart.SchemeId;

    public static TheoryData<SeatingStyle> Styles => [.. Enum.GetValues<SeatingStyle>()];

    private static SeatingBlock Block(SeatingStyle style) =>
        ((SeatingBlock)SeatingBlock.Kind.Make("block", L, S, new Point(0, 0))).As(style);

    private static Item[] Members(Sample sample) =>
        [.. sample.Plan.OfScheme<Item>(S).Where(item => item.Parent == "block").OrderBy(item => item.Slot)];

    private static int Seats(Sample sample) =>
        sample.State.Items.Where(item => item.Item.Parent == "block").Sum(item => item.Form.Seats.Length);

    [Theory]
    [MemberData(nameof(Styles))]
    public void Every_style_fills_a_hall_without_an_overlap_and_is_undone(SeatingStyle style)
    {
        var sample = new Sample().Room(16_000, 12_000).Door();
        sample.DoAndUndo(new PutOverRooms(Block(style), ["room"]));
        var members = Members(sample);
        Assert.True(members.Length >= 6, $"{members.Length}");
        Assert.Empty(sample.State.Overlaps);
        Assert.Equal(members.Length, members.Select(item => item.Placement).Distinct().Count());
        if (style != SeatingStyle.HighTables)
            Assert.True(Seats(sample) >= 12, $"{Seats(sample)}");
    }

    [Theory]
    [MemberData(nameof(Styles))]
    public void Every_style_keeps_off_a_column_and_a_stage_at_any_turn(SeatingStyle style)
    {
        foreach (var turn in (double[])[0, 5, 90, 217])
        {
            var sample = new Sample().Room(16_000, 12_000).Door().Place("stage", "stage-deck-2x1", 8000, 10_500);
            sample.Do(new PutThing(new KindsOfThing.Columns.Column("c", L, 5000, 6000, 30, 400, 400, false)));
            sample.Do(new PutOverRooms(Block(style) with { Facing = turn }, ["room"]));
            Assert.Empty(sample.State.Overlaps);
            Assert.NotEmpty(Members(sample));
        }
    }

    /// <summary>
    /// A hall of 50 x 40 ft with chairs of 20 x 22 in at a row pitch of 36 in, side aisles of 4 ft and a middle one of 6 ft, 6 ft free in front and 4 ft behind: two
    /// blocks of 10 in each of 10 rows, 200 seats; a clear way of 14 in between rows (worked example "US hall, loose chairs in rows", from memory).
    /// </summary>
    [Fact]
    public void A_hall_of_loose_chairs_holds_what_the_worked_example_says()
    {
        const double foot = 304.8;
        // Side aisles are kept off as the walls of the block; the passage before the first row is part of the free floor in front.
        var sample = new Sample().Room(50 * foot, 40 * foot);
        const double passage = 14 * 25.4;
        var block = Block(SeatingStyle.Rows) with
        {
            X = 25 * foot,
            Y = 4 * foot + (30 * foot + passage) / 2,
            Width = 42 * foot,
            Depth = 30 * foot + passage,
            Catalogue = "own",
            Aisles = AislesAt.Middle,
            Aisle = 6 * foot,
            GapBetweenRows = passage,
            GapToWalls = 0,
        };
        var chair = sample.Plan.CatalogueItem("stacking-chair")! with
        {
            Key = "own",
            Name = "Chair 20 x 22 in",
            Size = new(20 * 25.4, 22 * 25.4, 900),
        };
        sample.Do(new PutOwnItem(new OwnItem("own", chair)));
        sample.Do(new PutThing(block) { Sure = true });
        Assert.Equal(200, Members(sample).Length);
        Assert.Equal(10, Members(sample).Select(item => Math.Round(item.Y)).Distinct().Count());
        Assert.Equal("A1", Members(sample).OrderByDescending(item => item.Y).ThenBy(item => item.X).First().Label);
        Assert.Equal("K20", Members(sample).OrderBy(item => item.Y).ThenByDescending(item => item.X).First().Label);
        Assert.Empty(sample.State.Overlaps);
    }

    /// <summary>No seat is farther from an aisle than allowed: MVStättVO (Germany), section 10(4), from memory: 10 seats on one side of an aisle, 20 between two.</summary>
    [Theory]
    [InlineData(AislesAt.Fullest)]
    [InlineData(AislesAt.Middle)]
    [InlineData(AislesAt.Sides)]
    public void Rows_have_no_more_seats_from_an_aisle_than_allowed(AislesAt at)
    {
        var sample = new Sample().Room(30_000, 14_000).Door();
        sample.Do(new PutOverRooms(Block(SeatingStyle.Rows) with { Aisles = at, FromAisle = 10, Ways = WaysKept.FromDoors }, ["room"]));
        foreach (var row in Members(sample).GroupBy(item => Math.Round(item.Y)))
        {
            double[] along = [.. row.Select(item => item.X).Order()];
            var runs = new List<(double From, double To, int Count)>();
            for (var (i, start) = (0, 0); i < along.Length; i++)
                if (i + 1 == along.Length || along[i + 1] - along[i] > 1200)
                {
                    runs.Add((along[start] - 250, along[i] + 250, i + 1 - start));
                    start = i + 1;
                }
            Assert.All(runs, run => Assert.True(run.Count <= 20, $"{run.Count} between two aisles"));
            // At a wall there is an aisle on one side only.
            if (runs[0].From < 1200)
                Assert.True(runs[0].Count <= 10);
            if (runs[^1].To > 30_000 - 1200)
                Assert.True(runs[^1].Count <= 10);
        }
        Assert.DoesNotContain(sample.State.Findings, finding => finding.Kind == FindingKind.Walkway);
    }

    /// <summary>Straight rows hold at least 97 % of what their rows would hold each by itself: less aisles of 1.2 m for every 20 seats of 500 mm.</summary>
    [Fact]
    public void Rows_come_near_the_bound_that_treats_each_row_alone()
    {
        var sample = new Sample().Room(40_000, 25_000);
        sample.Do(new PutOverRooms(Block(SeatingStyle.Rows), ["room"]));
        // A row of 40 m less the gaps: n aisles leave (39900 - 1200 n) / 500 seats, of which at most 20 n are near enough.
        var row = Enumerable.Range(1, 6).Max(n => Math.Min((39_900 - 1200 * n) / 500, 20 * n));
        var rows = (int)Math.Floor((25_000 - 50.0) / 950);
        var seats = Members(sample).Length;
        Assert.InRange(seats, Math.Ceiling(0.97 * row * rows), row * rows);
    }

    /// <summary>
    /// Against the bound that treats each row alone (the fullest first row, each row with the aisles that are best for it): straight rows hold at least 97 % of it, curved ones 90 %, in halls
    /// of several sizes, with a stage in one, with 7 or 11 seats from an aisle.
    /// </summary>
    [Theory]
    [InlineData(false, 0.97)]
    [InlineData(true, 0.90)]
    public void Rows_hold_nearly_what_each_row_would_alone(bool curved, double share)
    {
        foreach (
            var (width, depth, stage) in ((double, double, bool)[])
                [(40_000, 25_000, false), (30_000, 18_000, true), (24_000, 30_000, false)]
        )
        foreach (var fromAisle in (int[])[7, 11])
        {
            var sample = new Sample().Room(width, depth).Place("chair", "stacking-chair", -5000, -5000, 180);
            if (stage)
                sample.Place("stage", "stage-6x4", width / 2, depth - 2000);
            var room = sample.State.Space.Rooms.Single().Outline;
            var block = Block(SeatingStyle.Rows) with { X = room.Centroid.X, Y = room.Centroid.Y, Width = width, Depth = depth };
            var chair = sample.State.Items.Single(item => item.Item.Id == "chair");
            var others = sample.State.Items.Where(item => item != chair).ToArray();
            var area = SeatingArea.Of(block, 90, chair, sample.State.Space, others, []);
            RowGround Ground(SeatingArea on) =>
                curved ? new ArcGround(on, new Point(width / 2, depth + 6000), 90) : new StraightGround(on, 90);
            var asked = new RowsAsked(0, 450, 50, 1200, fromAisle, AislesAt.Fullest, 12, RowEnds.Centred);
            var laid = RowLaying.Fullest(Ground(area), Ground(area.RoundAbout()), RowUnit.Of(chair, 0), asked);
            Assert.True(
                laid.Count >= share * laid.Most && laid.Count <= laid.Most,
                $"{width} x {depth}, {fromAisle} from an aisle: {laid.Count} of {laid.Most}"
            );
            // Who steps out of a row does so onto an aisle of its whole width.
            foreach (var run in laid.Runs)
            {
                var part = run.Row.Parts.First(part => part.From <= run.From + 1e-6 && part.To >= run.To - 1e-6);
                Assert.True(!run.AtFrom || part.OpenFrom || run.From - 2 * run.Row.HalfAisle >= part.From - 1e-3);
                Assert.True(!run.AtTo || part.OpenTo || run.To + 2 * run.Row.HalfAisle <= part.To + 1e-3);
            }
        }
    }

    [Fact]
    public void Seats_of_rows_are_reached_by_their_passage_and_others_by_what_is_asked_of_seats()
    {
        var sample = new Sample().Room(14_000, 12_000).Door();
        sample.Do(new PutOverRooms(Block(SeatingStyle.Rows), ["room"]));
        var ways = sample.State.Walkways.Ways.Where(way => way.Target.Kind == TargetKind.Seat).ToArray();
        Assert.NotEmpty(ways);
        Assert.All(ways, way => Assert.Equal(400, way.Target.Needed));
        Assert.All(ways, way => Assert.True(way.Width >= 400 - Tolerance.Length, $"{way.Target.Name}: {way.Width}"));
    }

    [Theory]
    [InlineData(SeatingStyle.Rounds, 61)]
    [InlineData(SeatingStyle.LongTables, 37)]
    [InlineData(SeatingStyle.Training, 19)]
    [InlineData(SeatingStyle.Exam, 11)]
    [InlineData(SeatingStyle.Rows, 150)]
    [InlineData(SeatingStyle.CurvedRows, 93)]
    [InlineData(SeatingStyle.Circle, 17)]
    public void As_many_are_seated_as_come(SeatingStyle style, int guests)
    {
        var sample = new Sample().Room(20_000, 16_000).Door();
        foreach (var laid in Enum.GetValues<WantedLaid>())
        {
            sample.Do(new PutOverRooms(Block(style) with { Guests = guests, Laid = laid }, ["room"]));
            Assert.Equal(guests, Seats(sample));
            Assert.Equal(guests, sample.State.Tally.Seats);
            Assert.Empty(sample.State.Overlaps);
            sample.Do(new Remove(["block"]));
        }
    }

    /// <summary>
    /// Seats of a large table and of squares by their sides: 2[A/s] + 2[B/s] of a boardroom of 1830 x 762 mm tables with 3 to a side and one at each end of a
    /// table; 2(m + n)k of a hollow square; (m + 2n)k of a U.
    /// </summary>
    [Fact]
    public void Arrangements_seat_what_their_sides_hold()
    {
        foreach (var style in (SeatingStyle[])[SeatingStyle.Boardroom, SeatingStyle.HollowSquare, SeatingStyle.UShape])
        {
            var sample = new Sample().Room(14_000, 10_000).Door();
            sample.Do(new PutOverRooms(Block(style), ["room"]));
            var members = Members(sample);
            var sides = members.Count(item => Math.Abs(Math.IEEERemainder(item.Rotation, 180)) < 1);
            var legs = members.Length - sides;
            var expected = style == SeatingStyle.Boardroom ? 3 * members.Length + 4 : 3 * members.Length;
            Assert.Equal(expected, Seats(sample));
            Assert.Equal(0, style == SeatingStyle.Boardroom ? legs : legs % 2);
            Assert.Empty(sample.State.Overlaps);
            Assert.DoesNotContain(sample.State.Findings, finding => finding.Kind == FindingKind.Walkway && finding.Needed <= 600);
            // For a number of people the fewest tables that hold them.
            sample.Do(new PutThing((SeatingBlock)sample.Plan.Find("block")! with { Guests = 16 }));
            Assert.InRange(Seats(sample), 16, 16);
        }
    }

    [Fact]
    public void Places_for_wheelchair_users_are_at_aisles_with_a_chair_beside()
    {
        foreach (var style in (SeatingStyle[])[SeatingStyle.Rows, SeatingStyle.CurvedRows, SeatingStyle.Herringbone])
        {
            var sample = new Sample().Room(24_000, 16_000).Door();
            sample.Do(new PutOverRooms(Block(style), ["room"]));
            var before = Members(sample).Length;
            sample.DoAndUndo(new PutThing((SeatingBlock)sample.Plan.Find("block")! with { Wheelchairs = 4 }));
            var spaces = Members(sample).Where(item => item.Catalogue == "wheelchair-space").ToArray();
            Assert.Equal(4, spaces.Length);
            Assert.All(spaces, space => Assert.Equal((900.0, 1400.0), (space.Width, space.Depth)));
            Assert.InRange(Members(sample).Length, before - 4 * 4 + 4, before - 4);
            Assert.Empty(sample.State.Overlaps);
            Assert.True(spaces.Select(space => Math.Round(space.Y / 3000)).Distinct().Count() > 1, "all in one place");
            Assert.All(
                spaces,
                space =>
                    Assert.Contains(
                        Members(sample),
                        item => item.Catalogue != space.Catalogue && item.Placement.Origin.DistanceTo(space.Placement.Origin) < 1300
                    )
            );
        }
    }

    /// <summary>Across the middle aisle the nearest two are as far apart as asked: corners of curved rows, and what reaches out before its row.</summary>
    [Theory]
    [InlineData(SeatingStyle.Rows, 6000, 0)]
    [InlineData(SeatingStyle.Rows, 6000, 4)]
    [InlineData(SeatingStyle.CurvedRows, 1500, 0)]
    [InlineData(SeatingStyle.CurvedRows, 1500, 5)]
    [InlineData(SeatingStyle.CurvedRows, 6000, 0)]
    [InlineData(SeatingStyle.CurvedRows, 6000, 6)]
    public void An_aisle_is_as_wide_as_asked_all_along(SeatingStyle style, double focus, int wheelchairs)
    {
        foreach (var aisle in (double[])[900, 1200, 1800])
        {
            var sample = new Sample().Room(20_000, 14_000).Door();
            var block = Block(style) with { Aisles = AislesAt.Middle, Aisle = aisle, Focus = focus, Wheelchairs = wheelchairs };
            sample.Do(new PutOverRooms(block, ["room"]));
            var placed = new ItemForms().PlaceAll(sample.Plan, S, L).Where(item => item.Item.Parent == "block").ToList();
            Assert.Equal(wheelchairs, placed.Count(item => item.Kind.IsWheelchairSpace));
            var (left, right) = (placed.Where(item => item.Item.X < 10_000), placed.Where(item => item.Item.X > 10_000).ToList());
            var narrowest = left.SelectMany(one => right.Select(other => GapOf(one, other))).Min();
            Assert.InRange(narrowest, aisle - 0.01, aisle + 500);
        }
    }

    private static double GapOf(PlacedItem one, PlacedItem other) =>
        one.Solids.SelectMany(a => other.Solids.Select(b => Gap.Between(a, b).Width)).Min();

    [Fact]
    public void A_half_round_leaves_its_front_free()
    {
        var sample = new Sample().Room(12_000, 9000);
        sample.Do(new PutOverRooms(Block(SeatingStyle.HalfRounds), ["room"]));
        var placed = sample.State.Items.First(item => item.Item.Parent == "block");
        // A 60 in round seats 6 so (cabaret; common practice, from memory).
        Assert.Equal(6, placed.Form.Seats.Length);
        Assert.All(placed.Form.Seats, seat => Assert.True(seat.Outward.Y > -Math.Cos(60 * Math.PI / 180)));
        Assert.All(placed.Form.Seats, seat => Assert.True(placed.Item.Placement.Turned(seat.Outward).Y < 0.5));
    }

    [Fact]
    public void Another_style_begins_with_what_is_usual_for_it()
    {
        var sample = new Sample().Room(16_000, 12_000).Door();
        sample.Do(new PutOverRooms(Block(SeatingStyle.Rounds), ["room"]));
        sample.DoAndUndo(new PutThing((SeatingBlock)sample.Plan.Find("block")! with { Style = SeatingStyle.Rows }));
        var block = sample.Plan.Find<SeatingBlock>("block")!;
        Assert.Equal(("stacking-chair", 400.0, 10), (block.Catalogue, block.GapBetweenRows, block.FromAisle));
        Assert.All(Members(sample), item => Assert.Equal("stacking-chair", item.Catalogue));
    }

    /// <summary>
    /// Forty seeded halls with columns, a stage and up to three doors, seated in every style that has tables or rows: with ways from the doors kept no way is broken that held before
    /// the block, and every seat and table of it is reached over what is asked.
    /// </summary>
    [Fact]
    public void With_ways_from_the_doors_kept_nothing_is_cut_off()
    {
        var random = new Random(7);
        SeatingStyle[] styles =
        [
            SeatingStyle.Rounds,
            SeatingStyle.Rows,
            SeatingStyle.LongTables,
            SeatingStyle.Training,
            SeatingStyle.CurvedRows,
        ];
        for (var n = 0; n < 40; n++)
        {
            var (width, depth) = (11_000 + 500 * random.Next(20), 9000 + 500 * random.Next(14));
            var sample = new Sample().Room(width, depth).Door(along: 2000 + random.Next(width - 4000), width: 1400);
            for (var i = random.Next(4); i > 0; i--)
                sample.Do(
                    new PutThing(
                        new KindsOfThing.Columns.Column(
                            $"c{i}",
                            L,
                            random.Next(2000, width - 2000),
                            random.Next(2000, depth - 2000),
                            5 * random.Next(18),
                            400,
                            400,
                            false
                        )
                    )
                );
            if (n % 2 == 0)
                sample.Place("stage", "stage-deck-2x1", width / 2.0, depth - 600);
            var style = styles[n % styles.Length];
            var before = sample.State.Walkways.Ways.Where(way => !way.Holds).Select(way => way.Target.OwnerId).ToHashSet();
            sample.Do(new PutOverRooms(Block(style) with { Ways = WaysKept.FromDoors, Layout = (BlockLayout)(n % 3) }, ["room"]));
            Assert.Empty(sample.State.Overlaps);
            var broken = sample.State.Walkways.Ways.Where(way => !way.Holds && !before.Contains(way.Target.OwnerId)).ToArray();
            Assert.True(
                broken.Length == 0,
                $"{n} {style}: {string.Join(", ", broken.Take(3).Select(way => $"{way.Target.Name} {way.Width:0} of {way.Target.Needed}"))}"
            );
            Assert.NotEmpty(Members(sample));
        }
    }

    /// <summary>Rows by a published rule (from memory): what the passage allows from an aisle, and places for wheelchair users by the seats there are.</summary>
    [Fact]
    public void A_rule_says_how_many_sit_from_an_aisle_and_where_wheelchairs_go()
    {
        foreach (
            var (rule, passage, most, places) in new[]
            {
                (SeatingRule.Ibc, 356.0, 10, 5),
                (SeatingRule.Uk, 350, 9, 6),
                (SeatingRule.Germany, 400, 10, 3),
            }
        )
        {
            var sample = new Sample().Room(15_000, 10_000).Door();
            sample.Do(new PutOverRooms(Block(SeatingStyle.Rows) with { Rule = rule, GapBetweenRows = passage, FromAisle = 3 }, ["room"]));
            var spaces = Members(sample).Count(item => item.Catalogue == "wheelchair-space");
            var seats = Members(sample).Length;
            Assert.InRange(seats, 200, 300);
            Assert.Equal(places, spaces);
            var longest = Members(sample)
                .GroupBy(item => Math.Round(item.Y))
                .Max(row =>
                    row.Select(item => item.X)
                        .Order()
                        .Aggregate(
                            (Run: 0, Longest: 0, Last: -1e9),
                            (now, x) =>
                            {
                                var run = x - now.Last > 600 ? 1 : now.Run + 1;
                                return (run, Math.Max(run, now.Longest), x);
                            }
                        )
                        .Longest
                );
            Assert.InRange(longest, most, 2 * most);
            Assert.Empty(sample.State.Overlaps);
        }
        var narrow = new Sample().Room(20_000, 12_000);
        Assert.Equal(
            "gapBetweenRows",
            narrow.Refused(new PutOverRooms(Block(SeatingStyle.Rows) with { Rule = SeatingRule.Ibc, GapBetweenRows = 250 }, ["room"])).Field
        );
    }

    /// <summary>What makes no sense is refused by its field, with the way out.</summary>
    [Fact]
    public void What_makes_no_sense_in_rows_is_refused_by_its_field()
    {
        var sample = new Sample().Room(16_000, 12_000).Door();
        var usual = Block(SeatingStyle.Rows);
        void Refused(string field, SeatingBlock block) => Assert.Equal(field, sample.Refused(new PutOverRooms(block, ["room"])).Field);
        Refused("aisle", usual with { Aisle = 100 });
        Refused("aisle", usual with { Aisle = 50_000 });
        Refused("gapInRow", usual with { GapInRow = -1 });
        Refused("gapToWalls", usual with { GapToWalls = 50_000 });
        Refused("guests", usual with { Guests = 0 });
        Refused("guests", usual with { Guests = 10_001 });
        Refused("wanted", usual with { Wanted = 0 });
        Refused("wanted", usual with { Wanted = 10_000 });
        Refused("fromAisle", usual with { FromAisle = 0 });
        Refused("crossEvery", usual with { CrossEvery = 0 });
        Refused("wheelchairs", usual with { Wheelchairs = -1 });
        Refused("catalogue", usual with { Catalogue = "round-table-1525" });
        Refused("catalogue", Block(SeatingStyle.Rounds) with { Catalogue = "stacking-chair" });
        Refused("fan", Block(SeatingStyle.Herringbone) with { Fan = 80 });
        Assert.Empty(Members(sample));
    }
}
