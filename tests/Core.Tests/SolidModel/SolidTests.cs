using System.Collections.Immutable;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.KindsOfThing;
using Wellsedes.Core.Plans;
using Wellsedes.Core.SolidModel;

namespace Wellsedes.Core.Tests.SolidModel;

/// <summary>Items as solids: closed, seen from outside, inside their boxes, as the plan shows them from above.</summary>
public sealed class SolidTests
{
    private static readonly ItemForms Forms = new();

    public static TheoryData<string> Kinds() => [.. Shipped.Library.Catalogue.Items.Select(item => item.Key)];

    private static Form FormOf(CatalogueItem kind) =>
        Forms.FormOf(
            kind,
            kind.Size,
            kind.Seats,
            kind.Chair is { } chair ? Shipped.Library.Catalogue.Items.Single(item => item.Key == chair).Size : default,
            650
        );

    /// <summary>By the divergence theorem: a sixth of the sum of the products of each triangle's corners.</summary>
    internal static double Volume(IEnumerable<ModelFace> faces) =>
        faces.Sum(face => face.Triangles().Sum(t => face.Corners[t.A].Dot(face.Corners[t.B].Cross(face.Corners[t.C])) / 6));

    internal static double AreaOf(ModelFace face) =>
        face.Triangles().Sum(t => (face.Corners[t.B] - face.Corners[t.A]).Cross(face.Corners[t.C] - face.Corners[t.A]).Length / 2);

    /// <summary>Whether each edge is walked as often one way as the other.</summary>
    internal static bool IsClosed(IEnumerable<ModelFace> faces)
    {
        static (long, long, long) Key(Point3 p) => ((long)Math.Round(p.X * 1e4), (long)Math.Round(p.Y * 1e4), (long)Math.Round(p.Z * 1e4));
        var edges = new Dictionary<((long, long, long), (long, long, long)), int>();
        foreach (var face in faces)
            for (var i = 0; i < face.Corners.Length; i++)
            {
                var (a, b) = (Key(face.Corners[i]), Key(face.Corners[(i + 1) % face.Corners.Length]));
                edges[(a, b)] = edges.GetValueOrDefault((a, b)) + 1;
                edges[(b, a)] = edges.GetValueOrDefault((b, a)) - 1;
            }
        return edges.Values.All(count => count == 0);
    }

    private static double Area(Point[] ring) => Math.Abs(Region.SignedArea([.. ring]));

    [Theory]
    [MemberData(nameof(Kinds))]
    public void Each_part_is_closed_faces_outward_and_holds_what_its_outline_and_height_say(string key)
    {
        var kind = Shipped.Library.Catalogue.Items.Single(item => item.Key == key);
        foreach (var prism in FormOf(kind).Prisms)
        {
            var faces = Solids.Of(prism);
            Assert.True(IsClosed(faces), $"{key}: {prism} is open");
            // A frustum: h/3 (A + B + sqrt(AB)), which for upright sides is A h.
            var (foot, k) = (Area(prism.Outline.Outline(4)), prism.Taper);
            var frustum = (prism.To - prism.From) / 3 * foot * (1 + k * k + k);
            Assert.Equal(frustum, Volume(faces), Math.Max(1, 1e-9 * frustum));
            Assert.All(
                faces.SelectMany(face => face.Corners),
                p =>
                {
                    Assert.InRange(p.Z, prism.From, prism.To);
                }
            );
        }
    }

    [Theory]
    [MemberData(nameof(Kinds))]
    public void Each_item_lies_in_its_box_and_takes_no_more_triangles_than_it_needs(string key)
    {
        var kind = Shipped.Library.Catalogue.Items.Single(item => item.Key == key);
        var form = FormOf(kind);
        var faces = ItemSolids.FacesOf(form);
        var (x, y) = (kind.Size.Width / 2 + 1, kind.Size.Depth / 2 + 1);
        foreach (var p in faces.SelectMany(face => face.Corners))
        {
            Assert.InRange(p.Z, -1, kind.Size.Height + 1);
            Assert.True(Math.Abs(p.X) <= x && Math.Abs(p.Y) <= y, $"{key}: {p} is outside of {kind.Size}");
        }
        Assert.InRange(faces.Sum(face => face.Triangles().Count()), 0, 4000);
    }

    [Fact]
    public void A_banquet_chair_has_a_seat_a_back_and_legs_and_under_400_triangles()
    {
        var kind = Shipped.Library.Catalogue.Items.Single(item => item.Key == "banquet-chair");
        var faces = ItemSolids.FacesOf(FormOf(kind));
        Assert.Superset(new HashSet<Surface> { Surface.Seat, Surface.Back, Surface.Leg }, faces.Select(face => face.Surface).ToHashSet());
        Assert.InRange(faces.Sum(face => face.Triangles().Count()), 12, 399);
    }

    /// <summary>The model from above covers what the plan says the item takes of the floor, and no more: no corner of either is farther than 5 mm from the other.</summary>
    [Theory]
    [MemberData(nameof(Kinds))]
    public void From_above_it_is_what_the_plan_shows(string key)
    {
        var kind = Shipped.Library.Catalogue.Items.Single(item => item.Key == key);
        var form = FormOf(kind);
        if (form.Prisms.IsEmpty || form.ForScale)
            return;
        ImmutableArray<Region> seen = Polygons.Union(form.Prisms.Select(prism => prism.Outline));
        // Of a tree and a parasol only the foot stands on the floor; the plan draws the crown as wide as the item.
        var isCrown = key is "tree-4" or "parasol-3";
        var (x, y) = (kind.Size.Width / 2, kind.Size.Depth / 2);
        var (model, plan) = (Region.BoxOf(seen), isCrown ? new Bounds(-x, -y, x, y) : form.Body);
        Assert.Equal(plan.MinX, model.MinX, 5.0);
        Assert.Equal(plan.MaxX, model.MaxX, 5.0);
        Assert.Equal(plan.MinY, model.MinY, 5.0);
        Assert.Equal(plan.MaxY, model.MaxY, 5.0);
    }
}
