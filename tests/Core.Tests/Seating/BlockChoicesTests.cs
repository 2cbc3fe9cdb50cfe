using Wellsedes.Core.Editing;
using Wellsedes.Core.Editing.Blocks;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.KindsOfThing.SeatingBlocks;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Seating;
using Wellsedes.Core.Seating.Styles;

namespace Wellsedes.Core.Tests.Seating;

/// <summary>Tables of two kinds, reserved rows, floor for service, rows on one line, and blocks that lie in no room.</summary>
public sealed class BlockChoicesTests
{
    private const string L = PlanStart.LevelId;
    private const string S = PlanStart.SchemeId;

    private static SeatingBlock Block(SeatingStyle style) => ((SeatingBlock)SeatingBlock.Kind.Make("block", L, S, default)).As(style);

    private static Item[] Of(Sample sample, string block = "block") =>
        [.. sample.Plan.OfScheme<Item>(S).Where(item => item.Parent == block).OrderBy(item => item.Slot)];

    private static SeatingBlock Now(Sample sample) => sample.Plan.Find<SeatingBlock>("block")!;

    /// <summary>The fewest tables that seat people exactly, against trying every pair.</summary>
    [Fact]
    public void Two_kinds_of_tables_make_up_a_number_exactly()
    {
        for (var people = 1; people <= 120; people++)
            foreach (var (one, other) in ((int, int)[])[(10, 8), (12, 8), (9, 7), (8, 8)])
            {
                var pairs =
                    from a in Enumerable.Range(0, 121)
                    from b in Enumerable.Range(0, 121)
                    where a * one + b * other == people
                    orderby a + b, b
                    select (a, b);
                var mix = TableMix.Of(people, one, other);
                Assert.Equal(pairs.Any() ? pairs.First() : ((int, int)?)null, mix is null ? null : (mix.Ones, mix.Others));
            }
    }

    [Theory]
    [InlineData(186, "", 15, 12, 6)]
    [InlineData(186, "round-table-1525", 15, 12, 6)]
    // No tens and eights make 187: half-set tables do.
    [InlineData(187, "", 0, 0, 0)]
    public void Tens_and_eights_seat_the_guests(int guests, string second, int _, int tens, int eights)
    {
        var sample = new Sample().Room(30_000, 20_000).Door();
        var block = Block(SeatingStyle.Rounds) with
        {
            Catalogue = "round-table-1830",
            Seats = 10,
            Guests = guests,
            SecondCatalogue = second,
            SecondSeats = 8,
        };
        sample.DoAndUndo(new PutOverRooms(block, ["room"]));
        Assert.Equal(guests, sample.State.Tally.Seats);
        Assert.Empty(sample.State.Overlaps);
        if (tens == 0)
            return;
        var bySeats = sample.State.Items.CountBy(item => item.Form.Seats.Length).ToDictionary();
        // 186 = 17 x 10 + 2 x 8: fewer tables than 12 x 10 + 6 x 8 + … would be.
        Assert.Equal(new Dictionary<int, int> { [10] = 17, [8] = 2 }, bySeats);
        if (second.Length > 0)
            Assert.Equal(2, Of(sample).Count(item => item.Catalogue == second));
        Assert.True(eights > 0);
    }

    /// <summary>68 guests, eight of them children: six tables of ten and one that is low, with low chairs; nobody else is offered it.</summary>
    [Fact]
    public void Children_have_a_table_of_their_own()
    {
        var sample = new Sample().Room(18_000, 12_000).Door();
        var block = Block(SeatingStyle.Rounds) with
        {
            Catalogue = "round-table-1830",
            Seats = 10,
            Guests = 68,
            SecondCatalogue = "round-table-children",
        };
        sample.DoAndUndo(new PutOverRooms(block, ["room"]));
        Assert.Equal((68, 7), (sample.State.Tally.Seats, Of(sample).Length));
        var low = Assert.Single(sample.State.Items, item => item.Item.Catalogue == "round-table-children");
        Assert.Equal((8, 530.0), (low.Form.Seats.Length, low.Kind.Size.Height));
        Assert.All(low.Seated.Where(shape => shape.Corners.Length > 1), chair => Assert.InRange(chair.Bounds.Width, 339, 600));
        Assert.Empty(sample.State.Overlaps);
        var offers = BlockOffersOf(
            new Sample().Room(18_000, 12_000).Door(),
            Block(SeatingStyle.Rounds) with
            {
                Catalogue = "round-table-1500",
            }
        );
        Assert.Contains(offers, offer => offer.Words.Contains("seats each"));
        Assert.DoesNotContain(offers, offer => offer.Words.Contains("Children"));
    }

