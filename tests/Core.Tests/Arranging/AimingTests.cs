using Wellsedes.Core.Arranging;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.Tests.Arranging;

/// <summary>Where a hand is drawn to while it draws, and what a typed length and angle make of it.</summary>
public sealed class AimingTests
{
    private const string L = PlanStart.LevelId;

    private static Aim Ask(
        Sample sample,
        double x,
        double y,
        Point? from = null,
        Point? before = null,
        double? length = null,
        double? angle = null
    ) => Aiming.At(new AimQuestion(L, new Point(x, y), 100, from, before, null, length, angle), sample.State.Space);

    [Theory]
    [InlineData(60, 40, 0, 0, "corner")]
    [InlineData(3040, 20, 3000, 0, "halfway")]
    [InlineData(1500, 30, 1500, 0, "on a wall")]
    public void A_place_is_drawn_to_what_is_near(double x, double y, double atX, double atY, string caught)
    {
        var aim = Ask(new Sample().Room(6000, 4000), x, y);
        Assert.Equal((atX, atY, caught), (Math.Round(aim.At.X, 6), Math.Round(aim.At.Y, 6), aim.Caught));
    }

    [Fact]
    public void Crossings_of_setting_out_lines_catch()
    {
        var sample = new Sample().Room(6000, 4000);
        sample.Do(new SetOut(new SettingOutLine("a", L, 2000, 0, 90))).Do(new SetOut(new SettingOutLine("b", L, 0, 1200, 0)));
        var aim = Ask(sample, 2030, 1170);
        Assert.Equal(("crossing", 2000.0, 1200.0), (aim.Caught, aim.At.X, aim.At.Y));
    }

    [Fact]
    public void A_direction_nearly_square_is_square_and_tells_its_angle()
    {
        var aim = Ask(new Sample(), 3000, 60, new Point(0, 0), new Point(0, -2000));
        Assert.Equal((3000.0, 0.0), (aim.At.X, aim.At.Y));
        Assert.StartsWith("square to the side before", aim.Caught);
        Assert.Equal(90, aim.Angle!.Value, 6);
        Assert.Equal(3000, aim.Length, 6);
    }

    [Fact]
    public void A_typed_length_holds_along_the_pointed_direction()
    {
        var aim = Ask(new Sample(), 900, 20, new Point(0, 0), new Point(0, -2000), 4875);
        Assert.Equal((4875.0, 0.0), (aim.At.X, aim.At.Y));
    }

    [Theory]
    [InlineData(1000, 120)]
    [InlineData(-1000, 120)]
    public void A_typed_angle_opens_to_the_pointers_side(double pointX, double angle)
    {
        // Coming up from the south, an angle of 120 to the side before leans 30 off straight east or west.
        var aim = Ask(new Sample(), pointX, 500, new Point(0, 0), new Point(0, -2000), 2000, angle);
        Assert.Equal(Math.Sign(pointX) * 2000 * Math.Cos(Math.PI / 6), aim.At.X, 6);
        Assert.Equal(1000, aim.At.Y, 6);
        Assert.Equal(120, aim.Angle!.Value, 6);
    }

    [Fact]
    public void The_first_side_counts_its_angle_from_east_and_a_grid_catches_where_nothing_else_does()
    {
        var aim = Ask(new Sample(), 1, 1, new Point(0, 0), null, 1000, 30);
        Assert.Equal(500, aim.At.Y, 6);
        var sample = new Sample().Do(new PutLevel(new Level(L, "Ground floor", 0, 4200, 300, 250)));
        Assert.Equal(("grid", 1250.0, 750.0), (Ask(sample, 1270, 730).Caught, Ask(sample, 1270, 730).At.X, Ask(sample, 1270, 730).At.Y));
    }

    [Fact]
    public void Without_catching_the_hand_is_where_it_is()
    {
        var aim = Aiming.At(new AimQuestion(L, new Point(20, 30), 0), new Sample().Room().State.Space);
        Assert.Equal(new Point(20, 30), aim.At);
        Assert.Empty(aim.Caught);
    }
}
