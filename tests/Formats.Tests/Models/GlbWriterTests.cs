using System.Numerics;
using SharpGLTF.Schema2;
using Wellsedes.Core.Models;
using Wellsedes.Core.Planning;
using Wellsedes.Formats.Models;
using Wellsedes.Formats.PlanFile;

namespace Wellsedes.Formats.Tests.Models;

/// <summary>Binary glTF of the demo's plans, read back with the reader of the library: what is in it is what the model says.</summary>
public sealed class GlbWriterTests
{
    [Theory]
    [InlineData("orchard-supper")]
    [InlineData("tidemill-house")]
    [InlineData("reed-workshop")]
    public void Read_back_it_is_the_model(string name)
    {
        var plan = PlanFiles.Read(File.ReadAllBytes(Path.Combine(Demo.Root, "demo", $"{name}.wellsedes.json")));
        var model = new Planner().ModelOf(plan, plan.Schemes.First().Id);
        var bytes = GlbWriter.Write(model, name);
        Assert.InRange(bytes.Length, 1000, 2_000_000);
        var root = ModelRoot.ParseGLB(bytes);
        Assert.Equal(name, root.DefaultScene.Name);
        var floors = root.DefaultScene.VisualChildren.ToArray();
        Assert.Equal(model.Levels.Select(level => level.Name), floors.Select(floor => floor.Name));
        foreach (var (level, floor) in model.Levels.Zip(floors))
        {
            var nodes = floor.VisualChildren.ToArray();
            Assert.Equal(level.Shell.Length + level.Nodes.Length, nodes.Length);
            Assert.Equal(level.Elevation / 1000, floor.LocalTransform.Translation.Y, 4);
            foreach (var (item, node) in level.Nodes.Zip(nodes[level.Shell.Length..]))
            {
                Assert.Equal(item.Name, node.Name);
                Assert.Equal(item.ItemId, (string?)node.Extras["itemId"]);
                Assert.Equal(item.Label, (string?)node.Extras["label"]);
                var faces = model.Kinds.Single(kind => kind.Key == item.Kind).Faces;
                Assert.Equal(Volume(faces), VolumeOf(node), 1e-6 + 1e-4 * Volume(faces));
                // The middle of its corners, where the plan has it: metres, y up, north away.
                var corners = faces.SelectMany(face => face.Corners).ToArray();
                var mean = item.At.Out(new(corners.Average(p => p.X), corners.Average(p => p.Y)));
                var found = Corners(node).Aggregate(Vector3.Zero, (sum, p) => sum + p) / Corners(node).Count();
                Assert.Equal(mean.X / 1000, found.X, 3e-3);
                Assert.Equal(-mean.Y / 1000, found.Z, 3e-3);
                Assert.Equal((corners.Average(p => p.Z) + item.Z + level.Elevation) / 1000, found.Y, 3e-3);
            }
            foreach (var (part, node) in level.Shell.Zip(nodes))
                Assert.Equal(Volume(part.Faces), VolumeOf(node), 1e-6 + 1e-3 * Math.Abs(Volume(part.Faces)));
        }
        // A mesh for each look, however many stand there.
        Assert.True(root.LogicalMeshes.Count <= model.Kinds.Length * 2 + model.Levels.Sum(level => level.Shell.Length));
    }

    /// <summary>By the divergence theorem, in m³.</summary>
    private static double Volume(IEnumerable<ModelFace> faces) =>
        faces.Sum(face => face.Triangles().Sum(t => face.Corners[t.A].Dot(face.Corners[t.B].Cross(face.Corners[t.C])) / 6)) / 1e9;

    private static double VolumeOf(Node node)
    {
        var sum = 0.0;
        foreach (var primitive in node.Mesh.Primitives)
        {
            var places = primitive.GetVertexAccessor("POSITION").AsVector3Array();
            foreach (var (a, b, c) in primitive.GetTriangleIndices())
                sum += Vector3.Dot(places[a], Vector3.Cross(places[b], places[c])) / 6.0;
        }
        return sum;
    }

    private static IEnumerable<Vector3> Corners(Node node) =>
        node.Mesh.Primitives.SelectMany(primitive =>
            primitive.GetVertexAccessor("POSITION").AsVector3Array().Select(p => Vector3.Transform(p, node.WorldMatrix))
        );
}
