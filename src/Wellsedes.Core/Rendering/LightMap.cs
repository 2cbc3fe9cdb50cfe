using Wellsedes.Core.SolidModel;

namespace Wellsedes.Core.Rendering;

/// <summary>What light from one direction meets first: a picture from there, without perspective.</summary>
internal sealed class LightMap
{
    /// <summary>Nearer than this along the light, in mm, something is no other thing than what is looked at.</summary>
    private const double Slack = 25;

    private readonly Point3 towards;
    private readonly Point3 across;
    private readonly Point3 down;
    private readonly double left;
    private readonly double top;
    private readonly double scale;
    private readonly int size;
    private readonly float[] near;

    /// <param name="towards">To the light, as long as one.</param>
    /// <param name="size">Of the picture, in pixels.</param>
    public LightMap(IReadOnlyList<SeenFace> faces, Point3 towards, int size)
    {
        (this.towards, this.size) = (towards, size);
        across = (Math.Abs(towards.Z) > 0.999 ? new Point3(1, 0, 0) : new Point3(-towards.Y, towards.X, 0)).Unit();
        down = across.Cross(towards).Unit();
        var (minX, maxX, minY, maxY) = (double.PositiveInfinity, double.NegativeInfinity, double.PositiveInfinity, double.NegativeInfinity);
        foreach (var face in faces)
        foreach (var p in face.Corners)
        {
            var (x, y) = (p.Dot(across), p.Dot(down));
            (minX, maxX, minY, maxY) = (Math.Min(minX, x), Math.Max(maxX, x), Math.Min(minY, y), Math.Max(maxY, y));
        }
        (left, top) = (minX, minY);
        scale = faces.Count == 0 ? 1 : size / Math.Max(1, Math.Max(maxX - minX, maxY - minY));
        var raster = new Raster(size, size);
        raster.Clear(0, float.NegativeInfinity);
        Draw(raster, faces);
        near = raster.Near;
    }

    private void Draw(Raster raster, IReadOnlyList<SeenFace> faces)
    {
        Span<(double, double)> corners = stackalloc (double, double)[130];
        var one = new Projection();
        for (var i = 0; i < faces.Count; i++)
        {
            var face = faces[i];
            var facing = face.Normal.Dot(towards);
            if (facing <= 1e-6)
                continue;
            one.Clear();
            var step = (face.Corners.Length + 127) / 128;
            var count = 0;
            for (var c = 0; c < face.Corners.Length; c += step)
                corners[count++] = ((face.Corners[c].Dot(across) - left) * scale, (face.Corners[c].Dot(down) - top) * scale);
            // p.towards over the picture, from n.p = n.corner.
            var (x, y) = (-face.Normal.Dot(across) / facing / scale, -face.Normal.Dot(down) / facing / scale);
            var at = face.Corners[0];
            one.Add(i, corners[..count], x, y, at.Dot(towards) - x * (at.Dot(across) - left) * scale - y * (at.Dot(down) - top) * scale);
            raster.Draw(one, one.Polygons[0]);
        }
    }

    public Point3 Towards => towards;

    /// <summary>Whether light gets to a point: nothing is in its way nearer than the reach.</summary>
    public bool Reaches(Point3 p, double reach)
    {
        var (x, y) = ((int)Math.Floor((p.Dot(across) - left) * scale), (int)Math.Floor((p.Dot(down) - top) * scale));
        if (x < 0 || y < 0 || x >= size || y >= size)
            return true;
        var between = near[y * size + x] - p.Dot(towards);
        return !(between > Slack && between < reach);
    }
}
