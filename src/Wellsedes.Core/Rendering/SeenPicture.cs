using Wellsedes.Core.Plans;
using Wellsedes.Core.SolidModel;

namespace Wellsedes.Core.Rendering;

/// <summary>A picture of a scheme from a viewpoint: rows from above, red, green, blue and opacity of each pixel.</summary>
public sealed record SeenPicture(int Width, int Height, byte[] Pixels)
{
    /// <summary>The longest side a picture may have, and the shortest, in pixels.</summary>
    public const int Longest = 8000;
    public const int Shortest = 16;

    /// <summary>What is wrong with a size in pixels; null when nothing is.</summary>
    public static Problem? Wrong(int width, int height) =>
        width is >= Shortest and <= Longest && height is >= Shortest and <= Longest
            ? null
            : new Problem(
                width is >= Shortest and <= Longest ? "height" : "width",
                $"A picture is from {Shortest} to {Longest} pixels wide and high; {width} x {height} was asked for."
            );

    /// <param name="pictures">Reads pictures that lie on floors and things; without, these are in their own tone.</param>
    /// <param name="progress">Told how much is done, from 0 to 1.</param>
    /// <exception cref="OperationCanceledException">Nobody waits for it any more.</exception>
    public static SeenPicture Of(
        PlanModel model,
        Plan plan,
        Viewpoint from,
        int width,
        int height,
        Action<double>? progress = null,
        IPictureReader? pictures = null,
        CancellationToken cancel = default
    )
    {
        var camera = Camera.Of(from, model.ElevationOf(from.LevelId));
        var scene = SeenScene.Of(model, from, camera, pictures);
        var details = plan.Details;
        Point3? sun = from.Shows.Daylight is { } light ? Sun.At(details.Site ?? Site.Usual, light).Towards(details.North) : null;
        var lighting = Lighting.Of(scene.Shading, sun, cancel);
        progress?.Invoke(0.25);
        var pixels = new byte[width * height * 4];
        new Shading(scene, camera, lighting, width, height).Paint(pixels, done => progress?.Invoke(0.25 + 0.75 * done), cancel);
        return new SeenPicture(width, height, pixels);
    }
}
