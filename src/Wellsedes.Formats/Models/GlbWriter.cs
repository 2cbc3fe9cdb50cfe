using System.Collections.Immutable;
using System.Globalization;
using System.Numerics;
using System.Runtime.InteropServices;
using System.Text.Json.Nodes;
using SharpGLTF.Memory;
using SharpGLTF.Schema2;
using Wellsedes.Core.SolidModel;
using Wellsedes.Formats.Pictures;

namespace Wellsedes.Formats.Models;

/// <summary>
/// A plan in space as binary glTF 2.0 (Khronos Group, glTF 2.0 specification): a mesh for each kind, a node for each item, in metres with y up; names and extras say what is what.
/// </summary>
public static class GlbWriter
{
    public static byte[] Write(PlanModel model, string title)
    {
        var root = ModelRoot.CreateModel();
        root.Asset.Generator = "Wellsedes";
        var scene = root.UseScene(title);
        root.DefaultScene = scene;
        var meshes = new GlbMeshes(root);
        var kinds = model.Kinds.ToDictionary(kind => kind.Key);
        foreach (var level in model.Levels)
        {
            var floor = scene.CreateNode(level.Name);
            floor.LocalTransform = new SharpGLTF.Transforms.AffineTransform(null, null, new Vector3(0, (float)(level.Elevation / 1000), 0));
            floor.Extras = new JsonObject { ["levelId"] = level.LevelId };
            foreach (var part in level.Shell)
            {
                var node = floor.CreateNode(part.Name);
                node.Mesh = meshes.Of($"{part.Name} {part.Id}".TrimEnd(), part.Faces, part.Tint, part.Laid);
                node.Extras = new JsonObject { ["id"] = part.Id, ["levelId"] = level.LevelId };
            }
            foreach (var item in level.Nodes)
            {
                var kind = kinds[item.Kind];
                var node = floor.CreateNode(item.Name);
                node.Mesh = meshes.OfKind(kind, item.Tint);
                node.LocalTransform = new SharpGLTF.Transforms.AffineTransform(
                    null,
                    Quaternion.CreateFromAxisAngle(Vector3.UnitY, (float)(item.At.Rotation * Math.PI / 180)),
                    new Vector3((float)(item.At.X / 1000), (float)(item.Z / 1000), (float)(-item.At.Y / 1000))
                );
                node.Extras = new JsonObject
                {
                    ["itemId"] = item.ItemId,
                    ["label"] = item.Label,
                    ["kind"] = item.Kind,
                    ["levelId"] = level.LevelId,
                };
            }
        }
        return [.. root.WriteGLB()];
    }
}

/// <summary>The meshes of a file: what looks alike is written once. A face has its own corners, so that edges are sharp.</summary>
internal sealed class GlbMeshes(ModelRoot root)
{
    private readonly Dictionary<(string Kind, string? Tint), Mesh> kinds = [];
    private readonly Dictionary<string, Material> materials = [];
    private readonly Dictionary<(LaidPicture, string), Material> pictures = [];

    public Mesh OfKind(ModelKind kind, string? tint) =>
        kinds.TryGetValue((kind.Key, tint), out var known) ? known : kinds[(kind.Key, tint)] = Of(kind.Name, kind.Faces, tint, kind.Laid);

