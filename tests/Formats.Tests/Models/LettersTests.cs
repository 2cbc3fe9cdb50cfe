using Wellsedes.Core.Geometry;
using Wellsedes.Formats.Lettering;

namespace Wellsedes.Formats.Tests.Models;

/// <summary>The outlines of letters, as they are built on floors and signs.</summary>
public sealed class LettersTests
{
    [Theory]
    [InlineData("H", 1, 0)]
    [InlineData("O", 1, 1)]
    [InlineData("B8", 2, 4)]
    [InlineData("i", 2, 0)]
    [InlineData("Way out", 6, 2)]
    [InlineData("   ", 0, 0)]
    [InlineData("", 0, 0)]
    public void Letters_have_their_parts_and_their_holes(string text, int parts, int holes)
    {
        var letters = Typefaces.Shared.Letters(text, 200);
        Assert.Equal((parts, holes), (letters.Length, letters.Sum(letter => letter.Holes.Length)));
    }

    /// <summary>Capitals are about seven tenths of the size (common practice), about the middle, and as wide as they are measured but for the room beside them.</summary>
    [Fact]
    public void Letters_stand_about_the_middle_as_wide_as_they_are_measured()
    {
        var box = Region.BoxOf(Typefaces.Shared.Letters("HHHH", 300));
        Assert.Equal(0.7 * 300, box.Height, 0.5);
        Assert.Equal(0, box.Centre.Y, 0.5);
        Assert.Equal(0, box.Centre.X, 1.0);
        Assert.InRange(Typefaces.Shared.Width("HHHH", 300, true) - box.Width, 0, 60);
    }
}
