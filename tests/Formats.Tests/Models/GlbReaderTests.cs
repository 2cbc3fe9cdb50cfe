using System.Diagnostics;
using System.Text.Json.Nodes;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Editing;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.KindsOfThing;
using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Core.SolidModel;
using Wellsedes.Formats.Models;
using Wellsedes.Formats.Tests.Hostile;

namespace Wellsedes.Formats.Tests.Models;

/// <summary>Models taken in as own items: the same size, outline and triangles; files that lie are refused in words.</summary>
public sealed class GlbReaderTests
{
    private static readonly byte[] Sofa = HostileModels.Of("sofa-three");

    private static Plan Empty => Plan.Of(PlanStart.Entities("Own", Core.Units.UnitSystem.Metric), Shipped.Library);

    private static CatalogueItem Kept(GlbRead read, ItemSize size) =>
        new(
            "own-model",
            "Own model",
            CatalogueKind.Lounge,
            FormMaker.Outline,
            size,
            new ValueSource("Own item", "high"),
            default,
            Tag: "OW",
            Shape: read.Outline with
            {
                Mesh = read.Mesh,
            }
        );

    private static Plan Placed(CatalogueItem item, double rotation = 0)
    {
        var (plan, planner) = (Empty, new Planner());
        foreach (
            var edit in new Edit[]
            {
                new PutOwnItem(new OwnItem("own-model", item)),
                new PlaceItem("one", PlanStart.SchemeId, PlanStart.LevelId, "own-model", 1000, 2000, rotation),
            }
        )
        {
            var answer = planner.Answer(plan, edit);
            Assert.True(answer.Change is not null, answer.Problem?.Message);
            Assert.True(plan.TryApply(answer.Change!, out plan, out _));
        }
        return plan;
    }

    [Theory]
    [InlineData("sofa-three")]
    [InlineData("desk-1600")]
    [InlineData("stacking-chair")]
    [InlineData("round-table-1525")]
    public void A_model_of_ours_read_back_has_its_size_its_triangles_and_its_outline(string catalogue)
    {
        var plan = Empty;
        var planner = new Planner();
        Assert.True(
            plan.TryApply(
                planner.Answer(plan, new PlaceItem("item", PlanStart.SchemeId, PlanStart.LevelId, catalogue, 0, 0)).Change!,
                out plan,
                out _
            )
        );
        var model = planner.ModelOf(plan, PlanStart.SchemeId);
        var read = GlbReader.Read(GlbWriter.Write(model, catalogue));
        var kinds = model.Kinds.ToDictionary(kind => kind.Key);
        Point3[] corners =
        [
            .. model
                .Levels[0]
                .Nodes.SelectMany(node =>
                    kinds[node.Kind]
                        .Faces.SelectMany(face => face.Corners)
                        .Select(p => Point3.Over(node.At.Out(new Point(p.X, p.Y)), p.Z + node.Z))
                ),
        ];
        Assert.Equal(corners.Max(p => p.X) - corners.Min(p => p.X), read.Size.Width, 1.0);
        Assert.Equal(corners.Max(p => p.Y) - corners.Min(p => p.Y), read.Size.Depth, 1.0);
        Assert.Equal(corners.Max(p => p.Z), read.Size.Height, 1.0);
        var triangles = model.Levels[0].Nodes.Sum(node => kinds[node.Kind].Faces.Sum(face => face.Triangles().Count()));
        Assert.InRange(read.Triangles, triangles * 0.95, triangles);
        // Its outline is that of the triangles from above: nothing of it sticks out by 5 mm.
        var middle = new Point((corners.Max(p => p.X) + corners.Min(p => p.X)) / 2, (corners.Max(p => p.Y) + corners.Min(p => p.Y)) / 2);
        var region = new Region(read.Outline.Outline, []);
        foreach (var corner in corners)
        {
            var p = new Point(corner.X, corner.Y) - middle;
            Assert.True(region.Holds(p) || Distance(read.Outline.Outline, p) < 5, $"{p} is {Distance(read.Outline.Outline, p):0.0} off");
        }
    }

    private static double Distance(IReadOnlyList<Point> ring, Point p)
    {
        var least = double.PositiveInfinity;
        for (var i = 0; i < ring.Count; i++)
        {
            var (a, b) = (ring[i], ring[(i + 1) % ring.Count]);
            var t = Math.Clamp((p - a).Dot(b - a) / Math.Max(1e-9, (b - a).Dot(b - a)), 0, 1);
            least = Math.Min(least, p.DistanceTo(a + (b - a) * t));
        }
        return least;
    }

