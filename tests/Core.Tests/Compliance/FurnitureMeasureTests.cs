using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Findings;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.KindsOfThing.SeatingBlocks;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Units;

namespace Wellsedes.Core.Tests.Compliance;

/// <summary>
/// Aisles, tables, free floor before things and beside beds, and places for wheelchair users, each at its limit and just off it, turned by 5 degrees and in feet. International Building Code
/// 2021, MVStättVO, 2010 ADA Standards, Approved Document M and common practice, all from memory.
/// </summary>
public sealed class FurnitureMeasureTests
{
    private static Sample Room(double width, double depth, string use, string book, UnitSystem units = UnitSystem.Metric)
    {
        var sample = new Sample().Room(width, depth);
        sample.Do(new SetDetails("Room", units, 0));
        sample.Do(new NameRoom("room", "Hall", use, ""));
        return sample.Do(new ChooseBook("book", book));
    }

    private static Finding[] Of(Sample sample, string rule) => [.. sample.State.Findings.Where(finding => finding.RuleId == rule)];

    /// <summary>Rows of 20 chairs, 500 wide and 550 deep, in two blocks with an aisle between.</summary>
    private static Sample Blocks(double aisle, int rows, int seats, double turn, string book, UnitSystem units = UnitSystem.Metric)
    {
        var sample = Room(30_000, 20_000, "Assembly", book, units);
        var from = new Placement(5000, 3000, turn);
        for (var block = 0; block < 2; block++)
        for (var row = 0; row < rows; row++)
        for (var seat = 0; seat < seats; seat++)
        {
            var at = from.Out(new Point(block * (seats * 500 + aisle) + seat * 500, row * 1000));
            sample.Place($"{block}-{row:00}-{seat:00}", "stacking-chair", at.X, at.Y, turn);
        }
        return sample;
    }

    /// <summary>Five rows of 10 on both sides of an aisle, half of each row to it: 50 seats, so 42 in (1066.8 mm); with 4 rows 40 seats and 36 in (914.4 mm) (1030.9.1).</summary>
    [Theory]
    [InlineData(5, 1066.8, 0, true)]
    [InlineData(5, 1065.8, 0, false)]
    [InlineData(5, 1067.8, 5, true)]
    [InlineData(5, 1065.8, 5, false)]
    [InlineData(4, 914.4, 0, true)]
    [InlineData(4, 913.4, 0, false)]
    public void An_aisle_between_rows(int rows, double aisle, double turn, bool holds)
    {
        foreach (var units in new[] { UnitSystem.Metric, UnitSystem.FeetInches })
        {
            var sample = Blocks(aisle, rows, 10, turn, "international-model-code", units);
            var found = Of(sample, "ibc-1030.9.1-level-both");
            Assert.Equal(holds ? 0 : 1, found.Length);
            foreach (var finding in found)
            {
                Assert.Equal(aisle, finding.Measured, 1e-3);
                Assert.Equal(aisle, finding.At[0].DistanceTo(finding.At[1]), 0.1);
            }
        }
    }

    /// <summary>
    /// The same five rows, each but the first on a platform 150 mm higher than that of the row ahead: 50 seats need 48 in (1219.2 mm), and 150 mm (5.9 in) a riser adds nothing to 0.3 in a seat; at
    /// 200 mm (7.87 in) up((7.87 - 7) / 0.1) = 9 steps of 0.005 in are added: 50 x 0.345 = 17.25 in, less than that.
    /// </summary>
    [Theory]
    [InlineData(1219.2, 150, 0, true)]
    [InlineData(1218.2, 150, 0, false)]
    [InlineData(1220.2, 150, 5, true)]
    [InlineData(1218.2, 150, 5, false)]
    public void An_aisle_with_steps(double aisle, double riser, double turn, bool holds)
    {
        foreach (var units in new[] { UnitSystem.Metric, UnitSystem.FeetInches })
        {
            var sample = Blocks(aisle, 5, 10, turn, "international-model-code", units);
            var from = new Placement(5000, 3000, turn);
            for (var row = 1; row < 5; row++)
            {
                var middle = from.Out(new Point((10_000 + aisle) / 2, row * 1000));
                sample.Do(
                    new PutThing(new Platform($"step-{row}", PlanStart.LevelId, middle.X, middle.Y, turn, 14_000, 1000, row * riser))
                );
            }
            var found = Of(sample, "ibc-1030.9.1-stepped-both");
            Assert.Equal(holds ? 0 : 1, found.Length);
            Assert.All(found, finding => Assert.Equal((aisle, 1219.2), (Math.Round(finding.Measured, 2), Math.Round(finding.Needed, 6))));
            Assert.Empty(Of(sample, "ibc-1030.9.1-level-both"));
        }
    }

