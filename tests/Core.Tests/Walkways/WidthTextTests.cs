using Wellsedes.Core.Geometry;
using Wellsedes.Core.Units;
using Wellsedes.Core.Walkways;

namespace Wellsedes.Core.Tests.Walkways;

/// <summary>Widths are rounded down by one rule, needed and measured alike, and what is said agrees with what is judged.</summary>
public sealed class WidthTextTests
{
    [Theory]
    [InlineData(888.0049, 900, "888", "900")]
    [InlineData(899.96, 900, "899", "900")]
    [InlineData(899.995, 900, "900", "900")]
    [InlineData(900.9, 900, "900", "900")]
    [InlineData(482.65, 482.6, "482.6", "482.6")]
    [InlineData(482.55, 482.6, "482.5", "482.6")]
    [InlineData(600, 482.6, "600", "482.6")]
    public void In_millimetres_a_tenth_is_told_only_where_it_decides(double measured, double needed, string said, string beside) =>
        Assert.Equal((said, beside), WidthText.Write(measured, needed, UnitSystem.Metric));

    [Theory]
    [InlineData(900, 900, "2' 11 3/8\"", "2' 11 3/8\"")]
    [InlineData(914.4, 914.4, "3'", "3'")]
    [InlineData(914.3, 914.4, "2' 11 15/16\"", "3'")]
    [InlineData(899, 899.3, "2' 11 25/64\"", "2' 11 51/128\"")]
    public void In_feet_both_are_cut_at_a_sixteenth_or_as_finely_as_it_takes(double measured, double needed, string said, string beside) =>
        Assert.Equal((said, beside), WidthText.Write(measured, needed, UnitSystem.FeetInches));

    [Fact]
    public void What_is_said_is_less_exactly_when_the_width_does_not_hold()
    {
        var random = new Random(9);
        for (var i = 0; i < 20_000; i++)
        {
            var needed = Math.Round(random.NextDouble() * 2000, random.Next(3)) + 300;
            var measured = needed + (random.NextDouble() - 0.5) * Math.Pow(10, random.Next(-1, 3));
            if (Math.Abs(measured - needed) is < 0.2 and > 1e-9)
                continue;
            foreach (var units in Enum.GetValues<UnitSystem>())
            {
                var (said, beside) = WidthText.Write(measured, needed, units);
                var (a, b) = (Read(said), Read(beside));
                Assert.True(a < b - 1e-6 != Tolerance.Meets(measured, needed), $"{measured} of {needed}: {said} of {beside}");

                double Read(string text) => LengthText.Read(text, units).Value!.Value;
            }
        }
    }
}
