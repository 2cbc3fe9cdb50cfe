using Wellsedes.Core.Rulebooks;

namespace Wellsedes.Core.Tests.Rulebooks;

/// <summary>
/// Published values that a fill reads, held against worked examples. Values and examples are recalled from memory; the adopted edition decides. The names are those of the
/// reference entries.
/// </summary>
public sealed class SeatingRulesTests
{
    private const double Inch = 25.4;

    /// <summary>ibc-1030.13.2.1-dual #1 to #4, nfpa101-rows #1: International Building Code 2021, 1030.13.2.1; NFPA 101 12.2.5.5.</summary>
    [Theory]
    [InlineData(14, 12.0)]
    [InlineData(20, 13.8)]
    [InlineData(30, 16.8)]
    [InlineData(47, 21.9)]
    [InlineData(48, 22.0)]
    public void Rows_with_an_aisle_at_both_ends(int seats, double inches) =>
        Assert.Equal(inches * Inch, SeatingRules.IbcPassage(seats, true), 6);

    /// <summary>ibc-1030.13.2.2-single #1 to #4: International Building Code 2021, 1030.13.2.2.</summary>
    [Theory]
    [InlineData(7, 12.0)]
    [InlineData(12, 15.0)]
    [InlineData(23, 21.6)]
    [InlineData(24, 22.0)]
    public void Rows_with_an_aisle_at_one_end(int seats, double inches) =>
        Assert.Equal(inches * Inch, SeatingRules.IbcPassage(seats, false), 6);

    /// <summary>
    /// What a passage allows is the other way round of what a row needs. theatre-rows #1: 36 in pitch less chairs of 22 in leave 14 in, 20 seats between two aisles
    /// (common practice).
    /// </summary>
    [Fact]
    public void The_most_seats_need_no_more_than_the_passage()
    {
        Assert.Equal(10, SeatingRules.MostFromAisle(SeatingRule.Ibc, 14 * Inch));
        for (var passage = 305.0; passage < 559; passage += 1.7)
        {
            var most = SeatingRules.MostFromAisle(SeatingRule.Ibc, passage)!.Value;
            Assert.True(SeatingRules.IbcPassage(most, false) <= passage + 0.02);
            Assert.True(SeatingRules.IbcPassage(2 * most, true) <= passage + 0.02);
            Assert.True(SeatingRules.IbcPassage(most + 1, false) > passage - 0.02);
        }
        Assert.Equal(50, SeatingRules.MostFromAisle(SeatingRule.Ibc, 22 * Inch));
        Assert.Null(SeatingRules.MostFromAisle(SeatingRule.Ibc, 300));
    }

    /// <summary>uk-seatway #1 to #4 and its bands: BS 9999 (table number not recalled).</summary>
    [Theory]
    [InlineData(299, null, null)]
    [InlineData(324, 7, 14)]
    [InlineData(325, 8, 16)]
    [InlineData(374, 9, 18)]
    [InlineData(399, 10, 20)]
    [InlineData(400, 11, 22)]
    [InlineData(449, 12, 24)]
    [InlineData(460, 12, 26)]
    [InlineData(499, 12, 28)]
    public void Seatways_by_bands(double seatway, int? one, int? both)
    {
        var seats = SeatingRules.UkSeatway(seatway);
        Assert.Equal((one, both), (seats?.One, seats?.Both));
        Assert.Equal(one, SeatingRules.MostFromAisle(SeatingRule.Uk, seatway));
    }

    /// <summary>mvstaettvo-10-rows: MVStättVO (Germany), section 10(2) to (5): 10 seats beside an aisle, 20 between two, at a passage of 0.40 m.</summary>
    [Fact]
    public void German_rows()
    {
        Assert.Equal(10, SeatingRules.MostFromAisle(SeatingRule.Germany, 400));
        Assert.Null(SeatingRules.MostFromAisle(SeatingRule.Germany, 399));
    }

    /// <summary>ibc-1030.9.1-level-both #1 to #4: International Building Code 2021, 1030.9.1, its exceptions and the capacity of 0.2 in a person.</summary>
    [Theory]
    [InlineData(120, 42)]
    [InlineData(49, 36)]
    [InlineData(14, 30)]
    [InlineData(300, 60)]
    public void Aisles_by_the_seats_they_serve(int seats, double inches) => Assert.Equal(inches * Inch, SeatingRules.IbcAisle(seats), 6);

    /// <summary>ibc-1030.13.1.1-table-accessway #1 to #4: International Building Code 2021, 1030.13.1.1.</summary>
    [Theory]
    [InlineData(12, 8, 12.0)]
    [InlineData(15.25, 8, 14.0)]
    [InlineData(20, 8, 16.0)]
    [InlineData(5.5, 4, 0.0)]
    [InlineData(15, 8, 13.5)]
    public void Ways_between_long_tables(double feet, int persons, double inches) =>
        Assert.Equal(inches * Inch, SeatingRules.IbcTableAccess(feet * 304.8, persons), 6);

    /// <summary>ada-221.2.1.1-wheelchair-spaces #1 to #7: 2010 ADA Standards, table 221.2.1.1.</summary>
    [Theory]
    [InlineData(SeatingRule.Ibc, 25, 1)]
    [InlineData(SeatingRule.Ibc, 26, 2)]
    [InlineData(SeatingRule.Ibc, 120, 4)]
    [InlineData(SeatingRule.Ibc, 150, 4)]
    [InlineData(SeatingRule.Ibc, 151, 5)]
    [InlineData(SeatingRule.Ibc, 500, 6)]
    [InlineData(SeatingRule.Ibc, 501, 7)]
    [InlineData(SeatingRule.Ibc, 5000, 36)]
    // mvstaettvo-10-wheelchair #1, #2; din18040-1-wheelchair-place #2.
    [InlineData(SeatingRule.Germany, 180, 2)]
    [InlineData(SeatingRule.Germany, 450, 5)]
    [InlineData(SeatingRule.Germany, 320, 4)]
    // adm2-wheelchair-number #1, #2: Approved Document M volume 2, table 3; permanent and removable together.
    [InlineData(SeatingRule.Uk, 450, 6)]
    [InlineData(SeatingRule.Uk, 800, 8)]
    [InlineData(SeatingRule.Typed, 800, 0)]
    public void Places_for_wheelchair_users(SeatingRule rule, int seats, int places) =>
        Assert.Equal(places, SeatingRules.WheelchairPlaces(rule, seats));
}
