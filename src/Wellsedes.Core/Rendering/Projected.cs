using Wellsedes.Core.SolidModel;

namespace Wellsedes.Core.Rendering;

/// <summary>
/// A convex polygon in a picture: its corners in pixels (x right, y down), and how near it is as a plane over the picture, near = Across x + Down y + Base; what is nearer has more of it.
/// </summary>
internal readonly record struct Projected(int Face, int First, int Count, double Across, double Down, double Base, float Top, float Bottom);

/// <summary>Polygons of a picture with all their corners in one list.</summary>
internal sealed class Projection
{
    public List<Projected> Polygons { get; } = [];
    public List<(float X, float Y)> Corners { get; } = [];

    public void Clear()
    {
        Polygons.Clear();
        Corners.Clear();
    }

    public void Add(int face, ReadOnlySpan<(double X, double Y)> corners, double across, double down, double start)
    {
        var (top, bottom) = (float.PositiveInfinity, float.NegativeInfinity);
        var first = Corners.Count;
        foreach (var (x, y) in corners)
        {
            Corners.Add(((float)x, (float)y));
            (top, bottom) = (Math.Min(top, (float)y), Math.Max(bottom, (float)y));
        }
        Polygons.Add(new Projected(face, first, corners.Length, across, down, start, top, bottom));
    }
}

/// <summary>What a camera puts where in a picture of a size in pixels.</summary>
internal sealed class Lens(Camera camera, int width, int height)
{
    /// <summary>Nearer than this, in mm, nothing is seen.</summary>
    public const double Nearest = 50;

    private readonly double scale = height / 2.0 / Math.Tan(camera.FieldOfView * Math.PI / 360);

    /// <summary>The way through a place of the picture, as long as one along the way the camera looks.</summary>
    public Point3 Through(double x, double y) =>
        camera.Forward + camera.Right * ((x - width / 2.0) / scale) + camera.Up * ((height / 2.0 - y) / scale);

    /// <summary>How wide a pixel is where something is so near, in mm.</summary>
    public double WideAt(double near) => 1 / near / scale;

    /// <summary>In the camera's own frame: to its right, up and forward.</summary>
    public Point3 Seen(Point3 p)
    {
        var off = p - camera.Eye;
        return new Point3(off.Dot(camera.Right), off.Dot(camera.Up), off.Dot(camera.Forward));
    }

    public (double X, double Y) InPicture(Point3 seen) => (width / 2.0 + scale * seen.X / seen.Z, height / 2.0 - scale * seen.Y / seen.Z);

    /// <summary>Those faces of a scene that look towards the camera; glass is seen from both sides.</summary>
    public Projection Project(IReadOnlyList<SeenFace> faces)
    {
        var all = new Projection();
        Span<Point3> seen = stackalloc Point3[130];
        Span<(double, double)> corners = stackalloc (double, double)[130];
        for (var i = 0; i < faces.Count; i++)
        {
            var face = faces[i];
            if (face.Corners.Length < 3)
                continue;
            var off = face.Normal.Dot(face.Corners[0] - camera.Eye);
            if (off >= 0 && face.Surface != Surface.Glass || Math.Abs(off) < 1e-6)
                continue;
            // More corners than that are none that can be told apart.
            var step = (face.Corners.Length + 127) / 128;
            var count = 0;
            for (var c = 0; c < face.Corners.Length; c += step)
                seen[count++] = Seen(face.Corners[c]);
            count = Clipped(seen[..count], corners);
            if (count < 3 || IsBeside(corners[..count]))
                continue;
            // 1 / z over the picture is flat: n.way / n.(corner - eye).
            var (across, down) = (face.Normal.Dot(camera.Right) / scale / off, -face.Normal.Dot(camera.Up) / scale / off);
            all.Add(i, corners[..count], across, down, face.Normal.Dot(Through(0, 0)) / off);
        }
        return all;
    }

    /// <summary>The part of a polygon that is before the camera, in the picture.</summary>
    private int Clipped(ReadOnlySpan<Point3> seen, Span<(double, double)> into)
    {
        var count = 0;
        for (var i = 0; i < seen.Length; i++)
        {
            var (a, b) = (seen[i], seen[(i + 1) % seen.Length]);
            if (a.Z >= Nearest)
                into[count++] = InPicture(a);
            if (a.Z >= Nearest != b.Z >= Nearest)
                into[count++] = InPicture(a + (b - a) * ((Nearest - a.Z) / (b.Z - a.Z)));
        }
        return count;
    }

    private bool IsBeside(ReadOnlySpan<(double X, double Y)> corners)
    {
        var (left, right, above, below) = (true, true, true, true);
        foreach (var (x, y) in corners)
            (left, right, above, below) = (left && x < 0, right && x > width, above && y < 0, below && y > height);
        return left || right || above || below;
    }
}
