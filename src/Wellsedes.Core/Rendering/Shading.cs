using Wellsedes.Core.SolidModel;

namespace Wellsedes.Core.Rendering;

/// <summary>Turns what is nearest at each place into a picture: lit, inked where one thing or face ends, smoothed down from twice its size.</summary>
internal sealed class Shading(SeenScene scene, Camera camera, Lighting lighting, int width, int height)
{
    private const int Finer = 2;

    /// <summary>Rows of the finer picture that are worked out at once.</summary>
    private const int BandRows = 128;

    private static readonly Tone Ink = Tone.Of("#21302D");
    private static readonly Tone White = new(1, 1, 1);
    private static readonly Tone Paper = Tone.Of("#EDEADF");

    /// <summary>The ground in full light is as light as paper.</summary>
    private static readonly Tone Ground = Tone.Of("#DFDED6");
    private static readonly Tone GlassTone = Tone.Of(Tones.Of(Surface.Glass));
    private const float GlassShows = 0.35f;

    private readonly Lens lens = new(camera, width * Finer, height * Finer);

    /// <summary>How wide edges are, in pixels of the finer picture.</summary>
    private readonly int edge = Math.Max(1, (int)Math.Round(height * Finer / 1800.0));
    private SeenFace[] faces = [];
    private Projected[] planes = [];

    public void Paint(byte[] pixels, Action<double> progress, CancellationToken cancel)
    {
        faces = [.. scene.Faces];
        var projection = lens.Project(scene.Faces);
        planes = new Projected[faces.Length];
        foreach (var polygon in projection.Polygons)
            planes[polygon.Face] = polygon;
        var count = (height * Finer + BandRows - 1) / BandRows;
        var bands = Sorted(projection, count);
        var done = 0;
        var options = new ParallelOptions { CancellationToken = cancel };
        Parallel.For(
            0,
            count,
            options,
            () => new Band(width * Finer, BandRows + edge),
            (i, _, band) =>
            {
                Draw(band, projection, bands[i], i * BandRows);
                Resolve(band, pixels, i * BandRows);
                progress((double)Interlocked.Increment(ref done) / count);
                return band;
            },
            _ => { }
        );
    }

    /// <summary>What is nearest in a band, and the glass before it.</summary>
    private sealed class Band(int width, int rows)
    {
        public Raster Solid { get; } = new(width, rows);
        public Raster Glass { get; } = new(width, rows);
        public byte[] Outline { get; } = new byte[width * rows];
    }

    private List<int>[] Sorted(Projection projection, int count)
    {
        var bands = new List<int>[count];
        for (var i = 0; i < count; i++)
            bands[i] = [];
        for (var p = 0; p < projection.Polygons.Count; p++)
        {
            var polygon = projection.Polygons[p];
            var first = Math.Max(0, (int)Math.Max(-1, (polygon.Top - edge) / BandRows) - 1);
            var last = Math.Min(count - 1, (int)Math.Min(count, polygon.Bottom / BandRows));
            for (var band = first; band <= last; band++)
                bands[band].Add(p);
        }
        return bands;
    }

    private void Draw(Band band, Projection projection, List<int> polygons, int from)
    {
        band.Solid.Clear(from);
        band.Glass.Clear(from);
        Array.Clear(band.Outline);
        foreach (var p in polygons)
        {
            var polygon = projection.Polygons[p];
            (faces[polygon.Face].Surface == Surface.Glass ? band.Glass : band.Solid).Draw(projection, polygon);
        }
        foreach (var line in scene.Lines)
            Line(band, lens.Seen(line.From), lens.Seen(line.To), (byte)(line.Ink * 255));
    }

    /// <summary>A thin line where nothing stands before it.</summary>
    private void Line(Band band, Point3 a, Point3 b, byte ink)
    {
        if (a.Z < Lens.Nearest && b.Z < Lens.Nearest)
            return;
        if (a.Z < Lens.Nearest)
            a += (b - a) * ((Lens.Nearest - a.Z) / (b.Z - a.Z));
        if (b.Z < Lens.Nearest)
            b += (a - b) * ((Lens.Nearest - b.Z) / (a.Z - b.Z));
        var ((ax, ay), (bx, by)) = (lens.InPicture(a), lens.InPicture(b));
        var raster = band.Solid;
        if (Math.Max(ay, by) < raster.From || Math.Min(ay, by) > raster.From + raster.Rows)
            return;
        var steps = (int)Math.Min(40_000, Math.Ceiling(Math.Max(Math.Abs(bx - ax), Math.Abs(by - ay))));
        for (var i = 0; i <= steps; i++)
        {
            var t = steps == 0 ? 0 : (double)i / steps;
            var (x, y) = ((int)Math.Floor(ax + (bx - ax) * t), (int)Math.Floor(ay + (by - ay) * t) - raster.From);
            if (x < 0 || y < 0 || x >= raster.Width || y >= raster.Rows)
                continue;
            var near = (1 - t) / a.Z + t / b.Z;
            if (near * 1.002 >= raster.Near[y * raster.Width + x])
                band.Outline[y * raster.Width + x] = Math.Max(ink, band.Outline[y * raster.Width + x]);
        }
    }

    /// <summary>Each face is lit once in a block of so many pixels a side: light changes slowly.</summary>
    private const int Block = 2;