    /// <summary>On one platform together, or with the platforms beside the rows alone, an aisle has no step: 42 in are enough.</summary>
    [Fact]
    public void An_aisle_on_one_platform_has_no_steps()
    {
        var sample = Blocks(1100, 5, 10, 0, "international-model-code");
        sample.Do(new PutThing(new Platform("deck", PlanStart.LevelId, 10_500, 5000, 0, 14_000, 8000, 300)));
        Assert.Empty(Of(sample, "ibc-1030.9.1-stepped-both"));
        Assert.Empty(Of(sample, "ibc-1030.9.1-level-both"));
    }

    /// <summary>A high riser makes an aisle wider for those it serves: 0.3 in each, 0.005 in more for each 0.1 in over 7 in (1030.6.1); 200 seats at 200 mm need 200 x 0.345 = 69 in (1752.6 mm).</summary>
    [Theory]
    [InlineData(1752.6, 0)]
    [InlineData(1751.6, 1)]
    public void High_steps_ask_for_wider_aisles(double aisle, int findings)
    {
        var sample = Blocks(aisle, 10, 20, 0, "international-model-code");
        for (var row = 1; row < 10; row++)
            sample.Do(new PutThing(new Platform($"step-{row}", PlanStart.LevelId, 14_500, 3000 + row * 1000, 0, 27_000, 1000, row * 200)));
        Assert.Equal(findings, Of(sample, "ibc-1030.6.1-aisle-capacity").Count(finding => finding.Title.Contains("with steps")));
    }

    /// <summary>31 rows without a cross aisle are one too many (MVStättVO section 10); with one between they are not.</summary>
    [Fact]
    public void Rows_between_cross_aisles()
    {
        Sample Rows(int rows, double cross)
        {
            var sample = Room(10_000, 40_000, "Assembly", "german-places-of-assembly");
            for (var row = 0; row < rows; row++)
            for (var seat = 0; seat < 3; seat++)
                sample.Place($"{row:00}-{seat}", "stacking-chair", 3000 + 500 * seat, 1500 + 1000 * row + (row >= 15 ? cross : 0));
            return sample;
        }
        var finding = Assert.Single(Of(Rows(31, 0), "mvstaettvo-10-rows"), finding => finding.Title.Contains("cross aisle"));
        Assert.Equal(
            ("31 rows of 93 chairs: too many rows without a cross aisle", "31", "30"),
            (finding.Title, finding.MeasuredText, finding.NeededText)
        );
        Assert.DoesNotContain(Of(Rows(30, 0), "mvstaettvo-10-rows"), finding => finding.Title.Contains("cross aisle"));
        // 450 mm of passage and 450 more are 900: a cross aisle.
        Assert.DoesNotContain(Of(Rows(31, 450), "mvstaettvo-10-rows"), finding => finding.Title.Contains("cross aisle"));
        Assert.Contains(Of(Rows(31, 449), "mvstaettvo-10-rows"), finding => finding.Title.Contains("cross aisle"));
    }

    /// <summary>Two tables 1200 apart with people on both sides: 12 + 2 x 19 = 50 in, 1270 mm (1030.13.1.1); with people on one side 31 in, 787.4 mm.</summary>
    [Theory]
    [InlineData(1270, true, 0, true)]
    [InlineData(1269, true, 0, false)]
    [InlineData(1271, true, 5, true)]
    [InlineData(1269, true, 5, false)]
    [InlineData(787.4, false, 0, true)]
    [InlineData(786.4, false, 0, false)]
    public void Between_tables(double gap, bool both, double turn, bool holds)
    {
        var sample = Room(12_000, 12_000, "Dining", "international-model-code");
        var from = new Placement(6000, 6000, turn);
        var other = from.Out(new Point(0, 750 + gap));
        var back = new SeatsBySide(Front: both ? 3 : 0, Back: 3);
        sample.Place("a", "meeting-table-1800", 6000, 6000, turn, new SeatsBySide(Front: 3, Back: 3));
        sample.Place("b", "meeting-table-1800", other.X, other.Y, turn, back);
        var depth = sample.State.Items.Single(item => item.Item.Id == "a").Size.Depth;
        Assert.Equal(750, depth, 200.0);
        other = from.Out(new Point(0, depth + gap));
        sample.Do(new PutItemAt("b", other.X, other.Y, turn));
        var found = Of(sample, "ibc-1030.13.1.1-table-accessway");
        Assert.Equal(holds ? 0 : 1, found.Length);
        Assert.All(
            found,
            finding => Assert.Equal((gap, both ? 1270 : 787.4), (Math.Round(finding.Measured, 2), Math.Round(finding.Needed, 2)))
        );
    }

