namespace Wellsedes.Core.Plans;

/// <summary>Where on earth a plan is, for its daylight.</summary>
/// <param name="Latitude">In degrees, north positive.</param>
/// <param name="Longitude">In degrees, east positive.</param>
/// <param name="Zone">Hours its clock is before universal time, summer time left out.</param>
public sealed record Site(double Latitude, double Longitude, double Zone)
{
    /// <summary>Where nobody has said: the middle of the temperate north, by local sun time.</summary>
    public static readonly Site Usual = new(50, 0, 0);

    public Problem? Wrong() =>
        Latitude is not (>= -90 and <= 90) ? new Problem("latitude", $"The latitude is from -90 to 90 degrees; {Latitude:0.##} was given.")
        : Longitude is not (>= -180 and <= 180)
            ? new Problem("longitude", $"The longitude is from -180 to 180 degrees; {Longitude:0.##} was given.")
        : Zone is not (>= -12 and <= 14) ? new Problem("zone", $"The time zone is from -12 to 14 hours; {Zone:0.##} was given.")
        : null;
}
