namespace Wellsedes.Core.Geometry;

/// <summary>Sine and cosine of degrees, exact at quarter turns so that a turned table stays square.</summary>
public static class Angles
{
    public static (double Sin, double Cos) SinCos(double degrees)
    {
        var turned = degrees % 360;
        if (turned < 0)
            turned += 360;
        return turned switch
        {
            0 => (0, 1),
            90 => (1, 0),
            180 => (0, -1),
            270 => (-1, 0),
            _ => Math.SinCos(turned * Math.PI / 180),
        };
    }

    /// <summary>The angle of a direction in degrees counter-clockwise from east, from -180 to 180.</summary>
    public static double Of(Point direction) => Math.Atan2(direction.Y, direction.X) * 180 / Math.PI;

    /// <summary>How far two directions are apart, in degrees from 0 to 180.</summary>
    public static double Apart(double one, double other) => Math.Abs(Math.IEEERemainder(one - other, 360));

    /// <summary>The rotation of a thing whose front, its own -y, looks along a direction: in degrees counter-clockwise, from 0 to 360.</summary>
    public static double Looking(Point direction) =>
        Units.AngleText.Normal(Math.Round(Math.Atan2(direction.X, -direction.Y) * 180 / Math.PI, 9));
}
