using Wellsedes.Core.Editing;
using Wellsedes.Core.Findings;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Tests.Compliance;

/// <summary>
/// Rows of loose chairs, measured and held against International Building Code 2021 (1030.13.2), BS 9999 (seatways) and MVStättVO (section 10), all from memory. Chairs are 500 wide and
/// 550 deep and look towards -y.
/// </summary>
public sealed class SeatRowTests
{
    private const double Deep = 550;

    /// <summary>Rows of so many, each so far behind the one ahead, the first chair's middle at x and y, all turned about it.</summary>
    private static Sample Rows(double room, int rows, int seats, double passage, double x, string book, double turn = 0, double apart = 500)
    {
        var sample = new Sample().Room(room, 14_000);
        sample.Do(new ChooseBook("book", book));
        var from = new Placement(x, 3000, turn);
        for (var row = 0; row < rows; row++)
        for (var seat = 0; seat < seats; seat++)
        {
            var at = from.Out(new Point(seat * apart, row * (Deep + passage)));
            sample.Place($"{(char)('a' + row)}-{seat:00}", "stacking-chair", at.X, at.Y, turn);
        }
        return sample;
    }

    private static Finding[] Of(Sample sample, string rule) => [.. sample.State.Findings.Where(finding => finding.RuleId == rule)];

    /// <summary>20 seats with an aisle at both ends need 12 + 0.3 x 6 = 13.8 in: 350.52 mm. At the limit, a unit over and under, and turned by 5 degrees.</summary>
    [Theory]
    [InlineData(350.52, 0, true)]
    [InlineData(351.5, 0, true)]
    [InlineData(349.5, 0, false)]
    [InlineData(350.52, 5, true)]
    [InlineData(349.5, 5, false)]
    public void A_row_between_two_aisles(double passage, double turn, bool holds)
    {
        var sample = Rows(16_000, 3, 20, passage, 3000, "international-model-code", turn);
        var found = Of(sample, "ibc-1030.13.2.1-dual");
        // The first row has no row ahead; the other two are alike.
        Assert.Equal(holds ? 0 : 2, found.Length);
        Assert.Empty(Of(sample, "ibc-1030.13.2.2-single"));
        Assert.All(found, finding => Assert.Equal((passage, 350.52), (Math.Round(finding.Measured, 4), Math.Round(finding.Needed, 4))));
        Assert.All(found, finding => Assert.Equal("Row of 20 chairs: passage too narrow for its seats", finding.Title));
    }

    /// <summary>12 seats from one aisle, the other end at the wall, need 12 + 0.6 x 5 = 15 in: 381 mm.</summary>
    [Theory]
    [InlineData(381, true)]
    [InlineData(380, false)]
    public void A_row_with_its_end_at_a_wall(double passage, bool holds)
    {
        var sample = Rows(9000, 2, 12, passage, 400, "international-model-code");
        Assert.Equal(holds ? 0 : 1, Of(sample, "ibc-1030.13.2.2-single").Length);
        Assert.Empty(Of(sample, "ibc-1030.13.2.1-dual"));
        Assert.Equal(holds, Of(Rows(9000, 2, 12, passage, 400, "life-safety-code"), "nfpa101-rows").Length == 0);
    }

    /// <summary>Six metres of chairs in a room of 6.4 m: nobody comes in at either end.</summary>
    [Fact]
    public void A_row_from_wall_to_wall()
    {
        var finding = Assert.Single(Of(Rows(6400, 2, 12, 600, 450, "international-model-code"), "ibc-1030.13.2.2-single"));
        Assert.Equal(("Row of 12 chairs: no aisle reaches it", "0", "1"), (finding.Title, finding.MeasuredText, finding.NeededText));
    }

    /// <summary>A seatway of 324 mm takes 7 from one gangway, one of 325 takes 8; from two 14 and 16. Bands, not a line.</summary>
    [Theory]
    [InlineData(324, 7, 400, true)]
    [InlineData(324, 8, 400, false)]
    [InlineData(325, 8, 400, true)]
    [InlineData(324, 14, 3000, true)]
    [InlineData(324, 15, 3000, false)]
    [InlineData(500, 25, 3000, true)]
    [InlineData(299, 3, 3000, false)]
    public void Seatways_by_bands(double passage, int seats, double x, bool holds) =>
        Assert.Equal(holds, Of(Rows(22_000, 2, seats, passage, x, "english-guidance"), "uk-seatway").Length == 0);

    /// <summary>Ten from one aisle, twenty between two, 0.40 m apart.</summary>
    [Theory]
    [InlineData(400, 10, 400, true)]
    [InlineData(400, 11, 400, false)]
    [InlineData(400, 20, 3000, true)]
    [InlineData(400, 21, 3000, false)]
    [InlineData(399, 5, 3000, false)]
    public void German_rows(double passage, int seats, double x, bool holds) =>
        Assert.Equal(holds, Of(Rows(22_000, 2, seats, passage, x, "german-places-of-assembly"), "mvstaettvo-10-rows").Length == 0);

