using Wellsedes.Core.Plans;
using Wellsedes.Core.SolidModel;

namespace Wellsedes.Core.Rendering;

/// <summary>How light a place is: even light from all over the sky, softened where things stand close, and the sun where one is told.</summary>
internal sealed class Lighting
{
    /// <summary>What is farther off than this, in mm, does not darken: rooms are light.</summary>
    private const double Close = 2200;

    /// <summary>Off the face that is lit, in mm, so that it does not shade itself.</summary>
    private const double Off = 15;

    /// <summary>Half as wide as the sun is drawn, in degrees: twice as wide as it is, so that shadows are soft.</summary>
    private const double SunHalf = 0.5;

    private readonly LightMap[] sky;
    private readonly LightMap[] sun;
    private readonly Point3 towardsSun;

    /// <summary>Even light comes a little more over the left shoulder of who looks north.</summary>
    private static readonly Point3 Key = new Point3(-0.48, -0.6, 0.64).Unit();

    private Lighting(LightMap[] sky, LightMap[] sun, Point3 towardsSun) => (this.sky, this.sun, this.towardsSun) = (sky, sun, towardsSun);

    /// <param name="towards">To the sun; null for none, or one below the horizon.</param>
    public static Lighting Of(IReadOnlyList<SeenFace> shading, Point3? towards, CancellationToken cancel)
    {
        SeenFace[] things = [.. shading.Where(face => face.Surface is not (Surface.Glass or Surface.Ceiling))];
        // Where there is very much the light is told by fewer directions.
        var directions = SkyDirections(things.Length > 200_000 ? 16 : 64).ToArray();
        var sky = new LightMap[directions.Length];
        var options = new ParallelOptions { CancellationToken = cancel };
        Parallel.For(0, sky.Length, options, i => sky[i] = new LightMap(things, directions[i], 512));
        if (towards is not { Z: > 0.01 } sunward)
            return new Lighting(sky, [], default);
        SeenFace[] roofed = [.. shading.Where(face => face.Surface != Surface.Glass)];
        var points = SunPoints(sunward, things.Length > 200_000 ? 3 : 7).ToArray();
        var sun = new LightMap[points.Length];
        Parallel.For(0, sun.Length, options, i => sun[i] = new LightMap(roofed, points[i], 1536));
        return new Lighting(sky, sun, sunward);
    }

    /// <summary>Evenly over the sky, but for what is near the horizon.</summary>
    private static IEnumerable<Point3> SkyDirections(int count)
    {
        var golden = Math.PI * (3 - Math.Sqrt(5));
        for (var i = 0; i < count; i++)
        {
            var up = 0.16 + 0.84 * (i + 0.5) / count;
            var flat = Math.Sqrt(1 - up * up);
            yield return new Point3(flat * Math.Cos(golden * i), flat * Math.Sin(golden * i), up);
        }
    }

    private static IEnumerable<Point3> SunPoints(Point3 towards, int count)
    {
        var aside = new Point3(-towards.Y, towards.X, 0).Unit();
        var above = towards.Cross(aside);
        var half = Math.Tan(SunHalf * Math.PI / 180);
        yield return towards;
        for (var i = 1; i < count; i++)
        {
            var angle = 2 * Math.PI * i / (count - 1);
            yield return (towards + aside * (half * Math.Cos(angle)) + above * (half * Math.Sin(angle))).Unit();
        }
    }

    /// <summary>A tone as it is seen at a point of a face.</summary>
    public Tone At(Tone tone, Point3 p, Point3 normal, bool isEven)
    {
        var light = 0.875 + 0.125 * Math.Max(0, normal.Z) + 0.085 * normal.Dot(Key) - (normal.Z < -0.5 ? 0.2 : 0);
        if (isEven)
            light = 0.965;
        var from = p + normal * Off;
        light *= 0.68 + 0.32 * Openness(from, normal);
        var (warm, cold) = (light * 1.006, light * 0.99);
        if (sun.Length > 0)
        {
            // In the shade a little bluer, in the sun warmer.
            var lit = Math.Max(0, normal.Dot(towardsSun)) * SunShare(from);
            (warm, light, cold) = (warm * 0.88 + 0.235 * lit, light * 0.89 + 0.2 * lit, cold * 0.905 + 0.13 * lit);
        }
        return new Tone((float)(tone.Red * warm), (float)(tone.Green * light), (float)(tone.Blue * cold));
    }

    private double Openness(Point3 from, Point3 normal)
    {
        var (open, all) = (0.0, 0.0);
        foreach (var map in sky)
        {
            var weight = normal.Dot(map.Towards);
            if (weight <= 0)
                continue;
            all += weight;
            if (map.Reaches(from, Close))
                open += weight;
        }
        return all > 0 ? open / all : 0.6;
    }

    /// <summary>How much of the sun gets to a point, from 0 to 1.</summary>
    private double SunShare(Point3 from)
    {
        var reached = 0;
        foreach (var map in sun)
            if (map.Reaches(from, double.PositiveInfinity))
                reached++;
        return (double)reached / sun.Length;
    }
}
