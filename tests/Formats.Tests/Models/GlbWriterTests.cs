using System.Numerics;
using SharpGLTF.Schema2;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Core.SolidModel;
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

    /// <summary>The terrazzo of the bath lies on its floor at true size, 800 x 800 mm from the lower left of the room, and the rug of one's own is seen from above once.</summary>
    [Fact]
    public void Pictures_lie_on_floors_and_things()
    {
        var plan = PlanFiles.Read(File.ReadAllBytes(Path.Combine(Demo.Root, "demo", "tidemill-house.wellsedes.json")));
        var floor = Laid(plan, "open-house").Single();
        var bath = new Planner()
            .StateOf(plan, "open-house", plan.All<Room>().Single(room => room.Id == "bath").LevelId)
            .Level.Space.Rooms.Single(room => room.Room.Id == "bath");
        var (left, low) = (bath.Outline.Bounds.MinX / 1000, bath.Outline.Bounds.MinY / 1000);
        foreach (var (at, on) in floor)
        {
            Assert.Equal((at.X - left) / 0.8, on.X, 1e-3);
            Assert.Equal((low + 0.8 + at.Z) / 0.8, on.Y, 1e-3);
        }
        var rug = Laid(plan, "scheme-a").Single();
        Assert.Equal(
            (0, 1, 0, 1),
            (
                rug.Min(one => Math.Round(one.On.X, 2)),
                rug.Max(one => Math.Round(one.On.X, 2)),
                rug.Min(one => Math.Round(one.On.Y, 2)),
                rug.Max(one => Math.Round(one.On.Y, 2))
            )
        );
    }

    /// <summary>Of each part with a picture its corners, and where on the picture these are.</summary>
    private static (Vector3 At, Vector2 On)[][] Laid(Plan plan, string scheme)
    {
        var root = ModelRoot.ParseGLB(GlbWriter.Write(new Planner().ModelOf(plan, scheme), "House"));
        return
        [
            .. root
                .LogicalMeshes.SelectMany(mesh => mesh.Primitives)
                .Where(part => part.GetVertexAccessor("TEXCOORD_0") is not null)
                .Select(part =>
                {
                    Assert.NotNull(part.Material.FindChannel("BaseColor")!.Value.Texture);
                    return part.GetVertexAccessor("POSITION")
                        .AsVector3Array()
                        .Zip(part.GetVertexAccessor("TEXCOORD_0").AsVector2Array())
                        .ToArray();
                }),
        ];
    }

    /// <summary>Debian's assimp, which knows nothing of us, counts what we count and measures what we measure.</summary>
    [Theory]
    [InlineData("orchard-supper")]
    [InlineData("tidemill-house")]
    public void Another_reader_counts_and_measures_the_same(string name)
    {
        var plan = PlanFiles.Read(File.ReadAllBytes(Path.Combine(Demo.Root, "demo", $"{name}.wellsedes.json")));
        var model = new Planner().ModelOf(plan, plan.Schemes.First().Id);
        var told = Demo.Run("assimp", "info", Demo.Write(GlbWriter.Write(model, name), $"{name}.glb"), "-r");
        double[] Figures(string line) =>
            [
                .. System
                    .Text.RegularExpressions.Regex.Matches(
                        told.Split('\n').Single(one => one.StartsWith(line, StringComparison.Ordinal)),
                        @"-?\d+(\.\d+)?"
                    )
                    .Select(match => double.Parse(match.Value, System.Globalization.CultureInfo.InvariantCulture)),
            ];
        // Where there are several levels it hangs them on one node more.
        var more = model.Levels.Length > 1 ? 1 : 0;
        Assert.Equal(more + model.Levels.Sum(level => 1 + level.Shell.Length + level.Nodes.Length), Figures("Nodes:")[0]);
        var looks = model.Levels.SelectMany(level => level.Nodes).Select(node => (node.Kind, node.Tint)).Distinct();
        var triangles =
            looks.Sum(look => Count(model.Kinds.Single(kind => kind.Key == look.Kind).Faces))
            + model.Levels.Sum(level => level.Shell.Sum(part => Count(part.Faces)));
        Assert.Equal(triangles, Figures("Faces:")[0]);
        var kinds = model.Kinds.ToDictionary(kind => kind.Key);
        Vector3[] corners =
        [
            .. model.Levels.SelectMany(level =>
                level
                    .Shell.SelectMany(part => part.Faces)
                    .SelectMany(face => face.Corners)
                    .Concat(
                        level.Nodes.SelectMany(node =>
                            kinds[node.Kind]
                                .Faces.SelectMany(face => face.Corners)
                                .Select(p => Point3.Over(node.At.Out(new(p.X, p.Y)), p.Z + node.Z))
                        )
                    )
                    .Select(p => new Vector3((float)(p.X / 1000), (float)((p.Z + level.Elevation) / 1000), (float)(-p.Y / 1000)))
            ),
        ];
        var (least, most) = (Figures("Minimum point"), Figures("Maximum point"));
        foreach (var (axis, at) in new Func<Vector3, float>[] { p => p.X, p => p.Y, p => p.Z }.Select((at, axis) => (axis, at)))
        {
            Assert.Equal(corners.Min(at), least[axis], 2e-3);
            Assert.Equal(corners.Max(at), most[axis], 2e-3);
        }

        static int Count(IEnumerable<ModelFace> faces) => faces.Sum(face => face.Corners.Length - 2);
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