    /// <summary>Too near to another table and to the wall are two findings, each with an id of its own.</summary>
    [Fact]
    public void A_table_is_held_against_its_neighbour_and_the_wall()
    {
        var sample = Room(12_000, 12_000, "Dining", "international-model-code");
        var seats = new SeatsBySide(Front: 3, Back: 3);
        sample.Place("a", "meeting-table-1800", 6000, 1000, 0, seats);
        sample.Place("b", "meeting-table-1800", 6000, 2800, 0, seats);
        var found = Of(sample, "ibc-1030.13.1.1-table-accessway");
        Assert.Equal(2, found.Length);
        Assert.Equal(2, found.Select(finding => finding.Id).Distinct().Count());
        // Judged again they are the same two.
        sample.Place("c", "stacking-chair", 1000, 10_000);
        Assert.Equal(
            found.Select(finding => finding.Title),
            Of(sample, "ibc-1030.13.1.1-table-accessway").Select(finding => finding.Title)
        );
    }

    /// <summary>A table pushed to the wall has nobody between, and a row of tables put together neither.</summary>
    [Fact]
    public void Nobody_sits_between()
    {
        var sample = Room(12_000, 6000, "Dining", "international-model-code");
        sample.Place("a", "meeting-table-1800", 3000, 500, 0, new SeatsBySide(Back: 3));
        sample.Place("b", "meeting-table-1800", 4800, 500, 0, new SeatsBySide(Back: 3));
        Assert.Empty(Of(sample, "ibc-1030.13.1.1-table-accessway"));
    }

    /// <summary>21 in, 533.4 mm, before a wc (International Residential Code, from memory).</summary>
    [Theory]
    [InlineData(533.4, 0, true)]
    [InlineData(532.4, 0, false)]
    [InlineData(532.4, 5, false)]
    public void Free_floor_before_a_wc(double clear, double turn, bool holds)
    {
        var sample = Room(6000, 6000, "Bathroom", "space-standards");
        var at = new Placement(3000, 3000, turn);
        sample.Place("wc", "wc", 3000, 3000, turn);
        var deep = sample.State.Items.Single().Size.Depth;
        sample.Place("box", "base-unit-600", 0, 0, turn);
        var box = sample.State.Items.Single(item => item.Item.Id == "box").Size.Depth;
        var before = at.Out(new Point(0, -(deep / 2 + clear + box / 2)));
        sample.Do(new PutItemAt("box", before.X, before.Y, turn));
        Assert.Equal(holds ? 0 : 1, Of(sample, "irc-front-21").Length);
        Assert.All(Of(sample, "irc-front-21"), finding => Assert.Equal(clear, finding.Measured, 0.01));
    }

    /// <summary>Before kitchen units 1200 mm (Approved Document M, M4(2)): the wall is as much in the way as anything that stands there.</summary>
    [Theory]
    [InlineData(1200, true)]
    [InlineData(1199, false)]
    public void Free_floor_before_a_kitchen(double clear, bool holds)
    {
        var sample = Room(6000, 4000, "Kitchen", "english-accessibility");
        sample.Place("unit", "base-unit-600", 3000, 2000);
        var deep = sample.State.Items.Single().Size.Depth;
        sample.Do(new PutItemAt("unit", 3000, clear + deep / 2, 0));
        Assert.Equal(holds ? 0 : 1, Of(sample, "adm1-m42-kitchen").Length);
    }

    /// <summary>750 mm on both sides and at the foot of a double bed (Approved Document M, M4(2)).</summary>
    [Theory]
    [InlineData(750, 750, true)]
    [InlineData(749, 800, false)]
    [InlineData(800, 749, false)]
    public void Beside_a_bed(double side, double foot, bool holds)
    {
        var sample = new Sample().Room(3000, 3000);
        sample.Place("bed", "bed-uk-double", 1500, 1500);
        var size = sample.State.Items.Single().Size;
        sample = Room(size.Width + 800 + side, size.Depth + foot, "Bedroom", "english-accessibility");
        sample.Place("bed", "bed-uk-double", side + size.Width / 2, foot + size.Depth / 2);
        Assert.Equal(holds ? 0 : 1, Of(sample, "adm1-m42-bedroom").Length);
    }

