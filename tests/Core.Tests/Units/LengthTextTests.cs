using Wellsedes.Core.Units;

namespace Wellsedes.Core.Tests.Units;

/// <summary>Exact by the international inch of 25.4 mm (agreement of 1959; recalled from memory).</summary>
public sealed class LengthTextTests
{
    [Theory]
    [InlineData("4200", 4200)]
    [InlineData("4 200", 4200)]
    [InlineData("18 000", 18000)]
    [InlineData("1 234 567", 1234567)]
    [InlineData("4\u00a0200", 4200)]
    [InlineData("4.2 m", 4200)]
    [InlineData("4,2m", 4200)]
    [InlineData("420 cm", 4200)]
    [InlineData("420CM", 4200)]
    [InlineData("899.9", 899.9)]
    [InlineData("0", 0)]
    [InlineData("-250", -250)]
    [InlineData("6000 - 1550", 4450)]
    [InlineData("6000-1550+50", 4500)]
    [InlineData("3 m + 2 ft", 3609.6)]
    [InlineData("13' 9 3/8\"", 4200.525)]
    [InlineData("13ft 9.375in", 4200.525)]
    [InlineData("13 feet 9 3/8 inches", 4200.525)]
    [InlineData("13'9\"", 4191)]
    [InlineData("13' 9", 4191)]
    [InlineData("13'-9\"", 4191)]
    [InlineData("10'-6\"", 3200.4)]
    [InlineData("10'-6", 3200.4)]
    [InlineData("10\u2032\u20116 1/2\u2033", 3213.1)]
    [InlineData("13'-9 3/8\"", 4200.525)]
    [InlineData("10'-6'", 1219.2)]
    [InlineData("10' - 6'", 1219.2)]
    [InlineData("13'", 3962.4)]
    [InlineData("1 ft", 304.8)]
    [InlineData("1 in", 25.4)]
    [InlineData("1/2 in", 12.7)]
    [InlineData("5 1/2\"", 139.7)]
    [InlineData("5' 3 1/2\"", 1612.9)]
    [InlineData("16ft 4in", 4978.4)]
    [InlineData("36 in", 914.4)]
    [InlineData("13′ 9″", 4191)]
    public void Reads_on_a_metric_plan(string text, double millimetres) =>
        Assert.Equal(millimetres, LengthText.Read(text, UnitSystem.Metric).Value!.Value, 9);

    [Theory]
    [InlineData("36", 914.4)]
    [InlineData("5 1/2", 139.7)]
    [InlineData("3/8", 9.525)]
    [InlineData("4200 mm", 4200)]
    [InlineData("10' - 6", 2895.6)]
    public void A_bare_figure_is_inches_on_a_feet_and_inches_plan(string text, double millimetres) =>
        Assert.Equal(millimetres, LengthText.Read(text, UnitSystem.FeetInches).Value!.Value, 9);

    [Theory]
    [InlineData("", 0)]
    [InlineData("  ", 0)]
    [InlineData("abc", 0)]
    [InlineData("12 ells", 3)]
    [InlineData("12 +", 4)]
    [InlineData("12 * 3", 3)]
    [InlineData("1.2.3", 3)]
    [InlineData("3/0 in", 2)]
    [InlineData("3/ in", 2)]
    [InlineData("1.5/2", 0)]
    [InlineData("13' 15\"", 4)]
    [InlineData("13'-15\"", 4)]
    [InlineData("13-9", 2)]
    [InlineData("13' 2 m", 4)]
    [InlineData("12 12", 3)]
    [InlineData("1e5", 1)]
    [InlineData("NaN", 0)]
    [InlineData("99999999999999999999", 0)]
    [InlineData("5000 km", 5)]
    [InlineData("2000000 m", 0)]
    [InlineData("12 mmm", 3)]
    [InlineData("=cmd", 0)]
    [InlineData("2 m 3/8", 4)]
    public void Refuses_and_points_at_the_character(string text, int position)
    {
        var read = LengthText.Read(text, UnitSystem.Metric);
        Assert.False(read.Ok);
        Assert.False(string.IsNullOrWhiteSpace(read.Problem));
        Assert.Equal(position, read.Position);
    }

    [Fact]
    public void Refuses_a_text_that_is_too_long() =>
        Assert.False(LengthText.Read(new string('1', LengthText.LongestText + 1), UnitSystem.Metric).Ok);

    [Theory]
    [InlineData(18000, "18\u00a0000")]
    [InlineData(899.9, "899.9")]
    [InlineData(-1234.5, "-1\u00a0234.5")]
    [InlineData(0, "0")]
    public void Writes_metric(double millimetres, string text) => Assert.Equal(text, LengthText.Write(millimetres, UnitSystem.Metric));

    [Theory]
    [InlineData(4200.525, "13' 9 3/8\"")]
    [InlineData(914.4, "3'")]
    [InlineData(12.7, "1/2\"")]
    [InlineData(139.7, "5 1/2\"")]
    [InlineData(0, "0\"")]
    [InlineData(304.7, "1'")]
    public void Writes_feet_and_inches_to_a_sixteenth(double millimetres, string text) =>
        Assert.Equal(text, LengthText.Write(millimetres, UnitSystem.FeetInches));

    [Fact]
    public void Every_sixteenth_of_an_inch_up_to_30_feet_reads_back_as_written()
    {
        for (var sixteenth = 1; sixteenth <= 30 * 192; sixteenth += 7)
        {
            var millimetres = sixteenth * 25.4 / 16;
            var text = LengthText.Write(millimetres, UnitSystem.FeetInches);
            Assert.Equal(millimetres, LengthText.Read(text, UnitSystem.Metric).Value!.Value, 9);
        }
    }

    [Theory]
    [InlineData("22.5", 22.5)]
    [InlineData("30 deg", 30)]
    [InlineData("-90°", 270)]
    [InlineData("360", 0)]
    public void Reads_angles(string text, double degrees) => Assert.Equal(degrees, AngleText.Read(text).Value);

    [Theory]
    [InlineData("north")]
    [InlineData("")]
    [InlineData("NaN")]
    [InlineData("99999")]
    public void Refuses_angles(string text) => Assert.False(AngleText.Read(text).Ok);
}