    private void Resolve(Band band, byte[] pixels, int from)
    {
        var rows = Math.Min(BandRows, height * Finer - from) / Finer;
        Span<int> known = stackalloc int[Block * Block * Finer * Finer];
        Span<Tone> tones = stackalloc Tone[known.Length];
        for (var y = 0; y < rows; y += Block)
        for (var x = 0; x < width; x += Block)
        {
            var count = 0;
            for (var dy = y; dy < Math.Min(rows, y + Block); dy++)
            for (var dx = x; dx < Math.Min(width, x + Block); dx++)
            {
                var tone = Smoothed(band, dx, dy, from, known, tones, ref count);
                var into = ((dy + from / Finer) * width + dx) * 4;
                (pixels[into], pixels[into + 1], pixels[into + 2], pixels[into + 3]) = (
                    Part(tone.Red),
                    Part(tone.Green),
                    Part(tone.Blue),
                    255
                );
            }
        }

        static byte Part(float sum) => (byte)Math.Clamp(MathF.Round(sum * (255f / (Finer * Finer))), 0, 255);
    }

    /// <summary>The sum of the finer pixels that one pixel is made of.</summary>
    private Tone Smoothed(Band band, int x, int y, int from, Span<int> known, Span<Tone> tones, ref int count)
    {
        var sum = default(Tone);
        for (var fy = y * Finer; fy < (y + 1) * Finer; fy++)
        for (var fx = x * Finer; fx < (x + 1) * Finer; fx++)
        {
            var at = fy * band.Solid.Width + fx;
            var face = band.Solid.Face[at];
            var near = band.Solid.Near[at];
            var i = known[..count].IndexOf(face);
            if (i < 0)
            {
                i = count++;
                known[i] = face;
                tones[i] = ToneAt(face, fx + 0.5, fy + from + 0.5, near);
            }
            // Light changes slowly, a picture from pixel to pixel.
            var own =
                face != Raster.Nothing && faces[face].Laid is { } laid
                    ? Lit(tones[i], laid.At(PlaceAt(fx + 0.5, fy + from + 0.5, near), faces[face].Tone, lens.WideAt(near)))
                    : tones[i];
            var tone = Mixed(Behind(band.Glass, at, near, own), Ink, InkAt(band, at, fx, fy));
            sum = new Tone(sum.Red + tone.Red, sum.Green + tone.Green, sum.Blue + tone.Blue);
        }
        return sum;
    }

    private static Tone Behind(Raster glass, int at, float near, Tone tone) =>
        glass.Face[at] != Raster.Nothing && glass.Near[at] > near ? Mixed(tone, GlassTone, GlassShows) : tone;

    private static Tone Mixed(Tone tone, Tone with, float share) =>
        share <= 0
            ? tone
            : new Tone(
                tone.Red + (with.Red - tone.Red) * share,
                tone.Green + (with.Green - tone.Green) * share,
                tone.Blue + (with.Blue - tone.Blue) * share
            );

    private static Tone Lit(Tone light, Tone tone) => new(light.Red * tone.Red, light.Green * tone.Green, light.Blue * tone.Blue);

    /// <summary>What is seen at a place of the picture, from above.</summary>
    private Geometry.Point PlaceAt(double x, double y, float near)
    {
        var at = camera.Eye + lens.Through(x, y) * (1 / near);
        return new Geometry.Point(at.X, at.Y);
    }

    private Tone ToneAt(int face, double x, double y, float near)
    {
        var way = lens.Through(x, y);
        if (face == Raster.Nothing)
        {
            // The ground goes on all round, as light as paper.
            if (way.Z >= -1e-6 || camera.Eye.Z <= scene.Ground)
                return Paper;
            var far = (camera.Eye.Z - scene.Ground) / -way.Z;
            return far > 400_000 ? Paper : lighting.At(Ground, camera.Eye + way * far, new Point3(0, 0, 1), false);
        }
        var seen = faces[face];
        var normal = seen.Surface == Surface.Glass && seen.Normal.Dot(way) > 0 ? seen.Normal * -1 : seen.Normal;
        // Of what a picture lies on the light alone.
        var own = seen.Laid is null ? seen.Tone : White;
        return lighting.At(own, camera.Eye + way * (1 / near), normal, seen.Surface == Surface.Ceiling);
    }

    /// <summary>How much ink there is where a thing or a flat of it ends: less of it far off, so that what is far does not clot.</summary>
    private float InkAt(Band band, int at, int x, int y)
    {
        if (band.Outline[at] != 0)
            return band.Outline[at] / 255f;
        var solid = band.Solid;
        var (face, near) = (solid.Face[at], solid.Near[at]);
        var isEdge = x + edge < solid.Width && Ends(solid, face, near, at + edge, edge, 0);
        isEdge |= y + edge < solid.Rows && Ends(solid, face, near, at + edge * solid.Width, 0, edge);
        if (!isEdge)
            return 0;
        var nearest = near;
        if (x + edge < solid.Width)
            nearest = Math.Max(nearest, solid.Near[at + edge]);
        if (y + edge < solid.Rows)
            nearest = Math.Max(nearest, solid.Near[at + edge * solid.Width]);
        // 9 over metres.
        return Math.Min(0.72f, 9000 * nearest);
    }

    private bool Ends(Raster solid, int face, float near, int other, int right, int below)
    {
        var beside = solid.Face[other];
        if (beside == face)
            return false;
        if (face == Raster.Nothing || beside == Raster.Nothing)
            return true;
        var (a, b) = (faces[face], faces[beside]);
        if (a.Instance != b.Instance || a.Normal.Dot(b.Normal) < Creases.Flat)
            return true;
        // Flat on: unless one lies well behind the other.
        var expected = near + planes[face].Across * right + planes[face].Down * below;
        return Math.Abs(expected - solid.Near[other]) > 0.01 * expected;
    }
}
