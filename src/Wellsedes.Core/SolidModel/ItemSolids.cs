using System.Collections.Immutable;
using System.Globalization;
using System.Runtime.CompilerServices;
using Wellsedes.Core.Catalogue;
using Wellsedes.Core.Geometry;
using Wellsedes.Core.Plans;

namespace Wellsedes.Core.SolidModel;

/// <summary>Items as nodes of the kinds they look like: each form is turned into faces once. The chairs at a table are nodes of their own, drawn up as they are used.</summary>
internal sealed class ItemSolids(Plan plan, ItemForms forms)
{
    private readonly Dictionary<Form, ModelKind> kinds = new(ReferenceEqualityComparer.Instance);

    public ImmutableArray<ModelKind> All =>
        [.. kinds.Values.Where(kind => !kind.Faces.IsEmpty).OrderBy(kind => kind.Key, StringComparer.Ordinal)];

    public IEnumerable<ModelNode> NodesOf(PlacedItem placed, string? tint)
    {
        var item = placed.Item;
        if (KindOf(placed.Form, placed.Kind) is { Faces.IsEmpty: false } own)
            yield return new ModelNode(item.Id, placed.Name, item.Label, own.Key, item.Placement, placed.Bottom, tint);
        if (placed.Kind.Chair is not { } key || plan.CatalogueItem(key) is not { } chair)
            yield break;
        var seated = placed.Form.Seats.Where(seat => seat.AtTable).ToArray();
        if (seated.Length == 0)
            yield break;
        var form = forms.FormOf(chair, chair.Size, chair.Seats, default, placed.Checks.OccupiedDepth);
        var kind = KindOf(form, chair);
        if (kind.Faces.IsEmpty)
            yield break;
        foreach (var seat in seated)
        {
            var at = seat.ChairAt(placed.Checks.OccupiedDepth);
            var origin = item.Placement.Out(at.Origin);
            // Chairs stand as high as their table does: on the deck that it stands on.
            yield return new ModelNode(
                item.Id,
                $"{chair.Name} at {placed.Name}",
                "",
                kind.Key,
                new Placement(origin.X, origin.Y, item.Rotation + at.Rotation),
                placed.Bottom,
                null
            );
        }
    }

    /// <summary>Somebody on each of its seats; nobody where the catalogue has no such figure.</summary>
    public IEnumerable<ModelNode> PeopleAt(PlacedItem placed)
    {
        if (placed.Form.Seats.IsEmpty || plan.CatalogueItem("person-seated") is not { } person)
            yield break;
        var kind = KindOf(forms.FormOf(person, person.Size, person.Seats, default, placed.Checks.OccupiedDepth), person);
        foreach (var seat in placed.Form.Seats)
        {
            var at = seat.ChairAt(placed.Checks.OccupiedDepth);
            // Their back is at the back of the chair.
            var back = at.Out(new Point(0, seat.ChairDepth / 2 - person.Size.Depth / 2));
            var origin = placed.Item.Placement.Out(back);
            yield return new ModelNode(
                "",
                $"Person at {placed.Name}",
                "",
                kind.Key,
                new Placement(origin.X, origin.Y, placed.Item.Rotation + at.Rotation),
                placed.Bottom,
                null
            );
        }
    }

    private ModelKind KindOf(Form form, CatalogueItem kind)
    {
        if (kinds.TryGetValue(form, out var known))
            return known;
        var count = kinds.Values.Count(other => other.Key == kind.Key || other.Key.StartsWith(kind.Key + "~", StringComparison.Ordinal));
        var key = count == 0 ? kind.Key : string.Create(CultureInfo.InvariantCulture, $"{kind.Key}~{count + 1}");
        return kinds[form] = new ModelKind(key, kind.Name, FacesOf(form))
        {
            Laid = form is { Picture: { } picture, Mesh: null } ? new LaidPicture(picture) : null,
        };
    }

    /// <summary>Forms are made once for all that look alike, and so are their faces.</summary>
    private static readonly ConditionalWeakTable<Form, KnownFaces> Known = [];

    private sealed record KnownFaces(ImmutableArray<ModelFace> Faces);

    /// <summary>All its prisms as faces, or the model it was brought in from.</summary>
    public static ImmutableArray<ModelFace> FacesOf(Form form) =>
        Known
            .GetValue(
                form,
                static one => new KnownFaces(
                    one.Mesh is { } mesh ? [.. TrianglesOf(mesh)] : [.. one.Prisms.SelectMany(prism => Solids.Of(prism))]
                )
            )
            .Faces;

    private static IEnumerable<ModelFace> TrianglesOf(OwnMesh mesh)
    {
        Point3 At(int corner) => new(mesh.Corners[3 * corner], mesh.Corners[3 * corner + 1], mesh.Corners[3 * corner + 2]);
        var next = 0;
        foreach (var tone in mesh.Tones)
            for (var end = next + 3 * tone.Triangles; next < end; next += 3)
            {
                var face = new ModelFace(
                    Surface.Body,
                    [At(mesh.Triangles[next]), At(mesh.Triangles[next + 1]), At(mesh.Triangles[next + 2])],
                    tone.Tone
                );
                // A sliver has no side to be seen.
                if (face.Normal.Length > 0.5)
                    yield return face;
            }
    }
}