    [Fact]
    public void Kept_as_an_own_item_it_stands_at_its_typed_size_and_comes_out_again()
    {
        var read = GlbReader.Read(Sofa);
        var size = new ItemSize(read.Size.Width * 1.5, read.Size.Depth * 1.5, 500);
        var plan = Placed(Kept(read, size), 90);
        var model = new Planner().ModelOf(plan, PlanStart.SchemeId);
        var node = Assert.Single(model.Levels[0].Nodes);
        var faces = model.Kinds.Single(kind => kind.Key == node.Kind).Faces;
        Assert.InRange(faces.Length, read.Triangles * 0.9, read.Triangles);
        Assert.Equal(
            size.Width,
            faces.SelectMany(face => face.Corners).Max(p => p.X) - faces.SelectMany(face => face.Corners).Min(p => p.X),
            1.0
        );
        Assert.Equal(500, faces.SelectMany(face => face.Corners).Max(p => p.Z), 1.0);
        // Out again and in again: turned by a quarter, its width is its depth.
        var again = GlbReader.Read(GlbWriter.Write(model, "again"));
        Assert.Equal(size.Width, again.Size.Depth, 2.0);
        Assert.Equal(size.Depth, again.Size.Width, 2.0);
        Assert.Equal(read.Mesh.Tones.Select(tone => tone.Tone), again.Mesh.Tones.Select(tone => tone.Tone));
        // The plan file carries it.
        var file = PlanFile.PlanFiles.Read(PlanFile.PlanFiles.Write(plan, []));
        Assert.Equal(plan.Find<OwnItem>("own-model"), file.Find<OwnItem>("own-model"));
    }

    [Fact]
    public void Mirrored_its_triangles_still_look_outward()
    {
        var mesh = GlbReader.Read(Sofa).Mesh;
        Assert.True(Volume(mesh) > 1e6);
        Assert.Equal(Volume(mesh), Volume(mesh.Mirrored()), 1.0);
        Assert.Equal(mesh, mesh.Mirrored().Mirrored());
    }

    private static double Volume(OwnMesh mesh)
    {
        Point3 At(int corner) => new(mesh.Corners[3 * corner], mesh.Corners[3 * corner + 1], mesh.Corners[3 * corner + 2]);
        var sum = 0.0;
        for (var i = 0; i < mesh.Triangles.Length; i += 3)
            sum += At(mesh.Triangles[i]).Dot(At(mesh.Triangles[i + 1]).Cross(At(mesh.Triangles[i + 2]))) / 6;
        return sum;
    }

    [Fact]
    public void The_other_way_up_is_chosen()
    {
        var (up, lying) = (GlbReader.Read(Sofa), GlbReader.Read(Sofa, upIsZ: true));
        Assert.Equal(up.Size.Height, lying.Size.Depth, 1.0);
        Assert.Equal(up.Size.Depth, lying.Size.Height, 1.0);
    }

    public static TheoryData<string, byte[]> Lying
    {
        get
        {
            byte[] With(Action<JsonNode> change)
            {
                var (json, binary) = HostileModels.Parts(Sofa);
                change(json);
                return HostileModels.Whole(json, binary);
            }
            var cut = Sofa[..^100];
            var longer = Sofa.ToArray();
            BitConverter.TryWriteBytes(longer.AsSpan(8), Sofa.Length + 4);
            var chunk = Sofa.ToArray();
            BitConverter.TryWriteBytes(chunk.AsSpan(12), int.MaxValue);
            return new()
            {
                { "no GLB", "just a text that is long enough"u8.ToArray() },
                { "no GLB", [] },
                { "cut short", cut },
                { "cut short", longer },
                { "longer than the file", chunk },
                { "points at other files", With(json => json["buffers"]![0]!["uri"] = "elsewhere.bin") },
                {
                    "points at other files",
                    With(json => json["images"] = new JsonArray(new JsonObject { ["uri"] = "http://example.invalid/a.png" }))
                },
                {
                    "nowhere in it",
                    With(json =>
                        json["accessors"]!
                            .AsArray()
                            .Add(
                                new JsonObject
                                {
                                    ["count"] = 500_000_000,
                                    ["componentType"] = 5126,
                                    ["type"] = "VEC3",
                                }
                            )
                    )
                },
                { "longer than its part", With(json => json["accessors"]![0]!["count"] = 500_000) },
                { "lies outside it", With(json => json["bufferViews"]![0]!["byteLength"] = 400_000_000) },
                { "holds less than it says", With(json => json["buffers"]![0]!["byteLength"] = 400_000_000) },
                { "needs the extension", With(json => json["extensionsRequired"] = new JsonArray("SOME_compression")) },
                { "hang together wrongly", With(json => json["nodes"]![0]!["children"] = new JsonArray(0, 0)) },
                { "which cannot be", With(json => json["accessors"]![0]!["count"] = -5) },
                { "sparse", With(json => json["accessors"]![0]!["sparse"] = new JsonObject()) },
                { "cannot be read", HostileModels.Whole([.. Enumerable.Repeat((byte)'[', 5000)], [0, 0, 0, 0]) },
                { "nested", Nested(1000) },
                { "nodes; at most", Nested(30_000, 0) },
                { "no number", NotANumber() },
            };
        }
    }

