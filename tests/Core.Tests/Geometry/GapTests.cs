using CsCheck;
using Wellsedes.Core.Geometry;

namespace Wellsedes.Core.Tests.Geometry;

/// <summary>Worked out by hand; turned cases by the same figures.</summary>
public sealed class GapTests
{
    [Fact]
    public void Two_circles() =>
        Assert.Equal(1500 - 400 - 300, Gap.Between(Convex.Disc(new(0, 0), 400), Convex.Disc(new(900, 1200), 300)).Width, 9);

    [Fact]
    public void A_circle_to_a_corner()
    {
        var gap = Gap.Between(Convex.Disc(new(0, 0), 500), Convex.Rectangle(new(1600, 1400), 2000, 2000));
        Assert.Equal(Math.Sqrt(600 * 600 + 400 * 400) - 500, gap.Width, 9);
        Assert.Equal(new Point(600, 400), gap.B);
    }

    [Theory]
    [InlineData(0)]
    [InlineData(17)]
    [InlineData(45)]
    [InlineData(90)]
    [InlineData(123.456)]
    public void Parallel_desks_stay_900_apart_however_they_are_turned(double turn)
    {
        var place = new Placement(12345.6, -789.1, turn);
        var a = Convex.Rectangle(new(0, 0), 1600, 800).At(place);
        var b = Convex.Rectangle(new(300, 1700), 1600, 800).At(place);
        Assert.True(Tolerance.Meets(Gap.Between(a, b).Width, 900));
        Assert.False(Tolerance.Meets(Gap.Between(a, b).Width, 900.02));
    }

    [Fact]
    public void A_corner_at_45_degrees_to_a_wall()
    {
        var table = Convex.Rectangle(default, 1000, 1000).At(new Placement(0, 2000, 45));
        var wall = Convex.Rectangle(new(0, -150), 10000, 300);
        Assert.Equal(2000 - 500 * Math.Sqrt(2), Gap.Between(table, wall).Width, 9);
    }

    [Fact]
    public void Overlap_is_the_push_that_clears_it() =>
        Assert.Equal(-30, Gap.Between(Convex.Rectangle(default, 100, 100), Convex.Rectangle(new(70, 10), 100, 100)).Width, 9);

    [Fact]
    public void Nine_hundred_is_nine_hundred_turned_or_converted()
    {
        Gen.Select(Gen.Double[0, 360], Gen.Double[-50000, 50000], Gen.Double[-50000, 50000])
            .Sample(
                (turn, x, y) =>
                {
                    var place = new Placement(x, y, turn);
                    var a = Convex.Rectangle(default, 1524, 762).At(place);
                    var exact = Convex.Rectangle(new Point(0, 762 + 900), 1524, 762).At(place);
                    var less = Convex.Rectangle(new Point(0, 762 + 899.9), 1524, 762).At(place);
                    return Tolerance.Meets(Gap.Between(a, exact).Width, 900) && !Tolerance.Meets(Gap.Between(a, less).Width, 900);
                },
                iter: 5000
            );
    }

    [Fact]
    public void A_gap_is_the_same_from_both_sides()
    {
        var shape = Gen.Select(Gen.Double[-3000, 3000], Gen.Double[-3000, 3000], Gen.Double[0, 360], Gen.Double[50, 900], Gen.Int[0, 2]);
        Gen.Select(shape, shape)
            .Sample((a, b) => Math.Abs(Gap.Between(Make(a), Make(b)).Width - Gap.Between(Make(b), Make(a)).Width) < 1e-6, iter: 5000);

        static Convex Make((double X, double Y, double Rotation, double Size, int Kind) s) =>
            (
                s.Kind switch
                {
                    0 => Convex.Disc(default, s.Size),
                    1 => Convex.Capsule(new Point(-s.Size, 0), new Point(s.Size, 0), s.Size / 4),
                    _ => Convex.Rectangle(default, s.Size * 2, s.Size),
                }
            ).At(new Placement(s.X, s.Y, s.Rotation));
    }
}
