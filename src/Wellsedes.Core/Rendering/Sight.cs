using System.Collections.Immutable;
using Wellsedes.Core.Plans;
using Wellsedes.Core.SolidModel;

namespace Wellsedes.Core.Rendering;

/// <summary>A thing that is seen from a viewpoint.</summary>
/// <param name="Share">Of the picture, from 0 to 1.</param>
/// <param name="Distance">To the nearest part of it that is seen, in mm.</param>
/// <param name="Aside">Where the middle of what is seen of it lies: from -1 at the left of the picture to 1 at its right.</param>
public sealed record SeenThing(string Id, string Name, double Share, double Distance, double Aside);

/// <summary>What is seen from a viewpoint, counted in a small picture in which each thing has its own number.</summary>
public sealed class Sight
{
    /// <summary>Pixels of that picture.</summary>
    public const int Wide = 320;
    public const int High = 200;

    /// <summary>What takes less of a picture than this is not told: it is a speck.</summary>
    private const double Least = 0.0005;

    private readonly PlanModel model;
    private readonly Camera camera;
    private readonly IReadOnlyList<SeenFace> faces;
    private readonly Raster seen;

    public Sight(PlanModel model, Viewpoint from)
    {
        this.model = model;
        camera = Camera.Of(from, model.ElevationOf(from.LevelId));
        faces = SeenScene.Of(model, from, camera).Faces;
        seen = Drawn(faces);
    }

    /// <summary>Things in sight, the largest first.</summary>
    public ImmutableArray<SeenThing> Things()
    {
        var names = NamesOf(model);
        var all = new Dictionary<string, (int Count, double Near, double Sum)>();
        for (var at = 0; at < seen.Face.Length; at++)
        {
            if (seen.Face[at] == Raster.Nothing || faces[seen.Face[at]].Owner is not { Length: > 0 } owner)
                continue;
            var known = all.GetValueOrDefault(owner);
            all[owner] = (known.Count + 1, Math.Max(known.Near, seen.Near[at]), known.Sum + at % Wide + 0.5);
        }
        return
        [
            .. all.Where(one => names.ContainsKey(one.Key))
                .Select(one => new SeenThing(
                    one.Key,
                    names[one.Key],
                    (double)one.Value.Count / seen.Face.Length,
                    1 / one.Value.Near,
                    one.Value.Sum / one.Value.Count / Wide * 2 - 1
                ))
                .Where(one => one.Share >= Least)
                .OrderByDescending(one => one.Share)
                .ThenBy(one => one.Id, StringComparer.Ordinal),
        ];
    }

    /// <summary>How much of a thing is seen, from 0 to 1, of what would be seen of it if nothing stood before it; null where none of it is in that direction.</summary>
    public double? ShareOf(string id)
    {
        var alone = Drawn([.. faces.Where(face => face.Owner == id)]).Face.Count(face => face != Raster.Nothing);
        return alone == 0 ? null : (double)seen.Face.Count(face => face != Raster.Nothing && faces[face].Owner == id) / alone;
    }

    /// <summary>The look of somebody on a seat at a point of the level.</summary>
    /// <param name="eye">The height of seated eyes above the floor under the seat, in mm.</param>
    public static Viewpoint FromSeat(ModelSeat seat, string schemeId, string levelId, double eye, Point3 towards)
    {
        var (dx, dy) = (towards.X - seat.At.X, towards.Y - seat.At.Y);
        var z = seat.Z + eye;
        return new Viewpoint(
            "seat",
            schemeId,
            levelId,
            seat.Name.Length <= 40 ? seat.Name : seat.Name[..40],
            seat.At.X,
            seat.At.Y,
            z,
            Math.Atan2(dy, dx) * 180 / Math.PI,
            Math.Atan2(towards.Z - z, Math.Sqrt(dx * dx + dy * dy)) * 180 / Math.PI,
            Viewpoint.AtEyeLevel,
            new ViewpointShows(Inside: true)
        );
    }

    private Raster Drawn(IReadOnlyList<SeenFace> all)
    {
        // What one sees through is not in the way.
        SeenFace[] solid = [.. all.Select(face => face.Surface == Surface.Glass ? face with { Corners = [] } : face)];
        var raster = new Raster(Wide, High);
        raster.Clear(0);
        var projection = new Lens(camera, Wide, High).Project(solid);
        foreach (var polygon in projection.Polygons)
            raster.Draw(projection, polygon);
        return raster;
    }

    private static Dictionary<string, string> NamesOf(PlanModel model)
    {
        var names = new Dictionary<string, string>();
        foreach (var level in model.Levels)
        {
            foreach (var part in level.Shell.Where(part => part.Surface is not (Surface.Floor or Surface.Ceiling or Surface.Wall)))
                names.TryAdd(part.Id, part.Name);
            foreach (var node in level.Nodes.Where(node => node.ItemId.Length > 0))
                names.TryAdd(node.ItemId, node.Name);
        }
        names.Remove("");
        return names;
    }
}
