using System.Collections.Immutable;
using System.Globalization;
using System.Numerics;
using SharpGLTF.Schema2;
using SharpGLTF.Validation;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Tracing;
using Wellsedes.Formats.Pictures;

namespace Wellsedes.Formats.Models;

/// <summary>A model read as an own item: its outline from above, its size as the file has it (mm), and all its triangles.</summary>
public sealed record GlbRead(OwnShape Outline, ItemSize Size, OwnMesh Mesh)
{
    /// <summary>How many triangles it has; more than an own item keeps are made fewer before it is kept.</summary>
    public int Triangles => Mesh.Triangles.Length / 3;
}

/// <summary>Reads models as binary glTF 2.0 (Khronos Group), as hostile files: everything is bounded before it is read.</summary>
public static class GlbReader
{
    public const int LargestFile = 24 * 1024 * 1024;

    /// <summary>The most triangles of all that is seen, before they are made fewer.</summary>
    public const int MostTriangles = 200_000;

    /// <summary>Corners nearer to each other than this are one, in mm.</summary>
    private const double Same = 0.1;

    /// <summary>The outline is found in a grid of so many cells along its longer side.</summary>
    private const int Cells = 600;

    /// <param name="upIsZ">Whether up is z in the file, against the standard that says y.</param>
    /// <exception cref="GlbRefusedException">The file is not taken in.</exception>
    public static GlbRead Read(byte[] file, bool upIsZ = false)
    {
        if (file.Length > LargestFile)
            throw new GlbRefusedException($"The file is larger than {LargestFile / 1024 / 1024} MB, the most that is taken.");
        GlbChecks.Check(file);
        var soup = new Soup(upIsZ);
        try
        {
            var root = ModelRoot.ParseGLB(file, new ReadSettings { Validation = ValidationMode.Strict });
            var nodes = root.LogicalNodes.Where(node => node.Mesh is not null).ToArray();
            var count = nodes.Sum(node => node.Mesh.Primitives.Sum(primitive => (long)primitive.GetTriangleIndices().Count()));
            if (count > MostTriangles)
                throw new GlbRefusedException($"The model has {count} triangles; at most {MostTriangles} are read. Make it simpler first.");
            foreach (var node in nodes)
            foreach (var primitive in node.Mesh.Primitives)
                soup.Add(primitive, node.WorldMatrix);
        }
        catch (Exception e) when (IsOfFile(e))
        {
            throw new GlbRefusedException($"The file is no sound GLB: {Short(e.Message)}");
        }
        return soup.Read();
    }

    /// <summary>What the parser throws at a file that is wrong; found by changing files at random.</summary>
    private static bool IsOfFile(Exception e) =>
        e
            is ModelException
                or System.Text.Json.JsonException
                or InvalidDataException
                or InvalidOperationException
                or ArgumentException
                or IndexOutOfRangeException
                or NullReferenceException
                or NotImplementedException
                or NotSupportedException
                or FormatException
                or OverflowException
                or EndOfStreamException
                or KeyNotFoundException;

    private static string Short(string message)
    {
        var line = message.Split('\n')[0].Trim();
        return line.Length <= 120 ? line : line[..120] + "…";
    }

    /// <summary>Triangles by tone, their corners made one where they are.</summary>
    private sealed class Soup(bool upIsZ)
    {
        private readonly Dictionary<(long, long, long), int> known = [];
        private readonly List<(double X, double Y, double Z)> corners = [];
        private readonly SortedDictionary<string, List<int>> byTone = new(StringComparer.Ordinal);

        public void Add(MeshPrimitive primitive, Matrix4x4 at)
        {
            if (primitive.GetVertexAccessor("POSITION") is not { } accessor)
                return;
            var places = accessor.AsVector3Array();
            var tone = ToneOf(primitive.Material);
            if (!byTone.TryGetValue(tone, out var triangles))
                byTone[tone] = triangles = [];
            var isMirrored = at.GetDeterminant() < 0;
            foreach (var (a, b, c) in primitive.GetTriangleIndices())
            {
                var (i, j, k) = (Corner(places[a], at), Corner(places[b], at), Corner(places[c], at));
                // What has no area is nothing to see.
                if (i != j && j != k && k != i)
                    triangles.AddRange(isMirrored ? [i, k, j] : [i, j, k]);
            }
        }

        private int Corner(Vector3 place, Matrix4x4 at)
        {
            var p = Vector3.Transform(place, at);
            if (!(Math.Abs(p.X) <= 1e5 && Math.Abs(p.Y) <= 1e5 && Math.Abs(p.Z) <= 1e5))
                throw new GlbRefusedException("A corner of the model is no number, or farther off than 100 km.");
            // Metres to mm; what is away in the file is north.
            var (x, y, z) = upIsZ ? (p.X * 1000.0, p.Y * 1000.0, p.Z * 1000.0) : (p.X * 1000.0, -p.Z * 1000.0, p.Y * 1000.0);
            var key = ((long)Math.Round(x / Same), (long)Math.Round(y / Same), (long)Math.Round(z / Same));
            if (known.TryGetValue(key, out var index))
                return index;
            corners.Add((key.Item1 * Same, key.Item2 * Same, key.Item3 * Same));
            return known[key] = corners.Count - 1;
        }