    /// <param name="laid">The picture on those of its faces that look up.</param>
    public Mesh Of(string name, ImmutableArray<ModelFace> faces, string? tint, LaidPicture? laid)
    {
        var mesh = root.CreateMesh(name);
        foreach (var surface in faces.GroupBy(face => (face.Surface, face.Tone, Laid: laid is not null && LaidPicture.IsOn(face.Normal))))
        {
            List<Vector2> places = [];
            List<Vector3> corners = [];
            List<Vector3> normals = [];
            List<uint> indices = [];
            foreach (var face in surface)
            {
                var first = (uint)corners.Count;
                var normal = Vector3.Normalize(InMetres(face.Normal * 1000));
                foreach (var corner in face.Corners)
                {
                    corners.Add(InMetres(corner));
                    normals.Add(normal);
                    if (surface.Key.Laid && laid!.Of(new Core.Geometry.Point(corner.X, corner.Y)) is var (across, down))
                        places.Add(new Vector2((float)across, (float)down));
                }
                foreach (var (a, b, c) in face.Triangles())
                    indices.AddRange([first + (uint)a, first + (uint)b, first + (uint)c]);
            }
            var primitive = mesh.CreatePrimitive();
            primitive.SetVertexAccessor("POSITION", Accessor(corners, DimensionType.VEC3));
            primitive.SetVertexAccessor("NORMAL", Accessor(normals, DimensionType.VEC3));
            if (surface.Key.Laid)
                primitive.SetVertexAccessor("TEXCOORD_0", Accessor(places, DimensionType.VEC2));
            var index = root.CreateAccessor();
            index.SetIndexData(
                root.UseBufferView(Bytes(indices), 0, null, 0, BufferMode.ELEMENT_ARRAY_BUFFER),
                0,
                indices.Count,
                IndexEncodingType.UNSIGNED_INT
            );
            primitive.SetIndexAccessor(index);
            primitive.Material = MaterialOf(surface.Key.Surface, surface.Key.Tone, tint, surface.Key.Laid ? laid : null);
        }
        return mesh;
    }

    /// <summary>Metres, y up: what is north on the plan is away.</summary>
    private static Vector3 InMetres(Point3 p) => new((float)(p.X / 1000), (float)(p.Z / 1000), (float)(-p.Y / 1000));

    private Accessor Accessor<T>(List<T> vectors, DimensionType dimension)
        where T : unmanaged
    {
        var accessor = root.CreateAccessor();
        accessor.SetVertexData(
            root.UseBufferView(Bytes(vectors), 0, null, 0, BufferMode.ARRAY_BUFFER),
            0,
            vectors.Count,
            new AttributeFormat(dimension)
        );
        return accessor;
    }

    private static byte[] Bytes<T>(List<T> values)
        where T : unmanaged => MemoryMarshal.AsBytes(CollectionsMarshal.AsSpan(values)).ToArray();

    private Material MaterialOf(Surface surface, string? own, string? tint, LaidPicture? laid)
    {
        var seen = tint is not null && Tones.IsTinted(surface) ? tint : own;
        var hex = seen ?? Tones.Of(surface);
        var name = seen is not null ? $"{surface} {hex}" : $"{surface}";
        if (laid is not null && pictures.TryGetValue((laid, hex), out var with))
            return with;
        if (laid is null && materials.TryGetValue(name, out var known))
            return known;
        var material = root.CreateMaterial(name);
        material.InitializePBRMetallicRoughness();
        float Part(int at) => byte.Parse(hex.AsSpan(at, 2), NumberStyles.HexNumber, CultureInfo.InvariantCulture) / 255f;
        // Files tell colours in linear light (sRGB transfer function, IEC 61966-2-1).
        float Linear(float part) => part <= 0.04045f ? part / 12.92f : MathF.Pow((part + 0.055f) / 1.055f, 2.4f);
        var isGlass = surface == Surface.Glass;
        if (material.FindChannel("BaseColor") is { } colour)
            colour.Color = new Vector4(Linear(Part(1)), Linear(Part(3)), Linear(Part(5)), isGlass ? 0.35f : 1);
        if (material.FindChannel("MetallicRoughness") is { } rough)
        {
            rough.SetFactor("MetallicFactor", 0);
            rough.SetFactor("RoughnessFactor", 0.9f);
        }
        if (isGlass)
            (material.Alpha, material.DoubleSided) = (AlphaMode.BLEND, true);
        if (laid is null || PictureReader.Png(laid, hex) is not { } png)
            return materials[name] = material;
        material.Name = $"Picture {pictures.Count + 1}";
        if (material.FindChannel("BaseColor") is { } seenOn)
        {
            seenOn.Color = Vector4.One;
            seenOn.SetTexture(0, root.UseTexture(root.UseImage(new MemoryImage(png))));
        }
        return pictures[(laid, hex)] = material;
    }
}