    /// <summary>Nodes each on the next, or side by side.</summary>
    private static byte[] Nested(int count, int children = 1)
    {
        var (json, binary) = HostileModels.Parts(Sofa);
        var nodes = new JsonArray();
        for (var i = 0; i < count; i++)
            nodes.Add(
                children == 1 && i + 1 < count ? new JsonObject { ["children"] = new JsonArray(i + 1) } : new JsonObject { ["name"] = "n" }
            );
        json["nodes"] = nodes;
        return HostileModels.Whole(json, binary);
    }

    private static byte[] NotANumber()
    {
        var (json, binary) = HostileModels.Parts(Sofa);
        // The corners of the first mesh that has any.
        var accessor = (int)json["meshes"]![0]!["primitives"]![0]!["attributes"]!["POSITION"]!;
        var view = json["bufferViews"]![(int)json["accessors"]![accessor]!["bufferView"]!]!;
        BitConverter.TryWriteBytes(binary.AsSpan((int?)view["byteOffset"] ?? 0), float.NaN);
        return HostileModels.Whole(json, binary);
    }

    [Theory]
    [MemberData(nameof(Lying))]
    public void A_file_that_lies_is_refused_in_words(string says, byte[] file)
    {
        var refused = Assert.Throws<GlbRefusedException>(() => GlbReader.Read(file));
        // A corner that is no number is found by the reader or by the standard's own checks.
        Assert.True(
            refused.Message.Contains(says, StringComparison.Ordinal)
                || (says == "no number" && refused.Message.Contains("no sound GLB", StringComparison.Ordinal)),
            refused.Message
        );
    }

    /// <summary>Nothing but read or refused, each well within a second.</summary>
    [Fact]
    public void Two_thousand_spoilt_files_are_read_or_refused()
    {
        var random = new Random(11);
        byte[][] whole = [Sofa, HostileModels.Of("round-table-1525"), HostileModels.Of("stacking-chair")];
        var (read, longest) = (0, TimeSpan.Zero);
        for (var i = 0; i < 2000; i++)
        {
            var watch = Stopwatch.StartNew();
            if (HostileModels.Takes(HostileModels.Spoilt(whole[i % 3], random)))
                read++;
            longest = watch.Elapsed > longest ? watch.Elapsed : longest;
        }
        Assert.InRange(read, 100, 1900);
        Assert.True(longest < TimeSpan.FromSeconds(5), $"{longest}");
    }

    public static TheoryData<string, OwnMesh> Wrong =>
        new()
        {
            { "three numbers", new OwnMesh([1, 2], [0, 0, 0], [new("#112233", 1)]) },
            { "from 1 to", new OwnMesh([0, 0, 0], [], []) },
            { "not there", new OwnMesh([0, 0, 0], [0, 1, 2], [new("#112233", 1)]) },
            { "farther off", new OwnMesh([0, 0, 1e9], [0, 0, 0], [new("#112233", 1)]) },
            { "#RRGGBB", new OwnMesh([0, 0, 0], [0, 0, 0], [new("red", 1)]) },
            { "all of its triangles", new OwnMesh([0, 0, 0], [0, 0, 0], [new("#112233", 2)]) },
            {
                "from 1 to",
                new OwnMesh(
                    [0, 0, 0],
                    [.. Enumerable.Repeat(0, 3 * OwnMesh.MostTriangles + 3)],
                    [new("#112233", OwnMesh.MostTriangles + 1)]
                )
            },
        };

    [Theory]
    [MemberData(nameof(Wrong))]
    public void A_mesh_that_is_wrong_is_refused_by_the_plan(string says, OwnMesh mesh)
    {
        var item = Kept(GlbReader.Read(Sofa), new ItemSize(2000, 900, 800));
        var answer = new Planner().Answer(
            Empty,
            new PutOwnItem(new OwnItem("own-model", item with { Shape = item.Shape! with { Mesh = mesh } }))
        );
        Assert.Contains(says, answer.Problem!.Message, StringComparison.Ordinal);
    }
}
