using System.Collections.Immutable;

namespace Wellsedes.Core.Plans;

/// <summary>A day and an hour where the plan is, by the clock of its place without summer time.</summary>
/// <param name="Hour">From 0 to 24, with its part of an hour.</param>
public sealed record Daylight(int Year, int Month, int Day, double Hour);

/// <summary>What a look into a scheme shows.</summary>
/// <param name="Inside">Walls stand whole and ceilings are there, as for somebody in the room; else near walls are cut low and ceilings left off.</param>
/// <param name="AllLevels">All levels, each at its height; else its own alone.</param>
/// <param name="People">Somebody on every seat, for scale.</param>
/// <param name="Findings">What needs attention, and the ways, on the floor.</param>
/// <param name="CutHeight">Near walls are cut at this height, in mm.</param>
/// <param name="Daylight">When the sun is to shine in; null for even light.</param>
public sealed record ViewpointShows(
    bool Inside = false,
    bool AllLevels = false,
    bool People = false,
    bool Findings = false,
    double CutHeight = ViewpointShows.UsualCut,
    Daylight? Daylight = null
)
{
    public const double UsualCut = 900;
}

/// <summary>
/// A look into a scheme in space, under a name: from a point (mm; Z above the floor of its level) in a direction (heading in degrees counter-clockwise from +x, pitch in
/// degrees up), so many degrees high.
/// </summary>
public sealed record Viewpoint(
    string Id,
    string SchemeId,
    string LevelId,
    string Name,
    double X,
    double Y,
    double Z,
    double Heading,
    double Pitch,
    double FieldOfView,
    ViewpointShows Shows
) : Entity(Id), IOfScheme, IOnLevel
{
    /// <summary>The most viewpoints of a scheme.</summary>
    public const int Most = 60;

    /// <summary>How many degrees high a look from above and one at eye level are.</summary>
    public const double FromAbove = 42;
    public const double AtEyeLevel = 64;

    /// <summary>What is wrong with it as it is; null when nothing is.</summary>
    public Problem? Wrong() =>
        Far(X) ? Place("x", X)
        : Far(Y) ? Place("y", Y)
        : Z is not (>= -100_000 and <= 1_000_000)
            ? new Problem("z", $"The eye is from 100 m below to 1 km above the floor; {Z / 1000:0.#} m was given.")
        : Heading is not (>= -360 and <= 360) ? new Problem("heading", $"The heading is from -360 to 360 degrees; {Heading:0.#} was given.")
        : Pitch is not (>= -90 and <= 90) ? new Problem("pitch", $"The pitch is from -90 (down) to 90 degrees (up); {Pitch:0.#} was given.")
        : FieldOfView is not (>= 5 and <= 120)
            ? new Problem("fieldOfView", $"A look is from 5 to 120 degrees high; {FieldOfView:0.#} was given.")
        : Shows.CutHeight is not (>= 0 and <= 30_000)
            ? new Problem("cutHeight", $"Walls are cut at 0 to 30 000 mm; {Shows.CutHeight:0} was given.")
        : Shows.Daylight is { } light ? WrongLight(light)
        : null;

    private static bool Far(double place) => !(Math.Abs(place) <= 1_000_000);

    private static Problem Place(string field, double place) =>
        new(field, $"The eye is at most 1 km from the plan's origin; {place / 1000:0.#} m was given.");

    private static Problem? WrongLight(Daylight light) =>
        light.Year is not (>= 1950 and <= 2050)
            ? new Problem("year", $"Daylight is told for the years 1950 to 2050; {light.Year} was given.")
        : light.Month is not (>= 1 and <= 12) || light.Day < 1 || light.Day > DateTime.DaysInMonth(light.Year, light.Month)
            ? new Problem("day", $"There is no day {light.Day} in month {light.Month} of {light.Year}.")
        : light.Hour is not (>= 0 and <= 24) ? new Problem("hour", $"The hour is from 0 to 24; {light.Hour:0.##} was given.")
        : null;
}
