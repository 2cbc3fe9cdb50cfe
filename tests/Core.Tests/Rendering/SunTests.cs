using Wellsedes.Core.Plans;
using Wellsedes.Core.Rendering;
using Wellsedes.Core.SolidModel;

namespace Wellsedes.Core.Tests.Rendering;

/// <summary>Sun positions against published examples; all published values here are recalled from memory.</summary>
public class SunTests
{
    /// <summary>Reda and Andreas, Solar Position Algorithm for Solar Radiation Applications (NREL/TP-560-34302), worked example of its appendix: azimuth 194.340, zenith 50.112 with refraction, which lifts by 0.016.</summary>
    [Fact]
    public void The_worked_example_of_the_solar_position_algorithm_is_met()
    {
        var sun = Sun.At(new Site(39.742476, -105.1786, -7), new Daylight(2003, 10, 17, 12.5 + 30.0 / 3600));
        Assert.Equal(194.340, sun.Azimuth, 0.02);
        Assert.Equal(90 - 50.112 - 0.016, sun.Altitude, 0.02);
    }

    /// <summary>Meeus, Astronomical Algorithms, example 25.a: 13 October 1992 at 0 h, right ascension 198.381, declination -7.785 degrees.</summary>
    [Fact]
    public void The_worked_example_of_an_astronomers_handbook_is_met()
    {
        var (right, declined) = Sun.Apparent(2448908.5 - 2451545.0);
        Assert.Equal(198.381, right, 0.01);
        Assert.Equal(-7.785, declined, 0.01);
    }

    /// <summary>
    /// Noon altitudes by date and latitude, as tables of any surveyor's handbook have them: 90 less latitude plus declination, with the declination of the solstices
    /// and near the equinox.
    /// </summary>
    [Theory]
    [InlineData(2026, 6, 21, 52, 23.44)]
    [InlineData(2026, 12, 21, 52, -23.44)]
    [InlineData(2026, 3, 20, 52, 0)]
    [InlineData(2026, 6, 21, -34, 23.44)]
    [InlineData(2026, 12, 21, 0, -23.44)]
    public void At_its_highest_it_stands_as_tables_have_it(int year, int month, int day, double latitude, double declination)
    {
        var all = Enumerable
            .Range(0, 24 * 60)
            .Select(minute => Sun.At(new Site(latitude, 0, 0), new Daylight(year, month, day, minute / 60.0)));
        var noon = all.MaxBy(sun => sun.Altitude);
        Assert.Equal(90 - Math.Abs(latitude - declination), noon.Altitude, 0.3);
        // It is south of who is north of it.
        Assert.Equal(latitude > declination ? 180 : 0, Math.Abs(noon.Azimuth - 180) < 90 ? 180 : 0);
    }

    [Fact]
    public void It_rises_in_the_east_and_stands_where_the_plans_north_puts_it()
    {
        var site = new Site(51, 0, 0);
        Assert.InRange(Sun.At(site, new Daylight(2026, 3, 20, 8)).Azimuth, 90, 140);
        Assert.InRange(Sun.At(site, new Daylight(2026, 3, 20, 16)).Azimuth, 220, 270);
        Assert.True(Sun.At(site, new Daylight(2026, 3, 20, 0)).Altitude < 0);
        // North up: the south of the plan is towards -y. North turned a quarter counter-clockwise: towards +x.
        var south = new SunPosition(180, 30);
        Close(new Point3(0, -Math.Cos(Math.PI / 6), 0.5), south.Towards(0));
        Close(new Point3(Math.Cos(Math.PI / 6), 0, 0.5), south.Towards(90));

        static void Close(Point3 expected, Point3 actual) => Assert.True((expected - actual).Length < 1e-9, $"{actual}");
    }

    [Theory]
    [InlineData(1949, 1, 1, 12, "year")]
    [InlineData(2026, 2, 29, 12, "day")]
    [InlineData(2026, 13, 1, 12, "day")]
    [InlineData(2026, 1, 1, 25, "hour")]
    public void A_day_that_is_none_is_refused_by_name(int year, int month, int day, double hour, string field)
    {
        var from = new Viewpoint(
            "v",
            "s",
            "l",
            "V",
            0,
            0,
            1600,
            0,
            0,
            60,
            new ViewpointShows(Daylight: new Daylight(year, month, day, hour))
        );
        Assert.Equal(field, from.Wrong()!.Field);
    }

    [Theory]
    [InlineData(91, 0, 0, "latitude")]
    [InlineData(0, -181, 0, "longitude")]
    [InlineData(0, 0, 15, "zone")]
    public void A_site_that_is_nowhere_is_refused_by_name(double latitude, double longitude, double zone, string field) =>
        Assert.Equal(field, new Site(latitude, longitude, zone).Wrong()!.Field);
}