    /// <summary>26 loose seats with the places among them need 2 (2010 ADA, 221.2.1.1), each with a companion's seat beside it.</summary>
    [Fact]
    public void Places_for_wheelchair_users_by_number_with_companions()
    {
        var sample = Room(20_000, 10_000, "Assembly", "american-accessibility");
        for (var i = 0; i < 25; i++)
            sample.Place($"c{i:00}", "stacking-chair", 4000 + 500 * i, 5000);
        Assert.Equal(
            ("0", "1"),
            Of(sample, "ada-221.2.1.1-wheelchair-spaces").Select(finding => (finding.MeasuredText, finding.NeededText)).Single()
        );
        sample.Place("w1", "wheelchair-space", 1500, 8000);
        Assert.Equal(
            ("1", "2"),
            Of(sample, "ada-221.2.1.1-wheelchair-spaces").Select(finding => (finding.MeasuredText, finding.NeededText)).Single()
        );
        Assert.Equal(
            ("0", "1"),
            Of(sample, "ada-221.3-4-companion").Select(finding => (finding.MeasuredText, finding.NeededText)).Single()
        );
        sample.Do(new PutItemAt("w1", 3200, 5000, 0));
        Assert.Empty(Of(sample, "ada-221.3-4-companion"));
        sample.Place("w2", "wheelchair-space", 1500, 8000);
        Assert.Empty(Of(sample, "ada-221.2.1.1-wheelchair-spaces"));
    }

    /// <summary>201 loose chairs are to be joined, 200 are not (International Building Code 2021, 1030.15; NFPA 101, 12.7.9.1).</summary>
    [Theory]
    [InlineData(200, 0)]
    [InlineData(201, 1)]
    public void Chairs_are_joined(int seats, int findings)
    {
        foreach (
            var (book, rule) in new[]
            {
                ("international-model-code", "ibc-1030.15-fastening"),
                ("life-safety-code", "nfpa101-12.7.9-loose-seats"),
            }
        )
        {
            var sample = Room(30_000, 20_000, "Assembly", book);
            for (var i = 0; i < seats; i++)
                sample.Place($"c{i:000}", "stacking-chair", 1000 + 700 * (i % 40), 2000 + 1200 * (i / 40));
            var found = Of(sample, rule);
            Assert.Equal(findings, found.Length);
            Assert.All(found, finding => Assert.Equal((FindingWeight.Must, (double)seats), (finding.Weight, finding.Measured)));
        }
    }

    /// <summary>A block whose chairs are joined in their rows keeps the rule, says so on the drawing, and is no other block for it: nothing is filled anew.</summary>
    [Fact]
    public void A_block_joins_its_chairs()
    {
        var sample = Room(30_000, 20_000, "Assembly", "international-model-code");
        var block = ((SeatingBlock)SeatingBlock.Kind.Make("block", PlanStart.LevelId, PlanStart.SchemeId, new Point(15_000, 10_000))).As(
            SeatingStyle.Rows
        );
        sample.Do(new PutThing(block with { Width = 20_000, Depth = 14_000 }) { Sure = true });
        Assert.True(sample.State.Items.Length > 200);
        Assert.Single(Of(sample, "ibc-1030.15-fastening"));
        var before = sample.State.Items.Select(item => item.Item).ToArray();
        var stored = sample.Plan.Find<SeatingBlock>("block")!;
        sample.Do(new PutThing(stored with { Chairs = ChairsJoined.InRows }) { Sure = true });
        Assert.Empty(Of(sample, "ibc-1030.15-fastening"));
        Assert.Equal(before, sample.State.Items.Select(item => item.Item));
        Assert.Equal("chairs joined", Assert.Single(sample.Plan.Find<SeatingBlock>("block")!.Texts(UnitSystem.Metric)).Text);
        Assert.NotEqual(stored, sample.Plan.Find<SeatingBlock>("block"));
        // A chair that stands by itself is joined to none.
        sample.Place("alone", "stacking-chair", 1000, 1000);
        Assert.Equal(1, Assert.Single(Of(sample, "ibc-1030.15-fastening")).Measured);
    }
}
