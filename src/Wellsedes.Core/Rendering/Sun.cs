using Wellsedes.Core.Plans;
using Wellsedes.Core.SolidModel;

namespace Wellsedes.Core.Rendering;

/// <summary>Where the sun stands: degrees clockwise from north, and degrees above the horizon without the bend of the air.</summary>
public readonly record struct SunPosition(double Azimuth, double Altitude)
{
    /// <summary>Towards the sun, in a plan whose north is turned counter-clockwise from +y by so many degrees.</summary>
    public Point3 Towards(double north)
    {
        var (along, up) = ((90 + north - Azimuth) * Math.PI / 180, Altitude * Math.PI / 180);
        return new Point3(Math.Cos(along) * Math.Cos(up), Math.Sin(along) * Math.Cos(up), Math.Sin(up));
    }
}

/// <summary>
/// The place of the sun by the low-precision formulas of the Astronomical Almanac (within 0.01 degrees from 1950 to 2050; from memory).
/// </summary>
public static class Sun
{
    public static SunPosition At(Site site, Daylight light) => At(site, DaysSince2000(light, site.Zone));

    /// <summary>Right ascension and declination in degrees.</summary>
    /// <param name="days">Since noon of 1 January 2000, universal time.</param>
    public static (double RightAscension, double Declination) Apparent(double days)
    {
        var anomaly = Radians(357.528 + 0.9856003 * days);
        var longitude = Radians(280.460 + 0.9856474 * days + 1.915 * Math.Sin(anomaly) + 0.020 * Math.Sin(2 * anomaly));
        var tilt = Radians(23.439 - 0.0000004 * days);
        var right = Math.Atan2(Math.Cos(tilt) * Math.Sin(longitude), Math.Cos(longitude)) * 180 / Math.PI;
        return ((right + 360) % 360, Math.Asin(Math.Sin(tilt) * Math.Sin(longitude)) * 180 / Math.PI);
    }

    private static SunPosition At(Site site, double days)
    {
        var (right, declined) = Apparent(days);
        var sidereal = (18.697374558 + 24.06570982441908 * days) % 24 * 15;
        var (hour, down, latitude) = (Radians(sidereal + site.Longitude - right), Radians(declined), Radians(site.Latitude));
        var up = Math.Asin(Math.Sin(latitude) * Math.Sin(down) + Math.Cos(latitude) * Math.Cos(down) * Math.Cos(hour));
        var from = Math.Atan2(-Math.Sin(hour), Math.Tan(down) * Math.Cos(latitude) - Math.Sin(latitude) * Math.Cos(hour));
        return new SunPosition((from * 180 / Math.PI + 360) % 360, up * 180 / Math.PI);
    }

    private static double DaysSince2000(Daylight light, double zone) =>
        new DateOnly(light.Year, light.Month, light.Day).DayNumber - new DateOnly(2000, 1, 1).DayNumber - 0.5 + (light.Hour - zone) / 24;

    private static double Radians(double degrees) => degrees * Math.PI / 180;
}
