using Wellsedes.Core.Units;

namespace Wellsedes.Core.Tests.Units;

/// <summary>
/// More lengths as people write them, beside those of <see cref="LengthTextTests"/>: together over 60 accepted and 40
/// refused. One inch is exactly 25.4 mm, one foot 304.8 mm (international yard and pound agreement of 1959; from memory).
/// </summary>
public sealed class LengthTableTests
{
    [Theory]
    [InlineData("4 875", 4875)]
    [InlineData("4.875 m", 4875)]
    [InlineData("487.5cm", 4875)]
    [InlineData("0.5 m", 500)]
    [InlineData(".5 m", 500)]
    [InlineData("5. m", 5000)]
    [InlineData("  826  ", 826)]
    [InlineData("826mm", 826)]
    [InlineData("826 MM", 826)]
    [InlineData("+250", 250)]
    [InlineData("\u2212250", -250)]
    [InlineData("2 m - 5 cm", 1950)]
    [InlineData("2 m - 5 cm + 3 mm", 1953)]
    [InlineData("29' 6\"", 8991.6)]
    [InlineData("29ft 6in", 8991.6)]
    [InlineData("7' 4 1/2\"", 2247.9)]
    [InlineData("7ft 4.5in", 2247.9)]
    [InlineData("11'3\"", 3429)]
    [InlineData("11\u2019 3\u201d", 3429)]
    [InlineData("0' 6\"", 152.4)]
    [InlineData("1 foot", 304.8)]
    [InlineData("2 feet", 609.6)]
    [InlineData("1 inch", 25.4)]
    [InlineData("12 inches", 304.8)]
    [InlineData("1/16\"", 1.5875)]
    [InlineData("15/16 in", 23.8125)]
    [InlineData("3' - 1/2\"", 901.7)]
    [InlineData("10 ft + 10 cm", 3148)]
    [InlineData("100 000", 100000)]
    [InlineData("12\u2009500", 12500)]
    [InlineData("1,25 m", 1250)]
    public void Accepted(string text, double millimetres) =>
        Assert.Equal(millimetres, LengthText.Read(text, UnitSystem.Metric).Value!.Value, 9);

    [Theory]
    [InlineData("m")]
    [InlineData("'")]
    [InlineData("\"")]
    [InlineData("4200 4200")]
    [InlineData("4 20")]
    [InlineData("4..2 m")]
    [InlineData("4,2,1")]
    [InlineData("4 m 20")]
    [InlineData("4 m 20 cm")]
    [InlineData("6\" 5'")]
    [InlineData("5' 12\"")]
    [InlineData("5' 3' 2\"")]
    [InlineData("1/2/3 in")]
    [InlineData("1//2 in")]
    [InlineData("/2 in")]
    [InlineData("3 yd")]
    [InlineData("3 km")]
    [InlineData("0x10")]
    [InlineData("1e3")]
    [InlineData("Infinity")]
    [InlineData("(3 + 4)")]
    [InlineData("3 x 4")]
    [InlineData("3 m +")]
    [InlineData("+ - 3")]
    [InlineData("3 \u00d7 2")]
    [InlineData("\u0661\u0662")]
    [InlineData("12\u0000")]
    public void Refused(string text)
    {
        var read = LengthText.Read(text, UnitSystem.Metric);
        Assert.False(read.Ok);
        Assert.NotEmpty(read.Problem!);
        Assert.InRange(read.Position, 0, text.Length);
    }
}