        private static string ToneOf(Material? material)
        {
            if (material?.FindChannel("BaseColor") is not { } channel)
                return "#DED8C7";
            var colour = channel.Color;
            return string.Create(CultureInfo.InvariantCulture, $"#{Part(colour.X):X2}{Part(colour.Y):X2}{Part(colour.Z):X2}");

            // Files tell colours in linear light (sRGB transfer function, IEC 61966-2-1).
            static int Part(float linear) =>
                (int)Math.Round(255 * Math.Clamp(linear <= 0.0031308f ? linear * 12.92 : 1.055 * Math.Pow(linear, 1 / 2.4) - 0.055, 0, 1));
        }

        public GlbRead Read()
        {
            if (byTone.Values.Sum(triangles => triangles.Count) == 0)
                throw new GlbRefusedException("The file holds no triangles; export the model as a mesh.");
            var used = byTone.Values.SelectMany(one => one).Distinct().Select(i => corners[i]).ToArray();
            var (minX, maxX, minY, maxY, minZ, maxZ) = (
                used.Min(p => p.X),
                used.Max(p => p.X),
                used.Min(p => p.Y),
                used.Max(p => p.Y),
                used.Min(p => p.Z),
                used.Max(p => p.Z)
            );
            if (maxX - minX < 1 || maxY - minY < 1)
                throw new GlbRefusedException("Seen from above the model holds no area; choose the other way up.");
            var middle = ((minX + maxX) / 2, (minY + maxY) / 2);
            var mesh = new OwnMesh(
                [.. corners.SelectMany(p => (double[])[Round(p.X - middle.Item1), Round(p.Y - middle.Item2), Round(p.Z - minZ)])],
                [.. byTone.Values.SelectMany(one => one)],
                [.. byTone.Where(one => one.Value.Count > 0).Select(one => new OwnTone(one.Key, one.Value.Count / 3))]
            );
            return new GlbRead(new OwnShape(OutlineOf(mesh), []), new ItemSize(maxX - minX, maxY - minY, Math.Max(1, maxZ - minZ)), mesh);
        }

        private static double Round(double at) => Math.Round(at, 1);

        /// <summary>The model seen from above: every cell that a triangle touches, and the ring round them.</summary>
        private static ImmutableArray<Point> OutlineOf(OwnMesh mesh)
        {
            Point At(int corner) => new(mesh.Corners[3 * corner], mesh.Corners[3 * corner + 1]);
            var box = Bounds.Around(mesh.Triangles.Distinct().Select(At));
            var cell = Math.Max(2, Math.Max(box.Width, box.Height) / Cells);
            var mask = new Mask((int)(box.Width / cell) + 3, (int)(box.Height / cell) + 3);
            Point Cell(int corner) => new((At(corner).X - box.MinX) / cell + 1, (box.MaxY - At(corner).Y) / cell + 1);
            for (var i = 0; i < mesh.Triangles.Length; i += 3)
                Touched(mask, [Cell(mesh.Triangles[i]), Cell(mesh.Triangles[i + 1]), Cell(mesh.Triangles[i + 2])]);
            var ring = Cutout.Outline(mask);
            // In the box of the model: a cell more on every side is none of it.
            var found = Bounds.Around(ring);
            return
            [
                .. ring.Select(p => new Point(
                    Round(box.MinX + (p.X - found.MinX) / found.Width * box.Width),
                    Round(box.MaxY - (p.Y - found.MinY) / found.Height * box.Height)
                )),
            ];
        }

        private static void Touched(Mask mask, Point[] triangle)
        {
            var (first, last) = ((int)triangle.Min(p => p.Y), (int)triangle.Max(p => p.Y));
            for (var row = Math.Max(0, first); row <= Math.Min(mask.Rows - 1, last); row++)
            {
                var (from, to) = (double.PositiveInfinity, double.NegativeInfinity);
                for (var i = 0; i < 3; i++)
                {
                    var (a, b) = (triangle[i], triangle[(i + 1) % 3]);
                    if (a.Y > b.Y)
                        (a, b) = (b, a);
                    var (low, high) = (Math.Max(a.Y, row), Math.Min(b.Y, row + 1));
                    if (low > high)
                        continue;
                    foreach (var y in (double[])[low, high])
                    {
                        var x = b.Y - a.Y < 1e-9 ? a.X : a.X + (b.X - a.X) * (y - a.Y) / (b.Y - a.Y);
                        (from, to) = (Math.Min(from, x), Math.Max(to, x));
                    }
                    if (b.Y - a.Y < 1e-9)
                        (from, to) = (Math.Min(from, Math.Min(a.X, b.X)), Math.Max(to, Math.Max(a.X, b.X)));
                }
                for (var x = Math.Max(0, (int)from); from <= to && x <= Math.Min(mask.Columns - 1, (int)to); x++)
                    mask[x, row] = true;
            }
        }
    }
}