    private static IEnumerable<BlockOffer> BlockOffersOf(Sample sample, SeatingBlock block) =>
        sample.Do(new PutOverRooms(block, ["room"])).Planner.Offers(sample.Plan, "block");

    [Fact]
    public void Reserved_rows_say_so_on_each_label()
    {
        var sample = new Sample().Room(14_000, 12_000).Door();
        sample.DoAndUndo(new PutOverRooms(Block(SeatingStyle.Rows) with { Reserved = 2 }, ["room"]));
        Item[] reserved = [.. Of(sample).Where(item => item.Label.EndsWith(" R", StringComparison.Ordinal))];
        Assert.NotEmpty(reserved);
        // The two rows nearest to where people look.
        Assert.Equal(["A", "B"], reserved.Select(item => item.Label[..1]).Distinct().Order());
        Assert.All(Of(sample).Except(reserved), item => Assert.DoesNotContain(item.Label[0], "AB"));
        sample.Do(new PutThing(Now(sample) with { Reserved = 0 }));
        Assert.DoesNotContain(Of(sample), item => item.Label.EndsWith(" R", StringComparison.Ordinal));
    }

    [Theory]
    [InlineData(SeatingStyle.Rounds, 90)]
    [InlineData(SeatingStyle.Rows, 0)]
    [InlineData(SeatingStyle.CurvedRows, 90)]
    [InlineData(SeatingStyle.Training, 180)]
    public void Floor_for_service_stays_free_at_the_back(SeatingStyle style, double facing)
    {
        var sample = new Sample().Room(16_000, 14_000);
        sample.Do(new PutOverRooms(Block(style) with { Facing = facing }, ["room"]));
        var all = Of(sample).Length;
        sample.Do(new PutThing(Now(sample) with { Service = 2500 }));
        Assert.InRange(Of(sample).Length, 1, all - 1);
        var towards = Point.At(facing);
        var back = Now(sample).Areas().SelectMany(area => area.Outline).Min(p => p.Dot(towards));
        Assert.All(
            sample.State.Items.SelectMany(item => item.Standing),
            shape => Assert.True(shape.Outline(1).Min(p => p.Dot(towards)) >= back + 2500 - 1)
        );
    }

    /// <summary>A second block whose own best rows would begin elsewhere: its rows lie on the lines of the first, and as many sit in it.</summary>
    [Fact]
    public void Rows_of_blocks_side_by_side_lie_on_one_line()
    {
        var sample = new Sample().Room(24_000, 12_000);
        SeatingBlock At(string id, double x, double y, double depth) =>
            Block(SeatingStyle.Rows) with
            {
                Id = id,
                X = x,
                Y = y,
                Width = 8000,
                Depth = depth,
                FromAisle = null,
            };
        sample.Do(new PutThing(At("first", 6000, 6000, 10_000)) { Sure = true });
        sample.Do(new PutThing(At("second", 17_000, 6100, 9300)) { Sure = true });
        static double[] Lines(Sample of, string id) => [.. Of(of, id).Select(item => Math.Round(item.Y, 1)).Distinct().Order()];
        var (first, second) = (Lines(sample, "first"), Lines(sample, "second"));
        Assert.NotEmpty(second);
        Assert.All(second, y => Assert.Contains(y, first));
        // Alone it holds as many.
        var alone = new Sample().Room(24_000, 12_000);
        alone.Do(new PutThing(At("second", 17_000, 6100, 9300)) { Sure = true });
        Assert.Equal(Of(alone, "second").Length, Of(sample, "second").Length);
        Assert.Contains(Lines(alone, "second"), y => !first.Contains(y));
    }