    /// <summary>Chairs with an aisle between each two of them and rows of two are no rows; those at tables neither.</summary>
    [Fact]
    public void What_is_no_row_is_not_judged()
    {
        Assert.Empty(Rule(Rows(18_000, 3, 10, 50, 3000, "international-model-code", apart: 1100)));
        Assert.Empty(Rule(Rows(16_000, 3, 2, 50, 3000, "international-model-code")));
        var tables = new Sample().Room(12_000, 9000);
        tables.Do(new ChooseBook("book", "international-model-code"));
        tables.Place("a", "round-table-1525", 3000, 4000).Place("b", "round-table-1525", 3000, 6500);
        Assert.Empty(Rule(tables));

        static Finding[] Rule(Sample sample) =>
            [.. sample.State.Findings.Where(finding => finding.RuleId.StartsWith("ibc-1030.13.2", StringComparison.Ordinal))];
    }

    /// <summary>A gap of 700 mm in the middle is an aisle: two blocks of ten, each between two aisles.</summary>
    [Fact]
    public void An_aisle_parts_rows()
    {
        var sample = Rows(20_000, 2, 10, 300, 3000, "international-model-code");
        for (var row = 0; row < 2; row++)
        for (var seat = 0; seat < 10; seat++)
            sample.Place($"x{row}-{seat:00}", "stacking-chair", 3000 + 9 * 500 + 500 + 700 + seat * 500, 3000 + row * (Deep + 300));
        Assert.Equal(2, Of(sample, "ibc-1030.13.2.1-dual").Length);
        Assert.Equal(
            4,
            sample
                .State.Findings.Where(finding => finding.RuleId.StartsWith("ibc-1030.13.2", StringComparison.Ordinal))
                .SelectMany(f => f.At)
                .Count()
        );
    }

    /// <summary>A place for a wheelchair user in the middle of a row, its back on the line of the backs: the row goes on past it.</summary>
    [Fact]
    public void A_wheelchair_place_parts_no_row()
    {
        var sample = Rows(16_000, 2, 6, 330, 3000, "international-model-code");
        for (var row = 0; row < 2; row++)
        {
            var y = 3000 + row * (Deep + 330);
            sample.Place($"w{row}", "wheelchair-space", 3000 + 5 * 500 + 250 + 400, y + Deep / 2 - 650);
            for (var seat = 0; seat < 6; seat++)
                sample.Place($"y{row}-{seat}", "stacking-chair", 3000 + 5 * 500 + 250 + 800 + 250 + seat * 500, y);
        }
        // 13 places between two aisles are content with 12 in, 304.8 mm.
        Assert.DoesNotContain(sample.State.Findings, finding => finding.RuleId.StartsWith("ibc-1030.13.2", StringComparison.Ordinal));
        // One place more than nothing: at 300 mm they are not, as one row of 13.
        var narrow = Rows(16_000, 2, 6, 300, 3000, "international-model-code");
        Assert.Single(Of(narrow, "ibc-1030.13.2.1-dual"));
    }

    /// <summary>A hundred heaps of chairs, on top of each other, turned anyhow, in rings, a kilometre away: each chair is in one row at most, and nothing breaks.</summary>
    [Fact]
    public void Heaps_of_chairs_are_measured()
    {
        var random = new Random(9);
        for (var n = 0; n < 100; n++)
        {
            var sample = new Sample().Room(12_000, 9000);
            sample.Do(new ChooseBook("book", "international-model-code"));
            var far = n % 10 == 0 ? 900_000 : 0;
            for (var i = 0; i < 40; i++)
            {
                var ring = Point.At(9 * i) * 1500;
                var (x, y, turn) = (n % 3) switch
                {
                    0 => (1000 + 3000 * random.NextDouble(), 1000 + 2000 * random.NextDouble(), 360 * random.NextDouble()),
                    1 => (3000 + ring.X, 3000 + ring.Y, 9.0 * i - 90),
                    _ => (1000 + 300 * (i % 8), 1000 + 300 * (i / 8), 0.0),
                };
                sample.Do(
                    new PlaceItem($"c{i}", PlanStart.SchemeId, PlanStart.LevelId, "stacking-chair", far + x, y, turn) { Sure = true }
                );
            }
            var rows = Core
                .Compliance.SeatRows.Measure(sample.State.Space, Core.Compliance.SeatRows.Find(sample.State.Space, sample.State.Items))
                .ToArray();
            Assert.True(rows.Sum(row => (double)row.Figures["seats"]!) <= 40);
        }
    }
}