    [Fact]
    public void Justified_rows_end_where_their_parts_do()
    {
        var sample = new Sample().Room(10_330, 8000);
        var block = Block(SeatingStyle.Rows) with { FromAisle = null, GapToWalls = 0 };
        sample.Do(new PutOverRooms(block, ["room"]));
        var (centred, count) = (Reach(), Of(sample).Length);
        sample.Do(new PutThing(Now(sample) with { Ends = RowEnds.Justified }));
        Assert.Equal(count, Of(sample).Length);
        var (left, right) = Reach();
        Assert.True(left < centred.Left - 10 && right > centred.Right + 10);
        Assert.Equal(10_330, right - left, 0.5);
        Assert.Empty(sample.State.Overlaps);

        (double Left, double Right) Reach()
        {
            var bounds = sample.State.Items.SelectMany(item => item.Standing).Select(shape => shape.Bounds).ToArray();
            return (bounds.Min(box => box.MinX), bounds.Max(box => box.MaxX));
        }
    }

    [Theory]
    [InlineData(40_000, 4500)]
    [InlineData(-20_000, -20_000)]
    public void A_block_in_no_room_is_refused_with_the_nearest_room(double x, double y)
    {
        var sample = new Sample().Room(12_000, 9000);
        var block = Block(SeatingStyle.Rounds) with { X = x, Y = y, Width = 6000, Depth = 6000 };
        var problem = sample.Refused(new PutThing(block) { Sure = true });
        Assert.Equal("x", problem.Field);
        Assert.Contains("outside every room", problem.Message, StringComparison.Ordinal);
        // Half in it, it is taken; where there is no room at all, everywhere.
        sample.Do(new PutThing(block with { X = 12_000, Y = 4500 }) { Sure = true });
        new Sample().Do(new PutThing(block) { Sure = true });
    }

    /// <summary>The gaps one sees on the plan are the true ones, at least those asked, and each names the field that changes it.</summary>
    [Theory]
    [InlineData(SeatingStyle.Rounds, "gapInRow,gapBetweenRows,gapToWalls")]
    [InlineData(SeatingStyle.Rows, "gapInRow,gapBetweenRows,aisle,gapToWalls")]
    [InlineData(SeatingStyle.LongTables, "gapInRow,gapBetweenRows,gapToWalls")]
    [InlineData(SeatingStyle.Boardroom, "gapToWalls")]
    public void Its_gaps_are_measured_where_they_are_seen(SeatingStyle style, string fields)
    {
        var sample = new Sample().Room(18_000, 13_000);
        sample.Do(new PutOverRooms(Block(style) with { FromAisle = style == SeatingStyle.Rows ? 7 : null }, ["room"]));
        var gaps = sample.Planner.NearTo(sample.State, new HashSet<string> { "block" });
        Assert.Equal(fields, string.Join(',', gaps.Select(gap => gap.Field)));
        var asked = Now(sample);
        foreach (var gap in gaps)
        {
            Assert.Equal(gap.Width, gap.From.DistanceTo(gap.To), 0.01);
            var least = gap.Field switch
            {
                "gapInRow" => asked.GapInRow,
                "gapBetweenRows" => asked.GapBetweenRows,
                "aisle" => asked.Aisle,
                _ => asked.GapToWalls,
            };
            Assert.True(gap.Width >= least - 0.5, $"{gap.Field}: {gap.Width} of {least}");
        }
    }

    [Fact]
    public void What_makes_no_sense_is_refused_by_its_field()
    {
        var sample = new Sample().Room(12_000, 9000);
        void Refused(string field, SeatingBlock block) =>
            Assert.Equal(field, sample.Refused(new PutThing(block with { X = 6000, Y = 4500 }) { Sure = true }).Field);
        var rounds = Block(SeatingStyle.Rounds);
        Refused("secondSeats", rounds with { SecondSeats = 8 });
        Refused("secondSeats", rounds with { SecondSeats = 0, Guests = 20 });
        Refused("secondCatalogue", rounds with { SecondCatalogue = "armchair", Guests = 20 });
        Refused("service", rounds with { Service = -1 });
        Refused("reserved", Block(SeatingStyle.Rows) with { Reserved = -1 });
        Refused("secondSeats", Block(SeatingStyle.Rows) with { SecondSeats = 8, Guests = 20 });
    }

    /// <summary>Four people stand at a high table of 30 in, so 100 stand at 25 (cocktail-standing, common practice; from memory).</summary>
    [Theory]
    [InlineData(100, 25)]
    [InlineData(97, 25)]
    [InlineData(4, 1)]
    [InlineData(5, 2)]
    public void Four_people_stand_at_a_high_table(int guests, int tables)
    {
        var sample = new Sample().Room(24_000, 16_000).Door();
        sample.Do(new PutOverRooms(Block(SeatingStyle.HighTables) with { Guests = guests }, ["room"]));
        Assert.Equal(tables, Of(sample).Length);
        Assert.Equal(0, sample.State.Tally.Seats);
        // One that is set by hand is one of them.
        sample.Do(new MoveItems([Of(sample)[0].Id], 5, 0));
        Assert.Equal(tables, Of(sample).Length);
    }

    /// <summary>High tables are told by tables and by who stands there, in candidates, in what would hold more, and in what a change costs.</summary>
    [Fact]
    public void High_tables_are_counted_by_who_stands_there()
    {
        var sample = new Sample().Room(16_000, 12_000).Door().Place("stage", "stage-deck-2x1", 8000, 11_300);
        var put = new PutOverRooms(Block(SeatingStyle.HighTables) with { GapInRow = 1500 }, ["room"]);
        var candidates = sample.Planner.Candidates(sample.Plan, put, judged: true, out _);
        Assert.All(candidates, one => Assert.Equal((0, 4 * one.Tables), (one.Seats, one.Standing)));
        sample.Do(put);
        var before = Of(sample).Length;
        var offers = sample.Planner.Offers(sample.Plan, "block");
        Assert.Contains(offers, offer => offer.Edit is not null);
        foreach (var offer in offers.Where(offer => offer.Edit is not null))
        {
            var then = sample.Planner.Probe(sample.Plan, offer.Edit!, S, L).State.Items.Count(item => item.Item.Parent == "block");
            Assert.Equal(
                (then, then - before, 4 * then, 4 * (then - before)),
                (offer.Tables, offer.MoreTables, offer.Places, offer.MorePlaces)
            );
        }
        var told = sample.Planner.Probe(sample.Plan, new MoveItems(["stage"], 0, -5000), S, L).Blocks;
        Assert.Matches("^[0-9]+ tables? fewer$", told);
    }

    /// <summary>Common practice: rounds of 60 in at 10 ft from middle to middle; a hall with room for a grid of middles of 50 x 30 ft holds 6 by 4 of them.</summary>
    [Fact]
    public void Sixty_inch_rounds_fill_a_hall_at_ten_foot_centres()
    {
        const double foot = 304.8;
        var one = new Sample().Room(10_000, 10_000).Place("t", "round-table-1525", 5000, 5000);
        var ring = 2 * Lattices.RingOf(one.State.Items.Single());
        var gap = 10 * foot - ring;
        var sample = new Sample().Room(50 * foot + ring + 2 * gap + 20, 30 * foot + ring + 2 * gap + 20);
        sample.Do(
            new PutOverRooms(
                Block(SeatingStyle.Rounds) with
                {
                    Layout = BlockLayout.Lines,
                    GapInRow = gap,
                    GapBetweenRows = gap,
                    GapToWalls = gap,
                },
                ["room"]
            )
        );
        Assert.Equal(24, Of(sample).Length);
        var places = Of(sample).Select(item => item.Placement.Origin).ToArray();
        Assert.All(places, p => Assert.InRange(places.Where(q => q != p).Min(q => q.DistanceTo(p)), 10 * foot - 0.01, 10 * foot + 10));
    }

    /// <summary>Tables of four and of two in turn: of three people a table on average, so that as many are laid as all of them need and none is short.</summary>
    [Theory]
    [InlineData(1, WantedLaid.Front)]
    [InlineData(24, WantedLaid.Front)]
    [InlineData(60, WantedLaid.Front)]
    [InlineData(61, WantedLaid.Spread)]
    public void At_a_cafe_everybody_has_a_seat(int guests, WantedLaid laid)
    {
        var sample = new Sample().Room(24_000, 16_000).Door();
        sample.Do(new PutOverRooms(Block(SeatingStyle.Cafe) with { Guests = guests, Laid = laid }, ["room"]));
        Assert.Equal(guests, sample.State.Tally.Seats);
        Assert.InRange(Of(sample).Length, guests / 4.0, guests / 3.0 + 2);
    }

    public static TheoryData<SeatingStyle> SittingStyles =>
        [.. Enum.GetValues<SeatingStyle>().Where(style => style != SeatingStyle.HighTables)];

    /// <summary>Where clearly more fit than come everybody has a seat, and no seat is too many; what stands in a way is put elsewhere.</summary>
    [Theory]
    [MemberData(nameof(SittingStyles))]
    public void As_many_seats_as_guests_where_there_is_room(SeatingStyle style)
    {
        foreach (var ways in Enum.GetValues<WaysKept>())
        {
            var most = Seated(Block(style) with { Ways = ways });
            foreach (var guests in (int[])[7, 13, 48, 77])
                if (guests <= 0.9 * most)
                    Assert.Equal((guests, ways), (Seated(Block(style) with { Ways = ways, Guests = guests }), ways));
        }

        static int Seated(SeatingBlock block)
        {
            var sample = new Sample().Room(16_000, 12_000).Door();
            sample.Do(new PutOverRooms(block, ["room"]));
            return sample.State.Tally.Seats;
        }
    }

    /// <summary>However few come there are as many places for wheelchair users as asked for, each with a chair beside it for who comes along, and as many seats in all.</summary>
    [Theory]
    [InlineData(SeatingStyle.Rows)]
    [InlineData(SeatingStyle.CurvedRows)]
    [InlineData(SeatingStyle.Herringbone)]
    public void Places_for_wheelchair_users_stay_however_few_come(SeatingStyle style)
    {
        foreach (var ways in Enum.GetValues<WaysKept>())
        foreach (var guests in (int[])[20, 60, 150])
        {
            var sample = new Sample().Room(16_000, 12_000).Door();
            sample.Do(new PutOverRooms(Block(style) with { Guests = guests, Wheelchairs = 4, Ways = ways }, ["room"]));
            var all = sample.State.Items.Where(item => item.Item.Parent == "block").ToArray();
            var places = all.Where(item => item.Kind.Maker == "wheelchair-space").ToArray();
            Assert.Equal((guests, 4), (all.Length, places.Length));
            Assert.All(
                places,
                place => Assert.Contains(all, other => other.IsSeat && other.Kind.Counted == "seat" && Beside(place.Item, other.Item))
            );
            Assert.Empty(sample.State.Overlaps);
            Assert.DoesNotContain(
                sample.State.Walkways.Ways,
                way => ways == WaysKept.FromDoors && !way.Holds && places.Any(place => place.Item.Id == way.Target.OwnerId)
            );
        }

        static bool Beside(Item place, Item chair) =>
            chair.Id != place.Id && chair.Placement.Origin.DistanceTo(place.Placement.Origin) < 1500;
    }
}
